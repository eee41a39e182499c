using System.Globalization;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.Extensions.Options;
using Microsoft.Extensions.Primitives;
using MudPie.Server.Held;

namespace MudPie.Server.Doors;

/// <summary>Whether the yard's phones reach this server, and by what: opened and closed while it runs.</summary>
/// <remarks>On the port that was given it answers to the machine itself, in plain text. Open to the yard it listens ten ports above to all,
/// encrypted; and on the one after that in plain text, with nothing but the page that hands out the authority.</remarks>
public sealed class YardDoor(IConfiguration configuration, Reached reached, DoorSettings listens, TimeProvider time)
    : IOptionsChangeTokenSource<HostFilteringOptions>, IDisposable
{
    /// <summary>By how much the yard's port lies above the machine's own, and that of the plain page.</summary>
    public const int YardAt = 10, TrustAt = 11;

    private static readonly TimeSpan RenewBefore = TimeSpan.FromDays(30);
    private readonly Lock _one = new();
    private CancellationTokenSource _changed = new();
    private Authority? _authority;
    private X509Certificate2? _certificate;
    private NetNames? _names;

    /// <summary>True where it is to be open: it then opens with the first owner's password, if there is none yet.</summary>
    public bool Wanted { get; set; }

    /// <summary>How this machine is found now, by the names that the grower gave.</summary>
    public Func<IReadOnlyList<string>, NetNames> Found { get; init; } = NetNames.Now;

    /// <summary>True while phones reach it.</summary>
    public bool IsOpen { get; private set; }

    /// <summary>True where this server can be opened at all: it was begun with a port of its own.</summary>
    /// <remarks>A box is reached by names: it needs a certificate for all of them, which its grower brings.</remarks>
    public bool CanOpen => listens.Port is not null && Keys is not null && configuration["Holding:Proxy"] is not { Length: > 0 }
        && (!IsBox || configuration["Holding:Certificate"] is { Length: > 0 });

    /// <summary>The short fingerprint; null where the grower brought a certificate, or it is closed.</summary>
    public string? Short => IsOpen ? _authority?.Short : null;

    /// <summary>Where phones find the page that hands out the authority; null where the grower brought a certificate.</summary>
    public string? TrustAddress { get; private set; }

    /// <summary>The authority as phones take it.</summary>
    public byte[]? AuthorityBytes => _authority?.Certificate.RawData;

    /// <summary>The port of that page.</summary>
    public int? TrustPort => listens.Port + TrustAt;

    private string? Keys => configuration["Holding:Keys"] is { Length: > 0 } folder ? folder : null;

    private IReadOnlyList<string> Given => NetNames.Given(configuration);

    private bool IsBox => configuration["Holding:Folder"] is { Length: > 0 };

    private string Mark => Path.Combine(Keys!, "open");

    /// <summary>True where it was open when this machine last served the file.</summary>
    public bool WasOpen => CanOpen && File.Exists(Mark);

    /// <summary>The certificate that is shown to whoever comes.</summary>
    public X509Certificate2? Certificate => _certificate;

    /// <summary>Names that may be asked for.</summary>
    public IReadOnlyList<string> Hosts => ["127.0.0.1", "localhost", "[::1]", .. Given, .. _names?.Hosts ?? [],
        .. IsBox ? Given.Append("localhost").Select(name => "*." + name) : []];

    string IOptionsChangeTokenSource<HostFilteringOptions>.Name => Options.DefaultName;

    IChangeToken IOptionsChangeTokenSource<HostFilteringOptions>.GetChangeToken() => new CancellationChangeToken(_changed.Token);

    /// <summary>Opens it.</summary>
    /// <exception cref="OpeningException">It can't be: a port is in use, or a certificate can't be read.</exception>
    public void Open()
    {
        lock (_one)
        {
            if (IsOpen)
            {
                return;
            }

            var port = listens.Port!.Value;
            if (port + TrustAt > 65535)
            {
                throw new OpeningException($"The yard takes the ports {port + YardAt} and {port + TrustAt}: begin it with --port 65524 "
                    + "or less.");
            }

            Opening.Free(port + YardAt);
            Opening.Free(port + TrustAt);
            Fit();
            IsOpen = true;
            File.WriteAllText(Mark, "");
            listens.Listen(true, _authority is not null);
            Say();
        }
    }

    /// <summary>Closes it: phones reach it no more.</summary>
    public void Close()
    {
        lock (_one)
        {
            IsOpen = false;
            File.Delete(Mark);
            (reached.Yard, TrustAddress, _names) = (null, null, null);
            listens.Listen(false, false);
            Told();
        }
    }

    /// <summary>Looks whether the certificate still fits: names, addresses, and a month to go.</summary>
    public void Renew()
    {
        lock (_one)
        {
            if (IsOpen)
            {
                Fit();
                Say();
            }
        }
    }

    private void Fit()
    {
        var now = time.GetUtcNow();
        if (configuration["Holding:Certificate"] is { Length: > 0 } own)
        {
            _certificate = Brought(own);
            var names = _certificate.Extensions.OfType<X509SubjectAlternativeNameExtension>().FirstOrDefault();
            _names = new NetNames([.. names?.EnumerateDnsNames() ?? []], [.. names?.EnumerateIPAddresses().Select(a => (a, 32)) ?? []]);
            _authority = null;
            return;
        }

        var found = Found(Given);
        if (_authority is not null && _certificate is not null && _names is not null && found.Hosts.SequenceEqual(_names.Hosts)
            && _certificate.NotAfter.ToUniversalTime() > (now + RenewBefore).UtcDateTime)
        {
            return;
        }

        // those before may still be in somebody's hands: they are left to be collected
        (_authority, _names) = (Authority.In(Path.Combine(Keys!, "authority"), found, now), found);
        _certificate = _authority.Issue(found, now);
    }

    private X509Certificate2 Brought(string file)
    {
        try
        {
            var key = configuration["Holding:CertificateKey"];
            return key is { Length: > 0 } ? X509Certificate2.CreateFromPemFile(file, key)
                : X509CertificateLoader.LoadPkcs12FromFile(file, configuration["Holding:CertificatePassword"]);
        }
        catch (Exception e) when (e is CryptographicException or IOException or UnauthorizedAccessException)
        {
            throw new OpeningException($"The certificate {file} can't be read: {e.Message} Give a PKCS#12 file, or PEM with "
                + "--certificate-key.", e);
        }
    }

    private void Say()
    {
        var port = listens.Port!.Value;
        var best = _authority is not null ? _names!.Best(Given) : Given.Concat(_names!.Names).FirstOrDefault(n => !n.StartsWith('*'));
        reached.Yard = best is null ? null : string.Create(CultureInfo.InvariantCulture, $"https://{best}:{port + YardAt}");
        TrustAddress = best is null || _authority is null ? null
            : string.Create(CultureInfo.InvariantCulture, $"http://{best}:{port + TrustAt}/");
        Told();
    }

    private void Told()
    {
        var before = Interlocked.Exchange(ref _changed, new CancellationTokenSource());
        before.Cancel();
        before.Dispose();
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        _changed.Dispose();
        _authority?.Dispose();
        _certificate?.Dispose();
    }
}

/// <summary>What the web server listens on, as configuration that it follows while it runs.</summary>
public sealed class DoorSettings : ConfigurationProvider, IConfigurationSource
{
    /// <summary>The port at the machine itself; null where another part of the program says what is listened on.</summary>
    public int? Port { get; init; }

    /// <inheritdoc/>
    public IConfigurationProvider Build(IConfigurationBuilder builder) => this;

    /// <summary>Listens to the yard, or no more.</summary>
    /// <param name="open">Whether.</param>
    /// <param name="trust">Whether also on the page that hands out the authority.</param>
    public void Listen(bool open, bool trust)
    {
        string Url(string scheme, string host, int by) => string.Create(CultureInfo.InvariantCulture, $"{scheme}://{host}:{Port + by}");
        Data = new Dictionary<string, string?>(StringComparer.OrdinalIgnoreCase) { ["Endpoints:Here:Url"] = Url("http", "127.0.0.1", 0) };
        if (open)
        {
            Data["Endpoints:Yard:Url"] = Url("https", "*", YardDoor.YardAt);
        }

        if (open && trust)
        {
            Data["Endpoints:Trust:Url"] = Url("http", "*", YardDoor.TrustAt);
        }

        OnReload();
    }
}
