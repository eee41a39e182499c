using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Claims;

/// <summary>What one comparison of a trial found.</summary>
/// <param name="Of">What was compared with the control.</param>
/// <param name="Word">The verdict.</param>
/// <param name="Sentence">In words.</param>
public sealed record TriedThing(string Of, Finding Word, string Sentence);

/// <summary>A trial, as claims see it.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Question">Its question.</param>
/// <param name="On">When it ended, or was last measured.</param>
/// <param name="Things">What was compared, with names of the shelf in them.</param>
public sealed record TriedTrial(int Id, string Question, DateOnly On, IReadOnlyList<TriedThing> Things);

/// <summary>A square-metre test, as claims see it.</summary>
/// <param name="Id">Its number.</param>
/// <param name="On">When.</param>
/// <param name="Bed">Where.</param>
/// <param name="Lifts">What each candidate did, with its kind on the shelf.</param>
public sealed record TriedPatch(int Id, DateOnly On, string Bed, IReadOnlyList<(string Name, string Kind, double Lift, string Word)> Lifts);

/// <summary>Lays what was found here beside each claim.</summary>
public static class ClaimFinds
{
    /// <summary>Whether a text names what a claim is about: one of its words, from the beginning of a word on.</summary>
    /// <param name="card">The claim.</param>
    /// <param name="thing">What was compared: words are looked for there, and of "seaweed &amp; mycorrhiza" both.</param>
    /// <param name="question">What was asked; of "char+wilt" each part may stand in either.</param>
    /// <remarks>"Rootbank spores, mycorrhizal" names "mycorrhiza"; "plants" does not name "ants". A char that was tried for height names
    /// "char", and not "char+wilt".</remarks>
    public static bool Names(ClaimCard card, string thing, string question = "") => card.Words.Any(w => w.Contains('+')
        ? w.Split('+').All(p => Begins(thing, p.Trim()) || Begins(question, p.Trim()))
        : w.Split('&').All(p => Begins(thing, p.Trim())));

    private static bool Begins(string text, string word) => Reckoning.Practices.Begins(text, word);

    /// <summary>What was given in a treatment: its levels but for those that are none.</summary>
    /// <remarks>"no seaweed, mycorrhiza": mycorrhiza. "tea": tea.</remarks>
    private static List<string> Given(string treatment) => [.. treatment.Split(", ").Where(l => !l.StartsWith("no ",
        StringComparison.OrdinalIgnoreCase) && !l.StartsWith("without", StringComparison.OrdinalIgnoreCase))];

    /// <summary>What a verdict says of a claim.</summary>
    /// <param name="toward">What the claim says would be seen.</param>
    /// <param name="word">The trial's verdict.</param>
    /// <remarks>"No useful difference" speaks against a claim of good, and for one that says that nothing happens. "Cannot tell yet" says
    /// nothing of any.</remarks>
    public static FoundSays Says(ClaimToward toward, Finding word) => (word, toward) switch {
        (Finding.CannotTell, _) => FoundSays.CannotTell,
        (Finding.Works or Finding.Some, ClaimToward.Good) or (Finding.Harm, ClaimToward.Harm)
            or (Finding.NoUse, ClaimToward.Nothing) => FoundSays.For,
        (Finding.Some, ClaimToward.Nothing) => FoundSays.CannotTell,
        _ => FoundSays.Against,
    };

    /// <summary>What trials say of a claim: for each the comparison that names it, the one in which it was given with the least
    /// else.</summary>
    /// <param name="card">The claim.</param>
    /// <param name="trials">Trials that may be read.</param>
    /// <remarks>That a trial was planned from a claim's card counts for nothing: what it compared does.</remarks>
    public static IReadOnlyList<ClaimFound> OfTrials(ClaimCard card, IReadOnlyList<TriedTrial> trials) => [.. trials.Select(t =>
        t.Things.Select(x => (Is: x, On: Given(x.Of))).Where(x => Names(card, string.Join(", ", x.On), t.Question))
            .OrderBy(x => x.On.Count).Select(x => new ClaimFound(card.Key, Says(card.Toward, x.Is.Word),
                $"{t.Question} {x.Is.Of}: {x.Is.Word.Word()}. {x.Is.Sentence}", t.On, "trial", t.Id)).FirstOrDefault())
        .OfType<ClaimFound>()];

    /// <summary>What square-metre tests show beside a claim of a spray. They tell of brix within the hour, and so bear out none.</summary>
    /// <remarks>A lift of 2.4 °Bx from seaweed is shown beside "seaweed lifts yield", and can't tell.</remarks>
    public static IReadOnlyList<ClaimFound> OfPatches(ClaimCard card, IReadOnlyList<TriedPatch> patches) =>
        !card.Uses.Contains(ClaimUse.Spray) ? [] : [.. patches.SelectMany(p => p.Lifts.Where(l => Names(card, $"{l.Name}, {l.Kind}"))
            .Select(l => new ClaimFound(card.Key, FoundSays.CannotTell, $"{l.Name} on {p.Bed}: {(l.Lift >= 0 ? "+" : "−")}"
                + $"{Say.Number(Math.Abs(l.Lift), 2)} °Bx over water within the hour: {l.Word}. Brix only, and a look, not a test.", p.On,
                "square metre", p.Id)))];

    /// <summary>pH of castings by their sheets: near neutral, or not.</summary>
    /// <param name="key">Of which claim.</param>
    /// <param name="sheets">pH of castings by sheet, with its day and number.</param>
    /// <remarks>6.9 bears it out (6.5 to 7.5); 5.8 speaks against it.</remarks>
    public static IReadOnlyList<ClaimFound> OfCastings(string key, IReadOnlyList<(int Id, string Name, DateOnly On, double Ph)> sheets) =>
        [.. sheets.Select(s => new ClaimFound(key, s.Ph is >= 6.5 and <= 7.5 ? FoundSays.For : FoundSays.Against,
            $"{s.Name}: pH {Say.Number(s.Ph, 2)}.", s.On, "sheets", s.Id))];

    /// <summary>What soil pH did on beds over the years beside the brews that they had.</summary>
    /// <param name="key">Of which claim.</param>
    /// <param name="beds">By bed: pH first and last, the years between, brews put out between.</param>
    /// <remarks>From 7.4 to 6.9 in four years with nine brews: down by 0.5, more than the 0.2 that labs stray: for it. One bed without
    /// brews that fell alike would say that it was not the tea.</remarks>
    public static IReadOnlyList<ClaimFound> OfSoilPh(string key,
        IReadOnlyList<(int Id, string Bed, DateOnly On, double First, double Last, double Years, int Brews)> beds) =>
        [.. beds.Where(b => b.Years >= 1 && b.Brews > 0).Select(b =>
        {
            var moved = b.Last - b.First;
            return new ClaimFound(key, moved < -Sheets.SheetChange.PhStray - 1e-9 ? FoundSays.For : moved > -0.05 && b.Years >= 3
                ? FoundSays.Against : FoundSays.CannotTell, $"{b.Bed}: pH {Say.Number(b.First, 2)} to {Say.Number(b.Last, 2)} in "
                + $"{Say.Number(b.Years, 2)} years with {Say.Count(b.Brews, "brew")}.", b.On, "sheets", b.Id);
        })];

    /// <summary>Whether pests were fewer where brix was higher: a rank correlation with its interval.</summary>
    /// <param name="key">Of which claim.</param>
    /// <param name="pairs">Brix and pests counted at one bed within three days of each other.</param>
    /// <param name="on">Of the last pair.</param>
    /// <remarks>Fisher's z of the rank correlation, standard error 1.03 ÷ √(n − 3) (Fieller and others, 1957). Eight pairs in falling
    /// order: −1, and so for it. Fewer than six pairs, or an interval that holds nought: it can't tell.</remarks>
    public static IReadOnlyList<ClaimFound> OfPests(string key, IReadOnlyList<(double Brix, double Pests)> pairs, DateOnly on)
    {
        if (pairs.Count < 3)
        {
            return [];
        }

        var r = Ranked([.. pairs.Select(p => p.Brix)], [.. pairs.Select(p => p.Pests)]);
        var (low, high) = Interval(r, pairs.Count);
        return [new ClaimFound(key, pairs.Count < 6 ? FoundSays.CannotTell : high < 0 ? FoundSays.For : low > -0.2 ? FoundSays.Against
            : FoundSays.CannotTell, $"{Say.Count(pairs.Count, "pair")} of brix and a count within three days: rank correlation "
            + $"{Say.Number(r, 2)}, {Say.Number(low, 2)} to {Say.Number(high, 2)}. Both may follow weather or stage.", on, "counts", null)];
    }

    /// <summary>Where the rank correlation lies, with 95 %.</summary>
    public static (double Low, double High) Interval(double r, int n)
    {
        if (n < 4)
        {
            return (-1, 1);
        }

        var (z, half) = (Math.Atanh(Math.Clamp(r, -0.999, 0.999)), 1.96 * 1.03 / Math.Sqrt(n - 3));
        return (Math.Tanh(z - half), Math.Tanh(z + half));
    }

    /// <summary>Rank correlation after Spearman, ties sharing their ranks; 0 where one of them never changes.</summary>
    public static double Ranked(IReadOnlyList<double> a, IReadOnlyList<double> b)
    {
        var (x, y) = (Ranks(a), Ranks(b));
        var (mx, my) = (x.Average(), y.Average());
        var (sxy, sxx, syy) = (x.Zip(y, (p, q) => (p - mx) * (q - my)).Sum(), x.Sum(p => (p - mx) * (p - mx)), y.Sum(q => (q - my)
            * (q - my)));
        return sxx * syy <= 0 ? 0 : sxy / Math.Sqrt(sxx * syy);
    }

    private static double[] Ranks(IReadOnlyList<double> v) => [.. v.Select(x => v.Count(o => o < x) + ((v.Count(o => o == x) + 1) / 2.0))];

    /// <summary>What was found in all, in a sentence.</summary>
    /// <remarks>"Here 2 for it, 1 against; neighbours: 1 for it."</remarks>
    public static string Sum(IReadOnlyList<ClaimFound> found)
    {
        static string? Of(IEnumerable<ClaimFound> some)
        {
            List<string> parts = [.. new[] { (FoundSays.For, "for it"), (FoundSays.Against, "against"),
                (FoundSays.CannotTell, "can’t tell") }
                .Select(w => (Count: some.Count(f => f.Says == w.Item1), w.Item2)).Where(w => w.Count > 0)
                .Select(w => $"{w.Count} {w.Item2}")];
            return parts.Count == 0 ? null : Say.List(parts);
        }

        var (here, near) = (Of(found.Where(f => f.Of != "neighbour")), Of(found.Where(f => f.Of == "neighbour")));
        return here is null && near is null ? "Nothing was found here yet." : here is null ? $"Nothing here yet; neighbours: {near}."
            : near is null ? $"Here {here}." : $"Here {here}; neighbours: {near}.";
    }
}
