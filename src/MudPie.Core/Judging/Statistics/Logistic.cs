using MathNet.Numerics.LinearAlgebra;

namespace MudPie.Core.Judging.Statistics;

/// <summary>Logistic regression of counts out of counts, with overdispersion from Pearson's χ² (McCullagh and Nelder 1989).</summary>
internal sealed class Logistic
{
    private readonly Matrix<double> _x;
    private readonly double[] _up;
    private readonly double[] _of;

    /// <summary>Fits by reweighted least squares.</summary>
    /// <param name="columns">Columns of X, of full rank.</param>
    /// <param name="up">How many came up, row by row.</param>
    /// <param name="of">Out of how many, more than 0.</param>
    public Logistic(IReadOnlyList<double[]> columns, double[] up, double[] of)
    {
        (_x, _up, _of) = (Matrix<double>.Build.DenseOfColumnArrays(columns), up, of);
        Beta = Vector<double>.Build.Dense(columns.Count);
        Covariance = Matrix<double>.Build.Dense(columns.Count, columns.Count);
        var before = double.PositiveInfinity;
        for (var i = 0; i < 60 && Math.Abs(before - Deviance) > 1e-11 * (Math.Abs(Deviance) + 0.1); i++)
        {
            before = Deviance;
            var eta = _x * Beta;
            var p = eta.Map(Inverse);
            var w = Vector<double>.Build.Dense(up.Length, r => Math.Max(of[r] * p[r] * (1 - p[r]), 1e-10));
            var z = Vector<double>.Build.Dense(up.Length, r => eta[r] + ((up[r] - (of[r] * p[r])) / w[r]));
            var weighted = _x.TransposeThisAndMultiply(Matrix<double>.Build.DenseOfDiagonalVector(w));
            Covariance = (weighted * _x).Inverse();
            Beta = Covariance * (weighted * z);
        }
    }

    public Vector<double> Beta { get; private set; }

    /// <summary>Of β before overdispersion.</summary>
    public Matrix<double> Covariance { get; private set; }

    public int Df => _up.Length - _x.ColumnCount;

    public double Deviance => 2 * Enumerable.Range(0, _up.Length)
        .Sum(r => Part(_up[r], Fitted(r)) + Part(_of[r] - _up[r], _of[r] - Fitted(r)));

    /// <summary>Pearson's χ² over its freedom: 1 where trays vary as coins would, more where they vary by more.</summary>
    public double Dispersion => Df > 0 ? Enumerable.Range(0, _up.Length)
        .Sum(r => Math.Pow(_up[r] - Fitted(r), 2) / (Fitted(r) * (1 - (Fitted(r) / _of[r])))) / Df : 1;

    public double Fitted(int row) => _of[row] * Inverse(_x.Row(row) * Beta);

    public static double Inverse(double eta) => 1 / (1 + Math.Exp(-Math.Clamp(eta, -35, 35)));

    private static double Part(double seen, double fitted) => seen <= 0 ? 0 : seen * Math.Log(seen / fitted);
}
