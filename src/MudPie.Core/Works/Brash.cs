using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>A pile of woody waste, as typed.</summary>
public sealed record BrashAsked
{
    /// <summary>A material of the table; hedge brash where nothing is said.</summary>
    public string? MaterialId { get; init; }

    /// <summary>As it lies: "2 m3", "400 kg".</summary>
    public string? Amount { get; init; }
}

/// <summary>One way to use it.</summary>
/// <param name="Way">"char", "heap" or "mulch".</param>
/// <param name="Gives">What comes of it.</param>
/// <param name="Time">Until it can be used, in words.</param>
/// <param name="Nitrogen">What happens to nitrogen, in words.</param>
/// <param name="CarbonShare">Of its carbon, still there after a hundred years, 0 to 1.</param>
/// <param name="Co2Kg">The same, as kg of CO₂.</param>
/// <param name="Carbon">The same in words, with its range.</param>
/// <param name="Mind">What to mind.</param>
public sealed record BrashWay(string Way, string Gives, string Time, string Nitrogen, double CarbonShare, double Co2Kg, string Carbon,
    string Mind);

/// <summary>Three ways, side by side.</summary>
/// <param name="Ways">Char, heap, mulch.</param>
/// <param name="DryKg">Of the pile, kg.</param>
/// <param name="CarbonKg">In it, kg.</param>
/// <param name="Verdict">What each is for.</param>
public sealed record BrashAnswer(IReadOnlyList<BrashWay> Ways, double DryKg, double CarbonKg, Verdict Verdict);

/// <summary>Woody waste as char, on the heap or as mulch: time, nitrogen, carbon.</summary>
public static class BrashWays
{
    /// <summary>Dry char of dry wood in an open pit, share.</summary>
    public const double CharShare = 0.20;

    /// <summary>Depth of a mulch, m.</summary>
    public const double MulchM = 0.05;

    /// <summary>Share of a mulch that touches the ground, and so takes nitrogen of it.</summary>
    public const double Touches = 0.10;

    /// <summary>Carbon of compost and of mulch still there after a hundred years, share: little, and hardly known.</summary>
    public const double CompostStays = 0.05, MulchStays = 0.02;

    /// <summary>Works it out.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="table">The holding's table of materials.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <remarks>2 m³ of hedge brash: 400 kg, 220 kg dry, 105.6 kg of carbon. As char 44 kg dry, 220 L, of which 100.7 kg of CO₂ stay; as
    /// mulch 40 m² five centimetres deep. Source: balance of mass; IPCC 2019 for char; the rest are rough shares, and said so.</remarks>
    public static Ruling<BrashAnswer> Of(BrashAsked r, IReadOnlyList<Material> table, UnitSystem units)
    {
        var fields = new TypedFields(units);
        var of = table.FirstOrDefault(m => m.Id == (r.MaterialId ?? "brash"));
        if (of is null || of.Cn < 30)
        {
            fields.Checks.Add("materialId", of is null ? "That material is not in the table." : $"{of.Name} is not woody.",
                "Choose brash, chip, bark, sawdust or another woody one.");
            return fields.Checks.Refusal;
        }

        var read = AmountText.ReadLoose("amount", r.Amount, of.KgPerL, units);
        if (read.Refused is { } no || read.Value.Si is < 1 or > 10_000_000)
        {
            return read.Refused ?? Refusal.Of("amount", $"{read.Value.Shown} is out of range.", "Give 1 L to 10,000 m³, or its weight.");
        }

        var (litres, kg) = (read.Value.Si, read.Value.Si * of.KgPerL);
        var (dry, carbon) = (kg * (1 - of.Moisture), kg * (1 - of.Moisture) * of.Carbon);
        List<BrashWay> ways = [Burnt(dry, carbon, units), Heaped(of, kg, carbon, table, units), Mulched(of, (litres, kg), carbon, units)];
        return Worked.Of(new BrashAnswer(ways, dry, carbon, new Verdict(Tone.Go,
            "Char keeps the carbon, the heap the nitrogen, mulch the work.",
            "Burn where carbon and soil are wanted and fire is allowed; heap where greens want browns; mulch where trees stand and "
                + "hands are few.")),
            "kg CO₂", Evidence.PractitionersRule,
            [
                new("the pile", "litres × kg a litre × (1 − water)", $"{Say.Number(litres)} L × {Say.Number(of.KgPerL)} × "
                    + $"(1 − {Say.Number(of.Moisture)})", $"{Say.Number(dry)} kg dry, {Say.Number(carbon)} kg of carbon",
                        "the house’s table"),
                new("char", "dry × 0.20 × 0.78 × 0.80 × 44 ÷ 12", $"{Say.Number(dry)} kg", $"{Say.Number(ways[0].Co2Kg)} kg of CO₂ kept",
                    "an open pit; IPCC 2019"),
                new("heap", "carbon × 0.05 × 44 ÷ 12", $"{Say.Number(carbon)} kg", $"{Say.Number(ways[1].Co2Kg)} kg of CO₂ kept",
                    "rough: most is breathed out in years"),
                new("mulch", "carbon × 0.02 × 44 ÷ 12", $"{Say.Number(carbon)} kg", $"{Say.Number(ways[2].Co2Kg)} kg of CO₂ kept",
                    "rough: on the ground nearly all goes in ten years"),
            ]);
    }

    private static BrashWay Burnt(double dry, double carbon, UnitSystem units)
    {
        var (char_, low, high) = (dry * CharShare, dry * CharShare / CharMade.MostDense, dry * CharShare / CharMade.LeastDense);
        var kept = char_ * CharMade.UsualCarbon * CharCarbon.Permanence["450-600"];
        return new("char", $"{L(low, units)} to {L(high, units)} of char", "a day’s burn, then 14 days of charging",
            "what was in the wood goes up in smoke; raw char takes some up, charged char brings it", kept / carbon, kept * 44 / 12,
            $"about {Kg(kept * 44 / 12, units)} of CO₂ still there after 100 years, give or take half; no credit",
            "A permit, water and no wind; smoke is your neighbours’ too.");
    }

    private static BrashWay Heaped(Material of, double kg, double carbon, IReadOnlyList<Material> table, UnitSystem units)
    {
        var grass = table.First(m => m.Id == "grass");
        var needs = CompostRecipe.Of(new CompostQuestion {
            TargetCn = HeapBench.UsualCn, Materials = [
                new() { Name = of.Name, Kg = kg, Carbon = of.Carbon, Nitrogen = of.Nitrogen, Moisture = of.Moisture },
                new() { Name = grass.Name, Carbon = grass.Carbon, Nitrogen = grass.Nitrogen, Moisture = grass.Moisture },
            ]
        });
        var greens = needs.Refused is null ? needs.Value.MissingKg!.Value : 0;
        var nitrogen = (kg * (1 - of.Moisture) * of.Nitrogen) + (greens * (1 - grass.Moisture) * grass.Nitrogen);
        return new("heap", $"about {L((kg / of.KgPerL * 0.5) + (greens / grass.KgPerL * 0.3), units)} of compost, with "
                + $"{L(greens / grass.KgPerL, units)} of clippings", "6 to 12 months, shredded; turned five times",
            $"{Kg(nitrogen, units)} in it, of which a third may go as gas", CompostStays, carbon * CompostStays * 44 / 12,
            $"about {Kg(carbon * CompostStays * 44 / 12, units)} of CO₂, hardly known",
            greens > 0 ? "Woody alone it does not heat: it wants the greens." : "It is rich enough by itself.");
    }

    private static BrashWay Mulched(Material of, (double Litres, double Kg) pile, double carbon, UnitSystem units)
    {
        var robbed = NitrogenDrawdown.NetG(pile.Kg * Touches, of.Carbon, of.Nitrogen, of.Moisture, of.DecayPerWeek, 26);
        var area = pile.Litres / 1000 / MulchM;
        return new("mulch", $"{Units.Show(area, Dimension.Area, units)}, {Units.Show(MulchM, Dimension.Length, units)} deep",
            "at once; it lies two to four years",
            $"takes about {Say.Number(Math.Abs(robbed) / area, 2)} g a m² from the top of the ground in half a year; none from roots below",
            MulchStays, carbon * MulchStays * 44 / 12, $"about {Kg(carbon * MulchStays * 44 / 12, units)} of CO₂, hardly known",
            "On trees and shrubs, a hand off the stems; not dug in, and not on seed beds.");
    }

    private static string L(double litres, UnitSystem units) => Units.Show(litres, Dimension.Volume, units);

    private static string Kg(double kg, UnitSystem units) => Units.Show(kg * 1000, Dimension.Mass, units);
}
