using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>A nutrient against its band.</summary>
/// <param name="Line">As the sheet has it.</param>
/// <param name="Low">mg/kg; null where there is no band.</param>
/// <param name="High">mg/kg.</param>
/// <param name="Own">The band is the grower's own.</param>
/// <param name="After">mg/kg with what is given in the first year; null without a band.</param>
/// <param name="AfterAll">mg/kg once all of it has been given.</param>
/// <param name="Short">mg/kg that stay short; 0 for none.</param>
/// <param name="Why">Why that stays short; null where it does not.</param>
/// <param name="Choice">What is done about it; null where nothing was chosen.</param>
/// <param name="Flag">What is said of it beside that; null for nothing.</param>
public sealed record SheetNutrient(SheetLine Line, double? Low, double? High, bool Own, double? After, double? AfterAll, double Short,
    string? Why, ShortfallChoice? Choice, string? Flag);

/// <summary>An input and how much of it.</summary>
/// <param name="InputId">On the shelf; null where it does not lie there.</param>
/// <param name="Name">What.</param>
/// <param name="KgPerHa">kg a hectare; of a mix, kg for a layer a metre deep.</param>
/// <param name="KgPerL">As it lies.</param>
/// <param name="PricePerKg">In the holding's money.</param>
/// <param name="MostKgPerHa">The most that is usual.</param>
/// <param name="Holds">What it holds, as it is typed.</param>
/// <param name="Label">Its label as N-P₂O₅-K₂O, where it was converted; null where it was not.</param>
/// <param name="WhyNotMore">Why not more of it.</param>
public sealed record SheetGiven(int? InputId, string Name, double KgPerHa, double KgPerL, double PricePerKg, double MostKgPerHa,
    string Holds,
    string? Label, string WhyNotMore);

/// <summary>What the lab advises, beside ours.</summary>
/// <param name="Name">Of what.</param>
/// <param name="KgPerHa">kg a hectare, or for a layer of mix a metre deep.</param>
/// <param name="CostPerHa">Its cost; null where no price is known.</param>
public sealed record AdviceRead(string Name, double KgPerHa, double? CostPerHa);

/// <summary>A sheet worked out.</summary>
/// <param name="Read">The sheet.</param>
/// <param name="Nutrients">Against their bands.</param>
/// <param name="Given">Every input that was offered.</param>
/// <param name="AreaM2">How large the ground is, m²; null for a mix.</param>
/// <param name="MixL">How much mix, L; null for ground.</param>
/// <param name="CostPerHa">Of all, a hectare (or a layer of mix a metre deep).</param>
/// <param name="Lime">Lime; null where none was asked for.</param>
/// <param name="Advice">The lab's own.</param>
/// <param name="TestCost">What the test itself cost; null where nobody said.</param>
/// <param name="Verdict">What to do.</param>
public sealed record SheetAnswer(SheetRead Read, IReadOnlyList<SheetNutrient> Nutrients, IReadOnlyList<SheetGiven> Given, double? AreaM2,
    double? MixL, double CostPerHa, Worked<LimeAnswer>? Lime, IReadOnlyList<AdviceRead> Advice, double? TestCost, Verdict Verdict)
{
    /// <summary>Of kg a hectare, what goes on the ground or into the mix in all, kg.</summary>
    public double Total(double kgPerHa) => MixL is { } l ? kgPerHa / 10_000 * l / 1000 : kgPerHa * AreaM2!.Value / 10_000;
}

/// <summary>A figure of a sheet against its band, as found.</summary>
/// <param name="Line">As the sheet has it.</param>
/// <param name="Low">mg/kg, of sap mg/L; null where there is no band.</param>
/// <param name="High">The same.</param>
public sealed record SheetFigure(SheetLine Line, double? Low, double? High);

/// <summary>A sheet as found: nothing is worked out to put on.</summary>
/// <param name="Read">The sheet.</param>
/// <param name="Figures">Its nutrients against their bands.</param>
public sealed record SheetFound(SheetRead Read, IReadOnlyList<SheetFigure> Figures)
{
    /// <summary>Nutrients below their low end.</summary>
    public IReadOnlyList<string> Short => [.. Figures.Where(f => f.Low is { } low && f.Line.MgPerKg < low).Select(f => f.Line.Of.Name)
        .Distinct()];

    /// <summary>That in words: "short of potassium and boron", "nothing short", "no figure has a band".</summary>
    public string Says => Short.Count > 0 ? $"short of {Say.List(Short)}" : Figures.Any(f => f.Low is not null) ? "nothing short"
        : "no figure has a band";
}

/// <summary>From a sheet to amounts: bands, the linear program, shares of a bed, a hectare, a litre.</summary>
public static class SheetBench
{
    /// <summary>Works it out.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="shelf">What lies on the shelf.</param>
    /// <param name="bedM2">Area of the bed, where one was chosen.</param>
    /// <param name="lotL">Litres of the lot, where one was chosen.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <remarks>Potassium by Mehlich-3 at 90 mg/kg for vegetables wants 60 more: at 15 cm and 1.3 kg/L that is 117 kg of K, or 282 kg of
    /// potassium sulphate a hectare, 28 g a square metre.</remarks>
    public static Ruling<SheetAnswer> Of(SheetAsked r, IReadOnlyList<ShelfInput> shelf, double? bedM2, double? lotL, UnitSystem units)
    {
        var fields = new TypedFields(units);
        fields.Name("name", r.Name, "the sheet");
        var (area, litres) = Size(r, bedM2, lotL, fields);
        var inputs = r.For.OfPlant() ? [] : Inputs(r, shelf, fields);
        var read = SheetReading.Of(r, fields);
        if (read is null)
        {
            return fields.Checks.Refusal;
        }

        var bands = Bands(r, read, fields);
        var lime = Liming.Of(r, read, fields);
        var advice = Advice(r, inputs, fields);
        var cost = fields.Optional("cost", r.Cost, Dimension.Plain, 0, 1_000_000, "In the holding’s own money.");
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        if (r.For.OfPlant())
        {
            return Worked.Of(Plant(r, read, bands, (area, advice, cost)), r.For == SheetOf.Sap ? "mg/L" : "mg/kg",
                r.For == SheetOf.Sap ? Evidence.PractitionersRule : Evidence.PublishedTrials, [.. read.Lines
                    .Where(l => l.How.Length > 0 && l.MgPerKg is not null).Select(l => new WorkingLine(l.Of.Name, $"{l.Unit} {l.How}",
                        Say.Number(l.Figure!.Value), $"{Say.Number(l.MgPerKg!.Value)} mg/kg", "conversion of units")),
                    .. read.Lines.Where(l => l.MgPerKg is not null && Banded(r, l, bands) is not null).Select(l => Against(r, l,
                        bands[l.Of.Id]))], PlantSays.Cautions(r));
        }

        // Lime brings calcium, before anything else is chosen.
        var limed = lime is { Value.KgPerHa: > 0 } ? lime.Value.KgPerHa * 0.36 / read.KgPerHa : 0;
        var test = read.Lines.Where(l => l.MgPerKg is not null).ToDictionary(l => l.Of.Id,
            l => l.MgPerKg!.Value + (l.Of.Id == "Ca" ? limed : 0));
        foreach (var above in read.Lines.Where(l => l.Above && bands.ContainsKey(l.Of.Id)))
        {
            test[above.Of.Id] = bands[above.Of.Id].Band.High!.Value; // at its top at least: nothing more of it goes on
        }

        var targets = bands.Where(b => test.ContainsKey(b.Key)).ToDictionary(b => b.Key, b => b.Value.Band);
        var solved = targets.Count == 0 ? null : SoilCorrections.Of(new CorrectionsQuestion {
            DepthCm = read.DepthCm, BulkDensityKgPerL = read.Density, Test = test, Targets = targets,
            Inputs = [.. inputs.Select(i => i.Ask)]
        });
        if (solved is { Refused: { } no })
        {
            return no;
        }

        var answer = Answer((r, read, bands), solved?.Value, inputs, (area, litres, lime, advice, cost));
        return Worked.Of(answer, "kg/ha", r.School == SheetSchool.Ratio ? Evidence.Contested : Evidence.PublishedTrials,
            [
                .. read.Lines.Where(l => l.How.Length > 0 && l.MgPerKg is not null).Select(l => new WorkingLine(l.Of.Name,
                    $"{l.Unit} {l.How}", Say.Number(l.Figure!.Value), $"{Say.Number(l.MgPerKg!.Value)} mg/kg", l.Below
                        ? "below what the lab can find: half of that" : "conversion of units")),
                .. lime?.Working ?? [],
                .. solved?.Worked.Working ?? [],
            ], solved?.Worked.Cautions, [SheetSays.Schools(r.School)]);
    }

    /// <summary>A sheet as found, against its bands: what a look at many sheets needs, and no more.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <remarks>Potassium by Mehlich-3 at 90 mg/kg for vegetables: short, as enough is 150 to 280.</remarks>
    public static Ruling<SheetFound> Found(SheetAsked r, UnitSystem units)
    {
        var fields = new TypedFields(units);
        if (SheetReading.Of(r, fields) is not { } read)
        {
            return fields.Checks.Refusal;
        }

        var bands = Bands(r, read, fields);
        return !fields.Checks.Sound ? fields.Checks.Refusal : Worked.Of(new SheetFound(read, [.. read.Lines.Where(l => !l.Of.Property)
            .Select(l => Banded(r, l, bands) is { } band ? new SheetFigure(l, band.Band.Low, band.Band.High)
                : new SheetFigure(l, null, null))]), "", Evidence.MeasuredHere);
    }

    /// <summary>A line's band; bands are of young leaves, and old ones have none.</summary>
    private static (TargetBand Band, bool Own)? Banded(SheetAsked r, SheetLine line, Dictionary<string, (TargetBand, bool)> bands) =>
        bands.TryGetValue(line.Of.Id, out var band) && !(r.For.OfPlant() && line.Age == LeafAge.Old) ? band : null;

    private static (double? AreaM2, double? Litres) Size(SheetAsked r, double? bedM2, double? lotL, TypedFields fields) => r.For switch {
        SheetOf.Mix => (null, fields.Optional("size", r.Size, Dimension.Volume, 0.5, 1_000_000) ?? lotL ?? 1000),
        _ => (fields.Optional("size", r.Size, Dimension.Area, 0.01, 1e8) ?? bedM2 ?? (r.For == SheetOf.Field ? 10_000 : 10), null),
    };

    /// <summary>Bands by nutrient: the grower's own, else the school's, else the house's for that extraction.</summary>
    private static Dictionary<string, (TargetBand Band, bool Own)> Bands(SheetAsked r, SheetRead read, TypedFields fields)
    {
        var bands = new Dictionary<string, (TargetBand, bool)>();
        foreach (var line in read.Lines.Where(l => !l.Of.Property))
        {
            var house = r.School == SheetSchool.Ratio && read.Cec is { } cec && r.For != SheetOf.Mix ? SheetBands.Ratio(line.Of.Id, cec)
                : null;
            house ??= r.For.OfPlant() ? PlantBands.For(r.For, line.Of.Id, r.Crop, r.Plant, line.Age)
                : SheetBands.For(line.Method, line.Of.Id, r.Crop);
            var times = r.For.OfPlant() ? 1
                : line.Method is Extraction.SaturatedMedia or Extraction.SaturatedPaste ? read.HeldL / read.Density : 1;
            if (house is { } b)
            {
                bands[line.Of.Id] = (new TargetBand { Low = b.Low * times, High = b.High * times }, false);
            }

            var at = r.Bands.ToList().FindIndex(x => Nutrients.Read(x.Of ?? "")?.Of == line.Of);
            if (at >= 0 && !(string.IsNullOrWhiteSpace(r.Bands[at].Low) && string.IsNullOrWhiteSpace(r.Bands[at].High)))
            {
                var low = fields.Quantity($"bands[{at}].low", r.Bands[at].Low, Dimension.Plain, 1e-6, 1_000_000, "Above nothing.");
                var high = fields.Quantity($"bands[{at}].high", r.Bands[at].High, Dimension.Plain, low, 1_000_000,
                    "No lower than the low end.");
                times *= Said(r.Bands[at].Unit, line, r, read);
                bands[line.Of.Id] = (new TargetBand { Low = low * times, High = high * times }, true);
            }
        }

        if (r.School == SheetSchool.Ratio && read.Cec is null && r.Rows.Count > 0 && !r.For.OfPlant())
        {
            fields.Checks.Add("school", "Shares of the exchange want an exchange (CEC).",
                "Add its line, or calcium, magnesium and potassium by ammonium acetate or Mehlich-3, and of a sour soil its acidity; "
                    + "or judge by enough of each.");
        }

        return bands;
    }

    /// <summary>What a band's figures are multiplied by: of a dried leaf per cent where labs give it so; of a soil by its unit.</summary>
    private static double Said(string? unit, SheetLine line, SheetAsked r, SheetRead read)
    {
        var said = string.IsNullOrWhiteSpace(unit) ? null : SheetUnits.First(unit);
        return r.For switch {
            SheetOf.Leaf or SheetOf.Tissue => said switch {
                "mg/kg" => 1,
                "g/kg" => 1000,
                "%" => 10_000,
                _ => PlantBands.InPerCent(line.Of.Id) ? 10_000 : 1
            },
            SheetOf.Sap => 1,
            _ => said is null || line.Method is Extraction.SaturatedMedia or Extraction.SaturatedPaste ? 1
                : SheetUnits.ToMgPerKg(1, said, line.Of, read.KgPerHa, read.Density)?.MgPerKg ?? 1,
        };
    }

    internal sealed record InputRead(int? Id, string Name, CorrectionInput Ask, double KgPerL, string Holds, string? Label);

    private static List<InputRead> Inputs(SheetAsked r, IReadOnlyList<ShelfInput> shelf, TypedFields fields)
    {
        var read = new List<InputRead>();
        if (r.Inputs.Count > 60)
        {
            fields.Checks.Add("inputs", "That is more than sixty inputs.", "Choose from up to sixty.");
        }

        for (var i = 0; i < Math.Min(r.Inputs.Count, 60); i++)
        {
            var (asked, at) = (r.Inputs[i], $"inputs[{i}]");
            var on = asked.InputId is { } id ? shelf.FirstOrDefault(s => s.Id == id) : null;
            if (asked.InputId is not null && on is null)
            {
                fields.Checks.Add(at, "That is not on the shelf any more.", "Choose another, or take it out.");
                continue;
            }

            var name = on?.Name ?? fields.Name($"{at}.name", asked.Name, "the input");
            if (read.Any(x => x.Name.Equals(name, StringComparison.OrdinalIgnoreCase)))
            {
                fields.Checks.Add($"{at}.name", $"“{name}” stands twice.", "Take one of them out.");
                continue;
            }

            read.Add(One((asked, on, name), r.For == SheetOf.Mix, at, fields));
        }

        return read;
    }

    private static InputRead One((SheetInputAsked Asked, ShelfInput? On, string Name) input, bool mix, string at, TypedFields fields)
    {
        var (asked, on, name) = input;
        var usual = InputContents.For(name);
        var label = on is { N: not null } or { P2O5: not null } or { K2O: not null }
            && (on.N ?? 0) + (on.P2O5 ?? 0) + (on.K2O ?? 0) > 0 ? on : null;
        var holds = new Dictionary<string, double>(usual?.Holds ?? new Dictionary<string, double>());
        if (label is not null)
        {
            (holds["N"], holds["P"], holds["K"]) = (label.N ?? 0, (label.P2O5 ?? 0) * Nutrients.Oxides["p2o5"].Share,
                (label.K2O ?? 0) * Nutrients.Oxides["k2o"].Share);
        }

        IReadOnlyDictionary<string, double>? Typed(string field, string? typed)
        {
            var of = string.IsNullOrWhiteSpace(typed) ? null : InputContents.Read(typed);
            if (of is null && !string.IsNullOrWhiteSpace(typed))
            {
                fields.Checks.Add($"{at}.{field}", $"“{typed.Trim()}” is not understood.",
                    "Per cents by weight: Ca 22, S 17; oxides as P2O5 12.");
            }

            return of;
        }

        var own = Typed("holds", asked.Holds);
        var first = Typed("firstYear", asked.FirstYear) ?? usual?.FirstYear ?? new Dictionary<string, double>();
        var content = own ?? holds;
        if (content.Count == 0 || content.Values.All(v => v <= 0))
        {
            fields.Checks.Add($"{at}.holds", $"Nothing says what {name} holds.", "Give per cents by weight, from its label: N 13, S 1.5.");
        }

        var price = string.IsNullOrWhiteSpace(asked.Price) ? on?.PricePerKg
            : fields.Quantity($"{at}.price", asked.Price, Dimension.Plain, 0, 1_000_000,
                "What a kilogram costs; 0 where it costs nothing.");
        if (price is null)
        {
            fields.Checks.Add($"{at}.price", $"Nothing says what {name} costs.",
                "Without a price the cheapest can’t be told: give one, or 0.");
        }

        // A gram a litre of mix is 10,000 kg in a layer a metre deep; a litre bears a thousandth of what a hectare does, in grams.
        var most = string.IsNullOrWhiteSpace(asked.Most) ? usual?.MostKgPerHa * (mix ? 10_000 / 1000.0 : 1)
            : fields.Quantity($"{at}.most", asked.Most, Dimension.Plain, 0, 1_000_000, mix ? "g a litre." : "kg a hectare.") * (mix
                ? 10_000 : 1);
        return new InputRead(on?.Id, name, new CorrectionInput {
            Name = name, PricePerKg = price ?? 0, CapKgPerHa = most, Content = content, Release = first.ToDictionary(f => f.Key, f =>
                f.Value),
        }, on?.KgPerL ?? usual?.KgPerL ?? 1, InputContents.Write(content), own is null && label is not null
            ? $"{Percent(label.N)}-{Percent(label.P2O5)}-{Percent(label.K2O)} (N-P₂O₅-K₂O)" : null);
    }

    private static string Percent(double? share) => Say.Number((share ?? 0) * 100);

    private static List<AdviceRead> Advice(SheetAsked r, List<InputRead> inputs, TypedFields fields)
    {
        var advice = new List<AdviceRead>();
        for (var i = 0; i < Math.Min(r.Advice.Count, 20); i++)
        {
            if (string.IsNullOrWhiteSpace(r.Advice[i].Name) && string.IsNullOrWhiteSpace(r.Advice[i].Amount))
            {
                continue;
            }

            var name = fields.Name($"advice[{i}].name", r.Advice[i].Name, "it");
            var kg = fields.Quantity($"advice[{i}].amount", r.Advice[i].Amount, Dimension.Plain, 0, 1_000_000, r.For == SheetOf.Mix
                ? "g a litre."
                : "kg a hectare.") * (r.For == SheetOf.Mix ? 10_000 : 1);
            var known = inputs.FirstOrDefault(x => x.Name.Contains(name, StringComparison.OrdinalIgnoreCase)
                || name.Contains(x.Name, StringComparison.OrdinalIgnoreCase));
            advice.Add(new AdviceRead(name, kg, known is null ? null : kg * known.Ask.PricePerKg!.Value));
        }

        return advice;
    }

    /// <summary>A plant against its bands: nothing is put on by it, but each shortfall wants a choice. Bands are of young leaves.</summary>
    private static SheetAnswer Plant(SheetAsked r, SheetRead read, Dictionary<string, (TargetBand Band, bool Own)> bands,
        (double? AreaM2, IReadOnlyList<AdviceRead> Advice, double? Cost) with)
    {
        List<SheetNutrient> nutrients = [.. read.Lines.Where(l => !l.Of.Property).Select(l =>
            Banded(r, l, bands) is { } b
                ? new SheetNutrient(l, b.Band.Low, b.Band.High, b.Own, null, null,
                    l.MgPerKg is { } have ? Math.Max(0, b.Band.Low!.Value - have) : 0,
                    l.MgPerKg < b.Band.Low ? PlantSays.Why(l) : null, Chosen(r, l.Of.Id), Flag(l, b.Band))
                : new SheetNutrient(l, null, null, false, null, null, 0, null, null, l.Age == LeafAge.Old ? "of old leaves"
                    : Flag(l, null)))];
        return new SheetAnswer(read, nutrients, [], with.AreaM2, null, 0, null, with.Advice, with.Cost, PlantSays.Verdict(r, nutrients));

        static string? Flag(SheetLine line, TargetBand? band) => line.Above
            ? "above the lab’s scale: enough, and how much more nobody knows"
            : line.Below ? "below what the lab can find: half of that is taken" : band is null ? "no band for it: type the lab’s own"
            : line.MgPerKg > band.High ? "more than the band: nothing is gained by more" : null;
    }

    private static WorkingLine Against(SheetAsked r, SheetLine line, (TargetBand Band, bool Own) by)
    {
        var unit = r.For == SheetOf.Sap ? "mg/L" : "mg/kg";
        var (have, low) = (line.MgPerKg!.Value, by.Band.Low!.Value);
        return new WorkingLine(line.Of.Name, "low end of the band − what was found", $"{Say.Number(low)} − {Say.Number(have)}",
            have < low ? $"{Say.Number(low - have)} {unit} short" : "enough", by.Own ? "your own band, or the lab’s"
                : "the house’s band: ranges that advisory tables share, which differ by a third");
    }

    private static ShortfallChoice? Chosen(SheetAsked r, string id) =>
        r.Choices.LastOrDefault(c => Nutrients.Read(c.Of ?? "")?.Of.Id == id)?.Choice;

    private static SheetAnswer Answer((SheetAsked Asked, SheetRead Read, Dictionary<string, (TargetBand Band, bool Own)> Bands) of,
        CorrectionsAnswer? solved, List<InputRead> inputs,
        (double? AreaM2, double? Litres, Worked<LimeAnswer>? Lime, IReadOnlyList<AdviceRead> Advice, double? Cost) with)
    {
        var (r, read, bands) = of;
        List<SheetNutrient> nutrients = [.. read.Lines.Where(l => !l.Of.Property).Select(l => bands.TryGetValue(l.Of.Id, out var b)
            ? new SheetNutrient(l, b.Band.Low, b.Band.High, b.Own, l.Above ? null : solved?.After.GetValueOrDefault(l.Of.Id),
                l.Above ? null : solved?.AfterAll.GetValueOrDefault(l.Of.Id), solved?.Unmet.GetValueOrDefault(l.Of.Id) ?? 0,
                solved?.Why.GetValueOrDefault(l.Of.Id), Chosen(r, l.Of.Id), SheetSays.Flag(l, b.Band))
            : new SheetNutrient(l, null, null, false, null, null, 0, null, null, SheetSays.Flag(l, null)))];
        List<SheetGiven> given = [.. inputs.Select(i => new SheetGiven(i.Id, i.Name, solved?.KgPerHa.GetValueOrDefault(i.Name) ?? 0,
            i.KgPerL,
            i.Ask.PricePerKg!.Value, i.Ask.CapKgPerHa ?? 0, i.Holds, i.Label, SheetSays.WhyNotMore(i, solved, nutrients)))];
        return new SheetAnswer(read, nutrients, given, with.AreaM2, with.Litres, solved?.CostPerHa ?? 0, with.Lime, with.Advice, with.Cost,
            SheetSays.Verdict(r, nutrients, given));
    }
}
