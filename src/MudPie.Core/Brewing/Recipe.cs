using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Places to start for what goes in a brew, per 20 L, and how they scale.</summary>
internal static class Recipe
{
    /// <summary>Foods per 20 L in mL, by bias: practitioners' places to start.</summary>
    public static IReadOnlyList<(string Kind, double Ml)> FoodsPer20L(Bias bias) => bias switch {
        Bias.Bacterial => [("fishHydrolysate", 8), ("kelpLiquid", 10), ("molasses", 5)],
        Bias.Fungal => [("fishHydrolysate", 15), ("kelpLiquid", 15), ("humicLiquid", 15), ("oatFlour", 5)],
        _ => [("fishHydrolysate", 15), ("kelpLiquid", 15)],
    };

    /// <summary>Source per 20 L in L: 1.2 of compost or 0.65 of castings up to 20 L, falling evenly by ratio to a fifth of that at 250 L
    /// and more.</summary>
    public static double SourcePer20L(string kind, double brewL)
    {
        var bucket = kind == "castings" ? 0.65 : 1.2;
        var share = Math.Clamp(Math.Log(brewL / 20) / Math.Log(250.0 / 20), 0, 1);
        return bucket * Math.Pow(0.2, share);
    }

    /// <summary>Extract: 0.85 L a load per 20 L, one load.</summary>
    public static double ExtractLoadPer20L => 0.85;

    /// <summary>Bias by what grows: the house choice without a count.</summary>
    public static Bias BiasByCrop(IEnumerable<PlanBed> beds)
    {
        var woody = beds.Where(b => b.Growing is "perennial" or "tree").Sum(b => b.AreaM2);
        var soft = beds.Where(b => b.Growing is not ("perennial" or "tree")).Sum(b => b.AreaM2);
        return woody > 3 * soft ? Bias.Fungal : soft > 3 * woody ? Bias.Bacterial : Bias.Balanced;
    }

    /// <summary>Bias by soil pH: alkaline ground fungal, acid ground bacterial; null where no pH is known.</summary>
    public static Bias? BiasByPh(IReadOnlyList<PlanBed> beds)
    {
        var known = beds.Where(b => b.SoilPh is not null).ToList();
        var area = known.Sum(b => b.AreaM2);
        return known.Count == 0 ? null : (known.Sum(b => b.SoilPh!.Value * b.AreaM2) / area) switch {
            > 7.2 => Bias.Fungal,
            < 6.3 =>
            Bias.Bacterial,
            _ => Bias.Balanced
        };
    }

    /// <summary>The fork over bias, with what each school gives here.</summary>
    public static Fork BiasFork(IReadOnlyList<PlanBed> beds, string chosen, Bias? byCount = null)
    {
        var byPh = BiasByPh(beds);
        return new Fork(
            "bias",
            "Bacterial or fungal?",
            [
                new("crop", "by what grows", $"{BiasByCrop(beds).Word()}: annuals and grass bacterial, perennials and trees fungal"),
                new("ph", "by soil pH", byPh is null
                    ? "no pH is known for these beds" : $"{byPh.Value.Word()}: alkaline ground fungal, acid ground bacterial"),
                new("count", "by count", byCount is null ? "no count is known for this source: a microscope or a lab tells"
                    : $"the source counts as {byCount.Value.Word()}: feed what it has little of"),
            ],
            byCount is null ? "crop" : "count",
            chosen,
            byCount is null ? "A count would settle it; without one, what grows there is the better guess of two weak ones."
                : "A count is the only one of the three that looked.",
            byCount is null ? Evidence.Contested : Evidence.MeasuredHere,
            "The source and the foods.");
    }
}
