using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
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

    public DbSet<PatchTest> PatchTests => Set<PatchTest>();

    public DbSet<Acknowledged> Acknowledgements => Set<Acknowledged>();

    /// <summary>Awaited before anything is written; null where nobody has to wait for anybody.</summary>
    public Func<CancellationToken, Task>? BeforeWrite { get; set; }

    /// <inheritdoc/>
    public override async Task<int> SaveChangesAsync(bool acceptAllChangesOnSuccess, CancellationToken cancellationToken = default)
    {
        if (BeforeWrite is not null)
        {
            await BeforeWrite(cancellationToken);
        }

        Renew();
        return await base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
    }

    /// <inheritdoc/>
    public override int SaveChanges(bool acceptAllChangesOnSuccess)
    {
        Renew();
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
            entry.Entity.Version = Guid.NewGuid();
        }
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
        PuttingOutAndShelf(modelBuilder);
        Judged(modelBuilder);
        Mixed(modelBuilder);
        Looked(modelBuilder);
    }

    private static void Looked(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<Zone>().HasIndex(z => new { z.BedId, z.Name });
        modelBuilder.Entity<Peg>().HasIndex(p => p.BedId);
        modelBuilder.Entity<Peg>().HasOne<Peg>().WithMany().HasForeignKey(p => p.BesideId);
        modelBuilder.Entity<GroundCheck>().HasIndex(c => new { c.PegId, c.Kind, c.At });
        modelBuilder.Entity<GroundCheck>().HasIndex(c => new { c.Kind, c.At });
        modelBuilder.Entity<GroundCheck>().HasOne<GroundCheck>().WithMany().HasForeignKey(c => c.CorrectsId);
        modelBuilder.Entity<PegPhoto>().HasIndex(p => new { p.PegId, p.At });
        modelBuilder.Entity<Goal>().HasOne<Input>().WithMany().HasForeignKey(g => g.InputId);
        modelBuilder.Entity<GoalThing>().HasIndex(t => new { t.GoalId, t.Kind, t.ThingId }).IsUnique();
        modelBuilder.Entity<Lab>().HasIndex(l => l.Name).IsUnique();
        modelBuilder.Entity<Planting>().HasIndex(p => new { p.BedId, p.From });
        modelBuilder.Entity<FieldLog>().HasIndex(f => new { f.BedId, f.At });
        modelBuilder.Entity<FieldLog>().HasIndex(f => new { f.Deed, f.At });
        modelBuilder.Entity<FieldLog>().HasOne<FieldLog>().WithMany().HasForeignKey(f => f.CorrectsId);
        modelBuilder.Entity<FieldLog>().HasOne<Planting>().WithMany().HasForeignKey(f => f.PlantingId);
        modelBuilder.Entity<PegPhoto>().HasOne<Peg>().WithMany().HasForeignKey(p => p.PegId);
        modelBuilder.Entity<PegPhoto>().HasOne<Photo>().WithMany().HasForeignKey(p => p.PhotoId);
    }

    private static void Mixed(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<MixEntry>().HasIndex(e => new { e.MixId, e.At });
        modelBuilder.Entity<MixEntry>().HasOne<MixEntry>().WithMany().HasForeignKey(e => e.CorrectsId);
        modelBuilder.Entity<HeapEntry>().HasIndex(e => new { e.HeapId, e.At });
        modelBuilder.Entity<HeapEntry>().HasOne<HeapEntry>().WithMany().HasForeignKey(e => e.CorrectsId);
        modelBuilder.Entity<StockLot>().HasOne<Heap>().WithMany().HasForeignKey(l => l.HeapId);
        modelBuilder.Entity<StockEntry>().HasOne<HeapEntry>().WithMany().HasForeignKey(e => e.HeapEntryId);
        modelBuilder.Entity<Work>().HasIndex(w => w.Name).IsUnique();
        modelBuilder.Entity<Work>().HasOne<Bed>().WithMany().HasForeignKey(w => w.BedId);
        modelBuilder.Entity<Work>().HasIndex(w => w.LotId);
        modelBuilder.Entity<HeapEntry>().HasOne<WorkEntry>().WithMany().HasForeignKey(e => e.WorkEntryId);
        modelBuilder.Entity<WorkEntry>().HasIndex(e => new { e.WorkId, e.At });
        modelBuilder.Entity<WorkEntry>().HasOne<WorkEntry>().WithMany().HasForeignKey(e => e.CorrectsId);
        modelBuilder.Entity<StockLot>().HasOne<Work>().WithMany().HasForeignKey(l => l.WorkId);
        modelBuilder.Entity<StockEntry>().HasOne<WorkEntry>().WithMany().HasForeignKey(e => e.WorkEntryId);
        modelBuilder.Entity<StockLot>().HasOne<MixJob>().WithMany().HasForeignKey(l => l.MixId);
        modelBuilder.Entity<StockEntry>().HasOne<MixEntry>().WithMany().HasForeignKey(e => e.MixEntryId);
    }

    private static void PuttingOutAndShelf(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<Application>().HasIndex(a => a.At);
        modelBuilder.Entity<Application>().HasOne<Application>().WithMany().HasForeignKey(a => a.CorrectsId);
        modelBuilder.Entity<ApplicationItem>().HasOne<StockLot>().WithMany().HasForeignKey(i => i.LotId);
        modelBuilder.Entity<Application>().HasIndex(a => a.WorkEntryId);
        modelBuilder.Entity<Sprayer>().HasIndex(s => s.Name).IsUnique();
        modelBuilder.Entity<SprayerWash>().HasIndex(w => new { w.SprayerId, w.At });
        modelBuilder.Entity<SprayerWash>().HasOne<Application>().WithMany().HasForeignKey(w => w.ApplicationId);
        modelBuilder.Entity<WeatherHourKept>().HasKey(w => w.At);
        modelBuilder.Entity<WeatherHourKept>().Property(w => w.At).ValueGeneratedNever();
        modelBuilder.Entity<Giving>().HasIndex(g => g.On);
        modelBuilder.Entity<Giving>().HasOne<Input>().WithMany().HasForeignKey(g => g.InputId);
        modelBuilder.Entity<Giving>().HasOne<Application>().WithMany().HasForeignKey(g => g.ApplicationId);
        modelBuilder.Entity<StockLot>().HasIndex(l => new { l.InputId, l.Mark }).IsUnique();
        modelBuilder.Entity<StockEntry>().HasIndex(e => new { e.LotId, e.At });
        modelBuilder.Entity<StockEntry>().HasOne<Batch>().WithMany().HasForeignKey(e => e.BatchId);
        modelBuilder.Entity<StockEntry>().HasOne<Application>().WithMany().HasForeignKey(e => e.ApplicationId);
        modelBuilder.Entity<HarvestEntry>().HasIndex(h => new { h.BedId, h.At });
        modelBuilder.Entity<HarvestEntry>().HasOne<HarvestEntry>().WithMany().HasForeignKey(h => h.CorrectsId);
        modelBuilder.Entity<Observation>().HasIndex(o => o.At);
        modelBuilder.Entity<Observation>().HasOne<Observation>().WithMany().HasForeignKey(o => o.CorrectsId);
        modelBuilder.Entity<ApplicationBed>().HasKey(b => new { b.ApplicationId, b.BedId });
    }

    private static void Judged(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<BrixVisit>().HasIndex(v => new { v.BedId, v.At });
        modelBuilder.Entity<BrixVisit>().HasOne<BrixMeter>().WithMany().HasForeignKey(v => v.MeterId);
        modelBuilder.Entity<BrixVisit>().HasOne<BrixVisit>().WithMany().HasForeignKey(v => v.CorrectsId);
        modelBuilder.Entity<BrixVisit>().HasOne<BrixVisit>().WithMany().HasForeignKey(v => v.PairWithId);
        modelBuilder.Entity<BrixMeter>().HasIndex(m => m.Name).IsUnique();
        modelBuilder.Entity<PestCount>().HasIndex(p => new { p.BedId, p.At });
        modelBuilder.Entity<PestCount>().HasOne<Bed>().WithMany().HasForeignKey(p => p.BedId);
        modelBuilder.Entity<TrialPlot>().HasIndex(p => new { p.TrialId, p.Number }).IsUnique();
        modelBuilder.Entity<TrialReading>().HasOne<Trial>().WithMany().HasForeignKey(r => r.TrialId);
        modelBuilder.Entity<TrialReading>().HasOne<TrialMeasure>().WithMany().HasForeignKey(r => r.MeasureId);
        modelBuilder.Entity<TrialReading>().HasOne<TrialReading>().WithMany().HasForeignKey(r => r.CorrectsId);
        modelBuilder.Entity<TrialReading>().HasIndex(r => new { r.TrialId, r.MeasureId, r.On });
        modelBuilder.Entity<TrialPhoto>().HasOne<TrialPlot>().WithMany().HasForeignKey(p => p.PlotId);
        modelBuilder.Entity<TrialPhoto>().HasOne<Photo>().WithMany().HasForeignKey(p => p.PhotoId);
        modelBuilder.Entity<AcrossResult>().HasOne<Trial>().WithMany().HasForeignKey(r => r.TrialId);
        modelBuilder.Entity<Patch>().HasOne<Input>().WithMany().HasForeignKey(p => p.InputId);
        modelBuilder.Entity<BrixVisit>().HasOne<Application>().WithMany().HasForeignKey(v => v.ApplicationId);
    }

    /// <summary>Ideas are kept by their words, so that a file can be read without this program.</summary>
    private static void Words<T>(ModelConfigurationBuilder builder)
        where T : struct, Enum => builder.Properties<T>().HaveConversion<ByWord<T>>();

    private sealed class ByWord<T>() : ValueConverter<T, string>(member => member.Word(), word => Core.Ideas.Words.Must<T>(word))
        where T : struct, Enum;

    private sealed class UtcMilliseconds() : ValueConverter<DateTimeOffset, long>(
        at => at.ToUnixTimeMilliseconds(), ms => DateTimeOffset.FromUnixTimeMilliseconds(ms));
}
