using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>A plan's brew with its foods in: when it begins, how long it takes, and what the model makes of it.</summary>
/// <param name="Brew">With the clock hour of its start.</param>
/// <param name="Hours">From the source to the check.</param>
/// <param name="Run">The table's brew: a series as long as the chart, figures of the hours until use.</param>
/// <param name="Forecast">The ensemble.</param>
internal sealed record PlannedBrew(BrewQuestion Brew, double Hours, BrewRunAnswer Run, Worked<ForecastAnswer> Forecast)
{
    private const double Coarse = 1e-3;

    /// <summary>Hours of a tea, near enough for when it must begin: the swing depends on the clock at the start, and the start on how long
    /// it takes, and once round settles it within minutes.</summary>
    public static double About(BrewQuestion brew, PlanTiming timing, Func<double?, double> hoursOf) =>
        hoursOf(BrewRun.ReadyAt((brew with { StartHour = timing.ClockHour(timing.StartFor(24)), Hours = 48 }).MakeReady().Setup!, Coarse));

    /// <summary>Works it out; the brew has been found sound.</summary>
    /// <param name="q">The plan's question.</param>
    /// <param name="brew">The brew with its foods.</param>
    /// <param name="making">A kind of <see cref="Makings.All"/>.</param>
    /// <param name="loads">Loads of an extract.</param>
    /// <param name="timing">When it must begin for so many hours.</param>
    /// <param name="hoursOf">Hours of a tea, by the hour at which it is ready; null where it never is.</param>
    public static PlannedBrew Of(BrewPlanQuestion q, BrewQuestion brew, Making making, int loads, PlanTiming timing,
        Func<double?, double> hoursOf)
    {
        var tea = making == Making.Tea;
        var hours = tea ? About(brew, timing, hoursOf) : PlanTiming.HoursOf(making, loads);
        brew = brew with { StartHour = timing.ClockHour(timing.StartFor(hours)) };
        var seen = tea ? Math.Max(Math.Ceiling(hours + 4), 24) : brew.Hours!.Value;
        var run = BrewRun.Read((brew with { Hours = seen }).MakeReady().Setup!, Multipliers.Table, BrewRun.Fine, 0.5,
            tea ? ready => hours = Math.Max(hoursOf(ready), 1) : null);
        var end = run.Series[^1].H;
        var use = making == Making.Extract
            ? 0 : Math.Min(hours + (q.UseAt!.Value - timing.StartFor(hours).AddHours(hours)).TotalHours, end);
        var forecast = BrewForecast.Of(new(brew) {
            Hours = end, Members = q.Members ?? BrewPlan.Members, UseAtH = Math.Min(use, end),
            EveryH = 0.5, Prior = q.Prior
        });
        return new(brew, hours, run, forecast.Worked);
    }
}
