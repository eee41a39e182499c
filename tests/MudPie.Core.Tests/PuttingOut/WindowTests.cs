using MudPie.Core.Almanac;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

public class WindowTests
{
    private static readonly DateTimeOffset Day = new(2026, 6, 10, 0, 0, 0, TimeSpan.Zero);

    private static List<WeatherHour> Fair(Func<int, WeatherHour, WeatherHour>? change = null) =>
        [.. Enumerable.Range(0, 96).Select(h => new WeatherHour(Day.AddHours(h), 16, 2, 0, 0.3, 0.7))
            .Select((w, h) => change is null ? w : change(h, w))];

    private static WindowsAnswer Ask(Purpose purpose, List<WeatherHour> weather, double hours = 24) =>
        SprayWindows.Of(new WindowsQuestion {
            Purpose = purpose, From = Day, Hours = hours, Latitude = 52.5, Longitude = 0,
            Weather = weather
        }).Value;

    private static HourScore At(WindowsAnswer a, double hour) => a.Hours.Single(h => h.At == Day.AddHours(hour));

    [Fact]
    public void A_fair_June_day_has_a_morning_and_an_evening_for_leaves()
    {
        var windows = Ask(Purpose.Leaf, Fair()).Windows;
        windows.Count.ShouldBe(2);
        // Declination 23.03°: cos H = (sin h − sin 52.5° sin 23.03°) ÷ (cos 52.5° cos 23.03°) puts the sun at 20° at 06:12 and 17:46 UTC,
        // at −6° at 02:48 and 21:10; a half hour counts by its middle.
        windows[0].From.ShouldBe(Day.AddHours(3));
        windows[0].To.ShouldBe(Day.AddHours(6));
        windows[1].From.ShouldBe(Day.AddHours(18));
        windows[1].To.ShouldBe(Day.AddHours(21));
    }

    [Theory]
    [InlineData(true, 6, 18)] // seven by the clock in June: the sun is at 20° twelve minutes later, so it waits for the evening
    [InlineData(true, 3, 3)]
    [InlineData(false, 6, 6)]
    public void A_plan_begins_with_an_hour_that_lasts(bool leaf, double from, double proposed) =>
        SprayWindows.FirstFit(leaf, Day.AddHours(from), 52.5, 0, Fair()).ShouldBe(Day.AddHours(proposed), TimeSpan.FromMinutes(20));

    [Fact]
    public void A_plan_does_not_begin_in_the_dark_nor_in_rain()
    {
        var november = new DateTimeOffset(2026, 11, 29, 7, 0, 0, TimeSpan.Zero);
        SprayWindows.FirstFit(true, november, 52.5, 0, []).ShouldBe(november.AddMinutes(30)); // civil twilight begins about 07:05
        // none will do: the hour asked for, and the plan says what is wrong with it
        SprayWindows.FirstFit(false, Day.AddHours(6), 52.5, 0, Fair((_, w) => w with { RainMm = 30 })).ShouldBe(Day.AddHours(6));
    }

    [Fact]
    public void Roots_can_be_drenched_all_day() => Ask(Purpose.Root, Fair()).Windows.Single().To.ShouldBe(Day.AddHours(21));

    [Theory]
    [InlineData(18, 4.5, "drifts")]
    [InlineData(18, 0.4, "inversion")]
    public void Wind_spoils_leaves_both_ways(double hour, double wind, string why)
    {
        var weather = Fair((h, w) => w with { WindMps = wind });
        At(Ask(Purpose.Leaf, weather), hour).Spoils.ShouldHaveSingleItem().ShouldContain(why);
        At(Ask(Purpose.Root, weather), hour).Spoils.ShouldBeEmpty();
    }

    [Theory]
    [InlineData(30, "too hot")]
    [InlineData(1, "frost")]
    public void Heat_and_frost_spoil_both(double celsius, string why)
    {
        var weather = Fair((h, w) => w with { TemperatureC = celsius });
        At(Ask(Purpose.Leaf, weather), 18).Spoils.ShouldContain(s => s.Contains(why));
        At(Ask(Purpose.Root, weather), 18).Spoils.ShouldContain(s => s.Contains(why));
    }

    [Theory]
    [InlineData(18, true, "rain, 2 mm in the hour")]
    [InlineData(17.5, true, "rain within 1 h: it washes off")]
    [InlineData(4, false, "")]
    public void Rain_at_six_spoils_the_evening_and_not_the_morning(double hour, bool spoilt, string says)
    {
        var score = At(Ask(Purpose.Leaf, Fair((h, w) => h == 18 ? w with { RainMm = 2 } : w)), hour);
        (score.Spoils.Count > 0).ShouldBe(spoilt);
        if (spoilt)
        {
            score.Spoils.ShouldContain(says);
        }
    }

    [Fact]
    public void Rain_in_five_hours_is_minded_and_in_eight_not()
    {
        At(Ask(Purpose.Leaf, Fair((h, w) => h == 23 ? w with { RainMm = 1 } : w)), 18).Score.ShouldBe(0.7, 1e-9);
        At(Ask(Purpose.Leaf, Fair((h, w) => h == 26 ? w with { RainMm = 1 } : w)), 18).Score.ShouldBe(1, 1e-9);
    }

    [Fact]
    public void A_little_rain_helps_a_drench_and_a_cloudburst_carries_it_off()
    {
        At(Ask(Purpose.Root, Fair((h, w) => h == 19 ? w with { RainMm = 3 } : w)), 18).Minds.ShouldContain(m =>
            m.Contains("helps a drench"));
        At(Ask(Purpose.Root, Fair((h, w) => h == 19 ? w with { RainMm = 12 } : w)), 18).Spoils.ShouldContain(m => m.Contains("runs off"));
    }

    [Fact]
    public void Without_weather_the_sun_alone_is_scored_and_that_is_said()
    {
        var answer = Ask(Purpose.Leaf, []);
        answer.HoursWithoutWeather.ShouldBe(24);
        answer.Windows.Count.ShouldBe(2);
        answer.Verdict.Why.ShouldContain("the sun alone");
    }

    [Fact]
    public void Nothing_suits_in_a_storm_and_the_reason_is_named()
    {
        var answer = Ask(Purpose.Leaf, Fair((h, w) => w with { WindMps = 12 }));
        answer.Windows.ShouldBeEmpty();
        answer.Verdict.Tone.ShouldBe(Tone.Stop);
    }

    [Theory]
    [InlineData(null, 52.5, 24, "purpose")]
    [InlineData(Purpose.Leaf, 91, 24, "latitude")]
    [InlineData(Purpose.Leaf, double.NaN, 24, "latitude")]
    [InlineData(Purpose.Leaf, 52.5, 500, "hours")]
    [InlineData(Purpose.Leaf, 52.5, -1, "hours")]
    public void Nonsense_is_refused(Purpose? purpose, double latitude, double hours, string field) =>
        SprayWindows.Of(new WindowsQuestion { Purpose = purpose, From = Day, Hours = hours, Latitude = latitude, Longitude = 0 }).Refused
            .ShouldNotBeNull().Problems[0].Field.ShouldBe(field);

    [Fact]
    public void In_the_polar_night_there_is_no_window_and_no_crash() =>
        SprayWindows.Of(new WindowsQuestion {
            Purpose = Purpose.Root, From = new DateTimeOffset(2026, 12, 21, 0, 0, 0, TimeSpan.Zero),
            Hours = 48, Latitude = 80, Longitude = 15
        }).Value.Windows.ShouldBeEmpty();
}
