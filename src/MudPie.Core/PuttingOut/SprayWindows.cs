using MudPie.Core.Almanac;
using MudPie.Core.Brewing;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>When can it go out?</summary>
public sealed record WindowsQuestion
{
    /// <summary>"leaf" or "root".</summary>
    public string? Purpose { get; init; }

    /// <summary>From when.</summary>
    public DateTimeOffset From { get; init; }

    /// <summary>Hours to look at, 1 to 96; 72 when not given.</summary>
    public double? Hours { get; init; }

    /// <summary>−90 to 90°.</summary>
    public double? Latitude { get; init; }

    /// <summary>−180 to 180°.</summary>
    public double? Longitude { get; init; }

    /// <summary>Weather by the hour, in any order; what is missing is scored by the sun alone, and said.</summary>
    public IReadOnlyList<WeatherHour> Weather { get; init; } = [];
}

/// <summary>Half an hour, scored.</summary>
/// <param name="At">Its start.</param>
/// <param name="SunDeg">Height of the sun at its middle.</param>
/// <param name="Score">0 (spoilt) to 1.</param>
/// <param name="Spoils">What spoils it; empty where nothing does.</param>
/// <param name="Minds">What takes from it without spoiling it, and what helps.</param>
/// <param name="Weather">What the weather will be; null where it is not known.</param>
public sealed record HourScore(DateTimeOffset At, double SunDeg, double Score, IReadOnlyList<string> Spoils, IReadOnlyList<string> Minds, WeatherHour? Weather);

/// <summary>A stretch in which nothing spoils it.</summary>
/// <param name="From">Start.</param>
/// <param name="To">End.</param>
/// <param name="Best">Its best half hour.</param>
/// <param name="Score">Of the best, 0 to 1.</param>
/// <param name="Sentence">What it is like.</param>
public sealed record SprayWindow(DateTimeOffset From, DateTimeOffset To, DateTimeOffset Best, double Score, string Sentence);

/// <summary>The coming days, scored.</summary>
public sealed record WindowsAnswer(IReadOnlyList<HourScore> Hours, IReadOnlyList<SprayWindow> Windows, Verdict Verdict, int HoursWithoutWeather);

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
        var lat = checks.Range("latitude", q.Latitude, -90, 90, "°");
        var lon = checks.Range("longitude", q.Longitude, -180, 180, "°");
        var hours = checks.Range("hours", q.Hours ?? 72, 1, 96, "h");
        if (q.Purpose is not ("leaf" or "root"))
        {
            checks.Add("purpose", "It is not said whether it is for leaves or roots.", "Choose leaf or root.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var weather = q.Weather.GroupBy(w => Hour(w.At)).ToDictionary(g => g.Key, g => g.Last());
        var half = TimeSpan.FromMinutes(30);
        var start = new DateTimeOffset(q.From.UtcTicks / half.Ticks * half.Ticks, TimeSpan.Zero);
        var list = Enumerable.Range(0, (int)(hours * 2)).Select(i => Score(start + (half * i), q.Purpose == "leaf", lat, lon, weather)).ToList();
        var windows = Windows(list);
        var blind = list.Count(h => h.Weather is null) / 2;
        return Worked.Of(
            new WindowsAnswer(list, windows, Says(windows, list, blind), blind), "", Evidence.PractitionersRule,
            [
                new("sun", "height of the sun's centre at the middle of each half hour", $"{Say.Number(lat, 5)}°, {Say.Number(lon, 5)}°", q.Purpose == "leaf" ? "low: below 20°, above −6°" : "light enough: above −6°", "equations of the NOAA solar calculator; 20° is a practitioners' rule"),
                new("wind", q.Purpose == "leaf" ? "1 to 4 m/s" : "up to 8 m/s", "", "", "dead calm at low sun is an inversion, in which mist hangs; above it drifts"),
                new("rain", q.Purpose == "leaf" ? "none in the hour and the four after; up to six to be sure" : "light rain helps; 10 mm in six hours carries it off", "", "", "practitioners' rule"),
                new("warmth", "2 to 28 °C, best from 8", "", "", "not in frost; below 8 °C a leaf takes little and a brew sleeps: scored down; above 28 °C drops dry before they are taken up"),
                new("score", "the parts multiplied: sun × wind × rain × warmth", "", $"{windows.Count} windows in {Say.Number(hours)} h", "ours, so that each part can spoil it alone"),
            ],
            [Cautions.Spraying]);
    }

    private static DateTimeOffset Hour(DateTimeOffset at) => new(at.UtcTicks / TimeSpan.TicksPerHour * TimeSpan.TicksPerHour, TimeSpan.Zero);

    private static HourScore Score(DateTimeOffset at, bool leaf, double lat, double lon, Dictionary<DateTimeOffset, WeatherHour> weather)
    {
        var sun = Sun.ElevationDeg(at.AddMinutes(15), lat, lon);
        var (score, spoils, minds) = (1.0, new List<string>(), new List<string>());
        void Mind(double share, string why)
        {
            score *= share;
            minds.Add(why);
        }

        void Bad(string why)
        {
            score = 0;
            spoils.Add(why);
        }

        if (sun < DarkDeg)
        {
            Bad("dark: you can't see what is covered");
        }
        else if (leaf && sun > Sun.LowDeg)
        {
            Bad($"sun at {Say.Fixed(sun, 0)}°: it dries on the leaf, and light kills");
        }
        else if (!leaf && sun > 45)
        {
            Mind(0.8, "high sun: water the ground first");
        }

        var now = weather.GetValueOrDefault(Hour(at));
        if (now is not null)
        {
            Wind(now, leaf, sun, Bad, Mind);
            Warmth(now, leaf, weather, at, Bad, Mind);
            Wetness(now, leaf, sun, Mind);
            Rain(at, leaf, weather, Bad, Mind);
        }

        return new HourScore(at, sun, score, spoils, minds, now);
    }

    private static void Wind(WeatherHour now, bool leaf, double sun, Action<string> bad, Action<double, string> mind)
    {
        var w = now.WindMps;
        if (leaf && w > WindyMps)
        {
            bad($"wind {Say.Number(w, 2)} m/s: it drifts");
        }
        else if (leaf && w < CalmMps && sun < Sun.LowDeg)
        {
            bad($"wind {Say.Number(w, 2)} m/s: still air under a low sun is an inversion, mist hangs");
        }
        else if (leaf && now.GustMps > GustMps)
        {
            bad($"gusts of {Say.Number(now.GustMps.Value, 2)} m/s: it drifts");
        }
        else if (leaf && w > 3)
        {
            mind(0.8, $"wind {Say.Number(w, 2)} m/s: keep the nozzle low");
        }
        else if (!leaf && w > DrenchWindMps)
        {
            bad($"wind {Say.Number(w, 2)} m/s: even coarse drops are carried");
        }
    }

    private static void Warmth(WeatherHour now, bool leaf, Dictionary<DateTimeOffset, WeatherHour> weather, DateTimeOffset at, Action<string> bad, Action<double, string> mind)
    {
        if (now.TemperatureC > HotC)
        {
            bad($"{Say.Number(now.TemperatureC, 2)} °C: too hot");
        }
        else if (now.TemperatureC < FrostC)
        {
            bad($"{Say.Number(now.TemperatureC, 2)} °C: frost");
        }
        else if (now.TemperatureC < CoolC)
        {
            // From nine tenths at 8 °C down to a quarter at 2: uptake and growth fall off about so below their base.
            mind(0.25 + (0.65 * (now.TemperatureC - FrostC) / (CoolC - FrostC)), $"{Say.Number(now.TemperatureC, 2)} °C: {(leaf ? "a leaf takes little so cool, and " : "")}a brew sleeps");
        }
        else if (now.TemperatureC > 24)
        {
            mind(0.85, $"{Say.Number(now.TemperatureC, 2)} °C: warm leaves");
        }
        else if (Next(weather, at, 6).Any(w => w.TemperatureC < 0))
        {
            mind(0.6, "frost within six hours");
        }
    }

    private static void Wetness(WeatherHour now, bool leaf, double sun, Action<double, string> mind)
    {
        if (leaf && now.LeafWet == true)
        {
            mind(0.7, "leaves are wet: it runs off, wait until they dry");
        }
        else if (leaf && now.LeafWet is null && now.HumidityShare >= 0.95 && now.CloudShare < 0.5 && sun < 5)
        {
            mind(0.85, "air near saturation under a clear sky: dew is likely, look before you spray");
        }
    }

    private static void Rain(DateTimeOffset at, bool leaf, Dictionary<DateTimeOffset, WeatherHour> weather, Action<string> bad, Action<double, string> mind)
    {
        var now = weather[Hour(at)].RainMm;
        var next = Next(weather, at, 6).ToList();
        if (!leaf)
        {
            var six = now + next.Sum(w => w.RainMm);
            if (six > RunOffMm)
            {
                bad($"{Say.Number(six, 2)} mm of rain within six hours: it runs off");
            }
            else if (six > 0.5)
            {
                mind(1, $"{Say.Number(six, 2)} mm of rain to come: it helps a drench in");
            }

            return;
        }

        var first = next.FirstOrDefault(w => w.RainMm >= WashMm);
        var hours = first is null ? 99 : (int)Math.Ceiling((first.At - at).TotalHours);
        if (now >= WashMm)
        {
            bad($"rain, {Say.Number(now, 2)} mm in the hour");
        }
        else if (hours <= 4)
        {
            bad($"rain within {hours} h: it washes off");
        }
        else if (hours <= 6)
        {
            mind(0.7, $"rain within {hours} h");
        }
    }

    private static IEnumerable<WeatherHour> Next(Dictionary<DateTimeOffset, WeatherHour> weather, DateTimeOffset at, int hours) =>
        Enumerable.Range(1, hours).Select(h => weather.GetValueOrDefault(Hour(at).AddHours(h))).OfType<WeatherHour>();

    private static List<SprayWindow> Windows(List<HourScore> list)
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
            windows.Add(new SprayWindow(list[i].At, list[end].At.AddMinutes(30), best.At, best.Score, Like(best)));
            i = end;
        }

        return windows;
    }

    private static string Like(HourScore h)
    {
        var air = h.Weather is { } w ? $"{Say.Number(w.TemperatureC, 2)} °C, wind {Say.Number(w.WindMps, 2)} m/s, " : "weather not known, ";
        return air + (h.SunDeg < Sun.RiseDeg ? "before or after the sun" : $"sun at {Say.Fixed(h.SunDeg, 0)}°") + (h.Minds.Count > 0 ? "; " + string.Join("; ", h.Minds) : "");
    }

    private static Verdict Says(List<SprayWindow> windows, List<HourScore> list, int blind)
    {
        var unknown = blind > 0 ? $" For {blind} h there is no weather: those are scored by the sun alone." : "";
        if (windows.Count == 0)
        {
            var most = list.SelectMany(h => h.Spoils.Select(s => s.Split(':')[0].Split(' ')[0])).GroupBy(s => s).OrderByDescending(g => g.Count()).First().Key;
            return new Verdict(Tone.Stop, "Nothing suits in the hours ahead.", $"Mostly it is the {(most.StartsWith('-') || char.IsDigit(most[0]) ? "warmth" : most)} that spoils it.{unknown}");
        }

        var best = windows.MaxBy(w => w.Score)!;
        return new Verdict(best.Score >= 0.75 ? Tone.Go : Tone.Mind, windows.Count == 1 ? "One window ahead." : $"{windows.Count} windows ahead.", $"The best: {best.Sentence}.{unknown}");
    }
}
