using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Server.Held;
using MudPie.Server.Web;

namespace MudPie.Server.People;

/// <summary>Who is here.</summary>
/// <param name="Role">What whoever asks may.</param>
/// <param name="Name">Their name; null where nobody signs in.</param>
/// <param name="Device">What their phone, or sitting, is called.</param>
/// <param name="Joined">Since when; null as above.</param>
/// <param name="Stays">True for a phone that stays joined; false for a sitting that ends by itself.</param>
/// <param name="Closed">True where one has to sign in.</param>
/// <param name="Box">Address of the co-operative's box that serves this holding; null where it is served alone.</param>
/// <param name="AtBox">True for the box's own page, which has no record.</param>
/// <param name="HasPassword">Whether they have a password, which is asked for again before what matters most.</param>
public sealed record MeView(Role Role, string? Name, string? Device, DateTimeOffset? Joined, bool Stays, bool Closed, string? Box,
    bool AtBox, bool HasPassword);

/// <summary>A name and a password.</summary>
/// <param name="Name">The name.</param>
/// <param name="Password">The password.</param>
public sealed record SignInRequest(string Name, string Password);

/// <summary>A phone joins.</summary>
/// <param name="Code">"K7QM-2XPD".</param>
/// <param name="Device">What it is to be called.</param>
/// <param name="Known">Who comes to another holding of this box already, and is the same here; null for all others.</param>
public sealed record JoinRequest(string Code, string Device, SignInRequest? Known = null);

/// <summary>Whom a code is for.</summary>
/// <param name="Person">Somebody who comes already; null for somebody new.</param>
/// <param name="Name">What somebody new is called.</param>
/// <param name="Role">What somebody new may.</param>
/// <param name="Password">Of whoever asks, again, where the code lets an owner in; null else.</param>
public sealed record CodeRequest(int? Person, string? Name, Role? Role, string? Password = null);

/// <summary>A code.</summary>
/// <param name="Code">"K7QM-2XPD"; kept nowhere, so it is said this once.</param>
/// <param name="For">Whose phone it lets in.</param>
/// <param name="Until">Good until then, once.</param>
/// <param name="Address">Where the phone goes; the code is in it.</param>
/// <param name="Square">The same as a square to scan, an SVG.</param>
public sealed record CodeView(string Code, string For, DateTimeOffset Until, string Address, string Square);

/// <summary>What a person is to be.</summary>
/// <param name="Role">What they may; null where they come no more.</param>
/// <param name="Password">Of whoever asks, again, where somebody becomes owner or is one no more; null else.</param>
public sealed record RoleRequest(Role? Role, string? Password = null);

/// <summary>A password set anew.</summary>
/// <param name="Old">The one before.</param>
/// <param name="Fresh">The new one.</param>
public sealed record PasswordRequest(string Old, string Fresh);

/// <summary>A name.</summary>
/// <param name="Name">It.</param>
public sealed record NameRequest(string Name);

/// <summary>A phone or a sitting.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Stays">True for a phone that joined by a code.</param>
/// <param name="Joined">Since when.</param>
/// <param name="Seen">When somebody last had it in hand, to ten minutes.</param>
/// <param name="Here">True for the one that asks.</param>
public sealed record DeviceView(int Id, string Name, bool Stays, DateTimeOffset Joined, DateTimeOffset Seen, bool Here);

/// <summary>Somebody who comes in.</summary>
/// <param name="Id">Their number.</param>
/// <param name="Name">Their name.</param>
/// <param name="Role">What they may.</param>
/// <param name="HasPassword">Whether they can sign in at a desk.</param>
/// <param name="Devices">Their phones and sittings that stand.</param>
public sealed record PersonView(int Id, string Name, Role Role, bool HasPassword, IReadOnlyList<DeviceView> Devices);

/// <summary>People, and what happened at the door.</summary>
/// <param name="People">They.</param>
/// <param name="Happened">Newest first, the last fifty.</param>
/// <param name="More">How many more lines there are.</param>
public sealed record PeopleView(IReadOnlyList<PersonView> People, IReadOnlyList<HappenedView> Happened, int More);

/// <summary>A line of what happened.</summary>
/// <param name="At">When.</param>
/// <param name="Says">In words.</param>
/// <param name="Mind">True where the owner should look at it: wrong tries, a lock.</param>
public sealed record HappenedView(DateTimeOffset At, string Says, bool Mind);

/// <summary>People: signing in, joining, striking off.</summary>
public static class PeopleEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapPeople(this IEndpointRouteBuilder api)
    {
        foreach (var door in new[] {
            api.MapGet("/me", Me).ForAnybody("Who asks, and what they may."),
            api.MapPost("/people/owner", MakeOwner).ForAnybody("The first owner's password, at the machine itself.")
                .RequireRateLimiting(PeopleServices.Tries),
            api.MapPost("/people/sign-in", SignIn).ForAnybody("Signs in by a password, for a sitting.")
                .RequireRateLimiting(PeopleServices.Tries),
            api.MapPost("/people/join", Join).ForAnybody("A phone joins by a code.").RequireRateLimiting(PeopleServices.Tries),
            api.MapPost("/people/sign-out", SignOut).ForVisitor("Ends this sitting, or this phone's joining."),
            api.MapPost("/people/password", SetPassword).ForVisitor("Sets one's own password anew.")
                .RequireRateLimiting(PeopleServices.Tries),
            api.MapGet("/people/mine", Mine).ForVisitor("One's own phones and sittings."),
            api.MapPost("/people/mine/{id:int}/strike", StrikeMine).ForVisitor("Strikes one of one's own off, as when a phone is lost."),
            api.MapGet("/people", Read).ForOwner("People, their phones, and what happened at the door."),
            api.MapPost("/people/codes", MakeCode).ForOwner("A code that lets one phone in, once, within ten minutes."),
            api.MapPost("/people/{id:int}/role", SetRole).ForOwner("What somebody may, or that they come no more."),
            api.MapPost("/people/devices/{id:int}/strike", Strike).ForOwner("A phone is struck off: out with its next request."),
            api.MapPost("/people/devices/{id:int}/name", Name).ForOwner("A phone is called something else.")
        })
        {
            door.AlsoAtBox();
        }
    }

    private static async Task<MeView> Me(Whoever who, Gate gate, PeopleDb db, HoldingPlace place, HttpContext context)
    {
        var device = who.Device is { } id ? await db.Devices.AsNoTracking().FirstOrDefaultAsync(d => d.Id == id) : null;
        return new MeView(who.Role, who.Name, device?.Name, device?.JoinedAt, device?.Kind == DeviceKind.Joined, gate.HasOwner,
            Served.BoxAddress(context), place.IsBox, who.Person is { } me && await db.Users.AnyAsync(p => p.Id == me
                && p.PasswordHash != null));
    }

    private static async Task<Results<Ok<Done>, Refused>> MakeOwner(SignInRequest r, PeopleDesk desk, HttpContext context) =>
        Answer(await desk.MakeOwner(r.Name, r.Password, context));

    private static async Task<Results<Ok<Done>, Refused>> SignIn(SignInRequest r, PeopleDesk desk, HttpContext context) =>
        Answer(await desk.SignIn(r.Name, r.Password, context));

    private static async Task<Results<Ok<Done>, Refused>> Join(JoinRequest r, JoinDesk desk, HttpContext context) =>
        Answer(await desk.Join(r, context));

    private static async Task<Ok<Done>> SignOut(PeopleDesk desk, HttpContext context)
    {
        await desk.SignOut(context);
        return TypedResults.Ok(new Done());
    }

    private static async Task<Results<Ok<Done>, Refused>> SetPassword(PasswordRequest r, PeopleDesk desk, Whoever who,
        HttpContext context) =>
        who.Person is null ? Nobody() : Answer(await desk.SetPassword(r.Old, r.Fresh, context));

    private static async Task<PeopleView> Read(PeopleDb db, Gate gate, HoldingPlace place, Whoever who, TimeProvider time)
    {
        if (!gate.HasOwner)
        {
            return new PeopleView([], [], 0);
        }

        var here = place.Name;
        var people = await db.Memberships.AsNoTracking().Where(m => m.Holding == here && m.EndedAt == null).OrderBy(m => m.PersonId)
            .Select(m => new { m.PersonId, m.Person.UserName, m.Person.Home, m.Role, m.Person.PasswordHash }).ToListAsync();
        var devices = (await Standing(db, here, time.GetUtcNow()).ToListAsync()).ToLookup(d => d.PersonId, d => Shown(d, who));
        var happened = await db.Happenings.AsNoTracking().Where(h => h.Holding == here).OrderByDescending(h => h.Id).Take(50).ToListAsync();
        return new PeopleView([.. people.OrderByDescending(p => p.Role).Select(p => new PersonView(p.PersonId,
                Person.Spoken(p.UserName!, p.Home), p.Role, p.PasswordHash is not null,
                [.. devices[p.PersonId]]))], [.. happened.Select(Told)],
            Math.Max(0, await db.Happenings.CountAsync(h => h.Holding == here) - happened.Count));
    }

    /// <summary>Phones that joined, and sittings that have not ended by themselves.</summary>
    private static IQueryable<Device> Standing(PeopleDb db, string here, DateTimeOffset now)
    {
        var (idle, old) = (now - DoorPass.SittingIdle, now - DoorPass.SittingMost);
        return db.Devices.AsNoTracking().Where(d => d.StruckAt == null && d.Holding == here
            && (d.Kind == DeviceKind.Joined || (d.SeenAt > idle && d.JoinedAt > old))).OrderBy(d => d.Id);
    }

    private static DeviceView Shown(Device d, Whoever who) =>
        new(d.Id, d.Name, d.Kind == DeviceKind.Joined, d.JoinedAt, d.SeenAt, d.Id == who.Device);

    private static async Task<IReadOnlyList<DeviceView>> Mine(PeopleDb db, HoldingPlace place, Whoever who, TimeProvider time) =>
        who.Person is not { } me ? []
            : [.. (await Standing(db, place.Name, time.GetUtcNow()).Where(d => d.PersonId == me).ToListAsync()).Select(d => Shown(d, who))];

    private static async Task<Results<Ok<Done>, Missing>> StrikeMine(int id, PeopleDb db, PeopleDesk desk, Whoever who) =>
        who.Person is { } me && await db.Devices.AnyAsync(d => d.Id == id && d.PersonId == me) && await desk.Strike(id)
            ? TypedResults.Ok(new Done()) : Problems.NotFound("device");

    private static HappenedView Told(Happening h)
    {
        var (who, about) = (h.Who ?? "Somebody", h.About ?? "");
        var says = h.What switch {
            DoorEvent.OwnerMade => $"{about} became owner.",
            DoorEvent.SignedIn => $"{about} signed in.",
            DoorEvent.SignedOut => $"{who} signed out ({about}).",
            DoorEvent.WrongPassword => about.Length > 0 ? $"A wrong password for {about}." : "A wrong name or password.",
            DoorEvent.Locked => $"{about} is locked for a quarter of an hour: too many wrong passwords.",
            DoorEvent.CodeMade => $"{who} made a code for {about}.",
            DoorEvent.Joined => $"{who} joined with {about}.",
            DoorEvent.WrongCode => "A code that is not good was tried.",
            DoorEvent.CodesVoid => "Too many wrong codes: those that were open were made void.",
            DoorEvent.StruckOff => $"{who} struck off {about}.",
            DoorEvent.RoleChanged => $"{who} changed what they may: {about}.",
            DoorEvent.PersonEnded => $"{about} comes no more ({who}).",
            DoorEvent.PasswordChanged => $"{about} has a new password.",
            DoorEvent.PasskeyAdded => $"{who} added a passkey.",
            DoorEvent.PasskeyGone => $"{who} took a passkey away.",
            DoorEvent.Opened => $"Opened to the yard ({who}).",
            DoorEvent.Closed => $"Closed to the yard ({who}).",
            DoorEvent.HoldingMade => $"{who} made the holding {about}.",
            DoorEvent.HoldingAway => $"{who} put the holding {about} away.",
            DoorEvent.HoldingBack => $"{who} brought the holding {about} back.",
            DoorEvent.HoldingOwner => $"{who} made a code for an owner of {about}.",
            DoorEvent.Restored => $"A copy was put back: {about} ({who}).",
            _ => $"{who} changed the address of the calendar.",
        };
        return new HappenedView(h.At, h.From is null ? says : $"{says[..^1]}, from {h.From}.",
            h.What is DoorEvent.WrongPassword or DoorEvent.Locked or DoorEvent.WrongCode or DoorEvent.CodesVoid);
    }

    private static async Task<Results<Ok<CodeView>, Refused>> MakeCode(CodeRequest r, PeopleDesk desk, JoinDesk joins, PeopleDb db,
        Gate gate, HoldingPlace place, TimeProvider time, HttpContext context)
    {
        if (!gate.HasOwner)
        {
            return Problems.Of(Refusal.Of("person", "There is no owner yet.", "Make the owner's password first."));
        }

        Person? person;
        if (r.Person is { } id)
        {
            var may = await desk.RoleOf(id);
            person = may is null ? null : await db.Users.FindAsync(id);
            if (person is null)
            {
                return Problems.Of(Refusal.Of("person", "There is nobody of that number.", "Load the list again."));
            }

            if (may == Role.Owner && await desk.VouchAgain(r.Password) is { } unknown)
            {
                return Problems.Of(unknown);
            }
        }
        else
        {
            if (place.IsBox && r.Role != Role.Owner)
            {
                return Problems.Of(Refusal.Of("role", "To the box itself only those come who keep it.",
                    "Let growers in at their own holding."));
            }

            if (r.Role is null or Role.Nobody)
            {
                return Problems.Of(Refusal.Of("role", "It is not said what they may.", "Choose visitor, hand or owner."));
            }

            if (r.Role == Role.Owner && await desk.VouchAgain(r.Password) is { } unknown)
            {
                return Problems.Of(unknown);
            }

            (person, var refusal) = await desk.Make(r.Name ?? "", null, r.Role.Value);
            if (refusal is not null)
            {
                return Problems.Of(refusal);
            }
        }

        var code = await joins.Code(person!);
        var address = $"{Reached.From(context)}/join#{code}";
        return TypedResults.Ok(new CodeView(code, person!.Called, time.GetUtcNow() + JoinDesk.CodeGood, address,
            QrCodes.Square(address)));
    }

    private static async Task<Results<Ok<Done>, Refused>> SetRole(int id, RoleRequest r, PeopleDesk desk, Gate gate) =>
        !gate.HasOwner || r.Role == Role.Nobody ? Nobody() : Answer(await desk.Set(id, r.Role, r.Password));

    private static async Task<Results<Ok<Done>, Missing>> Strike(int id, PeopleDesk desk, Gate gate) =>
        gate.HasOwner && await desk.Strike(id) ? TypedResults.Ok(new Done()) : Problems.NotFound("device");

    private static async Task<Results<Ok<Done>, Refused, Missing>> Name(int id, NameRequest r, PeopleDb db, Gate gate,
        HoldingPlace place) =>
        r.Name.Trim() is not { Length: > 0 and <= 60 } name
            ? Problems.Of(Refusal.Of("name", "A phone is not called that.", "Give a name of up to 60 signs."))
        : gate.HasOwner && await db.Devices.Where(d => d.Id == id && d.Holding == place.Name)
            .ExecuteUpdateAsync(set => set.SetProperty(d => d.Name, name)) > 0
            ? TypedResults.Ok(new Done()) : Problems.NotFound("device");

    private static Refused Nobody() => Problems.Of(Refusal.Of("id", "There is nobody of that number.", "Load the list again."));

    internal static Results<Ok<Done>, Refused> Answer(Refusal? refusal) => refusal is null ? TypedResults.Ok(new Done())
        : Problems.Of(refusal);
}

/// <summary>It is done.</summary>
/// <param name="Ok">Always true.</param>
public sealed record Done(bool Ok = true);
