using MudPie.Core.Workings;

namespace MudPie.Core.Judging;

/// <summary>A crop's bands of leaf brix: from here on average, good, excellent. °Bx.</summary>
public sealed record BrixBand(string Crop, double Average, double Good, double Excellent);

/// <summary>Where a reading stands.</summary>
/// <param name="Line">The line in force, °Bx.</param>
/// <param name="Band">"poor", "average", "good" or "excellent" by the crop's bands; "too few leaves" under three.</param>
/// <param name="Own">"below its own past", "as usual here", "above its own past" or "no past yet".</param>
/// <param name="OwnLow">Lower quarter of its own past, °Bx; null where it has none.</param>
/// <param name="OwnMedian">Its middle.</param>
/// <param name="OwnHigh">Upper quarter.</param>
/// <param name="Good">At or above the line in force.</param>
/// <param name="Bands">The crop's bands.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record BrixStanding(double Line, string Band, string Own, double? OwnLow, double? OwnMedian, double? OwnHigh, bool Good,
    BrixBand Bands, string Sentence);

/// <summary>Lines for leaf brix: three schools, the house choice this crop's own history here.</summary>
public static class BrixBands
{
    /// <summary>Visits that make a past.</summary>
    public const int Enough = 5;

    /// <summary>Leaves that a word about a bed needs: one leaf is one leaf.</summary>
    public const int FewestLeaves = 3;

    /// <summary>How far apart two visits may lie in the day and still be like hours, h.</summary>
    public const double LikeHours = 3;

    // Practitioners' rules for sap of leaves, rounded; they differ from one to the next by a degree or two.
    private static readonly BrixBand[] Known =
    [
        new("garlic", 7, 10, 13), new("fennel", 5, 8, 11), new("beetroot", 6, 9, 12), new("oats", 6, 10, 14), new("currant", 7, 10, 13),
        new("hops", 7, 10, 13), new("dahlia", 6, 9, 12), new("grass", 6, 10, 14),
        new("tomato", 5, 8, 11), new("lettuce", 4, 6, 9), new("cabbage", 6, 9, 12), new("bean", 5, 8, 11), new("potato", 4, 6, 9),
        new("apple", 7, 10, 13),
    ];

    /// <summary>A crop's bands; those for most crops where it is not known.</summary>
    public static BrixBand For(string crop) => Known.FirstOrDefault(b => crop.Contains(b.Crop, StringComparison.OrdinalIgnoreCase))
        ?? new BrixBand("most crops", 6, 9, 12);

    /// <summary>Where a mean stands.</summary>
    /// <param name="mean">At 20 °C, °Bx.</param>
    /// <param name="crop">As it is called on the bed.</param>
    /// <param name="past">Means of earlier visits at this bed and crop, of the same leaf at a like hour, °Bx.</param>
    /// <param name="school">"own", "bands" or "twelve".</param>
    /// <param name="leaves">Leaves behind the mean, 1 or more; under three no word is said.</param>
    /// <remarks>9.4 on fennel whose past is 7.8, 8.2, 8.4, 8.9, 9.1: above its own past, and good by its bands.</remarks>
    public static Worked<BrixStanding> Stand(double mean, string crop, IReadOnlyList<double> past, string school, int leaves = FewestLeaves)
    {
        var bands = For(crop);
        var sorted = past.Order().ToArray();
        double? At(double share) => sorted.Length < Enough ? null : sorted[(int)Math.Floor(share * (sorted.Length - 1))]
            + (((share * (sorted.Length - 1)) % 1) * (sorted[(int)Math.Ceiling(share * (sorted.Length - 1))]
                - sorted[(int)Math.Floor(share * (sorted.Length - 1))]));
        var (low, median, high) = (At(0.25), At(0.5), At(0.75));
        var few = leaves < FewestLeaves;
        var band = few ? "too few leaves" : mean >= bands.Excellent ? "excellent" : mean >= bands.Good ? "good" : mean >= bands.Average
            ? "average" : "poor";
        var own = few ? "too few leaves" : median is null ? "no past yet" : mean < low ? "below its own past" : mean > high
            ? "above its own past" : "as usual here";
        var line = school switch { "twelve" => 12, "bands" => bands.Good, _ => median ?? bands.Good };
        var fork = new Fork(
            "brix-line", "Which line does a reading have to pass?",
            [new("own", "this crop’s own past here", median is { } m ? $"{Say.Fixed(m, 1)} °Bx, the middle of {sorted.Length} visits"
                : $"no past yet: its band, {Say.Fixed(bands.Good, 1)}"),
                new("bands", "bands for each crop", $"{Say.Fixed(bands.Good, 1)} °Bx, good for {bands.Crop}"),
                new("twelve", "12 for all", "12 °Bx")],
            "own", school, "Crops, meters and seasons differ more than lines in books do; a bed is best judged against itself.",
            Evidence.PractitionersRule, "Whether a reading is called good, and so whether a spray is held.");
        return Worked.Of(
            new BrixStanding(line, band, own, low, median, high, !few && mean >= line, bands,
                few ? $"{Say.Fixed(mean, 1)} °Bx on {(leaves == 1 ? "one leaf" : $"{leaves} leaves")}: too few for a word. "
                    + $"Read {FewestLeaves} or more." : $"{Say.Fixed(mean, 1)} °Bx: {own}; {band} by the bands for {bands.Crop}."),
            "°Bx",
            Evidence.PractitionersRule,
            [
                new("own past", "quarters of earlier visits’ means", $"{sorted.Length} visits", median is null
                    ? $"fewer than {Enough}: too few"
                    : $"{Say.Fixed(low!.Value, 1)} · {Say.Fixed(median.Value, 1)} · {Say.Fixed(high!.Value, 1)} °Bx", "readings here"),
                new("bands", "from here on average · good · excellent", bands.Crop,
                    $"{Say.Number(bands.Average)} · {Say.Number(bands.Good)} · {Say.Number(bands.Excellent)} °Bx",
                    "practitioners’ rule, house figures"),
            ],
            forks: [fork]);
    }
}
