using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>A batch as a deed finds it.</summary>
/// <param name="State">Where it stands.</param>
/// <param name="Making">How it is made: one without air has none to stop.</param>
/// <param name="StartedAt">When its source went in; null before.</param>
/// <param name="Steps">The names of its steps.</param>
public sealed record BrewStands(BatchState State, Making Making, DateTimeOffset? StartedAt, IReadOnlyList<string> Steps)
{
    /// <summary>It was made without air.</summary>
    public bool Still => Making is Making.Extract or Making.Steep;

    /// <summary>It is going: air on, or off and not used up.</summary>
    public bool Going => State is BatchState.Brewing or BatchState.Off;
}

/// <summary>An entry that a deed writes to the log.</summary>
public sealed record BrewEntry(LogKind Kind, DateTimeOffset At, double? Number = null, string? Text = null, string? Typed = null);

/// <summary>What a deed makes of a batch.</summary>
/// <param name="Entries">For the log.</param>
/// <param name="State">Where it stands from then on.</param>
/// <param name="Deed">Which of the entries is the deed itself.</param>
/// <param name="StartedAt">When it began, where the deed is its beginning; else null, and nothing changes.</param>
/// <param name="AirOffAt">When its air stopped, where the deed stops it; else null, and nothing changes.</param>
/// <param name="Waiver">Why it was begun without a strip at zero, where it was.</param>
public sealed record BrewChange(IReadOnlyList<BrewEntry> Entries, BatchState State, LogKind Deed, DateTimeOffset? StartedAt = null,
    DateTimeOffset? AirOffAt = null, string? Waiver = null);

/// <summary>Every deed at a brew, whatever door it comes by (form, note, import, outbox, demo): from how the batch stands and what is said
/// to the entries that are written, or what is wrong.</summary>
public static class BrewDeeds
{
    /// <summary>Minutes by which an entry may lie before the start: clocks differ.</summary>
    public const double Grace = 5;

    /// <summary>The source goes in. A strip that is not at zero, or none, wants a reason of three letters.</summary>
    /// <remarks>Only what this very deed is is ticked with it: the source, and the strip where it was read.</remarks>
    public static Ruling<BrewChange> Start(BrewStands b, string? strip, string? waiver, DateTimeOffset? at, DateTimeOffset now,
        UnitSystem units)
    {
        var fields = new TypedFields(units);
        Must(fields.Checks, b.State == BatchState.Planned, "This batch has begun already.", "Open it and log what you see.");
        var when = fields.Past("at", at, now);
        var mg = fields.Optional("strip", strip, Dimension.Concentration, BrewReadings.Strip.Low, BrewReadings.Strip.High);
        var why = (waiver ?? "").Trim();
        if (fields.Checks.Sound && mg is not 0 && why.Length < 3)
        {
            fields.Checks.Add(mg is null ? "strip" : "waiver", mg is null
                ? "No strip was read." : $"The strip reads {Say.Number(mg.Value)} mg/L, not zero.",
                "Clear the water and read it again, or say in words why you begin all the same: it is kept, and a strip above zero fails "
                    + "the brew.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var waived = why.Length >= 3 ? why : null;
        return Done(new BrewChange([
            .. mg is { } read ? [new BrewEntry(LogKind.Strip, when, read, null, strip?.Trim())] : Array.Empty<BrewEntry>(),
            new(LogKind.Start, when, null, waived),
            .. b.Steps.Where(s => s == "source" || (s == "strip" && mg is not null))
                .Select(s => new BrewEntry(LogKind.Step, when, null, s)),
        ], BatchState.Brewing, LogKind.Start, StartedAt: when, Waiver: waived));
    }

    /// <summary>A step is ticked.</summary>
    public static Ruling<BrewChange> Tick(BrewStands b, string step, DateTimeOffset? at, DateTimeOffset now)
    {
        var checks = new Checks();
        Must(checks, b.Steps.Contains(step), $"“{step}” is not a step of this batch.", "Tick one of its own steps.", "step");
        Must(checks, b.State is not (BatchState.Used or BatchState.Heaped), "This batch is over.", "Its log can still be read.");
        return One(checks, b, new BrewEntry(LogKind.Step, checks.Past("at", at, now), null, step));
    }

    /// <summary>Something is logged: a reading, a smell, a feeding, a note.</summary>
    /// <param name="b">The batch.</param>
    /// <param name="kind">What about.</param>
    /// <param name="said">What was read of what was typed, or what was wrong with that.</param>
    /// <param name="at">When it was seen; now where not given.</param>
    /// <param name="now">Now.</param>
    public static Ruling<BrewChange> Log(BrewStands b, LogKind kind, Ruling<BrewSaid> said, DateTimeOffset? at, DateTimeOffset now)
    {
        var checks = new Checks();
        Must(checks, b.Going || (b.State == BatchState.Planned && kind is LogKind.Strip or LogKind.Note), "This batch is not going.",
            b.State == BatchState.Planned
                ? "Start it first; before that only its strip and notes are logged." : "It is over; its log can still be corrected.");
        Must(checks, kind is not LogKind.AirTo || !b.Still, "There is no air in this one: it was made without.",
            "Log it on a brew that is aired.", "kind");
        return Said(checks, b, said, at, now);
    }

    /// <summary>An entry is put right: the old one stays readable under it.</summary>
    /// <param name="b">The batch.</param>
    /// <param name="old">The entry that was wrong; null where it is not there, or was put right already.</param>
    /// <param name="said">What is so.</param>
    /// <param name="at">When it was seen; as before where not given.</param>
    /// <param name="now">Now.</param>
    public static Ruling<BrewChange> Correct(BrewStands b, BrewEntry? old, Ruling<BrewSaid> said, DateTimeOffset? at, DateTimeOffset now)
    {
        var checks = new Checks();
        Must(checks, old is not null, "That entry is not there, or was put right already.", "Correct the newest one.", "entry");
        Must(checks, old is null || Corrects(old.Kind), "That kind of entry is not corrected.", "Add a note that says what was wrong.",
            "entry");
        return checks.Sound ? Said(checks, b, said, at ?? old!.At, now, past: false) : checks.Refusal;
    }

    /// <summary>The air is stopped.</summary>
    public static Ruling<BrewChange> AirOff(BrewStands b, DateTimeOffset? at, DateTimeOffset now)
    {
        var checks = new Checks();
        Must(checks, b.State == BatchState.Brewing, "The air of this batch is not on.", "Only a brew that is going can be stopped.");
        Must(checks, !b.Still, "There is no air to stop: it was made without.", "Put it out, or send it to the heap.");
        var when = checks.Past("at", at, now);
        NotBefore(checks, b, LogKind.AirOff, when);
        return checks.Sound
            ? Done(new BrewChange([new(LogKind.AirOff, when),
                new(LogKind.Step, when, null, b.Steps.Contains("air-off") ? "air-off" : "strain")], BatchState.Off, LogKind.AirOff,
                AirOffAt: when))
            : checks.Refusal;
    }

    /// <summary>It goes on the heap, for a reason of 3 to 300 letters.</summary>
    public static Ruling<BrewChange> Heap(BrewStands b, string? why, DateTimeOffset? at, DateTimeOffset now)
    {
        var checks = new Checks();
        Must(checks, b.Going || b.State == BatchState.Planned, "This batch is over already.", "Its log can still be read.");
        var reason = (why ?? "").Trim();
        Must(checks, reason.Length is >= 3 and <= 300, "No reason was given.",
            "Say in a few words why it goes on the heap; the log keeps it.", "why");
        var when = checks.Past("at", at, now);
        NotBefore(checks, b, LogKind.Heaped, when);
        return checks.Sound
            ? Done(new BrewChange([new(LogKind.Heaped, when, null, reason)], BatchState.Heaped, LogKind.Heaped,
                AirOffAt: b.StartedAt is null ? null : when))
            : checks.Refusal;
    }

    /// <summary>It was put out: what a kept job makes of its brew.</summary>
    public static BrewChange PutOut(DateTimeOffset at) =>
        new([new(LogKind.Step, at, null, "use")], BatchState.Used, LogKind.Step, AirOffAt: at);

    private static bool Corrects(LogKind kind) => kind is LogKind.Oxygen or LogKind.Warmth or LogKind.Smell or LogKind.Foam
        or LogKind.Strip or LogKind.Note or LogKind.Fed or LogKind.AirTo or LogKind.Pathogen;

    private static Ruling<BrewChange> Said(Checks checks, BrewStands b, Ruling<BrewSaid> said, DateTimeOffset? at, DateTimeOffset now,
        bool past = true)
    {
        var when = past ? checks.Past("at", at, now) : at ?? now;
        if (said.Refused is { } wrong)
        {
            checks.Add(wrong);
            return checks.Refusal;
        }

        var s = said.Value;
        NotBefore(checks, b, s.Kind, when);
        return One(checks, b, new BrewEntry(s.Kind, when, s.Number, s.Text, s.Typed));
    }

    private static Ruling<BrewChange> One(Checks checks, BrewStands b, BrewEntry entry) =>
        checks.Sound ? Done(new BrewChange([entry], b.State, entry.Kind)) : checks.Refusal;

    private static Worked<BrewChange> Done(BrewChange change) => Worked.Of(change, "", Evidence.MeasuredHere);

    private static void NotBefore(Checks checks, BrewStands b, LogKind kind, DateTimeOffset at) =>
        Must(checks, b.StartedAt is null || kind == LogKind.Strip || at >= b.StartedAt.Value.AddMinutes(-Grace),
            "That was before this batch began.", "Give a time after its start.", "at");

    private static void Must(Checks checks, bool so, string wrong, string wayOut, string field = "state")
    {
        if (!so)
        {
            checks.Add(field, wrong, wayOut);
        }
    }
}
