using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Together;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Server.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Together;

/// <summary>Protocols that this holding wrote or joined, and what gardens found by them.</summary>
public sealed class TogetherDesk(HoldingDb db, TrialDesk trials, HoldingClock clock)
{
    /// <summary>There is no such protocol here.</summary>
    public static Refusal None { get; } = Refusal.Of("id", "There is no such protocol.", "Choose one from the list.");

    /// <summary>A protocol with the results that were brought; null for none.</summary>
    public Task<HeldProtocol?> Find(int id, bool tracked = false)
    {
        var held = db.Protocols.Include(p => p.Results.OrderBy(r => r.Id));
        return (tracked ? held : held.AsNoTracking()).FirstOrDefaultAsync(p => p.Id == id);
    }

    /// <summary>Asks others what a trial asks.</summary>
    public async Task<Ruling<Kept>> Ask(AskOthersRequest r)
    {
        if (await trials.Find(r.TrialId, tracked: true) is not { } t)
        {
            return Refusal.Of("trialId", "There is no such trial.", "Choose one of your own.");
        }

        if (t.ProtocolId is not null)
        {
            return Refusal.Of("trialId", "It is part of a protocol already.", "Give that one out.");
        }

        var days = new List<int>();
        foreach (var part in (r.Days ?? "").Split([',', ' ', ';'], StringSplitOptions.RemoveEmptyEntries).Take(Protocols.MostDays + 1))
        {
            if (!int.TryParse(part, System.Globalization.CultureInfo.InvariantCulture, out var day))
            {
                return Refusal.Of("days", "That is no list of days.", "Give days after it begins, as 60, 90.");
            }

            days.Add(day);
        }

        var (called, units) = ((await clock.Find())?.Name ?? "", await clock.Units());
        var told = TogetherFiles.Of(t, t.AsProtocol(Guid.NewGuid(), called, days,
            w => Units.Show(w / Per.SquareSi(1, units), Dimension.Volume, units)));
        if (told.Refused is { } refused)
        {
            return refused;
        }

        var held = new HeldProtocol { Mark = told.Value.Mark, Told = told.Value, Ours = true, Source = "here", AddedAt = clock.Now };
        db.Protocols.Add(held);
        await db.SaveChangesAsync();
        (t.ProtocolId, t.Garden) = (held.Id, Guid.NewGuid());
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(held.Id));
    }

    /// <summary>Brings a protocol in, or a result of one that is here.</summary>
    public Task<Ruling<Kept>> Bring(string? json) =>
        TogetherFiles.Form(json) == GardenResult.This ? BringResult(json) : BringProtocol(json);

    /// <summary>Keeps a protocol that came from elsewhere.</summary>
    /// <param name="read">As it was read.</param>
    /// <param name="source">From where.</param>
    public async Task<Ruling<Kept>> Keep(Ruling<TrialProtocol> read, string source)
    {
        var looked = read.Refused is null ? Protocols.Look(read.Value) : read;
        if (looked.Refused is { } refused)
        {
            return refused;
        }

        if (await db.Protocols.FirstOrDefaultAsync(p => p.Mark == looked.Value.Mark) is { } known)
        {
            return Writes.Done(new Kept(known.Id)); // it is here already, and says the same for ever
        }

        var held = new HeldProtocol { Mark = looked.Value.Mark, Told = looked.Value, Source = source, AddedAt = clock.Now };
        db.Protocols.Add(held);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(held.Id));
    }

    /// <summary>Leaves a result out, and says why.</summary>
    public async Task<Ruling<Kept>> LeaveOut(int id, string? why)
    {
        var result = await db.Protocols.SelectMany(p => p.Results).FirstOrDefaultAsync(r => r.Id == id && r.OutWhy == null);
        var checks = new Checks();
        if (string.IsNullOrWhiteSpace(why) || why.Length > 200)
        {
            checks.Add("why", string.IsNullOrWhiteSpace(why) ? "No reason was given." : "That is too long.",
                "Say in up to 200 letters why it does not count; it stays in sight.");
        }

        if (result is null)
        {
            checks.Add("id", "It does not count here.", "Open the protocol again.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        result!.OutWhy = why!.Trim();
        return Writes.Done(new Kept(id));
    }

    /// <summary>Own trials by a protocol, each with its result or why it has none.</summary>
    public async Task<List<(Trial Trial, Ruling<GardenResult> Result)>> Own(HeldProtocol p, CancellationToken stop)
    {
        var own = new List<(Trial, Ruling<GardenResult>)>();
        foreach (var id in await db.Trials.AsNoTracking().Where(t => t.ProtocolId == p.Id).OrderBy(t => t.Id).Select(t => t.Id).Take(20)
            .ToListAsync(stop))
        {
            var t = (await trials.Find(id))!;
            own.Add((t, await Result(p, t, stop)));
        }

        return own;
    }

    /// <summary>What a trial found by its protocol, as it is given to others; refused while its codes are shut.</summary>
    public async Task<Ruling<GardenResult>> Result(HeldProtocol p, Trial t, CancellationToken stop) => t.Shut()
        ? Refusal.Of("codes", "The codes are still shut.", "Measure first, then open them: a result says what each arm gave.")
        : GardenResults.Of(p.Told, t.Laid(), t.Measures.OrderBy(m => m.Order).First().Laid(), await trials.Standing(t.Id),
        new GardenResult {
            Garden = t.Garden ?? Guid.Empty, Name = (await clock.Find())?.Name ?? "", Crop = t.Crop, Season = t.Season, At = clock.Now
        }, stop);

    /// <summary>A trial by a protocol, with that.</summary>
    public async Task<(HeldProtocol Protocol, Trial Trial)?> Part(int trialId) => await trials.Find(trialId) is { ProtocolId: { } id } t
        && await Find(id) is { } p ? (p, t) : null;

    private async Task<Ruling<Kept>> BringProtocol(string? json) => await Keep(TogetherFiles.Read<TrialProtocol>(json), "a file");

    private async Task<Ruling<Kept>> BringResult(string? json)
    {
        var read = TogetherFiles.Read<GardenResult>(json);
        if (read.Refused is { } unread)
        {
            return unread;
        }

        var mark = read.Value.Protocol;
        if (await db.Protocols.Include(p => p.Results).FirstOrDefaultAsync(p => p.Mark == mark) is not { } held)
        {
            return Refusal.Of("protocol", "Its protocol is not here.", "Bring the protocol first, then what was found by it.");
        }

        var looked = GardenResults.Look(held.Told, read.Value);
        if (looked.Refused is { } refused)
        {
            return refused;
        }

        if (await db.Trials.AnyAsync(t => t.Garden == looked.Value.Garden))
        {
            return Refusal.Of("garden", "It is of your own trial.", "That counts already, by its figures here.");
        }

        if (held.Results.Any(r => r.Garden == looked.Value.Garden && r.Told.At >= looked.Value.At))
        {
            return Refusal.Of("garden", "That garden’s result is here already, of the same hour or later.", "A garden counts once.");
        }

        held.Results.Add(new HeldResult { Garden = looked.Value.Garden, Told = looked.Value, AddedAt = clock.Now });
        return Writes.Done(new Kept(held.Id));
    }
}
