using MudPie.Core.Shelf;

namespace MudPie.Records.Shelf;

/// <summary>A lot of an input: bought or made on one day. What is left of it is the sum of its entries.</summary>
public sealed class StockLot
{
    public int Id { get; set; }

    public int InputId { get; set; }

    public Input Input { get; set; } = null!;

    /// <summary>What stands on it.</summary>
    public required string Mark { get; set; }

    public required LotOrigin Origin { get; set; }

    /// <summary>When it was bought or made.</summary>
    public DateTimeOffset From { get; set; }

    public DateTimeOffset? Expires { get; set; }

    /// <summary>Where it is kept.</summary>
    public string? Place { get; set; }

    /// <summary>How warm it is there, °C.</summary>
    public double? KeptC { get; set; }

    /// <summary>What all of it cost, in the holding's money; null where not known.</summary>
    public double? Paid { get; set; }

    /// <summary>Minutes of work, where it was made.</summary>
    public double? Minutes { get; set; }

    /// <summary>The job of mixing that it was made by; null for none.</summary>
    public int? MixId { get; set; }

    /// <summary>The heap that it was taken from; null for none.</summary>
    public int? HeapId { get; set; }

    /// <summary>The work in the yard that it came of; null for none.</summary>
    public int? WorkId { get; set; }

    /// <summary>What it is of: the weed, the way it was made, a test.</summary>
    public string? Notes { get; set; }

    public List<StockEntry> Entries { get; } = [];
}

/// <summary>Something that changed what is left of a lot. Never changed: a correction is a new entry.</summary>
public sealed class StockEntry
{
    public int Id { get; set; }

    public int LotId { get; set; }

    public StockLot Lot { get; set; } = null!;

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    /// <summary>In the input's unit; below 0 where it was taken.</summary>
    public double Amount { get; set; }

    public required StockReason Reason { get; set; }

    /// <summary>The amount as the grower typed it; null where nobody typed it.</summary>
    public string? Typed { get; set; }

    public int? BatchId { get; set; }

    public int? ApplicationId { get; set; }

    /// <summary>The step of a job of mixing that wrote it; null for none.</summary>
    public int? MixEntryId { get; set; }

    /// <summary>The step at a heap that wrote it; null for none.</summary>
    public int? HeapEntryId { get; set; }

    /// <summary>The step at a work in the yard that wrote it; null for none.</summary>
    public int? WorkEntryId { get; set; }

    public string? Note { get; set; }

    /// <summary>An entry that a deed of the core writes.</summary>
    /// <param name="change">What changes.</param>
    /// <param name="at">When it was so.</param>
    /// <param name="now">When it was written down.</param>
    public static StockEntry Of(StockChange change, DateTimeOffset at, DateTimeOffset now) => new() {
        LotId = change.LotId, At = at, RecordedAt = now, Amount = change.Amount, Reason = change.Reason, Note = change.Note,
        Typed = change.Typed
    };
}
