using MudPie.Records;

namespace MudPie.Server.Web;

/// <summary>Who wrote a line of the record, and when it came.</summary>
/// <param name="By">Their name; null where nobody had to sign in, or a machine wrote it.</param>
/// <param name="Received">When it was received, where that was more than five minutes after the hour it is of; null else.</param>
public sealed record WroteView(string? By, DateTimeOffset? Received);

/// <summary>How a line of the record says who wrote it.</summary>
internal static class WroteViews
{
    private static readonly TimeSpan Late = TimeSpan.FromMinutes(5);

    /// <summary>Who wrote a row; null for what nobody wrote, and where nothing is to be told of it.</summary>
    /// <param name="wrote">From <see cref="Whose.Wrote"/>.</param>
    /// <param name="row">Its number.</param>
    /// <param name="of">The hour it is of.</param>
    public static WroteView? Told(this IReadOnlyDictionary<int, Deed> wrote, int row, DateTimeOffset of)
    {
        if (wrote.GetValueOrDefault(row) is not { } deed)
        {
            return null;
        }

        DateTimeOffset? received = deed.At - of > Late ? deed.At : null;
        return deed.By is null && received is null ? null : new WroteView(deed.By, received);
    }
}
