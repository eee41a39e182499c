using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>Question of char-carbon.</summary>
public sealed record CharCarbonQuestion
{
    /// <summary>Dry weight, 0 to 1,000,000 kg.</summary>
    public double? DryKg { get; init; }

    /// <summary>Carbon, share of that, 0 to 1.</summary>
    public double? CarbonShare { get; init; }

    /// <summary>"350-450", "450-600" or "600+", °C.</summary>
    public string? MadeAt { get; init; }
}

/// <summary>Carbon that stays.</summary>
/// <param name="KgCo2After100Years">As carbon dioxide, kg, still there after a hundred years.</param>
public sealed record CharCarbonAnswer(double KgCo2After100Years);

/// <summary>Carbon kept by char.</summary>
public static class CharCarbon
{
    /// <summary>Share of its carbon still there after a hundred years, by the warmth at which it was made.</summary>
    public static readonly IReadOnlyDictionary<string, double> Permanence = new Dictionary<string, double> {
        ["350-450"] = 0.65, ["450-600"] = 0.80, ["600+"] = 0.89,
    };

    /// <summary>Works it out: <c>dry mass × carbon share × permanence × 44 ÷ 12</c>.</summary>
    /// <remarks>38 kg at 78 % carbon made at 450 to 600 °C: 86.944 kg. An estimate, and not a credit. Source: IPCC 2019 Refinement, vol. 4,
    /// appendix 4, fractions remaining after 100 years.</remarks>
    public static Ruling<CharCarbonAnswer> Of(CharCarbonQuestion q)
    {
        var checks = new Checks();
        var dry = checks.Range("dryKg", q.DryKg, 0, 1_000_000, "kg");
        var share = checks.Range("carbonShare", q.CarbonShare, 0, 1, "", "As a share of dry weight: 0.78 is 78 %.");
        if (q.MadeAt is null || !Permanence.TryGetValue(q.MadeAt, out var kept))
        {
            checks.Add("madeAt", q.MadeAt is null ? "Nothing was chosen." : $"“{q.MadeAt}” is not known here.",
                "Choose 350-450, 450-600 or 600+ °C; an open pit is usually taken as 450-600.");
            return checks.Refusal;
        }

        return checks.Sound
            ? Worked.Of(new CharCarbonAnswer(dry * share * kept * 44 / 12), "kg CO₂", Evidence.PublishedTrials,
                [new("carbon kept", "dry mass × carbon share × permanence × 44 ÷ 12",
                    $"{Say.Number(dry, 4)} kg × {Say.Number(share)} × {Say.Number(kept)} × 44 ÷ 12",
                    $"{Say.Number(dry * share * kept * 44 / 12, 4)} kg CO₂ after 100 years", "IPCC 2019; an estimate, not a credit")])
            : checks.Refusal;
    }
}
