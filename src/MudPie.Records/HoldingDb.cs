using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using MudPie.Core.Brewing;
using MudPie.Records.Book;
using MudPie.Records.Brewing;
using MudPie.Records.Ground;
using MudPie.Records.Judging;
using MudPie.Records.Looking;
using MudPie.Records.Mixing;
using MudPie.Records.PuttingOut;
using MudPie.Records.Season;
using MudPie.Records.Shelf;
using MudPie.Records.Weather;
using MudPie.Records.Works;

namespace MudPie.Records;

/// <summary>One holding's record: one SQLite file.</summary>
public sealed class HoldingDb(DbContextOptions<HoldingDb> options) : DbContext(options)
{
    public DbSet<Holding> Holdings => Set<Holding>();

    public DbSet<ForkChoice> ForkChoices => Set<ForkChoice>();

    public DbSet<Bed> Beds => Set<Bed>();

    public DbSet<WaterSource> Waters => Set<WaterSource>();

    public DbSet<WaterTest> WaterTests => Set<WaterTest>();

    public DbSet<StripReading> Strips => Set<StripReading>();

    public DbSet<Vessel> Vessels => Set<Vessel>();

    public DbSet<Pump> Pumps => Set<Pump>();

    public DbSet<Diffuser> Diffusers => Set<Diffuser>();

    public DbSet<Input> Inputs => Set<Input>();

    public DbSet<Batch> Batches => Set<Batch>();

    public DbSet<BrewRound> Rounds => Set<BrewRound>();

    public DbSet<LogEntry> Log => Set<LogEntry>();

    public DbSet<Photo> Photos => Set<Photo>();

    public DbSet<VesselCleaning> Cleanings => Set<VesselCleaning>();

    public DbSet<BedCheck> BedChecks => Set<BedCheck>();

    public DbSet<Zone> Zones => Set<Zone>();

    public DbSet<Peg> Pegs => Set<Peg>();

    public DbSet<GroundCheck> GroundChecks => Set<GroundCheck>();

    public DbSet<PegPhoto> PegPhotos => Set<PegPhoto>();

    public DbSet<Walk> Walks => Set<Walk>();

    public DbSet<Planting> Plantings => Set<Planting>();

    public DbSet<FieldLog> FieldLog => Set<FieldLog>();

    public DbSet<Goal> Goals => Set<Goal>();

    public DbSet<GoalThing> GoalThings => Set<GoalThing>();

    public DbSet<Lab> Labs => Set<Lab>();

    public DbSet<OwnClaim> Claims => Set<OwnClaim>();

    public DbSet<OwnReckoning> Reckonings => Set<OwnReckoning>();

    public DbSet<KeptAnyway> KeptAnyway => Set<KeptAnyway>();

    public DbSet<ClaimFinding> ClaimFindings => Set<ClaimFinding>();

    public DbSet<SourceCheck> SourceChecks => Set<SourceCheck>();

    public DbSet<Recipe> Recipes => Set<Recipe>();

    public DbSet<RecipeVersion> RecipeVersions => Set<RecipeVersion>();

    public DbSet<MicroscopeTallyKept> Tallies => Set<MicroscopeTallyKept>();

    public DbSet<ProbeLink> Probes => Set<ProbeLink>();

    public DbSet<ProbeReadingKept> ProbeReadings => Set<ProbeReadingKept>();

    public DbSet<ProbeEvent> ProbeEvents => Set<ProbeEvent>();

    public DbSet<WatchNotice> Notices => Set<WatchNotice>();

    public DbSet<Application> Applications => Set<Application>();

    public DbSet<ApplicationItem> ApplicationItems => Set<ApplicationItem>();

    public DbSet<Sprayer> Sprayers => Set<Sprayer>();

    public DbSet<SprayerCalibration> Calibrations => Set<SprayerCalibration>();

    public DbSet<SprayerWash> Washes => Set<SprayerWash>();

    public DbSet<OwnMixRule> MixRules => Set<OwnMixRule>();

    public DbSet<WeatherHourKept> Weather => Set<WeatherHourKept>();

    public DbSet<Programme> Programmes => Set<Programme>();

    public DbSet<Giving> Givings => Set<Giving>();

    public DbSet<MixJob> Mixes => Set<MixJob>();

    public DbSet<MixEntry> MixLog => Set<MixEntry>();

    public DbSet<Heap> Heaps => Set<Heap>();

    public DbSet<HeapEntry> HeapLog => Set<HeapEntry>();

    public DbSet<Work> Works => Set<Work>();

    public DbSet<WorkEntry> WorkLog => Set<WorkEntry>();

    public DbSet<OwnMaterial> OwnMaterials => Set<OwnMaterial>();

    public DbSet<StockLot> Lots => Set<StockLot>();

    public DbSet<StockEntry> StockEntries => Set<StockEntry>();

    public DbSet<HarvestEntry> Harvests => Set<HarvestEntry>();

    public DbSet<Observation> Observations => Set<Observation>();

    public DbSet<OwnWait> OwnWaits => Set<OwnWait>();

    public DbSet<BrixVisit> BrixVisits => Set<BrixVisit>();

    public DbSet<BrixMeter> BrixMeters => Set<BrixMeter>();

    public DbSet<PestCount> PestCounts => Set<PestCount>();

    public DbSet<Trial> Trials => Set<Trial>();

    public DbSet<TrialPlot> TrialPlots => Set<TrialPlot>();

    public DbSet<TrialReading> TrialReadings => Set<TrialReading>();

    public DbSet<TrialPhoto> TrialPhotos => Set<TrialPhoto>();

    public DbSet<AcrossSet> AcrossSets => Set<AcrossSet>();

    public DbSet<HeldProtocol> Protocols => Set<HeldProtocol>();

    public DbSet<PatchTest> PatchTests => Set<PatchTest>();

    public DbSet<Acknowledged> Acknowledgements => Set<Acknowledged>();

    public DbSet<Deed> Deeds => Set<Deed>();

    /// <summary>Number of the write that is being done: what is added bears it.</summary>
    public int? DeedNow { get; set; }

    /// <summary>Awaited before anything is written; null where nobody has to wait for anybody.</summary>
    public Func<CancellationToken, Task>? BeforeWrite { get; set; }

    /// <inheritdoc/>
    public override async Task<int> SaveChangesAsync(bool acceptAllChangesOnSuccess, CancellationToken cancellationToken = default)
    {
        if (BeforeWrite is not null)
        {
            await BeforeWrite(cancellationToken);
        }

        using var found = new ChangesFound(this);
        return await base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
    }

    /// <inheritdoc/>
    public override int SaveChanges(bool acceptAllChangesOnSuccess)
    {
        using var found = new ChangesFound(this);
        return base.SaveChanges(acceptAllChangesOnSuccess);
    }

    private void Renew()
    {
        // A new bed has a planting of what is said to grow there, since before it was written down.
        foreach (var bed in ChangeTracker.Entries<Bed>().Where(e => e.State == EntityState.Added).Select(e => e.Entity)
            .Where(b => b.Crop != Bed.Nothing && !ChangeTracker.Entries<Planting>().Any(p => p.Entity.Bed == b)).ToList())
        {
            Plantings.Add(new Planting { Bed = bed, Crop = bed.Crop, Growing = bed.Growing, Eaten = bed.Eaten });
        }

        foreach (var entry in ChangeTracker.Entries<IVersioned>().Where(e => e.State is EntityState.Added or EntityState.Modified))
        {
            entry.Property(nameof(IVersioned.Version)).CurrentValue = Guid.NewGuid();
        }

        if (DeedNow is { } deed)
        {
            foreach (var entry in ChangeTracker.Entries().Where(e => e.State == EntityState.Added
                && e.Metadata.FindProperty(Deed.Column) is { } p && p.IsShadowProperty()))
            {
                entry.Property(Deed.Column).CurrentValue = deed;
            }

            foreach (var entry in ChangeTracker.Entries<IVersioned>().Where(e => e.State is EntityState.Added or EntityState.Modified))
            {
                entry.Property(Deed.Changed).CurrentValue = deed;
            }
        }
    }

    /// <summary>What was changed is looked for once a write, and not at every question of what was: forms are compared as text, and a demo
    /// of thousands of rows took half a minute.</summary>
    private readonly struct ChangesFound : IDisposable
    {
        private readonly HoldingDb _db;
        private readonly bool _auto;

        public ChangesFound(HoldingDb db)
        {
            (_db, _auto) = (db, db.ChangeTracker.AutoDetectChangesEnabled);
            if (_auto)
            {
                db.ChangeTracker.DetectChanges();
                db.ChangeTracker.AutoDetectChangesEnabled = false;
            }

            db.Renew();
        }

        public void Dispose() => _db.ChangeTracker.AutoDetectChangesEnabled = _auto;
    }

    /// <inheritdoc/>
    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        configurationBuilder.Properties<DateTimeOffset>().HaveConversion<UtcMilliseconds>();
        Forms.Configure(configurationBuilder);
        Words<BatchState>(configurationBuilder);
        Words<Every>(configurationBuilder);
        Words<LogKind>(configurationBuilder);
        Words<StockReason>(configurationBuilder);
        Words<LotOrigin>(configurationBuilder);
        Words<RateBasis>(configurationBuilder);
        Words<WaterKind>(configurationBuilder);
        Words<Core.Measures.UnitSystem>(configurationBuilder);
        Words<Core.Book.Eaten>(configurationBuilder);
        Words<Purpose>(configurationBuilder);
        Words<Making>(configurationBuilder);
        Words<Life>(configurationBuilder);
        Words<Design>(configurationBuilder);
        Words<TrialKind>(configurationBuilder);
        Words<TrialRole>(configurationBuilder);
        Words<PatchRole>(configurationBuilder);
        Words<Scale>(configurationBuilder);
        Words<TrialState>(configurationBuilder);
        Words<Tone>(configurationBuilder);
        Words<LeafPosition>(configurationBuilder);
        Words<Sky>(configurationBuilder);
        Words<LeafPair>(configurationBuilder);
        Words<CropStage>(configurationBuilder);
        Words<PatchPhase>(configurationBuilder);
        Words<GroundTest>(configurationBuilder);
        Words<TallyStage>(configurationBuilder);
        Words<DatesTo>(configurationBuilder);
        Words<MixStep>(configurationBuilder);
        Words<Damp>(configurationBuilder);
        Words<HeapStep>(configurationBuilder);
        Words<CheckKind>(configurationBuilder);
        Words<Texture>(configurationBuilder);
        Words<Wetness>(configurationBuilder);
        Words<FieldDeed>(configurationBuilder);
        Words<GoalMeasure>(configurationBuilder);
        Words<FoundSays>(configurationBuilder);
    }

    /// <inheritdoc/>
    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        foreach (var versioned in modelBuilder.Model.GetEntityTypes().Where(t => typeof(IVersioned).IsAssignableFrom(t.ClrType)))
        {
            versioned.FindProperty(nameof(IVersioned.Version))!.IsConcurrencyToken = true;
        }

        modelBuilder.Entity<ForkChoice>().HasKey(f => f.ForkId);
        modelBuilder.Entity<Acknowledged>().HasKey(a => a.Key);
        modelBuilder.Entity<Acknowledged>().HasIndex(a => a.At);
        modelBuilder.Entity<Bed>().HasIndex(b => b.Name).IsUnique();
        modelBuilder.Entity<Vessel>().HasIndex(v => v.Name).IsUnique();
        modelBuilder.Entity<Vessel>().HasIndex(v => v.SharedAs).IsUnique();
        modelBuilder.Entity<StripReading>().HasIndex(s => new { s.WaterSourceId, s.At });
        modelBuilder.Entity<WaterTest>().HasIndex(t => new { t.WaterSourceId, t.At });
        modelBuilder.Entity<Batch>(batch =>
        {
            batch.HasIndex(b => new { b.State, b.UseAt });
            batch.HasOne(b => b.Water).WithMany().HasForeignKey(b => b.WaterSourceId);
        });
        modelBuilder.Entity<Batch>().HasIndex(b => b.RoundId);
        modelBuilder.Entity<BatchBed>().HasKey(b => new { b.BatchId, b.BedId });
        modelBuilder.Entity<LogEntry>().HasIndex(l => new { l.BatchId, l.At });
        modelBuilder.Entity<LogEntry>().HasOne<LogEntry>().WithMany().HasForeignKey(l => l.CorrectsId);
        modelBuilder.Entity<LogEntry>().HasOne<Photo>().WithMany().HasForeignKey(l => l.PhotoId);
        modelBuilder.Entity<Photo>().HasOne<Batch>().WithMany().HasForeignKey(p => p.BatchId);
        modelBuilder.Entity<StripReading>().HasOne<Photo>().WithMany().HasForeignKey(s => s.PhotoId);
        modelBuilder.Entity<VesselCleaning>().HasIndex(c => new { c.VesselId, c.At });
        modelBuilder.Entity<BedCheck>().HasIndex(c => new { c.BedId, c.At });
        modelBuilder.Entity<BedCheck>().HasOne<Bed>().WithMany().HasForeignKey(c => c.BedId);
        modelBuilder.Entity<SourceCheck>().HasIndex(c => new { c.InputId, c.At });
        modelBuilder.Entity<Recipe>().HasIndex(r => r.Name).IsUnique();
        modelBuilder.Entity<RecipeVersion>().HasIndex(v => new { v.RecipeId, v.Number }).IsUnique();
        modelBuilder.Entity<MicroscopeTallyKept>().HasOne<Batch>().WithMany().HasForeignKey(t => t.BatchId);
        modelBuilder.Entity<MicroscopeTallyKept>().HasOne<Input>().WithMany().HasForeignKey(t => t.InputId);
        modelBuilder.Entity<ProbeLink>().HasOne<Batch>().WithMany().HasForeignKey(p => p.BatchId);
        modelBuilder.Entity<ProbeReadingKept>().HasOne<ProbeLink>().WithMany().HasForeignKey(r => r.ProbeLinkId);
        modelBuilder.Entity<ProbeReadingKept>().HasIndex(r => new { r.ProbeLinkId, r.Sequence }).IsUnique();
        modelBuilder.Entity<ProbeReadingKept>().HasIndex(r => new { r.ProbeLinkId, r.At });
        modelBuilder.Entity<ProbeEvent>().HasOne<ProbeLink>().WithMany().HasForeignKey(e => e.ProbeLinkId);
        modelBuilder.Entity<WatchNotice>().HasOne<Batch>().WithMany().HasForeignKey(n => n.BatchId);
        modelBuilder.Entity<WatchNotice>().HasIndex(n => new { n.BatchId, n.Key }).IsUnique();
        modelBuilder.Entity<WatchNotice>().HasIndex(n => n.DoneAt);
        HoldingModel.PuttingOutAndShelf(modelBuilder);
        HoldingModel.Judged(modelBuilder);
        HoldingModel.Mixed(modelBuilder);
        HoldingModel.Looked(modelBuilder);
        modelBuilder.Entity<Deed>().Property(d => d.Id).ValueGeneratedNever();
        modelBuilder.Entity<Deed>().HasIndex(d => d.At);
        foreach (var table in modelBuilder.Model.GetEntityTypes().Where(t => !t.IsOwned() && t.ClrType != typeof(Deed)
            && t.ClrType != typeof(Acknowledged) && t.ClrType != typeof(ProbeReadingKept) && t.ClrType != typeof(WeatherHourKept)))
        {
            table.AddProperty(Deed.Column, typeof(int?)); // what comes by itself, by the minute or the hour, nobody writes
            if (typeof(IVersioned).IsAssignableFrom(table.ClrType))
            {
                table.AddProperty(Deed.Changed, typeof(int?));
            }
        }
    }

    /// <summary>Ideas are kept by their words, so that a file can be read without this program.</summary>
    private static void Words<T>(ModelConfigurationBuilder builder)
        where T : struct, Enum => builder.Properties<T>().HaveConversion<ByWord<T>>();

    private sealed class ByWord<T>() : ValueConverter<T, string>(member => member.Word(), word => Core.Ideas.Words.Must<T>(word))
        where T : struct, Enum;

    private sealed class UtcMilliseconds() : ValueConverter<DateTimeOffset, long>(
        at => at.ToUnixTimeMilliseconds(), ms => DateTimeOffset.FromUnixTimeMilliseconds(ms));
}
