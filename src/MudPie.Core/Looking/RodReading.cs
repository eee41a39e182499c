using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Looking;

/// <summary>A depth under the rod.</summary>
/// <param name="Cm">How deep.</param>
/// <param name="Mpa">The middle of the pushes.</param>
/// <param name="Lower">Where that may lie.</param>
/// <param name="Upper">High end.</param>
/// <param name="Pushes">So many came that far.</param>
public sealed record RodDepth(double Cm, double Mpa, double Lower, double Upper, int Pushes);

/// <summary>A pan: depths at which most roots stop.</summary>
/// <param name="FromCm">The first.</param>
/// <param name="ToCm">The last.</param>
/// <param name="AtCm">The hardest.</param>
/// <param name="Mpa">There.</param>
public sealed record Pan(double FromCm, double ToCm, double AtCm, double Mpa);

/// <summary>Rods: with a gauge, and plain.</summary>
public static class RodReading
{
    /// <summary>Most pushes of one kind at a visit.</summary>
    public const int MostPushes = 60;

    /// <summary>The middle at each depth, with its interval.</summary>
    /// <param name="pushes">MPa from the top at every 5 cm; null where a stone stopped it.</param>
    /// <remarks>Ten pushes: middle, between the second and the ninth.</remarks>
    public static IReadOnlyList<RodDepth> Trace(IReadOnlyList<IReadOnlyList<double?>> pushes) =>
        [.. Enumerable.Range(0, pushes.Count == 0 ? 0 : pushes.Max(p => p.Count))
            .Select(i => (Cm: (i + 1) * CheckReading.RodStepCm, At: At(pushes, i)))
            .Where(d => d.At.Count > 0).Select(d => (d.Cm, Exact.Median(d.At).Middle, d.At.Count))
            .Select(d => new RodDepth(d.Cm, d.Middle.Value, d.Middle.Lower, d.Middle.Upper, d.Count))];

    /// <summary>What was read at a depth.</summary>
    /// <param name="pushes">As above.</param>
    /// <param name="index">0 for 5 cm.</param>
    public static IReadOnlyList<double> At(IReadOnlyList<IReadOnlyList<double?>> pushes, int index) =>
        [.. pushes.Where(p => p.Count > index && p[index] is not null).Select(p => p[index]!.Value)];

    /// <summary>The pan of a trace: the run of depths over 2 MPa that holds the hardest; null where no depth is.</summary>
    public static Pan? PanOf(IReadOnlyList<RodDepth> trace)
    {
        if (trace.Where(d => d.Mpa > CheckReading.StopMpa).MaxBy(d => d.Mpa) is not { } worst)
        {
            return null;
        }

        var at = trace.ToList().IndexOf(worst);
        var (from, to) = (at, at);
        while (from > 0 && trace[from - 1].Mpa > CheckReading.StopMpa)
        {
            from--;
        }

        while (to < trace.Count - 1 && trace[to + 1].Mpa > CheckReading.StopMpa)
        {
            to++;
        }

        return new Pan(trace[from].Cm, trace[to].Cm, worst.Cm, worst.Mpa);
    }

    /// <summary>Pushes in MPa, as the gauge said them.</summary>
    public static IReadOnlyList<IReadOnlyList<double?>> Mpa(IReadOnlyList<IReadOnlyList<double?>>? pushes, bool psi) =>
        [.. (pushes ?? []).Select(p => (IReadOnlyList<double?>)[.. p.Select(x => psi ? x * CheckReading.MpaPerPsi : x)])];

    internal static Worked<CheckAnswer>? Of(CheckAsked r, Checks checks)
    {
        Sound(checks, "pushes", r.Pushes, r.Psi, true);
        Sound(checks, "wheelings", r.Wheelings, r.Psi, false);
        if (!checks.Sound)
        {
            return null;
        }

        var trace = Trace(Mpa(r.Pushes, r.Psi));
        var worst = trace.MaxBy(d => d.Mpa)!;
        var wheels = Trace(Mpa(r.Wheelings, r.Psi));
        var (word, tone) = worst.Mpa > CheckReading.StopMpa ? ("roots stop", Tone.Stop)
            : worst.Mpa >= CheckReading.SlowMpa ? ("slowed", Tone.Mind) : ("free", Tone.Go);
        var pan = PanOf(trace);
        var says = pan is null ? null : pan.FromCm == pan.ToCm ? $"A pan at {pan.AtCm} cm." : $"A pan from {pan.FromCm} to {pan.ToCm} cm.";
        if (wheels.Count > 0 && wheels.Max(w => w.Mpa) is var hard && hard > worst.Mpa)
        {
            says = $"{says} Wheelings: {Say.Number(hard, 2)} MPa.".Trim();
        }

        return CheckReading.Answer(new CheckAnswer(CheckKind.Rod, worst.Mpa, worst.Lower, worst.Upper, "MPa",
            $"{Say.Number(worst.Mpa, 2)} MPa at {worst.Cm} cm", word, tone, null, says),
            new("hardest depth", "middle of the pushes at each 5 cm; the interval is two of the pushes themselves",
                $"{r.Pushes!.Count} pushes", $"{Say.Number(worst.Mpa, 2)} MPa, {CheckReading.Span(worst.Lower, worst.Upper)}",
                "under 1 free, 1 to 2 slowed, over 2 (300 psi) most roots stop: field guides; moisture matters as much"),
            Evidence.PublishedTrials);
    }

    private static void Sound(Checks checks, string field, IReadOnlyList<IReadOnlyList<double?>>? pushes, bool psi, bool wanted)
    {
        if (pushes is not { Count: > 0 })
        {
            if (wanted)
            {
                checks.Add(field, "No push was read.", "Ten pushes a zone, three in wheelings; one is a beginning.");
            }

            return;
        }

        var most = psi ? 1500 : 10.0;
        if (pushes.Count > MostPushes || pushes.Any(p => p is null || p.Count > 20))
        {
            checks.Add(field, "Those are too many.", $"Up to {MostPushes} pushes, each to a metre.");
        }
        else if (pushes.Any(p => p.Any(x => !(x is null or >= 0) || x > most)))
        {
            checks.Add(field, $"A push is below 0 or over {most} {(psi ? "psi" : "MPa")}.",
                "Look at the gauge, and whether it says MPa or psi.");
        }
        else if (pushes.All(p => p.All(x => x is null)))
        {
            checks.Add(field, "No depth was read.", "Give at least the first 5 cm.");
        }
    }

    internal static Worked<CheckAnswer>? Plain(CheckAsked r, Checks checks)
    {
        if (r.Feel is not { Count: > 0 and <= 10 } || r.Feel.Any(f => f is < 1 or > 5))
        {
            checks.Add("feel", "Nothing was felt, or one is not 1 to 5.", "1 slides in … 5 won’t go, at every 10 cm.");
        }

        if (r.MoistToCm is not null)
        {
            checks.Range("moistToCm", r.MoistToCm, 0, 200, "cm");
        }

        if (!checks.Sound)
        {
            return null;
        }

        var worst = r.Feel!.Max();
        var at = (r.Feel!.ToList().IndexOf(worst) + 1) * 10;
        var even = r.Feel!.Max() - r.Feel!.Min() <= 1;
        return CheckReading.Answer(new CheckAnswer(CheckKind.PlainRod, worst, null, null, "of 5", $"{worst} of 5 at {at} cm"
            + (r.MoistToCm is { } moist ? $", moist to {Say.Number(moist)} cm" : ""), even ? "even" : "blocky",
            worst >= 4 ? Tone.Mind : Tone.Go, null, worst >= 4 ? "A rod with a gauge, or a spade, says whether it is a pan." : null),
            new("plain rod", "hardest of what was felt at every 10 cm", string.Join(", ", r.Feel!), $"{worst} of 5",
                "even all the way: a moist profile; blocky: not. Practitioners’ rule"));
    }
}
