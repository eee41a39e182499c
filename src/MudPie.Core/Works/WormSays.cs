using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>What is said of a bin, and what it wants next.</summary>
public static class WormSays
{
    /// <summary>In a word and a figure, for the yard.</summary>
    /// <remarks>A tray that is ready: "tray 1 ready", "31 L of castings". Else: "feed 400 g", "by today".</remarks>
    public static (string Word, string Figure) Short(WormBin bin, WormsStand s, DateTimeOffset now)
    {
        if (s.AlarmAt is not null)
        {
            return ("worms climb out", "feed nothing");
        }

        if (s.Trays.LastOrDefault(t => t.State is TrayState.Ready or TrayState.Drained) is { } ready)
        {
            return ($"{ready.Name} ready", ready.Castings is { } c ? $"about {Say.Number(c.Litres, 2)} L of castings" : "harvest it");
        }

        return bin.InPlace ? ("fed in place", s.FedAt is { } at ? Say.Ago((now - at).TotalDays) : "never yet")
            : s.FedAt is null ? ("not fed yet", "") : s.Appetite.Value.TodayG is >= 1 and { } g && s.Appetite.Value.FeedOn <= now
                ? ("wants feeding", $"up to {Grams(g)}") : ("working", $"fed {Say.Ago((now - s.FedAt.Value).TotalDays)}");
    }

    /// <summary>What to do now.</summary>
    internal static Verdict Verdict(WormBin bin, WormsStand s, IReadOnlyList<WorkPoint> points, DateTimeOffset now,
        Func<DateTimeOffset, DateTimeOffset> local) =>
        Wrong(bin, s, points, now) ?? Trays(s, now, local) ?? Feed(bin, s, now, local);

    private static Verdict? Wrong(WormBin bin, WormsStand s, IReadOnlyList<WorkPoint> points, DateTimeOffset now)
    {
        if (s.AlarmAt is not null)
        {
            return new(Tone.Stop, "Worms climb out: feed nothing.",
                "It is too wet, too sour, too warm or full of food that rots. Take out what smells, lay in dry shredded paper, leave the "
                    + "lid ajar with light above it; then say what you did.");
        }

        if (s.Warmth is { } w && (now - w.At).TotalDays < LookCounts && w.C is < 8 or > 28)
        {
            return w.C > 28 ? new(w.C >= 33 ? Tone.Stop : Tone.Mind, $"{Say.Number(w.C)} °C: into the shade with it.",
                    "Above 30 °C worms leave or die. Shade, air, and no fresh greens: they heat.")
                : new(w.C <= 2 ? Tone.Stop : Tone.Mind, $"{Say.Number(w.C)} °C: bring it in, or wrap it.",
                    "Under 5 °C they stop, and frost kills them. They want next to no food so long.");
        }

        if (s.Damp is { Damp: not Damp.Right } d && (now - d.At).TotalDays < LookCounts)
        {
            return d.Damp == Damp.Dry ? new(Tone.Mind, "Too dry: water the bedding.", "Damp as a wrung-out sponge; lay a wet sheet on top.")
                : new(Tone.Mind, "Too wet: lay in dry browns.",
                    "Shredded paper, leaves or coir; open the drain, and no watery food until it "
                    + "crumbles.");
        }

        List<WorkPoint> fed = [.. points.Where(p => p.Step == WorkStep.Fed && (now - p.At).TotalDays <= 14)];
        var all = fed.Sum(p => p.Grams ?? 0);
        double Of(Func<WorkPoint, bool> which) => all > 0 ? fed.Where(which).Sum(p => p.Grams ?? 0) / all : 0;
        var sour = fed.Where(p => p.What is { } x && WormFood.Sour(x) is not null).Select(p => WormFood.Sour(p.What!)!).Distinct().ToList();
        return sour.Count > 0 && Of(p => p.What is { } x && WormFood.Sour(x) is not null) > WormFood.Little
            ? new(Tone.Mind, $"Enough of {Say.List(sour)} for now.",
                "They take a tenth of that at most; what lies turns sour. Give something else for a fortnight.")
            : Of(p => p.What?.Contains("grounds", StringComparison.OrdinalIgnoreCase) == true) > WormFood.MostGrounds && !bin.InPlace
            ? new(Tone.Mind, "Not on coffee grounds alone.",
                "They were more than half of a fortnight’s food. As part of it they do no harm.")
            : null;
    }

    private static Verdict? Trays(WormsStand s, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local)
    {
        if (s.Trays.LastOrDefault(t => t.State is TrayState.Ready or TrayState.Drained) is { } ready)
        {
            return new(Tone.Go, $"Harvest {ready.Name}{(ready.Castings is { } c ? $": about {Say.Number(c.Litres,
                2)} L of castings" : "")}.",
                ready.State == TrayState.Drained ? "Sieve it; what stays in the sieve goes back in."
                    : "Set it apart for a day or two with light above it: the last worms leave. Then sieve it.");
        }

        if (s.Trays.LastOrDefault(t => t.LookFrom <= now) is { } may)
        {
            return new(Tone.Go, $"{Sentence(may.Name)} may be ready: look.",
                $"It has worked since {Say.Day(local(may.Since!.Value))}. Dark, crumbling and few worms in it: it is.");
        }

        return s.Feeding is { } full && full.Fill >= WormCourse.FullAt
            ? new(Tone.Go, $"{Sentence(full.Name)} is full: food goes into the next one.",
                "Say that it is full, and lay bedding and food into an empty tray on top; the worms move up.") : null;
    }

    private static Verdict Feed(WormBin bin, WormsStand s, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local)
    {
        if (bin.InPlace)
        {
            return s.FedAt is null ? new(Tone.Go, "Lay the first food under the mulch.",
                    "A handful every pace or so, covered. The worms that live there find it; it goes slower than in a bin.")
                : new(Tone.Go, "When the last food is gone, give as much again.",
                    "Lift the mulch and look. No faster than it goes, and nothing to harvest.");
        }

        if (s.FedAt is null)
        {
            return new(Tone.Go, "Lay in damp bedding, then a little food under it.",
                "Shredded paper, coir or leaves, with a handful of ground eggshell; feed a quarter of what they could take in the "
                    + "first week.");
        }

        var eats = s.Appetite.Value;
        if (eats.TodayG is not { } today)
        {
            return new(Tone.Go, "Look what is gone, and log it.", "Nobody has weighed the worms: what they eat shows in what is gone.");
        }

        var why = $"They eat about {Grams(eats.GPerDay!.Value)} a day{(eats.Seen ? ", by what was gone" : ", by their weight")}.";
        return eats.GPerDay < 1 ? new(Tone.Mind, "They hardly eat: it is too cold or too warm.", "Feed nothing until it is 10 to 28 °C.")
            : eats.FeedOn > now ? new(eats.LyingG > 4 * eats.GPerDay ? Tone.Mind : Tone.Go, eats.FeedOn is { } on
                    ? $"Feed nothing until {Say.Weekday(local(on))}." : "Feed nothing.",
                $"About {Grams(eats.LyingG)} still lies. {why}")
            : new(Tone.Go, $"Feed them up to {Grams(today)}.", $"{why} Two days’ food at most may lie; as much browns by volume with it.");
    }

    /// <summary>What it wants: the alarm, food, a tray to look at, a look at damp and warmth.</summary>
    internal static IEnumerable<WorkDue> Due(WormBin bin, WormsStand s, IReadOnlyList<WorkPoint> points, DateTimeOffset now,
        Func<DateTimeOffset, DateTimeOffset> local)
    {
        if (s.AlarmAt is { } alarm)
        {
            yield return new("alarm", 0, $"Worms climb out of {bin.Name}", "feed nothing; dry paper in, lid ajar", "See the worms", alarm);
        }

        foreach (var tray in s.Trays.Where(t => t.State is TrayState.Ready or TrayState.Drained))
        {
            yield return new("harvest", 3, $"Harvest {tray.Name} of {bin.Name}", tray.Castings is { } c
                ? $"about {Say.Number(c.Litres, 2)} L of castings" : "sieve it", "Harvest it", tray.Since!.Value);
        }

        foreach (var tray in s.Trays.Where(t => t.LookFrom <= now))
        {
            yield return new("ready", 3, $"Is {tray.Name} of {bin.Name} ready?", $"it has worked since {Say.Day(local(tray.Since!.Value))}",
                "Look at it", tray.LookFrom!.Value);
        }

        if (!bin.InPlace && s.AlarmAt is null && s.Appetite.Value is { FeedOn: { } on, TodayG: >= 1 and { } g } && on <= now)
        {
            yield return new("feed", (now - on).TotalDays > 7 ? 2 : 3, $"Feed the worms of {bin.Name}",
                $"up to {Grams(g)}; last fed {Say.Ago((now - s.FedAt!.Value).TotalDays)}", "Feed them", on);
        }

        var looked = points.LastOrDefault(p => p.Step is WorkStep.Damp or WorkStep.Warmth)?.At ?? points.FirstOrDefault()?.At;
        if (!bin.InPlace && looked?.AddDays(WormCourse.LookDays) is { } look && look <= now)
        {
            yield return new("look", 3, $"How damp is {bin.Name}?", $"last looked at {Say.Ago((now - looked.Value).TotalDays)}",
                "Look at it", look);
        }
    }

    /// <summary>What a calendar should hold: the next feeding, and trays to look at.</summary>
    /// <remarks>A tray that has been full since 1 March: "Is tray 1 ready?" on 30 April.</remarks>
    public static IEnumerable<WorkDate> Dates(WormBin bin, WormsStand s, DateTimeOffset now)
    {
        if (!bin.InPlace && s.AlarmAt is null && s.Appetite.Value.FeedOn is { } on)
        {
            yield return new("feed", on > now ? on : now, $"Feed the worms of {bin.Name}", "No faster than it goes.");
        }

        foreach (var tray in s.Trays.Where(t => t.LookFrom is not null))
        {
            yield return new($"ready-{tray.Name.Replace(' ', '-')}", tray.LookFrom!.Value, $"Is {tray.Name} of {bin.Name} ready?",
                "Dark, crumbling and few worms in it: it is.");
        }
    }

    private const double LookCounts = 4;

    private static string Grams(double g) => g >= 1000 ? $"{Say.Number(g / 1000, 2)} kg" : $"{Say.Number(Math.Round(g / 10) * 10, 3)} g";

    private static string Sentence(string name) => char.ToUpperInvariant(name[0]) + name[1..];
}
