using System.Formats.Asn1;
using System.Globalization;
using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;

namespace MudPie.Server.Doors;

/// <summary>This holding's own certificate authority: a phone that trusts it once trusts this machine, and nothing else by it.</summary>
/// <remarks>It is constrained (RFC 5280, 4.2.1.10) to this machine's names and the networks that it is on: were its key stolen, it could
/// not speak for any other place. The key lies in a folder of its own, readable by its owner only, and in no copy of the holding. Where the
/// machine comes onto another network, the constraint no longer fits and a new authority is made, which phones have to trust
/// anew.</remarks>
public sealed class Authority : IDisposable
{
    private const string ServerAuthentication = "1.3.6.1.5.5.7.3.1", Constraints = "2.5.29.30";

    /// <summary>How long a phone's trust holds.</summary>
    public static readonly TimeSpan Lasts = TimeSpan.FromDays(3650);

    /// <summary>How long the machine's own certificate holds: no browser takes longer ones.</summary>
    public static readonly TimeSpan LeafLasts = TimeSpan.FromDays(190);

    private readonly ECDsa _key;

    private Authority(X509Certificate2 certificate, ECDsa key) => (Certificate, _key) = (certificate, key);

    /// <summary>What phones trust.</summary>
    public X509Certificate2 Certificate { get; }

    /// <summary>The first sixteen signs of its SHA-256 fingerprint, "A1B2 C3D4 E5F6 0718": to be compared on both screens.</summary>
    public string Short => string.Join(' ', Certificate.GetCertHashString(HashAlgorithmName.SHA256)[..16].Chunk(4)
        .Select(c => new string(c)));

    /// <summary>The authority that lies in a folder, or a new one where there is none, or where it does not fit the names any
    /// more.</summary>
    /// <param name="folder">Made if it is not there.</param>
    /// <param name="names">What it may speak for.</param>
    /// <param name="now">The time.</param>
    public static Authority In(string folder, NetNames names, DateTimeOffset now)
    {
        OnlyMine(folder);
        var (certificate, key) = (Path.Combine(folder, "authority.pem"), Path.Combine(folder, "authority.key"));
        if (File.Exists(certificate) && File.Exists(key))
        {
            var known = X509CertificateLoader.LoadCertificateFromFile(certificate);
            if (known.NotAfter.ToUniversalTime() > (now + LeafLasts).UtcDateTime && Covers(known, names))
            {
                var of = ECDsa.Create();
                of.ImportFromPem(File.ReadAllText(key));
                // killed between the two files, the one does not fit the other
                if (of.ExportSubjectPublicKeyInfo().AsSpan().SequenceEqual(known.PublicKey.ExportSubjectPublicKeyInfo()))
                {
                    return new Authority(known, of);
                }

                of.Dispose();
            }

            known.Dispose();
        }

        var made = Make(names, now);
        Private(key, made._key.ExportPkcs8PrivateKeyPem());
        File.WriteAllText(certificate, made.Certificate.ExportCertificatePem());
        return made;
    }

    private static void Private(string path, string text)
    {
        File.Delete(path);
        var how = new FileStreamOptions { Mode = FileMode.CreateNew, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows())
        {
            how.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        }

        using var writer = new StreamWriter(new FileStream(path, how));
        writer.Write(text);
    }

    /// <summary>Makes a folder that nobody else can look into.</summary>
    public static void OnlyMine(string folder)
    {
        if (OperatingSystem.IsWindows())
        {
            Directory.CreateDirectory(folder);
        }
        else
        {
            Directory.CreateDirectory(folder, UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute);
        }
    }

    /// <summary>A new authority.</summary>
    public static Authority Make(NetNames names, DateTimeOffset now)
    {
        var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest($"CN=Mud Pie on {names.Names[0]} ({now.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)})",
            key, HashAlgorithmName.SHA256);
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(true, true, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.KeyCertSign, true));
        request.CertificateExtensions.Add(new X509SubjectKeyIdentifierExtension(request.PublicKey, false));
        request.CertificateExtensions.Add(new X509Extension(Constraints, Permitted(names), true));
        return new Authority(request.CreateSelfSigned(now.AddDays(-1), now + Lasts), key);
    }

    /// <summary>A certificate of this machine, signed by it.</summary>
    /// <param name="names">Names and addresses that go into it.</param>
    /// <param name="now">The time; it is good from a day before, as clocks may be wrong.</param>
    public X509Certificate2 Issue(NetNames names, DateTimeOffset now)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest($"CN={names.Names[0]}", key, HashAlgorithmName.SHA256);
        var alternatives = new SubjectAlternativeNameBuilder();
        foreach (var name in names.Names)
        {
            alternatives.AddDnsName(name);
        }

        foreach (var (address, _) in names.Addresses)
        {
            alternatives.AddIpAddress(address);
        }

        request.CertificateExtensions.Add(alternatives.Build());
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(false, false, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.DigitalSignature, true));
        request.CertificateExtensions.Add(new X509EnhancedKeyUsageExtension([new Oid(ServerAuthentication)], false));
        request.CertificateExtensions.Add(X509AuthorityKeyIdentifierExtension.CreateFromCertificate(Certificate, true, false));
        using var issued = request.Create(Certificate.SubjectName, X509SignatureGenerator.CreateForECDsa(_key), now.AddDays(-1),
            now + LeafLasts, RandomNumberGenerator.GetBytes(16));
        using var whole = issued.CopyWithPrivateKey(key);
        // a key that lives in this process alone can't be used by every platform's TLS: through PKCS#12 it can
        return X509CertificateLoader.LoadPkcs12(whole.Export(X509ContentType.Pkcs12), null);
    }

    /// <summary>The constraint in its written form: permitted names, and networks as address and mask.</summary>
    private static byte[] Permitted(NetNames names)
    {
        var der = new AsnWriter(AsnEncodingRules.DER);
        using (der.PushSequence())
        using (der.PushSequence(new Asn1Tag(TagClass.ContextSpecific, 0)))
        {
            foreach (var name in names.Names)
            {
                using (der.PushSequence())
                {
                    der.WriteCharacterString(UniversalTagNumber.IA5String, name, new Asn1Tag(TagClass.ContextSpecific, 2));
                }
            }

            foreach (var network in names.Addresses.Select(Network).DistinctBy(Convert.ToHexString))
            {
                using (der.PushSequence())
                {
                    der.WriteOctetString(network, new Asn1Tag(TagClass.ContextSpecific, 7));
                }
            }
        }

        return der.Encode();
    }

    /// <summary>192.168.1.20 in a network of 24 bits: C0 A8 01 00 FF FF FF 00.</summary>
    private static byte[] Network((IPAddress Address, int Prefix) of)
    {
        var address = of.Address.GetAddressBytes();
        var mask = address.Select((_, i) => (byte)(0xFF00 >> Math.Clamp(of.Prefix - (i * 8), 0, 8))).ToArray();
        return [.. address.Zip(mask, (a, m) => (byte)(a & m)), .. mask];
    }

    private static bool Covers(X509Certificate2 authority, NetNames names)
    {
        if (authority.Extensions.FirstOrDefault(e => e.Oid?.Value == Constraints) is not { } extension)
        {
            return false;
        }

        List<string> known = [];
        List<byte[]> networks = [];
        var subtrees = new AsnReader(extension.RawData, AsnEncodingRules.DER).ReadSequence()
            .ReadSequence(new Asn1Tag(TagClass.ContextSpecific, 0));
        while (subtrees.HasData)
        {
            var one = subtrees.ReadSequence();
            if (one.PeekTag().TagValue == 2)
            {
                known.Add(one.ReadCharacterString(UniversalTagNumber.IA5String, new Asn1Tag(TagClass.ContextSpecific, 2)));
            }
            else
            {
                networks.Add(one.ReadOctetString(new Asn1Tag(TagClass.ContextSpecific, 7)));
            }
        }

        return names.Names.All(known.Contains) && names.Addresses.All(a => networks.Exists(n => Within(n, a.Address)));
    }

    private static bool Within(byte[] network, IPAddress address)
    {
        var bytes = address.GetAddressBytes();
        return network.Length == bytes.Length * 2
            && bytes.Select((b, i) => (b & network[bytes.Length + i]) == network[i]).All(same => same);
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        Certificate.Dispose();
        _key.Dispose();
    }
}
