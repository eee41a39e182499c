using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>How a burn stands.</summary>
/// <param name="State">How far it has come.</param>
/// <param name="LitAt">When it was lit.</param>
/// <param name="DousedAt">When water went on it last.</param>
/// <param name="Hours">From lighting to the first quenching, or till now; null before it is lit.</param>
/// <param name="WaterL">Water that quenched it, L.</param>
/// <param name="FeelAt">When it is to be felt for heat; null where it need not be.</param>
/// <param name="Caution">What matters at this moment; null for nothing.</param>
/// <param name="Yield">What came of it; null before it is measured.</param>
/// <param name="LeftL">Of the char, what was not carried off yet, L.</param>
/// <param name="Verdict">What to do.</param>
/// <param name="Due">What it wants; null for nothing.</param>
public sealed record BurnStands(BurnState State, DateTimeOffset? LitAt, DateTimeOffset? DousedAt, double? Hours, double WaterL,
    DateTimeOffset? FeelAt, Caution? Caution, Worked<CharYield>? Yield, double LeftL, Verdict Verdict, WorkDue? Due);

/// <summary>A burn from planning to the last can.</summary>
public static class BurnCourse
{
    /// <summary>Hours after the last dousing at which it is felt for heat: an hour, and a night.</summary>
    public const double AnHour = 1, ANight = 10;

    /// <summary>Works it out.</summary>
    /// <param name="plan">The burn.</param>
    /// <param name="points">What was done, oldest first.</param>
    /// <param name="now">Now.</param>
    /// <param name="local">A moment in the holding's zone.</param>
    /// <remarks>Quenched at 17:00 and felt cold at 18:10: to be felt again at 03:00, a night after. Warm or glowing: doused again, and both
    /// clocks begin anew.</remarks>
    public static BurnStands Of(BurnPlan plan, IReadOnlyList<WorkPoint> points, DateTimeOffset now,
        Func<DateTimeOffset, DateTimeOffset> local)
    {
        var lit = points.FirstOrDefault(p => p.Step == WorkStep.Lit)?.At;
        var quenched = points.FirstOrDefault(p => p.Step == WorkStep.Quenched)?.At;
        var doused = points.LastOrDefault(p => p.Step is WorkStep.Quenched or WorkStep.DugOver)?.At;
        var felt = points.Where(p => p.Step == WorkStep.Felt && p.At >= doused).ToList();
        var hot = felt.LastOrDefault() is { Heat: Heat.Warm or Heat.Glowing } h ? h.Heat : null;
        var measured = points.LastOrDefault(p => p.Step == WorkStep.Measured);
        var relit = points.LastOrDefault(p => p.Step is WorkStep.Fuelled or WorkStep.Lit)?.At > doused;
        var cold = hot is null && felt.Any(f => (f.At - doused!.Value).TotalHours >= ANight);
        var state = measured is not null ? BurnState.Done : lit is null ? BurnState.Planned : doused is null || relit ? BurnState.Burning
            : cold ? BurnState.Cold : BurnState.Watched;
        DateTimeOffset? feel = state != BurnState.Watched ? null : hot is not null ? now
            : felt.Any(f => (f.At - doused!.Value).TotalHours >= AnHour * 0.75) ? doused!.Value.AddHours(ANight)
                : doused!.Value.AddHours(AnHour);
        var yield = measured is null ? null : CharMade.Of(measured.Litres!.Value, measured.Figure, plan);
        var stands = new BurnStands(state, lit, doused, lit is { } at ? ((quenched ?? now) - at).TotalHours : null,
            points.Where(p => p.Step is WorkStep.Quenched or WorkStep.DugOver).Sum(p => p.Litres ?? 0), feel, state switch {
                BurnState.Planned => BurnCautions.BeforeLighting,
                BurnState.Burning => BurnCautions.Burning,
                BurnState.Watched => BurnCautions.Relights,
                _ => BurnCautions.Dust,
            }, yield, (measured?.Litres ?? 0) - points.Where(p => p.Step == WorkStep.Carried).Sum(p => p.Litres ?? 0),
            new Verdict(Tone.Go, "", ""), null);
        return stands with { Verdict = Says(plan, stands, hot, now, local), Due = Due(plan, stands, now, local) };
    }

    /// <summary>In a word and a figure, for the yard.</summary>
    public static (string Word, string Figure) Short(BurnStands s, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local) =>
        s.State switch {
            BurnState.Planned => ("planned", ""),
            BurnState.Burning => ("burning", s.Hours is { } h ? $"for {Say.Hours(h)}" : ""),
            BurnState.Watched => ("quenched", s.FeelAt <= now ? "feel it for heat now"
                : $"feel it at {Say.Clock(s.FeelAt!.Value, now, local)}"),
            BurnState.Cold => ("cold", "measure it"),
            _ => ("done", $"{Say.Number(s.Yield!.Value.Litres)} L of char"),
        };

    private static Verdict Says(BurnPlan plan, BurnStands s, Heat? hot, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local) =>
        s.State switch {
            BurnState.Planned => new(Tone.Go, "Light it from the top, when permit, wind and water are right.",
                "Stack it loose, thick below and thin above: what burns downward smokes least."),
            BurnState.Burning => new(Tone.Go, "Lay on as the edges go white; quench while it glows, before ash.",
                "Thin blue smoke is right; thick and white means it is wet or smothered. From the edge inward, with all the water "
                    + "there is."),
            BurnState.Watched when hot == Heat.Glowing => new(Tone.Stop, "It glows: dig it over and douse it again.",
                "Then feel it after an hour, and after a night."),
            BurnState.Watched when hot == Heat.Warm => new(Tone.Mind, "It is warm somewhere: dig it over and douse it again.",
                "Warm char beneath takes fire hours later. Then feel it after an hour, and after a night."),
            BurnState.Watched when s.FeelAt <= now => new(Tone.Mind, "Feel it for heat now.",
                "The back of a hand over it first, then dig down in three places."),
            BurnState.Watched => new(Tone.Go, $"Feel it for heat at {Say.Clock(s.FeelAt!.Value, now, local)}.",
                (s.FeelAt.Value - s.DousedAt!.Value).TotalHours > 2 ? "It was cold after an hour; once more after a night."
                    : "Dig it over and douse it again meanwhile: it can light itself anew."),
            BurnState.Cold => new(Tone.Go, "It is cold: measure it.",
                "In cans of a known size. Lumps under 2 cm; the ends are kept for the next."),
            _ => new(Tone.Go, plan.Spreads ? "Done. Look next season whether anything sprouts there."
                : "Done: the char lies on the shelf, raw.",
                "Charge it fourteen days before it goes into a mix: raw it ties up nitrogen."),
        };

    private static WorkDue? Due(BurnPlan plan, BurnStands s, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local) =>
        s.State switch {
            BurnState.Watched when s.FeelAt is { } feel && feel <= now.AddHours(1) => new("feel", feel <= now ? 0 : 1,
                $"Feel {plan.Name} for heat", feel <= now ? "it can light itself again"
                    : $"at {Say.Clock(feel, now, local)}: it can light itself again",
                "See the burn", feel),
            BurnState.Burning when s.Hours > 12 => new("burning", 1, $"Is {plan.Name} quenched?", "it was lit more than half a day ago",
                "See the burn", s.LitAt!.Value.AddHours(12)),
            BurnState.Cold => new("measure", 3, $"Measure the char of {plan.Name}", "it is cold", "Measure it",
                s.DousedAt!.Value.AddHours(ANight)),
            _ => null,
        };
}
