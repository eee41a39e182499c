using System.Diagnostics;
using System.Net;
using System.Net.Security;
using System.Net.Sockets;
using System.Security.Cryptography.X509Certificates;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.Options;
using MudPie.Server.Doors;

namespace MudPie.Server.Tests;

/// <summary>Opening to the yard: the holding's own authority, and a real server that listens by it.</summary>
public sealed class DoorTests
{
    private static readonly DateTimeOffset Now = new(2026, 6, 10, 5, 0, 0, TimeSpan.Zero);

    private static readonly NetNames Shed = new(["shed", "shed.local", "localhost"],
        [(IPAddress.Loopback, 8), (IPAddress.Parse("192.168.1.20"), 24), (IPAddress.Parse("fd00::20"), 64)]);

    private static bool Trusts(X509Certificate2 authority, X509Certificate2 leaf, DateTimeOffset at)
    {
        using var chain = new X509Chain();
        chain.ChainPolicy.TrustMode = X509ChainTrustMode.CustomRootTrust;
        chain.ChainPolicy.CustomTrustStore.Add(authority);
        chain.ChainPolicy.RevocationMode = X509RevocationMode.NoCheck;
        chain.ChainPolicy.VerificationTime = at.UtcDateTime;
        return chain.Build(leaf);
    }

    [Fact]
    public void A_machines_certificate_is_trusted_by_its_authority_for_its_names_and_as_long_as_it_lasts()
    {
        using var authority = Authority.Make(Shed, Now);
        using var leaf = authority.Issue(Shed, Now);
        leaf.HasPrivateKey.ShouldBeTrue();
        Trusts(authority.Certificate, leaf, Now).ShouldBeTrue();
        Trusts(authority.Certificate, leaf, Now + Authority.LeafLasts + TimeSpan.FromDays(1)).ShouldBeFalse();
        foreach (var name in new[] { "shed", "shed.local", "localhost", "192.168.1.20", "fd00::20", "127.0.0.1" })
        {
            leaf.MatchesHostname(name).ShouldBeTrue(name);
        }

        authority.Short.ShouldMatch("^([0-9A-F]{4} ){3}[0-9A-F]{4}$");
        authority.Certificate.GetCertHashString(System.Security.Cryptography.HashAlgorithmName.SHA256)
            .ShouldStartWith(authority.Short.Replace(" ", ""));
    }

    [Theory]
    [InlineData("bank.example", "192.168.1.20")]
    [InlineData("shed", "10.0.0.7")]
    [InlineData("shed", "192.168.2.20")]
    public void What_is_outside_of_its_names_and_networks_no_phone_takes_from_it(string name, string address)
    {
        using var authority = Authority.Make(Shed, Now);
        using var leaf = authority.Issue(new NetNames([name], [(IPAddress.Parse(address), 24)]), Now);
        Trusts(authority.Certificate, leaf, Now).ShouldBeFalse();
    }

    [Fact]
    public void The_authority_stays_while_the_machine_stays_in_its_networks_and_its_key_is_its_owners_only()
    {
        var folder = Path.Combine(Directory.CreateTempSubdirectory("mudpie-keys-").FullName, "authority");
        string Print(NetNames names, DateTimeOffset at)
        {
            using var authority = Authority.In(folder, names, at);
            return authority.Short;
        }

        var first = Print(Shed, Now);
        Print(Shed with { Addresses = [(IPAddress.Parse("192.168.1.99"), 24)] }, Now).ShouldBe(first, "another address by the same router");
        Print(Shed, Now.AddYears(5)).ShouldBe(first);
        if (!OperatingSystem.IsWindows())
        {
            File.GetUnixFileMode(Path.Combine(folder, "authority.key")).ShouldBe(UnixFileMode.UserRead | UnixFileMode.UserWrite);
        }

        Print(Shed with { Addresses = [(IPAddress.Parse("10.4.0.2"), 16)] }, Now).ShouldNotBe(first, "another network");
        Print(Shed, Now.AddYears(30)).ShouldNotBe(first, "it is over");
    }

    [Fact]
    public void An_authority_whose_key_is_not_its_own_is_made_anew()
    {
        var folder = Path.Combine(Directory.CreateTempSubdirectory("mudpie-keys-").FullName, "authority");
        using var first = Authority.In(folder, Shed, Now);
        using (var other = System.Security.Cryptography.ECDsa.Create(System.Security.Cryptography.ECCurve.NamedCurves.nistP256))
        {
            File.WriteAllText(Path.Combine(folder, "authority.key"), other.ExportPkcs8PrivateKeyPem()); // killed between the two files
        }

        using var second = Authority.In(folder, Shed, Now);
        second.Short.ShouldNotBe(first.Short);
        using var leaf = second.Issue(Shed, Now);
        Trusts(second.Certificate, leaf, Now).ShouldBeTrue();
    }

    [Fact]
    public void The_certificate_is_renewed_by_itself_with_the_machines_addresses_and_a_month_before_it_ends()
    {
        var keys = Directory.CreateTempSubdirectory("mudpie-keys-").FullName;
        var settings = new ConfigurationBuilder().AddInMemoryCollection([new("Holding:Keys", keys)]).Build();
        var (clock, reached, found) = (new Microsoft.Extensions.Time.Testing.FakeTimeProvider(Now), new Held.Reached(), Shed);
        using var door = new YardDoor(settings, reached, new DoorSettings { Port = FreePorts() }, clock) { Found = _ => found };
        door.Open();
        var (first, print) = (door.Certificate!, door.Short);
        reached.Yard!.ShouldStartWith("https://192.168.1.20:");
        clock.Advance(TimeSpan.FromDays(100));
        door.Renew();
        door.Certificate.ShouldBeSameAs(first, "nothing has changed");

        found = Shed with { Addresses = [(IPAddress.Loopback, 8), (IPAddress.Parse("192.168.1.77"), 24)] };
        var told = false;
        using var _ = ((IOptionsChangeTokenSource<HostFilteringOptions>)door).GetChangeToken()
            .RegisterChangeCallback(_ => told = true, null);
        door.Renew();
        told.ShouldBeTrue("whoever asks by the new address is let in");
        door.Hosts.ShouldContain("192.168.1.77");
        door.Hosts.ShouldNotContain("192.168.1.20");
        door.Certificate!.MatchesHostname("192.168.1.77").ShouldBeTrue();
        reached.Yard!.ShouldStartWith("https://192.168.1.77:");
        door.Short.ShouldBe(print, "phones need not trust anew");

        var second = door.Certificate!;
        clock.Advance(Authority.LeafLasts - TimeSpan.FromDays(29));
        door.Renew();
        door.Certificate.ShouldNotBeSameAs(second, "a month before it ends");
        door.Certificate!.NotAfter.ToUniversalTime().ShouldBeGreaterThan(clock.GetUtcNow().AddDays(180).UtcDateTime);

        found = Shed with { Addresses = [(IPAddress.Loopback, 8), (IPAddress.Parse("10.4.0.2"), 16)] };
        door.Renew();
        door.Short.ShouldNotBe(print, "another network: an authority of its own");
        using var authority = X509CertificateLoader.LoadCertificate(door.AuthorityBytes!);
        Trusts(authority, door.Certificate!, clock.GetUtcNow()).ShouldBeTrue();
    }

    [Fact]
    public async Task Open_to_the_yard_it_listens_in_cipher_and_in_plain_text_hands_out_the_seal_and_nothing_else()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-open-").FullName;
        var (file, keys, port) = (Path.Combine(folder, "holding.mudpie"), Path.Combine(folder, "keys"), FreePorts());
        Begin("owner", file).ExitCode.ShouldBe(2, "there is no file yet");
        Records.HoldingFile.Prepare(file);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Begin("owner", file, "the owner").ExitCode.ShouldBe(0);
        var (server, said) = Serve($"--Holding:File={file}", $"--Holding:Port={port}", $"--Holding:Keys={keys}", "--Holding:Open=true",
            "--Holding:Background=false", "--Holding:Warm=false", "--Logging:LogLevel:Default=Warning");
        try
        {
            await Until(said, "fingerprint");
            using var plain = new HttpClient();
            var page = await plain.GetStringAsync($"http://127.0.0.1:{port + 11}/");
            using var seal = X509CertificateLoader.LoadCertificate(
                await plain.GetByteArrayAsync($"http://127.0.0.1:{port + 11}/mud-pie-authority.crt"));
            var print = seal.GetCertHashString(System.Security.Cryptography.HashAlgorithmName.SHA256)[..4];
            page.ShouldContain(print);
            said.ToString().ShouldContain(print);
            ((int)(await plain.GetAsync($"http://127.0.0.1:{port + 11}/api/today")).StatusCode).ShouldBe(403);
            ((int)(await plain.PostAsync($"http://127.0.0.1:{port + 11}/", null)).StatusCode).ShouldBe(403);
            using var yard = new HttpClient(new SocketsHttpHandler {
                CookieContainer = new CookieContainer(),
                SslOptions = { RemoteCertificateValidationCallback = (_, leaf, _, errors) =>
                    (errors & ~SslPolicyErrors.RemoteCertificateChainErrors) == 0
                        && Trusts(seal, (X509Certificate2)leaf!, TimeProvider.System.GetUtcNow()) }
            }) { BaseAddress = new Uri($"https://127.0.0.1:{port + 10}") };
            ((int)(await yard.GetAsync("/api/today")).StatusCode).ShouldBe(401);
            (await TestHolding.Send(yard, "/api/people/sign-in", new { name = "the owner", password = TestHolding.Password })).Status
                .ShouldBe(200);
            var door = JsonNode.Parse(await yard.GetStringAsync("/api/people/yard"))!;
            ((bool)door["open"]!, ((string)door["fingerprint"]!)[..4]).ShouldBe((true, print));
            // closed again, nobody listens there
            (await TestHolding.Send(yard, "/api/people/yard", new { open = false })).Status.ShouldBe(200);
            using var here = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
            ((int)(await here.GetAsync("/api/me")).StatusCode).ShouldBe(200);
            using var strange = new HttpRequestMessage(HttpMethod.Get, "/api/me") { Headers = { Host = "bank.example" } };
            ((int)(await here.SendAsync(strange)).StatusCode).ShouldBe(400, "a name it was not given");
        }
        finally
        {
            server.Kill();
            await server.WaitForExitAsync();
            server.Dispose();
        }
    }

    private static int FreePorts()
    {
        for (var port = 21000 + (Environment.ProcessId % 20000); ; port += 13)
        {
            try
            {
                foreach (var by in new[] { 0, 10, 11 })
                {
                    using var socket = new TcpListener(IPAddress.Loopback, port + by);
                    socket.Start();
                }

                return port;
            }
            catch (SocketException)
            {
                // somebody has one of them
            }
        }
    }

    private static ProcessStartInfo Program(params string[] words)
    {
        var start = new ProcessStartInfo("dotnet") {
            RedirectStandardOutput = true, RedirectStandardError = true,
            RedirectStandardInput = true
        };
        start.ArgumentList.Add(typeof(App).Assembly.Location);
        foreach (var word in words)
        {
            start.ArgumentList.Add(word);
        }

        return start;
    }

    private static Process Begin(params string[] words)
    {
        var process = Process.Start(Program(words))!;
        process.StandardInput.WriteLine(TestHolding.Password);
        process.StandardInput.Close();
        process.WaitForExit();
        return process;
    }

    private static (Process Server, StringBuilder Said) Serve(params string[] words)
    {
        var (said, server) = (new StringBuilder(), new Process { StartInfo = Program(words) });
        void Hear(object _, DataReceivedEventArgs line)
        {
            lock (said)
            {
                said.AppendLine(line.Data);
            }
        }

        server.OutputDataReceived += Hear;
        server.ErrorDataReceived += Hear;
        server.Start();
        server.BeginOutputReadLine();
        server.BeginErrorReadLine();
        return (server, said);
    }

    private static async Task Until(StringBuilder said, string word)
    {
        for (var i = 0; i < 3000; i++)
        {
            lock (said)
            {
                if (said.ToString().Contains(word, StringComparison.Ordinal))
                {
                    return;
                }
            }

            await Task.Delay(100, TestContext.Current.CancellationToken);
        }

        throw new TimeoutException(said.ToString());
    }
}
