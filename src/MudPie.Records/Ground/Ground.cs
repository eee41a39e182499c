using MudPie.Core.Book;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;

namespace MudPie.Records.Ground;

/// <summary>The holding itself: one row a file.</summary>
public sealed class Holding : IVersioned
{
    public int Id { get; set; }

    public required string Name { get; set; }

    /// <summary>Degrees, north positive.</summary>
    public double Latitude { get; set; }

    /// <summary>Degrees, east positive.</summary>
    public double Longitude { get; set; }

    /// <summary>Metres above the sea.</summary>
    public double AltitudeM { get; set; }

    /// <summary>IANA zone, as "Europe/London".</summary>
    public required string Zone { get; set; }

    /// <summary>Degrees, north positive, for the sun; null while it is off.</summary>
    public double? SunLatitude => PlaceKnown ? Latitude : null;

    /// <summary>Degrees, east positive, for the sun; null while it is off.</summary>
    public double? SunLongitude => PlaceKnown ? Longitude : null;

    public UnitSystem Units { get; set; }

    /// <summary>False until it is said where it lies: the sun is off until then, whatever stands in latitude and longitude.</summary>
    public bool PlaceKnown { get; set; } = true;

    /// <summary>Dates are written month first: "Jun 10".</summary>
    public bool MonthFirst { get; set; }

    /// <summary>Hours are written to twelve: "7:30 pm".</summary>
    public bool Hours12 { get; set; }

    /// <summary>What money is called: a sign or a word, as "£" or "crowns"; empty where it is not said.</summary>
    public string Currency { get; set; } = "";

    /// <summary>The watch speaks after so many hours without an oxygen reading.</summary>
    public double WatchNoReadingH { get; set; } = 4;

    /// <summary>The watch speaks when so many minutes of a hold are left.</summary>
    public double WatchGraceMinutes { get; set; } = 30;

    /// <summary>The watch speaks at this chance of falling below 6 before use, 0 to 1.</summary>
    public double WatchExpectedShare { get; set; } = 0.5;

    /// <summary>What an hour of work is worth, in the holding's money; null leaves time out of costs.</summary>
    public double? HourlyWage { get; set; }

    /// <summary>Sowing days by the moon are shown. Off until the grower turns them on.</summary>
    public bool SowingDays { get; set; }

    /// <summary>Made up, and made anew at each start.</summary>
    public bool IsDemo { get; set; }

    public DateTimeOffset CreatedAt { get; set; }

    /// <summary>This holding's own mark, the same wherever its file is served: what a browser keeps for it is kept under this.</summary>
    public Guid Own { get; set; } = Guid.NewGuid();

    /// <inheritdoc/>
    public Guid Version { get; set; }
}

/// <summary>A choice at a fork, for the whole holding.</summary>
public sealed class ForkChoice
{
    public required string ForkId { get; set; }

    public required string SchoolId { get; set; }
}

/// <summary>A piece of ground.</summary>
public sealed class Bed : IVersioned
{
    /// <summary>What is said of a bed on which nothing grows.</summary>
    public const string Nothing = "nothing yet";

    public int Id { get; set; }

    public required string Name { get; set; }

    /// <summary>m².</summary>
    public double AreaM2 { get; set; }

    /// <summary>As it was typed.</summary>
    public required string AreaTyped { get; set; }

    public required string Crop { get; set; }

    /// <summary>"annual", "grass", "perennial" or "tree".</summary>
    public required string Growing { get; set; }

    public double? SoilPh { get; set; }

    /// <summary>Whether and how what grows there is eaten.</summary>
    public Eaten Eaten { get; set; } = Eaten.Touches;

    /// <summary>The full dose goes on whatever its checks have earned.</summary>
    public bool KeepsFullDose { get; set; }

    /// <summary>Its outline: GeoJSON geometry, or null where it was never surveyed.</summary>
    public string? ShapeJson { get; set; }

    /// <summary>Changed at every write, so that two windows do not overwrite each other.</summary>
    public Guid Version { get; set; }
}

/// <summary>Where water comes from.</summary>
public sealed class WaterSource : IVersioned
{
    public int Id { get; set; }

    /// <inheritdoc/>
    public Guid Version { get; set; }

    public required string Name { get; set; }

    /// <summary>Where it comes from.</summary>
    public WaterKind Kind { get; set; }

    /// <summary>The supplier may add ammonia.</summary>
    public bool Chloramine { get; set; }

    public List<StripReading> Strips { get; } = [];

    public List<WaterTest> Tests { get; } = [];
}

/// <summary>A test of a water for gut germs. Never changed: a later one counts instead.</summary>
public sealed class WaterTest
{
    public int Id { get; set; }

    public int WaterSourceId { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    /// <summary>E. coli in 100 mL, as the lab says it; 0 for none found.</summary>
    public double EColiPer100Ml { get; set; }

    /// <summary>Which lab, or what was tested.</summary>
    public required string By { get; set; }
}

/// <summary>A chlorine strip read on a source. Never changed.</summary>
public sealed class StripReading
{
    public int Id { get; set; }

    public int WaterSourceId { get; set; }

    public DateTimeOffset At { get; set; }

    /// <summary>Total chlorine, mg/L as Cl₂.</summary>
    public double MgPerL { get; set; }

    /// <summary>A picture of the strip.</summary>
    public int? PhotoId { get; set; }
}

/// <summary>What it is brewed in.</summary>
public sealed class Vessel : IVersioned
{
    public int Id { get; set; }

    /// <inheritdoc/>
    public Guid Version { get; set; }

    public required string Name { get; set; }

    /// <summary>"bucket", "barrel" or "tank": how it is drawn, and what sizes are believed.</summary>
    public required string Shape { get; set; }

    /// <summary>To the brim, L.</summary>
    public double TotalL { get; set; }

    /// <summary>With room for foam, L.</summary>
    public double WorkingL { get; set; }

    /// <summary>Outlet under water when filled to there, m.</summary>
    public double DepthM { get; set; }

    /// <summary>Its pumps and outlets as set up on the air bench: an AirBenchQuestion as JSON; null for one pump and one
    /// diffuser.</summary>
    public AirBenchQuestion? Air { get; set; }

    /// <summary>Its mark where several holdings of a box share it; null where it is this holding's alone.</summary>
    public Guid? SharedAs { get; set; }

    /// <summary>Who has it, as they call themselves; null while it is here.</summary>
    public string? HandedTo { get; set; }

    /// <summary>When it last came here from another holding and was not clean; null for never.</summary>
    public DateTimeOffset? CameUncleanAt { get; set; }

    public List<VesselCleaning> Cleanings { get; } = [];
}

/// <summary>One step of cleaning a vessel. Never changed.</summary>
public sealed class VesselCleaning
{
    public int Id { get; set; }

    public int VesselId { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    /// <summary>A step of <see cref="Core.Brewing.CleanUp.Steps"/>.</summary>
    public required string Step { get; set; }
}

/// <summary>A check on whether a bed's ground is alive. Never changed.</summary>
public sealed class BedCheck
{
    public int Id { get; set; }

    public int BedId { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    /// <summary>How it was tested.</summary>
    public required GroundTest Kind { get; set; }

    /// <summary>Cotton: share gone, 0 to 1. CO₂: mg C per kg in a day.</summary>
    public double Figure { get; set; }

    /// <summary>Cotton: weeks buried.</summary>
    public double? Weeks { get; set; }

    /// <summary>Cotton: the day it was buried; null where only the weeks were said.</summary>
    public DateTimeOffset? BuriedAt { get; set; }

    /// <summary>"poor", "middling" or "living".</summary>
    public required Life Life { get; set; }
}

/// <summary>An air pump.</summary>
public sealed class Pump : IVersioned
{
    public int Id { get; set; }

    /// <inheritdoc/>
    public Guid Version { get; set; }

    public required string Name { get; set; }

    /// <summary>L/min on the box.</summary>
    public double OpenLpm { get; set; }

    /// <summary>Pressure at which nothing flows, kPa.</summary>
    public double ShutOffKPa { get; set; }

    /// <summary>Hours that its battery lasts; null on the mains.</summary>
    public double? BatteryHours { get; set; }
}

/// <summary>What breaks the air up.</summary>
public sealed class Diffuser : IVersioned
{
    public int Id { get; set; }

    /// <inheritdoc/>
    public Guid Version { get; set; }

    public required string Name { get; set; }

    /// <summary>A kind of the brew model.</summary>
    public required string Kind { get; set; }

    /// <summary>kPa it takes; null for the usual of its kind.</summary>
    public double? LossKPa { get; set; }
}
