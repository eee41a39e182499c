namespace MudPie.Core.Mixing;

/// <summary>A growth reading beside the nitrogen of its mix.</summary>
/// <param name="Week">Weeks since it was filled in.</param>
/// <param name="Mean">Mean of the plots.</param>
/// <param name="Plots">How many plots.</param>
/// <param name="NitrogenG">What the mix should have given by then, g, below 0 where it robbed; null past its weeks.</param>
/// <param name="WantedG">What the crop should have taken by then, g; null where no crop was said, and past its weeks.</param>
public sealed record GrowthBeside(double Week, double Mean, int Plots, double? NitrogenG, double? WantedG);

/// <summary>Growth and nitrogen by the same weeks.</summary>
public static class NitrogenBeside
{
    /// <summary>Lays them beside each other.</summary>
    /// <param name="outlook">Nitrogen week by week.</param>
    /// <param name="filled">When it was filled in.</param>
    /// <param name="readings">Readings of one treatment by day, those of its plots.</param>
    /// <remarks>A reading 10 days after filling lies 3/7 of the way from week 1 to week 2: between 0.2 and 0.27 g that is 0.23 g. Straight
    /// lines between weeks; a model, and no cause.</remarks>
    public static IReadOnlyList<GrowthBeside> Of(NitrogenOutlookAnswer outlook, DateTimeOffset filled,
        IEnumerable<(DateTimeOffset On, double Value)> readings) =>
        [.. readings.GroupBy(r => r.On).OrderBy(g => g.Key).Select(g =>
        {
            var week = Math.Max(0, (g.Key - filled).TotalDays / 7);
            return new GrowthBeside(week, g.Average(r => r.Value), g.Count(), At(outlook, week, w => w.G),
                At(outlook, week, w => w.Wanted));
        })];

    private static double? At(NitrogenOutlookAnswer outlook, double week, Func<NitrogenWeek, double?> of)
    {
        var before = (int)Math.Floor(week);
        if (before + (week > before ? 1 : 0) >= outlook.Weeks.Count)
        {
            return null;
        }

        var (a, b) = (of(outlook.Weeks[before]), of(outlook.Weeks[Math.Min(before + 1, outlook.Weeks.Count - 1)]));
        return a + ((b - a) * (week - before));
    }
}
