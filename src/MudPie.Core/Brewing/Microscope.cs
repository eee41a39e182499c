using MathNet.Numerics.Distributions;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Counts of one thing, field by field, and what was looked through.</summary>
public record MicroscopeQuestion
{
    /// <summary>Counts by field, whole numbers from 0 to 100,000; 1 to 400 fields.</summary>
    public IReadOnlyList<double>? Counts { get; init; }

    /// <summary>Field number engraved on the eyepiece, 10 to 30 mm.</summary>
    public double? FieldNumberMm { get; init; }

    /// <summary>Magnification of the objective, 2 to 100.</summary>
    public double? Objective { get; init; }

    /// <summary>Area of the cover slip, 50 to 2000 mm².</summary>
    public double? CoverSlipMm2 { get; init; }

    /// <summary>Drop under it, 0.005 to 0.2 mL.</summary>
    public double? DropMl { get; init; }

    /// <summary>Thinned to one in so many, 1 to 1,000,000; 1 is neat.</summary>
    public double? Dilution { get; init; }
}

/// <summary>What the counts come to.</summary>
/// <param name="PerMl">Per mL of brew.</param>
/// <param name="Low95">Lower end of the 95 % interval.</param>
/// <param name="High95">Upper end.</param>
/// <param name="Fields">Fields counted.</param>
/// <param name="MoreFieldsToHalve">More fields that would halve the error; null where nothing was seen.</param>
/// <param name="WithFive">What five fields would have left open: give or take, per mL.</param>
/// <param name="Clumped">The fields differ more than chance alone makes them.</param>
public sealed record MicroscopeAnswer(double PerMl, double Low95, double High95, int Fields, int? MoreFieldsToHalve, double? WithFive,
    bool Clumped);

/// <summary>Counts under the microscope.</summary>
public static class Microscope
{
    /// <summary>Dry mass of a cell's volume: 0.23 g per cm³ = 2.3e-7 µg per µm³ (wet density 1.1, about 21 % dry).</summary>
    public const double MicrogramsPerCubicMicron = 2.3e-7;

    /// <summary>perMl = mean per field × (cover slip ÷ field) × dilution ÷ drop; 95 % by Poisson, or by the fields' own spread where that
    /// is wider.</summary>
    /// <remarks>Twenty fields with 8 on average, field number 18 at 40×, 324 mm² slip, 0.05 mL, neat: field 0.159 mm², 326,000 per
    /// mL.</remarks>
    public static Ruling<MicroscopeAnswer> Count(MicroscopeQuestion q)
    {
        var checks = new Checks();
        var perField = PerField(q, checks);
        var counts = Read(q.Counts, "counts", checks);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var (mean, half, low, high, clumped) = Interval(counts);
        var five = HalfWidth(counts, 5);
        return Worked.Of(
            new MicroscopeAnswer(mean * perField, low * perField, high * perField, counts.Count, More(counts, half),
                five * perField, clumped),
            "per mL",
            Evidence.MeasuredHere,
            [
                FieldLine(q),
                new("per mL", "mean per field × (cover slip ÷ field) × dilution ÷ drop", $"{Say.Number(mean)} × {Say.Number(perField)}",
                    $"{Say.Number(mean * perField)} per mL", "counting from a drop"),
                new("interval", clumped ? "mean ± t · s ÷ √n: the fields' own spread" : "Poisson on all that was counted",
                    $"{counts.Count} fields, {Say.Number(counts.Sum())} counted",
                    $"{Say.Number(low * perField)} to {Say.Number(high * perField)}", "Garwood 1936; Student 1908; the wider is taken"),
            ]);
    }

    /// <summary>Field area, mm²: π/4 · (field number ÷ objective)².</summary>
    public static double FieldMm2(double fieldNumberMm, double objective) => Math.PI / 4 * Math.Pow(fieldNumberMm / objective, 2);

    /// <summary>Share of organisms that came through a pump or sprayer whole: after ÷ before, with its 95 % interval on the logarithm, at
    /// most 1.</summary>
    /// <remarks>160 before and 120 after in as many fields: 0.75, 0.59 to 0.95.</remarks>
    public static Ruling<WholeAnswer> CameThrough(IReadOnlyList<double>? before, IReadOnlyList<double>? after)
    {
        var checks = new Checks();
        var (b, a) = (Read(before, "before", checks), Read(after, "after", checks));
        if (checks.Sound && b.Sum() < 1)
        {
            checks.Add("before", "Nothing was seen before.", "Count a stronger sample: a share of nothing says nothing.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var share = Math.Max(a.Average(), 0.5 / a.Count) / b.Average();
        var se = Math.Sqrt(Relative(b) + Relative(a));
        // No more can come through than went in: what is counted above that is chance.
        var (low, high) = (Math.Min(share * Math.Exp(-1.959964 * se), 1), Math.Min(share * Math.Exp(1.959964 * se), 1));
        var shown = a.Sum() == 0 ? 0 : Math.Min(share, 1);
        var sentence = high < 0.8
            ? $"About {Say.Number(shown * 100, 2)} % came through whole: it breaks them. Less pressure, a coarser nozzle or a gentler pump."
            : low > 0.8 ? $"About {Say.Number(shown * 100, 2)} % came through whole: it is gentle enough."
            : $"About {Say.Number(shown * 100, 2)} % came through whole, but anything from {Say.Number(low * 100, 2)} "
                + $"to {Say.Number(high * 100, 2)} % would look like this: count more fields.";
        return Worked.Of(
            new WholeAnswer(shown, low, high, sentence), "", Evidence.MeasuredHere,
            [new("came through whole", "after ÷ before, ± 1.96 · √(relative variances) on the logarithm",
                $"{Say.Number(a.Average())} ÷ {Say.Number(b.Average())} per field",
                $"{Say.Number(shown * 100, 2)} %, {Say.Number(low * 100, 2)} to {Say.Number(high * 100, 2)} %",
                "Poisson or the fields' own spread, whichever is wider")]);
    }

    /// <summary>Relative variance of a mean count: 1 ÷ all that was counted (a half where nothing was), or the fields' own spread where it
    /// is wider.</summary>
    /// <remarks>8, 8, 8, 8: 1 ÷ 32.</remarks>
    internal static double Relative(IReadOnlyList<double> c)
    {
        var total = Math.Max(c.Sum(), 0.5);
        var own = c.Count > 1 ? Variance(c) / c.Count / Math.Pow(Math.Max(c.Average(), 0.5 / c.Count), 2) : 0;
        return Math.Max(1 / total, own);
    }

    internal static double PerField(MicroscopeQuestion q, Checks checks)
    {
        var number = checks.Range("fieldNumberMm", q.FieldNumberMm, 10, 30, "mm", "It is engraved on the eyepiece, as 18 or 20.");
        var objective = checks.Range("objective", q.Objective, 2, 100, "", "4, 10, 40 or 100 stands on it.");
        var slip = checks.Range("coverSlipMm2", q.CoverSlipMm2, 50, 2000, "mm²", "18 by 18 mm is 324.");
        var drop = checks.Range("dropMl", q.DropMl, 0.005, 0.2, "mL", "A drop is about 0.05 mL.");
        var dilution = checks.Range("dilution", q.Dilution ?? 1, 1, 1e6, "");
        return checks.Sound ? slip / FieldMm2(number, objective) * dilution / drop : 0;
    }

    internal static WorkingLine FieldLine(MicroscopeQuestion q) => new(
        "field", "π ÷ 4 · (field number ÷ objective)²", $"{Say.Number(q.FieldNumberMm!.Value)} mm ÷ {Say.Number(q.Objective!.Value)}",
        $"{Say.Number(FieldMm2(q.FieldNumberMm.Value, q.Objective.Value))} mm²", "optics");

    internal static IReadOnlyList<double> Read(IReadOnlyList<double>? counts, string field, Checks checks)
    {
        if (counts is null || counts.Count is 0 or > 400)
        {
            checks.Add(field, counts is { Count: > 400 } ? "That is more than 400 fields." : "No field was counted.",
                "Give one number a field, twenty fields as a rule.");
            return [0];
        }

        for (var i = 0; i < counts.Count; i++)
        {
            checks.Range($"{field}[{i}]", counts[i], 0, 100_000, "");
        }

        return counts;
    }

    /// <summary>Mean per field with its 95 % interval: Poisson (Garwood), or t with the fields' own variance, whichever is wider.</summary>
    internal static (double Mean, double Half, double Low, double High, bool Clumped) Interval(IReadOnlyList<double> counts)
    {
        var (n, total, mean) = (counts.Count, counts.Sum(), counts.Average());
        var low = total <= 0 ? 0 : Gamma.InvCDF(total, 1, 0.025) / n;
        var high = Gamma.InvCDF(total + 1, 1, 0.975) / n;
        var own = n > 1 ? StudentT.InvCDF(0, 1, n - 1, 0.975) * Math.Sqrt(Variance(counts) / n) : 0;
        var clumped = 2 * own > high - low;
        return clumped ? (mean, own, Math.Max(mean - own, 0), mean + own, true) : (mean, (high - low) / 2, low, high, false);
    }

    internal static double Variance(IReadOnlyList<double> c)
    {
        var mean = c.Average();
        return c.Count < 2 ? 0 : c.Sum(x => (x - mean) * (x - mean)) / (c.Count - 1);
    }

    /// <summary>Half-width that so many fields of the same kind would leave.</summary>
    internal static double HalfWidth(IReadOnlyList<double> counts, int fields)
    {
        var mean = counts.Average();
        var variance = Math.Max(Math.Max(mean, 0.5 / counts.Count), Variance(counts));
        return StudentT.InvCDF(0, 1, Math.Max(fields - 1, 1), 0.975) * Math.Sqrt(variance / fields);
    }

    internal static int? More(IReadOnlyList<double> counts, double half)
    {
        if (counts.Sum() <= 0)
        {
            return null;
        }

        var fields = counts.Count;
        while (fields < 4000 && HalfWidth(counts, fields) > half / 2)
        {
            fields++;
        }

        return fields - counts.Count;
    }
}

/// <summary>What a pump or sprayer left whole.</summary>
public sealed record WholeAnswer(double Share, double Low95, double High95, string Sentence);
