using System.Diagnostics;
using System.Globalization;
using MudPie.Records;

namespace MudPie.Server;

/// <summary><c>mudpie demo</c>: the made-up holding with a simulated probe and simulated weather beside it. This process minds the
/// stand-ins; they end when it does, however it ends.</summary>
public static class DemoCommand
{
    /// <summary>Serves the demo until it is told to stop.</summary>
    /// <param name="args"><c>--port N</c> and <c>--standins FILE</c>, the stand-ins' program; what else there is goes to the
    /// server.</param>
    /// <returns>0 when it was stopped; 2, with one sentence, when it could not begin. Nothing was made then.</returns>
    public static async Task<int> Run(string[] args)
    {
        var standins = new List<Process>();
        string? settings = null, keys = null, copies = null;
        try
        {
            var port = Opening.Port(Option(args, "--port") ?? "5180");
            if (port > 65532)
            {
                throw new OpeningException($"The demo takes port {port} and the three after it: give 1 to 65532.");
            }

            foreach (var each in Enumerable.Range(port, 4))
            {
                Opening.Free(each);
            }

            var folder = Folder();
            var file = Path.Combine(folder,
                $"mudpie-demo-{Environment.UserName}{(port == 5180 ? "" : $"-{port.ToString(CultureInfo.InvariantCulture)}")}.mudpie");
            settings = $"{file}.probe.json";
            keys = $"{file}.keys";
            Forget(keys);
            copies = DatedCopies.Folder(file);
            Forget(copies);
            var program = Option(args, "--standins");
            if (program is not null)
            {
                standins.Add(Begin(program, "weather", $"{port + 3}", "--fair-evening"));
            }

            return await App.Run(
                [
                    .. Rest(args), $"--Holding:File={file}", $"--Holding:Port={port}", "--Holding:Demo=true", $"--Holding:Keys={keys}",
                    $"--Holding:ProbePort={port + 1}", $"--Holding:ProbeSettings={settings}",
                    $"--Holding:WeatherUrl=http://127.0.0.1:{port + 3}/", "--Logging:LogLevel:Default=Warning",
                ],
                () =>
                {
                    if (program is not null)
                    {
                        standins.Add(Begin(program, "probe", settings));
                    }
                });
        }
        catch (OpeningException e)
        {
            await Console.Error.WriteLineAsync(e.Message);
            return 2;
        }
        finally
        {
            standins.ForEach(End);
            Forget(keys);
            Forget(copies);
            if (settings is not null && File.Exists(settings))
            {
                File.Delete(settings);
            }
        }
    }

    /// <summary>The demo is made anew, and so is whom it lets in.</summary>
    private static void Forget(string? keys)
    {
        if (keys is not null && Directory.Exists(keys))
        {
            Directory.Delete(keys, true);
        }
    }

    private static string Folder()
    {
        var folder = Path.GetTempPath();
        var probe = Path.Combine(folder, $"mudpie-{Guid.NewGuid():N}");
        try
        {
            File.WriteAllBytes(probe, [1]);
            File.Delete(probe);
            return folder;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new OpeningException($"{folder} can't be written, and the demo's file would lie there: set TMPDIR to a folder that can.",
                e);
        }
    }

    private static Process Begin(string program, params string[] words)
    {
        var start = new ProcessStartInfo("dotnet") { RedirectStandardInput = true, UseShellExecute = false }; // it ends when this pipe does
        start.ArgumentList.Add(program);
        foreach (var word in (string[])[.. words, "--with-parent"])
        {
            start.ArgumentList.Add(word);
        }

        return Process.Start(start) ?? throw new OpeningException($"{program} could not be started.");
    }

    private static void End(Process standin)
    {
        standin.StandardInput.Close();
        if (!standin.WaitForExit(5000))
        {
            standin.Kill();
        }

        standin.Dispose();
    }

    private static string? Option(string[] args, string name)
    {
        var at = Array.IndexOf(args, name);
        return at < 0 ? null : at + 1 < args.Length ? args[at + 1] : throw new OpeningException($"{name} wants a value.");
    }

    private static IEnumerable<string> Rest(string[] args)
    {
        for (var i = 0; i < args.Length; i++)
        {
            if (args[i] is "--port" or "--standins")
            {
                i++;
                continue;
            }

            yield return args[i];
        }
    }
}
