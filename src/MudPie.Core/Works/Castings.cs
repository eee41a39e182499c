using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>So much was laid in.</summary>
/// <param name="Of">What it is.</param>
/// <param name="Kg">As it lay.</param>
/// <param name="Litres">As it lay.</param>
public sealed record LaidIn(Material Of, double Kg, double Litres);

/// <summary>What castings should hold.</summary>
/// <param name="LaidL">What was laid in, L.</param>
/// <param name="Litres">Castings of it, L.</param>
/// <param name="LowL">L, at the most shrinking.</param>
/// <param name="HighL">L, at the least.</param>
/// <param name="Shrink">Share of the volume that went, 0 to 1.</param>
/// <param name="Stronger">Times as strong, a litre: 1 ÷ (1 − shrink).</param>
/// <param name="NGPerL">Nitrogen, g a litre, if none got away.</param>
/// <param name="NLow">Where tables are a third off, and at the least shrinking.</param>
/// <param name="NHigh">Where they are a third off the other way, and at the most.</param>
/// <param name="NShareOfDry">Nitrogen as a share of dry matter, by the dry weight that is left.</param>
/// <param name="Measured">True where the volume was measured at harvest.</param>
public sealed record CastingsContent(double LaidL, double Litres, double LowL, double HighL, double Shrink, double Stronger, double NGPerL,
    double NLow, double NHigh, double NShareOfDry, bool Measured);

/// <summary>What came out of a tray, from what went in and from the volume lost.</summary>
public static class Castings
{
    /// <summary>Share of the volume that usually goes: what is taken, and its ends.</summary>
    public const double UsualShrink = 0.50, LeastShrink = 0.40, MostShrink = 0.60;

    /// <summary>Dry weight of a litre of castings, kg: 0.7 kg/L with 70 % water.</summary>
    public const double DryKgPerL = 0.21;

    /// <summary>Works it out.</summary>
    /// <param name="laid">What was laid into it.</param>
    /// <param name="harvestedL">What came of it, with what was sieved back, L; null before it is harvested.</param>
    /// <remarks>30 kg of kitchen scraps and 20 L of cardboard, shrunk by half: 37.3 L of castings with 4.9 g of nitrogen a litre: a
    /// nutrient that stays is 1 ÷ (1 − 0.5) = 2 times as strong a litre as what was laid in, and not 1.5 times. Source: balance of mass;
    /// the house's table.</remarks>
    public static Ruling<CastingsContent> Of(IReadOnlyList<LaidIn> laid, double? harvestedL)
    {
        var (litres, nitrogen, dry) = (laid.Sum(l => l.Litres), laid.Sum(l => l.Kg * (1 - l.Of.Moisture) * l.Of.Nitrogen * 1000),
            laid.Sum(l => l.Kg * (1 - l.Of.Moisture)));
        if (litres <= 0)
        {
            return Refusal.Of("feed", "Nothing is logged that was laid into it.", "Log what they get, and this follows.");
        }

        var measured = harvestedL is > 0 && harvestedL < litres;
        var shrink = measured ? 1 - (harvestedL!.Value / litres) : UsualShrink;
        var (least, most) = measured ? (shrink, shrink) : (LeastShrink, MostShrink);
        double PerL(double s) => nitrogen / litres / (1 - s);
        double L(double s) => litres * (1 - s);
        var dryLeft = Math.Min(dry, L(shrink) * DryKgPerL);
        var answer = new CastingsContent(litres, L(shrink), L(most), L(least), shrink, 1 / (1 - shrink), PerL(shrink),
            PerL(least) / (1 + Material.Spread), PerL(most) * (1 + Material.Spread), nitrogen / 1000 / dryLeft, measured);
        return Worked.Of(answer, "g N a litre", Evidence.PractitionersRule,
            [
                new("laid in", "Σ kg × (1 − water) × N", $"{Say.Number(laid.Sum(l => l.Kg))} kg, {Say.Number(litres)} L",
                    $"{Say.Number(nitrogen)} g of nitrogen", "your own log, and the house’s table"),
                new("castings", "laid in × (1 − shrink)", $"{Say.Number(litres)} L × (1 − {Say.Number(shrink, 2)})",
                    $"{Say.Number(answer.Litres)} L", measured ? "as it was harvested" : "40 to 60 % of the volume goes"),
                new("so much stronger a litre", "1 ÷ (1 − shrink), and not 1 + shrink", $"1 ÷ (1 − {Say.Number(shrink, 2)})",
                    $"{Say.Number(answer.Stronger)} times", "what stays is in less"),
                new("nitrogen a litre", "laid in ÷ litres × that", $"{Say.Number(nitrogen / litres)} g/L × {Say.Number(answer.Stronger)}",
                    $"{Say.Number(answer.NGPerL)} g/L, {Say.Number(answer.NLow)} to {Say.Number(answer.NHigh)}",
                    "if none got away as drips or gas: a most, not a measurement"),
                new("of dry matter", "nitrogen ÷ dry weight that is left",
                    $"{Say.Number(nitrogen / 1000)} kg ÷ {Say.Number(dryLeft)} kg", $"{Say.Number(answer.NShareOfDry * 100, 2)} %",
                    "0.21 kg of dry matter in a litre of castings"),
            ]);
    }
}

/// <summary>Whether a share of castings feeds a crop, as typed.</summary>
public sealed record CastingsFeedAsked
{
    /// <summary>Of a pot, a module or the mix for one plant.</summary>
    public string? Pot { get; init; }

    /// <summary>Share of castings in it, per cent.</summary>
    public string? Share { get; init; }

    /// <summary>What grows in it.</summary>
    public PotCrop Crop { get; init; }

    /// <summary>Nitrogen that it takes, one's own figure: "1.2 g"; empty for the usual one.</summary>
    public string? Takes { get; init; }

    /// <summary>In how many weeks; empty for the usual one.</summary>
    public string? Weeks { get; init; }

    /// <summary>Nitrogen of the castings, g a litre; empty for the table's.</summary>
    public string? Nitrogen { get; init; }

    /// <summary>A lab's ammonium and nitrate, mg of N a litre of castings; empty where there is no sheet.</summary>
    public string? MineralN { get; init; }
}

/// <summary>Whether it carries.</summary>
/// <param name="Outlook">Week by week.</param>
/// <param name="Share">Share asked for, 0 to 1.</param>
/// <param name="ShareThatCarries">The share that would carry it; above 1 where none does.</param>
/// <param name="Verdict">What to do.</param>
public sealed record CastingsFeedAnswer(NitrogenOutlookAnswer Outlook, double Share, double ShareThatCarries, Verdict Verdict);

/// <summary>Whether the share of castings in a pot feeds its crop for its weeks.</summary>
public static class CastingsFeed
{
    /// <summary>Castings of a seed mix: usual shares, and what young roots bear.</summary>
    public const double LeastShare = 0.10, MostShare = 0.30;

    /// <summary>Works it out.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="castings">The table's castings.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <remarks>A lettuce in 3 L with 30 % castings of the table: 0.9 L with 3.8 g of nitrogen a litre, of which 0.22 g comes free in eight
    /// weeks: it wants 1.25 g. Pots are too small to turn nutrients over. Source: the house's rule of nitrogen robbed or given.</remarks>
    public static Ruling<CastingsFeedAnswer> Of(CastingsFeedAsked r, Material castings, UnitSystem units)
    {
        var fields = new TypedFields(units);
        var pot = fields.Quantity("pot", r.Pot, Dimension.Volume, 0.01, 1000);
        var share = fields.Quantity("share", r.Share?.Trim().TrimEnd('%'), Dimension.Plain, 0.1, 100, "Of the pot, in per cent.") / 100;
        var usual = NitrogenOutlook.Takes(r.Crop);
        var takes = fields.Optional("takes", r.Takes, Dimension.Mass, 0.001, 1000) ?? usual?.G;
        var weeks = fields.Optional("weeks", r.Weeks, Dimension.Plain, 1, 104) ?? usual?.Weeks;
        var perL = fields.Optional("nitrogen", r.Nitrogen, Dimension.Plain, 0.05, 30, "In g a litre.");
        var mineral = fields.Optional("mineralN", r.MineralN, Dimension.Plain, 0, 5000, "In mg of N a litre.") ?? 0;
        if (takes is null || weeks is null)
        {
            fields.Checks.Add(takes is null ? "takes" : "weeks", "No crop was chosen, and nothing was typed.",
                "Choose a crop, or say what it takes in how many weeks.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var dryPerL = castings.KgPerL * (1 - castings.Moisture);
        var total = perL ?? castings.Nitrogen * dryPerL * 1000;
        var own = castings with { Nitrogen = Math.Max(0, total - (mineral / 1000)) / 1000 / dryPerL };
        var (g, w) = (takes!.Value, (int)Math.Round(weeks!.Value));
        var litres = pot * share;
        var outlook = NitrogenOutlook.Of([new Amassed(own, litres * own.KgPerL)], (g, w), "a pot", mineral / 1000 * litres);
        var gives = outlook.Value.Weeks[^1].G;
        var wants = gives > 0 ? share * g / gives : double.PositiveInfinity;
        var verdict = share > MostShare ? new Verdict(Tone.Mind,
            $"{Say.Number(share * 100, 2)} % is much: roots of seedlings may stand still.",
                $"10 to 30 % is usual; test the salts, or try a few pots. {outlook.Value.Sentence}")
            : outlook.Value.TopDressWeek is null ? new Verdict(Tone.Go, "It carries the crop.", outlook.Value.Sentence)
            : new Verdict(Tone.Mind, $"It does not carry it: feed before week {outlook.Value.TopDressWeek}.", wants <= MostShare
                ? $"{outlook.Value.Sentence} {Say.Number(Math.Ceiling(wants * 100), 2)} % would."
                : $"{outlook.Value.Sentence} No share that roots bear would: pots are too small to turn nutrients over.");
        return outlook.With(new CastingsFeedAnswer(outlook.Value, share, wants, verdict), "g N");
    }
}
