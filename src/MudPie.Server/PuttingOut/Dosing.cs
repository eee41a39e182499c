using Microsoft.EntityFrameworkCore;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Records;
using MudPie.Server.Brewing;

namespace MudPie.Server.PuttingOut;

/// <summary>What one dose hangs on: the water it goes out in, and what labels say. Asked by season, tank and shopping list alike.</summary>
public sealed record Dosing(double MixLPerHa, int? SprayerId, IReadOnlyDictionary<string, (int InputId, LabelRate? Label)> Shelf)
{
    /// <summary>Labels by kind of biostimulant.</summary>
    public IReadOnlyDictionary<string, LabelRate> Labels { get; } = Shelf.Where(s => s.Value.Label is not null)
        .ToDictionary(s => s.Key, s => s.Value.Label!);

    /// <summary>Reads it: the first sprayer that may carry life, a knapsack before others, with its newest calibration; 500 L/ha where none
    /// was measured.</summary>
    public static async Task<Dosing> Of(HoldingDb db)
    {
        var sprayers = await db.Sprayers.AsNoTracking().Include(s => s.Calibrations).OrderBy(s => s.Id).Take(100).ToListAsync();
        var fit = sprayers.Where(s => RaceKits.Of(s).Allowed && s.Kind != "injector").ToList();
        var sprayer = fit.FirstOrDefault(s => s.Kind == "knapsack") ?? fit.FirstOrDefault();
        var inputs = await db.Inputs.AsNoTracking().Where(i => i.UnfitWhy == null).OrderBy(i => i.Id)
            .Select(i => new { Input = i, Counted = i.Lots.Count > 0 }).ToListAsync();
        var shelf = inputs.Where(i => InputKinds.Of(i.Input.Kind).Biostimulant is not null)
            .GroupBy(i => InputKinds.Of(i.Input.Kind).Biostimulant!)
            .ToDictionary(g => g.Key, g => g.OrderByDescending(i => i.Counted).ThenByDescending(i => Lots.Labels.Of(i.Input) is not null)
                .First()).ToDictionary(g => g.Key, g => (g.Value.Input.Id, Lots.Labels.Of(g.Value.Input)));
        return new Dosing(sprayer?.Calibrations.MaxBy(c => c.At)?.LPerHa ?? TankStart.UnmeasuredLPerHa, sprayer?.Id, shelf);
    }
}
