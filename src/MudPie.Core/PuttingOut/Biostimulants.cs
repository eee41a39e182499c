using MudPie.Core.Ground;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>How a stage suits a biostimulant.</summary>
/// <param name="Stage">Id of the stage.</param>
/// <param name="Fit">"right", "late" or "wasted".</param>
/// <param name="Why">The reason.</param>
public sealed record StageFit(string Stage, string Fit, string Why);

/// <summary>What is known of a kind of biostimulant; the label comes first.</summary>
/// <param name="Kind">Stable name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="LeafOneIn">Leaf, one part in so many, from and to.</param>
/// <param name="RootOneIn">Root, one part in so many, from and to.</param>
/// <param name="LPerHa">Litres on a hectare each time, from and to.</param>
/// <param name="EveryDays">Days between, from and to.</param>
/// <param name="Hour">When in the day.</param>
/// <param name="PotassiumShare">K₂O by weight, usual; the lot's own test is better.</param>
/// <param name="Ph">Usual pH, neat.</param>
/// <param name="MixClass">Its class in the mixing rules.</param>
/// <param name="Sure">How sure.</param>
/// <param name="Stages">How each stage suits it.</param>
public sealed record Biostimulant(
    string Kind, string Name, (double From, double To) LeafOneIn, (double From, double To) RootOneIn, (double From, double To) LPerHa,
    (double From, double To) EveryDays,
    string Hour, double PotassiumShare, double Ph, string MixClass, Evidence Sure, IReadOnlyList<StageFit> Stages);

/// <summary>Seaweed, humic and fulvic acids, fish, amino acids, silica: rates, stages, and a season's programme.</summary>
public static class Biostimulants
{
    private static StageFit[] Fits(string start, string root, string leaf, string set, string fill, string early, string late) =>
    [
        new("start", start, early), new("root", root, early), new("leaf", leaf, leaf == "right" ? early : late),
        new("set", set, set == "right" ? early : late), new("fill", fill, fill == "right" ? early : late),
    ];

    /// <summary>Kinds, with their usual figures.</summary>
    public static readonly IReadOnlyList<Biostimulant> Kinds =
    [
        new("seaweed", "liquid seaweed", (200, 500), (500, 2000), (1, 3), (14, 28), "evening or early morning, the cooler the better", 0.05,
            8, "seaweed", Evidence.PublishedTrials,
            Fits("right", "right", "right", "late", "wasted", "It works by timing: young roots gain most.",
                "The roots are grown: a full-grown plant gains little.")),
        new("humic", "humic acid", (300, 800), (200, 1000), (3, 10), (21, 42), "any hour to the root; low sun on leaves", 0.06, 10, "humic",
            Evidence.Contested,
            Fits("right", "right", "right", "late", "wasted", "Holds nutrients by young roots.", "Little to gain so late.")),
        new("fulvic", "fulvic acid", (500, 2000), (500, 2000), (0.5, 2), (14, 28), "low sun", 0.01, 4, "fulvic", Evidence.Contested,
            Fits("right", "right", "right", "right", "late", "Goes with a leaf feed and carries it.", "Late for anything it carries.")),
        new("fish", "fish hydrolysate", (100, 300), (50, 200), (10, 30), (14, 28), "evening: it smells, and draws flies", 0.01, 4, "fish",
            Evidence.PublishedTrials,
            Fits("right", "right", "right", "right", "wasted", "A quick feed of nitrogen and amino acids.",
                "Nitrogen so late softens and delays.")),
        new("amino", "amino acids", (300, 1000), (500, 2000), (1, 3), (10, 21), "low sun, on or after stress", 0.005, 5.5, "amino",
            Evidence.PublishedTrials,
            Fits("right", "late", "right", "right", "late", "Helps over stress: transplanting, cold, heat.",
                "No stress to help over here.")),
        new("silica", "silica", (500, 2000), (1000, 3000), (0.3, 1), (14, 28), "low sun, alone in the tank unless neutralised", 0.08, 11,
            "silica", Evidence.PublishedTrials,
            Fits("right", "right", "right", "right", "late", "Goes into cell walls as they are built.", "The walls are built.")),
    ];

    /// <summary>The kind of that name, or null.</summary>
    public static Biostimulant? Find(string? kind) => Kinds.FirstOrDefault(k => k.Kind == kind);

    /// <summary>A crop's stages by date: its table stretched between start and harvest, or as the grower dated them.</summary>
    /// <remarks>Potatoes from 1 April to 20 July, 110 days: emergence until 21 April, bulking from 5 June.</remarks>
    public static IReadOnlyList<StageDates> StagesOf(string? crop, DateOnly start, DateOnly harvest, IReadOnlyList<StageFrom>? dated = null)
    {
        if (dated is { Count: > 0 })
        {
            var sorted = dated.OrderBy(d => d.From).ToList();
            return [.. sorted.Select((d, i) => new StageDates(d.Id, d.Name, d.From, i + 1 < sorted.Count
                ? sorted[i + 1].From : Later(harvest, d.From)))];
        }

        var calendar = CropCalendars.Of(crop);
        var stretch = (harvest.DayNumber - start.DayNumber) / calendar.Days;
        DateOnly On(double day) => start.AddDays((int)Math.Round(day * stretch));
        return [.. calendar.Stages.Select((s, i) => new StageDates(s.Id, s.Name, On(s.FromDay), i + 1 < calendar.Stages.Count
            ? On(calendar.Stages[i + 1].FromDay) : Later(harvest, On(s.FromDay))))];
    }

    private static DateOnly Later(DateOnly a, DateOnly b) => a > b ? a : b;

    /// <summary>First day on which there are leaves to spray.</summary>
    public static DateOnly LeavesFrom(string? crop, DateOnly start) => start.AddDays((int)CropCalendars.Of(crop).LeavesFromDay);

    /// <summary>A start: each giving where its kind is right, at the longer of its intervals; to the roots until there are
    /// leaves.</summary>
    /// <remarks>Seaweed on potatoes planted on 1 April: that day to the roots, then on leaves every 28 days while it is right.</remarks>
    public static Ruling<IReadOnlyList<ProgrammeStep>> Propose(string? kind, DateOnly? start, DateOnly? harvest, string? crop = null,
        IReadOnlyList<StageFrom>? dated = null)
    {
        var checks = new Checks();
        var k = Find(kind);
        if (k is null)
        {
            checks.Add("kind", $"“{kind}” is not a kind that is known here.", $"Choose {Say.Any([.. Kinds.Select(x => x.Kind)])}.");
        }

        Dates(checks, start, harvest);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var list = new List<ProgrammeStep>();
        var stages = StagesOf(crop, start!.Value, harvest!.Value, dated);
        for (var on = start.Value; on <= harvest.Value; on = on.AddDays((int)k!.EveryDays.To))
        {
            if (Fit(k!, StageOn(on, stages, start.Value, harvest.Value)).Fit == "right")
            {
                list.Add(new ProgrammeStep {
                    Kind = k!.Kind, On = on, Purpose = on < LeavesFrom(crop, start.Value)
                    ? Purpose.Root : Purpose.Leaf
                });
            }
        }

        return Worked.Of<IReadOnlyList<ProgrammeStep>>(list, "", k!.Sure,
            [new("givings", "from the start, every so many days, while the stage is right",
                $"{k.EveryDays.To} days, {CropCalendars.Of(crop).Name}", $"{list.Count}",
                "house calendar of this crop's stages; the label comes first")]);
    }

    /// <summary>Checks a season for what it misses: too late for roots, too long between, none at the start, too close together.</summary>
    public static Ruling<ProgrammeAnswer> Check(ProgrammeQuestion q)
    {
        var checks = new Checks();
        Dates(checks, q.Start, q.Harvest);
        var area = checks.Range("areaM2", q.AreaM2, 0.1, 1_000_000, "m²");
        for (var i = 0; i < q.Steps.Count; i++)
        {
            var s = q.Steps[i];
            if (Find(s.Kind) is null)
            {
                checks.Add($"steps[{i}].kind", $"“{s.Kind}” for {s.Purpose.Word()} is not known here.",
                    $"Choose {Say.Any([.. Kinds.Select(k => k.Kind)])}, for leaf or root.");
            }

            if (s.OneIn is not null)
            {
                checks.Range($"steps[{i}].oneIn", s.OneIn, 2, 20_000, "", "1:300 is 301.");
            }
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var (start, harvest) = (q.Start!.Value, q.Harvest!.Value);
        var stages = StagesOf(q.Crop, start, harvest, q.Dated);
        var looks = q.Steps.OrderBy(s => s.On).Select(s => Look(s, q, stages, start, harvest, area)).ToList();
        var misses = looks.GroupBy(l => l.Kind).SelectMany(g => Misses(Find(g.Key)!, [.. g], stages)).ToList();
        var needs = looks.GroupBy(l => l.Name).ToDictionary(g => g.Key, g => g.Sum(l => l.ProductL));
        var potassium = looks.Sum(l => l.ProductL * 1100 * Find(l.Kind)!.PotassiumShare);
        var verdict = looks.Count == 0 ? new Verdict(Tone.Mind, "Nothing is laid on this season yet.",
            "Propose one, or lay a giving on a day.")
            : misses.Count > 0
            ? new Verdict(Tone.Mind, misses[0], misses.Count > 1 ? string.Join(" ", misses.Skip(1)) : "Drag it to a better week.")
            : new Verdict(Tone.Go, $"{looks.Count} givings, each in its time.",
                "The label comes first; leave a strip without to see what it does.");
        return Worked.Of(
            new ProgrammeAnswer(looks, stages, misses, needs, potassium, verdict),
            "", Evidence.PractitionersRule,
            [
                .. looks.Select(l => new WorkingLine($"{l.Name}, {Say.Day(l.On)}", l.Dose.Formula, $"{Say.Number(area)} m²",
                    $"{Say.Number(l.ProductL * 1000)} mL", l.Dose.Whose)),
                new("potassium", "Σ litres × 1.1 kg/L × share", "", $"{Say.Number(potassium)} g K₂O",
                    "usual shares; a lot's own test is better"),
            ]);
    }

    private static void Dates(Checks checks, DateOnly? start, DateOnly? harvest)
    {
        if (start is null)
        {
            checks.Add("start", "It is not said when it was sown or planted.", "Give a date.");
        }

        if (harvest is null || (start is { } s && (harvest <= s || harvest > s.AddYears(2))))
        {
            checks.Add("harvest", harvest is null ? "It is not said when it is harvested."
                : "The harvest is not within two years after the start.", "Give the first day of harvest.");
        }
    }

    private static StageDates? StageOn(DateOnly on, IReadOnlyList<StageDates> stages, DateOnly start, DateOnly harvest) =>
        on < start || on > Later(harvest, stages[^1].To) ? null : stages.LastOrDefault(s => on >= s.From) ?? stages[0];

    private static StageFit Fit(Biostimulant k, StageDates? stage) =>
        stage is null ? new("none", "wasted", "Outside the crop's time.") : k.Stages.FirstOrDefault(f => f.Stage == stage.Id)
            ?? k.Stages[0];

    private static StepLook Look(ProgrammeStep s, ProgrammeQuestion q, IReadOnlyList<StageDates> stages, DateOnly start, DateOnly harvest,
        double area)
    {
        var k = Find(s.Kind)!;
        var stage = StageOn(s.On, stages, start, harvest);
        var fit = s.Purpose == Purpose.Leaf && stage is not null && s.On < LeavesFrom(q.Crop, start)
            ? new StageFit(stage.Id, "wasted",
                $"There are no leaves before {Say.Day(LeavesFrom(q.Crop, start))}: give it to the roots, or later.")
            : Fit(k, stage);
        var dose = Doses.Of(new DoseQuestion {
            Kind = k, Purpose = s.Purpose, AreaM2 = area, MixLPerHa = q.MixLPerHa ?? 500,
            Label = q.Labels.GetValueOrDefault(s.Kind), OwnOneIn = s.OneIn
        });
        return new(s.Kind, k.Name, s.On, stage?.Name ?? "outside the crop's time", fit.Fit, fit.Why, dose.OneIn, dose.ProductL,
            k.Hour, dose);
    }

    private static IEnumerable<string> Misses(Biostimulant k, List<StepLook> steps, IReadOnlyList<StageDates> stages)
    {
        var right = steps.Where(s => s.Fit == "right").ToList();
        var late = stages.FirstOrDefault(x => k.Stages.FirstOrDefault(f => f.Stage == x.Id)?.Fit is "late" or "wasted")?.From;
        var rooted = stages.FirstOrDefault(x => x.Id == "root")?.To;
        if (right.Count == 0)
        {
            yield return late is { } gone ? $"{Cap(k.Name)} comes too late for the roots: none of it falls before {Say.Day(gone)}."
                : $"{Cap(k.Name)}: none of it falls where it is right.";
        }
        else if (k.Kind is "seaweed" or "humic" && rooted is { } grown && right[0].On > grown)
        {
            yield return $"{Cap(k.Name)} begins after root growth ended on {Say.Day(grown)}: too late for roots.";
        }

        foreach (var s in steps.Where(s => s.Fit == "wasted"))
        {
            yield return $"{Cap(k.Name)} on {Say.Day(s.On)} is wasted: {char.ToLowerInvariant(s.Says[0])}{s.Says[1..]}";
        }

        for (var i = 1; i < steps.Count; i++)
        {
            var gap = steps[i].On.DayNumber - steps[i - 1].On.DayNumber;
            if (gap > k.EveryDays.To * 1.25 && steps[i - 1].Fit == "right")
            {
                yield return $"{gap} days of {k.Name} between {Say.Day(steps[i - 1].On)} and {Say.Day(steps[i].On)}: too long, its "
                    + $"effect is gone after {Say.Number(k.EveryDays.To)}.";
            }
            else if (gap < k.EveryDays.From * 0.7)
            {
                yield return $"{Cap(k.Name)} on {Say.Day(steps[i - 1].On)} and again {Say.Count(gap, "day")} later: closer "
                    + $"than {Say.Number(k.EveryDays.From)} days gains nothing.";
            }
        }
    }

    private static string Cap(string name) => char.ToUpperInvariant(name[0]) + name[1..];
}

