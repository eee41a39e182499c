using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using MudPie.Server.Held;

namespace MudPie.Server.People;

/// <summary>People go with a holding: out of a box into its file, and out of its file into a box. Who they are, what they may and their
/// passwords go along; phones join anew, as they know a holding by its address.</summary>
internal sealed class PeopleCarried(IServiceProvider services) : IArrival
{
    /// <summary>A holding that a box opens for the first time brings along whom its file knows.</summary>
    public async Task At(OneHolding holding)
    {
        var name = holding.Place.Name;
        using var scope = holding.Scopes.CreateScope();
        var box = scope.ServiceProvider.GetRequiredService<PeopleDb>();
        if (await box.Memberships.AnyAsync(m => m.Holding == name))
        {
            return;
        }

        await using var file = Of(holding.Place.File);
        if (!(await file.Database.GetAppliedMigrationsAsync()).Any())
        {
            return; // nobody was ever let into it
        }

        await BringUp(file);
        await Carry(file, "", box, name, scope.ServiceProvider.GetRequiredService<ILookupNormalizer>());
    }

    /// <summary>Puts a holding's people into its file, in the place of those whom it may still know of before; to be called while nobody
    /// has it open.</summary>
    public async Task Out(OneHolding holding)
    {
        using var scope = holding.Scopes.CreateScope();
        var box = scope.ServiceProvider.GetRequiredService<PeopleDb>();
        await using var file = Of(holding.Place.File);
        await BringUp(file);
        await using (var all = await file.Database.BeginTransactionAsync())
        {
            await file.Users.ExecuteDeleteAsync(); // and with them all that hangs on them
            await file.Happenings.ExecuteDeleteAsync();
            await Carry(box, holding.Place.Name, file, "", scope.ServiceProvider.GetRequiredService<ILookupNormalizer>());
            await all.CommitAsync();
        }
    }

    private static async Task BringUp(PeopleDb file)
    {
        await file.Database.ExecuteSqlRawAsync("DROP TABLE IF EXISTS \"__EFMigrationsLock\""); // of one that was killed
        await file.Database.MigrateAsync();
    }

    private PeopleDb Of(string file)
    {
        var options = new DbContextOptionsBuilder<PeopleDb>();
        PeopleDb.Use(options, file);
        options.UseApplicationServiceProvider(services);
        return new PeopleDb(options.Options);
    }

    private static async Task Carry(PeopleDb from, string out_, PeopleDb to, string into, ILookupNormalizer names)
    {
        var people = await from.Memberships.AsNoTracking().Where(m => m.Holding == out_).Include(m => m.Person).OrderBy(m => m.PersonId)
            .ToListAsync();
        foreach (var m in people)
        {
            var sign = Person.Sign(m.Person.Called, into);
            to.Memberships.Add(new Membership {
                Holding = into, Role = m.Role, EndedAt = m.EndedAt,
                Person = new Person {
                    UserName = sign, NormalizedUserName = names.NormalizeName(sign), Home = into, PasswordHash = m.Person.PasswordHash,
                    SecurityStamp = Guid.NewGuid().ToString("N"), LockoutEnabled = true
                }
            });
        }

        await to.SaveChangesAsync();
    }
}
