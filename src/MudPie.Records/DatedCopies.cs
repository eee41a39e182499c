using System.Globalization;
using MudPie.Core.Keeping;

namespace MudPie.Records;

/// <summary>A copy that carries its date in its name.</summary>
/// <param name="Path">Where it lies.</param>
/// <param name="Day">Its day, in the holding's own zone.</param>
/// <param name="ByHand">Hour and minute of one that somebody asked for; null for a night's.</param>
public sealed record DatedCopy(string Path, DateOnly Day, TimeOnly? ByHand);

/// <summary>The dated copies of a holding, in a folder beside it or at a second place.</summary>
/// <remarks>"holding-2026-06-10.mudpie" is a night's, kept by <see cref="CopyRotation"/>; "holding-2026-06-10-1432.mudpie" was asked for
/// by hand, and the last four of those are kept.</remarks>
public static class DatedCopies
{
    private const int ByHandKept = 4;
    private const long Spare = 50_000_000;
    private const string Day = "yyyy-MM-dd", Hour = "HHmm", End = ".mudpie";

    /// <summary>Where they lie beside the holding.</summary>
    public static string Folder(string holding) => holding + ".copies";

    /// <summary>All of a folder, newest first; none where there is no such folder.</summary>
    /// <param name="folder">The folder.</param>
    /// <param name="holding">Whose.</param>
    public static IReadOnlyList<DatedCopy> In(string folder, string holding)
    {
        var stem = Path.GetFileNameWithoutExtension(holding) + "-";
        return Directory.Exists(folder)
            ? [.. Directory.EnumerateFiles(folder, "*" + End).Select(path => Read(path, stem)).OfType<DatedCopy>()
                .OrderByDescending(c => c.Day).ThenByDescending(c => c.ByHand)]
            : [];
    }

    private static DatedCopy? Read(string path, string stem)
    {
        var name = Path.GetFileName(path)[..^End.Length];
        if (!name.StartsWith(stem, StringComparison.Ordinal))
        {
            return null;
        }

        var dated = name[stem.Length..];
        return DateOnly.TryParseExact(dated, Day, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            ? new DatedCopy(path, day, null)
            : DateTime.TryParseExact(dated, $"{Day}-{Hour}", CultureInfo.InvariantCulture, DateTimeStyles.None, out var at)
            ? new DatedCopy(path, DateOnly.FromDateTime(at), TimeOnly.FromDateTime(at)) : null;
    }

    /// <summary>Makes one, opens and checks it, and lets those go that are kept no longer.</summary>
    /// <param name="holding">The holding, which may be in use.</param>
    /// <param name="folder">Where to; made where it is not there.</param>
    /// <param name="day">Its day.</param>
    /// <param name="byHand">Hour and minute where somebody asked for it.</param>
    /// <exception cref="HoldingFileException">It can't be had; those that are there stay.</exception>
    public static DatedCopy Make(string holding, string folder, DateOnly day, TimeOnly? byHand = null)
    {
        try
        {
            if (OperatingSystem.IsWindows())
            {
                Directory.CreateDirectory(folder);
            }
            else
            {
                Directory.CreateDirectory(folder, UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute);
            }
        }
        catch (Exception e) when (FileTrouble.Of(e) is { } trouble)
        {
            throw new HoldingFileException(trouble, e);
        }

        var free = new DriveInfo(Path.GetFullPath(folder)).AvailableFreeSpace;
        if (!Fits(new FileInfo(holding).Length, free))
        {
            throw new HoldingFileException(FileTrouble.DiskFull);
        }

        var dated = day.ToString(Day, CultureInfo.InvariantCulture)
            + (byHand is { } at ? "-" + at.ToString(Hour, CultureInfo.InvariantCulture) : "");
        var copy = new DatedCopy(Path.Combine(folder, $"{Path.GetFileNameWithoutExtension(holding)}-{dated}{End}"), day, byHand);
        HoldingCopies.Copy(holding, copy.Path, replace: true);
        Rotate(folder, holding);
        return copy;
    }

    /// <summary>Whether there is room for one more, and for the holding to go on growing: no copy takes what the holding itself
    /// needs.</summary>
    /// <param name="bytes">Size of the holding.</param>
    /// <param name="free">What is free on the disk, in bytes.</param>
    /// <returns>For a holding of 100 MB: true from 250 MB on.</returns>
    public static bool Fits(long bytes, long free) => free >= (2 * bytes) + Spare;

    private static void Rotate(string folder, string holding)
    {
        var all = In(folder, holding);
        var kept = CopyRotation.Kept([.. all.Where(c => c.ByHand is null).Select(c => c.Day)]);
        foreach (var old in all.Where(c => c.ByHand is null && !kept.Contains(c.Day))
            .Concat(all.Where(c => c.ByHand is not null).Skip(ByHandKept)))
        {
            HoldingCopies.TryDelete(old.Path);
        }
    }
}
