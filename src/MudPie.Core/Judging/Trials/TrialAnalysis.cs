using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>Judges one measure of a trial: the test that fits its design, means and differences with intervals, and a verdict by where the
/// interval lies.</summary>
public static class TrialAnalysis
{
    /// <summary>Works it out; refuses what no design can be read from.</summary>
    /// <remarks>Four treatments in five blocks with a residual mean square of 0.0396 on 12: tea + kelp less water only is 0.498 (0.160 to
    /// 0.836 by Dunnett), p 0.0051.</remarks>
    public static Ruling<TrialAnswer> Of(TrialQuestion q)
    {
        if (TrialChecks.Refuse(q) is { } refusal)
        {
            return refusal;
        }

        q = OneSpelling(q);
        var rows = q.Rows.Where(r => r.Value is not null).ToList();
        if (q.Kind == Scale.Count)
        {
            return CountTrial.Of(q, rows);
        }

        if (q.Design == Design.SplitPlot)
        {
            return SplitPlot.Of(q, rows);
        }

        var factors = Factors(q, rows);
        var y = rows.Select(r => r.Value!.Value).ToList();
        var block = q.Design is Design.Blocks or Design.Paired or Design.Factorial && rows.All(r => r.Block is not null)
            ? Factor.From("block", [.. rows.Select(r => r.Block!)]) : null;
        var blocks = block is { Levels.Count: > 1 } ? new Term([block]) : null;
        var (terms, left) = Told(blocks, [.. Crossed(factors, y.Count)], y);
        var model = new TermModel([.. blocks is null ? Array.Empty<Term>() : [blocks], .. terms], y, blocks);
        var groups = rows.GroupBy(Name).Select(g => (IReadOnlyList<double>)[.. g.Select(r => r.Value!.Value)]).ToList();
        List<string> notes = [.. Untested(factors, terms, left)];
        var sheet = q.Design == Design.Random && factors is [{ Levels.Count: 2 }] && groups.All(g => g.Count > 1)
            ? WelchSheet(q, rows, factors[0], model)
            : ModelSheet(q, rows, factors, model, block);
        sheet = sheet with { Notes = [.. notes, .. sheet.Notes] };
        return Sheet.Write(q, rows, block is null && q is { Design: Design.Random, Kind: Scale.Amount }
            && factors is [{ Levels.Count: > 2 }] && groups.All(g => g.Count > 1) ? WelchFamily.Judged(q, rows, factors[0], sheet) : sheet);
    }

    /// <summary>The trial with one spelling for each level, and its settings known: crossed factors that only say where a thing was
    /// tried.</summary>
    /// <remarks>"Water" and "water" are the treatment that was spelt first.</remarks>
    public static TrialQuestion OneSpelling(TrialQuestion q)
    {
        var written = q.Factors.Select((_, f) => q.Rows.Select(r => r.Levels[f]).Distinct().ToList()).ToList();
        var spelt = written.Select(levels => levels.GroupBy(l => Folded(l), StringComparer.OrdinalIgnoreCase)
            .ToDictionary(g => g.Key, g => g.First().Trim(), StringComparer.OrdinalIgnoreCase)).ToList();
        var one = new Dictionary<(int, string), string>();
        string One(int f, string level) => one.TryGetValue((f, level), out var known)
            ? known : one[(f, level)] = spelt[f].GetValueOrDefault(Folded(level)) ?? level;
        var control = q.Control is null ? null : q.Factors.Count == 1
            ? One(0, q.Control) : string.Join(", ", q.Control.Split(", ").Select((c, f) => f < spelt.Count ? One(f, c) : c));
        var asWritten = written.Select((levels, f) => levels.All(l => One(f, l) == l)).All(same => same);
        var plain = q with {
            Rows = asWritten
            ? q.Rows : [.. q.Rows.Select(r => r with { Levels = [.. r.Levels.Select((l, f) => One(f, l))] })],
            Control = control
        };
        var settings = plain.Factors.Where((name, f) => Setting(name, spelt[f].Values)).ToList();
        return q.Conditions.Count == 0 && settings.Count > 0 && settings.Count < q.Factors.Count
            ? plain with { Conditions = settings } : plain;
    }

    private static string Folded(string level) => string.Join(' ', level.Split(' ', StringSplitOptions.RemoveEmptyEntries));

    private static readonly string[] SettingNames = ["crop", "soil", "ground", "bed", "field", "site", "variety", "cultivar", "feed",
        "house", "year", "season", "place"];

    /// <summary>True for a factor that is no treatment: by its name, or because its levels are crops.</summary>
    internal static bool Setting(string name, IEnumerable<string> levels) =>
        SettingNames.Any(n => name.Equals(n, StringComparison.OrdinalIgnoreCase)
            || name.Equals(n + "s", StringComparison.OrdinalIgnoreCase)) || levels.All(l => Ground.Crops.Find(l) is { } crop
                && l.StartsWith(crop.Name[..Math.Min(3, crop.Name.Length)], StringComparison.OrdinalIgnoreCase));

    /// <summary>The level of a factor that means that nothing was done; null where none says so.</summary>
    internal static string? Nothing(IEnumerable<string> levels) =>
        levels.FirstOrDefault(l => l.Trim().ToLowerInvariant() is "none" or "nothing" or "control" or "untreated" or "0" or "0 %" or "0%"
            or "without" or "no" or "water" or "water only" || l.StartsWith("no ", StringComparison.OrdinalIgnoreCase)
            || l.StartsWith("without ", StringComparison.OrdinalIgnoreCase));

    /// <summary>Terms that the layout can tell, in order; those that it holds in its blocks, or in terms before them, are set aside and
    /// named.</summary>
    private static (List<Term> Told, List<Term> Left) Told(Term? blocks, List<Term> terms, List<double> y)
    {
        var (told, left) = (new List<Term>(), new List<Term>());
        List<Term> Before() => [.. blocks is null ? Array.Empty<Term>() : [blocks], .. told];
        var rank = blocks is null ? 1 : y.Count - new TermModel([blocks], y, blocks).Df;
        foreach (var term in terms)
        {
            var with = y.Count - new TermModel([.. Before(), term], y, blocks).Df;
            (with == rank ? left : told).Add(term);
            rank = with;
        }

        return (told, left);
    }

    private static IEnumerable<string> Untested(List<Factor> factors, List<Term> told, List<Term> left)
    {
        if (left.Count > 0)
        {
            yield return $"{Say.List([.. left.Select(t => t.Name)])} can’t be told from the blocks, or from what was not grown, in this "
                + "layout: left out, and the rest analysed.";
        }

        if (factors.Count > 3)
        {
            yield return $"With {factors.Count} factors only each by itself and two at a time are tested; three and more together are "
                + "taken as noise.";
        }
    }

    /// <summary>Factors with the control's levels first.</summary>
    internal static List<Factor> Factors(TrialQuestion q, IReadOnlyList<TrialRow> rows)
    {
        var wished = q.Control?.Split(", ") ?? [];
        return
        [
            .. q.Factors.Select((name, f) =>
            {
                List<string> column = [.. rows.Select(r => r.Levels[f])];
                var first = (q.Factors.Count == 1 ? q.Control : wished.ElementAtOrDefault(f)) ?? Nothing(column);
                return Factor.From(name, column, first);
            }),
        ];
    }

    internal static string Name(TrialRow row) => string.Join(", ", row.Levels);

    /// <summary>Factors and what they do together: all of it up to three factors, two at a time beyond; and never more columns than plots
    /// can tell.</summary>
    private static IEnumerable<Term> Crossed(List<Factor> factors, int plots) =>
        Enumerable.Range(1, (1 << factors.Count) - 1)
            .Select(bits => new Term([.. factors.Where((_, i) => (bits & (1 << i)) != 0)]))
            .Where(t => t.Factors.Count <= (factors.Count > 3 ? 2 : 3) && t.Factors.Aggregate(1, (n, f) => n * (f.Levels.Count - 1))
                < Math.Max(plots, 2))
            .OrderBy(t => t.Factors.Count);

    private static Sheet ModelSheet(TrialQuestion q, List<TrialRow> rows, List<Factor> factors, TermModel model, Factor? block)
    {
        var (ms, df) = (model.Ms, model.Df);
        var term = string.Join(":", factors.Select(f => f.Name));
        // With more than three factors the crossed cells are many and none is judged by itself: each factor is, over all others.
        var whole = factors.Count <= 3 ? Families.Cells(model, factors) : [];
        var cells = Families.ControlFirst(whole.Count > 1 ? whole : Families.Cells(model, [factors[0]]), q.Control);
        term = whole.Count > 1 ? term : factors[0].Name;
        var marginal = factors.Count > 1 ? factors.Select(f => (f.Name, Cells: Families.Cells(model, [f]))).ToList() : [];
        List<Factor> tried = [.. factors.Where(f => !q.Conditions.Contains(f.Name))];
        tried = tried.Count == 0 || factors.Count > 3 ? [tried.Count == 0 ? factors[0] : tried[0]] : tried;
        var judged = tried.Count == factors.Count
            ? cells : Families.ControlFirst(Families.Cells(model, tried), string.Join(", ", tried.Select(f => f.Levels[0])));
        var noise = new CommonNoise(model, ms, df);
        var (dunnett, halves) = Families.Dunnett(string.Join(":", tried.Select(f => f.Name)), judged, noise, q.Looked, q.Stop);
        if (factors.Count > 3)
        {
            foreach (var other in factors.Where(f => !q.Conditions.Contains(f.Name) && f != tried[0]))
            {
                var (more, wider) = Families.Dunnett(other.Name, Families.ControlFirst(Families.Cells(model, [other]), other.Levels[0]),
                    noise, q.Looked, q.Stop);
                (dunnett, halves) = ([.. dunnett, .. more], [.. halves, .. wider]);
            }
        }

        return new Sheet {
            Test = df < 1 ? new("no test: a look", "One plot of each: nothing tells how far plots differ by themselves, so no test fits.")
                : Named(q, factors, block),
            Anova = model.Table(),
            Means = [.. marginal.SelectMany(m => Families.Means(m.Name, m.Cells, ms, df)), .. factors.Count > 3
                ? [] : Families.Means(term, cells, ms, df)],
            Tukey = [.. marginal.SelectMany(m => Families.Tukey(m.Name, m.Cells, noise)), .. cells.Count > 40 || factors.Count > 3
                ? [] : Families.Tukey(term, factors.Count > 1 ? cells : Families.Cells(model, factors), noise)],
            Dunnett = dunnett,
            Halves = halves,
            Ms = ms,
            Df = df,
            Residuals = [.. model.Residuals],
            Studentized = [.. Enumerable.Range(0, rows.Count).Select(model.Studentized)],
            Ranks = RankOf(rows, block),
            Control = cells[0].Name,
        };
    }

    /// <summary>Two treatments, completely random: Welch's t, which does not ask that both stray alike.</summary>
    private static Sheet WelchSheet(TrialQuestion q, List<TrialRow> rows, Factor factor, TermModel model)
    {
        var sides = factor.Levels.Select((name, level) =>
        {
            var x = rows.Where((_, i) => factor.Of[i] == level).Select(r => r.Value!.Value).ToList();
            return (Name: name, x.Count, Known: Estimate.Of(x));
        }).ToList();
        var (a, b) = (sides[0], sides[1]);
        var apart = b.Known.Less(a.Known);
        var (difference, se, df, half) = (apart.Mean, apart.Se, apart.Df, apart.Half());
        var compared = new TrialComparison(factor.Name, $"{b.Name} - {a.Name}", b.Name, a.Name, difference, difference - half,
            difference + half, se > 0 ? difference / se : null, df, se > 0 ? Distribution.TwoSidedT(difference / se, df) : null);
        return new Sheet {
            Test = new("Welch’s t", "Two treatments laid at random, and no reason to think that both stray alike."),
            Anova = model.Table(),
            Means = [.. sides.Select(s => TrialMean.Of(factor.Name, s.Name, s.Count, s.Known))],
            Tukey = [compared with { Pair = $"{b.Name}-{a.Name}" }],
            Dunnett = [compared],
            Halves = [apart.Half(0.05 / q.Looked)],
            Ms = model.Ms,
            Df = model.Df,
            Residuals = [.. model.Residuals],
            Studentized = [.. Enumerable.Range(0, rows.Count).Select(model.Studentized)],
            Ranks = RankOf(rows, null),
            Control = a.Name,
        };
    }

    private static NamedTest Named(TrialQuestion q, List<Factor> factors, Factor? block) => (q.Design, q.Kind) switch {
        (_, Scale.Score) => new(block is null ? "Kruskal–Wallis, on ranks" : "Friedman, on ranks",
            "Scores have an order but no size: only their ranks are tested; the differences beside it are a guide."),
        (Design.Paired, _) =>
            new("paired t", "Each pair lay side by side, so each is its own comparison and what differs between pairs drops out."),
        (Design.Blocks, _) =>
            new("analysis of variance in blocks",
                $"Every block holds each treatment, so what differs between {block!.Levels.Count} blocks is taken out before treatments "
                    + "are compared."),
        (Design.Factorial, _) => new($"factorial analysis of variance{(block is null ? "" : " in blocks")}",
            $"{Say.List([.. factors.Select(f => f.Name)])} were crossed: each is judged over all levels of the others, and then whether "
                + "they act together."),
        _ => new("one-way analysis of variance", $"{factors[0].Levels.Count} treatments laid at random, with one noise for all."),
    };

    internal static RankTest? RankOf(IReadOnlyList<TrialRow> rows, Factor? block)
    {
        List<string> every = [.. rows.Select(Name)];
        var names = every.Distinct().ToList();
        if (block is null)
        {
            return Statistics.Ranks
                .KruskalWallis([.. rows.GroupBy(Name).Select(g => (IReadOnlyList<double>)[.. g.Select(r => r.Value!.Value)])]);
        }

        var place = names.Select((n, i) => (n, i)).ToDictionary(x => x.n, x => x.i);
        var whole = new List<IReadOnlyList<double>>();
        foreach (var g in rows.Zip(every).GroupBy(r => r.First.Block))
        {
            var (values, seen) = (new double[names.Count], 0);
            Array.Fill(values, double.NaN);
            foreach (var (row, name) in g)
            {
                (values[place[name]], seen) = (row.Value!.Value, seen + 1);
            }

            if (seen == names.Count && !values.Any(double.IsNaN))
            {
                whole.Add(values);
            }
        }

        return whole.Count < 2 ? null : Statistics.Ranks.Friedman(whole);
    }
}
