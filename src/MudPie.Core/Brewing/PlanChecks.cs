using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>What a plan refuses, field by field.</summary>
internal static class PlanChecks
{
    public static void Check(BrewPlanQuestion q, Checks checks)
    {
        if (q.Beds.Count == 0)
        {
            checks.Add("beds", "No bed was chosen.", "Choose at least one bed that this brew is for.");
        }

        for (var i = 0; i < q.Beds.Count; i++)
        {
            checks.Range($"beds[{i}].areaM2", q.Beds[i].AreaM2, 0.1, 1_000_000, "m²");
        }

        checks.One("purpose", q.Purpose);
        checks.Range("loads", q.Loads ?? 1, 1, 6, "");
        checks.Range("loadSeconds", q.LoadSeconds ?? 90, 5, 600, "s", "One to two minutes is usual.");
        if (q.Source is not null)
        {
            OneOf(checks, "source", q.Source, "compost", "castings");
        }

        When(q, checks);
        var working = checks.Range("vesselWorkingL", q.VesselWorkingL, 1, 5000, "L", "Choose a vessel.");
        checks.Range("vesselDepthM", q.VesselDepthM, 0.02, 6, "m");
        checks.Range("altitudeM", q.AltitudeM ?? 0, OxygenSaturation.LowestM, OxygenSaturation.HighestM, "m");
        checks.Range("warmthC", q.WarmthC, 4, 40, "°C", "Brews live between 4 and 40 °C.");
        var swing = checks.Range("swingC", q.SwingC ?? 0, 0, 15, "°C");
        if (checks.Sound && (q.WarmthC - swing < 0 || q.WarmthC + swing > 45))
        {
            checks.Add("swingC", "That swing would freeze or cook the brew.", "Give a smaller swing, or another warmth.");
        }

        Amounts(q, checks, working);
        foreach (var (fork, school) in q.Choices ?? new Dictionary<string, string>())
        {
            if (KnownForks.Wrong($"choices.{fork}", fork, school) is { } wrong)
            {
                checks.Add(wrong);
            }
        }

        if (Ingredients.Diffuser(q.Diffuser) is null)
        {
            checks.Add("diffuser", "No diffuser was chosen.",
                "Use one of " + string.Join(", ", Ingredients.Diffusers.Select(d => d.Kind)) + ".");
        }
    }

    private static void Amounts(BrewPlanQuestion q, Checks checks, double working)
    {
        if (q.BrewL is { } litres)
        {
            checks.Range("brewL", litres, Math.Max(1, working * 0.1), working, "L", "That is what this vessel works with.");
        }

        if (q.SourceL is { } source)
        {
            checks.Range("sourceL", source, 0, working / 4, "L", "A quarter of the vessel is the most that any school puts in.");
        }

        for (var i = 0; i < (q.MoreSources?.Count ?? 0); i++)
        {
            OneOf(checks, $"moreSources[{i}].kind", q.MoreSources![i].Kind, [.. Ingredients.Sources.Select(k => k.Kind)]);
            checks.Range($"moreSources[{i}].litres", q.MoreSources[i].Litres, 0, working / 4, "L",
                "A quarter of the vessel is the most that any school puts in.");
        }

        if (q.MoreSources?.Count > 3)
        {
            checks.Add("moreSources", "That is more than four sources.", "Blend them first, and plan with the blend.");
        }

        if (q.AirLpm is { } air)
        {
            checks.Range("airLpm", air, 0, 20_000, "L/min");
        }

        for (var i = 0; i < (q.Foods?.Count ?? 0); i++)
        {
            if (Ingredients.Food(q.Foods![i].Kind) is null)
            {
                checks.Add($"foods[{i}].kind", $"“{q.Foods[i].Kind}” is not a food that the model knows.", "Choose one from the list.");
            }

            checks.Range($"foods[{i}].atH", q.Foods[i].AtH ?? 0, 0, 36, "h", "Later than that it only rots.");
            checks.Range($"foods[{i}].ml", q.Foods[i].Ml, 0, working * 50, "mL", "More than 5 % of the vessel would only rot.");
        }
    }

    private static void When(BrewPlanQuestion q, Checks checks)
    {
        if (q.UseAt is not { } use)
        {
            checks.Add("useAt", "No time was given.", "Say when you want to put it out.");
        }
        else if (use <= q.Now)
        {
            checks.Add("useAt", "That time has passed.", "Choose a time from now on.");
        }
        else if (use > q.Now.AddDays(60))
        {
            checks.Add("useAt", "That is more than two months off.", "Choose a time within the next 60 days.");
        }
    }

    private static void OneOf(Checks checks, string field, string? value, params string[] known)
    {
        if (value is null || !known.Contains(value))
        {
            checks.Add(field, value is null ? "Nothing was chosen." : $"“{value}” is not known here.",
                $"Choose {string.Join(" or ", known)}.");
        }
    }
}
