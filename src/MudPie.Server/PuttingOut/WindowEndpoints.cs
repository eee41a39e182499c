using Microsoft.EntityFrameworkCore;
using MudPie.Core.Almanac;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Brewing;
using MudPie.Server.Weather;
using MudPie.Server.Web;

namespace MudPie.Server.PuttingOut;

/// <summary>Where the weather comes from, and how far it reaches.</summary>
public sealed record WeatherView(int HoursAhead, DateTimeOffset? Until, bool Simulated, bool FromFile, string Says);

/// <summary>A brew that is meant to go out in the hours ahead, and its race.</summary>
public sealed record WindowBrew(int BatchId, string Name, DateTimeOffset UseAt, string BrewShown, Verdict? Verdict, RaceView? Race);

/// <summary>A weather file as text.</summary>
public sealed record WeatherFileRequest(string? Csv);

/// <summary>Windows for putting out, and the weather behind them.</summary>
public static class WindowEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapWindows(this IEndpointRouteBuilder api)
    {
        api.MapGet("/put-out/windows", Read).ForVisitor("Hours ahead, scored for putting out.");
        api.MapGet("/put-out/windows/brews", Brews).ForVisitor("Brews beside the hours that suit them.");
        api.MapGet("/put-out/sun", SunThere).ForVisitor("Sunrise, sunset and height where the holding lies.");
        api.MapGet("/weather", Weather).ForVisitor("Weather that is known, hour by hour.");
        api.MapPost("/weather/file", Bring).ForHand("Brings weather in from a table.");
    }

    private static async Task<Results<Results<Ok<Worked<WindowsAnswer>>, Refused>, Missing>> Read(HoldingClock clock, WeatherBook weather,
        string purpose = "leaf", double hours = 72)
    {
        if (await clock.Find() is not { } holding)
        {
            return Problems.NotFound("holding yet");
        }

        return Problems.Answer(SprayWindows.Of(new WindowsQuestion {
            Units = await clock.Units(),
            Purpose = Words.Read<Purpose>(purpose),
            From = clock.Now,
            Hours = hours,
            Latitude = holding.SunLatitude,
            Longitude = holding.SunLongitude,
            SunOff = !holding.PlaceKnown,
            Weather = await weather.Hours(clock.Now.AddHours(-1), clock.Now.AddHours(Math.Min(hours, 96) + 8)),
        }));
    }

    /// <summary>Brews planned or going for this purpose, each with what its own page says of it and the one race.</summary>
    private static async Task<Ok<List<WindowBrew>>> Brews(HoldingDb db, HoldingClock clock, LiveBrew live, string purpose = "leaf")
    {
        var wanted = Words.Read<Purpose>(purpose);
        var ids = await db.Batches.AsNoTracking().Where(b => b.Purpose == wanted
            && (b.State == BatchState.Planned || b.State == BatchState.Brewing || b.State == BatchState.Off))
            .OrderBy(b => b.UseAt).Select(b => b.Id).Take(12).ToListAsync();
        var units = await clock.Units();
        var list = new List<WindowBrew>();
        foreach (var id in ids)
        {
            var batch = (await live.Load(id))!;
            var watch = await live.Watch(batch);
            list.Add(new(id, batch.Name, batch.UseAt, Units.Show(batch.BrewL, Dimension.Volume, units),
                watch?.Match(w => w.Value.Verdict, _ => null!), await live.Race(batch) is { } race ? RaceViews.Of(race, units) : null));
        }

        return TypedResults.Ok(list);
    }

    /// <summary>To the nearest minute, as almanacs print it: pages cut seconds off.</summary>
    private static DateTimeOffset? ToMinute(DateTimeOffset? at) => at is { } x ? x.AddSeconds(30) is var y
        ? y.AddTicks(-(y.Ticks % TimeSpan.TicksPerMinute)) : x : null;

    private static async Task<Results<Results<Ok<Worked<SunAnswer>>, Refused>, Missing>> SunThere(HoldingClock clock) =>
        await clock.Find() is { PlaceKnown: true } holding
            ? Problems.Answer(SunTimes.From(holding.Latitude, holding.Longitude, clock.Now)
                .Match<Ruling<SunAnswer>>(w =>
                    w.With(w.Value with { NextRise = ToMinute(w.Value.NextRise), NextSet = ToMinute(w.Value.NextSet) }, w.Unit), r => r))
                    : Problems.NotFound("place for the sun yet");

    private static async Task<Ok<WeatherView>> Weather(HoldingDb db, HoldingClock clock, WeatherHealth health)
    {
        var now = clock.Now;
        var ahead = await db.Weather.AsNoTracking().Where(w => w.At > now).Select(w => new { w.At, w.Source }).ToListAsync();
        var simulated = ahead.Any(w => w.Source == "simulated");
        var file = ahead.Any(w => w.Source == "file");
        var says = ahead.Count == 0
            ? "No weather is known: hours are scored by the sun alone. Bring a file by the hour, or start with the simulated service."
            : simulated ? "Simulated weather, made up from the place and the date: not a forecast."
                + (file ? " Some hours are from your file." : "") : file ? "From your file." : "From your weather service.";
        if (health.Now is { } failing)
        {
            var since = (await clock.Local())(failing.Since);
            says += $" The weather service has not been read since {Say.Day(since)} {Say.Time(since)}: {failing.Why} It is asked "
                + "again and again; what is known stays.";
        }

        return TypedResults.Ok(new WeatherView(ahead.Count, ahead.Count == 0 ? null : ahead.Max(w => w.At), simulated, file, says));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Bring(WeatherFileRequest r, HoldingClock clock, WeatherBook weather,
        Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (r.Csv is { Length: > 400_000 })
        {
            return Refusal.Of("csv", "That file is too large for weather by the hour.", "Up to 2,000 rows; a fortnight is 336.");
        }

        var read = WeatherCsv.Read(r.Csv, await clock.Local());
        return read.Refused is { } refused ? refused : Writes.Done(new Kept(await weather.Put(read.Value, "file")));
    });
}
