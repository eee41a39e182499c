using System.Text.RegularExpressions;

namespace MudPie.Core.Notes;

/// <summary>Words, slips, and which of the holding's own names they fit.</summary>
public static partial class NoteNames
{
    private static readonly HashSet<string> Small = ["the", "a", "an", "on", "in", "of", "to", "at", "for", "and", "is", "was", "it",
        "with", "onto", "from", "like", "my", "out", "mg/l", "ppm", "bx"];

    internal static List<string> Words(string text) =>
        [.. Token().Matches(text.ToLowerInvariant().Replace('’', '\'')).Select(m => m.Value.Trim('.', ',', ';', ':', '!'))
            .Where(w => w.Length > 0)];

    internal static bool Same(string word, string known) => word == known || word == known + "s" || word == known + "es";

    internal static bool Near(string word, string known) =>
        Slips(word.TrimEnd('s'), known.TrimEnd('s')) <= (known.Length >= 7 ? 2 : known.Length >= 4 ? 1 : 0);

    /// <summary>How many letters are wrong, left out, added, or swapped with their neighbour.</summary>
    public static int Slips(string a, string b)
    {
        var d = new int[a.Length + 1, b.Length + 1];
        for (var i = 0; i <= a.Length; i++)
        {
            d[i, 0] = i;
        }

        for (var j = 0; j <= b.Length; j++)
        {
            d[0, j] = j;
        }

        for (var i = 1; i <= a.Length; i++)
        {
            for (var j = 1; j <= b.Length; j++)
            {
                var swap = i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1] ? d[i - 2, j - 2] + 1 : int.MaxValue;
                d[i, j] = Math.Min(Math.Min(Math.Min(d[i - 1, j], d[i, j - 1]) + 1, d[i - 1, j - 1] + (a[i - 1] == b[j - 1] ? 0 : 1)),
                    swap);
            }
        }

        return d[a.Length, b.Length];
    }

    /// <summary>The things of a kind whose names fit best: all words of a name first, then one that is its own, with small slips.</summary>
    internal static List<Nameable> Targets(List<string> words, IReadOnlyList<Nameable> names, NameOf kind, List<string> guessed)
    {
        var all = names.Where(n => n.Kind == kind).ToList();
        var told = new HashSet<string>();
        List<(Nameable Name, double Score)> Scored(bool slips) =>
            [.. all.Select(n => (n, Score(words, n, slips, told))).Where(x => x.Item2 > 0)];
        var found = Scored(false);
        if (found.Count == 0)
        {
            found = Scored(true);
            guessed.AddRange(told);
        }

        if (found.Count == 0)
        {
            return [];
        }

        var best = found.Max(f => f.Score);
        return [.. found.Where(f => f.Score > best - 1e-9).Select(f => f.Name)];
    }

    /// <summary>The sprayers or cans that "with", "by" or "through" names, the best fit alone; none where none is named.</summary>
    /// <remarks>"sprayed 30 ml kelp on ridge bed 4 with the old knapsack": that one, and not the other knapsack.</remarks>
    internal static List<Nameable> Tools(List<string> words, IReadOnlyList<Nameable> names)
    {
        var said = words.SkipWhile(w => w is not ("with" or "by" or "through")).Skip(1).ToHashSet();
        var found = names.Where(n => n.Kind == NameOf.Sprayer)
            .Select(n => (Name: n, Hits: Words(n.Name).Count(p => p.Length >= 3 && !Small.Contains(p) && said.Contains(p))))
            .Where(x => x.Hits > 0).ToList();
        return found.Count == 0 ? [] : [.. found.Where(x => x.Hits == found.Max(f => f.Hits)).Select(x => x.Name)];
    }

    private static double Score(List<string> words, Nameable n, bool slips, HashSet<string> told)
    {
        var own = Words(n.Name).Where(p => !Small.Contains(p)).ToList();
        bool Hit(string part)
        {
            if (char.IsAsciiDigit(part[0]))
            {
                // A figure is a bed's own number only where it stands behind a word of its name: "3 kg ridge bed 4" is not bed 3.
                return words.Where((w, i) => w == part && IsNumberOfName(words, i, own)).Any();
            }

            if (words.Any(w => w == part || w.TrimEnd('s') == part.TrimEnd('s')))
            {
                return true;
            }

            var near = slips && part.Length >= 4
                ? words.FirstOrDefault(w => w.Length >= 4 && !char.IsAsciiDigit(w[0]) && Near(w, part)) : null;
            if (near is not null)
            {
                told.Add($"“{near}” read as {part}");
            }

            return near is not null;
        }

        var parts = own;
        var hits = parts.Count(Hit);
        var number = parts.FirstOrDefault(p => char.IsAsciiDigit(p[0]));
        var named = hits == parts.Count && parts.Count > 0 ? 2 + parts.Count : 0.0;
        if (named == 0 && hits > 0 && (number is null || Hit(number)) && parts.Where(p => !char.IsAsciiDigit(p[0]))
            .Any(p => p.Length >= (number is null ? 4 : 3) && Hit(p))) // "bed 4" is Ridge Bed 4
        {
            named = 1 + (hits / (double)parts.Count);
        }

        var also = n.Also.SelectMany(Words).Where(a => !Small.Contains(a) && a.Length >= 3).Any(Hit) ? 1.0 : 0;
        return named + also;
    }

    internal static bool IsNumberOfName(List<string> words, int at, List<string> name) =>
        at > 0 && name.Any(p => !char.IsAsciiDigit(p[0]) && (words[at - 1] == p || words[at - 1].TrimEnd('s') == p.TrimEnd('s')
            || (p.Length >= 4 && Near(words[at - 1], p))));

    [GeneratedRegex(@"[^\s,;]+(?:,[0-9]+[^\s,;]*)?", RegexOptions.NonBacktracking)]
    private static partial Regex Token();
}
