using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using MudPie.Records;

namespace MudPie.Server.People;

/// <summary>Who may come in, by what, and what happened at the door. It lies in the holding's file, in tables of its own that no zip takes
/// along; a holding's record refers to none of it, and keeps only names.</summary>
public sealed class PeopleDb(DbContextOptions<PeopleDb> options) : IdentityUserContext<Person, int>(options)
{
    /// <summary>What its tables begin with.</summary>
    public const string Prefix = HoldingFile.PeoplesTables;

    public DbSet<Membership> Memberships => Set<Membership>();

    public DbSet<Device> Devices => Set<Device>();

    public DbSet<JoinCode> JoinCodes => Set<JoinCode>();

    public DbSet<Happening> Happenings => Set<Happening>();

    /// <summary>Points a context at a file.</summary>
    public static DbContextOptionsBuilder Use(DbContextOptionsBuilder options, string path) =>
        options.UseHolding(path, Prefix + "History");

    /// <inheritdoc/>
    protected override Version SchemaVersion => IdentitySchemaVersions.Version3;

    /// <inheritdoc/>
    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        configurationBuilder.Properties<DateTimeOffset>().HaveConversion<Milliseconds>();
        configurationBuilder.Properties<Web.Role>().HaveConversion<string>();
        configurationBuilder.Properties<DeviceKind>().HaveConversion<string>();
        configurationBuilder.Properties<DoorEvent>().HaveConversion<string>();
    }

    /// <inheritdoc/>
    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.Entity<JoinCode>().HasIndex(c => c.Digest).IsUnique();
        builder.Entity<Happening>().HasIndex(h => h.At);
        builder.Entity<Happening>().HasIndex(h => h.Holding);
        foreach (var table in builder.Model.GetEntityTypes().Where(t => !t.IsOwned()))
        {
            table.SetTableName(Prefix + table.GetTableName()!.Replace("AspNet", "", StringComparison.Ordinal));
        }
    }

    private sealed class Milliseconds() : ValueConverter<DateTimeOffset, long>(
        at => at.ToUnixTimeMilliseconds(), ms => DateTimeOffset.FromUnixTimeMilliseconds(ms));
}

/// <summary>For the migrations tool only.</summary>
internal sealed class PeopleDesign : IDesignTimeDbContextFactory<PeopleDb>
{
    public PeopleDb CreateDbContext(string[] args)
    {
        var options = new DbContextOptionsBuilder<PeopleDb>();
        PeopleDb.Use(options, "design.mudpie");
        options.UseApplicationServiceProvider(new ServiceCollection().Configure<IdentityOptions>(PeopleServices.Set)
            .BuildServiceProvider());
        return new PeopleDb(options.Options);
    }
}
