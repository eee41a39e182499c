using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging;

/// <summary>Hold a spray or not, from a count of pests, and from leaf brix where it was read.</summary>
/// <param name="Word">"hold", "recount", "act", "feed", "wait", "watch".</param>
/// <param name="Sentence">What to do and why.</param>
/// <param name="LookAgainDays">Days until the next look.</param>
public sealed record HoldAnswer(string Word, string Sentence, double LookAgainDays);

/// <summary>What a threshold is worked out from: money and weight by one and the same area.</summary>
/// <param name="Cost">Of the control, on an area; money.</param>
/// <param name="Price">Of the crop, by weight; money.</param>
/// <param name="Loss">Weight lost on that area by one pest a plant, a m² or a metre of row.</param>
/// <param name="KillShare">Share of the pests that the control kills, above 0 to 1.</param>
public sealed record PestMoney(double? Cost, double? Price, double? Loss, double? KillShare);

/// <summary>What was counted beside the threshold.</summary>
/// <param name="Counted">Pests in all; null where only the mean was given.</param>
/// <param name="Units">Plants, m² or metres looked at.</param>
/// <param name="Enemy">A natural enemy that was counted too; null for none.</param>
/// <param name="EnemyEach">Of it, on each.</param>
/// <param name="FromMoney">The threshold was worked out from money, not taken from advice.</param>
public sealed record PestBeside(double? Counted = null, double? Units = null, string? Enemy = null, double? EnemyEach = null,
    bool FromMoney = false);

/// <summary>A pest's count against its threshold, with its enemies, and with leaf brix where that was read.</summary>
public static class HoldOrSpray
{
    /// <summary>Well below the threshold: under this share of it.</summary>
    public const double WellBelow = 0.5;

    /// <summary>One enemy to so many pests, or fewer, often keeps up with them.</summary>
    public const double EnemyKeepsUp = 10;

    /// <summary>From how many pests on a unit control pays: cost ÷ (price × loss by one × share killed).</summary>
    /// <param name="m">Cost, price, loss and share; all above 0.</param>
    /// <remarks>A control of 60 a hectare, a crop at 0.5 a kg, 20 kg a hectare lost by one aphid a plant, 75 % killed: 60 ÷ (0.5 × 20 ×
    /// 0.75) = 8 aphids a plant. Source: the economic injury level of published pest management (Stern and others, 1959).</remarks>
    public static Ruling<double> Threshold(PestMoney m)
    {
        var checks = new Checks();
        var cost = checks.Range("cost", m.Cost, 0.001, 1e7, "");
        var price = checks.Range("price", m.Price, 0.0001, 1e6, "");
        var loss = checks.Range("loss", m.Loss, 1e-6, 1e7, "", "From an extension leaflet, or from your own plots.");
        var kill = checks.Range("killShare", m.KillShare, 0.01, 1, "", "Most kill 50 to 90 %.");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var threshold = cost / (price * loss * kill);
        return Worked.Of(threshold, "", Evidence.ChemistryOrPhysics,
            [new("worth acting from", "cost of control ÷ (price × loss by one pest × share killed)",
                $"{Say.Number(cost)} ÷ ({Say.Number(price)} × {Say.Number(loss)} × {Say.Number(kill)})", Say.Number(threshold),
                "economic injury level: arithmetic; its loss by one pest is a published or own estimate")]);
    }

    /// <summary>Advice, never a promise. Worked: brix good and 2 aphids a plant against a threshold of 10: hold, and look again in 3
    /// days; without leaves read, 2 against 10: wait, and look again in 7.</summary>
    /// <param name="good">The leaves are at or above the line in force; null where they were not read.</param>
    /// <param name="standing">How the leaves stand, in words.</param>
    /// <param name="pest">What was seen.</param>
    /// <param name="count">How many on each plant, m² or metre, 0 to 100,000.</param>
    /// <param name="threshold">From which it is worth acting, above 0.</param>
    /// <param name="beside">How many were looked at, and enemies.</param>
    public static Ruling<HoldAnswer> Of(bool? good, string standing, string? pest, double? count, double? threshold,
        PestBeside? beside = null)
    {
        var checks = new Checks();
        if (string.IsNullOrWhiteSpace(pest) || pest.Length > 60)
        {
            checks.Add("pest", "No pest was named.", "Say what you saw, in up to 60 letters.");
        }

        var seen = checks.Range("count", count, 0, 100_000, "");
        var line = checks.Range("threshold", threshold, 0.01, 100_000, "", "Take it from your local advice for that pest and crop.");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        beside ??= new PestBeside();
        var (share, name) = (seen / line, pest!.Trim());
        var counted = $"{Say.Number(seen)} {name} against a threshold of {Say.Number(line)}";
        var rate = beside is { Counted: { } all, Units: { } units } && units > 0 ? Exact.Rate(all, units) : null;
        var answer = Answer(good, share, counted, rate is not null && rate.Upper >= line);
        if (Enemies(beside, seen) is { } keepsUp && answer.Word is "hold" or "wait" or "watch" or "recount")
        {
            answer = answer with { Sentence = $"{answer.Sentence} {Enemies(beside, seen)}" };
        }

        return Worked.Of(answer, "", Evidence.PractitionersRule, Lines(seen, line, beside, rate, (good, standing)),
            share >= 1 ? [Cautions.Spraying] : []);
    }

    private static HoldAnswer Answer(bool? good, double share, string counted, bool mayBeOver) => (good, share) switch {
        (null, >= 1) => new("act", $"{counted}: act by your local advice and the label.", 1),
        (null, >= WellBelow) => new("watch", $"{counted}: near it. No spray yet; look again in two days.", 2),
        (null, _) when mayBeOver => new("watch", $"{counted}, but so few were looked at that it may lie above: count more, in two days at "
            + "the latest.", 2),
        (null, _) => new("wait", $"{counted}, well below: wait, and look again in a week.", 7),
        (_, >= 2) => new("act", $"{counted}: twice the threshold and more. Brix does not overrule that: act by your local advice and the "
            + "label.", 1),
        (true, >= 1) => new("recount", $"{counted}, and the leaves stand well. Count again tomorrow before you spray: act if it has "
            + $"grown.", 1),
        (false, >= 1) => new("act", $"{counted}, and the leaves stand low: act by your local advice and the label, and find out why "
            + $"they are "
            + "low.", 1),
        (true, _) => new("hold", $"{counted}, and the leaves stand well: hold the spray and look again in three days.", 3),
        _ => new("feed", $"{counted}, so no spray yet; but the leaves stand low: look for what they lack, and look again in two days.", 2),
    };

    /// <summary>Whether its enemies may keep up; null where none were counted, or too few.</summary>
    private static string? Enemies(PestBeside beside, double seen) => beside is { Enemy: { } enemy, EnemyEach: { } each } && each > 0
        && seen / each <= EnemyKeepsUp ? $"One of {enemy} to {Say.Number(seen / each, 2)}: they may keep up; a spray would kill them "
            + $"too." : null;

    private static IEnumerable<WorkingLine> Lines(double seen, double line, PestBeside beside, Between? rate,
        (bool? Good, string Standing) leaves)
    {
        if (rate is not null)
        {
            yield return new("on each", "count ÷ looked at; 95 % of chance alone (Poisson, exact)",
                $"{Say.Number(beside.Counted!.Value)} ÷ {Say.Number(beside.Units!.Value)}",
                $"{Say.Number(rate.Value)}, {Say.Number(rate.Lower, 2)} to {Say.Number(rate.Upper, 2)}",
                    "counted here; pests sit in patches, "
                    + "so it may lie wider");
        }

        yield return new("pests", "count ÷ threshold", $"{Say.Number(seen)} ÷ {Say.Number(line)}", Say.Number(seen / line),
            beside.FromMoney ? "a threshold worked out from money" : "local advice for that pest");
        if (beside is { Enemy: { } enemy, EnemyEach: { } each })
        {
            yield return new("enemies", "pests ÷ enemies", $"{Say.Number(seen)} ÷ {Say.Number(each)} {enemy}", each > 0
                ? $"{Say.Number(seen / each, 2)} to one" : "none", "one to ten or fewer often keeps up: practitioners’ rule");
        }

        if (leaves.Good is { } good)
        {
            yield return new("leaves", "against the line in force", leaves.Standing, good ? "well" : "low",
                "practitioners’ rule: fewer sucking insects on high brix; evidence mixed");
        }
    }
}
