using System.Globalization;
using MudPie.Core.Brewing;
using MudPie.Core.Workings;
using MudPie.Records.Brewing;
using MudPie.Server.Brewing;
using MudPie.Server.Judging;

namespace MudPie.Server.Today;

/// <summary>What a batch or a spray wants done, in order of pressing.</summary>
public static class TodayRules
{
    /// <summary>All that one batch wants.</summary>
    public static IEnumerable<TodayItem> Of(Batch b, WatchAnswer? watch, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local)
    {
        string Clock(DateTimeOffset at) => Say.Clock(at, now, local);
        var link = $"/brew/{b.Id}";
        if (b.State == BatchState.Planned)
        {
            yield return Planned(b, now, local, link);
            yield break;
        }

        if (watch is null || b.StartedAt is not { } started)
        {
            yield break;
        }

        if (watch.Gate.Fitness == Fitness.NotFit)
        {
            yield return new($"heap-{b.Id}", 0, $"{b.Vessel.Name} is not fit to use", watch.Gate.Reasons[0], "See why", link, now);
            yield break;
        }

        if (watch.UseByH is { } by)
        {
            var until = started.AddHours(by);
            yield return new($"use-{b.Id}", 0, $"Use up {b.Vessel.Name} by {Clock(until)}",
                $"{Say.Minutes(watch.Gate.MinutesLeft ?? 0)} left with the air off", "Put it out", $"/put-out/{b.Id}", until);
            yield break;
        }

        if (watch.CrossesAtH is { } cross && b.Making == Making.Tea)
        {
            var at = started.AddHours(cross);
            yield return new($"slide-{b.Id}", cross - watch.NowH < 3 ? 0 : 1, $"{b.Vessel.Name} is sliding toward 6",
                $"about {Clock(at.AddSeconds(30))}, before you use it at {Clock(b.UseAt)}", "See what holds it", link, at);
        }

        var due = started.AddHours(watch.ReadingDueAtH);
        if (now > due.AddMinutes(-15))
        {
            var last = LiveBrew.Standing(b).LastOrDefault(l => l.Kind == LogKind.Oxygen);
            var late = now - due;
            yield return new($"read-{b.Id}", late.TotalMinutes > 60 ? 1 : 2,
                late.TotalMinutes > 5 ? $"Oxygen reading in {b.Vessel.Name}, {Say.Minutes(late.TotalMinutes)} late"
                    : $"Oxygen reading in {b.Vessel.Name}",
                last is null ? "none taken yet" : $"last was {Say.Fixed(last.Number ?? 0, 1)} at {Clock(last.At)}", "Read it",
                $"{link}?read=oxygen", due);
        }

        if (now > b.UseAt.AddMinutes(-45))
        {
            yield return new($"ready-{b.Id}", 1, $"{b.Vessel.Name} is due to go out", $"meant for {Clock(b.UseAt)}", "Put it out",
                $"/put-out/{b.Id}", b.UseAt);
        }
    }

    /// <summary>The batch and the rule of the watch that an item is about; null where the watch has none.</summary>
    public static (int BatchId, string Rule)? RuleOf(string itemId) =>
        itemId.Split('-') is [var what, var id] && int.TryParse(id, NumberStyles.None, CultureInfo.InvariantCulture, out var batch)
            ? what switch {
                "slide" => (batch, "below6Expected"),
                "heap" => (batch, "below6Now"),
                "use" => (batch, "graceShort"),
                "ready" =>
                (batch, "ready"),
                "read" => (batch, "noReading"),
                _ => null
            }
            : null;

    /// <summary>Leaves to read again after a spray.</summary>
    public static TodayItem BrixDue(BrixDue due, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local)
    {
        var days = Math.Max(1, (int)Math.Round((now - due.SprayedAt).TotalDays));
        var hour = due.Before is { } before ? $"{due.Leaf?.Word()} leaf, about {Say.Time(local(before))}, as before"
            : "no reading before it; one now is still worth having";
        return new($"brix-{due.ApplicationId}-{due.BedId}", 2, $"Brix on {due.Bed}, {Say.Count(days, "day")} after", hour,
            "Measure", $"/judge/brix?application={due.ApplicationId}&bed={due.BedId}", due.SprayedAt.AddDays(1));
    }

    /// <summary>What comes next for a batch, for the folded day line.</summary>
    public static IEnumerable<DayNext> Next(Batch b, WatchAnswer? watch, DateTimeOffset now)
    {
        if (b.StartedAt is not { } started)
        {
            yield return new(b.Steps[0].At, $"begin {b.Vessel.Name}", $"/brew/{b.Id}", "hands");
            yield break;
        }

        if (watch?.UseByH is { } by)
        {
            yield return new(started.AddHours(by), $"use {b.Vessel.Name} by", $"/put-out/{b.Id}", "hands");
            yield break;
        }

        if (watch is not null && b.State == BatchState.Brewing)
        {
            yield return new(started.AddHours(watch.ReadingDueAtH), "read it", $"/brew/{b.Id}?read=oxygen", "water");
        }

        if (b.State == BatchState.Brewing && watch?.Gate.Fitness != Fitness.NotFit)
        {
            yield return new(started.AddHours(b.BrewHours), $"{b.Vessel.Name} ready", $"/brew/{b.Id}", "hands");
            if (b.UseAt > now.AddHours(-2))
            {
                yield return new(b.UseAt, "put it out", $"/put-out/{b.Id}", "go");
            }
        }
    }

    /// <summary>How a brew swells: cells against their most, from the table's run; ragged where the forecast's middle is below 6.</summary>
    public static IReadOnlyList<LoafPoint> Loaf(Batch b, WatchAnswer? watch)
    {
        var start = b.StartedAt ?? b.PlannedStart;
        var hours = Math.Clamp(((b.AirOffAt ?? start.AddHours(b.BrewHours)) - start).TotalHours, 0.5, 72);
        var run = BrewRun.Of(b.Brew with { Hours = Math.Max(hours, 1) }, Math.Max(hours, 1) / 24);
        if (run.Refused is not null)
        {
            return [];
        }

        var most = Math.Max(run.Value.Series.Max(m => m.Bacteria + m.Fungi), 1e-9);
        bool Short(double h, double oxygen) =>
            watch is null ? oxygen < BrewRun.Line : watch.Forecast.Median.LastOrDefault(m => m.H <= h)?.MgPerL < BrewRun.Line;
        return [.. run.Value.Series.Select(m => new LoafPoint(start.AddHours(m.H), (m.Bacteria + m.Fungi) / most, Short(m.H, m.Oxygen)))];
    }

    private static TodayItem Planned(Batch b, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local, string link)
    {
        var done = LiveBrew.Standing(b).Where(l => l.Kind == LogKind.Step).Select(l => l.Text).ToHashSet();
        var step = b.Steps.FirstOrDefault(s => !done.Contains(s.Id)) ?? b.Steps[0];
        var late = now - step.At;
        var when = local(step.At).Date == local(now).Date ? Say.Time(local(step.At))
            : $"{Say.Weekday(local(step.At))}";
        return new($"plan-{b.Id}-{step.Id}", late > TimeSpan.Zero ? 1 : step.At < now.AddHours(12) ? 2 : 3,
            late > TimeSpan.FromMinutes(5) ? $"{step.Name} for {b.Vessel.Name}, {Say.Minutes(late.TotalMinutes)} late"
                : $"{step.Name} for {b.Vessel.Name} at {when}",
            step.Detail, "Open the plan", link, step.At);
    }
}
