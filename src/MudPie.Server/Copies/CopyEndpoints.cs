using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Server.People;
using MudPie.Server.Web;

namespace MudPie.Server.Copies;

/// <summary>What a copy was made for.</summary>
public enum CopyKind
{
    /// <summary>At night.</summary>
    Night,

    /// <summary>Somebody asked for it.</summary>
    ByHand,

    /// <summary>It lay in the holding's place before another was put there.</summary>
    BeforeRestore,

    /// <summary>As it was before a newer version brought it up to date.</summary>
    BeforeVersion,
}

/// <summary>A copy.</summary>
/// <param name="Name">Its name, by which it is put back.</param>
/// <param name="Second">It lies at the second place.</param>
/// <param name="Kind">What it was made for.</param>
/// <param name="Made">When.</param>
/// <param name="Bytes">Its size.</param>
public sealed record CopyLine(string Name, bool Second, CopyKind Kind, DateTimeOffset Made, long Bytes);

/// <summary>How safe the holding lies.</summary>
/// <param name="Nightly">Copies are made at night.</param>
/// <param name="Says">The last copy's age, in a sentence.</param>
/// <param name="Beside">How it stands beside the file.</param>
/// <param name="Second">How it stands at the second place; null where none is named.</param>
/// <param name="Copies">All that can be put back, newest first.</param>
/// <param name="Takes">The room that they take: "36.2 MB".</param>
public sealed record CopiesView(bool Nightly, string Says, CopyPlace Beside, CopyPlace? Second, IReadOnlyList<CopyLine> Copies,
    string Takes);

/// <summary>Which copy.</summary>
/// <param name="Name">Its name in the list.</param>
/// <param name="Second">It lies at the second place.</param>
public sealed record CopyRequest(string Name, bool Second = false);

/// <summary>What putting a copy back would mean.</summary>
/// <param name="Writes">How many writes were made after it; null where it was made before these were counted.</param>
/// <param name="Says">The same in a sentence.</param>
public sealed record CopyMeans(int? Writes, string Says);

/// <summary>A copy was put back.</summary>
/// <param name="Kept">Name of the file in which what was there is kept.</param>
public sealed record PutBackView(string Kept);

/// <summary>Copies of the holding: seen, made, put back.</summary>
public static class CopyEndpoints
{
    private const string Field = "name";

    /// <summary>What can be done.</summary>
    public static void MapCopies(this IEndpointRouteBuilder api)
    {
        api.MapGet("/copies", See).ForOwner("The holding's copies, and how old the last one is.");
        api.MapPost("/copies", MakeNow).ForOwner("Makes a copy now, at both places.");
        api.MapGet("/copies/means", Means).ForOwner("What putting a copy back would mean.");
        api.MapPost("/copies/zip", Unpack).ForOwner("Brings a holding’s zip in, where nothing is set up yet.")
            .Accepts<byte[]>("application/zip").WithMetadata(new RequestSizeLimitAttribute(HoldingZip.MostBytes)).DisableRequestTimeout();
        api.MapPost("/copies/restore", Restore).ForOwner("Puts a copy back. What is there is kept beside.");
    }

    private static async Task<Ok<CopiesView>> See(CopyShelf shelf, HoldingClock clock) =>
        TypedResults.Ok(await Look(shelf, clock));

    private static async Task<CopiesView> Look(CopyShelf shelf, HoldingClock clock)
    {
        var (holding, local) = (await clock.Find(), (await clock.Local())(clock.Now));
        var (own, second) = (holding?.Own ?? Guid.Empty, shelf.HowSecond(local, holding?.Own ?? Guid.Empty));
        var beside = shelf.HowBeside(local);
        beside = beside with { Old = beside.Old && holding is not null }; // before it is set up there is nothing to copy
        var all = shelf.All(own);
        return new CopiesView(shelf.Nightly, Says(shelf, beside, holding), beside, second,
            [.. all.Select(f => new CopyLine(f.Name, f.DirectoryName == shelf.SecondFolder(own), KindOf(f.Name, shelf),
                new DateTimeOffset(f.LastWriteTimeUtc, TimeSpan.Zero), f.Length))],
            $"{Say.Fixed(all.Sum(f => f.Length) / 1e6, 1)} MB");
    }

    private static string Says(CopyShelf shelf, CopyPlace beside, Holding? holding) => (beside.AgeDays, holding) switch {
        (_, null) => "There is nothing to copy yet.",
        (null, _) => shelf.Nightly ? "There is no copy yet." : "There is no copy, and none is made at night here.",
        (0, _) => "The last copy is of today.",
        (1, _) => "The last copy is of yesterday.",
        ({ } days, _) => $"The last copy is {Say.Number(days)} days old.",
    };

    private static CopyKind KindOf(string name, CopyShelf shelf) =>
        name.StartsWith(Path.GetFileName(HoldingCopies.BeforeRestore(shelf.Holding)), StringComparison.Ordinal) ? CopyKind.BeforeRestore
        : name.StartsWith(Path.GetFileName(shelf.Holding) + ".", StringComparison.Ordinal) ? CopyKind.BeforeVersion
        : name.Length > Path.GetFileNameWithoutExtension(shelf.Holding).Length + "-2026-06-10.mudpie".Length ? CopyKind.ByHand
        : CopyKind.Night;

    private static async Task<Results<Ok<CopiesView>, Refused>> MakeNow(CopyShelf shelf, HoldingClock clock, CancellationToken stop)
    {
        if (await clock.Find() is not { } holding)
        {
            return Problems.Of(Writes.NoHolding);
        }

        var (beside, second) = await shelf.MakeNow((await clock.Local())(clock.Now), holding.Own, stop);
        return beside is { } wrong ? Problems.Of(Refusal.Of("copy", "No copy was made beside the holding.", wrong))
            : second is { } there
            ? Problems.Of(Refusal.Of("second", "A copy lies beside the holding, but none at the second place.", there))
            : TypedResults.Ok(await Look(shelf, clock));
    }

    private static async Task<(string? Path, Refusal? Refused)> Find(string name, bool second, CopyShelf shelf, HoldingClock clock)
    {
        var own = (await clock.Find())?.Own ?? Guid.Empty;
        var found = shelf.All(own).FirstOrDefault(f => f.Name == name && (f.DirectoryName == shelf.SecondFolder(own)) == second);
        return found is null ? (null, Refusal.Of(Field, "There is no copy of that name.", "Load the list again, and choose one of it."))
            : CopyShelf.Known(found.FullName) is not { } known
            ? (null, Refusal.Of(Field, "That copy can't be read.", "Nothing was changed. Choose another."))
            : own != Guid.Empty && known.Own != own
            ? (null, Refusal.Of(Field, "That is a copy of another holding.", "Nothing was changed. To open it, stop Mud Pie and begin it "
                + "with that file: ./mudpie serve --data FILE."))
            : (found.FullName, null);
    }

    private static async Task<Results<Ok<CopyMeans>, Refused>> Means(string name, bool? second, CopyShelf shelf, HoldingClock clock,
        HoldingDb db)
    {
        var (path, refused) = await Find(name, second ?? false, shelf, clock);
        if (refused is not null)
        {
            return Problems.Of(refused);
        }

        var (last, now) = (CopyShelf.Known(path!)!.Value.LastDeed, await db.Deeds.MaxAsync(d => (int?)d.Id) ?? 0);
        int? writes = last is { } known ? Math.Abs(now - known) : null;
        return TypedResults.Ok(new CopyMeans(writes, writes switch {
            null => "What was written after it goes out of the record, and is kept in a file beside.",
            0 => "Nothing was written after it.",
            1 => "One write was made after it. It goes out of the record, and is kept in a file beside.",
            { } many when now >= last => $"{Say.Number(many)} writes were made after it. They go out of the record, and are kept in a file "
                + "beside.",
            { } many => $"It has {Say.Number(many)} writes that the record has not.",
        }));
    }

    /// <summary>A file beside the holding that is gone once it is let go: what may be gigabytes is held on no heap.</summary>
    private static FileStream Passing(CopyShelf shelf)
    {
        var so = new FileStreamOptions {
            Mode = FileMode.CreateNew, Access = FileAccess.ReadWrite, Options = FileOptions.DeleteOnClose | FileOptions.Asynchronous
        };
        if (!OperatingSystem.IsWindows())
        {
            so.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        }

        return new FileStream(HoldingFile.Part(shelf.Holding), so);
    }

    private static async Task<Results<Ok<PutBackView>, Refused>> Unpack(HttpRequest request, CopyShelf shelf, HoldingClock clock,
        CancellationToken stop)
    {
        if (await clock.Find() is not null)
        {
            return Problems.Of(Refusal.Of("zip", "There is a holding here already.",
                "Open the zip beside it: ./mudpie unpack holding.zip again.mudpie, then ./mudpie serve --data again.mudpie."));
        }

        await using var zip = Passing(shelf);
        await request.Body.CopyToAsync(zip, stop);
        zip.Position = 0;
        var made = HoldingFile.Part(shelf.Holding);
        try
        {
            if (await Task.Run(() => HoldingZip.Read(zip, made), stop) is { } wrong)
            {
                return Problems.Of(Refusal.Of("zip", wrong, "Nothing was changed. Bring a zip as Mud Pie packed it."));
            }

            return TypedResults.Ok(new PutBackView(Path.GetFileName(await shelf.PutBack(made, stop))));
        }
        catch (HoldingFileException e)
        {
            return Problems.Of(Refusal.Of("zip", e.Trouble.Wrong, "Nothing was changed. Mend that, then bring it again."));
        }
        finally
        {
            HoldingCopies.TryDelete(made);
        }
    }

    private static async Task<Results<Ok<PutBackView>, Refused>> Restore(CopyRequest r, CopyShelf shelf, HoldingClock clock, Gate gate,
        PeopleDesk desk, CancellationToken stop)
    {
        var (path, refused) = await Find(r.Name, r.Second, shelf, clock);
        if (refused is not null)
        {
            return Problems.Of(refused);
        }

        try
        {
            var made = (await clock.Local())(new DateTimeOffset(File.GetLastWriteTimeUtc(path!), TimeSpan.Zero));
            var kept = await shelf.PutBack(path!, stop);
            if (gate.HasOwner)
            {
                await desk.Happen(DoorEvent.Restored, about: $"{Say.Date(made)}, {made.ToString("HH:mm", CultureInfo.InvariantCulture)}");
            }

            return TypedResults.Ok(new PutBackView(Path.GetFileName(kept)));
        }
        catch (HoldingFileException e)
        {
            return Problems.Of(Refusal.Of(Field, e.Trouble.Kind == "damaged" ? "That copy is damaged." : e.Trouble.Wrong,
                e.Trouble.Kind == "damaged" ? "Nothing was changed. Choose another."
                    : "The holding is as it was. Mend that, or choose another copy."));
        }
    }
}
