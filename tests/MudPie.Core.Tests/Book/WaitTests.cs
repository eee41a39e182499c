using MudPie.Core.Book;

namespace MudPie.Core.Tests.Book;

public class WaitTests
{
    private static readonly DateTimeOffset May = new(2026, 5, 1, 18, 0, 0, TimeSpan.Zero);
    private static readonly Dictionary<string, (double, string)> None = [];

    [Fact]
    public void A_brew_where_things_are_eaten_raw_waits_a_hundred_and_twenty_days()
    {
        var wait = HarvestWaits.Running([new("leaf tea", "brew", May)], May.AddDays(10), None, eatenRaw: true).Single();
        wait.Until.ShouldBe(new DateTimeOffset(2026, 8, 29, 18, 0, 0, TimeSpan.Zero));
        wait.Reason.ShouldStartWith("house default");
    }

    [Fact]
    public void Where_nothing_is_eaten_raw_a_brew_waits_for_nothing_and_manure_still_does()
    {
        HarvestWaits.Running([new("leaf tea", "brew", May)], May.AddDays(1), None, eatenRaw: false).ShouldBeEmpty();
        HarvestWaits.Running([new("dung", "manure", May)], May.AddDays(1), None, eatenRaw: false).Single().Days.ShouldBe(120);
    }

    [Fact]
    public void The_grower_s_own_code_comes_first_then_the_label_then_the_house()
    {
        var own = new Dictionary<string, (double, string)> { ["brew"] = (30, "our scheme, rule 4.2") };
        HarvestWaits.Running([new("tea", "brew", May)], May.AddDays(29), own, true).Single().Reason.ShouldBe("by your own code: our scheme, rule 4.2");
        HarvestWaits.Running([new("tea", "brew", May)], May.AddDays(31), own, true).ShouldBeEmpty();
        HarvestWaits.Running([new("copper", "spray", May, 14)], May.AddDays(10), None, true).Single().Reason.ShouldBe("by its label");
        HarvestWaits.Running([new("soap", "spray", May)], May.AddDays(6), None, true).Single().Days.ShouldBe(7);
    }

    [Fact]
    public void The_longest_comes_first_and_what_is_over_is_gone()
    {
        var waits = HarvestWaits.Running([new("seaweed", "biostimulant", May), new("tea", "brew", May.AddDays(-3)), new("odd", "unheard of", May)], May.AddHours(1), None, true);
        waits.Select(w => w.What).ShouldBe(["tea", "odd", "seaweed"]);
    }

    [Fact]
    public void Nutrients_are_summed_small_additions_included()
    {
        var sum = SeasonSums.Of([new("meal", 2, 0.02, 0.01, 0.03, 0.8), new("kelp", 0.01, 0.002, 0.0005, 0.02, 0)], 36).Value;
        sum.NitrogenG.ShouldBe(40.02, 1e-9);
        sum.PhosphateG.ShouldBe(20.005, 1e-9);
        sum.PotashG.ShouldBe(60.2, 1e-9);
        sum.NitrogenPerM2.ShouldBe(40.02 / 36, 1e-12);
        SeasonSums.Of([], double.NaN).Refused.ShouldNotBeNull();
    }
}
