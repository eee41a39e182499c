using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Workings;
using MudPie.Records;

namespace MudPie.Server.Brewing;

/// <summary>Recipes by their reference: the house’s own, and those that were kept.</summary>
internal static class RecipeBook
{
    /// <summary>The recipe of a reference; null for none, or a refusal where it is not there.</summary>
    public static async Task<(RecipeFile? File, Refusal? Missing)> Find(string? reference, HoldingDb db)
    {
        if (string.IsNullOrEmpty(reference))
        {
            return (null, null);
        }

        if (reference.Split(':') is ["start", var n] && int.TryParse(n, NumberStyles.None, CultureInfo.InvariantCulture, out var i)
            && i < Recipes.Starting.Count)
        {
            return (Recipes.Starting[i], null);
        }

        return VersionOf(reference) is { } id && await db.RecipeVersions.AsNoTracking().FirstOrDefaultAsync(v => v.Id == id) is { } version
            ? (version.File, null)
            : (null, Refusal.Of("recipe", "That recipe is not there.", "Choose one from the list."));
    }

    /// <summary>The recipe behind a version.</summary>
    public static async Task<int?> RecipeOf(string? reference, HoldingDb db) =>
        VersionOf(reference) is { } id ? await db.RecipeVersions.Where(v => v.Id == id).Select(v => (int?)v.RecipeId)
            .FirstOrDefaultAsync() : null;

    /// <summary>Number of the version behind a reference such as "v:12"; null for the starting set and for none.</summary>
    public static int? VersionOf(string? reference) => reference?.Split(':') is ["v", var n]
        && int.TryParse(n, NumberStyles.None, CultureInfo.InvariantCulture, out var id) ? id : null;
}
