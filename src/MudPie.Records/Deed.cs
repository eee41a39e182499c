namespace MudPie.Records;

/// <summary>One write as it came in: by whom, from what, when it was received. What was added by it bears its number, so that every line
/// of the record says who wrote it and when it came, beside the hour that it is of. Never changed.</summary>
public sealed class Deed
{
    /// <summary>The shadow column of every table that bears its number; null for what was there before, and for what nobody
    /// wrote.</summary>
    public const string Column = "WrittenIn";

    /// <summary>The shadow column of what can be changed (<see cref="IVersioned"/>): the write that it stands by; null for what was
    /// there before this was kept.</summary>
    public const string Changed = "ChangedIn";

    public int Id { get; set; }

    /// <summary>When it was received, by the server's clock.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>Their name; null where nobody has to sign in.</summary>
    public string? By { get; set; }

    /// <summary>What their phone, or sitting, was called.</summary>
    public string? Device { get; set; }

    /// <summary>What it was sent to: "POST /api/brew/batches/14/log".</summary>
    public required string Request { get; set; }
}
