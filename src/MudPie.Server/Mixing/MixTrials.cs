using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Records.Mixing;
using MudPie.Server.Web;

namespace MudPie.Server.Mixing;

/// <summary>A growth reading beside nitrogen, told.</summary>
/// <param name="WeekShown">"week 3".</param>
/// <param name="Measure">"height".</param>
/// <param name="MeanShown">"12.1 cm, 8 plots".</param>
/// <param name="NitrogenShown">"0.21 g given"; null past the weeks that were looked at.</param>
public sealed record MixGrowthView(string WeekShown, string Measure, string MeanShown, string? NitrogenShown);

/// <summary>A treatment's mix, with what it takes.</summary>
/// <param name="Name">The treatment.</param>
/// <param name="Fills">"8 pots, 24 L + 2.4 L over", as the job itself says it.</param>
/// <param name="Parts">"17 L of coir", "11.3 L of castings".</param>
/// <param name="Nitrogen">Week by week for one pot; null where nothing of it is known.</param>
/// <param name="Growth">Readings so far beside it; none before it is filled in, or while codes are closed.</param>
/// <param name="UnmetSays">Why no growth can stand beside it: it is called like no treatment; null else.</param>
public sealed record TrialMixView(string Name, string Fills, IReadOnlyList<string> Parts, NitrogenOutlookAnswer? Nitrogen,
    IReadOnlyList<MixGrowthView> Growth, string? UnmetSays);

/// <summary>A job of mixing for a trial.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="StateSays">"mixed, to be filled in".</param>
/// <param name="Mixes">One for each treatment.</param>
/// <param name="Minds">What to mind of a mix for a trial, by where it stands.</param>
/// <param name="ClosedSays">Why growth is not shown; null where it is, or where there is none.</param>
public sealed record TrialMixJob(int Id, string Name, string StateSays, IReadOnlyList<TrialMixView> Mixes, string Minds,
    string? ClosedSays);

/// <summary>What the mix bench says for a trial: amounts by treatment, and nitrogen beside growth.</summary>
internal static class MixTrials
{
    /// <summary>Jobs of mixing for a trial, newest first.</summary>
    public static async Task<Results<Ok<List<TrialMixJob>>, Missing>> Of(int trial, HoldingDb db, MixDesk desk, HoldingClock clock)
    {
        if (await db.Trials.AsNoTracking().Include(t => t.Treatments).Include(t => t.Measures).Include(t => t.Plots)
            .FirstOrDefaultAsync(t => t.Id == trial) is not { } of)
        {
            return Problems.NotFound("trial");
        }

        var units = await clock.Units();
        var readings = await db.TrialReadings.ThatStand().AsNoTracking().Where(r => r.TrialId == trial && r.Value != null).ToListAsync();
        var jobs = new List<TrialMixJob>();
        foreach (var job in (await db.Mixes.AsNoTracking().OrderByDescending(m => m.Id).Take(500).ToListAsync())
            .Where(m => m.Asked.TrialId == trial))
        {
            var steps = await desk.Steps(job.Id);
            var question = MixReading.Read(job.Asked, await desk.Known(steps));
            if (question.Refused is null && MixDesk.Bench(question.Value) is { Refused: null } bench)
            {
                jobs.Add(Told(job, (of, readings), (steps, question.Value, bench.Value), units));
            }
        }

        return TypedResults.Ok(jobs);
    }

    private static TrialMixJob Told(MixJob job, (Trial Trial, List<TrialReading> Readings) of,
        (IReadOnlyList<MixStepStands> Steps, MixBenchQuestion Question, MixBenchAnswer Answer) with, UnitSystem units)
    {
        string L(double litres) => Units.Show(litres, Dimension.Volume, units);
        string Over(MixDoes does) => does.OverL > 1e-6 ? $" + {L(does.OverL)} over" : "";
        var filled = with.Steps.LastOrDefault(s => s.Step == MixStep.Filled)?.At;
        // While codes are closed a mean by treatment would open them.
        var closed = of.Trial.Blind && of.Trial.CodesOpenedAt is null && of.Readings.Count > 0;
        List<TrialMixView> mixes = [.. with.Answer.Each.Zip(with.Question.Mixes.Mixes!, (does, mix) => new TrialMixView(does.Mix.Name,
            $"{Say.Count((int)mix.Pots!.Value, with.Question.Into == Filling.Pots ? "pot" : "tray")}, {L(does.PotsL)}{Over(does)}",
            [.. does.Mix.Litres.OrderByDescending(p => p.Value).Select(p => $"{L(p.Value)} of {p.Key}")], does.Nitrogen?.Value,
            filled is null || closed || does.Nitrogen is null ? []
                : [.. Growth(of.Trial, of.Readings, does.Mix.Name, (does.Nitrogen.Value, filled.Value))],
            of.Readings.Count > 0 && !With(of.Trial, does.Mix.Name).Any()
                ? $"No treatment of the trial is called “{does.Mix.Name}”, so no growth stands beside it: name the mix as the treatment."
                : null))];
        var state = MixDeeds.State(with.Steps);
        return new TrialMixJob(job.Id, job.Name, MixDeeds.Told(state), mixes, MixForTrial.Says(state), filled is not null && closed
            ? "Growth stands beside it once the codes are opened." : null);
    }

    /// <summary>The treatments that got this mix: the one of its name, or all that have it as one of their levels ("5 % char" in two
    /// soils).</summary>
    private static IEnumerable<TrialTreatment> With(Trial trial, string name)
    {
        bool Same(string said) => string.Equals(said.Trim(), name.Trim(), StringComparison.OrdinalIgnoreCase);
        return trial.Treatments.Any(t => Same(t.Name)) ? trial.Treatments.Where(t => Same(t.Name))
            : trial.Treatments.Where(t => t.Levels.Any(l => Same(l.Level)));
    }

    private static IEnumerable<MixGrowthView> Growth(Trial trial, List<TrialReading> readings, string name,
        (NitrogenOutlookAnswer Outlook, DateTimeOffset Filled) by)
    {
        var treatments = With(trial, name).Select(t => t.Id).ToHashSet();
        var plots = trial.Plots.Where(p => treatments.Contains(p.TreatmentId)).Select(p => p.Id).ToHashSet();
        foreach (var measure in trial.Measures.OrderBy(m => m.Order))
        {
            foreach (var g in NitrogenBeside.Of(by.Outlook, by.Filled, readings.Where(r => r.MeasureId == measure.Id
                && plots.Contains(r.PlotId)).Select(r => (r.On, r.Value!.Value))))
            {
                yield return new MixGrowthView($"week {Say.Fixed(g.Week, 0)}", measure.Name,
                    $"{Say.Number(g.Mean)}{Say.Unit(measure.Unit)}, {Say.Count(g.Plots, "plot")}", g.NitrogenG is { } n
                        ? $"{Say.Number(Math.Abs(n), 2)} g {(n < 0 ? "robbed" : "given")}"
                            + (g.WantedG is { } want ? $" of {Say.Number(want, 2)} wanted" : "") : null);
            }
        }
    }
}
