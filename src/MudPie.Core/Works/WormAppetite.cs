using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>How much worms eat, and what lies before them.</summary>
/// <param name="GPerDay">g a day; null where neither their weight nor a look says.</param>
/// <param name="Seen">True where it follows from what was seen to be gone.</param>
/// <param name="LyingG">Food that still lies, g, by that rate; 0 where nothing says.</param>
/// <param name="TodayG">What they can take today, g; null where nothing says.</param>
/// <param name="FeedOn">From when they want more; null where nothing says, or nothing was fed yet.</param>
public sealed record Appetite(double? GPerDay, bool Seen, double LyingG, double? TodayG, DateTimeOffset? FeedOn);

/// <summary>The worms' weight sets the feed; what is gone corrects it.</summary>
public static class WormAppetite
{
    /// <summary>Share of their own weight that compost worms eat in a day, where it is 15 to 25 °C.</summary>
    public const double ShareADay = 0.5;

    /// <summary>Days of food that may lie at most.</summary>
    public const double MostDays = 2;

    /// <summary>Days for which a look at what is gone counts, and a reading of warmth.</summary>
    public const double LookCounts = 30, WarmthCounts = 14;

    /// <summary>Works it out.</summary>
    /// <param name="wormsG">Their weight as last known, g; null where nobody knows.</param>
    /// <param name="points">What was done, oldest first.</param>
    /// <param name="now">Now.</param>
    /// <remarks>800 g of worms at 18 °C eat about 400 g a day; fed 400 g yesterday, nothing lies and 800 g may be laid in for two days.
    /// Fed 600 g and half of it there after three days: they eat 100 g a day, whatever they weigh. Source: house rule; half their
    /// weight a day, corrected by what is gone.</remarks>
    public static Worked<Appetite> Of(double? wormsG, IReadOnlyList<WorkPoint> points, DateTimeOffset now)
    {
        var warmth = points.LastOrDefault(p => p.Step == WorkStep.Warmth && (now - p.At).TotalDays < WarmthCounts)?.Figure;
        var share = warmth is { } c ? Warmth(c) : 1;
        double? rule = wormsG is { } g ? g * ShareADay * share : null;
        var (looked, seen) = Looked(points, rule, now);
        var rate = looked ?? rule;
        var (then, since) = Lying(points, rate ?? 0);
        var lying = since is { } from ? Math.Max(0, then - ((rate ?? 0) * (now - from).TotalDays)) : 0;
        var fed = points.Any(p => p.Step == WorkStep.Fed);
        var answer = new Appetite(rate, seen, rate is null ? 0 : lying, rate is null ? null
            : Math.Max(0, (MostDays * rate.Value) - lying), rate is not > 0 || !fed ? null
            : since!.Value.AddDays(Math.Min(60, Math.Max(0, (then / rate.Value) - 0.5))));
        List<WorkingLine> working = [];
        if (wormsG is { } w)
        {
            working.Add(new("by their weight", "half of it a day × what the warmth allows", $"{Say.Number(w)} g × 0.5 × "
                + $"{Say.Number(share, 2)}{(warmth is { } at ? $" at {Say.Number(at)} °C" : "")}", $"{Say.Number(rule!.Value)} g a day",
                "a rule of thumb; whole between 15 and 25 °C, nothing under 5 or above 33"));
        }

        if (seen)
        {
            working.Add(new("by what was gone", "eaten between two looks ÷ days", "your own looks",
                $"{Say.Number(rate!.Value)} g a day", "it goes before the rule"));
        }

        working.Add(new("lies now", "fed − days × that, never under nothing", "", rate is null ? "not known"
            : $"{Say.Number(lying)} g", "a look at it is better"));
        return Worked.Of(answer, "g", Evidence.PractitionersRule, working);
    }

    /// <summary>Share of their appetite at that warmth, 0 to 1.</summary>
    /// <remarks>20 °C: 1; 10 °C: 0.5; 4 °C: 0; 29 °C: 0.5.</remarks>
    public static double Warmth(double celsius) => celsius switch {
        <= 5 or >= 33 => 0,
        < 15 => (celsius - 5) / 10,
        <= 25 => 1,
        _ => (33 - celsius) / 8,
    };

    /// <summary>What they ate between looks: the newest that found something left; one that found nothing says only that they eat at
    /// least so much.</summary>
    private static (double? GPerDay, bool Seen) Looked(IReadOnlyList<WorkPoint> points, double? rule, DateTimeOffset now)
    {
        double lying = 0, last = 0;
        DateTimeOffset? since = null;
        double fed = 0;
        (double? Rate, bool Seen) found = (null, false);
        foreach (var p in points.Where(p => p.Step is WorkStep.Fed or WorkStep.Left))
        {
            if (p.Step == WorkStep.Fed)
            {
                since ??= p.At;
                last = p.Grams ?? 0;
                fed += last;
                continue;
            }

            if (since is not { } from || p.Share is not { } share)
            {
                continue;
            }

            var there = Math.Min(share * last, lying + fed);
            var days = (p.At - from).TotalDays;
            if (days >= 0.25 && (now - p.At).TotalDays <= LookCounts)
            {
                var rate = (lying + fed - there) / days;
                found = share > 0 ? (rate, true) : rate > (found.Rate ?? rule ?? 0) ? (rate, true) : found;
            }

            (lying, fed, since) = (there, 0, p.At);
        }

        return found;
    }

    /// <summary>What lay when they were last fed or looked at, and when that was.</summary>
    private static (double G, DateTimeOffset? At) Lying(IReadOnlyList<WorkPoint> points, double rate)
    {
        double lying = 0, last = 0;
        DateTimeOffset? at = null;
        foreach (var p in points.Where(p => p.Step is WorkStep.Fed or WorkStep.Left))
        {
            lying = at is { } from ? Math.Max(0, lying - (rate * (p.At - from).TotalDays)) : 0;
            at = p.At;
            if (p.Step == WorkStep.Fed)
            {
                last = p.Grams ?? 0;
                lying += last;
            }
            else
            {
                lying = (p.Share ?? 0) * last;
            }
        }

        return (lying, at);
    }
}
