using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Claims;
using MudPie.Core.Judging.Trials;
using MudPie.Records;
using MudPie.Server.Sheets;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>Claims with what was found here laid in: trials, square metres, sheets, counts; and what neighbours sent.</summary>
public sealed class ClaimDesk(HoldingDb db, TrialDesk trials, SheetDesk sheets, HoldingClock clock)
{
    /// <summary>Trials that are laid in, at the most.</summary>
    public const int MostTrials = 60;

    /// <summary>The house's cards as the grower has them, and the grower's own, with the number of the change that counts.</summary>
    public async Task<List<(ClaimCard Card, int? Change, bool House)>> Cards()
    {
        var newest = (await db.Claims.AsNoTracking().OrderBy(c => c.Id).ToListAsync()).GroupBy(c => c.Key)
            .ToDictionary(g => g.Key, g => g.Last());
        return [.. ClaimCards.House.Select(h => newest.GetValueOrDefault(h.Key) is { } own ? (own.Card ?? h, (int?)own.Id, own.Card is null)
            : (h, (int?)null, true)), .. newest.Values.Where(o => o.Card is not null && ClaimCards.House.All(h => h.Key != o.Key))
                .Select(o => (o.Card!, (int?)o.Id, false))];
    }

    /// <summary>What was found, for each claim.</summary>
    public async Task<ILookup<string, ClaimFound>> Found(IReadOnlyList<ClaimCard> cards, CancellationToken stop)
    {
        var local = await clock.Local();
        DateOnly Day(DateTimeOffset at) => DateOnly.FromDateTime(local(at).DateTime);
        var (tried, patches) = (await Trials(Day, stop), await Patches(Day));
        List<ClaimFound> found = [.. cards.SelectMany(c => ClaimFinds.OfTrials(c, tried).Concat(ClaimFinds.OfPatches(c, patches)))];
        found.AddRange(ClaimFinds.OfCastings("castings-neutral", await CastingsPh()));
        found.AddRange(ClaimFinds.OfSoilPh("tea-ph", await SoilPh()));
        found.AddRange(await Pests(Day));
        found.AddRange((await db.ClaimFindings.AsNoTracking().ToListAsync(stop)).Select(f => new ClaimFound(f.Key, f.Says,
            $"{f.From}: {f.Text}", f.On, "neighbour", null)));
        return found.OrderByDescending(f => f.On).ToLookup(f => f.Key);
    }

    private async Task<List<TriedTrial>> Trials(Func<DateTimeOffset, DateOnly> day, CancellationToken stop)
    {
        var ids = await db.Trials.AsNoTracking().Where(t => t.StartedAt != null).OrderByDescending(t => t.Id).Select(t => t.Id)
            .Take(MostTrials).ToListAsync(stop);
        List<TriedTrial> tried = [];
        foreach (var id in ids)
        {
            var t = (await trials.Find(id))!;
            var standing = t.Shut() || t.Measures.Count == 0 ? [] : await trials.Standing(id);
            if (standing.Count == 0)
            {
                continue; // what is still shut says nothing, here as everywhere
            }

            var judged = TrialAnalysis.Of(TrialAsking.Of(t.Laid(), t.Measures[0].Laid(), standing, stop: stop));
            if (judged.Refused is null)
            {
                var names = t.Treatments.ToDictionary(x => x.Name, x => x.Input is { } i ? $"{i.Name} {i.Kind}" : "");
                tried.Add(new TriedTrial(id, t.Question, day(t.EndedAt ?? t.StartedAt!.Value), [.. judged.Value.Verdicts
                    .Select(v => new TriedThing(names.GetValueOrDefault(v.Of) is { Length: > 0 } of && !v.Of.Contains(of,
                        StringComparison.OrdinalIgnoreCase) ? $"{v.Of} ({of})" : v.Of, v.Word, v.Sentence))]));
            }
        }

        return tried;
    }

    private async Task<List<TriedPatch>> Patches(Func<DateTimeOffset, DateOnly> day)
    {
        var kinds = await db.Inputs.AsNoTracking().Select(i => new { i.Id, i.Kind }).ToDictionaryAsync(i => i.Id, i => i.Kind);
        var tests = await db.PatchTests.AsNoTracking().Include(t => t.Bed).Include(t => t.Patches).ThenInclude(p => p.Leaves)
            .AsSplitQuery().OrderByDescending(t => t.At).Take(60).ToListAsync();
        return [.. tests.Select(t => (Test: t, Answer: PatchEndpoints.Judged(t))).Where(t => t.Answer is not null).Select(t =>
            new TriedPatch(t.Test.Id, day(t.Test.At), t.Test.Bed.Name, [.. t.Answer!.Lifts.Select(l => (l.Candidate,
                t.Test.Patches.FirstOrDefault(p => p.Name == l.Candidate)?.InputId is { } input ? kinds.GetValueOrDefault(input) ?? "" : "",
                l.Lift, l.Word))]))];
    }

    private async Task<List<(int, string, DateOnly, double)>> CastingsPh()
    {
        var units = await clock.Units();
        var lots = await db.Lots.AsNoTracking().Where(l => l.Input.Kind == "castings").Select(l => l.Id).ToListAsync();
        var tested = (await db.Works.AsNoTracking().Where(w => w.Kind == WorkKind.Sheet && w.LotId != null && lots.Contains(w.LotId.Value))
            .ToListAsync()).Where(w => w.Sheet is { Rows.Count: > 0 }).ToList();
        var days = await sheets.Days(tested);
        return [.. tested.Select(w => (w.Id, w.Name, days[w.Id], Ph: SheetTelling.Read(w.Sheet!, units)?.Property("pH")))
            .Where(x => x.Ph is not null).Select(x => (x.Id, x.Name, x.Item3, x.Ph!.Value))];
    }

    private async Task<List<(int, string, DateOnly, double, double, double, int)>> SoilPh()
    {
        // One place, one lab, one depth: no line goes through two.
        var places = (await sheets.OfBeds(null)).Where(s => s.Asked.For == SheetOf.Bed && s.Found.Read.Property("pH") is not null)
            .GroupBy(s => (s.BedId, s.Asked.ZoneId, Lab: s.Asked.Lab?.Trim(), s.Asked.Depth, s.Asked.DepthFrom)).Where(g => g.Count() > 1);
        var names = await db.Beds.AsNoTracking().ToDictionaryAsync(b => b.Id, b => b.Name);
        List<(int, string, DateOnly, double, double, double, int)> beds = [];
        foreach (var g in places)
        {
            var (first, last) = (g.MinBy(x => x.On)!, g.MaxBy(x => x.On)!);
            var (from, to) = (new DateTimeOffset(first.On.ToDateTime(TimeOnly.MinValue), TimeSpan.Zero),
                new DateTimeOffset(last.On.ToDateTime(TimeOnly.MinValue), TimeSpan.Zero));
            var brews = await db.Applications.ThatStand().CountAsync(a => a.BatchId != null && a.At > from && a.At < to
                && a.Beds.Any(b => b.BedId == g.Key.BedId));
            beds.Add((last.Id, names.GetValueOrDefault(g.Key.BedId) ?? "", last.On, first.Found.Read.Property("pH")!.Value,
                last.Found.Read.Property("pH")!.Value,
                (last.On.DayNumber - first.On.DayNumber) / 365.25, brews));
        }

        return beds;
    }

    private async Task<IReadOnlyList<ClaimFound>> Pests(Func<DateTimeOffset, DateOnly> day)
    {
        var counts = await db.PestCounts.AsNoTracking().Select(p => new { p.BedId, p.At, p.Count }).ToListAsync();
        var visits = (await db.BrixVisits.ThatStand().AsNoTracking().Include(v => v.Readings)
            .Where(v => v.LeafPosition == LeafPosition.Top && v.Weed == null)
            .ToListAsync()).ToLookup(v => v.BedId);
        var pairs = counts.Select(c => (c.At, c.Count, Near: visits[c.BedId].Where(v => (v.At - c.At).Duration().TotalDays <= 3)
            .MinBy(v => (v.At - c.At).Duration()))).Where(p => p.Near is { Readings.Count: > 0 }).ToList();
        return pairs.Count == 0 ? [] : ClaimFinds.OfPests("brix-pests",
            [.. pairs.Select(p => (p.Near!.Readings.Average(r => r.At20), p.Count))],
            day(pairs.Max(p => p.At)));
    }
}
