using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>Passkeys at the door: what is asked before one is added, and what is not let in. That one works, a browser shows.</summary>
public sealed class PasskeyTests
{
    private static async Task<JsonNode> Wrong(HttpClient who, string path, object body)
    {
        var (status, reply) = await TestHolding.Send(who, path, body);
        status.ShouldBe(422, reply.ToJsonString());
        return reply["fields"]![0]!;
    }

    [Fact]
    public async Task The_password_is_asked_for_again_and_only_where_the_address_is_a_name()
    {
        using var h = new TestHolding();
        await h.Owned();
        (await Wrong(h.Http, "/api/people/passkeys/begin", new { password = "not this one at all" }))["wrong"]!.ToString()
            .ShouldBe("That is not the password.");
        var asked = await h.Post("/api/people/passkeys/begin", new { password = TestHolding.Password });
        var options = JsonNode.Parse((string)asked["options"]!)!;
        ((string)options["rp"]!["id"]!).ShouldBe("localhost");
        ((string)options["challenge"]!).Length.ShouldBeGreaterThan(20);
        (await h.Get("/api/people/passkeys"))["allowed"]!.GetValue<bool>().ShouldBeTrue();
        (await Wrong(h.Http, "/api/people/passkeys", new { credential = "{}", name = "desk" }))["field"]!.ToString().ShouldBe("credential");
        (await Wrong(h.Http, "/api/people/passkeys", new { credential = "{}", name = " " }))["field"]!.ToString().ShouldBe("name");
        (await Wrong(h.Http, "/api/people/passkeys/gone", new { id = "AQID" }))["field"]!.ToString().ShouldBe("id");
        h.Http.DefaultRequestHeaders.Host = "127.0.0.1";
        (await h.Get("/api/people/passkeys"))["allowed"]!.GetValue<bool>().ShouldBeFalse();
        (await Wrong(h.Http, "/api/people/passkeys/begin", new { password = TestHolding.Password }))["field"]!.ToString()
            .ShouldBe("address");
        (await Wrong(h.Http, "/api/people/passkeys/ask", new { }))["field"]!.ToString().ShouldBe("address");
    }

    [Fact]
    public async Task What_was_not_asked_for_or_is_of_nobody_lets_nobody_in_and_is_written_down()
    {
        using var h = new TestHolding();
        await h.Owned();
        using var stranger = h.CreateClient();
        (await Wrong(stranger, "/api/people/passkeys/enter", new { credential = "{}" }))["wrong"]!.ToString()
            .ShouldBe("That passkey is not known here.", "none was asked for");
        (await TestHolding.Send(stranger, "/api/people/passkeys/ask", new { })).Status.ShouldBe(200);
        (await Wrong(stranger, "/api/people/passkeys/enter", new { credential = """{"id":"AQID","rawId":"AQID","type":"public-key"}""" }))
            ["field"]!.ToString().ShouldBe("credential");
        (await Wrong(stranger, "/api/people/passkeys/enter", new { credential = "" }))["field"]!.ToString().ShouldBe("credential");
        (await TestHolding.Send(stranger, "/api/people/passkeys/begin", new { password = TestHolding.Password })).Status
            .ShouldBeOneOf(401, 403);
        (await h.Get("/api/people"))["happened"]!.AsArray().Count(l => ((string)l!["says"]!)
            .StartsWith("A wrong", StringComparison.Ordinal)).ShouldBe(3);
    }
}
