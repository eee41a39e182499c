namespace MudPie.Core.Ideas;

/// <summary>Where a batch stands.</summary>
public enum BatchState
{
    /// <summary>Planned, not begun.</summary>
    Planned,

    /// <summary>Source in, air on.</summary>
    Brewing,

    /// <summary>Air off, not yet used up.</summary>
    Off,

    /// <summary>Put out.</summary>
    Used,

    /// <summary>On the heap.</summary>
    Heaped,
}

/// <summary>What a log entry is about.</summary>
public enum LogKind
{
    /// <summary>mg/L.</summary>
    Oxygen,

    /// <summary>°C.</summary>
    Warmth,

    /// <summary>A <see cref="Smell"/> by name.</summary>
    Smell,

    /// <summary>A <see cref="Foam"/> by name.</summary>
    Foam,

    /// <summary>mg/L of chlorine.</summary>
    Strip,

    /// <summary>Words.</summary>
    Note,

    /// <summary>A picture.</summary>
    Photo,

    /// <summary>A step of the schedule, by its id.</summary>
    Step,

    /// <summary>The source went in.</summary>
    Start,

    /// <summary>The air was stopped.</summary>
    AirOff,

    /// <summary>It went on the heap, and why.</summary>
    Heaped,

    /// <summary>Fed on the way: mL, and the kind of food.</summary>
    Fed,

    /// <summary>Other air from then on: L/min in all, at depth.</summary>
    AirTo,

    /// <summary>A test for gut germs: "found" or "clear".</summary>
    Pathogen,
}

/// <summary>Where water comes from.</summary>
public enum WaterKind
{
    /// <summary>The main.</summary>
    Mains,

    /// <summary>A roof.</summary>
    Rain,

    /// <summary>A well or borehole of one's own.</summary>
    Well,

    /// <summary>Reverse osmosis.</summary>
    Ro,

    /// <summary>A river, pond or ditch.</summary>
    Surface,
}
