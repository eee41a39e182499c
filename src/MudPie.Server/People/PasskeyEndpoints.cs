using MudPie.Core.Workings;
using MudPie.Server.Held;
using MudPie.Server.Web;

namespace MudPie.Server.People;

/// <summary>A passkey.</summary>
/// <param name="Id">Its credential's, in base64url.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Added">Since when.</param>
public sealed record PasskeyView(string Id, string Name, DateTimeOffset Added);

/// <summary>One's own passkeys.</summary>
/// <param name="Allowed">The page's address allows them: a name and https, or localhost.</param>
/// <param name="HasPassword">Whoever asks signs in with a password.</param>
/// <param name="Keys">Oldest first.</param>
public sealed record PasskeysView(bool Allowed, bool HasPassword, IReadOnlyList<PasskeyView> Keys);

/// <summary>A passkey is to be added.</summary>
/// <param name="Password">One's own, again.</param>
public sealed record PasskeyBegin(string Password);

/// <summary>A passkey that was made.</summary>
/// <param name="Credential">As the browser gave it, JSON.</param>
/// <param name="Name">What it is to be called.</param>
public sealed record PasskeyAdd(string Credential, string Name);

/// <summary>A passkey that is to be taken away.</summary>
/// <param name="Id">Its credential's.</param>
public sealed record PasskeyRemove(string Id);

/// <summary>A passkey that is shown at the door.</summary>
/// <param name="Credential">As the browser gave it, JSON.</param>
public sealed record PasskeyEnter(string Credential);

/// <summary>What a browser is asked.</summary>
/// <param name="Options">WebAuthn's own options, JSON.</param>
public sealed record PasskeyAsked(string Options);

/// <summary>Passkeys: added, taken away, signed in by.</summary>
public static class PasskeyEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapPasskeys(this IEndpointRouteBuilder api)
    {
        foreach (var door in new[] {
            api.MapGet("/people/passkeys", (PasskeyDesk desk, HttpContext context) => desk.Own(context)).ForVisitor("One's own passkeys."),
            api.MapPost("/people/passkeys/begin", Begin).ForVisitor("Begins to add a passkey; the password is asked for again.")
                .RequireRateLimiting(PeopleServices.Tries),
            api.MapPost("/people/passkeys", Add).ForVisitor("Adds a passkey of one's own.").RequireRateLimiting(PeopleServices.Tries),
            api.MapPost("/people/passkeys/gone", Remove).ForVisitor("Takes a passkey of one's own away."),
            api.MapPost("/people/passkeys/ask", Ask).ForAnybody("Asks whoever stands at the door for a passkey.")
                .RequireRateLimiting(PeopleServices.Tries),
            api.MapPost("/people/passkeys/enter", Enter).ForAnybody("Signs in by a passkey, for a sitting.")
                .RequireRateLimiting(PeopleServices.Tries),
        })
        {
            door.AlsoAtBox();
        }
    }

    private static async Task<Results<Ok<PasskeyAsked>, Refused>> Begin(PasskeyBegin r, PasskeyDesk desk, HttpContext context) =>
        Asked(await desk.Begin(r.Password, context));

    private static async Task<Results<Ok<Done>, Refused>> Add(PasskeyAdd r, PasskeyDesk desk) =>
        PeopleEndpoints.Answer(await desk.Add(r.Credential, r.Name));

    private static async Task<Results<Ok<Done>, Refused>> Remove(PasskeyRemove r, PasskeyDesk desk) =>
        PeopleEndpoints.Answer(await desk.Remove(r.Id));

    private static async Task<Results<Ok<PasskeyAsked>, Refused>> Ask(PasskeyDesk desk, HttpContext context) =>
        Asked(await desk.Ask(context));

    private static async Task<Results<Ok<Done>, Refused>> Enter(PasskeyEnter r, PasskeyDesk desk, HttpContext context) =>
        PeopleEndpoints.Answer(await desk.Enter(r.Credential, context));

    private static Results<Ok<PasskeyAsked>, Refused> Asked(Ruling<string> asked) => asked.Match<Results<Ok<PasskeyAsked>, Refused>>(
        w => TypedResults.Ok(new PasskeyAsked(w.Value)), no => Problems.Of(no));
}
