using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Measures;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Server.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Reckoning;

/// <summary>The reckoning: what the year was worth, and what is worth finding out.</summary>
public static class ReckoningEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapReckoning(this IEndpointRouteBuilder api)
    {
        api.MapGet("/judge/reckoning", Read).ForVisitor("What the year’s work was worth, and what is worth finding out.");
        api.MapGet("/judge/reckoning.csv", Csv).ForVisitor("The reckoning as a table.");
        api.MapGet("/judge/reckoning/plan", Plan).ForVisitor("A trial’s plan that would settle a doubt of the reckoning.");
        api.MapPost("/judge/reckoning/terms", Set).ForHand("Usual minutes and prices, said once.");
        api.MapPost("/judge/reckoning/kept", Keep).ForHand("Keeps a practice whatever it was worth, and says why.");
    }

    private static Ruling<ReckoningAsked> Asked(double? hectares, double? years, double? hour)
    {
        var checks = new Checks();
        ReckoningAsked a = new(hectares is null ? null : checks.Range("hectares", hectares, 1e-6, 1e6, "", "Give ground above 0."),
            years is null ? null : checks.Range("years", years, 0.1, 100, "years", "Give years above 0."),
            hour is null ? null : checks.Range("hour", hour, 0, 1000, ""));
        return checks.Sound ? Worked.Of(a, "", Evidence.MeasuredHere) : checks.Refusal;
    }

    private static async Task<Results<Ok<ReckoningView>, Refused>> Read(ReckoningTelling telling, CancellationToken stop,
        double? hectares = null, double? years = null, double? hour = null)
    {
        var asked = Asked(hectares, years, hour);
        return asked.Refused is { } no ? Problems.Of(no) : TypedResults.Ok(await telling.Of(asked.Value, stop));
    }

    private static async Task<Results<FileContentHttpResult, Refused>> Csv(ReckoningDesk desk, HoldingClock clock, CancellationToken stop,
        double? hectares = null, double? years = null, double? hour = null)
    {
        var asked = Asked(hectares, years, hour);
        if (asked.Refused is { } no)
        {
            return Problems.Of(no);
        }

        List<IReadOnlyList<string?>> lines = [];
        foreach (var ago in new[] { 0, 1 })
        {
            var year = await desk.Year(asked.Value, ago, stop);
            lines.AddRange(year.Rows.Select(r => (IReadOnlyList<string?>)[$"{year.To:yyyy-MM-dd}", r.Name, $"{r.Sum.Jobs}",
                CsvText.Number(r.Sum.Hectares), CsvText.Number(r.Sum.Hours), CsvText.Number(r.Sum.LoggedHours),
                CsvText.Number(r.Sum.Money), string.Join("; ", r.Sum.Unpriced), CsvText.Number(r.CostPerHa), r.Worth.Value.Rung.Word(),
                r.Worth.Value.Evidence, r.Worth.Value.Priced ? "money per hectare" : r.Worth.Value.Unit,
                r.Worth.Value.Unit == "unknown" ? null : CsvText.Number(r.Worth.Value.Mean),
                r.Worth.Value.Unit == "unknown" ? null : CsvText.Number(r.Worth.Value.Lower),
                r.Worth.Value.Unit == "unknown" ? null : CsvText.Number(r.Worth.Value.Upper), r.Worth.Value.Word.Word(),
                Tried(r, t => t.Told.ChanceItPays), Tried(r, t => t.Told.WorthOfKnowing), Tried(r, t => t.Told.WorthOfTrial),
                Tried(r, t => t.Cost), Tried(r, t => t.Told.Net)]));
            lines.AddRange(year.Beside.Select(b => (IReadOnlyList<string?>)[$"{year.To:yyyy-MM-dd}", b.Name, null, null,
                CsvText.Number(b.Work.Sum(w => w.Minutes) / 60), CsvText.Number(b.Work.Where(w => w.Logged).Sum(w => w.Minutes) / 60),
                CsvText.Number(b.Money), null, null, null, null, null, null, null, null, null, null, null, null, null, null]));
        }

        var csv = CsvText.Of(["year_to", "practice", "times", "hectares", "hours", "hours_logged", "money", "price_not_known",
            "cost_per_hectare", "evidence_kind", "evidence", "unit", "net", "net_low", "net_high", "word", "chance_it_pays",
            "worth_of_knowing", "worth_of_trial", "trial_cost", "trial_net"], lines);
        return TypedResults.File(System.Text.Encoding.UTF8.GetBytes(csv), "text/csv", "reckoning.csv");
    }

    private static string? Tried(Reckoned r, Func<ToTry, double> of) => r.Try is { Refused: null } t ? CsvText.Number(of(t.Value)) : null;

    private static async Task<Results<Ok<TrialRequest>, Missing>> Plan(string practice, ReckoningPlans plans, CancellationToken stop,
        int? plots = null) =>
        await plans.Of(practice, plots, stop) is { } plan ? TypedResults.Ok(plan) : Problems.NotFound("practice");

    private static Task<Results<Written<Kept>, Refused, Clash>> Set(TermsRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var newest = await db.Reckonings.OrderByDescending(x => x.Id).FirstOrDefaultAsync();
        if (newest?.Id != r.Change)
        {
            return Refusal.Of("change", "It was changed in another window since.", "Load the page again: nothing is lost.");
        }

        if (await db.Holdings.OrderBy(h => h.Id).FirstOrDefaultAsync() is not { } holding)
        {
            return Writes.NoHolding;
        }

        var fields = new TypedFields(await clock.Units());
        var terms = Terms(r, fields);
        var wage = fields.Optional("hourly", r.Hourly, Dimension.Plain, 0, 1000);
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        holding.HourlyWage = wage;
        var kept = db.Reckonings.Add(new OwnReckoning { Terms = terms, At = clock.Now }).Entity;
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(kept.Id));
    });

    private static ReckoningTerms Terms(TermsRequest r, TypedFields fields)
    {
        var units = fields.Units;
        var known = UsualMinutes.House.ToDictionary(s => s.Id);
        var minutes = new Dictionary<string, double>();
        foreach (var (id, typed) in (r.Minutes ?? new Dictionary<string, string?>()).Where(m => !string.IsNullOrWhiteSpace(m.Value)))
        {
            if (!known.TryGetValue(id, out var step))
            {
                fields.Checks.Add($"minutes.{id}", "That step is not known here.", "Load the page again.");
                continue;
            }

            var min = fields.Quantity($"minutes.{id}", typed, Dimension.Plain, 0, ReckoningTerms.MostMinutes);
            if (Math.Abs(min - step.Minutes) > 1e-9)
            {
                minutes[id] = min; // what is as the house has it follows the house
            }
        }

        var crops = new Dictionary<string, double>();
        foreach (var (crop, typed) in (r.Crops ?? new Dictionary<string, string?>()).Where(c => !string.IsNullOrWhiteSpace(c.Value)))
        {
            if (crops.Count >= 100 || Names.Wrong(crop) is not null)
            {
                fields.Checks.Add($"crops.{crop}", "That is no crop, or one of more than a hundred.", "Name each crop once.");
                continue;
            }

            var price = fields.Quantity($"crops.{crop}", typed, Dimension.Plain, 0.0001, 1e6);
            crops[Practices.CropKey(crop)] = Per.PriceSi(price, "kg", units);
        }

        var water = fields.Optional("water", r.Water, Dimension.Plain, 0, 1e6);
        return new ReckoningTerms {
            Minutes = minutes, Crops = crops, WaterPerM3 = water is { } w ? Per.PriceSi(w, "L", units) : null,
            Trip = fields.Optional("trip", r.Trip, Dimension.Plain, 0, 1e5),
            HoursAWeek = fields.Optional("hoursAWeek", r.HoursAWeek, Dimension.Plain, 0, 168),
        };
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(KeptAnywayRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        var why = r.Why?.Trim();
        if (string.IsNullOrWhiteSpace(r.Practice) || r.Practice.Length > 120 || why?.Length > 200)
        {
            return Refusal.Of(why?.Length > 200 ? "why" : "practice", why?.Length > 200 ? "That is too long." : "No practice was named.",
                why?.Length > 200 ? "Say in up to 200 letters why you keep it." : "Choose one of the list.");
        }

        var kept = db.KeptAnyway.Add(new KeptAnyway { Practice = r.Practice, Why = string.IsNullOrEmpty(why) ? null : why, At = clock.Now })
            .Entity;
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(kept.Id));
    });
}
