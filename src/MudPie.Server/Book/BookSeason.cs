using Microsoft.EntityFrameworkCore;
using MudPie.Core.Book;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.PuttingOut;
using MudPie.Records.Shelf;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Book;

/// <summary>The season’s record: what was given, what grew, what fell.</summary>
internal static class BookSeason
{
    /// <summary>A year in sums, bed by bed.</summary>
    public static async Task<Ok<SeasonView>> Read(HoldingDb db, HoldingClock clock, int? year = null)
    {
        var units = await clock.Units();
        var local = await clock.Local();
        var all = await db.Applications.AsNoTracking().Select(a => a.At).Union(db.Harvests.Select(h => h.At)).ToListAsync();
        List<int> years = [.. all.Select(at => local(at).Year).Append(local(clock.Now).Year).Distinct().OrderDescending()];
        var y = year is { } asked && years.Contains(asked) ? asked : years[0];
        var (from, to) = (new DateTimeOffset(y, 1, 1, 0, 0, 0, TimeSpan.Zero).AddHours(-14), new DateTimeOffset(y + 1, 1, 1, 0, 0, 0,
            TimeSpan.Zero).AddHours(14));
        var jobs = (await db.Applications.ThatStand().AsNoTracking().AsSplitQuery().Where(a => a.At >= from && a.At < to)
            .Include(a => a.Beds).Include(a => a.Items).ThenInclude(i => i.Input).Include(a => a.Batch).ToListAsync()).Where(a =>
                local(a.At).Year == y).ToList();
        var harvests = (await db.Harvests.ThatStand().AsNoTracking().Where(h => h.At >= from && h.At < to).ToListAsync()).Where(h =>
            local(h.At).Year == y).ToLookup(h => h.BedId);
        var beds = await db.Beds.AsNoTracking().OrderBy(b => b.Id).ToListAsync();
        var foods = await db.Inputs.AsNoTracking().Where(i => i.NShare != null).ToListAsync();
        var grew = await BookOfGround.Grew(db, from, to);
        var rows = beds.Select(b =>
        {
            var its = jobs.Select(a => (Job: a, Share: a.Beds.FirstOrDefault(x => x.BedId == b.Id)))
                .Where(x => x.Share is not null).ToList();
            var sum = SeasonSums.Of([.. its.SelectMany(x => NutrientsOf(x.Job, x.Share!, foods))], b.AreaM2).Worked;
            return new SeasonBed(b.Id, b.Name, grew.GetValueOrDefault(b.Id) ?? b.Crop, Units.Show(b.AreaM2, Dimension.Area, units),
                its.Count,
                Units.Show(its.Sum(x => x.Share!.TeaL), Dimension.Volume, units),
                Units.Show(its.Where(x => !x.Job.Solid).Sum(x => x.Share!.TotalL), Dimension.Volume, units),
                Units.Show(harvests[b.Id].Sum(h => h.Kg) * 1000, Dimension.Mass, units), sum,
                $"{Say.Number(sum.Value.NitrogenG)}-{Say.Number(sum.Value.PhosphateG)}-{Say.Number(sum.Value.PotashG)} g");
        }).Where(r => r.Jobs > 0 || harvests[r.BedId].Any()).ToList();
        var names = beds.ToDictionary(b => b.Id, b => b.Name);
        var inputs = jobs.SelectMany(a => a.Items.Select(i => (a, i))).GroupBy(x => (x.i.Name, x.i.Unit))
            .Select(g => new SeasonInput(g.Key.Name, StockKeeper.Shown(g.Sum(x => x.i.Amount), g.Key.Unit, units), g.Select(x => x.a.Id)
                .Distinct().Count(), [.. g.SelectMany(x => x.a.Beds.Select(b => names[b.BedId])).Distinct()]))
            .Concat(jobs.Where(a => a.Batch is not null).GroupBy(a => a.Batch!.Making)
                .Select(g => new SeasonInput($"brew: {g.Key.Word()}", Units.Show(g.Sum(a => a.TeaL), Dimension.Volume, units), g.Count(),
                    [.. g.SelectMany(a => a.Beds.Select(b => names[b.BedId])).Distinct()]))).OrderBy(i => i.Name).ToList();
        return TypedResults.Ok(new SeasonView(y, years, rows, inputs, await BookOfGround.Water(db, from, to, units),
            await BookOfWorks.Looked(db, from, to)));
    }

    /// <summary>Nutrients on one bed: products by its share of the mix, and the foods of a brew by its share of it.</summary>
    private static IEnumerable<NutrientLine> NutrientsOf(Application job, ApplicationBed share, List<Input> foods)
    {
        var mixed = job.Beds.Sum(b => b.TotalL) + job.SpareL;
        foreach (var i in job.Items.Where(i => i.Input?.NShare is not null))
        {
            yield return new(i.Name, i.Amount * (i.Unit == "L" ? i.Input!.Density ?? 1 : 1) * (mixed > 0
                ? share.TotalL / mixed : 1.0 / job.Beds.Count), i.Input!.NShare ?? 0, i.Input.PShare ?? 0, i.Input.KShare ?? 0, 0);
        }

        if (job.Batch is { } batch)
        {
            foreach (var f in batch.Brew.Foods ?? [])
            {
                if (foods.FirstOrDefault(i => i.Kind == f.Kind) is { } food)
                {
                    yield return new(food.Name, (f.Ml ?? 0) / 1000 * (food.Density ?? 1) * share.TeaL / batch.BrewL, food.NShare ?? 0,
                        food.PShare ?? 0, food.KShare ?? 0, 0);
                }
            }
        }
    }
}
