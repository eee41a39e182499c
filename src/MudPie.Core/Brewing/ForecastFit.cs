using MathNet.Numerics.Distributions;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>How well one brew that the model can think of fits the readings, and when to doubt all of them.</summary>
internal static class ForecastFit
{
    /// <summary>Standard deviation of what a pen or probe is off by, mg/L: two calibrations of one pen differ by so much.</summary>
    public const double OffsetSigma = 0.25;

    /// <summary>How much of a reading's weight is taken: the model itself is wrong by something, so that readings say a little less of it
    /// than their own error would let them (Grünwald and van Ommen 2017). Found on hidden brews, with and without faults.</summary>
    public const double Weight = 0.8;

    private const double Sigma = BrewForecast.ReadingSigma;

    /// <summary>Twice the negative log-likelihood with the instrument's offset summed out: Σr²/σ² − (Σr/σ²)² ÷ (n/σ² + 1/τ²), r = read −
    /// model, mg/L.</summary>
    /// <remarks>Three readings all 0.3 above: 3 − 10² ÷ (33.3 + 16) = 0.97; with an offset unthinkable it would be 3.</remarks>
    public static double Misfit(ReadOnlySpan<double> residuals)
    {
        var (squares, sum) = (0.0, 0.0);
        foreach (var r in residuals)
        {
            squares += r * r;
            sum += r;
        }

        var s2 = Sigma * Sigma;
        return (squares / s2) - (sum / s2 * (sum / s2) / ((residuals.Length / s2) + (1 / (OffsetSigma * OffsetSigma))));
    }

    /// <summary>The offset that these residuals speak for, mg/L.</summary>
    public static double Offset(ReadOnlySpan<double> residuals)
    {
        var sum = 0.0;
        foreach (var r in residuals)
        {
            sum += r;
        }

        return sum / (Sigma * Sigma) / ((residuals.Length / (Sigma * Sigma)) + (1 / (OffsetSigma * OffsetSigma)));
    }

    /// <summary>
    /// Why no brew of the model's kind reads like this, or null. Three questions: is even the best member further off than chance would
    /// leave ?
    /// do its residuals lie on one side for too long (largest sum of a run, against √n σ)? has it been pulled so far from all that was ever
    /// drawn ?
    /// </summary>
    /// <param name="best">Residuals of the best member, mg/L, in order of time.</param>
    /// <param name="misfit">Its misfit.</param>
    /// <param name="pull">See <see cref="Ensemble.Pull"/>.</param>
    public static string? Doubt(double[] best, double misfit, double pull)
    {
        var n = best.Length;
        if (misfit > ChiSquared.InvCDF(n, 0.985))
        {
            return $"even the closest brew it can think of misses by {Say.Fixed(Math.Sqrt(misfit / n) * Sigma, 1)} mg/L a reading";
        }

        if (n >= 4 && LongestSum(best) > 1.3 * Sigma * Math.Sqrt(n))
        {
            return "the readings stay on one side of it for too long";
        }

        return pull > PullLine ? "only a very odd brew would read like this" : null;
    }

    // Of two hundred brews as the table draws them one or two pass each of these lines; see docs/science/brew-model.md.
    private const double PullLine = 11.5;

    /// <summary>Largest sum, either sign, of neighbouring residuals after the offset is taken off.</summary>
    private static double LongestSum(double[] residuals)
    {
        var offset = Offset(residuals);
        var (up, down, most) = (0.0, 0.0, 0.0);
        foreach (var r in residuals)
        {
            up = Math.Max(0, up + r - offset);
            down = Math.Max(0, down - r + offset);
            most = Math.Max(most, Math.Max(up, down));
        }

        return most;
    }
}

/// <summary>Where the model is not trusted: the readings' own trend, held less and less, in a band that widens.</summary>
internal static class ReadingsTrend
{
    private const double Z90 = 1.2816, HoldH = 4;

    /// <summary>The same forecast with its band by the readings: between them by straight lines, after them by the slope of the last three,
    /// fading over four hours, ± what slopes and brews stray.</summary>
    public static ForecastAnswer Over(ForecastAnswer model, IReadOnlyList<OxygenAt> readings, BrewSetup setup, double use)
    {
        var read = readings.GroupBy(r => r.H).Select(g => (H: g.Key, O: g.Average(r => r.MgPerL))).OrderBy(r => r.H).ToList();
        var last = read[^1];
        var recent = read.TakeLast(3).ToList();
        var (slope, slopeSd) = Slope(recent);
        (double Middle, double Sd) At(double h)
        {
            if (h >= last.H)
            {
                var ahead = h - last.H;
                var reach = HoldH * (1 - Math.Exp(-ahead / HoldH));
                return (last.O + (slope * reach), Math.Sqrt((0.35 * 0.35) + Math.Pow(slopeSd * reach, 2) + (0.3 * ahead)));
            }

            var after = read.FindIndex(r => r.H > h);
            if (after == 0)
            {
                return (read[0].O, 0.6 + (0.3 * Math.Sqrt(read[0].H - h)));
            }

            var (a, b) = (read[after - 1], read[after]);
            var gap = Math.Min(h - a.H, b.H - h);
            return (a.O + ((h - a.H) / (b.H - a.H) * (b.O - a.O)), Math.Sqrt((0.35 * 0.35) + (0.15 * gap)));
        }

        OxygenPoint Point(double h, double z) =>
            new(h, Math.Clamp(At(h).Middle + (z * At(h).Sd), 0, setup.Climate.At(h).OxygenFull * 1.05));
        var hours = model.Median.Select(p => p.H).ToList();
        var worst = hours.Where(h => h <= use && h >= 1).Select(h => Normal.CDF(At(h).Middle, At(h).Sd, BrewRun.Line))
            .DefaultIfEmpty(0).Max();
        double? First(double z) => hours.FirstOrDefault(h => h >= 1 && h <= use && At(h).Middle + (z * At(h).Sd) < BrewRun.Line,
            -1) is var f and >= 0 ? f : null;
        return model with {
            Median = [.. hours.Select(h => Point(h, 0))],
            Low10 = [.. hours.Select(h => Point(h, -Z90))],
            High90 = [.. hours.Select(h => Point(h, Z90))],
            ProbabilityBelow6 = worst,
            Below6AtH = new Span80(First(-Z90), First(0), First(Z90)),
        };
    }

    private static (double Slope, double Sd) Slope(List<(double H, double O)> points)
    {
        if (points.Count < 2 || points[^1].H - points[0].H < 0.25)
        {
            return (0, 0.5);
        }

        var (mh, mo) = (points.Average(p => p.H), points.Average(p => p.O));
        var sxx = points.Sum(p => (p.H - mh) * (p.H - mh));
        return (points.Sum(p => (p.H - mh) * (p.O - mo)) / sxx, Math.Min(BrewForecast.ReadingSigma / Math.Sqrt(sxx), 0.5));
    }
}
