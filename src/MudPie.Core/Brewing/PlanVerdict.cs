using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

internal sealed record VerdictInputs(
    BrewQuestion Brew, BrewRunAnswer Run, ForecastAnswer Forecast, double Hours, Making Making, PlanTiming Timing, string WantedShown,
    double WantedL, SourceRuling? Source, RaceAnswer? Race);

/// <summary>Says in a sentence what to make of a plan.</summary>
internal static class PlanVerdict
{
    /// <summary>Too late as planned; what else would stop the brew is said first, since another hour does not mend it.</summary>
    public static Verdict TooLate(BrewPlanQuestion q, DateTimeOffset earliest, Verdict otherwise,
        Func<DateTimeOffset, DateTimeOffset> local)
    {
        var begun = $"Begun now, it could go out at {Say.Clock(earliest, q.Now, local)} at the earliest.";
        return otherwise.Tone == Tone.Stop
            ? otherwise with {
                Why =
                $"{otherwise.Why} It is also too late for {Say.Clock(q.UseAt!.Value, q.Now, local)}: {char.ToLowerInvariant(begun[0])}"
                    + $"{begun[1..]}"
            }
            : new(Tone.Stop, $"Too late for {Say.Clock(q.UseAt!.Value, q.Now, local)}.", $"{begun} Choose that, or an extract.");
    }

    public static Verdict Of(VerdictInputs i) => ByMaking(i) ?? OfTea(i);

    /// <summary>Of what is no tea, or of no sound source; null for a tea.</summary>
    private static Verdict? ByMaking(VerdictInputs i)
    {
        if (i.Source is { Fitness: SourceFitness.Unfit } unfit)
        {
            return new(Tone.Stop, "Not from this source.", $"{unfit.Sentence} Take another lot, or bring this one on.");
        }

        if (i.Making == Making.Steep)
        {
            return new(Tone.Mind, $"A feed, not a live brew: steep it from {i.Timing.Clock(i.Timing.StartFor(i.Hours))}.",
                $"Standing without air it is under 6 mg/L after {(i.Run.Below6AtH is { } b ? Say.Hours(b) : "two days")} by the model. "
                    + "Thin it well and keep it to the soil.");
        }

        if (i.Making == Making.Bubbled && i.Race is { Won: false } lostBubbled)
        {
            return Lost(lostBubbled);
        }

        if (i.Making == Making.Bubbled)
        {
            return new(i.Run.MinOxygen >= BrewRun.Line ? Tone.Go : Tone.Stop,
                $"Bag in at {i.Timing.Clock(i.Timing.StartFor(i.Hours))}, bubbled {Say.Hours(i.Hours)}, used the same day.",
                $"Lowest oxygen about {Say.Fixed(i.Run.MinOxygen, 1)} mg/L by the model; air off, it keeps 6 mg/L for "
                    + $"about {Say.Minutes(i.Race?.GraceMinutes ?? Math.Min(i.Forecast.GraceMinutesTo6, FitToUse.HoldCapMinutes))}.");
        }

        return i.Making != Making.Extract ? null : i.Race is { Won: false } late
            ? Lost(late) : new(Tone.Go, $"Dunk it at {i.Timing.Clock(i.Timing.StartFor(i.Hours))} and use it the same day.",
                "Unfed, it counts from when it is made: 24 h at the most, the sooner the "
                    + $"better.{(i.Race is null ? "" : $" {i.Race.Verdict.Sentence}")}");
    }

    private static Verdict OfTea(VerdictInputs i)
    {
        var lowest = i.Run.MinOxygen;
        var chance = $"{Say.Number(i.Forecast.ProbabilityBelow6 * 100, 2)} brews in a hundred would fall below 6 mg/L before use";
        if (FullOxygen(i.Brew) < BrewRun.Line + 0.5)
        {
            return new(Tone.Stop, "It can't be held at 6 mg/L here: brew cooler.",
                $"Water this warm and high holds {Say.Fixed(FullOxygen(i.Brew), 1)} mg/L at best; no air will do.");
        }

        if (lowest < BrewRun.Line)
        {
            return new(Tone.Stop, $"It would run short: {Say.Fixed(lowest, 1)} mg/L at its lowest.",
                $"By the model {chance}. Less food, more air or a cooler place would hold it.");
        }

        if (i.Run.ReadyAtH is null or > FitToUse.OldestH)
        {
            return new(Tone.Mind, "Not ready by 36 h: brew it less cold, or make an extract.",
                i.Run.ReadyAtH is { } r ? $"At this warmth it would take {Say.Hours(r)}." : "Nothing grows at this warmth.");
        }

        if (i.Run.ReadyAtH > i.Hours + 0.5)
        {
            return new(Tone.Mind,
                $"Not ready at its hour: it would be about {i.Timing.Clock(i.Timing.StartFor(i.Hours).AddHours(i.Run.ReadyAtH.Value))}.",
                $"At {Say.Hours(i.Hours)} it is short of the {Say.Hours(i.Run.ReadyAtH.Value)} that this warmth wants. Use it later, or "
                    + "take the forecast’s hours at the fork.");
        }

        if (i.Race is { Won: false } lost)
        {
            return Lost(lost);
        }

        var fair = i.Forecast.ProbabilityBelow6 < 0.35;
        var fillings = (int)Math.Ceiling((i.WantedL / i.Brew.VolumeL!.Value) - 0.05);
        if (fillings > 1)
        {
            return new(Tone.Mind, $"Too small for this ground: it would take {fillings} fillings.",
                $"The ground asks for {i.WantedShown}. Take a larger vessel or fewer beds. {chance[..1].ToUpperInvariant()}{chance[1..]}, "
                    + "by the model.");
        }

        if (i.Race is { Verdict.Tone: Tone.Mind } dark)
        {
            return dark.Verdict with { Why = $"{dark.Verdict.Why} By the model {chance}." };
        }

        return new(fair ? Tone.Go : Tone.Mind,
            $"Source in at {i.Timing.Clock(i.Timing.StartFor(i.Hours))}, first draw at {i.Timing.Clock(i.Timing.UseAt)}, air on until the "
                + "last.",
            $"Lowest oxygen about {Say.Fixed(lowest, 1)} mg/L; by the model {chance}.{(fair ? "" : " Take a reading or two on the way.")}");
    }

    private static Verdict Lost(RaceAnswer race) =>
        race.Verdict with { Sentence = $"The race is lost: {char.ToLowerInvariant(race.Verdict.Sentence[0])}{race.Verdict.Sentence[1..]}" };

    private static double FullOxygen(BrewQuestion b) =>
        BrewParameters.Beta * OxygenSaturation.MgPerLitre((b.TemperatureC ?? 20) + (b.SwingC ?? 0),
            OxygenSaturation.PressureAtm(new Metres(b.AltitudeM ?? 0)));
}

/// <summary>The lines of a plan's own sum.</summary>
internal static class PlanWorking
{
    public static IEnumerable<WorkingLine> Lines(BrewPlanAnswer a, IReadOnlyList<PlanBed> beds, bool leaf, PlanFoods.Fed fed)
    {
        var rate = BrewPlan.LitresPer100M2(leaf);
        foreach (var bed in beds.Where(b => TankJob.Step(b.Life) < 1))
        {
            yield return new(bed.Name, "what its checks have earned",
                $"{bed.Life!.Value.Word()}: {Say.Number(TankJob.Step(bed.Life))} of the full dose",
                $"saves {Say.Number(bed.AreaM2 / 100 * rate * (1 - TankJob.Step(bed.Life)))} L", "the tank's own rule");
        }

        yield return new("litres for the ground", "Σ area ÷ 100 × litres per 100 m² × step",
            $"{Say.Number(a.AreaM2)} m² ÷ 100 × {Say.Number(rate)} L{(beds.Any(b => TankJob.Step(b.Life) < 1) ? " × step" : "")}",
            $"{Say.Number(a.WantedL)} L",
            "practitioners' rule: 1,000 L to a hectare of worn-out ground, half of that on leaves");
        yield return new("litres to brew", "with 5 % spare, two fifths to all of the working volume", $"{Say.Number(a.WantedL)} L × 1.05",
            $"{Say.Number(a.BrewL)} L, enough for {Say.Number(a.CoversM2)} m²", "house rule");
        yield return new("source", a.Making == Making.Tea ? "per 20 L, thinner in large vessels" : "a load per 20 L",
            $"{Say.Number(a.Source.Litres / a.BrewL * 20)} L per 20 L × {Say.Number(a.BrewL)} L",
            $"{Say.Number(a.Source.Litres)} L of {a.Source.Name}",
            "practitioners' rule: 1 to 1.5 L of compost or 0.5 to 0.8 L of castings per 20 L, 6 to 12 L per 1,000 L in tanks");
        if (a.Making == Making.Tea)
        {
            yield return new("foods", "recipe × what the air carries", fed.At is null
                ? "set by hand, or by a recipe" : $"{Say.Number(fed.Share * 100, 2)} % of the {a.Bias.Word()} recipe", a.Foods.Count == 0
                    ? "none" : string.Join(", ", a.Foods.Select(f => $"{Say.Number(f.Litres * 1000)} mL {f.Name}")),
                fed.Edge is { } edge
                    ? "the most, in tenths, for which nine brews in ten stay above 6 mg/L; the middle one carries "
                        + $"{Say.Number(edge * 100, 2)} %" : "chosen");
            yield return new("hours", "the forecast's ready time, 36 h at most", a.Run.ReadyAtH is { } r ? Say.Hours(r) : "never",
                Say.Hours(a.BrewHours), "the model; see the fork for other schools");
        }
    }
}
