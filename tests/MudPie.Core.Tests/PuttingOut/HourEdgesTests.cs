using MudPie.Core.Almanac;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>Each limit of an hour, just before it and just past it: a mild dry hour with a light wind and one thing changed.</summary>
public sealed class HourEdgesTests
{
    private static readonly DateTimeOffset Day = new(2026, 6, 10, 0, 0, 0, TimeSpan.Zero);

    private static HourScore Hour(Purpose purpose, int hour, Func<int, WeatherHour, WeatherHour> change) =>
        SprayWindows.Of(new WindowsQuestion {
            Purpose = purpose, From = Day.AddHours(hour), Hours = 1, Latitude = 52.5, Longitude = 0,
            Weather = [.. Enumerable.Range(hour, 12).Select(h => change(h - hour, new WeatherHour(Day.AddHours(h), 16, 2, 0, 0.3, 0.7)))],
        }).Value.Hours[0];

    private static void Is(HourScore hour, double score, string says)
    {
        hour.Score.ShouldBe(score, 1e-9);
        string.Join('|', hour.Spoils.Concat(hour.Minds)).ShouldBe(says);
    }

    [Theory]
    [InlineData(Purpose.Leaf, 1, 1, "")]
    [InlineData(Purpose.Leaf, 0.9, 0, "wind 0.9 m/s: still air under a low sun is an inversion, mist hangs")]
    [InlineData(Purpose.Leaf, 3, 1, "")]
    [InlineData(Purpose.Leaf, 3.1, 0.8, "wind 3.1 m/s: keep the nozzle low")]
    [InlineData(Purpose.Leaf, 4, 0.8, "wind 4 m/s: keep the nozzle low")]
    [InlineData(Purpose.Leaf, 4.1, 0, "wind 4.1 m/s: it drifts")]
    [InlineData(Purpose.Root, 0, 1, "")]
    [InlineData(Purpose.Root, 8, 1, "")]
    [InlineData(Purpose.Root, 8.1, 0, "wind 8.1 m/s: even coarse drops are carried")]
    public void Wind(Purpose purpose, double mps, double score, string says) =>
        Is(Hour(purpose, 18, (_, w) => w with { WindMps = mps }), score, says);

    [Theory]
    [InlineData(Purpose.Leaf, 7, 1, "")]
    [InlineData(Purpose.Leaf, 7.1, 0, "gusts of 7.1 m/s: it drifts")]
    [InlineData(Purpose.Root, 7.1, 1, "")]
    public void Gusts(Purpose purpose, double mps, double score, string says) =>
        Is(Hour(purpose, 18, (_, w) => w with { GustMps = mps }), score, says);

    [Theory]
    [InlineData(Purpose.Leaf, 28.1, 0, "28.1 °C: too hot")]
    [InlineData(Purpose.Leaf, 28, 0.85, "28 °C: warm leaves")]
    [InlineData(Purpose.Root, 24.1, 0.85, "24.1 °C: warm leaves")]
    [InlineData(Purpose.Leaf, 24, 1, "")]
    [InlineData(Purpose.Leaf, 8, 1, "")]
    [InlineData(Purpose.Root, 5, 0.575, "5 °C: a brew sleeps")] // 0.25 + 0.65 · 3 ÷ 6
    [InlineData(Purpose.Leaf, 5, 0.575, "5 °C: a leaf takes little so cool, and a brew sleeps")]
    [InlineData(Purpose.Leaf, 2, 0.25, "2 °C: a leaf takes little so cool, and a brew sleeps")]
    [InlineData(Purpose.Root, 1.9, 0, "1.9 °C: frost")]
    public void Warmth(Purpose purpose, double celsius, double score, string says) =>
        Is(Hour(purpose, 18, (_, w) => w with { TemperatureC = celsius }), score, says);

    [Theory]
    [InlineData(1, -0.1, 0.6)]
    [InlineData(6, -0.1, 0.6)]
    [InlineData(6, 0, 1)]
    [InlineData(7, -9, 1)]
    public void Frost_to_come(int inHours, double celsius, double score) =>
        Is(Hour(Purpose.Root, 18, (h, w) => h == inHours ? w with { TemperatureC = celsius } : w), score,
            score < 1 ? "frost within six hours" : "");

    [Theory]
    [InlineData(0, 0.2, 0, "rain, 0.2 mm in the hour")]
    [InlineData(0, 0.1, 1, "")]
    [InlineData(1, 0.2, 0, "rain within 1 h: it washes off")]
    [InlineData(4, 0.2, 0, "rain within 4 h: it washes off")]
    [InlineData(5, 0.2, 0.7, "rain within 5 h")]
    [InlineData(6, 0.2, 0.7, "rain within 6 h")]
    [InlineData(6, 0.1, 1, "")]
    [InlineData(7, 9, 1, "")]
    public void Rain_on_leaves(int inHours, double mm, double score, string says) =>
        Is(Hour(Purpose.Leaf, 18, (h, w) => h == inHours ? w with { RainMm = mm } : w), score, says);

    [Theory]
    [InlineData(0, 0.5, 1, "")]
    [InlineData(0, 0.6, 1, "0.6 mm of rain to come: it helps a drench in")]
    [InlineData(6, 10, 1, "10 mm of rain to come: it helps a drench in")]
    [InlineData(6, 10.1, 0, "rain, 10 mm within six hours: it runs off")]
    [InlineData(7, 40, 1, "")]
    public void Rain_on_a_drench(int inHours, double mm, double score, string says) =>
        Is(Hour(Purpose.Root, 18, (h, w) => h == inHours ? w with { RainMm = mm } : w), score, says);

    [Fact]
    public void Rain_now_and_rain_to_come_are_taken_together_for_a_drench() =>
        Is(Hour(Purpose.Root, 18, (h, w) => h is 0 or 3 ? w with { RainMm = 5.5 } : w), 0, "rain, 11 mm within six hours: it runs off");

    [Theory]
    [InlineData(Purpose.Leaf, true, 0.7, "leaves are wet: it runs off, wait until they dry")]
    [InlineData(Purpose.Leaf, false, 1, "")]
    [InlineData(Purpose.Root, true, 1, "")]
    public void Leaves_that_a_sensor_calls_wet(Purpose purpose, bool wet, double score, string says) =>
        Is(Hour(purpose, 18, (_, w) => w with { LeafWet = wet, HumidityShare = 0.99, CloudShare = 0 }), score, says);

    [Theory]
    [InlineData(Purpose.Leaf, 20, 0.95, 0.4, 0.85)] // the sun stands a degree high
    [InlineData(Purpose.Leaf, 20, 0.94, 0.4, 1)]
    [InlineData(Purpose.Leaf, 20, 0.95, 0.5, 1)]
    [InlineData(Purpose.Leaf, 18, 0.95, 0.4, 1)] // and here at 17 degrees
    [InlineData(Purpose.Root, 20, 0.95, 0.4, 1)]
    public void Dew_that_is_likely(Purpose purpose, int hour, double humidity, double cloud, double score) =>
        Is(Hour(purpose, hour, (_, w) => w with { HumidityShare = humidity, CloudShare = cloud }), score,
            score < 1 ? "air near saturation under a clear sky: dew is likely, look before you spray" : "");

    [Fact]
    public void The_sun_dries_a_leaf_and_a_drench_under_a_high_one_wants_water_first()
    {
        Hour(Purpose.Leaf, 12, (_, w) => w).Spoils.Single().ShouldStartWith("sun at 60°");
        Is(Hour(Purpose.Root, 12, (_, w) => w), 0.8, "high sun: water the ground first");
        Is(Hour(Purpose.Root, 16, (_, w) => w), 1, "");
        Is(Hour(Purpose.Root, 23, (_, w) => w), 0, "dark: you can't see what is covered");
    }

    [Fact]
    public void Still_air_under_a_high_sun_is_no_inversion() =>
        Hour(Purpose.Leaf, 12, (_, w) => w with { WindMps = 0.5 }).Spoils.Count.ShouldBe(1); // the sun alone

    [Fact]
    public void All_that_is_minded_is_multiplied_and_all_that_spoils_is_said()
    {
        Is(Hour(Purpose.Leaf, 18, (h, w) => w with { WindMps = 3.5, TemperatureC = 26, RainMm = h == 5 ? 1 : 0 }), 0.8 * 0.85 * 0.7,
            "wind 3.5 m/s: keep the nozzle low|26 °C: warm leaves|rain within 5 h");
        Is(Hour(Purpose.Leaf, 18, (_, w) => w with { WindMps = 9, TemperatureC = 30 }), 0, "wind 9 m/s: it drifts|30 °C: too hot");
    }
}
