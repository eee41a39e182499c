using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.PuttingOut;

/// <summary>What a tank is asked to start from: numbers of a brew, a giving, a bottle, a bed.</summary>
public sealed record TankStartAsked(int? Batch, int? Giving, int? Input, int? Bed, Purpose? Purpose, DateTimeOffset? At);

/// <summary>Reads what a tank starts from, and asks the core for its first proposal.</summary>
public sealed class TankStarts(HoldingDb db, HoldingClock clock)
{
    /// <summary>The first proposal; null where the brew that was asked for is not there.</summary>
    public async Task<Worked<TankRequest>?> Read(TankStartAsked asked)
    {
        var units = await clock.Units();
        var batch = asked.Batch is not { } id ? null : await db.Batches.AsNoTracking().Where(b => b.Id == id)
            .Select(b => new { b.Id, b.BrewL, b.Purpose, Beds = b.Beds.Select(x => x.BedId).ToList() }).FirstOrDefaultAsync();
        return asked.Batch is not null && batch is null ? null : TankStart.Of(new TankStartQuestion {
            Units = units,
            Brew = batch is null ? null : new BrewToGo(batch.Id, new Litres(batch.BrewL), batch.Purpose, batch.Beds),
            Giving = asked.Giving is { } giving ? await Giving(giving, units) : null,
            Bottle = asked.Input is { } input ? await Bottle(input, units) : null,
            BedId = asked.Bed,
            Purpose = asked.Purpose,
            At = asked.At,
            Sprayers = await Kit(),
        });
    }

    private async Task<GivingToGo?> Giving(int id, UnitSystem units)
    {
        var programme = await db.Programmes.AsNoTracking().Include(p => p.Bed).Include(p => p.Givings)
            .FirstOrDefaultAsync(p => p.Givings.Any(g => g.Id == id));
        var dosing = await Dosing.Of(db);
        return programme is not null && ProgrammeViews.Of(programme, units, dosing).Givings.FirstOrDefault(g => g.Id == id) is { } giving
            ? new GivingToGo(id, programme.BedId, giving.Purpose,
                giving.InputId is { } input ? new BottleToGo(input, giving.TankRate, giving.TankBasis) : null, dosing.SprayerId,
                dosing.MixLPerHa)
            : null;
    }

    private async Task<BottleToGo?> Bottle(int id, UnitSystem units) =>
        await db.Inputs.AsNoTracking().FirstOrDefaultAsync(i => i.Id == id) is { } input
            ? new BottleToGo(id, Labels.Told(input, units)?.Rate ?? "", input.LabelBasis?.Told(units).Word) : null;

    private async Task<IReadOnlyList<SprayerToGo>> Kit()
    {
        var kit = new List<SprayerToGo>();
        foreach (var s in await db.Sprayers.AsNoTracking().Include(s => s.Calibrations).OrderBy(s => s.Id).Take(100).ToListAsync())
        {
            var allowed = (await Washing.Judge(s, db, clock.Now)) is { Refused: null } judged && judged.Value.Allowed;
            kit.Add(new SprayerToGo(s.Id, s.Kind, new Litres(s.TankL), s.Calibrations.Count > 0, allowed));
        }

        return kit;
    }
}
