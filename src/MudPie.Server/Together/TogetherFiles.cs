using System.Text.Json;
using System.Text.Json.Nodes;
using MudPie.Core.Judging.Together;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;
using MudPie.Records.Judging;
using MudPie.Server.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Together;

/// <summary>Protocols and results as files, and a trial's plan from a protocol.</summary>
public static class TogetherFiles
{
    private const int MostLetters = 200_000;

    private static readonly JsonSerializerOptions Strict = new(Json.Options) {
        UnmappedMemberHandling = System.Text.Json.Serialization.JsonUnmappedMemberHandling.Disallow,
        RespectRequiredConstructorParameters = true
    };

    private static readonly JsonSerializerOptions Pretty = new(Json.Options) { WriteIndented = true };

    /// <summary>As it is given out.</summary>
    public static byte[] Write<T>(T what) => JsonSerializer.SerializeToUtf8Bytes(what, Pretty);

    /// <summary>Which form a file says that it is in; null where it says none, or can't be read at all.</summary>
    public static string? Form(string? json)
    {
        try
        {
            return json is { Length: <= MostLetters } && JsonNode.Parse(json) is JsonObject file && file["form"] is JsonValue form
                && form.TryGetValue<string>(out var said) ? said : null;
        }
        catch (Exception e) when (e is JsonException or ArgumentException)
        {
            return null;
        }
    }

    /// <summary>Reads a file; one that does not fit says where.</summary>
    public static Ruling<T> Read<T>(string? json)
        where T : class
    {
        const string way = "Bring a file as Mud Pie gave it out, or after docs/formats/protocol.md.";
        if (json is not { Length: > 0 and <= MostLetters })
        {
            return Refusal.Of("json", string.IsNullOrEmpty(json) ? "There is nothing in that file."
                : "That file is larger than 200 kB.", way);
        }

        try
        {
            return JsonSerializer.Deserialize<T>(json, Strict) is { } read ? Worked.Of(read, "", Evidence.MeasuredHere)
                : Refusal.Of("json", "There is nothing in that file.", way);
        }
        catch (JsonException e)
        {
            var at = e.Path is { Length: > 2 } path ? path[2..] : "json";
            return Refusal.Of(at, $"It can’t be read there, in line {e.LineNumber + 1}.", way);
        }
    }

    /// <summary>A protocol of a trial; refused where others could not join it arm by arm.</summary>
    /// <param name="t">With its treatments and measures.</param>
    /// <param name="told">The same as a protocol.</param>
    public static Ruling<TrialProtocol> Of(Trial t, TrialProtocol told) =>
        t.Design == Design.SplitPlot || t.Treatments.Count(x => x.Role == TrialRole.Control) > 1
            ? Refusal.Of("trialId", t.Design == Design.SplitPlot ? "It lies in split plots." : "It has more than one control.",
                "Others join arm by arm, all set against one: ask a question with one control, in blocks or at random.")
            : Protocols.Look(told);

    /// <summary>A plan to begin from: what the protocol says stands in it, and the garden's own is left to be said.</summary>
    public static TrialRequest Plan(int id, TrialProtocol p) => new() {
        ProtocolId = id, Question = p.Question, Displaces = p.Displaces, Design = p.Design, Kind = p.Kind, Liquid = p.Liquid,
        Blind = p.Blind, Factors = ["treatment"], Replicates = p.Replicates,
        WorthHaving = p.WorthHaving?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "",
        Treatments = [.. p.Arms!.Select(a => Treatment(a))],
        Measures = [.. p.Measures!.Select(m => new MeasureRequest {
            KindId = MeasureKinds.All.FirstOrDefault(k => k.Name == m.Name && k.Unit == m.Unit && k.Kind == m.Kind)?.Id,
            Name = m.Name, Unit = m.Unit, Kind = m.Kind, Low = m.Low, High = m.High, LowerIsBetter = m.LowerIsBetter, OutOf = m.OutOf,
            Dates = m.Dates.Word()
        })],
        NoControlWhy = p.Arms!.Any(a => a.Role == TrialRole.Control) ? "" : "The protocol has water only for all to be set against.",
        NoWaterWhy = "",
    };

    private static TreatmentRequest Treatment(ProtocolArm a)
    {
        var (rate, basis) = RateBases.Cut(a.Rate);
        return new TreatmentRequest {
            Name = a.Name, Levels = [a.Name], Role = a.Role, Rate = rate, RateBasis = basis, Water = a.Water ?? ""
        };
    }
}
