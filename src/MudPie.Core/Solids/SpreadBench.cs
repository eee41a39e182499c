using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Sheets;
using MudPie.Core.Workings;
using MudPie.Core.Works;

namespace MudPie.Core.Solids;

/// <summary>What is fetched, and what each bed gets.</summary>
public sealed record SpreadAnswer
{
    /// <summary>In all, L.</summary>
    public required double Litres { get; init; }

    /// <summary>In all, kg as it lies.</summary>
    public required double Kg { get; init; }

    /// <summary>What a litre weighs, kg.</summary>
    public required double KgPerL { get; init; }

    /// <summary>Over all of the beds, L/m².</summary>
    public required double LPerM2 { get; init; }

    /// <summary>For one plant, L; null where it does not go by the plant.</summary>
    public required double? LPerPlant { get; init; }

    /// <summary>Barrows to wheel, of <see cref="BarrowL"/>.</summary>
    public required double Barrows { get; init; }

    /// <summary>L.</summary>
    public required double BarrowL { get; init; }

    /// <summary>Bed by bed.</summary>
    public required IReadOnlyList<SpreadShare> Beds { get; init; }

    /// <summary>By a spreader; null where none is used.</summary>
    public required SpreaderPasses? Spreader { get; init; }

    /// <summary>The thickest that is usual; null where none is known, or where it is worked in.</summary>
    public required LayerLimit? Limit { get; init; }

    /// <summary>What the thing is taken for; null where its name says nothing.</summary>
    public required Material? Material { get; init; }

    /// <summary>Nitrogen in all of it, g a m²; null where nobody knows.</summary>
    public required double? NitrogenGPerM2 { get; init; }

    /// <summary>In the holding's money; null where no price is known.</summary>
    public required double? Cost { get; init; }

    /// <summary>What it gives or takes of nitrogen, week by week, on a square metre; null where it does not rot or is not known.</summary>
    public required Worked<NitrogenOutlookAnswer>? Nitrogen { get; init; }

    /// <summary>What to do.</summary>
    public required Verdict Verdict { get; init; }
}

/// <summary>Solids on the ground: by the handful, the plant, the square metre, the hectare or as a layer.</summary>
public static class SpreadBench
{
    /// <summary>A handful and a barrow where the grower has measured neither, L.</summary>
    public const double UsualHandfulL = 0.06, UsualBarrowL = 80;

    /// <summary>Nitrogen a hectare above which usual codes say no, kg.</summary>
    public const double MostNKgPerHa = 250;

    /// <summary>A pass that gives more or less than what is wanted by this share is said.</summary>
    public const double PassOff = 0.15;

    /// <summary>What a question begins with, so that half of it is drawn already.</summary>
    /// <param name="by">By what it is given.</param>
    /// <param name="weighed">It is weighed, and not measured.</param>
    /// <param name="units">The holding's units.</param>
    /// <remarks>Compost by the square: "3 L"; where the holding goes by feet, "0.07 gal".</remarks>
    public static string Usual(SpreadBy by, bool weighed, UnitSystem units) => (by, weighed, units.IsUs()) switch {
        (SpreadBy.Handful, _, _) => "1",
        (SpreadBy.Depth, _, false) => "2 cm",
        (SpreadBy.Depth, _, true) => "1 in",
        (SpreadBy.Plant, false, false) => "0.5 L",
        (SpreadBy.Plant, false, true) => "1 pt",
        (SpreadBy.Plant, true, false) => "5 g",
        (SpreadBy.Plant, true, true) => "0.2 oz",
        (SpreadBy.Hectare, false, false) => "20 m3",
        (SpreadBy.Hectare, false, true) => "2000 gal",
        (SpreadBy.Hectare, true, false) => "300 kg",
        (SpreadBy.Hectare, true, true) => "300 lb",
        (_, false, false) => "3 L",
        (_, false, true) => "0.07 gal",
        (_, true, false) => "50 g",
        (_, true, true) => "0.2 oz",
    };

    /// <summary>Works it out.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="of">What it is; its name is read from the question where it does not lie on the shelf.</param>
    /// <param name="beds">The beds of the question.</param>
    /// <param name="table">The holding's table of materials.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <remarks>5 cm of compost on 36 m²: 36 × 0.05 × 1000 = 1,800 L, at 0.6 kg a litre 1,080 kg, 22.5 barrows of 80 L. A tarp of 4 m² that
    /// caught 6 L: 1.5 L a pass, so 3 L a m² want two passes. Source: volume and mass; limits of layers are usual advice.</remarks>
    public static Ruling<SpreadAnswer> Of(SpreadAsked r, Solid? of, IReadOnlyList<SolidBed> beds, IReadOnlyList<Material> table,
        UnitSystem units)
    {
        var fields = new TypedFields(units);
        var solid = of ?? new Solid(fields.Name("what", r.What, "what is put out"), null, null, false, null, null);
        var known = Materials.For(solid.Kind is "part" or "other" or "mineral" or "organicFeed" ? null : solid.Kind, solid.Name);
        var material = table.FirstOrDefault(m => m.Id == known?.Id) ?? known;
        var usual = InputContents.For(solid.Name);
        var kgPerL = (string.IsNullOrWhiteSpace(r.Density) ? null : (double?)fields.Quantity("density", r.Density, Dimension.Plain, 0.02, 3,
            "Weigh a litre of it as it lies, in kg.")) ?? solid.KgPerL ?? material?.KgPerL ?? usual?.KgPerL;
        if (kgPerL is null && fields.Checks.Sound)
        {
            fields.Checks.Add("density", $"Nobody knows here what a litre of {solid.Name} weighs.", "Weigh a litre of it as it lies, in "
                + "kg.");
        }

        if (beds.Count == 0)
        {
            fields.Checks.Add("beds", "It goes on no bed yet.", "Touch the beds that it goes on.");
        }

        if (!Enum.IsDefined(r.By) || !Enum.IsDefined(r.Place))
        {
            fields.Checks.Add(Enum.IsDefined(r.By) ? "place" : "by", "That is not known here.", "Load the page again.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var rate = Rate(r, solid, kgPerL!.Value, beds, fields);
        var barrow = fields.Optional("barrow", r.Barrow, Dimension.Volume, 1, 20_000) ?? UsualBarrowL;
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        List<SpreadShare> shares = [.. beds.Select((b, i) =>
        {
            var litres = rate.PerPlantL is { } one ? one * rate.Plants[i] : rate.PerM2L!.Value * b.AreaM2;
            return new SpreadShare(b.Id, b.Name, litres, litres * kgPerL.Value, rate.PerPlantL is null ? null : rate.Plants[i],
                litres / b.AreaM2);
        })];
        var total = shares.Sum(s => s.Litres);
        var spreader = Spreader(r, total / beds.Sum(b => b.AreaM2), (total, kgPerL.Value), fields);
        return fields.Checks.Sound ? Answer(r, (solid, material, usual, kgPerL.Value), (beds, shares, rate.PerPlantL), (barrow, spreader),
            units) : fields.Checks.Refusal;
    }

    /// <summary>L on a square metre, or for a plant with the plants of each bed.</summary>
    private sealed record RateRead(double? PerM2L, double? PerPlantL, IReadOnlyList<double> Plants);

    private static RateRead Rate(SpreadAsked r, Solid of, double kgPerL, IReadOnlyList<SolidBed> beds, TypedFields fields)
    {
        double Loose(double low, double high) => ReadLoose("amount", r.Amount, of.Weighed, kgPerL, (low, high), fields);
        switch (r.By)
        {
            case SpreadBy.Handful:
                var handful = fields.Optional("handful", r.Handful, Dimension.Volume, 0.005, 1,
                    "What one closed handful of yours holds.") ?? UsualHandfulL;
                return new(null, handful * fields.Quantity("amount", r.Amount, Dimension.Plain, 0.1, 50, "Handfuls for one plant."),
                    Plants(r, beds, fields));
            case SpreadBy.Plant:
                return new(null, Loose(0.0005, 200), Plants(r, beds, fields));
            case SpreadBy.Hectare:
                // On a hectare nobody means grams: a bare figure of what is weighed is kilograms, or pounds.
                var bare = of.Weighed && r.Amount?.Trim() is { Length: > 0 } typed && char.IsAsciiDigit(typed[^1]);
                return new(Per.LargeSi(ReadLoose("amount", bare ? $"{r.Amount!.Trim()} {(fields.Units.IsUs() ? "lb" : "kg")}" : r.Amount,
                    of.Weighed, kgPerL, (0.1, 2_000_000), fields), fields.Units) / 10_000, null, []);
            case SpreadBy.Depth:
                return new(fields.Quantity("amount", r.Amount, Dimension.Length, 0.0005, 0.5, "How deep it is to lie.") * 1000, null, []);
            default:
                return new(Per.SquareSi(Loose(0.0001, 500), fields.Units), null, []);
        }
    }

    private static List<double> Plants(SpreadAsked r, IReadOnlyList<SolidBed> beds, TypedFields fields)
    {
        string? Typed(SolidBed b) => r.Plants?.GetValueOrDefault(b.Id.ToString(System.Globalization.CultureInfo.InvariantCulture));
        if (beds.FirstOrDefault(b => string.IsNullOrWhiteSpace(Typed(b))) is { } bare)
        {
            fields.Checks.Add("plants", $"How many plants stand on {bare.Name}?", "Give the plants of each bed that was chosen.");
            return [.. beds.Select(_ => 1.0)];
        }

        return [.. beds.Select(b => fields.Quantity("plants", Typed(b), Dimension.Plain, 1, 1_000_000, $"Plants on {b.Name}."))];
    }

    private static double ReadLoose(string field, string? typed, bool weighed, double kgPerL, (double Low, double High) range,
        TypedFields fields)
    {
        if (weighed && AmountText.Read(field, typed, Dimension.Mass, fields.Units) is { Refused: null } mass)
        {
            var litres = mass.Value.Si / 1000 / kgPerL;
            return Within(field, litres, mass.Value.Shown, range, fields);
        }

        var read = AmountText.ReadLoose(field, typed, kgPerL, fields.Units);
        if (read.Refused is { } no)
        {
            fields.Checks.Add(no);
            return 0;
        }

        return Within(field, read.Value.Si, read.Value.Shown, range, fields);
    }

    private static double Within(string field, double litres, string shown, (double Low, double High) range, TypedFields fields)
    {
        if (litres < range.Low || litres > range.High)
        {
            fields.Checks.Add(field, $"{shown} is too {(litres < range.Low ? "little" : "much")}.",
                $"Give {Units.Show(range.Low, Dimension.Volume, fields.Units)} to "
                    + $"{Units.Show(range.High, Dimension.Volume, fields.Units)}, or "
                    + "its weight.");
        }

        return litres;
    }

    private static SpreaderPasses? Spreader(SpreadAsked r, double wanted, (double Litres, double KgPerL) all, TypedFields fields)
    {
        if (string.IsNullOrWhiteSpace(r.Tarp) && string.IsNullOrWhiteSpace(r.Caught))
        {
            return null;
        }

        var tarp = fields.Quantity("tarp", r.Tarp, Dimension.Area, 0.05, 1000, "The tarp that lay under one pass.");
        var caught = ReadLoose("caught", r.Caught, true, all.KgPerL, (0.0001, 20_000), fields);
        var holds = fields.Optional("holds", r.Holds, Dimension.Volume, 1, 100_000);
        if (!fields.Checks.Sound)
        {
            return null;
        }

        var pass = caught / tarp;
        var passes = Math.Max(1, (int)Math.Round(Math.Min(wanted / pass, 1e6), MidpointRounding.AwayFromZero));
        return new SpreaderPasses(pass, passes, passes * pass / wanted, holds is { } h ? passes * pass / wanted * all.Litres / h : null);
    }

    private static Worked<SpreadAnswer> Answer(SpreadAsked r, (Solid Solid, Material? Material, UsualInput? Usual, double KgPerL) what,
        (IReadOnlyList<SolidBed> Beds, IReadOnlyList<SpreadShare> Shares, double? PerPlantL) on,
            (double BarrowL, SpreaderPasses? Spreader) by,
        UnitSystem units)
    {
        var (litres, area) = (on.Shares.Sum(s => s.Litres), on.Beds.Sum(b => b.AreaM2));
        var (kg, perM2) = (litres * what.KgPerL, litres / area);
        var share = what.Solid.NShare ?? (what.Usual?.Holds.GetValueOrDefault("N") is double n and > 0 ? n
            : what.Material is { Rots: true } m ? m.Nitrogen * (1 - m.Moisture) : null);
        // On top, only what touches the ground takes or gives there.
        var touches = r.Place == SpreadPlace.OnTop && what.Material is { Cn: > 30 } ? BrashWays.Touches : 1;
        var outlook = what.Material is { Rots: true } rots
            ? NitrogenOutlook.Of([new Amassed(rots, perM2 * what.KgPerL * touches)], null, $"on {Units.Show(1, Dimension.Area, units)}")
                : null;
        var answer = new SpreadAnswer {
            Litres = litres,
            Kg = kg,
            KgPerL = what.KgPerL,
            LPerM2 = perM2,
            LPerPlant = on.PerPlantL,
            Barrows = litres / by.BarrowL,
            BarrowL = by.BarrowL,
            Beds = on.Shares,
            Spreader = by.Spreader,
            Limit = r.Place == SpreadPlace.OnTop && on.PerPlantL is null ? LayerLimits.Of(what.Material) : null,
            Material = what.Material,
            NitrogenGPerM2 = share * perM2 * what.KgPerL * 1000,
            Cost = what.Solid.Price is { } price ? price * (what.Solid.Weighed ? kg : litres) : null,
            Nitrogen = outlook,
            Verdict = new Verdict(Tone.Go, "", ""),
        };
        return Worked.Of(answer with { Verdict = SpreadSays.Verdict(r, answer, what.Solid, what.Usual, units) }, "L",
            Evidence.PractitionersRule, Lines(r, answer, (area, touches)), SpreadSays.Cautions(what.Solid, answer, on.Beds));
    }

    private static WorkingLine[] Lines(SpreadAsked r, SpreadAnswer a, (double AreaM2, double Touches) of) =>
    [
        a.LPerPlant is { } one
            ? new("in all", "L a plant × plants", $"{Say.Number(one)} L × {Say.Number(a.Beds.Sum(b => b.Plants ?? 0))}",
                $"{Say.Number(a.Litres)} L",
                r.By == SpreadBy.Handful && string.IsNullOrWhiteSpace(r.Handful) ? "a handful is taken for 60 mL: measure yours"
                    : "as typed")
            : r.By == SpreadBy.Depth
                ? new("in all", "area × depth × 1000", $"{Say.Number(of.AreaM2)} m² × {Say.Number(a.LPerM2 / 1000)} m",
                    $"{Say.Number(a.Litres)} L",
                    "a layer, as it lies")
                : new("in all", "area × L a m²", $"{Say.Number(of.AreaM2)} m² × {Say.Number(a.LPerM2)} L", $"{Say.Number(a.Litres)} L",
                    "as typed"),
        new("weight", "L × kg a litre", $"{Say.Number(a.Litres)} L × {Say.Number(a.KgPerL)}", $"{Say.Number(a.Kg)} kg",
            "as it lies; wet it weighs more"),
        new("barrows", "L ÷ what one holds", $"{Say.Number(a.Litres)} L ÷ {Say.Number(a.BarrowL)}", Say.Number(a.Barrows), "level full"),
        .. a.Spreader is { } s
            ? [new WorkingLine("passes", "L a m² ÷ (caught ÷ tarp), rounded", $"{Say.Number(a.LPerM2)} ÷ {Say.Number(s.PassLPerM2)}",
                $"{s.Passes}, which gives {Say.Number(s.GivesShare * 100, 2)} %", "one pass over a tarp")]
            : Array.Empty<WorkingLine>(),
        .. a.NitrogenGPerM2 is { } n
            ? [new WorkingLine("nitrogen in it", "kg a m² × share of N", $"{Say.Number(a.LPerM2 * a.KgPerL)} kg", $"{Say.Number(n)} g a m²",
                "its label, else what is usual; most of compost’s comes free over years")]
            : Array.Empty<WorkingLine>(),
        .. of.Touches < 1
            ? [new WorkingLine("touches the ground", "a tenth of a woody mulch", "", "0.1", "a rough share: roots below are not robbed")]
            : Array.Empty<WorkingLine>(),
    ];
}
