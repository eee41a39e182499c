using System.Text.Json;
using MudPie.Core.Almanac;

namespace MudPie.Core.Tests.Almanac;

/// <summary>The sun against an independent ephemeris.</summary>
public class SunTests
{
    [Fact]
    public void Noon_stands_where_an_independent_ephemeris_has_it_and_so_do_rise_and_set()
    {
        // The reference calls it rise when the upper edge, not the centre, is at −0.833°: the centre is then at about −1.10°.
        using var json = JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Reference", "sky-cases.json")));
        foreach (var c in json.RootElement.GetProperty("sun").EnumerateArray())
        {
            var (lat, lon) = (c.GetProperty("latitude").GetDouble(), c.GetProperty("longitude").GetDouble());
            var from = c.GetProperty("fromUtc").GetDateTimeOffset();
            Enumerable.Range(0, 1440).Max(m => Sun.ElevationDeg(from.AddMinutes(m), lat, lon)).ShouldBe(c.GetProperty("noonElevationDeg").GetDouble(), 0.2, c.ToString());
            Sun.ElevationDeg(c.GetProperty("nextRise").GetDateTimeOffset(), lat, lon).ShouldBe(-1.10, 0.03, c.ToString());
            Sun.ElevationDeg(c.GetProperty("nextSet").GetDateTimeOffset(), lat, lon).ShouldBe(-1.10, 0.03, c.ToString());
        }
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
        Sun.Stretches(new(2026, 12, 20, 0, 0, 0, TimeSpan.Zero), new(2026, 12, 22, 0, 0, 0, TimeSpan.Zero), 75, 20).ShouldHaveSingleItem().Light.ShouldBe("night");
}
