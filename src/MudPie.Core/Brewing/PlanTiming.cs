using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Works the schedule backwards from the hour of use.</summary>
internal sealed class PlanTiming(DateTimeOffset useAt, DateTimeOffset now, double brewL, double clearMinutes, double thinningMinutes,
    RaceAnswer? race, Making making, UnitSystem units, Func<DateTimeOffset, DateTimeOffset> local)
{
    /// <summary>An extract: one load dunked and squeezed, with time to lift the bag.</summary>
    public const double DunkHours = 20.0 / 60;

    /// <summary>Hours from the source going in to its coming out: 20 min and 5 more a load for dunking, 3½ h of bubbles, two days of
    /// steeping.</summary>
    public static double HoursOf(Making making, int loads) =>
        making switch { Making.Bubbled => 3.5, Making.Steep => 48, _ => DunkHours + ((loads - 1) * 5.0 / 60) };

    private const double CheckMinutes = 10, StripMinutes = 5, SourceMinutes = 15, FoodMinutes = 10, ShopMinutes = 60;
    private readonly double _setUpMinutes = 10 + (brewL / 20);
    private readonly double _fillMinutes = 5 + (brewL / 12);

    /// <summary>When the source must go in for a brew of so many hours: the air stays on through the check and the setting up, until the
    /// last draw.</summary>
    public DateTimeOffset StartFor(double hours) => FiveMinutes(useAt.AddMinutes(-_setUpMinutes - CheckMinutes).AddHours(-hours));

    /// <summary>Minutes on air between the source's coming out and the first draw: check and setting up.</summary>
    public double WaitMinutes => _setUpMinutes + CheckMinutes;

    /// <summary>The hour of use: the first draw.</summary>
    public DateTimeOffset UseAt => useAt;

    /// <summary>Clock hour in the holding's zone, 0 to 24.</summary>
    public double ClockHour(DateTimeOffset at) => local(at).TimeOfDay.TotalHours;

    /// <inheritdoc cref="Say.Clock"/>
    public string Clock(DateTimeOffset at) => Say.Clock(at, now, local);

    /// <summary>All the steps, first thing first.</summary>
    public IReadOnlyList<PlanStep> Steps(
        double hours, double litres, ChlorineDoseAnswer water, (double Litres, ChlorineDoseAnswer Dose) thinning, string source,
        double sourceL, IReadOnlyList<SourceAmount> more, int loads, IReadOnlyList<PlanAmount> foods, string order)
    {
        var start = StartFor(hours);
        var list = Water(start, litres, water);
        var bag = Bag(start, source, sourceL, more, loads, foods);
        list.Add(bag);
        Feed(list, bag, start, foods, order);
        // Thinning water is a task of its own: cleared before the first draw, and begun as early as its way of clearing wants.
        if (thinning.Litres > 0)
        {
            var needed = useAt.AddMinutes(-_setUpMinutes - StripMinutes);
            list.Add(new("thinning", "Water for thinning",
                $"{Volume(thinning.Litres)} in a vessel of its own: {char.ToLowerInvariant(WaterClearing.Says(thinning.Dose)[0])}"
                    + $"{WaterClearing.Says(thinning.Dose)[1..]} Strip at zero before the first draw.", needed.AddMinutes(-thinningMinutes),
                    Math.Max(thinningMinutes, StripMinutes)));
        }

        list.AddRange(Out());
        return [.. list.OrderBy(s => s.At)];
    }

    private List<PlanStep> Water(DateTimeOffset start, double litres, ChlorineDoseAnswer water)
    {
        var strip = start.AddMinutes(-StripMinutes);
        var clear = strip.AddMinutes(-clearMinutes);
        var fill = clear.AddMinutes(-_fillMinutes);
        var dose = WaterClearing.Says(water);
        return [
            new("shop", "Shop and clean", "Everything on the list to hand; vessel, hose and outlet brushed clean.",
                fill.AddMinutes(-ShopMinutes), ShopMinutes),
            new("fill", "Fill",
                $"{Volume(litres)} of water{(making is Making.Extract or Making.Steep ? "" : "; air on")}."
                    + (litres >= 250 && making is not (Making.Extract or Making.Steep) ? " Bubble it 45 to 60 min first; pump, do not lift."
                        : litres >= 250 ? " Pump, do not lift." : ""), fill, _fillMinutes),
            new("clear", "Clear the water", dose, clear, clearMinutes),
            new("strip", "Strip", "Read a strip: it must say zero before any biology goes in.", strip, StripMinutes),
        ];
    }

    private PlanStep Bag(DateTimeOffset start, string source, double sourceL, IReadOnlyList<SourceAmount> more, int loads,
        IReadOnlyList<PlanAmount> foods)
    {
        var bagOf = $"{Volume(sourceL)} of {Named(source)}"
            + $"{string.Concat(more.Select(m => $" and {Volume(m.Litres ?? 0)} of {Named(m.Kind)}"))}";
        var with = foods.Count == 0 ? "" : $", with {string.Join(", ", foods.Select(f => $"{Volume(f.Litres)} {f.Name}"))}";
        var (bagName, bagSays) = making switch {
            Making.Tea => ("Source", $"{bagOf} in the bag; rub it until the water is dark."),
            Making.Bubbled => ("Bag in", $"{bagOf} in the bag, hung in the rising air; no food."),
            Making.Steep => ("Steep", $"{bagOf} loose in the water{with}, lid on loosely, no air; label it as a feed."),
            _ => ("Dunk", loads == 1 ? $"{bagOf} in the bag; dunk and squeeze gently for 1 to 2 minutes."
                : $"{loads} loads of {Volume(sourceL / loads)} of {Named(source)}, a fresh one each time; dunk and squeeze each gently "
                    + "for 1 to 2 minutes."),
        };
        return new PlanStep("source", bagName, bagSays, start, making == Making.Extract ? HoursOf(making, loads) * 60 : SourceMinutes);
    }

    private void Feed(List<PlanStep> list, PlanStep bag, DateTimeOffset start, IReadOnlyList<PlanAmount> foods, string order)
    {
        var tea = making == Making.Tea;
        string Fed(IEnumerable<PlanAmount> amounts) => string.Join(", ", amounts.Select(f => $"{Volume(f.Litres)} {f.Name}")) + ".";
        var first = foods.Where(f => f.AtH <= 0).ToList();
        if (tea && first.Count > 0)
        {
            var food = new PlanStep("foods", "Foods", Fed(first), start.AddMinutes(SourceMinutes), FoodMinutes);
            if (order == "food-first")
            {
                food = food with { At = start };
                list[^1] = bag with { At = start.AddMinutes(FoodMinutes) };
                list.Insert(list.Count - 1, food);
            }
            else
            {
                list.Add(food);
            }
        }

        foreach (var later in foods.Where(f => f.AtH > 0 && tea).GroupBy(f => f.AtH).OrderBy(g => g.Key))
        {
            list.Add(new($"feed-{later.Key:0.##}", $"Feed at {Say.Hours(later.Key)}", Fed(later), start.AddHours(later.Key), FoodMinutes));
        }
    }

    private IEnumerable<PlanStep> Out()
    {
        var setUp = useAt.AddMinutes(-_setUpMinutes);
        yield return new("check", "Check", making is Making.Extract ? "Strip, smell, source: fit to use?" : making is Making.Steep
            ? "Smell it; label it as a feed." : "Oxygen, smell, foam: fit to use? The air stays on.", setUp.AddMinutes(-CheckMinutes),
            CheckMinutes);
        yield return new("sprayer", "Set up", making is Making.Extract or Making.Steep
            ? "Sprayer clean, strainer in; the thinning water’s strip at zero."
            : "Sprayer clean, strainer in, the thinning water’s strip at zero; the air stays on until the last draw.", setUp,
            _setUpMinutes);
        yield return new("use", "First draw: put it out", race is null ? "Thin it, and wash up at once afterwards."
            : $"{race.Verdict.Sentence} {race.Verdict.Why}", useAt, Math.Max(race?.Times.DoneAtMin ?? 60, 5));
        if (race is not null && making is Making.Tea or Making.Bubbled)
        {
            yield return new("air-off", "Air off", "With the last draw, and no sooner.", useAt.AddMinutes(race!.LastDrawnAtMin), 2);
        }

        yield return new("wash", "Wash up", "Sprayer, vessel, hoses and bag, at once: a film left on them spoils the next brew.",
            useAt.AddMinutes((race?.Times.DoneAtMin ?? 60) + (race?.TravelMin ?? 0)), 30);
    }

    private static string Named(string? kind) => Ingredients.Source(kind)?.Name ?? kind ?? "";

    private string Volume(double litres) => Units.Show(litres, Dimension.Volume, units);

    private static DateTimeOffset FiveMinutes(DateTimeOffset at)
    {
        var ticks = TimeSpan.FromMinutes(5).Ticks;
        return new DateTimeOffset(at.Ticks / ticks * ticks, at.Offset);
    }
}
