namespace MudPie.Core.Judging.Trials;

/// <summary>One plot's value on one date.</summary>
public sealed record DatedValue(double Day, double Value);

/// <summary>Several dates made one figure a plot, so that a plot is counted once.</summary>
public static class RepeatedDates
{
    /// <summary>Mean over time: the area under the plot's curve over the days that it spans.</summary>
    /// <param name="values">Two dates or more, in any order.</param>
    /// <param name="first">First day of the trial's measuring; a plot that has no value there gives null.</param>
    /// <param name="last">Last day; the same.</param>
    /// <remarks>2 on day 0, 4 on day 10, 4 on day 20: area 70 over 20 days, 3.5. Source: trapezium rule (Matthews and others 1990, summary
    /// measures).</remarks>
    public static double? MeanOverTime(IReadOnlyList<DatedValue> values, double first, double last)
    {
        var sorted = values.OrderBy(v => v.Day).ToList();
        if (sorted.Count < 2 || last <= first || sorted[0].Day != first || sorted[^1].Day != last)
        {
            return null;
        }

        var area = sorted.Zip(sorted.Skip(1), (a, b) => (b.Day - a.Day) * (a.Value + b.Value) / 2).Sum();
        return area / (last - first);
    }

    /// <summary>Days until half of those that came up had come up, by straight lines between counts; null where none came up.</summary>
    /// <remarks>0 on day 4, 20 on day 6, 40 on day 10: half of 40 is 20, so day 6. Source: median time to germination (Coolbear and others
    /// 1984).</remarks>
    public static double? DaysToHalf(IReadOnlyList<DatedValue> counts)
    {
        var sorted = counts.OrderBy(v => v.Day).ToList();
        var half = sorted.Count == 0 ? 0 : sorted.Max(v => v.Value) / 2;
        if (half <= 0)
        {
            return null;
        }

        var after = sorted.FindIndex(v => v.Value >= half);
        if (after == 0)
        {
            return sorted[0].Day;
        }

        var (a, b) = (sorted[after - 1], sorted[after]);
        return a.Day + ((half - a.Value) / (b.Value - a.Value) * (b.Day - a.Day));
    }
}
