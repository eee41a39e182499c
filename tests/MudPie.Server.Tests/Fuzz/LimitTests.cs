using System.Text.Json.Nodes;

namespace MudPie.Server.Tests.Fuzz;

/// <summary>Each field of each door, one at a time: what is too long, of another kind or not there is refused by the field's own name, and
/// nothing is kept of it.</summary>
public sealed class LimitTests
{
    private static readonly string[] WholeFiles = ["csv", "json", "geoJson"];

    private static IEnumerable<(JsonObject In, string Field, string Place)> Fields(JsonNode? node, string place)
    {
        if (node is JsonObject o)
        {
            foreach (var (name, value) in o.ToList())
            {
                var at = place.Length == 0 ? name : $"{place}.{name}";
                yield return (o, name, at);
                foreach (var deeper in Fields(value, at))
                {
                    yield return deeper;
                }
            }
        }
        else if (node is JsonArray a)
        {
            for (var i = 0; i < a.Count; i++)
            {
                foreach (var deeper in Fields(a[i], $"{place}[{i}]"))
                {
                    yield return deeper;
                }
            }
        }
    }

    /// <summary>Sends each example once for each field that a spoiling applies to, with that field spoilt.</summary>
    private static async Task<List<string>> Spoilt(Func<string, string, JsonNode?, (bool Applies, JsonNode? Value)> spoil,
        Func<int, JsonNode, string, bool> right)
    {
        using var h = new TestHolding(demo: true);
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        (await TestHolding.Send(north, "/api/shared/vessels", new { vesselId = 1 })).Status.ShouldBe(200);
        var before = await h.Http.GetStringAsync("/api/book/book.csv");
        List<string> wrong = [];
        var sent = 0;
        foreach (var (path, body) in Examples.All)
        {
            foreach (var place in Fields(JsonNode.Parse(body), "").Select(f => f.Place).ToList())
            {
                var made = JsonNode.Parse(body)!;
                var (holder, field, _) = Fields(made, "").First(f => f.Place == place);
                var (applies, value) = spoil(path, field, holder[field]);
                if (!applies)
                {
                    continue;
                }

                holder[field] = value;
                sent++;
                bool At(string family) => path.StartsWith($"/api/{family}/", StringComparison.Ordinal);
                var (status, reply) = await TestHolding.Send(At("box") ? box.Keeper : At("shared") ? north : h.Http, path,
                    made.ToJsonString());
                if (!right(status, reply, place))
                {
                    var text = reply.ToJsonString();
                    wrong.Add($"{status} {path} {place}: {text[..Math.Min(text.Length, 200)]}");
                }
            }
        }

        sent.ShouldBeGreaterThan(150);
        (await h.Http.GetStringAsync("/api/book/book.csv")).ShouldBe(before);
        box.All.Names().ShouldBe(["north-field"]);
        return wrong;
    }

    private static bool Names(JsonNode reply, string place) => reply["fields"]?.AsArray()
        .Any(f => (string)f!["field"]! == place || place.EndsWith((string)f["field"]!, StringComparison.Ordinal)) == true;

    private static bool IsText(JsonNode? value) => value is JsonValue v && v.TryGetValue<string>(out _);

    [Fact]
    public async Task A_text_that_is_far_too_long_is_refused_by_its_name_everywhere() =>
        (await Spoilt(
            (path, field, was) => (IsText(was) && !WholeFiles.Contains(field) && (path, field) != ("/api/book/file", "text"),
                new string('x', 20_000)),
            (status, reply, place) => status is 400 or 422 && Names(reply, place))).ShouldBeEmpty();

    [Fact]
    public async Task A_list_where_one_thing_is_meant_is_refused_by_its_name_everywhere() =>
        (await Spoilt(
            (_, _, was) => (was is JsonValue, new JsonArray(1, 2)),
            (status, reply, place) => status is 400 or 422 && Names(reply, place))).ShouldBeEmpty();

    [Fact]
    public async Task A_list_of_nothings_is_refused_by_its_name_everywhere() =>
        (await Spoilt(
            (_, _, was) => (was is JsonValue or JsonArray or JsonObject, new JsonArray((JsonNode?)null)),
            (status, reply, place) => status is 400 or 422 && reply["fields"]!.AsArray()
                .Any(f => ((string)f!["field"]!).StartsWith(place, StringComparison.Ordinal)
                    || place.EndsWith((string)f["field"]!, StringComparison.Ordinal)))).ShouldBeEmpty();
}
