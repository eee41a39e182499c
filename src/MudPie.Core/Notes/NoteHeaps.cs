using MudPie.Core.Workings;

using static MudPie.Core.Notes.NoteNames;

namespace MudPie.Core.Notes;

/// <summary>What is said of heaps in a few words.</summary>
internal static class NoteHeaps
{
    private static readonly string[] Turning = ["turned", "turn", "turning"];

    /// <summary>That one was turned, or a figure besides its own number; null where neither is said.</summary>
    internal static NoteKind? Said(List<string> words, IReadOnlyList<Nameable> names)
    {
        if (At(words) < 0 || !names.Any(n => n.Kind == NameOf.Heap))
        {
            return null;
        }

        var own = Targets(words, names, NameOf.Heap, []) is [var one, ..] ? Words(one.Name) : [];
        return words.Any(Turning.Contains) ? NoteKind.Turned
            : words.Where((w, i) => NoteIt.Number().IsMatch(w) && !(own.Contains(w) && IsNumberOfName(words, i, own))).Any()
                ? NoteKind.HeapWarmth : null;
    }

    /// <summary>A number right after the word, that no heap here bears and that can't be its core, as another figure is said or it was
    /// turned: nothing is written to a heap that was not meant.</summary>
    /// <remarks>"heap 3 61 C" where heaps 1 and 2 stand: there is no heap 3. "heap 61 C": its core.</remarks>
    internal static Refusal? Unknown(List<string> words, IReadOnlyList<Nameable> names, bool turned)
    {
        var at = At(words) + 1;
        if (at >= words.Count || !words[at].All(char.IsAsciiDigit))
        {
            return null;
        }

        List<Nameable> heaps = [.. names.Where(n => n.Kind == NameOf.Heap)];
        var figure = words.Where((w, i) => i != at && NoteIt.Number().IsMatch(w)).Any();
        return heaps.Any(h => Words(h.Name).Contains(words[at])) || !(turned || figure) ? null
            : Refusal.Of("text", $"There is no heap {words[at]}.", $"Name one that stands here: {Say.List([.. heaps.Take(6).Select(h =>
                h.Name)])}.");
    }

    private static int At(List<string> words) => words.FindIndex(w => w is "heap" or "heaps");
}
