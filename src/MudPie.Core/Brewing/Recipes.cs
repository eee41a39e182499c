using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>A recipe as it is kept and passed on: one open JSON file. See docs/formats/recipe.md.</summary>
public sealed record RecipeFile
{
    /// <summary>"mud-pie-recipe".</summary>
    public string? Format { get; init; } = "mud-pie-recipe";

    /// <summary>Version of the format: 1.</summary>
    public int? FormatVersion { get; init; } = 1;

    /// <summary>What it is called, 1 to 80 letters.</summary>
    public string? Name { get; init; }

    /// <summary>"leaf" or "root".</summary>
    public Purpose? Purpose { get; init; }

    /// <summary>"bacterial", "balanced" or "fungal".</summary>
    public Bias? Bias { get; init; }

    /// <summary>"tea", "extract", "bubbled" or "steep".</summary>
    public Making? Making { get; init; }

    /// <summary>"bucket", "barrel" or "tank": what it was made for.</summary>
    public string? Vessel { get; init; }

    /// <summary>Litres that the amounts are for, 1 to 5000.</summary>
    public double? ForLitres { get; init; }

    /// <summary>What goes in the bag, for that many litres.</summary>
    public IReadOnlyList<SourceAmount>? Sources { get; init; }

    /// <summary>What it is fed, for that many litres, each at its hour.</summary>
    public IReadOnlyList<FoodAmount>? Foods { get; init; }

    /// <summary>Words of the grower's own, up to 2000 letters.</summary>
    public string? Note { get; init; }
}

/// <summary>Recipes: the starting set, scaling, checking a file.</summary>
public static class Recipes
{
    /// <summary>The starting set: leaf and root × bacterial, balanced and fungal × bucket, barrel and tank. Places to start, not
    /// findings.</summary>
    public static IReadOnlyList<RecipeFile> Starting { get; } =
    [
        .. from purpose in Enum.GetValues<Purpose>()
           from bias in Enum.GetValues<Bias>()
           from vessel in new[] { (Name: "bucket", Litres: 17.0), (Name: "barrel", Litres: 180.0), (Name: "tank", Litres: 765.0) }
           select Start(purpose, bias, vessel.Name, vessel.Litres),
    ];

    /// <summary>The recipe for other litres: foods in proportion; source in proportion to what a vessel of that size takes, as large tanks
    /// extract better.</summary>
    /// <param name="recipe">A sound recipe.</param>
    /// <param name="litres">Litres to brew, 1 to 5000.</param>
    /// <remarks>15 mL of fish for 20 L is 135 mL for 180 L; 1.2 L of compost for 20 L is 2.7 L for 180 L.</remarks>
    public static RecipeFile ScaledTo(RecipeFile recipe, double litres)
    {
        var from = recipe.ForLitres!.Value;
        double SourceScale(string kind) => recipe.Making == Making.Tea
            ? Recipe.SourcePer20L(kind, litres) * litres / (Recipe.SourcePer20L(kind, from) * from) : litres / from;
        return recipe with {
            ForLitres = litres,
            Sources = [.. (recipe.Sources ?? []).Select(s => s with { Litres = s.Litres * SourceScale(s.Kind!) })],
            Foods = [.. (recipe.Foods ?? []).Select(f => f with { Ml = f.Ml * litres / from })],
        };
    }

    /// <summary>What is wrong with a recipe, field by field; null where it is sound.</summary>
    public static Refusal? Wrong(RecipeFile r)
    {
        var checks = new Checks();
        if (r.Format != "mud-pie-recipe" || r.FormatVersion != 1)
        {
            checks.Add("format", "That is not a recipe file of version 1.",
                "It begins with \"format\": \"mud-pie-recipe\", \"formatVersion\": 1.");
        }

        if (r.Name is not { Length: > 0 and <= 80 } || string.IsNullOrWhiteSpace(r.Name))
        {
            checks.Add("name", "It has no name, or one that is too long.", "Give 1 to 80 letters.");
        }

        checks.One("purpose", r.Purpose, "Nothing was given.");
        checks.One("bias", r.Bias, "Nothing was given.");
        checks.One("making", r.Making, "Nothing was given.");
        OneOf(checks, "vessel", r.Vessel, "bucket", "barrel", "tank");
        var litres = checks.Range("forLitres", r.ForLitres, 1, 5000, "L");
        if ((r.Sources?.Count ?? 0) is 0 or > 6)
        {
            checks.Add("sources", "It has no source, or more than six.", "Give one to six sources.");
        }

        if ((r.Foods?.Count ?? 0) > 24)
        {
            checks.Add("foods", "That is more than twenty-four feeds.", "Give up to twenty-four.");
        }

        if (r.Note?.Length > 2000)
        {
            checks.Add("note", "That note is too long.", "Give up to 2,000 letters.");
        }

        if (checks.Sound && new BrewQuestion {
            VolumeL = litres, DepthM = 0.3, Diffuser = "airStone", AirLpm = 1, TemperatureC = 20,
            Hours = 24, Sources = r.Sources, Foods = r.Foods
        }.MakeReady().Refused is { } refused)
        {
            checks.Add(refused);
        }

        return checks.Sound ? null : checks.Refusal;
    }

    private static void OneOf(Checks checks, string field, string? value, params string[] known)
    {
        if (value is null || !known.Contains(value))
        {
            checks.Add(field, value is null ? "Nothing was given." : $"“{value}” is not known here.", $"Use {Say.Any(known)}.");
        }
    }

    private static RecipeFile Start(Purpose purpose, Bias bias, string vessel, double litres)
    {
        var tea = purpose == Purpose.Leaf;
        var source = bias == Bias.Bacterial ? "castings" : "compost";
        var sourceL = tea ? Recipe.SourcePer20L(source, litres) * litres / 20 : Recipe.ExtractLoadPer20L * litres / 20;
        return new RecipeFile {
            Name = $"{(purpose == Purpose.Leaf ? "Leaf" : "Root")}, {bias.Word()}, {vessel}",
            Purpose = purpose,
            Bias = bias,
            Making = tea ? Ideas.Making.Tea : litres > 60 ? Ideas.Making.Bubbled : Ideas.Making.Extract,
            Vessel = vessel,
            ForLitres = litres,
            Sources = [new SourceAmount { Kind = source, Litres = Math.Round(sourceL, 2) }],
            Foods = tea ? [.. Recipe.FoodsPer20L(bias)
                .Select(f => new FoodAmount { Kind = f.Kind, Ml = Math.Round(f.Ml * litres / 20), AtH = 0 })] : [],
            Note = "A place to start, by practitioners' rule: let the forecast trim the foods to your air and warmth.",
        };
    }
}

/// <summary>N, P and K in grams per 100 m².</summary>
public sealed record Npk(double N, double P, double K);

/// <summary>What a brew carries against what the crop takes.</summary>
/// <param name="Carried">Grams per 100 m².</param>
/// <param name="Taken">What such a crop takes in a season, grams per 100 m².</param>
/// <param name="ShareN">Carried N ÷ taken N.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record NutrientsAnswer(Npk Carried, Npk Taken, double ShareN, string Sentence);

/// <summary>What a brew feeds, so that nobody mistakes it for fertiliser.</summary>
public static class BrewNutrients
{
    // Elemental N, P, K as shares of mass: common label and table figures; a grower's own label comes first. What a source gives up into
    // water is a tenth of what it holds.
    private static readonly Dictionary<string, Npk> Shares = new() {
        ["molasses"] = new(0.010, 0.0008, 0.030),
        ["fishHydrolysate"] = new(0.020, 0.010, 0.003),
        ["kelpLiquid"] = new(0.001, 0.0002, 0.010),
        ["kelpPowder"] = new(0.010, 0.002, 0.120),
        ["humicLiquid"] = new(0.001, 0, 0.010),
        ["oatFlour"] = new(0.022, 0.004, 0.004),
        ["sugarSyrup"] = new(0, 0, 0),
        ["compost"] = new(0.0008, 0.0002, 0.0008),
        ["castings"] = new(0.0012, 0.0003, 0.0008),
    };

    // Grams per 100 m² and season: agronomic tables' usual middle for each way of growing.
    private static readonly Dictionary<string, Npk> Takes = new() {
        ["annual"] = new(1500, 250, 1800),
        ["grass"] = new(2000, 280, 1900),
        ["perennial"] = new(700, 110, 700),
        ["tree"] = new(600, 80, 650),
    };

    /// <summary>Grams carried by a brew that covers <paramref name="areaM2"/>, against what a crop of that growing takes.</summary>
    /// <param name="sources">Litres in the bag.</param>
    /// <param name="foods">mL fed.</param>
    /// <param name="areaM2">Ground covered, more than 0 m².</param>
    /// <param name="growing">"annual", "grass", "perennial" or "tree".</param>
    /// <param name="units">Units that the sentence speaks in.</param>
    /// <remarks>300 mL of fish (330 g at 2 % N) over 100 m² carries 6.6 g of N where vegetables take about 1,500: 0.4 %.</remarks>
    public static Worked<NutrientsAnswer> Of(IReadOnlyList<SourceAmount> sources, IReadOnlyList<FoodAmount> foods, double areaM2,
        string growing, UnitSystem units = UnitSystem.Metric)
    {
        var parts = foods.Select(f =>
            (Ingredients.Food(f.Kind)!.Kind, Ingredients.Food(f.Kind)!.Name, Grams: (f.Ml ?? 0) * Ingredients.Food(f.Kind)!.GPerMl))
            .Concat(sources.Select(s => (Ingredients.Source(s.Kind)!.Kind, Ingredients.Source(s.Kind)!.Name, Grams: (s.Litres ?? 0)
                * Ingredients.Source(s.Kind)!.KgPerLitre * 1000))).ToList();
        var per = 100 / Math.Max(areaM2, 1e-9);
        double Total(Func<Npk, double> of) => parts.Sum(p => p.Grams * of(Shares[p.Kind])) * per;
        var carried = new Npk(Total(n => n.N), Total(n => n.P), Total(n => n.K));
        var taken = Takes.GetValueOrDefault(growing, Takes["annual"]);
        var share = carried.N / taken.N;
        var told = units.IsUs() ? Per.Small(1, units) / 28.349523125 : 1; // grams on 100 m² as ounces on 1,000 sq ft
        string Three(Npk x, string unit, int digits) =>
            $"{Say.Number(x.N * told, digits)}-{Say.Number(x.P * told, digits)}-{Say.Number(x.K * told, digits)}{unit}";
        return Worked.Of(
            new NutrientsAnswer(carried, taken, share,
                $"It carries {Three(carried, units.IsUs() ? " oz" : " g", 2)} of N-P-K {Per.SmallArea(units)}; the crop takes "
                    + $"about {Three(taken, "", 3)} in a season. {Say.Number(share * 100, 2)} % of its nitrogen: "
                    + $"{(share < 0.05 ? "no fertiliser" : "a small feed")}."),
            "g per 100 m²",
            Evidence.PublishedTrials,
            [
                .. parts.Select(p => new WorkingLine(p.Name, "grams × share of N",
                    $"{Say.Number(p.Grams)} g × {Say.Number(Shares[p.Kind].N * 100)} %", $"{Say.Number(p.Grams * Shares[p.Kind].N)} g N",
                    "common table figures; your own label comes first")),
                new("taken by the crop", "N-P-K per 100 m² and season", growing, $"{taken.N:0}-{taken.P:0}-{taken.K:0} g",
                    "usual middle of agronomic tables"),
            ]);
    }
}
