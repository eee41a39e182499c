using MudPie.Core.Workings;
using MudPie.Server.Copies;
using MudPie.Server.Web;

namespace MudPie.Server.Today;

/// <summary>A copy that is too old, or could not be made.</summary>
internal static class TodayCopies
{
    public static async Task<List<TodayItem>> Of(CopyShelf shelf, HoldingClock clock)
    {
        if (!shelf.Nightly || await clock.Find() is not { } holding)
        {
            return [];
        }

        var local = (await clock.Local())(clock.Now);
        var (beside, second) = (shelf.HowBeside(local), shelf.HowSecond(local, holding.Own));
        if ((beside.Old ? beside : second is { Old: true } ? second : null) is not { } old || (old.Trouble ?? $"{old.Newest}").Length == 0)
        {
            return []; // all is well, or the first one is on its way
        }

        var title = old != beside ? "The second place has no new copy"
            : old.AgeDays is { } days ? $"The last copy is {Say.Number(days)} days old" : "There is no copy of the holding";
        return [new("copy", 1, title, old.Trouble ?? "none was made since", "See the copies", "/keep/people", clock.Now)];
    }
}
