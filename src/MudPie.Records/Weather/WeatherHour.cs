namespace MudPie.Records.Weather;

/// <summary>The weather of an hour, from a service or a file.</summary>
public sealed class WeatherHourKept
{
    /// <summary>Start of the hour.</summary>
    public DateTimeOffset At { get; set; }

    public double TemperatureC { get; set; }

    public double WindMps { get; set; }

    public double RainMm { get; set; }

    public double CloudShare { get; set; }

    public double HumidityShare { get; set; }

    /// <summary>Strongest gust; null where it is not known.</summary>
    public double? GustMps { get; set; }

    /// <summary>Leaves are wet, by a sensor; null where it is not known.</summary>
    public bool? LeafWet { get; set; }

    /// <summary>"simulated" or "file".</summary>
    public required string Source { get; set; }
}
