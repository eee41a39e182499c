using MudPie.Core.Almanac;
using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>A sky to go by: which half of the earth, which school of lifting, and how days are written there.</summary>
/// <param name="South">South of the equator; null where nobody said where the holding lies.</param>
/// <param name="Lift">The school of lifting.</param>
/// <param name="Local">A moment in the holding's zone.</param>
public sealed record PrepSky(bool? South, string? Lift, Func<DateTimeOffset, DateTimeOffset> Local)
{
    /// <summary>The first day on which something is lifted: the day after an equinox, the day of a full moon.</summary>
    public DateTimeOffset? LiftDay(PreparationSpan? span) => span?.LiftAt is not { } at ? null
        : Lift == PreparationYear.AfterMoon && span.FullMoon is not null ? at : at.AddDays(1);
}

/// <summary>A preparation from the flower or the horn to what is stirred.</summary>
public static class PrepCourse
{
    /// <summary>Days before a turn at which Today begins to speak of it.</summary>
    public const int SpeaksDays = 10;

    /// <summary>How it stands.</summary>
    /// <param name="plan">The preparation.</param>
    /// <param name="points">What was done, oldest first.</param>
    /// <param name="sky">The holding's.</param>
    /// <param name="now">Now.</param>
    /// <param name="used">Stirrings that stand in the book as put out, by their entries.</param>
    /// <remarks>Twelve horns buried on 28 September 2026: in the ground until the spring equinox, 20 March 2027; due on the 21st.</remarks>
    public static PrepStands Of(PrepPlan plan, IReadOnlyList<WorkPoint> points, PrepSky sky, DateTimeOffset now,
        IReadOnlySet<int>? used = null)
    {
        var (hung, buried, lifted) = (points.FirstOrDefault(p => p.Step == WorkStep.Hung),
            points.FirstOrDefault(p => p.Step == WorkStep.Buried),
            points.LastOrDefault(p => p.Step is WorkStep.Lifted or WorkStep.Pressed));
        var state = lifted is not null ? PrepState.Lifted : buried is not null ? PrepState.Buried : hung is not null ? PrepState.Hung
            : PrepState.Planned;
        var since = (lifted ?? buried ?? hung)?.At;
        var span = sky.South is not { } south ? null
            : (buried ?? lifted) is { } begun ? PreparationYear.About(plan.Kind, begun.At, south, sky.Lift)
            : PreparationYear.Next(plan.Kind, hung?.At ?? now, south, sky.Lift);
        var stirred = points.Where(p => p.Step == WorkStep.Stirred).ToList();
        double Si(WorkPoint p) => plan.Kind.Liquid ? p.Litres ?? 0 : (p.Grams ?? 0) / 1000;
        var left = (lifted is null ? 0 : Si(lifted)) - points.Where(p => p.Step is WorkStep.Stirred or WorkStep.Given).Sum(Si);
        var last = stirred.LastOrDefault();
        var waits = last is not null && used?.Contains(last.Id) != true && now - last.At < TimeSpan.FromDays(1);
        DateTimeOffset? useBy = waits && plan.Kind.Use != PreparationUse.Sprayed && last!.At.AddHours(Preparations.UseWithinH) > now
            ? last.At.AddHours(Preparations.UseWithinH) : null;
        var stands = new PrepStands(state, since, buried?.Count ?? hung?.Count ?? plan.Count, lifted?.Count, span, Math.Max(0, left), waits,
            useBy,
            Next(plan.Kind, state, left), new Verdict(Tone.Go, "", ""), null);
        return stands with { Verdict = Says(plan, stands, sky, now), Due = Due(plan, stands, sky, now) };
    }

    /// <summary>In a word and a figure, for the yard.</summary>
    public static (string Word, string Figure) Short(PrepPlan plan, PrepStands s, PrepSky sky) => s.State switch {
        PrepState.Planned => ("planned", s.Span is { } n ? $"about {Say.Day(sky.Local(n.BeginAt))}" : plan.Kind.Name),
        PrepState.Hung => ("hung", $"since {Say.Day(sky.Local(s.Since!.Value))}"),
        PrepState.Buried => (plan.Kind.Way == PreparationWay.WinterWater ? "in water" : "in the ground",
            sky.LiftDay(s.Span) is { } lift ? $"lift from {Say.Day(sky.Local(lift))}" : $"since {Say.Day(sky.Local(s.Since!.Value))}"),
        _ => (plan.Kind.Liquid ? "in its bottle" : "lifted", Left(plan, s)),
    };

    /// <summary>What a calendar holds of it.</summary>
    public static IEnumerable<WorkDate> Dates(PrepPlan plan, PrepStands s, PrepSky sky)
    {
        if (s.Span is not { } span)
        {
            yield break;
        }

        if (s.State == PrepState.Planned && span.HangAt is { } hang)
        {
            yield return new WorkDate("hang", hang, $"Hang {plan.Name}", "In summer sun, safe from birds.");
        }

        if (s.State is PrepState.Planned or PrepState.Hung)
        {
            yield return new WorkDate("begin", span.BeginAt, $"{Begin(plan.Kind)} {plan.Name}",
                $"About then: {Say.Day(sky.Local(span.From))} to {Say.Day(sky.Local(span.To))}.");
        }
        else if (s.State == PrepState.Buried && sky.LiftDay(span) is { } lift)
        {
            yield return new WorkDate("lift", lift, $"Lift {plan.Name}", "Say how it looks, smells and crumbles, and how many came out.");
        }
    }

    /// <summary>What is done first: "Bury", "Press".</summary>
    public static string Begin(Preparation p) => p.Way switch {
        PreparationWay.WinterWater => "Lay in water",
        PreparationWay.Pressed => "Press",
        PreparationWay.Brewed => "Cut and brew",
        _ => "Bury",
    };

    private static string Left(PrepPlan plan, PrepStands s) => plan.Kind.Liquid ? $"{Say.Number(s.LeftSi * 1000)} mL left"
        : $"{Say.Number(s.LeftSi * 1000)} g left";

    private static IReadOnlyList<WorkStep> Next(Preparation p, PrepState state, double left) => state switch {
        PrepState.Planned => [p.Liquid ? WorkStep.Pressed : p.Way == PreparationWay.HungThenBuried ? WorkStep.Hung : WorkStep.Buried,
            WorkStep.Seen],
        PrepState.Hung => [WorkStep.Buried, WorkStep.Seen],
        PrepState.Buried => [WorkStep.Lifted, WorkStep.Seen],
        _ when left <= 1e-9 => [WorkStep.Seen],
        _ => [p.Use == PreparationUse.Heap ? WorkStep.Given : WorkStep.Stirred, WorkStep.Seen],
    };

    private static Verdict Says(PrepPlan plan, PrepStands s, PrepSky sky, DateTimeOffset now)
    {
        string Day(DateTimeOffset at) => Say.Date(sky.Local(at));
        if (s.UseBy is { } by)
        {
            return new Verdict(Tone.Mind, $"Use what is stirred before {Say.Clock(by, now, sky.Local)}.",
                "Within three hours of stirring, practice says; nobody has measured why.");
        }

        if (s.State == PrepState.Lifted)
        {
            return s.LeftSi > 1e-9
                ? new Verdict(Tone.Go, $"{Left(plan, s)}: use it, or try it.", plan.Kind.Id == "507"
                    ? "A few drops in water over a heap; a heap without it beside says more than belief."
                    : plan.Kind.Use == PreparationUse.Heap
                    ? "A pinch, 1 to 2 cm³, a heap; a heap without it beside says more than belief."
                    : "Stirred water alone beside it, by lot, says more than belief.")
                : new Verdict(Tone.Go, "Nothing is left of it.", "Its notes stay.");
        }

        if (s.Span is not { } span)
        {
            return new Verdict(Tone.Mind, "Say where the holding lies, and the dates follow.",
                "Under Ground and kit: a degree is near enough.");
        }

        if (s.State == PrepState.Buried)
        {
            var moon = span.FullMoon is { } m && span.EndAt is { } end
                ? sky.Lift == PreparationYear.AfterMoon ? $" Others lift from {Day(end.AddDays(1))}."
                    : $", or wait for the full moon: {Day(m)}."
                : "";
            var lift = Day(sky.LiftDay(span)!.Value);
            return new Verdict(sky.LiftDay(span) <= now ? Tone.Mind : Tone.Go,
                sky.LiftDay(span) <= now ? $"Lift it: it is time since {lift}."
                    : $"Lift it from {lift}{(moon.StartsWith(',') ? moon : "." + moon)}",
                $"The turn is {Day(span.EndAt!.Value)}, {Say.Time(sky.Local(span.EndAt.Value))}.");
        }

        if (s.State == PrepState.Planned && span.HangAt is { } hang && hang > now)
        {
            return new Verdict(Tone.Go, $"Hang it about {Day(hang)}; bury it about {Day(span.BeginAt)}.",
                "The turns of summer and autumn there.");
        }

        return new Verdict(Tone.Go, $"{Begin(plan.Kind)} it about {Day(span.BeginAt)}.",
            $"A few weeks either side: {Day(span.From)} to {Day(span.To)}.");
    }

    private static WorkDue? Due(PrepPlan plan, PrepStands s, PrepSky sky, DateTimeOffset now)
    {
        if (s.UseBy is { } by)
        {
            return new WorkDue("use", 0, $"Use the stirred {plan.Kind.Name}", $"before {Say.Clock(by, now, sky.Local)}", "Put it out", by);
        }

        if (s.Span is not { } span)
        {
            return null;
        }

        if (s.State == PrepState.Buried && sky.LiftDay(span) is { } lift && lift <= now.AddDays(SpeaksDays))
        {
            return new WorkDue("lift", lift <= now ? 2 : 3, $"Lift {plan.Name}", $"{(lift <= now ? "due since" : "from")} "
                + Say.Day(sky.Local(lift)), "See it", lift);
        }

        var begin = s.State == PrepState.Planned && span.HangAt is { } hang && hang > now.AddDays(-PreparationYear.WeeksDays)
            && plan.Kind.Way == PreparationWay.HungThenBuried ? hang : span.BeginAt;
        return s.State is PrepState.Planned or PrepState.Hung && begin.AddDays(-SpeaksDays) <= now && begin.AddDays(
            PreparationYear.WeeksDays) >= now
            ? new WorkDue("begin", 3, $"{(begin == span.BeginAt ? Begin(plan.Kind) : "Hang")} {plan.Name}",
                $"about {Say.Day(sky.Local(begin))}", "See it", begin) : null;
    }
}
