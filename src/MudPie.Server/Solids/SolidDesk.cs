using Microsoft.EntityFrameworkCore;
using MudPie.Core.Book;
using MudPie.Core.Brewing;
using MudPie.Core.Mixing;
using MudPie.Core.Shelf;
using MudPie.Core.Solids;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Records.Shelf;
using MudPie.Server.Lots;
using MudPie.Server.Mixing;
using MudPie.Server.Web;

namespace MudPie.Server.Solids;

/// <summary>A job with a solid, with all that hangs on it.</summary>
public sealed record SolidReady(Worked<SolidView> Worked, SpreadAnswer Answer, string Name, string Kind, IReadOnlyList<Bed> Beds,
    Input? Input, double Amount, DrawAnswer? Draw);

/// <summary>What solids read of the record: the shelf, the beds, what failed its gate.</summary>
public sealed class SolidDesk(HoldingDb db, HoldingClock clock, StockKeeper stock, HeapDesk heaps)
{
    /// <summary>Kinds of the shelf that are put out as they lie, by group.</summary>
    public static readonly IReadOnlyDictionary<string, string> Kinds = new Dictionary<string, string> {
        ["compost"] = "composts", ["castings"] = "composts", ["manure"] = "composts", ["byproduct"] = "composts",
        ["char"] = "char and mixes", ["chargedChar"] = "char and mixes", ["part"] = "char and mixes", ["mix"] = "char and mixes",
        ["mineral"] = "minerals and feeds", ["organicFeed"] = "minerals and feeds", ["caustic"] = "minerals and feeds",
        ["driedSeaweed"] = "minerals and feeds", ["other"] = "minerals and feeds",
    };

    /// <summary>The job worked out, or what is wrong with it.</summary>
    public async Task<Ruling<SolidReady>> Read(SpreadAsked r, DateTimeOffset at)
    {
        var (units, checks) = (await clock.Units(), new Checks());
        var input = r.InputId is { } id ? await db.Inputs.AsNoTracking().FirstOrDefaultAsync(i => i.Id == id) : null;
        if (r.InputId is not null && (input is null || !Kinds.ContainsKey(input.Kind)))
        {
            return Refusal.Of("inputId", input is null ? "That is not on the shelf any more." : $"{input.Name} does not go out as it lies.",
                input is null ? "Choose another." : "Put it into a tank.");
        }

        var ids = r.BedIds.Distinct().ToList();
        var beds = await db.Beds.AsNoTracking().Where(b => ids.Contains(b.Id)).OrderBy(b => b.Id).ToListAsync();
        if (beds.Count < ids.Count)
        {
            return Refusal.Of("beds", "One of those beds is not there.", "Choose from the plan.");
        }

        var ruling = SpreadBench.Of(r, input is null ? null : new Solid(input.Name, input.Kind, input.Density,
            StockKeeper.UnitOf(input) == "kg", input.Price, input.NShare), [.. beds.Select(b => new SolidBed(b.Id, b.Name, b.AreaM2,
                b.Eaten != Eaten.Nothing))], await heaps.Table(), units);
        if (ruling.Refused is { } no)
        {
            return no;
        }

        var (a, name) = (ruling.Value, input?.Name ?? r.What!.Trim());
        var view = SolidTelling.Of(r, a, name, units);
        var unit = input is null ? "L" : StockKeeper.UnitOf(input);
        var amount = unit == "kg" ? a.Kg : a.Litres;
        var draw = input is not null && await db.Lots.AnyAsync(l => l.InputId == input.Id) ? await stock.Plan(input.Id, amount, at) : null;
        view = view with {
            Lots = [.. (draw?.Draws ?? []).Select(d => $"{StockKeeper.Shown(d.Amount, unit, units)} of {d.Mark}")],
            ShortShown = draw is { Short: > 1e-6 } ? StockKeeper.Shown(draw.Short, unit, units) : null,
            Unfit = input is null ? null : await Unfit(input),
        };
        var kind = input?.Kind ?? (a.Material?.Id is "cattle" or "hen" ? "manure" : "other");
        return ruling.Worked.With(new SolidReady(ruling.Worked.With(view, "L"), a, name, kind, beds, input, amount, draw), "");
    }

    /// <summary>Whether a lot fails a gate at all, told without asking further.</summary>
    public static bool Fails(Input input, StockLot lot, bool unfit, DateTimeOffset now) => unfit || lot.Expires < now
        || input.Kind == "byproduct" || Reasons(input, lot, null, now).Any();

    /// <summary>Why an input is not fit, by its own words or its gate; null where it is.</summary>
    public async Task<string?> Unfit(Input input)
    {
        if (input.UnfitWhy is { } own)
        {
            return own;
        }

        var answers = await db.SourceChecks.Newest().AsNoTracking().Where(c => c.InputId == input.Id).Select(c => c.Answers)
            .FirstOrDefaultAsync();
        return answers is not null && SourceGate.Judge(answers) is { Refused: null, Value.Fitness: SourceFitness.Unfit } no
            ? no.Value.Reasons[0] : null;
    }

    /// <summary>What a lot that fails a gate may still do; null where it fails none.</summary>
    public async Task<SecondView?> Second(StockLot lot)
    {
        var input = lot.Input;
        var answers = await db.SourceChecks.Newest().AsNoTracking().Where(c => c.InputId == input.Id).Select(c => c.Answers)
            .FirstOrDefaultAsync();
        List<FailWhy> why = [.. Reasons(input, lot, answers, clock.Now)];
        if (input.Kind == "byproduct"
            && (await db.Works.AsNoTracking().Where(w => w.LotId == lot.Id).ToListAsync()).All(w => !(w.Sheet?.Rows.Count > 0)))
        {
            why.Add(FailWhy.Salty);
        }

        return why.Count == 0 ? null : new SecondView(Say.List([.. why.Distinct().Select(SecondBest.Said)]), SecondBest.Of(
            new SecondQuestion(input.Name, input.Kind, why, await Beds(), clock.Now)));
    }

    /// <summary>The same for a brew whose life is gone.</summary>
    public async Task<SecondView> Flat(string name) => new(SecondBest.Said(FailWhy.FlatBrew), SecondBest.Of(new SecondQuestion(name, "brew",
        [FailWhy.FlatBrew], await Beds(), clock.Now)));

    private async Task<List<SecondBed>> Beds() => [.. (await db.Beds.AsNoTracking().OrderBy(b => b.Id).Take(200).ToListAsync())
        .Select(b => new SecondBed(b.Name, b.Growing is "tree" or "perennial", b.Eaten != Eaten.Nothing))];

    private static IEnumerable<FailWhy> Reasons(Input input, StockLot lot, SourceAnswers? a, DateTimeOffset now)
    {
        if (a?.Manure == "raw" || (a?.Manure == "composted" && a.HeatRecord != "kept"))
        {
            yield return FailWhy.RawManure;
        }

        if (a?.Diseased == "yes")
        {
            yield return FailWhy.Diseased;
        }

        if (a?.HeatsWhenTurned == "yes")
        {
            yield return FailWhy.Unfinished;
        }

        if (a?.Smell >= Smell.Sour)
        {
            yield return FailWhy.Airless;
        }

        if (input.UnfitWhy is { } words)
        {
            yield return SecondBest.InWords(words);
        }

        if (Materials.RawChar(input.Kind, input.Name))
        {
            yield return FailWhy.RawChar;
        }

        if (input.Kind is "part" or "other" && Materials.For(null, input.Name)?.Id == "grounds")
        {
            yield return FailWhy.RawGrounds;
        }

        if (lot.Expires < now)
        {
            yield return FailWhy.PastDate;
        }
    }
}
