using MudPie.Core.Judging.Statistics;

namespace MudPie.Core.Judging.Trials;

/// <summary>One plot (pot, strip, tray) with what was measured on it.</summary>
public sealed record TrialRow
{
    /// <summary>What the plot is called.</summary>
    public string Plot { get; init; } = "";

    /// <summary>Its level of each factor, in the order of the question's factors.</summary>
    public IReadOnlyList<string> Levels { get; init; } = [];

    /// <summary>The block (or pair) that it lies in; null where there are none.</summary>
    public string? Block { get; init; }

    /// <summary>The whole plot that it lies in, for split plots.</summary>
    public string? WholePlot { get; init; }

    /// <summary>What was measured; null where the plot is missing.</summary>
    public double? Value { get; init; }

    /// <summary>For counts of germinated: out of how many.</summary>
    public double? OutOf { get; init; }

    /// <summary>Why it is missing.</summary>
    public string? Why { get; init; }

    /// <summary>As it is drawn: counts as so many in a hundred, all else as it is; null where it is missing.</summary>
    /// <remarks>18 of 24 that came up is drawn at 75.</remarks>
    public double? Drawn(Scale kind) => OutOf is { } of && kind == Scale.Count ? 100 * Value / of : Value;
}

/// <summary>A trial to be judged: one measure, on one date or over several.</summary>
public sealed record TrialQuestion
{
    /// <summary>The most plots that one sheet judges.</summary>
    public const int MostPlots = 20_000;

    /// <summary>Known designs.</summary>
    public static readonly IReadOnlyList<Design> Designs = [Design.Random, Design.Blocks, Design.Factorial, Design.SplitPlot,
        Design.Paired];

    /// <summary>What was measured, as it is called.</summary>
    public string Response { get; init; } = "response";

    /// <summary>Its unit.</summary>
    public string Unit { get; init; } = "";

    /// <summary>One of <see cref="Designs"/>. Factorial takes blocks too where rows name them.</summary>
    public Design Design { get; init; } = Design.Random;

    /// <summary>Names of the factors; in a split plot, the one on whole plots first.</summary>
    public IReadOnlyList<string> Factors { get; init; } = [];

    /// <summary>2 to 5,000 plots.</summary>
    public IReadOnlyList<TrialRow> Rows { get; init; } = [];

    /// <summary>The treatment that others are set against: a level, or "level, level" where factors are crossed; null takes the
    /// first.</summary>
    public string? Control { get; init; }

    /// <summary>Treatments that are only there to be compared with, and make no headline: "nothing" beside "water only".</summary>
    public IReadOnlyList<string> Bystanders { get; init; } = [];

    /// <summary>Crossed factors that are no treatment but what it is tried in: soils, crops. Verdicts are averaged over them, so that a
    /// better soil is not counted as the treatment.</summary>
    public IReadOnlyList<string> Conditions { get; init; } = [];

    /// <summary>The smallest difference worth having, in the unit, above 0; null where none was set.</summary>
    public double? WorthHaving { get; init; }

    /// <summary>True where less is better: pests, disease, days to come up.</summary>
    public bool LowerIsBetter { get; init; }

    /// <summary>"amount", "score" (order only) or "count" (so many out of so many).</summary>
    public Scale Kind { get; init; } = Scale.Amount;

    /// <summary>The most that it may be worse and still be called no harm, in the unit (points of a hundred for counts); null where nobody
    /// asks.</summary>
    public double? NoWorseBy { get; init; }

    /// <summary>Ends a long sum when whoever asked has gone.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public CancellationToken Stop { get; init; }

    /// <summary>How many measures and dates were looked at, 1 to 50: the more, the wider the interval that a verdict takes.</summary>
    public int Looked { get; init; } = 1;
}

/// <summary>A treatment's mean with its 95 % interval; no interval where nothing tells the noise.</summary>
public sealed record TrialMean(string Term, string Name, int Plots, double Mean, double? Lower, double? Upper)
{
    /// <summary>A mean by its own plots alone.</summary>
    internal static TrialMean Of(string term, string name, int plots, Estimate known) =>
        new(term, name, plots, known.Mean, known.Mean - known.Half(), known.Mean + known.Half());
}

/// <summary>One treatment less another.</summary>
/// <param name="Term">Factor or cells that it is of.</param>
/// <param name="Pair">Both, as "tea - water only".</param>
/// <param name="Of">The first.</param>
/// <param name="Against">The other.</param>
/// <param name="Difference">First less other.</param>
/// <param name="Lower">Lower end of the 95 % interval, all of the family at once; null where nothing tells the noise.</param>
/// <param name="Upper">Upper end.</param>
/// <param name="T">Difference over its standard error.</param>
/// <param name="Df">Degrees of freedom of the noise.</param>
/// <param name="P">Adjusted for the family.</param>
public sealed record TrialComparison(string Term, string Pair, string Of, string Against, double Difference, double? Lower, double? Upper,
    double? T, double? Df, double? P);

/// <summary>A comparison's verdict.</summary>
/// <param name="Of">The treatment.</param>
/// <param name="Against">What it is set against.</param>
/// <param name="Word">What it found.</param>
/// <param name="Difference">As in the comparison.</param>
/// <param name="Lower">Lower end of the interval that the verdict took: wider than 95 % where several measures were looked at.</param>
/// <param name="Upper">Upper end.</param>
/// <param name="Sentence">In a sentence.</param>
/// <param name="MorePerTreatment">More plots of each for eight chances in ten of seeing the difference worth having; null where the verdict
/// stands or no line was set.</param>
/// <param name="NoHarm">Whether it is no worse than the margin; null where nobody asked.</param>
public sealed record ComparisonVerdict(string Of, string Against, Finding Word, double Difference, double? Lower, double? Upper,
    string Sentence, int? MorePerTreatment, bool? NoHarm);

/// <summary>The test and why this one.</summary>
public sealed record NamedTest(string Name, string Why);

/// <summary>A plot's residual: what it is beside what the model makes of it.</summary>
public sealed record TrialResidual(string Plot, string Treatment, double Fitted, double Residual, double? Studentized, bool Outlier);

/// <summary>What a trial says of one measure.</summary>
public sealed record TrialAnswer
{
    public required string Response { get; init; }

    public required string Unit { get; init; }

    public required NamedTest Test { get; init; }

    public required IReadOnlyList<AnovaLine> Anova { get; init; }

    public required IReadOnlyList<TrialMean> Means { get; init; }

    public required IReadOnlyList<TrialComparison> Tukey { get; init; }

    public required IReadOnlyList<TrialComparison> Dunnett { get; init; }

    public required RankTest? Ranks { get; init; }

    public required IReadOnlyList<ComparisonVerdict> Verdicts { get; init; }

    public required Finding Verdict { get; init; }

    public required string Sentence { get; init; }

    public required double? NoiseSd { get; init; }

    public required double? NoiseDf { get; init; }

    public required double? Dispersion { get; init; }

    public required IReadOnlyList<string> Checks { get; init; }

    public required IReadOnlyList<TrialResidual> Residuals { get; init; }

    public required IReadOnlyList<string> Missing { get; init; }

    public required int Looked { get; init; }

    /// <summary>The comparisons that verdicts were taken from: Dunnett's own, or Welch's where treatments laid at random need not stray
    /// alike.</summary>
    public IReadOnlyList<TrialComparison> Judged { get; init; } = [];

    /// <summary>Means with the intervals that belong to those comparisons: by each treatment's own spread where verdicts take that, else by
    /// the common noise.</summary>
    public IReadOnlyList<TrialMean> JudgedMeans { get; init; } = [];

    /// <summary>All pairs, each by its own spread (Games–Howell); empty where the design takes one noise for all.</summary>
    public IReadOnlyList<TrialComparison> GamesHowell { get; init; } = [];
}
