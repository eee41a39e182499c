using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>What goes in: foods by what the air carries, what else could be added, sources and foods alike, and what each of it does.</summary>
internal static class PlanFoods
{
    private const double Margin = 0.5;      // mg/L above the line that the house keeps in its own recipe

    /// <summary>The recipe's foods, as much of them as the air carries with a margin; or the grower's own.</summary>
    public static (IReadOnlyList<PlanAmount> Foods, double Share) ChooseFoods(
        BrewPlanQuestion q, BrewQuestion brew, string bias, double brewL, string school, PlanTiming timing)
    {
        bool OnShelf(string kind) => q.FoodsOnShelf is null || q.FoodsOnShelf.Contains(kind);
        if (q.Foods is not null)
        {
            return ([.. q.Foods.Select(f => Amount(Ingredients.Food(f.Kind)!, f.Ml ?? 0, OnShelf(f.Kind!), brewL) with { AtH = f.AtH ?? 0 })], 1);
        }

        var recipe = Recipe.FoodsPer20L(bias).Where(f => OnShelf(f.Kind)).ToList();
        if (recipe.Count == 0)
        {
            recipe = [.. Recipe.FoodsPer20L(bias)];
        }

        var trial = brew with { StartHour = timing.ClockHour(timing.StartFor(24)) };
        IReadOnlyList<FoodAmount> At(double share) => [.. recipe.Select(f => new FoodAmount { Kind = f.Kind, Ml = f.Ml * share * brewL / 20 })];
        bool Carries(double share) => BrewRun.Holds(trial with { Foods = At(share), Hours = 36 }, BrewRun.Line + Margin);
        var best = school switch
        {
            "rich" => 1.5,
            "light" => 0.4,
            "none" => 0,
            _ => MostTenths(Carries),
        };
        return ([.. recipe.Select(f => Amount(Ingredients.Food(f.Kind)!, RoundMl(f.Ml * best * brewL / 20), OnShelf(f.Kind), brewL)).Where(f => f.Litres > 0)], best);
    }

    /// <summary>Foods not in it yet, each with 0.3 mL per litre to begin with, as small a dose as any school starts from.</summary>
    public static List<PlanAmount> Addable(BrewPlanQuestion q, IReadOnlyList<PlanAmount> foods, double brewL) =>
        [.. Ingredients.Foods.Where(k => foods.All(f => f.Kind != k.Kind))
            .Select(k => Amount(k, RoundMl(Math.Max(0.3 * brewL, 1)), q.FoodsOnShelf is null || q.FoodsOnShelf.Contains(k.Kind), brewL))];

    /// <summary>What is said of the source, and of each that goes in with it: the gravest.</summary>
    public static SourceRuling? Gravest(BrewPlanQuestion q, string first)
    {
        var all = (q.MoreSources ?? []).Select(m => m.Kind).Prepend(first).Select(k => q.SourceRulings.GetValueOrDefault(k!)).OfType<SourceRuling>().ToList();
        return all.FirstOrDefault(r => r.Fitness == SourceFitness.Unfit) ?? all.FirstOrDefault();
    }

    /// <summary>Sources that are not in it yet, each with half of what the first is to begin with.</summary>
    public static List<PlanAmount> AddableSources(BrewPlanQuestion q, string first, double firstL, double brewL) =>
        [.. Ingredients.Sources.Where(s => s.Kind != first && (q.MoreSources ?? []).All(m => m.Kind != s.Kind))
            .Select(s => new PlanAmount(s.Kind, s.Name, BrewPlan.RoundSmall(firstL / 2), true, brewL * 0.12))];

    /// <summary>The most in tenths that is carried, by halving: less food never lowers the oxygen.</summary>
    private static double MostTenths(Func<double, bool> carries)
    {
        var (low, high) = (0, 11);
        while (high - low > 1)
        {
            var middle = high == 11 && low == 0 ? 10 : (low + high) / 2;
            (low, high) = carries(middle / 10.0) ? (middle, high) : (low, middle);
        }

        return low / 10.0;
    }

    private static PlanAmount Amount(FoodKind kind, double ml, bool onShelf, double brewL) =>
        new(kind.Kind, kind.Name, ml / 1000, onShelf, brewL * 0.003);

    public static List<FoodEffect> Effects(BrewQuestion brew, double hours)
    {
        var all = BrewPlan.Solve(brew, hours);
        return [.. brew.Foods!.Select(f => Ingredients.Food(f.Kind)!.Kind).Distinct().Select(kind =>
        {
            var without = BrewPlan.Solve(brew with { Foods = [.. brew.Foods!.Where(f => Ingredients.Food(f.Kind)!.Kind != kind)] }, hours);
            return new FoodEffect(kind, all.MinOxygen - without.MinOxygen, all.FungalShare - without.FungalShare);
        })];
    }

    private static double RoundMl(double ml) => ml < 30 ? Math.Round(ml) : ml < 300 ? Math.Round(ml / 5) * 5 : Math.Round(ml / 10) * 10;
}
