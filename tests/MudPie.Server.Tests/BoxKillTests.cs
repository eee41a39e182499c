using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using MudPie.Records;

namespace MudPie.Server.Tests;

/// <summary>A box is killed while two holdings book, clean and hand over one vessel: what is shared and each holding's own record are two
/// files, and whoever got no answer sends again.</summary>
public sealed class BoxKillTests
{
    private static readonly string[] Cleaning = ["rinse", "walls", "air", "bag", "dry"];

    /// <summary>A round of the vessel from north to south and home: each write in its turn, as long as it is not answered.</summary>
    private sealed class Round
    {
        private readonly DateTimeOffset _from = DateTimeOffset.UtcNow.AddDays(2); // sent again, it says the same
        private int _at;
        private int _booked;

        /// <summary>What the vessel is called at the other holding.</summary>
        private int _kit;

        public string Key { get; private set; } = Guid.NewGuid().ToString();

        public int Bookings { get; private set; }

        public int Handings { get; private set; }

        public int Answers { get; private set; }

        public (string Holding, string Path, object Body) Next() => (_at % 16) switch {
            0 => ("south-field", "/api/shared/vessels/1/bookings", new { from = _from, until = _from.AddDays(1) }),
            < 6 and var n => ("north-field", "/api/brew/vessels/1/clean", new { step = Cleaning[n - 1] }),
            6 => ("north-field", "/api/shared/vessels/1/give", new { to = "south-field", signed = "Anna" }),
            7 => ("south-field", "/api/shared/vessels/1/receive", new { clean = true }),
            < 13 and var n => ("south-field", $"/api/brew/vessels/{_kit}/clean", new { step = Cleaning[n - 8] }),
            13 => ("south-field", "/api/shared/vessels/1/give", new { to = "north-field", signed = "Ben" }),
            14 => ("north-field", "/api/shared/vessels/1/receive", new { clean = true }),
            _ => ("south-field", $"/api/shared/bookings/{_booked}/off", new { }),
        };

        public void Answered(JsonNode reply)
        {
            switch (_at % 16)
            {
                case 0:
                    (_booked, Bookings) = ((int)reply["id"]!, Bookings + 1);
                    break;
                case 6 or 13:
                    Handings++;
                    break;
                case 7:
                    _kit = (int)reply["id"]!;
                    break;
            }

            (_at, Key, Answers) = (_at + 1, Guid.NewGuid().ToString(), Answers + 1);
        }
    }

    [Fact]
    public async Task What_two_holdings_share_is_kept_once_whenever_the_box_is_killed()
    {
        using var made = new TestBox();
        var folder = Directory.CreateTempSubdirectory("mudpie-kills-").FullName;
        using (var north = await made.Make("north-field"))
        using (await made.Make("south-field", "the other grower"))
        {
            (await TestHolding.Send(north, "/api/shared/vessels", new { vesselId = 1 })).Status.ShouldBe(200);
            await TestBox.Get(north, "/api/shared");
        }

        foreach (var file in Directory.GetFiles(made.Folder).Where(f => f.EndsWith(".mudpie", StringComparison.Ordinal)))
        {
            HoldingCopies.Copy(file, Path.Combine(folder, Path.GetFileName(file)));
        }

        // a sitting is known by the port too
        var (round, port, cookies, chance) = (new Round(), KillTests.FreePort(), new CookieContainer(), new Random(KillTests.Seed + 9));
        try
        {
            for (var life = 0; life < Math.Max(2, KillTests.Kills / 10); life++)
            {
                await Lived(folder, port, cookies, round, TimeSpan.FromMilliseconds(chance.Next(20, 900)));
            }

            SqliteConnection.ClearAllPools();
            Counted(folder, "Bookings").ShouldBe((round.Bookings, round.Bookings));
            Counted(folder, "Handings").ShouldBe((round.Handings, round.Handings));
            TestContext.Current.TestOutputHelper?.WriteLine($"{round.Answers} answers, {round.Handings} handings");
        }
        finally
        {
            Directory.Delete(folder, true);
        }
    }

    private static (long All, long Keys) Counted(string folder, string table)
    {
        using var file = new SqliteConnection($"Data Source={Path.Combine(folder, "people.mudpie")};Pooling=False");
        file.Open();
        using var ask = file.CreateCommand();
        ask.CommandText = $"SELECT COUNT(*), COUNT(DISTINCT Key) FROM Shared_{table}";
        using var row = ask.ExecuteReader();
        row.Read();
        return (row.GetInt64(0), row.GetInt64(1));
    }

    /// <summary>A life of the box: the round goes on where it stood, and it is killed that while after its first answer.</summary>
    private static async Task Lived(string folder, int port, CookieContainer cookies, Round round, TimeSpan after)
    {
        using var process = KillTests.Start($"--Holding:Folder={folder}", port);
        using var http = new HttpClient(new SocketsHttpHandler {
            CookieContainer = cookies, PooledConnectionLifetime = TimeSpan.FromMinutes(1),
            ConnectCallback = async (_, stop) =>
            {
                var socket = new Socket(SocketType.Stream, ProtocolType.Tcp);
                await socket.ConnectAsync(IPAddress.Loopback, port, stop);
                return new NetworkStream(socket, true);
            }
        });
        var answered = new TaskCompletionSource();
        var sending = Task.Run(async () =>
        {
            while (!process.HasExited)
            {
                try
                {
                    foreach (var holding in cookies.Count < 2 ? new[] { "north-field", "south-field" } : [])
                    {
                        await SignIn(http, $"http://{holding}.localhost:{port}", holding);
                    }

                    var (where, path, body) = round.Next();
                    using var request = new HttpRequestMessage(HttpMethod.Post, $"http://{where}.localhost:{port}{path}") {
                        Content = JsonContent.Create(body)
                    };
                    request.Headers.Add("Idempotency-Key", round.Key);
                    using var reply = await http.SendAsync(request);
                    var says = await reply.Content.ReadAsStringAsync();
                    ((int)reply.StatusCode).ShouldBe(200, $"{path}: {says}");
                    round.Answered(JsonNode.Parse(says)!);
                    answered.TrySetResult();
                }
                catch (Exception e) when (e is HttpRequestException or IOException or SocketException)
                {
                    await Task.Delay(20); // nobody there: the same again, under the same key
                }
            }
        });
        await Task.WhenAny(answered.Task, sending);
        await Task.Delay(after);
        process.Kill();
        await sending;
        answered.Task.IsCompleted.ShouldBeTrue("it ended by itself: " + await process.StandardError.ReadToEndAsync());
    }

    private static async Task SignIn(HttpClient http, string address, string holding)
    {
        using var reply = await http.PostAsJsonAsync($"{address}/api/people/sign-in", new {
            name = holding == "north-field" ? "the grower" : "the other grower", password = TestBox.PasswordOf(holding)
        });
        ((int)reply.StatusCode).ShouldBe(200, await reply.Content.ReadAsStringAsync());
    }
}
