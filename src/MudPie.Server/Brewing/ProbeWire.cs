using System.Globalization;

namespace MudPie.Server.Brewing;

/// <summary>A reading as it came over the wire.</summary>
public sealed record WireReading(long Sequence, DateTimeOffset At, double MgPerL, double TemperatureC);

/// <summary>The probe's line protocol, read strictly: see docs/probe.md.</summary>
public static class ProbeWire
{
    /// <summary>No line is longer than this; a longer one is refused and the connection closed.</summary>
    public const int LongestLine = 160;

    /// <summary>The greatest count of a reading: a million readings a second for thirty years.</summary>
    public const long MostCount = 1_000_000_000_000_000;

    /// <summary>Days back from which a reading is still taken.</summary>
    public const int Remembers = 60;

    /// <summary>Reads the first words: "hello mudpie-probe 1 NAME simulated" or "… real".</summary>
    /// <returns>Name and whether it says that it is simulated; null where it is no probe of this protocol.</returns>
    public static (string Name, bool Simulated)? Hello(string line) =>
        line.Split(' ') is ["hello", "mudpie-probe", "1", { Length: > 0 and <= 40 } name, "simulated" or "real"] words
            ? (name, words[4] == "simulated") : null;

    /// <summary>No brew is warmer than this, °C.</summary>
    public const double WarmestBrew = 60;

    /// <summary>Reads "r SEQUENCE TIME MG-PER-L TEMPERATURE".</summary>
    /// <param name="line">As it came.</param>
    /// <param name="now">Now.</param>
    /// <param name="hottest">The warmest that can be, °C: a heap's core is warmer than any brew.</param>
    /// <returns>The reading, or what was wrong with the line.</returns>
    public static (WireReading? Reading, string? Wrong) Reading(string line, DateTimeOffset now, double hottest = WarmestBrew)
    {
        if (line.Split(' ') is not ["r", var sequence, var at, var oxygen, var warmth])
        {
            return (null, "not a reading");
        }

        if (!long.TryParse(sequence, NumberStyles.None, CultureInfo.InvariantCulture, out var n)
            || !DateTimeOffset.TryParseExact(at, "yyyy-MM-dd'T'HH:mm:ss.fff'Z'", CultureInfo.InvariantCulture,
                DateTimeStyles.AssumeUniversal, out var when)
            || !double.TryParse(oxygen, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var mg)
            || !double.TryParse(warmth, NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
                CultureInfo.InvariantCulture, out var c))
        {
            return (null, "a figure that can't be read");
        }

        if (n > MostCount)
        {
            return (null, "a count that no probe reaches");
        }

        if (when < now.AddDays(-Remembers))
        {
            return (null, "a time that is long past");
        }

        return mg is not (>= 0 and <= 25) || !(c >= -5 && c <= hottest)
            ? (null, "a figure that no brew has")
            : when > now.AddMinutes(5) ? (null, "a time that has not come yet") : (new WireReading(n, when, mg, c), null);
    }
}
