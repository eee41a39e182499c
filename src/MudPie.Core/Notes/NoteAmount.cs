using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Notes;

/// <summary>Amounts within a phrase.</summary>
internal static class NoteAmount
{
    /// <summary>The first amount among the words: L or g, and where it stands.</summary>
    /// <param name="words">Of the phrase.</param>
    /// <param name="units">The holding's.</param>
    /// <param name="asks">What can be read two ways; null for nothing.</param>
    /// <param name="kinds">Volumes, masses, or both.</param>
    /// <remarks>"used half a cup kelp bed 4": 0.118 L from the second word, three words long.</remarks>
    public static (double? Amount, string Unit, int From, int Length) In(List<string> words, UnitSystem units, out Refusal? asks,
        params Dimension[] kinds)
    {
        asks = null;
        for (var i = 0; i < words.Count; i++)
        {
            if (!NoteIt.Number().IsMatch(words[i]) && words[i] is not ("half" or "a"))
            {
                continue;
            }

            Refusal? shortest = null; // of all that begins at this figure
            foreach (var length in new[] { 4, 3, 2, 1 }.Where(n => words.Count >= n))
            {
                if (i + length > words.Count || (length == 1 && !NoteIt.Number().Match(words[i]).Groups[2].Success)
                    || (length == 1 && NoteIt.Number().Match(words[i]).Groups[2].Length == 0))
                {
                    continue;
                }

                var piece = string.Join(' ', words.Skip(i).Take(length));
                foreach (var kind in kinds)
                {
                    var read = AmountText.Read("text", piece, kind, units);
                    if (read.Refused is null && read.Value.Si > 0)
                    {
                        return (read.Value.Si, kind == Dimension.Volume ? "L" : "g", i, length);
                    }

                    // What can be read two ways is asked about, and not taken for no amount at all.
                    if (read.Refused?.Problems[0] is { } p
                        && (p.Ask is not null || p.Wrong.Contains("can be read as", StringComparison.Ordinal)))
                    {
                        shortest = read.Refused;
                    }
                }
            }

            asks ??= shortest;
        }

        return (null, "", 0, 0);
    }
}
