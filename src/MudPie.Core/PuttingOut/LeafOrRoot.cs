using MudPie.Core.Brewing;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>Leaf or root, extract or tea: the reason, and never a ban.</summary>
public static class LeafOrRoot
{
    /// <summary>Says why a making suits, or does not suit, the place that it is meant for.</summary>
    /// <param name="purpose">"leaf" or "root".</param>
    /// <param name="making">"tea", "extract", "bubbled", "steep", or "product" for a bottle.</param>
    /// <param name="chosen">The school in force at the fork, or null for the house's.</param>
    /// <remarks>A tea for roots: mind, "the top layer holds sticky tea back".</remarks>
    public static Ruling<Verdict> Of(string? purpose, string? making, string? chosen = null)
    {
        var checks = new Checks();
        if (purpose is not ("leaf" or "root"))
        {
            checks.Add("purpose", "It is not said whether it is for leaves or roots.", "Choose leaf or root.");
        }

        if (making is not ("tea" or "extract" or "bubbled" or "steep" or "product"))
        {
            checks.Add("making", "It is not said how it was made.", "Choose tea, extract, bubbled, steep or product.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var either = chosen == "either";
        var (tone, says, why) = (purpose, making) switch
        {
            ("leaf", "tea") => (Tone.Go, "Tea on leaves: right.", "What has grown in it makes slime, and slime holds it on. Cover both sides to the point of drip."),
            ("leaf", "extract" or "bubbled") => (Tone.Mind, "Extract on leaves does not stick.", "It was not grown, so it makes no slime and rain takes it. A tea holds better; if it is what you have, spray in the evening and again within the week."),
            ("root", "tea") => (either ? Tone.Go : Tone.Mind, "Tea on soil is held back by the top layer.", "Its slime sticks to the first centimetres and few get down. An extract goes down with the water; if it is tea you have, water the ground first and drench after it."),
            ("root", "extract" or "bubbled") => (Tone.Go, "Extract to the root: right.", "Nothing sticky in it: it goes down with the water to the depth of the roots."),
            ("leaf", "steep") => (Tone.Stop, "Steeped castings are a feed: keep them off leaves.", "They have gone without air. On soil, thinned, away from anything eaten raw."),
            ("root", "steep") => (Tone.Mind, "A feed for the soil, not a live brew.", "Thin it, and keep it away from anything eaten raw."),
            ("leaf", _) => (Tone.Go, "On leaves: cover both sides to the point of drip.", "Low sun, cool leaves, a light breeze; what the label says stands first."),
            _ => (Tone.Go, "To the roots: wet the ground to their depth.", "Moist ground takes it better; what the label says stands first."),
        };
        return Worked.Of(
            new Verdict(tone, says, why), "", Evidence.PractitionersRule,
            forks: [new Fork(
                "tea-or-extract", "Tea or extract to the root?",
                [new("either", "either will do", "tea or extract"), new("only-extract", "only extract", "an extract")],
                "only-extract", either ? "either" : "only-extract", "Tea sticks where it lands, which is what a leaf wants and a root does not.", Evidence.PractitionersRule, "Which making a plan proposes.")]);
    }
}
