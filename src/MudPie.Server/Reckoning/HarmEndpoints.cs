using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Reckoning;

/// <summary>A stage of the way, as it is drawn.</summary>
public sealed record ChainPointView(TallyStage Stage, string Name, int Counts, double PerMl, double Low, double High, string Shown);

/// <summary>What came through from one to the next.</summary>
public sealed record ChainLinkView(string From, string To, string Shown, string Says, bool Lost);

/// <summary>One machine's line of one year.</summary>
public sealed record ChainLineView(string Machine, int Year, IReadOnlyList<ChainPointView> Points, IReadOnlyList<ChainLinkView> Links,
    string Sentence);

/// <summary>Where organisms are lost.</summary>
public sealed record HarmView(IReadOnlyList<ChainLineView> Lines, IReadOnlyList<string> Groups, string Group, string Wants,
    Worked<IReadOnlyList<ChainLine>> Worked);

/// <summary>Counts on the way from compost to soil, as one line.</summary>
public static class HarmEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapHarm(this IEndpointRouteBuilder api) =>
        api.MapGet("/judge/harm", Read).ForVisitor("Counts from compost to soil, by machine and year: where organisms are lost.");

    private static async Task<Results<Ok<HarmView>, Refused>> Read(HoldingDb db, HoldingClock clock, string group = "bacteria")
    {
        var local = await clock.Local();
        var rows = await db.Tallies.AsNoTracking().OrderBy(t => t.At).ToListAsync();
        var machines = await db.Sprayers.AsNoTracking().ToDictionaryAsync(s => s.Id, s => s.Name);
        // where nobody named the machine, the one that put that brew out
        var used = (await db.Applications.ThatStand().AsNoTracking().Where(a => a.BatchId != null).Select(a => new {
            Batch = a.BatchId!.Value, a.Tool
        }).ToListAsync()).GroupBy(a => a.Batch).ToDictionary(g => g.Key, g => g.First().Tool);
        var told = HarmChain.Of([.. rows.Select(t => new ChainCount(t.Id, t.Stage, DateOnly.FromDateTime(local(t.At).DateTime),
            t.SprayerId is { } s && machines.TryGetValue(s, out var name) ? name
                : t.BatchId is { } b ? used.GetValueOrDefault(b) ?? "" : "",
            t.Tally, t.BatchId))], group);
        if (told.Refused is { } no)
        {
            return Problems.Of(no);
        }

        return TypedResults.Ok(new HarmView([.. told.Value.Select(View)], HarmChain.Groups, group, told.Value.Count > 0 ? ""
            : "Two counts on the way make a line: one before the pump, say, and one behind it, by the same glass.", told.Worked));
    }

    private static ChainLineView View(ChainLine l) => new(l.Machine.Length == 0 ? "no machine named" : l.Machine, l.Year,
        [.. l.Points.Select(p => new ChainPointView(p.Stage, HarmChain.Name(p.Stage), p.Counts, p.PerMl, p.Low, p.High,
            $"{Say.Number(p.PerMl, 2)} in 1 mL, {Say.Number(p.Low, 2)} to {Say.Number(p.High, 2)}; {Say.Count(p.Counts, "count")}"))],
        [.. l.Links.Select(k => new ChainLinkView(HarmChain.Name(k.From), HarmChain.Name(k.To),
            $"{Say.Number(k.Share * 100, 2)} % ({Say.Number(k.Low * 100, 2)} to {Say.Number(k.High * 100, 2)} %)", k.Says, k.Lost))],
        l.Sentence);
}
