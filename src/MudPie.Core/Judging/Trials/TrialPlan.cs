using MudPie.Core.Judging.Statistics;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>The money behind a trial.</summary>
public sealed record TrialMoney
{
    /// <summary>What the new thing costs, in the holding's money per hectare, 0 to 1e6.</summary>
    public double? CostPerHa { get; init; }

    /// <summary>The same per acre, in its place: then words speak of acres. 0 to 1e6.</summary>
    public double? CostPerAcre { get; init; }

    /// <summary>What one unit of the measure sells for, above 0.</summary>
    public double? PricePerUnit { get; init; }

    /// <summary>"perPlot", "perM2", "perHa", "perFt2" or "perAcre": what one unit of the measure is on.</summary>
    public string Basis { get; init; } = "perM2";

    /// <summary>Plot, m²: for "perPlot".</summary>
    public double? PlotM2 { get; init; }

    /// <summary>The same in square feet, in its place.</summary>
    public double? PlotFt2 { get; init; }

    internal UnitSystem Units => CostPerAcre is not null || Basis is "perFt2" or "perAcre" ? UnitSystem.UsCustomary : UnitSystem.Metric;
}

/// <summary>What a difference would earn.</summary>
public sealed record EarnAnswer(double PerHa, double? Lower, double? Upper, string Sentence);

/// <summary>From money to a smallest difference worth having, and back to what a result would earn.</summary>
public static class TrialWorth
{
    /// <summary>The smallest difference that pays for itself.</summary>
    /// <remarks>300 a hectare at 2.50 a kg, measured in kg per m²: 300 ÷ 25,000 = 0.012 kg per m².</remarks>
    public static Ruling<double> Smallest(TrialMoney m, string unit)
    {
        var (value, refusal) = Value(m);
        var checks = new Checks();
        var cost = Cost(m, checks, 0.01);
        if (refusal is not null)
        {
            checks.Add(refusal);
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        return Worked.Of(
            cost / value, unit, Evidence.ChemistryOrPhysics,
            [new("worth having", $"cost {Per.LargeArea(m.Units)} ÷ what one unit of the measure brings {Per.LargeArea(m.Units)}",
                $"{Say.Number(cost)} ÷ {Say.Number(value)}", $"{Say.Number(cost / value)}{Say.Unit(unit)}",
                "it pays for itself and no more")]);
    }

    /// <summary>What one unit of the measure brings on a hectare, money; null where no price, or no plot, was given.</summary>
    /// <remarks>2.40 a kilogram, weighed on plots of 1.2 m²: 20,000 a hectare.</remarks>
    public static double? PerHa(TrialMoney? m) => m is { PricePerUnit: not null } && Value(m) is { Refusal: null } told
        ? Per.LargeSi(told.Value, m.Units) : null;

    /// <summary>The same for a yield by weight, by what a kilogram sells for.</summary>
    /// <param name="unit">Of the measure: "kg a metre", "t a hectare", "lb a sq ft".</param>
    /// <param name="perKg">Price of a kilogram, above 0.</param>
    /// <param name="plotM2">A plot, m²; null where not known.</param>
    /// <param name="widthM">How wide a metre of bed is, m; null where not known.</param>
    /// <returns>Null for what is no yield by weight, or wants a plot that is not known.</returns>
    /// <remarks>"kg a m²" at 2.40: 24,000. "kg a metre" of a bed 1.2 m wide: 20,000.</remarks>
    public static double? PerHa(string unit, double perKg, double? plotM2, double? widthM)
    {
        var perM2 = unit switch {
            "kg a m²" => 1,
            "t a hectare" => 0.1,
            "kg a plot" => 1 / plotM2,
            "kg a metre" => 1 / widthM,
            "lb a sq ft" => Per.PoundKg / Per.Ft2InM2,
            "lb an acre" => Per.PoundKg / Per.AcreInM2,
            "lb a plot" => Per.PoundKg / plotM2,
            "lb a foot" => Per.PoundKg / 0.3048 / widthM,
            _ => (double?)null,
        };
        return perM2 is { } share && double.IsFinite(share) ? share * perKg * 10_000 : null;
    }

    /// <summary>What it would earn a hectare, with the interval of the difference carried through.</summary>
    public static Ruling<EarnAnswer> Earns(TrialMoney m, double difference, double? lower, double? upper)
    {
        var (value, refusal) = Value(m);
        var checks = new Checks();
        var cost = m.CostPerHa is null && m.CostPerAcre is null ? 0 : Cost(m, checks, 0);
        if (refusal is not null)
        {
            checks.Add(refusal);
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        double Of(double d) => (d * value) - cost;
        double PerHa(double x) => Per.LargeSi(x, m.Units);
        var (mid, low, high) = (Of(difference), lower is { } l ? Of(l) : (double?)null, upper is { } u ? Of(u) : (double?)null);
        var told = low is null ? "one look tells no more" : low > 0 ? "it pays, 19 times in 20 that such an interval is drawn" : high < 0
            ? "it does not pay for itself" : "whether it pays can’t be told yet";
        var between = low is null ? "" : $", {Say.Money(low.Value, null)} to {Say.Money(high!.Value, null)}";
        return Worked.Of(
            new EarnAnswer(PerHa(mid), low is { } a ? PerHa(a) : null, high is { } b ? PerHa(b) : null,
                $"{Say.Money(mid, null)} {Per.LargeArea(m.Units)}{between}: {told}."),
            Per.LargeArea(m.Units),
            Evidence.MeasuredHere,
            [new("earns", $"difference × what a unit brings {Per.LargeArea(m.Units)} − cost",
                $"{Say.Number(difference)} × {Say.Number(value)} − {Say.Number(cost)}", Say.Money(mid, null), "prices as you gave them")]);
    }

    /// <summary>Cost of the large area in the units that it was given in.</summary>
    private static double Cost(TrialMoney m, Checks checks, double least) =>
        m.Units.IsUs() ? checks.Range("costPerAcre", m.CostPerAcre ?? (m.CostPerHa is { } ha ? Per.Large(ha, m.Units) : null), least,
            1e6, "an acre")
        : checks.Range("costPerHa", m.CostPerHa, least, 1e6, "a hectare");

    /// <summary>What one unit of the measure brings on the large area.</summary>
    private static (double Value, Refusal? Refusal) Value(TrialMoney m)
    {
        var checks = new Checks();
        var price = checks.Range("pricePerUnit", m.PricePerUnit, 0.0001, 1e6, "");
        var perHa = m.Basis switch {
            "perHa" => 1,
            "perM2" => 10_000,
            "perAcre" => Per.LargeSi(1, UnitSystem.UsCustomary),
            "perFt2" => 10_000 / Per.Ft2InM2,
            "perPlot" when m.PlotFt2 is not null || m.CostPerAcre is not null =>
                10_000 / Per.Ft2InM2 / checks.Range("plotFt2", m.PlotFt2, 0.001, 1e7, "sq ft"),
            "perPlot" => 10_000 / checks.Range("plotM2", m.PlotM2, 0.0001, 1e6, "m²"),
            _ => 0,
        };
        if (perHa == 0)
        {
            checks.Add("basis", $"“{m.Basis}” is not known here.", "Choose perPlot, perM2, perHa, perFt2 or perAcre.");
        }

        return checks.Sound ? (price * Per.Large(perHa, m.Units), null) : (1, checks.Refusal);
    }
}

/// <summary>A point on the replicates curve of a planned trial.</summary>
/// <param name="Replicates">Plots of each.</param>
/// <param name="Power">Chance of seeing the difference worth having: that its interval lies clear of nought.</param>
/// <param name="HalfWidth">Give or take of a difference, in the unit.</param>
/// <param name="WorksAtWorth">Chance that the verdict is "works" where the truth is just the difference worth having: the whole interval
/// above it.</param>
/// <param name="WorksAtTwice">The same where the truth is twice that: as far above the line as the line is above nought, so the same chance
/// as of seeing the difference worth having.</param>
/// <param name="SeenAtTwice">Chance of seeing it where the truth is twice the difference worth having.</param>
public sealed record ReplicatesPoint(int Replicates, double Power, double? HalfWidth, double WorksAtWorth, double WorksAtTwice,
    double SeenAtTwice);

/// <summary>How many plots a planned trial takes.</summary>
/// <param name="Points">From 2 on.</param>
/// <param name="Needed">Fewest for eight chances in ten of what was chosen; null where forty are too few.</param>
/// <param name="NeededSeen">Fewest to see the difference worth having eight times in ten.</param>
/// <param name="NeededTwice">Fewest to see twice it eight times in ten.</param>
/// <param name="NeededWorks">Fewest to say "works" eight times in ten where the truth is twice the difference worth having.</param>
/// <param name="For">"seen", "twice" or "works": which of them the grower chose.</param>
/// <param name="Averaged">Plots that one side of a comparison averages over, for each replicate.</param>
/// <param name="Now">The choice in force.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record ReplicatesCurve(IReadOnlyList<ReplicatesPoint> Points, int? Needed, ReplicatesPoint Now, string Sentence,
    int? NeededSeen, int? NeededTwice, int? NeededWorks, string For, int Averaged);

/// <summary>The replicates curve of a trial as it is planned: several treatments against one, in its own design.</summary>
public static class ReplicatesPlan
{
    private const int Most = 40;

    /// <summary>Works it out.</summary>
    /// <param name="design">"random", "blocks", "split-plot" or "pair".</param>
    /// <param name="treatments">Cells of the layout, 2 to 200.</param>
    /// <param name="replicates">The present choice, 1 to 40.</param>
    /// <param name="sd">Noise between plots treated alike, in the unit, above 0.</param>
    /// <param name="worth">Smallest difference worth having, above 0.</param>
    /// <param name="unit">Of the measure.</param>
    /// <param name="compared">Levels of what is compared, where it is not every cell: the contrast averages over the other factors; null
    /// for all cells.</param>
    /// <param name="chosenFor">"seen" (clear of nought, at the difference worth having), "twice" (the same where the truth is twice that)
    /// or "works" (the verdict, where the truth is twice that).</param>
    /// <remarks>3 treatments in blocks, noise 0.16, worth 0.15: 5 blocks see it 1 time in 6, 23 are needed.</remarks>
    public static Ruling<ReplicatesCurve> Of(Design design, double? treatments, double? replicates, double? sd, double? worth, string unit,
        int? compared = null, string? chosenFor = null)
    {
        var checks = new Checks();
        var k = (int)checks.Range("treatments", treatments, 2, 200, "treatments");
        var now = (int)checks.Range("replicates", replicates, 1, Most, "plots of each");
        var noise = checks.Range("sd", sd, 1e-9, 1e9, unit, "It is how far plots treated alike stray.");
        if (chosenFor is not (null or "seen" or "twice" or "works"))
        {
            checks.Add("chosenFor", $"“{chosenFor}” is not known here.", "Choose seen, twice or works.");
        }

        var line = checks.Range("worth", worth, 1e-9, 1e9, unit, "It is the smallest difference worth having.");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        // Each against the control, so the chance of a false alarm is shared out (Bonferroni: a little more cautious than Dunnett).
        var levels = Math.Clamp(compared ?? k, 2, k);
        var averaged = Math.Max(1, k / levels);
        var alpha = 0.05 / (levels - 1);
        ReplicatesPoint At(int n)
        {
            double df = design is Design.Random ? k * (n - 1) : (k - 1) * (n - 1);
            double Seen(double difference) => df < 1 ? alpha / 2 : Replicates.PowerAtDf(n * averaged, difference, noise, alpha, df,
                paired: false);
            // Called "works" at twice: above the line by as much as the line is above nought.
            return new ReplicatesPoint(n, Seen(line), df < 1 ? null : Half(alpha, df, noise, n * averaged),
                df < 1 ? 0 : alpha / 2, df < 1 ? 0 : Seen(line), Seen(2 * line));
        }

        var points = Enumerable.Range(1, Most).Select(At).ToList();
        var seen = points.FirstOrDefault(p => p.Power >= 0.8)?.Replicates;
        var twice = points.FirstOrDefault(p => p.SeenAtTwice >= 0.8)?.Replicates;
        var works = points.FirstOrDefault(p => p.WorksAtTwice >= 0.8)?.Replicates;
        var needed = chosenFor switch { "works" => works, "twice" => twice, _ => seen };
        var here = points[now - 1];
        return Worked.Of(
            new ReplicatesCurve(points, needed, here, Sentence(here, needed, line, unit, chosenFor ?? "seen"), seen, twice, works,
                chosenFor ?? "seen", averaged),
            "plots of each",
            Evidence.ChemistryOrPhysics,
            [new("chance", "1 − T(t₁₋α⁄₂; ν, δ √(n ÷ 2) ÷ σ)",
                $"noise {Say.Number(noise)}, worth {Say.Number(line)}{Say.Unit(unit)}, α 0.05 "
                    + $"÷ {levels - 1}{(averaged > 1 ? $", each side averaged over {averaged} cells" : "")}",
                    $"{Say.Number(10 * here.Power, 2)} times in ten with {now}", "non-central t; Cohen 1988")],
            forks: [Replication(here, needed)]);
    }

    /// <summary>Give or take of a difference from the control in blocks, as the bench has it, in the noise's unit.</summary>
    /// <param name="treatments">In each block, 2 or more.</param>
    /// <param name="replicates">Blocks, 2 or more.</param>
    /// <param name="noise">How far plots treated alike stray, above 0.</param>
    /// <remarks>3 treatments, 5 blocks, noise 0.16: α 0.05 ÷ 2, 8 degrees: 2.7515 × 0.16 × √(2 ÷ 5) = 0.2784.</remarks>
    public static double HalfWidth(int treatments, int replicates, double noise) => Half(0.05 / (treatments - 1),
        (treatments - 1.0) * (replicates - 1), noise, replicates);

    private static double Half(double alpha, double df, double noise, int plots) => Distribution.CriticalT(alpha, df) * noise
        * Math.Sqrt(2.0 / plots);

    private static Fork Replication(ReplicatesPoint now, int? needed) => new(
        "replication", "How many plots of each are enough?",
        [new("pair", "side by side is enough", "one of each: a look, not a test"),
            new("four", "four or more, and as many as the noise asks for", needed is { } n
                ? $"{n} here" : "more than forty here: measure more evenly")],
        "four", now.Replicates < 4 ? "pair" : "four",
        "Two plots differ by themselves; without replicates nothing tells that from what was done.", Evidence.ChemistryOrPhysics,
        "Whether a difference can be told from chance.");

    /// <summary>"twice in a hundred", "8 times in ten".</summary>
    private static string Share(double p) => p switch {
        < 0.015 => "once in a hundred",
        < 0.025 => "twice in a hundred",
        < 0.095 =>
        $"{Say.Number(100 * p, 1)} times in a hundred",
        _ => $"{Say.Number(10 * p, 2)} times in ten"
    };

    private static string Sentence(ReplicatesPoint now, int? needed, double line, string unit, string chosenFor)
    {
        var (size, twice) = ($"{Say.Number(line)}{Say.Unit(unit)}", $"{Say.Number(2 * line)}{Say.Unit(unit)}");
        var does = chosenFor switch { "works" => $"call {twice} “works”", "twice" => $"see {twice}", _ => $"see {size}" };
        if (now.Replicates == 1)
        {
            return $"One of each is a look, not a test. {(needed is { } n ? $"{n} of each would {does} eight times in ten." : "")}".Trim();
        }

        var chance = $"With {now.Replicates} of each, a true difference of {size} is seen {Share(now.Power)}, clear of nought, and called "
            + $"“works” {Share(now.WorksAtWorth)}; one of {twice} is seen {Share(now.SeenAtTwice)} and called “works” "
            + $"{Share(now.WorksAtTwice)}";
        return needed switch {
            null => $"{chance}. Forty would still be too few to {does} eight times in ten: measure more evenly, ask for a larger "
                + "difference, or take several seasons together.",
            { } n when n <= now.Replicates => $"{chance}. That is enough to {does} eight times in ten.",
            { } n => $"{chance}. {n} would {does} eight times in ten.",
        };
    }
}

/// <summary>One thing that makes a trial stronger or weaker.</summary>
public sealed record StrengthLine(string Text, bool Good);

/// <summary>How strong a look is: shown beside every verdict.</summary>
public static class TrialStrength
{
    /// <summary>In words, best and worst alike.</summary>
    public static IReadOnlyList<StrengthLine> Of(int fewest, bool random, bool blind, bool waterControl, bool liquid, bool plainControl,
        int seasons)
    {
        List<StrengthLine> lines =
        [
            fewest >= 4 ? new($"{fewest} plots of each", true)
                : new(fewest <= 1 ? "one of each: a look, not a test" : $"only {fewest} plots of each", false),
            random ? new("laid out by lot", true) : new("not laid out by lot", false),
            blind ? new("measured blind", true) : new("whoever measured knew", false),
        ];
        if (liquid)
        {
            lines.Add(waterControl ? new("water only beside it", true) : new("no water-only plots: plants may thank the water", false));
        }

        if (!plainControl)
        {
            lines.Add(new("no untreated plots", false));
        }

        lines.Add(seasons > 1 ? new($"{seasons} seasons", true) : new("one season, one soil", false));
        return lines;
    }
}
