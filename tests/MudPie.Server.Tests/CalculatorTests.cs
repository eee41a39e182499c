using System.Text.Json.Nodes;
using MudPie.Server.Calculators;

namespace MudPie.Server.Tests;

/// <summary>The open calculators: the same answer from the command line and over HTTP, and refusals that name the field.</summary>
public class CalculatorTests : IDisposable
{
    private readonly TestHolding _holding = new();

    public void Dispose()
    {
        _holding.Dispose();
        GC.SuppressFinalize(this);
    }

    private const string Bucket =
        """{"volumeL":19,"depthM":0.3,"diffuser":"airStone","airLpm":5,"altitudeM":0,"temperatureC":20,"hours":48,"sources":[{"kind":"compost","litres":1.2}],"foods":[{"kind":"fishHydrolysate","ml":15},{"kind":"kelpLiquid","ml":15}]}""";

    public static TheoryData<string, string, string, double> Figures => new()
    {
        { "oxygen-saturation", """{"temperatureC":20,"altitudeM":300}""", "mgPerL", 8.7663 },
        { "brew-run", Bucket, "minDO", 5.720796 },
        { "brew-run", Bucket, "readyAtH", 23.25 },
        { "chlorine-dose", """{"volumeL":50,"chlorineMgPerL":0.6,"way":"ascorbic"}""", "amount", 75 },
        { "dilution", """{"parts":"1:5","totalL":12}""", "teaL", 2 },
        { "dilution", """{"parts":"20 %","totalL":10}""", "oneIn", 5 },
        { "microscope-count", """{"counts":[8,8,8,8],"fieldNumberMm":18,"objective":40,"coverSlipMm2":324,"dropMl":0.05,"dilution":1}""",
            "perMl", 325949.32 },
        { "tank-plan", """{"areaM2":3600,"rateLPerHa":300,"tankL":60,"oneIn":6,"spareShare":0}""", "teaL", 18 },
        { "sprayer-rate", """{"nozzleLPerMin":0.8,"speedKmPerH":6,"spacingM":0.5}""", "lPerHa", 160 },
        { "inoculant-dose", """{"target":1e6,"per":"plant","count":240,"labelCount":2e8,"labelPer":"mL","viableShare":0.5}""",
            "amount", 2.4 },
        { "injector-stock", """{"ratio":100,"dosePerL":0.2,"feedL":500}""", "product", 100 },
        { "sun", """{"latitude":51.9,"longitude":0,"fromUtc":"2026-06-21T00:00:00Z"}""", "noonElevationDeg", 61.54 },
        { "seasons", """{"year":2026}""", "year", 2026 },
        { "mix", Fuzz.Examples.Question("mix")!, "mostRatio", 2.666667 },
        { "compost-recipe", Fuzz.Examples.Question("compost-recipe")!, "missingKg", 57.6 },
        { "nitrogen-drawdown", Fuzz.Examples.Question("nitrogen-drawdown")!, "lowestG", -51.90334 },
        { "soil-corrections", Fuzz.Examples.Question("soil-corrections")!, "costPerHa", 428.05 },
        { "char-carbon", Fuzz.Examples.Question("char-carbon")!, "kgCo2After100Years", 86.944 },
        { "worth-finding-out", Fuzz.Examples.Question("worth-finding-out")!, "chanceItPays", 0.827169 },
        { "brix-correct", """{"brix":10,"temperatureC":25}""", "brix20", 10.36 },
    };

    [Theory]
    [MemberData(nameof(Figures))]
    public async Task Answer_alike_on_the_command_line_and_over_http(string name, string question, string field, double want)
    {
        var output = new StringWriter();
        CalcCommand.Run([name], new StringReader(question), output, TextWriter.Null).ShouldBe(0);
        var here = JsonNode.Parse(output.ToString())!;
        var there = await _holding.Post($"/api/calc/{name}", question);

        ((double)here[field]!).ShouldBe(want, Math.Max(want * 0.002, 1e-3));
        there.ToJsonString().ShouldBe(here.ToJsonString());
        here["working"]!.AsArray().Count.ShouldBeGreaterThan(0);
        here["sure"].ShouldNotBeNull();
        here["forks"].ShouldNotBeNull();
        here["cautions"].ShouldNotBeNull();
    }

    [Fact]
    public void Brew_forecast_gives_three_curves_of_one_shape()
    {
        var output = new StringWriter();
        CalcCommand.Run(["brew-forecast"],
            new StringReader(Bucket.Replace("\"hours\":48",
                "\"hours\":30,\"members\":200,\"seed\":3,\"readings\":[{\"h\":4,\"mgPerL\":7.9}]")), output, TextWriter.Null).ShouldBe(0);
        var answer = JsonNode.Parse(output.ToString())!;
        var hours = answer["median"]!.AsArray().Select(p => (double)p!["h"]!).ToList();
        hours.ShouldBe(answer["low10"]!.AsArray().Select(p => (double)p!["h"]!));
        hours.ShouldBe(answer["high90"]!.AsArray().Select(p => (double)p!["h"]!));
        hours[^1].ShouldBe(30);
        ((double)answer["probabilityBelow6"]!).ShouldBeInRange(0.2, 0.95);
        ((double)answer["readyAtH"]!["low10"]!).ShouldBeLessThan((double)answer["readyAtH"]!["high90"]!);
    }

    [Theory]
    [InlineData("brew-run", "{}", "volumeL")]
    [InlineData("brew-run", """{"volumeL":"NaN"}""", "volumeL")]
    [InlineData("brew-run", "", "body")]
    [InlineData("brew-run", "null", "body")]
    [InlineData("brew-run", "[1,2", "body")]
    [InlineData("chlorine-dose", """{"volumeL":20,"chlorineMgPerL":99,"way":"ascorbic"}""", "chlorineMgPerL")]
    [InlineData("chlorine-dose", """{"volumeL":20,"chlorineMgPerL":1,"way":"prayer"}""", "way")]
    [InlineData("dilution", """{"parts":"weak","totalL":3}""", "parts")]
    [InlineData("dilution", """{"parts":"1:5","totalL":-3}""", "totalL")]
    [InlineData("brix-correct", """{"brix":400,"temperatureC":20}""", "brix")]
    [InlineData("oxygen-saturation", """{"temperatureC":60}""", "temperatureC")]
    public async Task Nonsense_is_refused_by_field_with_exit_status_2(string name, string question, string field)
    {
        var error = new StringWriter();
        CalcCommand.Run([name], new StringReader(question), TextWriter.Null, error).ShouldBe(2);
        JsonNode.Parse(error.ToString())!["errors"]![field].ShouldNotBeNull();
        (await _holding.Refused($"/api/calc/{name}", question)).Keys.ShouldContain(field);
    }

    [Fact]
    public async Task Each_has_a_line_and_a_schema()
    {
        var list = (await _holding.Get("/api/calc")).AsArray();
        list.Select(c => (string)c!["name"]!)
            .ShouldBe(["oxygen-saturation", "brew-run", "brew-forecast", "chlorine-dose", "microscope-count", "dilution", "tank-plan",
                "put-out-race", "sprayer-rate", "inoculant-dose", "injector-stock", "sun", "seasons", "full-moons",
                "trial-analysis", "replicates", "germination",
                "combine-trials", "worth-finding-out", "mix", "compost-recipe", "nitrogen-drawdown",
                "soil-corrections", "blend", "char-carbon",
                "brix-correct"]);
        foreach (var c in list)
        {
            var output = new StringWriter();
            CalcCommand.Run([(string)c!["name"]!, "--schema"], TextReader.Null, output, TextWriter.Null).ShouldBe(0);
            JsonNode.Parse(output.ToString())!["properties"]!.AsObject().Count.ShouldBeGreaterThan(0);
            (await _holding.Get($"/api/calc/{c["name"]}/schema"))["title"]!.ToString().ShouldBe((string)c["name"]!);
        }

        CalcCommand.Run(["soothsay"], TextReader.Null, TextWriter.Null, TextWriter.Null).ShouldBe(2);
    }
}
