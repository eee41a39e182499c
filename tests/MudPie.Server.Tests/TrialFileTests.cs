using System.IO.Compression;
using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>Trials as files, any tidy table, sites together, and the open calculators of judging.</summary>
public sealed class TrialFileTests
{
    private static string Reference(string file) =>
        File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "..", "..", "..", "..", "MudPie.Core.Tests", "Reference", file));

    private static async Task<(int Status, JsonNode Reply)> Bring(TestHolding h, byte[] zip)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/judge/trials/file") { Content = new ByteArrayContent(zip) };
        request.Content.Headers.ContentType = new("application/zip");
        request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
        using var response = await h.Http.SendAsync(request);
        return ((int)response.StatusCode, JsonNode.Parse(await response.Content.ReadAsStringAsync())!);
    }

    [Fact]
    public async Task A_trial_goes_out_as_one_zip_and_comes_in_elsewhere_with_the_same_answer()
    {
        using var h = new TestHolding(demo: true);
        foreach (var id in new[] { 1, 3 })
        {
            var zip = await h.Http.GetByteArrayAsync($"/api/judge/trials/{id}/trial.zip");
            using var other = new TestHolding();
            await other.Post("/api/holding/setup", TestHolding.SetUp);
            var (status, reply) = await Bring(other, zip);
            status.ShouldBe(200, reply.ToJsonString());
            var (there, here) = (await other.Get($"/api/judge/trials/{reply["id"]}/answer"), await h.Get($"/api/judge/trials/{id}/answer"));
            there["answer"]!["value"]!["verdict"]!.GetValue<string>().ShouldBe((string)here["answer"]!["value"]!["verdict"]!);
            there["answer"]!["value"]!["anova"]!.ToJsonString().ShouldBe(here["answer"]!["value"]!["anova"]!.ToJsonString());
            var (a, b) = (await other.Get($"/api/judge/trials/{reply["id"]}"), await h.Get($"/api/judge/trials/{id}"));
            a["plots"]!.AsArray().Select(p => (string)p!["code"]!).ShouldBe(b["plots"]!.AsArray().Select(p => (string)p!["code"]!));
            (await other.Http.GetByteArrayAsync($"/api/judge/trials/{reply["id"]}/trial.zip")).Length.ShouldBeGreaterThan(500);
        }
    }

    [Fact]
    public async Task The_data_package_describes_its_columns_and_the_csv_is_tidy()
    {
        using var h = new TestHolding(demo: true);
        using var zip = new ZipArchive(new MemoryStream(await h.Http.GetByteArrayAsync("/api/judge/trials/1/trial.zip")));
        zip.Entries.Select(e => e.Name).ShouldBe(["data.csv", "plots.csv", "datapackage.json"], ignoreOrder: true);
        string Text(string name)
        {
            using var reader = new StreamReader(zip.GetEntry(name)!.Open());
            return reader.ReadToEnd();
        }

        var package = JsonNode.Parse(Text("datapackage.json"))!;
        foreach (var resource in package["resources"]!.AsArray())
        {
            var header = Text((string)resource!["path"]!).Split('\n')[0].Trim().Split(',');
            resource["schema"]!["fields"]!.AsArray().Select(f => (string)f!["name"]!).ShouldBe(header);
            resource["schema"]!["missingValues"]!.AsArray().Select(v => (string)v!).ShouldContain("NA");
        }

        Text("data.csv").Trim().Split('\n').Length.ShouldBe(16);
        package["trial"]!["seed"]!.GetValue<int>().ShouldBe(5107);
        package["trial"]!["factors"]!.AsArray().Count.ShouldBe(1);
    }

    [Theory]
    [InlineData("")]
    [InlineData("not a zip at all")]
    public async Task What_is_no_trial_is_refused(string text)
    {
        using var h = new TestHolding(demo: true);
        var (status, reply) = await Bring(h, System.Text.Encoding.UTF8.GetBytes(text));
        status.ShouldBe(422);
        ((string)reply["fields"]![0]!["field"]!).ShouldBe("file");
    }

    [Fact]
    public async Task A_damaged_trial_names_its_line_and_keeps_nothing()
    {
        using var h = new TestHolding(demo: true);
        var good = await h.Http.GetByteArrayAsync("/api/judge/trials/1/trial.zip");
        foreach (var (name, from, to, field) in new[] { ("data.csv", "yield", "yeild", "data.csv line 2"),
            ("plots.csv", "tea", "teä", "plots.csv line"), ("datapackage.json", "\"design\": \"blocks\"", "\"design\": \"eye\"", "file") })
        {
            using var memory = new MemoryStream();
            memory.Write(good);
            using (var zip = new ZipArchive(memory, ZipArchiveMode.Update, leaveOpen: true))
            {
                string text;
                using (var reader = new StreamReader(zip.GetEntry(name)!.Open()))
                {
                    text = await reader.ReadToEndAsync();
                }

                zip.GetEntry(name)!.Delete();
                using var writer = new StreamWriter(zip.CreateEntry(name).Open());
                writer.Write(text.Replace(from, to, StringComparison.Ordinal));
            }

            var (status, reply) = await Bring(h, memory.ToArray());
            status.ShouldBe(422, name);
            ((string)reply["fields"]![0]!["field"]!).ShouldStartWith(field);
        }

        (await h.Get("/api/judge/trials")).AsArray().Count.ShouldBe(4);
    }

    [Fact]
    public async Task Any_tidy_table_comes_in_with_its_columns_named()
    {
        using var h = new TestHolding(demo: true);
        var csv = Reference("trial-blocks.csv");
        var preview =
            await (await h.Http.PostAsync("/api/judge/trials/csv/preview",
                new StringContent(new JsonObject { ["csv"] = csv }.ToJsonString(), System.Text.Encoding.UTF8, "application/json"))).Content
                .ReadAsStringAsync();
        var columns = JsonNode.Parse(preview)!["columns"]!.AsArray();
        columns.Select(c => ((string)c!["name"]!, (bool)c["figures"]!)).ShouldBe([("block", true), ("treatment", false), ("yield", true)]);
        var id = (int)(await h.Post("/api/judge/trials/csv", new {
            csv, question = "Does tea with kelp lift fennel?", crop = "fennel",
            design = "blocks", responses = new[] { "yield" }, factors = new[] { "treatment" }, block = "block", control = "water only",
            unit = "kg"
        }))["id"]!;
        var answer = await h.Get($"/api/judge/trials/{id}/answer");
        ((double)answer["answer"]!["value"]!["anova"]![1]!["f"]!).ShouldBe(8.4661047233, 1e-8);
        answer["strength"]!.AsArray().ShouldContain(s => (string)s!["text"]! == "not laid out by lot" && !(bool)s["good"]!);
        (await h.Refused("/api/judge/trials/csv", new {
            csv, question = "?", crop = "x", design = "blocks", responses = new[] { "weight" },
            factors = new[] { "treatment" }, block = "block"
        })).Keys.ShouldBe(["response"]);
        (await h.Refused("/api/judge/trials/csv", new { csv = "a,b\n1", question = "?", crop = "x" }))["csv"].ShouldContain(
            "Line 2 has 1 cells");
        (await h.Refused("/api/judge/trials/csv/preview", new { csv = "" })).Keys.ShouldBe(["csv"]);
    }

    [Fact]
    public async Task Sites_are_put_together_with_a_neighbours_file_and_taken_out_in_sight()
    {
        using var h = new TestHolding(demo: true);
        var set = (int)(await h.Post("/api/judge/across", new { name = "Char at 5 %", unit = "kg", worthHaving = "0.05" }))["id"]!;
        ((string)(await h.Get("/api/judge/across"))[0]!["wants"]!).ShouldStartWith("Two results or more");
        await h.Post($"/api/judge/across/{set}/file", new { csv = Reference("meta-sites.csv"), source = "the co-operative" });
        var view = (await h.Get("/api/judge/across"))[0]!;
        ((double)view["together"]!["value"]!["estimate"]!).ShouldBe(0.069592777791, 1e-8);
        ((double)view["together"]!["value"]!["predictionLower"]!).ShouldBeLessThan((double)view["together"]!["value"]!["lower"]!);
        (await h.Refused($"/api/judge/across/{set}/file", new { csv = Reference("meta-sites.csv") }))["csv"].ShouldStartWith(
            "All of these are in it already");
        (await h.Refused($"/api/judge/across/{set}/file", new { csv = "a,b\n1,2" })).Keys.ShouldBe(["csv"]);
        (await h.Refused($"/api/judge/across/{set}/file", new { csv = "label,difference,standard_error\nx,1,0" })).Keys
            .ShouldBe(["line 2"]);
        await h.Post($"/api/judge/across/{set}/results", new { label = "here, 2026", difference = "0.08", standardError = "0.05" });
        (await h.Refused($"/api/judge/across/{set}/results", new { label = "", difference = "x", standardError = "0" })).Keys
            .ShouldBe(["label", "difference", "standardError"]);
        (await h.Refused($"/api/judge/across/{set}/results", new { trialId = 1 }))["trialId"].ShouldContain("measured in kg a metre");
        (await h.Refused($"/api/judge/across/{set}/results", new { trialId = 2 }))["trialId"].ShouldStartWith("Its codes are still shut");
        var result = (int)view["results"]![0]!["id"]!;
        (await h.Refused($"/api/judge/across/results/{result}/out", new { why = "" })).Keys.ShouldBe(["why"]);
        await h.Post($"/api/judge/across/results/{result}/out", new { why = "other soil" });
        var after = (await h.Get("/api/judge/across"))[0]!;
        after["results"]!.AsArray().Count.ShouldBe(10);
        after["together"]!["value"]!["sites"]!.AsArray().Count.ShouldBe(9);
        (await h.Http.GetStringAsync($"/api/judge/across/{set}/results.csv")).Trim().Split('\n').Length.ShouldBe(10);
    }

    [Fact]
    public async Task An_own_trial_goes_in_once()
    {
        using var h = new TestHolding(demo: true);
        var set = (int)(await h.Post("/api/judge/across", new { name = "Tea again", unit = "kg a metre" }))["id"]!;
        await h.Post($"/api/judge/across/{set}/results", new { trialId = 1 });
        var result = (await h.Get("/api/judge/across"))[0]!["results"]![0]!;
        var tea = (await h.Get("/api/judge/trials/1/answer"))["answer"]!["value"]!["dunnett"]!.AsArray()
            .Single(c => (string)c!["of"]! == "tea")!;
        ((double)result["standardError"]!).ShouldBe((double)tea["difference"]! / (double)tea["t"]!, 1e-9);
        (await h.Refused($"/api/judge/across/{set}/results", new { trialId = 1 }))["trialId"].ShouldContain("in it already");
    }

    [Fact]
    public async Task The_open_calculators_agree_with_the_reference()
    {
        using var h = new TestHolding();
        async Task<JsonNode> Ask(string name, object question)
        {
            var (status, reply) = await h.Send($"/api/calc/{name}", question, null);
            status.ShouldBe(200, reply.ToJsonString());
            reply["working"].ShouldNotBeNull();
            return reply;
        }

        var paired = await Ask("trial-analysis", new { csv = Reference("brix-pairs.csv"), design = "paired" });
        ((double)paired["dunnett"]![0]!["lower"]!).ShouldBe(0.15951890466, 1e-9);
        ((string)paired["dunnett"]![0]!["pair"]!).ShouldBe("after - before");
        var tidy = await Ask("trial-analysis", new {
            csv = Reference("brix-pairs.csv"), design = "paired", response = "after",
            control = "before", block = "leaf"
        });
        ((double)tidy["dunnett"]![0]!["p"]!).ShouldBe(0.0054726252171, 1e-9);
        var factorial = await Ask("trial-analysis", new {
            csv = Reference("trial-factorial.csv").Replace(',', ';'), response = "height",
            design = "factorial", factors = new[] { "castings", "inoculant" }
        });
        ((double)factorial["anova"]![2]!["p"]!).ShouldBe(0.69897351302, 1e-8);
        var missing = await Ask("trial-analysis", new {
            csv = "t,y\na,1\na,NA\na,1.2\nb,2\nb,2.4\nb,\n", response = "y", design = "random",
            factors = new[] { "t" }, control = "a"
        });
        missing["missing"]!.AsArray().Count.ShouldBe(2);
        ((double)(await Ask("replicates",
            new { kind = "one-way anova", groups = 4, betweenVar = 1.2, withinVar = 3 }))["perGroup"]!).ShouldBe(10.1176959772, 1e-5);
        ((double)(await Ask("germination", new { table = new[] { new[] { 44, 4 }, [36, 12] } }))["p"]!).ShouldBe(0.052825139685, 1e-9);
        var dl = await Ask("combine-trials",
            new {
                method = "dl",
                results = new[] { new { label = "a", yi = 0.11, vi = 0.004 }, new { label = "b", yi = 0.05, vi = 0.006 } }
            });
        dl["sites"]!.AsArray().Count.ShouldBe(2);
        foreach (var (name, body, field) in new[] { ("trial-analysis", """{"csv":"a,b\n1,x","response":"b","factors":["a"]}""", "response"),
            ("trial-analysis", """{"csv":"a,b\n1,2","response":"c","factors":["a"]}""", "response"),
            ("trial-analysis", """{"csv":"a,a\n1,2"}""", "csv"), ("trial-analysis", "{}", "csv"), ("replicates", "{}", "kind"),
            ("germination", "{}", "table"), ("combine-trials", "{}", "results") })
        {
            (await h.Refused($"/api/calc/{name}", body)).Keys.ShouldContain(field, name + body);
        }
    }
}
