namespace MudPie.Core.Ground;

/// <summary>What grew on a bed, from when to when.</summary>
/// <param name="Id">Its number.</param>
/// <param name="BedId">Where.</param>
/// <param name="Crop">What.</param>
/// <param name="From">Since when; null: since before it was written down.</param>
/// <param name="To">Until when; null: it stands.</param>
public sealed record PlantingSpan(int Id, int BedId, string Crop, DateTimeOffset? From, DateTimeOffset? To);

/// <summary>Plantings: readings, uses, harvests and trials hang on what stood there then, and not on a word.</summary>
public static class Plantings
{
    /// <summary>What a harvest or a reading of a moment is of: what stood there, else what had ended last; null where nothing is
    /// written down.</summary>
    /// <param name="all">Plantings of that bed.</param>
    /// <param name="at">When.</param>
    /// <remarks>Oats until 20 July, clover since 25 July: on 22 July oats, which were cut and are weighed late.</remarks>
    public static PlantingSpan? Of(IReadOnlyList<PlantingSpan> all, DateTimeOffset at) =>
        At(all, at) ?? all.Where(p => p.To <= at).MaxBy(p => (p.To!.Value, p.Id));

    /// <summary>What stood on a bed at a moment; of several the one that began last. Null where nothing did.</summary>
    /// <param name="all">Plantings of that bed.</param>
    /// <param name="at">When.</param>
    /// <remarks>Oats since March until 20 July, clover since 25 July: in June oats, on 22 July nothing, in August clover.</remarks>
    public static PlantingSpan? At(IEnumerable<PlantingSpan> all, DateTimeOffset at) =>
        all.Where(p => (p.From is null || p.From <= at) && (p.To is null || p.To > at))
            .MaxBy(p => (p.From ?? DateTimeOffset.MinValue, p.Id));
}
