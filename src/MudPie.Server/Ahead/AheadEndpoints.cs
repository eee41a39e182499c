using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Brewing;
using MudPie.Server.Mixing;
using MudPie.Server.Reckoning;
using MudPie.Server.Watch;
using MudPie.Server.Weather;
using MudPie.Server.Web;
using MudPie.Server.Works;

namespace MudPie.Server.Ahead;

/// <summary>Something planned, as it is shown.</summary>
public sealed record AheadItemView(string Key, string Name, string Kind, DateOnly On, double Hours, string Shown, string Door, string Worth,
    bool Left);

/// <summary>A week as it is drawn.</summary>
public sealed record AheadWeekView(DateOnly From, string Name, double Hours, double Over, string Shown, IReadOnlyList<AheadItemView> Items);

/// <summary>A season ahead.</summary>
public sealed record AheadView(IReadOnlyList<AheadWeekView> Weeks, double HoursAWeek, double Hours, string Sentence,
    IReadOnlyList<AheadItemView> CouldGo, int StillOver, IReadOnlyList<AheadItemView> LeftOut, Worked<AheadAnswer> Worked);

/// <summary>The hours that are planned, week by week, against those there are.</summary>
public static class AheadEndpoints
{
    /// <summary>Weeks that are looked ahead where nobody says.</summary>
    private const int UsualWeeks = 26;

    /// <summary>What can be asked.</summary>
    public static void MapAhead(this IEndpointRouteBuilder api) =>
        api.MapGet("/judge/ahead", Read).ForVisitor("Hours that are planned, week by week, against those there are.");

    private static async Task<Results<Ok<AheadView>, Refused>> Read(AheadDesk desk, HoldingDb db, HoldingClock clock,
        CancellationToken stop, [FromQuery] string[]? without = null, int weeks = UsualWeeks, double? hours = null)
    {
        var left = (without ?? []).Take(500).ToHashSet();
        var local = await clock.Local();
        var today = DateOnly.FromDateTime(local(clock.Now).DateTime);
        var there = hours ?? (await db.Reckonings.Newest()).HoursAWeek ?? ReckoningTerms.UsualHoursAWeek;
        var items = await desk.Items(today, Math.Clamp(weeks, 1, SeasonAhead.Most), stop);
        var told = SeasonAhead.Of(items, today, weeks, there, left);
        if (told.Refused is { } no)
        {
            return Problems.Of(no);
        }

        var a = told.Value;
        AheadItemView View(AheadItem i) => new(i.Key, i.Name, i.Kind, i.On, i.Minutes / 60, Say.Minutes(i.Minutes), i.Door, Worth(i),
            left.Contains(i.Key));
        return TypedResults.Ok(new AheadView([.. a.Weeks.Select(w => new AheadWeekView(w.From, Say.Day(w.From), w.Hours, w.Over,
            w.Over > 0 ? $"{Say.Number(w.Hours, 2)} h, {Say.Number(w.Over, 2)} too many" : $"{Say.Number(w.Hours, 2)} h",
            [.. w.Items.Select(View)]))], a.HoursAWeek, a.Hours, a.Sentence, [.. a.CouldGo.Select(View)], a.StillOver,
            [.. items.Where(i => left.Contains(i.Key)).Select(View)], told.Worked));
    }

    private static string Worth(AheadItem i) => i.Word is { } word
        ? $"{word.Word()}{(i.WorthAnHour is { } w ? $"; {(w < 0 ? "costs" : "brings")} {Reckoner.Money(Math.Abs(w))} an hour" : "")}"
        : i.Kind switch {
            "trial" or "check" => "what the rest is judged by",
            "yard" => "it counts with what it goes into",
            "going" => "under way",
            _ => "not reckoned yet",
        };
}

/// <summary>Reads all that is planned.</summary>
public sealed class AheadDesk(HoldingDb db, HoldingClock clock, ReckoningDesk reckoning, WeatherBook weather, MixDesk mixes,
    HeapDesk heaps, WorkDesk works)
{
    /// <summary>From programmes, brews, rounds, trials, walks and what else has a day.</summary>
    public async Task<IReadOnlyList<AheadItem>> Items(DateOnly today, int weeks, CancellationToken stop)
    {
        var usual = new UsualMinutes((await db.Reckonings.Newest()).Minutes);
        var worth = (await reckoning.Year(new ReckoningAsked(), 0, stop)).Rows.ToDictionary(r => r.Key);
        var to = today.AddDays(7 * weeks);
        AheadItem Worthy(AheadItem i) => i.Practice is { } p && worth.TryGetValue(p, out var r) ? i with {
            Word = r.Worth.Value.Word,
            WorthAnHour = r.Worth.Value.Priced && r.Sum.Hours > 0
                ? r.Worth.Value.Mean * r.Sum.Hectares / r.Sum.Hours : null,
        } : i;
        List<AheadItem> items = [.. await Givings(today, to, usual), .. await Brews(today, to, usual), .. await Trials(today, to, usual),
            .. await Dated(today, to)];
        return [.. items.Select(Worthy)];
    }

    private async Task<IEnumerable<AheadItem>> Givings(DateOnly from, DateOnly to, UsualMinutes usual)
    {
        var rows = await db.Givings.AsNoTracking().Where(g => g.ApplicationId == null && g.On >= from && g.On < to).Select(g => new {
            g.Id, g.Kind, g.InputId, g.On, Bed = g.Programme.Bed.Name, g.Programme.Bed.Crop, g.Programme.Bed.AreaM2
        }).ToListAsync();
        var inputs = await db.Inputs.AsNoTracking().Select(i => new { i.Id, i.Name, i.Kind }).ToListAsync();
        return rows.Select(g =>
        {
            var input = inputs.FirstOrDefault(i => i.Id == g.InputId) ?? inputs.FirstOrDefault(i => i.Kind == g.Kind
                || InputKinds.Of(i.Kind).Biostimulant == g.Kind);
            var name = Biostimulants.Find(g.Kind)?.Name ?? g.Kind;
            return new AheadItem($"giving-{g.Id}", $"{name} on {g.Bed}", "giving", g.On, usual.Job(0, 1, new SquareMetres(g.AreaM2)),
                "/put-out/season") { Practice = input is null ? null : Practices.Key($"input-{input.Id}", g.Crop) };
        });
    }

    private async Task<IEnumerable<AheadItem>> Brews(DateOnly from, DateOnly to, UsualMinutes usual)
    {
        var local = await clock.Local();
        DateOnly Day(DateTimeOffset at) => DateOnly.FromDateTime(local(at).DateTime);
        var rounds = await RoundEndpoints.Of(db, clock, weather);
        var again = rounds.Select(r => r.BatchId).ToList();
        var batches = (await db.Batches.AsNoTracking().AsSplitQuery().Include(b => b.Beds).ThenInclude(b => b.Bed)
            .Where(b => b.State == BatchState.Planned || b.State == BatchState.Brewing || again.Contains(b.Id)).ToListAsync())
            .ToDictionary(b => b.Id);
        double Minutes(Records.Brewing.Batch b) => usual.Job(b.Steps.Select(s => UsualMinutes.OfPlan(s.Id)).OfType<string>()
            .Sum(usual.Of), Math.Max(1, (int)Math.Ceiling(b.BrewL / 15)), new SquareMetres(b.Beds.Sum(x => x.Bed.AreaM2)));
        AheadItem Item(Records.Brewing.Batch b, string key, DateOnly on, string door) => new(key, b.Name,
            b.State == BatchState.Brewing && key.StartsWith("brew", StringComparison.Ordinal) ? "going" : "brew", on, Minutes(b), door) {
            Practice = b.Beds.Count == 0 ? null : Practices.Key($"making-{b.Making.Word()}", b.Beds[0].Bed.Crop)
        };
        return [.. batches.Values.Where(b => b.State != BatchState.Used && b.State is BatchState.Planned or BatchState.Brewing)
            .Select(b => Item(b, $"brew-{b.Id}", Day(b.UseAt), $"/brew/{b.Id}")).Where(i => i.On >= from && i.On < to),
            .. rounds.SelectMany(r => r.Times.Select(t => Item(batches[r.BatchId], $"round-{r.Id}-{Day(t.At):yyyyMMdd}", Day(t.At),
                $"/brew/{r.BatchId}"))).Where(i => i.On >= from && i.On < to)];
    }

    /// <summary>Trials to be laid out, and visits to those that grow: on the protocol's days, else once more as long after the last as that
    /// was after the one before.</summary>
    private async Task<IEnumerable<AheadItem>> Trials(DateOnly from, DateOnly to, UsualMinutes usual)
    {
        var local = await clock.Local();
        DateOnly Day(DateTimeOffset at) => DateOnly.FromDateTime(local(at).DateTime);
        var trials = await db.Trials.AsNoTracking().Where(t => t.State != TrialState.Ended).Select(t => new {
            t.Id, t.Question, t.StartedAt, t.ProtocolId, Plots = t.Plots.Count, Measures = t.Measures.Count,
        }).ToListAsync();
        var ids = trials.Select(t => t.Id).ToList();
        var dates = (await db.TrialReadings.AsNoTracking().Where(r => ids.Contains(r.TrialId)).Select(r => new { r.TrialId, r.On })
            .Distinct().ToListAsync()).ToLookup(r => r.TrialId, r => r.On);
        var days = (await db.Protocols.AsNoTracking().ToListAsync()).ToDictionary(p => p.Id, p => p.Told.Days ?? []);
        List<AheadItem> items = [];
        foreach (var t in trials)
        {
            var (door, plots) = ($"/judge/trials/{t.Id}", Math.Max(1, t.Plots));
            if (t.StartedAt is not { } began)
            {
                items.Add(new($"trial-{t.Id}", $"Lay out: {t.Question}", "trial", from, plots * (usual.Of("trial-lay")
                    + usual.Of("trial-treat")), door));
                continue;
            }

            List<DateOnly> visits = t.ProtocolId is { } of && days.TryGetValue(of, out var told) && told.Count > 0
                ? [.. told.Select(d => Day(began).AddDays(d))]
                : dates[t.Id].OrderDescending().Take(2).ToList() switch {
                    [] => [Day(began).AddDays(14)],
                    [var last, var before] => [Day(last).AddDays(Math.Max(1, (int)(last - before).TotalDays))],
                    [var last, ..] => [Day(last).AddDays(14)],
                };
            items.AddRange(visits.Select(d => new AheadItem($"trial-{t.Id}-{d:yyyyMMdd}", $"Measure: {t.Question}", "trial", d,
                plots * Math.Max(1, t.Measures) * usual.Of("trial-read"), door)));
        }

        return items.Where(i => i.On >= from && i.On < to);
    }

    /// <summary>Walks in each of their months, and all else that has a day in the calendar.</summary>
    private async Task<IEnumerable<AheadItem>> Dated(DateOnly from, DateOnly to)
    {
        var local = await clock.Local();
        return (await DatedThings.Of(db, clock, mixes, heaps, works)).Select(d => new AheadItem(d.Uid, d.What,
            d.Uid.StartsWith("walk", StringComparison.Ordinal) || d.Uid.StartsWith("strip", StringComparison.Ordinal)
                || d.Uid.StartsWith("pests", StringComparison.Ordinal) || d.Uid.StartsWith("goal", StringComparison.Ordinal) ? "check"
            : "yard",
            DateOnly.FromDateTime(local(d.At).DateTime), d.Minutes, d.Link)).Where(i => i.On >= from && i.On < to);
    }
}
