using MudPie.Core.Workings;

namespace MudPie.Core.Book;

/// <summary>Whether and how what grows there is eaten.</summary>
public enum Eaten
{
    /// <summary>The part that is eaten touches the soil, or lies in it: roots, leaves, strawberries, seedlings, microgreens, edible flowers
    /// near the ground.</summary>
    Touches,

    /// <summary>The part that is eaten hangs clear of the soil: it meets what is sprayed, and not what is poured at the roots.</summary>
    Clear,

    /// <summary>Beasts graze it.</summary>
    Grazed,

    /// <summary>Nobody eats it: cut flowers, hops for scent, modules that go elsewhere.</summary>
    Nothing,
}

/// <summary>What a wait for a brew hangs on.</summary>
/// <param name="Fed">Foods went in, or it was steeped: what is there has multiplied.</param>
/// <param name="ManureFree">No manure in its source, or manure that was heated and turned as the grower's code counts it, with the record
/// kept.</param>
/// <param name="TestedClean">This batch was tested, and no gut germs were found.</param>
/// <param name="TwoCleanBefore">The two batches before it of the same source lot, foods, water and vessel were tested clean in a
/// row.</param>
public sealed record BrewOrigin(bool Fed, bool ManureFree, bool TestedClean = false, bool TwoCleanBefore = false);

/// <summary>Something put on a bed that may have to be waited for.</summary>
/// <param name="What">Its name.</param>
/// <param name="Kind">"brew", "feed", "manure", "inoculant", "biostimulant", "spray" or "other".</param>
/// <param name="On">When.</param>
/// <param name="OwnDays">Days that its own label sets; null where it sets none.</param>
/// <param name="Origin">For a brew or a feed: where it is from; null where nobody knows, which counts as fed, of an unknown source.</param>
/// <param name="Leaf">It was sprayed on leaves; else it went to the roots.</param>
public sealed record WaitCause(string What, string Kind, DateTimeOffset On, double? OwnDays = null, BrewOrigin? Origin = null,
    bool Leaf = true);

/// <summary>A wait that runs.</summary>
/// <param name="What">What for.</param>
/// <param name="Until">First moment of harvest.</param>
/// <param name="Days">Days in all.</param>
/// <param name="Reason">Why, and whose rule.</param>
public sealed record HarvestWait(string What, DateTimeOffset Until, double Days, string Reason);

/// <summary>Days to wait before harvest. The grower's own code sets them; the house's are cautious.</summary>
public static class HarvestWaits
{
    /// <summary>The house's cautious days, by kind, with the reason.</summary>
    public static readonly IReadOnlyDictionary<string, (double Days, string Why)> House = new Dictionary<string, (double, string)> {
        ["brew"] = (120, "many organic and food-safety rules set a test, or 120 days where the part eaten touches soil or spray, else 90"),
        ["feed"] = (120, "steeped without air: taken as raw until tested"),
        ["manure"] = (120, "raw manure: 120 days where the part eaten touches soil, else 90, is the usual of many codes"),
        ["grazing"] = (21, "before beasts graze what was sprayed or poured: three weeks until you have set your own"),
        ["inoculant"] = (0, "by its label; none is usual"),
        ["biostimulant"] = (1, "a day, so that the film is dry and washed off; by its label"),
        ["spray"] = (7, "by its label, which is law; a week until you have read it"),
        ["other"] = (7, "not known: a week until you have set your own"),
    };

    /// <summary>Waits that still run at a moment, longest first.</summary>
    /// <param name="causes">What the bed got.</param>
    /// <param name="now">The moment.</param>
    /// <param name="own">Days set by the grower's own code, by kind, with its words.</param>
    /// <param name="eaten">Whether and how what grows there is eaten.</param>
    /// <remarks>An untested tea on lettuce on 1 May: until 29 August. An unfed extract of leaf mould on the same: none, wash before
    /// eating.</remarks>
    public static IReadOnlyList<HarvestWait> Running(IEnumerable<WaitCause> causes, DateTimeOffset now,
        IReadOnlyDictionary<string, (double Days, string Why)> own, Eaten eaten)
    {
        var list = new List<HarvestWait>();
        foreach (var c in causes)
        {
            var (days, why, _) = DaysFor(c, own, eaten);
            if (c.On.AddDays(days) > now)
            {
                list.Add(new HarvestWait(c.What, c.On.AddDays(days), days, why));
            }
        }

        return [.. list.OrderByDescending(w => w.Until)];
    }

    /// <summary>Days for one thing on one kind of ground, the reason, and what would lift it.</summary>
    /// <param name="c">What is put out.</param>
    /// <param name="own">Days by the grower's own code, which come first.</param>
    /// <param name="eaten">Whether and how what grows there is eaten.</param>
    /// <returns>Days, 0 to 1000; the reason; what would lift it, empty where there is nothing to lift.</returns>
    public static (double Days, string Why, IReadOnlyList<string> Lifts) DaysFor(WaitCause c,
        IReadOnlyDictionary<string, (double Days, string Why)> own, Eaten eaten)
    {
        if (eaten == Eaten.Nothing && c.Kind != "spray")
        {
            return (0, "nobody eats what grows there", []);
        }

        if (own.TryGetValue(c.Kind, out var set))
        {
            return (set.Days, $"by your own code: {set.Why}", []);
        }

        if (c.OwnDays is { } label)
        {
            return (label, "by its label", []);
        }

        var house = House.GetValueOrDefault(c.Kind, House["other"]);
        return c.Kind switch {
            "brew" or "feed" => OfBrew(c, own, eaten),
            "manure" => eaten == Eaten.Grazed ? Grazing(own, []) : (Long(c, eaten), $"house default: {house.Why}", []),
            _ => (house.Days, $"house default: {house.Why}", []),
        };
    }

    private static double Long(WaitCause c, Eaten eaten) => eaten == Eaten.Touches || c.Leaf ? 120 : 90;

    private static (double Days, string Why, IReadOnlyList<string> Lifts) Grazing(IReadOnlyDictionary<string, (double Days,
        string Why)> own, IReadOnlyList<string> lifts) =>
        own.TryGetValue("grazing", out var set) ? (set.Days, $"before grazing, by your own code: {set.Why}", lifts)
            : (House["grazing"].Days, $"house default: {House["grazing"].Why}", lifts);

    private static (double Days, string Why, IReadOnlyList<string> Lifts) OfBrew(WaitCause c,
        IReadOnlyDictionary<string, (double Days, string Why)> own, Eaten eaten)
    {
        var o = c.Origin ?? new BrewOrigin(true, false);
        if (o.TestedClean)
        {
            return (0, "this batch was tested, and no gut germs were found", []);
        }

        if (o is { Fed: true, ManureFree: true, TwoCleanBefore: true })
        {
            return (0, "two batches in a row of the same source, foods, water and vessel were tested clean", []);
        }

        if (o is { Fed: false, ManureFree: true })
        {
            return (0, "unfed, of a source without raw manure: none; wash before eating", []);
        }

        List<string> lifts = ["a germ test of this batch that finds none"];
        if (!o.ManureFree)
        {
            lifts.Add("another source: no manure, or heated and turned as your code counts it, asked and answered");
        }

        if (o.Fed)
        {
            lifts.Add(o.ManureFree ? "an unfed extract of the same source" : "with such a source, an unfed extract");
        }

        if (c.Leaf && eaten == Eaten.Clear)
        {
            lifts.Add("roots and not leaves: 90 days then");
        }

        var why = !o.ManureFree ? "house default: its source holds manure that was not heated, or nobody was asked"
            : "house default: fed and not tested, and brewing multiplies whatever is there";
        return eaten == Eaten.Grazed
            ? Grazing(own, lifts)
            : (Long(c, eaten),
                $"{why}; {(Long(c, eaten) >= 120 ? "the part eaten touches soil or spray" : "the part eaten hangs clear of the soil")}",
                lifts);
    }
}

/// <summary>Nutrients that went on a bed.</summary>
/// <param name="Name">With what.</param>
/// <param name="Kg">How much of it.</param>
/// <param name="NShare">Nitrogen by weight, 0 to 0.5.</param>
/// <param name="PShare">Phosphorus as P₂O₅ by weight, 0 to 0.6.</param>
/// <param name="KShare">Potassium as K₂O by weight, 0 to 0.65.</param>
/// <param name="OrganicShare">Organic matter by weight, 0 to 1.</param>
public sealed record NutrientLine(string Name, double Kg, double NShare, double PShare, double KShare, double OrganicShare);

/// <summary>Sums on a bed, g, and g on a square metre.</summary>
/// <param name="NitrogenG">N, g.</param>
/// <param name="PhosphateG">P₂O₅, g.</param>
/// <param name="PotashG">K₂O, g.</param>
/// <param name="OrganicG">Organic matter, g.</param>
/// <param name="NitrogenPerM2">N, g/m².</param>
/// <param name="PhosphatePerM2">P₂O₅, g/m².</param>
/// <param name="PotashPerM2">K₂O, g/m².</param>
public sealed record NutrientSum(double NitrogenG, double PhosphateG, double PotashG, double OrganicG, double NitrogenPerM2,
    double PhosphatePerM2, double PotashPerM2);

/// <summary>N-P-K and organic matter by season, small additions included.</summary>
public static class SeasonSums
{
    /// <summary>Σ kg × share.</summary>
    /// <remarks>2 kg at 2-1-3 % on 36 m²: 40, 20 and 60 g; 1.11 g of N on a square metre.</remarks>
    public static Ruling<NutrientSum> Of(IReadOnlyList<NutrientLine> lines, double? areaM2)
    {
        var checks = new Checks();
        var area = checks.Range("areaM2", areaM2, 0.1, 1_000_000, "m²");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        double G(Func<NutrientLine, double> share) => lines.Sum(l => l.Kg * share(l)) * 1000;
        var (n, p, k, om) = (G(l => l.NShare), G(l => l.PShare), G(l => l.KShare), G(l => l.OrganicShare));
        return Worked.Of(
            new NutrientSum(n, p, k, om, n / area, p / area, k / area), "g", Evidence.ChemistryOrPhysics,
            lines.GroupBy(l => l.Name)
                .Select(g => new WorkingLine(g.Key, "Σ kg × share", $"{Say.Number(g.Sum(l => l.Kg))} kg",
                    $"{Say.Number(g.Sum(l => l.Kg * l.NShare) * 1000)}-{Say.Number(g.Sum(l => l.Kg * l.PShare) * 1000)}-"
                        + $"{Say.Number(g.Sum(l => l.Kg * l.KShare) * 1000)} g", "its label or test")));
    }
}
