using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>Something that rots in a mix, a bed or under a mulch.</summary>
public sealed record RottingPart
{
    /// <summary>As it lies, wet: 0 to 1,000,000 kg.</summary>
    public double? Kg { get; init; }

    /// <summary>Carbon, share of dry matter, 0 to 1.</summary>
    public double? Carbon { get; init; }

    /// <summary>Nitrogen, share of dry matter, 0 to 1.</summary>
    public double? Nitrogen { get; init; }

    /// <summary>Water, share of what is weighed, 0 to 0.99.</summary>
    public double? Moisture { get; init; }

    /// <summary>First-order rate at 20 °C and moist, a week: 0 to 5.</summary>
    public double? DecayPerWeek { get; init; }
}

/// <summary>Question of nitrogen-drawdown.</summary>
public sealed record DrawdownQuestion
{
    /// <summary>Whole weeks, 1 to 520.</summary>
    public int? Weeks { get; init; }

    /// <summary>1 to 40 parts.</summary>
    public IReadOnlyList<RottingPart>? Parts { get; init; }
}

/// <summary>Nitrogen robbed or given, week by week.</summary>
/// <param name="NetNitrogenG">From the beginning to the end of each week, g; below 0 it is robbed.</param>
/// <param name="LowestG">The lowest of them.</param>
/// <param name="LowestWeek">The first week at which it is so low.</param>
public sealed record DrawdownAnswer(IReadOnlyList<double> NetNitrogenG, double LowestG, int LowestWeek);

/// <summary>What microbes take and leave as they eat.</summary>
public static class NitrogenDrawdown
{
    /// <summary>Share of the carbon eaten that microbes build into themselves.</summary>
    public const double Efficiency = 0.4;

    /// <summary>C:N of microbes.</summary>
    public const double MicrobeCn = 8;

    /// <summary>N of one part after so many weeks, g: <c>(1 − e^(−k t)) × (N − C × e ÷ C:N of microbes)</c>; below 0 where it
    /// takes.</summary>
    /// <param name="kg">Wet, kg.</param>
    /// <param name="carbon">Share of dry matter.</param>
    /// <param name="nitrogen">Share of dry matter.</param>
    /// <param name="moisture">Share of the whole.</param>
    /// <param name="perWeek">First-order rate, a week.</param>
    /// <param name="weeks">0 or more.</param>
    public static double NetG(double kg, double carbon, double nitrogen, double moisture, double perWeek, double weeks) =>
        (1 - Math.Exp(-perWeek * weeks)) * kg * (1 - moisture) * (nitrogen - (carbon * Efficiency / MicrobeCn)) * 1000;

    /// <summary>Works it out, week by week.</summary>
    /// <remarks>40 kg of bark, 6 kg of feather meal and 12 kg of castings give 58.3 g in the first week and 416 g in sixteen; bark alone
    /// takes 52 g in sixteen. Break-even is near a C:N of 20. A model: warmth, water and the bag itself move it by a third. Source:
    /// balance of carbon and nitrogen with first-order decay; reference/mixing-cases.json.</remarks>
    public static Ruling<DrawdownAnswer> Of(DrawdownQuestion q)
    {
        var checks = new Checks();
        var weeks = (int)checks.Range("weeks", q.Weeks, 1, 520, "weeks");
        var parts = q.Parts ?? [];
        if (parts.Count is 0 or > 40)
        {
            checks.Add("parts", parts.Count == 0 ? "There is nothing that could rot." : "That is more than 40 parts.",
                "Give 1 to 40 parts.");
        }

        for (var i = 0; i < Math.Min(parts.Count, 40); i++)
        {
            var (p, at) = (parts[i], $"parts[{i}]");
            checks.Range($"{at}.kg", p?.Kg, 0, 1_000_000, "kg");
            checks.Range($"{at}.carbon", p?.Carbon, 0, 1, "", "As a share of dry matter.");
            checks.Range($"{at}.nitrogen", p?.Nitrogen, 0, 1, "", "As a share of dry matter.");
            checks.Range($"{at}.moisture", p?.Moisture, 0, 0.99, "", "As a share of what is weighed.");
            checks.Range($"{at}.decayPerWeek", p?.DecayPerWeek, 0, 5, "a week");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        double[] net = [.. Enumerable.Range(0, weeks + 1).Select(w => parts.Sum(p =>
            NetG(p.Kg!.Value, p.Carbon!.Value, p.Nitrogen!.Value, p.Moisture!.Value, p.DecayPerWeek!.Value, w)))];
        var lowest = net.Min();
        return Worked.Of(new DrawdownAnswer(net, lowest, Array.IndexOf(net, lowest)), "g N", Evidence.PractitionersRule,
            [
                .. parts.Select((p, i) => new WorkingLine($"part {i + 1}", "kg dry × (N − C × 0.4 ÷ 8), once all of it is eaten",
                    $"{Say.Number(p.Kg!.Value * (1 - p.Moisture!.Value))} kg × ({Say.Number(p.Nitrogen!.Value)} − "
                        + $"{Say.Number(p.Carbon!.Value)} × 0.05)",
                    $"{Say.Number(NetG(p.Kg.Value, p.Carbon.Value, p.Nitrogen.Value, p.Moisture.Value, 1, 1e6))} g",
                    p.DecayPerWeek is 0 ? "it does not rot" : $"eaten at {Say.Number(p.DecayPerWeek!.Value)} a week, 20 °C and moist")),
                new("after all weeks", "Σ (1 − e^(−k t)) × that", Say.Count(weeks, "week"), $"{Say.Number(net[^1])} g",
                    "a model: warmth, water and the bag itself move it by a third"),
            ]);
    }
}
