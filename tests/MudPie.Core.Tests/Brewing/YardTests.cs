using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>The yard's words: each vessel's state in a word and a figure.</summary>
public class YardTests
{
    private static readonly DateTimeOffset Now = new(2026, 6, 10, 14, 0, 0, TimeSpan.Zero);

    private static ThingSays Says(VesselStands v) => Yard.Vessel(v, Now, at => at);

    private static VesselStands Tea(double now, double then) => new() {
        State = BatchState.Brewing, Started = Now.AddHours(-11).AddMinutes(-20), Oxygen = (now, then)
    };

    [Theory]
    [InlineData(6.4, 5.9, "6.4 mg/L and falling")]
    [InlineData(6.4, 6.3, "6.4 mg/L and steady")]
    [InlineData(6.4, 6.55, "6.4 mg/L and steady")]
    [InlineData(6.4, 6.6, "6.4 mg/L and rising")]
    public void A_tea_says_its_oxygen_and_which_way_it_goes(double now, double then, string word) =>
        Says(Tea(now, then)).ShouldBe(new ThingSays(Tone.Go, word, "11 h in, tea"));

    [Fact]
    public void Its_tone_is_that_of_its_own_page() => Says(Tea(6.4, 5.9) with { Tone = Tone.Mind }).Tone.ShouldBe(Tone.Mind);

    [Fact]
    public void What_its_gate_would_not_let_out_says_so_before_all_else() =>
        Says(Tea(3.1, 2.9) with { NotFit = true }).ShouldBe(new ThingSays(Tone.Stop, "not fit to use", "11 h in, tea"));

    [Theory]
    [InlineData(Making.Extract, "20 min in, extract")]
    [InlineData(Making.Bubbled, "20 min in, bubbled extract")]
    [InlineData(Making.Steep, "20 min in, a feed")]
    public void What_has_no_oxygen_to_speak_of_is_going(Making making, string figure) =>
        Says(new() { State = BatchState.Brewing, Making = making, Started = Now.AddMinutes(-20) })
            .ShouldBe(new ThingSays(Tone.Go, "going", figure));

    [Fact]
    public void With_the_air_off_the_minutes_that_are_left_are_said() =>
        Says(Tea(6.1, 5.2) with { State = BatchState.Off, MinutesLeft = 44, Tone = Tone.Mind })
            .ShouldBe(new ThingSays(Tone.Mind, "air off", "44 min left"));

    [Fact]
    public void A_plan_says_when_it_begins_and_a_late_one_that_it_is_late()
    {
        Says(new() { State = BatchState.Planned, Planned = Now.AddHours(2) })
            .ShouldBe(new ThingSays(Tone.Go, "planned", "16:00, tea"));
        Says(new() { State = BatchState.Planned, Planned = Now.AddMinutes(-5), Making = Making.Extract })
            .ShouldBe(new ThingSays(Tone.Mind, "to begin, late", "13:55, extract"));
    }

    [Fact]
    public void An_empty_one_says_whether_it_was_washed_since_it_was_used()
    {
        Says(new()).ShouldBe(new ThingSays(Tone.Go, "empty", "never used"));
        Says(new() { UsedAt = Now.AddDays(-3), Clean = true }).ShouldBe(new ThingSays(Tone.Go, "empty, washed", "since 7 Jun"));
        Says(new() { UsedAt = Now.AddDays(-3) }).ShouldBe(new ThingSays(Tone.Mind, "empty, not washed", "since 7 Jun"));
    }
}
