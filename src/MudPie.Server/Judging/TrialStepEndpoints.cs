using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Records.PuttingOut;
using MudPie.Records.Shelf;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>Carrying a trial out: what it takes, what was put on, codes opened, ended.</summary>
public static class TrialStepEndpoints
{
    /// <summary>Over the plots' own needs, for what stays in the can.</summary>
    private const double Spare = 0.1;

    /// <summary>What can be done.</summary>
    public static void MapTrialSteps(this IEndpointRouteBuilder api)
    {
        api.MapGet("/judge/trials/{id:int}/amounts", Amounts);
        api.MapPost("/judge/trials/{id:int}/steps", Step);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Step(int id, TrialStepRequest r, HoldingDb db, TrialDesk desk,
        HoldingClock clock, StockKeeper stock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        if (await desk.Find(id, tracked: true) is not { } trial)
        {
            return Refusal.Of("id", "There is no such trial.", "Open it from the list.");
        }

        var fields = new TypedFields(await clock.Units());
        var at = fields.Past("at", r.At, clock.Now);
        var step = fields.OneOf("step", r.Step, "start", "open", "end", "treat");
        if (fields.Checks.Sound && Wrong(trial, step) is { } wrong)
        {
            fields.Checks.Add("step", wrong.Wrong, wrong.WayOut);
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        switch (step)
        {
            case "start":
                (trial.State, trial.StartedAt) = (TrialState.Growing, at);
                Note(trial, at, "started", $"Begun with {trial.Plots.Count} plots.");
                break;
            case "open":
                trial.CodesOpenedAt = at;
                Note(trial, at, "opened", "Codes opened: from here on whoever measures knows.");
                break;
            case "end":
                (trial.State, trial.EndedAt) = (TrialState.Ended, at);
                Note(trial, at, "ended", trial.Blind && trial.CodesOpenedAt is null ? "Ended; codes opened after the last figure."
                    : "Ended.");
                break;
            default:
                return await Treat(trial, r, at, fields, db, clock, stock);
        }

        return Writes.Done(new Kept(id));
    });

    private static (string Wrong, string WayOut)? Wrong(Trial t, string step) => (step, t.State) switch {
        ("start", not TrialState.Planned) => ("It has begun already.", "Go on measuring."),
        ("start", _) when t.Plots.Count == 0 => ("It has no layout yet.", "Draw it first."),
        ("open", not TrialState.Growing) => ("There are no codes to open.", "Codes are shut while a blind trial grows."),
        ("open", _) when t.CodesOpenedAt is not null || !t.Blind => ("They are open already.", "Read the answer."),
        ("end", not TrialState.Growing) =>
            (t.State == TrialState.Ended ? "It has ended already." : "It has not begun.", "Read the answer, or start it."),
        ("treat", TrialState.Ended) => ("It has ended.", "Nothing more goes on."),
        ("treat", _) when t.Plots.Count == 0 => ("It has no layout yet.", "Draw it first."),
        _ => null,
    };

    private static void Note(Trial t, DateTimeOffset at, string kind, string text) =>
        t.Events.Add(new TrialEvent { At = at, Kind = kind, Text = text });

    /// <summary>A treatment went on its plots: it leaves the shelf lot by lot and stands in the book under its beds.</summary>
    private static async Task<Ruling<Kept>> Treat(Trial trial, TrialStepRequest r, DateTimeOffset at, TypedFields fields, HoldingDb db,
        HoldingClock clock, StockKeeper stock)
    {
        if (trial.Treatments.FirstOrDefault(t => t.Id == r.TreatmentId) is not { } treatment)
        {
            return Refusal.Of("treatmentId", "That treatment is not in this trial.", "Choose one from the list.");
        }

        var plots = trial.Plots.Where(p => p.TreatmentId == treatment.Id).ToList();
        var job = Job(trial, treatment, plots, r.Purpose ?? Purpose.Root, at, clock.Now);
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var names = plots.Select(p => p.Place).Distinct().ToList();
        var beds = await db.Beds.Where(b => names.Contains(b.Name)).ToListAsync();
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
        var (count, area) = (plots.Count, plots.Sum(p => p.Length * p.Width));
        var done = trial.Events.Count(e => e.Kind == "treated" && e.Text.StartsWith(t.Name + " put on", StringComparison.Ordinal));
        var litres = t.Input is { } i && StockKeeper.UnitOf(i) == "L";
        string? Product(double amount) => t.RatePerM2 is null || count == 0 ? null : Units.Show(litres || t.Input is null
            ? amount / 1000 : amount, litres || t.Input is null ? Dimension.Volume : Dimension.Mass, units);
        if (count == 0)
        {
            return new AmountLine(t.Id, t.Name, 0, "", t.Input?.Name, null, null, null, null, null, null, false, done, []);
        }

        // The same tank plan as for any other job: the plots are its beds.
        var tank = t.WaterLPerM2 is > 0 and { } water
            ? TankJob.Of(new TankJobQuestion {
                Purpose = Purpose.Root,
                TankL = Math.Clamp(water * area * (1 + Spare), 0.5, 15),
                SpareShare = Spare,
                RateLPerHa = water * 10_000,
                StepDown = false,
                Beds = [.. plots.Select(p => new JobBed { Name = p.Number.ToString(CultureInfo.InvariantCulture),
                    AreaM2 = Math.Max(p.Length * p.Width, 0.1) })],
                Products = t.RatePerM2 is > 0 and { } rate
                    ? [new JobProduct { Name = t.Input?.Name ?? t.Name, Unit = litres || t.Input is null ? "mL" : "g", Basis = "perHa",
                        Rate = rate * 10_000 }] : [],
            })
            : null;
        var inAll = tank is { Refused: null } job && job.Value.Products.Count > 0 ? job.Value.Products[0].Amount : (t.RatePerM2 ?? 0) * area
            * (1 + Spare);
        var left = lots?.Where(l => !l.Unfit).Sum(l => l.Left);
        var need = inAll / 1000;
        return new AmountLine(
            t.Id, t.Name, count, Units.Show(area, Dimension.Area, units), t.Input?.Name, Product((t.RatePerM2 ?? 0) * area / count),
            Product(inAll),
            tank is { Refused: null } ? Units.Show((t.WaterLPerM2 ?? 0) * area / count, Dimension.Volume, units) : null,
            tank is { Refused: null } ? Units.Show(tank.Value.MixL, Dimension.Volume, units) : null, tank is { Refused: null }
                ? tank.Value.LoadCount : null,
            t.Input is null || t.RatePerM2 is null ? null : left is null ? "the shelf keeps no count of it" : left >= need
                ? $"{StockKeeper.Shown(left.Value, StockKeeper.UnitOf(t.Input), units)} on the shelf"
                : $"only {StockKeeper.Shown(left.Value, StockKeeper.UnitOf(t.Input), units)} on the shelf: get more first",
            left < need, done, [.. Warn(t, litres)]);
    }
}
