using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>What is known of a sprayer.</summary>
public sealed record SprayerFacts
{
    /// <summary>"knapsack", "can", "boom", "injector" or "other".</summary>
    public string? Kind { get; init; }

    /// <summary>"new", "biology" (nothing else was ever in it), "fertiliser", "poison" (a weed-killer or pesticide) or "unknown".</summary>
    public string? Past { get; init; }

    /// <summary>Which local rule or lab clears it, in the grower's words; null where none does.</summary>
    public string? ClearedWhy { get; init; }

    /// <summary>Finest filter that the brew goes through, µm; null where not known.</summary>
    public double? MeshUm { get; init; }

    /// <summary>Working pressure, bar; null where not known.</summary>
    public double? PressureBar { get; init; }

    /// <summary>Days since it was calibrated; null for never.</summary>
    public double? CalibratedDaysAgo { get; init; }

    /// <summary>True where something has been sprayed since it was last washed.</summary>
    public bool Unwashed { get; init; }
}

/// <summary>What a sprayer may be used for.</summary>
/// <param name="Allowed">False where it is refused.</param>
/// <param name="Verdict">In a sentence.</param>
/// <param name="Minds">What else there is to mind.</param>
public sealed record SprayerRuling(bool Allowed, Verdict Verdict, IReadOnlyList<string> Minds);

/// <summary>Is this sprayer fit to carry life?</summary>
public static class Sprayers
{
    /// <summary>Days after which a calibration is due again, by kind. House figures: nozzles wear, hands change.</summary>
    public static int CalibrateEveryDays(string kind) => kind switch { "boom" => 90, "injector" => 180, "can" => 365, _ => 180 };

    /// <summary>Opening of a mesh by its number: about 15,000 ÷ number, µm.</summary>
    /// <param name="number">Threads to the inch, 10 to 400.</param>
    /// <remarks>50 mesh is 300 µm, 100 is 150, 200 is 75.</remarks>
    public static Ruling<double> MeshUm(double? number)
    {
        var checks = new Checks();
        var n = checks.Range("mesh", number, 10, 400, "mesh");
        return checks.Sound
            ? Worked.Of(15_000 / n, "µm", Evidence.PractitionersRule,
                [new("opening", "15,000 ÷ mesh", $"15,000 ÷ {Say.Number(n)}", $"{Say.Number(15_000 / n)} µm",
                    "50 mesh ≈ 300, 100 ≈ 150, 200 ≈ 75 µm")])
            : checks.Refusal;
    }

    /// <summary>What a mesh holds back, in words.</summary>
    public static string MeshSays(double um) => um switch {
        < 75 => "holds back most of what was grown: threads, nematodes, many protozoa",
        < 150 => "holds back nematodes and threads, and clogs: below 150 µm is too fine",
        < 200 => "passes bacteria and protozoa; most nematodes and long threads stay behind",
        < 400 => "passes bacteria, protozoa and most nematodes; long threads stay behind",
        _ => "passes long threads too",
    };

    /// <summary>Rules on a sprayer. Worked: a knapsack that held weed-killer is refused; cleared by a lab, with the reason written down, it
    /// may be used.</summary>
    public static Ruling<SprayerRuling> Judge(SprayerFacts s)
    {
        var checks = new Checks();
        if (s.Kind is not ("knapsack" or "can" or "boom" or "injector" or "other"))
        {
            checks.Add("kind", "It is not said what kind it is.", "Choose knapsack, can, boom, injector or other.");
        }

        if (s.Past is not ("new" or "biology" or "fertiliser" or "poison" or "unknown"))
        {
            checks.Add("past", "It is not said what was ever in it.", "Choose new, biology, fertiliser, poison or unknown.");
        }

        if (s.MeshUm is not null)
        {
            checks.Range("meshUm", s.MeshUm, 10, 5000, "µm");
        }

        if (s.PressureBar is not null)
        {
            checks.Range("pressureBar", s.PressureBar, 0, 40, "bar");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var cleared = (s.ClearedWhy ?? "").Trim().Length >= 10;
        var allowed = s.Past is not ("poison" or "unknown") || cleared;
        var minds = Minds(s).ToList();
        var verdict = !allowed
            ? new Verdict(Tone.Stop, s.Past == "poison" ? "Not this one: it has held weed-killer or pesticide."
                : "Not this one: nobody knows what it has held.",
                "Traces kill what you grew and stunt the crop. Take one kept for biology, or write down which local rule or lab clears it.")
            : minds.Count > 0
                ? new Verdict(Tone.Mind, "It may be used; something to mind.", minds[0])
                : new Verdict(Tone.Go, s.Past == "biology" || s.Past == "new" ? "Kept for biology: use it." : "It may be used.", cleared
                    ? $"Cleared: {s.ClearedWhy!.Trim()}" : "Wash it up at once afterwards.");
        return Worked.Of(
            new SprayerRuling(allowed, verdict, minds), "", Evidence.PractitionersRule,
            [
                new("past", "what was ever in it", s.Past!, allowed ? "may be used" : "refused",
                    "hormone weed-killers harm crops at traces; a rinse does not take them out of hoses"),
                new("mesh", "finest filter", s.MeshUm is { } um ? $"{Say.Number(um)} µm" : "not known", s.MeshUm is { } m
                    ? MeshSays(m) : "look for it: in the lance, the nozzle and the lid",
                    "about 200 µm passes bacteria, protozoa and most nematodes; long threads want 400 µm"),
            ],
            allowed ? [] : [new Caution("sprayer-past", "A sprayer that ever held weed-killer or pesticide is not for living brews.",
                Cautions.Usual)]);
    }

    private static IEnumerable<string> Minds(SprayerFacts s)
    {
        if (s.Unwashed)
        {
            yield return "It has not been washed up since it was last used: a film in it spoils the next brew.";
        }

        if (s.MeshUm < 200)
        {
            yield return $"Its mesh of {Say.Number(s.MeshUm.Value)} µm {MeshSays(s.MeshUm.Value)}.";
        }

        if (s.PressureBar > 3)
        {
            yield return $"At {Say.Number(s.PressureBar.Value)} bar drops are fine and threads are sheared: go down to 1 to 2, coarse "
                + "drops.";
        }

        if (s.CalibratedDaysAgo is null)
        {
            yield return "It was never calibrated: how much it puts on is a guess.";
        }
        else if (s.CalibratedDaysAgo > CalibrateEveryDays(s.Kind!))
        {
            yield return $"Its calibration is {Say.Number(s.CalibratedDaysAgo.Value)} days old, and due again "
                + $"after {CalibrateEveryDays(s.Kind!)}.";
        }
    }
}

/// <summary>A watering can, by the clock.</summary>
/// <param name="LPerSecond">Flow.</param>
/// <param name="Seconds">Seconds over the bed.</param>
/// <param name="Cans">Cans for it.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record CanAnswer(double LPerSecond, double Seconds, double Cans, string Sentence);

/// <summary>A watering can by seconds a bed.</summary>
public static class WateringCan
{
    /// <summary>seconds = litres wanted ÷ (can ÷ seconds to empty it).</summary>
    /// <param name="canL">What it holds, 0.5 to 50 L.</param>
    /// <param name="emptiesInS">Seconds that a full one takes to run out, 2 to 600.</param>
    /// <param name="wantedL">Litres for the bed, 0.1 to 5000.</param>
    /// <remarks>A 10 L can that runs out in 40 s, 25 L wanted: 100 s, 2.5 cans.</remarks>
    public static Ruling<CanAnswer> Of(double? canL, double? emptiesInS, double? wantedL)
    {
        var checks = new Checks();
        var can = checks.Range("canL", canL, 0.5, 50, "L");
        var empties = checks.Range("emptiesInS", emptiesInS, 2, 600, "s", "Fill it, tip it, and count.");
        var wanted = checks.Range("wantedL", wantedL, 0.1, 5000, "L");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var flow = can / empties;
        var seconds = wanted / flow;
        return Worked.Of(
            new CanAnswer(flow, seconds, wanted / can,
                $"{Say.Number(seconds)} s over the bed, {Say.Number(wanted / can)} {(Math.Abs(wanted - can) < 1e-9 ? "can" : "cans")}."),
                "s", Evidence.MeasuredHere,
            [
                new("flow", "can ÷ seconds", $"{Say.Number(can)} L ÷ {Say.Number(empties)} s", $"{Say.Number(flow)} L/s",
                    "your own measuring"),
                new("seconds a bed", "litres ÷ flow", $"{Say.Number(wanted)} L ÷ {Say.Number(flow)} L/s",
                    $"{Say.Number(seconds)} s", "sum"),
            ]);
    }
}
