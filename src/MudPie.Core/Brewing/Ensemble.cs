using MathNet.Numerics.Distributions;

namespace MudPie.Core.Brewing;

/// <summary>Random numbers from a seed that are the same on every machine: SplitMix64 (Steele, Lea and Flood 2014).</summary>
internal struct SeededRandom(ulong seed)
{
    private ulong _state = seed;

    /// <summary>Uniform in (0, 1).</summary>
    public double Next()
    {
        _state += 0x9E3779B97F4A7C15;
        var z = _state;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        z ^= z >> 31;
        return ((z >> 11) + 0.5) * (1.0 / (1UL << 53));
    }

    /// <summary>Standard normal.</summary>
    public double NextNormal() => Normal.InvCDF(0, 1, Next());
}

/// <summary>The members of a forecast: logarithms of the multipliers, one row a member, and their weights (which add to 1).</summary>
internal sealed class Ensemble
{
    private static readonly double[] Sigma = [.. Multipliers.Spread.Select(cv => Math.Sqrt(Math.Log(1 + (cv * cv))))];

    private Ensemble(double[][] logs, double[] weights) => (Logs, Weights) = (logs, weights);

    public double[][] Logs { get; }

    public double[] Weights { get; }

    public int Count => Logs.Length;

    /// <summary>Latin-hypercube draw from the log-normal spreads (McKay et al. 1979): each spread is covered evenly, so that few members do.</summary>
    /// <param name="count">Members.</param>
    /// <param name="seed">The same seed gives the same draw.</param>
    /// <param name="learnt">Logarithms that centre the draw, learnt from earlier brews; null for the table.</param>
    public static Ensemble Draw(int count, long seed, IReadOnlyList<double>? learnt = null)
    {
        var random = new SeededRandom((ulong)seed);
        var logs = new double[count][];
        for (var i = 0; i < count; i++)
        {
            logs[i] = new double[Sigma.Length];
        }

        var order = new int[count];
        for (var d = 0; d < Sigma.Length; d++)
        {
            for (var i = 0; i < count; i++)
            {
                order[i] = i;
            }

            for (var i = count - 1; i > 0; i--)
            {
                var j = (int)(random.Next() * (i + 1));
                (order[i], order[j]) = (order[j], order[i]);
            }

            for (var i = 0; i < count; i++)
            {
                logs[i][d] = (learnt?[d] ?? 0) + (Sigma[d] * Normal.InvCDF(0, 1, (order[i] + random.Next()) / count));
            }
        }

        return new Ensemble(logs, [.. Enumerable.Repeat(1.0 / count, count)]);
    }

    /// <summary>The same members under new weights, given as logarithms.</summary>
    public Ensemble Reweighted(double[] logWeights)
    {
        var top = logWeights.Max();
        var weights = logWeights.Select(w => Math.Exp(w - top)).ToArray();
        var sum = weights.Sum();
        return new Ensemble(Logs, [.. weights.Select(w => w / sum)]);
    }

    /// <summary>1 ÷ Σw²: how many members still count. Kish 1965.</summary>
    public double EffectiveSize => 1 / Weights.Sum(w => w * w);

    /// <summary>Systematic resampling, then a jitter that keeps mean and variance (Liu and West 2001, shrinkage 0.95).</summary>
    public Ensemble ResampledAndJittered(long seed)
    {
        const double keep = 0.95;
        var random = new SeededRandom((ulong)seed);
        var mean = new double[Sigma.Length];
        var spread = new double[Sigma.Length];
        for (var d = 0; d < Sigma.Length; d++)
        {
            for (var i = 0; i < Count; i++)
            {
                mean[d] += Weights[i] * Logs[i][d];
            }

            for (var i = 0; i < Count; i++)
            {
                spread[d] += Weights[i] * (Logs[i][d] - mean[d]) * (Logs[i][d] - mean[d]);
            }
        }

        var logs = new double[Count][];
        var (at, pointer, sum) = (random.Next(), 0, Weights[0]);
        for (var i = 0; i < Count; i++)
        {
            while (pointer < Count - 1 && sum < (i + at) / Count)
            {
                sum += Weights[++pointer];
            }

            logs[i] = new double[Sigma.Length];
            for (var d = 0; d < Sigma.Length; d++)
            {
                logs[i][d] = mean[d] + (keep * (Logs[pointer][d] - mean[d])) + (Math.Sqrt((1 - (keep * keep)) * spread[d]) * random.NextNormal());
            }
        }

        return new Ensemble(logs, [.. Enumerable.Repeat(1.0 / Count, Count)]);
    }

    /// <summary>Weighted mean of the logarithms: what has been learnt.</summary>
    public double[] Mean() => [.. Enumerable.Range(0, Sigma.Length).Select(d => Enumerable.Range(0, Count).Sum(i => Weights[i] * Logs[i][d]))];

    /// <summary>Weighted quantile of <paramref name="values"/>; those that never happen are +∞ and sort last.</summary>
    public double Quantile(double[] values, double share, double[] sorted, double[] weights)
    {
        values.CopyTo(sorted, 0);
        Weights.CopyTo(weights, 0);
        Array.Sort(sorted, weights);
        return AtShare(sorted, weights, share);
    }

    /// <summary>The value at which sorted weights reach <paramref name="share"/>, between the two nearest.</summary>
    public static double AtShare(double[] sorted, double[] weights, double share)
    {
        var sum = 0.0;
        for (var i = 0; i < sorted.Length; i++)
        {
            var middle = sum + (weights[i] / 2);
            if (middle >= share)
            {
                if (i == 0 || double.IsPositiveInfinity(sorted[i]))
                {
                    return sorted[i];
                }

                var before = sum - (weights[i - 1] / 2);
                var f = middle > before ? (share - before) / (middle - before) : 1;
                return sorted[i - 1] + (Math.Clamp(f, 0, 1) * (sorted[i] - sorted[i - 1]));
            }

            sum += weights[i];
        }

        return sorted[^1];
    }
}
