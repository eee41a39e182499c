using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Sheets;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Works;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Sheets;

/// <summary>A sheet of a bed that has a result.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="BedId">The bed.</param>
/// <param name="On">When it was sampled.</param>
/// <param name="Asked">As it was typed; of a plant with what stood there then.</param>
/// <param name="Found">As found, against its bands.</param>
public sealed record BedSheet(int Id, string Name, int BedId, DateOnly On, SheetAsked Asked, SheetFound Found);

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
    /// <param name="asked">As typed.</param>
    /// <param name="id">Its own number, where it is kept.</param>
    public async Task<Ruling<SheetAnswer>> WorkOut(SheetAsked asked, int? id = null)
    {
        var checks = new Checks();
        double? area = null, litres = null;
        if (asked.For != SheetOf.Mix && asked.For != SheetOf.Field && asked.BedId is { } bed)
        {
            area = await db.Beds.Where(b => b.Id == bed).Select(b => (double?)b.AreaM2).FirstOrDefaultAsync();
            checks = area is null ? checks.Add("bedId", "That bed is not there any more.", "Choose another, or none.") : checks;
        }

        if (asked.ZoneId is { } zone && !await db.Zones.AnyAsync(z => z.Id == zone && z.BedId == asked.BedId))
        {
            checks.Add("zoneId", "That zone is not in that bed.", "Choose another, or the whole of the bed.");
        }

        if (asked.For == SheetOf.Mix && asked.LotId is { } lot)
        {
            litres = await db.Lots.Where(l => l.Id == lot).Select(l => (double?)l.Entries.Sum(e => e.Amount)).FirstOrDefaultAsync();
            checks = litres is null ? checks.Add("lotId", "That lot is not on the shelf any more.", "Choose another, or none.") : checks;
            litres = litres > 0.5 ? litres : null;
        }

        if (asked.Taken is { } taken && (taken.Year < 1950 || taken > DateOnly.FromDateTime((await clock.Local())(clock.Now).DateTime)))
        {
            checks.Add("taken", "That is no day on which it was sampled.", "Give the day, as 12 Mar 2024; never one to come.");
        }

        if (asked.LabBands.Count > 60 || asked.Choices.Count > 60 || asked.Plant?.Length > 60 || asked.Part?.Length > 60)
        {
            checks.Add("labBands", "That is more than a sheet holds.", "Up to sixty bands and choices, and names of up to 60 letters.");
        }

        var answer = SheetBench.Of(await Planted(asked, await Day(asked, id)), await Shelf(), area, litres, await clock.Units());
        return checks.Sound ? answer : answer.Refused is { } no ? checks.Add(no).Refusal : checks.Refusal;
    }

    /// <summary>A sheet of a plant with what stood there on its day, where the grower does not say.</summary>
    private async Task<SheetAsked> Planted(SheetAsked asked, DateOnly on) => !asked.For.OfPlant() || !string.IsNullOrWhiteSpace(asked.Plant)
        || asked.BedId is null ? asked : asked with {
            Plant = await PlantingBook.CropAt(db, asked.BedId,
            new DateTimeOffset(on.ToDateTime(new TimeOnly(12, 0)), TimeSpan.Zero))
        };

    private async Task<DateOnly> Day(SheetAsked asked, int? id) => asked.Taken ?? (id is { } kept
        ? (await Days(await db.Works.AsNoTracking().Where(w => w.Id == kept).ToListAsync())).Values.Cast<DateOnly?>().FirstOrDefault()
            : null)
            ?? DateOnly.FromDateTime((await clock.Local())(clock.Now).DateTime);

    /// <summary>The day on which each sheet was sampled: as it says itself, else as that was ticked, else when it was begun.</summary>
    public async Task<Dictionary<int, DateOnly>> Days(IReadOnlyList<Work> sheets)
    {
        var ids = sheets.Select(w => w.Id).ToList();
        var sampled = (await db.WorkLog.ThatStand().AsNoTracking().Where(e => ids.Contains(e.WorkId) && e.Step == WorkStep.Sampled)
            .Select(e => new { e.WorkId, e.At }).ToListAsync()).ToLookup(e => e.WorkId, e => (DateTimeOffset?)e.At);
        var local = await clock.Local();
        return sheets.ToDictionary(w => w.Id, w => w.Sheet?.Taken
            ?? DateOnly.FromDateTime(local(sampled[w.Id].Max() ?? w.BegunAt).DateTime));
    }

    /// <summary>The same, told, and held against the sheet before.</summary>
    /// <param name="asked">As typed.</param>
    /// <param name="id">Its own number, where it is kept.</param>
    public async Task<Ruling<SheetBenchView>> Tell(SheetAsked asked, int? id)
    {
        var (units, answer) = (await clock.Units(), await WorkOut(asked, id));
        if (answer.Refused is { } no)
        {
            return no;
        }

        var stray = await Stray(asked.Lab);
        return answer.Worked.With(SheetTelling.Of(asked, answer.Value, units, stray) with {
            Compared = await Before(asked, id, answer.Value,
            stray)
        }, "");
    }

    /// <summary>By how much a lab's figures stray, as a share.</summary>
    public async Task<double> Stray(string? lab)
    {
        var name = (lab ?? "").Trim();
        return name.Length == 0 ? SheetChange.UsualStray
            : (await db.Labs.AsNoTracking().Where(l => l.Name == name).Select(l => (double?)l.Stray).FirstOrDefaultAsync())
                ?? SheetChange.UsualStray;
    }

    /// <summary>Sheets of a bed that have a result and can be read, as found, oldest first.</summary>
    /// <param name="bed">Which; null for all beds.</param>
    public async Task<List<BedSheet>> OfBeds(int? bed)
    {
        var (units, works) = (await clock.Units(), (await db.Works.AsNoTracking().Where(w => w.Kind == WorkKind.Sheet && w.BedId != null
            && (bed == null || w.BedId == bed)).OrderByDescending(w => w.Id).Take(600).ToListAsync())
                .Where(w => w.Sheet is { Rows.Count: > 0 })
            .ToList());
        var days = await Days(works);
        List<BedSheet> sheets = [];
        foreach (var w in works.OrderBy(w => days[w.Id]).ThenBy(w => w.Id))
        {
            var asked = await Planted(w.Sheet!, days[w.Id]);
            if (SheetBench.Found(asked, units) is { Refused: null } found)
            {
                sheets.Add(new BedSheet(w.Id, w.Name, w.BedId!.Value, days[w.Id], asked, found.Value));
            }
        }

        return sheets;
    }

    private async Task<SheetsComparedView?> Before(SheetAsked asked, int? id, SheetAnswer now, double stray)
    {
        if (asked.BedId is not { } bed || !asked.For.OfBed() || now.Read.Lines.Count == 0)
        {
            return null;
        }

        var on = await Day(asked, id);
        var like = (await OfBeds(bed)).Where(s => s.Id != id && s.Asked.For.Said() == asked.For.Said() && s.Asked.ZoneId == asked.ZoneId
            && s.On < on).OrderByDescending(s => s.On).ToList();
        // The newest that compares; where none does, the newest, with why.
        SheetsComparedView? first = null;
        foreach (var s in like.Take(12))
        {
            var told = SheetTelling.Compared(s.Id, s.On, SheetChange.Of((s.Asked, s.Found.Read), (asked, now.Read), stray), asked.For);
            first ??= told;
            if (told.WhyNot is null)
            {
                return told;
            }
        }

        return first;
    }
}

/// <summary>A sheet's answer in the holding's units.</summary>
internal static class SheetTelling
{
    public static SheetBenchView Of(SheetAsked asked, SheetAnswer a, UnitSystem units, double stray)
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
            Nutrients = [.. a.Nutrients.Select(n => Nutrient(n, a.Read, asked))],
            Pairs = [.. PlantSays.Pairs(a.Read.Lines, stray).Select(p => Pair(p, asked.For))],
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

    /// <summary>A sheet's lines; null where they can't be read.</summary>
    public static SheetRead? Read(SheetAsked asked, UnitSystem units)
    {
        var fields = new TypedFields(units);
        return SheetReading.Of(asked, fields) is { } read && fields.Checks.Sound ? read : null;
    }

    /// <summary>Two sheets of one place, told.</summary>
    public static SheetsComparedView Compared(int id, DateOnly on, SheetsCompared c, SheetOf of) => new(id, $"{c.Before}, {Say.Date(on)}",
        [.. c.Changes.Select(x =>
        {
            var (times, unit) = x.Of.Property ? (1, "") : Spoken(of, x.Of.Id, null);
            return new FigureChangeView(Aged(x.Of.Name, of, x.Age), $"{Say.Number(x.Before * times)} to {Say.Number(x.Now * times)}"
                + (unit.Length > 0 ? $" {unit}" : ""), x.Real, x.Sentence);
        })], c.WhyNot);

    private static string Aged(string name, SheetOf of, LeafAge age) => of.OfPlant() && age == LeafAge.Old ? $"{name}, old leaves" : name;

    /// <summary>In what a figure is said: of a dried leaf as labs do, per cent or mg/kg; of an extract in mg a litre of it.</summary>
    private static (double Times, string Unit) Spoken(SheetOf of, string nutrient, double? extract) => of switch {
        SheetOf.Sap => (1, "mg/L"),
        SheetOf.Leaf or SheetOf.Tissue => PlantBands.InPerCent(nutrient) ? (1e-4, "%") : (1, "mg/kg"),
        _ => extract is { } times ? (times, "mg/L") : (1, "mg/kg"),
    };

    /// <summary>A figure as the sheet has it, and what it comes to: "0.25 meq/100 g = 98 mg/kg", "&lt; 0.5 mg/kg", "2.4 %".</summary>
    public static string Shown(SheetLine line, SheetOf of)
    {
        var (times, unit) = Spoken(of, line.Of.Id, null);
        var extract = line.Method is Extraction.SaturatedMedia or Extraction.SaturatedPaste && !of.OfPlant();
        return line.Above ? "above the scale" : $"{(line.Below ? "< " : "")}{Say.Number(line.Figure!.Value)} {line.Unit}"
            + (line.How.Length > 0 && !extract && !line.Below && line.Unit != unit ? $" = {Say.Number(line.MgPerKg!.Value * times)} {unit}"
                : "");
    }

    private static LeafPairView Pair(OldAndYoung p, SheetOf of)
    {
        var (times, unit) = Spoken(of, p.Of.Id, null);
        return new LeafPairView(p.Of.Name, $"{Say.Number(p.Young * times)} in young leaves, {Say.Number(p.Old * times)} {unit} in old",
            p.Tone,
            p.Sentence);
    }

    private static SheetNutrientView Nutrient(SheetNutrient n, SheetRead read, SheetAsked asked)
    {
        var (line, extract) = (n.Line, n.Line.Method is Extraction.SaturatedMedia or Extraction.SaturatedPaste && !asked.For.OfPlant());
        // Of an extract, bands are said in mg a litre of it, as labs do.
        var (times, unit) = Spoken(asked.For, line.Of.Id, extract ? read.Density / read.HeldL : null);
        string Said(double mg) => Say.Number(mg * times);
        var most = new[] { n.High * 1.35, line.MgPerKg, n.AfterAll }.Max() ?? 1;
        double? At(double? mg) => n.Low is null || mg is null ? null : Math.Round(Math.Clamp(mg.Value / most, 0, 1), 4);
        var stays = n.Short > SoilCorrections.Slack;
        var lab = asked.LabBands.FirstOrDefault(b => Nutrients.Read(b.Of ?? "")?.Of.Id == line.Of.Id);
        var back = asked.Choices.LastOrDefault(c => Nutrients.Read(c.Of ?? "")?.Of.Id == line.Of.Id)?.Back;
        return new SheetNutrientView(line.Of.Id, Aged(line.Of.Name, asked.For, line.Age), Shown(line, asked.For),
            n.Low is null ? null : $"{Said(n.Low.Value)} to {Said(n.High!.Value)} {unit}",
            n.Low is null ? null : Said(n.Low.Value), n.Low is null ? null : Said(n.High!.Value), n.Own, At(line.MgPerKg), At(n.Low),
                At(n.High),
            At(n.After), At(n.AfterAll), stays ? Tone.Mind : Tone.Go, stays ? $"{Said(n.Short)} {unit} short"
                : null,
            n.Why, n.Choice, n.Flag, asked.For.OfPlant() ? line.Age : null, lab is null || line.Age == LeafAge.Old ? null
                : $"{lab.Low} to {lab.High}{(lab.Unit is { Length: > 0 } of ? $" {of}" : "")}", back is { } day ? Say.Date(day) : null,
                    back);
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
