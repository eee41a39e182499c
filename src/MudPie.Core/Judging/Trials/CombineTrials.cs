using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>One trial's result, to be put with others.</summary>
public sealed record SiteResult
{
    /// <summary>Site and season.</summary>
    public string Label { get; init; } = "";

    /// <summary>Treatment less control, in one unit for all.</summary>
    public double? Yi { get; init; }

    /// <summary>Its variance: the standard error squared, above 0.</summary>
    public double? Vi { get; init; }
}

/// <summary>Question of combine-trials.</summary>
public sealed record CombineQuestion
{
    /// <summary>2 to 200 results.</summary>
    public IReadOnlyList<SiteResult>? Results { get; init; }

    /// <summary>"reml" (with Hartung–Knapp, the house choice) or "dl" (DerSimonian–Laird, with a normal interval).</summary>
    public string? Method { get; init; }

    /// <summary>The smallest difference worth having; null where none was set.</summary>
    public double? WorthHaving { get; init; }
}

/// <summary>A site with its own interval and its weight.</summary>
public sealed record SiteLine(string Label, double Estimate, double Lower, double Upper, double WeightShare);

/// <summary>What the sites say together.</summary>
/// <param name="Estimate">Mean true difference over sites.</param>
/// <param name="Se">Its standard error.</param>
/// <param name="Lower">Lower end of its 95 % interval.</param>
/// <param name="Upper">Upper end.</param>
/// <param name="Tau2">Variance of true differences between sites.</param>
/// <param name="I2">Share of the spread that is between sites, %.</param>
/// <param name="Q">Cochran's Q.</param>
/// <param name="QP">Its p.</param>
/// <param name="PredictionLower">Where the next site's true difference lies, 19 times in 20: lower end.</param>
/// <param name="PredictionUpper">Upper end.</param>
/// <param name="Sites">Each site.</param>
/// <param name="Verdict">By where the interval lies.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record CombineAnswer(
    double Estimate, double Se, double Lower, double Upper, double Tau2, double I2, double Q, double QP, double PredictionLower,
    double PredictionUpper, IReadOnlyList<SiteLine> Sites, Finding Verdict, string Sentence);

/// <summary>Puts sites and seasons together: a random-effects mean.</summary>
public static class CombineTrials
{
    /// <summary>Works it out. Worked: the nine made-up sites of the reference give 0.0696 (0.0137 to 0.1255) by REML with
    /// Hartung–Knapp.</summary>
    public static Ruling<CombineAnswer> Of(CombineQuestion q)
    {
        var checks = new Checks();
        var method = q.Method ?? "reml";
        var results = q.Results ?? [];
        if (method is not ("reml" or "dl"))
        {
            checks.Add("method", $"“{method}” is not known here.", "Choose reml or dl.");
        }

        if (results.Count is < 2 or > 200)
        {
            checks.Add("results", results.Count < 2 ? "One result can’t be put together with nothing." : "That is more than 200.",
                "Give 2 to 200 results, each with its difference and variance.");
        }

        for (var i = 0; i < Math.Min(results.Count, 200); i++)
        {
            checks.Range($"results[{i}].yi", results[i].Yi, -1e9, 1e9, "");
            checks.Range($"results[{i}].vi", results[i].Vi, 1e-12, 1e18, "", "The variance is the standard error squared, above 0.");
        }

        if (q.WorthHaving is not null)
        {
            checks.Range("worthHaving", q.WorthHaving, 1e-9, 1e9, "");
        }

        return checks.Sound ? Sum(q, method) : checks.Refusal;
    }

    private static Worked<CombineAnswer> Sum(CombineQuestion q, string method)
    {
        var (y, v) = (q.Results!.Select(r => r.Yi!.Value).ToArray(), q.Results!.Select(r => r.Vi!.Value).ToArray());
        var k = y.Length;
        var plain = Mean(y, v, 0);
        var cochran = plain.Weights.Zip(y, (w, yi) => w * (yi - plain.Mean) * (yi - plain.Mean)).Sum();
        var (s1, s2) = (plain.Weights.Sum(), plain.Weights.Sum(w => w * w));
        var typical = (k - 1) * s1 / ((s1 * s1) - s2);
        var dl = Math.Max(0, (cochran - (k - 1)) / (s1 - (s2 / s1)));
        var tau2 = method == "dl" ? dl : Reml(y, v, typical);
        var (mean, weights) = Mean(y, v, tau2);
        var se = Math.Sqrt(1 / weights.Sum());
        var critical = 1.959963984540054;
        if (method == "reml")
        {
            // Hartung and Knapp 2001: the spread that sites show, and Student's t for their number.
            // Sites that happen to agree are no proof: never narrower than their own errors alone would make it (Röver and others 2015).
            var own = Math.Sqrt(1 / plain.Weights.Sum());
            se = Math.Max(se * Math.Sqrt(weights.Zip(y, (w, yi) => w * (yi - mean) * (yi - mean)).Sum() / (k - 1)), own);
            critical = Distribution.CriticalT(0.05, k - 1);
        }

        var (lower, upper) = (mean - (critical * se), mean + (critical * se));
        var reach = critical * Math.Sqrt((se * se) + tau2);
        var verdict = TrialVerdicts.Of(lower, upper, q.WorthHaving);
        var sites = q.Results!.Select((r, i) => new SiteLine(r.Label, y[i], y[i] - (1.959963984540054 * Math.Sqrt(v[i])),
            y[i] + (1.959963984540054 * Math.Sqrt(v[i])), weights[i] / weights.Sum())).ToList();
        var i2 = 100 * tau2 / (tau2 + typical);
        return Worked.Of(
            new CombineAnswer(mean, se, lower, upper, tau2, i2, cochran, Distribution.UpperChi(cochran, k - 1), mean - reach, mean + reach,
                sites, verdict, SayIt(k, mean, lower, upper, reach, verdict)),
            "",
            Evidence.MeasuredHere,
            [
                new("between sites", method == "reml" ? "τ² by restricted likelihood" : "τ² = (Q − (k−1)) ÷ (Σw − Σw² ÷ Σw)",
                    $"Q {Say.Number(cochran)} on {k - 1}", $"τ² {Say.Number(tau2)}, I² {Say.Number(i2)} %", method == "reml"
                        ? "Viechtbauer 2005" : "DerSimonian and Laird 1986"),
                new("mean", "Σ y ÷ (v + τ²) over Σ 1 ÷ (v + τ²)", $"{k} results", Say.Number(mean), "random effects"),
                new("its interval", method == "reml" ? "± t(k−1) · √(Σ w (y − μ)² ÷ ((k−1) Σw))" : "± 1.96 · √(1 ÷ Σw)",
                    $"standard error {Say.Number(se)}", $"{Say.Number(lower)} to {Say.Number(upper)}", method == "reml"
                        ? "Hartung and Knapp 2001" : "normal"),
                new("the next site", "± critical · √(standard error² + τ²)", "",
                    $"{Say.Number(mean - reach)} to {Say.Number(mean + reach)}", "Higgins and others 2009"),
            ]);
    }

    private static (double Mean, double[] Weights) Mean(double[] y, double[] v, double tau2)
    {
        var w = v.Select(x => 1 / (x + tau2)).ToArray();
        return (w.Zip(y, (a, b) => a * b).Sum() / w.Sum(), w);
    }

    /// <summary>Fisher scoring on the restricted likelihood from the unweighted estimate (Hedges 1983), held at 0 or above.</summary>
    /// <remarks>Stops at the customary step of 1e-5, or a hundredth of the sites' typical variance where that is less: far below what the
    /// data can tell.</remarks>
    private static double Reml(double[] y, double[] v, double typical)
    {
        var middle = y.Average();
        var tau2 = Math.Max(0, (y.Sum(x => (x - middle) * (x - middle)) / (y.Length - 1)) - v.Average());
        var enough = Math.Min(1e-5, typical / 100);
        for (var i = 0; i < 1000; i++)
        {
            var (mean, w) = Mean(y, v, tau2);
            var (s1, s2, s3) = (w.Sum(), w.Sum(x => x * x), w.Sum(x => x * x * x));
            var quadratic = w.Zip(y, (a, b) => a * a * (b - mean) * (b - mean)).Sum();
            var trace = s1 - (s2 / s1);
            var step = (quadratic - trace) / (s2 - (2 * s3 / s1) + (s2 * s2 / s1 / s1));
            var next = Math.Max(0, tau2 + step);
            if (Math.Abs(next - tau2) <= enough)
            {
                return next;
            }

            tau2 = next;
        }

        return tau2;
    }

    private static string SayIt(int k, double mean, double lower, double upper, double reach, Finding verdict)
    {
        var few = k < 5 ? $" {k} results are few: how much sites differ is hardly known." : "";
        string Shown(double x) => (x < 0 ? "−" : "+") + Say.Number(Math.Abs(x), 2);
        return $"Over {k} results the difference is {Shown(mean)}, {Shown(lower)} to {Shown(upper)}: {verdict.Word()}. The next site may "
            + $"see {Shown(mean - reach)} to {Shown(mean + reach)}.{few}";
    }
}
