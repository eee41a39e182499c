using MudPie.Core.Workings;

namespace MudPie.Core.Almanac;

/// <summary>How a preparation goes through its year.</summary>
public enum PreparationWay
{
    /// <summary>Buried about the autumn equinox, lifted after the spring one.</summary>
    WinterBuried,

    /// <summary>Buried about the spring equinox, lifted about the autumn one.</summary>
    SummerBuried,

    /// <summary>Hung in summer sun, then buried over winter.</summary>
    HungThenBuried,

    /// <summary>Buried a full year from midsummer.</summary>
    YearBuried,

    /// <summary>Over winter in trickling water.</summary>
    WinterWater,

    /// <summary>Pressed in bloom and kept in a bottle.</summary>
    Pressed,

    /// <summary>Boiled, or left to ferment, and sprayed.</summary>
    Brewed,
}

/// <summary>How a preparation is used.</summary>
public enum PreparationUse
{
    /// <summary>Stirred into water, on the ground, in the evening, in coarse drops.</summary>
    StirredEvening,

    /// <summary>Stirred into water, on leaves, in the morning, as a fine mist.</summary>
    StirredMorning,

    /// <summary>A pinch into a heap.</summary>
    Heap,

    /// <summary>Thinned and sprayed, without stirring for an hour.</summary>
    Sprayed,
}

/// <summary>A biodynamic preparation. What it is said to do is contested, and no claim of this house.</summary>
/// <param name="Id">Stable name: "500", "clay".</param>
/// <param name="Name">What it is called.</param>
/// <param name="Part">What it is made of.</param>
/// <param name="Sheath">What it is put into by tradition.</param>
/// <param name="Instead">What growers take where law or they themselves rule that out; null where nothing needs replacing.</param>
/// <param name="Way">Its year.</param>
/// <param name="Use">How it is used.</param>
/// <param name="SaidFor">What it is said to be for.</param>
/// <param name="Look">What a good one is said to be like on lifting.</param>
/// <param name="Steps">How, step by step.</param>
public sealed record Preparation(string Id, string Name, string Part, string Sheath, string? Instead, PreparationWay Way,
    PreparationUse Use, string SaidFor, string Look, IReadOnlyList<string> Steps)
{
    /// <summary>Number and name: "500 horn manure".</summary>
    public string Called => char.IsDigit(Id[0]) ? $"{Id} {Name}" : Name;

    /// <summary>Its sheath comes of an animal's skull, gut or bladder.</summary>
    public bool AnimalPart => Id is "502" or "503" or "505" or "506";

    /// <summary>Kept as a liquid, mL; else by weight, g.</summary>
    public bool Liquid => Way is PreparationWay.Pressed or PreparationWay.Brewed;
}

/// <summary>The preparations, as practice hands them down: a calendar, a recipe log and a subject for trials.</summary>
public static class Preparations
{
    /// <summary>Hours in which a stirred preparation is used. Practitioners' rule.</summary>
    public const double UseWithinH = 3;

    /// <summary>How long it is stirred, minutes. Practitioners' rule.</summary>
    public const double StirMinutes = 60;

    /// <summary>Water in which horn preparations are stirred, L a hectare. Practitioners' rule.</summary>
    public const double LPerHa = 35;

    /// <summary>What the page says of what these do.</summary>
    public const string Contested = "These are practice handed down. What they do is contested: trials disagree, and most find "
        + "little beyond the "
        + "compost, and no claim is made here. Stirred water alone beside it, by lot, says more than belief.";

    /// <summary>What is left out.</summary>
    public const string OutOfScope = "Planets and the breeding of animals are left out here.";

    /// <summary>Dust of quartz.</summary>
    public static readonly Caution Quartz = new("quartz-dust",
        "Quartz dust scars lungs: grind it wet, tight dust mask (P3 or P100), ears covered, wipe up wet.", Cautions.Usual);

    /// <summary>Parts of animals.</summary>
    public static readonly Caution AnimalParts = new("animal-parts",
        "Skulls, gut and bladders are restricted by law in many places, because of diseases of cattle and deer: check before you get any. "
            + "Gloves, and hands washed.",
        "A usual caution: the veterinary office there says what is allowed; a pot of stoneware or wood replaces a sheath.");

    /// <summary>Horn manure is raw manure that lay cool.</summary>
    public static readonly Caution RawManure = new("horn-manure-raw",
        "It is manure that was never hot: the wait before harvest is that of raw manure. Gloves, and hands washed.", Cautions.Usual);

    private const string Bury = "Bury it half a metre deep in good ground, away from roots and ditches, and mark the spot.";

    private const string Lift = "Lift it, say how it looks, smells and crumbles, and how many came out whole.";

    private const string Keep = "Keep it cool and dark in glass or stoneware, peat all round, the lid loose.";

    /// <summary>All of them, in the order of their numbers.</summary>
    public static readonly IReadOnlyList<Preparation> All =
    [
        new("500", "horn manure", "fresh cow manure", "cow horns", "stoneware or wooden pots", PreparationWay.WinterBuried,
            PreparationUse.StirredEvening, "roots, humus, life of the ground", "dark, of forest soil, no green and no smell of manure",
            ["Fill the horns with fresh manure of well-fed cows.", Bury, Lift, Keep, "About 100 g in 35 L a hectare, stirred an hour, on "
                + "damp ground in the evening, in coarse drops, within three hours."]),
        new("clay", "horn clay", "clay, as a stiff paste", "cow horns", "stoneware or wooden pots", PreparationWay.WinterBuried,
            PreparationUse.StirredEvening, "what goes between root and leaf", "smooth, without a smell",
            ["Fill the horns with clay as stiff as putty.", Bury, Lift, Keep, "A few grams with horn manure or alone, stirred an hour."]),
        new("501", "horn silica", "quartz, ground wet to flour", "cow horns", "stoneware or glass pots", PreparationWay.SummerBuried,
            PreparationUse.StirredMorning, "light, ripening, taste", "fine and white, without lumps",
            ["Grind quartz wet, until the glass falls silent under it; never dry.",
                "Fill the horns with the paste, let it settle, pour off "
                + "the water.", Bury, Lift, "Keep it dry and in the light, the lid loose.", "About 3 g in 35 L a hectare, stirred an hour, "
                + "on leaves in the morning, as a fine mist, within three hours."]),
        new("502", "yarrow", "flowers", "a stag’s bladder", "a bag of linen, or a stoneware pot", PreparationWay.HungThenBuried,
            PreparationUse.Heap, "sulphur and potassium", "moist, dark, flowers to be told still",
            ["Pick the flower heads on a dry morning, wilt them.", "Fill the sheath, tie it, hang it in summer sun, safe from birds.", Bury,
                Lift, Keep, "A pinch, 1 to 2 cm³, a heap."]),
        new("503", "chamomile", "flowers", "cattle gut", "a stoneware pot", PreparationWay.WinterBuried, PreparationUse.Heap,
            "calcium, digestion of the heap; said to work with 506", "moist, dark, of earth and faintly of chamomile",
            ["Pick the flowers in bloom, dry them in shade.", "Moisten them with chamomile tea, fill and tie the sheath.", Bury, Lift, Keep,
                "A pinch, 1 to 2 cm³, a heap."]),
        new("504", "stinging nettle", "leaf and stem, cut in flower", "none; peat all round", null, PreparationWay.YearBuried,
            PreparationUse.Heap, "iron, nitrogen, balance", "black, crumbling, of earth",
            ["Cut nettles in flower, wilt them.", "Press them into the ground or an unglazed pipe, peat all round.", "Leave them a full "
                + "year: a winter and a summer.", Lift, Keep, "A pinch, 1 to 2 cm³, a heap."]),
        new("505", "oak bark", "outer bark, ground (a rough-barked tree of the place where there are no oaks)", "a farm animal’s skull",
            "a stoneware pot with holes", PreparationWay.WinterWater, PreparationUse.Heap, "calcium, holding loose nutrients, disease",
            "dark, fine, of water plants at first; it airs off",
            ["Rasp the outer bark, sieve it, moisten it.", "Fill the sheath and close it with bone or wood.", "Lay it where water trickles "
                + "over it all winter, with plants rotting round it.", Lift, Keep, "A pinch, 1 to 2 cm³, a heap."]),
        new("506", "dandelion", "flowers, before they are full open", "cattle mesentery", "a bag of linen, or a stoneware pot",
            PreparationWay.WinterBuried, PreparationUse.Heap, "silica and potassium, filling fruit; boron too, it is said",
            "moist, dark, flowers to be told still",
            ["Pick flowers in the morning, the middle still shut; dry them in shade.", "Moisten them in autumn, wrap and tie them.", Bury,
                Lift, Keep, "A pinch, 1 to 2 cm³, a heap."]),
        new("507", "valerian", "flowers, their juice pressed", "a bottle", null, PreparationWay.Pressed, PreparationUse.Heap,
            "phosphorus, flowering; given alone it is said to bring blossom without fruit", "clear, brown, of its flowers",
            ["Pick the flowers in the morning.", "Press their juice, let it settle, fill bottles to the brim.",
                "Let the cork loose until it "
                + "works no more; keep it cool and dark.", "A few drops in water over a heap; some spray it before a frost."]),
        new("508", "horsetail", "the whole summer herb", "none", null, PreparationWay.Brewed, PreparationUse.Sprayed,
            "holding fungi down", "clear and brown when boiled; sharp when fermented",
            ["Cut field horsetail in summer; keep it apart from the marsh kind, which is poisonous to stock.",
                "Boil 1 part dry herb in 15 of "
                + "water for half an hour; or leave that to ferment ten days.", "Strain it, thin it 1 in 5 to 1 in 10.",
                    "Spray it on ground "
                + "and leaves; a home-made spray against disease is a pesticide in law in many places."]),
    ];

    /// <summary>The preparation of that name; null where none is known.</summary>
    public static Preparation? Find(string? id) => All.FirstOrDefault(p => p.Id == id);

    /// <summary>What is usually stirred for an area: grams and litres of water.</summary>
    /// <param name="p">500, 501 or clay; others have no usual amount by area and are refused.</param>
    /// <param name="areaM2">Above 0 to 10 km².</param>
    /// <remarks>Horn manure for 3,600 m²: 36 g in 12.6 L. Source: practice, 100 g in 35 L a hectare; 3 g of horn silica.</remarks>
    public static Ruling<(double Grams, double Litres)> For(Preparation p, double areaM2)
    {
        var checks = new Checks();
        checks.Range("areaM2", areaM2, 0.1, 1e7, "m²");
        double? perHa = p.Id switch { "500" => 100, "501" => 3, "clay" => 50, _ => null };
        if (perHa is null)
        {
            checks.Add("kind", $"{p.Called} has no usual amount by area.", p.Use == PreparationUse.Heap ? "A pinch a heap."
                : "Thin it 1 in 5 "
                + "to 1 in 10.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var (grams, litres) = (perHa!.Value * areaM2 / 1e4, LPerHa * areaM2 / 1e4);
        return Worked.Of((grams, litres), "g, L", Evidence.PractitionersRule,
            [
                new("amount", "g a hectare × area", $"{Say.Number(perHa.Value)} g × {Say.Number(areaM2)} m² ÷ 10,000",
                    $"{Say.Number(grams)} g",
                    "practice handed down"),
                new("water", "35 L a hectare × area", $"35 L × {Say.Number(areaM2)} m² ÷ 10,000", $"{Say.Number(litres)} L",
                    "practice handed down"),
            ], Minding(p, false).Where(c => c != AnimalParts));
    }

    /// <summary>What is said before it is made or used.</summary>
    public static IReadOnlyList<Caution> Minding(Preparation p, bool replaced) =>
    [
        .. p.Id == "501" ? new[] { Quartz } : [], .. p.AnimalPart && !replaced ? new[] { AnimalParts } : [],
        .. p.Id == "500" ? new[] { RawManure } : [],
    ];
}
