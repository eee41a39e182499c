using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>Does the band keep its promise? Two hundred and fifty hidden brews, drawn from the spreads, read with a pen.</summary>
public class CoverageTests(ITestOutputHelper output)
{
    private static readonly double[] ReadAt = [2.5, 5, 7.5];
    private static readonly double[] AskAt = [9, 10.5, 12, 14, 16, 20, 24];

    [Fact]
    public void The_band_covers_three_to_four_fifths_of_hidden_brews_before_and_after_readings()
    {
        var brew = BrewRunTests.Bucket with { Hours = 24 };
        var (before, after, asked, wide, narrow) = (0, 0, 0, 0.0, 0.0);
        var errors = new List<double>();
        var blind = BrewForecast.Of(new ForecastQuestion(brew) { Members = 1000, Seed = 77 }).Value;
        for (var i = 0; i < 250; i++)
        {
            var hidden = HiddenBrew.Of(brew, 20_260_000 + i);
            var readings =
                ReadAt.Select(h => new OxygenAt { H = h, MgPerL = hidden.ReadAt(h, new Straying(BrewForecast.ReadingSigma))!.MgPerL })
                    .ToList();
            var told = BrewForecast.Of(new ForecastQuestion(brew) { Members = 300, Seed = 77 + i, Readings = readings }).Value;
            foreach (var h in AskAt)
            {
                var (p, truth) = ((int)(h * 2), hidden.OxygenAt(h));
                asked++;
                before += truth >= blind.Low10[p].MgPerL && truth <= blind.High90[p].MgPerL ? 1 : 0;
                after += truth >= told.Low10[p].MgPerL && truth <= told.High90[p].MgPerL ? 1 : 0;
                (wide, narrow) = (wide + blind.High90[p].MgPerL - blind.Low10[p].MgPerL, narrow + told.High90[p].MgPerL
                    - told.Low10[p].MgPerL);
            }

            if (hidden.Below6AtH() is { } crosses && crosses > ReadAt[^1] && told.Below6AtH.Median is { } said)
            {
                errors.Add(Math.Abs(said - crosses));
            }
        }

        errors.Sort();
        output.WriteLine($"before {100.0 * before / asked:0.0} %, after {100.0 * after / asked:0.0} %, band {100 * narrow / wide:0} % as "
            + $"wide; crossing after three readings: median error {errors[errors.Count / 2]:0.00} h, nine in ten "
            + $"under {errors[(int)(errors.Count * 0.9)]:0.00} h, of {errors.Count}");
        (100.0 * before / asked).ShouldBeInRange(75, 88);
        (100.0 * after / asked).ShouldBeInRange(75, 88);
        (narrow / wide).ShouldBeLessThan(0.85);
        errors[errors.Count / 2].ShouldBeLessThan(2);
    }
}
