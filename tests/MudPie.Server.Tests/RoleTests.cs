using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace MudPie.Server.Tests;

/// <summary>Every door of the OpenAPI document, tried as nobody, visitor, hand and owner.</summary>
public sealed partial class RoleTests
{
    private static readonly string[] Roles = ["nobody", "visitor", "hand", "owner"];

    [GeneratedRegex(@"\{[^}]+\}", RegexOptions.NonBacktracking)]
    private static partial Regex Part();

    private sealed record Door(string Method, string Path, string? Takes, int Least)
    {
        public HttpRequestMessage Ask()
        {
            var ask = new HttpRequestMessage(new HttpMethod(Method), Path);
            ask.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
            if (Takes is not null)
            {
                ask.Content = new StringContent("{}", System.Text.Encoding.UTF8, Takes);
            }

            return ask;
        }
    }

    private static async Task<List<Door>> Doors(HttpClient who) =>
        [.. JsonNode.Parse(await who.GetStringAsync("/openapi/v1.json"))!["paths"]!.AsObject().SelectMany(path => path.Value!.AsObject()
            .Select(way => new Door(way.Key, Part().Replace(path.Key, "999999"),
                way.Value!["requestBody"]?["content"]!.AsObject().First().Key ?? (way.Key == "get" ? null : "application/json"),
                Array.IndexOf(Roles, (string?)way.Value!["x-least-role"]))))];

    [Fact]
    public async Task Each_door_names_its_least_role_and_opens_to_no_less()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var nobody = h.CreateClient();
        using var visitor = await h.Joined("visitor", "a neighbour");
        using var hand = await h.Joined("hand", "the field hand");
        var doors = await Doors(h.Http);
        doors.Count.ShouldBeGreaterThan(280);
        doors.Where(d => d.Least < 0).ShouldBeEmpty("a door that no rule names");
        // what only the owner does ends one's own sitting or lets somebody in: asked last
        string[] ends = ["/api/people/sign-out"];
        List<string> wrong = [];
        foreach (var door in doors.OrderBy(d => ends.Contains(d.Path)))
        {
            foreach (var (role, client) in new[] { nobody, visitor, hand, h.Http }.Index())
            {
                using var ask = door.Ask();
                using var answer = await client.SendAsync(ask, HttpCompletionOption.ResponseHeadersRead);
                var status = (int)answer.StatusCode;
                var turned = status is 401 or 403;
                if (turned != role < door.Least || (status == 401) != (turned && role == 0) || status >= 500)
                {
                    wrong.Add($"{Roles[role]} {door}: {status}");
                }
            }
        }

        wrong.ShouldBeEmpty();
    }

    [Fact]
    public async Task A_file_without_an_owner_is_open_at_the_machine_itself_and_nowhere_else()
    {
        using var here = new TestHolding(demo: true);
        ((string?)(await here.Get("/api/me"))["role"]).ShouldBe("owner");
        (await here.Get("/api/people"))["people"]!.AsArray().ShouldBeEmpty();
        using var there = new TestHolding(demo: true, settings: [("Holding:Proxy", "10.0.0.2")]);
        ((string?)(await there.Get("/api/me"))["role"]).ShouldBe("nobody");
        foreach (var door in (await Doors(here.Http)).Where(d => d.Least > 0))
        {
            using var ask = door.Ask();
            using var answer = await there.Http.SendAsync(ask);
            ((int)answer.StatusCode).ShouldBe(401, door.ToString());
        }

        (await there.Refused("/api/people/owner", new { name = "a stranger", password = TestHolding.Password }))["name"]
            .ShouldContain("at the machine on which Mud Pie runs");
    }
}
