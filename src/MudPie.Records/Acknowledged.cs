namespace MudPie.Records;

/// <summary>A write that was acknowledged, kept so that the same request sent again is answered again and not done again.</summary>
public sealed class Acknowledged
{
    public required string Key { get; set; }

    /// <summary>Method and path, so that a key used twice for different things is noticed.</summary>
    public required string Request { get; set; }

    /// <summary>SHA-256 of what was sent, so that a key used for another body is noticed.</summary>
    public required string Sent { get; set; }

    public required string Body { get; set; }

    public DateTimeOffset At { get; set; }
}
