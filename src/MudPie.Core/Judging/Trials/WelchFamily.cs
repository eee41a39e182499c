using MudPie.Core.Judging.Statistics;

namespace MudPie.Core.Judging.Trials;

/// <summary>Several treatments laid at random that need not stray alike: each comparison by its own two spreads.</summary>
internal static class WelchFamily
{
    /// <summary>
    /// The sheet with its verdicts taken from Welch's intervals: against the control with each comparison's own standard error and degrees
    /// of freedom, and the
    /// critical |t| of all of them at once (Dunnett's law with the correlations that the spreads give; Hasler and Hothorn 2008). All pairs
    /// likewise by the
    /// studentized range (Games and Howell 1976). The pooled tables stay beside it as they were.
    /// </summary>
    /// <remarks>Where all stray alike and plots are even, the difference from the pooled interval is a few per cent.</remarks>
    public static Sheet Judged(TrialQuestion q, IReadOnlyList<TrialRow> rows, Factor factor, Sheet sheet)
    {
        var sides = Sides(rows, factor);
        var (control, others) = (sides[0], sides.Skip(1).ToList());
        if (sides.All(s => s.V == 0))
        {
            return sheet;
        }

        double R(int i, int j) => i == j ? 1 : control.V / Math.Sqrt((control.V + others[i].V) * (control.V + others[j].V));
        var correlation = new double[others.Count, others.Count];
        for (var i = 0; i < others.Count; i++)
        {
            for (var j = 0; j < others.Count; j++)
            {
                correlation[i, j] = R(i, j);
            }
        }

        var judged = others.Select(o =>
        {
            var apart = o.Known.Less(control.Known);
            var (se, df) = (apart.Se, apart.Df);
            var law = new ManyToOne(correlation, Math.Max(df, 1), q.Stop);
            var (difference, half, wide) = (o.Mean - control.Mean, law.Critical(0.05) * se,
                (double?)(q.Looked > 1 ? law.Critical(0.05 / q.Looked) * se : law.Critical(0.05) * se));
            return (Compared: new TrialComparison(factor.Name, $"{o.Name} - {control.Name}", o.Name, control.Name, difference, difference
                - half, difference + half, se > 0 ? difference / se : null, df, se > 0 ? law.P(difference / se) : null), Wide: wide);
        }).ToList();
        return sheet with {
            Test = new("Welch’s analysis, each pair by its own spread",
                $"{sides.Count} treatments laid at random; nothing says that all stray alike, so each comparison takes its own two "
                    + "spreads. The table with one noise for all stands beside it."),
            Judged = [.. judged.Select(j => j.Compared)],
            Halves = [.. judged.Select(j => j.Wide)],
            OwnMeans = [.. sides.Select(s => TrialMean.Of(factor.Name, s.Name, s.N, s.Known))],
            GamesHowell = [.. sides.SelectMany((a, i) => sides.Skip(i + 1).Select(b => Pair(factor.Name, a, b, sides.Count)))],
        };
    }

    private sealed record Side(string Name, int N, Estimate Known)
    {
        public double Mean => Known.Mean;

        public double V => Known.Variance;
    }

    private static List<Side> Sides(IReadOnlyList<TrialRow> rows, Factor factor) =>
    [
        .. factor.Levels.Select((name, level) =>
        {
            var x = rows.Where((_, i) => factor.Of[i] == level).Select(r => r.Value!.Value).ToList();
            return new Side(name, x.Count, Estimate.Of(x));
        }),
    ];

    private static TrialComparison Pair(string term, Side first, Side second, int means)
    {
        var apart = second.Known.Less(first.Known);
        var (difference, se, df) = (apart.Mean, apart.Se, apart.Df);
        double? half = se > 0 && df >= 1 ? StudentizedRange.Quantile(0.05, means, df) / Math.Sqrt(2) * se : null;
        double? p = se > 0 && df >= 1 ? 1 - StudentizedRange.Cdf(Math.Abs(difference / se) * Math.Sqrt(2), means, df) : null;
        return new TrialComparison(term, $"{second.Name}-{first.Name}", second.Name, first.Name, difference, difference - half,
            difference + half, se > 0 ? difference / se : null, df, p);
    }
}
