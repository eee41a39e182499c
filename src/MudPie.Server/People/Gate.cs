using System.Globalization;
using System.Net;
using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Authorization.Policy;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using MudPie.Server.Held;
using MudPie.Server.Web;

namespace MudPie.Server.People;

/// <summary>Whether somebody has to sign in: from the first owner's password on, and wherever others can reach this server.</summary>
/// <param name="settings">Of the server.</param>
/// <param name="place">Whose door it stands at.</param>
public sealed class Gate(IConfiguration settings, HoldingPlace place)
{
    private volatile bool _hasOwner = place.OfBox; // at a box everybody signs in

    /// <summary>True where there is an owner who can sign in.</summary>
    public bool HasOwner
    {
        get => _hasOwner;
        set
        {
            var first = value && !_hasOwner;
            _hasOwner = value;
            if (first)
            {
                FirstOwner?.Invoke();
            }
        }
    }

    /// <summary>Said once there is an owner.</summary>
    public event Action? FirstOwner;

    /// <summary>True where others reach this server, or share it, so that nobody is known by where they sit.</summary>
    public bool BehindProxy { get; } = settings["Holding:Proxy"] is { Length: > 0 } || place.OfBox;

    /// <summary>True for a request that comes from the machine itself.</summary>
    public bool IsHere(HttpContext context) =>
        !BehindProxy && (context.Connection.RemoteIpAddress is not { } from || IPAddress.IsLoopback(from));

    /// <summary>What somebody who has not signed in may: everything at the machine itself as long as it has no owner, else
    /// nothing.</summary>
    public Role Unsigned(HttpContext context) => !HasOwner && IsHere(context) ? Role.Owner : Role.Nobody;
}

/// <summary>Looks whether who asks may.</summary>
/// <param name="who">Who asks.</param>
internal sealed class LeastRoleHandler(Whoever who) : AuthorizationHandler<LeastRole>
{
    protected override Task HandleRequirementAsync(AuthorizationHandlerContext context, LeastRole requirement)
    {
        if (who.Role >= requirement.Role)
        {
            context.Succeed(requirement);
        }

        return Task.CompletedTask;
    }
}

/// <summary>What is said to somebody who may not.</summary>
internal sealed class TurnedAway : IAuthorizationMiddlewareResultHandler
{
    private readonly AuthorizationMiddlewareResultHandler _else = new();

    public Task HandleAsync(RequestDelegate next, HttpContext context, AuthorizationPolicy policy,
        PolicyAuthorizationResult authorizeResult)
    {
        if (authorizeResult.Succeeded)
        {
            return _else.HandleAsync(next, context, policy, authorizeResult);
        }

        var who = context.RequestServices.GetRequiredService<Whoever>();
        return who.Role == Role.Nobody
            ? Say(context, 401, context.Items.ContainsKey(DoorPass.StruckOff) ? "This device was struck off." : "Sign in first.",
                context.Items.ContainsKey(DoorPass.StruckOff)
                    ? "What waits on it is still here. Ask the owner for a new code to join again."
                    : "What you typed is still here.", "sign in")
            : Say(context, 403, who.Role == Role.Visitor ? "A visitor reads, and keeps nothing." : "Only the owner does that.",
                "Nothing was kept. Ask the owner, who can change what you may.", "not allowed");
    }

    internal static Task Say(HttpContext context, int status, string title, string detail, string trouble)
    {
        context.Response.StatusCode = status;
        return context.Response.WriteAsJsonAsync(new ProblemDetails {
            Status = status, Title = title, Detail = detail, Extensions = { ["trouble"] = trouble }
        }, Json.Options, "application/problem+json");
    }
}

/// <summary>The cookie that somebody comes in by: sealed by this server, and looked up in the file at each request, so that who is struck
/// off is out at once.</summary>
internal static class DoorPass
{
    public const string StruckOff = "mudpie-struck-off", DeviceClaim = "device", SinceClaim = "since", Idle = "Mudpie-Idle";

    /// <summary>A sitting nobody has touched for so long has ended.</summary>
    public static readonly TimeSpan SittingIdle = TimeSpan.FromHours(2);

    /// <summary>And every sitting after so long.</summary>
    public static readonly TimeSpan SittingMost = TimeSpan.FromHours(12);

    private static readonly TimeSpan SeenTo = TimeSpan.FromMinutes(10);

    public static void Set(CookieAuthenticationOptions o)
    {
        o.Cookie.Name = "mudpie";
        o.Cookie.HttpOnly = true;
        o.Cookie.SameSite = SameSiteMode.Strict;
        o.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest; // plain only at the machine itself
        o.CookieManager = new HostCookies();
        o.ExpireTimeSpan = TimeSpan.FromDays(400); // the longest that browsers keep; the file says who stays
        o.SlidingExpiration = true;
        o.Events.OnValidatePrincipal = Look;
        o.Events.OnRedirectToLogin = o.Events.OnRedirectToAccessDenied = c => Task.CompletedTask;
    }

    /// <summary>The cookie that holds what a browser was asked for a passkey, for as long as it may take to answer.</summary>
    public static void SetAsked(CookieAuthenticationOptions o)
    {
        o.Cookie.Name = "mudpie-asked";
        o.Cookie.HttpOnly = true;
        o.Cookie.SameSite = SameSiteMode.Strict;
        o.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
        o.CookieManager = new HostCookies();
        o.ExpireTimeSpan = TimeSpan.FromMinutes(5);
        o.SlidingExpiration = false;
        o.Events.OnRedirectToLogin = o.Events.OnRedirectToAccessDenied = c => Task.CompletedTask;
    }

    /// <summary>Signs a device in.</summary>
    public static async Task Give(HttpContext context, SignInManager<Person> door, Person person, Device device)
    {
        var principal = await door.CreateUserPrincipalAsync(person);
        ((ClaimsIdentity)principal.Identity!).AddClaims([new Claim(DeviceClaim, $"{device.Id}"),
            new Claim(SinceClaim, Since(device.JoinedAt))]);
        await context.SignInAsync(IdentityConstants.ApplicationScheme, principal,
            new AuthenticationProperties { IsPersistent = device.Kind == DeviceKind.Joined });
    }

    private static string Since(DateTimeOffset at) => at.ToUnixTimeMilliseconds().ToString(CultureInfo.InvariantCulture);

    private static async Task Look(CookieValidatePrincipalContext c)
    {
        var services = c.HttpContext.RequestServices;
        var (db, now) = (services.GetRequiredService<PeopleDb>(), services.GetRequiredService<TimeProvider>().GetUtcNow());
        var place = services.GetRequiredService<HoldingPlace>();
        var here = place.Name;
        var found = int.TryParse(c.Principal?.FindFirstValue(DeviceClaim), out var id)
            ? await db.Devices.AsNoTracking().Where(d => d.Id == id && d.Holding == here).Select(d => new {
                d.Id, d.Kind, d.Name, d.JoinedAt, d.SeenAt, d.StruckAt, d.PersonId, d.Person.UserName, d.Person.Home,
                Role = db.Memberships.Where(m => m.PersonId == d.PersonId && m.Holding == here && m.EndedAt == null)
                    .Select(m => (Role?)m.Role).FirstOrDefault(),
                Elsewhere = db.Memberships.Any(m => m.PersonId == d.PersonId && m.EndedAt == null)
            }).FirstOrDefaultAsync(c.HttpContext.RequestAborted) : null;
        var over = found is { Kind: DeviceKind.Sitting } && (now - found.SeenAt > SittingIdle || now - found.JoinedAt > SittingMost);
        // since when is looked at too: in a copy that was put back a number may be another's
        var may = found?.Role ?? (place.IsBox && found?.Elsewhere == true ? Role.Visitor : null);
        if (found is not { StruckAt: null } || may is not { } role || over
            || c.Principal!.FindFirstValue(SinceClaim) != Since(found.JoinedAt))
        {
            if (found is { StruckAt: not null })
            {
                c.HttpContext.Items[StruckOff] = true;
            }

            c.RejectPrincipal();
            return;
        }

        var who = services.GetRequiredService<Whoever>();
        who.Name = Person.Spoken(found.UserName!, found.Home);
        (who.Person, who.Device, who.DeviceName, who.Role) = (found.PersonId, found.Id, found.Name, role);
        // a page that stands open asks by itself: that is nobody's hand
        var untouched = int.TryParse(c.HttpContext.Request.Headers[Idle], out var seconds) && seconds > SeenTo.TotalSeconds / 2;
        if (!untouched && now - found.SeenAt > SeenTo)
        {
            await db.Devices.Where(d => d.Id == id).ExecuteUpdateAsync(set => set.SetProperty(d => d.SeenAt, now));
        }
    }

    /// <summary>Over an encrypted connection the cookie's name says that it belongs to this host alone: no neighbour can set it.</summary>
    private sealed class HostCookies : ICookieManager
    {
        private readonly ChunkingCookieManager _inner = new();

        public string? GetRequestCookie(HttpContext context, string key) => _inner.GetRequestCookie(context, Name(context, key));

        public void AppendResponseCookie(HttpContext context, string key, string? value, CookieOptions options) =>
            _inner.AppendResponseCookie(context, Name(context, key), value, options);

        public void DeleteCookie(HttpContext context, string key, CookieOptions options) =>
            _inner.DeleteCookie(context, Name(context, key), options);

        // cookies know hosts and no ports: two holdings on one machine would sign each other out
        private static string Name(HttpContext context, string key) => string.Create(CultureInfo.InvariantCulture,
            $"{(context.Request.IsHttps ? "__Host-" : "")}{key}-{context.Request.Host.Port ?? (context.Request.IsHttps ? 443 : 80)}");
    }
}
