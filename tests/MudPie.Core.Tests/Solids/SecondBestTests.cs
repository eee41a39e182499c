using MudPie.Core.Mixing;
using MudPie.Core.Solids;

namespace MudPie.Core.Tests.Solids;

/// <summary>What fails one gate may pass another.</summary>
public sealed class SecondBestTests
{
    private static readonly DateTimeOffset Now = new(2026, 5, 1, 8, 0, 0, TimeSpan.Zero);

    private static readonly SecondBed[] Beds = [new("Ridge Bed 1", false, true), new("the Currant Rows", true, true), new("the Lawn",
        false, false)];

    private static SecondAnswer Of(string name, string kind, params FailWhy[] why) =>
        SecondBest.Of(new SecondQuestion(name, kind, why, Beds, Now)).Value;

    [Fact]
    public void Unfinished_compost_mulches_trees_at_once()
    {
        var a = Of("compost, heap 3", "compost", FailWhy.Unfinished);
        a.Ways[0].Way.ShouldBe("on trees and shrubs as a mulch");
        a.Ways[0].Beds.ShouldBe(["the Currant Rows"]);
        a.Ways[0].From.ShouldBe(Now);
        a.Mistakes.ShouldContain(m => m.NitrogenGPerM2 > 0 && m.Weeks > 0);
    }

    [Fact]
    public void Raw_char_is_charged_before_it_is_mixed()
    {
        var a = Of("char, raw", "char", FailWhy.RawChar);
        a.Ways.Select(w => w.Way).ShouldContain("onto a heap");
        a.Ways.First(w => w.Way == "into a mix, charged").From.ShouldBe(Now.AddDays(14));
        a.Mistakes[0].Weeks.ShouldBe(16);
    }

    [Fact]
    public void Grounds_want_half_a_year() =>
        Of("coffee grounds", "part", FailWhy.RawGrounds).Ways.First(w => w.Way == "on ground that is not eaten from")
            .Mind.ShouldContain("30 Oct 2026");

    [Fact]
    public void What_fails_twice_may_only_do_what_both_allow()
    {
        var a = Of("compost", "compost", FailWhy.RawManure, FailWhy.Diseased);
        a.Ways.Select(w => w.Way).ShouldBe(["onto a heap"]);
        a.Ways[0].Mind.ShouldContain("Hot only");
        var later = Of("compost", "compost", FailWhy.Unfinished, FailWhy.Airless);
        later.Ways.First(w => w.Way == "onto a heap").From.ShouldBe(Now.AddDays(7)); // the later of both
    }

    [Fact]
    public void What_a_weed_killer_is_in_goes_on_no_heap()
    {
        var a = Of("hay compost", "compost", FailWhy.Sprayed);
        a.Ways.ShouldHaveSingleItem().Beds.ShouldBe(["the Lawn"]);
        Of("hay compost", "compost", FailWhy.Sprayed, FailWhy.Diseased).Verdict.Tone.ShouldBe(Tone.Stop);
    }

    [Theory]
    [InlineData("hay was sprayed with herbicide", FailWhy.Sprayed)]
    [InlineData("potato blight went in", FailWhy.Diseased)]
    [InlineData("smells sour", FailWhy.Airless)]
    [InlineData("carrot tops, a shot of paint", FailWhy.Unfit)]
    [InlineData("root rot last year", FailWhy.Diseased)]
    [InlineData("weed-killer on the hay", FailWhy.Sprayed)]
    [InlineData("not finished", FailWhy.Unfinished)]
    [InlineData("maggots", FailWhy.Unfit)]
    [InlineData(null, FailWhy.Unfit)]
    public void Words_are_read_for_the_reason(string? words, FailWhy why) => SecondBest.InWords(words).ShouldBe(why);

    [Fact]
    public void The_mistake_is_counted_in_nitrogen()
    {
        var robbed = Of("wood chip", "part", FailWhy.Unfit).Mistakes.ShouldHaveSingleItem();
        var chip = Materials.Find("chip")!;
        var net = NitrogenDrawdown.NetG(10 * chip.KgPerL, chip.Carbon, chip.Nitrogen, chip.Moisture, chip.DecayPerWeek,
            robbed.Weeks!.Value);
        robbed.NitrogenGPerM2!.Value.ShouldBe(-net, 1e-9);
    }

    [Fact]
    public void Every_reason_says_something()
    {
        foreach (var why in Enum.GetValues<FailWhy>())
        {
            var a = Of("something", "compost", why);
            a.Ways.ShouldNotBeEmpty();
            a.Verdict.Sentence.ShouldNotBeEmpty();
            SecondBest.Said(why).ShouldNotBeEmpty();
        }
    }
}
