using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Sharing;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Server.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.Shared;

/// <summary>A shared vessel goes from one holding to the next.</summary>
public sealed class HandingDesk(SharedDb shared, SharedFile file, SharedDesk vessels, HoldingDb db, HoldingClock clock)
{
    private static readonly Refusal NotHere = Refusal.Of("vessel", "It is not here.", "Whoever has it does that.");

    /// <summary>Hands it over, empty and clean.</summary>
    public async Task<Ruling<Kept>> Give(int id, string? to, string? signed)
    {
        var (own, kept) = await Own(id);
        if (own is null)
        {
            return await vessels.Find(id) is null ? SharedDesk.Gone : NotHere;
        }

        var clean = HandingOver.Give(kept, signed);
        var called = await file.Called();
        var given = await file.InTurn<Handing>(async () =>
        {
            if (await vessels.Find(id) is not { } v)
            {
                return SharedDesk.Gone;
            }

            if (v.Handings.FirstOrDefault(h => h.Key == file.Key) is { } before)
            {
                return Writes.Done(before);
            }

            if (vessels.Stands(v) != Whereabouts.Here)
            {
                return NotHere;
            }

            var next = vessels.HandTo(v).FirstOrDefault(h => h.Holding == to);
            if (next is null || clean.Refused is not null)
            {
                var checks = clean.Refused is { } refused ? new Checks().Add(refused) : new Checks();
                return (next is null ? checks.Add("to", "It is not theirs, and they have not booked it.",
                    "Hand it to whoever booked it, or home.") : checks).Refusal;
            }

            var handing = new Handing {
                From = file.Here, FromCalled = called, To = next.Holding, ToCalled = next.Called, GivenAt = clock.Now,
                GivenBy = signed!.Trim(), Steps = clean.Value, Key = file.Key
            };
            v.Handings.Add(handing);
            await shared.SaveChangesAsync();
            return Writes.Done(handing);
        });
        if (given.Refused is { } refusal)
        {
            return refusal;
        }

        own.HandedTo = given.Value.ToCalled;
        return Writes.Done(new Kept(given.Value.Id));
    }

    /// <summary>It did not go after all.</summary>
    public async Task<Ruling<Kept>> Keep(int id)
    {
        var kept = await file.InTurn<Kept>(async () =>
        {
            if (await vessels.Find(id) is not { } v)
            {
                return SharedDesk.Gone;
            }

            if (v.Handings.MaxBy(h => h.Id) is not { ReceivedAt: null } last || last.From != file.Here)
            {
                return Refusal.Of("id", "It is not on its way from here.", "Load the page again.");
            }

            last.KeptAt ??= clock.Now;
            return Writes.Done(new Kept(id));
        });
        if (kept.Refused is null && (await Own(id)).Vessel is { } own)
        {
            own.HandedTo = null;
        }

        return kept;
    }

    /// <summary>Receives it, looked at; its card goes into the holding's own kit.</summary>
    public async Task<Ruling<Kept>> Receive(int id, bool? clean, string? what)
    {
        var found = HandingOver.Receive(clean, what);
        if (found.Refused is { } refused)
        {
            return refused;
        }

        var known = (await Own(id)).Vessel;
        var got = await file.InTurn<SharedVessel>(async () =>
        {
            if (await vessels.Find(id) is not { } v)
            {
                return SharedDesk.Gone;
            }

            if (SharedDesk.Last(v) is not { } last || last.To != file.Here)
            {
                return Refusal.Of("id", "It was not handed to you.", "Whoever has it hands it over first.");
            }

            if (last.ReceivedAt is not null && known is { HandedTo: null })
            {
                return Refusal.Of("id", "It was received already.", "What was found stands on its card.");
            }

            if (last.ReceivedAt is null)
            {
                (last.ReceivedAt, last.ReceivedBy, last.FoundClean, last.FoundWhat) =
                    (clock.Now, file.By, found.Value.Clean, found.Value.What);
            }

            return Writes.Done(v);
        });
        if (got.Refused is { } refusal)
        {
            return refusal;
        }

        var (own, here) = (await IntoKit(got.Value), SharedDesk.Last(got.Value)!);
        own.HandedTo = null;
        own.CameUncleanAt = here.FoundClean is false ? here.ReceivedAt : own.CameUncleanAt;
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(own.Id));
    }

    /// <summary>It among this holding's vessels, as its card says now.</summary>
    private async Task<Vessel> IntoKit(SharedVessel v)
    {
        var own = await db.Vessels.FirstOrDefaultAsync(x => x.SharedAs == v.Mark);
        if (own is not null && v.Holding == file.Here)
        {
            return own;
        }

        own ??= db.Vessels.Add(new Vessel { Name = "", Shape = v.Shape, SharedAs = v.Mark }).Entity;
        var names = (await db.Vessels.Where(x => x.Id != own.Id).Select(x => x.Name).ToListAsync())
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
        own.Name = new[] { v.Name, $"{v.Name}, {v.Called}" }.Concat(Enumerable.Range(2, 200).Select(n => $"{v.Name}, {v.Called} {n}"))
            .First(n => !names.Contains(n));
        (own.Shape, own.TotalL, own.WorkingL, own.DepthM, own.Air) = (v.Shape, v.TotalL, v.WorkingL, v.DepthM, v.Air);
        return own;
    }

    /// <summary>Keeps a count before and after its pump.</summary>
    public async Task<Ruling<Kept>> Count(int id, IReadOnlyList<double>? before, IReadOnlyList<double>? after)
    {
        var whole = Microscope.CameThrough(before, after);
        if (whole.Refused is { } refused)
        {
            return refused;
        }

        var called = await file.Called();
        return await file.InTurn<Kept>(async () =>
        {
            if (await vessels.Find(id) is not { } v)
            {
                return SharedDesk.Gone;
            }

            if (vessels.Stands(v) != Whereabouts.Here)
            {
                return NotHere;
            }

            if (v.Counts.FirstOrDefault(c => c.Key == file.Key) is { } twice)
            {
                return Writes.Done(new Kept(twice.Id));
            }

            var count = new PumpCount { Called = called, By = file.By, At = clock.Now, Before = before!, After = after!, Key = file.Key };
            v.Counts.Add(count);
            await shared.SaveChangesAsync();
            return Writes.Done(new Kept(count.Id));
        });
    }

    /// <summary>It among this holding's vessels, and as it is kept.</summary>
    public async Task<(Vessel? Vessel, VesselAsKept Kept)> Own(int id)
    {
        var mark = await shared.Vessels.Where(v => v.Id == id).Select(v => (Guid?)v.Mark).FirstOrDefaultAsync();
        var own = mark is null ? null : await db.Vessels.FirstOrDefaultAsync(v => v.SharedAs == mark);
        if (own is null)
        {
            return (null, new VesselAsKept(null, false, []));
        }

        var clean = (await Cleaning.All(db)).First(c => c.VesselId == own.Id);
        return (own, new VesselAsKept(clean.UsedAt, clean.InUse,
            [.. clean.Steps.Where(s => s.DoneAt is not null).Select(s => new CleanedStep(s.Id, s.DoneAt!.Value))]));
    }
}
