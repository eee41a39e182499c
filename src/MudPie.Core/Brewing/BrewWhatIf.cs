using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Something that might happen or be done.</summary>
public sealed record WhatIf
{
    /// <summary>"powerFails", "secondPump", "coldNight", "halfFood", "moreFood", "inParts" or "cooler".</summary>
    public string? Kind { get; init; }

    /// <summary>Hour at which it happens, 0 to 240; now when not given; in a plan the start, and 8 h for the power.</summary>
    public double? AtH { get; init; }

    /// <summary>For foods: which one; molasses when not given.</summary>
    public string? Food { get; init; }

    /// <summary>For moreFood: how much, mL, 0.1 to 5 % of the volume; for coldNight and cooler: °C colder, 1 to 15; for powerFails: hours
    /// until it is back, or never.</summary>
    public double? Amount { get; init; }
}

/// <summary>One curve of a comparison.</summary>
/// <param name="Id">Stable name.</param>
/// <param name="Name">What it is, in words.</param>
/// <param name="Oxygen">Oxygen over the hours.</param>
/// <param name="Lowest">Lowest oxygen from the change on, mg/L.</param>
/// <param name="LowestAtH">When.</param>
/// <param name="HoursBelow6">Hours below 6 mg/L.</param>
/// <param name="ReadyAtH">Hours to ready; null for never.</param>
/// <param name="FungalShare">Share of fungi at the end.</param>
/// <param name="GraceMinutesTo6">Minutes to 6 mg/L once the air stops at the end of the hours, or where the power fails.</param>
/// <param name="Says">What comes of it, in a sentence.</param>
public sealed record WhatIfCurve(
    string Id, string Name, IReadOnlyList<OxygenPoint> Oxygen, double Lowest, double LowestAtH, double HoursBelow6, double? ReadyAtH,
    double FungalShare, double GraceMinutesTo6, string Says);

/// <summary>What-ifs drawn over each other: the brew as it is, and up to three others. Nothing is kept.</summary>
public static class BrewWhatIf
{
    private const double EveryH = 0.5;

    /// <summary>Runs the brew as it is and each what-if.</summary>
    /// <param name="brew">The brew.</param>
    /// <param name="whatIfs">Up to three.</param>
    /// <param name="nowH">Hours since the start: what is done now changes only what comes after; 0 while it is only a plan.</param>
    /// <param name="learnt">Multipliers learnt; null for the table.</param>
    /// <param name="units">Units that its sentences speak in.</param>
    /// <remarks>Worked: on the reference bucket at 20 °C a power failure at hour 12 takes oxygen under 6 mg/L within minutes.</remarks>
    public static Ruling<IReadOnlyList<WhatIfCurve>> Of(BrewQuestion brew, IReadOnlyList<WhatIf> whatIfs, double nowH = 0,
        IReadOnlyList<double>? learnt = null, UnitSystem units = UnitSystem.Metric)
    {
        var checks = new Checks();
        var ready = brew.MakeReady();
        if (ready.Refused is { } refused)
        {
            checks.Add(refused);
        }

        if (whatIfs.Count > 3)
        {
            checks.Add("whatIfs", "That is more than three.", "Four curves are as many as an eye can follow: take one away.");
        }

        var read = whatIfs.Take(3).Select((w, i) => Read(brew, w, $"whatIfs[{i}].", nowH, ready.Setup, checks, units)).ToList();
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var member = BrewBackwards.MemberOf(learnt);
        var plain = Curve("asItIs", "as it is", ready.Setup!, member, nowH, null);
        IReadOnlyList<WhatIfCurve> curves =
            [plain, .. read.Select((r, i) => Curve($"{i + 1}", r.Name, r.Setup!, member, Math.Max(nowH, r.FromH), plain))];
        return Worked.Of(
            curves, "", learnt is null ? Evidence.PractitionersRule : Evidence.MeasuredHere,
            [BrewRun.ModelLine,
                .. curves.Select(c => new WorkingLine(c.Name, "one run of the model", learnt is null ? "the table's own brew"
                    : "the brew as learnt from its readings", $"{Say.Fixed(c.Lowest, 1)} mg/L at its lowest", "the model"))]);
    }

    private static (string Name, BrewSetup? Setup, double FromH) Read(BrewQuestion brew, WhatIf w, string at, double nowH, BrewSetup? setup,
        Checks checks, UnitSystem units)
    {
        var hour = checks.Range(at + "atH", w.AtH ?? (w.Kind == "powerFails" && nowH == 0 ? 8 : nowH), 0, 240, "h");
        if (hour < nowH)
        {
            checks.Add(at + "atH", "That hour has passed.", $"Give {Say.Number(nowH)} h or later.");
        }

        var food = Ingredients.Food(w.Food ?? "molasses");
        if (food is null)
        {
            checks.Add(at + "food", $"“{w.Food}” is not a food that the model knows.", "Choose one from the list.");
        }

        if (!checks.Sound || setup is null || food is null)
        {
            return ("", null, 0);
        }

        switch (w.Kind)
        {
            case "powerFails":
                var back = w.Amount is null ? double.PositiveInfinity : checks.Range(at + "amount", w.Amount, 0.1, 240, "h");
                return (double.IsPositiveInfinity(back) ? $"power fails at {Say.Hours(hour)}"
                    : $"power off for {Say.Hours(back)} at {Say.Hours(hour)}",
                    setup with {
                        AirChanges = [.. Before(setup, hour), (hour, -1), .. double.IsPositiveInfinity(back)
                        ? Array.Empty<(double, double)>() : [(hour + back, AirAt(setup, hour))]]
                    }, hour);
            case "secondPump":
                return ($"a second pump from {Say.Hours(hour)}",
                    setup with { AirChanges = [.. Before(setup, hour), (hour, AirAt(setup, hour) + setup.KLa20)] }, hour);
            case "coldNight" or "cooler":
                var colder = checks.Range(at + "amount", w.Amount ?? 5, 1, 15, "°C");
                var all = w.Kind == "cooler";
                return (all ? $"{Units.Show(colder, Dimension.TemperatureSpan, units)} cooler from {Say.Hours(hour)}"
                    : $"a night {Units.Show(colder, Dimension.TemperatureSpan, units)} colder", Warmth(brew, h => all ? h < hour
                        ? 0 : -colder * Math.Min((h - hour) / 2, 1) : Night(brew, h, hour) * -colder).MakeReady().Setup, hour);
            case "halfFood" or "inParts" or "moreFood":
                return Foods(brew, w, food, hour, nowH, at, checks, units);
            default:
                checks.Add(at + "kind", $"“{w.Kind}” is not known here.",
                    "Use powerFails, secondPump, coldNight, cooler, halfFood, moreFood or inParts.");
                return ("", null, 0);
        }
    }

    private static IEnumerable<(double, double)> Before(BrewSetup setup, double hour) => setup.AirChanges.Where(c => c.AtH < hour);

    private static double AirAt(BrewSetup setup, double hour) =>
        Math.Max(setup.AirChanges.LastOrDefault(c => c.AtH < hour, (0, setup.KLa20)).KLa20, 0);

    private static (string, BrewSetup?, double) Foods(BrewQuestion brew, WhatIf w, FoodKind food, double hour, double nowH, string at,
        Checks checks, UnitSystem units)
    {
        var foods = brew.Foods ?? [];
        bool Mine(FoodAmount f) => Ingredients.Food(f.Kind)!.Kind == food.Kind;
        if (w.Kind == "moreFood")
        {
            var ml = checks.Range(at + "amount", w.Amount ?? brew.VolumeL!.Value * 0.5, 0.1, brew.VolumeL!.Value * 50, "mL");
            return ($"{Units.Show(ml / 1000, Dimension.Volume, units)} more {food.Name} at {Say.Hours(hour)}",
                (brew with { Foods = [.. foods, new FoodAmount { Kind = food.Kind, Ml = ml, AtH = hour }] }).MakeReady().Setup, hour);
        }

        if (nowH > 0)
        {
            checks.Add(at + "kind", "What is in the vessel can't be taken out.", "Ask this of a plan, or feed more.");
            return ("", null, 0);
        }

        if (!foods.Any(Mine))
        {
            checks.Add(at + "food", $"There is no {food.Name} in it.", "Choose a food that is in it.");
            return ("", null, 0);
        }

        return w.Kind == "halfFood"
            ? ($"half the {food.Name}",
                (brew with { Foods = [.. foods.Select(f => Mine(f) ? f with { Ml = f.Ml / 2 } : f)] }).MakeReady().Setup, 0)
            : ($"the {food.Name} in three parts, 6 h apart",
                (brew with {
                    Foods =
                    [.. foods.SelectMany(f => Mine(f) ? Enumerable.Range(0, 3)
                        .Select(i => f with { Ml = f.Ml / 3, AtH = (f.AtH ?? 0) + (6 * i) }) : [f])]
                }).MakeReady().Setup, 0);
    }

    /// <summary>1 through the night hours from 20:00 to 08:00 after <paramref name="from"/>, easing in and out over two hours.</summary>
    private static double Night(BrewQuestion brew, double h, double from)
    {
        var clock = (h + (brew.StartHour ?? 0)) % 24;
        var into = clock >= 20 ? clock - 20 : clock + 4;
        return h < from || into > 12 ? 0 : Math.Min(1, Math.Min(into, 12 - into) / 2);
    }

    private static BrewQuestion Warmth(BrewQuestion brew, Func<double, double> off)
    {
        return brew with { TemperatureByHour = [.. Enumerable.Range(0, 145).Select(h => Math.Clamp(brew.WarmthAt(h) + off(h), 0.5, 45))] };
    }

    private static WhatIfCurve Curve(string id, string name, BrewSetup setup, in Multipliers member, double fromH, WhatIfCurve? plain)
    {
        var run = BrewRun.Read(setup, member, 1e-5, EveryH);
        var after = run.Series.Where(m => m.H >= Math.Min(fromH, setup.Hours - 0.5)).ToList();
        var low = after.MinBy(m => m.Oxygen)!;
        var failed = setup.AirChanges.Any(a => a.KLa20 < 0 && a.AtH >= fromH);
        var trace = new BrewTrace();
        var equations = setup.Solve(member, setup.Hours, 1e-5, trace);
        var still = new BrewTrace();
        var stop = failed ? setup.AirChanges.First(a => a.KLa20 < 0 && a.AtH >= fromH).AtH : setup.Hours;
        BrewSetup.SolveStill(equations, trace.At(Math.Min(stop, trace.End)), Math.Min(stop, trace.End), AfterAir.Horizon, 1e-4, still);
        var grace = AfterAir.MinutesTo(still, BrewRun.Line);
        var holds = low.Oxygen >= BrewRun.Line;
        var says = failed
            ? $"Under 6 mg/L {Say.Minutes(grace ?? AfterAir.Horizon * 60)} after the power "
                + $"goes{(low.Oxygen < 1 ? "; then it is airless" : "")}."
            : $"{Say.Fixed(low.Oxygen, 1)} mg/L at its lowest{(holds ? "" : ", too little")}; "
                + $"{(run.ReadyAtH is { } r ? $"ready at {Say.Hours(r)}" : "never ready")}"
              + (plain is null
                  ? "." : $"; {(low.Oxygen - plain.Lowest) switch {
                      > 0.05 => $"{Say.Fixed(low.Oxygen - plain.Lowest, 1)} mg/L better",
                      < -0.05 => $"{Say.Fixed(plain.Lowest - low.Oxygen, 1)} mg/L worse",
                      _ => "no different"
                  }} than as it is.");
        return new WhatIfCurve(id, name, [.. run.Series.Select(m => new OxygenPoint(m.H, Math.Max(m.Oxygen, 0)))], low.Oxygen, low.H,
            run.HoursBelow6, run.ReadyAtH, run.FungalShare, grace ?? AfterAir.Horizon * 60, says);
    }
}
