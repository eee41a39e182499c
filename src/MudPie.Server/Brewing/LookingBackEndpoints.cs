using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>One brew that is over: its readings by hours since its start.</summary>
public sealed record BackLine(
    int Id, string Name, DateTimeOffset At, string Vessel, string? Recipe, bool Failed, string Outcome, double Hours, string WarmthShown,
    string AirShown, string Foods, IReadOnlyList<OxygenPoint> Readings, IReadOnlyList<string> Learnt);

/// <summary>All of them, and what went with the failures.</summary>
public sealed record BackView(IReadOnlyList<BackLine> Brews, IReadOnlyList<WentWith> Went, IReadOnlyList<string> Vessels,
    IReadOnlyList<string> Recipes, string Says);

/// <summary>Looking back.</summary>
public static class LookingBackEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapLookingBack(this IEndpointRouteBuilder api) => api.MapGet("/brew/looking-back", Read)
        .ForVisitor("Forecasts beside what came of them.");

    private static async Task<Ok<BackView>> Read(HoldingDb db, HoldingClock clock, string? vessel = null, string? recipe = null,
        string? outcome = null)
    {
        var units = await clock.Units();
        var over = db.Batches.AsNoTracking().Where(b => (b.State == BatchState.Used || b.State == BatchState.Heaped) && b.StartedAt != null
            && b.Making == Making.Tea);
        var vessels = await over.Select(b => b.Vessel.Name).Distinct().OrderBy(n => n).ToListAsync();
        var recipes = await over.Where(b => b.RecipeVersion != null).Select(b => b.RecipeVersion!.Recipe.Name).Distinct().OrderBy(n => n)
            .ToListAsync();
        var rows = await over.Where(b => (vessel == null || b.Vessel.Name == vessel)
            && (recipe == null || b.RecipeVersion!.Recipe.Name == recipe)
                && (outcome == null || (outcome == "failed" ? b.State == BatchState.Heaped : b.State == BatchState.Used)))
            .OrderByDescending(b => b.UseAt).Take(60).AsSplitQuery()
            .Include(b => b.Log.Where(l => l.Kind != LogKind.Photo && l.Kind != LogKind.Note)).Include(b => b.Vessel)
            .Include(b => b.RecipeVersion!.Recipe).ToListAsync();
        var cleanings = (await db.Cleanings.AsNoTracking().Select(c => new { c.VesselId, c.At, c.Step }).ToListAsync()).ToLookup(c =>
            c.VesselId);
        var uses = (await db.Batches.AsNoTracking().Where(b => b.StartedAt != null)
            .Select(b => new { b.VesselId, End = b.AirOffAt ?? b.UseAt }).ToListAsync()).ToLookup(b => b.VesselId, b => b.End);
        var lines = rows.Select(b => Line(b, WasClean(b, uses[b.VesselId], cleanings[b.VesselId].Select(c => (c.At, c.Step)).ToList()),
            units)).ToList();
        var went = LookingBack.Of([.. lines.Select(l => l.Past)], units);
        var failed = lines.Count(l => l.Line.Failed);
        return TypedResults.Ok(new BackView([.. lines.Select(l => l.Line)], went, vessels, recipes, lines.Count == 0
            ? "No such brew is over yet." : $"{Say.Count(lines.Count, "brew")}, {failed} on the heap."));
    }

    /// <summary>Whether every step of cleaning was logged between the vessel's last use and this brew; null where it had not been used, or
    /// nobody logs it.</summary>
    private static bool? WasClean(Batch b, IEnumerable<DateTimeOffset> uses, List<(DateTimeOffset At, string Step)> cleanings)
    {
        var before = uses.Where(u => u <= b.StartedAt).DefaultIfEmpty(DateTimeOffset.MinValue).Max();
        return before == DateTimeOffset.MinValue || cleanings.Count == 0
            ? null : CleanUp.IsClean(cleanings.Where(c => c.At >= before && c.At <= b.StartedAt).Select(c => c.Step));
    }

    private static (BackLine Line, PastBrew Past) Line(Batch b, bool? clean, UnitSystem units)
    {
        var brew = LiveBrew.AsBrewed(b, b.StartedAt!.Value);
        var log = LiveBrew.Standing(b);
        double Hour(DateTimeOffset at) => (at - b.StartedAt!.Value).TotalHours;
        var readings = log.Where(l => l.Kind == LogKind.Oxygen)
            .Select(l => new OxygenPoint(Math.Max(Hour(l.At), 0), l.Number ?? 0)).ToList();
        var warmths = log.Where(l => l.Kind == LogKind.Warmth && l.Number is not null).Select(l => l.Number!.Value).ToList();
        var warmth = warmths.Count > 0 ? warmths.Average() : brew.TemperatureC ?? 20;
        var strip = log.LastOrDefault(l => l.Kind == LogKind.Strip)?.Number;
        var foods = brew.Foods ?? [];
        var cod = foods.Sum(f => Ingredients.Food(f.Kind) is { } k ? (f.Ml ?? 0) * k.GPerMl * (k.FastPerG + k.SlowPerG) : 0)
            / (brew.VolumeL ?? 1);
        var hours = Hour(b.AirOffAt ?? b.UseAt);
        var air = (brew.Outlets?.Sum(o => o.AirLpm ?? 0) ?? brew.AirLpm ?? 0) / (brew.VolumeL ?? 1);
        var failed = b.State == BatchState.Heaped;
        var line = new BackLine(
            b.Id, b.Name, b.UseAt, b.Vessel.Name, b.RecipeVersion?.Recipe.Name, failed,
            BatchViews.Outcome(b.State, readings.Count > 0 ? readings.Min(r => r.MgPerL) : null,
                b.Log.FirstOrDefault(l => l.Kind == LogKind.Heaped)?.Text),
            hours, Units.Show(warmth, Dimension.Temperature, units), Per.Air(air, units),
            string.Join(", ",
                foods.Select(f => $"{Units.Show((f.Ml ?? 0) / 1000, Dimension.Volume, units)} {Ingredients.Food(f.Kind)?.Name}")), readings,
                b.Learnt is { } learnt ? Learnt.InWords(Multipliers.Listed(learnt)) : []);
        return (line, new PastBrew(b.Id, failed, warmth, air, cod,
            foods.Any(f => Ingredients.Food(f.Kind)?.Kind is "molasses" or "sugarSyrup" && f.Ml > 0), hours, strip is null
                ? null : strip == 0, clean, readings.Count));
    }
}
