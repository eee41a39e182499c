namespace MudPie.Records;

/// <summary>The right to one holding's file: a lock on a small file beside it, held as long as the holding is served. The system lets go of
/// it when its process ends, however it ends.</summary>
public sealed class HoldingLease : IDisposable
{
    private readonly FileStream _held;

    private HoldingLease(FileStream held) => _held = held;

    /// <summary>Takes the lease.</summary>
    /// <param name="path">The holding's file.</param>
    /// <exception cref="HoldingFileException">Another Mud Pie has it, or the folder can't be written.</exception>
    public static HoldingLease Take(string path)
    {
        var beside = Path.GetFullPath(path) + ".lock";
        try
        {
            return new HoldingLease(new FileStream(beside, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None));
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            var taken = e is IOException and not (FileNotFoundException or DirectoryNotFoundException) && FileTrouble.Of(e) is null;
            throw new HoldingFileException(
                taken ? new FileTrouble("locked", $"Another Mud Pie has {path} open.", "Use the one that is running, or stop it first.")
                    : FileTrouble.Of(e) ?? FileTrouble.Unreachable, e);
        }
    }

    /// <inheritdoc/>
    public void Dispose() => _held.Dispose();
}
