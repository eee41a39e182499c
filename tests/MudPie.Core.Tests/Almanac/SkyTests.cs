using System.Text.Json;
using MudPie.Core.Almanac;

namespace MudPie.Core.Tests.Almanac;

/// <summary>Seasons, moon and light of 1990 to 2050 against an independent ephemeris (Reference/sky-outside.py).</summary>
public class SkyTests
{
    private static readonly JsonElement Outside = Read("sky-outside.json");

    private static JsonElement Read(string file) =>
        JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Reference", file))).RootElement;

    private static DateTimeOffset At(JsonElement seconds) => DateTimeOffset.FromUnixTimeSeconds(seconds.GetInt64());

    private static double Minutes(DateTimeOffset a, DateTimeOffset b) => Math.Abs((a - b).TotalMinutes);

    [Fact]
    public void Equinoxes_and_solstices_of_sixty_years_to_a_minute()
    {
        foreach (var year in Outside.GetProperty("seasons").EnumerateObject())
        {
            var s = Seasons.Of(int.Parse(year.Name)).Value;
            foreach (var (ours, theirs) in new[] { s.MarchEquinox, s.JuneSolstice, s.SeptemberEquinox, s.DecemberSolstice }
                .Zip(year.Value.EnumerateArray().Select(At)))
            {
                Minutes(ours, theirs).ShouldBeLessThan(1.2, year.Name);
            }
        }
    }

    [Fact]
    public void Given_cases_of_seasons_and_full_moons_to_a_minute()
    {
        var given = Read("sky-cases.json");
        foreach (var c in given.GetProperty("seasons").EnumerateArray())
        {
            var s = Seasons.Of(c.GetProperty("year").GetInt32()).Value;
            Minutes(s.MarchEquinox, c.GetProperty("marchEquinox").GetDateTimeOffset()).ShouldBeLessThan(1);
            Minutes(s.DecemberSolstice, c.GetProperty("decemberSolstice").GetDateTimeOffset()).ShouldBeLessThan(1);
        }

        var full = MoonPhases.Full(new(2026, 1, 1, 0, 0, 0, TimeSpan.Zero), new(2026, 12, 31, 23, 59, 0, TimeSpan.Zero)).Value.Times;
        var theirs = given.GetProperty("fullMoons2026").EnumerateArray().Select(m => m.GetDateTimeOffset()).ToList();
        full.Count.ShouldBe(theirs.Count);
        full.Zip(theirs).ShouldAllBe(p => Minutes(p.First, p.Second) < 1);
    }

    [Fact]
    public void Every_quarter_of_the_moon_of_sixty_years_to_a_minute()
    {
        var ours = MoonPhases.Quarters(new(1990, 1, 1, 0, 0, 0, TimeSpan.Zero), new(2050, 12, 31, 23, 59, 0, TimeSpan.Zero))
            .ToLookup(q => q.Phase.ToString(), q => q.At, StringComparer.OrdinalIgnoreCase);
        foreach (var phase in Outside.GetProperty("quarters").EnumerateArray())
        {
            var (mine, theirs) = (ours[phase.GetProperty("phase").GetString()!].ToList(),
                phase.GetProperty("at").EnumerateArray().Select(At).ToList());
            mine.Count.ShouldBe(theirs.Count);
            mine.Zip(theirs).Max(p => Minutes(p.First, p.Second)).ShouldBeLessThan(1.5);
        }
    }

    [Fact]
    public void Rise_and_set_on_both_halves_of_the_earth_to_two_minutes()
    {
        foreach (var c in Outside.GetProperty("sun").EnumerateArray())
        {
            var sun = SunTimes.From(c[0].GetDouble(), c[1].GetDouble(), At(c[2])).Value;
            Minutes(sun.NextRise!.Value, At(c[3])).ShouldBeLessThan(1.5, c.ToString());
            Minutes(sun.NextSet!.Value, At(c[4])).ShouldBeLessThan(1.5, c.ToString());
        }
    }

    [Fact]
    public void The_moon_turns_on_the_day_and_is_near_within_the_hour()
    {
        foreach (var year in new[] { 1990, 2006, 2026, 2027, 2050 })
        {
            var ours = MoonCourse.Turns(new(year, 1, 1, 0, 0, 0, TimeSpan.Zero), new(year, 12, 31, 0, 0, 0, TimeSpan.Zero));
            foreach (var (list, high, low) in new[] { ("turns", MoonTurn.Highest, MoonTurn.Lowest),
                ("apsides", MoonTurn.Furthest, MoonTurn.Nearest) })
            {
                var theirs = Outside.GetProperty(list).EnumerateArray().Select(t => (At: At(t[0]), Up: t[1].GetBoolean()))
                    .Where(t => t.At.Year == year && t.At.DayOfYear < 364).ToList();
                theirs.Count.ShouldBeGreaterThan(24);
                foreach (var t in theirs)
                {
                    ours.Where(o => o.Turn == (t.Up ? high : low)).Min(o => Minutes(o.At, t.At)).ShouldBeLessThan(60, $"{list} {t.At}");
                }

                ours.Count(o => o.Turn == high || o.Turn == low).ShouldBeInRange(theirs.Count, theirs.Count + 1);
            }
        }
    }

    [Fact]
    public void The_moon_stands_where_it_does()
    {
        foreach (var c in Outside.GetProperty("places").EnumerateArray())
        {
            var moon = Moon.At(At(c[0]));
            Math.Abs(moon.DistanceKm - c[3].GetDouble()).ShouldBeLessThan(60, c.ToString());
            Math.Abs(moon.DeclinationDeg - c[4].GetDouble()).ShouldBeLessThan(0.02, c.ToString());
            Math.Abs(((moon.LongitudeDeg - c[1].GetDouble() + 540) % 360) - 180).ShouldBeLessThan(0.02, c.ToString());
        }

        // Meeus, Astronomical Algorithms (1998), example 47.a; 59 s is what clocks lagged by.
        var known = Moon.At(new DateTimeOffset(1992, 4, 12, 0, 0, 0, TimeSpan.Zero).AddSeconds(-59));
        known.LongitudeDeg.ShouldBe(133.167265, 0.005);
        known.LatitudeDeg.ShouldBe(-3.229127, 0.005);
        known.DistanceKm.ShouldBe(368409.7, 30);
        known.DeclinationDeg.ShouldBe(13.768368, 0.005);
    }

    [Fact]
    public void Constellations_begin_where_their_borders_cross_the_ecliptic()
    {
        var theirs = Outside.GetProperty("constellations").EnumerateArray().Select(c => c[0].GetDouble()).ToList();
        Zodiac.Borders.Select(b => b.FromDeg).Zip(theirs).ShouldAllBe(p => Math.Abs(p.First - p.Second) < 0.005);
        var at = new DateTimeOffset(2000, 1, 1, 12, 0, 0, TimeSpan.Zero);
        Zodiac.Of(250, at, ZodiacWay.Boundaries).Plain.ShouldBe("Scorpion", "the Serpent-bearer is counted with it");
        Zodiac.Of(10, at, ZodiacWay.Boundaries).ShouldBe(new ZodiacPlace("Pisces", "Fishes", PlantPart.Leaf));
        Zodiac.Of(10, at, ZodiacWay.EquinoxTwelfths).Plain.ShouldBe("Ram");
        Zodiac.Of(25, at, ZodiacWay.StarTwelfths).Plain.ShouldBe("Ram");
        Zodiac.Of(23, at, ZodiacWay.StarTwelfths).Plain.ShouldBe("Fishes");
    }

    [Theory]
    [InlineData(ZodiacWay.Boundaries)]
    [InlineData(ZodiacWay.StarTwelfths)]
    [InlineData(ZodiacWay.EquinoxTwelfths)]
    public void A_month_goes_once_round_and_its_stretches_meet(ZodiacWay way)
    {
        var from = new DateTimeOffset(2026, 11, 1, 0, 0, 0, TimeSpan.Zero);
        var way27 = MoonCourse.Through(from, from.AddDays(27.32), way);
        way27.Zip(way27.Skip(1)).ShouldAllBe(p => p.First.To == p.Second.From && p.First.Place != p.Second.Place);
        way27.Select(s => s.Place.Name).Distinct().Count().ShouldBe(12);
        way27.ShouldAllBe(s => s.To - s.From < TimeSpan.FromDays(4));
    }

    [Theory]
    [InlineData(null, "year")]
    [InlineData(1900, "year")]
    [InlineData(2100, "year")]
    [InlineData(int.MinValue, "year")]
    public void Years_beyond_the_sums_are_refused(int? year, string field) =>
        Seasons.Of(year).Refused!.Problems.ShouldHaveSingleItem().Field.ShouldBe(field);

    [Fact]
    public void A_span_must_run_forward_and_not_for_ever()
    {
        var t = new DateTimeOffset(2026, 1, 1, 0, 0, 0, TimeSpan.Zero);
        MoonPhases.Full(null, t).Refused!.Problems[0].Field.ShouldBe("fromUtc");
        MoonPhases.Full(t, t.AddDays(-1)).Refused!.Problems[0].Field.ShouldBe("toUtc");
        MoonPhases.Full(t, t.AddYears(51)).Refused!.Problems[0].Field.ShouldBe("toUtc");
        MoonPhases.Full(t, t.AddDays(1)).Value.Times.ShouldBeEmpty();
        MoonPhases.Full(t, new DateTimeOffset(2026, 1, 3, 10, 2, 50, TimeSpan.Zero).AddMinutes(1)).Value.Times.Count.ShouldBe(1);
    }

    [Fact]
    public void Light_of_a_day_lies_in_order_and_polar_days_are_told_apart()
    {
        var day = Twilight.Of(new(2026, 3, 20), new(2026, 3, 20, 0, 0, 0, TimeSpan.Zero), 24, 52.5, 0);
        day.RiseH!.Value.ShouldBe(6.05, 0.1);
        new[] { day.DawnH, day.RiseH, day.SetH, day.DuskH }.ShouldBe(new[] { day.DawnH, day.RiseH, day.SetH, day.DuskH }.Order());
        var polar = Twilight.Of(new(2026, 6, 21), new(2026, 6, 21, 0, 0, 0, TimeSpan.Zero), 24, 75, 20);
        (polar.RiseH, polar.UpAtNoon).ShouldBe((null, true));
        Twilight.Of(new(2026, 12, 21), new(2026, 12, 21, 0, 0, 0, TimeSpan.Zero), 24, 75, 20).UpAtNoon.ShouldBeFalse();
        // Far east, where noon comes early by the clock of Greenwich.
        var east = Twilight.Of(new(2026, 9, 1), new(2026, 8, 31, 12, 0, 0, TimeSpan.Zero), 24, -36.5, 174.8);
        east.RiseH!.Value.ShouldBe(6.7, 0.3);
        east.SetH!.Value.ShouldBe(17.95, 0.3);
    }
}
