using MudPie.Core.Workings;

namespace MudPie.Core.Looking;

/// <summary>A walk as it is planned: a round of pegs, hung on a trip that is made anyway.</summary>
public sealed record WalkPlan
{
    /// <summary>Checks that are asked for, in order.</summary>
    public IReadOnlyList<CheckKind> Kinds { get; init; } = [];

    /// <summary>Pegs in walking order.</summary>
    public IReadOnlyList<int> Pegs { get; init; } = [];

    /// <summary>Months in which it is walked, 1 to 12; none: when it suits.</summary>
    public IReadOnlyList<int> Months { get; init; } = [];

    /// <summary>A photo is asked for at each peg.</summary>
    public bool Photo { get; init; } = true;
}

/// <summary>How far a walk of this season has come.</summary>
/// <param name="From">It counts since this day.</param>
/// <param name="Done">Pegs that were looked at since.</param>
/// <param name="Left">Pegs that were not, in walking order.</param>
/// <param name="Due">It is its month, and some are left.</param>
public sealed record WalkStands(DateOnly From, IReadOnlyList<int> Done, IReadOnlyList<int> Left, bool Due);

/// <summary>Walks: twice a year is the usual, in spring and in autumn.</summary>
public static class Walks
{
    /// <summary>Most pegs of a walk, and most walks of a holding.</summary>
    public const int MostPegs = 60, MostWalks = 20;

    /// <summary>A walk without months counts the visits of so many days; one with months those since so many days before its
    /// month.</summary>
    private const int LooseDays = 7, EarlyDays = 14;

    /// <summary>Is the plan sound?</summary>
    /// <param name="plan">As typed.</param>
    public static Refusal? Wrong(WalkPlan plan)
    {
        var checks = new Checks();
        if (plan.Kinds.Count == 0 || plan.Kinds.Distinct().Count() != plan.Kinds.Count)
        {
            checks.Add("kinds", plan.Kinds.Count == 0 ? "No check was chosen." : "A check is there twice.", "Choose what is looked at.");
        }

        if (plan.Pegs.Count is 0 or > MostPegs || plan.Pegs.Distinct().Count() != plan.Pegs.Count)
        {
            checks.Add("pegs", plan.Pegs.Count == 0 ? "No peg was chosen." : plan.Pegs.Count > MostPegs ? "Those are too many pegs."
                : "A peg is there twice.", $"Choose up to {MostPegs} pegs, in walking order.");
        }

        if (plan.Months.Any(m => m is < 1 or > 12) || plan.Months.Distinct().Count() != plan.Months.Count)
        {
            checks.Add("months", "One of the months is none, or is there twice.", "Choose from the twelve.");
        }

        return checks.Sound ? null : checks.Refusal;
    }

    /// <summary>How it stands.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="visits">The newest visit of each peg, by its number; a peg that was never visited is not there.</param>
    /// <param name="today">The day at the holding.</param>
    /// <remarks>April and October; on 10 April with one of two pegs visited on 2 April: one left, due. On 10 June: not due.</remarks>
    public static WalkStands Stands(WalkPlan plan, IReadOnlyDictionary<int, DateOnly> visits, DateOnly today)
    {
        var now = plan.Months.Contains(today.Month);
        var from = now ? new DateOnly(today.Year, today.Month, 1).AddDays(-EarlyDays) : today.AddDays(-LooseDays);
        List<int> left = [.. plan.Pegs.Where(p => !visits.TryGetValue(p, out var at) || at < from)];
        return new WalkStands(from, [.. plan.Pegs.Except(left)], left, now && left.Count > 0);
    }

    /// <summary>The first day of its next month; null where it has none.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="today">The day at the holding.</param>
    /// <remarks>April and October, on 10 June 2026: 1 October 2026.</remarks>
    public static DateOnly? Next(WalkPlan plan, DateOnly today) => plan.Months.Count == 0 ? null
        : Enumerable.Range(1, 12).Select(i => new DateOnly(today.Year, today.Month, 1).AddMonths(i))
            .First(d => plan.Months.Contains(d.Month));
}

/// <summary>How a check is done: its name, the way and the unit, for whoever stands there with it.</summary>
/// <param name="Kind">Which.</param>
/// <param name="Name">"rod with a gauge".</param>
/// <param name="Term">What books call it; null where that is the same.</param>
/// <param name="How">The way, in a sentence or two.</param>
/// <param name="Speaks">It speaks on whether the ground is poor, middling or living.</param>
/// <param name="Measured">Its headline figure: "worms a block".</param>
public sealed record CheckHow(CheckKind Kind, string Name, string? Term, string How, bool Speaks, string Measured);

/// <summary>All checks and how they are done.</summary>
public static class CheckHows
{
    /// <summary>In the order in which they are met in the field.</summary>
    public static readonly IReadOnlyList<CheckHow> All =
    [
        new(CheckKind.Rod, "Rod with a gauge", "penetrometer",
            "Push slowly and read every 5 cm to 45 cm. Ten pushes in a zone and three in the wheelings, a day or two after soaking rain.",
            false, "hardest depth, MPa"),
        new(CheckKind.PlainRod, "Plain rod", null,
            "Push and feel, every 10 cm: 1 slides in, 5 won’t go. Then draw it out: to which depth is it moist and even?", false,
                "hardest of 5"),
        new(CheckKind.Moisture, "Moisture", "gravimetric, or by feel",
            "Every 10 or 20 cm, squeeze a handful: powdery, barely holds, a firm ball, wets the hand. Or weigh it wet and dry.", false,
                "water held, mm"),
        new(CheckKind.Block, "Spade block", "visual soil structure score",
            "Lift a block of 20 × 20 cm, 30 deep. Take hold of the lines between layers; score each from 1, friable, to 5, compact.",
                true, "structure, of 5"),
        new(CheckKind.Worms, "Worms", null,
            "Crumble the block over a sheet and count. Only where it is moist and over 8 °C; three blocks say more than one.", true,
                "worms a block"),
        new(CheckKind.Crumbs, "Crumbs in water", "slake test",
            "Eight air-dried crumbs of 8 to 10 mm on a sieve in water. Tap each when half of it has gone; what holds for five minutes is "
                + "dipped five times.", true, "crumbs that hold, %"),
        new(CheckKind.Infiltration, "Water going in", "infiltration",
            "A ring 15 cm across; 450 mL is 25 mm. Pour twice and time the second.", false, "water going in, mm/h"),
        new(CheckKind.Roots, "Roots", null,
            "Ten or twelve plants. Whose roots turn aside, at which depth, how deep do they go, and does soil cling to them?", true,
                "roots turned aside, %"),
        new(CheckKind.Nodules, "Nodules", null,
            "Ten plants of a legume before it flowers. Count nodules, cut some open: pink within is at work.", false,
                "pink nodules a plant"),
        new(CheckKind.Leaf, "Leaf colour and stand", null,
            "The youngest full-grown leaf against the card, 1 pale to 6 dark; flat, curled or mottled; plants in each of some "
                + "metres of row, which says how even they stand.", false,
                "leaf colour, of 6"),
        new(CheckKind.Weeds, "Weeds", null, "Three frames of 50 × 50 cm. Count kind by kind.", false, "weeds a m²"),
        new(CheckKind.Cotton, "Cotton strip", null,
            "A strip of cotton, buried a hand deep for six to eight weeks, dug up and looked at.", true, "cotton gone, %"),
        new(CheckKind.Co2, "CO₂ burst", "soil respiration", "A lab wets a dried sample and measures a day’s carbon dioxide.", true,
            "CO₂-C, mg/kg a day"),
    ];

    /// <summary>What a texture is called: "sandy loam".</summary>
    public static string Textured(Texture texture) => texture switch {
        Texture.Sand => "sand",
        Texture.SandyLoam => "sandy loam",
        Texture.Loam => "loam",
        Texture.ClayLoam => "silty clay",
        _ => "clay",
    };

    /// <summary>By kind.</summary>
    public static CheckHow Of(CheckKind kind) => All.First(h => h.Kind == kind);
}

/// <summary>What the checks of a piece of ground make of its dose.</summary>
/// <param name="Life">Poor, middling or living; null: not known.</param>
/// <param name="Sentence">"The dose here steps down from 1,000 to 600 L on a hectare."</param>
/// <param name="SavesL">Litres saved on this bed.</param>
public sealed record DoseStepped(Life? Life, string Sentence, double SavesL);

/// <summary>The dose by the ground's life.</summary>
public static class DoseSteps
{
    /// <summary>Says it.</summary>
    /// <param name="now">What the ground is.</param>
    /// <param name="fullLPerHa">The full dose of undiluted brew, L/ha.</param>
    /// <param name="areaM2">Of the bed.</param>
    /// <param name="kept">The grower keeps the full dose there.</param>
    /// <param name="show">Litres on the holding's large area, and litres, in its units.</param>
    /// <remarks>Middling, 1,000 L/ha, 1.4 ha: from 1,000 to 600 L/ha; saves 560 L.</remarks>
    public static Worked<DoseStepped> Of(GroundLifeAnswer now, double fullLPerHa, double areaM2, bool kept,
        (Func<double, string> PerHa, Func<double, string> Litres) show)
    {
        var step = kept ? 1 : PuttingOut.TankJob.Step(now.Life);
        var saves = areaM2 / 10_000 * fullLPerHa * (1 - step);
        var sentence = now.Life is null ? $"Not known yet: the full dose, {show.PerHa(fullLPerHa)}."
            : kept ? $"The ground is {now.Life.Value.Word()}; you keep the full dose, {show.PerHa(fullLPerHa)}."
            : step < 1 ? $"The dose here steps down from {show.PerHa(fullLPerHa)} to {show.PerHa(fullLPerHa * step)}."
            : $"The full dose here, {show.PerHa(fullLPerHa)}.";
        return Worked.Of(new DoseStepped(now.Life, sentence, saves), "L", Evidence.PractitionersRule,
            [new("dose", "full dose × step", $"{Say.Number(fullLPerHa)} L/ha × {Say.Number(step)}",
                $"{Say.Number(fullLPerHa * step)} L/ha", "1 poor or not known, 0.6 middling, 0.3 living"),
            new("saves", "area × (full − stepped)", $"{Say.Number(areaM2)} m²", show.Litres(saves), "on this bed")]);
    }
}
