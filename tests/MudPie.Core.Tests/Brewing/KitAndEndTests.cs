using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

public class KitAndEndTests
{
    private static readonly VesselToChoose[] Vessels = [new(1, "bucket", 17), new(2, "barrel", 150), new(3, "tank", 900)];
    private static readonly PumpToChoose[] Pumps = [new(1, 6, false), new(2, 60, false), new(3, 55, true)];
    private static readonly KindToChoose[] Outlets = [new(1, "airStone"), new(2, "drilledPipe")];
    private static readonly WaterToChoose[] Waters = [new(1, WaterKind.Surface), new(2, WaterKind.Rain)];
    private static readonly KitChosen None = new(null, null, null, null);

    private static KitChosen For(double wantedL, KitChosen byHand) => KitChoice.Complete(wantedL, Vessels, Pumps, Outlets, Waters, byHand);

    [Fact]
    public void The_smallest_vessel_that_holds_it_its_pump_its_outlet_and_no_open_water()
    {
        For(90, None).ShouldBe(new KitChosen(2, 2, 2, 2)); // the pump of 55 L/min is nearer, but on a battery
        For(12, None).ShouldBe(new KitChosen(1, 1, 1, 2));
        For(5000, None).VesselId.ShouldBe(3); // none holds it: the largest
        For(5000, None).DiffuserId.ShouldBe(1); // the usual one is not there: the first
    }

    [Fact]
    public void What_was_chosen_by_hand_stays()
    {
        For(90, new KitChosen(1, 2, null, 1)).ShouldBe(new KitChosen(1, 2, 1, 1));
        For(90, new KitChosen(9, null, null, null)).ShouldBe(new KitChosen(9, null, null, null)); // gone: the plan names it
        KitChoice.Complete(90, [], Pumps, Outlets, Waters, None).ShouldBe(None);
    }

    [Theory]
    [InlineData(BatchState.Used, Fitness.Fit, "It was fit, and was put out.")]
    [InlineData(BatchState.Used, Fitness.Unseen, "It was put out, unseen.")]
    [InlineData(BatchState.Used, Fitness.NotFit, "It was put out though it was not fit.")]
    [InlineData(BatchState.Used, Fitness.Feed, "It was put out as a feed.")]
    [InlineData(BatchState.Heaped, Fitness.Fit, "It went on the heap.")]
    [InlineData(BatchState.Brewing, Fitness.Fit, null)]
    public void What_came_of_it_is_said_as_it_was(BatchState state, Fitness fitness, string? says) =>
        (BrewOver.Says(state, null, new GateAnswer(fitness, "", ["why"], null))?.Sentence).ShouldBe(says);
}
