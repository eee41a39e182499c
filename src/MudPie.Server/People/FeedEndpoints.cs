using System.Buffers.Text;
using System.Security.Cryptography;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using MudPie.Server.Held;
using MudPie.Server.Web;

namespace MudPie.Server.People;

/// <summary>Where a calendar reads what is planned.</summary>
/// <param name="Address">To be pasted into it; null where one's own is not made yet.</param>
/// <param name="Secret">True where a secret is in it, that can be changed.</param>
public sealed record FeedView(string? Address, bool Secret);

/// <summary>The calendar's address: a program that reads calendars can't sign in, so a secret in the address says whose it is.</summary>
public static class FeedEndpoints
{
    /// <summary>The path of the feed, and of what it holds the secret in.</summary>
    public const string Path = "/api/calendar.ics", Key = "key";

    private const string Provider = "feed", Name = "calendar";

    /// <summary>What can be done.</summary>
    public static void MapFeed(this IEndpointRouteBuilder api)
    {
        api.MapGet("/people/feed", Read).ForVisitor("The address by which a calendar reads what is planned.");
        api.MapPost("/people/feed", Change).ForVisitor("Makes one's own address of the calendar anew; the one before is good no more.");
    }

    /// <summary>Whose secret it is; null where it is nobody's who comes here still.</summary>
    internal static async Task<(string? Name, int Person)?> Whose(PeopleDb db, string here, string key)
    {
        var name = Of(here);
        if (key.Length is < 20 or > 100)
        {
            return null;
        }

        var found = await db.UserTokens.AsNoTracking().Where(t => t.LoginProvider == Provider && t.Name == name && t.Value == key
            && db.Memberships.Any(m => m.PersonId == t.UserId && m.Holding == here && m.EndedAt == null))
            .Join(db.Users, t => t.UserId, u => u.Id, (_, u) => new { u.Id, u.UserName, u.Home }).FirstOrDefaultAsync();
        return found is null ? null : (Person.Spoken(found.UserName!, found.Home), found.Id);
    }

    // somebody who comes to several holdings has one for each
    private static string Of(string here) => here.Length == 0 ? Name : $"{Name} {here}";

    private static async Task<FeedView> Read(PeopleDb db, Whoever who, HoldingPlace place, HttpContext context)
    {
        var name = Of(place.Name);
        return who.Person is not { } person ? new FeedView(Reached.From(context) + Path, false)
            : Told(context, await db.UserTokens.Where(t => t.UserId == person && t.LoginProvider == Provider && t.Name == name)
                .Select(t => t.Value).FirstOrDefaultAsync());
    }

    private static FeedView Told(HttpContext context, string? key) =>
        new(key is null ? null : $"{Reached.From(context)}{Path}?{Key}={key}", true);

    private static async Task<FeedView> Change(PeopleDb db, Whoever who, PeopleDesk desk, HoldingPlace place,
        HttpContext context)
    {
        if (who.Person is not { } person)
        {
            return new FeedView(Reached.From(context) + Path, false);
        }

        var key = Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(24));
        var name = Of(place.Name);
        await db.UserTokens.Where(t => t.UserId == person && t.LoginProvider == Provider && t.Name == name).ExecuteDeleteAsync();
        db.UserTokens.Add(new IdentityUserToken<int> { UserId = person, LoginProvider = Provider, Name = name, Value = key });
        await desk.Happen(DoorEvent.FeedChanged);
        return Told(context, key);
    }
}
