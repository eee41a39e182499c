using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>So many kilograms of a material, as it lies.</summary>
public sealed record Amassed(Material Of, double Kg);

/// <summary>Nitrogen at the end of a week: as the table has it, and where C:N is a third off either way.</summary>
/// <param name="Week">From the beginning.</param>
/// <param name="G">g, below 0 where it is robbed.</param>
/// <param name="Low">With a third less nitrogen in everything.</param>
/// <param name="High">With a third more.</param>
/// <param name="Wanted">What the crop has taken by then, g; null where nothing is said of one.</param>
public sealed record NitrogenWeek(int Week, double G, double Low, double High, double? Wanted);

/// <summary>What a mix, a bed or a mulch gives or takes, week by week.</summary>
/// <param name="Weeks">From week 0.</param>
/// <param name="Sentence">What it comes to.</param>
/// <param name="Tone">Go where it carries, mind where it does not.</param>
/// <param name="TopDressWeek">The week before which to feed; null where it need not be.</param>
/// <param name="TopDressG">Nitrogen that is short by the end, g; null likewise.</param>
public sealed record NitrogenOutlookAnswer(IReadOnlyList<NitrogenWeek> Weeks, string Sentence, Tone Tone, int? TopDressWeek,
    double? TopDressG);

/// <summary>When a mix feeds, when it robs, and when to feed it.</summary>
public static class NitrogenOutlook
{
    /// <summary>g of N in a kilogram of mix, as it lies, below which it neither gives nor takes to speak of: a small part of what a
    /// crop takes up.</summary>
    public const double ToSpeakOf = 0.05;

    /// <summary>Weeks looked at where no crop says how many.</summary>
    public const int UsualWeeks = 16;

    /// <summary>What a crop takes in all, g of N a plant, and in how many weeks.</summary>
    /// <remarks>Source: usual uptake figures; a head lettuce 1 to 1.5 g, a fruiting tomato 6 to 10 g, a module 0.02 to 0.05 g.</remarks>
    public static (double G, int Weeks)? Takes(PotCrop crop) => crop switch {
        PotCrop.Module => (0.035, 5),
        PotCrop.Lettuce => (1.25, 8),
        PotCrop.Tomato => (8, 16),
        _ => null,
    };

    /// <summary>Works it out for one pot, a square metre or a bed.</summary>
    /// <param name="of">What rots in it.</param>
    /// <param name="takes">What grows in it takes so much, g, over so many weeks; null where nothing is said.</param>
    /// <param name="per">"a pot", "a tray", "the bed".</param>
    /// <param name="atOnceG">Ammonium and nitrate that are there already, g of N, by a lab's sheet.</param>
    /// <remarks>A pot of 3 L with 1.2 L of castings: 0.6 g of nitrogen in 16 weeks, and a lettuce wants 1.25 g in 8: feed it before week
    /// 1, 0.86 g in all. A model; warmth and water move it by a third.</remarks>
    public static Worked<NitrogenOutlookAnswer> Of(IReadOnlyList<Amassed> of, (double G, int Weeks)? takes, string per,
        double atOnceG = 0)
    {
        var weeks = takes?.Weeks ?? UsualWeeks;
        double Net(double share, int week) => atOnceG
            + of.Sum(a => NitrogenDrawdown.NetG(a.Kg, a.Of.Carbon, a.Of.Nitrogen * share, a.Of.Moisture,
            a.Of.DecayPerWeek, week));
        NitrogenWeek[] line = [.. Enumerable.Range(0, weeks + 1)
            .Select(w => new NitrogenWeek(w, Net(1, w), Net(1 / (1 + Material.Spread), w),
            Net(1 + Material.Spread, w), takes is { } t ? t.G * w / t.Weeks : null))];
        double Short(NitrogenWeek w) => (w.Wanted ?? 0) - w.G;
        var worst = line.Max(Short);
        var least = takes is { } crop ? crop.G * 0.05 : Math.Max(1e-9, of.Sum(a => a.Kg) * ToSpeakOf);
        var first = line.FirstOrDefault(w => Short(w) > least)?.Week;
        var end = line[^1];
        var gives = $"{(end.G < 0 ? "It takes" : "It gives")} {Said(Math.Abs(end.G))} of nitrogen {per} in {Say.Count(weeks, "week")}";
        var sentence = takes is null && line.All(w => Math.Abs(w.G) <= least)
            ? $"It neither gives nor takes nitrogen to speak of in {Say.Count(weeks, "week")}."
            : first is null ? takes is null ? $"{gives}." : $"{gives}, and {Said(takes.Value.G)} is wanted: it carries the crop."
            : $"{gives}{(takes is { } want ? $", and {Said(want.G)} is wanted" : "")}: feed it before week {Math.Max(1, first.Value)}, "
                + $"{Said(worst)} in all.";
        return Worked.Of(new NitrogenOutlookAnswer(line, sentence, first is null ? Tone.Go : Tone.Mind, first is null ? null
            : Math.Max(1, first.Value), first is null ? null : worst), "g N", Evidence.PractitionersRule,
            [
                .. of.Where(a => a.Of.Rots).Select(a => Line(a, weeks)),
                .. atOnceG > 0 ? [new WorkingLine("there already", "ammonium and nitrate", "", $"{Say.Number(atOnceG)} g",
                    "the lab’s sheet")]
                    : Array.Empty<WorkingLine>(),
                new("in all", "sum", $"{Say.Number(end.Low)} to {Say.Number(end.High)} g", $"{Say.Number(end.G)} g",
                    "a model: warmth, water and the bag itself move it by a third"),
            ]);
    }

    private static WorkingLine Line(Amassed a, int weeks)
    {
        var (of, g) = (a.Of, NitrogenDrawdown.NetG(a.Kg, a.Of.Carbon, a.Of.Nitrogen, a.Of.Moisture, a.Of.DecayPerWeek, weeks));
        return new WorkingLine(of.Name, "kg dry × (N − C × 0.4 ÷ 8) × (1 − e^(−k × weeks))",
            $"{Say.Number(a.Kg * (1 - of.Moisture))} kg × ({Say.Number(of.Nitrogen)} − {Say.Number(of.Carbon)} × 0.05), k = "
                + Say.Number(of.DecayPerWeek), $"{Say.Number(g)} g",
                    "the house's table of materials; sources differ by a third, hence the band");
    }

    private static string Said(double g) => g < 1 ? $"{Say.Number(g * 1000, 2)} mg" : $"{Say.Number(g, 2)} g";
}
