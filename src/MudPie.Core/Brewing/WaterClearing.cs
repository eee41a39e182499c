using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>A dose or a time that clears chlorine from water.</summary>
/// <param name="Way">Stable name of the way.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Amount">How much to add; null where nothing is added.</param>
/// <param name="Unit">"mg" or "mL" of <paramref name="Name"/>; null where nothing is added.</param>
/// <param name="Minutes">How long until the strip is worth reading.</param>
/// <param name="MinutesAtMost">The longest it usually takes.</param>
/// <param name="ClearsChloramine">"yes", "partly", "no".</param>
/// <param name="AssumedMgPerL">The chlorine that was assumed, where none was given.</param>
public sealed record ChlorineDoseAnswer(
    string Way, string Name, double? Amount, string? Unit, double Minutes, double MinutesAtMost, string ClearsChloramine,
    double? AssumedMgPerL);

/// <summary>Clearing chlorine and chloramine from water before any biology goes in.</summary>
public static class WaterClearing
{
    /// <summary>Assumed where no strip has been read, mg/L as Cl₂.</summary>
    public const double Assumed = 2;

    /// <summary>Above this a strip is not to be trusted, mg/L as Cl₂.</summary>
    public const double Highest = Measures.ChlorineStrip.Highest;

    private sealed record Way(
        string Id, string Name, double? PerMg, double? PerLitre, string? Unit, double Minutes, double AtMost, string Chlorine,
        string Chloramine, Evidence Sure, string Source);

    private static readonly Way[] Ways =
    [
        new("ascorbic", "ascorbic acid", 2.5, null, "mg", 5, 10, "yes", "yes", Evidence.ChemistryOrPhysics,
            "HOCl + C₆H₈O₆ → C₆H₆O₆ + HCl + H₂O: 2.48 mg per mg by mole, 2.5 in use"),
        new("thiosulfate", "sodium thiosulfate pentahydrate", 7, null, "mg", 5, 10, "yes", "yes", Evidence.ChemistryOrPhysics,
            "7 mg per mg is the usual safe dose"),
        new("stand", "stand, open, in light", null, null, null, 24 * 60, 48 * 60, "slowly", "no", Evidence.PractitionersRule,
            "sunlight does most of it"),
        new("bubble", "bubble hard", null, null, null, 45, 60, "hardly", "no", Evidence.Contested,
            "dissolved chlorine barely leaves as a gas"),
        new("humic", "liquid humic acid", null, 6, "mL", 10, 10, "partly", "partly", Evidence.PractitionersRule,
            "washed in through the bag, with air"),
        new("citric", "citric acid powder", null, 0.13, "mL", 10, 10, "claimed", "claimed", Evidence.Contested,
            "it lowers pH, and is no reducing agent"),
        new("carbon", "activated carbon filter", null, null, null, 60, 120, "yes", "slowly", Evidence.PublishedTrials, "at a slow flow"),
        new("ro", "reverse osmosis", null, null, null, 60, 240, "only behind carbon", "only behind carbon", Evidence.PublishedTrials,
            "chlorine harms the membrane: a carbon filter goes before it"),
    ];

    private static readonly Dictionary<string, string> OtherNames = new(StringComparer.OrdinalIgnoreCase) {
        ["ascorbicAcid"] = "ascorbic",
        ["vitaminC"] = "ascorbic",
        ["sodiumThiosulfate"] = "thiosulfate",
        ["thiosulphate"] = "thiosulfate",
        ["standing"] = "stand",
        ["bubbling"] = "bubble",
        ["humicAcid"] = "humic",
        ["citricAcid"] = "citric",
        ["activatedCarbon"] = "carbon",
        ["reverseOsmosis"] = "ro",
    };

    /// <summary>The ways known here, by stable name and by what they are called.</summary>
    public static IReadOnlyList<(string Id, string Name)> Known => [.. Ways.Select(w => (w.Id, w.Name))];

    /// <summary>What a way does to chlorine and to chloramine, and what else to know of it.</summary>
    /// <param name="id">One of <see cref="Known"/>.</param>
    /// <param name="units">Units that the note speaks in: "about 6 mL per litre", "about 0.77 fl oz per gallon".</param>
    public static (string Chlorine, string Chloramine, string Note) About(string id, UnitSystem units = UnitSystem.Metric) =>
        Ways.First(w => w.Id == id) is var w ? (w.Chlorine, w.Chloramine, w is { Id: "humic", PerLitre: { } ml }
            ? $"about {Per.Mixed(ml, units)}, {w.Source}" : w.Source) : default;

    /// <summary>Chlorine of a water of which no strip was read, mg/L: none in rain, a well or reverse osmosis; null, not known, in the
    /// main, in open water and where its kind is not known.</summary>
    public static double? Unread(WaterKind? kind) => kind is WaterKind.Rain or WaterKind.Well or WaterKind.Ro ? 0 : null;

    /// <summary>What to add, or how long to wait, for this much water of this strength.</summary>
    /// <param name="volumeL">Water, more than 0 to 10,000 L.</param>
    /// <param name="chlorineMgPerL">Total chlorine by strip or meter, 0 to 10 mg/L as Cl₂; null assumes 2 and says so.</param>
    /// <param name="way">"ascorbic", "thiosulfate", "stand", "bubble", "humic", "citric", "carbon", "ro"; ascorbic when not given.</param>
    /// <param name="chloramine">True where the supplier adds ammonia.</param>
    /// <remarks>50 L at 0.6 mg/L by ascorbic acid: 75 mg. A strip at zero ends every way.</remarks>
    public static Ruling<ChlorineDoseAnswer> Dose(double? volumeL, double? chlorineMgPerL, string? way, bool chloramine = false)
    {
        var checks = new Checks();
        var litres = checks.Range("volumeL", volumeL, 0.1, 10_000, "L");
        var strength = chlorineMgPerL is null
            ? Assumed
            : checks.Range("chlorineMgPerL", chlorineMgPerL, 0, Highest, "mg/L",
                "Above 10 a strip is not to be trusted: read it again in water thinned one to nine.");
        var asked = string.Concat((way ?? "ascorbic").Where(char.IsLetter));
        var found = Ways.FirstOrDefault(w => string.Equals(w.Id, OtherNames.GetValueOrDefault(asked, asked),
            StringComparison.OrdinalIgnoreCase));
        if (found is null)
        {
            checks.Add("way", $"“{way}” is not a way that is known here.", "Use one of " + string.Join(", ", Ways.Select(w => w.Id)) + ".");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var amount = AmountOf(found!, litres, strength);
        var none = strength == 0;
        var answer = new ChlorineDoseAnswer(
            found!.Id, found.Name, amount, found.Unit, none ? 0 : found.Minutes, none ? 0 : found.AtMost, found.Chloramine,
            chlorineMgPerL is null ? Assumed : null);
        return Worked.Of(answer, found.Unit ?? "min", found.Sure, Lines(found, litres, strength, amount, chlorineMgPerL is null),
            Warnings(found, chloramine, none), [Fork(litres, strength, found.Id)]);
    }

    /// <summary>A dose in a line, for the step, the plan and the sum alike: "75 mg of ascorbic acid, stir, wait 15 min."</summary>
    public static string Says(ChlorineDoseAnswer w) => w.Minutes == 0 ? "Nothing to clear: the strip read zero."
        : w.Amount is { } a ? $"{Say.Number(a)} {w.Unit} of {w.Name}, stir, wait {Say.Minutes(w.Minutes)}."
        : $"{w.Name}, {Say.Minutes(w.Minutes)} to {Say.Minutes(w.MinutesAtMost)}.";

    private static double? AmountOf(Way way, double litres, double strength) =>
        way.PerMg is { } perMg ? perMg * strength * litres : way.PerLitre is { } perL ? (strength == 0 ? 0 : perL * litres) : null;

    private static IEnumerable<WorkingLine> Lines(Way way, double litres, double strength, double? amount, bool assumed)
    {
        yield return new("chlorine to clear", "strength × water", $"{Say.Number(strength)} mg/L × {Say.Number(litres)} L",
            $"{Say.Number(strength * litres)} mg",
            assumed ? "no strip read: 2 mg/L assumed" : "strip or meter");
        if (amount is { } a)
        {
            yield return way.PerMg is { } perMg
                ? new(way.Name, $"{Say.Number(perMg)} mg per mg", $"{Say.Number(perMg)} × {Say.Number(strength * litres)} mg",
                    $"{Say.Number(a)} mg", way.Source)
                : new(way.Name, $"{Say.Number(way.PerLitre!.Value)} {way.Unit} per litre", $"{Say.Number(litres)} L",
                    $"{Say.Number(a)} {way.Unit}", way.Source);
        }
        else
        {
            yield return new(way.Name, "time, then the strip", "", $"{Say.Minutes(way.Minutes)} to {Say.Minutes(way.AtMost)}", way.Source);
        }
    }

    private static IEnumerable<Caution> Warnings(Way way, bool chloramine, bool none)
    {
        if (!none)
        {
            yield return Cautions.StripDecides;
        }

        if (chloramine && way.Chloramine == "no")
        {
            yield return new("chloramine-stays",
                $"This water may hold chloramine, which “{way.Name}” does not clear. Use ascorbic acid or thiosulfate.", Cautions.Usual);
        }

        if (way.Id is "thiosulfate" or "citric")
        {
            yield return Cautions.Acids;
        }
    }

    private static Fork Fork(double litres, double strength, string chosen)
    {
        string Gives(string id)
        {
            var w = Ways.First(x => x.Id == id);
            return AmountOf(w, litres, strength) is { } a ? $"{Say.Number(a)} {w.Unit}, {Say.Minutes(w.Minutes)}"
                : $"{Say.Minutes(w.Minutes)} to {Say.Minutes(w.AtMost)}";
        }

        return new Fork(
            "clear-chlorine",
            "How is the chlorine cleared?",
            [.. Ways.Where(w => w.Id is not "carbon").Select(w => new School(w.Id, w.Name, Gives(w.Id)))],
            "ascorbic",
            chosen,
            "It is chemistry: the dose follows from the strip, it clears chloramine too, and it takes minutes. The strip at zero decides "
                + "all the same.",
            Evidence.ChemistryOrPhysics,
            "What is added to the water and how long it stands before the source goes in.");
    }
}
