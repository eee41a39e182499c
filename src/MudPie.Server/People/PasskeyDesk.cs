using System.Buffers.Text;
using System.Net;
using Microsoft.AspNetCore.Identity;
using MudPie.Core.Workings;
using MudPie.Server.Web;

namespace MudPie.Server.People;

/// <summary>Passkeys: signing in by what a phone, a computer or a key of one's own vouches for, where the address allows.</summary>
/// <remarks>By WebAuthn, which Identity does. A passkey is bound to the host's name, so it wants one: at a bare number of the network
/// none can be made, and one made under one name is not good under another.</remarks>
public sealed class PasskeyDesk(UserManager<Person> people, SignInManager<Person> door, PeopleDesk desk, Gate gate, Whoever who)
{
    private const int Most = 10;

    private static readonly Refusal NotHere = Refusal.Of("address", "Passkeys are not for this address.",
        "Open the page by the machine’s name and https, or on the machine itself as localhost.");

    private static readonly Refusal Wrong = Refusal.Of("credential", "That passkey is not known here.",
        "Sign in with the password, or by a code.");

    /// <summary>True where the page's address allows it: a name, and nobody between who could listen.</summary>
    public static bool Allowed(HttpContext context) => context.Request.Host.Host is { Length: > 0 } host
        && !IPAddress.TryParse(host.Trim('[', ']'), out _)
        && (context.Request.IsHttps || host is "localhost" || host.EndsWith(".localhost", StringComparison.Ordinal));

    /// <summary>One's own.</summary>
    public async Task<PasskeysView> Own(HttpContext context)
    {
        if (!gate.HasOwner || await Me() is not { } person)
        {
            return new PasskeysView(false, false, []);
        }

        return new PasskeysView(Allowed(context), await people.HasPasswordAsync(person),
            [.. (await people.GetPasskeysAsync(person)).OrderBy(k => k.CreatedAt)
                .Select(k => new PasskeyView(Base64Url.EncodeToString(k.CredentialId), k.Name ?? "a passkey", k.CreatedAt))]);
    }

    /// <summary>Begins to add one: the password is asked for again.</summary>
    public async Task<Ruling<string>> Begin(string password, HttpContext context)
    {
        if (!Allowed(context))
        {
            return NotHere;
        }

        if (!gate.HasOwner || await Me() is not { } person || !await people.HasPasswordAsync(person))
        {
            return Refusal.Of("password", "There is no password yet.", "Passkeys are for those who sign in with one.");
        }

        if (await desk.Vouch(person, password) is { } wrong)
        {
            return wrong;
        }

        if ((await people.GetPasskeysAsync(person)).Count >= Most)
        {
            return Refusal.Of("password", $"There are {Most} passkeys already.", "Take one away first.");
        }

        return Worked.Of(await door.MakePasskeyCreationOptionsAsync(new PasskeyUserEntity {
            Id = $"{person.Id}", Name = person.UserName!, DisplayName = person.Called
        }), "", Evidence.MeasuredHere);
    }

    /// <summary>Adds the one that was made.</summary>
    public async Task<Refusal?> Add(string credential, string name)
    {
        if (name.Trim().Length is < 1 or > 60)
        {
            return Refusal.Of("name", "It is not called anything.", "Give it a name of up to 60 signs, as desk in the barn.");
        }

        if (!gate.HasOwner || await Me() is not { } person || await Sound(() => door.PerformPasskeyAttestationAsync(credential)) is not
            { Passkey: { } passkey, UserEntity.Id: { } whose } || whose != $"{person.Id}")
        {
            return Refusal.Of("credential", "That passkey could not be looked through.", "Begin again: it is good for some minutes, once.");
        }

        passkey.Name = name.Trim();
        if (!(await people.AddOrUpdatePasskeyAsync(person, passkey)).Succeeded)
        {
            return Refusal.Of("credential", "That passkey could not be kept.", "Begin again.");
        }

        await desk.Happen(DoorEvent.PasskeyAdded);
        return null;
    }

    /// <summary>Takes one away.</summary>
    public async Task<Refusal?> Remove(string id)
    {
        var none = Refusal.Of("id", "There is no such passkey.", "Load the page again.");
        if (!gate.HasOwner || await Me() is not { } person || !Base64Url.IsValid(id)
            || (await people.GetPasskeysAsync(person)).All(k => !k.CredentialId.AsSpan().SequenceEqual(Base64Url.DecodeFromChars(id))))
        {
            return none;
        }

        await people.RemovePasskeyAsync(person, Base64Url.DecodeFromChars(id));
        await desk.Happen(DoorEvent.PasskeyGone);
        return null;
    }

    /// <summary>Asks whoever stands at the door for one; nobody is named, so nothing tells who has any.</summary>
    public async Task<Ruling<string>> Ask(HttpContext context) => !gate.HasOwner || !Allowed(context) ? NotHere
        : Worked.Of(await door.MakePasskeyRequestOptionsAsync(null), "", Evidence.MeasuredHere);

    /// <summary>Signs in by one: for a sitting.</summary>
    public async Task<Refusal?> Enter(string credential, HttpContext context)
    {
        if (!gate.HasOwner)
        {
            return Wrong;
        }

        if (await Sound(() => door.PerformPasskeyAssertionAsync(credential)) is not { User: { } person } known
            || await desk.RoleOf(person.Id) is null || await people.IsLockedOutAsync(person))
        {
            await desk.Happen(DoorEvent.WrongPassword);
            return Wrong;
        }

        await people.AddOrUpdatePasskeyAsync(person, known.Passkey!); // how often it was used: one that was copied falls behind
        await desk.Happen(DoorEvent.SignedIn, person.Called, person.Called);
        await desk.Sit(person, context);
        return null;
    }

    private async Task<Person?> Me() => who.Person is { } id ? await people.FindByIdAsync($"{id}") : null;

    private static async Task<PasskeyAttestationResult?> Sound(Func<Task<PasskeyAttestationResult>> look) =>
        await Answered(look) is { Succeeded: true } sound ? sound : null;

    private static async Task<PasskeyAssertionResult<Person>?> Sound(Func<Task<PasskeyAssertionResult<Person>>> look) =>
        await Answered(look) is { Succeeded: true } sound ? sound : null;

    /// <summary>What is looked through; null where nothing was begun, another browser began it, or nothing came.</summary>
    private static async Task<T?> Answered<T>(Func<Task<T>> look)
        where T : class
    {
        try
        {
            return await look();
        }
        catch (Exception e) when (e is InvalidOperationException or ArgumentException or System.Text.Json.JsonException or FormatException)
        {
            return null;
        }
    }
}
