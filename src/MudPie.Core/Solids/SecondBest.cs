using MudPie.Core.Mixing;
using MudPie.Core.Workings;

namespace MudPie.Core.Solids;

/// <summary>A bed, for what may still go on it.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Woody">Trees, shrubs and other things that stand for years.</param>
/// <param name="Eaten">What grows there is eaten.</param>
public sealed record SecondBed(string Name, bool Woody, bool Eaten);

/// <summary>A lot that failed.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Kind">Its kind on the shelf.</param>
/// <param name="Why">Why it failed, gravest first.</param>
/// <param name="Beds">The beds of the holding.</param>
/// <param name="Now">Now.</param>
public sealed record SecondQuestion(string Name, string Kind, IReadOnlyList<FailWhy> Why, IReadOnlyList<SecondBed> Beds,
    DateTimeOffset Now);

/// <summary>Something that it may still do.</summary>
/// <param name="Way">What: "onto a hot heap".</param>
/// <param name="Beds">On which beds; empty where it goes on none.</param>
/// <param name="From">From when.</param>
/// <param name="Mind">How, and how much.</param>
/// <param name="Link">Where that is done; null for nowhere here.</param>
public sealed record SecondWay(string Way, IReadOnlyList<string> Beds, DateTimeOffset From, string Mind, string? Link)
{
    /// <summary>It has to wait until then; else it may be done at once.</summary>
    public bool Later { get; init; }
}

/// <summary>A mistake, and what it would cost.</summary>
/// <param name="Mistake">"in a potting mix".</param>
/// <param name="Weeks">Weeks lost at least; null where it is not counted in weeks.</param>
/// <param name="NitrogenGPerM2">Nitrogen taken from a square metre, g; null where that is not it.</param>
/// <param name="Costs">The same in words.</param>
public sealed record SecondMistake(string Mistake, double? Weeks, double? NitrogenGPerM2, string Costs);

/// <summary>What a lot may still do here.</summary>
/// <param name="Ways">Best first; none where nothing is left but to throw it away.</param>
/// <param name="Mistakes">What it may not do, and what that would cost.</param>
/// <param name="Verdict">In a sentence.</param>
public sealed record SecondAnswer(IReadOnlyList<SecondWay> Ways, IReadOnlyList<SecondMistake> Mistakes, Verdict Verdict);

/// <summary>Second-best use: what fails one gate may pass another.</summary>
public static class SecondBest
{
    /// <summary>Layer by which a mistake is counted, L on a square metre, worked in.</summary>
    public const double MistakeLPerM2 = 10;

    /// <summary>Days from raw manure to a harvest that touches the ground.</summary>
    public const int ManureDays = 120;

    private const string Heap = "/make/heap", Worms = "/make/worms", Solid = "/put-out/solid", Mix = "/make/mix/new";

    /// <summary>Works it out.</summary>
    /// <param name="q">The lot.</param>
    /// <remarks>Raw char: onto a heap or into bedding at once, charged after 14 days; in a mix it takes up nitrogen for a season. 10
    /// L/m² of
    /// wood chip worked in takes nitrogen for the best part of a year. A lot that fails in two ways may only do what both allow. Source:
    /// practitioners' rules; the sum of nitrogen.</remarks>
    public static Worked<SecondAnswer> Of(SecondQuestion q)
    {
        var why = q.Why.Count == 0 ? [FailWhy.Unfit] : q.Why.Distinct().ToList();
        var all = why.Select(w => Ways(w, q)).ToList();
        // What one reason forbids, another does not allow: only ways that stand in every list.
        // A way onto beds is none where no bed here is such.
        List<SecondWay> ways = [.. all[0].Where(w => all.All(other => other.Any(o => o.Way == w.Way))).Select(w => w with {
            From = all.Max(o => o.First(x => x.Way == w.Way).From),
            Later = all.Max(o => o.First(x => x.Way == w.Way).From) > q.Now,
            Beds = [.. w.Beds.Where(b => all.All(o => o.First(x => x.Way == w.Way).Beds.Contains(b)))],
            Mind = string.Join(" ", all.Select(o => o.First(x => x.Way == w.Way).Mind).Distinct()),
        }).Where(w => w.Link != Solid || q.Beds.Count == 0 || w.Beds.Count > 0)];
        List<SecondMistake> mistakes = [.. why.SelectMany(w => Mistakes(w, q)).DistinctBy(m => m.Mistake)];
        return Worked.Of(new SecondAnswer(ways, mistakes, ways.Count == 0
            ? new Verdict(Tone.Stop, "Nothing here can use it safely.", "Ask what your waste service takes; strike it off the shelf.")
            : new Verdict(Tone.Mind, $"It may still go {ways[0].Way}.", ways[0].Mind)), "", Evidence.PractitionersRule,
            [
                new("what failed", "each reason’s own list; only what all allow", "", Say.List([.. why.Select(Said)]),
                    "practitioners’ rules"),
                .. mistakes.Where(m => m.NitrogenGPerM2 > 0).Select(m => new WorkingLine(m.Mistake,
                    "kg dry × (N − C × 0.4 ÷ 8) × (1 − e^(−k × weeks))", $"{Say.Number(MistakeLPerM2)} L a m²",
                    $"−{Say.Number(m.NitrogenGPerM2!.Value, 2)} g N a m²", "a model: warmth and water move it by a third")),
            ]);
    }

    /// <summary>A reason in words.</summary>
    public static string Said(FailWhy why) => why switch {
        FailWhy.Unfinished => "it is not finished",
        FailWhy.RawManure => "manure without a logged heat",
        FailWhy.Diseased => "diseased plants went in",
        FailWhy.Airless => "it went without air",
        FailWhy.Sprayed => "a weed-killer may be in it",
        FailWhy.PastDate => "it is past its date",
        FailWhy.RawChar => "raw char",
        FailWhy.RawGrounds => "raw coffee grounds",
        FailWhy.Salty => "salts or potassium not known, or high",
        FailWhy.FlatBrew => "its life is gone",
        _ => "called unfit",
    };

    /// <summary>Reads the grower's own words for a reason that has its own list.</summary>
    /// <remarks>"smells of weed-killer": sprayed. "maggots": unfit.</remarks>
    public static FailWhy InWords(string? words)
    {
        // By whole words and their beginnings: carrots are not rot.
        string[] said = (words ?? "").ToLowerInvariant().Split([' ', ',', '.', ';', ':', '-', '/', '(', ')'],
            StringSplitOptions.RemoveEmptyEntries);
        bool Has(params string[] any) => said.Any(w => any.Any(a => a[^1] == '=' ? w == a[..^1]
            : w.StartsWith(a, StringComparison.Ordinal)));
        return Has("killer", "weedkiller", "herbicide", "sprayed", "clopyralid", "aminopyralid") ? FailWhy.Sprayed
            : Has("blight", "rot=", "rots=", "rotten", "disease", "mildew", "clubroot", "wilt") ? FailWhy.Diseased
            : Has("sour", "smell", "stink", "stank", "putrid") ? FailWhy.Airless
            : Has("salt", "potassium", "ec=") ? FailWhy.Salty
            : Has("hot=", "heats=", "unfinished", "young", "finished=") ? FailWhy.Unfinished
            : Has("manure") ? FailWhy.RawManure : FailWhy.Unfit;
    }

    private static List<SecondWay> Ways(FailWhy why, SecondQuestion q)
    {
        List<string> Beds(Func<SecondBed, bool> which) => [.. q.Beds.Where(which).Select(b => b.Name)];
        DateTimeOffset In(int days) => q.Now.AddDays(days);
        SecondWay Onto(string mind, int days = 0) => new("onto a heap", [], In(days), mind, Heap);
        SecondWay Mulch(string mind, int days = 0) => new("on trees and shrubs as a mulch", Beds(b => b.Woody), In(days), mind, Solid);
        SecondWay Fallow(string mind, int days = 0) => new("on ground that is not eaten from", Beds(b => !b.Eaten), In(days), mind, Solid);
        SecondWay ToWorms(string mind, int days = 0) => new("to the worms", [], In(days), mind, Worms);
        return why switch {
            FailWhy.Unfinished => [Mulch("Up to 75 mm, a hand off the stems."), Onto("It finishes there."), Fallow("Worked in shallow; "
                + "nothing sown for two months."), ToWorms("A little at a time; it may still heat.", 14)],
            FailWhy.RawManure => [Onto("A hot one, its heat written down: that is the record it lacked."),
                Fallow("Worked in the same day."),
                Mulch($"On what is eaten, {ManureDays} days to the harvest where it touches the ground, 90 where not: from "
                    + $"{Say.Date(In(ManureDays))} on.")],
            FailWhy.Diseased => [Onto("Hot only, turned so that all of it comes to the core; not onto a cold one.")],
            FailWhy.Airless => [Onto("Spread thin for a week first, then with coarse browns.", 7), Mulch("Once it smells of earth again.",
                14),
                Fallow("Spread thin; dig in when it smells of earth.", 7), ToWorms("Aired for two weeks first, a handful to try.", 14)],
            FailWhy.Sprayed => [new SecondWay("on grass", Beds(b => !b.Eaten && !b.Woody), In(0),
                "Grass bears most of what kills beans and "
                + "tomatoes. Elsewhere only after beans have come up in it and look right at three weeks.", Solid)],
            FailWhy.PastDate => [Onto("As feed for it; count no life in it."), Fallow("Thin it down: as feed, without promise."),
                ToWorms("A little, thinned down."), Mulch("As it comes; no life is claimed.")],
            FailWhy.RawChar => [Onto("Up to a tenth of it by volume: it charges there."), ToWorms("In bedding, damp, up to a tenth."),
                new SecondWay("into a mix, charged", [], In(14), "Fourteen days damp with castings or compost first.", Mix),
                Fallow("With something rich, and left a season.")],
            FailWhy.RawGrounds => [Onto("At most a fifth of it by volume, six months or more."),
                ToWorms("As a part of what they get, never "
                + "alone."), Fallow("Where nothing is sown for six months at least: from "
                + $"{Say.Date(In(182))}."), Mulch("Thin, up to 25 mm, on ornamentals.")],
            FailWhy.Salty => [Onto("Rain and browns thin it."), Mulch("Thin, where rain can wash it."),
                Fallow("Thin, before the wet season."),
                ToWorms("A handful to try: they flee from salt."),
                new SecondWay("into a mix, started small", [], In(0), "One part to ten once it is tested, beside pots without it.", Mix)],
            FailWhy.FlatBrew => [Onto("It wets the heap and feeds it; no life is claimed."), Fallow("As water, the same day; not on leaves "
                + "that are eaten."), Mulch("Poured at the foot of trees, the same day.")],
            _ => [Onto("A hot one, once you know what is wrong with it."), Fallow("Once you know what is wrong with it.")],
        };
    }

    private static IEnumerable<SecondMistake> Mistakes(FailWhy why, SecondQuestion q)
    {
        switch (why)
        {
            case FailWhy.Unfinished:
                yield return Robbed("worked into a bed now", Materials.Find("residue")! with { Nitrogen = 0.012, DecayPerWeek = 0.03 });
                yield return new("in seed or potting mixes", 8, null, "seedlings stall for two months or die of its acids and heat");
                yield return new("in a brew", null, null, "it uses up the air of the brew");
                break;
            case FailWhy.RawManure:
                yield return new("on what is eaten, close to harvest", ManureDays / 7.0, null, $"the crop can’t be sold or eaten raw for "
                    + $"{ManureDays} days");
                yield return new("in a brew", null, null, "a brew multiplies gut germs");
                break;
            case FailWhy.Diseased:
                yield return new("on beds, in mixes or brews", 52, null, "the disease comes back, some kinds for years");
                break;
            case FailWhy.Airless:
                yield return new("in mixes or brews", 4, null, "roots are burnt by its acids for about a month");
                break;
            case FailWhy.Sprayed:
                yield return new("on beds, heaps or in mixes", 52, null, "beans, tomatoes and their kin are crippled for a year or more");
                break;
            case FailWhy.RawChar:
                yield return new("in a mix or bed", 16, null, "it takes up what nitrogen there is, for a season");
                break;
            case FailWhy.RawGrounds:
                yield return new("in beds or mixes, from 2.5 % by volume", 26, null,
                    "plants stand still for six to twelve months; nitrogen is "
                    + "no cure");
                break;
            case FailWhy.Salty:
                yield return new("much of it in a seed mix", 4, null, "seeds don’t come up; a sowing is lost");
                break;
            case FailWhy.PastDate or FailWhy.FlatBrew:
                yield return new("counted on as living", null, null, "the dose is not what it says");
                break;
        }

        var material = Materials.For(q.Kind is "part" or "other" ? null : q.Kind, q.Name);
        if (material is { Rots: true, Cn: > 30 })
        {
            yield return Robbed("worked into a bed", material);
        }
    }

    private static SecondMistake Robbed(string mistake, Material of)
    {
        var line = NitrogenOutlook.Of([new Amassed(of, MistakeLPerM2 * of.KgPerL)], null, "a m²").Value.Weeks;
        var worst = line.MinBy(w => w.G)!;
        return new(mistake, worst.G < 0 ? worst.Week : null, worst.G < 0 ? -worst.G : null, worst.G < 0
            ? $"{Say.Number(MistakeLPerM2)} L a m² takes {Say.Number(-worst.G, 2)} g of nitrogen a m² by week {worst.Week}"
            : "little nitrogen is robbed, but it is not sown into");
    }
}
