using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace MudPie.Core.Ideas;

/// <summary>The one word of each member of an idea, as it stands in JSON, in files and in sentences.</summary>
public static class Words
{
    /// <summary>The word of a member: <see cref="Purpose.Leaf"/> is "leaf", <see cref="Design.SplitPlot"/> "split-plot".</summary>
    public static string Word<T>(this T member)
        where T : struct, Enum => Of<T>.ByMember[member];

    /// <summary>The member of that word, whatever its case; null where none is.</summary>
    public static T? Read<T>(string? word)
        where T : struct, Enum => word is not null && Of<T>.ByWord.TryGetValue(word, out var member) ? member : null;

    /// <summary>The member of a word that this program wrote itself.</summary>
    /// <exception cref="ArgumentException">It is no word of the idea.</exception>
    public static T Must<T>(string word)
        where T : struct, Enum => Read<T>(word) ?? throw new ArgumentException($"“{word}” is no {typeof(T).Name}.", nameof(word));

    /// <summary>All words of an idea, in its order.</summary>
    public static IReadOnlyList<string> All<T>()
        where T : struct, Enum => [.. Of<T>.ByMember.Values];

    /// <summary>All words of an idea that is known at run time only.</summary>
    public static IReadOnlyList<string> All(Type idea) => [.. Enum.GetNames(idea).Select(name => Named(idea, name))];

    private static string Named(Type idea, string member) =>
        idea.GetField(member)!.GetCustomAttribute<JsonStringEnumMemberNameAttribute>()?.Name
            ?? JsonNamingPolicy.CamelCase.ConvertName(member);

    private static class Of<T>
        where T : struct, Enum
    {
        public static readonly Dictionary<T, string> ByMember = Enum.GetValues<T>()
            .ToDictionary(m => m, m => Named(typeof(T), m.ToString()));

        public static readonly Dictionary<string, T> ByWord = ByMember.ToDictionary(p => p.Value, p => p.Key,
            StringComparer.OrdinalIgnoreCase);
    }
}
