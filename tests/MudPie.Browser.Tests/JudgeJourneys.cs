using OpenQA.Selenium;

namespace MudPie.Browser.Tests;

/// <summary>From a claim to a verdict, on paper, on a phone without a signal, and with a thousand made-up fields.</summary>
public class JudgeJourneys
{
    /// <summary>Cuts the page off from the server, or joins it again.</summary>
    private static void Signal(Page page, bool there)
    {
        page.Driver.ExecuteCdpCommand("Network.enable", []);
        // else the worker would still reach it
        page.Driver.ExecuteCdpCommand("Network.setBypassServiceWorker", new Dictionary<string, object?> { ["bypass"] = true });
        page.Driver.ExecuteCdpCommand("Network.emulateNetworkConditions", new Dictionary<string, object?> {
            ["offline"] = !there,
            ["latency"] = 0, ["downloadThroughput"] = -1, ["uploadThroughput"] = -1
        });
    }

    /// <summary>Sends the rest of a trial's figures as other hands would: tea half a kilo over water.</summary>
    private static void Others(Page page, int trial) => page.Driver.ExecuteAsyncScript(
        """
        const [id, done] = arguments;
        (async () => {
          const get = async (p) => (await fetch(p)).json();
          const [key, sheet] = [await get(`/api/judge/trials/${id}/key`), await get(`/api/judge/trials/${id}/sheet`)];
          const m = sheet.measures[0].id;
          for (const p of key) {
            if (sheet.readings.some((r) => r.plotId === p.id && r.measureId === m)) continue;
            const value = (p.treatment === "nothing" ? 2.5 : p.treatment === "water only" ? 2.7 : 3.2) + 0.02 * (p.number % 4);
            await fetch(`/api/judge/trials/${id}/readings`, { method: "POST", headers: { "Content-Type": "application/json", "Idempotency-Key": crypto.randomUUID() }, body: JSON.stringify({ plotId: p.id, measureId: m, value: value.toFixed(2) }) });
          }
          done();
        })();
        """,
        trial);

    [Fact]
    public void From_a_claim_to_a_verdict()
    {
        using var page = new Page(demo: true);
        page.Go("/judge");
        page.See("Does tea lift garlic more than water alone?");
        page.Click("Plan it: Tea, extract, water, nothing");
        page.See("An example: it is drawn by lot once the plan is kept.");
        page.Unfold("1 · The question");
        page.Holds("In one sentence", "Does tea lift garlic more than water alone?");
        page.Field("In one sentence").SendKeys(Keys.Control + "a" + Keys.Delete);
        page.Fill("The smallest difference worth having, kg a metre", "0.2");
        page.Fill("How far plots treated alike stray, kg a metre", "0.05");
        page.See("That is enough to see");
        page.Fill("How far plots treated alike stray, kg a metre", "0.2");
        page.See("would see 0.2");
        page.Click("twice it is seen");
        page.See("would see 0.4"); // the number is for what was chosen
        page.Click("take 7 of each");
        page.See("That is enough to see 0.4");
        page.Fill("How far plots treated alike stray, kg a metre", "0.05");
        page.Click("Keep this plan");
        page.See("There is no question.");
        page.Fill("In one sentence", "Does tea lift garlic?");
        page.Click("Keep this plan");
        page.See("Draw the layout next");
        page.Click("Draw the layout by lot");
        page.See("It is set out: begin");
        page.Click("draw it again");
        page.Click("Draw it again");
        page.See("It is drawn already");
        page.Fill("Why draw it again?", "the first bed was dug over");
        page.Press("//form//button[contains(.,'Draw it again')]");
        page.See("the first bed was dug over");

        page.Click("labels and sheets");
        page.See("plot 1, Ridge Bed 1");
        page.Until(() => page.Driver.FindElements(By.CssSelector("main img")).Count > 9, "a picture on each label");
        page.Click("field sheet");
        page.See("note, or why missing");
        page.Click("key, for whoever puts it out");
        page.See("should not see this");
        page.Click("back to the trial");
        page.Click("It is set out: begin");
        page.See("Growing, and the codes are shut");
        Others(page, 5);
        page.Again();
        page.Click("End it");
        page.See("It works.");
        page.See("Watering alone did about");
        page.See("Every block holds each treatment");
        page.Click("the table");
        page.See("All pairs (Tukey)");
        page.See("What is left over");
        ChartIsSaved(page);
    }

    private static void ChartIsSaved(Page page)
    {
        page.Driver.ExecuteScript("window.saved = []; HTMLAnchorElement.prototype.click = function () { window.saved.push([this.download, "
            + "this.href.slice(0, 40), this.href.length]); }");
        page.Click("chart as SVG");
        page.Until(() =>
            page.Driver.ExecuteScript("return window.saved.length === 1 && window.saved[0][1].startsWith('data:image/svg+xml') && "
                + "window.saved[0][2] > 5000") is true, "the chart as SVG");
        page.Click("chart as PNG");
        page.Until(() =>
            page.Driver.ExecuteScript("return window.saved.length === 2 && window.saved[1][1].startsWith('data:image/png') && "
                + "window.saved[1][2] > 5000") is true, "the chart as PNG");
    }

    [Fact]
    public void Figures_typed_without_a_signal_wait_and_are_kept_once()
    {
        using var page = new Page(demo: true, 390, 844);
        page.Go("/judge/trials/2/sheet");
        page.See("0 of 24 plots");
        page.Fill("height, cm", "14.2");
        page.Click("Keep, and on");
        page.See("1 of 24 plots");
        page.See("All sent");
        Signal(page, false);
        page.Fill("height, cm", "13.1");
        page.Click("Keep, and on");
        page.See("No signal: 1 kept on this phone");
        page.Click("plot is missing");
        page.Fill("Why is it missing?", "slugs took it");
        page.Click("Keep, and on");
        page.See("No signal: 2 kept on this phone");
        page.See("13.1 waits");
        page.Fill("height, cm", "1400");
        page.Click("Keep, and on");
        Signal(page, true);
        page.Driver.ExecuteScript("window.dispatchEvent(new Event('online'))");
        page.See("not taken");
        page.Click("4 ·");
        page.See("Likely is 0.5 to 400");
        page.Fill("height, cm", "14.0");
        page.Click("Keep, and on");
        page.See("4 of 24 plots");
        page.See("All sent");

        page.Click("2 ·");
        page.See("13.1 stands");
        page.Fill("height, cm", "13.7");
        page.Click("Record the correction");
        page.See("not taken");
        page.Fill("What was wrong with the figure that stands?", "misread the rule");
        page.Click("Record the correction");
        page.See("before: 13.1, put right: misread the rule");

        // a visit half done leaves the trial's page as it was
        page.Go("/judge/trials/2");
        page.Click("Open the codes");
        page.See("(4 of 24 plots) waits until each treatment was looked at");
        page.Axe().ShouldBeEmpty("a trial whose visit is going on");
    }

    [Fact]
    public void From_the_shelf_to_a_patch_and_on_to_the_tank()
    {
        using var page = new Page(demo: true);
        page.Go("/judge/patches");
        page.See("Liquid seaweed: a lift of");
        page.Click("Mark new patches");
        page.Click("liquid seaweed");
        page.Fill("Patches of each", "1");
        page.Click("Draw the order by lot");
        page.See("before anything goes on");
        foreach (var (patch, level) in new[] { (1, 8.1), (2, 8.1) })
        {
            page.Type($"//form[@aria-label='Patch {patch}, before']//input", $"{level} {level + 0.2} {level - 0.1} {level}");
            page.Press($"//form[@aria-label='Patch {patch}, before']//button");
            page.Until(() => page.Driver.FindElements(By.XPath($"//form[@aria-label='Patch {patch}, before']")).Count == 0,
                "it to be kept");
        }

        page.Click("They are on: start the hour");
        page.See("since they went on");
        // doses speak of water too
        var first = page.Says("//li[form[@aria-label='Patch 1, after']]//b").EndsWith("· water", StringComparison.Ordinal);
        foreach (var (patch, level) in new[] { (1, first ? 8.2 : 11.4), (2, first ? 11.4 : 8.2) })
        {
            page.Type($"//form[@aria-label='Patch {patch}, after']//input", $"{level} {level + 0.2} {level - 0.1} {level}");
            page.Press($"//form[@aria-label='Patch {patch}, after']//button");
            page.Until(() => page.Driver.FindElements(By.XPath($"//form[@aria-label='Patch {patch}, after']")).Count == 0, "it to be kept");
        }

        page.See("a yes by the two-degree rule");
        page.Click("Put liquid seaweed out: to the tank");
        page.See("liquid seaweed");
        page.Until(() => page.Driver.Url.Contains("/put-out/tank?input=", StringComparison.Ordinal), "the tank with it");
    }

    [Fact]
    public void What_goes_on_plots_against_a_mixing_rule_wants_a_reason_once()
    {
        using var page = new Page(demo: true);
        page.Go("/judge");
        page.See("Does tea lift garlic");
        var trial = page.Driver.ExecuteAsyncScript("""
            const done = arguments[0];
            const send = (path, body) => fetch('/api' + path, { method: 'POST', body: JSON.stringify(body),
              headers: { 'Content-Type': 'application/json', 'Idempotency-Key': crypto.randomUUID() } }).then(r => r.json());
            (async () => {
              const kelp = (await (await fetch('/api/shelf')).json()).inputs.find(i => i.name === 'liquid seaweed');
              const made = await send('/judge/trials', { question: 'Does seaweed lift fennel more than nothing?', crop: 'fennel',
                season: 'this spring', design: 'random', kind: 'beds', liquid: false, factors: ['treatment'], replicates: 4, blind: false,
                noise: '0.15', worthHaving: '0.2', measures: [{ kindId: 'yieldM2' }],
                treatments: [{ name: 'nothing', role: 'control' },
                  { name: 'seaweed', role: 'treatment', inputId: kelp.id, rate: '5 mL', rateBasis: 'perM2' }],
                places: [{ name: 'Ridge Bed 3', length: '30 m', width: '1.2 m' }] });
              const laid = await send(`/judge/trials/${made.id}/layout`, {});
              await send('/put-out/mixing/rules', { a: 'seaweed', b: 'seaweed', together: false, waitDays: '5', why: 'salts add up' });
              done(made.id ? String(made.id) : JSON.stringify([made, laid]));
            })().catch(e => done(String(e)));
            """);
        page.Go($"/judge/trials/{trial}");
        page.Press("//button[@aria-label='It is on: seaweed']");
        page.See("put on once");
        page.Press("//button[@aria-label='It is on: seaweed']");
        page.Fill("Against a mixing rule. Wait; or say in words why it goes on, and press again", "the first round ran off in the rain");
        page.Press("//button[@aria-label='It is on: seaweed']");
        page.See("put on 2 times");
        page.Press("//button[@aria-label='It is on: seaweed']");
        page.Holds("Against a mixing rule. Wait; or say in words why it goes on, and press again", ""); // not taken as said for ever
    }

    [Fact]
    public void A_practice_field_shows_its_truth_after_the_decision()
    {
        using var page = new Page(demo: true);
        page.Go("/judge/practice");
        page.Fill("Plots of each", "99");
        page.Click("Lay it out, and harvest");
        page.See("99 plots of each is too much");
        page.Click("Choose again");
        page.Fill("Plots of each", "4");
        page.Click("Lay it out, and harvest");
        page.See("What do you make of it?");
        page.SeeNot("truly gave");
        page.Click("it does harm");
        page.See("The drench truly gave 0 t a hectare");
        page.See("A thousand such fields, your way");
        page.See("Other choices on the same field");
        page.Click("The same field, laid otherwise");
        page.Click("in blocks across the slope");
        page.Click("Lay it out, and harvest");
        page.Click("I can’t tell yet");
        page.See("Blocks took the slope out");
    }

    [Fact]
    public void Leaves_are_read_as_a_pair_and_weighed_with_the_pests()
    {
        using var page = new Page(demo: true);
        page.Go("/judge/brix/8");
        page.See("its own middle half");
        page.Click("top and bottom");
        page.See("Top and bottom leaves: first half");
        page.Fill("Brix, one after another", "10.0 11.2 11.8");
        page.Click("Keep these readings");
        page.Click("now the bottom leaves");
        page.See("second half");
        page.Fill("Brix, one after another", "7.6 9.0 9.6");
        page.Click("Keep these readings");
        page.See("more than the noise");
        page.See("look at potassium");
        page.Fill("Pest", "aphids");
        page.Fill("How many", "3");
        page.Fill("Worth acting from", "10");
        page.Click("Keep the count");
        page.See("3 aphids against a threshold of 10");
        page.Click("Schools differ: Which line does a reading have to pass?");
        page.See("12 for all");
    }

    [Fact]
    public void A_table_from_elsewhere_comes_in_and_sites_are_put_together()
    {
        using var page = new Page(demo: true);
        var folder = Directory.CreateTempSubdirectory("mudpie-table-").FullName;
        File.WriteAllText(Path.Combine(folder, "fennel.csv"),
            "block,treatment,kg\n1,nothing,2.1\n1,castings,2.6\n2,nothing,2.3\n2,castings,2.9\n"
                + "3,nothing,2.0\n3,castings,2.5\n4,nothing,2.2\n4,castings,NA\n");
        File.WriteAllText(Path.Combine(folder, "neighbour.csv"), "label,difference,standard_error\nover the creek,0.11,0.07\n");
        page.Go("/judge");
        page.Click("Bring a trial from a file");
        page.Bring(Path.Combine(folder, "fennel.csv"));
        page.See("8 rows, 3 columns");
        page.Press("//fieldset[legend[contains(.,'Measured')]]//*[@role='checkbox'][@aria-label='kg']");
        page.Press("//fieldset[legend[contains(.,'What was done')]]//*[@role='checkbox'][@aria-label='treatment']");
        page.Press("//label[contains(.,'Block, or pair')]/select/option[.='block']");
        page.Click("Bring it in");
        page.See("no question");
        page.Fill("The question", "Do castings lift fennel?");
        page.Fill("Crop", "fennel");
        page.Click("Bring it in");
        page.See("plot 8: NA in the file");
        page.See("1 plot is missing");

        page.Go("/judge/across");
        page.See("Over 3 results");
        page.Click("One result more");
        page.Type("//label[contains(.,'neighbour')]/input", Path.Combine(folder, "neighbour.csv"));
        page.See("Over 4 results");
        page.Click("leave out: over the creek");
        page.Fill("Why does it not count?", "another soil");
        page.Click("Leave it out");
        page.See("left out: another soil");
        page.See("Over 3 results");
    }

    [Fact]
    public void A_count_of_pests_is_held_against_money_and_waits()
    {
        using var page = new Page(demo: true);
        page.Go("/look/leaves/12");
        page.See("Pests: act, or wait?");
        page.Fill("Pest", "whitefly");
        page.Fill("How many", "60");
        page.Fill("Looked at, so many", "20");
        page.Fill("An enemy of it", "tiny wasps");
        page.Fill("How many of those", "8");
        page.Click("Work it out from money");
        page.Fill("The control costs", "60");
        page.Fill("The crop is worth", "0.5");
        page.Fill("Lost by one", "20");
        page.Fill("The control kills", "0");
        page.Click("Keep the count");
        page.See("0 is too little");
        page.Fill("The control kills", "75");
        page.See("Worth acting from 8 a plant");
        page.Click("Keep the count");
        page.See("3 whitefly against a threshold of 8, well below: wait, and look again in a week.");
        page.See("60 whitefly on 20: 3 a plant, threshold 8 from money; tiny wasps 0.4");
    }
}
