using System.Text.Json;
using System.Text.Json.Serialization;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>A recipe in the list: of the starting set, or the grower's own newest version.</summary>
public sealed record RecipeLine(string Ref, int? RecipeId, int Version, string Name, bool Starting, RecipeFile File,
    IReadOnlyList<int> Versions, int Brews, string ForShown, IReadOnlyList<RecipePart> Parts);

/// <summary>A line of a recipe as it is shown: what, how much in the holding's units, and at which hour.</summary>
public sealed record RecipePart(string Name, string Shown, double AtH);

/// <summary>A recipe to be kept: with the id of an older one it becomes its next version.</summary>
/// <param name="RecipeId">The recipe that gets a new version; null for a new one.</param>
/// <param name="File">What it says.</param>
/// <param name="Source">How much of the source, as typed; as in the file when not given.</param>
/// <param name="Foods">What it is fed, as typed; as in the file when not given.</param>
public sealed record RecipeRequest(int? RecipeId, RecipeFile File, string? Source, IReadOnlyList<FoodTyped>? Foods);

/// <summary>A food as typed: "15 mL", "1 tbsp", and the hour it goes in.</summary>
public sealed record FoodTyped(string? Kind, string? Amount, string? AtH);

/// <summary>A recipe file brought, as text.</summary>
public sealed record RecipeBrought(string? Json);

/// <summary>Recipes: kept, versioned, written and read as one open file.</summary>
public static class RecipeEndpoints
{
    private static readonly JsonSerializerOptions Pretty = new(Json.Options) {
        WriteIndented = true, DefaultIgnoreCondition =
        JsonIgnoreCondition.WhenWritingNull, Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping
    };

    private static readonly JsonSerializerOptions Strict =
        new(Json.Options) { UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow };

    /// <summary>What can be asked and done.</summary>
    public static void MapRecipes(this IEndpointRouteBuilder api)
    {
        api.MapGet("/brew/recipes", List).ForVisitor("Recipes, with what came of brews by them.");
        api.MapGet("/brew/recipes/{reference}/file", Write).ForVisitor("A recipe as a file.");
        api.MapPost("/brew/recipes", Keep).ForHand("Keeps a recipe, or a new version of one.");
        api.MapPost("/brew/recipes/bring", Bring).ForHand("Brings a recipe's file in.");
    }

    private static async Task<Ok<List<RecipeLine>>> List(HoldingDb db, HoldingClock clock)
    {
        var units = await clock.Units();
        var own = await db.Recipes.AsNoTracking().OrderBy(r => r.Name).Select(r => new {
            r.Id,
            r.Name,
            Newest = r.Versions.OrderByDescending(v => v.Number).First(),
            Numbers = r.Versions.OrderByDescending(v => v.Number).Select(v => v.Id).ToList(),
            Brews = db.Batches.Count(b => b.RecipeVersion!.RecipeId == r.Id),
        }).Take(200).ToListAsync();
        return TypedResults.Ok(own.Select(r => Line($"v:{r.Newest.Id}", r.Id, r.Newest.Number, r.Name, r.Newest.File, r.Numbers,
            r.Brews, units))
            .Concat(Recipes.Starting.Select((f, i) => Line($"start:{i}", null, 1, f.Name!, f, [], 0, units))).ToList());
    }

    private static RecipeLine Line(string reference, int? id, int version, string name, RecipeFile f, IReadOnlyList<int> versions,
        int brews, UnitSystem units)
    {
        string Shown(double? litres) => Units.Show(litres ?? 0, Dimension.Volume, units);
        return new(
            reference, id, version, name, id is null, f, versions, brews, Shown(f.ForLitres),
            [
                .. (f.Sources ?? []).Select(s => new RecipePart(Ingredients.Source(s.Kind)?.Name ?? s.Kind ?? "", Shown(s.Litres), 0)),
                .. (f.Foods ?? []).Select(x => new RecipePart(Ingredients.Food(x.Kind)?.Name ?? x.Kind ?? "", Shown((x.Ml ?? 0) / 1000),
                    x.AtH ?? 0)),
            ]);
    }

    private static async Task<Results<FileContentHttpResult, Missing>> Write(string reference, HoldingDb db)
    {
        var (file, _) = await RecipeBook.Find(reference, db);
        return file is null
            ? Problems.NotFound("recipe")
            : TypedResults.File(JsonSerializer.SerializeToUtf8Bytes(file, Pretty), "application/json",
                $"{string.Concat(file.Name!.ToLowerInvariant().Select(c => char.IsLetterOrDigit(c) ? c : '-')).Trim('-')}.recipe.json");
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(RecipeRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var file = r.File;
        if (r.Source is { } source && file.Sources is [var first, ..])
        {
            file = file with {
                Sources = [first with { Litres = fields.Quantity("source", source, Dimension.Volume, 0, 1250) },
                .. file.Sources.Skip(1)]
            };
        }

        if (r.Foods is { } foods)
        {
            file = file with {
                Foods =
                [.. foods.Select((f, i) =>
                    new FoodAmount { Kind = f.Kind, Ml = fields.Quantity($"foods[{i}].amount", TypedFields.Spoonful(f.Amount, fields.Units),
                        Dimension.Volume, 0, 250) * 1000,
                        AtH = fields.Optional($"foods[{i}].atH", f.AtH, Dimension.Plain, 0, 240) ?? 0 })]
            };
        }

        return fields.Checks.Sound ? await Add(r.RecipeId, file, db, clock) : fields.Checks.Refusal;
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Bring(RecipeBrought r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (r.Json is not { Length: > 0 and <= 100_000 })
        {
            return Refusal.Of("json", "There is no recipe in that file, or it is larger than 100 kB.",
                "Bring a file written by Mud Pie, or after docs/formats/recipe.md.");
        }

        try
        {
            var file = JsonSerializer.Deserialize<RecipeFile>(r.Json, Strict);
            return file is null ? Refusal.Of("json", "The file is empty.", "Bring a recipe.") : await Add(null, file, db, clock);
        }
        catch (JsonException e)
        {
            return Refusal.Of("json", $"Line {e.LineNumber + 1} can't be read{(e.Path is { Length: > 1 } path ? $" at {path}" : "")}.",
                "Bring a file written by Mud Pie, or after docs/formats/recipe.md.");
        }
    });

    private static async Task<Ruling<Kept>> Add(int? recipeId, RecipeFile file, HoldingDb db, HoldingClock clock)
    {
        if (Recipes.Wrong(file) is { } wrong)
        {
            return wrong;
        }

        var name = file.Name!.Trim();
        var recipe = recipeId is { } id ? await db.Recipes.Include(x => x.Versions).FirstOrDefaultAsync(x => x.Id == id) : null;
        if (recipeId is not null && recipe is null)
        {
            return Refusal.Of("recipeId", "That recipe is not there.", "Keep it as a new one.");
        }

        if (await db.Recipes.AnyAsync(x => x.Name == name && x.Id != (recipeId ?? 0)))
        {
            return Refusal.Of("name", $"There is a recipe called “{name}” already.",
                "Give it another name, or keep this as a new version of that one.");
        }

        if (recipe is null)
        {
            recipe = new Records.Brewing.Recipe { Name = name };
            db.Recipes.Add(recipe);
        }

        recipe.Name = name;
        var version = new RecipeVersion {
            Number = recipe.Versions.Select(v => v.Number).DefaultIfEmpty(0).Max() + 1, At = clock.Now,
            File = file with { Name = name }
        };
        recipe.Versions.Add(version);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(version.Id));
    }
}
