using System.Diagnostics;
using System.Net.Http.Json;
using Microsoft.EntityFrameworkCore;
using MudPie.Records;

namespace MudPie.Server.Tests;

/// <summary>The server is killed at any moment of a first start, of bringing an older file up to date, and of writing: the file opens by
/// itself, and holds what was acknowledged.</summary>
/// <remarks>The suite kills a few times; <c>./mudpie kills</c> many.</remarks>
public sealed class KillTests
{
    private static int Kills => int.TryParse(Environment.GetEnvironmentVariable("MUDPIE_KILLS"), out var n) ? n : 6;

    [Fact]
    public async Task Every_file_opens_by_itself_after_a_kill()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-kills-").FullName;
        var older = Path.Combine(folder, "older.mudpie");
        ReleasedFileTests.Older(older);
        var chance = new Random(7);
        try
        {
            for (var i = 0; i < Kills; i++)
            {
                var file = Path.Combine(folder, $"{i}.mudpie");
                if (i % 3 == 1)
                {
                    File.Copy(older, file);
                }

                var kept = await Killed(file, TimeSpan.FromMilliseconds(chance.Next(100, 2500)), write: i % 3 == 2);
                using (HoldingLease.Take(file))
                {
                    HoldingFile.Prepare(file);
                }

                using (var db = Open(file))
                {
                    db.Database.GetPendingMigrations().ShouldBeEmpty($"kill {i}");
                    var seen = db.Observations.Select(o => o.Text).ToList();
                    kept.Except(seen).ShouldBeEmpty($"kill {i}: acknowledged, and not there");
                    seen.Count.ShouldBe(seen.Distinct().Count(), $"kill {i}: kept twice");
                }

                Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
                File.Exists(file + ".new").ShouldBeFalse($"kill {i}");
            }
        }
        finally
        {
            Directory.Delete(folder, true);
        }
    }

    private static HoldingDb Open(string file) =>
        new((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(file).Options);

    /// <summary>Starts a server on the file and kills it: after a while, or, where it writes, that while after its first acknowledged
    /// write.</summary>
    private static async Task<List<string>> Killed(string file, TimeSpan after, bool write)
    {
        var dll = typeof(App).Assembly.Location;
        var port = FreePort();
        using var process =
            Process.Start(new ProcessStartInfo("dotnet", [dll, $"--Holding:File={file}", $"--Holding:Port={port}", "--Holding:Warm=false",
                "--Logging:LogLevel:Default=Error"]) {
                RedirectStandardOutput = true, RedirectStandardError = true,
                WorkingDirectory = Path.GetDirectoryName(dll)
            })!;
        var kept = new List<string>();
        if (!write)
        {
            await Task.Delay(after);
            process.Kill();
            await process.WaitForExitAsync();
            return kept;
        }

        using var http = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
        var writing = Task.Run(async () =>
        {
            for (var i = 0; !process.HasExited; i++)
            {
                try
                {
                    using var request = new HttpRequestMessage(HttpMethod.Post,
                        "/api/book/seen") { Content = JsonContent.Create(new { text = $"a heron, the {i}th" }) };
                    request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
                    using var reply = await http.SendAsync(request);
                    if (reply.IsSuccessStatusCode)
                    {
                        lock (kept)
                        {
                            kept.Add($"a heron, the {i}th");
                        }
                    }
                }
                catch (Exception e) when (e is HttpRequestException or IOException)
                {
                    await Task.Delay(20);
                }
            }
        });
        while (!process.HasExited && Count(kept) == 0)
        {
            await Task.Delay(20);
        }

        await Task.Delay(after / 4);
        process.Kill();
        await writing;
        kept.Count.ShouldBeGreaterThan(0, await process.StandardError.ReadToEndAsync());
        return kept;
    }

    private static int Count(List<string> kept)
    {
        lock (kept)
        {
            return kept.Count;
        }
    }

    internal static int FreePort()
    {
        using var listener = new System.Net.Sockets.TcpListener(System.Net.IPAddress.Loopback, 0);
        listener.Start();
        return ((System.Net.IPEndPoint)listener.LocalEndpoint).Port;
    }
}
