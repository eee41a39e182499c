using Microsoft.EntityFrameworkCore;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.PuttingOut;

namespace MudPie.Server.PuttingOut;

/// <summary>What a sprayer may be used for, by what it held and whether it was washed since.</summary>
internal static class Washing
{
    /// <summary>What a sprayer may be used for, by its past, its mesh, its calibration and its washing.</summary>
    public static async Task<Ruling<SprayerRuling>> Judge(Sprayer s, HoldingDb db, DateTimeOffset now)
    {
        var (_, _, toWash) = await Standing(s.Id, db);
        return Judged(s, now, toWash);
    }

    internal static Ruling<SprayerRuling> Judged(Sprayer s, DateTimeOffset now, bool toWash)
    {
        var facts = Facts(s, now, toWash);
        // One whose kind or past no rule knows is judged as one of which nothing is known; its form puts it right.
        return Sprayers.Judge(facts) is { Refused: null } known ? known : Sprayers.Judge(facts with { Kind = "other", Past = "unknown" });
    }

    internal static SprayerFacts Facts(Sprayer s, DateTimeOffset now, bool toWash) => new() {
        Kind = s.Kind,
        Past = s.Past,
        ClearedWhy = s.ClearedWhy,
        MeshUm = s.MeshUm,
        PressureBar = s.PressureBar,
        CalibratedDaysAgo = s.Calibrations.Count == 0 ? null : (now - s.Calibrations.Max(c => c.At)).TotalDays,
        Unwashed = toWash,
    };

    internal static async Task<(DateTimeOffset? Used, DateTimeOffset? Washed, bool ToWash)> Standing(int id, HoldingDb db)
    {
        var used = await db.Applications.ThatHappened().Where(a => a.SprayerId == id).MaxAsync(a => (DateTimeOffset?)a.At);
        var washed = await db.Washes.Where(w => w.SprayerId == id).MaxAsync(w => (DateTimeOffset?)w.At);
        return (used, washed, used is { } u && !(washed >= u));
    }
}
