using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>What would hold a sliding brew above 6, each worked out by a run of the brew as learnt so far.</summary>
internal static class Remedies
{
    /// <summary>How much cooler a cooler place is, °C.</summary>
    private const double CoolerC = 5;

    public static IReadOnlyList<Remedy> Of(BrewQuestion brew, ForecastAnswer f, double now, double use, double crossing,
        Func<double, string> clock, Measures.UnitSystem units)
    {
        var member = Multipliers.FromLogs([.. f.Learnt.Select(x => Math.Log(x))]);
        var setup = brew.MakeReady().Setup!;
        var more = setup with {
            AirChanges = [.. setup.AirChanges.Where(c => c.AtH < now),
            (now, Math.Max(setup.AirChanges.LastOrDefault(c => c.AtH < now, (0, setup.KLa20)).KLa20, 0) + setup.KLa20)]
        };
        var cool = Cooler(brew, now).MakeReady().Setup!;
        var plain = new BrewTrace();
        setup.Solve(member, setup.Horizon, 1e-4, plain);
        var ready = BrewRun.ReadyAt(plain, setup.Horizon) ?? use;
        var share = plain.At(Math.Max(crossing, now)).Cells / plain.At(Math.Max(use, now)).Cells;
        var early = now < crossing - 0.2;
        return
        [
            AirOrCool("air", "A second pump like the first, now", more, member, now, use, clock, false),
            .. early
                ? new[] { new Remedy("early", $"Use it by {clock(crossing)}",
                    $"{Tenths(share)} as strong as at {clock(use)}{(crossing < ready ? "" : ", and ready")}", true) }
                : [],
            AirOrCool("cool", $"Move it {Measures.Units.Show(CoolerC, Measures.Dimension.TemperatureSpan, units)} cooler, now", cool,
                member, now, use, clock, true),
        ];
    }

    private static Remedy AirOrCool(string id, string what, BrewSetup setup, in Multipliers member, double now, double use,
        Func<double, string> clock, bool sayReady)
    {
        var trace = new BrewTrace();
        setup.Solve(member, setup.Horizon, 1e-4, trace);
        // What has happened already cannot be mended: look at the lowest from an hour on, when the change has taken hold.
        var from = Math.Min(now + 1, use);
        var low = Enumerable.Range(0, 200).Select(i => trace.At(from + ((use - from) * i / 199)).O).Min();
        var ready = BrewRun.ReadyAt(trace, setup.Horizon);
        return new(id, what, $"{Say.Fixed(low, 1)} mg/L at its lowest{(sayReady && ready is { } r ? $"; ready about {clock(r)}" : "")}",
            low >= BrewRun.Line);
    }

    private static BrewQuestion Cooler(BrewQuestion brew, double now)
    {
        return brew with {
            TemperatureByHour =
            [.. Enumerable.Range(0, 122).Select(h => Math.Clamp(brew.WarmthAt(h) - (CoolerC * Math.Clamp((h - now) / 2, 0, 1)), 1, 45))]
        };
    }

    private static string Tenths(double share) => Math.Round(share * 10) switch {
        >= 10 => "as good",
        9 => "nine tenths",
        8 => "eight tenths",
        7 => "seven tenths",
        6 => "six tenths",
        5 => "half",
        4 => "four tenths",
        3 => "three tenths",
        _ => "less than a quarter",
    };
}
