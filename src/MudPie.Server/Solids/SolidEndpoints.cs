using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Solids;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.PuttingOut;
using MudPie.Records.Shelf;
using MudPie.Server.Lots;
using MudPie.Server.Weather;
using MudPie.Server.Web;

namespace MudPie.Server.Solids;

/// <summary>Solids on the ground: compost, castings, char, mulch, minerals.</summary>
public static class SolidEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapSolids(this IEndpointRouteBuilder api)
    {
        api.MapGet("/put-out/solid/start", Start).ForVisitor("What can be put out as it lies, and what a job begins with.");
        api.MapPost("/put-out/solid/work-out", WorkOut).ForVisitor("A solid on the ground worked out: litres, kilos, barrows, passes.");
        api.MapPost("/put-out/solid", Keep).ForHand("Keeps it: it is out.");
        api.MapGet("/shelf/lots/{id:int}/second-best", Second).ForVisitor("What a lot that fails a gate may still do here.");
        api.MapGet("/brew/batches/{id:int}/second-best", Flat).ForVisitor("What a brew whose life is gone may still do here.");
    }

    private static async Task<Ok<SolidStartView>> Start(HoldingDb db, HoldingClock clock, int? input, string? beds)
    {
        var units = await clock.Units();
        var kinds = SolidDesk.Kinds.Keys.ToList();
        var held = await db.Inputs.AsNoTracking().Where(i => kinds.Contains(i.Kind)).OrderBy(i => i.Name).Take(300)
            .Select(i => new {
                i, Lots = i.Lots.Count, Marks = i.Lots.Where(l => l.Entries.Sum(e => e.Amount) > 0).Select(l => l.Mark).Take(3).ToList(),
                Left = i.Lots.SelectMany(l => l.Entries).Sum(e => (double?)e.Amount) ?? 0,
            }).ToListAsync();
        var things = held.Select(x => new SolidThing(x.i.Id, held.Count(o => o.i.Name == x.i.Name) > 1 && x.Marks.Count > 0
            ? $"{x.i.Name} {string.Join(", ", x.Marks)}" : x.i.Name, SolidDesk.Kinds[x.i.Kind], x.Lots == 0 ? "not counted"
                : StockKeeper.Shown(Math.Max(0, x.Left), StockKeeper.UnitOf(x.i), units), StockKeeper.UnitOf(x.i) == "kg")).ToList();
        var first = things.FirstOrDefault(t => t.Id == input) ?? things.FirstOrDefault(t =>
            t.Group == "composts") ?? things.FirstOrDefault();
        List<int> on = [.. (beds ?? "").Split(',').Select(b => int.TryParse(b, out var n) ? n : 0).Where(n => n > 0).Take(100)];
        return TypedResults.Ok(new SolidStartView(things, new SpreadAsked {
            InputId = first?.Id,
            What = first is null ? "wood chip" : null,
            By = SpreadBy.Square,
            Amount = SpreadBench.Usual(SpreadBy.Square, first?.Weighed == true, units),
            BedIds = on,
            Place = SpreadPlace.OnTop,
        }, Per.Square(units), Per.LargeArea(units), Usual(false, units), Usual(true, units)));
    }

    private static Dictionary<string, string> Usual(bool weighed, UnitSystem units) =>
        Enum.GetValues<SpreadBy>().ToDictionary(by => by.Word(), by => SpreadBench.Usual(by, weighed, units));

    private static async Task<Results<Ok<Worked<SolidView>>, Refused>> WorkOut(SpreadAsked r, SolidDesk desk, HoldingClock clock)
    {
        var ready = await desk.Read(r, clock.Now);
        return ready.Refused is { } no ? Problems.Of(no) : TypedResults.Ok(ready.Value.Worked);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(SolidKeepRequest r, HoldingDb db, SolidDesk desk, StockKeeper stock,
        HoldingClock clock, WeatherBook weather, Writes writes) => writes.Do<Kept>(async () =>
    {
        if (r.Asked is not { } asked)
        {
            return Refusal.Of("asked", "Nothing was asked.", "Load the page again.");
        }

        var checks = new Checks();
        var at = checks.Past("at", r.At, clock.Now);
        var read = await desk.Read(asked, at);
        if (read.Refused is { } no)
        {
            return checks.Add(no).Refusal;
        }

        var ready = read.Value;
        var v = ready.Worked.Value;
        var deed = PutOutDeeds.Keep(new JobStands(null, null, null, [], v.ShortShown is { } missing ? [(ready.Name, missing)] : []),
            new JobSaid(null, null, r.CautionsSeen, r.Who, r.Why));
        if (v.Unfit is { } unfit && (r.OverrideWhy ?? "").Trim().Length < PutOutDeeds.ReasonLetters)
        {
            checks.Add("overrideWhy", $"{ready.Name} is not fit: {unfit}",
                "See on the shelf what it may still do; or say in words, ten letters at least, why it goes out all the same.");
        }

        if (r.OverrideWhy is { Length: > 300 })
        {
            checks.Add("overrideWhy", "That is too long.", "Up to 300 letters.");
        }

        if (deed.Refused is { } wrong)
        {
            checks.Add(wrong);
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var job = Record(r, asked, ready, v.Unfit is null ? null : r.OverrideWhy, (at, clock.Now),
            await weather.At(at, await clock.Units()));
        db.Applications.Add(job);
        await db.SaveChangesAsync();
        await Take(job, ready, at, stock);
        await db.SaveChangesAsync();
        foreach (var entry in db.ChangeTracker.Entries<StockEntry>().Select(e => e.Entity)
            .Where(e => e is { Reason: StockReason.Used, ApplicationId: null }))
        {
            entry.ApplicationId = job.Id;
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(job.Id));
    });

    private static Application Record(SolidKeepRequest r, SpreadAsked asked, SolidReady ready, string? overrideWhy,
        (DateTimeOffset At, DateTimeOffset Now) when, string? weather)
    {
        string? Text(string? typed) => string.IsNullOrWhiteSpace(typed) ? null : typed.Trim();
        var job = new Application {
            At = when.At,
            RecordedAt = when.Now,
            Purpose = Purpose.Root,
            Dilution = "",
            OneIn = 1,
            Tool = ready.Answer.Spreader is not null ? "spreader" : asked.By is SpreadBy.Handful or SpreadBy.Plant ? "hand" : "barrow",
            Fitness = "none",
            OverrideWhy = Text(overrideWhy),
            CautionsSeen = string.Join(' ', r.CautionsSeen),
            Who = Text(r.Who),
            Why = Text(r.Why),
            Weather = weather,
            Solid = true,
            Spread = asked,
        };
        job.Beds.AddRange(ready.Answer.Beds.Select(b => new ApplicationBed { BedId = b.Id, TeaL = 0, TotalL = b.Litres }));
        return job;
    }

    /// <summary>Lots fall, oldest good one first; what was never counted, or does not lie on the shelf, stands in the book by its
    /// name.</summary>
    private static async Task Take(Application job, SolidReady ready, DateTimeOffset at, StockKeeper stock)
    {
        var (input, a) = (ready.Input, ready.Answer);
        if (input is null || ready.Draw is not { } draw)
        {
            job.Items.Add(new ApplicationItem {
                InputId = input?.Id, Name = ready.Name, Kind = ready.Kind, Amount = input is null ? a.Litres : ready.Amount,
                Unit = input is null ? "L" : StockKeeper.UnitOf(input)
            });
            return;
        }

        var (_, draws) = await stock.WriteUse(input.Id, draw, at);
        job.Items.AddRange(draws.Select(d => new ApplicationItem {
            InputId = input.Id, LotId = d.LotId, Name = input.Name, Lot = d.Mark, Kind = input.Kind, Amount = d.Amount,
            Unit = StockKeeper.UnitOf(input)
        }));
    }

    private static async Task<Results<Ok<SecondView>, NoContent, Missing>> Second(int id, HoldingDb db, SolidDesk desk) =>
        await db.Lots.AsNoTracking().Include(l => l.Input).FirstOrDefaultAsync(l => l.Id == id) is not { } lot ? Problems.NotFound("lot")
            : await desk.Second(lot) is { } second ? TypedResults.Ok(second) : TypedResults.NoContent();

    private static async Task<Results<Ok<SecondView>, Missing>> Flat(int id, HoldingDb db, SolidDesk desk) =>
        await db.Batches.AsNoTracking().Where(b => b.Id == id).Select(b => b.Name).FirstOrDefaultAsync() is not { } name
            ? Problems.NotFound("brew") : TypedResults.Ok(await desk.Flat(name));
}
