using System.Threading.RateLimiting;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using MudPie.Server.Held;
using MudPie.Server.Web;

namespace MudPie.Server.People;

/// <summary>Signing in, put together: ASP.NET Core Identity over the holding's file.</summary>
public static class PeopleServices
{
    /// <summary>The limit on trying passwords and codes.</summary>
    public const string Tries = "tries";

    /// <summary>Adds what signing in needs.</summary>
    public static void AddPeople(this WebApplicationBuilder builder)
    {
        var services = builder.Services;
        services.AddDbContext<PeopleDb>((at, o) => PeopleDb.Use(o, at.GetRequiredService<HoldingPlace>().People));
        services.AddIdentityCore<Person>(Set).AddEntityFrameworkStores<PeopleDb>().AddSignInManager();
        services.Configure<IdentityPasskeyOptions>(o => // whoever shows one is asked who they are, and it knows whose it is
            (o.UserVerificationRequirement, o.ResidentKeyRequirement) = ("required", "required"));
        services.Configure<PasswordHasherOptions>(o => o.IterationCount = builder.Configuration.GetValue("Holding:HashRounds", 220_000));
        services.AddAuthentication(IdentityConstants.ApplicationScheme).AddIdentityCookies(o =>
        {
            o.ApplicationCookie!.Configure(DoorPass.Set);
            o.TwoFactorUserIdCookie!.Configure(DoorPass.SetAsked);
        });
        // what names no role is open to nobody
        services.AddAuthorizationBuilder().SetDefaultPolicy(new AuthorizationPolicyBuilder().RequireAssertion(_ => true).Build())
            .SetFallbackPolicy(new AuthorizationPolicyBuilder().RequireAssertion(_ => false).Build());
        services.AddScoped<IAuthorizationHandler, LeastRoleHandler>().AddScoped<Whoever>();
        services.AddScoped<PeopleDesk>().AddScoped<JoinDesk>().AddScoped<PasskeyDesk>();
        services.AddSingleton<PeopleCarried>().AddSingleton<IArrival>(at => at.GetRequiredService<PeopleCarried>());
        services.AddForEach<Gate>().AddSingleton<IAuthorizationMiddlewareResultHandler, TurnedAway>();
        var keys = services.AddDataProtection().SetApplicationName("mud-pie");
        if (builder.Configuration["Holding:Keys"] is { Length: > 0 } folder)
        {
            keys.PersistKeysToFileSystem(new DirectoryInfo(Path.Combine(folder, "cookies")));
        }
        else
        {
            keys.UseEphemeralDataProtectionProvider(); // nobody's cookie is good at another server
        }

        services.AddRateLimiter(o =>
        {
            o.OnRejected = async (context, _) => await TurnedAway.Say(context.HttpContext, 429, "That was tried too often.",
                "Wait a minute, then try again.", "too often");
            o.AddPolicy(Tries, context => RateLimitPartition.GetFixedWindowLimiter(context.Connection.RemoteIpAddress?.ToString() ?? "",
                _ => new FixedWindowRateLimiterOptions {
                    PermitLimit = builder.Configuration.GetValue("Holding:TriesAMinute", 12), Window = TimeSpan.FromMinutes(1)
                }));
        });
    }

    /// <summary>What Identity is told; the shape of its tables hangs on it too.</summary>
    internal static void Set(IdentityOptions o)
    {
        o.Stores.SchemaVersion = IdentitySchemaVersions.Version3;
        o.User.AllowedUserNameCharacters = null!; // people are called what they are called
        o.Password = new PasswordOptions {
            RequiredLength = 12, RequiredUniqueChars = 5, RequireDigit = false, RequireLowercase = false, RequireUppercase = false,
            RequireNonAlphanumeric = false
        };
        o.Lockout.MaxFailedAccessAttempts = 6;
        o.Lockout.DefaultLockoutTimeSpan = TimeSpan.FromMinutes(15);
    }

    /// <summary>Who asks is looked up, and whether they may.</summary>
    public static void UsePeople(this WebApplication app)
    {
        app.UseAuthentication();
        app.Use(async (context, next) =>
        {
            var who = context.RequestServices.GetRequiredService<Whoever>();
            if (who.Person is null)
            {
                var gate = context.RequestServices.GetRequiredService<Gate>();
                who.Role = gate.Unsigned(context);
                // a calendar can't sign in: its address holds a secret, good for this one page
                if (gate.HasOwner && context.Request.Path == FeedEndpoints.Path && HttpMethods.IsGet(context.Request.Method)
                    && await FeedEndpoints.Whose(context.RequestServices.GetRequiredService<PeopleDb>(),
                        context.RequestServices.GetRequiredService<HoldingPlace>().Name,
                        context.Request.Query[FeedEndpoints.Key].ToString()) is { } whose)
                {
                    (who.Name, who.Person, who.Role) = (whose.Name, whose.Person, Role.Visitor);
                }
            }

            await next(context);
        });
        app.UseAuthorization();
        app.UseRateLimiter();
    }

    /// <summary>Brings the tables of people up to date where there are any, and looks whether there is an owner; to be called by whoever
    /// holds the file's lease.</summary>
    /// <param name="scopes">At the holding.</param>
    /// <param name="make">Whether they are made where there are none: a file that nobody was let into has none.</param>
    public static void OpenPeople(this HoldingScopes scopes, bool make)
    {
        using var scope = scopes.CreateScope();
        if (scope.ServiceProvider.GetRequiredService<HoldingPlace>() is { OfBox: true })
        {
            return; // the box has them, and everybody signs in
        }

        var db = scope.ServiceProvider.GetRequiredService<PeopleDb>();
        var gate = scope.ServiceProvider.GetRequiredService<Gate>();
        if (!make && !db.Database.GetAppliedMigrations().Any())
        {
            gate.HasOwner = false;
            return;
        }

        db.Database.ExecuteSqlRaw("DROP TABLE IF EXISTS \"__EFMigrationsLock\""); // of one that was killed
        db.Database.Migrate();
        gate.HasOwner = db.Memberships.Any(m => m.Holding == "" && m.Role == Role.Owner && m.EndedAt == null);
    }
}
