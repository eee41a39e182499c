using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace MudPie.Records;

/// <summary>What is the matter with a holding's file or its disk, in a grower's words.</summary>
/// <param name="Kind">"full", "locked", "readOnly", "unreachable", "damaged", "not ours", "newer" or "denied".</param>
/// <param name="Wrong">One sentence.</param>
/// <param name="WayOut">What to do, and what is safe.</param>
public sealed record FileTrouble(string Kind, string Wrong, string WayOut)
{
    // https://www.sqlite.org/rescode.html
    // SQLITE_IOERR_SHMSIZE
    private const int Busy = 5, Locked = 6, ReadOnly = 8, IoError = 10, Corrupt = 11, Full = 13, CantOpen = 14, NotADatabase = 26,
        NoRoomForIndex = IoError | (19 << 8);
    private const int DiskFullHResult = unchecked((int)0x80070070), NoSpaceOnDevice = 28;

    /// <summary>The trouble behind an exception; null where it is of another kind.</summary>
    /// <remarks>SQLite's code 13 is "The disk is full."</remarks>
    public static FileTrouble? Of(Exception? e) => e switch {
        null => null,
        HoldingFileException ours => ours.Trouble,
        SqliteException { SqliteExtendedErrorCode: NoRoomForIndex } => DiskFull,
        SqliteException sqlite => OfCode(sqlite.SqliteErrorCode),
        DbUpdateException => Of(e.InnerException),
        UnauthorizedAccessException => Denied,
        DirectoryNotFoundException or FileNotFoundException or DriveNotFoundException => Unreachable,
        IOException io when io.HResult == DiskFullHResult || io.HResult == NoSpaceOnDevice => DiskFull,
        IOException io when io.Message.Contains("Read-only file system", StringComparison.Ordinal) => OnlyRead,
        AggregateException many => Of(many.InnerException),
        InvalidOperationException { InnerException: { } inner } => Of(inner),
        _ => null,
    };

    private static FileTrouble? OfCode(int code) => (code & 0xFF) switch {
        Full => DiskFull,
        Busy or Locked => InUse,
        ReadOnly => OnlyRead,
        IoError or CantOpen => Unreachable,
        Corrupt => Damaged,
        NotADatabase => NotOurs,
        _ => null,
    };

    /// <summary>No room.</summary>
    public static readonly FileTrouble DiskFull = new("full", "The disk is full.",
        "What was kept before is safe; this was not kept. Make room on the disk, then do it again.");

    /// <summary>Somebody else holds it.</summary>
    public static readonly FileTrouble InUse = new("locked", "Another program holds the holding's file.",
        "What was kept before is safe; this was not kept. Close the other program (a copy, a backup, a second Mud Pie), then do it again.");

    /// <summary>It can't be written.</summary>
    public static readonly FileTrouble OnlyRead = new("readOnly", "The holding's file can only be read.",
        "What was kept before is safe; this was not kept. Allow Mud Pie to write the file and its folder, or move them to a disk that can "
            + "be written.");

    /// <summary>It is not there any more.</summary>
    public static readonly FileTrouble Unreachable = new("unreachable", "The holding's file can't be reached.",
        "Is its disk still in place, and its folder still there? What was kept before is safe on it; this was not kept. Bring it back, "
            + "then do it again.");

    /// <summary>No leave to.</summary>
    public static readonly FileTrouble Denied = new("denied", "Mud Pie may not open the holding's file.",
        "Give the user who runs Mud Pie leave to read and write the file and its folder, or give another file with --data FILE.");

    /// <summary>It is broken.</summary>
    public static readonly FileTrouble Damaged = new("damaged", "The holding's file is damaged.",
        "Nothing in it was changed. Put the last copy in its place: ./mudpie restore COPY FILE keeps the damaged one beside it.");

    /// <summary>It is something else.</summary>
    public static readonly FileTrouble NotOurs = new("not ours", "That file is no Mud Pie holding.",
        "It was left as it is. Give another file with --data FILE; a new name makes a new holding.");
}

/// <summary>A holding's file could not be opened, with the reason in words.</summary>
public sealed class HoldingFileException(FileTrouble trouble, Exception? inner = null)
    : IOException($"{trouble.Wrong} {trouble.WayOut}", inner)
{
    /// <summary>What is the matter.</summary>
    public FileTrouble Trouble => trouble;
}
