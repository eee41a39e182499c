using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>A vessel's air: its set-up, or what one would begin with.</summary>
public sealed record AirSetUpView(int VesselId, string Vessel, bool Kept, AirBenchAsked Bench, string WorkingShown);

/// <summary>The air bench.</summary>
public static class AirEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapAir(this IEndpointRouteBuilder api)
    {
        api.MapGet("/brew/air/{vesselId:int}", Read).ForVisitor("Pumps, hoses and outlets of a vessel.");
        api.MapPost("/brew/air/work-out", WorkOut).ForVisitor("Where pumps and outlets meet, and what is left in a power cut.");
        api.MapPost("/brew/air/{vesselId:int}", Keep).ForHand("Keeps the air of a vessel.");
    }

    private static async Task<Results<Ok<Worked<AirBenchView>>, Refused>> WorkOut(AirBenchAsked asked, HoldingClock clock)
    {
        var units = await clock.Units();
        return Problems.Answer(asked.Read(units).Match(
            read => AirBench.Of(read.Value with { Brew = AirBench.UsualBrew(read.Value.VolumeL ?? 0) })
                .Match<Ruling<AirBenchView>>(w => w.With(AirBenchView.Of(w.Value, units), w.Unit), r => r),
            r => r));
    }

    private static async Task<Results<Ok<AirSetUpView>, Missing>> Read(int vesselId, HoldingDb db, HoldingClock clock)
    {
        if (await db.Vessels.AsNoTracking().FirstOrDefaultAsync(v => v.Id == vesselId) is not { } vessel)
        {
            return Problems.NotFound("vessel");
        }

        var pumps = await db.Pumps.AsNoTracking().ToListAsync();
        var diffusers = await db.Diffusers.AsNoTracking().ToListAsync();
        var pump = pumps.MinBy(p => Math.Abs(Math.Log(p.OpenLpm / (0.35 * vessel.WorkingL))));
        var usual = KitChoice.UsualDiffuser(vessel.Shape);
        var bench = vessel.Air is { } json ? json : new AirBenchQuestion {
            Pumps = [new BenchPump { Name = pump?.Name ?? "pump", OpenLpm = pump?.OpenLpm ?? vessel.WorkingL * 0.35,
                ShutOffKPa = pump?.ShutOffKPa ?? 20 }],
            Outlets = [new BenchOutlet { Name = (diffusers.FirstOrDefault(d => d.Kind == usual)?.Name ?? "outlet").ToLowerInvariant(),
                Diffuser = usual, DepthM = vessel.DepthM, Share = 1, HoseM = 1.5, HoseMm = vessel.WorkingL > 100 ? 13 : 5 }],
        };
        var units = await clock.Units();
        return TypedResults.Ok(new AirSetUpView(vessel.Id, vessel.Name, vessel.Air is not null,
            AirBenchAsked.Of(bench with { VolumeL = vessel.WorkingL }, units) with { Version = vessel.Version },
            Units.Show(vessel.WorkingL, Dimension.Volume, units)));
    }

    private static Task<Results<Written<Changed>, Refused, Clash>> Keep(int vesselId, AirBenchAsked asked, HoldingDb db, HoldingClock clock,
        Writes writes, IVesselCard card) =>
        writes.Do<Changed>(async () =>
    {
        if (await db.Vessels.FirstOrDefaultAsync(v => v.Id == vesselId) is not { } vessel)
        {
            return Refusal.Of("vesselId", "There is no such vessel.", "Choose from the list.");
        }

        var checks = new Checks();
        db.Seen(vessel, asked.Version, checks);
        var read = asked.Read(await clock.Units());
        if ((read.Refused ?? AirBench.Of(read.Value).Refused) is { } refused)
        {
            return refused;
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        vessel.Air = read.Value;
        if (await card.Follow(vessel, "vesselId") is { } not)
        {
            return not;
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Changed(vessel.Id, vessel.Version));
    });
}
