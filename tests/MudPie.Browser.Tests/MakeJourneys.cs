using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace MudPie.Browser.Tests;

/// <summary>What is made on the ground behind: mixes from the question to their labels, a heap on a phone.</summary>
public class MakeJourneys
{
    private static string Of(string label) => $"//input[@aria-label='{label}']";

    private static void Put(Page page, string label, string text) => page.Type(Of(label), Keys.Control + "a" + Keys.Null + text);

    [Fact]
    public void Three_mixes_with_char_go_from_the_question_to_their_labels()
    {
        using var page = new Page(demo: true);
        page.Go("/make");
        page.Press("//main//a[.='A mix']");
        page.See("Everything is there: mix when you like.");
        page.Fill("What for", "Beetroot again");
        page.Fill("Sown or planted on", "20 July 2026");
        page.Unfold("Parts:");
        page.Fill("Add from the shelf", "char from hedge brash (");
        page.Press("//button[@aria-label='Add it from the shelf']");
        page.Click("+ another mix");
        page.Click("+ another mix");
        Put(page, "Name of mix 2", "a little");
        Put(page, "Name of mix 3", "more");
        void Share(string part, string mix, string percent) => Put(page, $"{part} in {mix}, per cent", percent);
        Share("coir", "a little", "55");
        Share("char from hedge brash", "a little", "5");
        Share("coir", "more", "45");
        page.See("It adds up to 85 % and not to 100.");
        Share("char from hedge brash", "more", "15");
        page.See("Charge the char from hedge brash first.");
        page.See("takes up the nitrogen that should feed the crop");
        page.Click("Charge it first");
        page.See("Begin charging by 6 Jul.");
        page.See("one part of char from hedge brash to 2.6 of");
        Put(page, "Pots of a little", "16");
        page.See("3 mixes, 40 pots");
        page.Click("Write it on the card");
        page.See("nothing is taken from the shelf");
        page.Click("The charge is laid in");
        page.See("Wait until 24 Jun before you mix.");
        page.Click("as a wrung sponge");
        page.See("the charge is as damp as it should be");
        page.Click("It is mixed");
        page.See("The char has lain 0 days of 14.");
        page.Click("Card and labels");
        page.See("mixed on ____");
        page.Count("//section[@aria-label='Labels']//img", 3);
        page.Go("/book?kind=mix");
        page.See("Beetroot again: ");
    }

    [Fact]
    public void A_line_in_a_pot_is_taken_hold_of_by_key_and_by_hand()
    {
        using var page = new Page(demo: true);
        page.Go("/make/mix/new");
        const string Line = "//*[@role='slider'][starts-with(@aria-label, 'Between ')]";
        var coir = page.Find("//input[starts-with(@aria-label, 'coir in')]").GetDomAttribute("aria-label")!;
        page.Type(Line, Keys.ArrowDown);
        page.Until(() => page.Find(Of(coir)).GetDomProperty("value") == "61", "one per cent more");
        page.Type(Line, Keys.PageUp);
        page.Until(() => page.Find(Of(coir)).GetDomProperty("value") == "56", "five less");
        new Actions(page.Driver).ClickAndHold(page.Find(Line)).MoveByOffset(0, 30).MoveByOffset(0, 12).Release().Perform();
        page.Until(() => int.Parse(page.Find(Of(coir)).GetDomProperty("value")!, null) > 66, "more of it by hand");
        page.Click("say it in buckets");
        page.Count("//main//*[@role='slider']", 0);
    }

    [Fact]
    public void A_heap_is_measured_on_a_phone_without_a_signal_and_the_reading_comes_with_its_hour()
    {
        using var page = new Page(demo: true, 390, 844);
        page.Go("/make/heap/2");
        page.See("heap 2: 61 °C, day 9");
        page.Press("//button[@aria-controls='slate'][@aria-expanded='false']");
        page.Fail("/api/", "gone");
        page.Fill("Its core", "64");
        page.Click("Log it");
        page.See("1 entry waits on this device.");
        page.LetGo();
        page.Go("/make/heap/2");
        page.See("heap 2: 64 °C, day 9");
        page.Click("Note it");
        page.Fill("Say it in a few words", "turned heap 2");
        page.See("Turned heap 2.");
        page.Click("Record it");
        page.Click("Close");
        page.Go("/make/heap/2");
        page.See("1 of 5 turnings");
    }

    [Fact]
    public void A_heap_is_solved_for_the_straw_that_it_wants_and_built()
    {
        using var page = new Page(demo: true);
        page.Go("/make/heap");
        page.Click("Build a heap");
        page.See("Build it: C:N 30");
        page.Fill("kitchen scraps", "400 L");
        page.See("where tables are a third off");
        page.Fill("And", "coffee");
        page.Press("//button[.='add']");
        page.See("2 amounts are missing.");
        page.Fill("coffee grounds", "2000 L");
        page.See("Too many coffee grounds for one heap.");
        page.Press("//button[@aria-label='Leave coffee grounds out']");
        page.See("Build it: C:N 30");
        page.Click("It is built");
        page.See("Measure its core in a day or two.");
        page.Fill("Its core", "200");
        page.Click("Log it");
        page.See("too much");
        page.Fill("Its core", "41");
        page.Click("Log it");
        page.See("41 °C: not hot yet.");
        page.Press("//button[@aria-label='Strike core 41 °C']");
        page.Fill("What was wrong with it", "the other heap");
        page.Click("Strike it");
        page.See("struck: the other heap");
        page.See("Measure its core in a day or two.");
    }

    [Fact]
    public void A_worm_tray_is_harvested_and_a_brew_can_draw_on_it()
    {
        using var page = new Page(demo: true);
        page.Go("/make");
        page.Press("//a[contains(., 'tray 1 ready')]");
        page.See("Harvest tray 1");
        page.Fill("Fed into tray 3", "300 g");
        page.Fill("of", "fish heads");
        page.Click("Log it");
        page.See("Worms won’t take fish");
        page.Fill("of", "peelings");
        page.Click("Log it");
        page.See("fed 300 g of peelings, tray 3");
        page.Press("//button[contains(., 'tray 1') and contains(., 'ready since')]");
        page.Fill("Came out of it", "24 L");
        page.Fill("Of that, sieved back", "4 L");
        page.Click("Write it down");
        page.See("20 L of castings, worm bin");
        page.See("Tray 2 may be ready: look.");
        page.Go("/brew/sources");
        page.See("castings, worm bin");
    }

    [Fact]
    public void A_burn_is_lit_quenched_felt_and_measured_on_a_phone()
    {
        using var page = new Page(demo: true, 390, 844);
        void Slate() => page.Press("//button[@aria-controls='slate'][@aria-expanded='false']");
        page.Go("/make/char/new");
        page.Fill("Wood", "painted boards");
        page.See("may not be burnt for char");
        page.Fill("Wood", "hedge brash");
        Slate();
        page.Click("Keep the plan");
        page.See("burn 3: planned");
        Slate();
        page.Click("It is lit");
        page.See("No water stands ready.");
        page.Click("A permit is there, or none is needed");
        page.Click("Water and a rake stand ready");
        page.Fill("Wind at the pit", "1");
        page.Click("It is lit");
        page.See("Lay on as the edges go white");
        page.See("Steam scalds");
        page.Fill("Water that went on", "300 L");
        page.Click("Quenched");
        page.See("Feel it for heat at");
        page.Click("warm somewhere");
        page.Click("Felt for heat");
        page.See("It is warm somewhere: dig it over");
    }

    [Fact]
    public void A_pasted_sheet_becomes_amounts_and_each_shortfall_is_chosen()
    {
        using var page = new Page(demo: true);
        page.Go("/make/sheet/new?bed=3");
        page.See("Type or paste the sheet.");
        page.Fill("Paste it", "hello there");
        page.Click("Read it");
        page.See("No line of it is understood.");
        page.Fill("Paste it", "Potassium (K); 0.2455; meq/100 g\nBoron 0.3 ppm\nSand 40 %");
        page.Click("Read it");
        page.See("Left out, as nothing here knows it: Sand 40 %");
        page.See("boron stays short: choose what to do.");
        page.See("= 96 mg/kg");
        page.Press("//*[@aria-label='What to do about boron']/button[contains(., 'leaf now')]");
        page.See("Put on potassium sulphate.");
        page.Click("Keep the sheet");
        page.See("result is there");
        page.Click("It is put on");
        page.See("corrected by the sheet");
    }

    [Fact]
    public void A_living_base_is_tested_and_corrected_by_the_litre()
    {
        using var page = new Page(demo: true);
        page.Go("/make");
        page.Press("//a[contains(., 'out for its test')]");
        page.Fill("Paste it", "K 20 ppm\nCa 120 ppm\nMg 44 ppm\nS 60 ppm");
        page.Click("Read it");
        page.See("g a litre");
        page.Click("Keep the change");
        page.See("result is there");
        page.Click("It is mixed in");
        page.See("corrected by the sheet");
        page.Click("It is ready");
        page.See("Of living base, dahlias, autumn: ready");
    }

    [Fact]
    public void Compost_goes_out_by_the_barrow_and_stands_in_the_book()
    {
        using var page = new Page(demo: true);
        page.Go("/put-out/solid?input=1&beds=3");
        page.See("108 L of leaf-mould compost");
        page.Click("as a layer");
        page.Fill("How deep", "9 cm");
        page.See("9 cm of leaf-mould compost is too thick.");
        page.Fill("How deep", "2 cm");
        page.See("720 L of leaf-mould compost: 9 barrows.");
        page.Unfold("By a spreader");
        page.Fill("The tarp", "2 m2");
        page.Fill("Lay on it after one pass", "20 L");
        page.See("2 passes");
        page.Click("It is out");
        page.See("It is in the book.");
        page.Click("See it in the book");
        page.See("leaf-mould compost on the ground");
        page.See("Ridge Bed 2: 720 L");
    }

    [Fact]
    public void A_by_product_is_run_pooled_and_sent_to_be_tested()
    {
        using var page = new Page(demo: true);
        page.Go("/make/byproduct");
        page.Fill("A litre of it weighs, kg", "9");
        page.Click("Set it up");
        page.See("9 is too much.");
        page.Fill("A litre of it weighs, kg", "0.5");
        page.Fill("What makes it", "grinder in the scullery");
        page.Click("Set it up");
        page.See("Log the first run.");
        page.Fill("How much of it", "2 kg");
        page.Click("Log the run");
        page.See("1 run lies by itself");
        page.Fill("How much of it", "3 kg");
        page.Click("Log the run");
        page.See("2 runs lie by themselves");
        page.Fill("What it measures, mixed", "4 L");
        page.Click("Pool them");
        page.See("run 1: 40 %, run 2: 60 %");
        page.See("Have pool 1 tested before it goes into a mix.");
        page.Click("have pool 1 tested");
        page.See("Type or paste the sheet.");
    }

    [Fact]
    public void Horns_go_into_the_ground_and_come_out_of_it()
    {
        using var page = new Page(demo: true);
        page.Go("/keep/almanac");
        page.See("Nettle, peat all round: lift it from 22 Jun 2026");
        page.Click("Show sowing days by the moon");
        page.See("Sowing days by the moon");
        page.Press("//main//a[.='Begin a preparation']");
        page.See("Fill the horns with fresh manure");
        page.Fill("What you call it", "six horns");
        page.Fill("Horns or pots", "6");
        page.Fill("Where, in paces", "4 paces from the post");
        page.Type("//*[@role='button'][starts-with(@aria-label, 'Hop Yard')]", Keys.Enter);
        page.Click("Set it up");
        page.See("Bury it about 23 Sep 2026.");
        page.See("marked on the plan by Hop Yard");
        page.Click("it was at another time than now");
        page.Fill("It was at", "28 Sep 2025 10:00");
        page.Click("It is buried");
        page.See("Lift it: it is time since 21 Mar 2026.");
        page.Fill("How many came out whole", "7");
        page.Fill("What it weighs", "300 g");
        page.Click("It is lifted");
        page.See("6 went in.");
        page.Fill("How many came out whole", "5");
        page.Fill("Smell", "of forest soil");
        page.Click("It is lifted");
        page.See("6 in, 5 out whole");
        page.See("300 g left: use it, or try it.");
        page.Click("Stir now: begin the hour");
        page.See("with the sun");
        page.Click("that is enough");
        page.Fill("Stirred for, hours", "1");
        page.Fill("How much of it", "36 g");
        page.Fill("Into how much water", "12.6 L");
        page.Click("It is stirred");
        page.See("Use what is stirred before");
        page.Press("//*[@role='checkbox'][starts-with(@aria-label, 'Hop Yard')]");
        page.See("By practice, for");
        page.Fill("How much goes out", "12 L");
        page.TickAll();
        page.Click("It is out");
        page.Go("/book");
        page.See("500 horn manure");
    }
}
