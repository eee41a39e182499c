using MudPie.Server.Mixing;

namespace MudPie.Server.Today;

/// <summary>What jobs of mixing want done.</summary>
internal static class TodayMixing
{
    /// <summary>One thing of each job at most.</summary>
    public static async Task<List<TodayItem>> Of(MixDesk desk) => [.. (await desk.Dues()).Select(d => new TodayItem(
        $"mix-{d.Due.Rule}-{d.Id}", d.Due.Urgency, d.Due.Title, d.Due.Detail, d.Due.Action, $"/make/mix/{d.Id}",
        new DateTimeOffset(d.Due.On.ToDateTime(new TimeOnly(8, 0)), TimeSpan.Zero)))];
}
