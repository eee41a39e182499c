using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Most of one food that the air can carry.</summary>
/// <param name="Kind">Kind of food.</param>
/// <param name="Name">Its name.</param>
/// <param name="Ml">Most, mL, with the others as they are; 0 where the brew falls short without it.</param>
/// <param name="NowMl">What is in it now, mL.</param>
public sealed record MostFood(string Kind, string Name, double Ml, double NowMl);

/// <summary>A start, and what would come of it.</summary>
/// <param name="StartHour">Clock hour, 0 to 24.</param>
/// <param name="LowestMgPerL">Lowest oxygen before it is ready.</param>
/// <param name="ReadyAtH">Hours to ready; null where it is never.</param>
public sealed record StartChoice(double StartHour, double LowestMgPerL, double? ReadyAtH);

/// <summary>A brew solved backwards.</summary>
/// <param name="Most">Most of each food, one at a time.</param>
/// <param name="MostOfAll">Share of the whole recipe's food that the air carries; above 1 there is room.</param>
/// <param name="LeastAirLpm">Least air that holds it; null where none will.</param>
/// <param name="LatestStartH">Hours from the asking at which it must start to be ready in time; null where it never is.</param>
/// <param name="ReadyInH">Hours it takes from that start.</param>
/// <param name="Starts">Starts over the coming night, best first.</param>
/// <param name="FullMgPerL">What the water holds at its warmest, mg/L.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record BackwardsAnswer(
    IReadOnlyList<MostFood> Most, double MostOfAll, double? LeastAirLpm, double? LatestStartH, double? ReadyInH,
    IReadOnlyList<StartChoice> Starts, double FullMgPerL, string Sentence);

/// <summary>Asks the model backwards: how much food, how little air, how late a start, which hours.</summary>
public static class BrewBackwards
{
    /// <summary>Solves it. All by the table's own brew, or by what was learnt.</summary>
    /// <param name="brew">The brew, with its start hour for the daily swing.</param>
    /// <param name="readyInH">Hours from the asking until it should be ready, 1 to 240.</param>
    /// <param name="learnt">Multipliers learnt; null for the table.</param>
    /// <remarks>Worked: the reference bucket (19 L, stone at 0.3 m, 5 L/min, 20 °C) carries nine tenths of 15 mL of fish with 15 mL of
    /// kelp.</remarks>
    public static Ruling<BackwardsAnswer> Of(BrewQuestion brew, double? readyInH, IReadOnlyList<double>? learnt = null,
        Measures.UnitSystem units = Measures.UnitSystem.Metric)
    {
        var checks = new Checks();
        if (brew.MakeReady().Refused is { } refused)
        {
            checks.Add(refused);
        }

        var wanted = checks.Range("readyInH", readyInH ?? 36, 1, 240, "h");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var member = MemberOf(learnt);
        var hours = FitToUse.OldestH;
        bool Holds(BrewQuestion b) => BrewRun.Holds(b with { Hours = hours }, BrewRun.Line, member);
        var most = Ingredients.Foods.Select(f => new MostFood(f.Kind, f.Name, MostMl(brew, f.Kind, Holds), NowMl(brew, f.Kind))).ToList();
        var all = MostShare(brew, Holds);
        var air = LeastAirLpm(lpm => (brew with { Hours = hours }).WithAir(lpm), brew.VolumeL!.Value * 4, member);
        var clock = brew.StartHour ?? 0;
        var (latest, takes) = LatestStart(brew, wanted, clock, member);
        // Hours that come to the same are said once: five rows with one figure tell nobody anything.
        var starts = Enumerable.Range(0, 13).Select(i => (18.0 + i) % 24).Select(h => Start(brew with { StartHour = h }, h, member))
            .OrderByDescending(s => Math.Round(s.LowestMgPerL, 1)).ThenBy(s => s.ReadyAtH ?? 999)
            .GroupBy(s => (Math.Round(s.LowestMgPerL, 1), Math.Round(s.ReadyAtH ?? 999))).Select(g => g.First()).Take(5).ToList();
        var full = BrewParameters.Beta * OxygenSaturation.MgPerLitre((brew.TemperatureByHour is { Count: > 0 } t
            ? t.Max() : brew.TemperatureC!.Value) + (brew.SwingC ?? 0), OxygenSaturation.PressureAtm(new Metres(brew.AltitudeM ?? 0)));
        var sentence = full < BrewRun.Line
            ? $"Water this warm and high holds {Say.Fixed(full, 1)} mg/L at best: no air will do, brew cooler."
            : air is null ? "No air will hold this recipe: less food or a cooler place would."
            : $"It wants {Measures.Units.Show(air.Value, Measures.Dimension.Flow, units)} at the least; this air carries "
                + $"{Say.Number(all * 100, 2)} % of its food.";
        return Worked.Of(
            new BackwardsAnswer(most, all, air, latest, takes, starts, full, sentence),
            "",
            learnt is null ? Evidence.PractitionersRule : Evidence.MeasuredHere,
            [
                BrewRun.ModelLine,
                new("most food", "halving, until the lowest oxygen over 36 h is 6 mg/L", "one food at a time, the others as they are",
                    $"{Say.Number(all * 100, 2)} % of all of it", "the model"),
                new("least air", "halving", "up to 4 L/min per litre", air is { } a ? $"{Say.Number(a)} L/min" : "none will do",
                    "the model"),
                new("latest start", "ready time − hours to ready at that start", $"ready in {Say.Hours(wanted)}", latest is { } l
                    ? $"in {Say.Hours(Math.Max(l, 0))}, taking {Say.Hours(takes!.Value)}" : "never ready", "the model"),
            ]);
    }

    /// <summary>Least air that holds a brew at 6 mg/L over its hours, L/min to about 1 %; null where <paramref name="most"/> does
    /// not.</summary>
    internal static double? LeastAirLpm(Func<double, BrewQuestion> at, double most, Multipliers? member = null)
    {
        bool Holds(double lpm) => BrewRun.Holds(at(lpm), BrewRun.Line, member);
        if (!Holds(most))
        {
            return null;
        }

        var (low, high) = (0.0, most);
        for (var i = 0; i < 12; i++)
        {
            var middle = i < 4 ? low + ((high - low) / 4) : (low + high) / 2;
            (low, high) = Holds(middle) ? (low, middle) : (middle, high);
        }

        return high;
    }

    internal static Multipliers MemberOf(IReadOnlyList<double>? learnt) =>
        learnt is { Count: > 0 } l && l.Count == Multipliers.Spread.Count ? Multipliers.FromLogs([.. l.Select(x => Math.Log(x))])
            : Multipliers.Table;

    /// <summary>The brew with other air in all: several outlets keep their shares.</summary>
    internal static BrewQuestion WithAir(this BrewQuestion brew, double lpm)
    {
        if (brew.Outlets is not { Count: > 0 } outlets)
        {
            return brew with { AirLpm = lpm };
        }

        var total = outlets.Sum(o => o.AirLpm ?? 0);
        return brew with {
            Outlets =
            [.. outlets.Select(o => o with { AirLpm = total > 0 ? (o.AirLpm ?? 0) / total * lpm : lpm / outlets.Count })]
        };
    }

    private static double NowMl(BrewQuestion brew, string kind) => (brew.Foods ?? []).Where(f => Ingredients.Food(f.Kind)!.Kind == kind)
        .Sum(f => f.Ml ?? 0);

    private static double MostMl(BrewQuestion brew, string kind, Func<BrewQuestion, bool> holds)
    {
        var others = (brew.Foods ?? []).Where(f => Ingredients.Food(f.Kind)!.Kind != kind).ToList();
        BrewQuestion At(double ml) => brew with { Foods = [.. others, new FoodAmount { Kind = kind, Ml = ml }] };
        return Halve(ml => holds(At(ml)), brew.VolumeL!.Value * 20);
    }

    private static double MostShare(BrewQuestion brew, Func<BrewQuestion, bool> holds) =>
        Halve(share => holds(brew with { Foods = [.. (brew.Foods ?? []).Select(f => f with { Ml = f.Ml * share })] }), 4);

    private static double Halve(Func<double, bool> holds, double most)
    {
        if (!holds(0))
        {
            return 0;
        }

        var (low, high) = (0.0, most);
        for (var i = 0; i < 12; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = holds(middle) ? (middle, high) : (low, middle);
        }

        return low;
    }

    private static StartChoice Start(BrewQuestion brew, double hour, in Multipliers member)
    {
        var run = BrewRun.Read((brew with { Hours = FitToUse.OldestH }).MakeReady().Setup!, member, 1e-4, 6);
        return new StartChoice(hour, run.MinOxygen, run.ReadyAtH);
    }

    private static (double? At, double? Takes) LatestStart(BrewQuestion brew, double wanted, double clock, in Multipliers member)
    {
        double? Takes(double at, in Multipliers m) =>
            BrewRun.Read((brew with { StartHour = (clock + at + 240) % 24, Hours = 24 }).MakeReady().Setup!, m, 1e-4, 6).ReadyAtH;
        // The swing moves the hours with the start: a few rounds settle it.
        var at = 0.0;
        double? takes = null;
        for (var i = 0; i < 6; i++)
        {
            takes = Takes(at, member);
            if (takes is null)
            {
                return (null, null);
            }

            at = wanted - takes.Value;
        }

        return (at, takes);
    }
}
