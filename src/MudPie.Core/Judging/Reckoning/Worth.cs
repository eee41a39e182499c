using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Reckoning;

/// <summary>What one trial or garden found of a practice.</summary>
/// <param name="Label">In a few words: "own trial, 15 plots".</param>
/// <param name="Difference">With it less without, in <paramref name="Unit"/>.</param>
/// <param name="Unit">Of the measure.</param>
public sealed record FoundWorth(string Label, double Difference, string Unit)
{
    /// <summary>Lower end of the interval that its verdict took; null for a look.</summary>
    public double? Lower { get; init; }

    /// <summary>Upper end.</summary>
    public double? Upper { get; init; }

    /// <summary>Less is better.</summary>
    public bool LowerIsBetter { get; init; }

    /// <summary>What one unit more brings on a hectare, money, above 0; null where it has no price.</summary>
    public double? PerHa { get; init; }

    /// <summary>Smallest difference worth having, in the unit; null where none was set.</summary>
    public double? WorthHaving { get; init; }

    /// <summary>Why it can't be gone by; null where it can.</summary>
    public string? Why { get; init; }

    /// <summary>How far plots treated alike stray, in the unit; null where nothing tells it.</summary>
    public double? Noise { get; init; }

    /// <summary>A plot, m²; null where not known.</summary>
    public double? PlotM2 { get; init; }

    /// <summary>The own trial; null for a garden's.</summary>
    public int? TrialId { get; init; }

    /// <summary>The cost that was given with the trial, money a hectare; null where none was. The reckoning goes by what it did
    /// cost.</summary>
    public double? CostGiven { get; init; }

    /// <summary>It can be gone by.</summary>
    public bool Stands => Why is null && Lower is not null && Upper > Lower;

    internal int Sign => LowerIsBetter ? -1 : 1;
}

/// <summary>What is published of an effect, with a wide interval.</summary>
/// <param name="Claim">The claim's key.</param>
/// <param name="LowPercent">Lower end, % of yield.</param>
/// <param name="HighPercent">Upper end, % of yield.</param>
/// <param name="Grade">How sure.</param>
/// <param name="Says">In words.</param>
/// <param name="Words">By which a thing is known to be of it.</param>
public sealed record PublishedEffect(string Claim, double LowPercent, double HighPercent, Evidence Grade, string Says,
    IReadOnlyList<string> Words);

/// <summary>A practice to be judged.</summary>
public sealed record WorthAsked
{
    /// <summary>"tea on garlic".</summary>
    public required string Name { get; init; }

    /// <summary>What it costs a hectare and year with its hours, money; null where not known.</summary>
    public double? CostPerHa { get; init; }

    /// <summary>Own trials of it.</summary>
    public IReadOnlyList<FoundWorth> Own { get; init; } = [];

    /// <summary>Neighbours' and own together.</summary>
    public IReadOnlyList<FoundWorth> Together { get; init; } = [];

    /// <summary>What is published; null for nothing.</summary>
    public PublishedEffect? Published { get; init; }

    /// <summary>What the crop brings on a hectare, money; null where harvest or price is not known.</summary>
    public double? CropPerHa { get; init; }
}

/// <summary>What a practice was worth.</summary>
/// <param name="Rung">By which evidence.</param>
/// <param name="Word">What follows.</param>
/// <param name="Unit">Empty for money a hectare after cost; else the unit of what has no price.</param>
/// <param name="Mean">Middle.</param>
/// <param name="Sd">How surely it is known, as a standard deviation.</param>
/// <param name="Lower">Lower end of the interval that holds the truth 19 times in 20.</param>
/// <param name="Upper">Upper end.</param>
/// <param name="Tau">Spread of the true effect between seasons and sites, as a standard deviation; null where only one told.</param>
/// <param name="Evidence">"own trial, 15 plots".</param>
/// <param name="Why">Why money can't be told; null where it can.</param>
public sealed record WorthRow(Rung Rung, ReckonWord Word, string Unit, double Mean, double Sd, double Lower, double Upper, double? Tau,
    string Evidence, string? Why)
{
    /// <summary>In money a hectare, after cost.</summary>
    public bool Priced => Unit.Length == 0;

    /// <summary>Measured here: else guessed from elsewhere.</summary>
    public bool Measured => Rung is Rung.Own or Rung.Together;
}

/// <summary>What a practice was worth by the best evidence there is: own trials together, neighbours' and own together, what is published,
/// or nobody knows.</summary>
public static class Worth
{
    /// <summary>Half of an interval that holds the truth 19 times in 20, in standard deviations.</summary>
    public const double Z = 1.959963984540054;

    /// <summary>Judges it.</summary>
    /// <param name="a">Its cost and its evidence.</param>
    /// <remarks>Nobody knows and it costs 400 a hectare: the effect is taken to be nought give or take twice its cost, so −400, −1,968 to
    /// 1,168: test or drop. Words follow the interval only.</remarks>
    public static Worked<WorthRow> Of(WorthAsked a)
    {
        var own = a.Own.Where(f => f.Stands).ToList();
        var together = a.Together.Where(f => f.Stands).ToList();
        return own.Count > 0 ? Found(a, own, Rung.Own, own.Count == 1 ? own[0].Label : $"{own.Count} own trials together")
            : together.Count > 0 ? Found(a, together, Rung.Together, together.Count == 1 ? together[0].Label
                : $"{together.Count} gardens together")
            : a.Published is { } p ? Published(a, p) : Nobody(a);
    }

    /// <summary>The word, by where the interval lies; no more than that.</summary>
    /// <param name="lower">Lower end, after cost or above the line worth having.</param>
    /// <param name="upper">Upper end.</param>
    /// <param name="tried">An own trial stands.</param>
    /// <remarks>[20, 900]: keep. [−900, −20]: drop. [−20, 900]: test again where an own trial stands, else test or drop.</remarks>
    public static ReckonWord Word(double lower, double upper, bool tried) =>
        lower > 0 ? ReckonWord.Keep : upper < 0 ? ReckonWord.Drop : tried ? ReckonWord.TestAgain : ReckonWord.TestOrDrop;

    /// <summary>Several results as one: alone by its own interval, two or more by a random-effects mean with Hartung's and Knapp's
    /// interval.</summary>
    private static (double Mean, double Lower, double Upper, double? Tau) Pool(List<(double Mean, double Lower, double Upper)> found)
    {
        if (found.Count == 1)
        {
            return (found[0].Mean, found[0].Lower, found[0].Upper, null);
        }

        var told = CombineTrials.Of(new CombineQuestion {
            Results = [.. found.Select(f => new SiteResult { Yi = f.Mean, Vi = Math.Max(Math.Pow((f.Upper - f.Lower) / 2 / Z, 2), 1e-12) })]
        }).Value;
        return (told.Estimate, told.Lower, told.Upper, Math.Sqrt(told.Tau2));
    }

    private static Worked<WorthRow> Found(WorthAsked a, List<FoundWorth> stand, Rung rung, string evidence)
    {
        var priced = stand.Where(f => f.PerHa is > 0).ToList();
        if (priced.Count == 0 || a.CostPerHa is null)
        {
            return InItsUnit(a, priced.Count > 0 ? priced : stand, rung, evidence, priced.Count > 0);
        }

        var cost = a.CostPerHa.Value;
        var (mean, lower, upper, tau) = Pool([.. priced.Select(f => (f.Sign * f.Difference * f.PerHa!.Value,
            Ends(f).Low * f.PerHa.Value, Ends(f).High * f.PerHa.Value))]);
        var row = new WorthRow(rung, Word(lower - cost, upper - cost, a.Own.Any(f => f.Stands)), "", mean - cost, (upper - lower) / 2 / Z,
            lower - cost, upper - cost, tau, evidence, null);
        return Worked.Of(row, "money a hectare", Evidence.MeasuredHere,
        [
            .. priced.Select(f => new WorkingLine(f.Label, "difference × what one unit brings on a hectare",
                $"{Signed(f.Difference)}{Say.Unit(f.Unit)} ({Signed(f.Lower!.Value)} to {Signed(f.Upper!.Value)}) × "
                    + Reckoner.Money(f.PerHa!.Value), Money(f.Sign * f.Difference * f.PerHa.Value), "the trial’s own answer")),
            .. priced.Count > 1 ? [new WorkingLine("together", "random-effects mean", $"{priced.Count} results, spread between them "
                + Reckoner.Money(tau ?? 0), Range(mean, lower, upper), "REML; Hartung and Knapp 2001")] : Array.Empty<WorkingLine>(),
            After(row, cost), Follows(row),
        ]);
    }

    private static (double Low, double High) Ends(FoundWorth f) => f.LowerIsBetter ? (-f.Upper!.Value, -f.Lower!.Value)
        : (f.Lower!.Value, f.Upper!.Value);

    /// <summary>What has no price, or whose cost is not known, in its own unit.</summary>
    private static Worked<WorthRow> InItsUnit(WorthAsked a, List<FoundWorth> stand, Rung rung, string evidence, bool priced)
    {
        var unit = stand.GroupBy(f => f.Unit).OrderByDescending(g => g.Count()).First().Key;
        var alike = stand.Where(f => f.Unit == unit).ToList();
        var (mean, lower, upper, tau) = Pool([.. alike.Select(f => (f.Sign * f.Difference, Ends(f).Low, Ends(f).High))]);
        // Against what it must give to be worth having, where that was said; a cost that is not known can't be repaid for certain.
        var line = alike.Select(f => f.WorthHaving ?? 0).Max();
        var word = Word(lower - line, upper - line, a.Own.Any(f => f.Stands));
        if (priced && word == ReckonWord.Keep)
        {
            word = ReckonWord.TestAgain;
        }

        var why = priced ? "What it costs is not known, so what is left of it can’t be told."
            : $"Measured in {(unit.Length == 0 ? "something" : unit)}, which has no price: set it beside its cost yourself.";
        var row = new WorthRow(rung, word, unit.Length == 0 ? "points" : unit, mean, (upper - lower) / 2 / Z, lower, upper, tau, evidence,
            why);
        return Worked.Of(row, row.Unit, Evidence.MeasuredHere,
        [
            .. alike.Select(f => new WorkingLine(f.Label, "difference, in the wanted direction", "", $"{Signed(f.Sign * f.Difference)}"
                + $"{Say.Unit(unit)}, {Signed(Ends(f).Low)} to {Signed(Ends(f).High)}", "the trial’s own answer")),
            new("worth having", "set by you", "", line > 0 ? $"{Say.Number(line)}{Say.Unit(unit)}" : "no line was set: nought", ""),
            Follows(row),
        ]);
    }

    private static Worked<WorthRow> Published(WorthAsked a, PublishedEffect p)
    {
        var (mean, half) = ((p.LowPercent + p.HighPercent) / 2, (p.HighPercent - p.LowPercent) / 2);
        var says = $"published, {Grade(p.Grade)}";
        if (a.CropPerHa is not { } crop || a.CostPerHa is not { } cost)
        {
            var why = a.CostPerHa is null ? "What it costs is not known."
                : "What the crop brings is not known: a harvest weighed here and a price of a kilogram would tell.";
            var percent = new WorthRow(Rung.Published, Guessed(p.LowPercent, p.HighPercent), "% of yield", mean, half / Z, p.LowPercent,
                p.HighPercent, null, says, why);
            return Worked.Of(percent, percent.Unit, p.Grade, [Line(p), Follows(percent)]);
        }

        var (lower, upper) = ((p.LowPercent / 100 * crop) - cost, (p.HighPercent / 100 * crop) - cost);
        var row = new WorthRow(Rung.Published, Word(lower, upper, false), "", (mean / 100 * crop) - cost, half / 100 * crop / Z, lower,
            upper, null, says, null);
        return Worked.Of(row, "money a hectare", p.Grade,
            [Line(p), new("of this crop", "share × what the crop brings on a hectare", $"{Say.Number(mean)} % × {Reckoner.Money(crop)}",
                Money(mean / 100 * crop), "harvests weighed here, and your price"), After(row, cost), Follows(row)]);
    }

    // Before any cost, what is published elsewhere can speak against a thing and never for it.
    private static ReckonWord Guessed(double lower, double upper) => Word(lower, upper, false) is var w && w == ReckonWord.Keep
        ? ReckonWord.TestOrDrop : w;

    private static Worked<WorthRow> Nobody(WorthAsked a)
    {
        var look = a.Own.FirstOrDefault(f => f.Difference != 0)?.Label;
        var says = look ?? "nobody knows, here";
        if (a.CostPerHa is not > 0)
        {
            var why = a.CostPerHa is null ? "What it costs is not known, and nobody tried it here."
                : "Nothing that it costs is counted: say what an hour of yours is worth.";
            var none = new WorthRow(Rung.Nobody, ReckonWord.TestOrDrop, "unknown", 0, 0, 0, 0, null, says, why);
            return Worked.Of(none, "", Evidence.PractitionersRule, [Follows(none)]);
        }

        var cost = a.CostPerHa.Value;
        var sd = 2 * cost;
        var row = new WorthRow(Rung.Nobody, Word(-cost - (Z * sd), -cost + (Z * sd), false), "", -cost, sd, -cost - (Z * sd),
            -cost + (Z * sd), null, says, null);
        return Worked.Of(row, "money a hectare", Evidence.PractitionersRule,
        [
            new("what it may bring", "nought, give or take twice its cost", $"2 × {Reckoner.Money(cost)}", Range(0, -Z * sd, Z * sd),
                "house rule: nobody knows, and so neither does this"),
            After(row, cost), Follows(row),
        ]);
    }

    private static WorkingLine Line(PublishedEffect p) => new("published", "its range, taken as wide",
        $"{Signed(p.LowPercent)} to {Signed(p.HighPercent)} % of yield", $"{Signed((p.LowPercent + p.HighPercent) / 2)} %",
        $"{p.Says} Graded: {Grade(p.Grade)}.");

    private static WorkingLine After(WorthRow row, double cost) => new("after its cost", "what it brings − its cost a hectare",
        $"{Money(row.Mean + cost)} − {Reckoner.Money(cost)}", Range(row.Mean, row.Lower, row.Upper), "your steps, lots and hour");

    private static WorkingLine Follows(WorthRow row) => new("so", "by where the whole interval lies", row.Unit == "unknown" ? "no interval"
        : $"{Signed(row.Lower)} to {Signed(row.Upper)}", row.Word.Word(), "no word is stronger than its interval");

    /// <summary>How sure, in a word.</summary>
    public static string Grade(Evidence grade) => grade switch {
        Evidence.MeasuredHere => "measured here",
        Evidence.ChemistryOrPhysics => "chemistry or physics",
        Evidence.PublishedTrials => "by trials",
        Evidence.PractitionersRule => "a rule of practitioners",
        _ => "contested",
    };

    private static string Money(double x) => (x < 0 ? "−" : "+") + Reckoner.Money(Math.Abs(x));

    private static string Signed(double x) => (x < 0 ? "−" : "+") + Say.Number(Math.Abs(x));

    private static string Range(double mean, double lower, double upper) => $"{Money(mean)}, {Money(lower)} to {Money(upper)}";
}
