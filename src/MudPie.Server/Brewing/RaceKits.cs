using MudPie.Core.PuttingOut;
using MudPie.Records.Ground;
using MudPie.Records.PuttingOut;
using MudPie.Server.Weather;

namespace MudPie.Server.Brewing;

/// <summary>What the record knows of a race: a sprayer as it was last measured, and the window that is left.</summary>
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

    /// <summary>What is left of the window from a moment, by sun and by the weather that is known; null without a holding, or where nothing
    /// spoils it for a day.</summary>
    public static async Task<RaceWindow?> Window(Holding? holding, bool leaf, DateTimeOffset from, WeatherBook weather) =>
        holding is null ? null : SprayWindows.Left(leaf, from, holding.SunLatitude, holding.SunLongitude,
            await weather.Hours(from.AddHours(-1), from.AddHours(31)), holding.Units);
}
