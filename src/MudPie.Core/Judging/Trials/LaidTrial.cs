namespace MudPie.Core.Judging.Trials;

/// <summary>Something that a trial compares.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Role">What it is there for.</param>
/// <param name="Levels">Its level of each factor, in the order of the trial's factors.</param>
public sealed record LaidTreatment(string Name, TrialRole Role, IReadOnlyList<string> Levels)
{
    /// <summary>All levels: "tea, 1:5".</summary>
    public string Full => string.Join(", ", Levels);
}

/// <summary>A plot of a trial and what lies on it.</summary>
public sealed record TriedPlot(int Id, int Number, LaidTreatment Treatment, string? Block, string? WholePlot);

/// <summary>Something that is measured in a trial.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Order">0 for the main one.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Unit">Its unit.</param>
/// <param name="Kind">Amount, score or count.</param>
/// <param name="LowerIsBetter">True for pests, disease, days to come up.</param>
/// <param name="OutOf">For counts: out of how many.</param>
/// <param name="Dates">How several dates become one figure.</param>
public sealed record LaidMeasure(int Id, int Order, string Name, string Unit, Scale Kind, bool LowerIsBetter, double? OutOf, DatesTo Dates);

/// <summary>A figure that stands, on one plot and for one day.</summary>
public sealed record DatedFigure(int PlotId, int MeasureId, DateTimeOffset On, PlotFigure Figure);

/// <summary>A trial as the rules know it: what is compared, and where it lies.</summary>
public sealed record LaidTrial
{
    /// <summary>How it was laid out.</summary>
    public required Design Design { get; init; }

    /// <summary>Put on as a liquid: water only belongs beside it.</summary>
    public required bool Liquid { get; init; }

    /// <summary>Names of the factors.</summary>
    public required IReadOnlyList<string> Factors { get; init; }

    /// <summary>Smallest difference worth having, in the main measure's unit; null where none was set.</summary>
    public required double? WorthHaving { get; init; }

    /// <summary>Plots of each that were planned.</summary>
    public required int Replicates { get; init; }

    /// <summary>Laid out by lot.</summary>
    public required bool ByLot { get; init; }

    /// <summary>Measured without knowing.</summary>
    public required bool Blind { get; init; }

    /// <summary>What is compared, in order.</summary>
    public required IReadOnlyList<LaidTreatment> Treatments { get; init; }

    /// <summary>Plots; none before the draw.</summary>
    public required IReadOnlyList<TriedPlot> Plots { get; init; }

    /// <summary>The treatment of a role; null where it has none.</summary>
    public LaidTreatment? With(TrialRole role) => Treatments.FirstOrDefault(t => t.Role == role);

    /// <summary>Factors that only say where a thing is tried.</summary>
    public IReadOnlyList<string> Conditions => [.. TrialSettings.Of(Factors, [.. Treatments.Select(t => t.Levels)],
        [.. Treatments.Where(t => t.Role == TrialRole.Control).Select(t => t.Levels)])];

    /// <summary>Levels of what it compares; the rest is averaged over.</summary>
    public int Compared => TrialSettings.Compared(Factors, [.. Treatments.Select(t => t.Levels)], Conditions);

    /// <summary>How many plots of each: "4 of each"; "4 to 9 of each" where they differ; "one pair".</summary>
    public string EachSays
    {
        get
        {
            var counts = Each();
            return Design == Design.Pair ? "one pair" : counts.Min() == counts.Max()
                ? $"{counts[0]} of each" : $"{counts.Min()} to {counts.Max()} of each";
        }
    }

    /// <summary>How strong the look is.</summary>
    public IReadOnlyList<StrengthLine> Strength => TrialStrength.Of(Each().Min(), ByLot, Blind, With(TrialRole.Water) is not null, Liquid,
        With(TrialRole.Control) is not null, 1);

    /// <summary>Plots of each treatment; what was planned before the draw.</summary>
    private List<int> Each() =>
        Plots.Count == 0 ? [Replicates] : [.. Treatments.Select(t => Plots.Count(p => ReferenceEquals(p.Treatment, t)))];
}
