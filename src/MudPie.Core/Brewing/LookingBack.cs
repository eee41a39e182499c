using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>A brew that is over, as looking back wants it.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Failed">It went on the heap.</param>
/// <param name="WarmthC">Mean warmth read, or planned, °C.</param>
/// <param name="AirPerL">Air, L/min per litre.</param>
/// <param name="FoodCod">Food fed, g COD per litre.</param>
/// <param name="Sweet">Molasses or syrup was in it.</param>
/// <param name="Hours">Hours on air.</param>
/// <param name="StripZero">The strip read zero; null where none was read.</param>
/// <param name="VesselClean">The vessel had been logged clean; null where nobody logs it.</param>
/// <param name="Readings">Oxygen readings taken.</param>
public sealed record PastBrew(int Id, bool Failed, double WarmthC, double AirPerL, double FoodCod, bool Sweet, double Hours,
    bool? StripZero, bool? VesselClean, int Readings);

/// <summary>What went with the failures.</summary>
/// <param name="Id">Stable name.</param>
/// <param name="Name">What it is, in words.</param>
/// <param name="FailedWith">Failed brews that had it.</param>
/// <param name="With">Brews that had it.</param>
/// <param name="FailedWithout">Failed brews that had it not.</param>
/// <param name="Without">Brews that had it not.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record WentWith(string Id, string Name, int FailedWith, int With, int FailedWithout, int Without, string Sentence);

/// <summary>All brews over each other.</summary>
public static class LookingBack
{
    private const double GramsInOunce = 28.349523125, LitresInUsGallon = 3.785411784;

    private static (string Id, string Name, Func<PastBrew, bool?> Has)[] Marks(UnitSystem units) =>
    [
        ("warm", $"warmer than {Units.Show(22, Dimension.Temperature, units)}", b => b.WarmthC > 22),
        ("cold", $"colder than {Units.Show(13, Dimension.Temperature, units)}", b => b.WarmthC < 13),
        ("lightAir", $"less air than {Per.Air(0.25, units)}", b => b.AirPerL < 0.25),
        ("sweet", "molasses or syrup in it", b => b.Sweet),
        ("fed", "more than "
            + (units.IsUs() ? $"{Say.Number(0.6 * LitresInUsGallon / GramsInOunce, 2)} oz of food (COD) per gallon"
                : "0.6 g of food (COD) per litre"), b => b.FoodCod > 0.6),
        ("strip", "a strip above zero, or none", b => b.StripZero is not true),
        ("unclean", "a vessel not logged clean", b => !b.VesselClean),
        ("unread", "no oxygen read", b => b.Readings == 0), ("long", "longer than 30 h", b => b.Hours > 30),
    ];

    /// <summary>What went with the failures, most telling first. Counts, and no more than counts: brews are few and differ in many ways at
    /// once.</summary>
    /// <remarks>Three of four sweet brews failed and one of nine others: "3 of 4 with it, 1 of 9 without".</remarks>
    public static IReadOnlyList<WentWith> Of(IReadOnlyList<PastBrew> brews, UnitSystem units = UnitSystem.Metric) =>
        [.. Marks(units).Select(m => Count(m.Id, m.Name, m.Has, brews))
            .Where(w => w.With > 0 && w.Without > 0 && (double)w.FailedWith / w.With > (double)w.FailedWithout / w.Without)
            .OrderByDescending(w => ((double)w.FailedWith / w.With) - ((double)w.FailedWithout / w.Without))
            .ThenByDescending(w => w.FailedWith)];

    private static WentWith Count(string id, string name, Func<PastBrew, bool?> has, IReadOnlyList<PastBrew> brews)
    {
        var (with, without) = (brews.Where(b => has(b) is true).ToList(), brews.Where(b => has(b) is false).ToList());
        var (fw, fo) = (with.Count(b => b.Failed), without.Count(b => b.Failed));
        return new WentWith(id, name, fw, with.Count, fo, without.Count,
            $"{fw} of {with.Count} with it went on the heap, {fo} of {without.Count} without. "
                + $"{(with.Count < 8 ? "Few brews: a hint, not a finding." : "It may go with something else: a hint, not a cause.")}");
    }
}

/// <summary>Cleaning a vessel, as steps that are logged.</summary>
public static class CleanUp
{
    /// <summary>The steps: id and what to do.</summary>
    public static readonly IReadOnlyList<(string Id, string Name, string Detail)> Steps =
    [
        ("rinse", "Rinse", "Out with the last of it, hose it down while it is wet: a film that dries stays."),
        ("walls", "Walls", "Brush the walls, the lid and under the rim."),
        ("air", "Hose and outlets",
            "Brush the air hose through; stones and pipes in hydrogen peroxide or citric acid, then blow them out."),
        ("bag", "Bag and mesh", "Turn the bag inside out, wash it, hang it to dry."),
        ("dry", "Dry", "Upside down in the sun and the wind."),
    ];

    /// <summary>True where every step has been logged since the vessel was last used.</summary>
    public static bool IsClean(IEnumerable<string> stepsSinceUse) => Steps.All(s => stepsSinceUse.Contains(s.Id));
}
