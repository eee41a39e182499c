using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Records;

namespace MudPie.Server.Brewing;

/// <summary>What brews that are over taught, looked up for the next.</summary>
public static class Lessons
{
    private const int Remembered = 12;

    /// <summary>The start for a brew in a vessel, of a recipe or of a kind of source; null where nothing was taught.</summary>
    public static async Task<Prior?> Prior(HoldingDb db, int vesselId, int? recipeId, string? sourceKind, int? notBatch = null)
    {
        var rows = await db.Batches.AsNoTracking().Where(b => b.Learnt != null && b.Id != notBatch).OrderByDescending(b => b.UseAt).Take(60)
            .Select(b => new { b.VesselId, Recipe = (int?)b.RecipeVersion!.RecipeId, b.Brew, b.Learnt }).ToListAsync();
        return Learnt.Prior([.. rows.Take(Remembered * 5).Select(r => new Lesson(
            Multipliers.Listed(r.Learnt!), r.VesselId == vesselId,
            recipeId is not null ? r.Recipe == recipeId : r.Brew.Sources?.FirstOrDefault()?.Kind == sourceKind))
            .Where(l => l.SameVessel || l.SameRecipe).Take(Remembered)]);
    }

    /// <summary>What a brew taught at its end: three readings or more, and a model that fits them.</summary>
    public static IReadOnlyDictionary<string, double>? Of(WatchAnswer? watch, int readings) =>
        watch is { Forecast.Trusted: true } && readings >= 3 ? Multipliers.Named(watch.Forecast.Learnt) : null;
}

/// <summary>Rulings on lots of source.</summary>
public static class SourceRulings
{
    /// <summary>The newest ruling on a lot; null where it was never asked, or none is meant.</summary>
    public static async Task<SourceRuling?> Of(HoldingDb db, int? inputId) =>
        inputId is null || await db.SourceChecks.Newest().Where(c => c.InputId == inputId).Select(c => c.Answers)
            .FirstOrDefaultAsync() is not { } answers
            ? null
            : SourceGate.Judge(answers).Value;
}
