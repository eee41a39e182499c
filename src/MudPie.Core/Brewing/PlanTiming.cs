using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Works the schedule backwards from the hour of use.</summary>
internal sealed class PlanTiming(DateTimeOffset useAt, DateTimeOffset now, double brewL, double clearMinutes, bool tea, UnitSystem units, Func<DateTimeOffset, DateTimeOffset> local)
{
    /// <summary>An extract: one load dunked and squeezed, with time to lift the bag.</summary>
    public const double DunkHours = 20.0 / 60;

    private const double CheckMinutes = 10, StripMinutes = 5, SourceMinutes = 15, FoodMinutes = 10, ShopMinutes = 60;
    private readonly double _strainMinutes = 10 + (brewL / 10);
    private readonly double _sprayerMinutes = 15 + (brewL / 20);
    private readonly double _fillMinutes = 5 + (brewL / 12);

    /// <summary>When the source must go in for a brew of so many hours.</summary>
    public DateTimeOffset StartFor(double hours) => FiveMinutes(useAt.AddMinutes(-_sprayerMinutes - _strainMinutes - CheckMinutes).AddHours(-hours));

    /// <summary>Clock hour in the holding's zone, 0 to 24.</summary>
    public double ClockHour(DateTimeOffset at) => local(at).TimeOfDay.TotalHours;

    /// <summary>"07:10", or "07:10 on 3 May" where it is another day than now.</summary>
    public string Clock(DateTimeOffset at) => Clock(at, now, local);

    /// <inheritdoc cref="Clock(DateTimeOffset)"/>
    public static string Clock(DateTimeOffset at, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local) =>
        local(at).ToString(local(at).Date == local(now).Date ? "HH:mm" : "HH:mm 'on' d MMM", System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>All the steps, first thing first.</summary>
    public IReadOnlyList<PlanStep> Steps(
        double hours, double litres, ChlorineDoseAnswer water, string source, double sourceL, IReadOnlyList<PlanAmount> foods, string order)
    {
        var start = StartFor(hours);
        var strip = start.AddMinutes(-StripMinutes);
        var clear = strip.AddMinutes(-clearMinutes);
        var fill = clear.AddMinutes(-_fillMinutes);
        var dose = water.Minutes == 0 ? "Nothing to clear: the strip read zero." : water.Amount is { } a ? $"{Say.Number(a)} {water.Unit} of {water.Name}, stir, wait {Say.Minutes(water.Minutes)}." : $"{water.Name}, {Say.Minutes(water.Minutes)} to {Say.Minutes(water.MinutesAtMost)}.";
        var off = start.AddHours(hours);
        var list = new List<PlanStep>
        {
            new("shop", "Shop and clean", "Everything on the list to hand; vessel, hose and outlet brushed clean.", fill.AddMinutes(-ShopMinutes), ShopMinutes),
            new("fill", "Fill", $"{Volume(litres)} of water; air on.", fill, _fillMinutes),
            new("clear", "Clear the water", dose, clear, clearMinutes),
            new("strip", "Strip", "Read a strip: it must say zero before any biology goes in.", strip, StripMinutes),
        };
        var bag = new PlanStep("source", tea ? "Source" : "Dunk", tea
            ? $"{Volume(sourceL)} of {source} in the bag; rub it until the water is dark."
            : $"{Volume(sourceL)} of {source} in the bag; dunk and squeeze gently for 1 to 2 minutes.", start, tea ? SourceMinutes : DunkHours * 60);
        list.Add(bag);
        if (tea && foods.Count > 0)
        {
            var food = new PlanStep("foods", "Foods", string.Join(", ", foods.Select(f => $"{Volume(f.Litres)} {f.Name}")) + ".", start.AddMinutes(SourceMinutes), FoodMinutes);
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

        list.Add(new("check", "Check", "Oxygen, smell, foam: fit to use?", off, CheckMinutes));
        list.Add(new("strain", "Strain", "Air off, bag out, through the mesh.", off.AddMinutes(CheckMinutes), _strainMinutes));
        list.Add(new("sprayer", "Fill the sprayer", "Water for diluting cleared as well; strip at zero.", off.AddMinutes(CheckMinutes + _strainMinutes), _sprayerMinutes));
        list.Add(new("use", "Put it out", "Wash up at once afterwards.", useAt, 60));
        return list;
    }

    private string Volume(double litres) => Units.Show(litres, Dimension.Volume, units);

    private static DateTimeOffset FiveMinutes(DateTimeOffset at)
    {
        var ticks = TimeSpan.FromMinutes(5).Ticks;
        return new DateTimeOffset(at.Ticks / ticks * ticks, at.Offset);
    }
}
