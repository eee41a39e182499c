using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Records.PuttingOut;
using MudPie.Server.Lots;
using MudPie.Server.PuttingOut;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>Carrying a trial out: what it takes, what was put on, codes opened, ended.</summary>
public static class TrialStepEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapTrialSteps(this IEndpointRouteBuilder api)
    {
        api.MapGet("/judge/trials/{id:int}/amounts", Amounts).ForVisitor("What it takes to put each treatment on.");
        api.MapPost("/judge/trials/{id:int}/steps", Step).ForHand("Begun, put on, codes opened, ended.");
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Step(int id, TrialStepRequest r, HoldingDb db, TrialDesk desk,
        HoldingClock clock, StockKeeper stock, TankMixing mixes, Writes writes) => writes.Do<Kept>(async () =>
    {
        if (await desk.Find(id, tracked: true) is not { } trial)
        {
            return Refusal.Of("id", "There is no such trial.", "Open it from the list.");
        }

        var fields = new TypedFields(await clock.Units());
        var at = fields.Past("at", r.At, clock.Now);
        var step = fields.OneOf("step", r.Step, [.. TrialDeeds.Steps]);
        var deed = TrialDeeds.Step(new TrialStands(trial.State, trial.Blind, trial.CodesOpenedAt is not null, trial.Plots.Count), step);
        if (fields.Checks.Sound && deed.Refused is { } refused)
        {
            fields.Checks.Add(refused);
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        if (step == "treat")
        {
            return await Treat(trial, r, at, db, clock, stock, mixes);
        }

        var done = deed.Value;
        (trial.State, trial.StartedAt, trial.CodesOpenedAt, trial.EndedAt) = (done.State, done.Kind == "started" ? at : trial.StartedAt,
            done.Kind == "opened" ? at : trial.CodesOpenedAt, done.Kind == "ended" ? at : trial.EndedAt);
        Note(trial, at, done.Kind, done.Text);
        return Writes.Done(new Kept(id));
    });

    private static void Note(Trial t, DateTimeOffset at, string kind, string text) =>
        t.Events.Add(new TrialEvent { At = at, Kind = kind, Text = text });

    /// <summary>A treatment went on its plots: it leaves the shelf lot by lot and stands in the book under its beds.</summary>
    private static async Task<Ruling<Kept>> Treat(Trial trial, TrialStepRequest r, DateTimeOffset at, HoldingDb db,
        HoldingClock clock, StockKeeper stock, TankMixing mixes)
    {
        if (trial.Treatments.FirstOrDefault(t => t.Id == r.TreatmentId) is not { } treatment)
        {
            return Refusal.Of("treatmentId", "That treatment is not in this trial.", "Choose one from the list.");
        }

        var plots = trial.Plots.Where(p => p.TreatmentId == treatment.Id).ToList();
        var job = Job(trial, treatment, plots, r.Purpose ?? Purpose.Root, at, clock.Now);
        var names = plots.Select(p => p.Place).Distinct().ToList();
        var beds = await db.Beds.Where(b => names.Contains(b.Name)).ToListAsync();
        // The cautions stand beside the button, and what the shelf is short of is said afterwards: plots can't wait for a count.
        var mixing = treatment.Input is null ? null : (await mixes.Alone(treatment.Input, null, [.. beds.Select(b => b.Id)], at)).Mixing;
        var gate = PutOutDeeds.Keep(new JobStands(null, null, mixing, [], []), new JobSaid(null, r.MixWhy, []));
        if (gate.Refused is { } no)
        {
            return no;
        }

        job.MixWhy = gate.Value.MixWhy;
        job.Beds.AddRange(beds.Select(b => new ApplicationBed {
            Bed = b, TeaL = 0,
            TotalL = (treatment.WaterLPerM2 ?? 0) * plots.Where(p => p.Place == b.Name).Sum(p => p.Length * p.Width)
        }));
        var amount = (treatment.RatePerM2 ?? 0) * plots.Sum(p => p.Length * p.Width) / 1000;
        var said = $"{treatment.Name} put on {plots.Count} plots.";
        if (treatment.Input is { } input && amount > 0)
        {
            var (unit, inUnit) = (StockKeeper.UnitOf(input), amount);
            var taken = await stock.Plan(input.Id, inUnit, at);
            var counted = await db.Lots.AnyAsync(l => l.InputId == input.Id);
            var (entries, draws) = counted ? await stock.WriteUse(input.Id, taken, at, $"trial {trial.Id}") : ([], []);
            job.Items.AddRange(draws.Select(d => new ApplicationItem {
                InputId = input.Id, LotId = d.LotId, Name = input.Name, Lot = d.Mark,
                Kind = input.Kind, Amount = d.Amount, Unit = unit
            }));
            if (taken.Short > 0)
            {
                if (!counted)
                {
                    job.Items.Add(new ApplicationItem {
                        InputId = input.Id, Name = input.Name, Kind = input.Kind, Amount = taken.Short,
                        Unit = unit
                    });
                }

                said += $" The shelf’s book is short of {StockKeeper.Shown(taken.Short, unit, await clock.Units())}: count it.";
            }

            db.Applications.Add(job);
            await db.SaveChangesAsync();
            foreach (var entry in entries)
            {
                entry.ApplicationId = job.Id;
            }
        }
        else if (job.WaterL > 0 || beds.Count > 0)
        {
            job.Items.Add(new ApplicationItem { Name = treatment.Name, Kind = "other", Amount = 0, Unit = "L" });
            db.Applications.Add(job);
        }

        Note(trial, at, "treated", said);
        return Writes.Done(new Kept(trial.Id));
    }

    private static Application Job(Trial trial, TrialTreatment treatment, List<TrialPlot> plots, Purpose purpose, DateTimeOffset at,
        DateTimeOffset now) => new Application {
            At = at,
            RecordedAt = now,
            Purpose = purpose,
            Dilution = "",
            Tool = "by hand, plot by plot",
            TankL = 0,
            Fitness = "none",
            CautionsSeen = treatment.Input is null
            ? "" : string.Join(' ', Warn(treatment, StockKeeper.UnitOf(treatment.Input) == "L").Select(c => c.Id)),
            WaterL = (treatment.WaterLPerM2 ?? 0) * plots.Sum(p => p.Length * p.Width),
            Why = $"trial: {trial.Question}",
        };

    private static async Task<Results<Ok<List<AmountLine>>, Missing>> Amounts(int id, TrialDesk desk, HoldingClock clock, StockKeeper stock)
    {
        if (await desk.Find(id) is not { } trial)
        {
            return Problems.NotFound("trial");
        }

        var units = await clock.Units();
        var standing = await stock.Standing([.. trial.Treatments.Select(t => t.InputId).OfType<int>()]);
        return TypedResults.Ok(trial.Treatments.Select(t => Line(trial, t, units, standing.GetValueOrDefault(t.InputId ?? 0))).ToList());
    }

    /// <summary>The usual cautions for putting it on.</summary>
    private static IEnumerable<Caution> Warn(TrialTreatment t, bool litres)
    {
        if (t.Input is not null && t.RatePerM2 > 0)
        {
            yield return litres || t.WaterLPerM2 > 0 ? Cautions.Spraying : Cautions.Dust;
            yield return Cautions.RunOff;
        }
    }

    private static AmountLine Line(Trial trial, TrialTreatment t, UnitSystem units, IReadOnlyList<Core.Shelf.LotStanding>? lots)
    {
        var plots = trial.Plots.Where(p => p.TreatmentId == t.Id).ToList();
        var count = plots.Count;
        var done = trial.Events.Count(e => e.Kind == "treated" && e.Text.StartsWith(t.Name + " put on", StringComparison.Ordinal));
        var litres = t.Input is { } i && StockKeeper.UnitOf(i) == "L";
        string? Product(double? amount) => amount is not { } x || t.RatePerM2 is null ? null : litres || t.Input is null
            ? Units.Show(x / 1000, Dimension.Volume, units) : Units.Show(x, Dimension.Mass, units);
        string? Water(double? amount) => amount is { } x ? Units.Show(x, Dimension.Volume, units) : null;
        if (count == 0)
        {
            return new AmountLine(t.Id, t.Name, 0, "", t.Input?.Name, null, null, null, null, null, null, false, done, []);
        }

        var takes = TrialAmounts.Of(t.RatePerM2, t.WaterLPerM2, [.. plots.Select(p => new SquareMetres(p.Length * p.Width))]);
        var left = lots?.Where(l => !l.Unfit).Sum(l => l.Left);
        var need = (takes.InAll ?? 0) / 1000;
        return new AmountLine(
            t.Id, t.Name, count, Units.Show(takes.AreaM2, Dimension.Area, units), t.Input?.Name, Product(takes.PerPlot),
            Product(takes.InAll), Water(takes.WaterPerPlotL), Water(takes.MixL), takes.Loads,
            t.Input is null || t.RatePerM2 is null ? null : left is null ? "the shelf keeps no count of it" : left >= need
                ? $"{StockKeeper.Shown(left.Value, StockKeeper.UnitOf(t.Input), units)} on the shelf"
                : $"only {StockKeeper.Shown(left.Value, StockKeeper.UnitOf(t.Input), units)} on the shelf: get more first",
            left < need, done, [.. Warn(t, litres)]);
    }
}
