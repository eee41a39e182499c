using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Records.Shelf;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>Reads a trial and its figures, and puts the question to the core.</summary>
public sealed class TrialDesk(HoldingDb db)
{
    /// <summary>The trial with all that belongs to it, or null.</summary>
    public Task<Trial?> Find(int id, bool tracked = false)
    {
        var trials = db.Trials.Include(t => t.Treatments.OrderBy(x => x.Order)).ThenInclude(t => t.Input)
            .Include(t => t.Plots.OrderBy(p => p.Number)).ThenInclude(p => p.Treatment).Include(t => t.Measures.OrderBy(m => m.Order))
            .Include(t => t.Events).AsSplitQuery();
        return (tracked ? trials : trials.AsNoTracking()).FirstOrDefaultAsync(t => t.Id == id);
    }

    /// <summary>Figures that stand: those that no later one puts right.</summary>
    public Task<List<TrialReading>> Standing(int trialId) =>
        db.TrialReadings.ThatStand().AsNoTracking().Where(r => r.TrialId == trialId).ToListAsync();

    /// <summary>A treatment by its levels, each closed off: "tea, 1:5".</summary>
    public static string Name(TrialTreatment t) => string.Join(", ", Levels(t));

    /// <summary>A treatment's levels.</summary>
    public static IReadOnlyList<string> Levels(TrialTreatment t) => [.. t.Levels.Select(l => l.Level)];

    /// <summary>Places.</summary>
    public static IReadOnlyList<LayoutPlace> Places(Trial t) => t.Places;

    /// <summary>True while whoever measures must not know.</summary>
    public static bool Shut(Trial t) => t.Blind && t.State == TrialState.Growing && t.CodesOpenedAt is null;

    /// <summary>The question to the core: several dates made one figure a plot.</summary>
    /// <param name="t">The trial.</param>
    /// <param name="m">The measure.</param>
    /// <param name="all">Figures that stand.</param>
    /// <param name="on">One date only; null for the measure's own way.</param>
    /// <param name="stop">Ends a long sum when whoever asked has gone.</param>
    public static TrialQuestion Ask(Trial t, TrialMeasure m, IReadOnlyList<TrialReading> all, DateTimeOffset? on = null,
        CancellationToken stop = default)
    {
        var factors = t.Factors;
        var mine = all.Where(r => r.MeasureId == m.Id).ToLookup(r => r.PlotId);
        List<DateTimeOffset> dates = [.. all.Where(r => r.MeasureId == m.Id).Select(r => r.On).Distinct().Order()];
        var water = t.Liquid ? t.Treatments.FirstOrDefault(x => x.Role == TrialRole.Water) : null;
        var against = water ?? t.Treatments.FirstOrDefault(x => x.Role == TrialRole.Control) ?? t.Treatments[0];
        var main = m.Order == 0;
        return new TrialQuestion {
            Response = m.Name,
            Stop = stop,
            Unit = m.Unit,
            Design = t.Design == Design.Pair
                ? (t.Plots.Select(p => p.Block).Distinct().Count() > 1 ? Design.Paired : Design.Random) : t.Design,
            Factors = factors,
            Kind = m.Dates == "half" ? Scale.Amount : m.Kind,
            LowerIsBetter = m.Dates == "half" || m.LowerIsBetter,
            Control = string.Join(", ", Levels(against)),
            Conditions = Conditions(t, factors),
            Bystanders = water is null
                ? [] : [.. t.Treatments.Where(x => x.Role == TrialRole.Control).Select(x => string.Join(", ", Levels(x)))],
            WorthHaving = main ? t.WorthHaving : null,
            Looked = Math.Max(1, all.Where(r => r.Value is not null).Select(r => r.MeasureId).Distinct().Count()
                + (on is null ? 0 : dates.Count - 1)),
            Rows = [.. t.Plots.OrderBy(p => p.Number).Select(p => Row(p, m, mine[p.Id].ToList(), dates, on))],
        };
    }

    /// <summary>Factors that only say where a thing is tried.</summary>
    private static List<string> Conditions(Trial t, IReadOnlyList<string> factors) =>
        [.. TrialSettings.Of(factors, [.. t.Treatments.Select(Levels)],
            [.. t.Treatments.Where(x => x.Role == TrialRole.Control).Select(Levels)])];

    /// <summary>Levels of what a trial compares; the rest is averaged over.</summary>
    public static int Compared(Trial t) => TrialSettings.Compared(t.Factors, [.. t.Treatments.Select(Levels)], Conditions(t, t.Factors));

    private static TrialRow Row(TrialPlot p, TrialMeasure m, List<TrialReading> readings, List<DateTimeOffset> dates, DateTimeOffset? on)
    {
        var row = new TrialRow { Plot = $"plot {p.Number}", Levels = Levels(p.Treatment), Block = p.Block, WholePlot = p.WholePlot };
        if (dates.Count == 0)
        {
            return row with { Why = "not measured" };
        }

        var day = on ?? dates[^1];
        var last = readings.FirstOrDefault(r => r.On == day);
        if (on is null && m.Dates != "last" && dates.Count > 1)
        {
            List<DatedValue> values = [.. readings.Where(r => r.Value is not null)
                .Select(r => new DatedValue((r.On - dates[0]).TotalDays, r.Value!.Value))];
            var one = m.Dates == "half" ? RepeatedDates.DaysToHalf(values) : RepeatedDates.MeanOverTime(values, 0,
                (dates[^1] - dates[0]).TotalDays);
            return one is { } v ? row with { Value = v, OutOf = m.OutOf }
                : row with { Why = readings.FirstOrDefault(r => r.Value is null)?.MissingWhy ?? "not measured on its first and last date" };
        }

        return last is { Value: { } value } ? row with { Value = value, OutOf = last.OutOf ?? m.OutOf }
            : row with { Why = last?.MissingWhy ?? "not measured" };
    }

    /// <summary>How many plots of each: "4 of each"; "4 to 9 of each" where they differ; "one pair".</summary>
    public static string EachSays(Trial t)
    {
        var counts = t.Plots.Count == 0 ? [t.Replicates] : t.Treatments.Select(x => t.Plots.Count(p => p.TreatmentId == x.Id)).ToList();
        return t.Design == Design.Pair ? "one pair" : counts.Min() == counts.Max()
            ? $"{counts[0]} of each" : $"{counts.Min()} to {counts.Max()} of each";
    }

    /// <summary>How strong the look is.</summary>
    public static IReadOnlyList<StrengthLine> Strength(Trial t)
    {
        var fewest = t.Plots.Count == 0 ? t.Replicates : t.Treatments.Min(x => t.Plots.Count(p => p.TreatmentId == x.Id));
        return TrialStrength.Of(fewest, t.ByLot, t.Blind, t.Treatments.Any(x => x.Role == TrialRole.Water), t.Liquid,
            t.Treatments.Any(x => x.Role == TrialRole.Control), 1);
    }

    /// <summary>Noise of the same measure in trials that have ended here, the latest first; null where there is none.</summary>
    public async Task<(double Sd, string Says)?> History(TrialMeasure m, int notTrial, CancellationToken stop)
    {
        var ids = await db.Trials.AsNoTracking().Where(t => t.Id != notTrial && t.State == TrialState.Ended
            && t.Measures.Any(x => x.Name == m.Name && x.Unit == m.Unit)).OrderByDescending(t => t.EndedAt).Select(t => t.Id).Take(5)
            .ToListAsync(stop);
        foreach (var id in ids)
        {
            var past = (await Find(id))!;
            var same = past.Measures.First(x => x.Name == m.Name && x.Unit == m.Unit);
            if (TrialAnalysis.Of(Ask(past, same, await Standing(id), stop: stop)) is { Refused: null } told && told.Value.NoiseSd is { } sd)
            {
                return (sd, $"from “{past.Question}”");
            }
        }

        return null;
    }

}
