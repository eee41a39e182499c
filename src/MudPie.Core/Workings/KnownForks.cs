namespace MudPie.Core.Workings;

/// <summary>The forks at which a grower may choose, each with its schools. A choice for anything else is refused.</summary>
public static class KnownForks
{
    /// <summary>Ids of the schools, by id of the fork.</summary>
    public static readonly IReadOnlyDictionary<string, IReadOnlyList<string>> All = new Dictionary<string, IReadOnlyList<string>> {
        ["air"] = ["oxygen", "light", "heavy"],
        ["brew-time"] = ["forecast", "fixed", "warmth"],
        ["hold"] = ["oxygen", "hour", "day", "cool"],
        ["root-brew"] = ["extract", "either"],
        ["tea-or-extract"] = ["only-extract", "either"],
        ["food"] = ["carry", "rich", "light", "none"],
        ["clear-chlorine"] = ["ascorbic", "thiosulfate", "stand", "bubble", "humic", "citric", "carbon", "ro"],
        ["dilution"] = ["neat", "even", "five", "twenty", "fifty"],
        ["bias"] = ["crop", "ph", "count"],
        ["order"] = ["source-first", "food-first"],
        ["brix-line"] = ["own", "bands", "twelve"],
        ["replication"] = ["four", "pair"],
        ["lift"] = ["after", "full-moon"],
        ["zodiac"] = ["boundaries", "star-twelfths", "equinox-twelfths"],
    };

    /// <summary>What is wrong with a choice; null where nothing is.</summary>
    /// <remarks>"hold" with "hour" is sound; "moon-phase" is no fork here, and "hold" with "week" no school of it.</remarks>
    public static FieldProblem? Wrong(string field, string? fork, string? school) =>
        fork is null || !All.TryGetValue(fork, out var schools) ? new(field, $"“{(fork ?? "").Trim()}” is not a fork that is known here.",
            $"Choose at one of {Say.List([.. All.Keys])}.")
        : school is null || !schools.Contains(school) ? new(field, $"“{(school ?? "").Trim()}” is no school of the fork {fork}.",
            $"Choose {string.Join(" or ", schools)}.")
        : null;
}
