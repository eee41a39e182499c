using MudPie.Core.Book;
using MudPie.Records.Ground;

namespace MudPie.Records.Book;

/// <summary>Something taken off a bed. Never changed: a correction is a new one.</summary>
public sealed class HarvestEntry : IPutRight
{
    public int Id { get; set; }

    public int BedId { get; set; }

    public Bed Bed { get; set; } = null!;

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    public required string Crop { get; set; }

    public double Kg { get; set; }

    /// <summary>The weight as the grower typed it; null where nobody typed it.</summary>
    public string? Typed { get; set; }

    public string? Note { get; set; }

    public int? CorrectsId { get; set; }

    /// <summary>An entry that a deed of the core writes.</summary>
    public static HarvestEntry Of(Harvested deed, int bedId, int? correctsId, DateTimeOffset now) => new() {
        BedId = bedId, Crop = deed.Crop, At = deed.At, RecordedAt = now, Kg = deed.Kg, Typed = deed.Typed, Note = deed.Note,
        CorrectsId = correctsId
    };
}

/// <summary>Something seen, in words. Never changed: a correction is a new one.</summary>
public sealed class Observation : IPutRight
{
    public int Id { get; set; }

    public int? BedId { get; set; }

    public Bed? Bed { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    public required string Text { get; set; }

    public int? CorrectsId { get; set; }

    /// <summary>An entry that a deed of the core writes.</summary>
    public static Observation Of(Sighted deed, int? bedId, int? correctsId, DateTimeOffset now) =>
        new() { BedId = bedId, At = deed.At, RecordedAt = now, Text = deed.Text, CorrectsId = correctsId };
}

/// <summary>Days to wait before harvest by the grower's own code. Never changed: the newest counts.</summary>
public sealed class OwnWait
{
    public int Id { get; set; }

    /// <summary>A kind of the waits.</summary>
    public required string Kind { get; set; }

    public double Days { get; set; }

    /// <summary>Which code says so.</summary>
    public required string Why { get; set; }

    public DateTimeOffset At { get; set; }
}
