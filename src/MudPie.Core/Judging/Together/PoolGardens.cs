using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Together;

/// <summary>On which scale gardens are put together.</summary>
public enum PoolBy
{
    /// <summary>By the difference, in the measure's unit: for gardens that grew one crop.</summary>
    Difference,

    /// <summary>By the ratio to the reference, in per cent: a kilogram more of one crop is not a kilogram more of another.</summary>
    Ratio,
}

/// <summary>One arm of a protocol, over all gardens that had it.</summary>
/// <param name="Arm">Its name.</param>
/// <param name="Gardens">How many had it and count on this scale.</param>
/// <param name="Unit">Of the figures: the measure's, or "%".</param>
/// <param name="Together">All of them; null for fewer than two.</param>
/// <param name="Wants">What it wants where they can't be put together; null where they are.</param>
public sealed record PooledArm(string Arm, int Gardens, string Unit, Worked<CombineAnswer>? Together, string? Wants);

/// <summary>A protocol's gardens put together.</summary>
/// <param name="By">On which scale.</param>
/// <param name="Arms">Each treatment of the protocol.</param>
public sealed record PooledGardens(PoolBy By, IReadOnlyList<PooledArm> Arms);

/// <summary>Puts the gardens of a protocol together: each arm by a random-effects mean, with Hartung's and Knapp's interval and where the
/// next garden may lie.</summary>
public static class PoolGardens
{
    /// <summary>Puts them together.</summary>
    /// <param name="p">The protocol.</param>
    /// <param name="results">One of each garden.</param>
    /// <param name="by">On which scale; null for the house choice: the difference while all grew one crop, else the ratio.</param>
    /// <remarks>Two gardens with 3.30 on 3.00 and 2.20 on 2.00, of two crops: both are 10 % more.</remarks>
    public static Worked<PooledGardens> Of(TrialProtocol p, IReadOnlyList<GardenResult> results, PoolBy? by = null)
    {
        var main = p.Measures![0];
        var crops = results.Select(r => r.Crop?.Trim().ToUpperInvariant()).Distinct().Count();
        var ratios = main.Kind == Scale.Amount;
        var house = ratios && crops > 1 ? PoolBy.Ratio : PoolBy.Difference;
        var taken = ratios ? by ?? house : PoolBy.Difference;
        var arms = p.Arms!.Where(a => Protocols.Counted(p, a)).Select(a => Arm(p, a.Name, results, taken)).ToList();
        return Worked.Of(new PooledGardens(taken, arms), "", Evidence.MeasuredHere, forks: !ratios ? [] :
        [
            new Fork("together-scale", "By the difference, or by the ratio?", [
                new School("difference", $"the difference, in {(main.Unit.Length == 0 ? "its points" : main.Unit)}",
                    "what a bed gives more; for one crop"),
                new School("ratio", "per cent of the reference", "for crops that yield unlike; wants figures above nought"),
            ], Id(house), Id(taken), "A kilogram more of one crop is not a kilogram more of another.", Evidence.PublishedTrials,
                "Which gardens lie close to each other, and whether the line worth having can be set beside it."),
        ]);
    }

    /// <summary>The ratio to the reference as its logarithm, with its variance by the delta method.</summary>
    /// <returns>Null where a mean is not above nought.</returns>
    /// <remarks>Hedges, Gurevitch and Curtis 1999. The noise s comes from the standard error, s² = se² ÷ (1/n + 1/m); the variance is
    /// s² ÷ (n x̄²) + s² ÷ (m r̄²). 3.30 on 3.00 with se 0.0632, five plots each: ln 1.1 = 0.0953; s = 0.1, variance
    /// 0.01/(5·10.89) + 0.01/(5·9) = 0.000406.</remarks>
    public static (double Log, double Variance)? Ratio(ArmResult a)
    {
        if (a.Mean <= 0 || a.ReferenceMean <= 0 || a.Plots < 1 || a.ReferencePlots < 1)
        {
            return null;
        }

        var noise = a.StandardError * a.StandardError / ((1.0 / a.Plots) + (1.0 / a.ReferencePlots));
        // by the difference that the model gives, which may lie a little off that of the plain means
        var mean = a.ReferenceMean + a.Difference > 0 ? a.ReferenceMean + a.Difference : a.Mean;
        return (Math.Log(mean / a.ReferenceMean),
            (noise / (a.Plots * mean * mean)) + (noise / (a.ReferencePlots * a.ReferenceMean * a.ReferenceMean)));
    }

    private static PooledArm Arm(TrialProtocol p, string name, IReadOnlyList<GardenResult> results, PoolBy by)
    {
        var (main, sign) = (p.Measures![0], p.Measures[0].LowerIsBetter ? -1 : 1);
        var unit = by == PoolBy.Ratio ? "%" : main.Kind == Scale.Count ? "points of a hundred" : main.Unit;
        var sites = results.Select(r => (r, Arm: r.Arms!.FirstOrDefault(a => a.Name == name))).Where(x => x.Arm is not null)
            .Select(x => (Label: x.r.Label(), Is: by == PoolBy.Ratio ? Ratio(x.Arm!)
                : (x.Arm!.Difference, x.Arm.StandardError * x.Arm.StandardError)))
            .Where(x => x.Is is { Item2: >= 1e-12 }).ToList();
        if (sites.Count < 2)
        {
            return new PooledArm(name, sites.Count, unit, null, sites.Count == 0 ? "No garden has sent a result of it yet."
                : $"{sites[0].Label} alone has a result: two gardens or more say what the next may see.");
        }

        var worked = CombineTrials.Of(new CombineQuestion {
            Results = [.. sites.Select(s => new SiteResult { Label = s.Label, Yi = sign * s.Is!.Value.Item1, Vi = s.Is.Value.Item2 })],
            WorthHaving = by == PoolBy.Difference ? p.WorthHaving : null
        });
        return worked.Refused is { } refused ? new PooledArm(name, sites.Count, unit, null, refused.ToString())
            : new PooledArm(name, sites.Count, unit, worked.Worked with { Value = Shown(worked.Value, sign, by, unit) }, null);
    }

    /// <summary>As it was asked: less is less again, and a logarithm is per cent.</summary>
    private static CombineAnswer Shown(CombineAnswer a, int sign, PoolBy by, string unit)
    {
        double One(double x) => by == PoolBy.Ratio ? 100 * (Math.Exp(sign * x) - 1) : sign * x;
        (double Low, double High) Two(double low, double high) => sign > 0 ? (One(low), One(high)) : (One(high), One(low));
        var ((low, high), (next, nextHigh)) = (Two(a.Lower, a.Upper), Two(a.PredictionLower, a.PredictionUpper));
        var shown = a with {
            Estimate = One(a.Estimate),
            Lower = low,
            Upper = high,
            PredictionLower = next,
            PredictionUpper = nextHigh,
            Sites = [.. a.Sites.Select(s => s with {
                Estimate = One(s.Estimate), Lower = Two(s.Lower, s.Upper).Low, Upper = Two(s.Lower, s.Upper).High
            })]
        };
        string Said(double x) => (x < 0 ? "−" : "+") + Say.Number(Math.Abs(x), 2);
        var few = a.Sites.Count < 5 ? $" {a.Sites.Count} gardens are few: how much they differ is hardly known." : "";
        return shown with {
            Sentence = $"Over {a.Sites.Count} gardens the difference is {Said(shown.Estimate)}{Say.Unit(unit)}, {Said(low)} to {Said(high)}"
                + $": {a.Verdict.Word()}. The next garden may see {Said(next)} to {Said(nextHigh)}.{few}"
        };
    }

    private static string Id(PoolBy by) => by == PoolBy.Ratio ? "ratio" : "difference";
}
