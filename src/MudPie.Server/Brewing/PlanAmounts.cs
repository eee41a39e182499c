using MudPie.Core.Brewing;
using MudPie.Core.Measures;

namespace MudPie.Server.Brewing;

/// <summary>Amounts of a plan as pages show them.</summary>
internal static class PlanAmounts
{
    /// <summary>An amount in the holding's units and tools.</summary>
    public static AmountView View(PlanAmount a, UnitSystem units)
    {
        var tools = Spoons.InTools(new Litres(a.Litres), units);
        return new AmountView(a.Kind, a.Name, a.Litres, a.MostL, a.OnShelf, Units.Show(a.Litres, Dimension.Volume, units), tools.Text,
            Spoons.ErrorText(tools.ErrorShare), a.AtH, a.InParts());
    }
}
