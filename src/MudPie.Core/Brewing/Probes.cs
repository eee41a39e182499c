using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Mean of a stretch of a probe's readings; hours from the start of the batch.</summary>
public sealed record ProbePoint(double H, double MgPerL, double Low, double High, double TemperatureC, int Readings);

/// <summary>What a probe's readings are worth beside hand readings.</summary>
public static class Probes
{
    /// <summary>A probe that has said nothing for longer is silent.</summary>
    public static readonly TimeSpan Silent = TimeSpan.FromMinutes(10);

    /// <summary>An hour with fewer readings than this is no mean.</summary>
    public const int FewestAnHour = 3;

    /// <summary>What a probe reads above hand readings, mg/L: the mean over the last three that it was there for, within ten minutes; null
    /// where there is nothing to compare.</summary>
    /// <remarks>By hand 7.0 and 6.0 where it read 7.4 and 6.6: 0.5.</remarks>
    public static double? Drift(IReadOnlyList<ProbePoint> fine, IEnumerable<SeenAt<double>> byHand)
    {
        var pairs = byHand.Select(r => (By: r.What, Near: fine.Where(p => Math.Abs(p.H - r.H) <= 1.0 / 6).MinBy(p => Math.Abs(p.H - r.H))))
            .Where(p => p.Near is not null).TakeLast(3).Select(p => p.Near!.MgPerL - p.By).ToList();
        return pairs.Count == 0 ? null : pairs.Average();
    }

    /// <summary>Hourly means put right: what it reads above hand readings taken off, and nothing after the air went off.</summary>
    public static IReadOnlyList<ProbePoint> PutRight(IEnumerable<ProbePoint> hours, double? drift, double untilH) =>
        [.. hours.Where(p => p.H <= untilH && p.Readings >= FewestAnHour)
            .Select(p => p with { MgPerL = Math.Max(p.MgPerL - (drift ?? 0), 0) })];

    /// <summary>How a probe stands, in a sentence or two.</summary>
    /// <param name="takenOut">True where it is in the brew no more.</param>
    /// <param name="last">When its last reading came; null where none has.</param>
    /// <param name="drift">What it reads above hand readings, mg/L.</param>
    /// <param name="now">Now.</param>
    public static string Says(bool takenOut, DateTimeOffset? last, double? drift, DateTimeOffset now)
    {
        if (takenOut)
        {
            return "It has been taken out.";
        }

        var silent = last is null ? "It has not read anything yet." : now - last > Silent
            ? $"Silent for {Say.Minutes((now - last.Value).TotalMinutes)}." : "";
        var off = drift switch {
            null => "Nobody has read by hand beside it yet.",
            { } d when Math.Abs(d) >= WatchAlerts.DriftLine =>
                $"It reads {Say.Fixed(Math.Abs(d), 1)} {(d > 0 ? "above" : "below")} your own readings: calibrate one of them.",
            { } d => $"It reads {Say.Fixed(Math.Abs(d), 1)} {(d > 0 ? "above" : "below")} your own readings; the forecast takes that off.",
        };
        return $"{silent} {off}".Trim();
    }
}
