using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using MudPie.Core.Brewing;
using MudPie.Core.Judging.Together;
using MudPie.Core.Sharing;
using MudPie.Records;
using MudPie.Server.Held;

namespace MudPie.Server.Shared;

/// <summary>A vessel that a holding lets the others of its box use, with its card.</summary>
public sealed class SharedVessel
{
    public int Id { get; set; }

    /// <summary>By which every holding's own vessel knows it.</summary>
    public Guid Mark { get; set; } = Guid.NewGuid();

    /// <summary>Whose it is, by the name at the box.</summary>
    public required string Holding { get; set; }

    /// <summary>What that holding calls itself.</summary>
    public required string Called { get; set; }

    public required string Name { get; set; }

    /// <summary>"bucket", "barrel" or "tank".</summary>
    public required string Shape { get; set; }

    /// <summary>To the brim, L.</summary>
    public double TotalL { get; set; }

    /// <summary>With room for foam, L.</summary>
    public double WorkingL { get; set; }

    /// <summary>Outlet under water, m.</summary>
    public double DepthM { get; set; }

    /// <summary>Its pumps and outlets as its owner set them up; null for one pump and one diffuser.</summary>
    public AirBenchQuestion? Air { get; set; }

    public required string OfferedBy { get; set; }

    public DateTimeOffset OfferedAt { get; set; }

    /// <summary>When it was shared no more; null while it is.</summary>
    public DateTimeOffset? EndedAt { get; set; }

    public List<Booking> Bookings { get; } = [];

    public List<Handing> Handings { get; } = [];

    public List<PumpCount> Counts { get; } = [];

    /// <summary>The write that made it: a write that is sent again finds it.</summary>
    public required string Key { get; set; }
}

/// <summary>A time for which a vessel is spoken for.</summary>
public sealed class Booking
{
    public int Id { get; set; }

    public int SharedVesselId { get; set; }

    public required string Holding { get; set; }

    public required string Called { get; set; }

    public DateTimeOffset From { get; set; }

    public DateTimeOffset Until { get; set; }

    public required string By { get; set; }

    public DateTimeOffset MadeAt { get; set; }

    /// <summary>When it was called off; null while it stands.</summary>
    public DateTimeOffset? OffAt { get; set; }

    /// <summary>Who called it off, and of which holding.</summary>
    public string? OffBy { get; set; }

    public required string Key { get; set; }
}

/// <summary>A vessel that went from one holding to another. What was signed is never changed.</summary>
public sealed class Handing
{
    public int Id { get; set; }

    public int SharedVesselId { get; set; }

    public required string From { get; set; }

    public required string FromCalled { get; set; }

    public required string To { get; set; }

    public required string ToCalled { get; set; }

    public DateTimeOffset GivenAt { get; set; }

    /// <summary>As it was signed.</summary>
    public required string GivenBy { get; set; }

    /// <summary>What was cleaned, and when.</summary>
    public IReadOnlyList<CleanedStep> Steps { get; set; } = [];

    /// <summary>When it was received; null while it is on its way.</summary>
    public DateTimeOffset? ReceivedAt { get; set; }

    public string? ReceivedBy { get; set; }

    public bool? FoundClean { get; set; }

    public string? FoundWhat { get; set; }

    /// <summary>When it was taken back, not having gone; null else.</summary>
    public DateTimeOffset? KeptAt { get; set; }

    public required string Key { get; set; }
}

/// <summary>What was counted before and after a vessel's pump. Never changed.</summary>
public sealed class PumpCount
{
    public int Id { get; set; }

    public int SharedVesselId { get; set; }

    public required string Called { get; set; }

    public required string By { get; set; }

    public DateTimeOffset At { get; set; }

    /// <summary>Whole organisms, field by field.</summary>
    public IReadOnlyList<double> Before { get; set; } = [];

    /// <summary>The same, after it.</summary>
    public IReadOnlyList<double> After { get; set; } = [];

    public required string Key { get; set; }
}

/// <summary>A protocol that a holding lets the others of its box join. What it says is never changed.</summary>
public sealed class SharedProtocol
{
    public int Id { get; set; }

    /// <summary>By which results find it.</summary>
    public Guid Mark { get; set; }

    /// <summary>Who offers it, by the name at the box.</summary>
    public required string Holding { get; set; }

    public required TrialProtocol Told { get; set; }

    public required string By { get; set; }

    public DateTimeOffset At { get; set; }

    /// <summary>When it was offered no more; null while it is.</summary>
    public DateTimeOffset? EndedAt { get; set; }
}

/// <summary>What a holding found by a protocol, given to the others of its box. Never changed; a later one of the same garden takes its
/// place.</summary>
public sealed class SharedResult
{
    public int Id { get; set; }

    /// <summary>The protocol's mark.</summary>
    public Guid Protocol { get; set; }

    /// <summary>The mark of the trial.</summary>
    public Guid Garden { get; set; }

    /// <summary>Whose it is, by the name at the box.</summary>
    public required string Holding { get; set; }

    public required GardenResult Told { get; set; }

    public required string By { get; set; }

    public DateTimeOffset At { get; set; }

    /// <summary>When it was taken back; null while it counts.</summary>
    public DateTimeOffset? EndedAt { get; set; }
}

/// <summary>What the holdings of a box share, each by its own consent. It lies in the box's file, beside its people.</summary>
public sealed class SharedDb(DbContextOptions<SharedDb> options) : DbContext(options)
{
    /// <summary>The table in which its steps stand.</summary>
    public const string History = Prefix + "History";

    private const string Prefix = "Shared_";

    public DbSet<SharedVessel> Vessels => Set<SharedVessel>();

    public DbSet<Booking> Bookings => Set<Booking>();

    public DbSet<Handing> Handings => Set<Handing>();

    public DbSet<PumpCount> Counts => Set<PumpCount>();

    public DbSet<SharedProtocol> Protocols => Set<SharedProtocol>();

    public DbSet<SharedResult> Results => Set<SharedResult>();

    /// <inheritdoc/>
    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        configurationBuilder.Properties<DateTimeOffset>().HaveConversion<Milliseconds>();
        Forms.Configure(configurationBuilder);
    }

    /// <inheritdoc/>
    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<SharedVessel>().HasIndex(v => v.Mark).IsUnique();
        modelBuilder.Entity<SharedVessel>().HasIndex(v => v.Key).IsUnique();
        modelBuilder.Entity<Booking>().HasIndex(b => b.Key).IsUnique();
        modelBuilder.Entity<Booking>().HasIndex(b => new { b.SharedVesselId, b.Until });
        modelBuilder.Entity<Handing>().HasIndex(h => h.Key).IsUnique();
        modelBuilder.Entity<PumpCount>().HasIndex(c => c.Key).IsUnique();
        modelBuilder.Entity<SharedProtocol>().HasIndex(p => p.Mark);
        modelBuilder.Entity<SharedResult>().HasIndex(r => r.Protocol);
        foreach (var table in modelBuilder.Model.GetEntityTypes())
        {
            table.SetTableName(Prefix + table.GetTableName());
        }
    }

    private sealed class Milliseconds() : ValueConverter<DateTimeOffset, long>(
        at => at.ToUnixTimeMilliseconds(), ms => DateTimeOffset.FromUnixTimeMilliseconds(ms));
}

/// <summary>Its opening.</summary>
public static class SharedOpening
{
    /// <summary>At a box, brings the file up to date, or makes it; to be called by whoever holds the lease of the box.</summary>
    /// <param name="scopes">At the box.</param>
    public static void OpenShared(this HoldingScopes scopes)
    {
        using var scope = scopes.CreateScope();
        if (scope.ServiceProvider.GetRequiredService<HoldingPlace>().IsBox)
        {
            var db = scope.ServiceProvider.GetRequiredService<SharedDb>();
            db.Database.ExecuteSqlRaw("DROP TABLE IF EXISTS \"__EFMigrationsLock\""); // of one that was killed
            db.Database.Migrate();
        }
    }
}

/// <summary>For the migrations tool only.</summary>
internal sealed class SharedDesign : IDesignTimeDbContextFactory<SharedDb>
{
    public SharedDb CreateDbContext(string[] args) =>
        new((DbContextOptions<SharedDb>)new DbContextOptionsBuilder<SharedDb>().UseHolding("design.mudpie", SharedDb.History).Options);
}
