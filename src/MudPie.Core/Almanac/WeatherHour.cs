namespace MudPie.Core.Almanac;

/// <summary>The weather of one hour, as a service or a file gives it.</summary>
/// <param name="At">Start of the hour.</param>
/// <param name="TemperatureC">Air, −60 to 60 °C.</param>
/// <param name="WindMps">Wind at head height, 0 to 60 m/s.</param>
/// <param name="RainMm">Rain in the hour, 0 to 200 mm.</param>
/// <param name="CloudShare">0 clear to 1 covered.</param>
/// <param name="HumidityShare">0 to 1.</param>
/// <param name="GustMps">Strongest gust, 0 to 80 m/s; null where it is not known.</param>
/// <param name="LeafWet">Leaves are wet, by a sensor; null where it is not known.</param>
public sealed record WeatherHour(DateTimeOffset At, double TemperatureC, double WindMps, double RainMm, double CloudShare,
    double HumidityShare, double? GustMps = null, bool? LeafWet = null);
