using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>A step of a job that stands: not undone.</summary>
public sealed record MixStepStands(int Id, MixStep Step, DateTimeOffset At);

/// <summary>So much of a part, L.</summary>
public sealed record PartAmount(string Name, double Litres);

/// <summary>What a step does to the shelf.</summary>
/// <param name="Step">Which step.</param>
/// <param name="Damp">How damp the charge was; null but for a look.</param>
/// <param name="Takes">Of parts.</param>
/// <param name="Blend">The charge that is made, or that is taken where the step mixes; null for none.</param>
/// <param name="Makes">Mixes that are made, or filled in where the step fills.</param>
/// <param name="Says">What was done, in a sentence.</param>
/// <param name="Note">The grower's own words, or null.</param>
public sealed record MixStepDone(MixStep Step, Damp? Damp, IReadOnlyList<PartAmount> Takes, PartAmount? Blend,
    IReadOnlyList<PartAmount> Makes, string Says, string? Note);

/// <summary>A step as it is asked for.</summary>
/// <param name="Step">Which; null where nothing was chosen.</param>
/// <param name="Damp">For a look at the charge.</param>
/// <param name="Note">In words; why, where it goes on before its time.</param>
public sealed record MixStepAsked(MixStep? Step, Damp? Damp, string? Note);

/// <summary>Every deed at a job of mixing.</summary>
public static class MixDeeds
{
    /// <summary>How far a job has come.</summary>
    public static MixState State(IEnumerable<MixStepStands> steps)
    {
        var done = steps.Select(s => s.Step).ToHashSet();
        return done.Contains(MixStep.Filled) ? MixState.Filled : done.Contains(MixStep.Mixed) ? MixState.Mixed
            : done.Contains(MixStep.Charged) ? MixState.Charging : MixState.Planned;
    }

    /// <summary>What can be done next.</summary>
    public static IReadOnlyList<MixStep> Next(MixState state, bool charges) => state switch {
        MixState.Planned => charges ? [MixStep.Charged] : [MixStep.Mixed],
        MixState.Charging => [MixStep.Checked, MixStep.Mixed],
        MixState.Mixed => [MixStep.Filled],
        _ => [],
    };

    /// <summary>A step is done: what it takes and makes, or why it can't be.</summary>
    /// <param name="asked">The step.</param>
    /// <param name="steps">Steps that stand.</param>
    /// <param name="bench">The job as it was worked out.</param>
    /// <param name="at">When it is done.</param>
    /// <param name="rawWhy">Why raw char goes in; null where nothing was written.</param>
    /// <remarks>Mixed nine days after the charge was begun: refused with what is missing, or kept with a reason.</remarks>
    public static Ruling<MixStepDone> Do(MixStepAsked asked, IReadOnlyList<MixStepStands> steps, MixBenchAnswer bench, DateTimeOffset at,
        string? rawWhy)
    {
        var checks = new Checks();
        var step = checks.One("step", asked.Step);
        var state = State(steps);
        if (checks.Sound && !Next(state, bench.Charge is not null).Contains(step))
        {
            checks.Add("step", $"{Verb(step)} does not follow: the job is {Told(state)}.", "Load the page again; somebody may have been "
                + "quicker. A step that was wrong can be undone.");
        }

        if (step == MixStep.Checked && asked.Damp is null)
        {
            checks.Add("damp", "Nothing was chosen.", $"Choose {Say.Any(Words.All<Damp>())}.");
        }

        if (asked.Note is { Length: > 300 })
        {
            checks.Add("note", "That is too long.", "Up to 300 letters.");
        }

        var note = string.IsNullOrWhiteSpace(asked.Note) ? null : asked.Note.Trim();
        var charged = steps.LastOrDefault(s => s.Step == MixStep.Charged);
        if (step == MixStep.Mixed && bench.RawNeedsWhy && string.IsNullOrWhiteSpace(rawWhy))
        {
            checks.Add("rawWhy", "Raw char goes into it.", "Charge it first, or write on the job why it goes in raw.");
        }

        if (step == MixStep.Mixed && charged is not null && note is null && (at - charged.At).TotalDays < MixBench.ChargeDays)
        {
            var days = Math.Max(0, (int)(at - charged.At).TotalDays);
            checks.Add("note", $"The char has lain {Say.Count(days, "day")} of {MixBench.ChargeDays}.",
                "Wait for the rest, or write why you mix before its time.");
        }

        return checks.Sound ? Worked.Of(Done(step, asked.Damp, bench, note), "", Evidence.MeasuredHere) : checks.Refusal;
    }

    private static MixStepDone Done(MixStep step, Damp? damp, MixBenchAnswer bench, string? note)
    {
        PartAmount[] blendOf = bench.Charge is { } c ? [new(c.Of, c.OfL), new(c.With, c.WithL)] : [];
        var charged = bench.Charge is { } plan ? Mixes.Charged(plan.Of) : null;
        return step switch {
            MixStep.Charged => new(step, null, blendOf, new(charged!, bench.Charge!.MadeL), [],
                $"{Say.Number(bench.Charge.OfL)} L of {bench.Charge.Of} laid in {Say.Number(bench.Charge.WithL)} L of "
                    + $"{bench.Charge.With}", note),
            MixStep.Checked => new(step, damp, [], null, [], damp switch {
                Damp.Dry => "the charge was too dry: watered",
                Damp.Wet => "the charge was too wet: turned and left open",
                _ => "the charge is as damp as it should be",
            }, note),
            MixStep.Mixed => new(step, null,
                [.. bench.Mixes.Total.Where(p => p.Key != charged).Select(p => new PartAmount(p.Key, p.Value))],
                charged is not null && bench.Mixes.Total.TryGetValue(charged, out var taken) ? new(charged, taken) : null,
                [.. bench.Each.Select(e => new PartAmount(e.Mix.Name, e.Mix.FinishedL))],
                $"{Say.List([.. bench.Each.Take(6).Select(e => e.Mix.Name)])} mixed", note),
            _ => new(step, null, [], null, [.. bench.Each.Select(e => new PartAmount(e.Mix.Name, e.PotsL))],
                $"{Say.List([.. bench.Each.Take(6).Select(e => e.Mix.Name)])} filled in", note),
        };
    }

    /// <summary>The newest step is undone: only that one, so that nothing hangs in the air.</summary>
    public static Ruling<MixStepStands> Undo(int id, IReadOnlyList<MixStepStands> steps, string? why)
    {
        var last = steps.Count == 0 ? null : steps[^1];
        return last is null || last.Id != id
            ? Refusal.Of("id", "That is not the newest step.", last is null ? "Nothing was done yet." : "Undo the newest step first.")
            : string.IsNullOrWhiteSpace(why) || why.Length > 300 ? Refusal.Of("why", "Nothing was written, or too much.",
                "Say in a few words what was wrong.")
            : Worked.Of(last, "", Evidence.MeasuredHere);
    }

    private static string Verb(MixStep step) => step switch {
        MixStep.Charged => "Charging",
        MixStep.Checked => "A look at the charge",
        MixStep.Mixed => "Mixing",
        _ => "Filling",
    };

    /// <summary>A state in a few words.</summary>
    public static string Told(MixState state) => state switch {
        MixState.Planned => "planned",
        MixState.Charging => "charging",
        MixState.Mixed => "mixed",
        _ => "filled in",
    };
}
