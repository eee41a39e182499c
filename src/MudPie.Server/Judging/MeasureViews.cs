using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Records.Shelf;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>What a trial measures, as pages show it.</summary>
internal static class MeasureViews
{
    /// <summary>Measures with the dates that they have figures on.</summary>
    public static List<MeasureView> Measures(Trial t, IReadOnlyList<DatedFigure> readings) =>
        [.. t.Measures.OrderBy(m => m.Order).Select(m =>
        {
            var mine = readings.Where(r => r.MeasureId == m.Id).ToList();
            return new MeasureView(m.Id, m.Name, m.Unit, m.Kind, m.Low, m.High, m.LowerIsBetter, m.OutOf, m.Dates,
                [.. mine.Select(r => r.On).Distinct().Order()], mine.Count);
        })];
}
