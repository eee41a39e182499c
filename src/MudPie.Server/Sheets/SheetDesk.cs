using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Sheets;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Sheets;

/// <summary>What sheets read of the record, and how their answers are told.</summary>
public sealed class SheetDesk(HoldingDb db, HoldingClock clock)
{
    /// <summary>Kinds of the shelf that can be put on the ground or into a mix.</summary>
    private static readonly string[] Kinds = ["mineral", "organicFeed", "manure", "compost", "castings", "driedSeaweed", "caustic",
        "part", "byproduct", "other"];

    /// <summary>Kinds of the shelf that are tested by the litre: mixes, and what goes into them.</summary>
    public static readonly string[] Tested = ["mix", "compost", "castings", "part", "char", "chargedChar", "byproduct", "manure"];

    /// <summary>What lies on the shelf and could be put on.</summary>
    public async Task<List<ShelfInput>> Shelf() =>
        [.. (await db.Inputs.AsNoTracking().Where(i => Kinds.Contains(i.Kind) && i.UnfitWhy == null)
        .OrderBy(i => i.Name).ToListAsync()).Select(i =>
    {
        var perL = i.Density ?? Materials.For(i.Kind, i.Name)?.KgPerL ?? InputContents.For(i.Name)?.KgPerL;
        return new ShelfInput(i.Id, i.Name, StockKeeper.UnitOf(i) == "kg" ? i.Price : i.Price / (perL ?? 1), perL, i.NShare, i.PShare,
            i.KShare);
    })];

    /// <summary>A sheet worked out.</summary>
    public async Task<Ruling<SheetAnswer>> WorkOut(SheetAsked asked)
    {
        var checks = new Checks();
        double? area = null, litres = null;
        if (asked.For == SheetOf.Bed && asked.BedId is { } bed)
        {
            area = await db.Beds.Where(b => b.Id == bed).Select(b => (double?)b.AreaM2).FirstOrDefaultAsync();
            checks = area is null ? checks.Add("bedId", "That bed is not there any more.", "Choose another, or none.") : checks;
        }

        if (asked.For == SheetOf.Mix && asked.LotId is { } lot)
        {
            litres = await db.Lots.Where(l => l.Id == lot).Select(l => (double?)l.Entries.Sum(e => e.Amount)).FirstOrDefaultAsync();
            checks = litres is null ? checks.Add("lotId", "That lot is not on the shelf any more.", "Choose another, or none.") : checks;
            litres = litres > 0.5 ? litres : null;
        }

        var answer = SheetBench.Of(asked, await Shelf(), area, litres, await clock.Units());
        return checks.Sound ? answer : answer.Refused is { } no ? checks.Add(no).Refusal : checks.Refusal;
    }

    /// <summary>The same, told.</summary>
    public async Task<Ruling<SheetBenchView>> Tell(SheetAsked asked)
    {
        var (units, answer) = (await clock.Units(), await WorkOut(asked));
        return answer.Match<Ruling<SheetBenchView>>(w => w.With(SheetTelling.Of(asked, w.Value, units), ""), no => no);
    }
}

/// <summary>A sheet's answer in the holding's units.</summary>
internal static class SheetTelling
{
    public static SheetBenchView Of(SheetAsked asked, SheetAnswer a, UnitSystem units)
    {
        var properties = a.Read.Lines.Where(l => l.Of.Property && l.Figure is not null)
            .Select(l => $"{l.Of.Name} {Say.Number(l.Figure!.Value)}{Say.Unit(l.Unit)}").ToList();
        if (!a.Read.CecSaid && a.Read.Cec is { } cec)
        {
            properties.Add($"exchange about {Say.Number(cec)} meq/100 g, as the sum of what is on it");
        }

        string Kg(double kg) => Units.Show(kg * 1000, Dimension.Mass, units);
        return new SheetBenchView {
            Verdict = a.Verdict,
            Nutrients = [.. a.Nutrients.Select(n => Nutrient(n, a.Read))],
            Properties = properties.Count > 0 ? string.Join(" · ", properties) : null,
            Given = [.. a.Given.OrderByDescending(g => g.KgPerHa > 0).ThenBy(g => g.Name).Select(g => Given(g, a, units))],
            SizeShown = a.MixL is { } l ? Units.Show(l, Dimension.Volume, units) : Units.Show(a.AreaM2!.Value, Dimension.Area, units),
            CostShown = Say.Money(a.Total(a.CostPerHa)),
            TestCostShown = a.TestCost is { } test ? Say.Money(test) : null,
            Lime = a.Lime is { } lime ? InUnits.Say(lime.Value.Sentence, units) : null,
            LimeInAll = a.Lime is { Value.KgPerHa: >= 1 } of ? Kg(a.Total(of.Value.KgPerHa)) : null,
            Advice = [.. a.Advice.Select(x => new AdviceView(x.Name, a.MixL is null
                ? $"{InUnits.Say($"{Say.Number(x.KgPerHa)} kg/ha", units)}, {Kg(a.Total(x.KgPerHa))} in all"
                : $"{Say.Number(x.KgPerHa / 10_000)} g a litre, {Kg(a.Total(x.KgPerHa))} in all",
                x.CostPerHa is { } cost ? Say.Money(a.Total(cost)) : null))],
        };
    }

    private static SheetNutrientView Nutrient(SheetNutrient n, SheetRead read)
    {
        var (line, extract) = (n.Line, n.Line.Method is Extraction.SaturatedMedia or Extraction.SaturatedPaste);
        // Of an extract, bands are said in mg a litre of it, as labs do.
        var times = extract ? read.Density / read.HeldL : 1;
        string Said(double mg) => Say.Number(mg * times);
        var most = new[] { n.High * 1.35, line.MgPerKg, n.AfterAll }.Max() ?? 1;
        double? At(double? mg) => n.Low is null || mg is null ? null : Math.Round(Math.Clamp(mg.Value / most, 0, 1), 4);
        var stays = n.Short > SoilCorrections.Slack;
        return new SheetNutrientView(line.Of.Id, line.Of.Name, line.Above ? "above the scale"
                : $"{(line.Below ? "< " : "")}{Say.Number(line.Figure!.Value)} {line.Unit}"
                    + (line.How.Length > 0 && !extract && !line.Below ? $" = {Say.Number(line.MgPerKg!.Value)} mg/kg" : ""),
            n.Low is null ? null : $"{Said(n.Low.Value)} to {Said(n.High!.Value)} {(extract ? "mg/L" : "mg/kg")}",
            n.Low is null ? null : Said(n.Low.Value), n.Low is null ? null : Said(n.High!.Value), n.Own, At(line.MgPerKg), At(n.Low),
                At(n.High),
            At(n.After), At(n.AfterAll), stays ? Tone.Mind : Tone.Go, stays ? $"{Said(n.Short)} {(extract ? "mg/L" : "mg/kg")} short"
                : null,
            n.Why, n.Choice, n.Flag);
    }

    private static SheetGivenView Given(SheetGiven g, SheetAnswer a, UnitSystem units)
    {
        string Kg(double kg) => Units.Show(kg * 1000, Dimension.Mass, units);
        var small = a.MixL is null ? g.KgPerHa / 10 : g.KgPerHa / 10_000; // g a m², or g a litre of mix
        var one = a.MixL is null ? small * Per.SpoonedM2(units) : small;
        var spoons = Spoons.InTools(new Litres(one / 1000 / g.KgPerL), units).WithError;
        return new SheetGivenView(g.Name, g.KgPerHa > 0, g.KgPerHa <= 0 ? "none"
            : $"{(a.MixL is null ? Per.Spooned(small, Dimension.Mass, units) : $"{Say.Number(small)} g a litre")} ({spoons})",
            Kg(a.Total(g.KgPerHa)), a.MixL is null ? InUnits.Say($"{Say.Number(g.KgPerHa)} kg/ha", units) : null,
            Say.Money(a.Total(g.KgPerHa * g.PricePerKg)), g.Holds, g.Label, g.WhyNotMore);
    }
}
