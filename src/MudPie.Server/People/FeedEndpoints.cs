using System.Buffers.Text;
using System.Security.Cryptography;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
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
    internal static async Task<(string? Name, int Person)?> Whose(PeopleDb db, string key)
    {
        if (key.Length is < 20 or > 100)
        {
            return null;
        }

        var found = await db.UserTokens.AsNoTracking().Where(t => t.LoginProvider == Provider && t.Name == Name && t.Value == key
            && db.Memberships.Any(m => m.PersonId == t.UserId && m.Holding == "" && m.EndedAt == null))
            .Join(db.Users, t => t.UserId, u => u.Id, (_, u) => new { u.Id, u.UserName }).FirstOrDefaultAsync();
        return found is null ? null : (found.UserName, found.Id);
    }

    private static async Task<FeedView> Read(PeopleDb db, Whoever who, HttpContext context) => who.Person is not { } person
        ? new FeedView(Reached.From(context) + Path, false)
        : Told(context, await db.UserTokens.Where(t => t.UserId == person && t.LoginProvider == Provider && t.Name == Name)
            .Select(t => t.Value).FirstOrDefaultAsync());

    private static FeedView Told(HttpContext context, string? key) =>
        new(key is null ? null : $"{Reached.From(context)}{Path}?{Key}={key}", true);

    private static async Task<FeedView> Change(PeopleDb db, Whoever who, PeopleDesk desk, HttpContext context)
    {
        if (who.Person is not { } person)
        {
            return new FeedView(Reached.From(context) + Path, false);
        }

        var key = Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(24));
        await db.UserTokens.Where(t => t.UserId == person && t.LoginProvider == Provider && t.Name == Name).ExecuteDeleteAsync();
        db.UserTokens.Add(new IdentityUserToken<int> { UserId = person, LoginProvider = Provider, Name = Name, Value = key });
        await desk.Happen(DoorEvent.FeedChanged);
        return Told(context, key);
    }
}
