using MudPie.Core.Measures;

namespace MudPie.Core.PuttingOut;

/// <summary>What is typed for a bottle in a tank, read.</summary>
public static class TankItems
{
    /// <summary>Reads its rate and what that is on; null, with the reason among the fields' checks, where it can't be read.</summary>
    /// <param name="item">As typed.</param>
    /// <param name="field">Its place in the request: items[0].</param>
    /// <param name="name">The bottle's name.</param>
    /// <param name="liquid">It is measured by volume.</param>
    /// <param name="fields">Whose units, and where refusals go.</param>
    /// <remarks>"1 qt" per acre is 2,338.5 mL a hectare, "1 fl oz" per gallon 7.81 mL a litre; "1:300" 301.</remarks>
    public static JobProduct? Product(TankItem item, string field, string name, bool liquid, TypedFields fields)
    {
        if (RateBases.Read(item.Basis) is not ( { } on, { } ground))
        {
            fields.Checks.Add($"{field}.basis", $"{item.Rate} of {name}: per what?",
                "Choose per hectare, per 100 m², per litre of mix, or one part in so many (liquids only).");
            return null;
        }

        var product = new JobProduct { Name = name, Unit = liquid ? "mL" : "g", Basis = on, Rate = null };
        if (on == RateBasis.OneIn)
        {
            var read = Dilutions.Read(item.Rate);
            if (read.Refused is { } no)
            {
                fields.Checks.Add($"{field}.rate", no.Problems[0].Wrong, no.Problems[0].WayOut);
                return null;
            }

            return product with { Rate = read.Value.OneIn };
        }

        var amount = AmountText.Read($"{field}.rate", item.Rate, liquid ? Dimension.Volume : Dimension.Mass, fields.Units);
        if (amount.Refused is { } refused)
        {
            fields.Checks.Add(refused);
            return null;
        }

        return product with { Rate = (liquid ? amount.Value.Si * 1000 : amount.Value.Si) / ground };
    }
}
