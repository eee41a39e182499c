using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using MudPie.Core.Brewing;
using MudPie.Core.Ground;
using MudPie.Core.Judging.Claims;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Judging.Together;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Looking;
using MudPie.Core.Mixing;
using MudPie.Core.PuttingOut;
using MudPie.Core.Sharing;
using MudPie.Core.Sheets;
using MudPie.Core.Solids;
using MudPie.Core.Works;
using MudPie.Records.Judging;

namespace MudPie.Records;

/// <summary>A form in which something whole is kept in a column, as JSON.</summary>
/// <param name="Name">What it is called in the file.</param>
/// <param name="Version">Raised whenever its shape changes; a test holds each version to its shape.</param>
/// <param name="Upgrades">From version 1 to 2, from 2 to 3 and so on: what was kept then, as it is kept now.</param>
public sealed record FormKind(string Name, int Version = 1, params IReadOnlyList<Func<JsonNode, JsonNode>> Upgrades);

/// <summary>The forms of the file: which types are kept whole, on purpose, and in which version. Nothing else is kept as JSON.</summary>
/// <remarks>In the file: <c>{"form":"brew","version":1,"is":{…}}</c>.</remarks>
public static class Forms
{
    /// <summary>Every type that is kept whole.</summary>
    public static readonly IReadOnlyDictionary<Type, FormKind> All = new Dictionary<Type, FormKind> {
        [typeof(BrewQuestion)] = new("brew"),
        [typeof(IReadOnlyList<PlanStep>)] = new("steps"),
        [typeof(RaceKit)] = new("race-kit"),
        [typeof(IReadOnlyDictionary<string, double>)] = new("learnt"),
        [typeof(RecipeFile)] = new("recipe"),
        [typeof(TallyQuestion)] = new("tally"),
        [typeof(AirBenchQuestion)] = new("air-bench"),
        [typeof(SourceAnswers)] = new("source-answers"),
        [typeof(IReadOnlyList<LabelSpecies>)] = new("label-species"),
        [typeof(IReadOnlyList<LabelRate>)] = new("label-rates", 2, kept => kept), // the words of a basis are an idea's, and the same
        [typeof(TankRequest)] = new("job"),
        [typeof(SprayerQuestion)] = new("sprayer-measured"),
        [typeof(IReadOnlyList<StageFrom>)] = new("stages"),
        [typeof(IReadOnlyList<string>)] = new("names"),
        [typeof(IReadOnlyList<FactorLevel>)] = new("levels"),
        [typeof(TrialMoney)] = new("trial-money"),
        [typeof(IReadOnlyList<LayoutPlace>)] = new("places"),
        [typeof(IReadOnlyList<LeafRead>)] = new("leaves"),
        [typeof(MixRequest)] = new("mix"),
        [typeof(HeapAsked)] = new("heap"),
        [typeof(WormsAsked)] = new("worms"),
        [typeof(BurnAsked)] = new("burn"),
        [typeof(SheetAsked)] = new("sheet", 2, kept => kept), // leaves and sap came to it, and days on which choices come back
        [typeof(IReadOnlyList<LabColumn>)] = new("lab-columns"),
        [typeof(ClaimCard)] = new("claim"),
        [typeof(ByproductAsked)] = new("byproduct"),
        [typeof(PrepAsked)] = new("preparation"),
        [typeof(SpreadAsked)] = new("spread"),
        [typeof(CheckAsked)] = new("check", 2, kept => kept), // plants may be counted metre by metre
        [typeof(WalkPlan)] = new("walk"),
        [typeof(ZoneShape)] = new("zone"),
        [typeof(IReadOnlyList<CleanedStep>)] = new("cleaned"),
        [typeof(IReadOnlyList<double>)] = new("figures"),
        [typeof(TrialProtocol)] = new("protocol"),
        [typeof(GardenResult)] = new("garden-result"),
        [typeof(ReckoningTerms)] = new("reckoning"),
    };

    /// <summary>How they are written: camelCase, ideas by their words.</summary>
    public static readonly JsonSerializerOptions Json =
        new(JsonSerializerDefaults.Web) {
            Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) }, TypeInfoResolver = new DefaultJsonTypeInfoResolver(),
        };

    /// <summary>Something in its form.</summary>
    public static string Write<T>(T what)
        where T : class => JsonSerializer.Serialize(new Kept<T>(All[typeof(T)].Name, All[typeof(T)].Version, what), Json);

    /// <summary>What was kept so, in this version or an older one.</summary>
    /// <exception cref="JsonException">It is of another form, or of a version that is not known yet; of a list, nothing is there then, and
    /// no page is taken down.</exception>
    public static T Read<T>(string json)
        where T : class
    {
        try
        {
            return Sound<T>(json);
        }
        catch (JsonException) when (typeof(T).IsGenericType && typeof(T).GetGenericTypeDefinition() == typeof(IReadOnlyList<>))
        {
            return (T)(object)Array.CreateInstance(typeof(T).GetGenericArguments()[0], 0);
        }
    }

    private static T Sound<T>(string json)
        where T : class
    {
        var kind = All[typeof(T)];
        var kept = JsonSerializer.Deserialize<Kept<JsonElement>>(json, Json);
        if (kept?.Form != kind.Name || kept.Version < 1 || kept.Version > kind.Version)
        {
            throw new JsonException($"That is no {kind.Name} of a version up to {kind.Version}.");
        }

        if (kept.Version == kind.Version)
        {
            return kept.Is.Deserialize<T>(Json)!;
        }

        var was = JsonNode.Parse(kept.Is.GetRawText())!;
        return kind.Upgrades.Skip(kept.Version - 1).Aggregate(was, (node, upgrade) => upgrade(node)).Deserialize<T>(Json)!;
    }

    /// <summary>Tells EF Core which properties are kept so: all that are of these types.</summary>
    public static void Configure(ModelConfigurationBuilder builder)
    {
        foreach (var type in All.Keys)
        {
            builder.Properties(type, p => p.HaveConversion(typeof(InForm<>).MakeGenericType(type), typeof(AsIs<>).MakeGenericType(type)));
        }
    }

    private sealed record Kept<T>(string Form, int Version, T Is);

    /// <summary>What is kept whole is never changed in place: another one takes its place, and that is how a change is seen.</summary>
    private sealed class AsIs<T>() : ValueComparer<T>((a, b) => object.Equals(a, b), what => what.GetHashCode(), what => what)
        where T : class;

    private sealed class InForm<T>() : ValueConverter<T, string>(what => Write(what), json => Read<T>(json))
        where T : class;
}
