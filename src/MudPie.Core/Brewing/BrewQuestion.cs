using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>A source in a brew.</summary>
public sealed record SourceAmount
{
    /// <summary>"compost" or "castings".</summary>
    public string? Kind { get; init; }

    /// <summary>Litres put in the bag, 0 to 500.</summary>
    public double? Litres { get; init; }
}

/// <summary>A food in a brew.</summary>
public sealed record FoodAmount
{
    /// <summary>A kind of <see cref="Ingredients.Foods"/>.</summary>
    public string? Kind { get; init; }

    /// <summary>Millilitres, 0 or more.</summary>
    public double? Ml { get; init; }

    /// <summary>Hour at which it is fed; 0 (the start) when not given.</summary>
    public double? AtH { get; init; }
}

/// <summary>One outlet of several: its own kind, depth and air.</summary>
public sealed record OutletAir
{
    /// <summary>A kind of <see cref="Ingredients.Diffusers"/>.</summary>
    public string? Diffuser { get; init; }

    /// <summary>Depth under water, 0.02 to 6 m.</summary>
    public double? DepthM { get; init; }

    /// <summary>Air that comes out of it, 0 to 20,000 L/min.</summary>
    public double? AirLpm { get; init; }
}

/// <summary>Other air from an hour on.</summary>
public sealed record AirFrom
{
    /// <summary>Hour, 0 to 240.</summary>
    public double AtH { get; init; }

    /// <summary>Air in all from then on, at depth, 0 to 20,000 L/min; 0 is off.</summary>
    public double AirLpm { get; init; }
}

/// <summary>Everything the brew model needs to know about one brew. The case of reference/brew-cases.json.</summary>
public record BrewQuestion
{
    /// <summary>A label that is handed back; not used.</summary>
    public string? Id { get; init; }

    /// <summary>Litres of brew, 1 to 5000.</summary>
    public double? VolumeL { get; init; }

    /// <summary>Depth of the outlet under water, 0.02 to 6 m.</summary>
    public double? DepthM { get; init; }

    /// <summary>A kind of <see cref="Ingredients.Diffusers"/>.</summary>
    public string? Diffuser { get; init; }

    /// <summary>Air that really arrives at that depth, 0 to 20,000 L/min.</summary>
    public double? AirLpm { get; init; }

    /// <summary>Several outlets, each with its own; their kLa add up. Takes the place of diffuser, depthM and airLpm.</summary>
    public IReadOnlyList<OutletAir>? Outlets { get; init; }

    /// <summary>Ground above the sea, −430 to 5000 m; 0 when not given.</summary>
    public double? AltitudeM { get; init; }

    /// <summary>Warmth of the brew, 0 to 45 °C; the mean where there is a swing.</summary>
    public double? TemperatureC { get; init; }

    /// <summary>Half the daily swing, 0 to 15 °C: T + swing·sin(2π(t + startHour − 9)/24).</summary>
    public double? SwingC { get; init; }

    /// <summary>Clock hour at the start, 0 to 24, for the swing; 0 when not given.</summary>
    public double? StartHour { get; init; }

    /// <summary>Warmth by the hour from the start, °C, joined by straight lines, the last held; takes the place of temperatureC.</summary>
    public IReadOnlyList<double>? TemperatureByHour { get; init; }

    /// <summary>Hours asked for, 1 to 240.</summary>
    public double? Hours { get; init; }

    /// <summary>What goes in the bag.</summary>
    public IReadOnlyList<SourceAmount>? Sources { get; init; }

    /// <summary>What it is fed.</summary>
    public IReadOnlyList<FoodAmount>? Foods { get; init; }

    /// <summary>Hour at which the air stops; never when not given.</summary>
    public double? AirOffAtH { get; init; }

    /// <summary>Other air from hours on, as a second pump hung in on the way; several outlets keep their shares.</summary>
    public IReadOnlyList<AirFrom>? AirChanges { get; init; }

    /// <summary>Warmth planned for an hour, °C: the nearest hour of a series, else the mean with its daily swing.</summary>
    internal double WarmthAt(double h) => TemperatureByHour is { Count: > 0 } s
        ? s[Math.Clamp((int)Math.Round(h), 0, s.Count - 1)]
        : (TemperatureC ?? 20) + ((SwingC ?? 0) * Math.Sin(2 * Math.PI * (h + (StartHour ?? 0) - 9) / 24));

    /// <summary>Makes the question ready for the solver, or says what is wrong with it.</summary>
    internal (BrewSetup? Setup, Refusal? Refused) MakeReady()
    {
        var checks = new Checks();
        var volume = checks.Range("volumeL", VolumeL, 1, 5000, "L", "Larger brewers than that are outside what the model was made for.");
        var outlets = CheckOutlets(checks);
        var altitude = checks.Range("altitudeM", AltitudeM ?? 0, OxygenSaturation.LowestM, OxygenSaturation.HighestM, "m");
        var hours = checks.Range("hours", Hours, 1, 240, "h");
        var off = AirOffAtH is { } o ? checks.Range("airOffAtH", o, 0, 1000, "h") : double.PositiveInfinity;
        for (var i = 0; i < (AirChanges?.Count ?? 0); i++)
        {
            checks.Range($"airChanges[{i}].atH", AirChanges![i].AtH, 0, 240, "h");
            checks.Range($"airChanges[{i}].airLpm", AirChanges[i].AirLpm, 0, 20_000, "L/min");
        }

        var (temperature, byHour) = CheckWarmth(checks);
        var sources = CheckSources(checks, volume);
        var foods = CheckFoods(checks, volume);
        if (!checks.Sound)
        {
            return (null, checks.Refusal);
        }

        var pressure = OxygenSaturation.PressureAtm(new Metres(altitude));
        var (air, kLa) = (outlets.Sum(o => o.AirLpm), outlets.Sum(o => BrewRun.KLa20(o.Kind, o.DepthM, o.AirLpm, volume)));
        // Per litre of air; where none was planned at all, what one litre a minute would get over.
        var perLpm = air > 0 ? kLa / air : outlets.Average(o => BrewRun.KLa20(o.Kind, o.DepthM, 1, volume));
        var setup = new BrewSetup {
            Hours = hours,
            KLa20 = kLa,
            AirChanges = [.. (AirChanges ?? []).OrderBy(c => c.AtH).Select(c => (c.AtH, c.AirLpm > 0 ? c.AirLpm * perLpm : -1))],
            AirOffAtH = off,
            FromSources = (sources.Sum(s => s.Kind.FastPerG * s.GramsPerL) * 1000, sources.Sum(s => s.Kind.SlowPerG * s.GramsPerL) * 1000),
            Source = (sources.Sum(s => s.Kind.BacteriaMgPerG * s.GramsPerL), sources.Sum(s => s.Kind.FungiMgPerG * s.GramsPerL)),
            Feeds = [.. foods.Select(f => (f.AtH, f.Kind.FastPerG * f.GramsPerL * 1000, f.Kind.SlowPerG * f.GramsPerL * 1000))
                .OrderBy(f => f.AtH)],
            Climate = byHour is null ? BrewClimate.Constant(temperature, pressure)
                : BrewClimate.Over(byHour, TemperatureByHour is { Count: > 0 } series ? series.Count : 24, pressure,
                    comesRound: TemperatureByHour is not { Count: > 0 }),
        };
        return (setup, null);
    }

    private List<(DiffuserKind Kind, double DepthM, double AirLpm)> CheckOutlets(Checks checks)
    {
        (DiffuserKind, double, double) One(string prefix, string? kind, double? depthM, double? airLpm)
        {
            var diffuser = Ingredients.Diffuser(kind);
            if (diffuser is null)
            {
                checks.Add(prefix + "diffuser", $"“{kind}” is not a diffuser that the model knows.",
                    "Use one of " + string.Join(", ", Ingredients.Diffusers.Select(d => d.Kind)) + ".");
            }

            return (diffuser ?? Ingredients.Diffusers[0], checks.Range(prefix + "depthM", depthM, 0.02, 6, "m"),
                checks.Range(prefix + "airLpm", airLpm, 0, 20_000, "L/min"));
        }

        return Outlets is { Count: > 0 } several
            ? [.. several.Take(40).Select((o, i) => One($"outlets[{i}].", o.Diffuser, o.DepthM, o.AirLpm))]
            : [One("", Diffuser, DepthM, AirLpm)];
    }

    private (double Mean, Func<double, double>? ByHour) CheckWarmth(Checks checks)
    {
        const string wayOut = "Brews live between 2 and 43 °C.";
        if (TemperatureByHour is { Count: > 0 } series)
        {
            for (var i = 0; i < series.Count; i++)
            {
                checks.Range($"temperatureByHour[{i}]", series[i], 0, 45, "°C", wayOut);
            }

            return (series[0], h => h >= series.Count - 1 ? series[^1] : series[(int)h]
                + ((h - (int)h) * (series[(int)h + 1] - series[(int)h])));
        }

        var mean = checks.Range("temperatureC", TemperatureC, 0, 45, "°C", wayOut);
        var swing = checks.Range("swingC", SwingC ?? 0, 0, 15, "°C");
        var start = checks.Range("startHour", StartHour ?? 0, 0, 24, "h");
        if (swing > 0 && TemperatureC is >= 0 and <= 45 && (mean - swing < 0 || mean + swing > 45))
        {
            checks.Add("swingC", $"The swing would take the brew to {Say.Number(mean - swing)} or {Say.Number(mean + swing)} °C.", wayOut);
        }

        return (mean, swing == 0 ? null : h => mean + (swing * Math.Sin(2 * Math.PI * (h + start - 9) / 24)));
    }

    private List<(SourceKind Kind, double GramsPerL)> CheckSources(Checks checks, double volume)
    {
        var found = new List<(SourceKind, double)>();
        for (var i = 0; i < (Sources?.Count ?? 0); i++)
        {
            var kind = Ingredients.Source(Sources![i].Kind);
            if (kind is null)
            {
                checks.Add($"sources[{i}].kind", $"“{Sources[i].Kind}” is not a source that the model knows.",
                    "Use one of " + string.Join(", ", Ingredients.Sources.Select(s => s.Kind)) + ".");
                continue;
            }

            var litres = checks.Range($"sources[{i}].litres", Sources[i].Litres, 0, Math.Max(volume, 1) / 2, "L",
                "More than half the vessel is no brew.");
            found.Add((kind, litres * kind.KgPerLitre * 1000 / volume));
        }

        return found;
    }

    private List<(FoodKind Kind, double GramsPerL, double AtH)> CheckFoods(Checks checks, double volume)
    {
        var found = new List<(FoodKind, double, double)>();
        for (var i = 0; i < (Foods?.Count ?? 0); i++)
        {
            var kind = Ingredients.Food(Foods![i].Kind);
            if (kind is null)
            {
                checks.Add($"foods[{i}].kind", $"“{Foods[i].Kind}” is not a food that the model knows.",
                    "Use one of " + string.Join(", ", Ingredients.Foods.Select(f => f.Kind)) + ".");
                continue;
            }

            var ml = checks.Range($"foods[{i}].ml", Foods[i].Ml, 0, Math.Max(volume, 1) * 50, "mL",
                "That is 5 % of the vessel: it would only rot.");
            var at = checks.Range($"foods[{i}].atH", Foods[i].AtH ?? 0, 0, 240, "h");
            found.Add((kind, ml * kind.GPerMl / volume, at));
        }

        return found;
    }
}
