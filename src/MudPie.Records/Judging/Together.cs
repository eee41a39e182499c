using MudPie.Core.Judging.Together;

namespace MudPie.Records.Judging;

/// <summary>A trial as others try it.</summary>
public static class AsTold
{
    /// <summary>What a trial asks, as a protocol; crossed factors become arms of one.</summary>
    /// <param name="t">With its treatments and measures.</param>
    /// <param name="mark">The protocol's.</param>
    /// <param name="from">What this holding calls itself.</param>
    /// <param name="days">Days after it begins on which it is measured.</param>
    /// <param name="water">Litres on a square metre, as they are typed.</param>
    public static TrialProtocol AsProtocol(this Trial t, Guid mark, string from, IReadOnlyList<int> days,
        Func<double, string> water) => new() {
            Form = TrialProtocol.This, Mark = mark, From = from, Question = t.Question, Displaces = t.Displaces,
            Design = t.Design == Design.Factorial ? Design.Blocks : t.Design, Kind = t.Kind, Liquid = t.Liquid, Blind = t.Blind,
            Replicates = t.Replicates, WorthHaving = t.WorthHaving,
            Arms = [.. t.Treatments.OrderBy(x => x.Order).Select(x => new ProtocolArm(x.Laid().Full, x.Role, x.RateTyped,
            x.WaterLPerM2 is { } w ? water(w) : null))],
            Measures = [.. t.Measures.OrderBy(m => m.Order).Select(m => new ProtocolMeasure(m.Name, m.Unit, m.Kind, m.Low, m.High,
            m.LowerIsBetter, m.OutOf, m.Dates))],
            Days = days,
        };
}

/// <summary>A protocol that this holding wrote or joined. What it says is never changed.</summary>
public sealed class HeldProtocol
{
    public int Id { get; set; }

    /// <summary>By which results find it.</summary>
    public Guid Mark { get; set; }

    public required TrialProtocol Told { get; set; }

    /// <summary>It was asked here; else it came from elsewhere.</summary>
    public bool Ours { get; set; }

    /// <summary>"here", "a file" or whose it is at the box.</summary>
    public required string Source { get; set; }

    public DateTimeOffset AddedAt { get; set; }

    public List<HeldResult> Results { get; } = [];
}

/// <summary>What another garden found by a protocol. Never changed; a later one of the same garden takes its place.</summary>
public sealed class HeldResult
{
    public int Id { get; set; }

    public int HeldProtocolId { get; set; }

    /// <summary>The mark of that garden's trial.</summary>
    public Guid Garden { get; set; }

    public required GardenResult Told { get; set; }

    public DateTimeOffset AddedAt { get; set; }

    /// <summary>Left out, and why.</summary>
    public string? OutWhy { get; set; }
}
