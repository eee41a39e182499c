using System.Globalization;
using System.IO.Compression;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace MudPie.Server.Tests.Fuzz;

/// <summary>Makes bodies from the schemas of the OpenAPI document: first one that fits, then spoilt in a place or two. The same seed makes
/// the same bodies.</summary>
public sealed class HostileBodies(JsonNode openApi, int seed)
{
    private readonly Random _chance = new(seed);

    private static readonly string[] Texts =
    [
        "", " ", "x", "5 L", "2 kg", "1 m2", "12 %", "0", "-1", "1e308", "-1e308", "1e-320", "NaN", "Infinity", "٣", "١٢.٥ L", "७ kg", "１２",
        "1,000", "½ cup", "1" + new string(' ', 4000) + "x",
        "0x10", "null", "true", "[]", "\u0000", "a\u0000b", "\u200b\u200b", "\u202eevil", "e\u0301", "🌱🌱", "\ud83d", "=1+1",
        "'; DROP TABLE Beds; --", "<script>alert(1)</script>", "../../etc/passwd", "a,b\n1,2", "time,mg/L\n2026-06-10 05:00,7",
        "12:60", "24:00", "1 h 60 min",
        "tea", "extract", "leaf", "root", "kelp", "molasses", "control", "brix", "bucket", "mains", "airStone", "annual", "can", "pair",
        "blocks", "splitPlot", "other", "bought", "count", "spilt", "oxygen", "fed", "note", "kg", "L",
    ];

    private static readonly string[] Dates =
    [
        "9999-12-31T23:59:59Z", "0001-01-01T00:00:00Z", "2026-06-11T07:00:00Z", "2026-06-11", "2026-02-30", "2026-06-11T07:00:00+14:00",
        "9999-12-31T23:59:59-14:00", "0001-01-01T00:00:00+14:00",
        "1800-01-01T00:00:00Z", "1799-12-31T23:59:59Z", "2300-01-01T00:00:00Z", "2299-12-31T23:59:59Z", "9999-12-31", "0001-01-01",
        "2026-03-29T01:30:00", "2026-10-25T01:30:00", "2026-06-09T07:00:00Z", "2027-06-11T07:00:00Z", "2026-06-11 07:00", "11.6.2026",
        "2026-06-11T07:00:00.0000000001Z", "-2026-06-11",
    ];

    private static readonly double[] Numbers = [0, -0.0, 1, -1, 2, 7.5, 18, 60, 1e-320, 1e-9, 1e6, 1e15, 1e300, -1e300, int.MaxValue,
        2147483648.0, long.MaxValue, double.MaxValue, double.MinValue];

    /// <summary>Text bodies that no schema knows.</summary>
    public static readonly string[] Raw =
    [
        "", " ", "null", "[]", "{}", "{", "}", "\"x\"", "1", "-", "true", "[null]", "{\"\":null}", "{\"a\":1,\"a\":2}", "\u0000", "NaN",
        "{\"text\":NaN}", new string('[', 200), string.Concat(Enumerable.Repeat("{\"a\":", 100)) + "1" + new string('}', 100),
        "{\"text\":\"\\ud800\"}",
    ];

    /// <summary>One of a list, by the seed.</summary>
    public T Any<T>(IReadOnlyList<T> of) => of[_chance.Next(of.Count)];

    /// <summary>True so many times in a hundred.</summary>
    public bool In100(int times) => _chance.Next(100) < times;

    /// <summary>A body for a schema, or for one that is known to be taken, spoilt in none to three places.</summary>
    public JsonNode? Of(JsonNode? schema, string? known)
    {
        var body = known is not null && In100(70) ? JsonNode.Parse(known) : Fit(schema, 0);
        for (var i = _chance.Next(4); i > 0; i--)
        {
            body = Spoil(body, schema);
        }

        return body;
    }

    private JsonNode? Resolve(JsonNode? schema)
    {
        while (schema?["$ref"] is { } to)
        {
            schema = ((string)to!).StartsWith("#/components/", StringComparison.Ordinal)
                ? openApi["components"]!["schemas"]![((string)to!).Split('/')[^1]] : null;
        }

        return (schema?["oneOf"] ?? schema?["anyOf"])?.AsArray() is { } choices
            ? Resolve(Any<JsonNode?>([.. choices.Where(c => (c!["type"] as JsonValue)?.ToString() != "null")])) : schema;
    }

    private JsonNode? Fit(JsonNode? asked, int depth)
    {
        var schema = Resolve(asked);
        if (schema is null || depth > 8)
        {
            return null;
        }

        if (schema["enum"] is JsonArray words)
        {
            return Any<JsonNode?>([.. words])?.DeepClone();
        }

        var types = schema["type"] switch {
            JsonArray many => many.Select(t => (string)t!).Where(t => t != "null").ToList(),
            JsonValue one => [(string)one!],
            _ => schema["properties"] is null ? ["string"] : ["object"]
        };
        switch (types.Count == 0 ? "string" : Any(types))
        {
            case "object":
                var made = new JsonObject();
                foreach (var (name, of) in (schema["properties"] as JsonObject ?? []).Where(_ => In100(85)))
                {
                    made[name] = Fit(of, depth + 1);
                }

                return made;
            case "array":
                return new JsonArray([.. Enumerable.Range(0, _chance.Next(4)).Select(_ => Fit(schema["items"], depth + 1))]);
            case "integer": return _chance.Next(0, 16);
            case "number": return Math.Round(_chance.NextDouble() * 40, 2);
            case "boolean": return In100(50);
            default:
                return (string?)schema["format"] is "date-time" or "date" ? In100(30) ? Any(Dates) : "2026-06-1" + _chance.Next(1, 9)
                + "T07:00:00Z" : In100(10) ? Any(Dates) : Any(Texts);
        }
    }

    private JsonNode? Spoil(JsonNode? body, JsonNode? schema)
    {
        var places = new List<(JsonNode Parent, object Key)>();
        Walk(body, places);
        if (places.Count == 0 || In100(3))
        {
            return In100(50) ? Nasty(null) : Fit(schema, 0);
        }

        var (parent, key) = Any(places);
        if (parent is JsonObject o)
        {
            var name = (string)key;
            if (In100(15))
            {
                o.Remove(name);
            }
            else
            {
                var nasty = Nasty(o[name]);
                o[name] = nasty;
            }
        }
        else if (parent is JsonArray a)
        {
            var at = (int)key;
            var nasty = In100(40) ? null : Nasty(a[at]);
            a[at] = nasty;
        }

        return body;
    }

    /// <summary>Bytes of a file, spoilt: cut short, turned over, overwritten or stuffed. A zip is opened and what lies in it spoilt
    /// too.</summary>
    public byte[] Of(byte[] file)
    {
        byte[] made = file is [0x50, 0x4B, ..] && In100(70) ? Zip(file) : [.. file];
        for (var i = _chance.Next(3); i > 0 && made.Length > 0; i--)
        {
            switch (_chance.Next(5))
            {
                case 0: made = made[.._chance.Next(made.Length)]; break;
                case 1: made[_chance.Next(made.Length)] ^= (byte)(1 << _chance.Next(8)); break;
                case 2: made.AsSpan(_chance.Next(Math.Min(64, made.Length))..).Fill(0xFF); break;
                case 3: _chance.NextBytes(made.AsSpan(_chance.Next(made.Length)..)); break;
                default: made = [.. made, .. made]; break;
            }
        }

        return made;
    }

    private byte[] Zip(byte[] file)
    {
        using var made = new MemoryStream();
        using (var from = new ZipArchive(new MemoryStream(file)))
        using (var to = new ZipArchive(made, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var entry in from.Entries.Where(_ => In100(95)))
            {
                using var reader = new StreamReader(entry.Open());
                using var writer = new StreamWriter(to.CreateEntry(In100(97) ? entry.FullName : "../" + entry.FullName).Open(),
                    Encoding.UTF8);
                var text = reader.ReadToEnd();
                writer.Write(In100(60) ? Within(text) : text);
            }
        }

        return made.ToArray();
    }

    private string Within(string text)
    {
        if (text.TrimStart() is ['{', ..] or ['[', ..] && Parsed(text) is { } inner)
        {
            return Spoil(inner, null)?.ToJsonString() ?? "null";
        }

        var lines = text.Split('\n');
        var line = _chance.Next(lines.Length);
        var cells = lines[line].Split(',');
        cells[_chance.Next(cells.Length)] = In100(25) ? Any(Dates) : In100(30) ? Any(Numbers).ToString("R", CultureInfo.InvariantCulture)
            : Any(Texts);
        lines[line] = string.Join(',', In100(90) ? cells : [.. cells, .. cells]);
        return string.Join('\n', In100(90) ? lines : [.. lines, .. lines]);
    }

    private static JsonNode? Parsed(string text)
    {
        try
        {
            return JsonNode.Parse(text);
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static bool IsDate(string text) => text.Length is > 9 and < 40
        && DateTimeOffset.TryParse(text, CultureInfo.InvariantCulture, out _);

    private JsonNode? Nasty(JsonNode? was) => was is JsonValue text && text.TryGetValue<string>(out var said) && In100(65)
        && (IsDate(said) || said.Contains('\n', StringComparison.Ordinal) || said is ['{', ..])
        ? IsDate(said) ? Any(Dates) : Within(said)
        : Worse(was);

    private JsonNode? Worse(JsonNode? was) => _chance.Next(12) switch {
        0 or 1 => null,
        2 => new JsonArray(),
        3 => new JsonArray((JsonNode?)null),
        4 => new JsonObject(),
        5 => was is JsonArray many ? new JsonArray([.. Enumerable.Range(0, 300).Select(_ => many.Count == 0 ? null : many[0]?.DeepClone())])
            : new string('9', 400),
        6 => was is JsonArray twice ? new JsonArray([.. twice.Concat(twice).Select(x => x?.DeepClone())]) : new string('x', 300_000),
        7 => Any(Numbers) is var n && double.IsFinite(n) ? JsonValue.Create(n) : 0,
        _ => was is JsonValue v && v.TryGetValue<double>(out _) ? JsonValue.Create(Any(Numbers)) : Any(Texts),
    };

    private static void Walk(JsonNode? node, List<(JsonNode, object)> places)
    {
        if (node is JsonObject o)
        {
            foreach (var (name, value) in o)
            {
                places.Add((o, name));
                Walk(value, places);
            }
        }
        else if (node is JsonArray a)
        {
            for (var i = 0; i < a.Count; i++)
            {
                places.Add((a, i));
                Walk(a[i], places);
            }
        }
    }
}
