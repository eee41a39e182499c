using System.Globalization;
using MudPie.StandIns;

// --with-parent: it ends when whoever started it does, also where that was killed: the pipe between them closes then.
var minded = args.Contains("--with-parent");
args = [.. args.Where(a => a != "--with-parent")];
void WithParent(IHostApplicationLifetime life)
{
    if (minded)
    {
        _ = Task.Run(() =>
        {
            while (Console.In.Read() >= 0)
            {
            }

            life.StopApplication();
        });
    }
}

// weather PORT [--fair-evening]: a simulated weather service, until it is stopped.
if (args is ["weather", var text, ..] && int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var weatherPort))
{
    var weather = new SimulatedWeather(1, args.Contains("--fair-evening") ? TimeProvider.System.GetUtcNow() : null);
    var service = WebApplication.CreateSlimBuilder();
    service.Logging.ClearProviders();
    service.WebHost.UseUrls($"http://127.0.0.1:{weatherPort}");
    var sky = service.Build();
    sky.MapGet("/", () => new {
        name = "simulated-weather", simulated = true,
        says = "Simulated weather: it follows from the place and the date alone."
    });
    sky.MapGet("/hours", (double latitude, double longitude, DateTimeOffset from, int hours) =>
        new { simulated = true, hours = weather.Hours(latitude, longitude, from, hours) });
    sky.Lifetime.ApplicationStarted.Register(() => Console.WriteLine($"Simulated weather on http 127.0.0.1:{weatherPort}"));
    WithParent(sky.Lifetime);
    await sky.RunAsync();
    return 0;
}

// probe SETTINGS.json: a simulated probe, until it is stopped.
if (args is not ["probe", var path])
{
    Console.Error.WriteLine("Say which stand-in: MudPie.StandIns probe SETTINGS.json, or MudPie.StandIns weather PORT [--fair-evening]");
    return 2;
}

ProbeSettings settings;
try
{
    settings = ProbeSettings.Read(path);
}
catch (Exception e) when (e is IOException or UnauthorizedAccessException or System.Text.Json.JsonException)
{
    Console.Error.WriteLine($"{path} can't be read: {e.Message}");
    return 2;
}

var builder = WebApplication.CreateSlimBuilder();
builder.Logging.ClearProviders();
builder.WebHost.UseUrls($"http://127.0.0.1:{settings.HttpPort}");
await using var probe = new SimulatedProbe(settings);
var app = builder.Build();
app.MapGet("/", () => new {
    name = settings.Name, simulated = true, says = "A simulated probe: no real brew is behind it.",
    settings.StartedAt, settings.EverySeconds, settings.Speed, newest = probe.Newest, port = probe.Port
});
app.MapGet("/readings", (long? from) => probe.From(from ?? Math.Max(probe.Newest - 60, 0)).Take(2000));
app.Lifetime.ApplicationStarted.Register(() =>
    Console.WriteLine($"Simulated probe {settings.Name} on tcp 127.0.0.1:{probe.Port} and http 127.0.0.1:{settings.HttpPort}"));
WithParent(app.Lifetime);
await app.RunAsync();
return 0;
