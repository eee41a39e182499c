using System.Globalization;
using System.Net;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Text;
using MudPie.Records;
using MudPie.Records.Demo;

namespace MudPie.Server;

/// <summary>What is done before anything is served: the port looked at, the holding's file taken and made fit.</summary>
public static class Opening
{
    /// <summary>Takes the file, makes it if it is not there, brings it up to date if it is old.</summary>
    /// <param name="configuration">Of the server.</param>
    /// <param name="path">The file.</param>
    /// <param name="now">The time.</param>
    /// <returns>The lease on it, to be held as long as it is served.</returns>
    /// <exception cref="OpeningException">It can't be had; the reason in words.</exception>
    public static HoldingLease Take(IConfiguration configuration, string path, DateTimeOffset now)
    {
        var settings = configuration.GetSection("Holding");
        HoldingLease? lease = null;
        try
        {
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            if (Directory.Exists(path))
            {
                throw new HoldingFileException(new FileTrouble("not ours", $"{path} is a folder, not a file.",
                    "Name a file in it, such as holding.mudpie."));
            }

            lease = HoldingLease.Take(path);
            if (settings.GetValue("Demo", false))
            {
                HoldingFile.PrepareDemo(path,
                    db => DemoHolding.Fill(db, now, settings.GetValue<int?>("ProbePort"), settings["ProbeSettings"]));
            }
            else if (HoldingFile.Prepare(path) is { } copy && settings.GetValue("Say", true))
            {
                Console.WriteLine($"The file was of an older version; a copy of it as it was lies at {copy}");
            }

            return lease;
        }
        catch (Exception e) when (FileTrouble.Of(e) is { } trouble)
        {
            lease?.Dispose();
            throw new OpeningException($"The holding's file {path} can't be opened. {trouble.Wrong} {trouble.WayOut}", e);
        }
    }

    /// <summary>Where the keys of a file lie unless it is said otherwise: in the user's own folder for such, so that no copy of the file,
    /// nor of its folder, has them; null where there is no such folder.</summary>
    public static string? KeysOf(string file)
    {
        var (home, whole) = (Environment.GetFolderPath(Environment.SpecialFolder.LocalApplicationData), Path.GetFullPath(file));
        var digest = Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(whole)))[..10];
        return home.Length == 0 ? null : Path.Combine(home, "mudpie", $"{Path.GetFileNameWithoutExtension(whole)}-{digest}");
    }

    /// <summary>The folder, made so that nobody else looks into it; null where it can't be made, and then nobody can be let in.</summary>
    public static string? Private(string folder)
    {
        try
        {
            Doors.Authority.OnlyMine(folder);
            return folder;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return null;
        }
    }

    /// <summary>A port as it was given.</summary>
    /// <exception cref="OpeningException">It is none.</exception>
    public static int Port(string given) => int.TryParse(given, NumberStyles.None, CultureInfo.InvariantCulture, out var port)
        && port is >= 1 and <= 65535
        ? port
        : throw new OpeningException($"“{given}” is not a port: give 1 to 65535.");

    /// <summary>Looks whether a port can be had, so that nothing is made where it can't.</summary>
    /// <exception cref="OpeningException">Another program listens there.</exception>
    public static void Free(int port)
    {
        using var socket = new Socket(AddressFamily.InterNetwork, SocketType.Stream, ProtocolType.Tcp);
        try
        {
            socket.Bind(new IPEndPoint(IPAddress.Loopback, port));
        }
        catch (SocketException e)
        {
            throw new OpeningException(
                e.SocketErrorCode == SocketError.AccessDenied ? $"Port {port} is kept for the system: give another with --port."
                    : $"Port {port} is in use: give another with --port, or stop the program that has it.", e);
        }
    }

    /// <summary>One sentence for what can go wrong while the server begins; null where it is something else.</summary>
    public static string? Says(Exception e) => e switch {
        OpeningException => e.Message,
        _ when FileTrouble.Of(e) is { } trouble => $"{trouble.Wrong} {trouble.WayOut}",
        IOException { InnerException: SocketException or Microsoft.AspNetCore.Connections.AddressInUseException } =>
            "The port is in use: give another with --port, or stop the program that has it.",
        _ => null,
    };
}

/// <summary>The server could not begin; its message is the one sentence to say.</summary>
public sealed class OpeningException(string sentence, Exception? inner = null) : Exception(sentence, inner);
