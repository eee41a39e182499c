using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>Leaf or root, extract or tea: the reason, and never a ban.</summary>
public static class LeafOrRoot
{
    /// <summary>Says why a making suits, or does not suit, the place that it is meant for.</summary>
    /// <param name="purpose">Leaves or roots.</param>
    /// <param name="making">How it was made; null for a bottle.</param>
    /// <param name="chosen">The school in force at the fork, or null for the house's.</param>
    /// <remarks>A tea for roots: mind, "the top layer holds sticky tea back".</remarks>
    public static Worked<Verdict> Of(Purpose purpose, Making? making, string? chosen = null)
    {
        var either = chosen == "either";
        var (tone, says, why) = (purpose, making) switch {
            (Purpose.Leaf, Making.Tea) =>
                (Tone.Go, "Tea on leaves: right.",
                    "What has grown in it makes slime, and slime holds it on. Cover both sides to the point of drip."),
            (Purpose.Leaf, Making.Extract or Making.Bubbled) =>
                (Tone.Mind, "Extract on leaves does not stick.",
                    "It was not grown, so it makes no slime and rain takes it. A tea holds better; if it is what you have, spray in the "
                        + "evening and again within the week."),
            (Purpose.Root, Making.Tea) =>
                (either ? Tone.Go : Tone.Mind, "Tea on soil is held back by the top layer.",
                    "Its slime sticks to the first centimetres and few get down. An extract goes down with the water; if it is tea you "
                        + "have, water the ground first and drench after it."),
            (Purpose.Root, Making.Extract or Making.Bubbled) =>
                (Tone.Go, "Extract to the root: right.", "Nothing sticky in it: it goes down with the water to the depth of the roots."),
            (Purpose.Leaf, Making.Steep) =>
                (Tone.Stop, "Steeped castings are a feed: keep them off leaves.",
                    "They have gone without air. On soil, thinned, away from anything eaten raw."),
            (Purpose.Root, Making.Steep) =>
                (Tone.Mind, "A feed for the soil, not a live brew.", "Thin it, and keep it away from anything eaten raw."),
            (Purpose.Leaf, _) =>
                (Tone.Go, "On leaves: cover both sides to the point of drip.",
                    "Low sun, cool leaves, a light breeze; what the label says stands first."),
            _ => (Tone.Go, "To the roots: wet the ground to their depth.",
                "Moist ground takes it better; what the label says stands first."),
        };
        return Worked.Of(
            new Verdict(tone, says, why), "", Evidence.PractitionersRule,
            forks: [new Fork(
                "tea-or-extract", "Tea or extract to the root?",
                [new("either", "either will do", "tea or extract"), new("only-extract", "only extract", "an extract")],
                "only-extract", either ? "either" : "only-extract",
                "Tea sticks where it lands, which is what a leaf wants and a root does not.", Evidence.PractitionersRule,
                "Which making a plan proposes.")]);
    }
}
