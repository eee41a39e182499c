using Microsoft.EntityFrameworkCore;
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

/// <summary>Indexes and references of the holding, room by room.</summary>
internal static class HoldingModel
{
    /// <summary>Pegs, checks, plantings, goals, labs.</summary>
    public static void Looked(ModelBuilder modelBuilder)
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

    /// <summary>Mixes, heaps and the other works of the yard.</summary>
    public static void Mixed(ModelBuilder modelBuilder)
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

    /// <summary>Jobs, sprayers, weather, lots.</summary>
    public static void PuttingOutAndShelf(ModelBuilder modelBuilder)
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

    /// <summary>Readings, counts and trials.</summary>
    public static void Judged(ModelBuilder modelBuilder)
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
        modelBuilder.Entity<HeldProtocol>().HasIndex(p => p.Mark).IsUnique();
        modelBuilder.Entity<HeldResult>().HasIndex(r => new { r.HeldProtocolId, r.Garden });
        modelBuilder.Entity<Trial>().HasIndex(t => t.ProtocolId);
        modelBuilder.Entity<Trial>().HasIndex(t => t.Garden).IsUnique();
        modelBuilder.Entity<Patch>().HasOne<Input>().WithMany().HasForeignKey(p => p.InputId);
        modelBuilder.Entity<BrixVisit>().HasOne<Application>().WithMany().HasForeignKey(v => v.ApplicationId);
    }
}
