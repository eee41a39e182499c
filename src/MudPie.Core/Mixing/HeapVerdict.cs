using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>What to do at a heap now, in a sentence.</summary>
internal static class HeapVerdict
{
    public static Verdict Of(HeapState state, HeapPoint? last, DateTimeOffset? turnOn, DateTimeOffset? cured,
        (double Days, int Turns, bool Met) counted, HeapCode code, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local)
    {
        string Day(DateTimeOffset at) => Say.Day(local(at));
        var soFar = $"{Say.Number(counted.Days, 2)} of {Say.Number(code.Days)} days above 55 °C{(code.InARow ? " in a row" : "")} and "
            + $"{counted.Turns} of {code.Turns} turnings, as your code counts; local code decides.";
        return state switch {
            HeapState.Done => new(Tone.Go, "It is taken up.", "What came of it lies on the shelf."),
            HeapState.Cured => new(Tone.Go, "It is cured: sieve it and take it up.",
                $"{(counted.Met ? "Hot long enough: " : "Not hot long enough for the "
                + "code: ")}{soFar}"),
            HeapState.Hot when last!.Celsius >= HeapCourse.TooHot => new(Tone.Stop, $"{Say.Number(last.Celsius.Value)} °C: turn it now.",
                "Above 70 °C what should do the work dies. Turn it, and water it if it is dry."),
            HeapState.Hot when turnOn <= now => new(Tone.Mind, $"Turn it: {Say.Number(last!.Celsius!.Value)} °C.",
                $"It has been hot three days since it was last turned; outside to inside, so that all of it gets hot. {soFar}"),
            HeapState.Hot => new(Tone.Go, $"It works: turn it on {Day(turnOn!.Value)}.", soFar),
            HeapState.Cooling => new(Tone.Mind, counted.Met ? "It cools, and was hot long enough."
                : "It cools before its time: turn it, and see "
                + "whether it is dry.", soFar),
            HeapState.Curing => cured is { } on && now < on ? new(Tone.Go, $"Let it cure until {Day(on)}.",
                "Then turn it once more: if it warms no "
                    + "more and smells of earth, it is cured.")
                : new(Tone.Go, "It may be cured: turn it and see.",
                    "If it warms no more within three days and smells of earth, say that it is."),
            _ when last is null => new(Tone.Go, "Measure its core in a day or two.",
                "A hand’s depth from the middle, the rod left in for two "
                + "minutes."),
            _ => new(last.Celsius < 40 && now - last.At < TimeSpan.FromDays(7) ? Tone.Mind : Tone.Go,
                $"{Say.Number(last.Celsius!.Value)} °C: "
                + "not hot yet.", "If it stays under 40 °C after four days it is too dry, too wet, too small or short of greens."),
        };
    }
}
