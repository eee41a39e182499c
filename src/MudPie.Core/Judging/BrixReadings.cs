using MudPie.Core.Judging.Statistics;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging;

/// <summary>Corrects refractometer readings to 20 °C by the international sucrose table.</summary>
public static class BrixCorrection
{
    // International temperature correction for sucrose refractometers, reference 20 °C: rows 10 to 30 °C, columns 0, 5 … 30 °Bx as read.
    // Add the figure.
    private static readonly double[,] Table =
    {
        { -0.50, -0.54, -0.58, -0.61, -0.64, -0.66, -0.68 }, { -0.46, -0.49, -0.53, -0.55, -0.58, -0.60, -0.62 },
        { -0.42, -0.45, -0.48, -0.50, -0.52, -0.54, -0.56 }, { -0.37, -0.40, -0.42, -0.44, -0.46, -0.48, -0.49 },
        { -0.33, -0.35, -0.37, -0.39, -0.40, -0.41, -0.42 }, { -0.27, -0.29, -0.31, -0.33, -0.34, -0.34, -0.35 },
        { -0.22, -0.24, -0.25, -0.26, -0.27, -0.28, -0.28 }, { -0.17, -0.18, -0.19, -0.20, -0.21, -0.21, -0.21 },
        { -0.12, -0.13, -0.13, -0.14, -0.14, -0.14, -0.14 }, { -0.06, -0.06, -0.06, -0.07, -0.07, -0.07, -0.07 },
        { 0, 0, 0, 0, 0, 0, 0 }, { 0.06, 0.07, 0.07, 0.07, 0.07, 0.08, 0.08 },
        { 0.13, 0.13, 0.14, 0.14, 0.15, 0.15, 0.15 }, { 0.19, 0.20, 0.21, 0.22, 0.22, 0.23, 0.23 },
        { 0.26, 0.27, 0.28, 0.29, 0.30, 0.30, 0.31 }, { 0.33, 0.35, 0.36, 0.37, 0.38, 0.38, 0.39 },
        { 0.40, 0.42, 0.43, 0.44, 0.45, 0.46, 0.47 }, { 0.48, 0.50, 0.52, 0.53, 0.54, 0.55, 0.55 },
        { 0.56, 0.57, 0.60, 0.61, 0.62, 0.63, 0.63 }, { 0.64, 0.66, 0.68, 0.69, 0.71, 0.72, 0.72 },
        { 0.72, 0.74, 0.77, 0.78, 0.79, 0.80, 0.80 },
    };

    /// <summary>Brix at 20 °C.</summary>
    /// <param name="brix">As read, 0 to 30 °Bx: the table ends there.</param>
    /// <param name="temperatureC">Of the meter's prism, 10 to 30 °C: outside, the table says nothing and neither does Mud Pie.</param>
    /// <remarks>10 °Bx at 25 °C is 10.36; at 20 °C nothing is added.</remarks>
    public static Ruling<Brix> To20(double? brix, double? temperatureC)
    {
        var checks = new Checks();
        var read = checks.Range("brix", brix, 0, 30, "°Bx", "The correction table ends at 30.");
        var t = checks.Range("temperatureC", temperatureC, 10, 30, "°C",
            "Outside that the table says nothing: let the meter come indoors for ten minutes and read again.");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        // Water reads 0 and a little below in the cold; sap never holds less than nothing.
        var add = Math.Max(Interpolate(read, t), -read);
        return Worked.Of(
            new Brix(read + add),
            "°Bx at 20 °C",
            Evidence.ChemistryOrPhysics,
            [new("temperature", "reading + table, interpolated both ways",
                $"{Say.Number(read)} °Bx at {Say.Number(t)} °C, {(add < 0 ? "−" : "+")}{Say.Fixed(Math.Abs(add), 2)}",
                $"{Say.Fixed(read + add, 2)} °Bx",
                "international temperature correction table for sucrose refractometers, reference 20 °C")]);
    }

    private static double Interpolate(double brix, double t)
    {
        var (row, column) = (Math.Min((int)(t - 10), 19), Math.Min((int)(brix / 5), 5));
        var (u, v) = (t - 10 - row, (brix / 5) - column);
        var low = Table[row, column] + (v * (Table[row, column + 1] - Table[row, column]));
        var high = Table[row + 1, column] + (v * (Table[row + 1, column + 1] - Table[row + 1, column]));
        return low + (u * (high - low));
    }
}

/// <summary>How a set of leaves was read, so that two sets can be compared.</summary>
/// <param name="Corrected">Readings at 20 °C, °Bx.</param>
/// <param name="LeafPosition">Which leaf.</param>
/// <param name="ClockHour">Hour of the day, 0 to 24.</param>
/// <param name="Sky">Over the last three days.</param>
public sealed record BrixSet(IReadOnlyList<double> Corrected, LeafPosition LeafPosition, double ClockHour, Sky Sky);

/// <summary>One set's value.</summary>
public sealed record BrixValue(int Count, double Mean, double? Low95, double? High95);

/// <summary>What two sets say.</summary>
/// <param name="Before">Before.</param>
/// <param name="After">After.</param>
/// <param name="Difference">After − before, °Bx.</param>
/// <param name="Low95">Lower end of the 95 % interval; null where there are too few readings.</param>
/// <param name="High95">Upper end.</param>
/// <param name="InsideNoise">True where the interval holds zero; null where there is no interval.</param>
/// <param name="Sentence">The plain sentence.</param>
/// <param name="Caveats">What else could have made the change.</param>
public sealed record BrixDifference(
    BrixValue Before, BrixValue After, double Difference, double? Low95, double? High95, bool? InsideNoise, string Sentence,
    IReadOnlyList<string> Caveats);

/// <summary>Compares readings before and after.</summary>
public static class BrixReadings
{
    /// <summary>Standard deviation of a meter read to 0.2 °Bx: the least noise there can be, even where all readings agree.</summary>
    private const double ReadingGrain = 0.0577;

    /// <summary>Mean of one set with its 95 % interval (Student's t; none below two readings). One to fifty readings.</summary>
    public static BrixValue Value(IReadOnlyList<double> corrected)
    {
        var n = corrected.Count;
        if (n == 0)
        {
            return new BrixValue(0, 0, null, null);
        }

        var known = Estimate.Of(corrected, ReadingGrain);
        return n < 2 ? new BrixValue(n, known.Mean, null, null)
            : new BrixValue(n, known.Mean, known.Mean - known.Half(), known.Mean + known.Half());
    }

    /// <summary>After minus before, by Welch's t (different leaves each time), with what else may have changed.</summary>
    /// <remarks>8.8, 9.0, 9.2 before and 9.9, 10.3, 10.1 after: +1.1 °Bx, give or take 0.5.</remarks>
    public static Worked<BrixDifference> Compare(BrixSet before, BrixSet after)
    {
        var (a, b) = (Value(before.Corrected), Value(after.Corrected));
        var difference = b.Mean - a.Mean;
        var caveats = Caveats(before, after).ToList();
        if (a.Count < 2 || b.Count < 2)
        {
            var none = new BrixDifference(a, b, difference, null, null, null,
                $"{Signed(difference)} °Bx, but one squeeze is noise: read three to five leaves each time.", caveats);
            return Worked.Of(none, "°Bx", Evidence.MeasuredHere);
        }

        var change = Estimate.Of(after.Corrected, ReadingGrain).Less(Estimate.Of(before.Corrected, ReadingGrain));
        var half = change.Half();
        var inside = Math.Abs(difference) <= half;
        var answer = new BrixDifference(a, b, difference, difference - half, difference + half, inside,
            Sentence(difference, half, inside), caveats);
        return Worked.Of(
            answer,
            "°Bx",
            Evidence.MeasuredHere,
            [
                new("before", "mean of readings at 20 °C", $"{a.Count} readings", $"{Say.Fixed(a.Mean, 2)} °Bx", "refractometer"),
                new("after", "mean of readings at 20 °C", $"{b.Count} readings", $"{Say.Fixed(b.Mean, 2)} °Bx", "refractometer"),
                new("give or take", "t(0.975, df) · √(s₁²/n₁ + s₂²/n₂)",
                    $"df {Say.Fixed(change.Df, 1)}, standard error {Say.Fixed(change.Se, 2)}",
                    $"±{Say.Fixed(half, 2)} °Bx", "Welch 1947"),
            ]);
    }

    /// <summary>Second less first, plant by plant: the same plants in the same order, so that what differs between plants drops out (paired
    /// t).</summary>
    /// <remarks>8, 9, 10 at the bottom and 10, 11.2, 11.8 at the top: +2.0 °Bx, give or take 0.5.</remarks>
    public static Worked<BrixDifference> ComparePlants(BrixSet first, BrixSet second)
    {
        if (first.Corrected.Count != second.Corrected.Count || first.Corrected.Count < 2)
        {
            return Compare(first, second);
        }

        var pairs = first.Corrected.Zip(second.Corrected, (a, b) => b - a).ToList();
        var known = Estimate.Of(pairs, ReadingGrain);
        var (mean, half) = (known.Mean, known.Half());
        var inside = Math.Abs(mean) <= half;
        var size = $"{Signed(mean)} °Bx, give or take {Say.Fixed(half, 1)}";
        return Worked.Of(
            new BrixDifference(Value(first.Corrected), Value(second.Corrected), mean, mean - half, mean + half, inside,
                inside ? $"{size}: inside the noise. You can't tell." : $"{size}: more than the noise.", []),
            "°Bx", Evidence.MeasuredHere,
            [new("plant by plant", "mean of differences ± t · s ÷ √n", $"{pairs.Count} plants", size, "paired t")]);
    }

    private static string Sentence(double difference, double half, bool inside)
    {
        var size = $"{Signed(difference)} °Bx, give or take {Say.Fixed(half, 1)}";
        return inside
            ? $"{size}: inside the noise. You can't tell."
            : $"{size}: more than the noise. {(difference > 0 ? "It rose" : "It fell")}; whether the brew did it takes an untreated strip.";
    }

    private static IEnumerable<string> Caveats(BrixSet before, BrixSet after)
    {
        if (before.LeafPosition != after.LeafPosition)
        {
            yield return $"The leaves differ: {before.LeafPosition.Word()} before, {after.LeafPosition.Word()} after.";
        }

        var apart = Math.Abs(before.ClockHour - after.ClockHour);
        if (Math.Min(apart, 24 - apart) > 1.5)
        {
            yield return $"The hours differ by {Say.Hours(Math.Min(apart, 24 - apart))}: brix rises through the day and falls at night.";
        }

        if (before.Sky != after.Sky && before.Sky != Sky.Unknown && after.Sky != Sky.Unknown)
        {
            yield return $"The sky differed: {before.Sky.Word()} before, {after.Sky.Word()} after.";
        }

        yield return "Before and after on the same bed can't tell the brew from the weather: read an untreated strip at the same hours.";
    }

    private static string Signed(double x) => (x < 0 ? "−" : "+") + Say.Fixed(Math.Abs(x), 1);
}
