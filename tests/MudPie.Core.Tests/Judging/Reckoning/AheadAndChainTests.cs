using FsCheck.Xunit;
using MudPie.Core.Brewing;
using MudPie.Core.Judging.Reckoning;

namespace MudPie.Core.Tests.Judging.Reckoning;

/// <summary>Hours ahead against those there are, and organisms on their way from compost to soil.</summary>
public class AheadAndChainTests
{
    private static readonly DateOnly Monday = new(2026, 6, 8);

    private static AheadItem Item(string key, int day, double hours, ReckonWord? word = null, string kind = "giving",
        double? worth = null) => new(key, key, kind, Monday.AddDays(day), hours * 60, "/") { Word = word, WorthAnHour = worth };

    [Fact]
    public void What_does_not_fit_is_said_and_the_least_worth_could_go_first()
    {
        AheadItem[] items = [Item("dud", 1, 5, ReckonWord.Drop, worth: -30), Item("good", 2, 4, ReckonWord.Keep, worth: 80),
            Item("trial", 3, 2, kind: "trial"), Item("next week", 9, 3)];
        var a = SeasonAhead.Of(items, Monday.AddDays(2), 3, 6, []).Value;
        a.Weeks.Select(w => (w.From, w.Hours, w.Over)).ShouldBe([(Monday, 11, 5), (Monday.AddDays(7), 3, 0), (Monday.AddDays(14), 0, 0)]);
        a.CouldGo.Select(i => i.Key).ShouldBe(["dud"]);
        (a.StillOver, a.Hours).ShouldBe((0, 14));
        a.Sentence.ShouldContain("1 week of 3 does not fit into 6 h");
        var dropped = SeasonAhead.Of(items, Monday, 3, 6, ["dud"]).Value;
        dropped.Weeks[0].Over.ShouldBe(0);
        dropped.CouldGo.ShouldBeEmpty();
        dropped.Sentence.ShouldContain("every week fits");
        SeasonAhead.Of([], Monday, 3, 6, []).Value.Sentence.ShouldBe("Nothing is planned yet.");
    }

    [Fact]
    public void Nobody_knows_goes_before_a_trial_and_what_paid_goes_last()
    {
        AheadItem[] items = [Item("paid", 0, 1, ReckonWord.Keep), Item("walk", 0, 1, kind: "check"), Item("trial", 0, 1, kind: "trial"),
            Item("again", 0, 1, ReckonWord.TestAgain), Item("nobody", 0, 1, ReckonWord.TestOrDrop), Item("dud", 0, 1, ReckonWord.Drop)];
        SeasonAhead.Of(items, Monday, 1, 0, []).Value.CouldGo.Select(i => i.Key)
            .ShouldBe(["dud", "nobody", "again", "trial", "walk", "paid"]);
    }

    [Property(MaxTest = 100)]
    public void Once_what_could_go_is_gone_every_week_fits(byte[] hours, byte there)
    {
        var items = (hours ?? []).Select((h, i) => Item($"i{i}", i % 40, h / 20.0, (ReckonWord)(i % 4))).ToList();
        var a = SeasonAhead.Of(items, Monday, 8, there / 25.0, []).Value;
        var after = SeasonAhead.Of(items, Monday, 8, there / 25.0, [.. a.CouldGo.Select(i => i.Key)]).Value;
        after.Weeks.Count(w => w.Over > 1e-6).ShouldBe(a.StillOver);
        a.Weeks.Sum(w => w.Hours).ShouldBe(a.Hours, 1e-9);
    }

    [Theory]
    [InlineData(0, 6, "weeks")]
    [InlineData(99, 6, "weeks")]
    [InlineData(4, -1, "hoursAWeek")]
    [InlineData(4, double.NaN, "hoursAWeek")]
    public void Nonsense_is_refused_by_name(int weeks, double hours, string field) =>
        SeasonAhead.Of([], Monday, weeks, hours, []).Refused!.Problems[0].Field.ShouldBe(field);

    private static TallyQuestion Tally(params double[] bacteria) => new() {
        FieldNumberMm = 18, Objective = 40, CoverSlipMm2 = 324, DropMl = 0.05, Dilution = 1,
        Fields = [.. bacteria.Select(b => new TallyField { Bacteria = b })],
    };

    private static ChainCount Count(TallyStage stage, string machine, int year, params double[] bacteria) =>
        new(0, stage, new DateOnly(year, 6, 1), machine, Tally(bacteria), 1);

    [Fact]
    public void A_pump_that_breaks_them_is_named_with_its_interval()
    {
        double[] many = [.. Enumerable.Repeat(40.0, 20)], half = [.. Enumerable.Repeat(20.0, 20)];
        var lines = HarmChain.Of([Count(TallyStage.AfterPump, "boom", 2025, half), Count(TallyStage.BeforePump, "boom", 2025, many),
            Count(TallyStage.Nozzle, "boom", 2025, half), Count(TallyStage.BeforePump, "can", 2026, many),
            Count(TallyStage.AfterPump, "can", 2026, many)], "bacteria").Value;
        lines.Select(l => (l.Machine, l.Year)).ShouldBe([("can", 2026), ("boom", 2025)]);
        var boom = lines[1];
        boom.Points.Select(p => p.Stage).ShouldBe([TallyStage.BeforePump, TallyStage.AfterPump, TallyStage.Nozzle]);
        var whole = Microscope.CameThrough(many, half).Value; // the harm test says the same
        (boom.Links[0].Share, boom.Links[0].Lost).ShouldBe((whole.Share, true));
        boom.Links[0].Low.ShouldBe(whole.Low95, 1e-7);
        boom.Links[0].High.ShouldBe(whole.High95, 1e-7);
        boom.Links[1].Lost.ShouldBeFalse();
        boom.Sentence.ShouldContain("before the pump and behind the pump");
        lines[0].Sentence.ShouldBe("No step of it loses any that could be told.");
    }

    [Fact]
    public void None_seen_behind_a_pump_is_lost_only_where_enough_were_seen_before_it()
    {
        double[] none = [.. Enumerable.Repeat(0.0, 20)];
        ChainLink Link(double before) => HarmChain.Of([Count(TallyStage.BeforePump, "boom", 2026, [.. Enumerable.Repeat(before, 20)]),
            Count(TallyStage.AfterPump, "boom", 2026, none)], "bacteria").Value[0].Links[0];
        (Link(5).Share, Link(5).Lost).ShouldBe((0, true));
        Link(0.1).Lost.ShouldBeFalse();
        HarmChain.Of([Count(TallyStage.BeforePump, "boom", 2026, none), Count(TallyStage.AfterPump, "boom", 2026, 3)], "bacteria").Value[0]
            .Links.ShouldBeEmpty(); // of nothing, nothing can be lost
    }

    [Fact]
    public void Brewing_multiplies_and_ground_dilutes_and_neither_is_harm()
    {
        var line = HarmChain.Of([Count(TallyStage.Source, "", 2026, 90, 95, 88), Count(TallyStage.Extracted, "", 2026, 20, 22, 19),
            Count(TallyStage.End, "", 2026, 80, 84, 79), Count(TallyStage.Soil, "", 2026, 2, 3, 2)], "bacteria").Value.Single();
        line.Links[1].Says.ShouldContain("they grow here");
        line.Links[2].Lost.ShouldBeTrue();
        line.Sentence.ShouldBe("No step of it loses any that could be told.");
        HarmChain.Of([], "bacteria").Value.ShouldBeEmpty();
        HarmChain.Of([Count(TallyStage.End, "a", 2026, 3)], "hyphae").Value.ShouldBeEmpty(); // one stage is no way
        HarmChain.Of([], "dogs").Refused!.Problems[0].Field.ShouldBe("group");
    }
}
