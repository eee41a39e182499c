using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>Old and young leaves of one sample, of one nutrient.</summary>
/// <param name="Of">Which.</param>
/// <param name="Young">In young leaves, mg/kg or mg/L.</param>
/// <param name="Old">In old ones.</param>
/// <param name="Tone">Go where nothing is amiss.</param>
/// <param name="Sentence">What that says.</param>
public sealed record OldAndYoung(Nutrient Of, double Young, double Old, Tone Tone, string Sentence);

/// <summary>What is said of a leaf, of sap.</summary>
public static class PlantSays
{
    /// <summary>What a plant moves out of its old leaves when it runs short.</summary>
    public static readonly IReadOnlySet<string> Mobile = new HashSet<string> { "N", "NO3-N", "NH4-N", "P", "K", "Mg" };

    /// <summary>Old against young leaves, for each nutrient that both were tested for.</summary>
    /// <param name="lines">The sheet's lines.</param>
    /// <param name="stray">What labs stray by, as a share: 0 to 0.5. A difference within both figures' straying says nothing.</param>
    /// <remarks>Potassium 2,100 in old and 3,600 mg/L in young leaves, 12 % each: 43 % less, more than the 17 % that two figures stray: it
    /// is drawn out of the old ones. Calcium moves the other way only: less in the young says that it does not arrive. Source: what
    /// phloem carries and what it does not (plant physiology); the cut is of practitioners.</remarks>
    public static IReadOnlyList<OldAndYoung> Pairs(IReadOnlyList<SheetLine> lines, double stray)
    {
        var both = Math.Sqrt(2) * stray;
        List<OldAndYoung> pairs = [];
        foreach (var young in lines.Where(l => l is { Age: LeafAge.Young, MgPerKg: > 0 }))
        {
            if (lines.FirstOrDefault(l => l.Of == young.Of && l is { Age: LeafAge.Old, MgPerKg: > 0 }) is not { } old)
            {
                continue;
            }

            var (y, o) = (young.MgPerKg!.Value, old.MgPerKg!.Value);
            var moves = Mobile.Contains(young.Of.Id);
            pairs.Add(Math.Abs(y - o) / Math.Max(y, o) <= both
                ? new(young.Of, y, o, Tone.Go, "old and young alike: inside the noise")
                : (moves, o < y) switch {
                    (true, true) => new(young.Of, y, o, Tone.Mind, "drawn out of the old leaves: it runs short, before a leaf shows it"),
                    (true, false) => new(young.Of, y, o, Tone.Go, "more in the old leaves: there is as much as it can use"),
                    (false, false) => new(young.Of, y, o, Tone.Mind,
                        "less in the young leaves, where it can’t be moved to: water, roots or too much of another hold it back"),
                    _ => new(young.Of, y, o, Tone.Go, "more in the young leaves: it arrives"),
                });
        }

        return pairs;
    }

    /// <summary>Why a figure of a plant may be low, beside want of it in the ground.</summary>
    internal static string Why(SheetLine line) => line.Of.Id switch {
        "Ca" or "B" => "it comes with the water that leaves breathe out: look at even watering, roots and damp still air first",
        "P" => "cold or cramped ground holds it back: look at warmth and roots",
        "Fe" or "Mn" or "Zn" => "most often by a pH above 7 or wet ground, and seldom for want of it",
        "N" or "NO3-N" => "look at what the ground feeds now: cold, wet, or straw and wood that take it",
        "K" or "Mg" => "dry ground, or much of one of potassium, calcium and magnesium, holds the others back",
        _ => "look at the soil’s own sheet",
    };

    /// <summary>What to do.</summary>
    internal static Verdict Verdict(SheetAsked r, IReadOnlyList<SheetNutrient> nutrients)
    {
        var shorts = nutrients.Where(n => n.Short > 0).ToList();
        var open = shorts.Where(n => n.Choice is null).Select(n => n.Line.Of.Name).Distinct().ToList();
        var where = r.For switch { SheetOf.Sap => "in the sap", SheetOf.Leaf => "in the leaf", _ => "in it" };
        if (r.Rows.Count == 0)
        {
            return new(Tone.Go, "Type or paste the sheet.", "Until it has come, the sample’s steps are kept here: sampled, sent, result.");
        }

        if (nutrients.All(n => n.Low is null))
        {
            return new(Tone.Mind, "No figure of it has a band.", r.For == SheetOf.Tissue
                ? "Parts of plants differ too much for a table of the house’s: type the lab’s own bands."
                : "Bands of sap and leaves are by crop: type the lab’s own.");
        }

        return shorts.Count == 0 ? new(Tone.Go, $"Nothing is short {where}.", "Every figure that has a band is at or above its low end.")
            : open.Count > 0 ? new(Tone.Mind, $"{Sentence(Say.List(open))} {(open.Count == 1 ? "is" : "are")} short {where}: choose what "
                + "to do.", "Feed the leaf now, at the next planting, or leave it. A soil’s sheet says whether the ground lacks it.")
            : new(Tone.Go, $"What is short {where} has its choice.", "It is brought back here on its day.");
    }

    /// <summary>What to mind of a sheet of a plant.</summary>
    internal static IReadOnlyList<Caution> Cautions(SheetAsked r) => r.For switch {
        SheetOf.Sap => [new Caution("sap-swings",
            "Sap swings with the hour and the last watering: old and young leaves apart, the same hour "
            + "each time. Labs differ, and few of their bands were ever tested.", "The lab’s own guide goes first.")],
        SheetOf.Leaf or SheetOf.Tissue => [new Caution("leaf-like-with-like",
            "Bands are of one part at one stage: another part, or a plant that was "
            + "grazed, sick or dusty, does not compare.", "The lab’s own guide goes first.")],
        _ => [],
    };

    private static string Sentence(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
