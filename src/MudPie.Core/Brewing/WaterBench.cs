using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Water from one source in a mix.</summary>
public sealed record WaterPart
{
    /// <summary>Its name.</summary>
    public string Name { get; init; } = "water";

    /// <summary>Where it comes from; null where that is not known.</summary>
    public WaterKind? Kind { get; init; }

    /// <summary>Litres of it, more than 0 to 10,000.</summary>
    public double? Litres { get; init; }

    /// <summary>Its last strip, mg/L as Cl₂, 0 to 10; null where none was read.</summary>
    public double? ChlorineMgPerL { get; init; }

    /// <summary>It may hold chloramine.</summary>
    public bool Chloramine { get; init; }
}

/// <summary>One way of clearing, for this water.</summary>
/// <param name="Way">Stable name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Amount">How much to add; null where nothing is added.</param>
/// <param name="Unit">"mg" or "mL".</param>
/// <param name="Minutes">How long until the strip is worth reading.</param>
/// <param name="MinutesAtMost">The longest it usually takes.</param>
/// <param name="Chlorine">What it does to chlorine.</param>
/// <param name="Chloramine">What it does to chloramine.</param>
/// <param name="Sure">How sure.</param>
/// <param name="Note">What else to know.</param>
/// <param name="Cost">What it costs, in the holding's own money; null where the shelf does not know.</param>
/// <param name="WillDo">It clears what is in this water.</param>
public sealed record ClearingWay(
    string Way, string Name, double? Amount, string? Unit, double Minutes, double MinutesAtMost, string Chlorine, string Chloramine,
    Evidence Sure, string Note, double? Cost, bool WillDo);

/// <summary>What to do with this water.</summary>
/// <param name="TotalL">Litres in all.</param>
/// <param name="MgPerL">Chlorine of the mix.</param>
/// <param name="ChlorineMg">Chlorine in all, mg.</param>
/// <param name="Assumed">Names of the waters whose strength was assumed to be 2 mg/L.</param>
/// <param name="Chloramine">Chloramine may be in it.</param>
/// <param name="Ways">Every way, the house choice first.</param>
/// <param name="Verdict">In a sentence.</param>
public sealed record WaterBenchAnswer(
    double TotalL, double MgPerL, double ChlorineMg, IReadOnlyList<string> Assumed, bool Chloramine, IReadOnlyList<ClearingWay> Ways,
    Verdict Verdict);

/// <summary>Mixed waters, and every way of clearing them.</summary>
public static class WaterBench
{
    /// <summary>Mixes the waters and works out every way.</summary>
    /// <param name="parts">One to six waters.</param>
    /// <param name="pricePerUnit">Price per mg or mL of a way's stuff, by way; null where the shelf does not know.</param>
    /// <param name="units">Units that its sentences speak in.</param>
    /// <remarks>60 L of mains at 0.6 mg/L and 120 L of rain: 0.2 mg/L in 180 L; 90 mg of ascorbic acid, as for the 60 L alone.</remarks>
    public static Ruling<WaterBenchAnswer> Of(IReadOnlyList<WaterPart> parts, IReadOnlyDictionary<string, double>? pricePerUnit = null,
        Measures.UnitSystem units = Measures.UnitSystem.Metric)
    {
        var checks = new Checks();
        if (parts.Count is 0 or > 6)
        {
            checks.Add("parts", parts.Count == 0 ? "There is no water." : "That is more than six waters.",
                "Give one to six, each with its litres.");
        }

        var read = parts.Take(6).Select((p, i) =>
        {
            var litres = checks.Range($"parts[{i}].litres", p.Litres, 0.1, 10_000, "L");
            var known = p.ChlorineMgPerL ?? WaterClearing.Unread(p.Kind);
            var strength = known is null ? WaterClearing.Assumed : checks.Range($"parts[{i}].chlorineMgPerL", known, 0,
                WaterClearing.Highest, "mg/L", "Above 10 a strip is not to be trusted: read it again in water thinned one to nine.");
            return (Part: p, Litres: litres, Strength: strength, Assumed: known is null);
        }).ToList();
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var total = read.Sum(r => r.Litres);
        var mg = read.Sum(r => r.Litres * r.Strength);
        var chloramine = read.Any(r => r.Part.Chloramine && r.Strength > 0);
        // The dose answers to the milligrams, wherever they are: the whole volume at the mixed strength gives the same.
        var ways = WaterClearing.Known.Select(w => Way(w.Id, total, mg / total, chloramine, pricePerUnit, units)).ToList();
        var surface = read.Any(r => r.Part.Kind == WaterKind.Surface);
        var assumed = read.Where(r => r.Assumed).Select(r => r.Part.Name).ToList();
        var house = ways[0];
        var verdict = surface
            ? new Verdict(Tone.Stop, "Not on food without a test: ditch, pond or river water is in it.",
                "It can carry mud and gut germs, which brewing multiplies.")
            : mg == 0
                ? new Verdict(Tone.Go, "Nothing to clear.", "The strips read zero; read one again before any biology goes in.")
                : new Verdict(Tone.Mind, $"{Say.Number(house.Amount!.Value)} mg of {house.Name}, then a strip at zero.", assumed.Count > 0
                    ? $"No strip was read of {Say.List(assumed)}: 2 mg/L is assumed. A strip would settle it."
                    : $"{Say.Number(mg)} mg of chlorine in {Measures.Units.Show(total, Measures.Dimension.Volume, units)}"
                        + $"{(chloramine ? ", maybe as chloramine, which standing and bubbling leave" : "")}.");
        return Worked.Of(
            new WaterBenchAnswer(total, mg / total, mg, assumed, chloramine, ways, verdict),
            "mg/L",
            assumed.Count > 0 ? Evidence.PractitionersRule : Evidence.MeasuredHere,
            [
                .. read.Select(r => new WorkingLine(r.Part.Name, "litres × strip",
                    $"{Say.Number(r.Litres)} L × {Say.Number(r.Strength)} mg/L", $"{Say.Number(r.Litres * r.Strength)} mg", r.Assumed
                        ? "no strip read: 2 mg/L assumed" : "strip, or none in rain and well water")),
                new("the mix", "milligrams ÷ litres", $"{Say.Number(mg)} mg ÷ {Say.Number(total)} L",
                    $"{Say.Number(mg / total)} mg/L", "mixing"),
                .. ways.Where(w => w.Amount > 0)
                    .Select(w => new WorkingLine(w.Name, w.Unit == "mg" ? "mg per mg of chlorine" : "mL per litre", w.Unit == "mg"
                        ? $"{Say.Number(w.Amount!.Value / mg)} × {Say.Number(mg)} mg"
                        : $"{Say.Number(w.Amount!.Value / total)} × {Say.Number(total)} L",
                        $"{Say.Number(w.Amount.Value)} {w.Unit}", w.Note)),
            ],
            mg > 0 ? [Cautions.StripDecides, Cautions.Acids] : [Cautions.StripDecides]);
    }

    private static ClearingWay Way(string id, double litres, double strength, bool chloramine, IReadOnlyDictionary<string, double>? prices,
        Measures.UnitSystem units)
    {
        var worked = WaterClearing.Dose(litres, strength, id, chloramine).Worked;
        var (w, about) = (worked.Value, WaterClearing.About(id, units));
        var cost = w.Amount is { } a && prices is not null && prices.TryGetValue(id, out var price) ? a * price : w.Amount is null
            ? 0 : (double?)null;
        return new ClearingWay(
            w.Way, w.Name, w.Amount, w.Unit, w.Minutes, w.MinutesAtMost, about.Chlorine, about.Chloramine, worked.Sure, about.Note,
            id is "carbon" or "ro" ? null : cost,
            strength == 0 || (about.Chlorine is "yes" or "slowly" && (!chloramine || about.Chloramine is "yes" or "slowly")));
    }
}
