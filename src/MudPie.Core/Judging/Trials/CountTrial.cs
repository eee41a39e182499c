using MathNet.Numerics.LinearAlgebra;
using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>So many up out of so many sown: Fisher's test for a single tray each, logistic regression with the trays' own spread for
/// several.</summary>
internal static class CountTrial
{
    public static Ruling<TrialAnswer> Of(TrialQuestion q, List<TrialRow> rows)
    {
        var treatment = Factor.From("treatment", [.. rows.Select(TrialAnalysis.Name)], q.Control);
        var single = treatment.Levels.All(l => rows.Count(r => TrialAnalysis.Name(r) == l) == 1);
        var asked = q with { Unit = "points of a hundred" };
        return single && treatment.Levels.Count == 2 ? Trays(asked, rows, treatment) : Fitted(asked, rows, treatment, single);
    }

    /// <summary>A tray each: Fisher's p, and the interval of two shares by Newcombe (1998).</summary>
    private static Ruling<TrialAnswer> Trays(TrialQuestion q, List<TrialRow> rows, Factor treatment)
    {
        var (a, b) = (rows.First(r => TrialAnalysis.Name(r) == treatment.Levels[0]),
            rows.First(r => TrialAnalysis.Name(r) == treatment.Levels[1]));
        var exact = Germination.Exact((int)b.Value!, (int)(b.OutOf! - b.Value), (int)a.Value!, (int)(a.OutOf! - a.Value));
        var (pa, pb) = (Wilson(a), Wilson(b));
        var difference = pb.Share - pa.Share;
        var lower = difference - Math.Sqrt(Math.Pow(pb.Share - pb.Low, 2) + Math.Pow(pa.High - pa.Share, 2));
        var upper = difference + Math.Sqrt(Math.Pow(pb.High - pb.Share, 2) + Math.Pow(pa.Share - pa.Low, 2));
        var compared = new TrialComparison("treatment", $"{treatment.Levels[1]} - {treatment.Levels[0]}", treatment.Levels[1],
            treatment.Levels[0], 100 * difference, 100 * lower, 100 * upper, null, null, exact.P);
        // One tray each cannot tell trays from treatments, whatever the counts: the verdict says so.
        return Sheet.Write(q, rows, new Sheet {
            Test = new("Fisher’s exact test",
                "A single tray of each: only the seeds in it can be counted, so this tells trays apart, not treatments."),
            Anova = [],
            Means = [Mean(treatment.Levels[0], pa), Mean(treatment.Levels[1], pb)],
            Tukey = [],
            Dunnett = [compared],
            Halves = [null],
            Ms = double.NaN,
            Df = 0,
            Residuals = [0, 0],
            Studentized = [double.NaN, double.NaN],
            Ranks = null,
            Control = treatment.Levels[0],
            Notes = ["Odds ratio "
                + $"{(double.IsNaN(exact.Odds) ? "can’t be told"
                : double.IsFinite(exact.Odds) ? Say.Number(exact.Odds) : "without end")}"
                + $", {Say.Number(exact.Lower)} to {(double.IsFinite(exact.Upper) ? Say.Number(exact.Upper) : "no end")}; "
                + $"p {Say.Number(exact.P)}.",
                "Seeds in one tray share its water and its warmth: several trays of each would tell."],
        });
    }

    private static Ruling<TrialAnswer> Fitted(TrialQuestion q, List<TrialRow> rows, Factor treatment, bool single)
    {
        var block = !single && rows.All(r => !string.IsNullOrWhiteSpace(r.Block))
            ? Factor.From("block", [.. rows.Select(r => r.Block!)]) : null;
        block = block is { Levels.Count: > 1 } ? block : null;
        var (up, of, nudged) = Nudged(rows, treatment);
        double[][] Ones() => [Enumerable.Repeat(1.0, rows.Count).ToArray()];
        double[][] Dummies(Factor f) =>
            [.. Enumerable.Range(1, f.Levels.Count - 1).Select(l => f.Of.Select(x => x == l ? 1.0 : 0).ToArray())];
        double[][] blocks = block is null ? [] : Dummies(block);
        var full = new Logistic([.. Ones(), .. Dummies(treatment), .. blocks], up, of);
        var without = new Logistic([.. Ones(), .. blocks], up, of);
        var dispersion = Math.Max(1, full.Dispersion);
        var df = single ? 0 : full.Df;
        var dfTreatment = treatment.Levels.Count - 1;
        var f = (without.Deviance - full.Deviance) / dfTreatment / dispersion;
        var cells = Shares(full, treatment, block);
        var groups = Tried(q, rows, treatment);
        var shares = groups.Select(g => g.Cells.Average(c => cells.Shares[c])).ToArray();
        var gradients = groups.Select(g => g.Cells.Select(c => cells.Gradients[c]).Aggregate((a, b) => a + b) / g.Cells.Count).ToArray();
        var covariance = full.Covariance * (dispersion * 10_000);
        double Var(Vector<double> g) => g * (covariance * g);
        var others = Enumerable.Range(1, groups.Count - 1).ToList();
        TrialMean Mean(string name, int trays, double share, Vector<double> gradient)
        {
            var half = df >= 1 ? Distribution.CriticalT(0.05, df) * Math.Sqrt(Var(gradient)) : (double?)null;
            // no fewer than none, no more than all
            return new TrialMean("treatment", name, trays, 100 * share, half is { } h ? Math.Max((100 * share) - h, 0) : null, half is { } k
                ? Math.Min((100 * share) + k, 100) : null);
        }

        var law = df >= 1 ? new ManyToOne(Correlation([.. others.Select(t => gradients[t] - gradients[0])], covariance), df) : null;
        double? critical = law?.Critical(0.05);
        var dunnett = others.Select(t =>
        {
            var (difference, se) = (100 * (shares[t] - shares[0]), Math.Sqrt(Var(gradients[t] - gradients[0])));
            return new TrialComparison("treatment", $"{groups[t].Name} - {groups[0].Name}", groups[t].Name, groups[0].Name, difference,
                critical is { } c ? Math.Max(difference - (c * se), -100) : null, critical is { } d ? Math.Min(difference + (d * se), 100)
                    : null, law is null ? null : difference / se, law is null ? null : df,
                law is null ? null : others.Count == 1 ? Distribution.TwoSidedT(difference / se, df) : law.P(difference / se));
        }).ToList();
        var sheet = new Sheet {
            Test = Named(block is not null, dispersion),
            Anova = df < 1
                ? [] : Between(without.Deviance - full.Deviance, dfTreatment, full.Deviance, df, f),
            Means = [.. groups.Select((g, t) => Mean(g.Name, g.Cells.Sum(treatment.Count), shares[t], gradients[t])),
                .. groups.Count == treatment.Levels.Count ? Array.Empty<TrialMean>()
                    : treatment.Levels.Select((name, c) => Mean(name, treatment.Count(c), cells.Shares[c], cells.Gradients[c]))],
            Tukey = [],
            Dunnett = dunnett,
            Halves = [.. others.Select(t => law?.Critical(0.05 / q.Looked) * Math.Sqrt(Var(gradients[t] - gradients[0])))],
            // The noise between trays of the usual size, in points, so that more trays can be asked for.
            Ms = df >= 1 ? Enumerable.Range(0, dfTreatment + 1).Average(c => Var(cells.Gradients[c]) * treatment.Count(c)) : double.NaN,
            Df = df,
            Residuals = [.. rows.Select((r, i) => 100 * ((r.Value!.Value / r.OutOf!.Value) - (full.Fitted(i) / of[i])))],
            Studentized = [.. rows.Select(_ => double.NaN)],
            Ranks = null,
            Control = treatment.Levels[0],
            Dispersion = full.Dispersion,
            Notes = [.. Notes(q, nudged, full.Dispersion)],
        };
        return Percent(Sheet.Write(q, rows, sheet), rows);
    }

    private static IReadOnlyList<AnovaLine> Between(double between, int dfBetween, double within, int df, double f) => [
        new("treatment", dfBetween, between, between / dfBetween, f, Distribution.UpperF(f, dfBetween, df)),
        new("Residuals", df, within, within / df, null, null)];

    private static NamedTest Named(bool blocks, double dispersion) => new($"logistic regression{(blocks ? " in blocks" : "")}",
                "So many up out of so many sown, in several trays: the odds are compared, with the noise that trays show "
                    + $"({Say.Number(dispersion, 2)} times what coins would).");

    private static IEnumerable<string> Notes(TrialQuestion q, bool nudged, double dispersion) =>
        [.. nudged
            ? ["In some treatment all or none came up: half a seed was added to each side of every treatment, so that odds can be "
                + "reckoned."] : Array.Empty<string>(),
            .. q.Design == Design.SplitPlot
                ? ["Counts are judged tray by tray: what lay on whole plots has fewer true replicates than this test takes it to have."]
                : Array.Empty<string>(),
            dispersion > 1.5
                ? $"Trays treated alike differ {Say.Number(dispersion, 2)} times as much as coins would; intervals allow for it."
                : "Trays treated alike differ no more than coins would."];

    /// <summary>Residuals and values of counts are shares; fitted values are put on the same footing.</summary>
    private static Worked<TrialAnswer> Percent(Worked<TrialAnswer> w, List<TrialRow> rows) => w with {
        Value = w.Value
            with {
            Residuals =
                [.. w.Value.Residuals.Select((r, i) => r with { Fitted = (100 * rows[i].Value!.Value / rows[i].OutOf!.Value)
                    - r.Residual })]
        },
    };

    private static (double[] Up, double[] Of, bool Nudged) Nudged(List<TrialRow> rows, Factor treatment)
    {
        var (up, of) = (rows.Select(r => r.Value!.Value).ToArray(), rows.Select(r => r.OutOf!.Value).ToArray());
        var flat = treatment.Levels.Select((_, t) => (Up: up.Where((_, i) => treatment.Of[i] == t)
            .Sum(), Of: of.Where((_, i) => treatment.Of[i] == t).Sum())).Any(x => x.Up == 0 || x.Up == x.Of);
        if (flat)
        {
            for (var i = 0; i < up.Length; i++)
            {
                var trays = treatment.Count(treatment.Of[i]);
                (up[i], of[i]) = (up[i] + (0.5 / trays), of[i] + (1.0 / trays));
            }
        }

        return (up, of, flat);
    }

    /// <summary>What is compared: the cells themselves, or what was tried, averaged over what it was tried in; the control's
    /// first.</summary>
    private static List<(string Name, List<int> Cells)> Tried(TrialQuestion q, List<TrialRow> rows, Factor treatment)
    {
        string Of(int cell) =>
            string.Join(", ", rows.First(r => TrialAnalysis.Name(r) == treatment.Levels[cell]).Levels.Where((_, f) =>
                !q.Conditions.Contains(q.Factors[f])));
        return [.. Enumerable.Range(0, treatment.Levels.Count).GroupBy(Of).Select(g => (g.Key, g.ToList()))];
    }

    /// <summary>Each treatment's share, averaged evenly over blocks, and its gradient in β.</summary>
    private static (double[] Shares, Vector<double>[] Gradients) Shares(Logistic fit, Factor treatment, Factor? block)
    {
        var (blocks, size) = (block?.Levels.Count ?? 1, fit.Beta.Count);
        var shares = new double[treatment.Levels.Count];
        var gradients = new Vector<double>[shares.Length];
        for (var t = 0; t < shares.Length; t++)
        {
            gradients[t] = Vector<double>.Build.Dense(size);
            for (var b = 0; b < blocks; b++)
            {
                var x = Vector<double>.Build.Dense(size);
                x[0] = 1;
                if (t > 0)
                {
                    x[t] = 1;
                }

                if (b > 0)
                {
                    x[treatment.Levels.Count - 1 + b] = 1;
                }

                var p = Logistic.Inverse(x * fit.Beta);
                shares[t] += p / blocks;
                gradients[t] += x * (p * (1 - p) / blocks);
            }
        }

        return (shares, gradients);
    }

    private static double[,] Correlation(Vector<double>[] g, Matrix<double> covariance)
    {
        var r = new double[g.Length, g.Length];
        for (var i = 0; i < g.Length; i++)
        {
            for (var j = 0; j < g.Length; j++)
            {
                r[i, j] = i == j ? 1 : g[i] * (covariance * g[j]) / Math.Sqrt(g[i] * (covariance * g[i]) * (g[j] * (covariance * g[j])));
            }
        }

        return r;
    }

    private static TrialMean Mean(string name, (double Share, double Low, double High) w) =>
        new("treatment", name, 1, 100 * w.Share, 100 * w.Low, 100 * w.High);

    /// <summary>A share with Wilson's (1927) interval.</summary>
    private static (double Share, double Low, double High) Wilson(TrialRow r)
    {
        var (n, p, z) = (r.OutOf!.Value, r.Value!.Value / r.OutOf.Value, 1.959963984540054);
        var (middle, half) = ((p + (z * z / 2 / n)) / (1 + (z * z / n)), z * Math.Sqrt((p * (1 - p) / n) + (z * z / 4 / n / n))
            / (1 + (z * z / n)));
        return (p, middle - half, middle + half);
    }
}
