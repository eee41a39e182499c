using Is = MudPie.Core.Ideas.Tone;

namespace MudPie.Core.Sheets;

/// <summary>One figure of one sheet of a place.</summary>
/// <param name="SheetId">Which sheet.</param>
/// <param name="On">When it was sampled.</param>
/// <param name="For">Soil, leaf, sap or tissue.</param>
/// <param name="Line">As it stands there.</param>
/// <param name="Stands">Against its band.</param>
/// <param name="OfBand">Where it lies: 0 at nothing, 1 at the low end, 2 at the high one, up to 3; null without a band.</param>
/// <param name="Series">Figures of one series may be joined by a line: one lab, one depth, one extraction, one age of leaf.</param>
public sealed record PlaceFigure(int SheetId, DateOnly On, SheetOf For, SheetLine Line, FigureStands Stands, double? OfBand, string Series);

/// <summary>One nutrient of a place, in all its sheets.</summary>
/// <param name="Of">Which.</param>
/// <param name="Figures">Oldest first.</param>
/// <param name="Sentence">Where soil, leaf and sap disagree: what that means. Null where they do not.</param>
/// <param name="Tone">Mind where something is short.</param>
public sealed record PlaceNutrient(Nutrient Of, IReadOnlyList<PlaceFigure> Figures, string? Sentence, Tone Tone);

/// <summary>Soil, leaf and sap of one place on one page.</summary>
public static class SheetsOfPlace
{
    /// <summary>Days for which sap speaks of now, and a leaf of this crop.</summary>
    public const int SapDays = 60, LeafDays = 365, SoilDays = 6 * 365;

    /// <summary>Lays them together.</summary>
    /// <param name="sheets">As found, with their days and numbers.</param>
    /// <param name="today">Today: an old figure says nothing of now.</param>
    /// <remarks>Potassium enough in the soil and short in the leaf: it is there and does not arrive. Short in the soil and enough in the
    /// leaf: the plant finds it so far; the store is low. Source: what each sample holds (store, history, today).</remarks>
    public static IReadOnlyList<PlaceNutrient> Of(IReadOnlyList<(int Id, DateOnly On, SheetAsked Asked, SheetFound Found)> sheets,
        DateOnly today)
    {
        var figures = sheets.OrderBy(s => s.On).ThenBy(s => s.Id).SelectMany(s => s.Found.Figures.Select(n => (n.Line.Of,
            Is: Figure(s.Id, s.On, s.Asked, n)))).ToList();
        return [.. Nutrients.All.Where(n => !n.Property).Select(n => (Of: n, Is: figures.Where(f => f.Of == n).Select(f => f.Is).ToList()))
            .Where(n => n.Is.Count > 0).Select(n => new PlaceNutrient(n.Of, n.Is, Sentence(n.Is, today), Tone(n.Is, today)))];
    }

    private static PlaceFigure Figure(int id, DateOnly on, SheetAsked asked, SheetFigure n)
    {
        var (stands, at) = n switch { { Low: null } or { High: null } => (FigureStands.NoBand, (double?)null),
            { Line.Above: true } => (FigureStands.Above, 3),
            { Line.MgPerKg: { } mg } => (mg < n.Low ? FigureStands.Short : mg > n.High ? FigureStands.Above : FigureStands.Enough,
                mg <= n.Low ? mg / n.Low.Value : mg <= n.High ? 1 + ((mg - n.Low.Value) / Math.Max(n.High.Value - n.Low.Value, 1e-9))
                    : Math.Min(3, 2 + ((mg - n.High.Value) / n.High.Value))),
            _ => (FigureStands.NoBand, null),
        };
        var kind = asked.For.Said();
        return new(id, on, asked.For, n.Line, stands, at, asked.For.OfPlant()
            ? $"{kind}, {(n.Line.Age == LeafAge.Old ? "old leaves, " : "")}{Lab(asked)}"
            : $"{kind}, {n.Line.Method.Word()}, {asked.DepthFrom?.Trim()}–{asked.Depth?.Trim()}, {Lab(asked)}");
    }

    private static string Lab(SheetAsked asked) => (asked.Lab ?? "").Trim().ToLowerInvariant();

    private static PlaceFigure? Newest(IEnumerable<PlaceFigure> figures, DateOnly today, int days, Func<SheetOf, bool> of) =>
        figures.LastOrDefault(f => of(f.For) && f.Line.Age == LeafAge.Young && f.Stands != FigureStands.NoBand
            && today.DayNumber - f.On.DayNumber <= days);

    private static (PlaceFigure? Soil, PlaceFigure? Leaf, PlaceFigure? Sap) Now(List<PlaceFigure> of, DateOnly today) =>
        (Newest(of, today, SoilDays, f => f is SheetOf.Bed or SheetOf.Field), Newest(of, today, LeafDays, f => f is SheetOf.Leaf
            or SheetOf.Tissue), Newest(of, today, SapDays, f => f == SheetOf.Sap));

    private static Tone Tone(List<PlaceFigure> of, DateOnly today)
    {
        var (soil, leaf, sap) = Now(of, today);
        return new[] { soil, leaf, sap }.Any(f => f?.Stands == FigureStands.Short) ? Is.Mind : Is.Go;
    }

    private static string? Sentence(List<PlaceFigure> of, DateOnly today)
    {
        var (soil, leaf, sap) = Now(of, today);
        bool? Low(PlaceFigure? f) => f is null ? null : f.Stands == FigureStands.Short;
        return (Low(soil), Low(leaf), Low(sap)) switch {
            (false, true, false) => "Enough in store and moving today; it was short while these leaves grew. Nothing to put on.",
            (false, true, _) or (false, null, true) => "There is enough in store and it does not arrive: look at water, cold, roots, a "
                + "pan, pH, or too much of another, before putting more on.",
            (false, false, true) => "Enough in store and in the leaf, and little moves today: look at water and warmth; press again.",
            (true, false, false) => "The store is low, yet the plant finds it so far: fill the store at the next planting.",
            (true, false, _) => "The store is low; what the leaf holds was found so far. Fill the store at the next planting.",
            (true, true, false) => "Short in store and in the leaf, yet it moves today: what was fed arrives. Fill the store all the same.",
            (true, null, false) => "The store is low, yet it moves today: fill the store at the next planting.",
            (true, true, _) or (true, null, true) => "Short in the ground, and so in the plant: fill the store; a leaf can be fed "
                + "meanwhile.",
            (null, false, true) => "Enough was taken up, and little moves today: look at water and warmth; press again.",
            (null, true, false) => "It was short while these leaves grew, and moves today.",
            _ => null,
        };
    }
}
