namespace MudPie.Server.Tests.Fuzz;

/// <summary>Bodies that are taken as they stand, by path: what the fuzzing spoils.</summary>
public static class Examples
{
    /// <summary>A body for a path of the OpenAPI document; null where none is known.</summary>
    public static string? GoodFor(string path) => Known.FirstOrDefault(k => Same(k.Path, path)).Body;

    /// <summary>A question that a calculator answers; null where none is kept here.</summary>
    public static string? Question(string calculator) => calculator switch
    {
        "brew-run" => Brew,
        "brew-forecast" => Brew.Replace("\"hours\"", "\"readings\":[{\"h\":1,\"mgPerL\":8.1},{\"h\":6,\"mgPerL\":7.2}],\"hours\"", StringComparison.Ordinal),
        "chlorine-dose" => """{"volumeL":20,"chlorineMgPerL":0.6,"way":"ascorbic"}""",
        "dilution" => """{"parts":"1:5","totalL":12}""",
        "brix-correct" => """{"brix":8.2,"temperatureC":24}""",
        "oxygen-saturation" => """{"temperatureC":18,"altitudeM":10}""",
        "sun" => """{"latitude":52.5,"longitude":0,"fromUtc":"2026-06-10T05:00:00Z"}""",
        "replicates" => """{"difference":10,"cv":12}""",
        "trial-analysis" => """{"csv":"t,block,y\na,1,3\na,2,4\nb,1,5\nb,2,7","design":"blocks","response":"y","factors":["t"],"block":"block"}""",
        _ => null,
    };

    private const string Brew = """{"volumeL":17,"depthM":0.28,"warmthC":18,"altitudeM":6,"flowLPerMin":6,"hours":48,"sources":[{"kind":"thermal","litres":0.6}],"foods":[{"kind":"molasses","ml":20}]}""";

    private static bool Same(string asked, string path)
    {
        var (a, b) = (asked.Split('/'), path.Split('/'));
        return a.Length == b.Length && a.Zip(b).All(p => p.First == p.Second || p.Second.StartsWith('{'));
    }

    private static readonly (string Path, string Body)[] Known = [.. SweepTests.Writings, .. More];

    private static (string Path, string Body)[] More =>
    [
        ("/api/brew/plan", """{"bedIds":[1],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":18,"swingC":3}"""),
        ("/api/brew/batches", """{"bedIds":[1],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":18}"""),
        ("/api/brew/batches/14/log", """{"kind":"oxygen","value":"7.1"}"""),
        ("/api/brew/batches/14/log/1/correct", """{"kind":"oxygen","value":"7.1"}"""),
        ("/api/brew/batches/14/logger", """{"csv":"time,mg/L,C\n2026-06-10 05:00,7.1,18\n2026-06-10 05:10,7.0,18"}"""),
        ("/api/brew/batches/14/logger/preview", """{"csv":"time,mg/L,C\n2026-06-10 05:00,7.1,18"}"""),
        ("/api/brew/batches/15/start", """{"strip":"0"}"""),
        ("/api/brew/batches/14/air-off", """{"at":"2026-06-10T05:00:00Z"}"""),
        ("/api/brew/batches/14/probe", """{"host":"127.0.0.1","port":5181}"""),
        ("/api/put-out/tank/work-out", """{"batchId":1,"dilution":"1:5","beds":[{"id":1}],"sprayerId":1,"items":[{"inputId":10,"rate":"5 L/ha"}],"purpose":"leaf"}"""),
        ("/api/put-out/tank", """{"batchId":1,"dilution":"1:5","beds":[{"id":1}],"sprayerId":1,"items":[{"inputId":10,"rate":"5 L/ha"}],"purpose":"leaf","cautionsSeen":["spraying","run-off"]}"""),
        ("/api/weather/file", """{"csv":"time,°C,wind m/s,rain mm\n2026-06-10 06:00,14,2,0"}"""),
        ("/api/book/file", """{"csv":"when,kind,bed,what,amount,unit\n2026-06-01 10:00,harvest,Ridge Bed 4,fennel,3,kg"}"""),
        ("/api/ground/geojson", """{"json":"{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"properties\":{\"name\":\"x\"},\"geometry\":{\"type\":\"Polygon\",\"coordinates\":[[[0,52],[0.001,52],[0.001,52.001],[0,52]]]}}]}"}"""),
        ("/api/judge/trials/1/readings", """{"visit":1,"plot":1,"measure":1,"value":"8.1"}"""),
    ];
}
