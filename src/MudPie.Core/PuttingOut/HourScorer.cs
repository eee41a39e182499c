using MudPie.Core.Almanac;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>Scores one half hour for leaves or roots: what spoils it, and what takes from it.</summary>
internal sealed class HourScorer(bool leaf, double? lat, double? lon, IReadOnlyDictionary<DateTimeOffset, WeatherHour> weather,
    UnitSystem units)
{
    /// <summary>Where it is not said where the ground lies: low, so that still air is minded.</summary>
    private const double Unknown = 10;

    /// <summary>Scores half an hour, with the sun as it stands at a moment of it.</summary>
    public HourScore Score(DateTimeOffset at, DateTimeOffset sunAt)
    {
        double? height = lat is { } north && lon is { } east ? Sun.ElevationDeg(sunAt, north, east) : null;
        var sun = height ?? Unknown;
        var (score, spoils, minds) = (1.0, new List<string>(), new List<string>());
        var causes = new List<SpoilCause>();
        void Mind(double share, string why)
        {
            score *= share;
            minds.Add(why);
        }

        void Bad(SpoilCause cause, string why)
        {
            score = 0;
            spoils.Add(why);
            causes.Add(cause);
        }

        if (height is null)
        {
            minds.Add(leaf ? "the sun is off: you see to it that it is low, and light enough" : "the sun is off");
        }
        else if (sun < SprayWindows.DarkDeg)
        {
            Bad(SpoilCause.Light, "dark: you can't see what is covered");
        }
        else if (leaf && sun > Sun.LowDeg)
        {
            Bad(SpoilCause.Light, $"sun at {Say.Fixed(sun, 0)}°: it dries on the leaf, and light kills");
        }
        else if (!leaf && sun > 45)
        {
            Mind(0.8, "high sun: water the ground first");
        }

        var now = weather.GetValueOrDefault(SprayWindows.Hour(at));
        if (now is not null)
        {
            Wind(now, sun, Bad, Mind);
            Warmth(now, at, Bad, Mind);
            Wetness(now, sun, Mind);
            Rain(at, Bad, Mind);
        }

        return new HourScore(at, height, score, spoils, minds, now, now is null
            ? "no weather known for then"
            : $"{Warm(now.TemperatureC)}, wind {Per.Wind(now.WindMps, units)}, {Per.Depth(now.RainMm, units)} of "
                + $"rain, {Say.Number(now.CloudShare * 100, 2)} % cloud") { Causes = causes };
    }

    private void Wind(WeatherHour now, double sun, Action<SpoilCause, string> bad, Action<double, string> mind)
    {
        var w = now.WindMps;
        if (leaf && w > SprayWindows.WindyMps)
        {
            bad(SpoilCause.Wind, $"wind {Per.Wind(w, units)}: it drifts");
        }
        else if (leaf && w < SprayWindows.CalmMps && sun < Sun.LowDeg)
        {
            bad(SpoilCause.Wind, $"wind {Per.Wind(w, units)}: still air under a low sun is an inversion, mist hangs");
        }
        else if (leaf && now.GustMps > SprayWindows.GustMps)
        {
            bad(SpoilCause.Wind, $"gusts of {Per.Wind(now.GustMps.Value, units)}: it drifts");
        }
        else if (leaf && w > 3)
        {
            mind(0.8, $"wind {Per.Wind(w, units)}: keep the nozzle low");
        }
        else if (!leaf && w > SprayWindows.DrenchWindMps)
        {
            bad(SpoilCause.Wind, $"wind {Per.Wind(w, units)}: even coarse drops are carried");
        }
    }

    private void Warmth(WeatherHour now, DateTimeOffset at, Action<SpoilCause, string> bad, Action<double, string> mind)
    {
        if (now.TemperatureC > SprayWindows.HotC)
        {
            bad(SpoilCause.Warmth, $"{Warm(now.TemperatureC)}: too hot");
        }
        else if (now.TemperatureC < SprayWindows.FrostC)
        {
            bad(SpoilCause.Frost, $"{Warm(now.TemperatureC)}: frost");
        }
        else if (now.TemperatureC < SprayWindows.CoolC)
        {
            // From nine tenths at 8 °C down to a quarter at 2: uptake and growth fall off about so below their base.
            mind(0.25 + (0.65 * (now.TemperatureC - SprayWindows.FrostC) / (SprayWindows.CoolC - SprayWindows.FrostC)),
                $"{Warm(now.TemperatureC)}: {(leaf ? "a leaf takes little so cool, and " : "")}a brew sleeps");
        }
        else if (now.TemperatureC > 24)
        {
            mind(0.85, $"{Warm(now.TemperatureC)}: warm leaves");
        }
        else if (Next(at, 6).Any(w => w.TemperatureC < 0))
        {
            mind(0.6, "frost within six hours");
        }
    }

    private void Wetness(WeatherHour now, double sun, Action<double, string> mind)
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

    private void Rain(DateTimeOffset at, Action<SpoilCause, string> bad, Action<double, string> mind)
    {
        var now = weather[SprayWindows.Hour(at)].RainMm;
        var next = Next(at, 6).ToList();
        if (!leaf)
        {
            var six = now + next.Sum(w => w.RainMm);
            if (six > SprayWindows.RunOffMm)
            {
                bad(SpoilCause.Rain, $"rain, {Per.Depth(six, units)} within six hours: it runs off");
            }
            else if (six > 0.5)
            {
                mind(1, $"{Per.Depth(six, units)} of rain to come: it helps a drench in");
            }

            return;
        }

        var first = next.FirstOrDefault(w => w.RainMm >= SprayWindows.WashMm);
        var hours = first is null ? 99 : (int)Math.Ceiling((first.At - at).TotalHours);
        if (now >= SprayWindows.WashMm)
        {
            bad(SpoilCause.Rain, $"rain, {Per.Depth(now, units)} in the hour");
        }
        else if (hours <= 4)
        {
            bad(SpoilCause.Rain, $"rain within {hours} h: it washes off");
        }
        else if (hours <= 6)
        {
            mind(0.7, $"rain within {hours} h");
        }
    }

    private string Warm(double celsius) => Units.Show(celsius, Dimension.Temperature, units);

    private IEnumerable<WeatherHour> Next(DateTimeOffset at, int hours) =>
        Enumerable.Range(1, hours).Select(h => weather.GetValueOrDefault(SprayWindows.Hour(at).AddHours(h))).OfType<WeatherHour>();
}
