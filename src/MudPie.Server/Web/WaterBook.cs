using Microsoft.EntityFrameworkCore;
using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Records;

namespace MudPie.Server.Web;

/// <summary>Rain and watering of one bed over a span of time, read once: what fell between any two moments of it.</summary>
/// <remarks>A day on which a gauge was read goes by the gauge; any other by the weather that is known. A span of which less than half the
/// days are known has no rain that is known.</remarks>
public sealed class WaterBook
{
    private readonly List<(DateTimeOffset At, double Mm)> _gauge, _watered;
    private readonly Dictionary<DateOnly, double> _weather;
    private readonly Func<DateTimeOffset, DateTimeOffset> _local;
    private readonly UnitSystem _units;

    private WaterBook(List<(DateTimeOffset At, double Mm)> gauge, List<(DateTimeOffset At, double Mm)> watered,
        Dictionary<DateOnly, double> weather, Func<DateTimeOffset, DateTimeOffset> local, UnitSystem units) =>
        (_gauge, _watered, _weather, _local, _units) = (gauge, watered, weather, local, units);

    /// <summary>Reads it.</summary>
    public static async Task<WaterBook> Of(HoldingDb db, HoldingClock clock, int bed, DateTimeOffset from, DateTimeOffset to)
    {
        var local = await clock.Local();
        var log = await db.FieldLog.ThatStand().AsNoTracking().Where(f => f.Mm != null && f.At >= from && f.At <= to
                && (f.BedId == bed || (f.BedId == null && f.Deed == FieldDeed.Rain)))
            .Select(f => new { f.Deed, f.At, Mm = f.Mm!.Value }).ToListAsync();
        var weather = (await db.Weather.AsNoTracking().Where(w => w.At >= from && w.At <= to).Select(w => new { w.At, w.RainMm })
            .ToListAsync()).GroupBy(w => DateOnly.FromDateTime(local(w.At).DateTime)).ToDictionary(g => g.Key, g => g.Sum(w => w.RainMm));
        return new WaterBook([.. log.Where(f => f.Deed == FieldDeed.Rain).Select(f => (f.At, f.Mm))],
            [.. log.Where(f => f.Deed != FieldDeed.Rain).Select(f => (f.At, f.Mm))], weather, local, await clock.Units());
    }

    /// <summary>Between two moments of it.</summary>
    public WaterBetweenAnswer Between(DateTimeOffset from, DateTimeOffset to)
    {
        DateOnly Day(DateTimeOffset at) => DateOnly.FromDateTime(_local(at).DateTime);
        var read = _gauge.Where(g => g.At > from && g.At <= to).ToList();
        var days = read.Select(g => Day(g.At)).ToHashSet();
        var (first, last) = (Day(from), Day(to));
        var known = _weather.Where(w => w.Key >= first && w.Key <= last && !days.Contains(w.Key)).ToList();
        var of = last.DayNumber - first.DayNumber + 1;
        // A gauge that is written down when it rained says that it did not on the other days.
        var rain = read.Count == 0 && known.Count * 2 < of ? (double?)null : read.Sum(g => g.Mm) + known.Sum(w => w.Value);
        return WaterBetween.Of(rain, _watered.Where(w => w.At > from && w.At <= to).Sum(w => w.Mm), _units);
    }
}
