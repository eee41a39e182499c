using System.Globalization;
using System.Text.RegularExpressions;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

using static MudPie.Core.Notes.NoteNames;
using static MudPie.Core.Notes.NoteWords;

namespace MudPie.Core.Notes;

/// <summary>Understands short phrases: readings and uses, plurals, several numbers, units, names with small slips.</summary>
public static partial class NoteIt
{
    private const string Examples =
        "Try: o2 6.7 drum · smells sour tank · brix 9.1 8.8 9.4 fennel top · used 30 ml kelp on ridge bed 4 · picked 12 kg garlic · "
            + "heap 2 61 C · turned heap 2 · fed worms 400 g scraps · rain 12 · watered 40 L bed 4 · sowed oats creek.";

    /// <summary>Reads a phrase against the holding's own names.</summary>
    /// <param name="text">What was typed or said, up to 300 letters.</param>
    /// <param name="names">Vessels, beds, waters and inputs.</param>
    /// <param name="units">Units for a bare number.</param>
    /// <remarks>"o2 6.7 drum" with one barrel: oxygen 6.7 mg/L in the Barrel. "brix 9.1 8.8 9.4 fenel top": brix of the top leaf on the
    /// fennel beds, to be chosen where there are several.</remarks>
    public static Ruling<NoteUnderstood> Read(string? text, IReadOnlyList<Nameable> names, UnitSystem units = UnitSystem.Metric)
    {
        var typed = (text ?? "").Trim();
        if (typed.Length is 0 or > 300)
        {
            return Refusal.Of("text", typed.Length == 0 ? "Nothing was typed." : "That is too long for a note by hand.", Examples);
        }

        var clock = AtTime().Match(typed);
        var time = clock.Success ? $"{int.Parse(clock.Groups[1].Value, CultureInfo.InvariantCulture):00}:{clock.Groups[2].Value}" : null;
        var words = Words(clock.Success ? typed.Remove(clock.Index, clock.Length) : typed);
        if (NoteField.Said(words) is { } deed)
        {
            return NoteField.Read(deed, words, names, time, units);
        }

        var guessed = new List<string>();
        var kind = KindOf(words, guessed);
        if (kind == NoteKind.Note)
        {
            return Note(typed, words, names, time, guessed);
        }

        if (kind is null or NoteKind.Warmth && NoteHeaps.Said(words, names) is { } heap)
        {
            kind = heap;
            if (NoteHeaps.Unknown(words, names, kind == NoteKind.Turned) is { } unknown)
            {
                return unknown;
            }
        }

        if (kind == NoteKind.Use && words.Any(IsWorms) && names.Any(n => n.Kind == NameOf.Worms))
        {
            kind = NoteKind.WormsFed;
        }

        var targets = Targets(words, names, Wanted(kind), guessed);
        return kind switch {
            NoteKind.Turned => Done(NoteKind.Turned, [], null, targets, time, guessed, "Turned", NameOf.Heap),
            NoteKind.Smell => OneWord(NoteKind.Smell, words, Smells, targets, time, guessed, "smells"),
            NoteKind.Foam => OneWord(NoteKind.Foam, words, Foams, targets, time, guessed, "foam"),
            NoteKind.Use => Use(words, names, targets, time, guessed, units),
            NoteKind.WormsFed => Fed(words, targets, time, guessed, units),
            NoteKind.Harvest => Harvest(words, targets, time, guessed, units),
            null => Refusal.Of("text", $"“{typed}” is not understood.", Examples),
            { } figure => Figures(figure, words, targets, time, guessed, units),
        };
    }

    private static NameOf Wanted(NoteKind? kind) => kind switch {
        NoteKind.Brix or NoteKind.Use or NoteKind.Harvest => NameOf.Bed,
        NoteKind.Strip => NameOf.Water,
        NoteKind.HeapWarmth or NoteKind.Turned => NameOf.Heap,
        NoteKind.WormsFed => NameOf.Worms,
        _ => NameOf.Vessel,
    };

    private static NoteKind? KindOf(List<string> words, List<string> guessed)
    {
        foreach (var word in words)
        {
            if (Kinds.FirstOrDefault(k => k.Words.Any(w => Same(word, w))) is { Words: not null } exact)
            {
                return exact.Kind;
            }
        }

        foreach (var word in words.Where(w => w.Length >= 4 && !char.IsAsciiDigit(w[0])))
        {
            var near = Kinds.SelectMany(k => k.Words.Where(w => w.Length >= 4).Select(w => (k.Kind, Word: w)))
                .FirstOrDefault(k => Near(word, k.Word));
            if (near.Word is not null)
            {
                guessed.Add($"“{word}” read as {near.Word}");
                return near.Kind;
            }
        }

        return null;
    }

    private static Ruling<NoteUnderstood> OneWord(NoteKind kind, List<string> words, Dictionary<string, string[]> known,
        List<Nameable> targets, string? time, List<string> guessed, string says)
    {
        var found = known.FirstOrDefault(k => words.Any(w => k.Value.Contains(w))).Key;
        if (found is null)
        {
            foreach (var word in words.Where(w => w.Length >= 4))
            {
                if (known.SelectMany(k => k.Value.Select(v => (k.Key, v)))
                    .FirstOrDefault(k => k.v.Length >= 4 && Near(word, k.v)) is { Key: { } near } hit)
                {
                    guessed.Add($"“{word}” read as {hit.v}");
                    found = near;
                    break;
                }
            }
        }

        return found is null
            ? Refusal.Of("text", $"It is about {kind.Word()}, but not said how.",
                $"Say one of {Say.List([.. known.Select(k => k.Value[0])])}.")
            : Done(kind, [], found, targets, time, guessed,
                $"{(says == "smells" ? "Smells" : "Foam:")} "
                    + $"{found switch {
                        "rottenEgg" => "of rotten eggs",
                        "alcohol" => "of alcohol",
                        "none" when says == "smells" => "of nothing",
                        _ => known[found][0]
                    }}", NameOf.Vessel);
    }

    private static Ruling<NoteUnderstood> Figures(NoteKind kind, List<string> words, List<Nameable> targets, string? time,
        List<string> guessed, UnitSystem units)
    {
        var name = targets.Count > 0 ? Words(targets[0].Name) : [];
        var numbers = new List<double>();
        double? meter = null;
        for (var i = 0; i < words.Count; i++)
        {
            var m = Number().Match(words[i]);
            if (!m.Success || (name.Contains(words[i]) && IsNumberOfName(words, i, name)) || words[i] is "o2")
            {
                continue;
            }

            var read = TypedNumber.Of(m.Groups[1].Value);
            if (!read.Sure)
            {
                return read.Other is null ? Refusal.Of("text", $"“{words[i]}” is not a number.", Examples)
                    : new Refusal([read.TwoWays("text", m.Groups[1].Value)]);
            }

            var figure = read.Value!.Value;
            var unit = m.Groups[2].Value.Length > 0 ? m.Groups[2].Value : i + 1 < words.Count ? words[i + 1] : "";
            if (kind == NoteKind.Brix && unit is "c" or "°c" or "f" or "°f")
            {
                meter = unit.EndsWith('f') ? (figure - 32) / 1.8 : figure;
                continue;
            }

            numbers.Add(kind is NoteKind.Warmth or NoteKind.HeapWarmth
                && (unit is "f" or "°f" || (unit is not ("c" or "°c") && units == UnitSystem.UsCustomary))
                ? (figure - 32) / 1.8 : figure);
        }

        var (what, (low, high), shown, example) = Figured[kind];
        var dry = kind == NoteKind.Brix ? words.Count(w => w == "dry") : 0;
        Sky? sky = kind == NoteKind.Brix && Skies.FirstOrDefault(s => words.Any(w => s.Value.Contains(w))) is { Value: not null } said
            ? said.Key : null;
        if (numbers.Count == 0 && dry == 0)
        {
            return Refusal.Of("text", $"It is about {kind.Word()}, but there is no figure in it.",
                $"Say the figure: {example}.");
        }

        if (numbers.FirstOrDefault(n => n < low || n > high, double.NaN) is var wrong && !double.IsNaN(wrong))
        {
            return Refusal.Of("text", $"{Say.Number(wrong)} {shown} can't be.", $"Give {Say.Number(low)} to {Say.Number(high)} {shown}.");
        }

        var leaf = kind == NoteKind.Brix ? Ideas.Words.All<LeafPosition>().FirstOrDefault(words.Contains) : null;
        var done = Done(kind, numbers, leaf ?? (kind == NoteKind.Brix ? "top" : null), targets, time, guessed,
            $"{what}{(kind == NoteKind.Brix ? $" {leaf ?? "top"} leaf," : "")}"
                + $"{(numbers.Count == 0 ? "" : $" {string.Join(", ", numbers.Select(n => Say.Number(n)))} {shown}")}"
                + $"{(dry == 0 ? "" : $"{(numbers.Count == 0 ? "" : " and")} {dry} dry")}"
                + $"{(sky is null ? "" : $" under a {sky.Value.Word()} sky")}"
                + $"{(meter is null ? "" : $" read at {Say.Number(meter.Value)} °C")}", Wanted(kind));
        return done.Refused is null ? done.Worked.With(done.Value with { TemperatureC = meter, Dry = dry, Sky = sky }, "") : done;
    }

    private static Ruling<NoteUnderstood> Use(List<string> words, IReadOnlyList<Nameable> names, List<Nameable> beds, string? time,
        List<string> guessed, UnitSystem units)
    {
        var (amount, unit, from, length) = NoteAmount.In(words, units, out var asks, Dimension.Volume, Dimension.Mass);
        if (amount is not { } much)
        {
            return asks ?? Refusal.Of("text", "It is a use, but it is not said how much.",
                "Say how much of what, and where: used 30 ml kelp on ridge bed 4.");
        }

        var rest = words.Where((_, i) => i < from || i >= from + length).ToList();
        var inputs = Targets(rest, names, NameOf.Input, guessed);
        if (inputs.Count == 0)
        {
            return Refusal.Of("text", "It is a use, but nothing on the shelf is named.",
                $"Name it as it stands on the shelf: "
                    + $"{Say.List([.. names.Where(n => n.Kind == NameOf.Input).Take(4).Select(n => n.Name)])}.");
        }

        var bed = Targets(rest, names, NameOf.Bed, []);
        var purpose = words.Any(w => w is "leaf" or "leaves" or "foliar" or "sprayed") ? Purpose.Leaf : Purpose.Root;
        var shown = Units.Show(much, unit == "L" ? Dimension.Volume : Dimension.Mass, units);
        var tools = Tools(words, names);
        if (tools.Count > 1)
        {
            return Refusal.Of("text", $"It can mean {Say.Any([.. tools.Select(t => t.Name)])}.",
                "Say one more word of its name: with the old knapsack.");
        }

        var by = tools.Count == 1 ? $" with {tools[0].Name}," : "";
        var done = Done(NoteKind.Use, [], null, bed.Count > 0 ? bed : beds, time, guessed,
            $"Used {shown} of {inputs[0].Name}{(purpose == Purpose.Leaf ? ", on leaves," : "")}{by}", NameOf.Bed);
        return done.Refused is { } no
            ? no : done.Worked.With(done.Value with {
                Input = inputs[0],
                Amount = much,
                AmountUnit = unit,
                Purpose = purpose,
                Tool = tools.FirstOrDefault()
            }, "");
    }

    private static bool IsWorms(string word) => word is "worm" or "worms" or "wormery";

    private static readonly HashSet<string> FillWords =
        ["fed", "feed", "gave", "given", "put", "used", "use", "of", "the", "to", "with", "in", "some"];

    /// <summary>Worms were fed so much, and what where it was said.</summary>
    private static Ruling<NoteUnderstood> Fed(List<string> words, List<Nameable> bins, string? time, List<string> guessed, UnitSystem units)
    {
        var (amount, unit, from, length) = NoteAmount.In(words, units, out var asks, Dimension.Volume, Dimension.Mass);
        if (amount is not { } much)
        {
            return asks ?? Refusal.Of("text", "Worms were fed, but it is not said how much.", "Say how much: fed worms 400 g scraps.");
        }

        var own = bins.SelectMany(b => Words(b.Name)).ToHashSet();
        var what = string.Join(' ', words.Where((w, i) => (i < from || i >= from + length) && !IsWorms(w) && !own.Contains(w)
            && !FillWords.Contains(w)));
        var shown = Units.Show(much, unit == "L" ? Dimension.Volume : Dimension.Mass, units);
        var done = Done(NoteKind.WormsFed, [], what.Length == 0 ? null : what, bins, time, guessed,
            $"Fed {shown}{(what.Length == 0 ? "" : $" of {what}")}", NameOf.Worms);
        return done.Refused is { } no ? no : done.Worked.With(done.Value with { Amount = much, AmountUnit = unit }, "");
    }

    private static Ruling<NoteUnderstood> Harvest(List<string> words, List<Nameable> beds, string? time, List<string> guessed,
        UnitSystem units)
    {
        var (amount, _, _, _) = NoteAmount.In(words, units, out var asks, Dimension.Mass);
        return amount is { } grams
            ? Done(NoteKind.Harvest, [grams / 1000], null, beds, time, guessed,
                $"Harvested {Units.Show(grams, Dimension.Mass, units)}", NameOf.Bed)
            : asks ?? Refusal.Of("text", "It is a harvest, but it is not said how much.", "Say the weight and where: picked 12 kg garlic.");
    }

    private static Ruling<NoteUnderstood> Note(string typed, List<string> words, IReadOnlyList<Nameable> names, string? time,
        List<string> guessed)
    {
        var said = NoteWord().Replace(typed, "").Trim();
        if (said.Length == 0)
        {
            return Refusal.Of("text", "There is nothing in the note.", "Write what you saw: note aphids on ridge bed 4.");
        }

        var found = Targets(words, names, NameOf.Bed, []);
        var vessels = found.Count == 0 ? Targets(words, names, NameOf.Vessel, []) : [];
        return Done(NoteKind.Note, [], said, found.Count > 0 ? found : vessels, time, guessed, $"Note: {said}", null);
    }

    private static Ruling<NoteUnderstood> Done(NoteKind kind, IReadOnlyList<double> numbers, string? word, List<Nameable> targets,
        string? time, List<string> guessed, string says, NameOf? wants)
    {
        if (targets.Count == 0 && wants is not null)
        {
            return Refusal.Of("text", $"{says}: but where?",
                wants switch {
                    NameOf.Vessel => "Name the vessel: drum, bucket, tank, or its own name.",
                    NameOf.Water =>
                    "Name the water: mains, rain.",
                    NameOf.Heap => "Name the heap.",
                    NameOf.Worms => "Name the worm bin.",
                    _ => "Name the bed, or its crop."
                });
        }

        var where = targets.Count switch {
            0 => "",
            1 => $" {(wants == NameOf.Heap ? "" : wants == NameOf.Worms ? "to " : wants is NameOf.Bed or null ? "on " : "in "
                + "")}{targets[0].Name}",
            _ =>
            $" on one of {Say.List([.. targets.Take(6).Select(t => t.Name)])}"
        };
        return Worked.Of(
            new NoteUnderstood(kind, numbers, word, targets, null, null, null, time,
                $"{says}{where}{(time is null ? "" : $", at {time}")}.", guessed, targets.Count > 1), "", Evidence.MeasuredHere,
            [new("what was understood", "words against the holding's own names, with small slips", string.Join("; ", guessed),
                kind.Word(), "nothing is written before you say so")]);
    }

    [GeneratedRegex(@"\bat ([0-9]{1,2})[:.]([0-9]{2})\b(?!\s*(kg|g|l|ml|%))", RegexOptions.IgnoreCase, 1000)]
    private static partial Regex AtTime();

    [GeneratedRegex(@"^(-?[0-9]{1,7}(?:[.,][0-9]{1,6})*)([a-z°µ/]*)$", RegexOptions.NonBacktracking)]
    internal static partial Regex Number();

    [GeneratedRegex(@"^\s*note\b[:,]?", RegexOptions.NonBacktracking | RegexOptions.IgnoreCase)]
    private static partial Regex NoteWord();
}
