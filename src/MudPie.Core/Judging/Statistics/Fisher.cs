using MathNet.Numerics;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Statistics;

/// <summary>What a two by two table says.</summary>
/// <param name="P">Two-sided, by Fisher's exact test.</param>
/// <param name="OddsRatio">The ratio under which the table is likeliest, its margins held; null where it is without end, and where all or
/// none came up in both trays, so that nothing tells it.</param>
/// <param name="Lower">Lower end of the exact 95 % interval.</param>
/// <param name="Upper">Upper end; null where it has none.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record GerminationAnswer(double P, double? OddsRatio, double Lower, double? Upper, string Sentence);

/// <summary>Question of germination.</summary>
public sealed record GerminationQuestion
{
    /// <summary>[[up, not], [up, not]]: first tray, second tray; each 0 to 10,000 seeds.</summary>
    public IReadOnlyList<IReadOnlyList<double>>? Table { get; init; }
}

/// <summary>Fisher's exact test on counts of germinated: one tray against another.</summary>
public static class Germination
{
    /// <summary>Works it out. Worked: 44 up and 4 not against 36 up and 12 not: p 0.0528, odds ratio 3.62 (0.99 to 16.7).</summary>
    public static Ruling<GerminationAnswer> Of(GerminationQuestion q)
    {
        var checks = new Checks();
        var table = q.Table ?? [];
        if (table.Count != 2 || table.Any(r => r is null || r.Count != 2))
        {
            return checks.Add("table", "That is not two rows of two counts.", "Give [[up, not], [up, not]].").Refusal;
        }

        for (var i = 0; i < 4; i++)
        {
            var count = checks.Range($"table[{i / 2}][{i % 2}]", table[i / 2][i % 2], 0, 10_000, "seeds");
            if (checks.Sound && count != Math.Floor(count))
            {
                checks.Add($"table[{i / 2}][{i % 2}]", $"{Say.Number(count)} is no count.", "Give whole seeds.");
            }
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var (a, b, c, d) = ((int)table[0][0], (int)table[0][1], (int)table[1][0], (int)table[1][1]);
        if (a + b == 0 || c + d == 0)
        {
            return Refusal.Of(a + b == 0 ? "table[0]" : "table[1]", "No seed was sown in that tray.",
                "Give how many came up and how many did not.");
        }

        var (p, odds, lower, upper) = Exact(a, b, c, d);
        var (first, second) = (100.0 * a / (a + b), 100.0 * c / (c + d));
        var told = double.IsNaN(odds) ? "all or none came up in both: nothing tells them apart" : p < 0.05
            ? "more than chance would do" : "chance alone could do that: you can't tell yet";
        return Worked.Of(
            new GerminationAnswer(p, Finite(odds), lower, Finite(upper),
                $"{Say.Number(first)} % against {Say.Number(second)} % came up: {told}. One tray each is one replicate each: sow several."),
            "",
            Evidence.MeasuredHere,
            [
                new("chance", "sum of all tables no likelier than this one, margins held", $"{a}/{a + b} against {c}/{c + d}",
                    $"p {Say.Number(p)}", "Fisher 1935"),
                new("odds ratio", "the one that makes this table likeliest; ends where each tail is 2.5 %", "margins held",
                    $"{Shown(odds)} ({Shown(lower)} to {Shown(upper)})", "Cornfield 1956, conditional likelihood"),
            ]);
    }

    /// <summary>p, odds ratio and its 95 % interval; the ratio may be 0, infinite, or not a number where all came up in both or none did:
    /// then nothing tells it.</summary>
    internal static (double P, double Odds, double Lower, double Upper) Exact(int a, int b, int c, int d)
    {
        var (row, other, up) = (a + b, c + d, a + c);
        var (least, most) = (Math.Max(0, up - other), Math.Min(row, up));
        var log = Enumerable.Range(least, most - least + 1)
            .Select(x => SpecialFunctions.BinomialLn(row, x) + SpecialFunctions.BinomialLn(other, up - x)).ToArray();
        double[] At(double lnOdds)
        {
            var top = log.Select((l, i) => l + (i * lnOdds)).Max();
            var weights = log.Select((l, i) => Math.Exp(l + (i * lnOdds) - top)).ToArray();
            var sum = weights.Sum();
            return [.. weights.Select(w => w / sum)];
        }

        var plain = At(0);
        var here = plain[a - least];
        var p = Math.Min(1, plain.Where(x => x <= here * (1 + 1e-7)).Sum());
        double Mean(double lnOdds) => At(lnOdds).Select((w, i) => w * (i + least)).Sum();
        double AtLeast(double lnOdds) => At(lnOdds).Skip(a - least).Sum();
        double AtMost(double lnOdds) => At(lnOdds).Take(a - least + 1).Sum();
        // Sought on the odds, or on one over them, whichever lies between 0 and 1.
        double Find(Func<double, double> rising, double target) => rising(0) > target
            ? Quadrature.Root(t => rising(t > 0 ? Math.Log(t) : -700) - target, 0, 1)
            : 1 / Quadrature.Root(t => rising(-Math.Log(t)) - target, Math.Pow(2, -52), 1);
        var odds = least == most ? double.NaN : a == least ? 0 : a == most ? double.PositiveInfinity : Find(Mean, a);
        var lower = least == most || a == least ? 0 : Find(AtLeast, 0.025);
        var upper = least == most || a == most ? double.PositiveInfinity : Find(x => -AtMost(x), -0.025);
        return (p, odds, lower, upper);
    }

    private static double? Finite(double x) => double.IsFinite(x) ? x : null;

    private static string Shown(double x) => double.IsNaN(x) ? "can’t be told" : double.IsFinite(x) ? Say.Number(x) : "no end";
}
