using MathNet.Numerics.Distributions;
using MathNet.Numerics.LinearAlgebra;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>The members of a forecast: logarithms of the multipliers, one row a member, and their weights (which add to 1).</summary>
internal sealed class Ensemble
{
    private static readonly double[] Sigma = [.. Multipliers.Spread.Select(cv => Math.Sqrt(Math.Log(1 + (cv * cv))))];

    private readonly double[] _centre;
    private readonly double[] _sigma;

    private Ensemble(double[][] logs, double[] weights, double[] centre, double[] sigma) => (Logs, Weights, _centre, _sigma) = (logs, weights, centre, sigma);

    public double[][] Logs { get; }

    public double[] Weights { get; }

    public int Count => Logs.Length;

    /// <summary>Latin-hypercube draw from the log-normal spreads (McKay et al. 1979): each spread is covered evenly, so that few members do.</summary>
    /// <param name="count">Members.</param>
    /// <param name="seed">The same seed gives the same draw.</param>
    /// <param name="prior">What earlier brews have taught; null for the table.</param>
    public static Ensemble Draw(int count, long seed, Prior? prior = null)
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
                logs[i][d] = (prior?.Centre[d] ?? 0) + (Sigma[d] * (prior?.Narrowed[d] ?? 1) * Normal.InvCDF(0, 1, (order[i] + random.Next()) / count));
            }
        }

        return new Ensemble(logs, Even(count), [.. Sigma.Select((_, d) => prior?.Centre[d] ?? 0)], [.. Sigma.Select((s, d) => s * (prior?.Narrowed[d] ?? 1))]);
    }

    /// <summary>The same members under new weights, given as logarithms.</summary>
    public Ensemble Reweighted(double[] logWeights)
    {
        var top = logWeights.Max();
        var weights = logWeights.Select(w => Math.Exp(w - top)).ToArray();
        var sum = weights.Sum();
        return new Ensemble(Logs, [.. weights.Select(w => w / sum)], _centre, _sigma);
    }

    /// <summary>1 ÷ Σw²: how many members still count. Kish 1965.</summary>
    public double EffectiveSize => 1 / Weights.Sum(w => w * w);

    private static double[] Even(int count) => [.. Enumerable.Repeat(1.0 / count, count)];

    /// <summary>
    /// New members drawn around what the weighted ones have in common: a normal with their mean and a covariance 1.2² as wide, and for each the
    /// logarithm of prior ÷ draw, so that weighing it again by its fit is exact (adaptive importance sampling, Cappé et al. 2004).
    /// </summary>
    public (Ensemble Members, double[] LogPriorOverDraw) Redrawn(long seed)
    {
        const double wider = 1.2;
        var size = _sigma.Length;
        var mean = Mean();
        var covariance = Matrix<double>.Build.Dense(size, size, (a, b) =>
        {
            var sum = 0.0;
            for (var i = 0; i < Count; i++)
            {
                sum += Weights[i] * (Logs[i][a] - mean[a]) * (Logs[i][b] - mean[b]);
            }

            // A hair of the prior keeps it whole where few members count.
            return (sum * wider * wider) + (a == b ? 1e-4 * _sigma[a] * _sigma[a] : 0);
        });
        var factor = covariance.Cholesky().Factor;
        var logDeterminant = Enumerable.Range(0, size).Sum(d => Math.Log(factor[d, d] / _sigma[d]));
        var random = new SeededRandom((ulong)seed);
        var logs = new double[Count][];
        var over = new double[Count];
        var z = new double[size];
        for (var i = 0; i < Count; i++)
        {
            logs[i] = new double[size];
            var (drawn, prior) = (0.0, 0.0);
            for (var d = 0; d < size; d++)
            {
                z[d] = random.NextNormal();
                drawn += z[d] * z[d];
            }

            for (var d = 0; d < size; d++)
            {
                var x = mean[d];
                for (var e = 0; e <= d; e++)
                {
                    x += factor[d, e] * z[e];
                }

                logs[i][d] = x;
                prior += Math.Pow((x - _centre[d]) / _sigma[d], 2);
            }

            over[i] = (0.5 * (drawn - prior)) + logDeterminant;
        }

        return (new Ensemble(logs, Even(Count), _centre, _sigma), over);
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
