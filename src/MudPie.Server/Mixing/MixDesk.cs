using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Mixing;
using MudPie.Records.Shelf;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Mixing;

/// <summary>What the mix bench reads of the record, and how its answers are told.</summary>
public sealed class MixDesk(HoldingDb db, HoldingClock clock, StockKeeper stock)
{
    /// <summary>A day of the holding's own calendar.</summary>
    public async Task<DateOnly> Day(DateTimeOffset at) => DateOnly.FromDateTime((await clock.Local())(at).DateTime);

    /// <summary>What a reading of a job goes by.</summary>
    public async Task<MixKnown> Known(IReadOnlyList<MixStepStands>? steps = null) => new(await clock.Units(), await Shelf(),
        await Day(clock.Now), (await clock.Find())?.HourlyWage,
        steps?.LastOrDefault(s => s.Step == MixStep.Charged) is { } charged ? await Day(charged.At) : null,
        MixDeeds.State(steps ?? []), await HeapDesk.Table(db));

    /// <summary>Things of the shelf with what is good of them, by their numbers.</summary>
    private async Task<Dictionary<int, ShelfPart>> Shelf()
    {
        var standing = await stock.Standing();
        var prices = (await db.Lots.AsNoTracking().Where(l => l.Paid != null).Select(l => new {
            l.InputId, l.From, l.Paid, In = l.Entries.Where(e => e.Reason == StockReason.In).Sum(e => e.Amount)
        }).ToListAsync()).Where(l => l.In > 0).GroupBy(l => l.InputId).ToDictionary(g => g.Key, g => g.MaxBy(l => l.From)!)
            .ToDictionary(p => p.Key, p => p.Value.Paid!.Value / p.Value.In);
        var parts = new Dictionary<int, ShelfPart>();
        foreach (var i in await db.Inputs.AsNoTracking().OrderBy(i => i.Id).Take(1000).ToListAsync())
        {
            var litres = StockKeeper.UnitOf(i) == "L" ? 1 : i.Density ?? Materials.For(i.Kind, i.Name)?.KgPerL;
            var lots = standing.GetValueOrDefault(i.Id);
            var left = lots?.Where(l => !l.Unfit && !(l.Expires < clock.Now)).Sum(l => Math.Max(0, l.Left));
            var price = i.Price ?? (prices.TryGetValue(i.Id, out var paid) ? paid : (double?)null);
            parts[i.Id] = new ShelfPart(NameOf(i), i.Kind, left / litres, price * litres);
        }

        return parts;
    }

    /// <summary>A job worked out, and told.</summary>
    public async Task<Ruling<MixBenchView>> WorkOut(MixRequest asked, IReadOnlyList<MixStepStands>? steps = null)
    {
        var question = MixReading.Read(asked, await Known(steps));
        return question.Refused is { } unread ? unread
            : Bench(question.Value).Match<Ruling<MixBenchView>>(w => w.With(Told(asked, question.Value, w.Value), w.Unit), no => no);
    }

    /// <summary>A job worked out, what is refused at the field of the form.</summary>
    internal static Ruling<MixBenchAnswer> Bench(MixBenchQuestion question) =>
        MixBench.Of(question).Match<Ruling<MixBenchAnswer>>(w => w, no => Fields(no, question));

    /// <summary>What the kernel refuses, at the field of the form.</summary>
    private static Refusal Fields(Refusal no, MixBenchQuestion q) => new([.. no.Problems.Select(p => p with {
        Field = p.Field switch {
            "precharged.ratio" => "charge.ratio",
            "precharged.of" => "charge.of",
            "precharged.with" => "charge.with",
            "potL" => q.Into == Filling.Bed ? "depth" : "pot",
            var f => f,
        }
    })]);

    /// <summary>Steps of a job that stand, oldest first.</summary>
    public async Task<List<MixStepStands>> Steps(int id) => await db.MixLog.ThatStand().AsNoTracking().Where(e => e.MixId == id)
        .Select(e => new MixStepStands(e.Id, e.Step, e.At)).ToListAsync();

    private static MixBenchView Told(MixRequest asked, MixBenchQuestion q, MixBenchAnswer a)
    {
        string L(double litres) => Units.Show(litres, Dimension.Volume, q.Units);
        string[] parts = [.. q.Stuff.Keys];
        var each = a.Each.Zip(q.Mixes.Mixes!, (does, mix) => new MixDrawn {
            Name = does.Mix.Name,
            Fills = q.Into == Filling.Bed ? L(does.PotsL)
                : $"{Say.Count((int)mix.Pots!.Value, q.Into == Filling.Pots ? "pot" : "tray")}, {L(does.PotsL)}",
            FinishedShown = L(does.Mix.FinishedL),
            OverShown = does.OverL > 1e-6 ? L(does.OverL) : null,
            Layers = [.. mix.Parts!.Select(p => Layer(p.Key, p.Value, does.Mix, a.Charge))],
            Nitrogen = does.Nitrogen,
            Unknown = does.Unknown,
            Buffer = does.Buffer,
        }).ToList();
        MixLayer Layer(string part, double share, MixedMix mix, ChargePlan? charge)
        {
            var name = charge?.Of == part ? Mixes.Charged(part) : part;
            return new MixLayer(name, Array.IndexOf(parts, part), share, $"{Say.Number(share * 100)} %",
                mix.Litres.TryGetValue(name, out var litres) ? L(litres) : "");
        }

        return new MixBenchView(Title(asked, q), a.Verdict, each, parts, [.. a.Fetch.Select(f => Fetch(f, a.Charge, q))],
            a.Charge is { } c ? Charge(c, q) : null, a.Cost.Sentence, a.RawNeedsWhy);
    }

    private static string Title(MixRequest asked, MixBenchQuestion q)
    {
        var n = q.Mixes.Mixes!.Count;
        var all = (int)q.Mixes.Mixes.Sum(m => m.Pots!.Value);
        var mixes = n == 1 ? "one mix" : $"{n} mixes";
        return q.Into == Filling.Bed ? $"{asked.Name!.Trim()}: {mixes}" : $"{asked.Name!.Trim()}: {mixes}, "
            + Say.Count(all, q.Into == Filling.Pots ? "pot" : "tray");
    }

    private static MixFetch Fetch(FetchLine f, ChargePlan? charge, MixBenchQuestion q)
    {
        string L(double litres) => Units.Show(litres, Dimension.Volume, q.Units);
        var pack = q.Stuff.GetValueOrDefault(f.Name)?.PackL;
        string?[] says = [
            f.Packs is > 0 and var n ? $"{Say.Count(n, "pack")} of {L(pack!.Value)} loosened" : null,
            f.OfCharge > 0 && f.Litres - f.OfCharge > 1e-6 ? $"{L(f.OfCharge)} of it for the charge"
                : f.OfCharge > 0 && charge is not null ? "all of it for the charge" : null,
            f.LeftL is { } left ? f.ShortL > 0 ? $"the shelf holds {L(left)}: {L(f.ShortL)} short" : $"the shelf holds {L(left)}"
                : "not counted on the shelf",
            f.OverL is > 1e-6 and var over && f.Packs is > 0 ? $"{L(over)} left over" : null,
        ];
        return new MixFetch(f.Name, L(f.Litres), string.Join("; ", says.OfType<string>()), f.ShortL > 0, f.Cost is { } cost
            ? Say.Money(cost) : null);
    }

    private static MixCharge Charge(ChargePlan c, MixBenchQuestion q)
    {
        string L(double litres) => Units.Show(litres, Dimension.Volume, q.Units);
        return new MixCharge {
            Of = c.Of,
            With = c.With,
            OfShown = L(c.OfL),
            WithShown = L(c.WithL),
            OfShare = 1 / (1 + c.Ratio),
            RatioSays = $"one part of {c.Of} to {Say.Number(c.Ratio)} of {c.With}; above {Say.Number(c.MostRatio)}, “{c.Strongest}” would "
                + $"get more {c.With} than it asks for",
            ContainersSays = c.Containers is { } n ? $"{Say.Count(n, "container")} of {L(q.ContainerL!.Value)}"
                + (c.MadeL - c.BlendL > 1e-6 ? $": {L(c.MadeL - c.BlendL)} more than the mixes take goes back on the shelf" : "") : null,
            LastDay = c.LastDay,
            ReadyOn = c.ReadyOn,
            LookOn = c.LookOn,
        };
    }

    /// <summary>Jobs that are not filled in, newest first, each with its steps, and what they are read by: names alone, as nothing of the
    /// shelf is weighed for them.</summary>
    private async Task<(List<(MixJob Job, IReadOnlyList<MixStepStands> Steps)> Jobs, MixKnown Known)> Unfilled()
    {
        var filled = db.MixLog.ThatStand().Where(e => e.Step == MixStep.Filled).Select(e => e.MixId);
        var jobs = await db.Mixes.AsNoTracking().Where(m => !filled.Contains(m.Id)).OrderByDescending(m => m.Id).Take(60).ToListAsync();
        var ids = jobs.Select(j => j.Id).ToList();
        var used = jobs.SelectMany(j => j.Asked.Parts).Select(p => p.InputId).OfType<int>().ToHashSet();
        var steps = jobs.Count == 0 ? null : (await db.MixLog.ThatStand().AsNoTracking().Where(e => ids.Contains(e.MixId))
            .Select(e => new { e.MixId, e.Id, e.Step, e.At }).ToListAsync()).ToLookup(e => e.MixId, e =>
                new MixStepStands(e.Id, e.Step, e.At));
        var names = used.Count == 0 ? [] : await db.Inputs.AsNoTracking().Where(i => used.Contains(i.Id)).ToListAsync();
        return ([.. jobs.Select(j => (j, (IReadOnlyList<MixStepStands>)[.. steps![j.Id]]))], new MixKnown(await clock.Units(),
            names.ToDictionary(i => i.Id, i => new ShelfPart(NameOf(i), i.Kind, null, null)), await Day(clock.Now), null));
    }

    /// <summary>A thing of the shelf by its name, with its lot's mark where it has one.</summary>
    private static string NameOf(Input i) => i.Lot is null || i.Name.Contains(i.Lot, StringComparison.Ordinal) ? i.Name
        : $"{i.Name} {i.Lot}";

    /// <summary>Jobs that are not filled in, in a line each.</summary>
    public async Task<List<MixLine>> Going()
    {
        var (jobs, known) = await Unfilled();
        return [.. jobs.Select(j => Line(j.Job, j.Steps, known))];
    }

    /// <summary>What jobs of mixing want now, by their numbers.</summary>
    public async Task<List<(int Id, MixDue Due)>> Dues()
    {
        var (jobs, known) = await Unfilled();
        var local = await clock.Local();
        DateOnly There(DateTimeOffset at) => DateOnly.FromDateTime(local(at).DateTime);
        var list = new List<(int, MixDue)>();
        foreach (var (job, steps) in jobs)
        {
            var read = MixReading.Read(job.Asked, known);
            if (MixSays.Due(job.Name, steps, read.Refused is null ? read.Value : null, There, known.Today) is { } due)
            {
                list.Add((job.Id, due));
            }
        }

        return list;
    }

    /// <summary>What a calendar should hold of jobs that are not filled in.</summary>
    public async Task<List<(string Id, DateOnly On, string What, int Job)>> Dates()
    {
        var (jobs, known) = await Unfilled();
        var local = await clock.Local();
        var list = new List<(string, DateOnly, string, int)>();
        foreach (var (job, steps) in jobs)
        {
            if (MixReading.Read(job.Asked, known) is { Refused: null } read)
            {
                list.AddRange(MixSays.Dates(job.Name, steps, read.Value, at => DateOnly.FromDateTime(local(at).DateTime))
                    .Select(d => ($"mix-{job.Id}-{d.Id}", d.On, d.What, job.Id)));
            }
        }

        return list;
    }

    /// <summary>A job in a line, with what is drawn of it; it is worked out but for what is gone from the shelf.</summary>
    public MixLine Line(MixJob job, IReadOnlyList<MixStepStands> steps, MixKnown known)
    {
        var read = MixReading.Read(job.Asked, known);
        var state = MixDeeds.State(steps);
        var says = MixSays.Of(state, steps, read.Refused is null ? read.Value : null, known.Today, clock.Now);
        string[] parts = read.Refused is null ? [.. read.Value.Stuff.Keys] : [];
        return new MixLine(job.Id, job.Name, state, says.Word, says.Figure, says.Tone,
            read.Refused is not null ? [] : [.. read.Value.Mixes.Mixes!.Take(4)
                .Select(m => (IReadOnlyList<MixLayer>)[.. m.Parts!.Select(p =>
                new MixLayer(p.Key, Array.IndexOf(parts, p.Key), p.Value, $"{Say.Number(p.Value * 100)} %", ""))])]);
    }
}
