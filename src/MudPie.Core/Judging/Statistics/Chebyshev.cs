namespace MudPie.Core.Judging.Statistics;

/// <summary>A chance that rises smoothly from its value at nought to one, kept as a Chebyshev series up to an end, and one beyond
/// it.</summary>
/// <remarks>For a curve whose bends are about 1 wide, n nodes up to an end E are good to about exp(−n²/E²): 100 nodes up to 16 to
/// 1e-14.</remarks>
internal sealed class Chebyshev
{
    private readonly double _end;
    private readonly double[] _coefficients;

    /// <summary>Works the function out at the nodes, side by side.</summary>
    /// <param name="f">On 0 to <paramref name="end"/>.</param>
    /// <param name="end">Where it is one.</param>
    /// <param name="nodes">How many.</param>
    /// <exception cref="OperationCanceledException">The function was stopped.</exception>
    public Chebyshev(Func<double, double> f, double end, int nodes)
    {
        _end = end;
        _coefficients = new double[nodes];
        var values = new double[nodes];
        try
        {
            Parallel.For(0, nodes, i => values[i] = f(end / 2 * (1 + Math.Cos(Math.PI * (i + 0.5) / nodes))));
        }
        catch (AggregateException several) when (several.InnerExceptions.All(e => e is OperationCanceledException))
        {
            throw several.InnerExceptions[0];
        }

        for (var j = 0; j < nodes; j++)
        {
            for (var i = 0; i < nodes; i++)
            {
                _coefficients[j] += 2.0 / nodes * values[i] * Math.Cos(Math.PI * j * (i + 0.5) / nodes);
            }
        }
    }

    /// <summary>By Clenshaw's rule.</summary>
    public double At(double u)
    {
        if (u >= _end)
        {
            return 1;
        }

        var x = (2 * Math.Max(u, 0) / _end) - 1;
        var (a, b) = (0.0, 0.0);
        for (var j = _coefficients.Length - 1; j > 0; j--)
        {
            (a, b) = (_coefficients[j] + (2 * x * a) - b, a);
        }

        return Math.Clamp((_coefficients[0] / 2) + (x * a) - b, 0, 1);
    }
}
