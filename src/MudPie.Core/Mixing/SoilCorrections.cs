using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>What a soil is short of, met from what there is: the least total shortfall first, then the least cost.</summary>
public static class SoilCorrections
{
    /// <summary>A shortfall of less than this, mg/kg, is the solver's and none of the soil's.</summary>
    public const double Slack = 1e-6;

    /// <summary>Works it out by a linear program in two steps. The low end is met by what is given in the first year; the top is held
    /// against the whole of it, so that nothing goes above it later, or further above where it is there already. A shortfall counts as
    /// a share of its band's low end.</summary>
    /// <remarks>kg/ha = mg/kg × depth in m × density in kg/L × 10: at 15 cm and 1.3 kg/L, 1.95. The five inputs of
    /// reference/mixing-cases.json: 150 kg of gypsum, 55 of potassium sulphate, 600 of rock phosphate, 2,111 of dolomite and 5,900 of
    /// compost a hectare; calcium stays 158 mg/kg short, as the tops of magnesium and sulphur are reached. What is said to be there
    /// afterwards is a balance of mass and no forecast: soils fix phosphorus and potassium. Refused: a target without a test, a low end
    /// that is not above 0, a price that is missing.</remarks>
    public static Ruling<CorrectionsAnswer> Of(CorrectionsQuestion q)
    {
        if (Wrong(q) is { } wrong)
        {
            return wrong;
        }

        var perMg = q.DepthCm!.Value / 100 * q.BulkDensityKgPerL!.Value * 10;
        var inputs = q.Inputs ?? [];
        var kg = CorrectionsProgram.Solve(q, perMg);
        Dictionary<string, double> After(Func<CorrectionInput, string, double> of) => q.Test!.ToDictionary(t => t.Key,
            t => t.Value + (inputs.Select((x, i) => kg[i] * of(x, t.Key)).Sum() / perMg));
        var (first, whole) = (After((x, n) => x.Gives(n)), After((x, n) => x.Holds(n)));
        var unmet = q.Targets!.Select(t => (t.Key, Short: t.Value.Low!.Value - first[t.Key])).Where(t => t.Short > Slack)
            .ToDictionary(t => t.Key, t => t.Short);
        var answer = new CorrectionsAnswer(inputs.Select((x, i) => (x.Name, Kg: kg[i])).ToDictionary(x => x.Name!, x => x.Kg), first, whole,
            inputs.Select((x, i) => kg[i] * x.PricePerKg!.Value).Sum(), unmet,
            unmet.Keys.ToDictionary(n => n, n => Why(n, q, kg, whole)));
        return Worked.Of(answer, "kg/ha", Evidence.PublishedTrials, Lines(q, perMg, answer), kg.Any(k => k > 0) ? [SoilDust] : []);
    }

    /// <summary>Dust of what is spread.</summary>
    public static readonly Caution SoilDust = new("mineral-dust",
        "Dust mask for minerals and char (P3 where there is quartz); goggles for lime and ash. Keep it off wells, drains and streams.",
        Cautions.Usual);

    private static Refusal? Wrong(CorrectionsQuestion q)
    {
        var checks = new Checks();
        checks.Range("depthCm", q.DepthCm, 1, 100, "cm");
        checks.Range("bulkDensityKgPerL", q.BulkDensityKgPerL, 0.05, 2.5, "kg/L");
        foreach (var (nutrient, mg) in q.Test ?? new Dictionary<string, double>())
        {
            checks.Range($"test.{nutrient}", mg, 0, 1_000_000, "mg/kg");
        }

        var targets = q.Targets ?? new Dictionary<string, TargetBand>();
        if (targets.Count is 0 or > 60)
        {
            checks.Add("targets", targets.Count == 0 ? "There is no target." : "That is more than 60 targets.",
                "Give a low and a high end for 1 to 60 nutrients.");
        }

        foreach (var (nutrient, band) in targets.Take(60))
        {
            var low = checks.Range($"targets.{nutrient}.low", band?.Low, 1e-6, 1_000_000, "mg/kg", "A low end is above 0.");
            checks.Range($"targets.{nutrient}.high", band?.High, low, 1_000_000, "mg/kg", "The high end is no lower than the low end.");
            if (q.Test?.ContainsKey(nutrient) is not true)
            {
                checks.Add($"test.{nutrient}", "It has a target and was not tested.", "Give what the sheet says, or leave the target out.");
            }
        }

        LookAtInputs(q.Inputs ?? [], checks);
        return checks.Sound ? null : checks.Refusal;
    }

    private static void LookAtInputs(IReadOnlyList<CorrectionInput> inputs, Checks checks)
    {
        if (inputs.Count > 200)
        {
            checks.Add("inputs", "That is more than 200 inputs.", "Give up to 200.");
        }

        var seen = new HashSet<string>(StringComparer.Ordinal);
        for (var i = 0; i < Math.Min(inputs.Count, 200); i++)
        {
            var (x, at) = (inputs[i], $"inputs[{i}]");
            if (x is null || Names.Wrong(x.Name) is not null || !seen.Add(x.Name!))
            {
                checks.Add($"{at}.name", x is null ? "There is nothing in it." : Names.Wrong(x.Name) ?? $"“{x.Name}” stands twice.",
                    "Give each input a name of its own.");
            }

            checks.Range($"{at}.pricePerKg", x?.PricePerKg, 0, 1_000_000, "",
                "Without a price the cheapest can't be told: give one, or 0 where it costs nothing.");
            if (x?.CapKgPerHa is not null)
            {
                checks.Range($"{at}.capKgPerHa", x.CapKgPerHa, 0, 1_000_000, "kg/ha");
            }

            foreach (var (nutrient, share) in x?.Content ?? new Dictionary<string, double>())
            {
                checks.Range($"{at}.content.{nutrient}", share, 0, 1, "", "As a share by weight: 22 % is 0.22.");
            }

            foreach (var (nutrient, share) in x?.Release ?? new Dictionary<string, double>())
            {
                checks.Range($"{at}.release.{nutrient}", share, 0, 1, "", "As a share given in the first year.");
            }

            if (x is not null && (x.Content is null || x.Content.Values.Sum() > 1 + 1e-9))
            {
                checks.Add($"{at}.content", x.Content is null ? "Nothing was given." : "Its nutrients are more than all of it.",
                    "Give shares by weight, as elements, that fit in 1.");
            }
        }
    }

    private static string Why(string nutrient, CorrectionsQuestion q, double[] kg, Dictionary<string, double> whole)
    {
        var inputs = q.Inputs ?? [];
        var holding = inputs.Select((x, i) => (X: x, Kg: kg[i])).Where(x => x.X.Gives(nutrient) > 0).ToList();
        if (holding.Count == 0)
        {
            return "No input that was offered gives any of it in the first year.";
        }

        bool Full(string n) => whole[n] >= Math.Max(q.Targets![n].High!.Value, q.Test![n]) - (1e-6 * q.Targets[n].High!.Value);
        var capped = holding.Where(x => x.X.CapKgPerHa is { } cap && x.Kg >= cap * (1 - 1e-7)).Select(x => x.X.Name!).ToList();
        string[] tops = [.. q.Targets!.Keys.Where(n => Full(n) && holding.Any(x => x.X.Holds(n) > 0 && !capped.Contains(x.X.Name!)))];
        string[] why = [
            .. capped.Count > 0 ? [$"{Say.List(capped)} {(capped.Count == 1 ? "is" : "are")} at the most that is usual a hectare"]
                : Array.Empty<string>(),
            .. tops.Contains(nutrient) ? ["more would take its own whole content above the top of its band later"] : Array.Empty<string>(),
            .. tops.Where(n => n != nutrient).ToList() is { Count: > 0 } others
                ? [$"more would take {Say.List(others)} above the top of {(others.Count == 1 ? "its band" : "their bands")}"]
                    : Array.Empty<string>(),
        ];
        var text = why.Length > 0 ? string.Join("; ", why) : "more of it would leave another nutrient shorter still";
        return char.ToUpperInvariant(text[0]) + text[1..] + ".";
    }

    private static IEnumerable<WorkingLine> Lines(CorrectionsQuestion q, double perMg, CorrectionsAnswer answer)
    {
        yield return new WorkingLine("1 mg/kg", "depth × density × 10", $"{Say.Number(q.DepthCm!.Value / 100)} m × {Say.Number(
            q.BulkDensityKgPerL!.Value)} kg/L × 10", $"{Say.Number(perMg, 4)} kg/ha", "weight of the soil that was sampled");
        foreach (var (name, kg) in answer.KgPerHa.Where(k => k.Value > 0))
        {
            yield return new WorkingLine(name, "linear program: least shortfall, then least cost", "", $"{Say.Number(kg, 4)} kg/ha",
                "GLOP, the simplex of Google OR-Tools");
        }

        foreach (var (nutrient, band) in q.Targets!)
        {
            yield return new WorkingLine(nutrient, "tested + given ÷ kg/ha of 1 mg/kg",
                $"{Say.Number(q.Test![nutrient], 4)} → {Say.Number(answer.After[nutrient], 4)} in year one, {Say.Number(
                    answer.AfterAll[nutrient], 4)} in all", $"band {Say.Number(band.Low!.Value, 4)} to {Say.Number(band.High!.Value,
                        4)} mg/kg",
                "a balance of mass and no forecast: soils fix phosphorus and potassium, often several times over");
        }
    }
}
