using MudPie.Core.Book;

namespace MudPie.Core.Tests.Book;

public class WaitTests
{
    private static readonly DateTimeOffset May = new(2026, 5, 1, 18, 0, 0, TimeSpan.Zero);
    private static readonly Dictionary<string, (double, string)> None = [];

    private static readonly BrewOrigin Fed = new(Fed: true, ManureFree: true), Unfed = new(false, true), Unasked = new(false, false);

    private static (double Days, string Why, IReadOnlyList<string> Lifts) Wait(BrewOrigin? origin, Eaten eaten, bool leaf = true) =>
        HarvestWaits.DaysFor(new("tea", "brew", May, null, origin, leaf), None, eaten);

    [Fact]
    public void A_fed_brew_that_nobody_tested_waits_a_hundred_and_twenty_days_where_the_eaten_part_touches_soil_or_spray_and_ninety_else()
    {
        Wait(Fed, Eaten.Touches, leaf: false).Days.ShouldBe(120);
        Wait(Fed, Eaten.Clear, leaf: true).Days.ShouldBe(120);
        Wait(Fed, Eaten.Clear, leaf: false).Days.ShouldBe(90);
        HarvestWaits.Running([new("leaf tea", "brew", May)], May.AddDays(10), None, Eaten.Touches)
            .Single().Until.ShouldBe(new DateTimeOffset(2026, 8, 29, 18, 0, 0, TimeSpan.Zero));
    }

    [Fact]
    public void A_clear_germ_test_or_two_clean_batches_before_lift_it_and_the_plan_says_what_would()
    {
        Wait(Fed with { TestedClean = true }, Eaten.Touches).Days.ShouldBe(0);
        Wait(Fed with { TwoCleanBefore = true }, Eaten.Touches).Days.ShouldBe(0);
        var lifts = string.Join("; ", Wait(Fed, Eaten.Clear).Lifts);
        lifts.ShouldContain("germ test");
        lifts.ShouldContain("unfed extract");
        lifts.ShouldContain("roots and not leaves");
        Wait(new(true, false), Eaten.Touches).Lifts.ShouldContain(l => l.Contains("another source"));
    }

    [Fact]
    public void An_unfed_extract_of_a_source_without_raw_manure_waits_for_nothing_and_one_of_an_unknown_source_does()
    {
        Wait(Unfed, Eaten.Touches).Days.ShouldBe(0);
        Wait(Unfed, Eaten.Touches).Why.ShouldContain("wash before eating");
        Wait(Unasked, Eaten.Touches).Days.ShouldBe(120);
    }

    [Fact]
    public void Flowers_wait_for_nothing_and_pasture_for_its_own_days()
    {
        Wait(Fed, Eaten.Nothing).Days.ShouldBe(0);
        Wait(Fed, Eaten.Grazed).Days.ShouldBe(HarvestWaits.House["grazing"].Days);
        HarvestWaits.DaysFor(new("tea", "brew", May, null, Fed), new Dictionary<string, (double, string)> { ["grazing"] = (10, "our vet") },
            Eaten.Grazed).Days.ShouldBe(10);
        HarvestWaits.DaysFor(new("dung", "manure", May, null, null, false), None, Eaten.Clear).Days.ShouldBe(90);
    }

    [Fact]
    public void The_grower_s_own_code_comes_first_then_the_label_then_the_house()
    {
        var own = new Dictionary<string, (double, string)> { ["brew"] = (30, "our scheme, rule 4.2") };
        HarvestWaits.Running([new("tea", "brew", May)], May.AddDays(29), own, Eaten.Touches)
            .Single().Reason.ShouldBe("by your own code: our scheme, rule 4.2");
        HarvestWaits.Running([new("tea", "brew", May)], May.AddDays(31), own, Eaten.Touches).ShouldBeEmpty();
        HarvestWaits.Running([new("copper", "spray", May, 14)], May.AddDays(10), None, Eaten.Touches)
            .Single().Reason.ShouldBe("by its label");
        HarvestWaits.Running([new("soap", "spray", May)], May.AddDays(6), None, Eaten.Touches).Single().Days.ShouldBe(7);
    }

    [Fact]
    public void The_longest_comes_first_and_what_is_over_is_gone()
    {
        var waits = HarvestWaits.Running([new("seaweed", "biostimulant", May), new("tea", "brew", May.AddDays(-3)),
            new("odd", "unheard of", May)], May.AddHours(1), None, Eaten.Touches);
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
