using MudPie.Records;

namespace MudPie.Server;

/// <summary><c>mudpie backup FILE TO</c>: a whole copy, safe while the holding is in use.</summary>
public static class BackupCommand
{
    /// <summary>0, or 2 with the reason.</summary>
    public static int Run(string[] args, TextWriter output, TextWriter error)
    {
        if (args.Length != 2 || !File.Exists(args[0]) || File.Exists(args[1]))
        {
            error.WriteLine(args.Length != 2 ? "Say which file, and where to: ./mudpie backup holding.mudpie copy.mudpie" : File.Exists(args[1]) ? $"{args[1]} is there already; nothing was overwritten." : $"There is no {args[0]}.");
            return 2;
        }

        HoldingFile.Copy(args[0], args[1]);
        output.WriteLine($"Copied to {args[1]}");
        return 0;
    }

    /// <summary><c>mudpie restore COPY FILE</c>: puts a copy in a holding's place. Refuses while the holding is open; keeps what was there beside it.</summary>
    /// <returns>0, or 2 with the reason.</returns>
    public static int Restore(string[] args, TextWriter output, TextWriter error)
    {
        if (args.Length != 2 || !File.Exists(args[0]))
        {
            error.WriteLine(args.Length != 2 ? "Say which copy, and in whose place: ./mudpie restore copy.mudpie holding.mudpie" : $"There is no {args[0]}.");
            return 2;
        }

        if (File.Exists(args[1] + "-wal"))
        {
            error.WriteLine($"{args[1]} is open, or was not closed: stop Mud Pie first. If it was killed, start and stop it once.");
            return 2;
        }

        var kept = $"{args[1]}.before-restore-{DateTime.UtcNow:yyyyMMdd-HHmmss}";
        if (File.Exists(args[1]))
        {
            File.Move(args[1], kept);
            output.WriteLine($"What was there lies at {kept}");
        }

        HoldingFile.Copy(args[0], args[1]);
        output.WriteLine($"{args[1]} is as {args[0]} was");
        return 0;
    }
}
