using System.Text.Json;
using System.Text.Json.Serialization;
using MudPie.Core.Brewing;

namespace MudPie.StandIns;

/// <summary>What a simulated probe hangs in, and how it strays. Read from a JSON file, so that a killed probe can be started again as it
/// was.</summary>
public sealed record ProbeSettings
{
    /// <summary>Its name, without spaces.</summary>
    public string Name { get; init; } = "simulated-probe";

    /// <summary>When the source went in, UTC.</summary>
    public DateTimeOffset StartedAt { get; init; }

    /// <summary>The brew.</summary>
    public required BrewQuestion Brew { get; init; }

    /// <summary>The hidden truth; drawn from the seed when not given.</summary>
    public Multipliers? Truth { get; init; }

    /// <summary>Another seed hides another brew and strays another way.</summary>
    public long Seed { get; init; } = 1;

    /// <summary>Seconds of the clock between readings, 0.05 to 3600.</summary>
    public double EverySeconds { get; init; } = 120;

    /// <summary>Hours of brew in an hour of the clock, 1 to 5000.</summary>
    public double Speed { get; init; } = 1;

    /// <summary>Noise, offset, drift and drop-outs.</summary>
    public Straying Strays { get; init; } = new(0.08, 0.2, 0.03, 0.02);

    /// <summary>TCP port on the loopback address; 0 takes a free one.</summary>
    public int Port { get; init; } = 5181;

    /// <summary>HTTP port on the loopback address; 0 takes a free one.</summary>
    public int HttpPort { get; init; } = 5182;

    private static readonly JsonSerializerOptions Json =
        new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) } };

    /// <summary>Reads a settings file.</summary>
    /// <exception cref="JsonException">It can't be read.</exception>
    public static ProbeSettings Read(string path) => JsonSerializer.Deserialize<ProbeSettings>(File.ReadAllText(path), Json)
        ?? throw new JsonException("It is empty.");
}
