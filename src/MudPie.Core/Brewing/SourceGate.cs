using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>What is known of a lot of compost or castings. Null is "not known".</summary>
public sealed record SourceAnswers
{
    /// <summary>"compost" or "castings".</summary>
    public string? Kind { get; init; }

    /// <summary>"no", or "yes" where it still heats when turned.</summary>
    public string? HeatsWhenTurned { get; init; }

    /// <summary>"kept" (days above 55 °C written down), "felt" (hot, not written), "cold", or null.</summary>
    public string? HeatRecord { get; init; }

    /// <summary>Months since it was last built or fed, 0 to 120.</summary>
    public double? AgeMonths { get; init; }

    /// <summary>"none", "composted" (through the heat, with a record) or "raw".</summary>
    public string? Manure { get; init; }

    /// <summary>"no" or "yes": plants that were diseased went in.</summary>
    public string? Diseased { get; init; }

    /// <summary>"no" or "yes": steamed, irradiated or solarised.</summary>
    public string? Sterilised { get; init; }

    /// <summary>"wrungOut" (as a wrung-out sponge), "wet" or "dry".</summary>
    public string? Moisture { get; init; }

    /// <summary>What it smells of.</summary>
    public Smell? Smell { get; init; }

    /// <summary>Bacteria per gram by microscope or lab, 0 to 1e12; null where not counted.</summary>
    public double? BacteriaPerG { get; init; }

    /// <summary>Fungal to bacterial ratio by dry mass, 0 to 100; null where not counted.</summary>
    public double? FungalToBacterial { get; init; }
}

/// <summary>How a lot is judged.</summary>
public enum SourceFitness
{
    /// <summary>Good to brew.</summary>
    Fit,

    /// <summary>May be brewed, with something to mind.</summary>
    Mind,

    /// <summary>Not asked, or too little known.</summary>
    Unasked,

    /// <summary>Not to be brewed: brewing multiplies whatever is there.</summary>
    Unfit,
}

/// <summary>The ruling on a lot.</summary>
/// <param name="Fitness">Fit, mind, unasked, unfit.</param>
/// <param name="Sentence">In a sentence.</param>
/// <param name="Reasons">Why, one sentence each.</param>
/// <param name="Unknown">What was not answered.</param>
/// <param name="BiasByCount">"bacterial", "balanced" or "fungal" where it was counted; else null.</param>
public sealed record SourceRuling(SourceFitness Fitness, string Sentence, IReadOnlyList<string> Reasons, IReadOnlyList<string> Unknown,
    Bias? BiasByCount);

/// <summary>The gate that a lot of source passes once, before any brew is made of it.</summary>
public static class SourceGate
{
    /// <summary>Rules on a lot. Worked: finished, earthy leaf-mould of 14 months with no manure is fit; the same with raw manure is
    /// unfit.</summary>
    public static Ruling<SourceRuling> Judge(SourceAnswers a)
    {
        var checks = new Checks();
        Known(checks, "kind", a.Kind, "compost", "castings");
        Known(checks, "heatsWhenTurned", a.HeatsWhenTurned, "no", "yes");
        Known(checks, "heatRecord", a.HeatRecord, "kept", "felt", "cold");
        Known(checks, "manure", a.Manure, "none", "composted", "raw");
        Known(checks, "diseased", a.Diseased, "no", "yes");
        Known(checks, "sterilised", a.Sterilised, "no", "yes");
        Known(checks, "moisture", a.Moisture, "wrungOut", "wet", "dry");
        if (a.AgeMonths is not null)
        {
            checks.Range("ageMonths", a.AgeMonths, 0, 120, "months");
        }

        if (a.BacteriaPerG is not null)
        {
            checks.Range("bacteriaPerG", a.BacteriaPerG, 0, 1e12, "per g");
        }

        if (a.FungalToBacterial is not null)
        {
            checks.Range("fungalToBacterial", a.FungalToBacterial, 0, 100, "");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var (stop, mind) = (Stops(a).ToList(), Minds(a).ToList());
        var unknown = Unknown(a).ToList();
        // Manure, disease and heating decide over health and harm: without those three there is no ruling.
        var decisive = a.Manure is not null && a.Diseased is not null && a.HeatsWhenTurned is not null && a.Smell is not null;
        var fitness = stop.Count > 0 ? SourceFitness.Unfit : !decisive ? SourceFitness.Unasked : mind.Count > 0
            ? SourceFitness.Mind : SourceFitness.Fit;
        var sentence = fitness switch {
            SourceFitness.Unfit => "Do not brew this: " + char.ToLowerInvariant(stop[0][0]) + stop[0][1..],
            SourceFitness.Unasked => $"Not judged yet: {Say.List(unknown)} not known.",
            SourceFitness.Mind => "It may be brewed, with care: " + char.ToLowerInvariant(mind[0][0]) + mind[0][1..],
            _ => "Good to brew.",
        };
        var ruling = new SourceRuling(fitness, sentence, [.. stop, .. mind, .. stop.Count + mind.Count == 0 && decisive
            ? ["Finished, sweet, nothing in it to fear."] : Array.Empty<string>()], unknown, BiasByCount(a.FungalToBacterial));
        return Worked.Of(
            ruling,
            "",
            a.BacteriaPerG is not null || a.FungalToBacterial is not null ? Evidence.MeasuredHere : Evidence.PractitionersRule,
            [new("the gate of the source", "finished · no raw manure · no disease · not sterilised · moist · earthy",
                $"{7 - unknown.Count} of 7 answered", Name(fitness), "practitioners' rules: brewing multiplies whatever is there")],
            a.Manure is "none" ? [Cautions.Dust] : [Cautions.Dust, Cautions.Food]);
    }

    /// <summary>Bias of a counted source: below 0.5 bacterial, above 2 fungal, by dry mass. House lines.</summary>
    public static Bias? BiasByCount(double? fungalToBacterial) =>
        fungalToBacterial switch { null => null, < 0.5 => Bias.Bacterial, > 2 => Bias.Fungal, _ => Bias.Balanced };

    /// <summary>A fitness in words.</summary>
    public static string Name(SourceFitness f) =>
        f switch { SourceFitness.Fit => "fit", SourceFitness.Mind => "with care", SourceFitness.Unfit => "unfit", _ => "not asked" };

    private static IEnumerable<string> Stops(SourceAnswers a)
    {
        if (a.Manure == "raw")
        {
            yield return "It holds raw manure: brewing can multiply gut germs.";
        }

        if (a.Manure == "composted" && a.HeatRecord != "kept")
        {
            yield return "Manure went in and no heat was written down: nobody can say that its germs are dead.";
        }

        if (a.Diseased == "yes")
        {
            yield return "Diseased plants went in: a brew would spread what they had.";
        }

        if (a.HeatsWhenTurned == "yes")
        {
            yield return "It still heats when turned: it is not finished.";
        }

        if (a.Smell >= Smell.Sour)
        {
            yield return $"It smells {FitToUse.Word(a.Smell.Value)}: it has gone without air.";
        }
    }

    private static IEnumerable<string> Minds(SourceAnswers a)
    {
        if (a.Sterilised == "yes")
        {
            yield return "It was sterilised: little lives in it, and the first comer fills it.";
        }

        if (a.Moisture == "dry")
        {
            yield return "It is dry: wet it to a wrung-out sponge and give it a week.";
        }

        if (a.Moisture == "wet")
        {
            yield return "It drips: let it drain and breathe first.";
        }

        if (a.AgeMonths < 3)
        {
            yield return "It is younger than three months: finished compost is usually older.";
        }

        if (a.AgeMonths > 24)
        {
            yield return "It is over two years old: what lived there may have thinned out.";
        }

        if (a.Manure == "composted")
        {
            yield return "Manure went through the heat, with a record: test the brew if it goes on food.";
        }

        if (a.Kind == "compost" && a.HeatRecord == "cold")
        {
            yield return "A cold heap kills neither seeds nor germs.";
        }

        if (a.BacteriaPerG < 1e7)
        {
            yield return $"A count of {Say.Number(a.BacteriaPerG.Value)} per gram is low.";
        }
    }

    private static IEnumerable<string> Unknown(SourceAnswers a)
    {
        (bool Known, string What)[] all =
        [
            (a.HeatsWhenTurned is not null, "whether it still heats"), (a.Manure is not null, "manure"),
            (a.Diseased is not null, "diseased plants"), (a.Smell is not null, "its smell"),
            (a.HeatRecord is not null || a.Kind == "castings", "its heat"), (a.Sterilised is not null, "whether it was sterilised"),
            (a.Moisture is not null, "how moist it is"),
        ];
        return all.Where(x => !x.Known).Select(x => x.What);
    }

    private static void Known(Checks checks, string field, string? value, params string[] known)
    {
        if (value is not null && !known.Contains(value))
        {
            checks.Add(field, $"“{value}” is not an answer here.", $"Choose {Say.Any(known)}, or leave it unknown.");
        }
    }
}

/// <summary>A check on whether ground is alive.</summary>
/// <param name="Life">"poor", "middling" or "living".</param>
/// <param name="Sentence">What it means for brewing.</param>
/// <param name="Figure">What was found, in words.</param>
public sealed record GroundAliveAnswer(Life Life, string Sentence, string Figure);

/// <summary>Is this ground alive already? Two small guided checks, to be asked before any brewing.</summary>
public static class GroundAlive
{
    /// <summary>Cotton strip: share of a buried strip that is gone, scaled to seven weeks.</summary>
    /// <param name="weeks">Weeks buried, 2 to 16; six to eight are usual.</param>
    /// <param name="goneShare">Share of its mass, or of its strength by eye, that is gone, 0 to 1.</param>
    /// <remarks>Half gone after seven weeks is middling. First order: gone at 7 weeks = 1 − (1 − gone)^(7 ÷ weeks). Lines at 0.25 and 0.6:
    /// practitioners' rule.</remarks>
    public static Ruling<GroundAliveAnswer> CottonStrip(double? weeks, double? goneShare)
    {
        var checks = new Checks();
        var w = checks.Range("weeks", weeks, 2, 16, "weeks", "Six to eight weeks is usual.");
        var gone = checks.Range("goneShare", goneShare, 0, 1, "", "0 is as it went in, 1 is only the hem left.");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var at7 = gone >= 1 ? 1 : 1 - Math.Pow(1 - gone, 7 / w);
        return Say7(at7 switch { < 0.25 => Life.Poor, < 0.6 => Life.Middling, _ => Life.Living },
            $"{Say.Number(gone * 100, 2)} % gone in {Say.Number(w)} weeks",
            new("cotton strip", "1 − (1 − gone)^(7 ÷ weeks)", $"{Say.Number(gone * 100, 2)} % in {Say.Number(w)} weeks",
                $"{Say.Number(at7 * 100, 2)} % at seven weeks", "first-order decay; lines at 25 and 60 %: practitioners' rule"));
    }

    /// <summary>CO₂ burst: carbon breathed out in a day after a dried sample is wetted.</summary>
    /// <param name="mgCPerKg">mg CO₂-C per kg of soil in 24 h, 0 to 1000.</param>
    /// <remarks>40 is middling. Lines at 25 and 70 mg/kg: usual lab bands, which differ between labs and soils.</remarks>
    public static Ruling<GroundAliveAnswer> Co2Burst(double? mgCPerKg)
    {
        var checks = new Checks();
        var c = checks.Range("mgCPerKg", mgCPerKg, 0, 1000, "mg/kg", "It is the carbon breathed out in 24 h, mg CO₂-C per kg.");
        return checks.Sound
            ? Say7(c switch { < 25 => Life.Poor, < 70 => Life.Middling, _ => Life.Living }, $"{Say.Number(c)} mg CO₂-C per kg in a day",
                new("CO₂ burst", "poor under 25, living from 70", $"{Say.Number(c)} mg/kg in 24 h", Say.Number(c) + " mg/kg",
                    "usual lab bands; they differ between labs and soils"))
            : checks.Refusal;
    }

    /// <summary>What a life means for a brew.</summary>
    public static string Means(Life life) => life switch {
        Life.Poor => "This ground is poor in life: a brew may help, with food for it in the ground.",
        Life.Living => "This ground is alive already: expect little from a brew, and leave a strip without.",
        _ => "This ground is middling: a brew may help or not; leave a strip without, and see.",
    };

    private static Worked<GroundAliveAnswer> Say7(Life life, string figure, WorkingLine line) =>
        Worked.Of(new GroundAliveAnswer(life, Means(life), figure), "", Evidence.PractitionersRule, [line]);
}
