namespace MudPie.Core.Judging.Statistics;

/// <summary>Groups of rows whose own level is taken out: blocks, whole plots, or all rows as one.</summary>
internal sealed class Sweep
{
    private readonly int[]? _of;
    private readonly int[] _sizes;

    /// <summary>One group of all.</summary>
    /// <param name="rows">How many rows there are.</param>
    public Sweep(int rows)
        : this(null, [rows])
    {
    }

    /// <summary>A group for each level of a factor; a level without a row is none.</summary>
    public Sweep(Factor by)
        : this([.. by.Of], by.Counts)
    {
    }

    private Sweep(int[]? of, int[] sizes)
    {
        (_of, _sizes) = (of, sizes);
        Groups = sizes.Count(s => s > 0);
        VarianceOfMean = sizes.Where(s => s > 0).Sum(s => 1.0 / s) / Groups / Groups;
    }

    /// <summary>Groups with a row.</summary>
    public int Groups { get; }

    /// <summary>Rows in the group of row i.</summary>
    public int SizeOf(int i) => _sizes[_of is null ? 0 : _of[i]];

    /// <summary>Variance of the mean of the groups' means, in units of the noise: Σ 1/n ÷ G².</summary>
    public double VarianceOfMean { get; }

    /// <summary>Each group's mean; nought where it has no row.</summary>
    public double[] Means(double[] v)
    {
        var sums = new double[_sizes.Length];
        for (var i = 0; i < v.Length; i++)
        {
            sums[_of is null ? 0 : _of[i]] += v[i];
        }

        for (var g = 0; g < sums.Length; g++)
        {
            sums[g] /= Math.Max(_sizes[g], 1);
        }

        return sums;
    }

    /// <summary>Takes each group's mean off its rows.</summary>
    /// <returns>The mean of the groups' means.</returns>
    public double TakeOut(double[] v)
    {
        var means = Means(v);
        for (var i = 0; i < v.Length; i++)
        {
            v[i] -= means[_of is null ? 0 : _of[i]];
        }

        return means.Sum() / Groups;
    }
}
