using MudPie.Core.Judging.Statistics;

namespace MudPie.Core.Judging.Trials;

/// <summary>A mean that a model can give: its name, the levels it stands at, its plots, and how it is got.</summary>
internal sealed record Cell(string Name, IReadOnlyList<int> Levels, int Plots, double[] L, double Mean, double VarianceShare);

/// <summary>How far apart two means lie, and what noise that difference carries.</summary>
internal interface INoise
{
    /// <summary>The first less the second, its standard error, and the degrees of freedom of that; below 1 where nothing tells
    /// it.</summary>
    (double Difference, double Se, double Df) Between(Cell a, Cell b);

    /// <summary>How far two differences from one control stray together, −1 to 1.</summary>
    double Correlation(Cell a, Cell b, Cell control);
}

/// <summary>One noise for all: the mean square that the model leaves.</summary>
internal sealed class CommonNoise(TermModel model, double ms, double df) : INoise
{
    public (double Difference, double Se, double Df) Between(Cell a, Cell b)
    {
        var of = model.Of(Less(a, b));
        return of is { } d ? (Math.Abs(d.Estimate) < 1e-12 * (Math.Abs(a.Mean) + Math.Abs(b.Mean)) ? 0 : d.Estimate,
            Math.Sqrt(ms * d.VarianceShare), df) : (a.Mean - b.Mean, Math.Sqrt(ms * (a.VarianceShare + b.VarianceShare)), df);
    }

    public double Correlation(Cell a, Cell b, Cell control)
    {
        var (x, y) = (Less(a, control), Less(b, control));
        return model.Shared(x, y) / Math.Sqrt(model.Shared(x, x) * model.Shared(y, y));
    }

    private static double[] Less(Cell a, Cell b) => [.. a.L.Zip(b.L, (x, y) => x - y)];
}

/// <summary>Families of comparisons: all pairs (Tukey), and each against one (Dunnett).</summary>
internal static class Families
{
    /// <summary>Means of a factor's levels, or of crossed levels, as the model gives them; what it can't tell is left out.</summary>
    public static List<Cell> Cells(TermModel model, IReadOnlyList<Factor> factors)
    {
        var counts = factors.Count == 1 ? factors[0].Counts.Select((n, i) => (n, i))
            .ToDictionary(x => x.i.ToString(System.Globalization.CultureInfo.InvariantCulture), x => x.n)
            : Enumerable.Range(0, factors[0].Of.Count).GroupBy(r => factors.Aggregate(0L, (at, f) => (at * f.Levels.Count) + f.Of[r]))
                .ToDictionary(g => string.Join(',', factors.Select(f => f.Of[g.First()])), g => g.Count());
        return [.. Means(model, factors, counts)];
    }

    private static IEnumerable<Cell> Means(TermModel model, IReadOnlyList<Factor> factors, Dictionary<string, int> counts) =>
        Combine(factors).Select(levels =>
        {
            var l = model.MeanAt(f => factors.ToList().IndexOf(f) is >= 0 and var i ? levels[i] : null);
            var plots = counts.GetValueOrDefault(string.Join(',', levels));
            return plots > 0 && model.Of(l) is { } mean ? new Cell(string.Join(", ", factors.Select((f, i) => f.Levels[levels[i]])), levels,
                plots, l, mean.Estimate, mean.VarianceShare) : null;
        }).OfType<Cell>();

    /// <summary>Each with its own 95 % interval from the common noise.</summary>
    public static IEnumerable<TrialMean> Means(string term, IReadOnlyList<Cell> cells, double ms, double df)
    {
        foreach (var cell in cells)
        {
            double? half = df >= 1 ? Distribution.CriticalT(0.05, df) * Math.Sqrt(ms * cell.VarianceShare) : null;
            yield return new TrialMean(term, cell.Name, cell.Plots, cell.Mean, cell.Mean - half, cell.Mean + half);
        }
    }

    /// <summary>All pairs, later less earlier, by the studentized range (Tukey; Kramer 1956 where plots are uneven), each with its own
    /// noise and freedom.</summary>
    public static List<TrialComparison> Tukey(string term, IReadOnlyList<Cell> cells, INoise noise)
    {
        var critical = new Dictionary<double, double>();
        double Critical(double df) => critical.TryGetValue(df, out var c) ? c : critical[df] = cells.Count == 2
            ? Distribution.CriticalT(0.05, df) : StudentizedRange.Quantile(0.05, cells.Count, df) / Math.Sqrt(2);
        return
        [
            .. cells.SelectMany((first, i) => cells.Skip(i + 1).Select(second =>
            {
                var (difference, se, df) = noise.Between(second, first);
                double? half = df < 1 ? null : Critical(df) * se;
                double? t = half is null || se == 0 ? null : difference / se;
                return new TrialComparison(term, $"{second.Name}-{first.Name}", second.Name, first.Name, difference, difference - half,
                    difference + half, t, half is null ? null : df, t is { } at ? Tail(at, cells.Count, df) : null);
            })),
        ];
    }

    /// <summary>Each against the first with intervals that hold at once, and their half widths at the level that several measures ask for;
    /// null where nothing tells the noise.</summary>
    public static (List<TrialComparison> List, List<double?> Halves) Dunnett(string term, IReadOnlyList<Cell> cells, INoise noise,
        int looked, CancellationToken stop = default)
    {
        if (cells.Count < 2)
        {
            return ([], []);
        }

        var control = cells[0];
        var apart = cells.Skip(1).Select(cell => (Cell: cell, Apart: noise.Between(cell, control))).ToList();
        List<Cell> told = [.. apart.Where(x => x.Apart.Df >= 1).Select(x => x.Cell)];
        var correlation = new double[told.Count, told.Count];
        for (var i = 0; i < told.Count; i++)
        {
            for (var j = 0; j < told.Count; j++)
            {
                correlation[i, j] = i == j ? 1 : noise.Correlation(told[i], told[j], control);
            }
        }

        // Comparisons with other freedoms have laws of their own; all hold at once (Hasler and Hothorn 2008).
        var laws = new Dictionary<double, (ManyToOne Law, double Critical, double Wide)>();
        ManyToOne? first = null;
        (ManyToOne Law, double Critical, double Wide) Law(double df)
        {
            if (!laws.TryGetValue(df, out var law))
            {
                var many = first?.With(df) ?? (first = new ManyToOne(correlation, df, stop));
                var critical = many.Critical(0.05);
                law = laws[df] = (many, critical, looked > 1 ? many.Critical(0.05 / looked) : critical);
            }

            return law;
        }

        var all = apart.Select(x =>
        {
            var (difference, se, df) = x.Apart;
            if (df < 1)
            {
                return (Compared: new TrialComparison(term, $"{x.Cell.Name} - {control.Name}", x.Cell.Name, control.Name, difference, null,
                    null, null, null, null), Half: (double?)null);
            }

            var (law, critical, wide) = Law(df);
            return (new(term, $"{x.Cell.Name} - {control.Name}", x.Cell.Name, control.Name, difference, difference - (critical * se),
                difference + (critical * se), se > 0 ? difference / se : null, df, se > 0 ? P(law, difference / se, told.Count, df) : null),
                wide * se);
        }).ToList();
        return ([.. all.Select(x => x.Compared)], [.. all.Select(x => x.Half)]);
    }

    /// <summary>The cell of that name, or the first.</summary>
    public static List<Cell> ControlFirst(IReadOnlyList<Cell> cells, string? control)
    {
        var first = cells.FirstOrDefault(c => c.Name == control) ?? cells[0];
        return [first, .. cells.Where(c => c != first)];
    }

    private static double P(ManyToOne law, double t, int others, double df) =>
        others == 1 ? Distribution.TwoSidedT(t, df) : double.IsFinite(t) ? law.P(t) : 0;

    private static double Tail(double t, int means, double df) =>
        means == 2 ? Distribution.TwoSidedT(t, df) : double.IsFinite(t)
            ? 1 - StudentizedRange.Cdf(Math.Abs(t) * Math.Sqrt(2), means, df) : 0;

    private static IEnumerable<int[]> Combine(IReadOnlyList<Factor> factors) =>
        factors.Aggregate<Factor, IEnumerable<int[]>>([[]],
            (sets, f) => sets.SelectMany(s => Enumerable.Range(0, f.Levels.Count).Select(l => (int[])[.. s, l])));
}
