namespace MudPie.Core.Judging.Statistics;

/// <summary>A term of a model: one factor, or several crossed.</summary>
internal sealed record Term(IReadOnlyList<Factor> Factors)
{
    public string Name => string.Join(":", Factors.Select(f => f.Name));

    /// <summary>True where this term is part of the other: height is part of height:soil.</summary>
    public bool Within(Term other) => other.Factors.Count > Factors.Count && Factors.All(other.Factors.Contains);

    /// <summary>Columns in deviations from the mean level (sum to zero), products for crossed factors.</summary>
    public IEnumerable<(double[] Column, int[] Code)> Columns(int rows) => Codes(0).Select(code => (Column(rows, code), code));

    /// <summary>Which levels each of its columns stands for.</summary>
    public IEnumerable<int[]> Codes() => Codes(0);

    private double[] Column(int rows, int[] code)
    {
        var column = new double[rows];
        Array.Fill(column, 1);
        for (var f = 0; f < Factors.Count; f++)
        {
            var (of, last) = (Factors[f].Of, Factors[f].Levels.Count - 1);
            for (var r = 0; r < rows; r++)
            {
                column[r] *= of[r] == last ? -1 : of[r] == code[f] ? 1 : 0;
            }
        }

        return column;
    }

    /// <summary>What a column of this code is at given levels.</summary>
    public double Value(int[] code, Func<int, int> levelOf)
    {
        var value = 1.0;
        for (var f = 0; f < Factors.Count; f++)
        {
            var (level, last) = (levelOf(f), Factors[f].Levels.Count - 1);
            value *= level == last ? -1 : level == code[f] ? 1 : 0;
        }

        return value;
    }

    private IEnumerable<int[]> Codes(int from)
    {
        if (from == Factors.Count)
        {
            return [[]];
        }

        return Enumerable.Range(0, Factors[from].Levels.Count - 1).SelectMany(c => Codes(from + 1).Select(rest => (int[])[c, .. rest]));
    }
}
