using MudPie.Core.Almanac;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Records.Shelf;
using MudPie.Server.Web;

namespace MudPie.Server.Ground;

/// <summary>A few short answers, as typed; what is not given stands as the house would have it, and can be said later.</summary>
public sealed record SetupRequest
{
    public string? Name { get; init; }

    /// <summary>Latitude and longitude; empty where it is to be said later: the sun is off until then.</summary>
    public string? Place { get; init; }

    public string? Altitude { get; init; }

    public string? Zone { get; init; }

    public UnitSystem? Units { get; init; }

    /// <summary>Dates are written month first.</summary>
    public bool? MonthFirst { get; init; }

    /// <summary>Hours are written to twelve.</summary>
    public bool? Hours12 { get; init; }

    public string? BedName { get; init; }

    public string? Area { get; init; }

    public string? Crop { get; init; }

    public string? Growing { get; init; }

    public string? Shape { get; init; }

    public string? Total { get; init; }

    public string? Depth { get; init; }

    public string? OpenFlow { get; init; }

    public string? ShutOff { get; init; }

    public string? DiffuserKind { get; init; }

    public string? WaterKind { get; init; }

    public string? Strip { get; init; }
}

/// <summary>What Mud Pie makes of an answer, by field.</summary>
public sealed record SetupRemarks(IReadOnlyDictionary<string, string> Says);

/// <summary>From nothing to a holding that can plan a brew.</summary>
public static partial class SetupEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapSetup(this IEndpointRouteBuilder api)
    {
        api.MapPost("/holding/setup/work-out", WorkOut).ForVisitor("Reads a first setting up, field by field.");
        api.MapPost("/holding/setup", Keep).ForOwner("Sets the holding up.");
    }

    /// <summary>Reads "52.5, 0.0" or "52.5 N 1.2 W".</summary>
    public static (double Latitude, double Longitude)? Place(string? typed)
    {
        var text = (typed ?? "").ToUpperInvariant().Replace("°", " ");
        var numbers = Figures().Matches(text);
        if (numbers.Count != 2)
        {
            return null;
        }

        double Read(int i) => double.Parse(numbers[i].Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture)
            * (numbers[i].Groups[2].Value is "S" or "W" ? -1 : 1);
        var (lat, lon) = (Read(0), Read(1));
        return Math.Abs(lat) <= 90 && Math.Abs(lon) <= 180 ? (lat, lon) : null;
    }

    private static Results<Ok<SetupRemarks>, Refused> WorkOut(SetupRequest r)
    {
        var fields = new TypedFields(r.Units ?? UnitSystem.Metric);
        var read = Read(r, fields);
        if (!fields.Checks.Sound)
        {
            return Problems.Of(fields.Checks.Refusal);
        }

        var units = read.Holding.Units;
        var air = Air.AtDepth(read.Pump.OpenLpm, read.Pump.ShutOffKPa, read.Vessel.DepthM,
            Ingredients.Diffuser(read.Diffuser.Kind)!.UsualLossKPa);
        var full = OxygenSaturation.At(18, read.Holding.AltitudeM).Value.Value;
        return TypedResults.Ok(new SetupRemarks(new Dictionary<string, string> {
            ["place"] = read.Holding.PlaceKnown ? Sunny(read.Holding)
                : "The sun is off until you say where: hours are then scored by wind, rain and warmth alone.",
            ["altitude"] = $"Water there holds {Say.Fixed(full, 1)} mg/L of oxygen at 18 °C; a brew must keep 6.",
            ["area"] = GroundSays.Bed(read.Bed.AreaM2, null, null, units),
            ["vessel"] = GroundSays.Vessel(read.Vessel.TotalL, read.Vessel.WorkingL, units),
            ["pump"] = string.IsNullOrWhiteSpace(r.OpenFlow) && string.IsNullOrWhiteSpace(r.ShutOff)
                ? "A dunked extract needs no pump. A small one is assumed until you name yours under Ground and kit: fed teas wait for "
                    + "that."
                : air.Refused is null
                ? $"{Units.Show(air.Value, Dimension.Flow, units)} of its {Units.Show(read.Pump.OpenLpm, Dimension.Flow, units)} arrive "
                    + "at the bottom of that vessel."
                : air.Refused.Problems[0].ToString(),
            ["diffuser"] = GroundSays.Diffuser(Ingredients.Diffuser(read.Diffuser.Kind)!, null, units),
            ["water"] = GroundSays.Water(read.Water.Kind, read.Strip, false, units),
        }));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(SetupRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await clock.Find() is not null)
        {
            return Refusal.Of("name", "This holding is set up already.", "Change it under Ground and kit.");
        }

        var fields = new TypedFields(r.Units ?? UnitSystem.Metric);
        var read = Read(r, fields);
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        read.Holding.CreatedAt = clock.Now;
        if (read.Strip is { } mg)
        {
            read.Water.Strips.Add(new StripReading { At = clock.Now, MgPerL = mg });
        }

        db.AddRange(read.Holding, read.Bed, read.Vessel, read.Pump, read.Diffuser, read.Water);
        db.AddRange(
            new Input { Name = "compost", Kind = "compost" }, new Input { Name = "castings", Kind = "castings" },
            new Input { Name = "fish hydrolysate", Kind = "fishHydrolysate" }, new Input { Name = "liquid kelp", Kind = "kelpLiquid" });
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(read.Holding.Id));
    });

    private sealed record Setup(Holding Holding, Bed Bed, Vessel Vessel, Pump Pump, Diffuser Diffuser, WaterSource Water, double? Strip);

    private static Setup Read(SetupRequest r, TypedFields fields)
    {
        var holding = new Holding {
            Name = fields.Name("name", r.Name ?? "My holding", "the holding"),
            Zone = "",
            Units = r.Units ?? UnitSystem.Metric,
            MonthFirst = r.MonthFirst ?? false,
            Hours12 = r.Hours12 ?? false,
        };
        Lies(holding, r.Place, r.Altitude, r.Zone, fields);
        var shape = fields.OneOf("shape", r.Shape, "bucket", "barrel", "tank");
        var total = fields.Quantity("total", r.Total, Dimension.Volume, 1, shape switch { "bucket" => 60, "barrel" => 600, _ => 5000 },
            $"That is the range of a {shape}.");
        var dunks = string.IsNullOrWhiteSpace(r.OpenFlow) && string.IsNullOrWhiteSpace(r.ShutOff); // a bag dunked by hand needs no air
        var waterKind = fields.OneOf<WaterKind>("waterKind", r.WaterKind);
        return new Setup(
            holding,
            new Bed {
                Name = fields.Name("bedName", r.BedName, "the bed"),
                AreaM2 = fields.Quantity("area", r.Area, Dimension.Area, 0.1, 1_000_000),
                AreaTyped = (r.Area ?? "").Trim(),
                Crop = fields.Name("crop", r.Crop ?? "not said", "the crop"),
                Growing = fields.OneOf("growing", r.Growing ?? "annual", "annual", "grass", "perennial", "tree"),
            },
            new Vessel {
                Name = "The " + shape, Shape = shape, TotalL = total, WorkingL = total * 0.85,
                DepthM = fields.Quantity("depth", r.Depth ?? UsualDepth(shape), Dimension.Length, 0.05, 5)
            },
            dunks
                ? new Pump { Name = "No pump of your own: a small one is assumed", OpenLpm = 3, ShutOffKPa = 15 }
                : new Pump {
                    Name = "Air pump",
                    OpenLpm = fields.Quantity("openFlow", r.OpenFlow, Dimension.Flow, 0.1, 5000,
                        "It stands on the pump's box; leave flow and pressure both empty where you only dunk a bag."),
                    ShutOffKPa = fields.Quantity("shutOff", r.ShutOff, Dimension.Pressure, 1, 200,
                        "1 m of water is 9.8 kPa; leave flow and pressure both empty where you only dunk a bag."),
                },
            new Diffuser {
                Name = "Diffuser",
                Kind = fields.OneOf("diffuserKind", r.DiffuserKind ?? "airStone", [.. Ingredients.Diffusers.Select(d => d.Kind)])
            },
            new WaterSource {
                Name = WaterName(waterKind), Kind = waterKind
            },
            fields.Optional("strip", r.Strip, Dimension.Concentration, 0, WaterClearing.Highest));
    }

    /// <summary>Takes where a holding lies, as typed. An empty place leaves the sun off.</summary>
    /// <param name="holding">Changed by it.</param>
    /// <param name="place">"52.5, 0.0" or "52.5 N 1.2 W".</param>
    /// <param name="altitude">Above the sea; null or empty leaves it.</param>
    /// <param name="zone">IANA zone.</param>
    /// <param name="fields">Where what can't be read is said.</param>
    internal static void Lies(Holding holding, string? place, string? altitude, string? zone, TypedFields fields)
    {
        var known = !string.IsNullOrWhiteSpace(place);
        var at = known ? Place(place) : null;
        if (known && at is null)
        {
            fields.Checks.Add("place", $"“{place}” is not a latitude and a longitude.",
                "Write it as 52.5, 0.0 or 52.5 N 1.2 W; a degree is near enough, it is for the sun. Or leave it empty: "
                + "the sun is off then.");
        }

        holding.Zone = (zone ?? holding.Zone).Trim();
        if (!HoldingClock.Knows(holding.Zone))
        {
            fields.Checks.Add("zone", $"“{holding.Zone}” is not a time zone.", "Write it as Europe/London or America/Chicago.");
        }

        (holding.PlaceKnown, holding.Latitude, holding.Longitude) = (known, at?.Latitude ?? 0, at?.Longitude ?? 0);
        if (!string.IsNullOrWhiteSpace(altitude))
        {
            holding.AltitudeM = fields.Quantity("altitude", altitude, Dimension.Length, OxygenSaturation.LowestM,
                OxygenSaturation.HighestM);
        }
    }

    private static string Sunny(Holding holding) =>
        $"At noon in spring and autumn the sun stands {Say.Fixed(Sun.EquinoxNoonDeg(holding.Latitude), 0)}° high there.";

    private static string UsualDepth(string shape) => shape switch { "bucket" => "28 cm", "barrel" => "75 cm", _ => "110 cm" };

    private static string WaterName(WaterKind kind) => kind switch {
        WaterKind.Mains => "Mains",
        WaterKind.Rain => "Rain water",
        WaterKind.Well => "Well",
        WaterKind.Ro => "Reverse osmosis",
        _ => "Open water",
    };

    [System.Text.RegularExpressions.GeneratedRegex(@"(-?[0-9]{1,3}(?:\.[0-9]{1,12})?)\s*([NSEW]?)",
        System.Text.RegularExpressions.RegexOptions.NonBacktracking)]
    private static partial System.Text.RegularExpressions.Regex Figures();
}
