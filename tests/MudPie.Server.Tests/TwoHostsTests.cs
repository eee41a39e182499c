using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Net.Security;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using MudPie.Records;

namespace MudPie.Server.Tests;

/// <summary>Two hosts with half the files each behind nginx of the distribution, by the server blocks that stand in deploy/, in cipher: a
/// holding is reached by its name wherever it is, and is moved from one to the other.</summary>
public sealed class TwoHostsTests : IAsyncLifetime
{
    private readonly string _folder = Directory.CreateTempSubdirectory("mudpie-hosts-").FullName;
    private readonly List<Process> _running = [];
    private readonly List<StringWriter> _said = [];
    private readonly int[] _ports = [KillTests.FreePort(), KillTests.FreePort(), KillTests.FreePort(), KillTests.FreePort()];
    private string _mark = "";

    private string Host(int n) => Path.Combine(_folder, $"host-{n}");

    public async ValueTask InitializeAsync()
    {
        using (var alone = new TestHolding())
        {
            await alone.Post("/api/holding/setup", TestHolding.SetUp);
            await alone.Owned();
            foreach (var (host, name) in new[] { (0, "n0"), (0, "n1"), (1, "n2"), (1, "n3") })
            {
                Directory.CreateDirectory(Host(host));
                HoldingCopies.Copy(alone.FilePath, Path.Combine(Host(host), name + ".mudpie"));
            }
        }

        var dll = typeof(App).Assembly.Location;
        foreach (var n in new[] { 0, 1 })
        {

            var made = Run("dotnet", [dll, "owner", Host(n), "the keeper"], TestBox.Keepers);
            await made.WaitForExitAsync();
            (made.ExitCode, _said[^1].ToString().Trim()).ShouldBe((0,
                "It is set. Sittings that were open have ended; phones that have joined stay."));
            Run("dotnet", [dll, $"--Holding:Folder={Host(n)}", $"--Holding:Port={_ports[n]}", $"--Holding:Keys={Host(n)}-keys",
                "--Holding:Names=box.example", "--Holding:Proxy=127.0.0.1", "--Holding:Warm=false", "--Holding:Copies=false",
                "--Holding:TriesAMinute=1000", "--Logging:LogLevel:Default=Error"]);
        }

        await File.WriteAllTextAsync(Path.Combine(_folder, "second.map"), Second("n2", "n3"));
        _mark = Certificate();
        await File.WriteAllTextAsync(Path.Combine(_folder, "nginx.conf"), Configuration());
        Run("/usr/sbin/nginx", ["-c", Path.Combine(_folder, "nginx.conf"), "-p", _folder, "-g", "daemon off;"]);
        using var http = At("n0");
        using var second = At("n2");
        foreach (var client in new[] { http, second })
        {
            while (!await Answers(client))
            {
                await Task.Delay(100);
                _running.Count(p => p.HasExited).ShouldBe(2, string.Join('\n', _said)); // those that made whoever keeps each
            }
        }
    }

    private static async Task<bool> Answers(HttpClient client)
    {
        try
        {
            using var answer = await client.GetAsync("/health");
            return answer.IsSuccessStatusCode;
        }
        catch (HttpRequestException)
        {
            return false; // not yet
        }
    }

    private string Second(params string[] names) =>
        string.Concat(names.Select(n => $"{n}.box.example 127.0.0.1:{_ports[1]};\n"));

    /// <summary>A certificate for the box and every name under it; its mark.</summary>
    private string Certificate()
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest("CN=box.example", key, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        names.AddDnsName("box.example");
        names.AddDnsName("*.box.example");
        request.CertificateExtensions.Add(names.Build());
        using var made = request.CreateSelfSigned(DateTimeOffset.UtcNow.AddDays(-1), DateTimeOffset.UtcNow.AddDays(1));
        File.WriteAllText(Path.Combine(_folder, "box.example.pem"), made.ExportCertificatePem());
        File.WriteAllText(Path.Combine(_folder, "box.example.key"), key.ExportPkcs8PrivateKeyPem());
        return made.GetCertHashString();
    }

    /// <summary>As it stands in deploy/, but on ports and with a certificate of the test's own.</summary>
    private string Configuration()
    {
        var blocks = File.ReadAllText(Path.Combine(ArchitectureTests.Root(), "deploy", "nginx-box.conf"));
        blocks = Regex.Replace(blocks, @"^\s*listen \[.*$", "", RegexOptions.Multiline); // not every machine has the newer addresses
        foreach (var (there, here) in new[] {
            ("listen 443 ", $"listen 127.0.0.1:{_ports[2]} "), ("listen 80;", $"listen 127.0.0.1:{_ports[3]};"),
            ("default 127.0.0.1:5180", $"default 127.0.0.1:{_ports[0]}"),
            ("/etc/nginx/mudpie-second.map", Path.Combine(_folder, "second.map")),
            ("/etc/ssl/certs/", _folder + "/"), ("/etc/ssl/private/", _folder + "/")
        })
        {
            blocks.ShouldContain(there);
            blocks = blocks.Replace(there, here, StringComparison.Ordinal);
        }

        return $$"""
            pid {{_folder}}/nginx.pid;
            error_log stderr warn;
            events {}
            http {
                access_log off;
                client_body_temp_path {{_folder}}/body;
                proxy_temp_path {{_folder}}/proxy;
                fastcgi_temp_path {{_folder}}/fastcgi;
                uwsgi_temp_path {{_folder}}/uwsgi;
                scgi_temp_path {{_folder}}/scgi;
                {{blocks}}
            }
            """;
    }

    private Process Run(string program, IEnumerable<string> words, string? input = null)
    {
        var process = Process.Start(new ProcessStartInfo(program, words) {
            RedirectStandardError = true, RedirectStandardOutput = true, RedirectStandardInput = true, WorkingDirectory = _folder
        })!;
        var said = new StringWriter();
        process.OutputDataReceived += (_, e) => said.WriteLine(e.Data);
        process.ErrorDataReceived += (_, e) => said.WriteLine(e.Data);
        process.BeginErrorReadLine();
        process.BeginOutputReadLine();
        if (input is not null)
        {
            process.StandardInput.WriteLine(input);
            process.StandardInput.Close();
        }

        _running.Add(process);
        _said.Add(said);
        return process;
    }

    /// <summary>Somebody's browser at a holding, or at the box, by way of nginx.</summary>
    private HttpClient At(string? name) => new(new SocketsHttpHandler {
        AllowAutoRedirect = false,
        ConnectCallback = async (asked, stop) =>
        {
            var socket = new Socket(SocketType.Stream, ProtocolType.Tcp);
            await socket.ConnectAsync(IPAddress.Loopback, _ports[asked.DnsEndPoint.Port == 443 ? 2 : 3], stop);
            return new NetworkStream(socket, ownsSocket: true);
        },
        SslOptions = new SslClientAuthenticationOptions { // the name must fit; it is nobody's but the test's own
            RemoteCertificateValidationCallback = (_, shown, _, wrong) =>
                wrong is SslPolicyErrors.None or SslPolicyErrors.RemoteCertificateChainErrors && shown?.GetCertHashString() == _mark
        }
    }) {
        BaseAddress = new Uri(name is null ? "https://box.example" : $"https://{name}.box.example"),
        DefaultRequestVersion = HttpVersion.Version20,
    };

    private static async Task<int> SignIn(HttpClient who, string name, string password)
    {
        using var answer = await who.PostAsJsonAsync("/api/people/sign-in", new { name, password });
        if (answer.IsSuccessStatusCode)
        {
            answer.Headers.GetValues("Set-Cookie").Single().ShouldContain("; secure", Case.Insensitive);
        }

        return (int)answer.StatusCode;
    }

    [Fact]
    public async Task A_holding_is_reached_in_cipher_by_its_name_wherever_it_is_and_is_moved()
    {
        await InCipher();
        foreach (var name in new[] { "n0", "n1", "n2", "n3" })
        {
            using var http = At(name);
            (await SignIn(http, "the owner", TestHolding.Password)).ShouldBe(200, name);
            await TestBox.Write(http, $"written at {name}");
            ((string?)(await TestBox.Get(http, "/api/me"))["box"]).ShouldBe("https://box.example");
        }

        using var nobodys = At("n4");
        (await TestBox.Status(nobodys, "/api/me")).ShouldBe(404);
        using var moved = At("n1");
        using var keeper = At(null);
        (await SignIn(keeper, "the keeper", TestBox.Keepers)).ShouldBe(200);
        var (put, said) = await TestHolding.Send(keeper, "/api/box/holdings/n1/archive", new { });
        put.ShouldBe(200, said.ToJsonString());
        (await TestBox.Status(moved, "/api/me")).ShouldBe(404);

        File.Copy(Path.Combine(Host(0), "archived", "n1.mudpie"), Path.Combine(Host(1), "n1.mudpie"));
        await File.WriteAllTextAsync(Path.Combine(_folder, "second.map"), Second("n1", "n2", "n3"), TestContext.Current.CancellationToken);
        await Run("/usr/sbin/nginx", ["-c", Path.Combine(_folder, "nginx.conf"), "-p", _folder, "-s", "reload"])
            .WaitForExitAsync(TestContext.Current.CancellationToken);
        while (await TestBox.Status(moved, "/api/me") == 404)
        {
            await Task.Delay(50, TestContext.Current.CancellationToken); // nginx lets those go on that were under way
        }

        (await SignIn(moved, "the owner", TestHolding.Password)).ShouldBe(200, "with the same password as before");
        var walk = await moved.GetStringAsync("/api/look/walk", TestContext.Current.CancellationToken);
        walk.ShouldContain("written at n1");
        walk.ShouldNotContain("written at n2");
        JsonNode.Parse(await moved.GetStringAsync("/api/people", TestContext.Current.CancellationToken))!["people"]!.AsArray().Count
            .ShouldBe(1);
    }

    private async Task InCipher()
    {
        var stop = TestContext.Current.CancellationToken;
        using var http = At("n2");
        using var plain = await http.GetAsync(new Uri("http://n2.box.example/look/walk?x=1"), stop);
        ((int)plain.StatusCode, plain.Headers.Location).ShouldBe((301, new Uri("https://n2.box.example/look/walk?x=1")));
        (await SignIn(http, "the owner", TestHolding.Password)).ShouldBe(200);
        using var page = await http.GetAsync("/", stop);
        page.Version.ShouldBe(HttpVersion.Version20);
        page.Headers.GetValues("Strict-Transport-Security").ShouldHaveSingleItem();
        var code = await TestHolding.Send(http, "/api/people/codes", new { name = "Wren", role = "hand" });
        ((string)code.Reply["address"]!).ShouldBe($"https://n2.box.example/join#{(string)code.Reply["code"]!}");
        using var line = await http.GetAsync("/api/live", HttpCompletionOption.ResponseHeadersRead, stop);
        using var told = new StreamReader(await line.Content.ReadAsStreamAsync(stop));
        (await told.ReadLineAsync(stop)).ShouldBe("event: here");
        var key = Guid.NewGuid().ToString();
        await TestBox.Write(http, "a post", key);
        string? heard;
        while ((heard = await told.ReadLineAsync(stop)) is not null && !heard.Contains(key[..8], StringComparison.Ordinal))
        {
            // the line that says that it is here, and an empty one between
        }

        heard.ShouldNotBeNull();
    }

    public async ValueTask DisposeAsync()
    {
        foreach (var process in _running)
        {
            if (!process.HasExited)
            {
                process.Kill(entireProcessTree: true);
            }

            await process.WaitForExitAsync();
            process.Dispose();
        }

        Directory.Delete(_folder, true);
    }
}
