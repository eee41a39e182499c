namespace MudPie.Core.Workings;

/// <summary>How long whoever asked is willing to wait. Long sums look here at every turn and leave off when it is over; no figure depends
/// on it.</summary>
/// <remarks>It goes with the flow of the call, also into parallel loops, so that a sum need not hand it from function to
/// function.</remarks>
public static class Patience
{
    private static readonly AsyncLocal<CancellationToken> Held = new();

    /// <summary>Sets it for everything that is called from here on.</summary>
    public static void Until(CancellationToken over) => Held.Value = over;

    /// <summary>Goes on, or leaves off.</summary>
    /// <exception cref="OperationCanceledException">It is over.</exception>
    public static void Check() => Held.Value.ThrowIfCancellationRequested();

    /// <summary>To look at many times in a row, where even to find it would take too long.</summary>
    public static CancellationToken Over => Held.Value;
}
