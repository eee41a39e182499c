using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Deeds;

public class BrewDeedTests
{
    private static readonly DateTimeOffset Now = new(2026, 6, 10, 12, 0, 0, TimeSpan.Zero);

    private static readonly BrewStands Planned = new(BatchState.Planned, Making.Tea, null, ["strip", "source", "foods", "air-off", "use"]);

    private static readonly BrewStands Brewing = Planned with { State = BatchState.Brewing, StartedAt = Now.AddHours(-9) };

    private static string Wrong<T>(Ruling<T> ruling, string field) =>
        ruling.Refused.ShouldNotBeNull().Problems.First(p => p.Field == field).ToString();

    [Fact]
    public void Started_at_a_strip_of_zero_it_brews_and_only_what_the_deed_is_is_ticked()
    {
        var change = BrewDeeds.Start(Planned, "0", null, Now.AddMinutes(-10), Now, UnitSystem.Metric).Value;
        change.State.ShouldBe(BatchState.Brewing);
        change.StartedAt.ShouldBe(Now.AddMinutes(-10));
        change.Entries.Select(e => (e.Kind, e.Text)).ShouldBe([(LogKind.Strip, null), (LogKind.Start, null), (LogKind.Step, "strip"),
            (LogKind.Step, "source")], ignoreOrder: true);
    }

    [Theory]
    [InlineData(null, "strip", "No strip was read")]
    [InlineData("0.5", "waiver", "The strip reads 0.5 mg/L, not zero")]
    [InlineData("11", "strip", "too much")]
    [InlineData("NaN", "strip", "no number")]
    public void A_strip_that_is_not_at_zero_wants_a_reason(string? strip, string field, string says) =>
        Wrong(BrewDeeds.Start(Planned, strip, "no", Now, Now, UnitSystem.Metric), field).ShouldContain(says);

    [Fact]
    public void With_a_reason_it_begins_all_the_same_and_the_reason_is_kept()
    {
        var change = BrewDeeds.Start(Planned, null, " rain coming ", Now, Now, UnitSystem.Metric).Value;
        change.Waiver.ShouldBe("rain coming");
        change.Entries.ShouldNotContain(e => e.Kind == LogKind.Strip);
    }

    [Theory]
    [InlineData(LogKind.Oxygen, "6.7", 6.7)]
    [InlineData(LogKind.Warmth, "64 F", 17.78)]
    [InlineData(LogKind.Strip, "0.2", 0.2)]
    [InlineData(LogKind.Fed, "30 ml of molasses", 30)]
    public void A_figure_is_logged_in_its_own_unit_and_the_words_typed_stay(LogKind kind, string typed, double si)
    {
        var entry = BrewDeeds.Log(Brewing, kind, BrewSaid.Read(kind, typed, UnitSystem.Metric), null,
            Now).Value.Entries.ShouldHaveSingleItem();
        entry.Number.ShouldNotBeNull().ShouldBe(si, 0.01);
        entry.Typed.ShouldBe(typed);
        entry.At.ShouldBe(Now);
    }

    [Theory]
    [InlineData(LogKind.Warmth, 50)]
    [InlineData(LogKind.Warmth, -2)]
    [InlineData(LogKind.Oxygen, 21)]
    [InlineData(LogKind.Oxygen, double.NaN)]
    [InlineData(LogKind.Strip, -0.1)]
    public void A_note_and_a_logger_are_held_to_what_the_form_takes(LogKind kind, double number)
    {
        BrewSaid.Of(kind, number).Refused.ShouldNotBeNull();
        BrewSaid.Read(kind, number.ToString(System.Globalization.CultureInfo.InvariantCulture),
            UnitSystem.Metric).Refused.ShouldNotBeNull();
    }

    [Fact]
    public void All_that_is_wrong_is_said_at_once()
    {
        var refused = BrewDeeds.Log(Planned with { State = BatchState.Used }, LogKind.Oxygen,
            BrewSaid.Read(LogKind.Oxygen, "x", UnitSystem.Metric), Now.AddDays(1), Now).Refused.ShouldNotBeNull();
        refused.Problems.Select(p => p.Field).ShouldBe(["state", "at", "value"]);
    }

    [Fact]
    public void Before_it_begins_only_its_strip_and_notes_are_logged()
    {
        Wrong(BrewDeeds.Log(Planned, LogKind.Smell, BrewSaid.Of(LogKind.Smell, "earthy"), null, Now), "state").ShouldContain("not going");
        BrewDeeds.Log(Planned, LogKind.Note, BrewSaid.Of(LogKind.Note, "castings sieved"), null, Now).Refused.ShouldBeNull();
    }

    [Fact]
    public void A_reading_from_before_the_start_is_none_of_this_brew()
    {
        var said = BrewSaid.Of(LogKind.Oxygen, 7);
        Wrong(BrewDeeds.Log(Brewing, LogKind.Oxygen, said, Now.AddHours(-9.2), Now), "at").ShouldContain("before this batch began");
        BrewDeeds.Log(Brewing, LogKind.Oxygen, said, Now.AddHours(-9).AddMinutes(-4), Now).Refused.ShouldBeNull();
        BrewDeeds.Log(Brewing, LogKind.Strip, BrewSaid.Of(LogKind.Strip, 0), Now.AddHours(-10), Now).Refused.ShouldBeNull();
    }

    [Fact]
    public void What_is_made_without_air_has_none_to_stop_or_to_turn_up()
    {
        var still = Brewing with { Making = Making.Extract };
        Wrong(BrewDeeds.AirOff(still, null, Now), "state").ShouldContain("made without");
        Wrong(BrewDeeds.Log(still, LogKind.AirTo, BrewSaid.Read(LogKind.AirTo, "20 L/min", UnitSystem.Metric), null, Now), "kind")
            .ShouldContain("made without");
        var off = BrewDeeds.AirOff(Brewing, Now.AddHours(-1), Now).Value;
        (off.State, off.AirOffAt).ShouldBe((BatchState.Off, Now.AddHours(-1)));
        off.Entries[1].Text.ShouldBe("air-off");
    }

    [Fact]
    public void The_heap_wants_a_reason_and_ends_it_once()
    {
        Wrong(BrewDeeds.Heap(Brewing, " x ", null, Now), "why").ShouldContain("No reason");
        var heaped = BrewDeeds.Heap(Brewing, "sour by breakfast", null, Now).Value;
        (heaped.State, heaped.AirOffAt).ShouldBe((BatchState.Heaped, (DateTimeOffset?)Now));
        BrewDeeds.Heap(Planned, "never made", null, Now).Value.AirOffAt.ShouldBeNull();
        Wrong(BrewDeeds.Heap(Brewing with { State = BatchState.Heaped }, "again please", null, Now), "state").ShouldContain("over already");
    }

    [Fact]
    public void An_entry_is_put_right_at_its_own_hour_and_a_start_never_is()
    {
        var old = new BrewEntry(LogKind.Oxygen, Now.AddHours(-3), 61);
        var right = BrewDeeds.Correct(Brewing, old, BrewSaid.Read(LogKind.Oxygen, "6.1", UnitSystem.Metric), null, Now).Value.Entries[0];
        (right.At, right.Number).ShouldBe((Now.AddHours(-3), 6.1));
        Wrong(BrewDeeds.Correct(Brewing, old with { Kind = LogKind.Start }, BrewSaid.Of(LogKind.Note, "x"), null, Now), "entry")
            .ShouldContain("not corrected");
        Wrong(BrewDeeds.Correct(Brewing, null, BrewSaid.Of(LogKind.Note, "x"), null, Now), "entry").ShouldContain("put right already");
    }

    [Fact]
    public void A_step_is_ticked_only_where_it_is_one_and_the_brew_is_not_over()
    {
        BrewDeeds.Tick(Brewing, "foods", null, Now).Value.Entries[0].Text.ShouldBe("foods");
        Wrong(BrewDeeds.Tick(Brewing, "dance", null, Now), "step").ShouldContain("not a step");
        Wrong(BrewDeeds.Tick(Brewing with { State = BatchState.Used }, "use", null, Now), "state").ShouldContain("over");
    }
}
