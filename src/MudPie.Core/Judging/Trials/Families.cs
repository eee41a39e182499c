using MudPie.Core.Judging.Statistics;

namespace MudPie.Core.Judging.Trials;

/// <summary>A mean that a model can give: its name, its plots, and how it is got.</summary>
internal sealed record Cell(string Name, int Plots, double[] L, double Mean, double VarianceShare);

/// <summary>Families of comparisons: all pairs (Tukey), and each against one (Dunnett).</summary>
internal static class Families
{
    /// <summary>Means of a factor's levels, or of crossed levels, as the model gives them; what it can't tell is left out.</summary>
    public static List<Cell> Cells(TermModel model, IReadOnlyList<Factor> factors) =>
    [
        .. Combine(factors).Select(levels =>
        {
            var l = model.MeanAt(f => factors.ToList().IndexOf(f) is >= 0 and var i ? levels[i] : null);
            var plots = Enumerable.Range(0, factors[0].Of.Count).Count(r => factors.Select((f, i) => f.Of[r] == levels[i]).All(x => x));
            return plots > 0 && model.Of(l) is { } mean ? new Cell(string.Join(", ", factors.Select((f, i) => f.Levels[levels[i]])), plots, l, mean.Estimate, mean.VarianceShare) : null;
        }).OfType<Cell>(),
    ];

    /// <summary>Each with its own 95 % interval from the common noise.</summary>
    public static IEnumerable<TrialMean> Means(string term, IReadOnlyList<Cell> cells, double ms, double df)
    {
        foreach (var cell in cells)
        {
            double? half = df >= 1 ? Distribution.CriticalT(0.05, df) * Math.Sqrt(ms * cell.VarianceShare) : null;
            yield return new TrialMean(term, cell.Name, cell.Plots, cell.Mean, cell.Mean - half, cell.Mean + half);
        }
    }

    /// <summary>All pairs, later less earlier, by the studentized range (Tukey; Kramer 1956 where plots are uneven).</summary>
    public static List<TrialComparison> Tukey(TermModel model, string term, IReadOnlyList<Cell> cells, double ms, double df)
    {
        if (cells.Count < 2)
        {
            return [];
        }

        double? critical = df < 1 ? null : cells.Count == 2 ? Distribution.CriticalT(0.05, df) : StudentizedRange.Quantile(0.05, cells.Count, df) / Math.Sqrt(2);
        return
        [
            .. cells.SelectMany((first, i) => cells.Skip(i + 1).Select(second =>
            {
                var (difference, se) = Between(model, second, first, ms);
                double? t = critical is null || se == 0 ? null : difference / se;
                return new TrialComparison(term, $"{second.Name}-{first.Name}", second.Name, first.Name, difference, difference - (critical * se), difference + (critical * se), t, critical is null ? null : df,
                    t is { } at ? Tail(at, cells.Count, df) : null);
            })),
        ];
    }

    /// <summary>Each against the first, and the critical |t| at 95 % and at the level that several measures ask for.</summary>
    public static (List<TrialComparison> List, double? Wide) Dunnett(TermModel model, string term, IReadOnlyList<Cell> cells, double ms, double df, int looked, CancellationToken stop = default)
    {
        if (cells.Count < 2)
        {
            return ([], null);
        }

        var (control, others) = (cells[0], cells.Skip(1).ToList());
        var raw = others.Select(o => Between(model, o, control, ms)).ToList();
        if (df < 1)
        {
            return ([.. others.Zip(raw, (o, d) => new TrialComparison(term, $"{o.Name} - {control.Name}", o.Name, control.Name, d.Difference, null, null, null, null, null))], null);
        }

        var law = new ManyToOne(Correlation(model, control, others), df, stop);
        var critical = law.Critical(0.05);
        var list = others.Zip(raw, (o, d) => new TrialComparison(
            term, $"{o.Name} - {control.Name}", o.Name, control.Name, d.Difference, d.Difference - (critical * d.Se), d.Difference + (critical * d.Se), d.Se > 0 ? d.Difference / d.Se : null, df, d.Se > 0 ? P(law, d.Difference / d.Se, others.Count, df) : null)).ToList();
        return (list, looked > 1 ? law.Critical(0.05 / looked) : critical);
    }

    /// <summary>The cell of that name, or the first.</summary>
    public static List<Cell> ControlFirst(IReadOnlyList<Cell> cells, string? control)
    {
        var first = cells.FirstOrDefault(c => c.Name == control) ?? cells[0];
        return [first, .. cells.Where(c => c != first)];
    }

    private static double P(ManyToOne law, double t, int others, double df) => others == 1 ? Distribution.TwoSidedT(t, df) : double.IsFinite(t) ? law.P(t) : 0;

    private static double Tail(double t, int means, double df) =>
        means == 2 ? Distribution.TwoSidedT(t, df) : double.IsFinite(t) ? 1 - StudentizedRange.Cdf(Math.Abs(t) * Math.Sqrt(2), means, df) : 0;

    private static (double Difference, double Se) Between(TermModel model, Cell a, Cell b, double ms)
    {
        var of = model.Of([.. a.L.Zip(b.L, (x, y) => x - y)]);
        return of is { } d ? (Math.Abs(d.Estimate) < 1e-12 * (Math.Abs(a.Mean) + Math.Abs(b.Mean)) ? 0 : d.Estimate, Math.Sqrt(ms * d.VarianceShare)) : (a.Mean - b.Mean, Math.Sqrt(ms * (a.VarianceShare + b.VarianceShare)));
    }

    private static double[,] Correlation(TermModel model, Cell control, IReadOnlyList<Cell> others)
    {
        var l = others.Select(o => o.L.Zip(control.L, (x, y) => x - y).ToArray()).ToList();
        var r = new double[l.Count, l.Count];
        for (var i = 0; i < l.Count; i++)
        {
            for (var j = 0; j < l.Count; j++)
            {
                r[i, j] = i == j ? 1 : model.Shared(l[i], l[j]) / Math.Sqrt(model.Shared(l[i], l[i]) * model.Shared(l[j], l[j]));
            }
        }

        return r;
    }

    private static IEnumerable<int[]> Combine(IReadOnlyList<Factor> factors) =>
        factors.Aggregate<Factor, IEnumerable<int[]>>([[]], (sets, f) => sets.SelectMany(s => Enumerable.Range(0, f.Levels.Count).Select(l => (int[])[.. s, l])));
}
