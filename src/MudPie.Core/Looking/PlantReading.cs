using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Looking;

/// <summary>What plants say of the ground: roots, nodules, leaves, weeds.</summary>
public static class PlantReading
{
    /// <summary>Roots turned aside at one depth in this share of plants or more: a pan.</summary>
    public const double Third = 1.0 / 3;

    /// <summary>Nodules a plant under which a legume fixes poorly, where nothing is known of its kind.</summary>
    public const double FewNodules = 5;

    internal static Worked<CheckAnswer>? Roots(CheckAsked r, Checks checks)
    {
        var plants = Count(checks, "plants", r.Plants, 1, 100);
        var turned = Count(checks, "turned", r.Turned, 0, 100);
        if (r.TurnedAtCm is not null)
        {
            checks.Range("turnedAtCm", r.TurnedAtCm, 1, 200, "cm");
        }

        if (r.DeepestCm is { } deep && (deep.Count > 100 || deep.Any(d => d is not (>= 0 and <= 500))))
        {
            checks.Add("deepestCm", "One of them can’t be.", "Give each in cm, 0 to 500.");
        }

        if (checks.Sound && turned > plants)
        {
            checks.Add("turned", $"{turned} of {plants} plants can’t be.", "Give how many of them turned aside.");
        }

        if (!checks.Sound)
        {
            return null;
        }

        var share = Exact.Share(turned, plants);
        var life = share.Value >= Third - 1e-9 ? Life.Poor : turned > 0 ? Life.Middling : Life.Living;
        var at = r.TurnedAtCm is { } cm && turned > 0 ? $" at {Say.Number(cm)} cm" : "";
        var deepest = r.DeepestCm is { Count: > 0 } d2 ? $", deepest {Say.Number(Exact.Median(d2).Middle.Value)} cm" : "";
        return CheckReading.Answer(new CheckAnswer(CheckKind.Roots, share.Value, share.Lower, share.Upper, "turned aside",
            $"{turned} of {plants} turn aside{at}{deepest}", life == Life.Poor ? "a pan" : life == Life.Middling ? "some turn aside"
                : "straight down",
            CheckReading.ToneOf(life), r.Stone ? null : life, r.Stone ? "A stone, not a pan: dig elsewhere." : life == Life.Poor
                ? "Dig another: a pan, or a stone?" : null),
            new("turned aside", "turned ÷ plants; 95 % exact", $"{turned} ÷ {plants}", $"{Say.Number(share.Value * 100, 2)} %, "
                + $"{CheckReading.Span(share.Lower * 100, share.Upper * 100)} %",
                    "at one depth in a third or more: a pan. Practitioners’ rule"));
    }

    internal static Worked<CheckAnswer>? Nodules(CheckAsked r, Checks checks)
    {
        var (plants, all, cut, pink) = (Count(checks, "plants", r.Plants, 1, 100), Count(checks, "nodules", r.Nodules, 0, 100_000),
            Count(checks, "cut", r.Cut, 0, 10_000), Count(checks, "pink", r.Pink, 0, 10_000));
        if (checks.Sound && (pink > cut || cut > all))
        {
            checks.Add(pink > cut ? "pink" : "cut", pink > cut ? "More are pink than were cut." : "More were cut than there were.",
                "Give counts that fit each other.");
        }

        if (!checks.Sound)
        {
            return null;
        }

        var each = (double)all / plants;
        var share = cut == 0 ? new Between(0, 0, 1) : Exact.Share(pink, cut);
        var poor = each < FewNodules || (cut > 0 && share.Value < 0.5);
        return CheckReading.Answer(new CheckAnswer(CheckKind.Nodules, each * share.Value, cut == 0 ? null : each * share.Lower,
            cut == 0 ? null : each * share.Upper, "pink a plant",
            $"{Say.Number(each, 2)} a plant" + (cut == 0 ? "" : $", {pink} of {cut} cut are pink"), cut == 0 ? "none cut" : poor
                ? "poorly fixing" : "fixing", poor ? Tone.Mind : Tone.Go, null, poor
                    ? "Look before flowering, and by its own kind of crop; too "
                    + "much nitrogen, too little molybdenum or the wrong kind of bacteria do it." : null),
            new("pink a plant", "nodules ÷ plants × share pink; 95 % exact of the share", $"{all} ÷ {plants} × {pink} ÷ {cut}",
                Say.Number(each * share.Value, 2), "under half pink, or under 5 a plant: poorly fixing; by crop"));
    }

    /// <summary>Spread of plants from metre to metre, in shares of their mean: below, even; at and above the other, gaps.</summary>
    /// <remarks>12, 14, 10 and 12 in a metre: mean 12, spread 14 %, even. House cut-offs, to start with.</remarks>
    public const double EvenSpread = 0.2, GapSpread = 0.4;

    /// <summary>How plants stand: so many a metre, and how evenly; with its working. Null where none were counted.</summary>
    private static (string Says, WorkingLine? Line)? Stand(CheckAsked r)
    {
        if (r.Stand is not { Count: > 0 } metres)
        {
            return r.PerMetre is { } one ? ($"{Say.Number(one)} plants a metre", null) : null;
        }

        var mean = metres.Average();
        var spread = metres.Count < 2 || mean <= 0 ? (double?)null
            : Math.Sqrt(metres.Sum(m => (m - mean) * (m - mean)) / (metres.Count - 1)) / mean;
        var how = metres.Contains(0) && mean > 0 ? ", with gaps" : spread switch {
            null => "",
            < EvenSpread => ", even",
            < GapSpread => ", uneven",
            _ => ", with gaps",
        };
        var told = $"{Say.Number(mean, 3)} plants a metre{how}{(spread is { } s ? $" (spread {Say.Number(s * 100, 2)} %)" : "")}";
        return (told, new("stand", "mean of the metres; their standard deviation ÷ it", Say.List([.. metres.Select(m => Say.Number(m))]),
            told, "under 20 % even, 40 % and over gaps: house cut-offs, to start with"));
    }

    internal static Worked<CheckAnswer>? Leaf(CheckAsked r, Checks checks)
    {
        var card = checks.Range("card", r.Card, 1, 6, "");
        if (r.PerMetre is not null)
        {
            checks.Range("perMetre", r.PerMetre, 0, 1000, "");
        }

        if (r.Stand is { Count: > 0 })
        {
            CheckReading.Whole(checks, "stand", r.Stand, 20, 1000);
        }

        if (r.Shape is { Length: > 80 })
        {
            checks.Add("shape", "That is too long.", "A few words.");
        }

        if (!checks.Sound)
        {
            return null;
        }

        var hint = r is { OldYellow: true, YoungYellow: true } ? "Old and young leaves are yellow: look at water and roots first."
            : r.OldYellow ? "Old leaves yellow: nitrogen or magnesium, perhaps. A leaf sheet says which."
            : r.YoungYellow ? "Young leaves yellow: sulphur or iron, perhaps. A leaf sheet says which." : null;
        var stand = Stand(r);
        return Worked.Of(new CheckAnswer(CheckKind.Leaf, card, null, null, "of 6", $"colour {Say.Number(card, 2)} of 6"
            + (r.Shape is null ? "" : $", {r.Shape.Trim()}") + (stand is null ? "" : $", {stand.Value.Says}"),
            card >= 4 ? "green" : card >= 3 ? "pale" : "yellow", card >= 3 && hint is null ? Tone.Go : Tone.Mind, null, hint),
            "of 6", Evidence.PractitionersRule, [new("leaf colour", "on the card, the youngest full grown leaf", "",
                $"{Say.Number(card, 2)} of 6", "a hint, to be confirmed by a leaf sheet"), .. stand?.Line is { } line ? [line]
                    : Array.Empty<WorkingLine>()]);
    }

    internal static Worked<CheckAnswer>? Weeds(CheckAsked r, Checks checks)
    {
        if (r.Weeds is not { Count: > 0 and <= 40 } weeds)
        {
            checks.Add("weeds", "No weed was counted.", "Three frames of a quarter square metre; kind by kind.");
            return null;
        }

        for (var i = 0; i < weeds.Count; i++)
        {
            if (string.IsNullOrWhiteSpace(weeds[i].Kind) || weeds[i].Kind!.Length > Names.Most)
            {
                checks.Add($"weeds[{i}].kind", "It has no name, or one too long.", "Say which weed.");
            }

            CheckReading.Whole(checks, $"weeds[{i}].counts", weeds[i].Counts, 12, 10_000);
        }

        if (!checks.Sound)
        {
            return null;
        }

        var frames = weeds.Max(w => w.Counts!.Count);
        var all = Exact.Rate(weeds.Sum(w => w.Counts!.Sum()), frames * CheckReading.FrameM2);
        var most = weeds.MaxBy(w => w.Counts!.Sum())!;
        return CheckReading.Answer(new CheckAnswer(CheckKind.Weeds, all.Value, all.Lower, all.Upper, "a m²",
            $"{Say.Number(all.Value, 2)} a m², most of it {most.Kind!.Trim()}", "counted", Tone.Go, null,
            "What weeds are said to point to is contested: look at the ground’s own figures beside it."),
            new("weeds", "count ÷ (frames × 0.25 m²)", $"{weeds.Sum(w => w.Counts!.Sum())} ÷ ({frames} × 0.25)",
                $"{Say.Number(all.Value)} a m², "
                + CheckReading.Span(all.Lower, all.Upper), "frames of a quarter square metre"), Evidence.Contested);
    }

    private static int Count(Checks checks, string field, int? count, int least, int most)
    {
        if (count is not { } n || n < least || n > most)
        {
            checks.Add(field, count is null ? "It was not counted." : $"{count} can’t be.", $"Give {least} to {most}.");
            return least;
        }

        return n;
    }
}
