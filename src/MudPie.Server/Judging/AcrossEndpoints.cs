using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>A set of results on one claim, as it is typed.</summary>
public sealed record AcrossRequest(string? Name, string? Unit, string? WorthHaving);

/// <summary>A result to put in: from an own trial, or by hand.</summary>
public sealed record AcrossResultRequest
{
    public int? TrialId { get; init; }

    public string? Label { get; init; }

    /// <summary>By hand: treatment less control.</summary>
    public string? Difference { get; init; }

    /// <summary>By hand: its standard error.</summary>
    public string? StandardError { get; init; }
}

/// <summary>A neighbour's file as text: label, difference (or yi), standard_error (or vi).</summary>
public sealed record AcrossFileRequest(string? Csv, string? Source);

/// <summary>A result to be taken out, and why.</summary>
public sealed record AcrossOutRequest(string? Why);

/// <summary>A result as it stands.</summary>
public sealed record AcrossResultView(int Id, string Label, double Difference, double StandardError, int? TrialId, string? Source,
    string? OutWhy);

/// <summary>A set as it stands, put together.</summary>
public sealed record AcrossView(int Id, string Name, string Unit, double? WorthHaving, IReadOnlyList<AcrossResultView> Results,
    Worked<CombineAnswer>? Together, string? Wants);

/// <summary>Sites and seasons put together; a neighbour's results among them.</summary>
public static class AcrossEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapAcross(this IEndpointRouteBuilder api)
    {
        api.MapGet("/judge/across", Read).ForVisitor("Results of sites and seasons put together.");
        api.MapPost("/judge/across", Make).ForHand("Makes such a set.");
        api.MapPost("/judge/across/{id:int}/results", Add).ForHand("Adds a trial's result.");
        api.MapPost("/judge/across/{id:int}/file", Bring).ForHand("Brings results in from a table.");
        api.MapPost("/judge/across/results/{id:int}/out", TakeOut).ForHand("Takes a result out, and says why.");
        api.MapGet("/judge/across/{id:int}/results.csv", Csv).ForVisitor("A set's results as a table.");
    }

    private static async Task<Ok<List<AcrossView>>> Read(HoldingDb db)
    {
        var sets = await db.AcrossSets.AsNoTracking().Include(s => s.Results).OrderByDescending(s => s.Id).Take(50).ToListAsync();
        return TypedResults.Ok(sets.Select(View).ToList());
    }

    private static AcrossView View(AcrossSet s)
    {
        var standing = s.Results.ThatStand().OrderBy(r => r.Id).ToList();
        var together = standing.Count < 2
            ? null : CombineTrials.Of(
                new CombineQuestion {
                    Results =
                    [.. standing.Select(r => new SiteResult { Label = r.Label, Yi = r.Difference, Vi = r.Variance })],
                    WorthHaving = s.WorthHaving
                });
        return new AcrossView(
            s.Id, s.Name, s.Unit, s.WorthHaving,
            [.. s.Results.OrderBy(r => r.Id)
                .Select(r => new AcrossResultView(r.Id, r.Label, r.Difference, Math.Sqrt(r.Variance), r.TrialId, r.Source, r.OutWhy))],
            together is { Refused: null } ? together.Worked : null, standing.Count < 2
                ? "Two results or more: a trial of yours, and another season or a neighbour’s file." : together!.Refused?.ToString());
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Make(AcrossRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var set = new AcrossSet {
            Name = fields.Name("name", r.Name, "the claim"), Unit = (r.Unit ?? "").Trim(),
            WorthHaving = fields.Optional("worthHaving", r.WorthHaving, Dimension.Plain, 1e-9, 1e9)
        };
        if (set.Unit.Length > 30)
        {
            fields.Checks.Add("unit", "That unit is too long.", "Use up to 30 letters, such as kg a metre.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        db.AcrossSets.Add(set);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(set.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Add(int id, AcrossResultRequest r, HoldingDb db, TrialDesk desk,
        HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.AcrossSets.Include(s => s.Results).FirstOrDefaultAsync(s => s.Id == id) is not { } set)
        {
            return Refusal.Of("id", "There is no such set.", "Open it from the list.");
        }

        var read = r.TrialId is { } trial ? await FromTrial(trial, set, desk) : ByHand(r, new TypedFields(await clock.Units()));
        if (read.Refused is { } refused)
        {
            return refused;
        }

        read.Value.AddedAt = clock.Now;
        set.Results.Add(read.Value);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(read.Value.Id));
    });

    private static Ruling<AcrossResult> ByHand(AcrossResultRequest r, TypedFields fields)
    {
        var label = fields.Name("label", r.Label, "the site and season");
        var difference = fields.Quantity("difference", r.Difference, Dimension.Plain, -1e9, 1e9);
        var se = fields.Quantity("standardError", r.StandardError, Dimension.Plain, 1e-9, 1e9,
            "It is the difference over its t, or half of a 95 % interval over 2.");
        return fields.Checks.Sound
            ? Worked.Of(new AcrossResult { Label = label, Difference = difference, Variance = se * se, Source = "typed in" }, "",
                Evidence.MeasuredHere) : fields.Checks.Refusal;
    }

    private static async Task<Ruling<AcrossResult>> FromTrial(int id, AcrossSet set, TrialDesk desk)
    {
        if (await desk.Find(id) is not { } t || t.Measures.Count == 0)
        {
            return Refusal.Of("trialId", "There is no such trial.", "Choose one from the list.");
        }

        if (t.Shut())
        {
            return Refusal.Of("trialId", "Its codes are still shut.", "Put it in once they are open.");
        }

        if (set.Results.ThatStand().Any(r => r.TrialId == id))
        {
            return Refusal.Of("trialId", "That trial is in it already.", "A trial counts once.");
        }

        if (t.Measures[0].Unit != set.Unit)
        {
            return Refusal.Of("trialId",
                $"It was measured in {(t.Measures[0].Unit.Length == 0 ? "no unit" : t.Measures[0].Unit)}, the set is in {set.Unit}.",
                "Results are put together in one unit.");
        }

        var asked = TrialAsking.Of(t.Laid(), t.Measures[0].Laid(), await desk.Standing(id));
        var told = TrialAnalysis.Of(asked);
        if (told.Refused is { } refused)
        {
            return refused;
        }

        var best = told.Value.Dunnett.Where(c => !asked.Bystanders.Contains(c.Of) && c.T is not null and not 0)
            .OrderByDescending(c => asked.LowerIsBetter ? -c.Difference : c.Difference).FirstOrDefault();
        return best is null
            ? Refusal.Of("trialId", "One of each is a look, not a test: nothing tells its noise.", "Put in a trial with replicates.")
            : Worked.Of(new AcrossResult {
                Label = $"{t.Crop}, {(t.Season.Length == 0 ? "here" : t.Season)}", Difference = best.Difference,
                Variance = Math.Pow(best.Difference / best.T!.Value, 2), TrialId = id, Source = best.Pair
            }, "", Evidence.MeasuredHere);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Bring(int id, AcrossFileRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.AcrossSets.Include(s => s.Results).FirstOrDefaultAsync(s => s.Id == id) is not { } set)
        {
            return Refusal.Of("id", "There is no such set.", "Open it from the list.");
        }

        var table = TidyCsv.Read(r.Csv);
        if (table.Refused is { } unread)
        {
            return unread;
        }

        var results = Rows(table.Value, r.Source);
        if (results.Refused is { } refused)
        {
            return refused;
        }

        var fresh = results.Value.Where(n => !set.Results.Any(o => o.Label == n.Label && o.Difference == n.Difference
            && o.Variance == n.Variance)).ToList();
        if (fresh.Count == 0)
        {
            return Refusal.Of("csv", "All of these are in it already.", "A result counts once.");
        }

        fresh.ForEach(f => f.AddedAt = clock.Now);
        set.Results.AddRange(fresh);
        return Writes.Done(new Kept(fresh.Count));
    });

    private static Ruling<List<AcrossResult>> Rows(TidyTable t, string? source)
    {
        int Any(params string[] names) => names.Select(n => t.Column(n)).FirstOrDefault(c => c >= 0, -1);
        var (label, y, v, se) = (Any("label", "site", "where"), Any("difference", "yi"), Any("variance", "vi"),
            Any("standard_error", "se", "sei"));
        if (y < 0 || (v < 0 && se < 0))
        {
            return Refusal.Of("csv", $"The columns are {Say.List(t.Headers)}.",
                "It needs label, difference and standard_error (or yi and vi).");
        }

        var results = new List<AcrossResult>();
        var checks = new Checks();
        foreach (var (row, i) in t.Rows.Select((r, i) => (r, i)))
        {
            var difference = checks.Range($"line {i + 2}", TidyTable.Number(row[y]), -1e9, 1e9, "");
            var spread = checks.Range($"line {i + 2}", TidyTable.Number(row[v >= 0 ? v : se]), 1e-12, 1e12, "", "The spread is above 0.");
            results.Add(new AcrossResult {
                Label = label >= 0 && row[label].Length is > 0 and <= 80 ? row[label] : $"line {i + 2}",
                Difference = difference, Variance = v >= 0 ? spread : spread * spread, Source = string.IsNullOrWhiteSpace(source)
                    ? "from a file" : source.Trim()[..Math.Min(60, source.Trim().Length)]
            });
        }

        return results.Count > 200 ? Refusal.Of("csv", "That is more than 200 results.", "Give a row for each trial.") : checks.Sound
            ? Worked.Of(results, "", Evidence.MeasuredHere) : checks.Refusal;
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> TakeOut(int id, AcrossOutRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var result = await db.AcrossSets.SelectMany(s => s.Results).FirstOrDefaultAsync(x => x.Id == id && x.OutWhy == null);
        if (result is null || string.IsNullOrWhiteSpace(r.Why) || r.Why.Length > 200)
        {
            return Refusal.Of(result is null ? "id" : "why", result is null ? "It is not in the set." : "No reason was given.",
                result is null ? "Open the set again." : "Say in up to 200 letters why it does not count; it stays in sight.");
        }

        result.OutWhy = r.Why.Trim();
        return Writes.Done(new Kept(id));
    });

    private static async Task<Results<FileContentHttpResult, Missing>> Csv(int id, HoldingDb db)
    {
        if (await db.AcrossSets.AsNoTracking().Include(s => s.Results).FirstOrDefaultAsync(s => s.Id == id) is not { } set)
        {
            return Problems.NotFound("set");
        }

        var csv = CsvText.Of(["label", "difference", "standard_error", "unit"], set.Results.ThatStand()
            .Select(r => new[] { r.Label, CsvText.Number(r.Difference), CsvText.Number(Math.Sqrt(r.Variance)), set.Unit }));
        return TypedResults.File(System.Text.Encoding.UTF8.GetBytes(csv), "text/csv", "results.csv");
    }
}
