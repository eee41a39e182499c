using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>Begun this minute, and brewed again and again.</summary>
public class ForwardTests
{
    private static readonly DateTimeOffset Now = new(2026, 6, 10, 5, 0, 0, TimeSpan.Zero);

    private static BrewPlanQuestion Leaf => new() {
        Beds = [new PlanBed { Name = "Ridge Bed 1", AreaM2 = 36 }],
        Purpose = Purpose.Leaf, Now = Now, VesselWorkingL = 17, VesselDepthM = 0.28, PumpOpenLpm = 6, PumpShutOffKPa = 20,
        Diffuser = "airStone", ChlorineMgPerL = 0.6, AltitudeM = 6, WarmthC = 18, SwingC = 3,
    };

    private static (BrewPlanAnswer Plan, ForwardAnswer Forward) Forward(BrewPlanQuestion q, Func<DateTimeOffset, DateTimeOffset?> window)
    {
        var (plan, forward) = PlanForward.Of(q, at => at, window, _ => null).Value;
        return (plan.Value, forward);
    }

    [Fact]
    public void What_is_begun_now_has_its_first_step_now_and_goes_out_as_soon_as_it_can()
    {
        var (plan, forward) = Forward(Leaf, at => at);
        forward.Meets.ShouldBeTrue();
        plan.Steps.Min(s => s.At).ShouldBe(Now, TimeSpan.FromMinutes(20));
        plan.Steps.Min(s => s.At).ShouldBeGreaterThanOrEqualTo(Now);
        plan.EarliestUseAt.ShouldBeLessThanOrEqualTo(plan.UseAt);
        plan.BrewHours.ShouldBe(plan.Run.ReadyAtH!.Value, 1e-6);
        forward.Says.ShouldContain("in a window");
    }

    [Fact]
    public void A_tea_waits_on_the_air_for_the_window_and_is_begun_in_the_same_minute()
    {
        var warm = Leaf with { WarmthC = 24 };
        var (soonest, _) = Forward(warm, at => at);
        var opens = soonest.UseAt.AddHours(5);
        var (plan, forward) = Forward(warm, at => at < opens ? opens : at);
        plan.UseAt.ShouldBe(opens);
        plan.StartAt.ShouldBe(soonest.StartAt, TimeSpan.FromMinutes(30));
        plan.BrewHours.ShouldBe(soonest.BrewHours + 5, 0.2);
        forward.Meets.ShouldBeTrue();
        forward.Says.ShouldContain("5 h longer");
    }

    [Fact]
    public void Where_it_would_be_too_old_by_then_that_is_said_and_an_extract_does_not_wait()
    {
        var (soonest, _) = Forward(Leaf, at => at);
        var (plan, late) = Forward(Leaf, _ => soonest.UseAt.AddHours(30));
        plan.UseAt.ShouldBe(soonest.UseAt);
        (late.Meets, late.Says.Contains("too old", StringComparison.Ordinal)).ShouldBe((false, true));
        var (extract, waits) = Forward(Leaf with { Purpose = Purpose.Root }, at => at.AddHours(3));
        extract.Making.ShouldBe(Making.Extract);
        (waits.Meets, waits.Says.Contains("does not keep", StringComparison.Ordinal)).ShouldBe((false, true));
        Forward(Leaf, _ => null).Forward.Says.ShouldContain("no window is in sight");
    }

    [Fact]
    public void What_can_t_be_planned_is_refused_as_ever() =>
        PlanForward.Of(Leaf with { Beds = [] }, at => at, at => at, _ => null).Refused.ShouldNotBeNull();

    [Theory]
    [InlineData(20.0, 14, 29)] // ready at 20 h and an hour more: the window that opens at 29 h
    [InlineData(13.2, 14, null)] // 14.2 h: within half an hour of where it is, it stays
    [InlineData(40.0, 14, 41)] // past 36 h at any window: as soon as it can
    [InlineData(null, 14, null)] // never ready: its verdict says so
    public void Readings_move_it_to_the_window_that_it_can_meet(double? ready, double use, int? to)
    {
        DateTimeOffset? Window(DateTimeOffset at) => at < Now.AddHours(14.5) ? at
            : at < Now.AddHours(29) ? Now.AddHours(29) : Now.AddHours(50);
        var moved = PlanForward.MovesTo(Now.AddHours(use), Now, ready, 1, Now.AddHours(6), Window);
        if (to is { } hours)
        {
            moved.ShouldNotBeNull().ShouldBe(Now.AddHours(hours), TimeSpan.FromMinutes(2));
        }
        else
        {
            moved.ShouldBeNull();
        }
    }

    private static readonly TimeZoneInfo London = TimeZoneInfo.CreateCustomTimeZone("t", TimeSpan.Zero, "t", "t", "t",
    [
        TimeZoneInfo.AdjustmentRule.CreateAdjustmentRule(new DateTime(2020, 1, 1), new DateTime(2030, 1, 1), TimeSpan.FromHours(1),
            TimeZoneInfo.TransitionTime.CreateFloatingDateRule(new DateTime(1, 1, 1, 1, 0, 0), 3, 5, DayOfWeek.Sunday),
            TimeZoneInfo.TransitionTime.CreateFloatingDateRule(new DateTime(1, 1, 1, 2, 0, 0), 10, 5, DayOfWeek.Sunday)),
    ]);

    private static DateTimeOffset Local(DateTimeOffset at) => TimeZoneInfo.ConvertTime(at, London);

    private static IReadOnlyList<DateTimeOffset> At(DateTime there) =>
        London.IsInvalidTime(there) ? [] : [new DateTimeOffset(there, London.GetUtcOffset(there))];

    private static List<string> Rounds(DateTimeOffset first, DateTimeOffset last, Every every, DateTimeOffset now) =>
        [.. Core.Brewing.Rounds.Of(first, last, every, now, Local, At).Select(at => Local(at).ToString("d MMM HH:mm",
            System.Globalization.CultureInfo.InvariantCulture))];

    [Fact]
    public void Every_week_is_the_same_hour_of_the_clock_though_the_clocks_change()
    {
        var first = new DateTimeOffset(2026, 10, 24, 6, 0, 0, TimeSpan.Zero); // 07:00 in London's summer
        Rounds(first, first, Every.Week, first.AddHours(1)).Take(3).ShouldBe(["31 Oct 07:00", "7 Nov 07:00", "14 Nov 07:00"]);
        Rounds(first, first, Every.Fortnight, first.AddHours(1)).Take(2).ShouldBe(["7 Nov 07:00", "21 Nov 07:00"]);
    }

    [Fact]
    public void Every_month_keeps_to_the_day_or_the_last_of_a_shorter_month()
    {
        var first = new DateTimeOffset(2026, 1, 31, 7, 0, 0, TimeSpan.Zero);
        Rounds(first, first, Every.Month, first).ShouldBe(["28 Feb 07:00", "31 Mar 07:00"]);
    }

    [Fact]
    public void What_was_missed_is_not_made_up_for_and_what_is_planned_is_not_asked_again()
    {
        var first = new DateTimeOffset(2026, 6, 6, 6, 0, 0, TimeSpan.Zero);
        Rounds(first, first, Every.Week, first.AddDays(400)).Count.ShouldBe(10); // ten weeks ahead, however long ago
        // the next was moved two days on by a window and is planned: the one after it comes next
        Rounds(first, first.AddDays(9), Every.Week, first.AddDays(1))[0].ShouldBe("20 Jun 07:00");
    }

    [Fact]
    public void An_hour_that_the_clocks_leave_out_is_taken_an_hour_later()
    {
        var first = new DateTimeOffset(2026, 3, 22, 1, 30, 0, TimeSpan.Zero);
        Rounds(first, first, Every.Week, first.AddHours(1))[0].ShouldBe("29 Mar 02:30");
        Core.Brewing.Rounds.Says(Every.Fortnight).ShouldBe("every other week");
    }
}
