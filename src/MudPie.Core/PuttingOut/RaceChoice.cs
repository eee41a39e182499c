using MudPie.Core.Measures;

namespace MudPie.Core.PuttingOut;

/// <summary>A sprayer as a race needs it.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Kind">"knapsack", "can", "boom", "injector" or "other".</param>
/// <param name="TankL">What it holds, 0.5 to 20,000 L.</param>
/// <param name="FlowLpm">What comes out of it, L/min, by its newest calibration; null where that measured no nozzle.</param>
/// <param name="Allowed">False where it may not carry life.</param>
public sealed record KitSprayer(int Id, string Name, string Kind, double TankL, double? FlowLpm, bool Allowed);

/// <summary>What a brew is carried out with: from what was typed, the sprayers that there are, and the house's table.</summary>
public static class RaceChoice
{
    /// <summary>More fillings than this, and a larger sprayer is proposed.</summary>
    public const int FewFillings = 6;

    /// <summary>What a back carries, L: the tank that is meant where there is no other.</summary>
    public const double BackL = 15;

    /// <summary>The kit for a brew: the smallest sprayer that needs few fillings, else the largest; only those that may carry a
    /// brew.</summary>
    /// <param name="asked">What was typed; null where nothing was.</param>
    /// <param name="sprayers">Of the holding, in any order.</param>
    /// <param name="mix">Mixed, in all.</param>
    /// <param name="fields">Takes what can't be read, by the name of its field.</param>
    /// <remarks>A knapsack of 15 L and a boom of 400 L: 90 L by knapsack, six times; 91 L by the boom. Source: house rule.</remarks>
    public static RaceKit For(RaceAsked? asked, IReadOnlyList<KitSprayer> sprayers, Litres mix, TypedFields fields)
    {
        var fit = sprayers.Where(s => s.Allowed && s.Kind != "injector").OrderBy(s => s.TankL).ToList();
        var chosen = asked?.SprayerId is { } id ? sprayers.FirstOrDefault(s => s.Id == id)
            : fit.FirstOrDefault(s => s.TankL * FewFillings >= mix.Value) ?? fit.LastOrDefault();
        if (asked?.SprayerId is not null && chosen is null)
        {
            fields.Checks.Add("race.sprayerId", "That sprayer is not there.", "Choose from the list.");
        }

        var tank = asked?.SprayerId is null ? fields.Optional("race.tank", asked?.Tank, Dimension.Volume, 0.5, 20_000) : null;
        return Typed(asked, fields) with {
            Name = tank is null ? chosen?.Name : null,
            Kind = tank is { } own ? KindOf(own) : chosen?.Kind ?? "knapsack",
            TankL = tank ?? chosen?.TankL ?? BackL,
            FlowLpm = Flow(asked, fields) ?? (tank is null ? chosen?.FlowLpm : null),
        };
    }

    /// <summary>The kit of one tank that is being put together: its own sprayer; ways and hands as typed here, else as they were
    /// planned.</summary>
    /// <param name="asked">What was typed; null where nothing was.</param>
    /// <param name="sprayer">The tank's sprayer; null where none of the kit was chosen.</param>
    /// <param name="tool">By what, in words, where none was.</param>
    /// <param name="tank">What it holds.</param>
    /// <param name="planned">What the brew was planned with.</param>
    /// <param name="fields">Takes what can't be read, by the name of its field.</param>
    /// <remarks>A knapsack of 15 L at 2 L/min in the plan, and a can of 15 L in the tank: 2 L/min too; a can of 10 L: the usual of its
    /// kind.</remarks>
    public static RaceKit InTank(RaceAsked? asked, KitSprayer? sprayer, string? tool, Litres tank, RaceKit planned, TypedFields fields)
    {
        var typed = Typed(asked, fields);
        return typed with {
            Name = sprayer?.Name ?? tool,
            Kind = sprayer?.Kind ?? KindOf(tank.Value),
            TankL = tank.Value,
            FlowLpm = Flow(asked, fields)
                ?? (sprayer is not null ? sprayer.FlowLpm : Math.Abs(planned.TankL - tank.Value) < 0.01 ? planned.FlowLpm : null),
            DrawLpm = typed.DrawLpm ?? planned.DrawLpm,
            TravelMin = typed.TravelMin ?? planned.TravelMin,
            Lanes = string.IsNullOrWhiteSpace(asked?.Lanes) ? planned.Lanes : typed.Lanes,
            BatteryOnCart = asked?.Battery ?? planned.BatteryOnCart,
        };
    }

    private static string KindOf(double tankL) => tankL > TankStart.LargeL ? "boom" : "knapsack";

    private static double? Flow(RaceAsked? asked, TypedFields fields) =>
        fields.Optional("race.flow", asked?.Flow, Dimension.Flow, 0.05, 2000);

    private static RaceKit Typed(RaceAsked? asked, TypedFields fields) => new() {
        DrawLpm = fields.Optional("race.draw", asked?.Draw, Dimension.Flow, 0.5, 2000),
        TravelMin = fields.Optional("race.way", asked?.Way, Dimension.Plain, 0, 600),
        Lanes = (int)(fields.Optional("race.lanes", asked?.Lanes, Dimension.Plain, 1, 10) ?? 1),
        BatteryOnCart = asked?.Battery ?? false,
    };
}
