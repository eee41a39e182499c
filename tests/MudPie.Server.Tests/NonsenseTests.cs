namespace MudPie.Server.Tests;

/// <summary>Nonsense over HTTP: each is refused as problem details that name the field, and nothing is half-kept.</summary>
public class NonsenseTests : IClassFixture<NonsenseTests.Going>
{
    /// <summary>One holding with one live brew, shared: nothing here may change it.</summary>
    public sealed class Going : IAsyncLifetime
    {
        public TestHolding Holding { get; } = new();

        public int Batch { get; private set; }

        public async ValueTask InitializeAsync()
        {
            Batch = await Holding.Started();
            Holding.Clock.Advance(TimeSpan.FromHours(3));
        }

        public ValueTask DisposeAsync()
        {
            Holding.Dispose();
            return ValueTask.CompletedTask;
        }
    }

    private readonly TestHolding _h;
    private readonly int _batch;

    public NonsenseTests(Going going) => (_h, _batch) = (going.Holding, going.Batch);

    [Theory]
    // A live brew's log.
    [InlineData("log", """{"kind":"oxygen","value":""}""", "value")]
    [InlineData("log", """{"kind":"oxygen","value":"NaN"}""", "value")]
    [InlineData("log", """{"kind":"oxygen","value":"-3"}""", "value")]
    [InlineData("log", """{"kind":"oxygen","value":"1e99"}""", "value")]
    [InlineData("log", """{"kind":"oxygen","value":"7 gallons"}""", "value")]
    [InlineData("log", """{"kind":"warmth","value":"60"}""", "value")]
    [InlineData("log", """{"kind":"warmth","value":"warm"}""", "value")]
    [InlineData("log", """{"kind":"strip","value":"99"}""", "value")]
    [InlineData("log", """{"kind":"smell","value":"nice"}""", "value")]
    [InlineData("log", """{"kind":"foam","value":"lots"}""", "value")]
    [InlineData("log", """{"kind":"note","value":"   "}""", "value")]
    [InlineData("log", """{"kind":"fed","value":"molasses"}""", "value")]
    [InlineData("log", """{"kind":"fed","value":"10000 gal molasses"}""", "value")]
    [InlineData("log", """{"kind":"fed","value":"-5 ml fish"}""", "value")]
    [InlineData("log", """{"kind":"airTo","value":"a lot"}""", "value")]
    [InlineData("log", """{"kind":"airTo","value":"99999999"}""", "value")]
    [InlineData("log", """{"kind":"pathogen","value":"maybe"}""", "value")]
    [InlineData("log", """{"kind":"photo","value":"x"}""", "kind")]
    [InlineData("log", """{"kind":"dance","value":"x"}""", "kind")]
    [InlineData("log", """{"kind":"oxygen","value":"7","at":"yesterday"}""", "at")]
    [InlineData("log", """{"kind":"oxygen","value":"7","at":"1999-01-01T00:00:00Z"}""", "at")]
    [InlineData("log/9999/correct", """{"kind":"oxygen","value":"7"}""", "entry")]
    [InlineData("heap", """{"why":""}""", "why")]
    [InlineData("heap", """{"why":"x"}""", "why")]
    [InlineData("air-off", """{"at":"2099-01-01T00:00:00Z"}""", "at")]
    [InlineData("start", """{"strip":"0"}""", "state")]
    [InlineData("steps/nothing", "{}", "step")]
    [InlineData("probe", """{"host":"example","port":5}""", "host")]
    [InlineData("probe", """{"port":0}""", "port")]
    [InlineData("probe/detach", "{}", "probe")]
    [InlineData("logger", """{"csv":""}""", "line")]
    public async Task In_a_live_brew(string path, string body, string field)
    {
        var before = (await _h.Get($"/api/brew/batches/{_batch}"))["log"]!.AsArray().Count;
        (await _h.Refused($"/api/brew/batches/{_batch}/{path}", body)).Keys.ShouldContain(k =>
            k.StartsWith(field, StringComparison.Ordinal), body);
        (await _h.Get($"/api/brew/batches/{_batch}"))["log"]!.AsArray().Count.ShouldBe(before);
    }

    [Theory]
    // Planning.
    [InlineData("plan", """{"bedIds":[],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":18}""", "beds")]
    [InlineData("plan", """{"bedIds":[77],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":18}""", "bedIds")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"wish","useAt":"2026-06-13T07:00:00Z","warmthC":18}""", "purpose")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","useAt":"2020-01-01T00:00:00Z","warmthC":18}""", "useAt")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","useAt":"9999-12-31T23:59:59Z","warmthC":18}""", "useAt")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","useAt":"0001-01-01T00:00:00Z","warmthC":18}""", "useAt")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","warmthC":18}""", "useAt")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":60}""", "warmthC")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":"hot"}""", "warmthC")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":18,"swingC":40}""", "swingC")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":18,"brewL":10000}""", "brewL")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":18,"sourceL":-2}""", "sourceL")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":18,"foods":[{"kind":"blood","ml":5}]}""",
        "foods[0].kind")]
    [InlineData("plan",
        """{"bedIds":[1],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":18,"foods":[{"kind":"molasses","ml":1e9}]}""",
        "foods[0].ml")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":18,"making":"magic"}""", "making")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"root","useAt":"2026-06-13T07:00:00Z","warmthC":18,"making":"extract","loads":400}""",
        "loads")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":18,"recipe":"start:99"}""", "recipe")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":18,"recipe":"v:no"}""", "recipe")]
    [InlineData("plan", """{"bedIds":[1],"purpose":"leaf","useAt":"2026-06-13T07:00:00Z","warmthC":18,"vesselId":55}""", "vesselId")]
    [InlineData("plan", """{"bedIds":[1""", "bedIds")]
    // The benches.
    [InlineData("water/work-out", """{"pours":[]}""", "parts")]
    [InlineData("water/work-out", """{"pours":[{"waterId":1,"amount":"0"}]}""", "pours[0].amount")]
    [InlineData("water/work-out", """{"pours":[{"waterId":1,"amount":"a sea"}]}""", "pours[0].amount")]
    [InlineData("sources/work-out", """{"kind":"compost","manure":"holy"}""", "manure")]
    [InlineData("sources/work-out", """{"kind":"compost","ageMonths":-1}""", "ageMonths")]
    [InlineData("sources/work-out", """{"kind":"compost","smell":"blue"}""", "smell")]
    [InlineData("ground-checks/work-out", """{"bedId":1,"kind":"cotton","weeks":0,"figure":0.5}""", "weeks")]
    [InlineData("ground-checks/work-out", """{"bedId":1,"kind":"co2","figure":-4}""", "figure")]
    [InlineData("recipes", """{"file":{"name":"x"}}""", "purpose")]
    [InlineData("recipes/bring", """{"json":""}""", "json")]
    [InlineData("recipes/bring", """{"json":"[1,2]"}""", "json")]
    [InlineData("air/work-out", """{"volumeL":17,"pumps":[],"outlets":[{"diffuser":"airStone","depthM":"0.3"}]}""", "pumps")]
    [InlineData("air/work-out",
        """{"volumeL":17,"pumps":[{"openLpm":"6","shutOffKPa":"20"}],"outlets":[{"diffuser":"bellows","depthM":"0.3"}]}""",
        "outlets[0].diffuser")]
    [InlineData("air/work-out",
        """{"volumeL":17,"pumps":[{"openLpm":"6","shutOffKPa":"20","count":"900"}],"outlets":[{"diffuser":"airStone","depthM":"0.3"}]}""",
        "pumps[0].count")]
    [InlineData("air/work-out", """{"volumeL":17,"fillL":"2","pumps":[],"outlets":[{"diffuser":"airStone","depthM":"0.3"}]}""", "fillS")]
    [InlineData("air/work-out", """{"volumeL":17,"pumps":[{"curve":"60 to 0"}],"outlets":[{"diffuser":"airStone","depthM":"0.3"}]}""",
        "pumps[0].curve")]
    [InlineData("air/work-out", """{"volumeL":17,"pumps":[null],"outlets":[{"diffuser":"airStone","depthM":"a hand"}]}""", "pumps[0]")]
    [InlineData("air/work-out",
        """{"volumeL":17,"pumps":[{"openLpm":"6","shutOffKPa":"20"}],"outlets":[{"diffuser":"airStone","depthM":"0.3","hoseMm":"1,000"}]}""", "outlets[0].hoseMm")]
    [InlineData("air/work-out", """{"volumeL":17,"pumps":[{"openLpm":"-6","shutOffKPa":"1e308"}],"outlets":[null]}""", "outlets[0]")]
    [InlineData("air/99",
        """{"volumeL":17,"pumps":[{"openLpm":"6","shutOffKPa":"20"}],"outlets":[{"diffuser":"airStone","depthM":"0.3"}]}""", "vesselId")]
    [InlineData("what-if", """{"batchId":99,"whatIfs":[]}""", "batchId")]
    [InlineData("what-if", """{"batchId":1,"whatIfs":[{"kind":"flood"}]}""", "whatIfs[0].kind")]
    [InlineData("what-if", """{"batchId":1,"whatIfs":[{"kind":"halfFood"}]}""", "whatIfs[0].kind")]
    [InlineData("what-if",
        """{"batchId":1,"whatIfs":[{"kind":"secondPump"},{"kind":"cooler"},{"kind":"coldNight"},{"kind":"powerFails"}]}""", "whatIfs")]
    [InlineData("backwards", """{"batchId":1,"readyInH":-5}""", "readyInH")]
    [InlineData("after-air", """{"batchId":1,"stopAtH":900}""", "stopAtH")]
    [InlineData("after-air", """{"batchId":1,"battery":{"airLpm":0,"hours":3}}""", "battery.airLpm")]
    [InlineData("tally/work-out", """{"fields":[]}""", "fields")]
    [InlineData("tally/work-out", """{"fieldNumberMm":18,"objective":0,"coverSlipMm2":324,"dropMl":0.05,"fields":[{"bacteria":3}]}""",
        "objective")]
    [InlineData("tally/work-out", """{"fieldNumberMm":18,"objective":40,"coverSlipMm2":324,"dropMl":0.05,"fields":[{"bacteria":-3}]}""",
        "fields[0].bacteria")]
    [InlineData("tally/through", """{"before":[],"after":[1]}""", "before")]
    [InlineData("tally/through", """{"before":[0,0],"after":[1]}""", "before")]
    [InlineData("tallies", """{"stage":"lunch","tally":{}}""", "stage")]
    [InlineData("vessels/99/clean", """{"step":"rinse"}""", "id")]
    [InlineData("vessels/1/clean", """{"step":"rinse","at":"2099-01-01T00:00:00Z"}""", "at")]
    [InlineData("practice", """{"situation":"heaven","nowH":1}""", "situation")]
    [InlineData("practice", """{"situation":"warm"}""", "nowH")]
    [InlineData("practice", """{"situation":"warm","nowH":3,"deeds":[{"atH":9,"kind":"oxygen"}]}""", "deeds[0].atH")]
    public async Task On_the_benches_of_the_brewhouse(string path, string body, string field) =>
        (await _h.Refused("/api/brew/" + path, body)).Keys.ShouldContain(k => k.StartsWith(field, StringComparison.Ordinal), body);

    [Theory]
    // The tank.
    [InlineData("/api/put-out/tank/work-out", "{}", "products")]
    [InlineData("/api/put-out/tank/work-out",
        """{"bedIds":[1],"rate":"lots","tank":"15 L","items":[{"inputId":3,"rate":"2 L","basis":"perHa"}]}""", "rate")]
    [InlineData("/api/put-out/tank/work-out",
        """{"bedIds":[1],"rate":"-5","tank":"15 L","items":[{"inputId":3,"rate":"2 L","basis":"perHa"}]}""", "rate")]
    [InlineData("/api/put-out/tank/work-out",
        """{"bedIds":[1],"rate":"300","tank":"NaN","items":[{"inputId":3,"rate":"2 L","basis":"perHa"}]}""", "tank")]
    [InlineData("/api/put-out/tank/work-out",
        """{"bedIds":[1],"rate":"300","tank":"15 L","items":[{"inputId":3,"rate":"2 kg","basis":"perHa"}]}""", "items[0].rate")]
    [InlineData("/api/put-out/tank/work-out",
        """{"bedIds":[1],"rate":"300","tank":"15 L","items":[{"inputId":3,"rate":"2 L","basis":"per moon"}]}""", "items[0].basis")]
    [InlineData("/api/put-out/tank/work-out",
        """{"bedIds":[1],"rate":"300","tank":"15 L","items":[{"inputId":999,"rate":"2 L","basis":"perHa"}]}""", "items[0]")]
    [InlineData("/api/put-out/tank/work-out",
        """{"bedIds":[1],"rate":"300","tank":"15 L","sprayerId":77,"items":[{"inputId":3,"rate":"2 L","basis":"perHa"}]}""", "sprayerId")]
    [InlineData("/api/put-out/tank/work-out",
        """{"bedIds":[1],"rate":"300","tank":"15 L","ph":"19","items":[{"inputId":3,"rate":"2 L","basis":"perHa"}]}""", "ph")]
    [InlineData("/api/put-out/tank/work-out",
        """{"bedIds":[1],"rate":"300","tank":"15 L","spare":"90","items":[{"inputId":3,"rate":"2 L","basis":"perHa"}]}""", "spare")]
    [InlineData("/api/put-out/tank/work-out",
        """{"bedIds":[1],"rate":"300","tank":"15 L","bedRates":{"1":"much"},"items":[{"inputId":3,"rate":"2 L","basis":"perHa"}]}""",
        "bedRates")]
    [InlineData("/api/put-out/tank/work-out",
        """{"bedIds":[1],"rate":"300","tank":"15 L","foodWaiting":"cake","items":[{"inputId":3,"rate":"2 L","basis":"perHa"}]}""",
        "foodWaiting")]
    [InlineData("/api/put-out/tank/work-out", """{"batchId":1,"bedIds":[1],"brew":"9000 L","dilution":"1:5","tank":"15 L"}""", "brew")]
    [InlineData("/api/put-out/tank/work-out", """{"batchId":1,"bedIds":[1],"brew":"5 L","dilution":"1:5","per100M2":"-2","tank":"15 L"}""",
        "per100M2")]
    [InlineData("/api/put-out/tank",
        """{"bedIds":[1],"rate":"300","tank":"15 L","tool":"","items":[{"inputId":3,"rate":"20 ml","basis":"perHa"}]}""", "tool")]
    [InlineData("/api/put-out/tank",
        """{"bedIds":[1],"rate":"300","tank":"15 L","tool":"can","at":"2099-01-01T00:00:00Z","items":[{"inputId":3,"rate":"20 ml","basis":"perHa"}]}""", "at")]
    [InlineData("/api/put-out/tank",
        """{"bedIds":[1],"rate":"300","tank":"15 L","tool":"can","correctsId":55,"items":[{"inputId":3,"rate":"20 ml","basis":"perHa"}]}""",
        "correctsId")]
    // Sprayers, doses, mixing, seasons.
    [InlineData("/api/put-out/sprayers", """{"name":"","kind":"knapsack","tank":"15 L","past":"new"}""", "name")]
    [InlineData("/api/put-out/sprayers", """{"name":"s","kind":"hose","tank":"15 L","past":"new"}""", "kind")]
    [InlineData("/api/put-out/sprayers", """{"name":"s","kind":"boom","tank":"0","past":"new"}""", "tank")]
    [InlineData("/api/put-out/sprayers", """{"name":"s","kind":"boom","tank":"400 L","past":"new","mesh":"fine"}""", "mesh")]
    [InlineData("/api/put-out/sprayers", """{"name":"s","kind":"boom","tank":"400 L","past":"new","mesh":"9000 mesh"}""", "mesh")]
    [InlineData("/api/put-out/sprayers", """{"name":"s","kind":"boom","tank":"400 L","past":"new","pressure":"500"}""", "pressure")]
    [InlineData("/api/put-out/sprayers", """{"id":88,"name":"s","kind":"boom","tank":"400 L","past":"new"}""", "id")]
    [InlineData("/api/put-out/sprayers/calibrate/work-out", """{"used":"0","square":"25"}""", "used")]
    [InlineData("/api/put-out/sprayers/calibrate/work-out", """{"nozzle":"0.8","speed":"fast","spacing":"0.5"}""", "speed")]
    [InlineData("/api/put-out/sprayers/99/calibrate", """{"used":"0.75","square":"25"}""", "id")]
    [InlineData("/api/put-out/sprayers/99/wash", "{}", "id")]
    [InlineData("/api/put-out/can/work-out", """{"can":"10 L","seconds":"never","wanted":"25 L"}""", "seconds")]
    [InlineData("/api/put-out/dose/work-out", "{}", "inputId")]
    [InlineData("/api/put-out/mixing/work-out", """{"tank":[],"lately":[],"own":[]}""", "tank")]
    [InlineData("/api/put-out/mixing/rules", """{"a":"brew","b":"sherry","together":false,"why":"label of it"}""", "b")]
    [InlineData("/api/put-out/mixing/rules", """{"a":"brew","b":"copper","together":false,"waitDays":"-3","why":"label of it"}""",
        "waitDays")]
    [InlineData("/api/put-out/mixing/rules", """{"a":"brew","b":"copper","together":false,"why":""}""", "why")]
    [InlineData("/api/put-out/mixing/rules/9/end", "{}", "id")]
    [InlineData("/api/put-out/programmes", """{"bedId":99,"start":"2026-04-01","harvest":"2026-08-01"}""", "bedId")]
    [InlineData("/api/put-out/programmes", """{"bedId":1,"start":"2026-08-01","harvest":"2026-04-01"}""", "harvest")]
    [InlineData("/api/put-out/programmes", """{"bedId":1,"start":"someday","harvest":"2026-04-01"}""", "start")]
    [InlineData("/api/put-out/programmes/9/propose", """{"kind":"seaweed"}""", "id")]
    [InlineData("/api/put-out/givings/9/move", """{"on":"2026-05-01"}""", "id")]
    [InlineData("/api/put-out/dried-or-liquid/work-out",
        """{"liquidPerHa":"2","times":"0","liquidPrice":"7","driedPerHa":"150","driedPrice":"free"}""", "times")]
    // Shelf and book.
    [InlineData("/api/shelf/inputs", """{"name":"","kind":"seaweed"}""", "name")]
    [InlineData("/api/shelf/inputs", """{"name":"x","kind":"unicorn"}""", "kind")]
    [InlineData("/api/shelf/inputs", """{"name":"x","kind":"seaweed","density":"99"}""", "density")]
    [InlineData("/api/shelf/inputs", """{"name":"x","kind":"seaweed","npk":"2-1"}""", "npk")]
    [InlineData("/api/shelf/inputs", """{"name":"x","kind":"seaweed","npk":"60-60-60"}""", "npk")]
    [InlineData("/api/shelf/inputs", """{"name":"x","kind":"sporeInoculant","labelPer":"mL","species":[{"name":"b","count":"a few"}]}""",
        "species[0].count")]
    [InlineData("/api/shelf/inputs", """{"name":"x","kind":"seaweed","labelRate":"2 kg","labelBasis":"perHa"}""", "labelRate")]
    [InlineData("/api/shelf/inputs/99/lots", """{"mark":"a","origin":"bought","amount":"1 L"}""", "id")]
    [InlineData("/api/shelf/inputs/3/lots", """{"mark":"","origin":"bought","amount":"1 L"}""", "mark")]
    [InlineData("/api/shelf/inputs/3/lots", """{"mark":"a","origin":"stolen","amount":"1 L"}""", "origin")]
    [InlineData("/api/shelf/inputs/3/lots", """{"mark":"a","origin":"bought","amount":"-1 L"}""", "amount")]
    [InlineData("/api/shelf/inputs/3/lots", """{"mark":"a","origin":"bought","amount":"1 L","from":"2099-01-01T00:00:00Z"}""", "from")]
    [InlineData("/api/shelf/inputs/3/lots", """{"mark":"a","origin":"bought","amount":"1 L","expires":"1999-01-01T00:00:00Z"}""",
        "expires")]
    [InlineData("/api/shelf/inputs/3/lots", """{"mark":"a","origin":"bought","amount":"1 L","kept":"900 C"}""", "kept")]
    [InlineData("/api/shelf/lots/99/entries", """{"reason":"count","amount":"1 L"}""", "id")]
    [InlineData("/api/shelf/wage", """{"hourly":"priceless"}""", "hourly")]
    [InlineData("/api/book/harvests", """{"bedId":99,"weight":"3 kg"}""", "bedId")]
    [InlineData("/api/book/harvests", """{"bedId":1,"weight":"a basket"}""", "weight")]
    [InlineData("/api/book/seen", """{"text":""}""", "text")]
    [InlineData("/api/book/seen", """{"text":"x","bedId":99}""", "bedId")]
    [InlineData("/api/book/jobs/99/strike", """{"why":"never was"}""", "id")]
    [InlineData("/api/book/waits", """{"kind":"brew","days":"-1","why":"our own code"}""", "days")]
    [InlineData("/api/book/waits", """{"kind":"dust","days":"3","why":"our own code"}""", "kind")]
    [InlineData("/api/book/beds/99/eaten", """{"how":"touches"}""", "id")]
    [InlineData("/api/book/beds/1/eaten", """{}""", "how")]
    [InlineData("/api/holding/forks/moon", """{"school":"full"}""", "school")]
    [InlineData("/api/holding/forks/hold", """{"school":"week"}""", "school")]
    [InlineData("/api/brew/water/99/tests", """{"eColi":"0","by":"the lab"}""", "id")]
    [InlineData("/api/brew/water/1/tests", """{"eColi":"1,000","by":"the lab"}""", "eColi")]
    [InlineData("/api/put-out/programmes/99/stages", """{"stages":[]}""", "id")]
    [InlineData("/api/notes", """{"text":""}""", "text")]
    public async Task At_putting_out_on_the_shelf_and_in_the_book(string path, string body, string field)
    {
        (await _h.Refused(path, body)).Keys.ShouldContain(k => k.StartsWith(field, StringComparison.Ordinal), body);
        (await _h.Get("/api/book?kind=job"))["entries"]!.AsArray().ShouldBeEmpty();
    }

    [Theory]
    [InlineData("/api/ground/beds", """{"name":"","area":"36 m2","crop":"x","growing":"annual"}""", "name")]
    [InlineData("/api/ground/beds", """{"name":"b","area":"-4","crop":"x","growing":"annual"}""", "area")]
    [InlineData("/api/ground/beds", """{"name":"b","area":"36 m2","crop":"x","growing":"moss"}""", "growing")]
    [InlineData("/api/ground/beds", """{"name":"b","area":"36 m2","crop":"x","growing":"annual","soilPh":"42"}""", "soilPh")]
    [InlineData("/api/ground/waters", """{"name":"w","kind":"tea","chloramine":false}""", "kind")]
    [InlineData("/api/ground/waters/1/strips", """{"strip":"99"}""", "strip")]
    [InlineData("/api/ground/waters/55/strips", """{"strip":"0"}""", "id")]
    [InlineData("/api/ground/vessels", """{"name":"v","shape":"bucket","total":"10000 L","depth":"30 cm"}""", "total")]
    [InlineData("/api/ground/vessels", """{"name":"v","shape":"boot","total":"20 L","depth":"30 cm"}""", "shape")]
    [InlineData("/api/ground/pumps", """{"name":"p","openFlow":"0","shutOff":"20 kPa"}""", "openFlow")]
    [InlineData("/api/ground/pumps", """{"name":"p","openFlow":"6","shutOff":"20 kPa","battery":"forever"}""", "battery")]
    [InlineData("/api/ground/diffusers", """{"name":"d","kind":"sieve"}""", "kind")]
    [InlineData("/api/ground/inputs", """{"name":"i","kind":"gold"}""", "kind")]
    [InlineData("/api/ground/inputs", """{"name":"i","kind":"molasses","price":"-9"}""", "price")]
    [InlineData("/api/holding/forks/air", """{"school":""}""", "school")]
    [InlineData("/api/watch/lines", """{"noReadingH":999,"graceMinutes":30,"expectedShare":0.5}""", "noReadingH")]
    [InlineData("/api/watch/99/done", "{}", "id")]
    [InlineData("/api/watch/1/put-off", """{"minutes":-1}""", "minutes")]
    [InlineData("/api/amounts/read", """{"text":"half a fish","dimension":"volume"}""", "text")]
    [InlineData("/api/calc/tank-plan", """{"areaM2":0,"rateLPerHa":1,"tankL":1}""", "areaM2")]
    [InlineData("/api/calc/sprayer-rate", "{}", "nozzleLPerMin")]
    [InlineData("/api/calc/inoculant-dose", """{"target":1,"per":"plant","count":1,"labelCount":1}""", "labelPer")]
    [InlineData("/api/calc/injector-stock", """{"ratio":0}""", "ratio")]
    [InlineData("/api/calc/sun", """{"latitude":95,"longitude":0,"fromUtc":"2026-06-01T00:00:00Z"}""", "latitude")]
    [InlineData("/api/calc/microscope-count", """{"counts":["many"]}""", "counts[0]")]
    [InlineData("/api/calc/brew-run", "not json", "body")]
    public async Task Elsewhere(string path, string body, string field) =>
        (await _h.Refused(path, body)).Keys.ShouldContain(k => k.StartsWith(field, StringComparison.Ordinal), body);
}
