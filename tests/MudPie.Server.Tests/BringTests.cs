using System.Net.Http.Headers;
using System.Text.Json.Nodes;
using MudPie.Server.Brewing;
using SkiaSharp;

namespace MudPie.Server.Tests;

/// <summary>A logger's file and a photo: shown first, kept whole or not at all.</summary>
public class BringTests
{
    private static readonly DateTimeOffset Start = new(2026, 6, 10, 5, 0, 0, TimeSpan.Zero);

    private static (LoggerPreview Preview, IReadOnlyList<LoggerRow> Rows) Read(string csv) =>
        LoggerCsv.Read(csv, Start, Start.AddHours(20), at => at.ToOffset(TimeSpan.FromHours(1)));

    [Theory]
    [InlineData("time,mg/L,°C\n2026-06-10 07:00,8.1,17.5\n2026-06-10 08:00,7.9,17.9\n")]
    [InlineData("Date/Time;DO (mg/L);Temp\n10.06.2026 07:00;8,1;17,5\n10.06.2026 08:00;7,9;17,9\n")]
    [InlineData("hours\tdissolved oxygen\twarmth\n1\t8.1\t17.5\n2\t7.9\t17.9\n")]
    [InlineData("\uFEFFwhen,O2,degC,battery\r\n2026-06-10T06:00:00Z,8.1,17.5,99\r\n\r\n2026-06-10T07:00:00Z,7.9,17.9,98\r\n")]
    public void Is_read_with_point_or_comma_and_headers_by_their_words(string csv)
    {
        var (preview, rows) = Read(csv);
        preview.Problems.ShouldBeEmpty();
        rows.Select(r => r.At).ShouldBe([Start.AddHours(1), Start.AddHours(2)]);
        rows.Select(r => r.MgPerL).ShouldBe([8.1, 7.9]);
        rows.Select(r => r.TemperatureC).ShouldBe([17.5, 17.9]);
    }

    [Theory]
    [InlineData("", "no line of headers")]
    [InlineData("time,mg/L\n", "no rows")]
    [InlineData("a,b\n1,2\n", "No column is a time")]
    [InlineData("time,mg/L\n2026-06-10 07:00,wet\n", "is no mg/L")]
    [InlineData("time,mg/L\n2026-06-10 07:00,99\n", "is no mg/L")]
    [InlineData("time,mg/L\n2026-06-10 07:00,NaN\n", "is no mg/L")]
    [InlineData("time,mg/L\n06/10/2026 7:00,8\n", "can't be read")]
    [InlineData("time,mg/L\n2027-06-10 07:00,8\n", "future")]
    [InlineData("time,mg/L\n2020-06-10 07:00,8\n", "before this batch")]
    public void What_is_wrong_is_said_by_line(string csv, string says) => Read(csv).Preview.Problems[0].Wrong.ShouldContain(says);

    [Fact]
    public async Task A_file_with_one_bad_line_keeps_nothing_and_a_good_one_brought_twice_is_kept_once()
    {
        using var h = new TestHolding();
        var id = await h.Started();
        h.Clock.Advance(TimeSpan.FromHours(6));
        const string Good = "hours,mg/L,°C\n1,8.4,18\n2,8.1,18.2\n3,7.7,18.3\n";
        var path = $"/api/brew/batches/{id}/logger";

        (await h.Refused(path, new { csv = Good + "4,soup,18\n" })).Keys.ShouldBe(["line 5"]);
        Oxygen(await h.Get($"/api/brew/batches/{id}")).ShouldBe(0);
        ((int)(await h.Post(path + "/preview", new { csv = Good }))["rows"]!).ShouldBe(3);
        ((int)(await h.Post(path, new { csv = Good }))["readings"]!).ShouldBe(6);
        ((int)(await h.Post(path, new { csv = Good }))["readings"]!).ShouldBe(0);
        Oxygen(await h.Get($"/api/brew/batches/{id}")).ShouldBe(3);

        static int Oxygen(JsonNode batch) => batch["log"]!.AsArray().Count(l => (string)l!["kind"]! == "oxygen");
    }

    [Fact]
    public async Task A_photo_is_encoded_again_and_what_is_no_picture_is_refused()
    {
        using var h = new TestHolding();
        var id = await h.Started();
        using var bitmap = new SKBitmap(40, 30);
        using var data = bitmap.Encode(SKEncodedImageFormat.Png, 90);
        var png = data.ToArray().Concat("hidden words"u8.ToArray()).ToArray();

        using var kept = await Bring(png, "image/png");
        kept.IsSuccessStatusCode.ShouldBeTrue(await kept.Content.ReadAsStringAsync());
        var photo = (int)JsonNode.Parse(await kept.Content.ReadAsStringAsync())!["id"]!;
        var jpeg = await h.Http.GetByteArrayAsync($"/api/brew/photos/{photo}");
        jpeg[..2].ShouldBe([0xFF, 0xD8]);
        System.Text.Encoding.Latin1.GetString(jpeg).ShouldNotContain("hidden words");
        using var refused = await Bring("no picture at all"u8.ToArray(), "image/jpeg");
        ((int)refused.StatusCode).ShouldBe(422);

        async Task<HttpResponseMessage> Bring(byte[] bytes, string type)
        {
            using var request = new HttpRequestMessage(HttpMethod.Post,
                $"/api/brew/batches/{id}/photos") { Content = new ByteArrayContent(bytes) };
            request.Content.Headers.ContentType = new MediaTypeHeaderValue(type);
            request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
            return await h.Http.SendAsync(request);
        }
    }
}
