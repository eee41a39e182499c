using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records.Shelf;

namespace MudPie.Server.Lots;

/// <summary>What stands on a label, read.</summary>
public static class Labels
{
    /// <summary>The first label rate of an input; null where it has none.</summary>
    public static LabelRate? Of(Input i)
    {
        if (i.LabelRates is { } json)
        {
            return json.FirstOrDefault();
        }

        var unit = StockKeeper.UnitOf(i) == "L" ? "mL" : "g";
        return i is { LabelRate: { } rate, LabelBasis: { } basis } ? new LabelRate(rate, rate, unit, basis, i.LabelEveryDays,
            basis == RateBasis.OneIn ? $"1 in {Say.Number(rate)}" : $"{Say.Number(rate)} {unit} {basis.Says()}") : null;
    }

    /// <summary>The first label rate as a grower would type it; null where it has none.</summary>
    public static string? RateShown(Input i, UnitSystem units) => i.LabelRate is not { } rate ? null
        : StockKeeper.UnitOf(i) == "L" ? Units.Show(rate / 1000, Dimension.Volume, units) : Units.Show(rate, Dimension.Mass, units);
}
