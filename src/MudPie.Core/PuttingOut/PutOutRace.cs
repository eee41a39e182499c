using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>The bare race: how many fillings, how long each takes, how long they may go without air.</summary>
public sealed record RaceQuestion
{
    /// <summary>Fillings, 1 to 500.</summary>
    public int? Loads { get; init; }

    /// <summary>How full the last tank is, more than 0 to 1; its draw and its putting out shrink with it.</summary>
    public double? LastShare { get; init; }

    /// <summary>Minutes to draw a full tank, 0 to 600.</summary>
    public double? DrawMin { get; init; }

    /// <summary>Minutes to the ground; the way back takes as long. 0 to 600.</summary>
    public double? TravelMin { get; init; }

    /// <summary>Minutes to put out a full tank, 0 to 600.</summary>
    public double? SprayMin { get; init; }

    /// <summary>Minutes that it may go without air, 0 to 100,000.</summary>
    public double? GraceMinutes { get; init; }

    /// <summary>Minutes from the first draw at which the vessel's air goes off, 0 or more; null: it stays on until the last draw.</summary>
    public double? AirOffAtMin { get; init; }
}

/// <summary>One filling of the race, in minutes from the first draw.</summary>
/// <param name="DrawFromMin">Its draw begins.</param>
/// <param name="AirLostAtMin">It loses its air: as its draw begins, or when the air went off if that was sooner.</param>
/// <param name="OutByMin">Its last drop is on the ground.</param>
/// <param name="MinutesWithoutAir">The longest that any of it went without air.</param>
/// <param name="WithinGrace">Whether that is within the grace.</param>
public sealed record RaceLoad(double DrawFromMin, double AirLostAtMin, double OutByMin, double MinutesWithoutAir, bool WithinGrace);

/// <summary>All fillings.</summary>
/// <param name="Loads">In order.</param>
/// <param name="DoneAtMin">The last drop on the ground, before way back and wash.</param>
public sealed record RaceTimes(IReadOnlyList<RaceLoad> Loads, double DoneAtMin);

/// <summary>What the race is run with: sprayer, hands, ways. What is not said is taken from the house's table, and said.</summary>
public sealed record RaceKit
{
    /// <summary>Its name; null for a tank that is not on the list.</summary>
    public string? Name { get; init; }

    /// <summary>"knapsack", "can", "boom", "injector" or "other".</summary>
    public string Kind { get; init; } = "knapsack";

    /// <summary>What it holds, 0.5 to 20,000 L.</summary>
    public double TankL { get; init; } = 15;

    /// <summary>What comes out of it, L/min; null for the usual of its kind.</summary>
    public double? FlowLpm { get; init; }

    /// <summary>What the tap or pump of the vessel gives, L/min; null for the usual.</summary>
    public double? DrawLpm { get; init; }

    /// <summary>Minutes to the ground, 0 to 600; null for the usual.</summary>
    public double? TravelMin { get; init; }

    /// <summary>Sprayers that go at once, each with its own hands, 1 to 10.</summary>
    public int Lanes { get; init; } = 1;

    /// <summary>A battery pump rides on the cart: what was drawn keeps its air.</summary>
    public bool BatteryOnCart { get; init; }
}

/// <summary>A brew on its way to the ground.</summary>
public sealed record RaceFacts
{
    /// <summary>Brew to put out, L.</summary>
    public required double BrewL { get; init; }

    /// <summary>Mixed litres in all.</summary>
    public required double MixL { get; init; }

    /// <summary>What it is run with.</summary>
    public required RaceKit Kit { get; init; }

    /// <summary>Minutes that it may go without air, by the hold that was chosen; what is left of it where the air is off already.</summary>
    public required double GraceMinutes { get; init; }

    /// <summary>The same with the battery pump; null where there is none.</summary>
    public double? BatteryGraceMinutes { get; init; }

    /// <summary>Minutes from the first draw at which the air goes off; null: it stays on until the last draw.</summary>
    public double? AirOffAtMin { get; init; }

    /// <summary>A dunked extract: no pump to stop, it counts from when it was made.</summary>
    public bool Dunked { get; init; }

    /// <summary>Units that sentences speak in; the sum itself is done in SI.</summary>
    public UnitSystem Units { get; init; }

    /// <summary>What is left of the window from the first draw; null where nothing spoils it for a day, or it is not known.</summary>
    public RaceWindow? Window { get; init; }
}

/// <summary>The stretch of weather and light that a race runs in.</summary>
/// <param name="Min">Minutes from the first draw until something spoils it, 0 or more.</param>
/// <param name="Why">What spoils it then: "dark: you can't see what is covered", "wind 6 m/s: it drifts".</param>
public sealed record RaceWindow(double Min, string Why);

/// <summary>The race as it is shown everywhere.</summary>
/// <param name="Times">Filling by filling.</param>
/// <param name="GraceMinutes">What each may go without air.</param>
/// <param name="Kit">What it is run with, as filled in from the house's table.</param>
/// <param name="DrawMin">Minutes to draw a full tank.</param>
/// <param name="SprayMin">Minutes to put out a full tank.</param>
/// <param name="TravelMin">Minutes to the ground.</param>
/// <param name="FlatLoads">Numbers of the fillings that would be flat, from 1.</param>
/// <param name="Verdict">Go, or which filling is flat and by how much.</param>
/// <param name="Saves">What would save it, each tried by the same sum.</param>
public sealed record RaceAnswer(
    RaceTimes Times, double GraceMinutes, RaceKit Kit, double DrawMin, double SprayMin, double TravelMin, IReadOnlyList<int> FlatLoads,
    Verdict Verdict, IReadOnlyList<string> Saves)
{
    /// <summary>Minutes from the first draw to the end of the last.</summary>
    public double LastDrawnAtMin => Times.Loads[^1] is var last && DrawMin + SprayMin > 0 ? last.DrawFromMin
        + ((last.OutByMin - last.DrawFromMin - TravelMin) * DrawMin / (DrawMin + SprayMin)) : 0;

    /// <summary>What it was run with, to run it again otherwise.</summary>
    public RaceFacts? Facts { get; init; }

    /// <summary>Each filling as it is drawn: its stretches one after the other, in minutes from the first draw.</summary>
    public IEnumerable<RaceStrip> Strips => Times.Loads.Select((l, i) =>
    {
        var busy = l.OutByMin - l.DrawFromMin - TravelMin;
        var drawn = l.DrawFromMin + (DrawMin + SprayMin > 0 ? busy * DrawMin / (DrawMin + SprayMin) : 0);
        return new RaceStrip(i + 1, l.DrawFromMin, drawn, drawn + TravelMin, l.OutByMin, l.AirLostAtMin, l.AirLostAtMin + GraceMinutes,
            l.WithinGrace);
    });

    /// <summary>Every filling is on the ground within the grace.</summary>
    public bool Won => FlatLoads.Count == 0;
}

/// <summary>From the last minute in the air to the last drop on the last bed.</summary>
public static partial class PutOutRace
{
    /// <summary>More fillings than this are nobody's day's work.</summary>
    public const int MostLoads = 500;

    /// <summary>Mixed with water on top of brew, one in so many, where nothing else was said: five parts for leaves, one for
    /// roots.</summary>
    public static double UsualOneIn(bool leaf) => leaf ? 6 : 2;

    /// <summary>The bare sum. Loads run one after another: draw, way there, putting out, way back.</summary>
    /// <remarks>Three fillings, the last 0.7 full, 8 min to draw, 4 to the bed, 28 to put out: with the air on each goes 40 min without it,
    /// done at 117.2; air off at the first draw, the last goes 117.2. reference/mixing-cases.json.</remarks>
    public static Ruling<RaceTimes> Of(RaceQuestion q)
    {
        var checks = new Checks();
        var loads = checks.Range("loads", q.Loads, 1, MostLoads, "");
        var last = checks.Range("lastShare", q.LastShare, 0, 1, "");
        if (q.LastShare is <= 0)
        {
            checks.Add("lastShare", "The last tank would be empty.", "Give more than 0 to 1.");
        }

        var draw = checks.Range("drawMin", q.DrawMin, 0, 600, "min");
        var travel = checks.Range("travelMin", q.TravelMin, 0, 600, "min");
        var spray = checks.Range("sprayMin", q.SprayMin, 0, 600, "min");
        var grace = checks.Range("graceMinutes", q.GraceMinutes, 0, 100_000, "min");
        var off = q.AirOffAtMin is null ? double.PositiveInfinity : checks.Range("airOffAtMin", q.AirOffAtMin, 0, 100_000, "min");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var times = Run((int)loads, last, draw, travel, spray, grace, off);
        return Worked.Of(
            times, "min", Evidence.ChemistryOrPhysics,
            [
                new("a filling", "draw + way there + putting out", $"{Say.Number(draw)} + {Say.Number(travel)} + {Say.Number(spray)} min",
                    $"{Say.Number(draw + travel + spray)} min without air", "the first litre loses its air as the draw begins"),
                .. times.Loads.Select((l, i) => new WorkingLine($"filling {i + 1}", "out by − air lost at",
                    $"{Say.Number(l.OutByMin)} − {Say.Number(l.AirLostAtMin)} min",
                    $"{Say.Number(l.MinutesWithoutAir)} min, {(l.WithinGrace ? "within" : "past")} {Say.Number(grace)}", "sum")),
            ]);
    }

    private static RaceTimes Run(int loads, double last, double draw, double travel, double spray, double grace, double off)
    {
        var list = new List<RaceLoad>(loads);
        var from = 0.0;
        for (var i = 0; i < loads; i++)
        {
            var share = i == loads - 1 ? last : 1;
            var lost = Math.Min(from, off);
            var outBy = from + (draw * share) + travel + (spray * share);
            list.Add(new(from, lost, outBy, outBy - lost, outBy - lost <= grace + 1e-9));
            from = outBy + travel;
        }

        return new RaceTimes(list, list[^1].OutByMin);
    }

    /// <summary>The race of a brew: fillings from litres and tank, minutes from flows, the verdict, and what would save it.</summary>
    /// <remarks>300 L of brew thinned 1:5 in a 400 L boom at 30 L/min, drawn at 40: five fillings of 22 to 27 min each, well within a grace
    /// of 44.</remarks>
    public static Ruling<RaceAnswer> For(RaceFacts f)
    {
        var checks = new Checks();
        checks.Range("tankL", f.Kit.TankL, 0.5, 20_000, "L", "How much does the sprayer or can hold?");
        checks.Range("lanes", f.Kit.Lanes, 1, 10, "");
        checks.Range("flowLpm", f.Kit.FlowLpm ?? 1, 0.05, 2000, "L/min");
        checks.Range("drawLpm", f.Kit.DrawLpm ?? 1, 0.5, 2000, "L/min");
        checks.Range("travelMin", f.Kit.TravelMin ?? 1, 0, 600, "min");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var loads = f.MixL / f.Kit.TankL / f.Kit.Lanes;
        if (loads > MostLoads)
        {
            return Refusal.Of("tankL",
                $"That is {Say.Number(Math.Ceiling(loads))} fillings of {Measures.Units.Show(f.Kit.TankL, Dimension.Volume, f.Units)}.",
                "Thin it less, take a larger tank, or more hands.");
        }

        var answer = Answer(f);
        string[] saves = answer.Won ? [] : [.. Saves(f)];
        return Worked.Of(
            answer with { Saves = saves, Verdict = Says(answer, f, saves), Facts = f }, "min", Evidence.PractitionersRule,
            [
                new("fillings", "mix ÷ tank ÷ lanes",
                    $"{Say.Number(f.MixL)} L ÷ {Say.Number(f.Kit.TankL)} L{(f.Kit.Lanes > 1 ? $" ÷ {f.Kit.Lanes}" : "")}",
                    $"{answer.Times.Loads.Count}{(f.Kit.Lanes > 1 ? " each" : "")}", "the last is a part tank"),
                new("draw", "litres ÷ tap or pump",
                    $"{Say.Number(Math.Min(f.Kit.TankL, f.MixL))} L ÷ {Say.Number(answer.Kit.DrawLpm!.Value)} L/min",
                    Say.Minutes(answer.DrawMin), f.Kit.DrawLpm is null ? "usual of the house" : "yours"),
                new("putting out", "litres ÷ what comes out",
                    $"{Say.Number(Math.Min(f.Kit.TankL, f.MixL))} L ÷ {Say.Number(answer.Kit.FlowLpm!.Value)} L/min",
                    Say.Minutes(answer.SprayMin), f.Kit.FlowLpm is null ? $"usual of a {answer.Kit.Kind}" : "your calibration"),
                new("grace", "minutes without air that it stands", "", Say.Minutes(answer.GraceMinutes), "by the hold that was chosen"),
                .. answer.Times.Loads.Take(12)
                    .Select((l, i) => new WorkingLine($"filling {i + 1}", "out by − air lost at",
                        $"{Say.Number(l.OutByMin)} − {Say.Number(l.AirLostAtMin)} min", Say.Minutes(l.MinutesWithoutAir), l.WithinGrace
                            ? "within the grace" : "flat")),
            ]);
    }

    /// <summary>What comes out of a sprayer of a kind, L/min. House figures; calibrate yours.</summary>
    public static double UsualFlow(string kind) => kind switch { "can" => 10, "boom" => 30, "injector" => 20, "other" => 5, _ => 1.5 };

    /// <summary>What a tap gives, or a pump where there is much to move, L/min. House figures.</summary>
    public static double UsualDraw(double brewL) => brewL >= 250 ? 60 : brewL >= 60 ? 25 : 12;

    private static RaceAnswer Answer(RaceFacts f)
    {
        var each = f.MixL / f.Kit.Lanes;
        var count = Math.Max(1, (int)Math.Ceiling((each / f.Kit.TankL) - 1e-9));
        var full = Math.Min(f.Kit.TankL, each);
        var last = count == 1 ? 1 : (each - (f.Kit.TankL * (count - 1))) / f.Kit.TankL;
        var kit = f.Kit with {
            FlowLpm = f.Kit.FlowLpm ?? UsualFlow(f.Kit.Kind),
            DrawLpm = f.Kit.DrawLpm ?? UsualDraw(f.BrewL),
            TravelMin = f.Kit.TravelMin ?? 3
        };
        var grace = f.Kit.BatteryOnCart ? Math.Max(f.GraceMinutes, f.BatteryGraceMinutes ?? 0) : f.GraceMinutes;
        var (draw, spray) = (full / kit.DrawLpm!.Value, full / kit.FlowLpm!.Value);
        // An extract that was dunked has stood without air since it was made.
        var times = Run(count, last, draw, kit.TravelMin!.Value, spray, grace, f.Dunked ? 0 : f.AirOffAtMin ?? double.PositiveInfinity);
        return new RaceAnswer(times, grace, kit, draw, spray, kit.TravelMin.Value,
            [.. times.Loads.Select((l, i) => (l, i)).Where(x => !x.l.WithinGrace).Select(x => x.i + 1)], new(Tone.Go, "", ""), []);
    }

    private static IEnumerable<string> Saves(RaceFacts f)
    {
        bool Wins(RaceFacts other) => Answer(other).Won;
        if (f.AirOffAtMin is not null && !f.Dunked && Wins(f with { AirOffAtMin = null }))
        {
            yield return "Leave the air on in the vessel until the last draw.";
        }

        if (f.BatteryGraceMinutes is not null && !f.Kit.BatteryOnCart && Wins(f with { Kit = f.Kit with { BatteryOnCart = true } }))
        {
            yield return "Take the battery pump along on the cart.";
        }

        if (Enumerable.Range(f.Kit.Lanes + 1, 3).FirstOrDefault(n => Wins(f with { Kit = f.Kit with { Lanes = n } })) is var lanes and > 0)
        {
            yield return lanes == 2 ? "A second person with a second sprayer." : $"{lanes} sprayers at once.";
        }

        var part = new[] { 0.75, 0.5, 0.33, 0.25 }.FirstOrDefault(s => Wins(f with { Kit = f.Kit with { TankL = f.Kit.TankL * s } }));
        if (part > 0)
        {
            yield return $"Fill the tank {Say.Number(part * 100, 2)} % full: each filling is out sooner.";
        }

        var bigger = new[] { 2, 4, 10 }.FirstOrDefault(s => f.AirOffAtMin is not null
            && Wins(f with { Kit = f.Kit with { TankL = f.Kit.TankL * s, FlowLpm = (f.Kit.FlowLpm ?? UsualFlow(f.Kit.Kind)) * s } }));
        if (bigger > 0)
        {
            yield return $"A tank of {Measures.Units.Show(f.Kit.TankL * bigger, Dimension.Volume, f.Units)} that puts out as much faster.";
        }

        var beds = Enumerable.Range(1, 9).Select(i => 1 - (i / 10.0))
            .FirstOrDefault(s => Wins(f with { MixL = f.MixL * s, BrewL = f.BrewL * s }));
        if (beds > 0)
        {
            yield return $"Fewer beds: {Say.Number(beds * 100, 2)} % of this.";
        }

        yield return f.Dunked ? "Make it later." : "Brew it cooler or with less food: it holds longer.";
    }

    private static Verdict Says(RaceAnswer a, RaceFacts f, string[] saves)
    {
        var done = $"{(a.Times.Loads.Count == 1 ? "One filling" : $"{a.Times.Loads.Count} fillings")}"
            + $"{(f.Kit.Lanes > 1 ? $" for each of {f.Kit.Lanes}" : "")}, done {Say.Minutes(a.Times.DoneAtMin)} after the first draw";
        var longest = a.Times.Loads.Max(l => l.MinutesWithoutAir);
        var keeps = a.GraceMinutes <= 0 ? "it keeps no time at all" : $"it keeps {Say.Minutes(a.GraceMinutes)}";
        if (!a.Won)
        {
            var flat = a.FlatLoads[0];
            var over = a.Times.Loads[flat - 1].MinutesWithoutAir - a.GraceMinutes;
            return new(Tone.Stop,
                $"{(a.Times.Loads.Count == 1 ? "It" : $"Filling {flat}")} would be flat by {Say.Minutes(Math.Ceiling(over))}.",
                $"{done}; the longest goes {Say.Minutes(longest)} without air, and {keeps}. What would save "
                    + $"it: {char.ToLowerInvariant(saves[0][0])}{saves[0][1..]}");
        }

        if (f.Window is { } window && window.Min < a.Times.DoneAtMin)
        {
            var before = $"{Say.Minutes(a.Times.DoneAtMin - window.Min)} before the last drop is out";
            return window.Min <= 0 ? new(Tone.Mind, $"Not at that hour: {window.Why}.", $"{done}. A better hour is under Windows.")
                : new(Tone.Mind, window.Why.StartsWith("dark", StringComparison.Ordinal) ? $"It would be dark {before}."
                    : $"The window closes {before}: {window.Why}.", $"{done}. Begin earlier, or with more hands.");
        }

        return new(Tone.Go, $"{done}.", f.Dunked ? $"Made without air: {keeps} from now."
            : $"The longest goes {Say.Minutes(longest)} without air, and {keeps}; air on until the last draw.");
    }
}
