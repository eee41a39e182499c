using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>Ground, rate and tank.</summary>
public sealed record TankPlanQuestion
{
    /// <summary>Ground to cover, more than 0 to 10,000,000 m².</summary>
    public double? AreaM2 { get; init; }

    /// <summary>Mixed liquid on a hectare, 1 to 200,000 L.</summary>
    public double? RateLPerHa { get; init; }

    /// <summary>What the tank holds, 0.5 to 20,000 L.</summary>
    public double? TankL { get; init; }

    /// <summary>Brew thinned to one in so many, 1 to 10,000; 1 is neat.</summary>
    public double? OneIn { get; init; }

    /// <summary>Spare for priming, hoses and dead volume, 0 to 0.5 of the whole; 0.05 when not given.</summary>
    public double? SpareShare { get; init; }
}

/// <summary>One filling.</summary>
public sealed record TankLoad(double TotalL, double TeaL, double WaterL);

/// <summary>All fillings.</summary>
/// <param name="Loads">Full tanks first, then the part tank.</param>
/// <param name="TotalL">Mixed liquid in all.</param>
/// <param name="TeaL">Brew in all.</param>
/// <param name="WaterL">Water in all.</param>
/// <param name="SpareL">Of the whole, spare.</param>
/// <param name="TeaPer100M2">Undiluted brew on 100 m², L: what counts for the biology.</param>
/// <param name="Millimetres">As deep as rain, mm.</param>
/// <param name="Verdict">In a sentence.</param>
public sealed record TankPlanAnswer(
    IReadOnlyList<TankLoad> Loads, double TotalL, double TeaL, double WaterL, double SpareL, double TeaPer100M2, double Millimetres,
    Verdict Verdict);

/// <summary>Area and rate to tanks.</summary>
public static class TankPlan
{
    /// <summary>More fillings than this are nobody's day's work.</summary>
    public const int MostLoads = 100;

    /// <summary>Litres = area × rate × (1 + spare); full tanks, then what is left.</summary>
    /// <remarks>3,600 m² at 300 L/ha in a 60 L tank, one in 6, no spare: 108 L, 18 of them brew: 60 L with 10, then 48 L with 8.</remarks>
    public static Ruling<TankPlanAnswer> Of(TankPlanQuestion q)
    {
        var checks = new Checks();
        var area = checks.Range("areaM2", q.AreaM2, 0.1, 1e7, "m²");
        var rate = checks.Range("rateLPerHa", q.RateLPerHa, 1, 200_000, "L/ha", "A litre on a square metre is 10,000 L/ha.");
        var tank = checks.Range("tankL", q.TankL, 0.5, 20_000, "L");
        var oneIn = checks.Range("oneIn", q.OneIn ?? 1, 1, 10_000, "", "1 is neat; one part to five of water is 6.");
        var spare = checks.Range("spareShare", q.SpareShare ?? 0.05, 0, 0.5, "");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var wanted = area * rate / 10_000;
        var total = wanted * (1 + spare);
        var (fills, deep) = (Math.Ceiling((total / tank) - 1e-9), wanted / area);
        if (fills > MostLoads)
        {
            return Refusal.Of("tankL",
                $"That is {Say.Number(total)} L, {Say.Number(deep, 2)} mm like rain, and {Say.Number(fills)} fillings "
                    + $"of {Say.Number(tank)} L.",
                "Thin it less, put it on with the irrigation, or take a larger tank: the brew on the ground is what counts, not the "
                    + "water.");
        }

        var full = (int)Math.Floor((total / tank) + 1e-9);
        var last = total - (full * tank);
        TankLoad Load(double litres) => new(litres, litres / oneIn, litres - (litres / oneIn));
        IReadOnlyList<TankLoad> loads = [.. Enumerable.Repeat(Load(tank), full), .. last > 1e-6 ? [Load(last)] : Array.Empty<TankLoad>()];
        var teaPer100 = rate / 100 / oneIn;
        var verdict = deep > 5
            ? new Verdict(Tone.Mind, $"{Say.Number(deep, 2)} mm: that is an irrigation.",
                $"{Says(loads, tank)} Half of it may run past the roots; less water carries the same brew.")
            : new Verdict(Tone.Go, Says(loads, tank),
                $"{Say.Number(total / oneIn)} L of brew in {Say.Number(total)} L; {Say.Number(teaPer100, 2)} L of brew on 100 m².");
        return Worked.Of(
            new TankPlanAnswer(loads, total, total / oneIn, total - (total / oneIn), total - wanted, teaPer100, deep, verdict),
            "L",
            Evidence.ChemistryOrPhysics,
            [
                new("on the ground", "area × rate", $"{Say.Number(area)} m² × {Say.Number(rate)} L/ha ÷ 10,000",
                    $"{Say.Number(wanted)} L", "sum"),
                new("with the spare", "× (1 + spare)", $"{Say.Number(wanted)} L × {Say.Number(1 + spare)}", $"{Say.Number(total)} L",
                    "priming, hoses, dead volume"),
                new("fillings", "÷ tank", $"{Say.Number(total)} L ÷ {Say.Number(tank)} L",
                    $"{full} full{(last > 1e-6 ? $", then {Say.Number(last)} L" : "")}", "sum"),
                new("brew", "÷ one in", $"{Say.Number(total)} L ÷ {Say.Number(oneIn)}", $"{Say.Number(total / oneIn)} L", "dilution"),
            ],
            [Cautions.Spraying, Cautions.RunOff]);
    }

    private static string Says(IReadOnlyList<TankLoad> loads, double tank) =>
        loads.Count == 1 ? $"One filling of {Say.Number(loads[0].TotalL)} L."
            : $"{loads.Count} fillings{(loads[^1].TotalL < tank - 1e-6 ? $", the last of {Say.Number(loads[^1].TotalL)} L" : "")}.";
}
