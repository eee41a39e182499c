using MudPie.Core.Measures;
using MudPie.Core.Mixing;

namespace MudPie.Core.Tests.Mixing;

/// <summary>What buffers peat, and growth beside nitrogen.</summary>
public sealed class MixBufferTests
{
    private static MixBuffered? Of(params (string Part, double L)[] parts) => MixBuffer.Of(parts.ToDictionary(p => p.Part, p => p.L),
        name => Materials.For(null, name), UnitSystem.Metric);

    [Fact]
    public void Peat_wants_its_flour_and_coir_none()
    {
        Of(("coir", 20), ("castings", 10)).ShouldBeNull();
        var none = Of(("peat", 24), ("castings", 10))!;
        (none.LowG, none.HighG, none.HasG, none.Tone).ShouldBe((72, 144, 0, Tone.Mind));
        none.Sentence.ShouldBe("Its peat wants 72 g to 144 g of shell or lime flour, and none is in it.");
        Of(("peat", 24), ("oyster-shell flour", 0.1))!.Tone.ShouldBe(Tone.Go);
        Of(("peat", 24), ("oyster-shell flour", 0.05))!.Sentence.ShouldContain("50 g is in it");
        Of(("peat", 24), ("lime", 0.4))!.Sentence.ShouldContain("too much locks up iron");
    }

    [Fact]
    public void Growth_lies_between_the_weeks()
    {
        var filled = new DateTimeOffset(2026, 5, 1, 0, 0, 0, TimeSpan.Zero);
        var outlook = new NitrogenOutlookAnswer([new(0, 0, 0, 0, 0), new(1, 0.2, 0, 0, 0.1), new(2, 0.27, 0, 0, 0.2)], "", Tone.Go, null,
            null);
        var rows = NitrogenBeside.Of(outlook, filled, [(filled.AddDays(10), 12), (filled.AddDays(10), 14), (filled.AddDays(3.5), 5),
            (filled.AddDays(60), 30)]);
        rows.Select(r => (r.Mean, r.Plots)).ShouldBe([(5, 1), (13, 2), (30, 1)]);
        rows[0].NitrogenG!.Value.ShouldBe(0.1, 1e-9);
        rows[1].NitrogenG!.Value.ShouldBe(0.23, 1e-9);
        rows[1].WantedG!.Value.ShouldBe(0.1 + (0.1 * 3 / 7), 1e-9);
        rows[2].NitrogenG.ShouldBeNull();
    }

    [Fact]
    public void A_trials_lots_are_made_one_before_it_is_mixed_and_its_leaders_read_by_dates_after()
    {
        MixForTrial.Says(MixState.Planned).ShouldContain("all lots of an input into one");
        MixForTrial.Says(MixState.Charging).ShouldContain("before the first mix");
        MixForTrial.Says(MixState.Mixed).ShouldContain("early leader");
        MixForTrial.Says(MixState.Filled).ShouldContain("early leader");
    }
}
