using MudPie.Core.Judging;

namespace MudPie.Core.Tests.Judging;

/// <summary>Pests against a threshold from money, with their enemies.</summary>
public class PestTests
{
    [Fact]
    public void A_threshold_is_worked_out_from_money()
    {
        var worked = HoldOrSpray.Threshold(new(60, 0.5, 20, 0.75)).Worked;
        worked.Value.ShouldBe(8, 1e-12);
        worked.Working[0].Figures.ShouldBe("60 ÷ (0.5 × 20 × 0.75)");
        HoldOrSpray.Threshold(new(120, 0.5, 20, 0.75)).Value.ShouldBe(16, 1e-12, "twice the cost, twice the pests");
        HoldOrSpray.Threshold(new(null, 0, -1, 1.2)).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["cost", "price", "loss", "killShare"]);
        HoldOrSpray.Threshold(new(double.NaN, 1, 1, 1)).Refused!.Problems[0].Field.ShouldBe("cost");
    }

    [Theory]
    [InlineData(8, "act", 1)]
    [InlineData(7.9, "watch", 2)]
    [InlineData(4, "watch", 2)]
    [InlineData(3.9, "wait", 7)]
    [InlineData(0, "wait", 7)]
    public void Without_leaves_the_count_alone_says_act_watch_or_wait(double count, string word, double days)
    {
        var advice = HoldOrSpray.Of(null, "", "aphids", count, 8).Worked;
        (advice.Value.Word, advice.Value.LookAgainDays).ShouldBe((word, days));
        advice.Working.ShouldNotContain(l => l.Name == "leaves");
        advice.Cautions.Count.ShouldBe(word == "act" ? 1 : 0);
    }

    [Fact]
    public void Few_plants_looked_at_may_hide_more_than_the_threshold()
    {
        HoldOrSpray.Of(null, "", "aphids", 3, 8, new PestBeside(3, 1)).Value.Word.ShouldBe("watch", "three on one plant may be 8.8");
        HoldOrSpray.Of(null, "", "aphids", 3, 8, new PestBeside(60, 20)).Value.Word.ShouldBe("wait");
        HoldOrSpray.Of(null, "", "aphids", 3, 8, new PestBeside(60, 20)).Worked.Working[0].Result.ShouldBe("3, 2.3 to 3.9");
    }

    [Fact]
    public void Enemies_that_keep_up_are_said_where_waiting_is_advised()
    {
        var kept = HoldOrSpray.Of(null, "", "aphids", 3, 8, new PestBeside(60, 20, "ladybirds", 0.5)).Worked;
        kept.Value.Sentence.ShouldEndWith("One of ladybirds to 6: they may keep up; a spray would kill them too.");
        HoldOrSpray.Of(null, "", "aphids", 3, 8, new PestBeside(60, 20, "ladybirds", 0.1)).Value.Sentence.ShouldNotContain("keep up");
        HoldOrSpray.Of(null, "", "aphids", 9, 8, new PestBeside(180, 20, "ladybirds", 4)).Value.Sentence.ShouldNotContain("keep up");
        HoldOrSpray.Of(true, "as usual", "aphids", 3, 8, new PestBeside(60, 20, "ladybirds", 0.5)).Value.Sentence.ShouldContain("keep up");
    }
}
