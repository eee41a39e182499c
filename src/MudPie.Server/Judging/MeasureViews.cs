using MudPie.Core.Judging.Trials;
using MudPie.Records.Judging;

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
