using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Together;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Server.Judging;
using MudPie.Server.Shared;
using MudPie.Server.Web;

namespace MudPie.Server.Together;

/// <summary>One question tried in several gardens: the protocol goes out, results come back, and all are put together.</summary>
public static class TogetherEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapTogether(this IEndpointRouteBuilder api)
    {
        api.MapGet("/judge/together", List).ForVisitor("Protocols that several gardens try.");
        api.MapGet("/judge/together/{id:int}", Read).ForVisitor("A protocol with all that was found by it.");
        api.MapPost("/judge/together/ask", (AskOthersRequest r, TogetherDesk desk, Writes writes) => writes.Do(() => desk.Ask(r)))
            .ForHand("Asks others what a trial asks.");
        api.MapPost("/judge/together/bring", (BringRequest r, TogetherDesk desk, Writes writes) => writes.Do(() => desk.Bring(r.Json)))
            .ForHand("Brings a protocol in, or a result of one.");
        api.MapPost("/judge/together/take", Take).ForHand("Takes a protocol that another holding of the box offers.");
        api.MapGet("/judge/together/{id:int}/plan", Plan).ForVisitor("A trial’s plan from a protocol, with the arms that are wanted.");
        api.MapGet("/judge/together/{id:int}/protocol.json", Protocol).ForVisitor("A protocol as a file.");
        api.MapGet("/judge/together/{id:int}/results.csv", Csv).ForVisitor("What all gardens found, as a table.");
        api.MapGet("/judge/together/trials/{id:int}/result.json", Result).ForVisitor("What an own trial found by its protocol, as a file.");
        api.MapPost("/judge/together/results/{id:int}/out", (int id, LeaveOutRequest r, TogetherDesk desk, Writes writes) =>
            writes.Do(() => desk.LeaveOut(id, r.Why))).ForHand("Leaves a garden’s result out, and says why.");
        api.MapPost("/judge/together/{id:int}/offer", Offer).ForOwner("Lets the other holdings of the box join a protocol, or no more.");
        api.MapPost("/judge/together/trials/{id:int}/give", Give)
            .ForOwner("Gives the other holdings of the box what a trial found, or takes it back.");
    }

    private static async Task<Ok<TogetherView>> List(HoldingDb db, RoofDesk roof)
    {
        var held = await db.Protocols.AsNoTracking().OrderByDescending(p => p.Id).Take(100).ToListAsync();
        var marks = held.Select(p => p.Mark).ToHashSet();
        var askable = await db.Trials.AsNoTracking()
            .Where(t => t.ProtocolId == null && t.Design != Design.SplitPlot && t.Measures.Count > 0).OrderByDescending(t => t.Id)
            .Take(50).Select(t => new AskableView(t.Id, t.Question)).ToListAsync();
        return TypedResults.Ok(new TogetherView(roof.AtBox,
        [
            .. held.Select(p => Line(p.Id, p.Told, p.Ours)),
            .. (await roof.Offered()).Where(p => !marks.Contains(p.Mark)).DistinctBy(p => p.Mark).Select(p => Line(null, p.Told, false)),
        ], askable));
    }

    private static ProtocolLine Line(int? id, TrialProtocol p, bool ours) => new(id, p.Mark, p.Question!, p.From!, ours,
        $"{Say.List([.. p.Arms!.Select(a => a.Name)])}; {p.Measures![0].Name}{Say.Unit(p.Measures[0].Unit)}");

    private static async Task<Results<Ok<ProtocolView>, Missing>> Read(int id, string? by, TogetherDesk desk, RoofDesk roof,
        HoldingClock clock, CancellationToken stop)
    {
        if (await desk.Find(id) is not { } p)
        {
            return Problems.NotFound("protocol");
        }

        var (own, others, given) = (await desk.Own(p, stop), await roof.Others(p.Mark), await roof.Given(p.Mark));
        var local = await clock.Local();
        var all = Gardens(p, own, others);
        return TypedResults.Ok(new ProtocolView(p.Id, p.Told, p.Told.Reference()!.Name, p.Ours, await roof.Offers(p.Mark), roof.AtBox,
            [.. own.Select(o => new OwnGarden(o.Trial.Id, $"{o.Trial.Crop}{(o.Trial.Season.Length > 0 ? ", " + o.Trial.Season : "")}",
                Says(p.Told, o.Trial, o.Result, local), o.Result.Refused is null, o.Trial.Garden is { } g && given.Contains(g)))],
            [.. all.Select(g => new GardenView(g.Id, g.Told.Label(), g.Source, [.. g.Told.Arms!.Select(a => Arm(p.Told, a))],
                Strength(g.Told), g.OutWhy))],
            PoolGardens.Of(p.Told, [.. all.Where(g => g.OutWhy is null).Select(g => g.Told)],
                Enum.TryParse<PoolBy>(by, ignoreCase: true, out var chosen) ? chosen : null),
            Protocols.Look(p.Told) is { Refused: null } looked ? looked.Worked.Cautions : []));
    }

    /// <summary>One of each garden: own ones by their figures, of others the latest that came.</summary>
    internal static List<(int? Id, GardenResult Told, string Source, string? OutWhy)> Gardens(HeldProtocol p,
        List<(Trial Trial, Ruling<GardenResult> Result)> own, List<SharedResult> others)
    {
        var ours = own.Where(o => o.Result.Refused is null).Select(o => ((int?)null, o.Result.Value, "here", (string?)null)).ToList();
        var known = ours.Select(o => o.Item2.Garden).ToHashSet();
        var brought = p.Results.Select(r => ((int?)r.Id, r.Told, "a file", r.OutWhy));
        var roof = others.Select(o => ((int?)null, o.Told, "under this roof", (string?)null));
        return [.. ours, .. brought.Concat(roof).Where(g => !known.Contains(g.Told.Garden)).GroupBy(g => g.Told.Garden)
            .Select(g => g.MaxBy(r => r.Told.At))];
    }

    private static string Says(TrialProtocol p, Trial t, Ruling<GardenResult> result, Func<DateTimeOffset, DateTimeOffset> local)
    {
        var days = p.Days is { Count: > 0 } all && t.State != TrialState.Ended ? t.StartedAt is { } began
            ? $" To be measured {Say.List([.. all.Select(d => Say.Day(local(began).AddDays(d)))])}."
            : $" Measured {Say.List([.. all.Select(d => $"{d}")])} days after it begins." : "";
        return (t.State switch {
            TrialState.Planned => "planned",
            TrialState.Growing => "growing",
            _ => "ended"
        }) + (result.Refused is { } no ? $": {no.Problems[0].Wrong} {no.Problems[0].WayOut}" : ": it has a result.") + days;
    }

    private static ArmView Arm(TrialProtocol p, ArmResult a)
    {
        var unit = p.Measures![0].Kind == Scale.Count ? "points of a hundred" : p.Measures[0].Unit;
        return new ArmView(a.Name, $"{(a.Difference < 0 ? "−" : "+")}{Say.Number(Math.Abs(a.Difference))}{Say.Unit(unit)}, standard error "
            + $"{Say.Number(a.StandardError, 2)}; {Say.Count(a.Plots, "plot")} against {a.ReferencePlots}");
    }

    private static string Strength(GardenResult r) => $"{(r.Blind ? "measured blind" : "not blind")}, "
        + (r.ByLot ? "laid by lot" : "not laid by lot");

    private static async Task<Results<Written<Kept>, Refused, Clash>> Take(TakeRequest r, TogetherDesk desk, RoofDesk roof,
        Writes writes) =>
        await writes.Do<Kept>(async () => !roof.AtBox ? SharedFile.NoBox
            : (await roof.Offered()).FirstOrDefault(p => p.Mark == r.Mark) is { } offered
                ? await desk.Keep(Worked.Of(offered.Told, "", Evidence.MeasuredHere), "under this roof")
                : Refusal.Of("mark", "Nobody here offers that.", "Load the page again."));

    private static async Task<Results<Ok<TrialRequest>, Refused, Missing>> Plan(int id, [FromQuery] string[]? arms, TogetherDesk desk) =>
        await desk.Find(id) is { } p ? Protocols.Join(p.Told, arms is { Length: > 0 } ? arms : null)
            .Match<Results<Ok<TrialRequest>, Refused, Missing>>(w => TypedResults.Ok(TogetherFiles.Plan(id, w.Value)),
                no => Problems.Of(no))
        : Problems.NotFound("protocol");

    private static async Task<Results<FileContentHttpResult, Missing>> Protocol(int id, TogetherDesk desk) =>
        await desk.Find(id) is { } p ? TypedResults.File(TogetherFiles.Write(p.Told), "application/json", $"protocol-{id}.json")
            : Problems.NotFound("protocol");

    private static async Task<Results<FileContentHttpResult, Refused, Missing>> Result(int id, TogetherDesk desk, CancellationToken stop)
    {
        if (await desk.Part(id) is not { } part)
        {
            return Problems.NotFound("trial of a protocol");
        }

        var result = await desk.Result(part.Protocol, part.Trial, stop);
        return result.Match<Results<FileContentHttpResult, Refused, Missing>>(
            w => TypedResults.File(TogetherFiles.Write(w.Value), "application/json", $"result-{id}.json"), no => Problems.Of(no));
    }

    private static async Task<Results<FileContentHttpResult, Missing>> Csv(int id, TogetherDesk desk, RoofDesk roof, CancellationToken stop)
    {
        if (await desk.Find(id) is not { } p)
        {
            return Problems.NotFound("protocol");
        }

        var gardens = Gardens(p, await desk.Own(p, stop), await roof.Others(p.Mark)).Where(g => g.OutWhy is null);
        var csv = CsvText.Of(["garden", "crop", "season", "arm", "difference", "standard_error", "plots", "mean", "reference_plots",
            "reference_mean", "unit", "blind", "by_lot"], gardens.SelectMany(g => g.Told.Arms!.Select(a => (IReadOnlyList<string?>)[
            g.Told.Name, g.Told.Crop, g.Told.Season, a.Name, CsvText.Number(a.Difference), CsvText.Number(a.StandardError), $"{a.Plots}",
            CsvText.Number(a.Mean), $"{a.ReferencePlots}", CsvText.Number(a.ReferenceMean), p.Told.Measures![0].Unit,
            g.Told.Blind ? "TRUE" : "FALSE", g.Told.ByLot ? "TRUE" : "FALSE"])));
        return TypedResults.File(System.Text.Encoding.UTF8.GetBytes(csv), "text/csv", "results.csv");
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Offer(int id, ConsentRequest r, TogetherDesk desk, RoofDesk roof,
        Writes writes) => writes.Do<Kept>(async () => await desk.Find(id) is { } p ? await roof.Offer(p, r.On) : TogetherDesk.None);

    private static Task<Results<Written<Kept>, Refused, Clash>> Give(int id, ConsentRequest r, TogetherDesk desk, RoofDesk roof,
        Writes writes, CancellationToken stop) => writes.Do<Kept>(async () =>
    {
        if (await desk.Part(id) is not { Trial.Garden: { } garden } part)
        {
            return Refusal.Of("id", "It is no trial of a protocol.", "Choose one that is.");
        }

        var result = r.On ? await desk.Result(part.Protocol, part.Trial, stop) : null;
        return result?.Refused is { } refused ? refused : await roof.Give(id, part.Protocol.Mark, garden, result?.Value);
    });
}
