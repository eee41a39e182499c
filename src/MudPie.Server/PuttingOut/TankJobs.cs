using Microsoft.EntityFrameworkCore;
using MudPie.Core.Book;
using MudPie.Core.Brewing;
using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Records.Ground;
using MudPie.Records.PuttingOut;
using MudPie.Records.Shelf;
using MudPie.Server.Brewing;
using MudPie.Server.Lots;
using MudPie.Server.Weather;
using MudPie.Server.Web;

namespace MudPie.Server.PuttingOut;

/// <summary>A job read from what was typed, with all that hangs on it.</summary>
public sealed record TankReady(Worked<TankView> Worked, IReadOnlyList<Bed> Beds, Batch? Batch, Sprayer? Sprayer, double TankL,
    IReadOnlyList<(Input Input, double Amount, DrawAnswer Draw, bool Counted)> Items);

/// <summary>Reads jobs as typed, and asks the core.</summary>
public sealed class TankJobs(HoldingDb db, HoldingClock clock, LiveBrew live, StockKeeper stock, WeatherBook weather,
    TankMixing mixes, TankCosts costs)
{
    /// <summary>The job worked out, or what is wrong with it.</summary>
    public async Task<(TankReady? Ready, Refusal? Refused)> Read(TankRequest r)
    {
        var fields = new TypedFields(await clock.Units());
        if (await Kit(r, fields) is not { } kit)
        {
            return (null, fields.Checks.Refusal);
        }

        var job = TankJob.Of(Question(kit, fields));
        if (job.Refused is { } refused)
        {
            AddUnsaid(fields.Checks, refused);
        }

        var mixing = await mixes.Judge(r, kit.Batch, kit.Inputs, [.. r.BedIds.Distinct()], kit.At, fields);
        if (!fields.Checks.Sound)
        {
            return (null, fields.Checks.Refusal);
        }

        var watched = kit.Batch is null ? null : await live.Watch(kit.Batch) is { Refused: null } watch ? watch.Value : null;
        var race = watched?.Race?.Facts is { } facts
            ? RaceOf(r, kit.Batch!, kit.Sprayer, kit.TankL, job.Value, facts, fields) : null;
        return fields.Checks.Sound ? (await Ready(kit, job.Worked, mixing, watched, race), null) : (null, fields.Checks.Refusal);
    }

    /// <summary>What a job is asked of: its brew, beds, sprayer and things of the shelf.</summary>
    private sealed record TankKit(TankRequest Asked, Batch? Batch, List<Bed> Beds, IReadOnlyDictionary<int, BedLife> Lives,
        Sprayer? Sprayer,
        double TankL, Dictionary<int, Input> Inputs, DateTimeOffset At, Func<DateTimeOffset, DateTimeOffset> Local)
    {
        public Purpose Purpose => Asked.Purpose ?? Batch?.Purpose ?? Purpose.Leaf;
    }

    private async Task<TankKit?> Kit(TankRequest r, TypedFields fields)
    {
        var batch = await Brew(r, fields);
        if (r.BatchId is not null && batch is null)
        {
            return null;
        }

        var ids = r.BedIds.Distinct().ToList();
        var beds = await db.Beds.AsNoTracking().Where(b => ids.Contains(b.Id)).OrderBy(b => b.Id).ToListAsync();
        var sprayer = r.SprayerId is null ? null : await db.Sprayers.AsNoTracking().Include(s => s.Calibrations)
            .FirstOrDefaultAsync(s => s.Id == r.SprayerId);
        if (r.SprayerId is not null && sprayer is null)
        {
            fields.Checks.Add("sprayerId", "That sprayer is not there.", "Choose from the list.");
        }

        var inputIds = r.Items.Select(i => i.InputId).Distinct().ToList();
        var tankL = string.IsNullOrWhiteSpace(r.Tank) && sprayer is not null
            ? sprayer.TankL : fields.Quantity("tank", r.Tank, Dimension.Volume, 0.5, 20_000, "How much does the sprayer or can hold?");
        if (beds.Count < ids.Count)
        {
            fields.Checks.Add("beds", "One of those beds is not there.", "Choose from the list.");
        }

        return new TankKit(r, batch, beds,
            await Lives.Of(db, r.At ?? clock.Now, ids),
            sprayer, tankL, await db.Inputs.AsNoTracking().Where(i => inputIds.Contains(i.Id)).ToDictionaryAsync(i => i.Id),
            r.At ?? clock.Now, await clock.Local());
    }

    private static TankJobQuestion Question(TankKit kit, TypedFields fields)
    {
        var (r, batch, units) = (kit.Asked, kit.Batch, fields.Units);
        return new TankJobQuestion {
            Units = units,
            Purpose = kit.Purpose,
            TankL = kit.TankL,
            SpareShare = string.IsNullOrWhiteSpace(r.Spare) ? null : fields.Quantity("spare", r.Spare.TrimEnd('%', ' '), Dimension.Plain,
                0, 50) / 100,
            BrewL = batch is null ? null : fields.Quantity("brew", r.Brew, Dimension.Volume, 0.1, batch.BrewL * 1.001,
                "You can't put out more than was brewed."),
            Dilution = r.Dilution,
            BrewPer100M2 = batch is null ? null : fields.Optional("per100M2", r.Per100M2, Dimension.Volume, 0.01, 500)
                / Per.Small(1, units),
            PerPlantL = fields.Optional("perPlant", r.PerPlant, Dimension.Volume, 0.01, 200),
            RateLPerHa = batch is not null || !string.IsNullOrWhiteSpace(r.PerPlant) ? null : string.IsNullOrWhiteSpace(r.Rate)
                && kit.Sprayer?.Calibrations.MaxBy(c => c.At) is { } c ? c.LPerHa : fields.Quantity("rate", r.Rate, Dimension.AreaRate, 1,
                    200_000, "What goes on the ground, mixed: a litre on a square metre is 10,000 L/ha."),
            Beds = [.. kit.Beds.Select(b => JobBed(kit, b, fields))],
            Products = [.. r.Items.Select((item, i) => Product(item, i, kit.Inputs, fields)).OfType<JobProduct>()],
            StepDown = r.StepDown,
            FoodWaiting = string.IsNullOrEmpty(r.FoodWaiting) ? null : r.FoodWaiting,
        };
    }

    private static JobBed JobBed(TankKit kit, Bed b, TypedFields fields)
    {
        var (id, life) = (b.Id.ToString(System.Globalization.CultureInfo.InvariantCulture), kit.Lives.GetValueOrDefault(b.Id));
        return new JobBed {
            Name = b.Name,
            AreaM2 = b.AreaM2,
            Plants = fields.Optional("plants", kit.Asked.Plants?.GetValueOrDefault(id), Dimension.Plain, 1, 1_000_000),
            Life = life?.ForDose,
            LifeSays = life is null ? null : Say.List([.. life.Answer.Value.Of.Select(c =>
                $"{GroundLife.Word(c.Kind)} of {Say.Day(kit.Local(c.At))}")]),
            RateLPerHa = kit.Asked.BedRates?.GetValueOrDefault(id) is { Length: > 0 } own
                ? fields.Quantity("bedRates", own, Dimension.AreaRate, 1, 200_000, "What goes on that bed, mixed.") : null,
        };
    }

    /// <summary>What the core finds wrong beside what could not be read: a field that was named already is named once.</summary>
    private static void AddUnsaid(Checks checks, Refusal refused)
    {
        var said = checks.Sound ? [] : checks.Refusal.Problems.Select(p => p.Field).ToList();
        foreach (var p in refused.Problems)
        {
            var field = p.Field switch { "tankL" => "tank", "brewL" => "brew", "rateLPerHa" => "rate", var other => other };
            var unread = field == "products" && said.Any(f => f.StartsWith("items[", StringComparison.Ordinal));
            if (!unread && !said.Contains(field))
            {
                checks.Add(field, p.Wrong, p.WayOut);
            }
        }
    }

    private async Task<TankReady> Ready(TankKit kit, Worked<TankJobAnswer> job, Worked<MixAnswer>? mixing, WatchAnswer? watched,
        Worked<RaceAnswer>? race)
    {
        var (r, batch, units) = (kit.Asked, kit.Batch, await clock.Units());
        var items = new List<(Input, double, DrawAnswer Draw, bool Counted)>();
        var taken = new Dictionary<int, double>();
        foreach (var (item, amount) in r.Items.Zip(job.Value.Products))
        {
            var input = kit.Inputs[item.InputId];
            var inUnit = amount.Amount / 1000;
            items.Add((input, inUnit, await stock.PlanAfter(input.Id, inUnit, kit.At, taken),
                await db.Lots.AnyAsync(l => l.InputId == input.Id)));
        }

        var sprayer = kit.Sprayer is null ? null : (await Washing.Judge(kit.Sprayer, db, clock.Now)).Worked;
        var gate = batch is null ? null : watched is not null
            ? watched.Gate : new GateAnswer(Fitness.Unseen, "Unseen.", ["The forecast could not be worked out."], null);
        var place = LeafOrRoot.Of(kit.Purpose, batch?.Making,
            (await db.ForkChoices.AsNoTracking().FirstOrDefaultAsync(f => f.ForkId == "tea-or-extract"))?.SchoolId);
        var view = TankViews.Of(job.Value, kit.Beds, units, gate, mixing?.Value, sprayer?.Value, place.Value, items,
            await costs.Of(job.Value, batch, items), await Hour(kit, units),
            await Waits(batch, kit.Inputs.Values, kit.Beds, kit.At, kit.Local, kit.Purpose == Purpose.Leaf), kit.Purpose, race?.Value,
            watched?.Verdict, watched?.Now, LabelSays(r, job.Value, kit.Inputs, units));
        var worked = job.With(view, "L") with { Working = [.. job.Working, .. race?.Working ?? []] };
        var cautions = worked.Cautions.Concat(sprayer?.Cautions ?? [])
            .Concat(items.Any(i => i.Counted && i.Draw.Short > 0) ? [Cautions.StockShort] : []).DistinctBy(c => c.Id).ToList();
        var forks = worked.Forks.Concat(batch is null ? [] : place.Forks).ToList();
        return new TankReady(worked with { Cautions = cautions, Forks = forks }, kit.Beds, batch, kit.Sprayer, kit.TankL, items);
    }

    /// <summary>How the hour of the job scores, where it is known where the holding lies.</summary>
    private async Task<HourScore?> Hour(TankKit kit, UnitSystem units) => await clock.Find() is { } holding
        ? SprayWindows.Of(new WindowsQuestion {
            Units = units, Purpose = kit.Purpose, From = kit.At, Hours = 1, Latitude = holding.SunLatitude,
            Longitude = holding.SunLongitude,
            SunOff = !holding.PlaceKnown,
            Weather = await weather.Hours(kit.At.AddHours(-1), kit.At.AddHours(8))
        }).Value.Hours[0]
        : null;

    /// <summary>Where a tank takes another rate than the label's: what it changes.</summary>
    private static List<string> LabelSays(TankRequest r, TankJobAnswer job, Dictionary<int, Input> inputs, UnitSystem units) =>
        [.. r.Items.Zip(job.Products, (item, amount) => Labels.Of(inputs[item.InputId], units)?.Differs(inputs[item.InputId].Name, amount,
            job, units))
            .OfType<string>()];

    /// <summary>The race of this very job: its litres, its sprayer; the ways and hands that were typed here, else those of the
    /// plan.</summary>
    private static Worked<RaceAnswer>? RaceOf(TankRequest r, Batch batch, Sprayer? sprayer, double tankL, TankJobAnswer job,
        RaceFacts facts, TypedFields fields)
    {
        var kit = RaceChoice.InTank(r.Race, sprayer is null ? null : RaceKits.Of(sprayer), r.Tool, new Litres(tankL),
            batch.Race is { } kept ? kept : facts.Kit, fields);
        return job.MixL > 0 ? PutOutRace.For(facts with { BrewL = Math.Max(job.BrewL, 0.1), MixL = job.MixL, Kit = kit })
            .Match<Worked<RaceAnswer>?>(w => w, _ => null) : null;
    }

    private async Task<Batch?> Brew(TankRequest r, TypedFields fields)
    {
        if (r.BatchId is not { } id)
        {
            return null;
        }

        var batch = await live.Load(id);
        var corrected = r.CorrectsId is { } old && await db.Applications.AnyAsync(a => a.Id == old && a.BatchId == id);
        if (batch is null || (batch.State is not (BatchState.Brewing or BatchState.Off) && !(corrected && batch.State == BatchState.Used)))
        {
            fields.Checks.Add("batch", batch is null ? "There is no such batch." : "This batch is not there to put out.",
                "Choose one that is brewing, or whose air is off.");
            return null;
        }

        return batch;
    }

    private static JobProduct? Product(TankItem item, int i, Dictionary<int, Input> inputs, TypedFields fields)
    {
        if (!inputs.TryGetValue(item.InputId, out var input))
        {
            fields.Checks.Add($"items[{i}]", "That is not on the shelf.", "Choose from the list.");
            return null;
        }

        return TankItems.Product(item, $"items[{i}]", input.Name, StockKeeper.UnitOf(input) == "L", fields);
    }

    private async Task<List<string>> Waits(Batch? batch, IEnumerable<Input> inputs, List<Bed> beds, DateTimeOffset at,
        Func<DateTimeOffset, DateTimeOffset> local, bool leaf)
    {
        var own = await Book.Waits.Own(db);
        List<WaitCause> causes = [
            .. batch is null
                ? Array.Empty<WaitCause>()
                : [Book.Waits.Cause(batch.Name, batch.Making, at,
                    (await Book.Waits.Origins(db, [batch.Id])).GetValueOrDefault(batch.Id), leaf)],
            .. inputs.Select(i => new WaitCause(i.Name, InputKinds.Of(i.Kind).WaitKind, at, i.LabelWaitDays, Leaf: leaf))];
        return Book.Waits.InWords(causes, beds.Select(b => (b.Name, b.Eaten)), at, own, local);
    }
}
