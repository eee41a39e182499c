using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>A part of a blend with its sheet.</summary>
public sealed record BlendPart
{
    /// <summary>As measured loose, 0 to 1,000,000 L.</summary>
    public double? Litres { get; init; }

    /// <summary>As it lies, 0.01 to 3 kg/L.</summary>
    public double? BulkDensityKgPerL { get; init; }

    /// <summary>What its sheet says, mg/kg, 0 to 1,000,000; what it does not say is left out or null.</summary>
    public IReadOnlyDictionary<string, double?>? MgPerKg { get; init; }
}

/// <summary>Question of blend.</summary>
public sealed record BlendQuestion
{
    /// <summary>1 to 40 parts.</summary>
    public IReadOnlyList<BlendPart>? Parts { get; init; }
}

/// <summary>What a blend should hold.</summary>
/// <param name="MgPerL">By volume; null where the sheet of a part lacks it.</param>
/// <param name="MgPerKg">By weight; null likewise.</param>
/// <param name="BulkDensityKgPerL">Weight of a litre, before fines fill the gaps.</param>
public sealed record BlendAnswer(IReadOnlyDictionary<string, double?> MgPerL, IReadOnlyDictionary<string, double?> MgPerKg,
    double BulkDensityKgPerL);

/// <summary>A blend guessed from the sheets of its parts.</summary>
public static class Blends
{
    /// <summary>Works it out: <c>Σ litres × density × mg/kg</c> over the litres, and over the kilograms.</summary>
    /// <remarks>60 L of coir at 0.12 kg/L with 420 mg/kg K, 30 L of castings at 0.65 with 900, 10 L of char at 0.2 with 1,500: 235.74 mg
    /// of K a litre, 821 a kilogram; P is not known as the char's sheet has none. A part of no litres counts for nothing. pH does not
    /// average, and salts (EC) only within one way of extraction. Source: balance of mass; reference/mixing-cases.json.</remarks>
    public static Ruling<BlendAnswer> Of(BlendQuestion q)
    {
        var checks = new Checks();
        var parts = q.Parts ?? [];
        if (parts.Count is 0 or > 40)
        {
            checks.Add("parts", parts.Count == 0 ? "There is no part." : "That is more than 40 parts.", "Give 1 to 40 parts.");
        }

        for (var i = 0; i < Math.Min(parts.Count, 40); i++)
        {
            var at = $"parts[{i}]";
            checks.Range($"{at}.litres", parts[i]?.Litres, 0, 1_000_000, "L");
            checks.Range($"{at}.bulkDensityKgPerL", parts[i]?.BulkDensityKgPerL, 0.01, 3, "kg/L");
            foreach (var (nutrient, mg) in parts[i]?.MgPerKg ?? new Dictionary<string, double?>())
            {
                if (mg is not null)
                {
                    checks.Range($"{at}.mgPerKg.{nutrient}", mg, 0, 1_000_000, "mg/kg");
                }
            }
        }

        var litres = checks.Sound ? parts.Sum(p => p.Litres!.Value) : 0;
        if (checks.Sound && litres <= 0)
        {
            checks.Add("parts", "There are no litres of it.", "Give at least one part some litres.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var there = parts.Where(p => p.Litres > 0).ToList();
        var kg = there.Sum(p => p.Litres!.Value * p.BulkDensityKgPerL!.Value);
        var nutrients = there.SelectMany(p => p.MgPerKg?.Keys ?? []).Distinct().Order(StringComparer.Ordinal).ToList();
        var mg1 = nutrients.ToDictionary(n => n, n => there.Any(p => p.MgPerKg?.GetValueOrDefault(n) is null) ? (double?)null
            : there.Sum(p => p.Litres!.Value * p.BulkDensityKgPerL!.Value * p.MgPerKg![n]!.Value));
        return Worked.Of(
            new BlendAnswer(mg1.ToDictionary(n => n.Key, n => n.Value / litres), mg1.ToDictionary(n => n.Key, n => n.Value / kg),
                kg / litres),
            "", Evidence.ChemistryOrPhysics,
            [
                new("weight of a litre", "Σ litres × density ÷ Σ litres", $"{Say.Number(kg, 4)} kg ÷ {Say.Number(litres, 4)} L",
                    $"{Say.Number(kg / litres)} kg/L", "balance of mass"),
                .. mg1.Select(n => new WorkingLine(n.Key, "Σ litres × density × mg/kg ÷ Σ litres", n.Value is { } all
                    ? $"{Say.Number(all, 4)} mg ÷ {Say.Number(litres, 4)} L" : "a part's sheet does not say", n.Value is { } mg
                    ? $"{Say.Number(mg / litres, 4)} mg/L" : "not known", "balance of mass; pH does not average: test it")),
            ]);
    }
}
