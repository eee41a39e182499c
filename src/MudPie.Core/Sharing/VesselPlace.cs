namespace MudPie.Core.Sharing;

/// <summary>Where a shared vessel is, seen from one holding.</summary>
public enum Whereabouts
{
    /// <summary>This holding has it.</summary>
    Here,

    /// <summary>It was handed to this holding, which has to look at it and say how it came.</summary>
    Coming,

    /// <summary>This holding handed it on, and it was not received yet.</summary>
    Going,

    /// <summary>Others have it.</summary>
    Elsewhere,
}

/// <summary>The last time a vessel went somewhere.</summary>
/// <param name="From">Who gave it, by the name at the box.</param>
/// <param name="To">To whom.</param>
/// <param name="Received">It was received.</param>
public sealed record Went(string From, string To, bool Received);

/// <summary>Somebody to whom a vessel can be handed.</summary>
/// <param name="Holding">By its name at the box.</param>
/// <param name="Called">What it calls itself.</param>
/// <param name="From">From when it is booked; null where it goes home.</param>
public sealed record HandTo(string Holding, string Called, DateTimeOffset? From);

/// <summary>Where a shared vessel is, and where it goes next.</summary>
public static class VesselPlace
{
    /// <summary>Who has it, by the name at the box: its owner until it went somewhere; null while it is on its way.</summary>
    public static string? Has(string owner, Went? last) => last is null ? owner : last.Received ? last.To : null;

    /// <summary>Where it is.</summary>
    /// <param name="owner">Whose it is.</param>
    /// <param name="last">The last time it went somewhere; null for never.</param>
    /// <param name="here">Who asks.</param>
    /// <returns>Handed by North Field to South Field and not received: going for the one, coming for the other, elsewhere for all
    /// else.</returns>
    public static Whereabouts Of(string owner, Went? last, string here) => last is { Received: false }
        ? last.To == here ? Whereabouts.Coming : last.From == here ? Whereabouts.Going : Whereabouts.Elsewhere
        : Has(owner, last) == here ? Whereabouts.Here : Whereabouts.Elsewhere;

    /// <summary>To whom it can be handed, whose turn it is first: those who have it booked, and its owner.</summary>
    /// <param name="owner">Whose it is.</param>
    /// <param name="called">What that holding calls itself.</param>
    /// <param name="here">Who has it.</param>
    /// <param name="standing">All bookings that stand.</param>
    /// <param name="now">Now.</param>
    public static IReadOnlyList<HandTo> Next(string owner, string called, string here, IEnumerable<Booked> standing, DateTimeOffset now)
    {
        var ahead = standing.Where(b => b.By != here && b.Until > now).OrderBy(b => b.From).DistinctBy(b => b.By)
            .Select(b => new HandTo(b.By, b.Called, b.From)).ToList();
        return owner == here || ahead.Any(h => h.Holding == owner) ? ahead : [.. ahead, new HandTo(owner, called, null)];
    }
}
