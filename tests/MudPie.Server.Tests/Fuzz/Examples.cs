namespace MudPie.Server.Tests.Fuzz;

/// <summary>Bodies that are taken as they stand, by path: what the fuzzing spoils.</summary>
public static class Examples
{
    /// <summary>A body for a path of the OpenAPI document; null where none is known.</summary>
    public static string? GoodFor(string path) => Known.FirstOrDefault(k => Same(k.Path, path)).Body;

    /// <summary>A question that a calculator answers; null where none is kept here.</summary>
    public static string? Question(string calculator) => calculator switch {
        "brew-run" => Brew,
        "brew-forecast" => Brew.Replace("\"hours\"", "\"readings\":[{\"h\":1,\"mgPerL\":8.1},{\"h\":6,\"mgPerL\":7.2}],\"hours\"",
            StringComparison.Ordinal),
        "chlorine-dose" => """{"volumeL":20,"chlorineMgPerL":0.6,"way":"ascorbic"}""",
        "dilution" => """{"parts":"1:5","totalL":12}""",
        "brix-correct" => """{"brix":8.2,"temperatureC":24}""",
        "oxygen-saturation" => """{"temperatureC":18,"altitudeM":10}""",
        "seasons" => """{"year":2026}""",
        "full-moons" => """{"fromUtc":"2026-01-01T00:00:00Z","toUtc":"2026-12-31T00:00:00Z"}""",
        "sun" => """{"latitude":52.5,"longitude":0,"fromUtc":"2026-06-10T05:00:00Z"}""",
        "mix" =>
            """{"potL":3,"spareShare":0.1,"mixingLossShare":0.1,"settleShare":0,"precharged":{"of":"char","with":"castings","ratio":2.5},"mixes":[{"name":"more","pots":16,"parts":{"coir":0.45,"castings":0.4,"char":0.15}}]}""",
        "compost-recipe" =>
            """{"targetCn":30,"materials":[{"name":"grass","kg":120,"carbon":0.42,"nitrogen":0.03,"moisture":0.78},{"name":"straw","kg":null,"carbon":0.46,"nitrogen":0.007,"moisture":0.12}]}""",
        "nitrogen-drawdown" => """{"weeks":16,"parts":[{"kg":40,"carbon":0.48,"nitrogen":0.006,"moisture":0.4,"decayPerWeek":0.008}]}""",
        "soil-corrections" =>
            """{"depthCm":15,"bulkDensityKgPerL":1.3,"test":{"k":60,"s":5},"targets":{"k":{"low":120,"high":220},"s":{"low":10,"high":30}},"inputs":[{"name":"potash","pricePerKg":1.5,"capKgPerHa":300,"release":{},"content":{"k":0.41,"s":0.17}}]}""",
        "blend" =>
            """{"parts":[{"litres":60,"bulkDensityKgPerL":0.12,"mgPerKg":{"k":420}},{"litres":30,"bulkDensityKgPerL":0.65,"mgPerKg":{"k":900,"p":null}}]}""",
        "char-carbon" => """{"dryKg":38,"carbonShare":0.78,"madeAt":"450-600"}""",
        "worth-finding-out" =>
            """{"meanPerHa":1490,"sePerHa":1580,"newSePerHa":1100,"hectares":0.02,"years":5,"costOfTrial":60}""",
        "replicates" => """{"difference":10,"cv":12}""",
        "trial-analysis" =>
            """{"csv":"t,block,y\na,1,3\na,2,4\nb,1,5\nb,2,7","design":"blocks","response":"y","factors":["t"],"block":"block"}""",
        _ => null,
    };

    private const string Protocol =
        """{"form":"mud-pie-protocol/1","mark":"7a1f0c9e-0f57-4c51-8e46-0d6f2f6b1c11","from":"Gorse Hill","question":"Does milk help?","displaces":null,"design":"blocks","kind":"beds","liquid":false,"blind":true,"replicates":4,"worthHaving":null,"arms":[{"name":"nothing","role":"control","rate":null,"water":null},{"name":"milk","role":"treatment","rate":"50 mL a m²","water":null}],"measures":[{"name":"mildew","unit":"%","kind":"amount","low":0,"high":100,"lowerIsBetter":true,"outOf":null,"dates":"last"}],"days":[30]}""";

    private const string Brew =
        """{"volumeL":17,"depthM":0.28,"warmthC":18,"altitudeM":6,"flowLPerMin":6,"hours":48,"sources":[{"kind":"thermal","litres":0.6}],"foods":[{"kind":"molasses","ml":20}]}""";

    private const string Yield =
        """{"geoJson":"{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"properties\":{\"t\":1},\"geometry\":{\"type\":\"Point\",\"coordinates\":[0.0001,52.5004]}},{\"type\":\"Feature\",\"properties\":{\"t\":2},\"geometry\":{\"type\":\"Point\",\"coordinates\":[0.00025,52.5004]}},{\"type\":\"Feature\",\"properties\":{\"t\":3},\"geometry\":{\"type\":\"Point\",\"coordinates\":[0.0004,52.5004]}},{\"type\":\"Feature\",\"properties\":{\"t\":4},\"geometry\":{\"type\":\"Point\",\"coordinates\":[0.00055,52.5004]}},{\"type\":\"Feature\",\"properties\":{\"t\":5},\"geometry\":{\"type\":\"Point\",\"coordinates\":[0.0007,52.5004]}},{\"type\":\"Feature\",\"properties\":{\"t\":6},\"geometry\":{\"type\":\"Point\",\"coordinates\":[0.00085,52.5004]}},{\"type\":\"Feature\",\"properties\":{\"t\":7},\"geometry\":{\"type\":\"Point\",\"coordinates\":[0.001,52.5004]}},{\"type\":\"Feature\",\"properties\":{\"t\":8},\"geometry\":{\"type\":\"Point\",\"coordinates\":[0.00115,52.5004]}},{\"type\":\"Feature\",\"properties\":{\"t\":9},\"geometry\":{\"type\":\"Point\",\"coordinates\":[0.0013,52.5004]}},{\"type\":\"Feature\",\"properties\":{\"t\":10},\"geometry\":{\"type\":\"Point\",\"coordinates\":[0.00145,52.5004]}},{\"type\":\"Feature\",\"properties\":{\"t\":11},\"geometry\":{\"type\":\"Point\",\"coordinates\":[0.0016,52.5004]}},{\"type\":\"Feature\",\"properties\":{\"t\":12},\"geometry\":{\"type\":\"Point\",\"coordinates\":[0.00175,52.5004]}}]}","property":"t","zones":2,"bedId":1}""";

    private const string Looked =
        """{"pegId":1,"check":{"kind":"rod","pushes":[[0.4,1.2,2.4],[0.5,1.1,2.2]],"psi":false},"wet":"moist","rainHours":"31","rain":"12 mm","who":"hand","at":"2026-06-10T04:30:00Z"}""";

    private const string Mix =
        """{"name":"Spring pots","into":"pots","pot":"3 L","spare":"10","loss":"10","settle":"0","sowOn":"2026-07-10","parts":[{"inputId":1,"pack":"70 L"},{"inputId":3},{"name":"perlite"}],"mixes":[{"name":"one","count":"4","shares":["50","30","20"]}],"crop":"lettuce","bought":"0.5","minutes":"30"}""";

    private const string Pile =
        """{"name":"heap 9","targetCn":"30","parts":[{"materialId":"grass","amount":"400 L"},{"materialId":"straw","amount":""}],"codeDays":"15","codeTurns":"5"}""";

    private const string Lab =
        """{"name":"lab 9","for":"bed","size":"36 m2","method":"mehlich3","depth":"15 cm","density":"1.3","crop":"vegetables","rows":[{"of":"K","value":"96","unit":"ppm"}],"inputs":[{"name":"gypsum","price":"0.3"}],"bands":[{"of":"K","low":"100","high":"200"}],"advice":[{"name":"gypsum","amount":"500"}],"choices":[{"of":"K","choice":"leave"}]}""";

    private const string Spread =
        """{"what":"wood chip","by":"square","amount":"3 L","bedIds":[2],"place":"onTop","barrow":"80 L","tarp":"4 m2","caught":"6 L","holds":"60 L","density":"0.25"}""";

    private const string Fire =
        """{"name":"burn 9","depth":"60 cm","top":"1.5 m","foot":"","wood":"hedge brash","amount":"1.5 m3","spreads":false,"madeAt":"450-600"}""";

    private static bool Same(string asked, string path)
    {
        var (a, b) = (asked.Split('/'), path.Split('/'));
        return a.Length == b.Length && a.Zip(b).All(p => p.First == p.Second || p.Second.StartsWith('{'));
    }

    /// <summary>All of them.</summary>
    public static IReadOnlyList<(string Path, string Body)> All => Known;

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
        ("/api/heaps/2/probe", """{"port":1}"""),
        ("/api/brew/batches/14/probe", """{"host":"127.0.0.1","port":1}"""),
        ("/api/put-out/tank/work-out",
            """{"purpose":"leaf","bedIds":[1],"rate":"500","items":[{"inputId":10,"rate":"2 L","basis":"perHa"}],"tool":"knapsack","tank":"15 L","bedRates":{"1":"400"}}"""),
        ("/api/put-out/tank",
            """{"purpose":"root","bedIds":[1],"rate":"500","items":[{"inputId":10,"rate":"2 L","basis":"perHa"}],"tool":"can","tank":"15 L","cautionsSeen":["spraying","run-off","health","dilution-water","lifting"]}"""),
        ("/api/weather/file", """{"csv":"time,°C,wind m/s,rain mm\n2026-06-10 06:00,14,2,0"}"""),
        ("/api/book/file",
            """{"text":"kind,entry,at,bed,what,amount,unit,note\nharvest,,2026-06-01T10:00:00Z,Ridge Bed 4,,3,kg,good\nseen,,2026-06-02T10:00:00Z,Ridge Bed 4,,,,a heron"}"""),
        ("/api/ground/geojson",
            """{"geoJson":"{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"properties\":{\"name\":\"x\"},\"geometry\":{\"type\":\"Polygon\",\"coordinates\":[[[0,52],[0.001,52],[0.001,52.001],[0,52]]]}}]}"}"""),
        ("/api/ground/geojson/preview",
            """{"geoJson":"{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"properties\":{\"name\":\"x\"},\"geometry\":{\"type\":\"Polygon\",\"coordinates\":[[[0,52],[0.001,52],[0.001,52.001],[0,52]]]}}]}"}"""),
        ("/api/amounts/read", """{"text":"5 L","dimension":"volume"}"""),
        ("/api/holding/setup", System.Text.Json.JsonSerializer.Serialize(TestHolding.SetUp, System.Text.Json.JsonSerializerOptions.Web)),
        ("/api/holding/writing", """{"units":"metric","monthFirst":false,"hours12":false,"currency":"£"}"""),
        ("/api/holding/place", """{"name":"Saltmarsh End","place":"52.5, 0.0","altitude":"6 m","zone":"Europe/London"}"""),
        ("/api/brew/batches/14/rounds", """{"every":"week"}"""),
        ("/api/judge/trials/lay",
            """{"design":"blocks","kind":"beds","replicates":4,"treatments":[{"name":"nothing"},{"name":"tea"}],"places":[{"name":"Ridge Bed 1","length":"30 m","width":"1.2 m"}]}"""),
        ("/api/holding/units", """{"units":"metric"}"""),
        ("/api/holding/forks/hold", """{"school":"hour"}"""),
        ("/api/ground/inputs", """{"name":"nettles","kind":"other","lot":"N-1","price":"3"}"""),
        ("/api/brew/batches/14/steps/wash", """{"at":"2026-06-10T04:30:00Z"}"""),
        ("/api/brew/sources/1/check",
            """{"manure":"none","diseased":"no","heatsWhenTurned":"no","smell":"earthy","moisture":"wrungOut","sterilised":"no"}"""),
        ("/api/brew/ground-checks/work-out", """{"bedId":1,"kind":"co2","figure":30,"at":"2026-06-09T07:00:00Z"}"""),
        ("/api/brew/recipes",
            """{"file":{"format":"mud-pie-recipe","formatVersion":1,"name":"plain","purpose":"leaf","bias":"bacterial","making":"tea","vessel":"bucket","forLitres":17,"sources":[{"kind":"castings","litres":0.55}],"foods":[{"kind":"molasses","ml":4,"atH":0}]}}"""),
        ("/api/brew/recipes/bring",
            """{"json":"{\"format\":\"mud-pie-recipe\",\"formatVersion\":1,\"name\":\"brought\",\"purpose\":\"leaf\",\"bias\":\"bacterial\",\"making\":\"tea\",\"vessel\":\"bucket\",\"forLitres\":17,\"sources\":[{\"kind\":\"castings\",\"litres\":0.55}],\"foods\":[{\"kind\":\"molasses\",\"ml\":4,\"atH\":0}]}"}"""),
        ("/api/judge/reckoning/terms",
            """{"change":1,"minutes":{"out-load":"7"},"water":"2","trip":"","hoursAWeek":"6","hourly":"12","crops":{"garlic":"2.4"}}"""),
        ("/api/judge/reckoning/kept", """{"practice":"making-tea.garlic","why":"it is a pleasure"}"""),
        ("/api/brew/tally/through", """{"before":[12,14,11],"after":[9,8,10]}"""),
        ("/api/brew/tallies",
            """{"batchId":14,"stage":"extracted","tally":{"fields":[{"bacteria":12},{"bacteria":9}],"objective":40,"fieldNumberMm":20,"coverSlipMm2":324,"dropMl":0.05,"dilution":5},"at":"2026-06-10T04:30:00Z"}"""),
        ("/api/watch/lines", """{"noReadingH":2,"graceMinutes":45,"expectedShare":0.3}"""),
        ("/api/put-out/programmes/2/stages", """{"stages":[]}"""),
        ("/api/book/beds/1/eaten", """{"how":"nothing"}"""),
        ("/api/judge/trials/curve",
            """{"design":"blocks","replicates":4,"noise":"0.2","worthHaving":"0.2","factors":["treatment"],"treatments":[{"name":"nothing","role":"control"},{"name":"tea"}],"measures":[{"kindId":"yieldM2"}]}"""),
        ("/api/holding/setup/work-out", System.Text.Json.JsonSerializer.Serialize(TestHolding.SetUp,
            System.Text.Json.JsonSerializerOptions.Web)),
        ("/api/ground/beds", """{"name":"Spare Bed","area":"12 m2","crop":"fennel","growing":"annual","soilPh":"6.5"}"""),
        ("/api/ground/waters", """{"name":"a new butt","kind":"rain","chloramine":false}"""),
        ("/api/ground/waters/1/strips", """{"strip":"0.5","at":"2026-06-09T07:00:00Z"}"""),
        ("/api/ground/vessels", """{"name":"a tub","shape":"bucket","total":"40 L","working":"34 L","depth":"0.4 m"}"""),
        ("/api/ground/pumps", """{"name":"a pump","openFlow":"30 L/min","shutOff":"15 kPa"}"""),
        ("/api/ground/diffusers", """{"name":"a stone","kind":"airStone","loss":"3 kPa"}"""),
        ("/api/mix/work-out", Mix),
        ("/api/mix", $$"""{"asked":{{Mix}}}"""),
        ("/api/mix/2/steps/7/undo", """{"why":"another day","at":null}"""),
        ("/api/mix/2/steps", """{"step":"checked","damp":"right","at":null}"""),
        ("/api/heaps/work-out", Pile),
        ("/api/heaps", $$"""{"asked":{{Pile}},"builtAt":"2026-06-09T07:00:00Z"}"""),
        ("/api/heaps/2/steps", """{"step":"warmth","warmth":"61","at":"2026-06-10T04:30:00Z"}"""),
        ("/api/heaps/2/steps/33/strike", """{"why":"another heap","at":null}"""),
        ("/api/works/worms", """{"asked":{"name":"bin 9","worms":"1 kg","trays":[{"name":"a","holds":"30 L"}]},"begunAt":"2026-06-09T07:00:00Z"}"""),
        ("/api/works/worms/castings", """{"pot":"3 L","share":"30","crop":"lettuce","takes":"1.2 g","weeks":"8","nitrogen":"3.8","mineralN":"200"}"""),
        ("/api/works/burns/work-out", Fire),
        ("/api/works/burns", $$"""{"asked":{{Fire}}}"""),
        ("/api/works/brash", """{"materialId":"brash","amount":"2 m3"}"""),
        ("/api/works/1/steps", """{"did":{"step":"fed","amount":"400 g","what":"kitchen scraps"},"at":"2026-06-10T04:30:00Z"}"""),
        ("/api/works/1/steps/1/strike", """{"why":"another bin","at":null}"""),
        ("/api/works/preparations", """{"asked":{"name":"horns 9","kind":"500","count":"12","place":"4 paces from the post","replaced":false},"x":12,"y":30}"""),
        ("/api/works/6/steps", """{"did":{"step":"stirred","amount":"30 g","added":"12 L"},"at":null}"""),
        ("/api/works/preparations/6/put-out", """{"bedIds":[1],"water":"12 L","who":"hand","cautionsSeen":["horn-manure-raw"]}"""),
        ("/api/judge/pests/threshold", """{"bedId":6,"pest":"aphids","count":"4","on":"20","per":"plant","cost":"60","price":"0.5","loss":"20","kills":"75"}"""),
        ("/api/almanac/sowing", """{"on":true}"""),
        ("/api/works/byproducts", """{"asked":{"name":"grinder 9","what":"dried kitchen waste","feedstock":"kitchen scraps","setting":"2","density":"0.45"}}"""),
        ("/api/look/zones", """{"bedId":1,"name":"by the sluice","texture":"clay","outline":[]}"""),
        ("/api/look/zones/2/end", "{}"),
        ("/api/look/zones/yield/preview", Yield),
        ("/api/look/zones/yield", Yield),
        ("/api/look/pegs", """{"name":"peg 9","bedId":1,"x":null,"y":null,"paces":"4 from the post","zoneId":1,"besideId":1,"differs":"wheeled"}"""),
        ("/api/look/walks", """{"name":"round 9","hungOn":"tying in","plan":{"kinds":["worms","rod"],"pegs":[1,2],"months":[4,10],"photo":true}}"""),
        ("/api/look/checks/read", """{"pegId":1,"check":{"kind":"crumbs","classes":[3,4,5]}}"""),
        ("/api/look/checks", Looked),
        ("/api/look/checks/1/strike", """{"why":"the wrong peg"}"""),
        ("/api/look/beds/1/dose", """{"keepsFull":true}"""),
        ("/api/look/walks/1/end", "{}"),
        ("/api/look/pegs/5/end", "{}"),
        ("/api/look/field", """{"bedIds":[2,3],"did":{"deed":"watered","amount":"72 L","note":"by can"},"at":"2026-06-10T04:30:00Z"}"""),
        ("/api/look/field/1/strike", """{"why":"the wrong bed"}"""),
        ("/api/look/goals", """{"name":"goal 9","measure":"check","check":"worms","bedId":5,"baselineOn":"2025-01-10","baseline":"4","targetOn":"2027-03-01","target":"12","met":"twice","ifMissed":"mulch"}"""),
        ("/api/look/goals/1/hang", """{"kind":"trial","thingId":1,"on":true}"""),
        ("/api/look/goals/2/end", "{}"),
        ("/api/look/plantings", """{"bedId":3,"crop":"mustard","variety":"white","from":"2024-08-01T09:00:00Z","to":"2024-10-01T09:00:00Z","growing":"annual","eaten":"touches"}"""),
        ("/api/put-out/solid/work-out", Spread),
        ("/api/put-out/solid", $$"""{"asked":{{Spread}},"why":"before the fennel","who":"field hand","cautionsSeen":["stock-short"],"at":"2026-06-10T04:30:00Z"}"""),
        ("/api/sheets/read", """{"text":"P 18 ppm\nK; 0.31; meq/100 g"}"""),
        ("/api/sheets/work-out", Lab),
        ("/api/sheets/table", """{"text":"Analyte;Result;Unit\nP;18;ppm\n","lab":"the county lab","sample":null}"""),
        ("/api/sheets/labs", """{"name":"the county lab","stray":"14","columns":[{"header":"Analyte","means":"what","of":null,"unit":null}]}"""),
        ("/api/sheets/sampling", """{"places":[{"bedId":2,"zoneId":null}],"lab":"the county lab"}"""),
        ("/api/judge/claims", """{"key":null,"change":null,"asked":{"claim":"Nettles drive greenfly off.","uses":["spray"],"grade":"contested","words":"nettle"}}"""),
        ("/api/judge/claims/away", """{"key":"own-1","change":1}"""),
        ("/api/judge/claims/file", """{"json":"{\"form\":\"mud-pie-claims/1\",\"from\":\"next door\",\"found\":[{\"key\":\"moon\",\"says\":\"against\",\"text\":\"no difference\",\"on\":\"2026-05-01\"}]}","from":null}"""),
        ("/api/sheets", $$"""{"asked":{{Lab}}}"""),
        ("/api/sheets/4/steps", """{"did":{"step":"seen","note":"the lab was asked"},"at":"2026-06-10T04:30:00Z"}"""),
        ("/api/heaps/materials", """{"name":"spent hops","carbon":"46","nitrogen":"3","moisture":"80","kgPerL":"0.3"}"""),
        ("/api/brew/batches/14/heap", """{"why":"smelt sour"}"""),
        ("/api/brew/water/work-out", """{"pours":[{"waterId":1,"amount":"10 L"}]}"""),
        ("/api/brew/water/1/tests", """{"eColi":"12","by":"the lab","at":"2026-06-01T07:00:00Z"}"""),
        ("/api/brew/sources/work-out",
            """{"manure":"none","diseased":"no","heatsWhenTurned":"no","smell":"earthy","moisture":"wrungOut","sterilised":"no"}"""),
        ("/api/brew/ground-checks",
            """{"bedId":1,"kind":"cotton","weeks":4,"figure":0.3,"at":"2026-06-09T07:00:00Z","buriedAt":"2026-05-12T07:00:00Z"}"""),
        ("/api/brew/air/work-out",
            """{"volumeL":17,"pumps":[{"name":"a","openLpm":"30","shutOffKPa":"15","count":"1"}],"outlets":[{"name":"b","diffuser":"airStone","depthM":"0.3"}],"fillL":"10","fillS":"20"}"""),
        ("/api/brew/backwards", """{"batchId":14,"whatIfs":[],"readyInH":24}"""),
        ("/api/brew/what-if", """{"batchId":14,"whatIfs":[{"kind":"secondPump"}]}"""),
        ("/api/brew/schools", """{"batchId":14,"whatIfs":[]}"""),
        ("/api/brew/after-air", """{"batchId":14,"whatIfs":[],"stopAtH":30}"""),
        ("/api/brew/tally/work-out",
            """{"fields":[{"bacteria":12},{"bacteria":9}],"objective":40,"fieldNumberMm":20,"coverSlipMm2":324,"dropMl":0.05,"dilution":5}"""),
        ("/api/brew/vessels/1/clean", """{"step":"rinse","at":"2026-06-09T07:00:00Z"}"""),
        ("/api/brew/practice", """{"situation":"pump","seed":1,"nowH":9,"deeds":[{"atH":8,"kind":"oxygen"}]}"""),
        ("/api/watch/1/put-off", """{"minutes":20}"""),
        ("/api/watch/1/done", """{"at":null}"""),
        ("/api/judge/patches/1/on", """{"at":null}"""),
        ("/api/people/owner", """{"name":"the owner","password":"short"}"""),
        ("/api/people/sign-in", """{"name":"the owner","password":"not this one at all"}"""),
        ("/api/people/join", """{"code":"K7QM-2XPD","device":"a phone"}"""),
        ("/api/people/sign-out", "{}"),
        ("/api/people/password", """{"old":"not this one at all","fresh":"nine cold stones by a weir"}"""),
        ("/api/people/codes", """{"person":null,"name":"Wren","role":"hand"}"""),
        ("/api/people/1/role", """{"role":"hand"}"""),
        ("/api/people/devices/1/strike", "{}"),
        ("/api/people/mine/1/strike", "{}"),
        ("/api/people/devices/1/name", """{"name":"the red phone"}"""),
        ("/api/people/feed", "{}"),
        ("/api/people/passkeys/begin", """{"password":"not this one at all"}"""),
        ("/api/people/passkeys", """{"credential":"{}","name":"desk in the barn"}"""),
        ("/api/people/passkeys/gone", """{"id":"AQID"}"""),
        ("/api/people/passkeys/ask", "{}"),
        ("/api/people/passkeys/enter", """{"credential":"{}"}"""),
        ("/api/judge/together/ask", """{"trialId":3,"days":"60, 90"}"""),
        ("/api/judge/together/bring", $$"""{"json":{{System.Text.Json.JsonSerializer.Serialize(Protocol)}}}"""),
        ("/api/judge/together/take", """{"mark":"7a1f0c9e-0f57-4c51-8e46-0d6f2f6b1c11"}"""),
        ("/api/judge/together/results/1/out", """{"why":"a cow got in"}"""),
        ("/api/judge/together/1/offer", """{"on":true}"""),
        ("/api/judge/together/trials/1/give", """{"on":true}"""),
        ("/api/people/yard", """{"open":true}"""),
        ("/api/copies", "{}"),
        ("/api/box/holdings", """{"name":"south-field","owner":"the grower"}"""),
        ("/api/shared/vessels", """{"vesselId":1}"""),
        ("/api/shared/vessels/1/bookings", """{"from":"2026-06-12T08:00:00Z","until":"2026-06-13T08:00:00Z"}"""),
        ("/api/shared/vessels/1/give", """{"to":"south-field","signed":"Anna"}"""),
        ("/api/shared/vessels/1/receive", """{"clean":false,"what":"slime under the rim"}"""),
        ("/api/shared/vessels/1/counts", """{"before":[16,14,19],"after":[12,11,15]}"""),
        ("/api/shared/vessels/1/keep", "{}"),
        ("/api/shared/vessels/1/end", "{}"),
        ("/api/shared/bookings/1/off", "{}"),
        ("/api/box/holdings/north-field/owner", """{"owner":"the grower","password":"not this one at all"}"""),
        ("/api/copies/restore", """{"name":"holding-2026-06-10.mudpie","second":false}"""),
        ("/api/brew/batches/15/move/work-out", """{"useAt":"2026-06-13T07:00:00Z"}"""),
        ("/api/put-out/sprayers/calibrate/work-out", """{"used":"0.75 L","square":"25 m2","at":"2026-06-09T07:00:00Z"}"""),
        ("/api/put-out/can/work-out", """{"can":"10 L","seconds":"20","wanted":"40 L"}"""),
        ("/api/put-out/dose/work-out",
            """{"inputId":13,"target":"1 million","per":"litre","count":"500","ratio":"1:100","feed":"500 L","flow":"10 L/min","withFeeds":true,"warmth":"24 C","everyDays":"28"}"""),
        ("/api/put-out/mixing/work-out",
            """{"tank":[{"name":"kelp","class":"seaweed"},{"name":"fish","class":"fish"}],"lately":[],"heldLast":[],"ph":"6.5","temperatureC":"18"}"""),
        ("/api/put-out/programmes/1/propose", """{"kind":"amino"}"""),
        ("/api/put-out/givings/1/move", """{"on":"2026-07-02"}"""),
        ("/api/put-out/dried-or-liquid/work-out",
            """{"liquidPerHa":"20","times":"4","liquidPrice":"3","driedPerHa":"2","driedPrice":"20","wet":false}"""),
        ("/api/shelf/wage", """{"hourly":"15"}"""),
        ("/api/book/jobs/1/strike", """{"why":"another bed"}"""),
        ("/api/notes/read", """{"text":"brix 8.8 9.0 8.9 ridge bed 3 18 c"}"""),
        ("/api/judge/brix/work-out",
            """{"bedId":6,"readings":"8.1 8.3","temperature":"20","leafPosition":"top","sky":"clear","at":"2026-06-09T07:00:00Z"}"""),
        ("/api/judge/trials/worth", """{"costPerHa":120,"pricePerUnit":1.2,"basis":"perPlot","plotM2":20}"""),
        ("/api/judge/trials/csv/preview", """{"csv":"t,y\na,1\na,2\nb,3\nb,4"}"""),
        ("/api/judge/patches/patch/1/leaves", """{"phase":"after","readings":"8.1 8.3","temperature":"20"}"""),
        ("/api/judge/practice", """{"seed":3,"replicates":4,"layout":"blocks","decision":"works"}"""),
        ("/api/judge/trials/1/readings",
            """{"plotId":1,"measureId":1,"on":"2025-08-01T00:00:00Z","value":"3.2","correctionWhy":"misread"}"""),
    ];
}
