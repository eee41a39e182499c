namespace MudPie.Core.Judging.Statistics;

/// <summary>A test of ranks.</summary>
/// <param name="Name">Kruskal–Wallis or Friedman.</param>
/// <param name="Statistic">χ², with ties allowed for.</param>
/// <param name="Df">Degrees of freedom.</param>
/// <param name="P">Upper tail of χ².</param>
public sealed record RankTest(string Name, double Statistic, int Df, double P);

/// <summary>Tests that look at order only: for scores, and for shapes that a t does not fit.</summary>
public static class Ranks
{
    /// <summary>Middle ranks, 1 the smallest; ties share theirs.</summary>
    public static double[] Of(IReadOnlyList<double> values)
    {
        var ranks = new double[values.Count];
        var order = Enumerable.Range(0, values.Count).OrderBy(i => values[i]).ToArray();
        for (var from = 0; from < order.Length;)
        {
            var to = from;
            while (to < order.Length && values[order[to]] == values[order[from]])
            {
                to++;
            }

            for (var i = from; i < to; i++)
            {
                ranks[order[i]] = (from + to + 1) / 2.0;
            }

            from = to;
        }

        return ranks;
    }

    /// <summary>Kruskal–Wallis (1952) over groups. Null where all values are alike or a group is missing.</summary>
    /// <remarks>{1,2,3} {4,5,6} {7,8,9}: χ² 7.2 on 2, p 0.0273.</remarks>
    public static RankTest? KruskalWallis(IReadOnlyList<IReadOnlyList<double>> groups)
    {
        List<double> all = [.. groups.SelectMany(g => g)];
        var ties = 1 - (TieSum(all) / (Math.Pow(all.Count, 3) - all.Count));
        if (groups.Count < 2 || groups.Any(g => g.Count == 0) || !(ties > 0))
        {
            return null;
        }

        var (ranks, n, at, h) = (Of(all), all.Count, 0, 0.0);
        foreach (var group in groups)
        {
            var sum = ranks.Skip(at).Take(group.Count).Sum();
            h += sum * sum / group.Count;
            at += group.Count;
        }

        h = ((12 / ((double)n * (n + 1)) * h) - (3 * (n + 1))) / ties;
        return new RankTest("Kruskal–Wallis", h, groups.Count - 1, Distribution.UpperChi(h, groups.Count - 1));
    }

    /// <summary>Friedman (1937) over whole blocks. Null where all are tied.</summary>
    /// <param name="blocks">A row a block, a value a treatment, in one order.</param>
    public static RankTest? Friedman(IReadOnlyList<IReadOnlyList<double>> blocks)
    {
        if (blocks.Count < 2 || blocks[0].Count < 2)
        {
            return null;
        }

        var (b, k) = (blocks.Count, blocks[0].Count);
        var ranks = blocks.Select(Of).ToList();
        var spread = Enumerable.Range(0, k).Sum(t => Math.Pow(ranks.Sum(r => r[t]) - (b * (k + 1) / 2.0), 2));
        var below = (b * k * (k + 1)) - (blocks.Sum(TieSum) / (k - 1));
        if (below <= 0)
        {
            return null;
        }

        var q = 12 * spread / below;
        return new RankTest("Friedman", q, k - 1, Distribution.UpperChi(q, k - 1));
    }

    private static double TieSum(IReadOnlyList<double> values) => values.GroupBy(v => v).Sum(g => Math.Pow(g.Count(), 3) - g.Count());
}
