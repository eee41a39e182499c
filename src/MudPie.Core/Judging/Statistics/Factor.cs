namespace MudPie.Core.Judging.Statistics;

/// <summary>A factor as the model sees it: its name, its levels in order, and each row's level.</summary>
internal sealed record Factor(string Name, IReadOnlyList<string> Levels, IReadOnlyList<int> Of)
{
    /// <summary>From a column, levels in order of appearance, or by size where all are numbers; a first level may be wished for.</summary>
    public static Factor From(string name, IReadOnlyList<string> column, string? first = null)
    {
        var levels = column.Distinct().ToList();
        if (levels.All(l => double.TryParse(l, System.Globalization.CultureInfo.InvariantCulture, out _)))
        {
            levels = [.. levels.OrderBy(l => double.Parse(l, System.Globalization.CultureInfo.InvariantCulture))];
        }

        if (first is not null && levels.Remove(first))
        {
            levels.Insert(0, first);
        }

        var place = levels.Select((l, i) => (l, i)).ToDictionary(x => x.l, x => x.i);
        return new Factor(name, levels, [.. column.Select(c => place[c])]);
    }

    /// <summary>Rows with each level.</summary>
    public int[] Counts { get; } = Of.Aggregate(new int[Levels.Count], (counts, level) =>
    {
        counts[level]++;
        return counts;
    });

    /// <summary>Rows with this level.</summary>
    public int Count(int level) => Counts[level];
}
