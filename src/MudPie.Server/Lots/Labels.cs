using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records.Shelf;

namespace MudPie.Server.Lots;

/// <summary>What stands on a label, read.</summary>
public static class Labels
{
    /// <summary>The first label rate of an input; null where it has none.</summary>
    public static LabelRate? Of(Input i, UnitSystem units = UnitSystem.Metric) => i.LabelRates is { } rates ? rates.FirstOrDefault()
        : i is { LabelRate: { } rate, LabelBasis: { } basis }
            ? new LabelRate(rate, rate, StockKeeper.UnitOf(i) == "L" ? "mL" : "g", basis, i.LabelEveryDays, Says(i, units)!) : null;

    /// <summary>The label in its own words; of entries from before those were kept, rate and basis. Null where it has no rate.</summary>
    public static string? Says(Input i, UnitSystem units) => i.LabelTyped ?? (i.LabelRate is not { } rate ? null
        : i.LabelBasis is { } basis and not RateBasis.OneIn
            ? $"{Told(i, units)!.Value.Rate} {basis.Told(units).Says}" : $"1 in {Say.Number(rate)}");

    /// <summary>The first label rate as a grower would type it, with the word of what it is on; null where it has none.</summary>
    public static (string Rate, string? Basis)? Told(Input i, UnitSystem units)
    {
        var on = i.LabelBasis?.Told(units);
        if ((i.LabelRate * (on?.Of ?? 1)) is not { } rate)
        {
            return null;
        }

        var amount = i.LabelBasis == RateBasis.OneIn ? $"1 in {TypedNumber.Write(rate)}" : StockKeeper.UnitOf(i) == "L"
            ? Units.Show(rate / 1000, Dimension.Volume, units) : Units.Show(rate, Dimension.Mass, units);
        return (amount, on?.Word);
    }
}
