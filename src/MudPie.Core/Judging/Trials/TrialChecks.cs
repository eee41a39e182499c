using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>What is wrong with a trial's data, and what its test takes for granted, in words.</summary>
internal static class TrialChecks
{
    public static Refusal? Refuse(TrialQuestion q)
    {
        var checks = new Checks();
        if (!TrialQuestion.Designs.Contains(q.Design))
        {
            checks.Add("design", $"A {q.Design.Word()} is a look, and is not judged.",
                $"Choose {Say.Any([.. TrialQuestion.Designs.Select(d => d.Word())])}.");
        }

        var wanted = q.Design switch { Design.Factorial => (2, 5), Design.SplitPlot => (2, 2), _ => (1, 1) };
        if (q.Factors.Count < wanted.Item1 || q.Factors.Count > wanted.Item2)
        {
            checks.Add("factors",
                $"{(q.Factors.Count == 0 ? "No factor" : q.Factors.Count == 1 ? "One factor" : $"{q.Factors.Count} factors")} "
                    + $"for {q.Design.Word()}.", wanted.Item2 == 1
                        ? "Name the one column that says what was done; for more, choose factorial."
                        : $"Name {wanted.Item1}{(wanted.Item2 > wanted.Item1 ? " to " + wanted.Item2 : "")} columns.");
        }

        if (q.WorthHaving is not null)
        {
            checks.Range("worthHaving", q.WorthHaving, 1e-9, 1e9, q.Unit, "It is a size: say less is better instead of a figure below 0.");
        }

        if (q.NoWorseBy is not null)
        {
            checks.Range("noWorseBy", q.NoWorseBy, 1e-9, 1e9, q.Unit);
        }

        checks.Range("looked", q.Looked, 1, 50, "measures");
        Rows(q, checks);
        return checks.Sound ? null : checks.Refusal;
    }

    private static void One(TrialQuestion q, TrialRow row, int i, Checks checks)
    {
        if (row.Value is { } v && !(Math.Abs(v) <= 1e9))
        {
            checks.Add($"rows[{i}].{q.Response}", "That is not a number that a plot can have.",
                "Leave it empty where the plot is missing.");
        }

        if (row.Levels.Count != q.Factors.Count
            || row.Levels.Any(l => string.IsNullOrWhiteSpace(l) || l.Trim() is "NA" or "na" or "NaN" or "-"))
        {
            checks.Add($"rows[{i}].levels", $"Plot {row.Plot} does not say what was done to it.", "Give a level for each factor.");
        }

        if (row.Value is not null && q.Kind == Scale.Count
            && !(row.OutOf >= 1 && row.OutOf <= 1e6 && row.Value >= 0 && row.Value <= row.OutOf))
        {
            checks.Add($"rows[{i}].outOf",
                $"Plot {row.Plot}: {Say.Number(row.Value.Value)} out of {Say.Number(row.OutOf ?? 0)} can't be.",
                "Give how many were sown, 1 or more, and no more up than that.");
        }
    }

    private static void Rows(TrialQuestion q, Checks checks)
    {
        if (q.Rows.Count > TrialQuestion.MostPlots)
        {
            checks.Add("rows", "That is more than 20,000 plots.", "Give plots, not single plants: average those first.");
            return;
        }

        foreach (var (row, i) in q.Rows.Select((r, i) => (r, i)))
        {
            One(q, row, i, checks);
        }

        if (!checks.Sound)
        {
            return;
        }

        var measured = q.Rows.Where(r => r.Value is not null).ToList();
        var names = measured.Select(TrialAnalysis.Name).Distinct().ToList();
        if (names.Count < 2)
        {
            checks.Add("rows", measured.Count == 0 ? "Nothing has been measured." : $"Only “{names[0]}” has been measured.",
                "Measure a plot of each treatment at least.");
        }
        else if (names.Count > 200)
        {
            checks.Add("factors", $"{names.Count} different treatments.",
                "A treatment is a word that several plots share; choose another column.");
        }
        else if ((q.Design is Design.Blocks or Design.Paired || (q.Design is Design.Factorial or Design.SplitPlot
            && measured.Any(r => !string.IsNullOrWhiteSpace(r.Block)))) && measured.Any(r => string.IsNullOrWhiteSpace(r.Block)))
        {
            checks.Add("block", "Some plots lie in no block.", "Name the column that says which block, or pair, each plot lies in.");
        }
        else if (q.Design == Design.SplitPlot
            && measured.Any(r => string.IsNullOrWhiteSpace(r.WholePlot) && string.IsNullOrWhiteSpace(r.Block)))
        {
            checks.Add("wholePlot", "Some plots lie in no whole plot.",
                "Name the column that says which whole plot, or which block, each lies in.");
        }
        else if (q.Design == Design.Paired && names.Count != 2)
        {
            checks.Add("factors", $"{names.Count} treatments in a paired trial.", "Pairs have two; for more, choose blocks.");
        }
        else if (q.Control is { } control && !names.Contains(control) && !measured.Any(r => r.Levels[0] == control))
        {
            checks.Add("control", $"“{control}” is no treatment here.", $"Choose {Say.Any([.. names.Take(8)])}.");
        }
    }

    /// <summary>Chance that spreads so unlike come of one noise; null where there are too few plots.</summary>
    /// <remarks>
    /// By treatment. Two plots of one treatment stray by one figure between them: where things are crossed in pairs of plots, the
    /// logarithms of those figures are
    /// compared by each factor over the others, all of them at once (Bonferroni).
    /// </remarks>
    internal static double? SpreadP(IReadOnlyList<TrialRow> rows, Sheet s)
    {
        var cells = rows.Select((r, i) => (Row: r, Left: s.Residuals[i])).GroupBy(x => TrialAnalysis.Name(x.Row)).ToList();
        if (cells.Any(c => c.Count() > 2))
        {
            return Shape.EvenSpreadP([.. cells.Select(c => (IReadOnlyList<double>)[.. c.Select(x => x.Left)])]);
        }

        var least = 1e-9 * Math.Sqrt(s.Ms);
        var pairs = cells.Where(c => c.Count() == 2)
            .Select(c => (c.First().Row.Levels, Apart: Math.Log(Math.Max(Math.Abs(c.First().Left - c.Last().Left), least)))).ToList();
        var factors = rows[0].Levels.Count;
        return factors > 1 && Enumerable.Range(0, factors)
            .Select(f => Shape.EvenP([.. pairs.GroupBy(x => x.Levels[f]).Select(g => (IReadOnlyList<double>)[.. g.Select(x => x.Apart)])]))
            .Min() is { } p ? Math.Min(p * factors, 1) : null;
    }

    private static string Strays(IReadOnlyList<TrialRow> rows, Sheet s) => SpreadP(rows, s) switch {
        null => "Too few plots to tell whether all treatments stray alike.",
        < 0.01 => s.Judged is null
            ? "Some treatments stray far more than others: verdicts take each one’s own spread where the layout shows it, and "
                + "step back where it does not."
                : "Some treatments stray far more than others: verdicts take each one’s own spread.",
        < 0.05 => "Some treatments may stray more than others; look at the dots.",
        _ => "Nothing says that treatments stray unlike each other.",
    };

    private static string Leans(Sheet s) => Shape.NormalP(s.Residuals) switch {
        null when s.Residuals.Count > Shape.MostStraight =>
            "So many plots that the least lean would show: look at the dots instead.",
        null => "Too few plots to tell whether residuals are bell-shaped.",
        < 0.01 => "Residuals are not bell-shaped: trust the rank test more.",
        < 0.05 => "Residuals lean a little; look at the dots.",
        _ => "Nothing says that residuals are not bell-shaped.",
    };

    /// <summary>Assumptions, in words.</summary>
    public static IEnumerable<string> Words(TrialQuestion q, IReadOnlyList<TrialRow> rows, Sheet s, IReadOnlyList<TrialResidual> residuals)
    {
        if (s.Df < 1)
        {
            yield return "One plot of each: nothing tells how far plots differ by themselves. A look, not a test.";
            yield break;
        }

        if (s.Ms == 0)
        {
            yield return "Plots treated alike are alike to the last digit: check that figures were not copied, or rounded too far.";
            yield break;
        }

        if (s.Df < 4)
        {
            yield return $"{(s.Noises.Count > 1 ? "Across whole plots only" : "Only")} {Say.Number(s.Df)} degrees of freedom tell the "
                + $"noise: intervals {(s.Noises.Count > 1 ? "there " : "")}are wide for that reason alone.";
        }

        if (q.Kind == Scale.Amount)
        {
            yield return Strays(rows, s);
            yield return Leans(s);
        }

        if (s.Ranks is { } ranks && q.Kind == Scale.Amount && s.Anova.LastOrDefault(a => a.P is not null) is { P: { } p }
            && q.Factors.Count == 1)
        {
            var same = ranks.P < 0.05 == p < 0.05;
            yield return $"Ranks alone ({ranks.Name}, p {Say.Number(ranks.P, 2)}) "
                + $"{(same ? "say the same" : "say otherwise: treat the answer with care")}.";
        }

        if (q.Conditions.Count > 0 && s.Anova.FirstOrDefault(a => a.Term.Contains(':')) is { P: { } together })
        {
            yield return together < 0.05
                ? $"What it does hangs on {Say.List(q.Conditions)} (p {Say.Number(together, 2)}): the verdict is of the average; look at "
                    + "each by itself."
                : $"The verdict is averaged over {Say.List(q.Conditions)}; nothing says that it acts differently there.";
        }

        foreach (var far in residuals.Where(r => r.Outlier))
        {
            yield return $"{far.Plot} ({far.Treatment}) lies far from the rest. It is kept: leave it out only for a reason that you saw "
                + "in the field, and say so.";
        }

        if (q.Rows.Count > rows.Count)
        {
            yield return $"{q.Rows.Count - rows.Count} {(q.Rows.Count - rows.Count == 1 ? "plot is" : "plots are")} missing: means are "
                + "those that full blocks would have given.";
        }

        if (q.Looked > 1)
        {
            yield return $"{q.Looked} measures and dates were looked at, so each verdict takes a wider interval: among many looks one is "
                + "bound to shine.";
        }
    }
}
