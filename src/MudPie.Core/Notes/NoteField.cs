using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

using static MudPie.Core.Notes.NoteNames;

namespace MudPie.Core.Notes;

/// <summary>Rain, watering and what was done to the ground, in a few words.</summary>
internal static class NoteField
{
    private static readonly (FieldDeed Deed, string[] Words)[] Known =
    [
        (FieldDeed.Rain, ["rain", "rained", "rainfall"]), (FieldDeed.Watered, ["watered", "watering", "irrigated", "irrigation"]),
        (FieldDeed.Sowed, ["sowed", "sown", "sow", "seeded", "drilled"]), (FieldDeed.Planted, ["planted", "transplanted"]),
        (FieldDeed.Tilled, ["tilled", "ploughed", "plowed", "dug", "hoed", "harrowed"]), (FieldDeed.Crimped, ["crimped", "rolled"]),
        (FieldDeed.Mowed, ["mowed", "mown", "topped"]), (FieldDeed.Grazed, ["grazed"]), (FieldDeed.Mulched, ["mulched"]),
        (FieldDeed.Cleared, ["cleared"]),
    ];

    private static readonly HashSet<string> Small = ["it", "the", "we", "i", "on", "in", "of", "with", "to", "a", "an", "at", "and", "deep",
        "was"];

    private static readonly HashSet<string> UnitWords = ["mm", "cm", "in", "inch", "inches", "l", "litres", "litre", "gal", "gallons", "ml",
        "m3"];

    /// <summary>What the note begins with, figures and small words aside; null where that is none of these.</summary>
    /// <remarks>"rain 12", "12 mm of rain", "it rained 12": rain. "oats sowed late": none of these, as it begins with oats.</remarks>
    internal static FieldDeed? Said(List<string> words)
    {
        var first = words.FirstOrDefault(w => !char.IsAsciiDigit(w[0]) && !Small.Contains(w)
            && w is not ("mm" or "cm" or "inch" or "inches"));
        return first is null || Known.FirstOrDefault(k => k.Words.Contains(first)) is not { Words: not null } found ? null : found.Deed;
    }

    /// <summary>Reads it.</summary>
    /// <remarks>"watered 40 L bed 4": watered, 40 L, on Ridge Bed 4. "sowed oats creek": oats on Creek Field. "rain 12": all the
    /// ground.</remarks>
    internal static Ruling<NoteUnderstood> Read(FieldDeed deed, List<string> words, IReadOnlyList<Nameable> names, string? time,
        UnitSystem units)
    {
        List<string> guessed = [];
        // By its own name alone: what is sown there may be what another bed grows.
        List<Nameable> beds = [.. names.Where(n => n.Kind == NameOf.Bed)];
        var named = Targets(words, [.. beds.Select(b => b with { Also = [] })], NameOf.Bed, guessed);
        if (named.Count == 0 && deed is not (FieldDeed.Rain or FieldDeed.Sowed or FieldDeed.Planted))
        {
            named = Targets(words, beds, NameOf.Bed, guessed);
        }

        var own = named.SelectMany(n => Words(n.Name)).ToHashSet();
        var amount = Amount(deed, words, own);
        var crop = deed is FieldDeed.Sowed or FieldDeed.Planted ? string.Join(' ', words.Where((w, i) => !Small.Contains(w)
            && !own.Contains(w) && !own.Any(o => o.Length >= 4 && Near(w, o)) && !Known.Any(k => k.Words.Contains(w))
            && !char.IsAsciiDigit(w[0]))) : null;
        var asked = new FieldAsked { Deed = deed, Amount = amount, Crop = crop };
        var read = FieldDeeds.Do(asked, named.Count > 0 ? 1e6 : null, units); // how large the bed is, is asked when it is written
        if (read.Refused is { } no)
        {
            return named.Count == 0 && deed != FieldDeed.Rain
                ? Refusal.Of("text", "It is not said where.", "Name the bed: watered 40 L ridge bed 4.")
                : new Refusal([.. no.Problems.Select(p => p with { Field = "text" })]);
        }

        var (mm, litres) = (read.Value.Litres is null ? read.Value.Mm : null, read.Value.Litres);
        var what = litres is { } l ? $"{deed.Word()}, {Units.Show(l, Dimension.Volume, units)}"
            : FieldDeeds.Says(deed, (mm, null, read.Value.DepthCm), crop, null, units);
        var where = named.Count switch {
            0 => " on all the ground",
            1 => $" on {named[0].Name}",
            _ => $" on one of {Say.List([.. named.Take(6).Select(t => t.Name)])}",
        };
        return Worked.Of(new NoteUnderstood(NoteKind.Field, [], deed.Word(), named, null, null, null, time,
            $"{char.ToUpperInvariant(what[0])}{what[1..]}{where}{(time is null ? "" : $", at {time}")}.", guessed, named.Count > 1) {
            Field = asked
        }, "", Evidence.MeasuredHere, [new("what was understood", "words against the holding's own names, with small slips",
            string.Join("; ", guessed), deed.Word(), "nothing is written before you say so")]);
    }

    /// <summary>The figure with its unit, that is no bed's own number.</summary>
    private static string? Amount(FieldDeed deed, List<string> words, HashSet<string> own)
    {
        if (deed is not (FieldDeed.Rain or FieldDeed.Watered or FieldDeed.Tilled))
        {
            return null;
        }

        for (var i = 0; i < words.Count; i++)
        {
            if (!NoteIt.Number().IsMatch(words[i]) || (own.Contains(words[i]) && IsNumberOfName(words, i, [.. own])))
            {
                continue;
            }

            return i + 1 < words.Count && UnitWords.Contains(words[i + 1]) ? $"{words[i]} {words[i + 1]}" : words[i];
        }

        return null;
    }
}
