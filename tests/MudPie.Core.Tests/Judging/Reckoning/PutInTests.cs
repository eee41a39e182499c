using FsCheck.Xunit;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Measures;
using MudPie.Core.Shelf;

namespace MudPie.Core.Tests.Judging.Reckoning;

/// <summary>Jobs taken apart and added up again: nothing is lost on the way, however it is cut.</summary>
public class PutInTests
{
    private static readonly DateOnly May = new(2026, 5, 3);

    private static ThingOut Tea => new("making-tea", "tea", 4, [new("brew-source", 20), new("lot", 10, true)], []) { Making = Making.Tea };

    private static ThingOut Seaweed => new("input-7", "liquid seaweed", 1, [], []) { InputId = 7 };

    private static JobOut Job(params ThingOut[] things) => new(1, May, [new(1, "Ridge Bed 1", "garlic", 11, 36, 0.5),
        new(2, "Ridge Bed 2", "fennel, bulb", null, 72, 0.5)], things, [new("out-set", 18), new("out-load", 12)], 200);

    [Fact]
    public void A_job_is_shared_by_its_things_and_its_ground_and_a_brew_keeps_its_own_making()
    {
        var parts = PutIn.Parts([Job(Tea, Seaweed)], new ReckoningTerms { WaterPerM3 = 2, Trip = 0.6 });
        parts.Select(p => p.Practice).ShouldBe(["making-tea.garlic", "making-tea.fennel", "input-7.garlic", "input-7.fennel"]);
        parts[0].Minutes.ShouldBe((30 / 4.0) + (30 / 2.0)); // a quarter of the job, half of the making
        parts[2].Minutes.ShouldBe(30 / 4.0);
        parts[0].Money.ShouldBe((4 + 0.5) / 2, 1e-12); // 0.4 of water and 0.6 for the way, by halves
        PutIn.Sum(parts).Hours.ShouldBe(1, 1e-12);
        PutIn.Sum(parts).LoggedHours.ShouldBe(10 / 60.0, 1e-12);
        PutIn.Sum(parts).Money.ShouldBe(6, 1e-12);
    }

    [Property(MaxTest = 60)]
    public void However_it_is_cut_hours_and_money_are_the_same(byte things, byte beds, ushort minutes, ushort money)
    {
        var (n, m) = ((things % 4) + 1, (beds % 5) + 1);
        var job = new JobOut(3, May,
            [.. Enumerable.Range(0, m).Select(i => new GroundOut(i, $"bed {i}", i % 2 == 0 ? "oats" : "", i, 10 + i, 1.0 / m))],
            [.. Enumerable.Range(0, n).Select(i => new ThingOut($"input-{i}", $"thing {i}", money, [new("lot", 3, true)], []))],
            [new("out-set", minutes)], 50);
        var parts = PutIn.Parts([job], new ReckoningTerms { WaterPerM3 = 3 });
        foreach (var cut in new Func<PutInPart, object>[] { p => p.Practice, p => p.Ground.BedId, p => p.Thing.Key, p => p.On })
        {
            parts.GroupBy(cut).Sum(g => PutIn.Sum(g).Hours).ShouldBe((minutes + (3 * n)) / 60.0, 1e-9);
            parts.GroupBy(cut).Sum(g => PutIn.Sum(g).Money).ShouldBe((money * n) + 0.15, 1e-6);
        }
    }

    [Fact]
    public void A_bed_counts_once_however_often_it_got_it()
    {
        var parts = PutIn.Parts([Job(Seaweed), Job(Seaweed) with { Id = 2 }], new ReckoningTerms());
        var sum = PutIn.Sum(parts);
        (sum.Jobs, sum.AreaM2).ShouldBe((2, 108));
        PutIn.CostPerHa(sum, 12)!.Value.ShouldBe((2 + (1 * 12)) / 0.0108, 1e-6); // an hour in all
        PutIn.CostPerHa(sum, null)!.Value.ShouldBe(2 / 0.0108, 1e-9);
    }

    [Fact]
    public void What_has_no_price_is_not_nought_and_nothing_is_divided_by_no_ground()
    {
        var unknown = PutIn.Sum(PutIn.Parts([Job(Seaweed with { Money = 0, Unpriced = ["liquid seaweed"] })], new ReckoningTerms()));
        PutIn.CostPerHa(unknown, 12).ShouldBeNull();
        unknown.Says.ShouldContain("money not known (liquid seaweed)");
        PutIn.CostPerHa(PutIn.Sum([]), 12).ShouldBeNull();
        PutIn.Parts([Job()], new ReckoningTerms()).ShouldBeEmpty();
    }

    [Fact]
    public void Usual_minutes_are_the_growers_where_said()
    {
        var own = new UsualMinutes(new Dictionary<string, double> { ["out-load"] = 9 });
        (own.Of("out-load"), own.Of("out-set"), own.Of("nonsense")).ShouldBe((9, 15, 0));
        (own.Own("out-load"), own.Own("out-set")).ShouldBe((true, false));
        own.Job(0, 2, new SquareMetres(0)).ShouldBe(15 + 18);
        UsualMinutes.House.Select(s => s.Id).ShouldBeUnique();
        UsualMinutes.OfPlan("feed-6").ShouldBe("brew-foods");
        UsualMinutes.OfPlan("wash").ShouldBeNull();
        foreach (var id in Enum.GetValues<HeapStep>().Select(UsualMinutes.OfHeap)
            .Concat(Enum.GetValues<MixStep>().Select(UsualMinutes.OfMix)).Concat(Enum.GetValues<WorkStep>().Select(UsualMinutes.OfWork)))
        {
            UsualMinutes.House.ShouldContain(s => s.Id == id);
        }
    }

    [Theory]
    [InlineData("Garlic, winter", "garlic", "Garlic")]
    [InlineData("dahlias in 12 L pots", "dahlias", "dahlias")]
    [InlineData("oats and vetch", "oats and vetch", "oats and vetch")]
    [InlineData("spring barley", "barley", "spring barley")]
    [InlineData("hops, 120 hills", "hops", "hops")]
    [InlineData("", "", "")]
    public void A_crop_goes_by_its_first_word(string crop, string key, string name)
    {
        Practices.CropKey(crop).ShouldBe(key);
        Practices.CropName(crop).ShouldBe(name);
        new ReckoningTerms { Crops = new Dictionary<string, double> { ["garlic"] = 2.4 } }.Price("Garlic (purple)").ShouldBe(2.4);
    }

    [Theory]
    [InlineData("2026-01-15", 52, "winter 2025/26")]
    [InlineData("2025-12-01", 52, "winter 2025/26")]
    [InlineData("2026-01-15", -36, "summer 2025/26")]
    [InlineData("2026-03-01", 52, "spring 2026")]
    [InlineData("2026-07-01", -36, "winter 2026")]
    [InlineData("2026-11-30", 0, "autumn 2026")]
    public void A_season_is_named_where_it_lies(string day, double latitude, string name) =>
        Reckoner.Season(DateOnly.Parse(day, System.Globalization.CultureInfo.InvariantCulture), latitude).ShouldBe(name);

    [Theory]
    [InlineData(0, 100, "None of it has been shown to pay.")]
    [InlineData(33, 100, "A third of it has been shown to pay.")]
    [InlineData(100, 100, "All of it has been shown to pay.")]
    [InlineData(0, 0, "None of it has been shown to pay.")]
    public void The_share_that_paid_is_said(double paid, double all, string says) => Reckoner.ShareSays(paid, all).ShouldBe(says);
}
