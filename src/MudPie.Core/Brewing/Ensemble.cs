using MathNet.Numerics.Distributions;
using MathNet.Numerics.LinearAlgebra;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>The members of a forecast: logarithms of the multipliers and of what may go wrong, one row a member, and their weights (which
/// add to 1).</summary>
internal sealed class Ensemble
{
    private static readonly double[] Sigma = [.. Multipliers.Spread.Select(cv => Math.Sqrt(Math.Log(1 + (cv * cv)))),
        .. Multipliers.Faults.Select(_ => 1.0)];

    private readonly double[] _centre;
    private readonly double[] _sigma;

    private Ensemble(double[][] logs, double[] weights, double[] centre, double[] sigma) =>
        (Logs, Weights, _centre, _sigma) = (logs, weights, centre, sigma);

    public double[][] Logs { get; }

    public double[] Weights { get; }

    public int Count => Logs.Length;

    /// <summary>Latin-hypercube draw from the log-normal spreads (McKay et al. 1979): each spread is covered evenly, so that few members
    /// do.</summary>
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

        // Earlier brews teach of the multipliers; what went wrong in one says nothing of the next.
        double[] centre = [.. Sigma.Select((_, d) => prior is not null && d < prior.Centre.Count ? prior.Centre[d] : 0)];
        double[] sigma = [.. Sigma.Select((s, d) => s * (prior is not null && d < prior.Narrowed.Count ? prior.Narrowed[d] : 1))];
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
                logs[i][d] = centre[d] + (sigma[d] * Normal.InvCDF(0, 1, (order[i] + random.Next()) / count));
            }
        }

        return new Ensemble(logs, Even(count), centre, sigma);
    }

    /// <summary>1 ÷ Σw², copies of one member counted as one: how many members still carry the band. Kish 1965.</summary>
    public double EffectiveSize =>
        Math.Min(Count, 1 / Logs.Select((l, i) => (l, w: Weights[i])).GroupBy(x => x.l, ReferenceEqualityComparer.Instance)
            .Sum(g => Math.Pow(g.Sum(x => x.w), 2)));

    private static double[] Even(int count) => [.. Enumerable.Repeat(1.0 / count, count)];

    /// <summary>
    /// Takes a misfit in by degrees, so that members never die out: weights to a share of it at which half still count, members drawn again
    /// by weight
    /// (systematic, Kitagawa 1996), each moved by Metropolis steps with the spread that they have in common (sequential Monte Carlo, Del
    /// Moral, Doucet and Jasra 2006).
    /// </summary>
    /// <param name="misfit">Twice the negative log-likelihood of a member, by its logarithms; asked on several threads at once, with the
    /// number of the thread's row.</param>
    /// <param name="seed">The same seed gives the same members.</param>
    /// <param name="upTo">Share of the misfit to take in at last, 0 to 1.</param>
    /// <param name="moves">Metropolis steps at the end; one is made on the way at each degree.</param>
    /// <returns>The members with even weights, and the misfit of each.</returns>
    public (Ensemble Members, double[] Misfits) Tempered(Func<double[], double> misfit, long seed, double upTo = 1, int moves = 3)
    {
        var logs = Logs.ToArray();
        var misfits = new double[Count];
        Parallel.For(0, Count, i => misfits[i] = misfit(logs[i]));
        var random = new SeededRandom((ulong)seed ^ 0xA5A5A5A5UL);
        var share = 0.0;
        for (var degree = 0; share < upTo; degree++)
        {
            var (step, weights) = Step(misfits, upTo - share, degree < 30 ? 0.5 : 0);
            share = degree < 30 ? share + step : upTo;
            share = share > upTo - 1e-9 ? upTo : share;
            var factor = Factor(logs, weights);
            var chosen = Systematic(weights, random.Next());
            logs = [.. chosen.Select(i => logs[i])];
            misfits = [.. chosen.Select(i => misfits[i])];
            for (var move = 0; move < (share < upTo ? 1 : moves) || (share >= upTo && move < 12 * moves && Apart(logs) < Count / 5.0);
            move++)
            {
                Move(logs, misfits, misfit, factor, share, seed + (1000 * (degree + 1)) + move);
            }
        }

        return (new Ensemble(logs, Even(Count), _centre, _sigma), misfits);
    }

    /// <summary>The largest step in the share of the misfit at which <paramref name="keep"/> of the members still count.</summary>
    private static (double Share, double[] Weights) Step(double[] misfits, double left, double keep)
    {
        var least = misfits.Min();
        double[] At(double share)
        {
            var w = misfits.Select(m => Math.Exp(-0.5 * share * (m - least))).ToArray();
            var sum = w.Sum();
            return [.. w.Select(x => x / sum)];
        }

        double Size(double[] w) => 1 / w.Sum(x => x * x) / w.Length;
        var all = At(left);
        if (Size(all) >= keep)
        {
            return (left, all);
        }

        var (low, high) = (0.0, left);
        for (var i = 0; i < 25; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Size(At(middle)) >= keep ? (middle, high) : (low, middle);
        }

        low = Math.Max(low, 1e-7 * left);
        return (low, At(low));
    }

    private static readonly double[] Lengths = [0.3, 0.8, 1.2, 2.4];

    /// <summary>How many members there are, copies counted as <see cref="EffectiveSize"/> counts them.</summary>
    private static double Apart(double[][] logs) =>
        logs.Length * (double)logs.Length / logs.GroupBy(l => l, ReferenceEqualityComparer.Instance).Sum(g => Math.Pow(g.Count(), 2));

    private static int[] Systematic(double[] weights, double u)
    {
        var chosen = new int[weights.Length];
        var (i, sum) = (0, weights[0]);
        for (var k = 0; k < chosen.Length; k++)
        {
            var at = (k + u) / chosen.Length;
            while (sum < at && i < weights.Length - 1)
            {
                sum += weights[++i];
            }

            chosen[k] = i;
        }

        return chosen;
    }

    private void Move(double[][] logs, double[] misfits, Func<double[], double> misfit, Matrix<double> factor, double share, long seed) =>
        Parallel.For(0, Count, i =>
    {
        var random = new SeededRandom(((ulong)seed * 0x9E3779B97F4A7C15UL) ^ (ulong)(i + 1));
        random.Next();
        var size = _sigma.Length;
        // Short ones are taken often, long ones carry far.
        var length = Lengths[random.Below(Lengths.Length)] / Math.Sqrt(size);
        var to = (double[])logs[i].Clone();
        var z = new double[size];
        for (var d = 0; d < size; d++)
        {
            z[d] = random.NextNormal();
        }

        var priors = 0.0;
        for (var d = 0; d < size; d++)
        {
            for (var e = 0; e <= d; e++)
            {
                to[d] += length * factor[d, e] * z[e];
            }

            priors += Math.Pow((logs[i][d] - _centre[d]) / _sigma[d], 2) - Math.Pow((to[d] - _centre[d]) / _sigma[d], 2);
        }

        // Taken if its misfit is below this: so that the dice fall before the brew is run.
        var allowed = misfits[i] + ((priors - (2 * Math.Log(random.Next()))) / share);
        if (allowed > 0 && misfit(to) is var m && m <= allowed)
        {
            (logs[i], misfits[i]) = (to, m);
        }
    });

    private Matrix<double> Factor(double[][] logs, double[] weights)
    {
        var size = _sigma.Length;
        var mean = new double[size];
        for (var i = 0; i < logs.Length; i++)
        {
            for (var d = 0; d < size; d++)
            {
                mean[d] += weights[i] * logs[i][d];
            }
        }

        var covariance = Matrix<double>.Build.Dense(size, size);
        for (var i = 0; i < logs.Length; i++)
        {
            for (var a = 0; a < size; a++)
            {
                for (var b = 0; b <= a; b++)
                {
                    covariance[a, b] += weights[i] * (logs[i][a] - mean[a]) * (logs[i][b] - mean[b]);
                }
            }
        }

        for (var a = 0; a < size; a++)
        {
            covariance[a, a] += 1e-3 * _sigma[a] * _sigma[a]; // a hair of the prior keeps it whole where few members count
            for (var b = 0; b < a; b++)
            {
                covariance[b, a] = covariance[a, b];
            }
        }

        return covariance.Cholesky().Factor;
    }

    /// <summary>Weighted mean of the logarithms: what has been learnt.</summary>
    public double[] Mean() =>
        [.. Enumerable.Range(0, Sigma.Length).Select(d => Enumerable.Range(0, Count).Sum(i => Weights[i] * Logs[i][d]))];

    /// <summary>How far the members' middle has been pulled from where they were drawn, in prior standard deviations, squared and summed:
    /// about as chi-square where the brew is one of the table's kind.</summary>
    public double Pull() => Mean().Select((m, d) => Math.Pow((m - _centre[d]) / _sigma[d], 2)).Sum();

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
