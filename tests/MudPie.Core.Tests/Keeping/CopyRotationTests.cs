using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;
using MudPie.Core.Keeping;

namespace MudPie.Core.Tests.Keeping;

public class CopyRotationTests
{
    private static readonly DateOnly June10 = new(2026, 6, 10);

    [Fact]
    public void A_copy_each_day_leaves_thirteen() =>
        CopyRotation.Kept([.. Enumerable.Range(0, 161).Select(i => June10.AddDays(-i))]).Order().ShouldBe([
            new(2026, 1, 31), new(2026, 2, 28), new(2026, 3, 31), new(2026, 4, 30), new(2026, 5, 24), new(2026, 5, 31),
            .. Enumerable.Range(4, 7).Select(d => new DateOnly(2026, 6, d)),
        ]);

    [Fact]
    public void Kept_night_after_night_a_year_leaves_seven_days_four_weeks_and_twelve_months()
    {
        HashSet<DateOnly> there = [];
        for (var day = June10.AddDays(-800); day <= June10; day = day.AddDays(1))
        {
            there = [.. CopyRotation.Kept([.. there, day])];
        }

        // seven days, two Sundays before them, and ten months: of twelve, June is among the days and May among the Sundays
        there.Count.ShouldBe(19);
        there.Min().ShouldBe(new DateOnly(2025, 7, 31));
        there.ShouldBe(CopyRotation.Kept([.. Enumerable.Range(0, 801).Select(i => June10.AddDays(-i))]), ignoreOrder: true);
    }

    [Property]
    public Property Nothing_is_kept_that_was_not_there_the_newest_always_and_twice_is_as_once() => Prop.ForAll(
        Gen.ListOf(Gen.Choose(738_000, 739_500).Select(DateOnly.FromDayNumber)).ToArbitrary(), days =>
    {
        var kept = CopyRotation.Kept([.. days]);
        return kept.All(days.Contains) && (days.Count == 0 || kept.Contains(days.Max())) && kept.Count <= 7 + 4 + 12
            && kept.SetEquals(CopyRotation.Kept([.. kept]));
    });

    [Theory]
    [InlineData(1, 59, 8, 9)]
    [InlineData(1, 59, 9, null)]
    [InlineData(2, 0, 9, 10)]
    [InlineData(23, 0, 10, null)]
    [InlineData(5, 0, null, 10)]
    public void A_copy_is_due_from_two_at_night(int hour, int minute, int? newest, int? due) =>
        CopyRotation.Due(new(2026, 6, 10, hour, minute, 0, TimeSpan.FromHours(2)), newest is { } day ? new DateOnly(2026, 6, day) : null)
            .ShouldBe(due is { } d ? new DateOnly(2026, 6, d) : null);

    [Fact]
    public void A_copy_that_a_wrong_clock_dated_hides_none()
    {
        var now = new DateTimeOffset(2026, 6, 10, 5, 0, 0, TimeSpan.Zero);
        CopyRotation.Newest(now, [new(2099, 1, 1), new(2026, 6, 8)]).ShouldBe(new DateOnly(2026, 6, 8));
        CopyRotation.Newest(now, [new(2099, 1, 1)]).ShouldBeNull();
        CopyRotation.AgeDays(now, new(2026, 6, 7)).ShouldBe(3);
        CopyRotation.AgeDays(now, new(2026, 6, 11)).ShouldBe(0);
    }
}
