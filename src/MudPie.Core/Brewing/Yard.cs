using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>How a vessel stands, as far as the record knows.</summary>
public sealed record VesselStands
{
    /// <summary>The brew that is in it or planned for it; null for none.</summary>
    public BatchState? State { get; init; }

    /// <summary>What is made.</summary>
    public Making Making { get; init; }

    /// <summary>When it is planned to begin.</summary>
    public DateTimeOffset? Planned { get; init; }

    /// <summary>When it was begun.</summary>
    public DateTimeOffset? Started { get; init; }

    /// <summary>Oxygen now and in an hour, mg/L; null where there is none to speak of.</summary>
    public (double Now, double InAnHour)? Oxygen { get; init; }

    /// <summary>Minutes that are left with the air off.</summary>
    public double? MinutesLeft { get; init; }

    /// <summary>What its page says: its tone here.</summary>
    public Tone Tone { get; init; }

    /// <summary>True where its gate would not let it out.</summary>
    public bool NotFit { get; init; }

    /// <summary>When it was last used; null for never.</summary>
    public DateTimeOffset? UsedAt { get; init; }

    /// <summary>Who has it, where it was handed to another holding; null while it is here.</summary>
    public string? HandedTo { get; init; }

    /// <summary>Whether it was logged clean since.</summary>
    public bool Clean { get; init; }
}

/// <summary>A thing in the yard, in a word and a figure.</summary>
/// <param name="Tone">Go where nothing presses, mind or stop.</param>
/// <param name="Word">Its state: "6.4 mg/L and falling".</param>
/// <param name="Figure">With what, or since when: "11 h in, tea".</param>
public sealed record ThingSays(Tone Tone, string Word, string Figure);

/// <summary>What is being made, as it stands: the words beside each drawing.</summary>
public static class Yard
{
    /// <summary>mg/L an hour within which oxygen is called steady: less than a reading shows.</summary>
    public const double Steady = 0.15;

    /// <summary>A vessel in a word and a figure.</summary>
    /// <param name="v">What the record knows of it; oxygen in mg/L.</param>
    /// <param name="now">Now.</param>
    /// <param name="local">A moment in the holding's own zone.</param>
    /// <remarks>House words. A tea 11 h in whose model says 6.4 now and 5.9 in an hour: "6.4 mg/L and falling", "11 h in, tea".</remarks>
    public static ThingSays Vessel(VesselStands v, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local) => v.State switch {
        BatchState.Planned => new(v.Planned < now ? Tone.Mind : Tone.Go, v.Planned < now ? "to begin, late" : "planned",
            $"{Say.Clock(v.Planned!.Value, now, local)}, {What(v.Making)}"),
        BatchState.Brewing or BatchState.Off when v.NotFit => new(Tone.Stop, "not fit to use", In(v, now)),
        BatchState.Off => new(v.Tone, "air off", v.MinutesLeft is { } left ? $"{Say.Minutes(left)} left" : In(v, now)),
        BatchState.Brewing => new(v.Tone, v.Oxygen is { } o ? $"{Say.Fixed(o.Now, 1)} mg/L and {Way(o.InAnHour - o.Now)}" : "going",
            In(v, now)),
        _ when v.HandedTo is { } who => new(Tone.Go, "lent", $"with {who}"),
        _ when v.UsedAt is not { } used => new(Tone.Go, "empty", "never used"),
        _ => new(v.Clean ? Tone.Go : Tone.Mind, v.Clean ? "empty, washed" : "empty, not washed",
            $"since {Say.Day(local(v.UsedAt.Value))}"),
    };

    /// <summary>A making in one word.</summary>
    public static string What(Making making) => making switch {
        Making.Tea => "tea",
        Making.Steep => "a feed",
        Making.Bubbled => "bubbled extract",
        _ => "extract",
    };

    private static string Way(double perHour) => perHour < -Steady ? "falling" : perHour > Steady ? "rising" : "steady";

    private static string In(VesselStands v, DateTimeOffset now) =>
        v.Started is { } started ? $"{Ago((now - started).TotalMinutes)} in, {What(v.Making)}" : What(v.Making);

    /// <summary>Whole hours from two on: what is read in passing.</summary>
    private static string Ago(double minutes) => minutes < 120 ? Say.Minutes(minutes) : $"{Math.Floor(minutes / 60):0} h";
}
