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
}
