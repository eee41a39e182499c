using MudPie.Core.Mixing;
using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>Leaves and sap against their bands.</summary>
internal static class PlantSheet
{
    /// <summary>A plant against its bands: nothing is put on by it, but each shortfall wants a choice. Bands are of young leaves.</summary>
    public static SheetAnswer Of(SheetAsked r, SheetRead read, Dictionary<string, (TargetBand Band, bool Own)> bands,
        (double? AreaM2, IReadOnlyList<AdviceRead> Advice, double? Cost) with)
    {
        List<SheetNutrient> nutrients = [.. read.Lines.Where(l => !l.Of.Property).Select(l =>
            SheetBench.Banded(r, l, bands) is { } b
                ? new SheetNutrient(l, b.Band.Low, b.Band.High, b.Own, null, null,
                    l.MgPerKg is { } have ? Math.Max(0, b.Band.Low!.Value - have) : 0,
                    l.MgPerKg < b.Band.Low ? PlantSays.Why(l) : null, SheetBench.Chosen(r, l.Of.Id), Flag(l, b.Band))
                : new SheetNutrient(l, null, null, false, null, null, 0, null, null, l.Age == LeafAge.Old ? "of old leaves"
                    : Flag(l, null)))];
        return new SheetAnswer(read, nutrients, [], with.AreaM2, null, 0, null, with.Advice, with.Cost, PlantSays.Verdict(r, nutrients));

        static string? Flag(SheetLine line, TargetBand? band) => line.Above
            ? "above the lab’s scale: enough, and how much more nobody knows"
            : line.Below ? "below what the lab can find: half of that is taken" : band is null ? "no band for it: type the lab’s own"
            : line.MgPerKg > band.High ? "more than the band: nothing is gained by more" : null;
    }

    /// <summary>A figure against its band, as a line of the sum.</summary>
    public static WorkingLine Against(SheetAsked r, SheetLine line, (TargetBand Band, bool Own) by)
    {
        var unit = r.For == SheetOf.Sap ? "mg/L" : "mg/kg";
        var (have, low) = (line.MgPerKg!.Value, by.Band.Low!.Value);
        return new WorkingLine(line.Of.Name, "low end of the band − what was found", $"{Say.Number(low)} − {Say.Number(have)}",
            have < low ? $"{Say.Number(low - have)} {unit} short" : "enough", by.Own ? "your own band, or the lab’s"
                : "the house’s band: ranges that advisory tables share, which differ by a third");
    }
}
