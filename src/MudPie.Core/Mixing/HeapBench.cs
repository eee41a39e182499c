using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>A heap's recipe from what is there, with the spread of the table carried through.</summary>
public static class HeapBench
{
    /// <summary>Usual C:N to build at, and its band.</summary>
    public const double UsualCn = 30, LowCn = 25, HighCn = 35;

    /// <summary>Water, share of the whole: usual band, and what is aimed at.</summary>
    public const double LowWater = 0.50, HighWater = 0.60, AimWater = 0.55;

    /// <summary>Most coffee grounds, share of the volume.</summary>
    public const double MostGrounds = 0.20;

    /// <summary>Least volume that heats through, L.</summary>
    public const double HeatsL = 1000;

    /// <summary>Works it out.</summary>
    /// <param name="r">The heap as typed.</param>
    /// <param name="table">The holding's table of materials.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <remarks>400 L of grass clippings (120 kg) and straw to be solved for 30: 57.6 kg of it, 720 L; 28 to 121 kg where tables are a
    /// third off. Source: balance of mass; the table of the house.</remarks>
    public static Ruling<HeapBenchAnswer> Of(HeapAsked r, IReadOnlyList<Material> table, UnitSystem units)
    {
        var fields = new TypedFields(units);
        fields.Name("name", r.Name, "the heap");
        var target = fields.Optional("targetCn", r.TargetCn, Dimension.Plain, 5, 200) ?? UsualCn;
        Code(r, fields);
        if (r.Parts.Count is 0 or > 20)
        {
            fields.Checks.Add("parts", r.Parts.Count == 0 ? "There is nothing in it." : "That is more than twenty.",
                "Give 1 to 20 materials.");
        }

        var read = r.Parts.Take(20).Select((p, i) => Part(p, i, table, fields)).ToList();
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        HeapMaterial Asked((Material Of, double? Kg) p, double nitrogen = 1) => new() {
            Name = p.Of.Name, Kg = p.Kg, Carbon = p.Of.Carbon, Nitrogen = p.Of.Nitrogen * nitrogen, Moisture = p.Of.Moisture
        };
        var worked = CompostRecipe.Of(new CompostQuestion { TargetCn = target, Materials = [.. read.Select(p => Asked(p))] });
        if (worked.Refused is { } no)
        {
            return new Refusal([.. no.Problems.Select(p => p with {
                Field = p.Field.StartsWith("materials", StringComparison.Ordinal) ? p.Field.Replace("materials", "parts",
                    StringComparison.Ordinal)
                    .Replace(".kg", ".amount", StringComparison.Ordinal) : p.Field
            })]);
        }

        var missing = read.FirstOrDefault(p => p.Kg is null).Of;
        var recipe = worked.Value;
        List<HeapPart> parts = [.. read.Select(p => new HeapPart(p.Of, p.Kg ?? recipe.MissingKg!.Value,
            (p.Kg ?? recipe.MissingKg!.Value) / p.Of.KgPerL))];
        var (kg, volume, water) = (parts.Sum(p => p.Kg), parts.Sum(p => p.Litres), parts.Sum(p => p.Kg * p.Of.Moisture));
        var spread = Spread(parts);
        // Nitrogen of the known parts off by their spread, both ways: what would be missing then.
        double? Missing(double nitrogen) => missing is null ? null : CompostRecipe.Of(new CompostQuestion {
            TargetCn = target, Materials = [.. read.Select(p => Asked(p, p.Kg is null ? 1 : nitrogen))]
        }) is { Refused: null } off ? off.Value.MissingKg : null;
        var knownSpread = Spread(parts.Where(p => p.Of != missing));
        double?[] off = [Missing(1 - knownSpread), Missing(1 + knownSpread)];
        var grounds = parts.Where(p => p.Of.Id == "grounds").Sum(p => p.Litres) / volume;
        var add = Math.Max(0, ((AimWater * kg) - water) / (1 - AimWater));
        var answer = new HeapBenchAnswer(recipe, recipe.Cn / (1 + spread), recipe.Cn / (1 - spread), missing?.Name,
            missing is null ? null : recipe.MissingKg / missing.KgPerL, missing is null ? null : off.Min() ?? 0,
            missing is null || off.Any(o => o is null) ? null : off.Max(), recipe.Moisture < LowWater ? add : 0, volume, kg, grounds, parts,
            Verdict(recipe, recipe.Moisture < LowWater ? add : 0, volume, grounds, units));
        return worked.Worked.With(answer, "") with {
            Working = [
                .. worked.Worked.Working,
                new("band of C:N", "each material’s nitrogen a third off, by itself", $"± {Say.Number(spread * 100, 2)} %",
                    $"{Say.Number(answer.CnLow)} to {Say.Number(answer.CnHigh)}", "sources differ by a third either way"),
            ],
            Cautions = grounds > 0 ? [Cautions.Dust, Grounds] : [Cautions.Dust],
            Forks = grounds > 0 ? [GroundsFork] : [],
            Sure = Evidence.PractitionersRule,
        };
    }

    /// <summary>Grounds in a heap.</summary>
    public static readonly Caution Grounds = new("coffee-grounds",
        "Grounds at most a fifth of the heap by volume, and six months before it is used: raw in soil they stunt plants for six to twelve "
            + "months, and nitrogen is no cure.", "Published work covers some crops and soils only; try yours in a few pots first.");

    private static readonly Fork GroundsFork = new("coffee-grounds", "How may coffee grounds be used?",
        [
            new("raw", "raw, as a mulch", "up to 2.5 cm on ornamentals; never on seed beds"),
            new("composted", "composted", "at most 20 % of the heap, six months or more"),
            new("never", "not at all", "to worms, as part of what they get"),
        ], "composted", "composted", "What they hold back growth with is gone after half a year in a heap.", Evidence.PublishedTrials,
        "how much goes in, and from when the compost may be used");

    /// <summary>The grower's own code as typed.</summary>
    public static HeapCode Code(HeapAsked r, TypedFields fields) => new(
        fields.Optional("codeDays", r.CodeDays, Dimension.Plain, 0, 120) ?? HeapCode.Usual.Days, r.CodeInARow,
        (int)Math.Round(fields.Optional("codeTurns", r.CodeTurns, Dimension.Plain, 0, 40) ?? HeapCode.Usual.Turns));

    private static (Material Of, double? Kg) Part(HeapPartAsked p, int at, IReadOnlyList<Material> table, TypedFields fields)
    {
        if (table.FirstOrDefault(m => m.Id == p.MaterialId) is not { } material)
        {
            fields.Checks.Add($"parts[{at}]", "That material is not in the table.", "Choose one of the table, or add it there.");
            return (table[0], 0);
        }

        if (string.IsNullOrWhiteSpace(p.Amount))
        {
            return (material, null);
        }

        var read = AmountText.ReadLoose($"parts[{at}].amount", p.Amount, material.KgPerL, fields.Units);
        if (read.Refused is { } no || read.Value.Si is <= 0 or > 1_000_000)
        {
            fields.Checks.Add(read.Refused ?? Refusal.Of($"parts[{at}].amount", $"{read.Value.Shown} is out of range.",
                "Give more than nothing, and up to a thousand cubic metres; leave one empty to have it solved."));
            return (material, 0);
        }

        return (material, read.Value.Si * material.KgPerL);
    }

    /// <summary>Share by which the nitrogen of all may be off, each material by itself.</summary>
    private static double Spread(IEnumerable<HeapPart> parts)
    {
        double[] n = [.. parts.Select(p => p.Kg * (1 - p.Of.Moisture) * p.Of.Nitrogen)];
        return n.Sum() > 0 ? Material.Spread * Math.Sqrt(n.Sum(x => x * x)) / n.Sum() : Material.Spread;
    }

    private static Verdict Verdict(CompostAnswer recipe, double addL, double volumeL, double grounds, UnitSystem units)
    {
        string L(double litres) => Units.Show(litres, Dimension.Volume, units);
        if (grounds > MostGrounds)
        {
            return new Verdict(Tone.Stop, "Too many coffee grounds for one heap.",
                $"They are {Say.Number(grounds * 100, 2)} % of it by volume; {L(MostGrounds / grounds * grounds * volumeL)} is the "
                    + $"most in a heap "
                    + "of that size. Give the rest to the worms, or keep it for the next.");
        }

        if (recipe.Cn is < LowCn or > HighCn)
        {
            return recipe.Cn < LowCn
                ? new Verdict(Tone.Mind, $"C:N {Say.Number(recipe.Cn)}: more browns.",
                    "It would lose nitrogen as ammonia, and smell. Straw, leaves or "
                    + "chip bring it to 30; leave one amount empty and it is solved.")
                : new Verdict(Tone.Mind, $"C:N {Say.Number(recipe.Cn)}: more greens.",
                    "It would stay cool and slow for want of nitrogen. Clippings, "
                    + "manure or scraps bring it to 30; leave one amount empty and it is solved.");
        }

        if (recipe.Moisture > HighWater)
        {
            return new Verdict(Tone.Mind, $"{Say.Number(recipe.Moisture * 100, 2)} % water: it would run short of air.",
                "Lay the wet things out for a day, or add something dry and coarse.");
        }

        return volumeL < HeatsL ? new Verdict(Tone.Mind, $"Good, but small: {L(volumeL)}.",
            "Under a cubic metre a heap hardly heats through. It "
                + "becomes compost all the same, and slower; it does not count as hot.")
            : new Verdict(Tone.Go, $"Build it: C:N {Say.Number(recipe.Cn)}, {Say.Number(recipe.Moisture * 100, 2)} % water.", addL > 0.5
                ? $"Water it as you lay it, {L(addL)} in all, until a squeezed handful gives a drop or two."
                : "Damp as a wrung-out sponge, coarse things at the foot for air.");
    }
}
