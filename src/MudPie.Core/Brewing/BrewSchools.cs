using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>One school's way with this vessel.</summary>
/// <param name="Id">Stable name.</param>
/// <param name="Name">What it is called here.</param>
/// <param name="Recipe">What it puts in.</param>
/// <param name="AirLpm">Its air, L/min.</param>
/// <param name="AirShown">The same in the holding's units.</param>
/// <param name="Hours">How long it brews.</param>
/// <param name="Hold">How long it lets it stand.</param>
/// <param name="Oxygen">The curve, 0 to 48 h, by the table's own brew.</param>
/// <param name="Lowest">Lowest oxygen before it is used, mg/L.</param>
/// <param name="HoursBelow6">Hours below 6 mg/L before it is used.</param>
/// <param name="Cells">B + F when it is used, mg COD/L.</param>
/// <param name="FungalShare">Fungal share then.</param>
/// <param name="GraceMinutesTo6">Minutes to 6 mg/L once its air stops.</param>
/// <param name="Why">Why it differs, in a line.</param>
/// <param name="Fit">It stays at 6 mg/L until use.</param>
public sealed record SchoolRun(
    string Id, string Name, string Recipe, double AirLpm, string AirShown, double Hours, string Hold, IReadOnlyList<OxygenPoint> Oxygen,
    double Lowest, double HoursBelow6, double Cells,
    double FungalShare, double GraceMinutesTo6, string Why, bool Fit);

/// <summary>The same vessel under each school's recipe, air, time and hold.</summary>
public static class BrewSchools
{
    private const double SpanH = 48;

    /// <summary>Runs each school.</summary>
    /// <param name="house">The house's own plan: its volume, depth, diffuser, air, warmth and foods.</param>
    /// <param name="houseHours">How long the house would brew it.</param>
    /// <param name="bias">"bacterial", "balanced" or "fungal".</param>
    /// <param name="units">Units that its sentences speak in.</param>
    /// <remarks>On the reference bucket the rich school crashes and the dunked extract never falls below 8 mg/L.</remarks>
    public static Ruling<IReadOnlyList<SchoolRun>> Of(BrewQuestion house, double? houseHours, Bias? bias,
        UnitSystem units = UnitSystem.Metric)
    {
        var checks = new Checks();
        if (house.MakeReady().Refused is { } refused)
        {
            checks.Add(refused);
        }

        var hours = checks.Range("houseHours", houseHours, 0.1, 48, "h");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var volume = house.VolumeL!.Value;
        var usual = Recipe.FoodsPer20L(bias ?? Bias.Balanced)
            .Select(f => new FoodAmount { Kind = f.Kind, Ml = f.Ml * volume / 20 }).ToList();
        IReadOnlyList<FoodAmount> Times(double share, double? at = null) =>
            [.. usual.Select(f => f with { Ml = f.Ml * share, AtH = at ?? 0 })];
        IReadOnlyList<SourceAmount> Bag(string kind, double share = 1) =>
            [new SourceAmount { Kind = kind, Litres = Recipe.SourcePer20L(kind, volume) * volume / 20 * share }];
        var warmth = house.TemperatureByHour is { Count: > 0 } s ? s.Average() : house.TemperatureC!.Value;
        IReadOnlyList<SchoolRun> runs =
        [
            One(units, "house", "by the forecast", house, hours, "by its own oxygen, 8 h at the most",
                "Food is what this air carries at this warmth, and it is used when it is ready."),
            One(units, "light", "light air, a fixed day", house.WithAir(0.25 * volume) with { Foods = Times(1) }, 24, "1 h",
                $"A rule of {Per.Air(0.25, units)} knows nothing of the warmth, nor of the food."),
            One(units, "heavy", "heavy air, fed richly", house.WithAir(volume) with { Foods = Times(1.5) }, 30, "6 to 8 h",
                "Four times the air, and half as much food again: air is trusted to save it."),
            One(units, "warmth", "by the weather", house with { Foods = Times(1) }, PlanForks.HoursByWarmth(warmth), "6 to 8 h",
                "Hours follow the warmth, 12 in summer to 36 in spring; the food does not."),
            One(units, "unfed", "no food: bubbled extract", house with { Foods = [], Sources = Bag("compost") }, 4, "the same day",
                "Nothing is grown, so little can go wrong and little is gained on leaves."),
            One(units, "sweet", "castings, sweetened, weak bubbles for days",
                house.WithAir(0.08 * volume) with { Sources = Bag("castings", 1.5),
                    Foods = [new FoodAmount { Kind = "molasses", Ml = volume / 20 * 30 }] }, SpanH, "a week to a month",
                    "Sugar and hardly any air: the surest way to run out of oxygen. The house calls it a feed."),
        ];
        return Worked.Of(
            runs, "", Evidence.PractitionersRule,
            [BrewRun.ModelLine,
                .. runs.Select(r => new WorkingLine(r.Name, "one run of the table's own brew",
                    $"{r.AirShown}, {Say.Hours(r.Hours)}; {r.Recipe}", $"{Say.Fixed(r.Lowest, 1)} mg/L at its lowest",
                    "the model; the schools' rules as practitioners give them"))]);
    }

    private static SchoolRun One(UnitSystem units, string id, string name, BrewQuestion brew, double hours, string hold, string why)
    {
        var setup = (brew with { Hours = SpanH, AirOffAtH = null }).MakeReady().Setup!;
        var trace = new BrewTrace();
        var equations = setup.Solve(Multipliers.Table, SpanH, 1e-5, trace);
        var end = trace.At(hours);
        var still = new BrewTrace();
        BrewSetup.SolveStill(equations, end, hours, AfterAir.Horizon, 1e-4, still);
        var (low, _) = trace.Least((_, y) => y.O, hours);
        var below = Enumerable.Range(0, (int)(hours * 20)).Count(i => trace.At(i / 20.0).O < BrewRun.Line) / 20.0;
        var recipe = string.Join(", ",
            (brew.Sources ?? []).Select(s => $"{Units.Show(s.Litres ?? 0, Dimension.Volume, units)} {Ingredients.Source(s.Kind)!.Name}")
                .Concat((brew.Foods ?? []).Where(f => f.Ml > 0)
                    .Select(f => $"{Units.Show((f.Ml ?? 0) / 1000, Dimension.Volume, units)} {Ingredients.Food(f.Kind)!.Name}")));
        var air = brew.Outlets is { Count: > 0 } o ? o.Sum(x => x.AirLpm ?? 0) : brew.AirLpm ?? 0;
        return new SchoolRun(
            id, name, recipe, air, Units.Show(air, Dimension.Flow, units), hours, hold,
            [.. Enumerable.Range(0, 97).Select(i => new OxygenPoint(i / 2.0, Math.Max(trace.At(i / 2.0).O, 0)))], Math.Max(low, 0), below,
            end.Cells, end.Cells > 0 ? end.F / end.Cells : 0,
            AfterAir.MinutesTo(still, BrewRun.Line) ?? AfterAir.Horizon * 60, why, low >= BrewRun.Line);
    }
}
