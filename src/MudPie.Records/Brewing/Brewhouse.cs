using MudPie.Core.Brewing;
namespace MudPie.Records.Brewing;

/// <summary>A recipe of the grower's own, through its versions.</summary>
public sealed class Recipe
{
    public int Id { get; set; }

    public required string Name { get; set; }

    public List<RecipeVersion> Versions { get; } = [];
}

/// <summary>One version of a recipe. Never changed: a change is a new version.</summary>
public sealed class RecipeVersion
{
    public int Id { get; set; }

    public int RecipeId { get; set; }

    public Recipe Recipe { get; set; } = null!;

    /// <summary>1, 2, 3 …</summary>
    public int Number { get; set; }

    public DateTimeOffset At { get; set; }

    /// <summary>A RecipeFile as JSON.</summary>
    public required RecipeFile File { get; set; }
}

/// <summary>Counts under the microscope, as they were tallied. Never changed.</summary>
public sealed class MicroscopeTallyKept
{
    public int Id { get; set; }

    /// <summary>The brew; null where it is of a lot of source.</summary>
    public int? BatchId { get; set; }

    /// <summary>The lot of source; null where it is of a brew.</summary>
    public int? InputId { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    /// <summary>Of what.</summary>
    public required TallyStage Stage { get; set; }

    /// <summary>A TallyQuestion as JSON.</summary>
    public required TallyQuestion Tally { get; set; }

    /// <summary>The machine that it went through, or is about to; null where nobody said.</summary>
    public int? SprayerId { get; set; }

    /// <summary>The ground that got it; null for other stages.</summary>
    public int? BedId { get; set; }
}

/// <summary>An oxygen and temperature probe hung in a batch.</summary>
public sealed class ProbeLink
{
    public int Id { get; set; }

    public int BatchId { get; set; }

    public required string Name { get; set; }

    public required string Host { get; set; }

    public int Port { get; set; }

    /// <summary>It says of itself that it is simulated.</summary>
    public bool Simulated { get; set; }

    public DateTimeOffset AttachedAt { get; set; }

    /// <summary>When it was taken out; null while it hangs.</summary>
    public DateTimeOffset? DetachedAt { get; set; }
}

/// <summary>One reading of a probe. Never changed.</summary>
public sealed class ProbeReadingKept
{
    public long Id { get; set; }

    public int ProbeLinkId { get; set; }

    /// <summary>The probe's own count of its readings: a reading is kept once.</summary>
    public long Sequence { get; set; }

    public DateTimeOffset At { get; set; }

    public double MgPerL { get; set; }

    public double TemperatureC { get; set; }
}

/// <summary>Something that happened to a probe: a gap, a line that could not be read.</summary>
public sealed class ProbeEvent
{
    public int Id { get; set; }

    public int ProbeLinkId { get; set; }

    public DateTimeOffset At { get; set; }

    /// <summary>"silent", "back" or "refused".</summary>
    public required string Kind { get; set; }

    public required string Text { get; set; }
}

/// <summary>Something that the watch has said. It says it once.</summary>
public sealed class WatchNotice
{
    public int Id { get; set; }

    public int BatchId { get; set; }

    /// <summary>A key of the rule: unique within a batch.</summary>
    public required string Key { get; set; }

    public required string Rule { get; set; }

    /// <summary>A Tone by name.</summary>
    public required Tone Tone { get; set; }

    public required string Title { get; set; }

    public required string Todo { get; set; }

    /// <summary>What it is about, or when it was so.</summary>
    public DateTimeOffset At { get; set; }

    public DateTimeOffset FiredAt { get; set; }

    /// <summary>Put off until then; null where it was not.</summary>
    public DateTimeOffset? PutOffUntil { get; set; }

    /// <summary>When it was seen to; null while it stands.</summary>
    public DateTimeOffset? DoneAt { get; set; }
}
