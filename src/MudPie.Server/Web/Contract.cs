using System.Collections;
using System.Globalization;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using MudPie.Core.Workings;

namespace MudPie.Server.Web;

/// <summary>What a request must hold to before any rule sees it: no null where the contract says none, no text beyond its limit, no signs
/// that can't be seen or kept.</summary>
/// <remarks>Kept here once for all endpoints and calculators; answers are written as they are. The schemas stay those of the
/// types.</remarks>
public static class Contract
{
    /// <summary>Adds the checks to a set of options.</summary>
    public static void Set(JsonSerializerOptions options) =>
        options.TypeInfoResolver = (options.TypeInfoResolver ?? new DefaultJsonTypeInfoResolver()).WithAddedModifier(Hold);

    private static void Hold(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object)
        {
            return;
        }

        var looks = new List<Held>();
        var nullability = new NullabilityInfoContext();
        foreach (var property in type.Properties.Where(p => !p.PropertyType.IsValueType || p.PropertyType == typeof(DateTimeOffset?)))
        {
            if (property.AttributeProvider is not PropertyInfo { CanRead: true } of || of.GetIndexParameters().Length > 0)
            {
                continue;
            }

            var never = !property.PropertyType.IsValueType && nullability.Create(of).ReadState == NullabilityState.NotNull;
            if (never && property.AssociatedParameter is { HasDefaultValue: false })
            {
                property.IsRequired = true; // left out is as good as null
            }

            looks.Add(new Held(property.Name, of, TextLimits.Of(type.Type.Name, property.Name), never));
        }

        if (looks.Count > 0)
        {
            type.OnDeserialized = read => looks.ForEach(l => l.Look(read));
        }
    }

    /// <summary>What a property is held to.</summary>
    private sealed record Held(string Field, PropertyInfo Of, int Most, bool Never)
    {
        public void Look(object read)
        {
            switch (Of.GetValue(read))
            {
                case null when Never:
                    throw new RequestFault(Field, "Nothing was given.", "Fill it in, or leave it out altogether.");
                case DateTimeOffset at when at.Year is < 1800 or > 2300:
                    throw new RequestFault(Field, "That time lies at the ends of the calendar.",
                        "Give a day of this century, as 2026-05-01T06:30:00Z.");
                case string text:
                    Clean(Field, text, Most);
                    break;
                case IDictionary several:
                    foreach (DictionaryEntry each in several)
                    {
                        Element($"{Field}.{each.Key}", each.Value);
                    }

                    break;
                case IList list when Of.PropertyType.GetGenericArguments() is not [{ IsValueType: true }]:
                    for (var i = 0; i < list.Count; i++)
                    {
                        Element($"{Field}[{i}]", list[i]);
                    }

                    break;
            }
        }

        private void Element(string field, object? element)
        {
            if (element is null)
            {
                throw new RequestFault(field, "That is nothing at all.", "Take it out, or fill it in.");
            }

            if (element is string word)
            {
                Clean(field, word, Most);
            }
        }
    }

    /// <summary>Looks at a text; it is kept as it was typed, composed or not.</summary>
    /// <exception cref="RequestFault">It is too long, or holds NUL, another control sign, or half a sign.</exception>
    private static void Clean(string field, string text, int most)
    {
        if (text.Length > most)
        {
            throw new RequestFault(field, $"It is longer than {most.ToString("N0", CultureInfo.InvariantCulture)} characters.",
                "Shorten it, or cut it in two.");
        }

        for (var i = 0; i < text.Length; i++)
        {
            var c = text[i];
            if (char.IsControl(c) && c is not ('\n' or '\r' or '\t'))
            {
                throw new RequestFault(field, $"It holds a sign that can't be seen (U+{(int)c:X4}).", "Delete it, or type the text again.");
            }

            if (char.IsSurrogate(c) && !(char.IsHighSurrogate(c) && i + 1 < text.Length && char.IsLowSurrogate(text[++i])))
            {
                throw new RequestFault(field, "It holds half a sign, which can't be kept.", "Delete it, or type the text again.");
            }
        }

    }
}

/// <summary>What was wrong with one field of a request, in words; the serializer adds in which part of it the field lies.</summary>
/// <param name="name">The field's own name.</param>
/// <param name="wrong">What was wrong.</param>
/// <param name="wayOut">What would do.</param>
public sealed class RequestFault(string name, string wrong, string wayOut) : JsonException(wrong)
{
    /// <summary>The field's own name, with its place in a list; what was wrong; what would do.</summary>
    public FieldProblem Problem { get; } = new(name, wrong, wayOut);
}
