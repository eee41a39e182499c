using MudPie.Core.Almanac;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>When can it go out?</summary>
public sealed record WindowsQuestion
{
    /// <summary>Units that sentences speak in.</summary>
    public UnitSystem Units { get; init; }

    /// <summary>"leaf" or "root".</summary>
    public Purpose? Purpose { get; init; }

    /// <summary>From when.</summary>
    public DateTimeOffset From { get; init; }

    /// <summary>Hours to look at, 1 to 96; 72 when not given.</summary>
    public double? Hours { get; init; }

    /// <summary>−90 to 90°.</summary>
    public double? Latitude { get; init; }

    /// <summary>−180 to 180°.</summary>
    public double? Longitude { get; init; }

    /// <summary>It is not known where the ground lies: hours are scored without the sun, and that is said.</summary>
    public bool SunOff { get; init; }

    /// <summary>Weather by the hour, in any order; what is missing is scored by the sun alone, and said.</summary>
    public IReadOnlyList<WeatherHour> Weather { get; init; } = [];
}

/// <summary>Half an hour, scored.</summary>
/// <param name="At">Its start.</param>
/// <param name="SunDeg">Height of the sun at its middle, degrees; null where the sun is off.</param>
/// <param name="Score">0 (spoilt) to 1.</param>
/// <param name="Spoils">What spoils it; empty where nothing does.</param>
/// <param name="Minds">What takes from it without spoiling it, and what helps.</param>
/// <param name="Weather">What the weather will be; null where it is not known.</param>
/// <param name="WeatherShown">The same in the holding's units.</param>
public sealed record HourScore(DateTimeOffset At, double? SunDeg, double Score, IReadOnlyList<string> Spoils, IReadOnlyList<string> Minds,
    WeatherHour? Weather, string WeatherShown)
{
    /// <summary>What each of the spoils is about, in their order.</summary>
    public required IReadOnlyList<SpoilCause> Causes { get; init; }
}

/// <summary>What spoils an hour.</summary>
public enum SpoilCause
{
    /// <summary>Dark, or the sun too high.</summary>
    Light,

    /// <summary>Too hot.</summary>
    Warmth,

    /// <summary>It drifts, or hangs.</summary>
    Wind,

    /// <summary>It washes off, or runs off.</summary>
    Rain,

    /// <summary>Frost.</summary>
    Frost
}

/// <summary>A stretch in which nothing spoils it.</summary>
/// <param name="From">Start.</param>
/// <param name="To">End.</param>
/// <param name="Best">Its best half hour.</param>
/// <param name="Score">Of the best, 0 to 1.</param>
/// <param name="Sentence">What it is like.</param>
public sealed record SprayWindow(DateTimeOffset From, DateTimeOffset To, DateTimeOffset Best, double Score, string Sentence);

/// <summary>The coming days, scored.</summary>
public sealed record WindowsAnswer(IReadOnlyList<HourScore> Hours, IReadOnlyList<SprayWindow> Windows, Verdict Verdict,
    int HoursWithoutWeather);

/// <summary>Scores the hours for leaves or roots by sun, wind, rain and warmth.</summary>
public static class SprayWindows
{
    /// <summary>Lightest wind for a leaf spray, m/s: below it the air stands and mist hangs.</summary>
    public const double CalmMps = 1;

    /// <summary>Strongest wind for a leaf spray, m/s.</summary>
    public const double WindyMps = 4;

    /// <summary>Strongest wind for a drench with coarse drops, m/s.</summary>
    public const double DrenchWindMps = 8;

    /// <summary>Warmest air, °C.</summary>
    public const double HotC = 28;

    /// <summary>Coldest air, °C: below it there may be frost on the ground.</summary>
    public const double FrostC = 2;

    /// <summary>Below this a leaf takes little and a brew sleeps, °C.</summary>
    public const double CoolC = 8;

    /// <summary>Gusts that carry a leaf spray off whatever the mean wind is, m/s.</summary>
    public const double GustMps = 7;

    /// <summary>Below this height of the sun it is too dark to see what is covered, degrees (civil twilight).</summary>
    public const double DarkDeg = -6;

    /// <summary>Rain that washes a film off, mm in an hour.</summary>
    public const double WashMm = 0.2;

    /// <summary>Rain in six hours that carries a drench away, mm.</summary>
    public const double RunOffMm = 10;

    /// <summary>Scores each half hour.</summary>
    /// <remarks>Leaves, sun at 12°, 2 m/s, 16 °C, dry for the next six hours: 1. The same at 6 m/s: 0, "wind 6 m/s: it drifts".</remarks>
    public static Ruling<WindowsAnswer> Of(WindowsQuestion q)
    {
        var checks = new Checks();
        double? lat = q.SunOff ? null : checks.Range("latitude", q.Latitude, -90, 90, "°");
        double? lon = q.SunOff ? null : checks.Range("longitude", q.Longitude, -180, 180, "°");
        var hours = checks.Range("hours", q.Hours ?? 72, 1, 96, "h");
        checks.One("purpose", q.Purpose, "It is not said whether it is for leaves or roots.");

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var scorer = new HourScorer(q.Purpose == Purpose.Leaf, lat, lon, ByHour(q.Weather), q.Units);
        var half = TimeSpan.FromMinutes(30);
        var start = new DateTimeOffset(q.From.UtcTicks / half.Ticks * half.Ticks, TimeSpan.Zero);
        var list = Enumerable.Range(0, (int)(hours * 2))
            .Select(i => scorer.Score(start + (half * i), start + (half * i) + (half / 2))).ToList();
        var windows = Windows(list, q.Units);
        var blind = list.Count(h => h.Weather is null) / 2;
        return Worked.Of(
            new WindowsAnswer(list, windows, Says(windows, list, blind, q.SunOff), blind), "", Evidence.PractitionersRule,
            [
                new("sun", "height of the sun's centre at the middle of each half hour", lat is { } n && lon is { } e
                    ? $"{Say.Number(n, 5)}°, {Say.Number(e, 5)}°" : "off: it is not said where the ground lies",
                    q.Purpose == Purpose.Leaf ? "low: below 20°, above −6°" : "light enough: above −6°",
                    "equations of the NOAA solar calculator; 20° is a practitioners' rule"),
                new("wind", q.Purpose == Purpose.Leaf ? "1 to 4 m/s" : "up to 8 m/s", "", "",
                    "dead calm at low sun is an inversion, in which mist hangs; above it drifts"),
                new("rain", q.Purpose == Purpose.Leaf ? "none in the hour and the four after; up to six to be sure"
                    : "light rain helps; 10 mm in six hours carries it off", "", "", "practitioners' rule"),
                new("warmth", "2 to 28 °C, best from 8", "", "",
                    "not in frost; below 8 °C a leaf takes little and a brew sleeps: scored down; above 28 °C drops dry before they are "
                        + "taken up"),
                new("score", "the parts multiplied: sun × wind × rain × warmth", "", $"{windows.Count} windows in {Say.Number(hours)} h",
                    "ours, so that each part can spoil it alone"),
            ],
            [Cautions.Spraying]);
    }

    /// <summary>How long from a moment nothing spoils it, and what does then; null where nothing does for a day.</summary>
    /// <param name="leaf">For leaves, else for roots.</param>
    /// <param name="from">From when.</param>
    /// <param name="latitude">−90 to 90°; null leaves the sun off.</param>
    /// <param name="longitude">−180 to 180°.</param>
    /// <param name="weather">Weather by the hour, for 31 h on.</param>
    /// <param name="units">Units that the words speak in.</param>
    /// <remarks>Roots, dry and still, an hour before civil dusk: 60 min, "dark: you can't see what is covered".</remarks>
    public static RaceWindow? Left(bool leaf, DateTimeOffset from, double? latitude, double? longitude, IReadOnlyList<WeatherHour> weather,
        UnitSystem units = UnitSystem.Metric)
    {
        var scorer = new HourScorer(leaf, latitude, longitude, ByHour(weather), units);
        for (var m = 0; m < 24 * 60; m += 5)
        {
            var at = from.AddMinutes(m);
            if (scorer.Score(at, at).Spoils is [var why, ..])
            {
                return new RaceWindow(m, why);
            }
        }

        return null;
    }

    /// <summary>The first half hour from a moment that nothing spoils, nor the hour and a half after it; the moment itself where none
    /// within two days is so.</summary>
    /// <param name="leaf">For leaves, else for roots.</param>
    /// <param name="from">From when: said as it is where nothing spoils it.</param>
    /// <param name="latitude">−90 to 90°; null leaves the sun off.</param>
    /// <param name="longitude">−180 to 180°.</param>
    /// <param name="weather">Weather by the hour, for 55 h on.</param>
    /// <remarks>Seven in the morning late in November at 52.5° is dark: half past seven, when the sun stands less than 6° below the
    /// horizon.</remarks>
    public static DateTimeOffset FirstFit(bool leaf, DateTimeOffset from, double? latitude, double? longitude,
        IReadOnlyList<WeatherHour> weather) => FirstWindow(leaf, from, latitude, longitude, weather) ?? from;

    /// <summary>As <see cref="FirstFit"/>; null where none within two days is so.</summary>
    public static DateTimeOffset? FirstWindow(bool leaf, DateTimeOffset from, double? latitude, double? longitude,
        IReadOnlyList<WeatherHour> weather)
    {
        var scorer = new HourScorer(leaf, latitude, longitude, ByHour(weather), UnitSystem.Metric);
        var fit = Enumerable.Range(0, 100).Select(i => from.AddMinutes(30 * i))
            .Select(at => scorer.Score(at, at).Spoils.Count == 0).ToList();
        var first = Enumerable.Range(0, 96).FirstOrDefault(i => fit.Skip(i).Take(4).All(f => f), -1);
        return first < 0 ? null : from.AddMinutes(30 * first);
    }

    private static Dictionary<DateTimeOffset, WeatherHour> ByHour(IEnumerable<WeatherHour> weather) =>
        weather.GroupBy(w => Hour(w.At)).ToDictionary(g => g.Key, g => g.Last());

    internal static DateTimeOffset Hour(DateTimeOffset at) =>
        new(at.UtcTicks / TimeSpan.TicksPerHour * TimeSpan.TicksPerHour, TimeSpan.Zero);

    private static List<SprayWindow> Windows(List<HourScore> list, UnitSystem units)
    {
        var windows = new List<SprayWindow>();
        for (var i = 0; i < list.Count; i++)
        {
            if (list[i].Spoils.Count > 0)
            {
                continue;
            }

            var end = i;
            while (end + 1 < list.Count && list[end + 1].Spoils.Count == 0)
            {
                end++;
            }

            var best = list.Skip(i).Take(end - i + 1).MaxBy(h => h.Score)!;
            windows.Add(new SprayWindow(list[i].At, list[end].At.AddMinutes(30), best.At, best.Score, Like(best, units)));
            i = end;
        }

        return windows;
    }

    private static string Like(HourScore h, UnitSystem units)
    {
        var air = h.Weather is { } w ? $"{Units.Show(w.TemperatureC, Dimension.Temperature, units)}, wind {Per.Wind(w.WindMps, units)}, "
            : "weather not known, ";
        return air + (h.SunDeg switch {
            null => "without the sun",
            < Sun.RiseDeg => "before or after the sun", { } high => $"sun at {Say.Fixed(high, 0)}°"
        })
            + (h.Minds.Count > 0 ? "; " + string.Join("; ", h.Minds) : "");
    }

    private static Verdict Says(List<SprayWindow> windows, List<HourScore> list, int blind, bool sunOff)
    {
        var unknown = (blind > 0 ? $" For {blind} h there is no weather{(sunOff ? "." : ": those are scored by the sun alone.")}" : "")
            + (sunOff ? " The sun is off until you say where your ground lies." : "");
        if (windows.Count == 0)
        {
            var most = list.SelectMany(h => h.Spoils.Select(s => s.Split(':')[0].Split(' ')[0])).GroupBy(s => s)
                .OrderByDescending(g => g.Count()).First().Key;
            return new Verdict(Tone.Stop, "Nothing suits in the hours ahead.",
                $"Mostly it is the {(most.StartsWith('-') || char.IsAsciiDigit(most[0]) ? "warmth" : most)} that spoils it.{unknown}");
        }

        var best = windows.MaxBy(w => w.Score)!;
        return new Verdict(best.Score >= 0.75 ? Tone.Go : Tone.Mind, windows.Count == 1
            ? "One window ahead." : $"{windows.Count} windows ahead.", $"The best: {best.Sentence}.{unknown}");
    }
}
