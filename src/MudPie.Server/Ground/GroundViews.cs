using MudPie.Core.Brewing;
using MudPie.Core.Measures;

namespace MudPie.Server.Ground;

/// <summary>The holding as the shell needs it.</summary>
public sealed record HoldingView(
    bool SetUp, string Name, string Zone, UnitSystem Units, bool IsDemo, double Latitude, double Longitude, double AltitudeM,
    DateTimeOffset Now, Guid? Own)
{
    /// <summary>False until it is said where it lies: the sun is off until then.</summary>
    public bool PlaceKnown { get; init; } = true;

    /// <summary>Its height as it is typed: "180 m", "590.5510 ft".</summary>
    public string Altitude { get; init; } = "";

    /// <summary>Dates are written month first.</summary>
    public bool MonthFirst { get; init; }

    /// <summary>Hours are written to twelve.</summary>
    public bool Hours12 { get; init; }

    /// <summary>What money is called; empty where it is not said.</summary>
    public string Currency { get; init; } = "";
}

/// <summary>A bed with what it asks for.</summary>
public sealed record BedView(int Id, string Name, double AreaM2, string AreaTyped, string AreaShown, string Crop, string Growing,
    double? SoilPh, Guid Version, string Says, Life? Life, string? Wait, Core.Book.Eaten Eaten);

/// <summary>A water source with what its last strip means.</summary>
public sealed record WaterView(int Id, string Name, WaterKind Kind, bool Chloramine, double? LastStrip, DateTimeOffset? LastStripAt,
    string Says, Guid Version);

/// <summary>A vessel.</summary>
public sealed record VesselRow(int Id, string Name, string Shape, double TotalL, double WorkingL, double DepthM, string WorkingShown,
    string DepthShown, string Says, Guid Version);

/// <summary>A pump.</summary>
public sealed record PumpRow(int Id, string Name, double OpenLpm, double ShutOffKPa, string OpenShown, string ShutOffShown, string Says,
    double? BatteryHours, Guid Version);

/// <summary>A diffuser.</summary>
public sealed record DiffuserRow(int Id, string Name, string Kind, double? LossKPa, string Says, Guid Version);

/// <summary>Something on the shelf.</summary>
public sealed record InputRow(int Id, string Name, string Kind, string? Lot, string? UnfitWhy, string? Price, string? PriceShown,
    Guid Version);

/// <summary>What pump, diffuser and vessel make of each other: air at depth and the schools' asking.</summary>
public sealed record AirAtDepth(int PumpId, int VesselId, int DiffuserId, double? Lpm, string Says);

/// <summary>Ground and kit.</summary>
public sealed record GroundView(
    IReadOnlyList<BedView> Beds, IReadOnlyList<WaterView> Waters, IReadOnlyList<VesselRow> Vessels, IReadOnlyList<PumpRow> Pumps,
    IReadOnlyList<DiffuserRow> Diffusers, IReadOnlyList<InputRow> Inputs, IReadOnlyList<AirAtDepth> Air, IReadOnlyList<KindView> Sources,
    IReadOnlyList<KindView> Foods, IReadOnlyList<KindView> Clearers,
    IReadOnlyList<KindView> DiffuserKinds, IReadOnlyDictionary<string, string> ForkChoices, string SmallArea);

/// <summary>A kind to choose from.</summary>
public sealed record KindView(string Kind, string Name);

/// <summary>The sentences that stand beside ground and kit, each computed.</summary>
public static class GroundSays
{
    /// <summary>What a bed asks for of either making, by what its checks have earned: the plan's and the tank's own rule.</summary>
    public static string Bed(double areaM2, double? ph, Life? life, UnitSystem units)
    {
        string Litres(bool leaf) => Units.Show(BrewPlan.WantedL([new PlanBed { Name = "", AreaM2 = areaM2, Life = life }], leaf),
            Dimension.Volume, units);
        var less = Core.PuttingOut.TankJob.Step(life) < 1 ? $", less for ground that its checks call {life!.Value.Word()}" : "";
        var soil = ph switch {
            null => "",
            > 7.2 => " Alkaline: the school of pH would brew fungal.",
            < 6.3 =>
            " Acid: the school of pH would brew bacterial.",
            _ => " Near neutral."
        };
        return $"Asks for {Litres(false)} of extract on roots or {Litres(true)} of tea on leaves{less}.{soil}";
    }

    /// <summary>What a strip means for the dose.</summary>
    public static string Water(WaterKind kind, double? strip, bool chloramine, UnitSystem units)
    {
        if (kind == WaterKind.Surface)
        {
            return "Not on food without a test: it can carry gut germs and mud.";
        }

        var dose = WaterClearing.Dose(units.IsUs() ? 10 * 3.785411784 : 10, strip ?? WaterClearing.Unread(kind),
            "ascorbic", chloramine).Value;
        return dose.Amount == 0
            ? "Nothing to clear, if the strip still reads zero."
            : $"{Core.Workings.Say.Number(dose.Amount!.Value)} mg of ascorbic acid clears 10 {(units.IsUs() ? "gal" : "L")}"
                + $"{(dose.AssumedMgPerL is null ? "" : "; no strip read, 2 mg/L assumed")}."
                + $"{(chloramine ? " Standing it open would leave the chloramine." : "")}";
    }

    /// <summary>What a vessel holds, and the air the schools would give it.</summary>
    public static string Vessel(double totalL, double workingL, UnitSystem units) =>
        $"{Core.Workings.Say.Number(workingL / totalL * 100, 2)} % filled, the rest for foam. Light "
            + $"air {Units.Show(workingL * 0.25, Dimension.Flow, units)}, heavy {Units.Show(workingL, Dimension.Flow, units)}.";

    /// <summary>How deep a pump can blow at all.</summary>
    public static string Pump(double shutOffKPa, UnitSystem units) =>
        $"Blows no deeper than {Units.Show(shutOffKPa / 9.80665, Dimension.Length, units)}, and half its figure "
            + $"at {Units.Show(shutOffKPa / 9.80665 / 2, Dimension.Length, units)}.";

    /// <summary>What arrives at depth, against the schools' rules of 0.25 and 1 L/min per litre.</summary>
    public static string Air(double lpm, double openLpm, double workingL, double depthM, UnitSystem units) =>
        $"{Units.Show(lpm, Dimension.Flow, units)} of its {Units.Show(openLpm, Dimension.Flow, units)} "
            + $"at {Units.Show(depthM, Dimension.Length, units)}: "
        + (lpm / workingL) switch {
            < 0.2 => "less than light air",
            < 0.6 => "light air",
            < 1.2 => "heavy air",
            _ =>
            "more than heavy air"
        } + ".";

    /// <summary>How much oxygen a diffuser gets over.</summary>
    public static string Diffuser(DiffuserKind kind, double? loss, UnitSystem units) =>
        $"{Core.Workings.Say.Number(kind.SotePerMetre * (units.IsUs() ? 30.48 : 100), 2)} % of the oxygen goes over "
            + $"per {(units.IsUs() ? "foot" : "metre")} of depth; takes {Units.Show(loss ?? kind.UsualLossKPa, Dimension.Pressure, units)}"
            + $"{(loss is null ? " as usual for its kind" : "")}.";
}
