using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Sheets;
using MudPie.Core.Workings;
using MudPie.Core.Works;

namespace MudPie.Core.Solids;

/// <summary>What is said of a solid before it goes on the ground.</summary>
public static class SpreadSays
{
    /// <summary>Manure that was not composted, where food grows.</summary>
    public static readonly Caution RawManure = new("raw-manure",
        "Manure that no logged heat went through: usual codes want 120 days to the harvest where what is eaten touches the soil, 90 where "
            + "it does not.", "A usual caution: your code and your buyer decide.");

    /// <summary>Lime, ash and other powders.</summary>
    public static readonly Caution Powder = new("powder", "Gloves, goggles and a dust mask; not in wind, and not with wet hands.",
        "A usual caution: the bag’s own label goes first.");

    /// <summary>Coffee grounds on the ground.</summary>
    public static readonly Caution Grounds = new("grounds-out",
        "On ornamentals, not on seed beds. As a barrier against slugs or ants nothing supports it: try it as a trial. A home-made spray of "
            + "them is a pesticide in law in many places.", "Published work covers some crops and soils only; local law comes first.");

    /// <summary>What has to be said, short.</summary>
    public static IReadOnlyList<Caution> Cautions(Solid of, SpreadAnswer a, IReadOnlyList<SolidBed> beds)
    {
        List<Caution> said = [];
        if ((of.Kind == "manure" || a.Material?.Id is "cattle" or "hen") && beds.Any(b => b.Eaten))
        {
            said.Add(RawManure);
        }

        said.Add(of.Kind is "mineral" or "caustic" ? Powder : a.Material?.Id == "char" ? BurnCautions.Dust
            : Workings.Cautions.Dust);
        if (a.Material?.Id == "grounds")
        {
            said.Add(Grounds);
        }

        if (a.NitrogenGPerM2 >= 10)
        {
            said.Add(Workings.Cautions.RunOff);
        }

        return said;
    }

    /// <summary>What to fetch, or what to mind first.</summary>
    public static Verdict Verdict(SpreadAsked r, SpreadAnswer a, Solid of, UsualInput? usual, UnitSystem units)
    {
        string L(double litres) => Bulk(litres, units);
        var small = a.Litres < 20;
        var fetch = small ? $"{L(a.Litres)} of {of.Name}" : $"{L(a.Litres)} of {of.Name}: {Barrows(a.Barrows)}";
        var weight = $"{Heavy(a.Kg, units)} as it lies";
        if (Minds(r, a, of, usual, units) is { } mind)
        {
            return new Verdict(Tone.Mind, mind.Sentence, $"{mind.Why} As it is asked: {fetch}, {weight}.");
        }

        var how = a.Spreader is { } s
            ? $" {Say.Count(s.Passes, "pass", "passes")} of the spreader give {Say.Number(s.GivesShare * 100, 2)} % of it."
            : a.LPerPlant is { } one ? $" {L(one)} for each plant." : $" {Per.Square(a.LPerM2, Dimension.Volume, units)}.";
        return new Verdict(Tone.Go, $"{fetch}.", $"{weight}.{how}");
    }

    /// <summary>Loose stuff: from a cubic metre on in those, where the holding is metric.</summary>
    /// <remarks>1,800 L: "1.8 m³".</remarks>
    public static string Bulk(double litres, UnitSystem units) => litres >= 1000 && !units.IsUs() ? $"{Say.Number(litres / 1000)} m³"
        : Units.Show(litres, Dimension.Volume, units);

    /// <summary>Its weight: from a tonne on in those, where the holding is metric.</summary>
    /// <remarks>1,080 kg: "1.08 t".</remarks>
    public static string Heavy(double kg, UnitSystem units) => kg >= 1000 && !units.IsUs() ? $"{Say.Number(kg / 1000)} t"
        : Units.Show(kg * 1000, Dimension.Mass, units);

    /// <summary>Half barrows at least: "22½ barrows"; of less than a quarter no more than that it is a little.</summary>
    /// <remarks>22.5: "22½ barrows"; 0.3: "half a barrow"; 0.07: "the bottom of a barrow".</remarks>
    public static string Barrows(double barrows)
    {
        if (barrows < 0.25)
        {
            return "the bottom of a barrow";
        }

        var halves = Math.Max(1, (int)Math.Min(Math.Ceiling((barrows * 2) - 0.02), int.MaxValue));
        return halves == 1 ? "half a barrow" : $"{(halves / 2).ToString(System.Globalization.CultureInfo.InvariantCulture)}"
            + $"{(halves % 2 == 1 ? "½" : "")} {(halves == 2 ? "barrow" : "barrows")}";
    }

    // An inch where 25 mm is the most is no mistake: limits are round figures of their own units.
    private const double RoundedShare = 0.02;

    private static (string Sentence, string Why)? Minds(SpreadAsked r, SpreadAnswer a, Solid of, UsualInput? usual, UnitSystem units)
    {
        string Mm(double mm) => Per.Centimetres(mm / 10, units);
        var deepest = a.Beds.Max(b => b.DepthMm);
        if (a.Limit is { } limit && deepest > limit.Mm * (1 + RoundedShare))
        {
            return ($"{Mm(deepest)} of {of.Name} is too thick.", $"Above {Mm(limit.Mm)} {limit.Why}. Keep it a hand off stems.");
        }

        if (a.Material?.Id == "grounds" && r.Place == SpreadPlace.WorkedIn)
        {
            return ("Raw coffee grounds stunt what grows in them.",
                "For six to twelve months, from about 2.5 % by volume, and not for want of "
                + "nitrogen: compost them first, or put them where nothing is sown for half a year.");
        }

        if (Materials.RawChar(of.Kind, of.Name))
        {
            return ("It is raw char: it takes up nitrogen.",
                "Charge it for 14 days first, or give it only where something rich goes with it.");
        }

        if (r.Place == SpreadPlace.WorkedIn && a.Nitrogen?.Value.Weeks[^1].G < -2)
        {
            return ($"Worked in, it robs {Say.Number(-a.Nitrogen.Value.Weeks[^1].G, 2)} g of nitrogen a m².",
                "Leave it on top, or feed the bed with it.");
        }

        // On a field codes count it; a garden bed is dressed thickly once in years.
        if (a.NitrogenGPerM2 * 10 > SpreadBench.MostNKgPerHa && a.Material is not { Cn: > 30 } && a.Litres / a.LPerM2 >= 1000)
        {
            return ($"It brings {Say.Number(a.NitrogenGPerM2!.Value * 10, 2)} kg of nitrogen a hectare.",
                "Usual codes stop at 170 to 250 a year from manures and composts; most of it comes free over years. Ask yours.");
        }

        if (usual is not null && of.Kind is "mineral" or "organicFeed" or "caustic" && a.LPerM2 * a.KgPerL * 10_000 > usual.MostKgPerHa)
        {
            return ($"That is more {of.Name} than is usual in a year.",
                $"{Per.Large(usual.MostKgPerHa * 1000, Dimension.Mass, units)} is the most that is usual without a test.");
        }

        return a.Spreader is { } s && Math.Abs(s.GivesShare - 1) > SpreadBench.PassOff
            ? ($"The spreader gives {Say.Number(s.GivesShare * 100, 2)} % of it.",
                $"In {Say.Count(s.Passes, "pass", "passes")}; open or close it "
                + "and lay the tarp again.")
            : null;
    }
}
