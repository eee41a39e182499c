using MudPie.Core.Workings;

namespace MudPie.Core.Looking;

/// <summary>A check at a peg, as it is kept.</summary>
/// <param name="Id">Its number.</param>
/// <param name="At">When.</param>
/// <param name="Asked">As it was tapped.</param>
/// <param name="Shown">"34 worms in 3 blocks: 11.3 a block".</param>
/// <param name="Wet">How moist the ground was; null where nobody said.</param>
public sealed record CheckSeen(int Id, DateTimeOffset At, CheckAsked Asked, string Shown, Wetness? Wet);

/// <summary>A kind of check at a peg, its newest held against an earlier one.</summary>
/// <param name="Kind">Which.</param>
/// <param name="Newest">The newest.</param>
/// <param name="Against">What it is held against; null where nothing is like it.</param>
/// <param name="Change">What changed; null likewise.</param>
/// <param name="Says">"2.6 times as many, 1.3 to 5.4", or why they are not held against each other.</param>
public sealed record PegChange(CheckKind Kind, CheckSeen Newest, CheckSeen? Against, Worked<CheckChanged>? Change, string Says);

/// <summary>A peg against its own past: only like wetness compares, and only this ground.</summary>
public static class PegPast
{
    /// <summary>What is held against each other lies so many days apart at the least: a year is best, as the season is the same.</summary>
    public const int ApartDays = 60, BestDays = 365;

    /// <summary>The newest of a kind against the earlier one that is nearest to a year before it, of like wetness.</summary>
    /// <param name="seen">Checks of one kind at one peg.</param>
    /// <param name="local">A moment in the holding's own zone.</param>
    /// <returns>Null where nothing was seen.</returns>
    /// <remarks>Worms of June 2025 dry, of October 2025 moist, of June 2026 moist: June 2026 against October 2025.</remarks>
    public static PegChange? Of(IReadOnlyList<CheckSeen> seen, Func<DateTimeOffset, DateTimeOffset> local)
    {
        if (seen.Count == 0)
        {
            return null;
        }

        var newest = seen.MaxBy(s => (s.At, s.Id))!;
        List<CheckSeen> before = [.. seen.Where(s => (newest.At - s.At).TotalDays >= ApartDays)];
        List<CheckSeen> alike = [.. before.Where(s => s.Wet is null || newest.Wet is null || s.Wet == newest.Wet)];
        if (alike.Count == 0)
        {
            return new PegChange(newest.Asked.Kind!.Value, newest, null, null, before.Count == 0 ? "the first time here"
                : $"not held against {Say.Date(local(before.MaxBy(s => s.At)!.At))}: the ground was {before.MaxBy(s => s.At)!.Wet!.Value
                    .Word()} then, and {newest.Wet!.Value.Word()} now");
        }

        var against = alike.MinBy(s => (Math.Abs((newest.At - s.At).TotalDays - BestDays), -s.Id))!;
        var change = CheckChange.Of(against.Asked, newest.Asked);
        return change.Refused is { } no
            ? new PegChange(newest.Asked.Kind!.Value, newest, null, null, no.Problems[0].Wrong)
            : new PegChange(newest.Asked.Kind!.Value, newest, against, change.Worked, change.Value.Says);
    }

    /// <summary>What a peg says on the whole.</summary>
    /// <param name="changes">Kind by kind.</param>
    /// <remarks>A pan of 2.9 MPa at 20 cm a year ago, 2.1 now: "The pan at 20 cm is giving way."</remarks>
    public static Verdict Verdict(IReadOnlyList<PegChange> changes)
    {
        if (changes.Count == 0)
        {
            return new Verdict(Tone.Go, "Nothing was looked at here yet.", "A rod, a spade and twenty minutes are a beginning.");
        }

        List<PegChange> told = [.. changes.Where(c => c.Change?.Value.Better is not null)];
        string Names(bool better) => Say.List([.. told.Where(c => c.Change!.Value.Better == better).Select(c => GroundLife.Word(c.Kind))]);
        var (up, down) = (told.Count(c => c.Change!.Value.Better == true), told.Count(c => c.Change!.Value.Better == false));
        var why = up > 0 && down > 0 ? $"Better by {Names(true)}; worse by {Names(false)}." : up > 0 ? $"Better by {Names(true)}."
            : down > 0 ? $"Worse by {Names(false)}." : "";
        var quiet = changes.Where(c => c.Change is { Value: { Better: null, Word: not CheckChange.OneEach } }).ToList();
        if (quiet.Count > 0)
        {
            why = $"{why} {Sentence(Say.List([.. quiet.Select(c => GroundLife.Word(c.Kind))]))}: inside the noise.".Trim();
        }

        if (told.FirstOrDefault(c => c.Kind == CheckKind.Rod) is { } rod && Pan(rod.Against!.Asked) is { } pan)
        {
            return rod.Change!.Value.Better == true
                ? new Verdict(Tone.Go, Pan(rod.Newest.Asked) is null ? $"The pan at {pan.AtCm} cm has gone."
                    : $"The pan at {pan.AtCm} cm is giving way.", why)
                : new Verdict(Tone.Mind, $"The pan at {pan.AtCm} cm is harder than it was.", why);
        }

        return (up, down) switch {
            (0, 0) => new Verdict(Tone.Go, changes.All(c => c.Against is null) ? "Nothing to hold it against yet."
                : "No change that can be told from chance.", why.Length > 0 ? why : "The next walk, at like wetness, says more."),
            ( > 0, 0) => new Verdict(Tone.Go, "This ground is getting better.", why),
            (0, > 0) => new Verdict(Tone.Mind, "This ground is getting worse.", why),
            _ => new Verdict(Tone.Mind, "Some of it is better, some worse.", why),
        };
    }

    private static string Sentence(string words) => words.Length == 0 ? words : char.ToUpperInvariant(words[0]) + words[1..];

    private static Pan? Pan(CheckAsked rod) => RodReading.PanOf(RodReading.Trace(RodReading.Mpa(rod.Pushes, rod.Psi)));
}
