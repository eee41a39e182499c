using Microsoft.EntityFrameworkCore;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Records.PuttingOut;

namespace MudPie.Server.Tests;

/// <summary>What was put right no longer counts, wherever it is asked.</summary>
public class StandingTests
{
    private static HoldingDb Open(TestHolding h) =>
        new((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(h.FilePath).Options);

    private static Application Spray(TestHolding h, double daysAgo) => new() {
        At = h.Now.AddDays(-daysAgo),
        RecordedAt = h.Now.AddDays(-daysAgo),
        Purpose = Purpose.Leaf,
        Dilution = "1:5",
        OneIn = 6,
        Tool = "can",
        Fitness = "none",
        CautionsSeen = "",
        Beds = { new ApplicationBed { BedId = 1, TotalL = 5 } },
    };

    private static async Task<TestHolding> SetUp()
    {
        var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        return h;
    }

    [Fact]
    public async Task A_noted_brix_reading_is_read_around_the_spray_that_stands_and_not_around_one_that_was_put_right()
    {
        using var h = await SetUp();
        await using (var db = Open(h))
        {
            var (wrong, right) = (Spray(h, 1), Spray(h, 3));
            db.AddRange(wrong, right);
            await db.SaveChangesAsync();
            right.CorrectsId = wrong.Id; // it was three days ago, not one
            await db.SaveChangesAsync();
        }

        await h.Post("/api/notes", new { text = "brix 8.2 8.6 8.4 ridge bed 4" });
        await using var after = Open(h);
        var stands = await after.Applications.ThatStand().SingleAsync();
        (await after.BrixVisits.SingleAsync()).ApplicationId.ShouldBe(stands.Id);
    }

    [Fact]
    public async Task A_noted_brix_reading_is_read_around_nothing_where_the_spray_was_struck()
    {
        using var h = await SetUp();
        await using (var db = Open(h))
        {
            var wrong = Spray(h, 1);
            db.Add(wrong);
            await db.SaveChangesAsync();
            db.Add(new Application {
                At = wrong.At, RecordedAt = h.Now, Purpose = Purpose.Leaf, Dilution = "", Tool = "", Fitness = "none",
                CautionsSeen = "", CorrectsId = wrong.Id, Strikes = true
            });
            await db.SaveChangesAsync();
        }

        await h.Post("/api/notes", new { text = "brix 8.2 8.6 8.4 ridge bed 4" });
        await using var after = Open(h);
        (await after.BrixVisits.SingleAsync()).ApplicationId.ShouldBeNull();
        (await after.Applications.ThatStand().AnyAsync()).ShouldBeFalse();
        (await after.Applications.ThatHappened().AnyAsync()).ShouldBeFalse("what was struck never was");
    }

    [Fact]
    public async Task Before_a_spray_is_the_newest_visit_that_stands()
    {
        using var h = await SetUp();
        int spray;
        await using (var db = Open(h))
        {
            var job = Spray(h, 2);
            BrixVisit Visit(double daysAgo, double brix, string? weed = null) =>
                new() {
                    BedId = 1, At = h.Now.AddDays(-daysAgo), RecordedAt = h.Now.AddDays(-daysAgo),
                    LeafPosition = LeafPosition.Top, Sky = Sky.Clear,
                    MeterCorrects = true, Weed = weed,
                    Readings = { new BrixReading { AsRead = brix, At20 = brix }, new BrixReading { AsRead = brix, At20 = brix } }
                };
            var (good, wrong, right, weed) = (Visit(4, 8), Visit(2.5, 80), Visit(6, 7), Visit(2.2, 12, "dock"));
            db.AddRange(job, good, wrong, right, weed);
            await db.SaveChangesAsync();
            right.CorrectsId = wrong.Id;
            await db.SaveChangesAsync();
            spray = job.Id;
        }

        var told = await h.Post("/api/judge/brix/work-out",
            new { bedId = 1, applicationId = spray, readings = "8.4 8.6 8.5", temperature = "20", leafPosition = "top", sky = "clear" });
        ((double)told["difference"]!["value"]!["difference"]!).ShouldBe(0.5, 1e-9, told.ToJsonString());
    }

    [Fact]
    public void Of_many_corrections_of_one_entry_the_newest_is_named_and_of_a_chain_the_last_stands()
    {
        List<HarvestLike> all = [new(1, null), new(2, 1), new(3, 2), new(4, null), new(5, 4), new(6, 4)];
        all.ThatStand().Select(e => e.Id).ShouldBe([3, 5, 6]);
        all.RightedBy().ShouldBe(new Dictionary<int, int> { [1] = 2, [2] = 3, [4] = 6 });
    }

    private sealed record HarvestLike(int Id, int? CorrectsId) : IPutRight;
}
