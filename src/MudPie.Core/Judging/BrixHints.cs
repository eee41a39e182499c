using MudPie.Core.Workings;

namespace MudPie.Core.Judging;

/// <summary>One visit to the leaves, as hints look at it.</summary>
public sealed record HintVisit
{
    /// <summary>In the holding's own time.</summary>
    public DateTimeOffset At { get; init; }

    /// <summary>Which leaf.</summary>
    public LeafPosition Leaf { get; init; }

    /// <summary>Over the last three days.</summary>
    public Sky Sky { get; init; }

    /// <summary>True where a weed was read beside the crop.</summary>
    public bool Weed { get; init; }

    /// <summary>Leaves at 20 °C, °Bx.</summary>
    public IReadOnlyList<double> At20 { get; init; } = [];
}

/// <summary>What a pattern may point to: never a diagnosis.</summary>
/// <param name="Id">Stable name.</param>
/// <param name="Seen">The pattern, with its figures.</param>
/// <param name="Look">What to look at.</param>
/// <param name="Confirm">What would confirm it.</param>
/// <param name="Sure">How sure.</param>
/// <param name="At">When the pattern was seen.</param>
public sealed record BrixHint(string Id, string Seen, string Look, string Confirm, Evidence Sure, DateTimeOffset At);

/// <summary>Patterns in leaf brix that growers take as pointers.</summary>
public static class BrixHints
{
    private const string LeafTest = "A hint: confirm with a leaf test.";

    /// <summary>Hints from the visits to one bed, newest first; none where nothing stands out of the noise.</summary>
    /// <param name="visits">Any order.</param>
    /// <param name="crop">Whose bands count as low or high.</param>
    public static IReadOnlyList<BrixHint> Of(IReadOnlyList<HintVisit> visits, string crop)
    {
        var sorted = visits.Where(v => v.At20.Count >= 2).OrderBy(v => v.At).ToList();
        var bands = BrixBands.For(crop);
        IEnumerable<BrixHint> all = [.. Nights(sorted, bands), .. Days(sorted, bands), .. Leaves(sorted), .. Weeds(sorted), .. Dull(sorted),
            .. Low(sorted, bands)];
        return [.. all.GroupBy(h => h.Id).Select(g => g.MaxBy(h => h.At)!).OrderByDescending(h => h.At)];
    }

    /// <summary>Late afternoon against the next morning: leaves that keep their sugar overnight.</summary>
    private static IEnumerable<BrixHint> Nights(List<HintVisit> visits, BrixBand bands)
    {
        foreach (var (evening, morning) in Pairs(visits, (a, b) => a.At.Hour >= 14 && b.At.Hour < 11 && b.At.Date == a.At.Date.AddDays(1)
            && Same(a, b)))
        {
            if (!Falls(evening, morning) && evening.At20.Average() >= bands.Good)
            {
                yield return new("no-fall-overnight",
                    $"{Figure(evening)} in the afternoon and {Figure(morning)} the next morning: high, and no fall overnight.",
                    "Sugars may not be moving down: look at boron.", LeafTest, Evidence.PractitionersRule, morning.At);
            }
        }
    }

    /// <summary>Morning against afternoon of one day: no rise, or a sudden drop at midday.</summary>
    private static IEnumerable<BrixHint> Days(List<HintVisit> visits, BrixBand bands)
    {
        foreach (var (morning, later) in Pairs(visits, (a, b) => a.At.Hour < 11 && b.At.Hour >= 11 && b.At.Date == a.At.Date && Same(a, b)))
        {
            if (later.At.Hour >= 13 && !Falls(later, morning) && later.At20.Average() < bands.Average)
            {
                yield return new("no-rise-by-day",
                    $"{Figure(morning)} in the morning and {Figure(later)} in the afternoon: low, and no rise by day.",
                    "Sugars may not be made: look at light, water and leaf colour.", LeafTest, Evidence.PractitionersRule, later.At);
            }

            if (later.At.Hour <= 14 && later.Sky == Sky.Clear && Falls(morning, later))
            {
                yield return new("midday-drop",
                    $"{Figure(morning)} in the morning and {Figure(later)} at midday, in good light: a sudden drop.",
                    "Some growers have seen storms follow; note what the weather does.",
                    "Write down the sky over the next two days, each time.", Evidence.Contested, later.At);
            }
        }
    }

    private static IEnumerable<BrixHint> Leaves(List<HintVisit> visits)
    {
        foreach (var (top, bottom) in Pairs(visits, (a, b) => a.At.Date == b.At.Date && a.Leaf != b.Leaf
            && a.Leaf is not LeafPosition.Middle && b.Leaf is not LeafPosition.Middle
            && !a.Weed && !b.Weed && Math.Abs((a.At - b.At).TotalHours) <= 2))
        {
            if (Outside(top, bottom) && Math.Abs(top.At20.Average() - bottom.At20.Average()) >= 2)
            {
                yield return new("top-and-bottom", $"{top.Leaf.Word()} {Figure(top)}, {bottom.Leaf.Word()} {Figure(bottom)}: far apart.",
                    "Old leaves may be emptied for young ones: look at potassium, or another nutrient that moves.", LeafTest,
                    Evidence.PractitionersRule, bottom.At);
            }
        }
    }

    private static IEnumerable<BrixHint> Weeds(List<HintVisit> visits)
    {
        foreach (var (a, b) in Pairs(visits, (a, b) => a.At.Date == b.At.Date && a.Weed != b.Weed && a.Leaf == b.Leaf
            && Math.Abs((a.At - b.At).TotalHours) <= 2))
        {
            var (weed, crop) = a.Weed ? (a, b) : (b, a);
            if (weed.At20.Average() >= crop.At20.Average() || !Outside(weed, crop))
            {
                yield return new("weeds-as-high", $"weed {Figure(weed)}, crop {Figure(crop)}: the weed stands as high.",
                    "This ground may suit the weed better: look at calcium, phosphorus, boron, and at the soil itself.",
                    "A hint: confirm with a leaf test and a soil test.", Evidence.PractitionersRule, b.At);
            }
        }
    }

    private static IEnumerable<BrixHint> Dull(List<HintVisit> visits)
    {
        foreach (var (before, after) in Pairs(visits, (a, b) => a.Sky == Sky.Clear && b.Sky == Sky.Dull && Same(a, b)
            && (b.At - a.At).TotalDays is > 0.8 and < 8 && Math.Abs(a.At.TimeOfDay.TotalHours - b.At.TimeOfDay.TotalHours) <= 2))
        {
            if (Falls(before, after))
            {
                yield return new("cloudy-fall", $"{Figure(before)} before the cloud and {Figure(after)} under it.",
                    "A matter of light. It falls faster on ground low in humus; some spray fulvic acid.",
                    "Read again after two bright days: if it comes back, it was the light.", Evidence.PractitionersRule, after.At);
            }
        }
    }

    private static IEnumerable<BrixHint> Low(List<HintVisit> visits, BrixBand bands)
    {
        var last = visits.Where(v => !v.Weed).TakeLast(5).ToList();
        if (last.Count >= 4 && last.All(v => v.At20.Average() < bands.Average))
        {
            yield return new(
                "low-throughout", $"{last.Count} visits in a row under {Say.Number(bands.Average)} °Bx.",
                "Look first for too much nitrate (how much of a plant’s nitrogen should be ammonium is contested), then at calcium and "
                    + "soil pH (about 6.4 is wanted), then phosphorus.", "A hint: confirm with a leaf or sap test, and a soil pH.",
                    Evidence.Contested, last[^1].At);
        }
    }

    private static IEnumerable<(HintVisit First, HintVisit Second)> Pairs(List<HintVisit> visits, Func<HintVisit, HintVisit, bool> fit) =>
        visits.SelectMany((a, i) => visits.Skip(i + 1).TakeWhile(b => (b.At - a.At).TotalDays < 8).Where(b => fit(a, b))
            .Select(b => (a, b)));

    private static bool Same(HintVisit a, HintVisit b) => a.Leaf == b.Leaf && a.Weed == b.Weed;

    /// <summary>True where the second is lower with its whole interval.</summary>
    private static bool Falls(HintVisit from, HintVisit to) => Compared(from, to).High95 < 0;

    private static bool Outside(HintVisit a, HintVisit b) => Compared(a, b).InsideNoise == false;

    private static BrixDifference Compared(HintVisit a, HintVisit b) =>
        BrixReadings.Compare(new(a.At20, a.Leaf, 12, a.Sky), new(b.At20, b.Leaf, 12, b.Sky)).Value;

    private static string Figure(HintVisit v) => Say.Fixed(v.At20.Average(), 1);
}
