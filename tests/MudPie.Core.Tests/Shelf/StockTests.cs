using FsCheck.Xunit;
using MudPie.Core.Measures;
using MudPie.Core.Shelf;

namespace MudPie.Core.Tests.Shelf;

public class StockTests
{
    private static readonly DateTimeOffset May = new(2026, 5, 1, 0, 0, 0, TimeSpan.Zero);

    private static LotStanding Lot(int id, double left, int? expiresInDays, int agedDays = 30, bool unfit = false) =>
        new(id, $"L{id}", left, May.AddDays(-agedDays), expiresInDays is { } d ? May.AddDays(d) : null, unfit);

    [Fact]
    public void The_lot_that_goes_off_first_goes_first()
    {
        var taken = Stock.Take([Lot(1, 2, 150), Lot(2, 0.4, 30)], 1, May).Value;
        taken.Draws.Select(d => (d.LotId, d.Amount)).ShouldBe([(2, 0.4), (1, 0.6)]);
        taken.Short.ShouldBe(0);
    }

    [Fact]
    public void Among_lots_that_keep_the_older_goes_first() =>
        Stock.Take([Lot(1, 2, null, 10), Lot(2, 2, null, 300)], 1, May).Value.Draws.Single().LotId.ShouldBe(2);

    [Fact]
    public void What_is_past_its_date_or_unfit_is_left_and_what_is_short_is_said()
    {
        var taken = Stock.Take([Lot(1, 5, -1), Lot(2, 5, null, unfit: true), Lot(3, 0.3, null)], 1, May).Value;
        taken.Draws.Single().LotId.ShouldBe(3);
        taken.Short.ShouldBe(0.7, 1e-12);
    }

    [Theory]
    [InlineData(2, null, false, false, null, "good", Tone.Go)]
    [InlineData(2, 21, false, false, 0.5, "good", Tone.Go)]
    [InlineData(2, 20, false, false, null, "use it first: it goes off soon", Tone.Mind)]
    [InlineData(2, 20, false, false, 0.49, "more than half of it is dead: dose by what lives", Tone.Mind)]
    [InlineData(0, 20, false, false, 0.49, "used up", Tone.Go)]
    [InlineData(0, -1, false, false, null, "past its date: plans leave it", Tone.Stop)]
    [InlineData(2, -1, true, false, null, "judged unfit: leave it", Tone.Stop)]
    [InlineData(2, -1, true, true, null, "the book was short: count it", Tone.Mind)]
    public void How_a_lot_stands_is_said_in_words(double left, int? days, bool unfit, bool uncounted, double? alive, string says,
        Tone tone) =>
        Stock.Says(Lot(1, left, days, unfit: unfit), uncounted, alive, May).ShouldBe((says, tone));

    [Property(MaxTest = 200)]
    public void What_leaves_the_lots_and_what_is_short_make_what_was_wanted(ushort wanted, ushort[] lots)
    {
        var standing = lots.Select((l, i) => Lot(i, l / 100.0, (l % 5) switch { 0 => null, 1 => -3, _ => l % 90 }, l % 400)).ToList();
        var taken = Stock.Take(standing, wanted / 100.0, May).Value;
        (taken.Draws.Sum(d => d.Amount) + taken.Short).ShouldBe(wanted / 100.0, 1e-6);
        taken.Draws.ShouldAllBe(d => d.Amount <= standing[d.LotId].Left + 1e-9 && !(standing[d.LotId].Expires < May));
        if (taken.Short > 0)
        {
            taken.Draws.Sum(d => d.Amount).ShouldBe(standing.Where(l => !(l.Expires < May)).Sum(l => l.Left), 1e-6);
        }
    }

    [Theory]
    [InlineData(-1)]
    [InlineData(double.NaN)]
    [InlineData(1e12)]
    public void Nonsense_is_refused(double wanted) =>
        Stock.Take([], wanted, May).Refused.ShouldNotBeNull().Problems[0].Field.ShouldBe("amount");

    [Fact]
    public void The_shopping_list_says_what_is_short_by_when_and_for_what()
    {
        var lots = new Dictionary<int, IReadOnlyList<LotStanding>> { [7] = [Lot(1, 0.5, null)] };
        var list = Shopping.List([new(7, 0.4, May.AddDays(3), "Thursday's tea"), new(7, 0.3, May, "Monday's tea"),
            new(8, 1, May.AddDays(1), "seaweed on Bed 2")], lots);
        list.Select(b => b.InputId).ShouldBe([8, 7]); // the earlier first
        list[1].Amount.ShouldBe(0.2, 1e-12);
        list[1].By.ShouldBe(May.AddDays(3));
        list[1].For.ShouldBe(["Thursday's tea"]);
        list[1].Left.ShouldBe(0.5);
    }

    [Fact]
    public void A_lot_that_goes_off_before_it_is_wanted_does_not_count()
    {
        var lots = new Dictionary<int, IReadOnlyList<LotStanding>> { [7] = [Lot(1, 5, 2)] };
        Shopping.List([new(7, 1, May.AddDays(5), "tea")], lots).Single().Amount.ShouldBe(1);
        Shopping.List([new(7, 1, May.AddDays(1), "tea")], lots).ShouldBeEmpty();
    }

    [Fact]
    public void Costs_add_up_with_minutes_and_say_what_has_no_price()
    {
        new UsualMinutes().Job(40, 3, new SquareMetres(600)).ShouldBe(79);
        var cost = Costs.Of([new("fish", 0.2, 6.5), new("rain", 5, null)], 72, 40, 12).Value;
        cost.Batch.ShouldBe((0.2 * 6.5) + 8, 1e-12);
        cost.Per100M2.ShouldBe(9.3 / 0.72, 1e-9);
        cost.PerHa.ShouldBe(cost.Per100M2 * 100, 1e-9);
        cost.Unpriced.ShouldBe(["rain"]);
        Costs.Of([], 0, -1, double.NaN).Refused.ShouldNotBeNull().Problems.Select(p => p.Field).ShouldBe(["areaM2", "minutes", "hourly"]);
    }

    [Fact]
    public void Life_falls_with_age_and_warmth_and_a_mineral_has_none()
    {
        Stock.Alive(LifeForm.Living, May, May.AddDays(90), 20).ShouldBe(0.5, 1e-12);
        Stock.Alive(LifeForm.Living, May, May.AddDays(90), 10).ShouldBe(Math.Pow(0.5, 0.5), 1e-12);
        Stock.Alive(null, May, May.AddDays(9000), 40).ShouldBe(1);
        Stock.Alive(LifeForm.Spores, May, May.AddDays(-5), 20).ShouldBe(1); // not made yet: no more than whole
    }

    [Fact]
    public void Every_kind_of_the_shelf_has_a_class_in_the_mixing_rules_and_a_kind_of_wait()
    {
        foreach (var kind in InputKinds.All)
        {
            Core.PuttingOut.MixingRules.NameOf(kind.MixClass).ShouldNotBeNull(kind.Kind);
            Core.Book.HarvestWaits.House.ShouldContainKey(kind.WaitKind);
            kind.Unit.ShouldBeOneOf("L", "kg");
        }

        foreach (var food in Core.Brewing.Ingredients.Foods.Select(f => f.Kind).Concat(Core.Brewing.Ingredients.Sources.Select(s => s.Kind))
            .Concat(Core.Brewing.Ingredients.Clearers.Select(c => c.Kind)))
        {
            InputKinds.Knows(food).ShouldBeTrue(food);
        }
    }
}
