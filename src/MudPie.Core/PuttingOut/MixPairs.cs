using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>The house's table of pairs: every two kinds have an explicit answer in it.</summary>
/// <remarks>
/// Built in layers, the most dangerous first: what gives off gas or heat; what is listed pair by pair; what an oxidiser, acid, caustic or
/// sulphide does to anything
/// not listed (never); and last, what nobody knows (a jar first). Chemistry of the dangerous groups: US EPA 600/2-80-076, A Method for
/// Determining the Compatibility of
/// Hazardous Wastes (Hatayama and others 1980), and the product labels of hypochlorite and lime sulphur. Worked: bleach and an acid,
/// chlorine gas, never.
/// </remarks>
internal static class MixPairs
{
    internal const string Hazard = "EPA 600/2-80-076 (1980), reactivity groups", Label = "product labels", House = "practitioners' rule",
        Trials = "published trials, product by product", Chemistry = "chemistry";

    internal static readonly IReadOnlyList<MixClass> Classes =
    [
        new("brew", "a live brew", true), new("living", "living cells", true), new("spores", "dormant spores", true),
        new("mycorrhiza", "mycorrhiza", true), new("trichoderma", "Trichoderma", true),
        new("seaweed", "seaweed", false), new("alkaliSeaweed", "seaweed, alkali-made", false), new("humic", "humic acid", false),
        new("fulvic", "fulvic acid", false), new("fish", "fish hydrolysate", false),
        new("amino", "amino acids", false), new("silica", "silica (potassium silicate, pH 11)", false), new("molasses", "sugars", false),
        new("salts", "mineral feed", false), new("ammonium", "ammonium, urea or manure liquid", false),
        new("calcium", "a calcium feed", false),
        new("fungicide", "a fungicide", false), new("copper", "copper", false), new("sulphur", "sulphur", false),
        new("limeSulphur", "lime sulphur", false), new("peroxide", "peroxide or peracetic acid", false),
        new("chlorine", "bleach or another chlorine product", false), new("tapChlorine", "tap water's chlorine, to 10 mg/L", false),
        new("herbicide", "a weed-killer", false), new("insecticide", "an insecticide", false), new("oil", "oil or soap", false),
        new("acid", "an acid (citric, vinegar, phosphoric …)", false),
        new("ascorbic", "ascorbic acid, at the dose that clears water", false),
        new("thiosulfate", "sodium thiosulfate", false), new("caustic", "lime, ash, lye or potash", false),
        new("other", "something else", false),
    ];

    private static readonly string[] Tender = ["brew", "living", "trichoderma", "mycorrhiza"];
    private static readonly string[] Alive = [.. Tender, "spores"];
    private static readonly string[] Feeds = ["seaweed", "humic", "fulvic", "fish", "amino", "molasses"];
    private static readonly string[] Sprays = ["fungicide", "copper", "sulphur", "herbicide", "insecticide", "oil"];
    private static readonly string[] Hazards = ["chlorine", "peroxide", "acid", "caustic", "silica", "limeSulphur", "sulphur"];

    private static readonly Lazy<IReadOnlyDictionary<(string, string), MixRule>> Table = new(Build);

    /// <summary>All pairs, each once.</summary>
    internal static IEnumerable<MixRule> All => Table.Value.Values;

    /// <summary>The answer for two kinds; null only for a kind that is not of the list.</summary>
    internal static MixRule? Find(string a, string b) => Table.Value.GetValueOrDefault(Key(a, b));

    internal static (string, string) Key(string a, string b) => string.CompareOrdinal(a, b) <= 0 ? (a, b) : (b, a);

    private static Dictionary<(string, string), MixRule> Build()
    {
        var table = new Dictionary<(string, string), MixRule>();
        foreach (var rule in Gases().Concat(Listed()).Concat(Cleared()).Concat(Usual()))
        {
            table.TryAdd(Key(rule.A, rule.B), rule);
        }

        foreach (var a in Classes)
        {
            foreach (var b in Classes)
            {
                table.TryAdd(Key(a.Id, b.Id), Unlisted(a, b));
            }
        }

        return table;
    }

    /// <summary>What gives off gas, or heat enough to burst a tank: a plain never.</summary>
    private static IEnumerable<MixRule> Gases() =>
    [
        .. Gas("chlorine", "It gives off chlorine gas at once: it burns eyes and lungs, and kills in a closed place.", Hazard, "acid",
            "ascorbic", "fulvic"),
        .. Gas("chlorine", "Chlorine with ammonium, urea or amino nitrogen gives off chloramines, some of them explosive.", Hazard,
            "ammonium", "salts", "amino", "fish"),
        .. Gas("chlorine", "Two oxidisers, or an oxidiser and what it burns: heat, oxygen and chlorine come off, and a closed can bursts.",
            Hazard, "peroxide", "limeSulphur", "sulphur", "thiosulfate", "molasses", "oil", "chlorine"),
        .. Gas("thiosulfate", "Acid breaks thiosulfate up: sulphur dioxide comes off.", Hazard, "acid"),
        .. Gas("limeSulphur", "Acid frees hydrogen sulphide from lime sulphur: a few breaths can kill.", Hazard, "acid", "ascorbic",
            "fulvic", "peroxide"),
        .. Gas("sulphur", "Acid with sulphur products can give off hydrogen sulphide and sulphur dioxide; the labels forbid it.",
            Label, "acid"),
        .. Gas("peroxide", "An oxidiser with sulphides, sulphur or thiosulfate heats up and can burst the tank.", Hazard, "sulphur",
            "thiosulfate"),
        .. Gas("caustic", "A caustic drives ammonia out of it.", Hazard, "ammonium"),
        .. Gas("caustic", "Acid and caustic heat up and spit; where the caustic is a carbonate, gas comes off.", Hazard, "acid",
            "peroxide"),
        .. Gas("limeSulphur", "Lime sulphur is strongly alkaline: it drives ammonia out of feeds.", Hazard, "ammonium"),
        .. Gas("silica", "Silica at pH 11 drives ammonia out of it.", Chemistry, "ammonium"),
    ];

    private static IEnumerable<MixRule> Listed() => [.. Killers(), .. Chemists()];

    /// <summary>What kills or harms the living.</summary>
    private static IEnumerable<MixRule> Killers() =>
    [
        .. Apart("fungicide", 7, "A fungicide kills the fungi in it, and many harm bacteria too; wait until it has broken down.", Trials,
            Evidence.PublishedTrials, "brew", "living"),
        .. Apart("fungicide", 14, "A fungicide kills the fungi in it; wait until it has broken down.", Trials, Evidence.PublishedTrials,
            "trichoderma"),
        .. Apart("fungicide", 21, "Many fungicides stop mycorrhiza from entering roots for weeks; foliar ones less, product by product.",
            Trials, Evidence.PublishedTrials, "mycorrhiza"),
        .. Fine("spores", "Bacterial spores stand most fungicides; those meant against bacteria are another matter: the label.", Label,
            "fungicide"),
        .. Apart("copper", 10, "Copper is there to kill microbes, and stays on the leaf and in the ground.", Chemistry,
            Evidence.ChemistryOrPhysics, "brew", "living"),
        .. Apart("copper", 14, "Copper is there to kill microbes, and stays on the leaf and in the ground.", Chemistry,
            Evidence.ChemistryOrPhysics, "trichoderma"),
        .. Apart("copper", 21, "Copper is there to kill microbes, and stays on the leaf and in the ground.", Chemistry,
            Evidence.ChemistryOrPhysics, "mycorrhiza"),
        .. Apart("copper", 3, "Dormant they stand it; once sprouted they do not.", House, Evidence.PractitionersRule, "spores"),
        .. Apart("copper", 14, "Acid frees the copper: leaves burn, and more of it goes in than the label means.", Label,
            Evidence.ChemistryOrPhysics, "acid", "ascorbic", "fulvic"),
        .. Apart("copper", 3, "Amino acids carry copper into the leaf and burn it.", House, Evidence.PractitionersRule, "amino"),
        .. Apart("copper", 7, "They fall out of each other, and leaves burn.", Label, Evidence.ChemistryOrPhysics, "limeSulphur",
            "peroxide", "caustic"),
        .. Fine("copper", "Used together in places; by the label.", Label, "sulphur"),
        .. Apart("sulphur", 5, "Sulphur kills fungi, and some bacteria with them.", Chemistry, Evidence.ChemistryOrPhysics,
            "brew", "living"),
        .. Apart("sulphur", 7, "Sulphur kills fungi.", Chemistry, Evidence.ChemistryOrPhysics, "trichoderma", "mycorrhiza"),
        .. Apart("sulphur", 14, "Oil and sulphur together burn leaves.", Trials, Evidence.PublishedTrials, "oil"),
        .. Apart("limeSulphur", 14, "Lime sulphur kills fungi and many bacteria, and is strongly alkaline.", Chemistry,
            Evidence.ChemistryOrPhysics, Alive),
        .. Apart("limeSulphur", 30, "Oil and lime sulphur within weeks burn leaves.", Label, Evidence.PublishedTrials, "oil"),
        .. Apart("fungicide", 14,
            "Oil carries many fungicides into the leaf and burns it: captan, chlorothalonil and sulphur among them. Only where both "
                + "labels allow it.", Label, Evidence.PublishedTrials, "oil"),
        .. Apart("peroxide", 2, "It oxidises whatever lives; within a day or two it is gone.", Chemistry,
            Evidence.ChemistryOrPhysics, Tender),
        .. Apart("peroxide", 1, "It oxidises whatever lives; within a day or two it is gone.", Chemistry,
            Evidence.ChemistryOrPhysics, "spores"),
        .. Apart("chlorine", 3, "Bleach kills all of them, spores too in time.", Chemistry, Evidence.ChemistryOrPhysics, Alive),
        .. Apart("tapChlorine", 1, "Chlorine kills them. Clear the water and read a strip at zero.", Chemistry,
            Evidence.ChemistryOrPhysics, Tender),
        .. Fine("spores", "Dormant spores stand the chlorine of tap water; once sprouted they do not, so use the tank at once.", House,
            "tapChlorine"),
        .. Apart("herbicide", 14,
            "Never in one tank: the sprayer is spoilt for life by it. On the ground some weed-killers harm microbes for a week or two.",
            House, Evidence.PractitionersRule, Tender),
        .. Apart("herbicide", 7, "Never in one tank: the sprayer is spoilt for life by it.", House, Evidence.PractitionersRule, "spores"),
        .. Apart("insecticide", 3, "The solvents and soaps in it harm cells.", House, Evidence.PractitionersRule, "brew", "living",
            "trichoderma"),
        .. Apart("oil", 2, "Oils and soaps break up cell walls.", Chemistry, Evidence.ChemistryOrPhysics, "brew", "living", "trichoderma"),
        .. Apart("salts", 1, "A mineral feed in the tank is salty at full strength: give it a day apart, or thin it below 2 mS/cm.",
            Chemistry, Evidence.ChemistryOrPhysics, Tender),
        .. Apart("ammonium", 1, "Salty, and free ammonia kills: a day apart.", Chemistry, Evidence.ChemistryOrPhysics, Tender),
        .. Apart("acid", 0.5, "Below pH 5.5 most of them die in the tank.", Chemistry, Evidence.ChemistryOrPhysics, Alive),
    ];

    /// <summary>What falls out, sets or burns, and what goes together.</summary>
    private static IEnumerable<MixRule> Chemists() =>
    [
        .. Apart("silica", 1, "Silica is strongly alkaline (about pH 11): neutralise it and read the pH, or give it on another day.",
            Chemistry, Evidence.ChemistryOrPhysics, Alive),
        .. Apart("caustic", 7, "At pH 11 and above nothing of them lives, and the ground is limed for a while.", Chemistry,
            Evidence.ChemistryOrPhysics, Alive),
        .. Fine("alkaliSeaweed", "Fine when thinned to the label; neat it has a high pH.", Label, Alive),
        .. Apart("calcium", 0, "Calcium and phosphates or sulphates fall out as stone: never in one stock.", Chemistry,
            Evidence.ChemistryOrPhysics, "salts"),
        .. Apart("calcium", 0, "Calcium makes humic acid clot.", Chemistry, Evidence.ChemistryOrPhysics, "humic"),
        .. Apart("calcium", 0, "Calcium and silica set as a gel or stone.", Chemistry, Evidence.ChemistryOrPhysics, "silica", "caustic"),
        .. Apart("acid", 0, "Humic acid clots below about pH 5.5; fulvic stays in solution.", Chemistry,
            Evidence.ChemistryOrPhysics, "humic"),
        .. Apart("silica", 0, "Acid makes silica gel in the tank.", Chemistry, Evidence.ChemistryOrPhysics, "acid", "fulvic"),
        .. Apart("peroxide", 0, "It burns the feed up, and foams.", Chemistry, Evidence.ChemistryOrPhysics, [.. Feeds, "alkaliSeaweed"]),
        .. Fine("seaweed", "With some synthetic fungicides it is said to help: product by product.", Trials, Evidence.PublishedTrials,
            "fungicide"),
        .. Fine("seaweed", "A pair worth a trial: said to help each other; not a fact yet.", House, Evidence.Contested, "mycorrhiza"),
        .. Fine("fulvic", "Fulvic acid is weak and thin: it stays in solution with most things.", House, "acid", "ascorbic"),
        new("trichoderma", "mycorrhiza", true, 7,
            "Fine in most trials; some strains of Trichoderma live on other fungi, so a week apart at planting.", Evidence.Contested,
            Source: Trials),
    ];

    /// <summary>What clears water, at its dose; and tap water, which labels are written for.</summary>
    private static IEnumerable<MixRule> Cleared() =>
    [
        .. Fine("ascorbic",
            "At the dose that clears water (2.5 mg per mg of chlorine) it is the house's own way; a spoon more does no harm, a stock of "
                + "it is an acid.", Chemistry, [.. Alive, .. Feeds, "alkaliSeaweed", "salts", "ammonium", "calcium", "tapChlorine"]),
        .. Fine("thiosulfate", "At the dose that clears water (7 mg per mg of chlorine) it harms nothing that lives.", Chemistry,
            [.. Alive, .. Feeds, "alkaliSeaweed", "salts", "ammonium", "calcium", "tapChlorine"]),
        .. Jar("ascorbic",
            "One or the other clears water: together they only use each other up, and a stock of both gives off sulphur dioxide.",
            "thiosulfate"),
        .. Fine("tapChlorine", "Tap water at a milligram a litre: this is what labels are written for.", Label,
            [.. Sprays, "limeSulphur", "peroxide", "caustic", "silica", "other"]),
        .. Fine("tapChlorine", "At a milligram a litre there is no gas to speak of; but this acid does not clear it.", Chemistry, "acid"),
        .. Fine("tapChlorine", "The feed uses up a milligram of chlorine; where something living goes in too, clear the water first.",
            Chemistry, [.. Feeds, "alkaliSeaweed", "salts", "ammonium", "calcium"]),
    ];

    private static IEnumerable<MixRule> Usual() =>
    [
        .. Fine("brew", "Usual when it goes out at once; standing, it uses up the oxygen.", House, "molasses", "fish", "amino"),
        .. Fine("brew", "Usual, and food for it in the ground.", House, "seaweed", "humic", "fulvic"),
        .. Fine("brew", "Usual: added last, and out at once.", House, "living", "spores", "mycorrhiza", "trichoderma"),
        .. Fine("living", "Usual, thinned and used within the day.", House, [.. Feeds, "spores", "mycorrhiza"]),
        .. Fine("spores", "Usual; used within a day or two once feeds are in.", House,
            [.. Feeds, "salts", "ammonium", "calcium", "mycorrhiza", "insecticide"]),
        .. Fine("trichoderma", "Usual, thinned and used within the day.", House, Feeds),
        .. Fine("mycorrhiza", "Usual, thinned; it must touch roots.", House, Feeds.Except(["seaweed"])),
        .. Jar("trichoderma", "Some bacteria hold fungi down: by strain.", "living", "spores"),
        .. Pairs([.. Feeds, "alkaliSeaweed"]).Where(p => p is not (("humic", "fulvic") or ("fulvic", "alkaliSeaweed")))
            .SelectMany(p => Fine(p.A, "Usual together, thinned to their labels.", House, p.B)),
        .. Fine("salts", "Usual, thinned first; shake it, and use it within the day.", House, "seaweed", "fulvic", "amino", "molasses",
            "ammonium"),
        .. Fine("ammonium", "Usual, thinned first; use it within the day.", House, "seaweed", "fulvic", "amino", "molasses", "humic"),
    ];

    private static MixRule Unlisted(MixClass a, MixClass b)
    {
        var hazard = Hazards.Contains(a.Id) ? a : Hazards.Contains(b.Id) ? b : null;
        if (a.Id == b.Id)
        {
            return hazard is null || a.Id is "silica"
                ? new(a.Id, b.Id, true, 0, a.Alive
                    || a.Id is not ("fungicide" or "insecticide" or "herbicide" or "other" or "salts" or "calcium")
                    ? "Two of a kind." : "Two of a kind: both labels, then a jar first, small, outdoors.", Evidence.PractitionersRule,
                    Known: a.Alive || a.Id is not ("fungicide" or "insecticide" or "herbicide" or "other" or "salts" or "calcium"),
                    Source: House)
                : new(a.Id, b.Id, false, 0, $"Two products of one kind ({a.Name}) are not the same stuff: never together.",
                    Evidence.ChemistryOrPhysics, Source: Hazard);
        }

        if (hazard is not null)
        {
            var other = hazard == a ? b : a;
            return new(a.Id, b.Id, false, 0,
                $"Nobody has shown that {hazard.Name} and {other.Name} get on, and {hazard.Name} {What(hazard.Id)}: never in one tank.",
                Evidence.ChemistryOrPhysics, Source: Hazard);
        }

        return new(a.Id, b.Id, false, 0,
            "Not known: a jar first, small, outdoors, half an hour. Does it clot, warm up, fizz or smell? Then no.",
            Evidence.PractitionersRule, Known: false, Source: "nothing known");
    }

    private static string What(string hazard) => hazard switch {
        "chlorine" or "peroxide" => "oxidises",
        "acid" => "is an acid",
        "caustic" or "silica" => "is caustic",
        _ => "is a sulphide or sulphur"
    };

    private static IEnumerable<MixRule> Gas(string a, string why, string source, params IEnumerable<string> with) =>
        with.Select(b => new MixRule(a, b, false, 0, why, Evidence.ChemistryOrPhysics, Gas: true, Source: source));

    private static IEnumerable<MixRule> Apart(string a, double days, string why, string source, Evidence sure,
        params IEnumerable<string> with) =>
        with.Select(b => new MixRule(b, a, false, days, why, sure, Source: source));

    private static IEnumerable<MixRule> Fine(string a, string why, string source, params IEnumerable<string> with) =>
        Fine(a, why, source, Evidence.PractitionersRule, with);

    private static IEnumerable<MixRule> Fine(string a, string why, string source, Evidence sure, params IEnumerable<string> with) =>
        with.Where(b => b != a).Select(b => new MixRule(a, b, true, 0, why, sure, Source: source));

    private static IEnumerable<MixRule> Jar(string a, string why, params IEnumerable<string> with) =>
        with.Select(b => new MixRule(a, b, false, 0, $"{why} A jar first, small, outdoors.", Evidence.PractitionersRule, Known: false,
            Source: House));

    private static IEnumerable<(string A, string B)> Pairs(string[] ids) => ids.SelectMany((a, i) => ids.Skip(i + 1).Select(b => (a, b)));
}
