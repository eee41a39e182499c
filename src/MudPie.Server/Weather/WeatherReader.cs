using System.Globalization;
using System.Net;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Almanac;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Weather;

/// <summary>How the weather service fares: since when it has not been read, and why.</summary>
public sealed class WeatherHealth
{
    private volatile Failing? _failing;

    /// <summary>A failure that lasts.</summary>
    public sealed record Failing(DateTimeOffset Since, string Why);

    /// <summary>Since when it fails; null while it answers, or where there is none.</summary>
    public Failing? Now => _failing;

    /// <summary>It answered.</summary>
    public void Well() => _failing = null;

    /// <summary>It did not.</summary>
    public void Fails(DateTimeOffset at, string why) => _failing = new Failing(_failing?.Since ?? at, why);
}

/// <summary>Asks a weather service on the loopback address every half hour; without one, what is known stays. Whatever it answers, the
/// server goes on.</summary>
public sealed class WeatherReader(IServiceScopeFactory scopes, TimeProvider time, IConfiguration settings, WeatherHealth health,
    ILogger<WeatherReader> log) : BackgroundService
{
    private const int MostBytes = 2_000_000;
    private const int MostRedirects = 3;
    private static readonly TimeSpan Usual = TimeSpan.FromMinutes(30);

    private sealed record Reply(bool Simulated, IReadOnlyList<WeatherHour>? Hours);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (settings["Holding:WeatherUrl"] is not { Length: > 0 } url || !Uri.TryCreate(url, UriKind.Absolute, out var address)
            || !address.IsLoopback)
        {
            return;
        }

        using var http = new HttpClient(new HttpClientHandler { AllowAutoRedirect = false }) {
            BaseAddress = address,
            Timeout = TimeSpan.FromSeconds(5), MaxResponseContentBufferSize = MostBytes
        };
        for (var failed = 0; !stoppingToken.IsCancellationRequested;)
        {
            var wait = Usual;
            try
            {
                if (await Read(http, stoppingToken))
                {
                    (failed, wait) = (0, Usual);
                    health.Well();
                }
                else
                {
                    wait = TimeSpan.FromSeconds(3); // not set up yet
                }
            }
            catch (Exception) when (stoppingToken.IsCancellationRequested)
            {
                return;
            }
            catch (Exception e) // whatever it sent: a background job never ends the server
            {
                health.Fails(time.GetUtcNow(), e is WeatherException ? e.Message : "It does not answer.");
                log.LogInformation("The weather service could not be read: {Message}", e.Message);
                wait = TimeSpan.FromSeconds(Math.Min(2 * Math.Pow(2, failed), Usual.TotalSeconds));
                failed = Math.Min(failed + 1, 20);
            }

            await Task.Delay(wait, stoppingToken).ContinueWith(_ => { }, CancellationToken.None);
        }
    }

    private async Task<bool> Read(HttpClient http, CancellationToken stop)
    {
        using var scope = scopes.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<HoldingDb>();
        if (await db.Holdings.AsNoTracking().OrderBy(h => h.Id).FirstOrDefaultAsync(stop) is not { PlaceKnown: true } holding)
        {
            return false; // weather of where?
        }

        var from = time.GetUtcNow().AddHours(-14);
        var asked = string.Create(CultureInfo.InvariantCulture,
            $"hours?latitude={holding.Latitude}&longitude={holding.Longitude}&from={from.UtcDateTime:yyyy-MM-dd'T'HH:mm:ss'Z'}&hours=112");
        var (hours, simulated) = Sound(await Get(http, new Uri(http.BaseAddress!, asked), stop), from);
        using var turn = await scope.ServiceProvider.GetRequiredService<WriteTurns>().Take(stop);
        await scope.ServiceProvider.GetRequiredService<WeatherBook>().Put(hours, simulated ? "simulated" : "service");
        return true;
    }

    private static async Task<byte[]> Get(HttpClient http, Uri from, CancellationToken stop)
    {
        for (var hop = 0; hop <= MostRedirects; hop++)
        {
            using var reply = await http.GetAsync(from, stop);
            if (reply.StatusCode is HttpStatusCode.MovedPermanently or HttpStatusCode.Found or HttpStatusCode.SeeOther
                or HttpStatusCode.TemporaryRedirect or HttpStatusCode.PermanentRedirect)
            {
                var to = reply.Headers.Location is { } location
                    ? new Uri(from, location) : throw new WeatherException("It sends elsewhere without saying where.");
                from = to.Authority == http.BaseAddress!.Authority && to.Scheme == http.BaseAddress.Scheme
                    ? to : throw new WeatherException("It sends to another machine, which is not followed.");
                continue;
            }

            return reply.IsSuccessStatusCode ? await reply.Content.ReadAsByteArrayAsync(stop)
                : throw new WeatherException($"It answers {(int)reply.StatusCode}.");
        }

        throw new WeatherException("It sends round in circles.");
    }

    /// <summary>The hours of a reply, each of them believable, or none.</summary>
    /// <exception cref="WeatherException">One that is not; the reason in words.</exception>
    internal static (IReadOnlyList<WeatherHour> Hours, bool Simulated) Sound(byte[] reply, DateTimeOffset from)
    {
        Reply? read;
        try
        {
            read = JsonSerializer.Deserialize<Reply>(reply, Json.Options); // as UTF-8, whatever charset it claims
        }
        catch (JsonException e)
        {
            throw new WeatherException("It answers what is no weather.", e);
        }

        if (read?.Hours is not { Count: > 0 and <= 400 } hours)
        {
            throw new WeatherException("It answers no hours, or too many.");
        }

        foreach (var h in hours)
        {
            var wrong = h.At < from.AddDays(-2) || h.At > from.AddDays(30) ? "a time that was not asked for"
                : !WeatherBounds.Warmth.Holds(h.TemperatureC) ? $"{Say.Number(h.TemperatureC)} °C"
                : !WeatherBounds.Wind.Holds(h.WindMps) || h.GustMps is { } gust && !WeatherBounds.Gust.Holds(gust)
                ? $"a wind of {Say.Number(h.WindMps)} m/s"
                : !WeatherBounds.Rain.Holds(h.RainMm) ? $"{Say.Number(h.RainMm)} mm of rain"
                : !WeatherBounds.Share.Holds(h.CloudShare) || !WeatherBounds.Share.Holds(h.HumidityShare)
                ? "a share of more than all" : null;
            if (wrong is not null)
            {
                throw new WeatherException($"It answers {wrong}, which no weather has.");
            }
        }

        return (hours, read.Simulated);
    }
}

/// <summary>What weather can be: from the service and from a file alike.</summary>
/// <param name="Low">Least.</param>
/// <param name="High">Most.</param>
public readonly record struct WeatherBounds(double Low, double High)
{
    /// <summary>°C.</summary>
    public static readonly WeatherBounds Warmth = new(-60, 60);

    /// <summary>m/s, over ten minutes.</summary>
    public static readonly WeatherBounds Wind = new(0, 60);

    /// <summary>m/s.</summary>
    public static readonly WeatherBounds Gust = new(0, 120);

    /// <summary>mm in an hour.</summary>
    public static readonly WeatherBounds Rain = new(0, 200);

    /// <summary>0 to 1.</summary>
    public static readonly WeatherBounds Share = new(0, 1);

    /// <summary>Whether a figure lies within; NaN does not.</summary>
    public bool Holds(double value) => value >= Low && value <= High;
}

/// <summary>A weather service answered what can't be used; its message is what the page says.</summary>
public sealed class WeatherException(string why, Exception? inner = null) : Exception(why, inner);
