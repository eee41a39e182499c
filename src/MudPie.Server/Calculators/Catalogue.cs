using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using MudPie.Core.Almanac;
using MudPie.Core.Brewing;
using MudPie.Core.Judging;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Judging.Statistics;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Mixing;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Server.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Calculators;

/// <summary>A calculation anyone may ask for: no database, no state.</summary>
/// <param name="Name">Stable name.</param>
/// <param name="Line">What it does, in a line.</param>
/// <param name="Question">Type of the question.</param>
/// <param name="Answer">Takes JSON, gives JSON or a refusal; ends a long sum when whoever asked has gone.</param>
public sealed record Calculator(string Name, string Line, Type Question,
    Func<string, CancellationToken, (JsonObject? Answer, Refusal? Refused)> Answer)
{
    /// <summary>JSON schema of the question.</summary>
    public JsonNode Schema() => SchemaOf(Question, Name, Line);

    /// <summary>JSON schema of a type, with a title and a line.</summary>
    public static JsonNode SchemaOf(Type type, string title, string line)
    {
        var whole = Json.Options.GetJsonSchemaAsNode(type, new JsonSchemaExporterOptions { TreatNullObliviousAsNonNullable = true })
            .AsObject();
        whole.Insert(0, "$schema", "https://json-schema.org/draft/2020-12/schema");
        whole.Insert(1, "title", title);
        whole.Insert(2, "description", line);
        return whole;
    }
}

/// <summary>Question of oxygen-saturation.</summary>
public sealed record OxygenSaturationQuestion
{
    public double? TemperatureC { get; init; }

    public double? AltitudeM { get; init; }
}

/// <summary>Question of chlorine-dose.</summary>
public sealed record ChlorineDoseQuestion
{
    public double? VolumeL { get; init; }

    public double? ChlorineMgPerL { get; init; }

    public string? Way { get; init; }

    public bool Chloramine { get; init; }
}

/// <summary>Question of dilution.</summary>
public sealed record DilutionQuestion
{
    public string? Parts { get; init; }

    public double? TotalL { get; init; }
}

/// <summary>Question of brix-correct.</summary>
public sealed record BrixCorrectQuestion
{
    public double? Brix { get; init; }

    public double? TemperatureC { get; init; }
}

/// <summary>Question of injector-stock.</summary>
public sealed record InjectorQuestion
{
    public double? Ratio { get; init; }

    public double? DosePerL { get; init; }

    public double? FeedL { get; init; }

    public double? FlowLPerMin { get; init; }

    public bool WithFeeds { get; init; }
}

/// <summary>Question of sun.</summary>
public sealed record SunQuestion
{
    public double? Latitude { get; init; }

    public double? Longitude { get; init; }

    public DateTimeOffset? FromUtc { get; init; }
}

/// <summary>Question of seasons.</summary>
public sealed record SeasonsQuestion
{
    public int? Year { get; init; }
}

/// <summary>Question of full-moons.</summary>
public sealed record FullMoonsQuestion
{
    public DateTimeOffset? FromUtc { get; init; }

    public DateTimeOffset? ToUtc { get; init; }
}

/// <summary>All the calculators.</summary>
public static class Catalogue
{
    /// <summary>By name.</summary>
    public static readonly IReadOnlyList<Calculator> All =
    [
        Make<OxygenSaturationQuestion, object>("oxygen-saturation", "Oxygen that fresh water holds at a warmth and an altitude.",
            q => OxygenSaturation.At(q.TemperatureC, q.AltitudeM).Shape(v => (object)new { mgPerL = v.Value })),
        Make<BrewQuestion, BrewRunAnswer>("brew-run", "One run of the brew model: lowest oxygen, ready time, fungal share, series.",
            q => BrewRun.Of(q)),
        Make<ForecastQuestion, ForecastAnswer>("brew-forecast",
            "The brew forecast: median and 80 % band of oxygen from an ensemble, re-weighted by readings.", BrewForecast.Of),
        Make<ChlorineDoseQuestion, ChlorineDoseAnswer>("chlorine-dose",
            "What clears the chlorine from a volume of water, and how long it takes.",
            q => WaterClearing.Dose(q.VolumeL, q.ChlorineMgPerL, q.Way, q.Chloramine)),
        Make<MicroscopeQuestion, MicroscopeAnswer>("microscope-count", "Organisms per mL from counts by field, with their 95 % interval.",
            Microscope.Count),
        Make<DilutionQuestion, DilutionAnswer>("dilution", "A dilution read one way only, and split into tea and water.",
            q => Dilutions.Split(q.Parts, q.TotalL)),
        Make<TankPlanQuestion, TankPlanAnswer>("tank-plan", "Area and rate to tanks: full ones, then the part tank.", TankPlan.Of),
        Make<RaceQuestion, RaceTimes>("put-out-race",
            "From the last minute in the air to the last drop: filling by filling, how long each goes without air.", PutOutRace.Of),
        Make<SprayerQuestion, SprayerAnswer>("sprayer-rate",
            "What a sprayer puts on a hectare: by nozzle, speed and spacing, or by a measured square.", SprayerRate.Of),
        Make<InoculantQuestion, InoculantAnswer>("inoculant-dose",
            "How much to measure out for so many organisms, with what is still alive.", InoculantDose.Of),
        Make<InjectorQuestion, InjectorAnswer>("injector-stock", "Stock for an injector: how much, how strong, how long it lasts.",
            q => InjectorStock.Of(q.Ratio, q.DosePerL, q.FeedL, q.FlowLPerMin, q.WithFeeds)),
        Make<SunQuestion, SunAnswer>("sun", "Next sunrise and sunset at a place, and the height of noon.",
            q => SunTimes.From(q.Latitude, q.Longitude, q.FromUtc)),
        Make<SeasonsQuestion, SeasonsAnswer>("seasons", "Equinoxes and solstices of a year.", q => Seasons.Of(q.Year)),
        Make<FullMoonsQuestion, FullMoonsAnswer>("full-moons", "Full moons from one moment to another.",
            q => MoonPhases.Full(q.FromUtc, q.ToUtc)),
        Make<TrialAnalysisQuestion, TrialAnswer>("trial-analysis",
            "Any tidy CSV of a trial judged: the test its design wants, means, differences, verdict.",
            (q, stop) => q.Read().Match(w => TrialAnalysis.Of(w.Value with { Stop = stop }), r => r)),
        Make<ReplicatesQuestion, ReplicatesAnswer>("replicates", "How many plots of each a difference takes to be seen.", Replicates.Of),
        Make<GerminationQuestion, GerminationAnswer>("germination", "So many up against so many: Fisher's exact test with its odds ratio.",
            Germination.Of),
        Make<CombineQuestion, CombineAnswer>("combine-trials",
            "Sites and seasons put together: a random-effects mean with its prediction interval.", CombineTrials.Of),
        Make<WorthQuestion, WorthAnswer>("worth-finding-out",
            "What a doubt is worth: how often knowing would change what is done, times what that change is worth.", FindingOut.Of),
        Make<MixesQuestion, MixesAnswer>("mix", "Several mixes at once: litres of every part, and how much to charge first.", Mixes.Of),
        Make<CompostQuestion, CompostAnswer>("compost-recipe", "A heap by C:N and moisture, solved for the one amount that is missing.",
            CompostRecipe.Of),
        Make<DrawdownQuestion, DrawdownAnswer>("nitrogen-drawdown",
            "Nitrogen robbed or given week by week by what rots in a mix or a bed: a model.", NitrogenDrawdown.Of),
        Make<CorrectionsQuestion, CorrectionsAnswer>("soil-corrections",
            "What a soil is short of, met from what there is: least shortfall first, then least cost.", SoilCorrections.Of),
        Make<BlendQuestion, BlendAnswer>("blend", "What a blend should hold, from the sheets of its parts.", Blends.Of),
        Make<CharCarbonQuestion, CharCarbonAnswer>("char-carbon",
            "Carbon that char keeps for a hundred years: an estimate, not a credit.", CharCarbon.Of),
        Make<BrixCorrectQuestion, object>("brix-correct", "A refractometer reading corrected to 20 °C.",
            q => BrixCorrection.To20(q.Brix, q.TemperatureC).Shape(v => (object)new { brix20 = v.Value })),
    ];

    /// <summary>The calculator of that name, or null.</summary>
    public static Calculator? Find(string name) => All.FirstOrDefault(c => c.Name == name);

    private static Ruling<TOut> Shape<TIn, TOut>(this Ruling<TIn> ruling, Func<TIn, TOut> to) =>
        ruling.Match<Ruling<TOut>>(w => w.With(to(w.Value), w.Unit), r => r);

    private static Calculator Make<TQuestion, TAnswer>(string name, string line, Func<TQuestion, Ruling<TAnswer>> rule) =>
        Make<TQuestion, TAnswer>(name, line, (q, _) => rule(q));

    private static Calculator Make<TQuestion, TAnswer>(string name, string line,
        Func<TQuestion, CancellationToken, Ruling<TAnswer>> rule) =>
        new(name, line, typeof(TQuestion), (text, stop) =>
        {
            TQuestion? question;
            try
            {
                question = JsonSerializer.Deserialize<TQuestion>(text, Json.Options);
            }
            catch (JsonException json)
            {
                return (null, ProblemHandler.Unread(json));
            }

            return question is null
                ? (null, Refusal.Of("body", "There is no question.", $"Give a JSON object; see --schema of {name}."))
                : rule(question, stop).Match<(JsonObject?, Refusal?)>(w => (Whole(w), null), r => (null, r));
        });

    /// <summary>The answer's own fields at the top, and working, cautions, forks and sure beside them.</summary>
    private static JsonObject Whole<T>(Worked<T> worked)
    {
        var answer = JsonSerializer.SerializeToNode(worked.Value, Json.Options)!.AsObject();
        answer["working"] = JsonSerializer.SerializeToNode(worked.Working, Json.Options);
        answer["cautions"] = JsonSerializer.SerializeToNode(worked.Cautions, Json.Options);
        answer["forks"] = JsonSerializer.SerializeToNode(worked.Forks, Json.Options);
        answer["sure"] = JsonSerializer.SerializeToNode(worked.Sure, Json.Options);
        return answer;
    }
}
