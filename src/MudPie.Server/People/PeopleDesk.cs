using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Server.Held;
using MudPie.Server.Web;

namespace MudPie.Server.People;

/// <summary>What is done at the door: people, their phones, codes, and what happened.</summary>
public sealed class PeopleDesk(PeopleDb db, UserManager<Person> people, SignInManager<Person> door, Gate gate, TimeProvider time,
    Whoever who, LiveFeed feed, HoldingScopes scopes, HoldingPlace place, IHttpContextAccessor accessor)
{
    private static readonly TimeSpan HappeningsKept = TimeSpan.FromDays(400);

    // a name of its own, by which EF makes it a value of the question
    private readonly string _here = place.Name;

    private DateTimeOffset Now => time.GetUtcNow();

    /// <summary>Writes down what happened.</summary>
    public async Task Happen(DoorEvent what, string? about = null, string? by = null)
    {
        var context = accessor.HttpContext;
        db.Happenings.Add(new Happening {
            At = Now, Holding = _here, What = what, Who = by ?? who.Name, About = about,
            From = context is null || gate.IsHere(context) ? null : context.Connection.RemoteIpAddress?.MapToIPv6().ToString()
                .Replace("::ffff:", "", StringComparison.Ordinal)
        });
        await db.SaveChangesAsync();
    }

    /// <summary>The first owner, at the machine itself; signed in at once.</summary>
    public async Task<Refusal?> MakeOwner(string name, string password, HttpContext context)
    {
        if (gate.HasOwner)
        {
            return Refusal.Of("name", "There is an owner already.", "Sign in, or ask them for a code.");
        }

        if (!gate.IsHere(context))
        {
            return Refusal.Of("name", "The first owner's password is made at the machine on which Mud Pie runs.",
                "Open Mud Pie there, or call ./mudpie owner there.");
        }

        scopes.OpenPeople(make: true);
        var (person, refusal) = await Make(name, password, Role.Owner);
        if (refusal is not null)
        {
            return refusal;
        }

        gate.HasOwner = true;
        await Happen(DoorEvent.OwnerMade, person!.Called, person.Called);
        await Sit(person, context);
        return null;
    }

    /// <summary>A person, with what they may; without a password they come by code only.</summary>
    public async Task<(Person? Person, Refusal? Refusal)> Make(string name, string? password, Role role)
    {
        name = name.Trim();
        if (name.Length is < 1 or > 60)
        {
            return (null, Refusal.Of("name", "Nobody is called that.", "Give a name of up to 60 signs."));
        }

        if (place.IsBox && name.Contains('@', StringComparison.Ordinal))
        {
            return (null, Refusal.Of("name", "Who keeps the box has no @ in their name.", "Give another name."));
        }

        if (await FindHere(name) is not null)
        {
            return (null, Refusal.Of("name", $"There is a “{name}” already.", "Give another name, or make a code for them."));
        }

        if (password is not null && Passwords.Weak(password, name) is { } weak)
        {
            return (null, weak);
        }

        var person = new Person { UserName = Person.Sign(name, _here), Home = _here };
        var made = password is null ? await people.CreateAsync(person) : await people.CreateAsync(person, password);
        if (!made.Succeeded)
        {
            return (null, Refusal.Of("password", "That password is too easy to guess.", Passwords.Advice));
        }

        db.Memberships.Add(new Membership { PersonId = person.Id, Holding = _here, Role = role });
        await db.SaveChangesAsync();
        return (person, null);
    }

    /// <summary>Whoever came to a holding that was called so before does not come to a new one of that name.</summary>
    public async Task Forget()
    {
        await db.JoinCodes.Where(c => c.Holding == _here).ExecuteDeleteAsync();
        await db.Devices.Where(d => d.Holding == _here).ExecuteDeleteAsync();
        await db.Memberships.Where(m => m.Holding == _here).ExecuteDeleteAsync();
        await db.Users.Where(p => p.Home == _here && !db.Memberships.Any(m => m.PersonId == p.Id)).ExecuteDeleteAsync();
    }

    /// <summary>Somebody who is to be an owner: somebody new, or somebody who is known here and becomes it, or becomes it again.</summary>
    public async Task<(Person? Person, Refusal? Refusal)> OwnerToBe(string name)
    {
        if (await FindHere(name) is not { } person)
        {
            return await Make(name, null, Role.Owner);
        }

        var member = await db.Memberships.FindAsync(person.Id, _here);
        if (member is null)
        {
            db.Memberships.Add(member = new Membership { PersonId = person.Id, Holding = _here });
        }

        (member.Role, member.EndedAt) = (Role.Owner, null);
        await db.SaveChangesAsync();
        return (person, null);
    }

    /// <summary>Who is meant: who is called that here, and at a box also by the whole name, as in "the hand@north-field".</summary>
    internal async Task<Person?> Find(string name) => await FindHere(name)
        ?? ((place.OfBox || place.IsBox) && name.Contains('@', StringComparison.Ordinal)
            ? await people.FindByNameAsync(name.Trim()) : null);

    /// <summary>Who is called that here, whether they come still or not.</summary>
    private async Task<Person?> FindHere(string name)
    {
        name = name.Trim();
        var own = await people.FindByNameAsync(Person.Sign(name, _here));
        if (own is not null || !place.OfBox)
        {
            return own;
        }

        // of another holding, and comes here too
        return (await db.Memberships.Where(m => m.Holding == _here && m.Person.Home != _here).Select(m => m.Person).ToListAsync())
            .Find(p => people.NormalizeName(p.Called) == people.NormalizeName(name));
    }

    /// <summary>Signs in by a password: for a sitting.</summary>
    public async Task<Refusal?> SignIn(string name, string password, HttpContext context)
    {
        var wrong = Refusal.Of("password", "That name and password do not belong together.",
            "After six wrong tries it is locked for a quarter of an hour.");
        if (!gate.HasOwner)
        {
            return wrong;
        }

        if (await Find(name) is not { } person || await RoleOf(person.Id) is null)
        {
            people.PasswordHasher.HashPassword(new Person(), password); // as long as for one that is known
            await Happen(DoorEvent.WrongPassword);
            return wrong;
        }

        var tried = await door.CheckPasswordSignInAsync(person, password, lockoutOnFailure: true);
        if (tried.IsLockedOut)
        {
            return await Locked(person, "password");
        }

        if (!tried.Succeeded)
        {
            await Happen(DoorEvent.WrongPassword, person.Called);
            return wrong;
        }

        await Happen(DoorEvent.SignedIn, person.Called, person.Called);
        await Sit(person, context);
        return null;
    }

    /// <summary>Whether somebody who is in knows their password: before what a stranger at an open page must not do.</summary>
    public Task<Refusal?> Vouch(Person person, string password) => Vouch(person, password, "password");

    private async Task<Refusal?> Vouch(Person person, string password, string field)
    {
        var tried = await door.CheckPasswordSignInAsync(person, password, lockoutOnFailure: true);
        if (tried.Succeeded)
        {
            return null;
        }

        if (tried.IsLockedOut)
        {
            return await Locked(person, field);
        }

        await Happen(DoorEvent.WrongPassword, person.Called);
        return Refusal.Of(field, "That is not the password.", "Give the one that you sign in with now.");
    }

    private async Task<Refusal> Locked(Person person, string field)
    {
        await Happen(DoorEvent.Locked, person.Called);
        return Refusal.Of(field, "It was tried wrongly too often, and is locked for a quarter of an hour.",
            "Phones that have joined go on. At the machine itself, ./mudpie owner sets a new password.");
    }

    /// <summary>
    /// The same of whoever asks, before somebody becomes an owner or is one no more: their open page is not enough. Whoever comes by
    /// a phone alone has no password to be asked for.
    /// </summary>
    public async Task<Refusal?> VouchAgain(string? password)
    {
        if (await people.FindByIdAsync($"{who.Person}") is not { } me || !await people.HasPasswordAsync(me))
        {
            return null;
        }

        return string.IsNullOrEmpty(password)
            ? Refusal.Of("password", "This is about an owner, so your password is asked for again.", "Give the one that you sign in with.")
            : await Vouch(me, password);
    }

    /// <summary>Begins a sitting.</summary>
    public async Task Sit(Person person, HttpContext context) =>
        await Admit(person, DeviceKind.Sitting, "a sitting at a desk", context);

    internal async Task<Device> Admit(Person person, DeviceKind kind, string name, HttpContext context)
    {
        var device = new Device { PersonId = person.Id, Holding = _here, Kind = kind, Name = name, JoinedAt = Now, SeenAt = Now };
        db.Devices.Add(device);
        await db.SaveChangesAsync();
        await DoorPass.Give(context, door, person, device);
        return device;
    }

    /// <summary>Ends what this request came by.</summary>
    public async Task SignOut(HttpContext context)
    {
        if (who.Device is { } id)
        {
            await db.Devices.Where(d => d.Id == id).ExecuteUpdateAsync(set => set.SetProperty(d => d.StruckAt, Now)
                .SetProperty(d => d.StruckBy, who.Name));
            await Happen(DoorEvent.SignedOut, who.DeviceName);
        }

        await door.SignOutAsync();
    }

    /// <summary>What a person may here; null where they do not come.</summary>
    public async Task<Role?> RoleOf(int person) =>
        await db.Memberships.Where(m => m.PersonId == person && m.Holding == _here && m.EndedAt == null).Select(m => (Role?)m.Role)
            .FirstOrDefaultAsync()
        // at the box itself whoever comes to one of its holdings sees which
        ?? (place.IsBox && await db.Memberships.AnyAsync(m => m.PersonId == person && m.EndedAt == null) ? Role.Visitor : null);

    /// <summary>Strikes a device off: out with its next request.</summary>
    public async Task<bool> Strike(int device)
    {
        if (await db.Devices.Include(d => d.Person).FirstOrDefaultAsync(d => d.Id == device && d.Holding == _here
            && d.StruckAt == null) is not { } found)
        {
            return false;
        }

        (found.StruckAt, found.StruckBy) = (Now, who.Name);
        await Happen(DoorEvent.StruckOff, $"{found.Name} ({found.Person.Called})");
        feed.Cut(device);
        return true;
    }

    /// <summary>Sets what a person may, or that they come no more.</summary>
    public async Task<Refusal?> Set(int person, Role? role, string? password)
    {
        var member = await db.Memberships.Include(m => m.Person).FirstOrDefaultAsync(m => m.PersonId == person && m.Holding == _here);
        if (member is null)
        {
            return Refusal.Of("id", "There is nobody of that number.", "Load the list again.");
        }

        if (member.Role == Role.Owner && role != Role.Owner && await db.Memberships.CountAsync(m => m.Holding == _here
            && m.Role == Role.Owner && m.EndedAt == null) < 2)
        {
            return Refusal.Of("role", "A holding has at least one owner.", "Make somebody else an owner first.");
        }

        if ((member.Role == Role.Owner || role == Role.Owner) && await VouchAgain(password) is { } unknown)
        {
            return unknown;
        }

        if (role is { } now)
        {
            (member.Role, member.EndedAt) = (now, null);
            await Happen(DoorEvent.RoleChanged, $"{member.Person.Called}: {now.Word()}");
            return null;
        }

        member.EndedAt = Now;
        await db.Devices.Where(d => d.PersonId == person && d.Holding == _here && d.StruckAt == null).ExecuteUpdateAsync(set => set
            .SetProperty(d => d.StruckAt, Now).SetProperty(d => d.StruckBy, who.Name));
        await db.JoinCodes.Where(c => c.PersonId == person && c.Holding == _here).ExecuteDeleteAsync();
        await Happen(DoorEvent.PersonEnded, member.Person.Called);
        return null;
    }

    /// <summary>Sets one's own password anew; other sittings end, phones stay.</summary>
    public async Task<Refusal?> SetPassword(string old, string fresh, HttpContext context)
    {
        var person = (await people.FindByIdAsync($"{who.Person}"))!;
        if (Passwords.Weak(fresh, person.Called) is { } weak)
        {
            return weak;
        }

        if (await people.HasPasswordAsync(person))
        {
            if (await Vouch(person, old, "old") is { } wrong)
            {
                return wrong;
            }

            await people.RemovePasswordAsync(person);
        }

        await people.AddPasswordAsync(person, fresh);
        await Replaced(person, but: who.Device);
        await Happen(DoorEvent.PasswordChanged, person.Called);
        var device = await db.Devices.SingleAsync(d => d.Id == who.Device);
        await DoorPass.Give(context, door, person, device);
        return null;
    }

    /// <summary>A password was set by whoever has the file in hand.</summary>
    public async Task<Refusal?> SetOwner(string name, string password)
    {
        scopes.OpenPeople(make: true);
        if (await Find(name) is not { } person)
        {
            var (made, refusal) = await Make(name, password, Role.Owner);
            if (refusal is null)
            {
                await Happen(DoorEvent.OwnerMade, made!.Called);
            }

            return refusal;
        }

        if (Passwords.Weak(password, person.Called) is { } weak)
        {
            return weak;
        }

        await people.RemovePasswordAsync(person);
        await people.AddPasswordAsync(person, password);
        await people.SetLockoutEndDateAsync(person, null);
        await people.ResetAccessFailedCountAsync(person);
        await Replaced(person, but: null);
        var member = await db.Memberships.SingleAsync(m => m.PersonId == person.Id && m.Holding == _here);
        (member.Role, member.EndedAt) = (Role.Owner, null);
        await Happen(DoorEvent.PasswordChanged, person.Called);
        return null;
    }

    /// <summary>Sittings end with the password that they began by.</summary>
    private async Task Replaced(Person person, int? but) =>
        await db.Devices.Where(d => d.PersonId == person.Id && d.Kind == DeviceKind.Sitting && d.StruckAt == null && d.Id != but)
            .ExecuteUpdateAsync(set => set.SetProperty(d => d.StruckAt, Now).SetProperty(d => d.StruckBy, "a new password"));

    /// <summary>Once a day: what happened longer ago than 400 days, and devices struck as long ago, are forgotten.</summary>
    public async Task Prune()
    {
        var oldest = Now - HappeningsKept;
        await db.Happenings.Where(h => h.At < oldest).ExecuteDeleteAsync();
        await db.Devices.Where(d => d.StruckAt != null && d.StruckAt < oldest).ExecuteDeleteAsync();
    }
}
