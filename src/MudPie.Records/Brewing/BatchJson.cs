using System.Text.Json;
using MudPie.Core.Brewing;

namespace MudPie.Records.Brewing;

/// <summary>How a plan is kept inside a batch: as JSON, so that it stays as it was made whatever later versions plan.</summary>
public static class BatchJson
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web) { Converters = { new System.Text.Json.Serialization.JsonStringEnumConverter(JsonNamingPolicy.CamelCase) } };

    /// <summary>The brew as JSON.</summary>
    public static string Write(BrewQuestion brew) => JsonSerializer.Serialize(brew, Options);

    /// <summary>The schedule as JSON.</summary>
    public static string Write(IReadOnlyList<PlanStep> steps) => JsonSerializer.Serialize(steps, Options);

    /// <summary>Anything of the core as JSON.</summary>
    public static string Keep<T>(T what) => JsonSerializer.Serialize(what, Options);

    /// <summary>What was kept so.</summary>
    public static T Read<T>(string json) => JsonSerializer.Deserialize<T>(json, Options)!;

    /// <summary>The brew as the model sees it.</summary>
    public static BrewQuestion Brew(Batch batch) => JsonSerializer.Deserialize<BrewQuestion>(batch.BrewJson, Options)!;

    /// <summary>Its schedule.</summary>
    public static IReadOnlyList<PlanStep> Steps(Batch batch) => JsonSerializer.Deserialize<List<PlanStep>>(batch.StepsJson, Options)!;
}
