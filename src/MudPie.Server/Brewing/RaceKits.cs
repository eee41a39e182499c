using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Records.Ground;
using MudPie.Records.PuttingOut;
using MudPie.Server.Weather;

namespace MudPie.Server.Brewing;

/// <summary>The kit of a race, from what was typed, what the holding has, and the house's table.</summary>
public static class RaceKits
{
    /// <summary>A sprayer of the kit, with the flow of its newest calibration where that measured a nozzle.</summary>
    public static KitSprayer Of(Sprayer s)
    {
        var last = s.Calibrations.MaxBy(c => c.At);
        var measured = last is null ? null : last.Measured;
        var nozzle = s.Kind == "boom" ? null : measured?.NozzleLPerMin; // how many nozzles a boom has is not kept
        return new(s.Id, s.Name, s.Kind, s.TankL, nozzle,
            Sprayers.Judge(new SprayerFacts { Kind = s.Kind, Past = s.Past, ClearedWhy = s.ClearedWhy }) is { Refused: null } ruling
                && ruling.Value.Allowed);
    }

    /// <summary>The kit for a brew of so many litres: the smallest sprayer that needs no more than six fillings, else the largest; only
    /// those that may carry a brew.</summary>
    public static RaceKit For(RaceAsked? asked, IReadOnlyList<KitSprayer> sprayers, double mixL, TypedFields fields)
    {
        var fit = sprayers.Where(s => s.Allowed && s.Kind != "injector").OrderBy(s => s.TankL).ToList();
        var chosen = asked?.SprayerId is { } id ? sprayers.FirstOrDefault(s => s.Id == id) : fit.FirstOrDefault(s => s.TankL * 6 >= mixL)
            ?? fit.LastOrDefault();
        if (asked?.SprayerId is not null && chosen is null)
        {
            fields.Checks.Add("race.sprayerId", "That sprayer is not there.", "Choose from the list.");
        }

        var tank = asked?.SprayerId is null ? fields.Optional("race.tank", asked?.Tank, Dimension.Volume, 0.5, 20_000) : null;
        return new RaceKit {
            Name = tank is null ? chosen?.Name : null,
            Kind = tank is null ? chosen?.Kind ?? "knapsack" : tank > 60 ? "boom" : "knapsack",
            TankL = tank ?? chosen?.TankL ?? 15,
            FlowLpm = fields.Optional("race.flow", asked?.Flow, Dimension.Flow, 0.05, 2000) ?? (tank is null ? chosen?.FlowLpm : null),
            DrawLpm = fields.Optional("race.draw", asked?.Draw, Dimension.Flow, 0.5, 2000),
            TravelMin = fields.Optional("race.way", asked?.Way, Dimension.Plain, 0, 600),
            Lanes = (int)(fields.Optional("race.lanes", asked?.Lanes, Dimension.Plain, 1, 10) ?? 1),
            BatteryOnCart = asked?.Battery ?? false,
        };
    }

    /// <summary>What is left of the window from a moment, by sun and by the weather that is known; null without a holding, or where nothing
    /// spoils it for a day.</summary>
    public static async Task<RaceWindow?> Window(Holding? holding, bool leaf, DateTimeOffset from, WeatherBook weather) =>
        holding is null ? null : SprayWindows.Left(leaf, from, holding.Latitude, holding.Longitude,
            await weather.Hours(from.AddHours(-1), from.AddHours(31)), holding.Units);
}
