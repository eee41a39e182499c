using System.Text.Json.Nodes;
using Microsoft.Extensions.DependencyInjection;
using MudPie.Records;
using MudPie.Records.Looking;
using MudPie.Records.Weather;
using MudPie.Server.Web;

namespace MudPie.Server.Tests;

/// <summary>Plantings, what is done to the ground, rain and watering.</summary>
public class FieldLogTests : IDisposable
{
    private readonly TestHolding _h = new(demo: true);

    public void Dispose()
    {
        _h.Dispose();
        GC.SuppressFinalize(this);
    }

    private async Task<JsonNode> Bed(int id) => (await _h.Get("/api/look/plantings"))["beds"]!.AsArray()
        .First(b => (int)b!["bedId"]! == id)!;

    private async Task<string> Crop(int id) => (string)(await _h.Get("/api/ground"))["beds"]!.AsArray().First(b => (int)b!["id"]! == id)![
        "crop"]!;

    private static object Did(string deed, string? amount = null, string? crop = null) => new { deed, amount, crop };

    [Fact]
    public async Task Sowing_begins_a_planting_that_the_whole_house_knows_and_striking_brings_the_old_one_back()
    {
        (await Crop(1)).ShouldBe("oats and vetch");
        var id = (int)(await _h.Post("/api/look/field", new { bedIds = new[] { 1 }, did = Did("sowed", crop: "winter rye") }))["id"]!;
        (await Crop(1)).ShouldBe("winter rye");
        var plantings = (await Bed(1))["plantings"]!.AsArray();
        plantings.Count(p => (bool)p!["now"]!).ShouldBe(1);
        var rye = plantings.First(p => (string)p!["crop"]! == "winter rye")!;
        ((string)rye["growing"]!, (string)rye["eaten"]!).ShouldBe(("annual", "nothing"), "as what stood there");
        await _h.Post($"/api/look/field/{id}/strike", new { why = "the wrong field" });
        (await Crop(1)).ShouldBe("oats and vetch");
        (await Bed(1))["plantings"]!.ToJsonString().ShouldNotContain("winter rye");
        (await _h.Get("/api/book?kind=field&bed=1")).ToJsonString().ShouldContain("the wrong field", Case.Sensitive, "it stays readable");
        await _h.Post("/api/look/field", new { bedIds = new[] { 1 }, did = Did("cleared") });
        (await Crop(1)).ShouldBe("nothing yet");
    }

    [Fact]
    public async Task Readings_uses_and_harvests_hang_on_the_planting_that_stood_there()
    {
        var bed = await Bed(6);
        var now = bed["plantings"]!.AsArray().First(p => (bool)p!["now"]!)!;
        var before = bed["plantings"]!.AsArray().First(p => !(bool)p!["now"]!)!;
        var page = await _h.Get($"/api/look/plantings/{now["id"]}");
        page["hangs"]!.AsArray().Select(h => (string)h!["kind"]!).Distinct().ShouldContain("leaves");
        ((string)page["water"]!).ShouldStartWith("Over its time ");
        (await _h.Get($"/api/look/plantings/{before["id"]}"))["hangs"]!.ToJsonString().ShouldNotContain(
            (string)page["hangs"]!.AsArray().First(h => (string)h!["kind"]! == "leaves")!["text"]!);
        (await _h.Http.GetAsync("/api/look/plantings/9999")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_harvest_and_a_reading_that_are_written_down_late_are_of_what_stood_there_then()
    {
        var yesterday = _h.Now.AddDays(-1);
        await _h.Post("/api/look/field", new { bedIds = new[] { 3 }, did = Did("sowed", crop: "leeks"), at = _h.Now.AddHours(-2) });
        await _h.Post("/api/book/harvests", new { bedId = 3, weight = "11 kg", at = yesterday });
        (await _h.Get("/api/book?bed=3&kind=harvest"))["entries"]![0]!["title"]!.ToString().ShouldBe("11 kg of garlic harvested");
        await _h.Post("/api/book/harvests", new { bedId = 3, weight = "1 kg" });
        (await _h.Get("/api/book?bed=3&kind=harvest"))["entries"]![0]!["title"]!.ToString().ShouldBe("1 kg of leeks harvested");
    }

    [Fact]
    public async Task A_bed_given_another_crop_has_another_planting_and_how_it_is_eaten_goes_with_it()
    {
        var bed = (await _h.Get("/api/ground"))["beds"]!.AsArray().First(b => (int)b!["id"]! == 3)!;
        await _h.Post("/api/ground/beds", new {
            id = 3, version = bed["version"], name = bed["name"], area = "36 m2", crop = "leeks",
            growing = "annual", soilPh = "6.1"
        });
        var plantings = (await Bed(3))["plantings"]!.AsArray();
        plantings.Select(p => ((string)p!["crop"]!, (bool)p["now"]!)).ShouldContain(("leeks", true));
        plantings.Count(p => (bool)p!["now"]!).ShouldBe(1);
        await _h.Post("/api/book/beds/3/eaten", new { how = "clear" });
        ((string)(await Bed(3))["plantings"]!.AsArray().First(p => (bool)p!["now"]!)!["eaten"]!).ShouldBe("clear");
        var leeks = plantings.First(p => (string)p!["crop"]! == "leeks")!;
        (await _h.Refused("/api/look/plantings", new {
            id = (int)leeks["id"]!, bedId = 3, crop = "leeks", from = _h.Now,
            to = _h.Now.AddDays(-3)
        })).Keys.ShouldBe(["to"]);
        await _h.Post("/api/look/plantings", new { bedId = 3, crop = "mustard", from = _h.Now.AddDays(-600), to = _h.Now.AddDays(-500) });
        (await Crop(3)).ShouldBe("leeks", "an older one changes nothing of today");
    }

    [Fact]
    public async Task Litres_fall_alike_on_several_beds_and_rain_on_all()
    {
        await _h.Post("/api/look/field", new { bedIds = new[] { 2, 3 }, did = Did("watered", "72 L") });
        (await Bed(2))["done"]![0]!["shown"]!.ToString().ShouldBe("watered, 1 mm", "72 L on 72 m²");
        await _h.Post("/api/look/field", new { did = Did("rain", "8") });
        (await _h.Get("/api/look/plantings"))["rain"]![0]!["shown"]!.ToString().ShouldBe("rain, 8 mm");
        (await _h.Refused("/api/look/field", new { did = Did("watered", "40 L") })).Keys.ShouldBe(["bedIds"]);
        (await _h.Refused("/api/look/field", new { bedIds = new[] { 99 }, did = Did("mowed") })).Keys.ShouldBe(["bedIds"]);
        (await _h.Refused("/api/look/field", new { bedIds = new[] { 2 } })).Keys.ShouldBe(["deed"]);
    }

    [Fact]
    public async Task Was_it_the_water_is_said_between_two_readings_and_two_visits()
    {
        var past = (await _h.Get("/api/look/pegs/1"))["past"]![0]!;
        ((string)past["water"]!).ShouldMatch("^Between them \\d+ mm of rain, no watering in the book: the water may have done");
        var pair = (await _h.Get("/api/judge/brix"))["pairs"]!.AsArray().First(p => p!["difference"] is not null)!;
        ((string)pair["water"]!).ShouldStartWith("Between them ");
    }

    [Theory]
    [InlineData("rain 12", "rain, 12 mm")]
    [InlineData("watered 40 L bed 4", "watered, 40 L (1.1 mm)")]
    [InlineData("sowed oats creek", "sowed oats")]
    public async Task Note_it_writes_it_where_it_belongs(string text, string shown)
    {
        var kept = await _h.Post("/api/notes", new { text });
        ((string)kept["link"]!).ShouldBe("/look/plantings");
        (await _h.Get("/api/look/plantings")).ToJsonString().ShouldContain($"\"shown\":\"{shown}\"");
        (await _h.Get("/api/book?kind=field")).ToJsonString().ShouldContain(shown);
    }

    [Fact]
    public async Task The_seasons_record_says_what_grew_there_and_what_fell()
    {
        var last = await _h.Get("/api/book/season?year=2025");
        last["beds"]!.AsArray().Select(b => (string)b!["crop"]!).ShouldContain(c => c.Contains(", then ", StringComparison.Ordinal));
        ((string)last["water"]!).ShouldMatch("^\\d+ mm of rain by the gauge; ");
    }

    [Fact]
    public async Task A_day_at_a_peg_is_one_entry_of_the_book()
    {
        var entry = (await _h.Get("/api/book?kind=field&bed=1"))["entries"]!.AsArray().First(e => (string)e!["kind"]! == "check")!;
        ((string)entry["title"]!).ShouldStartWith("looked at ");
        entry["lines"]!.AsArray().Count.ShouldBeGreaterThan(4);
    }

    [Fact]
    public async Task A_day_with_a_gauge_goes_by_the_gauge_and_any_other_by_the_weather_that_is_known()
    {
        using var scope = _h.Services.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<HoldingDb>();
        var clock = scope.ServiceProvider.GetRequiredService<HoldingClock>();
        var from = new DateTimeOffset(2026, 1, 5, 0, 0, 0, TimeSpan.Zero);
        db.FieldLog.RemoveRange(db.FieldLog.Where(f => f.At >= from.AddDays(-1) && f.At < from.AddDays(8)));
        await db.SaveChangesAsync();
        async Task<double?> Fell() => (await WaterBook.Of(db, clock, 2, from, from.AddDays(4))).Between(from, from.AddDays(3.9)).RainMm;
        (await Fell()).ShouldBeNull("no gauge, and no weather of those days");
        db.Weather.AddRange(Enumerable.Range(0, 96).Select(h => new WeatherHourKept {
            At = from.AddHours(h), RainMm = 0.25,
            Source = "file"
        }));
        await db.SaveChangesAsync();
        (await Fell())!.Value.ShouldBe(24, 1e-6, "four days of six millimetres");
        db.FieldLog.Add(new FieldLog { At = from.AddHours(33), RecordedAt = from, Deed = FieldDeed.Rain, Mm = 10 });
        await db.SaveChangesAsync();
        (await Fell())!.Value.ShouldBe(28, 1e-6, "the second day by its gauge");
        db.FieldLog.Add(new FieldLog { BedId = 3, At = from.AddHours(40), RecordedAt = from, Deed = FieldDeed.Watered, Mm = 5 });
        await db.SaveChangesAsync();
        (await WaterBook.Of(db, clock, 2, from, from.AddDays(4))).Between(from, from.AddDays(4)).WateredMm.ShouldBe(0, "on another bed");
    }
}
