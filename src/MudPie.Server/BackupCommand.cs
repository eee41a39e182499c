using MudPie.Records;

namespace MudPie.Server;

/// <summary><c>mudpie backup FILE TO</c> and <c>mudpie restore COPY FILE</c>: all or nothing, checked before and after.</summary>
public static class BackupCommand
{
    /// <summary>A whole copy, safe while the holding is in use; never over anything that is there.</summary>
    /// <returns>0, or 2 with the reason, and then nothing was made.</returns>
    public static int Run(string[] args, TextWriter output, TextWriter error)
    {
        if (args.Length != 2)
        {
            return No(error, "Say which file, and where to: ./mudpie backup holding.mudpie copy.mudpie");
        }

        var (from, to) = (args[0], args[1]);
        if ((Unnamed(from) ?? Unnamed(to) ?? Unsound(from)) is { } wrong)
        {
            return No(error, wrong);
        }

        if (File.Exists(to) || Directory.Exists(to))
        {
            return No(error, $"{to} is there already; nothing was overwritten.");
        }

        return Try(error, $"Nothing was made at {to}.", () =>
        {
            HoldingCopies.Copy(from, to);
            output.WriteLine($"Copied to {to}");
        });
    }

    /// <summary>Puts a copy in a holding's place. Refuses while the holding is open; keeps what was there beside it.</summary>
    /// <returns>0, or 2 with the reason, and then nothing was moved.</returns>
    public static int Restore(string[] args, TextWriter output, TextWriter error)
    {
        if (args.Length != 2)
        {
            return No(error, "Say which copy, and in whose place: ./mudpie restore copy.mudpie holding.mudpie");
        }

        var (copy, target) = (args[0], args[1]);
        if ((Unnamed(copy) ?? Unnamed(target) ?? Unsound(copy)) is { } wrong)
        {
            return No(error, wrong);
        }

        if (Same(copy, target))
        {
            return No(error, $"{copy} and {target} are one file; nothing was moved.");
        }

        return Try(error, $"{target} is as it was.", () =>
        {
            using var lease = HoldingLease.Take(target);
            if (HoldingCopies.Restore(copy, target) is { } kept)
            {
                output.WriteLine($"What was there lies at {kept}");
            }

            output.WriteLine($"{target} is as {copy} was");
        });
    }

    /// <summary>The whole holding as one zip of open files, safe while it is in use; never over anything that is there.</summary>
    /// <returns>0, or 2 with the reason, and then nothing was made.</returns>
    public static int Pack(string[] args, TextWriter output, TextWriter error)
    {
        if (args.Length != 2 || (Unnamed(args[1]) ?? Unsound(args[0])) is not null)
        {
            return No(error, args.Length != 2 ? "Say which file, and where to: ./mudpie pack holding.mudpie holding.zip"
                : (Unnamed(args[1]) ?? Unsound(args[0]))!);
        }

        var (from, to) = (args[0], args[1]);
        return File.Exists(to) ? No(error, $"{to} is there already; nothing was overwritten.") : Try(error, $"Nothing was made at {to}.",
            () =>
        {
            try
            {
                using (var zip = File.Create(to + ".part"))
                {
                    HoldingZip.Write(from, zip, TimeProvider.System.GetUtcNow());
                }

                File.Move(to + ".part", to);
            }
            finally
            {
                File.Delete(to + ".part");
            }

            output.WriteLine($"Packed to {to}");
        });
    }

    /// <summary>A holding's file of such a zip; never over anything that is there.</summary>
    /// <returns>0, or 2 with the reason, and then nothing was made.</returns>
    public static int Unpack(string[] args, TextWriter output, TextWriter error)
    {
        if (args.Length != 2 || !File.Exists(args[0]) || Unnamed(args[1]) is not null)
        {
            return No(error, args.Length != 2 ? "Say which zip, and where to: ./mudpie unpack holding.zip holding.mudpie"
                : Unnamed(args[1]) ?? $"There is no {args[0]}.");
        }

        string? wrong = null;
        var done = Try(error, $"Nothing was made at {args[1]}.", () =>
        {
            using var zip = File.OpenRead(args[0]);
            wrong = HoldingZip.Read(zip, args[1]);
        });
        if (wrong is not null)
        {
            return No(error, wrong);
        }

        if (done == 0)
        {
            output.WriteLine($"{args[1]} holds what {args[0]} did");
        }

        return done;
    }

    private static int No(TextWriter error, string why)
    {
        error.WriteLine(why);
        return 2;
    }

    private static int Try(TextWriter error, string stands, Action what)
    {
        try
        {
            what();
            return 0;
        }
        catch (Exception e) when (FileTrouble.Of(e) is not null || e is IOException)
        {
            return No(error,
                $"{(FileTrouble.Of(e) is { } t ? $"{t.Wrong} {(t.Kind == "full" ? "Make room, then do it again." : t.WayOut)}"
                    : e.Message)} {stands}");
        }
    }

    private static string? Unnamed(string path) => string.IsNullOrWhiteSpace(path) || Path.GetFileName(path) is "" or ":memory:"
        ? $"“{path}” is no name for a file."
        : !Directory.Exists(Path.GetDirectoryName(Path.GetFullPath(path)))
        ? $"There is no folder {Path.GetDirectoryName(Path.GetFullPath(path))}."
        : Directory.Exists(path) ? $"{path} is a folder, not a file." : null;

    private static string? Unsound(string from) => !File.Exists(from) ? $"There is no {from}."
        : HoldingFileState.Of(from) is var state && state.Trouble is { } trouble ? $"{from}: {trouble.Wrong}"
        : state.IsEmpty ? $"{from} is empty: it is no copy of a holding." : null;

    private static bool Same(string a, string b)
    {
        static string Final(string path) => File.ResolveLinkTarget(path, true)?.FullName ?? Path.GetFullPath(path);
        return Final(a) == (File.Exists(b) ? Final(b) : Path.GetFullPath(b));
    }
}
