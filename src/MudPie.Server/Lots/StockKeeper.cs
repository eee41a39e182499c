using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Shelf;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Records.Shelf;
using MudPie.Server.Web;

namespace MudPie.Server.Lots;

/// <summary>What is left of each lot, and taking from it.</summary>
public sealed class StockKeeper(HoldingDb db, HoldingClock clock)
{
    /// <summary>Gives back to its lots what a job took, where it was put right or never happened.</summary>
    public async Task GiveBack(int applicationId, DateTimeOffset now, string why)
    {
        var used = await db.StockEntries.AsNoTracking().Where(e => e.ApplicationId == applicationId && e.Reason == StockReason.Used)
            .Select(e => new { e.LotId, e.Amount }).ToListAsync();
        foreach (var change in StockDeeds.GiveBack(used.Select(u => (u.LotId, u.Amount)), why))
        {
            var entry = StockEntry.Of(change, now, now);
            entry.ApplicationId = applicationId;
            db.StockEntries.Add(entry);
        }

        await db.SaveChangesAsync();
    }

    /// <summary>Lots by input, with what is left of each; judged unfit where its source was.</summary>
    public async Task<Dictionary<int, IReadOnlyList<LotStanding>>> Standing(IReadOnlyCollection<int>? inputs = null)
    {
        var asked = db.SourceChecks.Newest();
        var rows = await db.Lots.AsNoTracking().Where(l => inputs == null || inputs.Contains(l.InputId))
            .Select(l => new {
                l.Id, l.InputId, l.Mark, l.From, l.Expires, Left = l.Entries.Sum(e => e.Amount),
                Unfit = l.Input.UnfitWhy != null, Answers = asked.Where(c => c.InputId == l.InputId).Select(c => c.Answers)
                    .FirstOrDefault()
            })
            .ToListAsync();
        bool Unfit(SourceAnswers? answers) => answers is not null && SourceGate.Judge(answers) is { Refused: null } r
            && r.Value.Fitness == SourceFitness.Unfit;
        return rows.GroupBy(r => r.InputId)
            .ToDictionary(g => g.Key,
                g => (IReadOnlyList<LotStanding>)
                    [.. g.Select(r => new LotStanding(r.Id, r.Mark, r.Left, r.From, r.Expires, r.Unfit || Unfit(r.Answers)))]);
    }

    /// <summary>What would be taken of an input, oldest good lot first, after what is taken already for the same job: a plan never takes
    /// more than there is.</summary>
    /// <param name="inputId">Which input.</param>
    /// <param name="amount">In its unit.</param>
    /// <param name="on">The day of use.</param>
    /// <param name="taken">What the same job takes of each lot so far; what this takes is added.</param>
    public async Task<DrawAnswer> PlanAfter(int inputId, double amount, DateTimeOffset on, Dictionary<int, double> taken)
    {
        var lots = (await Standing([inputId])).GetValueOrDefault(inputId) ?? [];
        var draw = Stock.Take([.. lots.Select(l => l with { Left = l.Left - taken.GetValueOrDefault(l.Id) })], amount, on).Value;
        foreach (var d in draw.Draws)
        {
            taken[d.LotId] = taken.GetValueOrDefault(d.LotId) + d.Amount;
        }

        return draw;
    }

    /// <summary>Writes a use that has happened, whatever the book says. What it is short of is used from the newest lot, and an entry of
    /// its own says that there was more: the book stands at nought, and asks to be counted. To be called within a write.</summary>
    /// <returns>The entries of the use, and what was taken of which lot.</returns>
    public async Task<(IReadOnlyList<StockEntry> Entries, IReadOnlyList<Draw> Draws)> WriteUse(int inputId, DrawAnswer taken,
        DateTimeOffset at, string? note = null)
    {
        var newest = await db.Lots.Where(l => l.InputId == inputId).OrderByDescending(l => l.From).ThenByDescending(l => l.Id)
            .Select(l => new { l.Id, l.Mark }).FirstOrDefaultAsync();
        var (draws, changes) = StockDeeds.Use(taken, newest is null ? null : (newest.Id, newest.Mark), note);
        var entries = changes.Select(c => StockEntry.Of(c, at, clock.Now)).ToList();
        db.StockEntries.AddRange(entries);
        return ([.. entries.Where(e => e.Reason == StockReason.Used)], draws);
    }

    /// <summary>What would be taken of an input, oldest good lot first.</summary>
    public async Task<DrawAnswer> Plan(int inputId, double amount, DateTimeOffset on) =>
        Stock.Take((await Standing([inputId])).GetValueOrDefault(inputId) ?? [], amount, on).Value;

    /// <summary>A batch has begun: its source and foods leave the shelf. What the shelf's book is short of is said in words, and the brew
    /// goes on.</summary>
    public async Task<IReadOnlyList<string>> Brew(Batch batch, DateTimeOffset at)
    {
        var brew = batch.Brew;
        var inputs = await db.Inputs.AsNoTracking().Where(i => i.UnfitWhy == null).OrderBy(i => i.Id).ToListAsync();
        var wants = (brew.Foods ?? []).Select(f =>
            (f.Kind, Litres: (f.Ml ?? 0) / 1000, Input: inputs.FirstOrDefault(i => i.Kind == f.Kind)))
            .Concat((brew.Sources ?? []).Select(s =>
                (s.Kind, Litres: s.Litres ?? 0, Input: inputs.FirstOrDefault(i => i.Id == batch.SourceInputId && i.Kind == s.Kind)
                    ?? inputs.FirstOrDefault(i => i.Kind == s.Kind))));
        var shorts = new List<string>();
        foreach (var (kind, litres, input) in wants.Where(w => w.Input is not null && w.Litres > 0))
        {
            if (!await db.Lots.AnyAsync(l => l.InputId == input!.Id))
            {
                continue; // never counted: the shelf keeps no book of it
            }

            var amount = InUnit(input!, litres, kind!);
            var taken = await Plan(input!.Id, amount, at);
            foreach (var change in StockDeeds.Take(taken.Draws, StockReason.Brew))
            {
                var entry = StockEntry.Of(change, at, clock.Now);
                entry.BatchId = batch.Id;
                db.StockEntries.Add(entry);
            }

            if (taken.Short > 0)
            {
                shorts.Add($"the shelf's book is short of {Shown(taken.Short, UnitOf(input), await clock.Units())} of {input.Name}: count "
                    + "it");
            }
        }

        return shorts;
    }

    /// <summary>"L" or "kg".</summary>
    public static string UnitOf(Input input) => input.Unit ?? InputKinds.Of(input.Kind).Unit;

    /// <summary>Litres of a thing in the unit of its lots.</summary>
    public static double InUnit(Input input, double litres, string kind) =>
        UnitOf(input) == "L" ? litres : litres * (input.Density ?? Ingredients.Foods.FirstOrDefault(f => f.Kind == kind)?.GPerMl ?? 1);

    /// <summary>An amount of a lot, in words.</summary>
    public static string Shown(double amount, string unit, Core.Measures.UnitSystem units) =>
        unit == "L" ? Core.Measures.Units.Show(amount, Core.Measures.Dimension.Volume, units) : Core.Measures.Units.Show(amount * 1000,
            Core.Measures.Dimension.Mass, units);
}
