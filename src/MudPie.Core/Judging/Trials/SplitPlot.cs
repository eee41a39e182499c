using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>Split plots: one factor on whole plots, the other within them, each judged against its own noise.</summary>
internal static class SplitPlot
{
    /// <summary>The plots of a split-plot trial, as its two strata see them.</summary>
    private sealed record Field(Factor Whole, Factor Within, Factor Plots, Factor? Block, List<double> Y);

    public static Ruling<TrialAnswer> Of(TrialQuestion q, List<TrialRow> rows)
    {
        var factors = TrialAnalysis.Factors(q, rows);
        var (whole, within) = (factors[0], factors[1]);
        List<string> plotNames =
            [.. rows.Select(r => string.IsNullOrWhiteSpace(r.WholePlot) ? $"{r.Block} / {r.Levels[0]}" : $"{r.Block} / {r.WholePlot}")];
        if (rows.Select((r, i) => (Plot: plotNames[i], A: r.Levels[0])).Distinct().GroupBy(x => x.Plot)
            .FirstOrDefault(g => g.Count() > 1) is { } mixed)
        {
            return Refusal.Of("wholePlot", $"Whole plot {mixed.Key} holds more than one {q.Factors[0]}.",
                $"Name the factor that lies on whole plots first: perhaps {q.Factors[1]}.");
        }

        var block = rows.All(r => !string.IsNullOrWhiteSpace(r.Block)) ? Factor.From("block", [.. rows.Select(r => r.Block!)]) : null;
        var field = new Field(whole, within, Factor.From("whole plots", plotNames), block is { Levels.Count: > 1 } ? block : null,
            [.. rows.Select(r => r.Value!.Value)]);
        Term[] parts = [new([field.Plots]), new([within]), new([whole, within])];
        var inner = new TermModel(parts, field.Y, parts[0]);
        var outer = Outer(field);
        var blocks = field.Block is { } b ? new Term([b]) : null;
        var full = new TermModel([.. blocks is null ? Array.Empty<Term>() : [blocks], new([whole]), new([within]), new([whole, within])],
            field.Y, blocks);
        return Sheet.Write(q, rows, Fill(q, rows, field, (inner, parts), outer, full));
    }

    /// <summary>Whole-plot means, each level of the other factor counted alike.</summary>
    private static (TermModel Model, Factor Whole, double Each) Outer(Field f)
    {
        var plots = new Term([f.Plots]);
        var means = new TermModel([plots, new([f.Within])], f.Y, plots).SweptMeans();
        var first = new int[f.Plots.Levels.Count];
        for (var row = f.Plots.Of.Count - 1; row >= 0; row--)
        {
            first[f.Plots.Of[row]] = row;
        }

        Factor Lift(Factor x) => new(x.Name, x.Levels, [.. first.Select(row => x.Of[row])]);
        var whole = Lift(f.Whole);
        var blocks = f.Block is { } b ? new Term([Lift(b)]) : null;
        var model = new TermModel([.. blocks is null ? Array.Empty<Term>() : [blocks], new([whole])], means, blocks);
        return (model, whole, f.Within.Levels.Count);
    }

    private static Sheet Fill(TrialQuestion q, List<TrialRow> rows, Field f, (TermModel Model, Term[] Terms) parts,
        (TermModel Model, Factor Whole, double Each) outer, TermModel full)
    {
        var inner = parts.Model;
        var (msB, dfB) = (inner.Ms, (double)inner.Df);
        var (msA, dfA) = (outer.Model.Ms * outer.Each, (double)outer.Model.Df);
        var table = new List<AnovaLine>();
        foreach (var line in outer.Model.Table("Residuals (whole plots)"))
        {
            table.Add(line with { Ss = line.Ss * outer.Each, Ms = line.Ms * outer.Each });
        }

        table.AddRange(parts.Terms.Skip(1).Select(t => inner.Line(t, msB, dfB)));
        table.Add(new AnovaLine("Residuals", (int)dfB, inner.Rss, dfB > 0 ? msB : null, null, null));

        var n = f.Within.Levels.Count;
        // A mean carries both noises (Satterthwaite 1946); what a difference carries hangs on where its two sides lie.
        var mixed = double.IsFinite(msA) ? (msA + ((n - 1) * msB)) / n : double.NaN;
        var mixedDf = double.IsFinite(mixed) && mixed > 0 ? Math.Pow(msA + ((n - 1) * msB), 2)
            / ((msA * msA / dfA) + (Math.Pow((n - 1) * msB, 2) / dfB)) : double.IsFinite(mixed) ? Math.Min(dfA, dfB) : 0;
        var term = $"{f.Whole.Name}:{f.Within.Name}";
        var cells = Families.ControlFirst(Families.Cells(full, [f.Whole, f.Within]), q.Control);
        var (a, b) = (Families.Cells(outer.Model, [outer.Whole]), Families.Cells(inner, [f.Within]));
        var (ofWhole, ofParts) = (new CommonNoise(outer.Model, outer.Model.Ms, dfA), new CommonNoise(inner, msB, dfB));
        var both = new TwoNoises(full, inner, f.Whole, f.Within, f.Plots, (msA, dfA), (msB, dfB));
        var (judged, told) = q.Conditions.Contains(f.Whole.Name)
            ? (Families.Dunnett(f.Within.Name, b, ofParts, q.Looked, q.Stop), Alike(b, msB))
            : q.Conditions.Contains(f.Within.Name)
            ? (Families.Dunnett(f.Whole.Name, a, ofWhole, q.Looked, q.Stop), Alike(a, outer.Model.Ms))
            : (Families.Dunnett(term, cells, both, q.Looked, q.Stop), [.. cells.Skip(1).Select(c => Finite(both.Stray(c, cells[0])))]);
        return new Sheet {
            Test = new("split-plot analysis of variance",
                $"{f.Whole.Name} lay on whole plots and {f.Within.Name} within them: whole plots differ more than parts of one, so each "
                    + "is judged against its own noise."),
            Anova = table,
            Means = [.. Families.Means(f.Whole.Name, a, outer.Model.Ms, dfA), .. Families.Means(f.Within.Name, b, mixed, mixedDf),
                .. Families.Means(term, cells, mixed, mixedDf)],
            Tukey = [.. Families.Tukey(f.Whole.Name, a, ofWhole), .. Families.Tukey(f.Within.Name, b, ofParts),
                .. Families.Tukey(term, cells, both)],
            Dunnett = judged.List,
            Halves = judged.Halves,
            Strays = told,
            Noises = [.. Noises(q, f, outer.Model, inner)],
            Ms = dfA < 1 ? msB : mixed,
            Df = dfA < 1 ? dfB : mixedDf,
            Residuals = [.. inner.Residuals],
            Studentized = [.. Enumerable.Range(0, rows.Count).Select(inner.Studentized)],
            Ranks = null,
            Control = cells[0].Name,
            Notes = [.. Uneven(f), .. Caution(dfA)],
        };
    }

    private static double? Finite(double x) => double.IsFinite(x) ? x : null;

    private static List<double?> Alike(List<Cell> cells, double ms) => [.. cells.Skip(1).Select(_ => Finite(Math.Sqrt(ms)))];

    private static IEnumerable<WorkingLine> Noises(TrialQuestion q, Field f, TermModel outer, TermModel inner)
    {
        if (outer.Df > 0)
        {
            yield return new("noise of whole plots", "√(what their means leave ÷ its degrees of freedom)",
                $"{Say.Number(outer.Rss, 4)} on {outer.Df}",
                $"{Say.Number(Math.Sqrt(outer.Ms))}{Say.Unit(q.Unit)} between means of whole plots treated alike",
                $"{f.Whole.Name} is judged by it");
        }

        if (inner.Df > 0)
        {
            yield return new("noise within them", "√(residual sum of squares ÷ its degrees of freedom)",
                $"{Say.Number(inner.Rss, 4)} on {inner.Df}",
                $"{Say.Number(Math.Sqrt(inner.Ms))}{Say.Unit(q.Unit)} between parts of one whole plot treated alike",
                $"{f.Within.Name} is judged by it");
        }
    }

    private static IEnumerable<string> Uneven(Field f)
    {
        if (f.Plots.Levels.Select((_, p) => f.Plots.Count(p)).Distinct().Count() > 1)
        {
            yield return "Some parts of whole plots are missing: within whole plots the test is exact, between them it takes each whole "
                + "plot’s mean as if it were complete.";
        }
    }

    private static IEnumerable<string> Caution(double dfA)
    {
        if (dfA < 1)
        {
            yield return "One whole plot of each: nothing tells how far whole plots differ, so what lay on them can’t be judged; what lay "
                + "within them can be compared there only.";
        }

        yield return "Treatments within one whole plot are compared with the noise of its parts alone; across whole plots with both "
            + "noises weighed together (Satterthwaite).";
    }
}
