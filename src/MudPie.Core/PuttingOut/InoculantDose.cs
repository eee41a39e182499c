using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>How many organisms are wanted where, and what the bottle holds.</summary>
public sealed record InoculantQuestion
{
    /// <summary>Units that its sentences speak in.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public UnitSystem Units { get; init; }

    /// <summary>Organisms, or propagules, wanted on each, 1 to 1e15.</summary>
    public double? Target { get; init; }

    /// <summary>What the target and the label's dose are for: a <see cref="DoseEach"/> by its word.</summary>
    public string? Per { get; init; }

    /// <summary>How many plants, litres, m², kg or ha, more than 0 to 1e9.</summary>
    public double? Count { get; init; }

    /// <summary>Count on the label, 1 to 1e13.</summary>
    public double? LabelCount { get; init; }

    /// <summary>"mL" or "g": what the label's count is per.</summary>
    public string? LabelPer { get; init; }

    /// <summary>Share still alive, more than 0 to 1; worked out from age, warmth and kind when not given.</summary>
    public double? ViableShare { get; init; }

    /// <summary>In what form it lives, to work the viable share out.</summary>
    public LifeForm? Kind { get; init; }

    /// <summary>Days since it was made, 0 to 3650.</summary>
    public double? AgeDays { get; init; }

    /// <summary>Where it was kept, −20 to 50 °C.</summary>
    public double? KeptC { get; init; }

    /// <summary>Label's own dose on each, mL or g; null where there is none.</summary>
    public double? LabelDose { get; init; }

    /// <summary>Price of a litre or a kilogram; null where not known.</summary>
    public double? Price { get; init; }
}

/// <summary>How much to measure out.</summary>
/// <param name="Amount">In <paramref name="Unit"/>.</param>
/// <param name="Unit">"mL" or "g".</param>
/// <param name="Organisms">Delivered in all.</param>
/// <param name="ViableShare">Share still alive that was taken.</param>
/// <param name="ByLabel">What the label's own dose comes to; null where there is none.</param>
/// <param name="CostPer1E9">Price of a thousand million that live; null where no price is known.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record InoculantAnswer(double Amount, string Unit, double Organisms, double ViableShare, double? ByLabel, double? CostPer1E9,
    string Sentence);

/// <summary>What a number of organisms is for.</summary>
/// <param name="Word">As it travels: "plant", "litre", "gallon", "m2", "ft2", "kgSeed", "lbSeed", "ha" or "acre".</param>
/// <param name="One">One of it in words, without its article.</param>
/// <param name="Many">Several of it.</param>
/// <param name="Si">The word of the same in litres, kilograms, square metres or hectares.</param>
/// <param name="InSi">How much of that it is: an acre is 0.4047 of a hectare.</param>
public sealed record DoseEach(string Word, string One, string Many, string Si, double InSi)
{
    /// <summary>All that can be chosen.</summary>
    public static IReadOnlyList<DoseEach> All { get; } = [
        new("plant", "plant", "plants", "plant", 1),
        new("litre", "litre of feed", "litres of feed", "litre", 1),
        new("gallon", "gallon of feed", "gallons of feed", "litre", Measures.Per.UsGallonL),
        new("m2", "m²", "m²", "m2", 1),
        new("ft2", "sq ft", "sq ft", "m2", Measures.Per.Ft2InM2),
        new("kgSeed", "kg of seed", "kg of seed", "kgSeed", 1),
        new("lbSeed", "lb of seed", "lb of seed", "kgSeed", Measures.Per.PoundKg),
        new("ha", "ha", "ha", "ha", 1),
        new("acre", "acre", "acres", "ha", Measures.Per.AcreInM2 / 10_000),
    ];

    /// <summary>By its word; null for any other.</summary>
    public static DoseEach? Read(string? word) => All.FirstOrDefault(e => e.Word == word);

    /// <summary>So many of it: "acre", "acres".</summary>
    public string Of(double count) => count == 1 ? One : Many;

    /// <summary>A label's rate on one of it, mL or g; null where the label speaks in other terms.</summary>
    /// <param name="basis">What the rate is on.</param>
    /// <param name="rate">mL or g on the basis; one part in so many for that.</param>
    /// <remarks>2,000 mL a hectare are 809.4 mL an acre.</remarks>
    public double? Label(RateBasis basis, double rate) => basis.Per(rate, Si) * InSi;
}

/// <summary>Dosing by organisms, with the label's dose beside it.</summary>
public static class InoculantDose
{
    // Days in which half are lost at 20 °C: spores hardly fall. House figures, until a lot is counted.
    private static readonly Dictionary<LifeForm, double> HalfLives = new() {
        [LifeForm.Spores] = 2500, [LifeForm.Propagules] = 500,
        [LifeForm.Living] = 90
    };

    /// <summary>Share alive after so many days: first order, twice as fast for each 10 °C.</summary>
    /// <remarks>Living cells, 90 days at 20 °C: one half; at 10 °C: 0.71.</remarks>
    public static double Viable(LifeForm kind, double ageDays, double keptC) =>
        Math.Exp(-Math.Log(2) * ageDays / HalfLives[kind] * Math.Pow(2, (keptC - 20) / 10));

    /// <summary>amount = target × count ÷ (label count × viable share).</summary>
    /// <remarks>1e6 a plant on 240 plants, a label of 2e8 per mL, half alive: 2.4 mL.</remarks>
    public static Ruling<InoculantAnswer> Of(InoculantQuestion q)
    {
        var checks = new Checks();
        var target = checks.Range("target", q.Target, 1, 1e15, "");
        var count = checks.Range("count", q.Count, 1e-6, 1e9, "");
        var label = checks.Range("labelCount", q.LabelCount, 1, 1e13, "");
        var each = DoseEach.Read(q.Per);
        if (each is null)
        {
            checks.Add("per", "It is not said what the target is for.", $"Choose {Say.Any([.. DoseEach.All.Select(e => e.Word)])}.");
        }

        if (q.LabelPer is not ("mL" or "g"))
        {
            checks.Add("labelPer", "The label's count says nothing without its “per”.",
                "Is it per mL or per g? It stands beside the number; powders and granules go by the gram.");
        }

        var viable = q.ViableShare is not null ? checks.Range("viableShare", q.ViableShare, 1e-6, 1, "") : WorkedOut(q, checks);
        if (checks.Sound && viable < 1e-4)
        {
            checks.Add("ageDays", "Hardly anything can be alive in it.", "Take a fresh bottle, or have it counted.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var wanted = target * count;
        var amount = wanted / (label * viable);
        var byLabel = q.LabelDose is null ? (double?)null : q.LabelDose * count;
        var cost = q.Price is > 0 ? q.Price / 1000 / (label * viable) * 1e9 : (double?)null;
        var beside = byLabel is { } l
            ? $" The label's own dose comes to {Per.Product(l, q.LabelPer!, q.Units)}, {Say.Number(l / amount * 100, 2)} % of that." : "";
        return Worked.Of(
            new InoculantAnswer(amount, q.LabelPer!, wanted, viable, byLabel, cost,
                $"{Per.Product(amount, q.LabelPer!, q.Units)} for {Say.Number(count)} {each!.Of(count)}.{beside}"),
            q.LabelPer!,
            q.ViableShare is null && q.Kind is not null ? Evidence.PractitionersRule : Evidence.ChemistryOrPhysics,
            [
                new("organisms wanted", "target × how many", $"{target:0.##e+0} × {Say.Number(count)}", $"{wanted:0.##e+0}",
                    "your own target"),
                new("still alive", "e^(−ln 2 · days ÷ half-life · 2^((T − 20) ÷ 10))", q.ViableShare is null && q.Kind is { } k
                    ? $"{k.Word()}, {Say.Number(q.AgeDays ?? 0)} days at {Say.Number(q.KeptC ?? 20)} °C, half-life {HalfLives[k]} days at "
                        + "20 °C" : "as given", $"{Say.Number(viable * 100, 3)} %",
                        "first order, twice as fast for each 10 °C; half-lives are house figures until a lot is counted"),
                new("amount", "wanted ÷ (label count × alive)", $"{wanted:0.##e+0} ÷ ({label:0.##e+0} × {Say.Number(viable)})",
                    $"{Say.Number(amount)} {q.LabelPer}", "sum"),
            ],
            [new("label-is-law", "Where the product is registered its label is law: this sum does not stand above it.", Cautions.Usual)]);
    }

    private static double WorkedOut(InoculantQuestion q, Checks checks)
    {
        if (q.Kind is null && q.AgeDays is null)
        {
            return 1;
        }

        var (age, kept) = (checks.Range("ageDays", q.AgeDays ?? 0, 0, 3650, "days"), checks.Range("keptC", q.KeptC ?? 20, -20, 50, "°C"));
        return Viable(checks.One("kind", q.Kind, "It is not said what kind it is."), age, kept);
    }
}

/// <summary>A stock for an injector.</summary>
/// <param name="StockL">Stock that the feed draws, L.</param>
/// <param name="ProductPerL">Product in a litre of stock, mL or g.</param>
/// <param name="Product">Product in all.</param>
/// <param name="Hours">How long the stock lasts; null where no flow was given.</param>
/// <param name="Verdict">In a sentence.</param>
public sealed record InjectorAnswer(double StockL, double ProductPerL, double Product, double? Hours, Verdict Verdict);

/// <summary>Stock strength from an injector's ratio.</summary>
public static class InjectorStock
{
    /// <summary>At 1:R a litre of stock goes into R litres of feed: stock strength = dose per litre of feed × R.</summary>
    /// <param name="ratio">R of 1:R, 1 to 2000.</param>
    /// <param name="dosePerL">Product wanted in a litre of feed, mL or g, 0.0001 to 100.</param>
    /// <param name="feedL">Feed, 0.1 to 1,000,000 L.</param>
    /// <param name="flowLPerMin">Flow through the injector; null where not known.</param>
    /// <param name="withFeeds">Organic feeds are in the stock: it lives a day or two.</param>
    /// <param name="unit">"mL" or "g", for the words; left out where it is not known.</param>
    /// <remarks>1:100, 0.2 mL/L, 500 L: 5 L of stock with 20 mL in each litre, 100 mL in all.</remarks>
    public static Ruling<InjectorAnswer> Of(double? ratio, double? dosePerL, double? feedL, double? flowLPerMin = null,
        bool withFeeds = false, string unit = "", UnitSystem units = UnitSystem.Metric)
    {
        var checks = new Checks();
        var r = checks.Range("ratio", ratio, 1, 2000, "", "1:100 is 100.");
        var dose = checks.Range("dosePerL", dosePerL, 1e-12, 100, "per L");
        var feed = checks.Range("feedL", feedL, 0.1, 1_000_000, "L");
        var flow = flowLPerMin is null ? (double?)null : checks.Range("flowLPerMin", flowLPerMin, 0.1, 2000, "L/min");
        if (checks.Sound && dose * r > 1000)
        {
            checks.Add("dosePerL", $"That would be {Say.Number(dose * r)} mL or g in a litre of stock.",
                "More than neat: a lower ratio or a smaller dose.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var stock = feed / r;
        var hours = flow is { } f ? feed / f / 60 : (double?)null;
        var lives = withFeeds ? 24 : 48;
        var verdict = hours > lives
            ? new Verdict(Tone.Stop, $"This stock would outlive its biology: it lasts {Say.Hours(hours.Value)}.",
                $"{(withFeeds ? "With feeds in it" : "In plain water")} it is good for about {lives} h. Make it in parts.")
            : new Verdict(Tone.Go, units.IsUs()
                ? $"{Units.Show(stock, Dimension.Volume, units)} of stock, {Say.Number(dose * r * 3.785411784)}{Say.Unit(unit)} in each "
                    + "gallon." : $"{Say.Number(stock)} L of stock, {Say.Number(dose * r)}{Say.Unit(unit)} in each litre.",
                    $"{Say.Number(dose * feed)}{Say.Unit(unit)} in all. Shake the bottle first: spores settle. Use it within {lives} h.");
        return Worked.Of(
            new InjectorAnswer(stock, dose * r, dose * feed, hours, verdict), "L", Evidence.ChemistryOrPhysics,
            [
                new("stock", "feed ÷ ratio", $"{Say.Number(feed)} L ÷ {Say.Number(r)}", $"{Say.Number(stock)} L",
                    "a litre of stock into so many litres of feed"),
                new("strength", "dose × ratio", $"{Say.Number(dose)} per L × {Say.Number(r)}",
                    $"{Say.Number(dose * r)} per L of stock", "sum"),
                .. hours is { } h
                    ? [new WorkingLine("lasts", "feed ÷ flow", $"{Say.Number(feed)} L ÷ {Say.Number(flow!.Value)} L/min", Say.Hours(h),
                        "sum")] : Array.Empty<WorkingLine>(),
            ]);
    }
}
