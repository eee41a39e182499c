using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Records.Shelf;
using MudPie.Server.Web;

namespace MudPie.Server.PuttingOut;

/// <summary>Reads what meets in a tank and on a bed, and asks the core whether it may.</summary>
public sealed class TankMixing(HoldingDb db, HoldingClock clock)
{
    /// <summary>What stands in the tank together, with what the beds got lately and what the sprayer held; null where there is nothing
    /// in it, or something could not be read.</summary>
    public async Task<Worked<MixAnswer>?> Judge(TankRequest r, Batch? batch, Dictionary<int, Input> inputs, List<int> bedIds,
        DateTimeOffset at, TypedFields fields)
    {
        List<MixItem> tank = [.. batch is null ? Array.Empty<MixItem>() : [new MixItem(batch.Name, "brew")],
            .. r.Items.Where(i => inputs.ContainsKey(i.InputId))
                .Select(i => new MixItem(inputs[i.InputId].Name, InputKinds.Of(inputs[i.InputId].Kind).MixClass))];
        if (tank.Count == 0)
        {
            return null;
        }

        var ruling = MixingRules.Of(new MixQuestion {
            Tank = tank,
            HeldLast = await HeldLast(r.SprayerId, at),
            Lately = await Lately(bedIds, at),
            Ph = fields.Optional("ph", r.Ph, Dimension.Plain, 1, 13),
            SaltsMsPerCm = fields.Optional("salts", r.Salts, Dimension.Plain, 0, 50),
            TemperatureC = fields.Optional("warmth", r.Warmth, Dimension.Temperature, -5, 60),
            ChlorineMgPerL = fields.Optional("strip", r.Strip, Dimension.Concentration, 0, 10),
            Own = await OwnRules(db),
        });
        if (ruling.Refused is { } refused)
        {
            fields.Checks.Add(refused);
            return null;
        }

        return ruling.Worked;
    }

    /// <summary>What is judged of one thing put on beds without a tank of its own, by a note or in a trial: the sprayer, where one was
    /// named, and the mixing rules after what those beds got lately and what the sprayer held last.</summary>
    public async Task<(SprayerRuling? Sprayer, MixAnswer Mixing)> Alone(Input input, int? sprayerId, IReadOnlyCollection<int> bedIds,
        DateTimeOffset at)
    {
        var sprayer = await db.Sprayers.AsNoTracking().Include(s => s.Calibrations).FirstOrDefaultAsync(s => s.Id == sprayerId);
        var mixing = MixingRules.Of(new MixQuestion {
            Tank = [new MixItem(input.Name, InputKinds.Of(input.Kind).MixClass)],
            HeldLast = await HeldLast(sprayerId, at),
            Lately = await Lately(bedIds, at),
            Own = await OwnRules(db),
        });
        return (sprayer is null ? null : (await Washing.Judge(sprayer, db, clock.Now)).Value, mixing.Value);
    }

    /// <summary>What the sprayer held in its last job, where it was not washed since.</summary>
    private async Task<List<MixItem>> HeldLast(int? sprayerId, DateTimeOffset at)
    {
        var last = sprayerId is null ? null : await db.Applications.ThatStand().AsNoTracking()
            .Where(a => a.SprayerId == sprayerId && a.At <= at).OrderByDescending(a => a.At)
            .Select(a => new {
                a.At, Batch = a.Batch == null ? null : a.Batch.Name, Items = a.Items.Select(i => new { i.Name, i.Kind })
                .ToList()
            }).FirstOrDefaultAsync();
        return last is null || await db.Washes.AnyAsync(w => w.SprayerId == sprayerId && w.At >= last.At) ? []
            : [.. last.Items.Select(i => new MixItem(i.Name, i.Kind == "brew" ? "brew" : InputKinds.Of(i.Kind).MixClass)),
                .. last.Batch is null ? Array.Empty<MixItem>() : [new MixItem(last.Batch, "brew")]];
    }

    /// <summary>What beds got in the last month, by class.</summary>
    private async Task<List<MixItem>> Lately(IReadOnlyCollection<int> bedIds, DateTimeOffset at)
    {
        var since = at.AddDays(-31);
        var rows = await db.Applications.ThatStand().AsNoTracking()
            .Where(a => a.At > since && a.At <= at && a.Beds.Any(b => bedIds.Contains(b.BedId)))
            .Select(a => new {
                a.At, Batch = a.Batch == null ? null : a.Batch.Name, Items = a.Items.Select(i => new { i.Name, i.Kind })
                .ToList(), Beds = a.Beds.Where(b => bedIds.Contains(b.BedId)).Select(b => b.Bed.Name).ToList()
            }).ToListAsync();
        return [.. rows.SelectMany(a =>
            a.Beds.SelectMany(bed => a.Items.Select(i => new MixItem(i.Name, i.Kind == "brew" ? "brew" : InputKinds.Of(i.Kind).MixClass,
                (at - a.At).TotalDays, bed))
            .Concat(a.Batch is null ? [] : [new MixItem(a.Batch, "brew", (at - a.At).TotalDays, bed)])))];
    }

    /// <summary>The grower's own mixing rules that stand.</summary>
    public static async Task<List<MixRule>> OwnRules(HoldingDb db) =>
        [.. (await db.MixRules.ThatStand().AsNoTracking().ToListAsync()).Select(m => new MixRule(m.A, m.B, m.Together, m.WaitDays, m.Why,
            Evidence.MeasuredHere, true))];
}
