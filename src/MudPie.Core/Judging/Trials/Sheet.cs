using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>What a design's own test comes to, before it is put in words.</summary>
internal sealed record Sheet
{
    public required NamedTest Test { get; init; }

    public required IReadOnlyList<AnovaLine> Anova { get; init; }

    public required IReadOnlyList<TrialMean> Means { get; init; }

    public required IReadOnlyList<TrialComparison> Tukey { get; init; }

    public required IReadOnlyList<TrialComparison> Dunnett { get; init; }

    /// <summary>Half widths of the intervals that verdicts take, at the level that several measures ask for, one for each comparison
    /// judged; null where nothing tells the noise.</summary>
    public required IReadOnlyList<double?> Halves { get; init; }

    /// <summary>Standard deviations between plots that count for each comparison, where they differ.</summary>
    public IReadOnlyList<double?>? Strays { get; init; }

    public required double Ms { get; init; }

    public required double Df { get; init; }

    public required IReadOnlyList<double> Residuals { get; init; }

    public required IReadOnlyList<double> Studentized { get; init; }

    public required RankTest? Ranks { get; init; }

    public required string Control { get; init; }

    public double? Dispersion { get; init; }

    /// <summary>Its noises in the working, where there are more than one.</summary>
    public IReadOnlyList<WorkingLine> Noises { get; init; } = [];

    /// <summary>Comparisons that verdicts are taken from, where they are others than the pooled ones.</summary>
    public IReadOnlyList<TrialComparison>? Judged { get; init; }

    /// <summary>Means by each treatment's own spread, where verdicts take that.</summary>
    public IReadOnlyList<TrialMean>? OwnMeans { get; init; }

    /// <summary>All pairs, each by its own spread.</summary>
    public IReadOnlyList<TrialComparison> GamesHowell { get; init; } = [];

    public IReadOnlyList<string> Notes { get; init; } = [];

    /// <summary>The sheet in words, with its verdicts.</summary>
    public static Worked<TrialAnswer> Write(TrialQuestion q, IReadOnlyList<TrialRow> rows, Sheet s)
    {
        double? sd = s.Df >= 1 && double.IsFinite(s.Ms) ? Math.Sqrt(s.Ms) : null;
        var compared = s.Dunnett.Count;
        var uneven = q.Kind == Scale.Amount && s.Judged is null && s.Df >= 1 && s.Ms > 0 && TrialChecks.SpreadP(rows, s) is < 0.01;
        var verdicts = (s.Judged ?? s.Dunnett).Select((c, i) =>
        {
            var half = c.Lower is null || s.Df < 1 ? null : s.Halves[i];
            var (lower, upper) = half is null ? (null, null) : q.Looked > 1 ? (c.Difference - half, c.Difference + half)
                : (c.Lower, c.Upper);
            var own = uneven && half is not null ? Own(q, rows, s, c, compared * q.Looked) : null;
            if (own is { } apart)
            {
                // Each side's own spread, where the layout shows it; the wider of the two intervals.
                var wider = Math.Max(apart, (upper!.Value - lower!.Value) / 2);
                (lower, upper) = (c.Difference - wider, c.Difference + wider);
            }

            return TrialVerdicts.Judge(q, c, lower, upper, s.Strays is { } strays ? strays[i] : sd, Fewest(s, c), compared, s.Ranks,
                uneven && own is null);
        }).ToList();
        List<ComparisonVerdict> counted = [.. verdicts.Where(v => !q.Bystanders.Contains(v.Of))];
        if (counted.Count == 0)
        {
            counted = verdicts;
        }

        var word = TrialVerdicts.Headline(counted);
        var told = counted.Where(v => v.Word == word).OrderBy(v => q.Factors.Count > 1 && q.Conditions.Count == 0
            ? Changed(v.Of, s.Control) : 0).ThenByDescending(v => q.LowerIsBetter ? -v.Difference : v.Difference).First();
        var residuals = rows.Select((r, i) =>
        {
            double? studentized = double.IsFinite(s.Studentized[i]) ? s.Studentized[i] : null;
            var far = studentized is { } t && s.Df > 2 && Distribution.TwoSidedT(t, s.Df - 1) * rows.Count < 0.05;
            return new TrialResidual(r.Plot, TrialAnalysis.Name(r), r.Value!.Value - s.Residuals[i], s.Residuals[i], studentized, far);
        }).ToList();
        var answer = new TrialAnswer {
            Response = q.Response,
            Unit = q.Unit,
            Test = s.Test,
            Anova = s.Anova,
            Means = s.Means,
            Tukey = s.Tukey,
            Dunnett = s.Dunnett,
            Ranks = s.Ranks,
            Verdicts = verdicts,
            Verdict = word,
            Sentence = Together(q, s, told),
            NoiseSd = sd,
            NoiseDf = s.Df >= 1
                ? s.Df : null,
            Dispersion = s.Dispersion,
            Checks = [.. s.Notes, .. TrialChecks.Words(q, rows, s, residuals)],
            Residuals = residuals,
            Missing = [.. q.Rows.Where(r => r.Value is null).Select(r => $"{r.Plot}: {r.Why ?? "no reason given"}")],
            Looked = q.Looked,

            Judged = s.Judged ?? s.Dunnett,
            JudgedMeans = s.OwnMeans ?? s.Means,
            GamesHowell = s.GamesHowell,
        };
        return Worked.Of(answer, q.Unit, Evidence.MeasuredHere, Lines(q, s, sd));
    }

    /// <summary>Half width by the two sides' own residual spreads (Welch); null where either has fewer than three plots.</summary>
    private static double? Own(TrialQuestion q, IReadOnlyList<TrialRow> rows, Sheet s, TrialComparison c, int compared)
    {
        // A side is a level of what is compared, averaged over all else: "tea", or "tea, kelp" of tea:kelp.
        var compares = c.Term.Split(':').Select(name => q.Factors.ToList().IndexOf(name)).Where(f => f >= 0).ToList();
        string Level(TrialRow r) => compares.Count == 0 ? TrialAnalysis.Name(r) : string.Join(", ", compares.Select(f => r.Levels[f]));
        (double V, int N)? Side(string name)
        {
            var left = rows.Select((r, i) => (r, i)).Where(x => Level(x.r) == name).Select(x => s.Residuals[x.i]).ToList();
            // Blocks take some freedom from the residuals: given back evenly.
            return left.Count < 3 ? null : (left.Sum(e => e * e) / Math.Max(left.Count * s.Df / rows.Count, 1), left.Count);
        }

        if (Side(c.Of) is not { } a || Side(c.Against) is not { } b)
        {
            return null;
        }

        var (va, vb) = (a.V / a.N, b.V / b.N);
        var df = (va + vb) * (va + vb) / ((va * va / (a.N - 1)) + (vb * vb / (b.N - 1)));
        return Distribution.CriticalT(0.05 / Math.Max(compared, 1), Math.Max(df, 1)) * Math.Sqrt(va + vb);
    }

    /// <summary>The sentence, and where factors were crossed what both together did beyond the one.</summary>
    private static string Together(TrialQuestion q, Sheet s, ComparisonVerdict told)
    {
        if (q.Factors.Count != 2 || q.Conditions.Count > 0 || told.Word is not (Finding.Works or Finding.Some))
        {
            return told.Sentence;
        }

        var pair = s.Tukey.Where(c => c.Lower is not null && c.Term.Contains(':') && (c.Of == told.Of || c.Against == told.Of)
            && c.Of != s.Control && c.Against != s.Control)
            .Where(c => Changed(c.Of, s.Control) + Changed(c.Against, s.Control) > 2).MinBy(c => c.P is { } p ? -p : 0);
        return pair is { Lower: < 0, Upper: > 0 }
            ? $"{told.Sentence} Nothing shows that both together do more: {TrialVerdicts.Quoted(pair.Of)} "
                + $"and {TrialVerdicts.Quoted(pair.Against)} can’t be told apart."
            : told.Sentence;
    }

    /// <summary>How many factors of a crossed treatment are not as in the control.</summary>
    private static int Changed(string name, string control) => name.Split(", ").Zip(control.Split(", "), (a, b) => a == b ? 0 : 1).Sum();

    private static int Fewest(Sheet s, TrialComparison c) =>
        Math.Max(1, s.Means.Where(m => m.Term == c.Term && (m.Name == c.Of || m.Name == c.Against)).Select(m => m.Plots)
            .DefaultIfEmpty(1).Min());

    private static IEnumerable<WorkingLine> Lines(TrialQuestion q, Sheet s, double? sd)
    {
        foreach (var line in s.Noises)
        {
            yield return line;
        }

        if (sd is { } noise && s.Noises.Count == 0)
        {
            yield return new("noise", "√(residual sum of squares ÷ its degrees of freedom)",
                $"{Say.Number(s.Ms * s.Df, 4)} on {Say.Number(s.Df)}", $"{Say.Number(noise)}{Say.Unit(q.Unit)} between plots treated alike",
                s.Test.Name);
        }

        foreach (var c in s.Judged ?? s.Dunnett)
        {
            yield return new(c.Pair, "difference ± critical t × its standard error", c.T is { } t
                ? $"t {Say.Number(t)} on {Say.Number(c.Df!.Value)}" : "one of each",
                $"{Say.Number(c.Difference)}{(c.Lower is { } l ? $" ({Say.Number(l)} to {Say.Number(c.Upper!.Value)})" : "")}",
                s.Judged is not null ? "each by its own spread, all against the control at once" : s.Dunnett.Count > 1 ? s.Noises.Count > 0
                    ? "each by the noise it carries, all against the control at once" : "Dunnett 1955, all against the control at once"
                    : s.Test.Name);
        }

        if (q.Looked > 1)
        {
            yield return new("several looks", "verdicts take intervals at 1 − 0.05 ÷ measures", $"{q.Looked} measures and dates looked at",
                $"{Say.Number(100 - (5.0 / q.Looked), 4)} %", "Bonferroni");
        }
    }
}
