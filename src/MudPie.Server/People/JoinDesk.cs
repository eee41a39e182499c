using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Server.Held;
using MudPie.Server.Web;

namespace MudPie.Server.People;

/// <summary>Codes, and the phones that join by them.</summary>
public sealed class JoinDesk(PeopleDb db, PeopleDesk desk, UserManager<Person> people, SignInManager<Person> door, Gate gate,
    TimeProvider time, HoldingPlace place)
{
    /// <summary>How long a code is good.</summary>
    public static readonly TimeSpan CodeGood = TimeSpan.FromMinutes(10);

    private const string Signs = "23456789ABCDEFGHJKMNPQRSTVWXYZ"; // none that is taken for another
    private const int CodeLength = 8, MostWrongCodes = 20;

    // a name of its own, by which EF makes it a value of the question
    private readonly string _here = place.Name;

    private DateTimeOffset Now => time.GetUtcNow();

    /// <summary>A code that lets one phone in for a person, once, within ten minutes.</summary>
    public async Task<string> Code(Person person)
    {
        var code = RandomNumberGenerator.GetString(Signs, CodeLength);
        var now = Now;
        await db.JoinCodes.Where(c => c.Expires < now || c.UsedAt != null).ExecuteDeleteAsync();
        db.JoinCodes.Add(new JoinCode { PersonId = person.Id, Holding = _here, Digest = Digest(code), Expires = now + CodeGood });
        await desk.Happen(DoorEvent.CodeMade, person.Called);
        return $"{code[..4]}-{code[4..]}";
    }

    private static string Digest(string code) => Convert.ToHexStringLower(SHA256.HashData(Encoding.ASCII.GetBytes(
        string.Concat(code.ToUpperInvariant().Where(Signs.Contains)))));

    /// <summary>A phone joins by a code.</summary>
    public async Task<Refusal?> Join(JoinRequest r, HttpContext context)
    {
        var none = Refusal.Of("code", "That code is not good, or no more.",
            "Ask the owner for a new one: each is good once, for ten minutes.");
        if (!gate.HasOwner)
        {
            return none;
        }

        var (now, since, digest) = (Now, Now - CodeGood, Digest(r.Code));
        if (await db.Happenings.CountAsync(h => h.Holding == _here && h.What == DoorEvent.WrongCode && h.At > since) >= MostWrongCodes)
        {
            if (await db.JoinCodes.Where(c => c.Holding == _here).ExecuteDeleteAsync() > 0)
            {
                await desk.Happen(DoorEvent.CodesVoid);
            }

            return none;
        }

        if (r.Known is { } known && await Vouched(known, digest) is { } refused)
        {
            return refused; // the code is still good
        }

        // taken by whoever comes first, and by nobody twice
        if (await db.JoinCodes.Where(c => c.Digest == digest && c.Holding == _here && c.UsedAt == null && c.Expires > now)
            .ExecuteUpdateAsync(set => set.SetProperty(c => c.UsedAt, now)) == 0)
        {
            await desk.Happen(DoorEvent.WrongCode);
            return none;
        }

        var person = await db.JoinCodes.Where(c => c.Digest == digest).Select(c => c.Person).SingleAsync();
        if (r.Known is { } same)
        {
            person = await Become(person, (await desk.Find(same.Name))!);
        }

        var name = r.Device.Trim() is { Length: > 0 and <= 60 } said ? said : "a phone";
        await desk.Admit(person, DeviceKind.Joined, name, context);
        await desk.Happen(DoorEvent.Joined, name, person.Called);
        return null;
    }

    /// <summary>Whether somebody who comes with a code is who they say they are at another holding of the box, and may be the one whom the
    /// code was made for.</summary>
    private async Task<Refusal?> Vouched(SignInRequest known, string digest)
    {
        var wrong = Refusal.Of("known", "That name and password do not belong together.",
            "Give the name with the holding where you come already, as in the hand@north-field, and the password that you sign in with.");
        if (!place.OfBox || await desk.Find(known.Name) is not { } person || person.Home == _here)
        {
            people.PasswordHasher.HashPassword(new Person(), known.Password);
            return wrong;
        }

        if (!(await door.CheckPasswordSignInAsync(person, known.Password, lockoutOnFailure: true)).Succeeded)
        {
            await desk.Happen(DoorEvent.WrongPassword, person.Called);
            return wrong;
        }

        var now = Now;
        return await db.JoinCodes.Where(c => c.Digest == digest && c.Holding == _here && c.UsedAt == null && c.Expires > now)
            .Select(c => (int?)c.PersonId).FirstOrDefaultAsync() is { } invited && invited != person.Id
            && await db.Users.AnyAsync(p => p.Id == invited && (p.PasswordHash != null || db.Devices.Any(d => d.PersonId == invited)))
            ? Refusal.Of("known", "That code is for somebody who comes here already.", "Ask the owner for one for somebody new.") : null;
    }

    /// <summary>Somebody new turns out to be somebody who comes to another holding of the box: they are one from now on.</summary>
    private async Task<Person> Become(Person invited, Person known)
    {
        if (invited.Id == known.Id)
        {
            return known;
        }

        var role = await desk.RoleOf(invited.Id) ?? Role.Visitor;
        await db.Memberships.Where(m => m.PersonId == known.Id && m.Holding == _here).ExecuteDeleteAsync();
        db.Memberships.Add(new Membership { PersonId = known.Id, Holding = _here, Role = role });
        await db.SaveChangesAsync();
        await people.DeleteAsync(invited);
        return known;
    }
}
