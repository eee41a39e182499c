using MudPie.Core.Brewing;

namespace MudPie.Core.Notes;

/// <summary>The words by which a note is known, and what they stand for.</summary>
internal static class NoteWords
{
    /// <summary>What kind of thing is said.</summary>
    public static readonly (NoteKind Kind, string[] Words)[] Kinds =
    [
        (NoteKind.Oxygen, ["o2", "oxygen", "do"]), (NoteKind.Warmth, ["temp", "temperature", "warmth", "warm", "degrees"]),
        (NoteKind.Smell, ["smell", "smelled", "smelt", "nose"]), (NoteKind.Foam, ["foam", "foaming", "froth"]),
        (NoteKind.Strip, ["strip", "chlorine"]), (NoteKind.Brix, ["brix", "bx"]),
        (NoteKind.Use, ["used", "use", "put", "gave", "given", "sprayed", "drenched", "dosed", "fed"]),
        (NoteKind.Harvest, ["harvest", "harvested", "picked", "cut", "pulled", "lifted"]),
        (NoteKind.Note, ["note", "saw", "seen"]),
    ];

    /// <summary>Smells by their word.</summary>
    public static readonly Dictionary<string, string[]> Smells = new() {
        ["earthy"] = ["earthy", "earth", "wood", "woods"],
        ["sweet"] = ["sweet"],
        ["none"] = ["nothing", "none", "neutral"],
        ["sour"] = ["sour", "vinegar"],
        ["rottenEgg"] = ["egg", "eggs", "sulphur", "rotten"],
        ["putrid"] = ["putrid", "foul", "dead"],
        ["alcohol"] = ["alcohol", "beer", "yeasty"],
    };

    /// <summary>Foam by its word.</summary>
    public static readonly Dictionary<string, string[]> Foams = new() {
        ["none"] = ["none", "no", "gone"],
        ["little"] = ["little", "some", "bit", "white"], ["thick"] = ["much", "lot", "lots", "thick"],
        ["over"] = ["over", "overflowing", "side"]
    };

    /// <summary>What has a figure: how it is said, what it may be, its unit, and a phrase that has one.</summary>
    public static readonly Dictionary<NoteKind, (string Says, (double, double) Range, string Unit, string Example)> Figured = new() {
        [NoteKind.Oxygen] = ("Oxygen", BrewReadings.Oxygen, "mg/L", "o2 6.7 and where"),
        [NoteKind.Warmth] = ("Warmth", BrewReadings.Warmth, "°C", "temp 19 and where"),
        [NoteKind.Strip] = ("Strip", BrewReadings.Strip, "mg/L", "strip 0.2 and where"),
        [NoteKind.HeapWarmth] = ("Core", (-20, 95), "°C", "heap 2 61 C"),
        [NoteKind.Brix] = ("Brix,", (0, 30), "°Bx", "brix 9.1 8.8 9.4 fennel top"),
    };

    /// <summary>Skies over a brix reading.</summary>
    public static readonly Dictionary<Sky, string[]> Skies = new() {
        [Sky.Clear] = ["clear", "sunny", "sun", "bright"],
        [Sky.Mixed] = ["mixed", "broken"], [Sky.Dull] = ["dull", "cloudy", "cloud", "overcast", "grey"]
    };
}
