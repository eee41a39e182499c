using MudPie.Core.Book;
using MudPie.Core.Brewing;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.Notes;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Deeds;

public class RoomDeedTests
{
    private static readonly DateTimeOffset Now = new(2026, 6, 10, 12, 0, 0, TimeSpan.Zero);

    private static string Wrong<T>(Ruling<T> ruling, string field) =>
        ruling.Refused.ShouldNotBeNull().Problems.First(p => p.Field == field).ToString();

    [Fact]
    public void A_harvest_keeps_its_weight_in_kilograms_and_the_words_typed()
    {
        var h = BookDeeds.Harvest("garlic", BookDeeds.Weight("26 lb", UnitSystem.Metric), " dry ", null, Righted.None, Now).Value;
        h.Kg.ShouldBe(11.79, 0.01);
        (h.Typed, h.Note, h.At).ShouldBe(("26 lb", "dry", Now));
    }

    [Fact]
    public void A_harvest_of_no_bed_tomorrow_of_nothing_says_all_three()
    {
        var refused = BookDeeds.Harvest(null, BookDeeds.Weight("", UnitSystem.Metric), null, Now.AddDays(1), new Righted(4, false), Now)
            .Refused.ShouldNotBeNull();
        refused.Problems.Select(p => p.Field).ShouldBe(["bedId", "correctsId", "at", "weight"]);
        Wrong(BookDeeds.Harvest("oats", BookDeeds.Weight("1,100,000 kg", UnitSystem.Metric), null, null, Righted.None, Now), "weight")
            .ShouldContain("too much");
    }

    [Fact]
    public void Something_seen_has_words_and_a_strike_a_reason()
    {
        BookDeeds.Sight(" aphids ", true, null, Righted.None, Now).Value.Text.ShouldBe("aphids");
        Wrong(BookDeeds.Sight(" ", false, null, Righted.None, Now), "text").ShouldContain("nothing in it");
        Wrong(BookDeeds.Sight(new string('x', 1001), true, null, Righted.None, Now), "text").ShouldContain("too long");
        Wrong(BookDeeds.Strike(true, "no"), "why").ShouldContain("not said why");
        Wrong(BookDeeds.Strike(false, "never happened"), "id").ShouldContain("put right already");
    }

    private static Ruling<StockChange> Counted(StockReason reason, string typed, double left = 3.2) =>
        StockDeeds.Enter(7, left, reason, StockDeeds.Amount(typed, true, 0, UnitSystem.Metric), null, l => $"{Say.Number(l)} L");

    [Fact]
    public void A_count_enters_the_difference_and_a_spill_what_went()
    {
        Counted(StockReason.Count, "3 L").Value.Amount.ShouldBe(-0.2, 1e-9);
        Counted(StockReason.Count, "5 L").Value.Amount.ShouldBe(1.8, 1e-9);
        Counted(StockReason.Spilt, "500 ml").Value.ShouldBe(new StockChange(7, -0.5, StockReason.Spilt, null, "500 ml"));
        Wrong(Counted(StockReason.Spilt, "4 L"), "amount").ShouldContain("only 3.2 L");
        Wrong(Counted(StockReason.Used, "1 L"), "reason").ShouldContain("not entered by hand");
    }

    [Fact]
    public void A_use_beyond_the_book_leaves_the_book_at_nought_and_says_that_there_was_more()
    {
        var (draws, entries) = StockDeeds.Use(new DrawAnswer([new Draw(1, "F-24", 2), new Draw(2, "F-25", 1)], 0.5), (2, "F-25"));
        draws.Sum(d => d.Amount).ShouldBe(3.5);
        entries.Where(e => e.Reason == StockReason.More).ShouldHaveSingleItem().Amount.ShouldBe(0.5);
        entries.Where(e => e.LotId == 2).Sum(e => e.Amount).ShouldBe(-1); // what the book held of it, and no more
        StockDeeds.GiveBack([(1, -2.0)], "never happened").ShouldHaveSingleItem().Amount.ShouldBe(2);
        StockDeeds.Use(new DrawAnswer([], 1), null).Entries.ShouldBeEmpty();
    }

    private static readonly PlotMeasure Weight = new("fresh weight", Scale.Amount, 0.1, 20, "kg", null);
    private static readonly PlotMeasure Up = new("seeds up", Scale.Count, 0, 48, "", 48);

    [Theory]
    [InlineData("44/48", 44.0, 48.0)]
    [InlineData("44", 44.0, 48.0)]
    public void A_count_is_so_many_out_of_so_many(string typed, double value, double outOf)
    {
        var figure = PlotFigure.Read(Up, typed, null, false).Value;
        (figure.Value, figure.OutOf).ShouldBe((value, outOf));
    }

    [Theory]
    [InlineData("49/48", "can’t be")]
    [InlineData("4.5", "can’t be")]
    [InlineData("many", "no figure")]
    [InlineData("", "Nothing was typed")]
    public void A_count_that_can_not_be_is_none(string typed, string says) =>
        PlotFigure.Read(Up, typed, null, false).Refused.ShouldNotBeNull().ToString().ShouldContain(says);

    [Fact]
    public void What_is_not_likely_is_kept_only_on_purpose_and_another_figure_only_for_a_reason()
    {
        var sheet = new SheetStands(TrialState.Growing, Weight, true, Now.Date, Now.Date, Now, null);
        Wrong(SheetDeeds.Measure(sheet, "31", null, false, null), "keepAnyway").ShouldContain("more than is likely");
        SheetDeeds.Measure(sheet, "31", null, true, null).Value.ShouldNotBeNull().KeptAnyway.ShouldBeTrue();
        var there = sheet with { There = new PlotFigure(3.1) };
        Wrong(SheetDeeds.Measure(there, "3.2", null, false, " "), "correctionWhy").ShouldContain("3.1 stands there");
        SheetDeeds.Measure(there, "3.1", null, false, null).Value.ShouldBeNull();
        SheetDeeds.Measure(there, "3.2", null, false, "misread").Value.ShouldBe(new PlotFigure(3.2));
        Wrong(SheetDeeds.Measure(sheet with { State = TrialState.Planned }, "3", null, false, null), "trial").ShouldContain("not begun");
        Wrong(SheetDeeds.Measure(sheet with { On = Now.AddDays(3) }, "3", null, false, null), "on").ShouldContain("not come yet");
    }

    private static readonly MixAnswer Stopped =
        new([], [], new Verdict(Tone.Stop, "Copper and a live brew.", "It kills what is living."));

    [Fact]
    public void A_rule_is_set_aside_only_for_ten_letters_and_a_gas_never()
    {
        var job = new JobStands("It smells sour.", null, Stopped, [Cautions.Spraying], []);
        var refused = PutOutDeeds.Keep(job, new JobSaid("no time", "x", [])).Refused.ShouldNotBeNull();
        refused.Problems.Select(p => p.Field).ShouldBe(["overrideWhy", "mixWhy", "cautionsSeen"]);
        var kept = PutOutDeeds.Keep(job, new JobSaid("onto the heap's edge", "nothing else to hand", ["spraying"])).Value;
        (kept.OverrideWhy, kept.MixWhy).ShouldBe(("onto the heap's edge", "nothing else to hand"));

        var gas = new MixPair("bleach", "acid", "never", 0, "in the tank", "Chlorine gas.", Evidence.ChemistryOrPhysics, false, true);
        Wrong(PutOutDeeds.Keep(job with { NotFit = null, Mixing = Stopped with { Pairs = [gas] } },
            new JobSaid(null, "nothing else to hand", ["spraying"])), "items").ShouldContain("No reason sets this aside");
    }

    [Fact]
    public void A_sprayer_that_is_not_allowed_keeps_a_job_back_and_so_does_a_short_shelf()
    {
        var poison = new SprayerRuling(false, new Verdict(Tone.Stop, "It held poison.", "Not for living things."), []);
        var refused = PutOutDeeds.Keep(new JobStands(null, poison, null, [], [("kelp", "0.2 L short")]), new JobSaid(null, null, []))
            .Refused.ShouldNotBeNull();
        refused.Problems.Select(p => p.Field).ShouldBe(["sprayerId", "items"]);
        PutOutDeeds.Keep(new JobStands(null, null, null, [Cautions.StockShort], [("kelp", "0.2 L short")]),
            new JobSaid(null, null, [Cautions.StockShort.Id])).Refused.ShouldBeNull();
    }

    [Fact]
    public void A_tally_is_of_a_lot_or_of_a_brew_that_is_there()
    {
        var tally = new TallyQuestion { Fields = [], Objective = 40, FieldNumberMm = 20, CoverSlipMm2 = 324, DropMl = 0.05 };
        var refused = TallyDeeds.Count("source", tally, false, true, Now.AddHours(1), Now).Refused.ShouldNotBeNull();
        refused.Problems.Select(p => p.Field).ShouldContain("inputId");
        refused.Problems.Select(p => p.Field).ShouldContain("at");
        refused.Problems.ShouldContain(p => p.Field.StartsWith("tally.", StringComparison.Ordinal));
        Wrong(TallyDeeds.Count("somewhere", tally, true, true, Now, Now), "stage").ShouldContain("not known");
    }

    [Theory]
    [InlineData("sprayed 30 ml kelp on ridge bed 4 with the old knapsack", "the old knapsack")]
    [InlineData("used 30 ml kelp on ridge bed 4 by boom", "400 L mounted boom")]
    [InlineData("used 30 ml kelp on ridge bed 4", null)]
    public void A_sprayer_named_in_a_note_is_that_one(string phrase, string? tool) =>
        (NoteIt.Read(phrase, Names).Value.Tool?.Name).ShouldBe(tool);

    [Fact]
    public void One_of_two_knapsacks_has_to_be_told_apart() =>
        Wrong(NoteIt.Read("used 30 ml kelp on ridge bed 4 with the knapsack", Names), "text").ShouldContain("It can mean");

    private static readonly Nameable[] Names = [new(NameOf.Bed, 1, "Ridge Bed 4", ["fennel"]), new(NameOf.Input, 2, "kelp liquid", []),
        new(NameOf.Sprayer, 3, "15 L knapsack, kept for biology", []), new(NameOf.Sprayer, 4, "the old knapsack", []),
        new(NameOf.Sprayer, 5, "400 L mounted boom", [])];

    [Theory]
    [InlineData("64 F", "17.8 °C", "typed “64 F”")]
    [InlineData("6.7", "6.7 mg/L", null)]
    [InlineData(null, "6.7 mg/L", null)]
    public void The_words_typed_are_shown_where_they_say_more(string? typed, string shown, string? says) =>
        AsTyped.Beside(typed, shown).ShouldBe(says);
}
