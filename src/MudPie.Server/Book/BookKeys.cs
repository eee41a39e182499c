using Microsoft.EntityFrameworkCore;
using MudPie.Records;
using MudPie.Records.Book;
using MudPie.Records.PuttingOut;

namespace MudPie.Server.Book;

/// <summary>What makes an entry the same entry in two files: when it was, when it was written down, and what it says.</summary>
internal static class BookKeys
{
    /// <summary>Keys of all that the holding's book holds.</summary>
    public static async Task<HashSet<string>> Of(HoldingDb db) =>
    [
        .. (await db.Harvests.AsNoTracking().ToListAsync()).Select(Of),
        .. (await db.Observations.AsNoTracking().ToListAsync()).Select(Of),
        .. (await db.Applications.AsNoTracking().Select(a => new { a.At, a.RecordedAt, a.Tool, a.Strikes, a.TeaL, a.WaterL })
            .ToListAsync()).Select(a => Job(a.At, a.RecordedAt, a.Tool, a.Strikes, a.TeaL, a.WaterL)),
        .. (await db.Washes.AsNoTracking().Select(w => new { w.At, w.SprayerId }).ToListAsync()).Select(w => Wash(w.At, w.SprayerId)),
    ];

    public static string Of(HarvestEntry h) =>
        $"harvest {h.At.ToUnixTimeMilliseconds()} {h.RecordedAt.ToUnixTimeMilliseconds()} {h.Kg:R} {h.Crop}";

    public static string Of(Observation o) => $"seen {o.At.ToUnixTimeMilliseconds()} {o.RecordedAt.ToUnixTimeMilliseconds()} {o.Text}";

    public static string Of(Application a) => Job(a.At, a.RecordedAt, a.Tool, a.Strikes, a.TeaL, a.WaterL);

    public static string Wash(DateTimeOffset at, int sprayer) => $"wash {at.ToUnixTimeMilliseconds()} {sprayer}";

    private static string Job(DateTimeOffset at, DateTimeOffset recorded, string tool, bool strikes, double teaL, double waterL) =>
        $"job {at.ToUnixTimeMilliseconds()} {recorded.ToUnixTimeMilliseconds()} {tool} {strikes} {teaL:R} {waterL:R}";
}
