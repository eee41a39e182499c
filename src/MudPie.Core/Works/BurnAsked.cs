using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>A burn of char as it is planned; kept whole.</summary>
public sealed record BurnAsked
{
    /// <summary>What it is called.</summary>
    public string? Name { get; init; }

    /// <summary>Where, in words.</summary>
    public string? Place { get; init; }

    /// <summary>Of the pit or kiln: "60 cm".</summary>
    public string? Depth { get; init; }

    /// <summary>Across its brim: "1.5 m".</summary>
    public string? Top { get; init; }

    /// <summary>Across its foot; empty for a cone that ends in a point.</summary>
    public string? Foot { get; init; }

    /// <summary>What wood: "hedge brash".</summary>
    public string? Wood { get; init; }

    /// <summary>How much, stacked or weighed: "2 m3", "300 kg".</summary>
    public string? Amount { get; init; }

    /// <summary>True where it is brush of a plant that spreads, burnt whole with its seeds.</summary>
    public bool Spreads { get; init; }

    /// <summary>How warm it is taken to have been made.</summary>
    public string? MadeAt { get; init; }
}

/// <summary>A burn as it was read.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="PitL">What the pit holds, L.</param>
/// <param name="Wood">What wood.</param>
/// <param name="WoodL">Stacked, L; null where it was weighed.</param>
/// <param name="WoodKg">kg; null where it was stacked.</param>
/// <param name="Spreads">Of a plant that spreads.</param>
/// <param name="MadeAt">Class of warmth, for the carbon that stays.</param>
public sealed record BurnPlan(string Name, double PitL, string Wood, double? WoodL, double? WoodKg, bool Spreads, string MadeAt);

/// <summary>What a burn should give.</summary>
/// <param name="Plan">As it was read.</param>
/// <param name="LowL">Char, L: low end.</param>
/// <param name="HighL">High end.</param>
/// <param name="WaterL">Water to have ready, L.</param>
/// <param name="Fillings">How many times the pit fills with char, by the middle of that.</param>
/// <param name="Pit">How it is drawn: across its brim in depths, and its foot as a share of its brim.</param>
/// <param name="Verdict">What to do.</param>
public sealed record BurnBenchAnswer(BurnPlan Plan, double LowL, double HighL, double WaterL, double Fillings,
    (double Across, double FootShare) Pit, Verdict Verdict);

/// <summary>Works a burn out before it is lit.</summary>
public static class BurnBench
{
    /// <summary>L of char of a litre of stacked wood: ends, and the middle.</summary>
    public const double LeastYield = 0.15, MostYield = 0.30, UsualYield = 0.22;

    /// <summary>kg of dry char of a kg of wood as it is burnt, air-dry: ends.</summary>
    public const double LeastByWeight = 0.12, MostByWeight = 0.22;

    /// <summary>Water that quenches, L for a litre of char.</summary>
    public const double WaterPerL = 1.0;

    /// <summary>Wind at which no fire is lit, m/s: a leaf moves all the time at 3.</summary>
    public const double MostWind = 5;

    private static readonly string[] Refused = ["paint", "glue", "ply", "chipboard", "mdf", "particle", "treated", "preserved", "creosote",
        "varnish", "stained", "laminate", "pallet", "sleeper", "railway", "fence post", "demolition", "plastic"];

    private static readonly string[] Untreated = ["untreated", "unpainted", "unglued"];

    /// <summary>Works it out.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <remarks>A cone 60 cm deep and 1.5 m across holds π × 0.6 × 0.75² ÷ 3 = 353 L; 2 m³ of brash give 300 to 600 L of char. Painted,
    /// glued or preserved wood is refused. Source: volume of a cone; yields of open pits, which differ by half.</remarks>
    public static Ruling<BurnBenchAnswer> Of(BurnAsked r, UnitSystem units)
    {
        var fields = new TypedFields(units);
        var name = fields.Name("name", r.Name, "the burn");
        WorkFields.Text(fields.Checks, "place", r.Place, 100);
        var wood = fields.Name("wood", r.Wood, "the wood");
        if (!Untreated.Any(w => wood.Contains(w, StringComparison.OrdinalIgnoreCase))
            && Refused.FirstOrDefault(w => wood.Contains(w, StringComparison.OrdinalIgnoreCase)) is { } bad)
        {
            fields.Checks.Add("wood", $"“{wood}” may not be burnt for char ({bad}).",
                "Clean wood only: arsenic, chromium and lead of paint, glue and preservatives stay in the char. If it is clean, say "
                    + "“untreated”.");
        }

        var depth = fields.Quantity("depth", r.Depth, Dimension.Length, 0.1, 4);
        var top = fields.Quantity("top", r.Top, Dimension.Length, 0.2, 10);
        var foot = fields.Optional("foot", r.Foot, Dimension.Length, 0, 10, "Empty for a cone that ends in a point.") ?? 0;
        if (foot > top)
        {
            fields.Checks.Add("foot", "It is wider at its foot than at its brim.", "Give the width at the foot, or leave it empty.");
        }

        var (litres, kg) = Wood(r, fields);
        var madeAt = r.MadeAt ?? "450-600";
        if (!Mixing.CharCarbon.Permanence.ContainsKey(madeAt))
        {
            fields.Checks.Add("madeAt", $"“{madeAt}” is not known here.", "Choose 350-450, 450-600 or 600+ °C.");
        }

        return fields.Checks.Sound ? Worked(new BurnPlan(name, PitL(depth, top, foot), wood, litres, kg, r.Spreads, madeAt),
            (depth, top, foot),
            units) : fields.Checks.Refusal;
    }

    /// <summary>A cone, or one with a flat foot: <c>π × d × (R² + R r + r²) ÷ 3</c>, L.</summary>
    /// <param name="depthM">m.</param>
    /// <param name="topM">Across the brim, m.</param>
    /// <param name="footM">Across the foot, m.</param>
    /// <remarks>0.6 m, 1.5 m and 0: 353.4 L.</remarks>
    public static double PitL(double depthM, double topM, double footM) =>
        Math.PI * depthM * ((topM * topM) + (topM * footM) + (footM * footM)) / 12 * 1000;

    private static (double? Litres, double? Kg) Wood(BurnAsked r, TypedFields fields)
    {
        var stacked = AmountText.Read("amount", r.Amount, Dimension.Volume, fields.Units);
        if (stacked.Refused is null)
        {
            if (stacked.Value.Si is < 10 or > 1_000_000)
            {
                fields.Checks.Add("amount", $"{stacked.Value.Shown} is out of range.", "Give 10 L to 1,000 m³ as it is stacked.");
            }

            return (stacked.Value.Si, null);
        }

        if (AmountText.Read("amount", r.Amount, Dimension.Mass, fields.Units) is { Refused: null } weighed)
        {
            if (weighed.Value.Si is < 2000 or > 1e9)
            {
                fields.Checks.Add("amount", $"{weighed.Value.Shown} is out of range.", "Give 2 kg to 1,000 t.");
            }

            return (null, weighed.Value.Si / 1000);
        }

        fields.Checks.Add(stacked.Refused);
        return (null, null);
    }

    private static Worked<BurnBenchAnswer> Worked(BurnPlan plan, (double Depth, double Top, double Foot) pit, UnitSystem units)
    {
        var (low, high) = plan.WoodL is { } l ? (l * LeastYield, l * MostYield)
            : (plan.WoodKg!.Value * LeastByWeight / CharMade.MostDense, plan.WoodKg.Value * MostByWeight / CharMade.LeastDense);
        var middle = plan.WoodL * UsualYield ?? (plan.WoodKg!.Value * (LeastByWeight + MostByWeight) / 2 / CharMade.UsualDense);
        var (water, fillings) = (Math.Min(high, plan.PitL) * WaterPerL, middle / plan.PitL);
        string L(double litres) => Units.Show(litres, Dimension.Volume, units);
        var answer = new BurnBenchAnswer(plan, low, high, water, fillings, (pit.Top / pit.Depth, pit.Foot / pit.Top), fillings > 1
            ? new Verdict(Tone.Mind, $"It fills the pit {Say.Number(fillings, 2)} times: quench and empty it between.",
                $"About {L(middle)} of char in a pit of {L(plan.PitL)}. Have {L(water)} of water ready each time.")
            : new Verdict(Tone.Go, $"About {L(low)} to {L(high)} of char.",
                $"Have {L(water)} of water ready, and a lidded metal can. Light it from the top."));
        return Workings.Worked.Of(answer, "L", Evidence.PractitionersRule,
            [
                new("the pit", "π × depth × (top² + top × foot + foot²) ÷ 12",
                    $"{Say.Number(pit.Depth)} m, {Say.Number(pit.Top)} m, {Say.Number(pit.Foot)} m", $"{Say.Number(plan.PitL)} L",
                        "a cone"),
                plan.WoodL is { } s
                    ? new("char", "wood as stacked × 0.15 to 0.30", $"{Say.Number(s)} L", $"{Say.Number(low)} to {Say.Number(high)} L",
                        "open pits; loose brash gives less, split logs more")
                    : new("char", "kg of air-dry wood × 0.12 to 0.22 ÷ 0.15 to 0.25 kg a litre", $"{Say.Number(plan.WoodKg!.Value)} kg",
                        $"{Say.Number(low)} to {Say.Number(high)} L", "open pits"),
                new("water", "a litre for a litre of char, a pit full at most", $"{Say.Number(Math.Min(high, plan.PitL))} L",
                    $"{Say.Number(water)} L", "a rule of thumb: more is better than less"),
            ], [BurnCautions.BeforeLighting, .. plan.Spreads ? [BurnCautions.Spreading] : Array.Empty<Caution>()]);
    }
}

/// <summary>What is said at a fire, at its moment.</summary>
public static class BurnCautions
{
    private const string Local = "A usual caution: permits, smoke and fire weather are ruled locally, and a fire officer’s word goes "
        + "first.";

    /// <summary>Before it is lit.</summary>
    public static readonly Caution BeforeLighting = new("burn-before",
        "Ask for a permit and call in the fire where that is usual; no wind to speak of, nothing dry around, water and a rake at hand, "
            + "somebody with you. Wool or cotton, eyes and hair covered.", Local);

    /// <summary>While it burns.</summary>
    public static readonly Caution Burning = new("burn-while",
        "Lay on the next when the last goes white at its edges. Thick smoke means too much at once, or too wet.", Local);

    /// <summary>At the quenching.</summary>
    public static readonly Caution Steam = new("burn-steam",
        "Steam scalds: quench from the edge inward and from upwind, a little at first, and keep your face away.", Local);

    /// <summary>Afterwards.</summary>
    public static readonly Caution Relights = new("burn-relights",
        "It can light itself again hours later: dig it over, douse again, feel it after an hour and after a night. Never into a "
            + "shed, bag or "
            + "wooden box before it was cold for a night; lidded metal only.", Local);

    /// <summary>Brush of a plant that spreads.</summary>
    public static readonly Caution Spreading = new("burn-spreading",
        "Of a plant that spreads, burn all of it, seeds and stumps and all, where it grew; look there again next season.",
        "A usual caution: moving parts of listed plants is an offence in many places.");

    /// <summary>Dust.</summary>
    public static readonly Caution Dust = new("char-dust", "Char dust harms lungs, and dry char burns: damp it, and wear a mask.", Local);
}
