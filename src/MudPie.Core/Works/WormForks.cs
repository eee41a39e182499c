using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>What practitioners disagree on, and what is said at the bin.</summary>
public static class WormForks
{
    /// <summary>What drips out beneath.</summary>
    public static readonly Fork Leachate = new("leachate", "What is done with the liquid that drips out?",
        [
            new("off", "kept off plants", "onto the heap, or down the drain of the yard: it is no extract"),
            new("thinned", "thinned ten times, on ornamentals", "never on what is eaten raw, and soon: it sours within a day"),
            new("feed", "used as a feed", "its nutrients differ from bin to bin, and nobody has counted its germs"),
        ], "off", "off", "What drips through food that rots is not what worms have worked: no air, unknown germs, often salt.",
        Evidence.PractitionersRule, "whether it may come near a plant; it never counts as an extract here");

    /// <summary>At the bin.</summary>
    public static readonly Caution Hands = new("worm-bin",
        "Gloves where the skin is broken, and wash afterwards; damp castings before they are sieved, for the dust.",
        "A usual caution: composting kitchen waste and meat is ruled locally, and more strictly where food is sold.");
}
