using MudPie.Core.Shelf;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Reckoning;

/// <summary>Minutes of hands on one step.</summary>
/// <param name="Step">A step of <see cref="UsualMinutes"/>, or "lot" where a lot's own making was logged.</param>
/// <param name="Minutes">0 or more.</param>
/// <param name="Logged">Somebody wrote them down; else they are usual.</param>
public sealed record Spent(string Step, double Minutes, bool Logged = false);

/// <summary>A thing as it was put out by one job.</summary>
/// <param name="Key">Its stable name: "input-7", "making-tea".</param>
/// <param name="Name">What it is called.</param>
/// <param name="Money">What went into it that has a price.</param>
/// <param name="Made">Hands that made it, its share of them.</param>
/// <param name="Unpriced">What went into it whose price is not known.</param>
public sealed record ThingOut(string Key, string Name, double Money, IReadOnlyList<Spent> Made, IReadOnlyList<string> Unpriced)
{
    /// <summary>On the shelf; null for a brew.</summary>
    public int? InputId { get; init; }

    /// <summary>How it was brewed; null for what is from the shelf.</summary>
    public Making? Making { get; init; }

    /// <summary>L or kg that went out.</summary>
    public double Amount { get; init; }

    /// <summary>"L" or "kg".</summary>
    public string Unit { get; init; } = "L";
}

/// <summary>Ground that a job went on.</summary>
/// <param name="BedId">Its number.</param>
/// <param name="Bed">Its name.</param>
/// <param name="Crop">What grew there then.</param>
/// <param name="PlantingId">The planting; null where none was written down.</param>
/// <param name="AreaM2">m², above 0.</param>
/// <param name="Share">Of the job, 0 to 1; all of its ground together 1.</param>
public sealed record GroundOut(int BedId, string Bed, string Crop, int? PlantingId, double AreaM2, double Share);

/// <summary>A job that was done.</summary>
/// <param name="Id">Its number in the book; 0 for what is no job of the book.</param>
/// <param name="On">When.</param>
/// <param name="Ground">Where.</param>
/// <param name="Things">What, one or more.</param>
/// <param name="Work">Hands that put it out.</param>
/// <param name="Water">Mixed water, L.</param>
public sealed record JobOut(int Id, DateOnly On, IReadOnlyList<GroundOut> Ground, IReadOnlyList<ThingOut> Things, IReadOnlyList<Spent> Work,
    double Water)
{
    /// <summary>The brew in it; null for none.</summary>
    public int? BatchId { get; init; }
}

/// <summary>What went into one thing on one bed by one job: all sums of the reckoning are made of these, so that none says other than
/// another.</summary>
public sealed record PutInPart(string Practice, ThingOut Thing, GroundOut Ground, int JobId, DateOnly On, IReadOnlyList<Spent> Work,
    double Money, IReadOnlyList<string> Unpriced)
{
    /// <summary>Of hands.</summary>
    public double Minutes => Work.Sum(w => w.Minutes);

    /// <summary>Mixed water, L.</summary>
    public double WaterL { get; init; }

    /// <summary>The brew that the job put out; null for none.</summary>
    public int? BatchId { get; init; }
}

/// <summary>A step's minutes, added up.</summary>
/// <param name="Name">What was done.</param>
/// <param name="Minutes">In all.</param>
/// <param name="Logged">Somebody wrote them down.</param>
public sealed record SpentSum(string Name, double Minutes, bool Logged);

/// <summary>What was put in.</summary>
/// <param name="Jobs">By how many jobs.</param>
/// <param name="Hours">Hands, h.</param>
/// <param name="LoggedHours">Of these, written down by somebody.</param>
/// <param name="Money">Of what has a price.</param>
/// <param name="Unpriced">What has none: its money is not known, and not nought.</param>
/// <param name="AreaM2">Ground, each bed once.</param>
/// <param name="Steps">The hands step by step, most first.</param>
public sealed record PutInSum(int Jobs, double Hours, double LoggedHours, double Money, IReadOnlyList<string> Unpriced, double AreaM2,
    IReadOnlyList<SpentSum> Steps)
{
    /// <summary>Ground, ha.</summary>
    public double Hectares => AreaM2 / 10_000;

    /// <summary>"31 h · 64", "12 h · 30 and of fish it is not known".</summary>
    public string Says => $"{Say.Number(Hours, 2)} h · {(Unpriced.Count == 0 ? Reckoner.Money(Money)
        : Money == 0 ? $"money not known ({Say.List([.. Unpriced.Take(3)])})"
        : $"{Reckoner.Money(Money)}, and of {Say.List([.. Unpriced.Take(3)])} it is not known")}";
}

/// <summary>Takes jobs apart, and adds the parts up.</summary>
public static class PutIn
{
    /// <summary>Parts of jobs: a job's own hands, water and trip are shared alike by the things in it; all of a thing by its ground's
    /// shares.</summary>
    /// <param name="jobs">That stand.</param>
    /// <param name="terms">Prices of water and of a trip.</param>
    /// <remarks>30 min of putting out seaweed and tea on two beds by halves: 7.5 min of each on each, and the tea's own making by
    /// halves.</remarks>
    public static IReadOnlyList<PutInPart> Parts(IReadOnlyList<JobOut> jobs, ReckoningTerms terms)
    {
        List<PutInPart> parts = [];
        foreach (var job in jobs.Where(j => j.Things.Count > 0))
        {
            var common = ((job.Water / 1000 * (terms.WaterPerM3 ?? 0)) + (terms.Trip ?? 0)) / job.Things.Count;
            foreach (var (thing, ground) in job.Things.SelectMany(t => job.Ground.Select(g => (t, g))))
            {
                var share = ground.Share / job.Things.Count;
                List<Spent> work = [.. job.Work.Select(w => w with { Minutes = w.Minutes * share }),
                    .. thing.Made.Select(w => w with { Minutes = w.Minutes * ground.Share })];
                parts.Add(new(Practices.Key(thing.Key, ground.Crop), thing, ground, job.Id, job.On, work,
                    (thing.Money + common) * ground.Share, thing.Unpriced) {
                    WaterL = job.Water * share, BatchId = job.BatchId,
                });
            }
        }

        return parts;
    }

    /// <summary>Adds them up.</summary>
    public static PutInSum Sum(IEnumerable<PutInPart> parts)
    {
        List<PutInPart> all = [.. parts];
        return new PutInSum(all.Select(p => p.JobId).Distinct().Count(), all.Sum(p => p.Minutes) / 60,
            all.Sum(p => p.Work.Where(w => w.Logged).Sum(w => w.Minutes)) / 60, all.Sum(p => p.Money),
            [.. all.SelectMany(p => p.Unpriced).Distinct()], all.GroupBy(p => p.Ground.BedId).Sum(g => g.First().Ground.AreaM2),
            Steps(all.SelectMany(p => p.Work)));
    }

    /// <summary>Hands step by step, most first.</summary>
    public static IReadOnlyList<SpentSum> Steps(IEnumerable<Spent> work) => [.. work.GroupBy(w => (w.Step, w.Logged))
        .Select(g => new SpentSum(g.Key.Step == "lot" ? "making it, as it was logged" : UsualMinutes.Name(g.Key.Step),
            g.Sum(w => w.Minutes), g.Key.Logged)).Where(s => s.Minutes > 0).OrderByDescending(s => s.Minutes)];

    /// <summary>What it costs a hectare and year with its hours; null where some price is not known, or there is no ground.</summary>
    /// <param name="sum">What was put in over a year.</param>
    /// <param name="hourly">An hour's worth; null or 0 leaves hours out.</param>
    /// <remarks>31 h at 12 and 64 of money on 0.0108 ha: 40,370 a hectare.</remarks>
    public static double? CostPerHa(PutInSum sum, double? hourly) =>
        sum.Unpriced.Count > 0 || sum.AreaM2 <= 0 ? null : (sum.Money + (sum.Hours * (hourly ?? 0))) / sum.Hectares;
}
