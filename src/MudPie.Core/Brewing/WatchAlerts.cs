using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Lines at which the watch speaks.</summary>
/// <param name="NoReadingH">Hours without an oxygen reading, 0.5 to 24.</param>
/// <param name="GraceMinutes">Minutes of the hold that are left, 5 to 240.</param>
/// <param name="ExpectedShare">Chance of falling below 6 before use, 0.05 to 0.95.</param>
public sealed record WatchLines(double NoReadingH = 4, double GraceMinutes = 30, double ExpectedShare = 0.5);

/// <summary>Something that the watch says, once.</summary>
/// <param name="Key">The rule, and where it may come again, what it came of: it is not said twice under one key.</param>
/// <param name="Rule">"below6Now", "below6Expected", "noReading", "ready", "readyUnseen", "graceShort", "tooOld", "probeSilent" or
/// "probeDrift".</param>
/// <param name="Tone">How pressing.</param>
/// <param name="Title">What.</param>
/// <param name="Todo">What to do.</param>
/// <param name="AtH">Hour of the brew that it is about.</param>
public sealed record WatchAlert(string Key, string Rule, Tone Tone, string Title, string Todo, double AtH);

/// <summary>What is known of a brew's probe.</summary>
/// <param name="SilentH">Hours since its last line; null where it has none.</param>
/// <param name="Drift">What it reads above hand readings, mg/L; null where they can't be compared.</param>
public sealed record ProbeState(double? SilentH, double? Drift);

/// <summary>The rules of the watch.</summary>
public static class WatchAlerts
{
    /// <summary>Difference between probe and hand at which drift is spoken of, mg/L: three standard errors of a pair.</summary>
    public const double DriftLine = 0.9;

    /// <summary>All that is to be said now. Worked: a forecast with 70 % below 6 before use says so once, however often it is
    /// asked.</summary>
    /// <param name="vessel">Its name, to begin a sentence with.</param>
    /// <param name="seen">What has been seen.</param>
    /// <param name="watch">What the forecast says.</param>
    /// <param name="lines">Where the grower draws the lines.</param>
    /// <param name="probe">Its probe; null where it has none.</param>
    public static IEnumerable<WatchAlert> Of(string vessel, BrewSeen seen, WatchAnswer watch, WatchLines lines, ProbeState? probe = null)
    {
        if (watch.Gate.Fitness == Fitness.NotFit && seen.Measured.Where(o => o.H > 1 && o.What < BrewRun.Line).MinBy(o => o.H) is { } low)
        {
            yield return new("below6Now", "below6Now", Tone.Stop, $"{vessel} has read {Say.Fixed(low.What, 1)}, below 6",
                "Heap it, or read again at once if the pen may be wrong.", low.H);
            yield break;
        }

        if (seen.AirOffH is { } off)
        {
            var left = watch.Gate.MinutesLeft ?? 0;
            if (watch.Gate.Fitness != Fitness.NotFit && left <= lines.GraceMinutes)
            {
                yield return new("graceShort", "graceShort", Tone.Stop, $"{vessel} has {Say.Minutes(Math.Max(left, 0))} left",
                    "Put it out now, or heap it.", off + ((watch.UseByH ?? off) - off));
            }

            yield break;
        }

        if (seen.IsTea)
        {
            foreach (var alert in OfTea(vessel, seen, watch, lines))
            {
                yield return alert;
            }
        }

        if (probe is { SilentH: > 0.5 })
        {
            yield return new($"probeSilent@{Say.Number(Math.Floor(seen.NowH - probe.SilentH.Value))}", "probeSilent", Tone.Mind,
                $"The probe in {vessel} is silent", "Look at its plug and at the pump; read by hand until it is back.",
                seen.NowH - probe.SilentH.Value);
        }

        if (probe?.Drift is { } drift && Math.Abs(drift) >= DriftLine)
        {
            yield return new("probeDrift", "probeDrift", Tone.Mind,
                $"The probe in {vessel} reads {Say.Fixed(Math.Abs(drift), 1)} {(drift > 0 ? "above" : "below")} your own readings",
                "Calibrate one of them; until then trust the pen that was calibrated last.", seen.NowH);
        }
    }

    /// <summary>A chance that has fallen to this share of the line no longer worries; above it, it is not said, unsaid and said again with
    /// each reading.</summary>
    private const double Wavering = 0.6;

    /// <summary>Whether something said before is still so; what is not is taken back, so that no two notices say different things of one
    /// brew.</summary>
    /// <param name="key">Its key.</param>
    /// <param name="rule">Its rule.</param>
    /// <param name="current">What is to be said now.</param>
    /// <param name="watch">What the forecast says.</param>
    /// <param name="lines">Where the grower draws the lines.</param>
    /// <remarks>Expected below 6 at 52 %, and a reading later at 35 %: it stays; at 25 %, or once it is not fit to use at all: it is taken
    /// back.</remarks>
    public static bool StillSo(string key, string rule, IReadOnlyCollection<WatchAlert> current, WatchAnswer watch, WatchLines lines) =>
        current.Any(a => a.Key == key)
        || (rule == "below6Expected" && watch.Gate.Fitness != Fitness.NotFit && watch.UseByH is null
            && watch.Forecast.ProbabilityBelow6 >= lines.ExpectedShare * Wavering);

    private static IEnumerable<WatchAlert> OfTea(string vessel, BrewSeen seen, WatchAnswer watch, WatchLines lines)
    {
        if (watch.CrossesAtH is { } cross && (watch.Forecast.ProbabilityBelow6 >= lines.ExpectedShare || cross - seen.NowH < 1))
        {
            yield return new("below6Expected", "below6Expected", Tone.Stop, $"{vessel} is expected below 6 before you use it",
                watch.Remedies.FirstOrDefault(r => r.Holds) is { } r
                    ? $"{r.What}: {r.Gives}." : "More air, a cooler place, or use it early.", cross);
        }

        var last = seen.Measured.LastOrDefault()?.H ?? 0;
        if (seen.NowH - last >= lines.NoReadingH)
        {
            yield return new($"noReading@{last:0.##}", "noReading", Tone.Mind,
                $"No oxygen reading in {vessel} for {Say.Hours(seen.NowH - last)}",
                "Read it: a brew that has turned can smell fine for hours.", last + lines.NoReadingH);
        }

        if (watch.Forecast.ReadyAtH.Median is { } ready && seen.NowH >= ready && watch.Gate.Fitness != Fitness.NotFit)
        {
            yield return watch.Gate.ReadFirst
                ? new("readyUnseen", "readyUnseen", Tone.Mind, $"{vessel} is old enough, and wants a reading first",
                    watch.Gate.Sentence, ready)
                : new("ready", "ready", Tone.Go, $"{vessel} is ready",
                    "Check it, strain it and put it out; longer adds little and risks more.", ready);
        }

        if (seen.NowH >= FitToUse.OldestH)
        {
            yield return new("tooOld", "tooOld", Tone.Stop, $"{vessel} is past 36 h",
                "It is not fit any more: heap it, and brew the next one less cold.", FitToUse.OldestH);
        }
    }
}
