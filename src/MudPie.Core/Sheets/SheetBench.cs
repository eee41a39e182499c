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
        var inputs = r.For.OfPlant() ? [] : SheetInputs.Read(r, shelf, fields);
        var read = SheetReading.Of(r, fields);
        if (read is null)
        {
            return fields.Checks.Refusal;
        }

        var bands = Bands(r, read, fields);
        var lime = Liming.Of(r, read, fields);
        var advice = SheetInputs.Advice(r, inputs, fields);
        var cost = fields.Optional("cost", r.Cost, Dimension.Plain, 0, 1_000_000, "In the holding’s own money.");
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        if (r.For.OfPlant())
        {
            return Worked.Of(PlantSheet.Of(r, read, bands, (area, advice, cost)), r.For == SheetOf.Sap ? "mg/L" : "mg/kg",
                r.For == SheetOf.Sap ? Evidence.PractitionersRule : Evidence.PublishedTrials, [.. read.Lines
                    .Where(l => l.How.Length > 0 && l.MgPerKg is not null).Select(l => new WorkingLine(l.Of.Name, $"{l.Unit} {l.How}",
                        Say.Number(l.Figure!.Value), $"{Say.Number(l.MgPerKg!.Value)} mg/kg", "conversion of units")),
                    .. read.Lines.Where(l => l.MgPerKg is not null && Banded(r, l, bands) is not null).Select(l => PlantSheet.Against(r, l,
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
    internal static (TargetBand Band, bool Own)? Banded(SheetAsked r, SheetLine line, Dictionary<string, (TargetBand, bool)> bands) =>
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

    internal static ShortfallChoice? Chosen(SheetAsked r, string id) =>
        r.Choices.LastOrDefault(c => Nutrients.Read(c.Of ?? "")?.Of.Id == id)?.Choice;

    private static SheetAnswer Answer((SheetAsked Asked, SheetRead Read, Dictionary<string, (TargetBand Band, bool Own)> Bands) of,
        CorrectionsAnswer? solved, List<SheetInputs.InputRead> inputs,
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
