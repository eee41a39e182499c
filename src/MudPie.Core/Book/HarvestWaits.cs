using MudPie.Core.Workings;

namespace MudPie.Core.Book;

/// <summary>Something put on a bed that may have to be waited for.</summary>
/// <param name="What">Its name.</param>
/// <param name="Kind">"brew", "feed", "manure", "inoculant", "biostimulant", "spray" or "other".</param>
/// <param name="On">When.</param>
/// <param name="OwnDays">Days that its own label sets; null where it sets none.</param>
public sealed record WaitCause(string What, string Kind, DateTimeOffset On, double? OwnDays = null);

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
    public static readonly IReadOnlyDictionary<string, (double Days, string Why)> House = new Dictionary<string, (double, string)>
    {
        ["brew"] = (120, "brewing can multiply gut germs; many organic and food-safety rules set a test or up to 120 days where the part eaten touches ground or spray"),
        ["feed"] = (120, "steeped without air: taken as raw until tested"),
        ["manure"] = (120, "raw manure: 120 days is the usual of many codes"),
        ["inoculant"] = (0, "by its label; none is usual"),
        ["biostimulant"] = (1, "a day, so that the film is dry and washed off; by its label"),
        ["spray"] = (7, "by its label, which is law; a week until you have read it"),
        ["other"] = (7, "not known: a week until you have set your own"),
    };

    /// <summary>Waits that still run at a moment, longest first.</summary>
    /// <param name="causes">What the bed got.</param>
    /// <param name="now">The moment.</param>
    /// <param name="own">Days set by the grower's own code, by kind, with its words.</param>
    /// <param name="eatenRaw">A part that may be eaten raw grows there; where not, a brew waits for nothing by itself.</param>
    /// <remarks>A brew on 1 May where things are eaten raw: until 29 August.</remarks>
    public static IReadOnlyList<HarvestWait> Running(IEnumerable<WaitCause> causes, DateTimeOffset now, IReadOnlyDictionary<string, (double Days, string Why)> own, bool eatenRaw)
    {
        var list = new List<HarvestWait>();
        foreach (var c in causes)
        {
            var house = House.GetValueOrDefault(c.Kind, House["other"]);
            var (days, why) = own.TryGetValue(c.Kind, out var set) ? (set.Days, $"by your own code: {set.Why}")
                : c.OwnDays is { } label ? (label, "by its label")
                : c.Kind is "brew" or "feed" && !eatenRaw ? (0, "not eaten raw")
                : (house.Days, $"house default: {house.Why}");
            if (c.On.AddDays(days) > now)
            {
                list.Add(new HarvestWait(c.What, c.On.AddDays(days), days, why));
            }
        }

        return [.. list.OrderByDescending(w => w.Until)];
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
public sealed record NutrientSum(double NitrogenG, double PhosphateG, double PotashG, double OrganicG, double NitrogenPerM2, double PhosphatePerM2, double PotashPerM2);

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
            lines.GroupBy(l => l.Name).Select(g => new WorkingLine(g.Key, "Σ kg × share", $"{Say.Number(g.Sum(l => l.Kg))} kg", $"{Say.Number(g.Sum(l => l.Kg * l.NShare) * 1000)}-{Say.Number(g.Sum(l => l.Kg * l.PShare) * 1000)}-{Say.Number(g.Sum(l => l.Kg * l.KShare) * 1000)} g", "its label or test")));
    }
}
