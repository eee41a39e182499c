using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>One material of a heap.</summary>
public sealed record HeapMaterial
{
    /// <summary>What it is.</summary>
    public string? Name { get; init; }

    /// <summary>As it lies, wet: 0 to 1,000,000 kg; null for the one to be solved.</summary>
    public double? Kg { get; init; }

    /// <summary>Carbon, share of dry matter, 0 to 1.</summary>
    public double? Carbon { get; init; }

    /// <summary>Nitrogen, share of dry matter, 0 to 1.</summary>
    public double? Nitrogen { get; init; }

    /// <summary>Water, share of what is weighed, 0 to 0.99.</summary>
    public double? Moisture { get; init; }
}

/// <summary>Question of compost-recipe.</summary>
public sealed record CompostQuestion
{
    /// <summary>C:N wanted, 5 to 200; may be left out where no amount is to be solved.</summary>
    public double? TargetCn { get; init; }

    /// <summary>1 to 30 materials, at most one of them without its amount.</summary>
    public IReadOnlyList<HeapMaterial>? Materials { get; init; }
}

/// <summary>A heap's recipe.</summary>
/// <param name="Cn">Carbon to nitrogen, by weight.</param>
/// <param name="Moisture">Water, share of the whole.</param>
/// <param name="MissingKg">What the one without an amount must weigh; null where all were given.</param>
public sealed record CompostAnswer(double Cn, double Moisture, double? MissingKg);

/// <summary>A heap by C:N and moisture.</summary>
public static class CompostRecipe
{
    /// <summary>Works it out: <c>C:N = Σ mᵢ(1−wᵢ)cᵢ ÷ Σ mᵢ(1−wᵢ)nᵢ</c>, solved for the one amount that is not given.</summary>
    /// <remarks>120 kg of grass (42 % C, 3 % N, 78 % water) and 10 kg of castings want 60.87 kg of straw for 30; it is 56.5 % water then.
    /// Refused: two amounts missing, no nitrogen at all, and where no amount above nought reaches the ratio. Source: balance of mass;
    /// reference/mixing-cases.json.</remarks>
    public static Ruling<CompostAnswer> Of(CompostQuestion q)
    {
        var checks = new Checks();
        var all = q.Materials ?? [];
        Look(all, checks);
        var missing = all.Count(m => m is { Kg: null });
        if (missing > 1)
        {
            checks.Add("materials", $"{missing} amounts are missing.", "One can be solved: give the others, or leave them out.");
        }

        var target = missing > 0 || q.TargetCn is not null ? checks.Range("targetCn", q.TargetCn, 5, 200, "", "25 to 35 is usual.") : 0;
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var known = all.Where(m => m.Kg is not null).ToList();
        var (c, n) = (known.Sum(m => m.Kg!.Value * Dry(m) * m.Carbon!.Value), known.Sum(m => m.Kg!.Value * Dry(m) * m.Nitrogen!.Value));
        double? solved = null;
        if (missing == 1)
        {
            var free = all.Single(m => m.Kg is null);
            solved = ((target * n) - c) / (Dry(free) * (free.Carbon!.Value - (target * free.Nitrogen!.Value)));
            if (!(solved > 1e-12) || !double.IsFinite(solved.Value) || solved > 1e9)
            {
                return NoAmount(free, target, c, n);
            }

            all = [.. all.Select(m => m.Kg is null ? m with { Kg = solved } : m)];
            c += solved.Value * Dry(free) * free.Carbon!.Value;
            n += solved.Value * Dry(free) * free.Nitrogen!.Value;
        }

        var weight = all.Sum(m => m.Kg!.Value);
        if (weight <= 0 || n <= 0)
        {
            return Refusal.Of("materials", weight <= 0 ? "Nothing lies on the heap." : "There is no nitrogen in it at all: C:N has no "
                + "figure.", "Give amounts above nought, and at least one material with nitrogen.");
        }

        var water = all.Sum(m => m.Kg!.Value * m.Moisture!.Value) / weight;
        return Worked.Of(new CompostAnswer(c / n, water, solved), "", Evidence.ChemistryOrPhysics,
            [
                .. all.Select(m => new WorkingLine(m.Name!, "kg × (1 − water) × share of C and of N",
                    $"{Say.Number(m.Kg!.Value, 4)} kg × {Say.Number(Dry(m))} × {Say.Number(m.Carbon!.Value)} and "
                        + $"{Say.Number(m.Nitrogen!.Value)}",
                    $"{Say.Number(m.Kg.Value * Dry(m) * m.Carbon.Value)} kg C, {Say.Number(m.Kg.Value * Dry(m) * m.Nitrogen.Value)} kg N",
                    "your table of materials")),
                new("C:N", "Σ C ÷ Σ N", $"{Say.Number(c, 4)} ÷ {Say.Number(n, 4)}", Say.Number(c / n, 4), "balance of mass"),
                new("water", "Σ kg × water ÷ Σ kg", $"over {Say.Number(weight, 4)} kg", $"{Say.Number(water * 100)} %", "balance of mass"),
            ], [Cautions.Dust]);
    }

    private static double Dry(HeapMaterial m) => 1 - m.Moisture!.Value;

    private static void Look(IReadOnlyList<HeapMaterial> all, Checks checks)
    {
        if (all.Count is 0 or > 30)
        {
            checks.Add("materials", all.Count == 0 ? "There is no material." : "That is more than 30 materials.", "Give 1 to 30 of them.");
            return;
        }

        for (var i = 0; i < all.Count; i++)
        {
            var (m, at) = (all[i], $"materials[{i}]");
            if (m is null || Names.Wrong(m.Name) is not null)
            {
                checks.Add($"{at}.name", m is null ? "There is nothing in it." : Names.Wrong(m.Name)!, "Name the material.");
            }

            if (m?.Kg is not null)
            {
                checks.Range($"{at}.kg", m.Kg, 0, 1_000_000, "kg");
            }

            checks.Range($"{at}.carbon", m?.Carbon, 0, 1, "", "As a share of dry matter: 0.45 is 45 %.");
            checks.Range($"{at}.nitrogen", m?.Nitrogen, 0, 1, "", "As a share of dry matter: 0.03 is 3 %.");
            checks.Range($"{at}.moisture", m?.Moisture, 0, 0.99, "", "As a share of what is weighed: 0.78 is 78 % water.");
            if (m?.Carbon + m?.Nitrogen > 1)
            {
                checks.Add($"{at}.carbon", "Carbon and nitrogen are more than all of it.", "Give shares of dry matter that fit in 1.");
            }
        }
    }

    private static Refusal NoAmount(HeapMaterial free, double target, double c, double n)
    {
        var own = free.Nitrogen > 0 ? $"{Say.Number(free.Carbon!.Value / free.Nitrogen.Value)}" : "no nitrogen at all";
        return Refusal.Of("materials", n <= 0 && c <= 0 ? $"There is nothing else on the heap, and {free.Name} alone is {own}."
            : $"No amount of {free.Name} ({own}) brings the rest ({(n > 0 ? Say.Number(c / n) : "no nitrogen")}) to {Say.Number(target)}.",
            "Solve for a material on the other side of the ratio wanted, or want another ratio.");
    }
}
