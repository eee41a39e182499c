using System.Text.Json;
using MudPie.Core.Almanac;

namespace MudPie.Core.Tests.Almanac;

/// <summary>The sun against an independent ephemeris.</summary>
public class SunTests
{
    [Fact]
    public void Noon_stands_where_an_independent_ephemeris_has_it_and_so_do_rise_and_set()
    {
        using var json = JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Reference", "sky-cases.json")));
        foreach (var c in json.RootElement.GetProperty("sun").EnumerateArray())
        {
            var (lat, lon) = (c.GetProperty("latitude").GetDouble(), c.GetProperty("longitude").GetDouble());
            var from = c.GetProperty("fromUtc").GetDateTimeOffset();
            Enumerable.Range(0, 1440).Max(m => Sun.ElevationDeg(from.AddMinutes(m), lat, lon))
                .ShouldBe(c.GetProperty("noonElevationDeg").GetDouble(), 0.2, c.ToString());
            Sun.ElevationDeg(c.GetProperty("nextRise").GetDateTimeOffset(), lat, lon).ShouldBe(-0.833, 0.03, c.ToString());
            Sun.ElevationDeg(c.GetProperty("nextSet").GetDateTimeOffset(), lat, lon).ShouldBe(-0.833, 0.03, c.ToString());
        }
    }

    [Fact]
    public void Rise_and_set_agree_with_an_independent_ephemeris_to_the_minute()
    {
        using var json = JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Reference", "sky-cases.json")));
        foreach (var c in json.RootElement.GetProperty("sun").EnumerateArray())
        {
            var sun = SunTimes.From(c.GetProperty("latitude").GetDouble(), c.GetProperty("longitude").GetDouble(), c.GetProperty("fromUtc")
                .GetDateTimeOffset()).Value;
            Math.Abs((sun.NextRise!.Value - c.GetProperty("nextRise").GetDateTimeOffset()).TotalSeconds).ShouldBeLessThan(60, c.ToString());
            Math.Abs((sun.NextSet!.Value - c.GetProperty("nextSet").GetDateTimeOffset()).TotalSeconds).ShouldBeLessThan(60, c.ToString());
        }
    }

    [Theory]
    [InlineData(69.65, 18.96, 2026, 6, 21, "polarDay")]
    [InlineData(69.65, 18.96, 2026, 12, 21, "polarNight")]
    [InlineData(90, 0, 2026, 6, 21, "polarDay")]
    [InlineData(-90, 0, 2026, 6, 21, "polarNight")]
    public void Polar_day_and_night_are_said_as_such(double lat, double lon, int y, int m, int d, string state) =>
        SunTimes.From(lat, lon, new DateTimeOffset(y, m, d, 0, 0, 0, TimeSpan.Zero)).Value.State.ShouldBe(state);

    [Fact]
    public void At_the_edge_of_the_polar_night_a_sun_that_shows_for_minutes_is_seen()
    {
        // Walk south until the sun just shows on midwinter's day: no latitude lies between night all day and a rise with its set.
        var states = Enumerable.Range(0, 200)
            .Select(i => SunTimes.From(67.9 - (i * 0.005), 0, new DateTimeOffset(2026, 12, 21, 0, 0, 0, TimeSpan.Zero)).Value).ToList();
        var first = states.FindIndex(s => s.State != "polarNight");
        first.ShouldBeGreaterThan(0);
        states.Skip(first).ShouldAllBe(s => s.NextRise != null && s.NextSet != null);
        (states[first].NextSet!.Value - states[first].NextRise!.Value).TotalMinutes.ShouldBeLessThan(40);
    }

    [Fact]
    public void A_spring_day_runs_night_low_high_low_night()
    {
        var from = new DateTimeOffset(2026, 3, 20, 0, 0, 0, TimeSpan.Zero);
        var stretches = Sun.Stretches(from, from.AddDays(1), 51.9, 0);
        stretches.Select(s => s.Light).ShouldBe(["night", "low", "high", "low", "night"]);
        stretches.Zip(stretches.Skip(1)).ShouldAllBe(p => p.First.To == p.Second.From);
    }

    [Fact]
    public void Midsummer_noon_stands_where_the_tropic_says() =>
        Sun.ElevationDeg(new(2026, 6, 21, 12, 2, 0, TimeSpan.Zero), 52.5, 0).ShouldBe(90 - 52.5 + 23.436, 0.02);

    [Fact]
    public void Polar_night_is_one_stretch() =>
        Sun.Stretches(new(2026, 12, 20, 0, 0, 0, TimeSpan.Zero), new(2026, 12, 22, 0, 0, 0, TimeSpan.Zero), 75, 20)
            .ShouldHaveSingleItem().Light.ShouldBe("night");

    [Theory]
    [InlineData(52.5)]
    [InlineData(-34)]
    [InlineData(0)]
    public void At_an_equinox_noon_is_as_high_as_the_latitude_leaves_it(double latitude) =>
        Enumerable.Range(0, 1440).Max(m => Sun.ElevationDeg(new DateTimeOffset(2026, 3, 20, 0, m % 60, 0, TimeSpan.Zero).AddHours(m / 60),
            latitude, 0)).ShouldBe(Sun.EquinoxNoonDeg(latitude), 0.2);
}
