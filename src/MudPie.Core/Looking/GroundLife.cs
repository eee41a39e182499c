using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Looking;

/// <summary>What a check said of the ground.</summary>
/// <param name="Kind">Which check.</param>
/// <param name="At">When.</param>
/// <param name="Life">Poor, middling or living.</param>
public sealed record LifeSeen(CheckKind Kind, DateTimeOffset At, Life Life);

/// <summary>What the checks of a year make of the ground.</summary>
/// <param name="Life">Their middle; null where fewer than three kinds speak: not known.</param>
/// <param name="Of">The newest of each kind that spoke, in the order of kinds.</param>
/// <param name="Says">"middling: by worms, crumbs and roots", or what is wanted still.</param>
/// <param name="Step">Share of the full dose.</param>
public sealed record GroundLifeAnswer(Life? Life, IReadOnlyList<LifeSeen> Of, string Says, double Step);

/// <summary>Poor, middling or living: the middle of at least three kinds of check in twelve months.</summary>
public static class GroundLife
{
    /// <summary>So many kinds of check speak at the least.</summary>
    public const int LeastKinds = 3;

    /// <summary>They speak for so many days.</summary>
    public const int Days = 365;

    /// <summary>Works it out: the newest of each kind within twelve months; cotton and CO₂ are one kind; of an even number the lower of the
    /// two middle ones.</summary>
    /// <param name="seen">What checks said.</param>
    /// <param name="now">Now.</param>
    /// <remarks>Worms living, crumbs middling, structure poor, roots living: of poor, middling, living, living the lower middle is
    /// middling; the dose steps to 0.6. Two kinds: not known, the full dose. Source: practitioners' rule.</remarks>
    public static Worked<GroundLifeAnswer> Of(IEnumerable<LifeSeen> seen, DateTimeOffset now)
    {
        List<LifeSeen> newest = [.. seen.Where(s => s.At <= now && now - s.At <= TimeSpan.FromDays(Days)).GroupBy(s => Kind(s.Kind))
            .Select(g => g.MaxBy(s => s.At)!).OrderBy(s => s.Kind)];
        if (newest.Count < LeastKinds)
        {
            var words = Say.List([.. newest.Select(s => Word(s.Kind))]);
            var answer = new GroundLifeAnswer(null, newest, newest.Count == 0 ? "not known: no check in twelve months"
                : $"not known: {words} only; {Say.Count(LeastKinds - newest.Count, "kind")} more", 1);
            return Worked.Of(answer, "", Evidence.PractitionersRule, Line(newest, "not known"));
        }

        var sorted = newest.Select(s => s.Life).Order(Comparer<Life>.Create((a, b) => Rank(a) - Rank(b))).ToList();
        var life = sorted[(sorted.Count - 1) / 2];
        return Worked.Of(new GroundLifeAnswer(life, newest, $"{life.Word()}: by {Say.List([.. newest.Select(s => Word(s.Kind))])}",
            TankJob.Step(life)),
            "", Evidence.PractitionersRule, Line(newest, life.Word()));
    }

    /// <summary>The same of a bed with zones: good and poor are read apart, and the poorest that is known speaks for the bed, so that no
    /// dose is stepped down where a part of it is poor. What was found for the whole bed speaks in each zone.</summary>
    /// <param name="seen">What checks said, and in which zone; null: of the whole bed.</param>
    /// <param name="now">Now.</param>
    /// <remarks>Low corner poor by three kinds, ridge end living by three: poor.</remarks>
    public static Worked<GroundLifeAnswer> OfBed(IReadOnlyList<(int? Zone, LifeSeen Seen)> seen, DateTimeOffset now)
    {
        List<int> zones = [.. seen.Select(s => s.Zone).OfType<int>().Distinct().Order()];
        var known = zones.Count < 2 ? [] : zones.Select(z => Of(seen.Where(s => s.Zone is null || s.Zone == z).Select(s => s.Seen), now))
            .Where(a => a.Value.Life is not null).ToList();
        return known.MinBy(a => Rank(a.Value.Life!.Value)) ?? Of(seen.Select(s => s.Seen), now);
    }

    /// <summary>What a check is called.</summary>
    public static string Word(CheckKind kind) => kind switch {
        CheckKind.Rod => "the rod",
        CheckKind.PlainRod => "the plain rod",
        CheckKind.Moisture => "moisture",
        CheckKind.Block => "structure",
        CheckKind.Worms => "worms",
        CheckKind.Crumbs => "crumbs in water",
        CheckKind.Infiltration => "water going in",
        CheckKind.Roots => "roots",
        CheckKind.Nodules => "nodules",
        CheckKind.Leaf => "leaves",
        CheckKind.Weeds => "weeds",
        CheckKind.Cotton => "the cotton strip",
        _ => "the CO₂ burst",
    };

    private static IEnumerable<WorkingLine> Line(IReadOnlyList<LifeSeen> newest, string result) =>
        [new("how alive", "the lower middle of the newest of each kind, twelve months back, three kinds at least",
            string.Join(", ", newest.Select(s => $"{Word(s.Kind)} {s.Life.Word()}")), result, "practitioners’ rule")];

    private static CheckKind Kind(CheckKind kind) => kind == CheckKind.Co2 ? CheckKind.Cotton : kind;

    private static int Rank(Life life) => life switch { Life.Poor => 0, Life.Middling => 1, _ => 2 };
}
