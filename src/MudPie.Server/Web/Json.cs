using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;

namespace MudPie.Server.Web;

/// <summary>How Mud Pie writes and reads JSON: camelCase, enums by name, numbers as numbers.</summary>
public static class Json
{
    /// <summary>The same options everywhere.</summary>
    public static readonly JsonSerializerOptions Options =
        Set(new JsonSerializerOptions(JsonSerializerDefaults.Web) { TypeInfoResolver = new DefaultJsonTypeInfoResolver() });

    /// <summary>Applies them to another set.</summary>
    public static JsonSerializerOptions Set(JsonSerializerOptions options)
    {
        options.NumberHandling = JsonNumberHandling.Strict;
        if (!options.Converters.OfType<JsonStringEnumConverter>().Any())
        {
            options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
            Contract.Set(options);
        }

        return options;
    }
}
