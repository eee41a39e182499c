using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Almanac;
using MudPie.Core.Workings;
using MudPie.Core.Works;
using MudPie.Records;
using MudPie.Server.Web;
using MudPie.Server.Works;

namespace MudPie.Server.Almanac;

/// <summary>The year at the holding's latitude: light, moon, preparations.</summary>
public static class AlmanacEndpoints
{
    private static readonly string[] TurnNames = ["spring equinox", "summer solstice", "autumn equinox", "winter solstice"];

    /// <summary>What can be asked and done.</summary>
    public static void MapAlmanac(this IEndpointRouteBuilder api)
    {
        api.MapGet("/almanac", Read).ForVisitor("The year drawn at this latitude: light, moon, what lies in the ground.");
        api.MapPost("/almanac/sowing", SetSowing).ForHand("Turns sowing days by the moon on or off.");
        api.MapPreparations();
        api.MapGet("/almanac.ics", Calendar).ForVisitor("Turns of the year, moons and preparations as a calendar.");
    }

    private static async Task<Ok<AlmanacView>> Read(HoldingDb db, HoldingClock clock, WorkDesk works)
    {
        var (now, local) = (clock.Now, await clock.Local());
        var holding = await clock.Find();
        var sky = await works.Sky();
        var (south, way) = (sky.South ?? false, AlmanacSays.Way(await School(db)));
        var year = Year.Of(now, local);
        var begun = await Begun(db, works);
        var sowing = holding?.SowingDays == true;
        var due = begun.Where(b => b.Stands.State == PrepState.Buried && sky.LiftDay(b.Stands.Span) is not null)
            .OrderBy(b => sky.LiftDay(b.Stands.Span)).ThenBy(b => b.Line.Id).FirstOrDefault();
        string Day(DateTimeOffset at) => Say.Date(local(at));
        return TypedResults.Ok(new AlmanacView {
            Latitude = holding?.SunLatitude is { } lat ? $"{Say.Number(Math.Abs(lat), 4)}° {(lat < 0 ? "S" : "N")}" : null,
            Today = year.At(now),
            Months = year.Months(),
            Light = holding is { SunLatitude: { } la, SunLongitude: { } lo } ? Light(year, la, lo) : [],
            Turns = Turns(year, south, local),
            Moons = [.. MoonPhases.Quarters(year.From, year.To).Where(q => q.Phase is MoonPhase.New or MoonPhase.Full)
                .Select(q => new MoonMark(year.At(q.At), q.Phase == MoonPhase.Full, $"{Day(q.At)}, {Say.Time(local(q.At))}"))],
            Rows = sky.South is null ? [] : Rows(year, begun, sky, now),
            Verdict = due.Plan is not null ? due.Stands.Verdict with {
                Sentence = $"{Upper(due.Plan.Name)}: "
                + $"{Lower(due.Stands.Verdict.Sentence)}"
            }
                : Coming(sky, now),
            Lift = due.Plan is null ? null : PreparationYear.Lifting(due.Stands.Span!, sky.Lift, Day),
            Begun = [.. begun.Select(b => new InGround(b.Line, b.Stands.State, b.Where))],
            Sky = Sky(holding, now, (south, way, sowing), local),
            SowingDays = sowing,
            Sowing = sowing ? [.. MoonCourse.Through(now, now.AddDays(10), way).Select(s => new SowingStretch(s.From, s.To,
                $"{s.Place.Plain} ({s.Place.Name})", AlmanacSays.Part(s.Place.Part)))] : [],
            Zodiac = sowing ? AlmanacSays.Zodiacs(now, await School(db)) : null,
            Cautions = [Preparations.Quartz, Preparations.AnimalParts],
            Says = [Preparations.Contested, Preparations.OutOfScope],
        });
    }

    private static string Upper(string name) => char.ToUpperInvariant(name[0]) + name[1..];

    private static string Lower(string sentence) => char.ToLowerInvariant(sentence[0]) + sentence[1..];

    private static async Task<string?> School(HoldingDb db) =>
        (await db.ForkChoices.AsNoTracking().FirstOrDefaultAsync(f => f.ForkId == AlmanacSays.ZodiacFork))?.SchoolId;

    /// <summary>Preparations of the holding as they stand, newest first.</summary>
    internal static async Task<List<Standing>> Begun(HoldingDb db, WorkDesk works)
    {
        var sky = await works.Sky();
        var kept = await db.Works.AsNoTracking().Where(w => w.Kind == WorkKind.Preparation).OrderByDescending(w => w.Id).Take(60)
            .ToListAsync();
        var ids = kept.Select(w => w.Id).ToList();
        var log = (await db.WorkLog.ThatStand().AsNoTracking().Where(e => ids.Contains(e.WorkId)).ToListAsync()).ToLookup(e => e.WorkId);
        var beds = await db.Beds.AsNoTracking().Where(b => kept.Select(w => w.BedId).Contains(b.Id)).ToDictionaryAsync(b => b.Id, b =>
            b.Name);
        var list = new List<Standing>();
        foreach (var work in kept)
        {
            if (await works.Prep(work, log[work.Id]) is { } prep)
            {
                var (word, figure) = PrepCourse.Short(prep.Plan, prep.Stands, sky);
                var where = string.Join("; ", new[] { work.Preparation!.Place, work.MarkEast is null || work.BedId is not { } bed ? null
                    : $"marked by {beds.GetValueOrDefault(bed)}", work.Preparation.Replaced ? $"in {prep.Plan.Sheath}" : null }
                    .Where(w => !string.IsNullOrWhiteSpace(w)));
                list.Add(new Standing(new WorkLine(work.Id, work.Kind, work.Name, prep.Stands.Verdict.Tone, word, figure,
                    prep.Stands.Verdict.Sentence, WorkPages.Of(work.Kind, work.Id)), prep.Plan, prep.Stands, where));
            }
        }

        return list;
    }

    /// <summary>A preparation of the holding as it stands.</summary>
    internal readonly record struct Standing(WorkLine Line, PrepPlan Plan, PrepStands Stands, string Where);

    private static List<LightMark> Light(Year year, double latitude, double longitude) =>
        [.. Enumerable.Range(0, 53).Select(week =>
        {
            var day = year.From.AddDays(week * 7);
            var light = Twilight.Of(DateOnly.FromDateTime(day.DateTime), new DateTimeOffset(day.UtcDateTime.Date, TimeSpan.Zero)
                .AddHours(-longitude / 15), 24, latitude, longitude);
            return light.RiseH is { } rise && light.SetH is { } set ? new LightMark(year.At(day), rise, set)
                : light.UpAtNoon ? new LightMark(year.At(day), light.RiseH ?? 0, light.SetH ?? 24) : new LightMark(year.At(day), 12, 12);
        })];

    private static List<TurnMark> Turns(Year year, bool south, Func<DateTimeOffset, DateTimeOffset> local) =>
        [.. new[] { year.From.Year, year.From.Year + 1 }.SelectMany(y => Enumerable.Range(0, 4).Select(t => (Name: TurnNames[t],
                At: PreparationYear.Turn(t, y, south)))).Where(t => t.At >= year.From && t.At < year.To).OrderBy(t => t.At)
            .Select(t => new TurnMark(t.Name, year.At(t.At), t.At, $"{Say.Day(local(t.At))} · {Say.Time(local(t.At))}"))];

    private static List<PrepRow> Rows(Year year, List<Standing> begun, PrepSky sky, DateTimeOffset now) =>
        [.. Preparations.All.Select(p =>
        {
            var bands = new List<PrepBand>();
            void Band(DateTimeOffset from, DateTimeOffset to, string kind, string says)
            {
                var (a, b) = (Math.Clamp(year.At(from), 0, 1), Math.Clamp(year.At(to), 0, 1));
                if (b - a > 0.002)
                {
                    bands.Add(new PrepBand(a, b, kind, says));
                }
            }

            var going = begun.Where(b => b.Plan.Kind.Id == p.Id && b.Stands.State is PrepState.Hung or PrepState.Buried).ToList();
            foreach (var b in going)
            {
                var until = b.Stands.State == PrepState.Hung ? b.Stands.Span?.BeginAt : sky.LiftDay(b.Stands.Span);
                Band(b.Stands.Since!.Value, until ?? now.AddDays(30), b.Stands.State == PrepState.Hung ? "hung" : "ground",
                    $"{p.Name}: {(b.Stands.State == PrepState.Hung ? "hung" : p.Way == PreparationWay.WinterWater ? "in water" : "in "
                        + "the ground")}");
            }

            var next = PreparationYear.Next(p, going.Count > 0 ? now.AddDays(PreparationYear.WeeksDays * 2) : now, sky.South!.Value,
                sky.Lift);
            if (next.HangAt is { } hang)
            {
                Band(hang, next.BeginAt, "hung", $"{p.Name}: hung");
            }

            Band(next.BeginAt, next.EndAt is null ? next.To : sky.LiftDay(next)!.Value, "coming", p.Way switch {
                PreparationWay.Pressed => $"{p.Name}: press the flowers",
                PreparationWay.Brewed => $"{p.Name}: cut and brew",
                PreparationWay.WinterWater => $"{p.Name}: in water",
                _ => $"{p.Name}: buried",
            });
            return new PrepRow(p.Id, p.Name, bands);
        })];

    private static Verdict Coming(PrepSky sky, DateTimeOffset now)
    {
        if (sky.South is not { } south)
        {
            return new Verdict(Tone.Mind, "Say where the holding lies, and the year is drawn for it.",
                "Under Ground and kit: a degree is near enough.");
        }

        var next = Preparations.All.Select(p => PreparationYear.Next(p, now, south, sky.Lift)).MinBy(s => s.HangAt > now ? s.HangAt
            : s.BeginAt)!;
        return new Verdict(Tone.Go, $"Next: {next.Of.Called}, about "
            + $"{Say.Date(sky.Local(next.HangAt > now ? next.HangAt.Value : next.BeginAt))}.",
            "Nothing of yours lies in the ground; begin one, and its dates follow.");
    }

    private static List<SkyLine> Sky(Records.Ground.Holding? holding, DateTimeOffset now, (bool South, ZodiacWay Way, bool Sowing) how,
        Func<DateTimeOffset, DateTimeOffset> local)
    {
        var lines = new List<SkyLine>();
        string Day(DateTimeOffset at) => Say.Day(local(at));
        if (holding is { SunLatitude: { } lat, SunLongitude: { } lon })
        {
            var there = local(now);
            var midnight = LocalTimes.Of(there.Date, local) is [var at, ..] ? at : new DateTimeOffset(there.Date, there.Offset);
            var light = Twilight.Of(DateOnly.FromDateTime(there.DateTime), midnight, 24, lat, lon);
            string At(double? h) => h is { } x ? Say.Time(local(midnight.AddHours(x))) : "none";
            lines.Add(new SkyLine("Sun", light.RiseH is null ? light.UpAtNoon ? "up all day" : "down all day"
                : $"{At(light.RiseH)} to {At(light.SetH)}"));
            lines.Add(new SkyLine("First and last light", $"{At(light.DawnH)} and {At(light.DuskH)}"));
        }

        var moon = AlmanacSays.Of(now, how.South, how.Way, Day);
        var quarters = MoonPhases.Quarters(now, now.AddDays(31));
        lines.Add(new SkyLine("Moon", moon.Phase));
        lines.Add(new SkyLine("Next full, next new", $"{Day(quarters.First(q => q.Phase == MoonPhase.Full).At)}, "
            + Day(quarters.First(q => q.Phase == MoonPhase.New).At)));
        lines.Add(new SkyLine("Its course", moon.Course));
        lines.Add(new SkyLine("How near", moon.Nearness));
        if (how.Sowing)
        {
            lines.Add(new SkyLine("It stands in the", $"{moon.Place.Plain} ({moon.Place.Name})"));
        }

        return lines;
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> SetSowing(SowingRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (r.On is not { } on)
        {
            return Refusal.Of("on", "Nothing was chosen.", "Turn it on or off.");
        }

        if (await db.Holdings.OrderBy(h => h.Id).FirstOrDefaultAsync() is not { } holding)
        {
            return Writes.NoHolding;
        }

        holding.SowingDays = on;
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(holding.Id));
    });

    private static async Task<ContentHttpResult> Calendar(HoldingDb db, HoldingClock clock, WorkDesk works)
    {
        var file = new CalendarText("Almanac", clock.Now);
        await Dates(db, clock, works, true, file.Add);
        foreach (var (line, _, dates) in await works.Lines(WorkKind.Preparation))
        {
            foreach (var date in dates)
            {
                file.Add($"work-{line.Id}-{date.Rule}", date.At, 60, date.What, date.How);
            }
        }

        return file.Answer();
    }

    /// <summary>Turns of the coming year, moons and, where they are wanted, the preparations that nobody has begun.</summary>
    internal static async Task Dates(HoldingDb db, HoldingClock clock, WorkDesk works, bool all, Action<string, DateTimeOffset, double,
        string,
        string> add)
    {
        var (now, sky, local) = (clock.Now, await works.Sky(), await clock.Local());
        if (!all && (await clock.Find())?.SowingDays != true)
        {
            return;
        }

        foreach (var turn in Turns(new Year(now, now.AddDays(365)), sky.South ?? false, local))
        {
            add($"turn-{turn.When.ToUnixTimeSeconds()}", turn.When, 5, turn.Name, turn.Shown);
        }

        foreach (var q in MoonPhases.Quarters(now, now.AddDays(365)).Where(q => q.Phase is MoonPhase.Full or MoonPhase.New))
        {
            add($"moon-{q.At.ToUnixTimeSeconds()}", q.At, 5, q.Phase == MoonPhase.Full ? "Full moon" : "New moon", Say.Time(local(q.At)));
        }

        if (all && sky.South is { } south)
        {
            var begun = await Begun(db, works);
            foreach (var p in Preparations.All.Where(p => begun.All(b => b.Plan.Kind.Id != p.Id || b.Stands.State == PrepState.Lifted)))
            {
                var next = PreparationYear.Next(p, now, south, sky.Lift);
                add($"prep-{p.Id}-{next.BeginAt.ToUnixTimeSeconds()}", next.BeginAt, 60, $"{PrepCourse.Begin(p)}: {p.Called}",
                    $"About then: {Say.Date(local(next.From))} to {Say.Date(local(next.To))}. Practice handed down; contested.");
            }
        }
    }

    /// <summary>The year that is drawn: from the first of this month, twelve months.</summary>
    private sealed record Year(DateTimeOffset From, DateTimeOffset To)
    {
        public static Year Of(DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local)
        {
            var there = local(now);
            var first = new DateTimeOffset(there.Year, there.Month, 1, 0, 0, 0, there.Offset);
            return new Year(first.ToUniversalTime(), first.AddYears(1).ToUniversalTime());
        }

        public double At(DateTimeOffset when) => Math.Round((when - From) / (To - From), 5);

        public IReadOnlyList<MonthMark> Months()
        {
            var first = From.AddHours(14); // well within its month, whatever the zone
            return [.. Enumerable.Range(0, 12).Select(i => new MonthMark(first.AddMonths(i).ToString("MMM", CultureInfo.InvariantCulture),
                At(From.AddMonths(i))))];
        }
    }
}
