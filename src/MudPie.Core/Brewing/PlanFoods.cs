using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>What goes in: foods by what the air carries, what else could be added, sources and foods alike, and what each of it
/// does.</summary>
internal static class PlanFoods
{
    // Enough to tell which members fall lowest; what is decided is decided by finer runs.
    private const double Roughly = 1e-2;

    /// <summary>Brews of a plan's forecast that may fall below 6 mg/L with the food that the house gives.</summary>
    public const double Let = 0.1;

    /// <summary>What a brew is fed: the amounts, their share of the usual recipe, and the share at which the middle brew stands at the
    /// edge.</summary>
    /// <param name="Foods">The amounts.</param>
    /// <param name="Share">Share of the usual recipe, 0 to 1.5; 1 for the grower's own.</param>
    /// <param name="Edge">Share that the middle brew just carries, 0 to 1; null where no margin was asked for.</param>
    /// <param name="At">The amounts at another share; null for the grower's own.</param>
    internal sealed record Fed(IReadOnlyList<PlanAmount> Foods, double Share, double? Edge, Func<double, IReadOnlyList<PlanAmount>>? At)
    {
        public static readonly Fed None = new([], 1, null, null);

        /// <summary>A tenth of the recipe less; null where there is no less, or where a grower chose it.</summary>
        public Fed? Less() => Edge is null || Share <= 0 ? null : this with {
            Share = Math.Round(Math.Max(Share - 0.1, 0), 1),
            Foods = At!(Math.Round(Math.Max(Share - 0.1, 0), 1))
        };
    }

    /// <summary>The recipe's foods, the most of them for which nine brews in ten stay above 6 mg/L; or the grower's own.</summary>
    /// <param name="q">The plan's question.</param>
    /// <param name="brew">The brew without its foods.</param>
    /// <param name="bias">"bacterial", "balanced" or "fungal".</param>
    /// <param name="brewL">Litres.</param>
    /// <param name="school">How much: "carry", "rich", "light" or "none".</param>
    /// <param name="startHour">Clock hour at which a brew with these foods begins.</param>
    public static Fed ChooseFoods(BrewPlanQuestion q, BrewQuestion brew, Bias bias, double brewL, string school,
        Func<BrewQuestion, double> startHour)
    {
        bool OnShelf(string kind) => q.FoodsOnShelf is null || q.FoodsOnShelf.Contains(kind);
        if (q.Foods is not null)
        {
            return new([.. q.Foods.Select(f => Amount(Ingredients.Food(f.Kind)!, f.Ml ?? 0, OnShelf(f.Kind!), brewL) with { AtH = f.AtH
                ?? 0 })], 1, null, null);
        }

        var recipe = Recipe.FoodsPer20L(bias).Where(f => OnShelf(f.Kind)).ToList();
        if (recipe.Count == 0)
        {
            recipe = [.. Recipe.FoodsPer20L(bias)];
        }

        IReadOnlyList<PlanAmount> At(double share) =>
            [.. recipe.Select(f => Amount(Ingredients.Food(f.Kind)!, RoundMl(f.Ml * share * brewL / 20), OnShelf(f.Kind), brewL))
                .Where(f => f.Litres > 0)];
        // Less food takes longer, so each share begins at an hour of its own.
        BrewQuestion Trial(double share)
        {
            var fed = brew.With(At(share));
            return fed with { StartHour = startHour(fed), Hours = FitToUse.OldestH };
        }

        (double Share, double? Edge) chosen = school switch {
            "rich" => (1.5, null),
            "light" => (0.4, null),
            "none" => (0, null),
            _ => ByMargin(Trial, q.Prior),
        };
        return new(At(chosen.Share), chosen.Share, chosen.Edge, At);
    }

    /// <summary>The share of their own foods, in tenths, for which nine brews in ten stay above 6 mg/L, and the edge, for those who feed by
    /// hand.</summary>
    public static (double Share, double Edge) OfTheirOwn(BrewQuestion brew, IReadOnlyList<PlanAmount> foods, Prior? prior)
    {
        var (share, edge) =
            ByMargin(s => (brew with { Hours = FitToUse.OldestH }).With([.. foods.Select(f => f with { Litres = f.Litres * s })]), prior);
        return (share, edge!.Value);
    }

    /// <summary>
    /// The most food, in tenths, for which nine members in ten stay above 6 mg/L over 36 h, and the most for which the middle brew does.
    /// More food never raises the oxygen, so both are found by halving; and since members keep nearly the same order by how low they fall,
    /// the one in ten
    /// is asked, and then the weakest dozen at the share found and at the next.
    /// </summary>
    private static (double Share, double? Edge) ByMargin(Func<double, BrewQuestion> at, Prior? prior)
    {
        var edge = MostTenths(share => BrewRun.Holds(at(share), BrewRun.Line), 10);
        if (edge == 0)
        {
            return (0, 0);
        }

        var drawn = Ensemble.Draw(BrewPlan.Members, 1, prior).Logs.Select(l => Multipliers.FromLogs(l)).ToArray();
        var lowest = new double[drawn.Length];
        var edgewise = at(edge / 10.0).MakeReady().Setup!;
        Parallel.For(0, drawn.Length, i => lowest[i] = BrewRun.Lowest(edgewise, drawn[i], Roughly).MinOxygen);
        var weakest = Enumerable.Range(0, drawn.Length).OrderBy(i => lowest[i]).Take(12).Select(i => drawn[i]).ToArray();
        var let = (int)Math.Floor((Let * drawn.Length) + 1e-9);
        bool NineInTen(double share)
        {
            var setup = at(share).MakeReady().Setup!;
            var fallen = 0;
            Parallel.ForEach(weakest, member => Interlocked.Add(ref fallen, BrewRun.Holds(setup, BrewRun.Line, member) ? 0 : 1));
            return fallen <= let;
        }

        var most = MostTenths(share => BrewRun.Holds(at(share), BrewRun.Line, weakest[let]), edge);
        while (most > 0 && !NineInTen(most / 10.0))
        {
            most--;
        }

        while (most < edge && NineInTen((most + 1) / 10.0))
        {
            most++;
        }

        return (most / 10.0, edge / 10.0);
    }

    /// <summary>How much of what it is fed is carried, and where the edge is.</summary>
    /// <param name="Says">In a sentence; null where there is nothing to say.</param>
    /// <param name="Carried">Of each food, the part of its amount with which nine brews in ten stay above 6 mg/L, 0 or more; null where it
    /// was not asked.</param>
    /// <param name="Edge">The part with which the middle brew stands at 6 mg/L.</param>
    internal sealed record Margin(string? Says, double? Carried = null, double? Edge = null);

    /// <summary>Where the edge is, and how far this food stays from it.</summary>
    public static Margin MarginOf(BrewPlanQuestion q, BrewQuestion brew, Fed fed, double below)
    {
        if (fed.Edge is { } edge)
        {
            return new(HouseSays(fed, edge), fed.Share > 0 ? 1 : null, fed.Share > 0 ? edge / fed.Share : null);
        }

        if (fed.Foods.Count == 0 || below <= Let + 1e-9)
        {
            return new(null);
        }

        var (carried, middle) = OfTheirOwn(brew, fed.Foods, q.Prior);
        var share = Math.Min(carried, 0.9); // all of it was asked of the forecast just now, and is too much
        return new(share == 0 ? "No food leaves nine brews in ten above 6 mg/L here."
            : $"Nine brews in ten would stay above 6 mg/L with {Say.Number(share * 100, 2)} % of this food; the middle "
                + $"one {(middle >= 1 ? "carries all of it" : $"stands at the edge with {Say.Number(middle * 100, 2)} %")}.", share,
            middle);
    }

    private static string HouseSays(Fed fed, double edge) => edge == 0
        ? "Even with a tenth of the usual food the middle brew falls below 6 mg/L here: none is put in."
        : fed.Share == 0 ? "No food leaves nine brews in ten above 6 mg/L here: none is put in. The middle brew would stand at the edge "
            + $"with {Percent(edge)}."
        : fed.Share >= 1 ? "All of the usual food: nine brews in ten stay above 6 mg/L with it."
        : $"{Percent(fed.Share)} is the most for which nine brews in ten stay above 6 mg/L; the middle "
            + $"one {(edge >= 1 ? "carries all of it"
                : edge > fed.Share ? $"stands at the edge with {Say.Number(edge * 100, 2)} %"
                : "carries no tenth more")}.";

    private static string Percent(double share) => $"{Say.Number(share * 100, 2)} % of the usual food";

    /// <summary>Foods not in it yet, each with 0.3 mL per litre to begin with, as small a dose as any school starts from.</summary>
    public static List<PlanAmount> Addable(BrewPlanQuestion q, IReadOnlyList<PlanAmount> foods, double brewL) =>
        [.. Ingredients.Foods.Where(k => foods.All(f => f.Kind != k.Kind))
            .Select(k => Amount(k, RoundMl(Math.Max(0.3 * brewL, 1)), q.FoodsOnShelf is null || q.FoodsOnShelf.Contains(k.Kind), brewL))];

    /// <summary>What is said of the source, and of each that goes in with it: the gravest.</summary>
    public static SourceRuling? Gravest(BrewPlanQuestion q, string first)
    {
        var all = (q.MoreSources ?? []).Select(m => m.Kind).Prepend(first).Select(k => q.SourceRulings.GetValueOrDefault(k!))
            .OfType<SourceRuling>().ToList();
        return all.FirstOrDefault(r => r.Fitness == SourceFitness.Unfit) ?? all.FirstOrDefault();
    }

    /// <summary>Sources that are not in it yet, each with half of what the first is to begin with.</summary>
    public static List<PlanAmount> AddableSources(BrewPlanQuestion q, string first, double firstL, double brewL) =>
        [.. Ingredients.Sources.Where(s => s.Kind != first && (q.MoreSources ?? []).All(m => m.Kind != s.Kind))
            .Select(s => new PlanAmount(s.Kind, s.Name, BrewPlan.RoundSmall(firstL / 2), true, brewL * 0.12))];

    /// <summary>The most tenths that are carried, by halving.</summary>
    private static int MostTenths(Func<double, bool> carries, int most)
    {
        var (low, high) = (0, most + 1);
        while (high - low > 1)
        {
            var middle = high == most + 1 && low == 0 ? most : (low + high) / 2;
            (low, high) = carries(middle / 10.0) ? (middle, high) : (low, middle);
        }

        return low;
    }

    private static PlanAmount Amount(FoodKind kind, double ml, bool onShelf, double brewL) =>
        new(kind.Kind, kind.Name, ml / 1000, onShelf, brewL * 0.003);

    /// <summary>The brew with these foods in it.</summary>
    public static BrewQuestion With(this BrewQuestion brew, IReadOnlyList<PlanAmount> foods) =>
        brew with { Foods = [.. foods.Select(f => new FoodAmount { Kind = f.Kind, Ml = f.Litres * 1000, AtH = f.AtH })] };

    /// <summary>What each food does until use: the table's brew with it against without.</summary>
    public static List<FoodEffect> Effects(BrewQuestion brew, double hours)
    {
        var until = brew with { Hours = Math.Max(hours, 1) };
        var all = BrewRun.Lowest(until, Multipliers.Table);
        return [.. brew.Foods!.Select(f => Ingredients.Food(f.Kind)!.Kind).Distinct().Select(kind =>
        {
            var without = BrewRun.Lowest(until with { Foods = [.. brew.Foods!.Where(f => Ingredients.Food(f.Kind)!.Kind != kind)] },
                Multipliers.Table);
            return new FoodEffect(kind, all.MinOxygen - without.MinOxygen, all.FungalShare - without.FungalShare);
        })];
    }

    private static double RoundMl(double ml) => ml < 30 ? Math.Round(ml) : ml < 300 ? Math.Round(ml / 5) * 5 : Math.Round(ml / 10) * 10;
}
