using MudPie.Core.Judging;
using MudPie.Records.Judging;

namespace MudPie.Server.Judging;

/// <summary>Visits with a refractometer as pages show them.</summary>
internal static class BrixViews
{
    internal static BrixVisitView? View(BrixVisit? v) => v is null ? null : new(
        v.Id, v.At, v.LeafPosition, v.Sky, v.MeterCorrects, v.TemperatureC, [.. v.Readings.Select(r => r.AsRead)],
        [.. v.Readings.Select(r => r.At20)], BrixReadings.Value([.. v.Readings.Select(r => r.At20)]), v.Dry, v.Weed, v.Stage, v.Stress,
        null, v.CorrectsId);

    internal static BrixSet Set(BrixVisit v, Func<DateTimeOffset, DateTimeOffset> local) =>
        new([.. v.Readings.Select(r => r.At20)], v.LeafPosition, local(v.At).TimeOfDay.TotalHours, v.Sky);
}
