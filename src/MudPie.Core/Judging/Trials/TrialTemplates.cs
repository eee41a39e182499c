using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>What is already published on a claim, with its limits.</summary>
public sealed record Published(string Text, Evidence Sure, string Limits);

/// <summary>A claim that comes ready to test.</summary>
/// <param name="Id">Stable name.</param>
/// <param name="Name">In a few words.</param>
/// <param name="Question">The question in one sentence.</param>
/// <param name="Design">random, blocks, factorial or split-plot.</param>
/// <param name="Kind">pots, beds or strips.</param>
/// <param name="Liquid">It is put on as a liquid: water only belongs beside it.</param>
/// <param name="Factors">Names of factors; one is "treatment".</param>
/// <param name="Levels">Levels of each factor, the control first.</param>
/// <param name="Measures">Ids of measures.</param>
/// <param name="Replicates">Plots of each to begin from.</param>
/// <param name="Displaces">What the new thing takes the place of, to be kept alike.</param>
/// <param name="Published">What is known.</param>
public sealed record TrialTemplate(
    string Id, string Name, string Question, Design Design, TrialKind Kind, bool Liquid, IReadOnlyList<string> Factors,
    IReadOnlyList<IReadOnlyList<string>> Levels, IReadOnlyList<string> Measures, int Replicates, string? Displaces,
    Published Published);

/// <summary>Claims that come ready to test, with made-up crops.</summary>
public static class TrialTemplates
{
    /// <summary>All.</summary>
    public static readonly IReadOnlyList<TrialTemplate> All =
    [
        new("castings", "Castings against none", "Do castings in the mix lift fennel modules more than the mix alone?", Design.Blocks,
            TrialKind.Pots, false, ["treatment"], [["mix alone", "mix with 10 % castings"]], ["up", "height"], 6,
            "Castings take the place of a tenth of the mix: use the same mix less a tenth, not more in the pot.",
            new("Many pot trials see growth at 10 to 20 % castings and harm above 40 %.", Evidence.PublishedTrials,
                "Mostly in poor mixes; part of it is plain nutrients.")),
        new("char", "Charged char, in steps", "Does charged char at 5 or 15\u00A0% lift beetroot?", Design.Blocks, TrialKind.Pots, false,
            ["treatment"], [["no char", "5 % char", "15 % char"]], ["height", "rootMass"], 5,
            "Char takes the place of coir or soil by volume: that is a second change; keep the mix otherwise alike.",
            new("Yield gains in acid and worn-out soils, little or none on fertile temperate ones.", Evidence.PublishedTrials,
                "Depends on the char and how it was charged; raw char can tie up nitrogen.")),
        new("tea", "Tea, extract, water, nothing", "Does tea lift garlic more than water alone?", Design.Blocks, TrialKind.Beds, true,
            ["treatment"], [["nothing", "water only", "extract", "tea"]], ["yieldMetre", "brix"], 5, null,
            new("Trials disagree: some see less disease or more growth, many see what water or plain extract does as well.",
                Evidence.Contested, "Brews differ from batch to batch; few trials put water only beside it.")),
        new("seaweed", "Inoculant × seaweed", "Do seaweed and a mycorrhizal granule lift dahlias, alone and together?", Design.Factorial,
            TrialKind.Pots, true, ["seaweed", "mycorrhiza"], [["no seaweed", "seaweed"], ["no mycorrhiza", "mycorrhiza"]],
            ["stems", "height"], 6, null,
            new("Seaweed extracts often speed roots and help under stress; mycorrhiza helps most in poor, low-phosphorus mixes.",
                Evidence.PublishedTrials, "Together they are seldom tested; rich mixes keep fungi out.")),
        new("grounds", "Grounds, composted or raw", "Do coffee grounds harm seedlings raw, and not once composted?", Design.Blocks,
            TrialKind.Pots, false, ["treatment"], [["no grounds", "raw grounds", "composted grounds"]], ["up", "height"], 5,
            "Grounds take the place of a tenth of the mix.",
            new("Fresh grounds at 10 % and more slow most seedlings; composted they do not.", Evidence.PublishedTrials,
                "Doses and crops differ much.")),
        new("byproduct", "By-product × feed", "Does a by-product lift beetroot, with and without feather meal?", Design.Factorial,
            TrialKind.Beds, false, ["by-product", "feed"], [["no by-product", "by-product"], ["no feed", "feather meal"]], ["yieldPlot"], 5,
            "Straw and bran tie up nitrogen at first: the feed shows whether that is what is seen.",
            new("What is rich in carbon takes nitrogen from the soil for weeks.", Evidence.ChemistryOrPhysics,
                "How long depends on warmth and the grind.")),
        new("rockDust", "Rock dust", "Does rock dust lift oats and vetch on this field?", Design.Blocks, TrialKind.Strips, false,
            ["treatment"], [["no dust", "rock dust"]], ["yieldHa"], 6, null,
            new("Little or nothing in the first years on most soils; more in warm, acid, worn-out ones.", Evidence.PublishedTrials,
                "Weathering takes years; most trials are short.")),
        new("disease", "Compost that should hold a disease down", "Do fewer seedlings damp off in a mix with this compost?", Design.Blocks,
            TrialKind.Pots, false, ["treatment"], [["mix alone", "steamed compost", "live compost"]], ["incidence", "up"], 6,
            "Steamed compost beside it shows whether its life or its feed does it.",
            new("Some composts hold damping-off down, by their life; which ones can’t be foretold.", Evidence.PublishedTrials,
                "Batches differ; some make it worse.")),
        new("barrier", "A barrier against a pest", "Do fewer slugs reach lettuce behind a barrier?", Design.Blocks, TrialKind.Beds, false,
            ["treatment"], [["no barrier", "shell grit", "hedge brash"]], ["stayed", "severity"], 6, null,
            new("Dry and rough barriers are often crossed once wet.", Evidence.PublishedTrials, "Weather decides; test through rain.")),
        new("preparation", "A stirred preparation, blind", "Does stirred horn manure lift carrots more than stirred water alone?",
            Design.Blocks, TrialKind.Beds, true, ["treatment"], [["nothing", "water only", "horn manure"]], ["yieldMetre", "brix"], 3, null,
            new("Trials disagree, and most find little beyond the compost that goes with it.", Evidence.Contested,
                "Stir the water as long, hide which is which, draw by lot; nine plots say more than nine years.")),
    ];

    /// <summary>The one of that name, or null.</summary>
    public static TrialTemplate? Find(string? id) => All.FirstOrDefault(t => t.Id == id);
}
