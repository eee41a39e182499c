using System.Globalization;
using MudPie.Core.Almanac;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Workings;

/// <summary>Days, hours and money as the holding writes them; hours without a sun.</summary>
public class WritingTests
{
    private static readonly DateTimeOffset Evening = new(2026, 6, 10, 19, 5, 0, TimeSpan.Zero);

    private static T Written<T>(bool monthFirst, bool hours12, string currency, Func<T> said)
    {
        var before = CultureInfo.CurrentCulture;
        CultureInfo.CurrentCulture = Writing.Of(monthFirst, hours12, currency);
        try
        {
            return said();
        }
        finally
        {
            CultureInfo.CurrentCulture = before;
        }
    }

    [Fact]
    public void The_plain_way_is_day_first_to_twenty_four_hours()
    {
        (Say.Time(Evening), Say.Day(Evening), Say.Date(Evening)).ShouldBe(("19:05", "10 Jun", "10 Jun 2026"));
        Say.Clock(Evening, Evening.AddDays(-1), at => at).ShouldBe("19:05 on 10 Jun");
        Say.Money(-12.5).ShouldBe("−12.50");
    }

    [Theory]
    [InlineData(0, "12:05 am")]
    [InlineData(11, "11:05 am")]
    [InlineData(12, "12:05 pm")]
    [InlineData(19, "7:05 pm")]
    public void Noon_and_midnight_are_twelve(int hour, string said) =>
        Written(true, true, "", () => Say.Time(Evening.AddHours(hour - 19))).ShouldBe(said);

    [Fact]
    public void Month_first_and_money_in_its_own_word_go_through_every_sentence()
    {
        Written(true, true, "£", () => (Say.Day(Evening), Say.Date(Evening), Say.Clock(Evening, Evening.AddDays(1), at => at)))
            .ShouldBe(("Jun 10", "Jun 10 2026", "7:05 pm on Jun 10"));
        Written(false, false, "£", () => (Say.Money(12.5), Say.Money(-0.001), Say.Money(-1234.5, null)))
            .ShouldBe(("£12.50", "£0.00", "−£1235"));
        Written(false, false, "crowns", () => Say.Money(3)).ShouldBe("3.00 crowns");
        Written(true, true, "€", () => $"{1.5:0.0} {0.25}").ShouldBe("1.5 0.25"); // figures stay as they are
    }

    [Fact]
    public void Without_a_place_hours_are_scored_without_the_sun_and_that_is_said()
    {
        var night = new DateTimeOffset(2026, 6, 10, 0, 0, 0, TimeSpan.Zero);
        var windy = new WeatherHour(night.AddHours(3), 15, 6, 0, 0.5, 0.6);
        var off = SprayWindows.Of(new WindowsQuestion {
            Purpose = Purpose.Leaf, From = night, Hours = 24, SunOff = true, Weather = [windy]
        }).Value;
        off.Hours.ShouldAllBe(h => h.SunDeg == null && !h.Causes.Contains(SpoilCause.Light));
        off.Hours.Single(h => h.At == night.AddHours(3)).Causes.ShouldBe([SpoilCause.Wind]);
        off.Verdict.Why.ShouldContain("The sun is off until you say where your ground lies.");
        SprayWindows.Left(true, night, null, null, [windy])!.Min.ShouldBe(180);
        SprayWindows.FirstFit(true, night, null, null, []).ShouldBe(night);
        SprayWindows.Of(new WindowsQuestion { Purpose = Purpose.Leaf, From = night, Hours = 24 }).Refused.ShouldNotBeNull();
        // a storm for two days on leaves none
        SprayWindows.FirstWindow(true, night, null, null, [.. Enumerable.Range(0, 60).Select(i => windy with { At = night.AddHours(i) })])
            .ShouldBeNull();
    }
}
