namespace MudPie.Core.Brewing;

/// <summary>From a brew's log to what the rules want to know of it.</summary>
public static class BrewLog
{
    /// <summary>The brew as it really went: with what it was fed on the way and the air it was given.</summary>
    /// <param name="brew">As it was planned.</param>
    /// <param name="log">Entries that stand, oldest first.</param>
    /// <param name="started">When its air went on.</param>
    /// <remarks>10 mL of molasses logged three hours in: a food of 10 mL at hour 3 beside those it began with.</remarks>
    public static BrewQuestion AsBrewed(BrewQuestion brew, IReadOnlyList<BrewEntry> log, DateTimeOffset started)
    {
        double Hour(BrewEntry l) => Math.Max((l.At - started).TotalHours, 0);
        return brew with {
            Foods = [.. brew.Foods ?? [], .. log.Where(l => l.Kind == LogKind.Fed)
                .Select(l => new FoodAmount { Kind = l.Text, Ml = l.Number, AtH = Hour(l) })],
            AirChanges = [.. log.Where(l => l.Kind == LogKind.AirTo).Select(l => new AirFrom { AtH = Hour(l), AirLpm = l.Number ?? 0 })],
        };
    }

    /// <summary>Warmth by hand, by logger and by probe together, in the order of the hours.</summary>
    public static IReadOnlyList<SeenAt<double>> Warmth(IReadOnlyList<BrewEntry> log, DateTimeOffset started,
        IReadOnlyList<ProbePoint> probe) =>
        [.. Seen(log, started, LogKind.Warmth, l => l.Number ?? 0).Concat(probe.Select(p => new SeenAt<double>(p.H, p.TemperatureC)))
            .OrderBy(w => w.H)];

    /// <summary>What was seen of it: oxygen, smells, foams, strip, pathogen test; hours from its start.</summary>
    public static BrewSeen Of(IReadOnlyList<BrewEntry> log, DateTimeOffset started, Making making,
        DateTimeOffset now) => new() {
            NowH = Math.Max((now - started).TotalHours, 0),
            Dunked = making == Making.Extract,
            IsTea = making == Making.Tea,
            IsFeed = making == Making.Steep,
            StripMgPerL = log.LastOrDefault(l => l.Kind == LogKind.Strip)?.Number,
            Oxygen = Seen(log, started, LogKind.Oxygen, l => l.Number ?? 0),
            Smells = Seen(log, started, LogKind.Smell, l => Enum.Parse<Smell>(l.Text!, true)),
            Foams = Seen(log, started, LogKind.Foam, l => Enum.Parse<Foam>(l.Text!, true)),
            PathogenFound = log.LastOrDefault(l => l.Kind == LogKind.Pathogen)?.Text == "found",
        };

    /// <summary>Entries of a kind from the start on; a minute before it counts as the start.</summary>
    private static List<SeenAt<T>> Seen<T>(IReadOnlyList<BrewEntry> log, DateTimeOffset started, LogKind kind, Func<BrewEntry, T> what) =>
        [.. log.Where(l => l.Kind == kind && l.At >= started.AddMinutes(-1))
            .Select(l => new SeenAt<T>(Math.Max((l.At - started).TotalHours, 0), what(l)))];
}
