using Microsoft.Extensions.DependencyInjection;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Records.PuttingOut;
using MudPie.Server.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Tests;

/// <summary>Which beds Today asks to be read again: the same that the page of the leaves calls due.</summary>
public sealed class BrixDueTests
{
    private static readonly DateTimeOffset Now = new(2026, 6, 10, 5, 0, 0, TimeSpan.Zero);

    private static BrixVisit Read(int bed, double daysAgo, LeafPosition leaf = LeafPosition.Top, string? weed = null) => new() {
        BedId = bed,
        At = Now.AddDays(-daysAgo),
        RecordedAt = Now.AddDays(-daysAgo),
        LeafPosition = leaf,
        Sky = Sky.Clear,
        Weed = weed,
        Readings = { new BrixReading { AsRead = 8, At20 = 8 } },
    };

    private static Application Sprayed(double daysAgo, int? corrects = null, Purpose purpose = Purpose.Leaf, params int[] beds)
    {
        var spray = new Application {
            At = Now.AddDays(-daysAgo), RecordedAt = Now.AddDays(-daysAgo), Purpose = purpose, Dilution = "1:5",
            CorrectsId = corrects, CautionsSeen = "", Fitness = "none", Tool = "can"
        };
        spray.Beds.AddRange(beds.Select(b => new ApplicationBed { BedId = b }));
        return spray;
    }

    private static async Task<List<BrixDue>> Due(Action<HoldingDb> fill)
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        await h.Post("/api/ground/beds", new { name = "Second Bed", area = "10 m2", crop = "kale", growing = "annual" });
        using var scope = h.Services.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<HoldingDb>();
        fill(db);
        await db.SaveChangesAsync();
        return await BrixDues.Of(db, Now);
    }

    [Fact]
    public async Task A_bed_is_due_from_a_day_after_its_spray_until_ten()
    {
        (await Due(db => db.Applications.Add(Sprayed(0.9, beds: 1)))).ShouldBeEmpty();
        (await Due(db => db.Applications.Add(Sprayed(1.1, beds: 1)))).Single().BedId.ShouldBe(1);
        (await Due(db => db.Applications.Add(Sprayed(9.9, beds: 1)))).Count.ShouldBe(1);
        (await Due(db => db.Applications.Add(Sprayed(10.1, beds: 1)))).ShouldBeEmpty();
        (await Due(db => db.Applications.Add(Sprayed(2, purpose: Purpose.Root, beds: 1)))).ShouldBeEmpty();
    }

    [Fact]
    public async Task A_reading_half_a_day_after_settles_it_and_one_sooner_or_of_a_weed_does_not()
    {
        (await Due(db => db.AddRange(Sprayed(3, beds: 1), Read(1, 2)))).ShouldBeEmpty();
        (await Due(db => db.AddRange(Sprayed(3, beds: 1), Read(1, 2.6)))).Count.ShouldBe(1);
        (await Due(db => db.AddRange(Sprayed(3, beds: 1), Read(1, 2, weed: "fat hen")))).Count.ShouldBe(1);
        (await Due(db => db.AddRange(Sprayed(3, beds: [1, 2]), Read(1, 2)))).Single().BedId.ShouldBe(2);
    }

    [Fact]
    public async Task It_asks_for_the_leaf_that_was_read_before()
    {
        var due = (await Due(db => db.AddRange(Sprayed(3, beds: 1), Read(1, 7.9, LeafPosition.Bottom), Read(1, 3.2, LeafPosition.Middle),
            Read(1, 9, LeafPosition.Top)))).Single();
        (due.Leaf, due.Before).ShouldBe((LeafPosition.Middle, Now.AddDays(-3.2)));
        (await Due(db => db.AddRange(Sprayed(3, beds: 1), Read(1, 8.1)))).Single().Before.ShouldBeNull();
    }

    [Fact]
    public async Task Of_several_sprays_the_newest_counts_and_one_that_was_corrected_not_at_all()
    {
        (await Due(db => db.AddRange(Sprayed(5, beds: 1), Sprayed(2, beds: 1)))).Single().SprayedAt.ShouldBe(Now.AddDays(-2));
        (await Due(db =>
        {
            var wrong = Sprayed(2, beds: 1);
            db.Add(wrong);
            db.SaveChanges();
            db.Add(Sprayed(2, wrong.Id, beds: 2));
        })).Single().BedId.ShouldBe(2);
    }

    [Fact]
    public async Task Today_and_the_page_of_the_leaves_never_say_different_things()
    {
        using var h = new TestHolding(demo: true);
        for (var day = 0; day < 12; day++)
        {
            using var scope = h.Services.CreateScope();
            var (db, clock) =
                (scope.ServiceProvider.GetRequiredService<HoldingDb>(), scope.ServiceProvider.GetRequiredService<HoldingClock>());
            var page = (await BrixEndpoints.Pairs(db, clock)).Where(p => p.Wants.StartsWith("due now", StringComparison.Ordinal))
                .DistinctBy(p => p.BedId).Select(p => (p.ApplicationId, p.BedId, p.Before?.At)).ToList();
            (await BrixDues.Of(db, clock.Now)).Select(d => (d.ApplicationId, d.BedId, d.Before)).ShouldBe(page, $"day {day}");
            h.Clock.Advance(TimeSpan.FromHours(23));
        }
    }
}
