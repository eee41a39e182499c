using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>The trial bench: question, treatments, layout, and what is done with it.</summary>
public static class TrialEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapTrials(this IEndpointRouteBuilder api)
    {
        api.MapGet("/judge/trials", List).ForVisitor("Trials, newest first.");
        api.MapGet("/judge/templates", Templates).ForVisitor("Trials ready to be laid.");
        api.MapGet("/judge/measures", Offered).ForVisitor("What can be measured.");
        api.MapPost("/judge/trials", Make).ForHand("Makes a trial.");
        api.MapPost("/judge/trials/lay", TrialDrafts.Lay).ForVisitor("How a plan would lie, however little of it is said yet.");
        api.MapPost("/judge/trials/curve", Curve).ForVisitor("How many plots see how large a difference.");
        api.MapPost("/judge/trials/worth", (TrialMoney money) => Problems.Answer(TrialWorth.Smallest(money, "")))
            .ForVisitor("What difference would pay.");
        api.MapGet("/judge/trials/{id:int}", Read).ForVisitor("A trial.");
        api.MapPut("/judge/trials/{id:int}", Change).ForHand("Changes a trial that is not begun.");
        api.MapPost("/judge/trials/{id:int}/layout", Draw).ForHand("Draws its layout by lot.");
        api.MapGet("/judge/trials/{id:int}/key", Key).ForVisitor("Which code is which, once they may be known.");
    }

    private static async Task<Ok<List<TrialTemplate>>> Templates(HoldingClock clock)
    {
        var units = await clock.Units();
        return TypedResults.Ok(TrialTemplates.All.Select(t =>
            t with { Measures = [.. t.Measures.Select(m => MeasureKinds.Same(m, units))] }).ToList());
    }

    private static async Task<Ok<List<MeasureKind>>> Offered(HoldingClock clock)
    {
        var units = await clock.Units();
        return TypedResults.Ok(MeasureKinds.All.Where(k => k.For(units)).ToList());
    }

    private static async Task<Ok<List<TrialLine>>> List(HoldingDb db, TrialDesk desk, HoldingClock clock, IMemoryCache cache,
        CancellationToken stop)
    {
        var units = await clock.Units();
        var trials = await db.Trials.AsNoTracking().OrderByDescending(t => t.CreatedAt).ThenByDescending(t => t.Id).Take(100)
            .Select(t => new {
                t.Id, t.Version, t.State, Plots = t.Plots.Count, Measured = db.TrialReadings.Count(r => r.TrialId == t.Id),
                Last = db.TrialReadings.Where(r => r.TrialId == t.Id).Max(r => (int?)r.Id) ?? 0
            }).ToListAsync(stop);
        var lines = new List<TrialLine>();
        foreach (var row in trials)
        {
            // A verdict holds until the trial or its figures change.
            var line = await cache.GetOrCreateAsync($"trial-line {row.Id} {row.Version} {row.Last} {units} {clock.Writing}", entry =>
            {
                entry.SetSize(1);
                return Line(row.Id, row.State, row.Plots, row.Measured, desk, stop);
            });
            lines.Add(line!);
        }

        return TypedResults.Ok(lines);
    }

    private static async Task<TrialLine> Line(int id, TrialState state, int plots, int measured, TrialDesk desk, CancellationToken stop)
    {
        var t = (await desk.Find(id))!;
        var (word, says) =
            (default(string), state switch {
                TrialState.Planned => plots == 0 ? "planned; not yet drawn" : "drawn; not yet begun",
                TrialState.Growing => measured == 0 ? "growing; nothing measured yet" : $"growing; {measured} figures so far",
                _ => "ended"
            });
        if (measured > 0 && !t.Shut() && t.Measures.Count > 0
            && TrialAnalysis.Of(TrialAsking.Of(t.Laid(), t.Measures[0].Laid(), await desk.Standing(t.Id),
                stop: stop)) is { Refused: null } told)
        {
            (word, says) = (t.Design == Design.Pair && told.Value.NoiseDf is null ? "a look, not a test" : told.Value.Verdict.Word(),
                told.Value.Sentence);
        }

        return new TrialLine(t.Id, t.Question, t.Crop, t.Season, t.Design, t.State, plots, says, word, t.IsDemo);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Make(TrialRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var trial = new Trial {
            Question = "", Crop = "", Design = Design.Blocks, Kind = TrialKind.Beds, Factors = [], Places = [],
            CreatedAt = clock.Now
        };
        var reader = new TrialPlanReader(db, await clock.Units());
        await reader.Onto(trial, r);
        if (!reader.Checks.Sound)
        {
            return reader.Checks.Refusal;
        }

        db.Trials.Add(trial);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(trial.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Change(int id, TrialRequest r, HoldingDb db, TrialDesk desk,
        HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await desk.Find(id, tracked: true) is not { } trial)
        {
            return Refusal.Of("id", "There is no such trial.", "Open it from the list.");
        }

        var reader = new TrialPlanReader(db, await clock.Units());
        db.Seen(trial, r.Version, reader.Checks);
        var measured = (await db.TrialReadings.Where(x => x.TrialId == id).Select(x => x.MeasureId).Distinct().ToListAsync()).ToHashSet();
        var kept = trial.Measures.Where(m => measured.Contains(m.Id)).Select(m => (m.Name, m.Unit)).ToList();
        var anew = await reader.Onto(trial, r);
        if (reader.Checks.Sound && anew && trial.State != TrialState.Planned)
        {
            reader.Checks.Add("treatments", "The trial is growing: what is compared and where it lies stands.",
                "Plan a new trial, or change the rest.");
        }

        if (reader.Checks.Sound && kept.Any(k => trial.Measures.All(m => (m.Name, m.Unit) != k)))
        {
            reader.Checks.Add("measures", "A measure that has figures can’t go.", "Leave it in the list; it is not shown first.");
        }

        if (!reader.Checks.Sound)
        {
            return reader.Checks.Refusal;
        }

        if (anew && trial.Plots.Count > 0)
        {
            db.RemoveRange(trial.Plots);
        }

        db.Entry(trial).Property(t => t.Question).IsModified = true; // so that the version moves even where only its parts changed
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(id));
    });

    private static int? Compared(TrialRequest r)
    {
        List<string> factors = [.. r.Factors ?? []];
        List<IReadOnlyList<string>> levels = [.. (r.Treatments ?? []).Where(t => t?.Levels?.Count == factors.Count)
            .Select(t => (IReadOnlyList<string>)[.. t.Levels!.Select(l => l ?? "")])];
        List<IReadOnlyList<string>> controls =
            [.. (r.Treatments ?? []).Where(t => t?.Role == TrialRole.Control && t.Levels?.Count == factors.Count)
                .Select(t => (IReadOnlyList<string>)[.. t.Levels!.Select(l => l ?? "")])];
        return factors.Count < 2 || levels.Count < 2
            ? null : TrialSettings.Compared(factors, levels, TrialSettings.Of(factors, levels, controls));
    }

    private static async Task<Results<Ok<Worked<ReplicatesCurve>>, Refused>> Curve(TrialRequest r, HoldingClock clock)
    {
        var fields = new TypedFields(await clock.Units());
        var noise = fields.Quantity("noise", r.Noise, Dimension.Plain, 1e-9, 1e9, "It is how far plots treated alike stray.");
        var worth = fields.Quantity("worthHaving", r.WorthHaving, Dimension.Plain, 1e-9, 1e9,
            "It is the smallest difference worth having.");
        return fields.Checks.Sound
            ? Problems.Answer(ReplicatesPlan.Of(r.Design ?? Design.Blocks, r.Treatments?.Count, r.Replicates, noise, worth,
                MeasureKinds.Find(r.Measures?.FirstOrDefault()?.KindId)?.Unit ?? r.Measures?.FirstOrDefault()?.Unit ?? "",
                Compared(r), r.SureFor))
            : Problems.Of(fields.Checks.Refusal);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Draw(int id, DrawRequest r, HoldingDb db, TrialDesk desk,
        HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await desk.Find(id, tracked: true) is not { } trial)
        {
            return Refusal.Of("id", "There is no such trial.", "Open it from the list.");
        }

        if (trial.State != TrialState.Planned)
        {
            return Refusal.Of("layout", "The trial has begun: its layout stands.", "A draw after planting would no longer be by lot.");
        }

        if (trial.Plots.Count > 0 && string.IsNullOrWhiteSpace(r.Why))
        {
            return Refusal.Of("why", "It is drawn already.",
                "Say why it should be drawn again; drawing until it pleases is no longer by lot.");
        }

        var seed = System.Security.Cryptography.RandomNumberGenerator.GetInt32(1, int.MaxValue);
        var drawn = Lay(trial, seed);
        if (drawn.Refused is { } refused)
        {
            return refused;
        }

        var again = trial.Plots.Count > 0;
        db.RemoveRange(trial.Plots);
        await db.SaveChangesAsync(); // the old numbers must be free
        trial.Plots.Clear();
        Put(trial, drawn.Value);
        trial.Events.Add(new TrialEvent {
            At = clock.Now, Kind = "drawn", Text = again ? $"Drawn again with seed {seed}: {r.Why!.Trim()}"
            : $"Drawn by lot with seed {seed}."
        });
        return Writes.Done(new Kept(id));
    });

    /// <summary>The layout of a trial's plan by one seed.</summary>
    public static Ruling<LayoutAnswer> Lay(Trial trial, int seed)
    {
        var split = trial.Design == Design.SplitPlot;
        var whole = split ? trial.Treatments.Select(t => t.Laid().Levels[0]).Distinct().ToList() : [];
        var treatments = split ? [.. trial.Treatments.Select(t => t.Laid().Levels[1]).Distinct()]
            : trial.Treatments.OrderBy(t => t.Order).Select(t => t.Name).ToList();
        return TrialLayout.Of(new LayoutQuestion {
            Kind = trial.Kind,
            Design = trial.Design == Design.Factorial ? Design.Blocks : trial.Design,
            Treatments = treatments,
            WholePlots = whole,
            Replicates = trial.Replicates,
            Places = trial.Places,
            Seed = seed,
        });
    }

    /// <summary>Puts a layout on a trial.</summary>
    public static void Put(Trial trial, LayoutAnswer layout)
    {
        var split = trial.Design == Design.SplitPlot;
        var (whole, within) = (trial.Treatments.Select(t => t.Laid().Levels[0]).Distinct().ToList(), split
            ? trial.Treatments.Select(t => t.Laid().Levels[1]).Distinct().ToList() : []);
        var (places, order) = (trial.Places, trial.Treatments.OrderBy(t => t.Order).ToList());
        trial.Seed = layout.Seed;
        trial.Plots.AddRange(layout.Plots.Select(p => new TrialPlot {
            Number = p.Number,
            Code = p.Code,
            Treatment = split ? order.First(t => t.Laid().Levels[0] == whole[p.WholePlot!.Value]
                && t.Laid().Levels[1] == within[p.Treatment]) : order[p.Treatment],
            Block = p.Block?.ToString(System.Globalization.CultureInfo.InvariantCulture),
            WholePlot = split ? $"{p.Block}.{p.WholePlot + 1}" : null,
            Place = places[p.Place].Name,
            X = p.X,
            Y = p.Y,
            Length = p.Length,
            Width = p.Width,
        }));
    }

    private static async Task<Results<Ok<List<PlotView>>, Missing>> Key(int id, TrialDesk desk, HoldingDb db) =>
        await desk.Find(id) is { } trial ? TypedResults.Ok(Plots(trial, false, await Photos(db, id))) : Problems.NotFound("trial");

    private static async Task<ILookup<int, int>> Photos(HoldingDb db, int id) =>
        (await db.TrialPhotos.AsNoTracking().Where(p => p.TrialId == id).Select(p => new { p.PlotId, p.PhotoId })
            .ToListAsync()).ToLookup(p => p.PlotId, p => p.PhotoId);

    private static List<PlotView> Plots(Trial t, bool shut, ILookup<int, int> photos) =>
        [.. t.Plots.OrderBy(p => p.Number)
            .Select(p => new PlotView(p.Id, p.Number, p.Code, shut ? null : p.TreatmentId, shut ? null : p.Treatment.Name, p.Block,
                p.WholePlot, p.Place, p.X, p.Y, p.Length, p.Width, [.. photos[p.Id]]))];

    private static async Task<IReadOnlyList<TrialEventView>> Story(Trial t, HoldingDb db)
    {
        var wrote = await db.Wrote(db.Set<TrialEvent>().Where(e => e.TrialId == t.Id));
        return [.. t.Events.OrderBy(e => e.At).ThenBy(e => e.Id).Select(e => new TrialEventView(e.At, e.Kind, e.Text,
            wrote.Told(e.Id, e.At)))];
    }

    private static async Task<Results<Ok<TrialView>, Missing>> Read(int id, HoldingDb db, TrialDesk desk, HoldingClock clock,
        CancellationToken stop)
    {
        if (await desk.Find(id) is not { } t)
        {
            return Problems.NotFound("trial");
        }

        var (units, laid) = (await clock.Units(), t.Laid());
        var main = t.Measures.FirstOrDefault();
        var (noise, says) = t.Noise is { } own ? (own, "as you stated") : main is not null
            && await desk.History(main, id, stop) is { } history
            ? (history.Sd, history.Says) : ((double?)null, "not known: state how far plots treated alike stray");
        var curve = noise is { } sd && t.WorthHaving is { } worth ? ReplicatesPlan.Of(t.Design, t.Treatments.Count, t.Replicates, sd, worth,
            main?.Unit ?? "", laid.Compared) : null;
        var readings = await desk.Standing(id);
        return TypedResults.Ok(new TrialView {
            Id = t.Id,
            Version = t.Version,
            Question = t.Question,
            Crop = t.Crop,
            Season = t.Season,
            Displaces = t.Displaces,
            Design = t.Design,
            Kind = t.Kind,
            Liquid = t.Liquid,
            Factors = t.Factors,
            NoControlWhy = t.NoControlWhy,
            NoWaterWhy = t.NoWaterWhy,
            Replicates = t.Replicates,
            EachSays = laid.EachSays,
            Noise = noise,
            NoiseSays = says,
            WorthHaving = t.WorthHaving,
            Money = t.Money,
            Places = [.. t.Places.Select(p => new PlaceView(p.Name, p.LengthM, p.WidthM, Units.Show(p.LengthM, Dimension.Length, units),
                Units.Show(p.WidthM, Dimension.Length, units)))],
            Seed = t.Seed,
            Blind = t.Blind,
            Shut = t.Shut(),
            State = t.State,
            StartedAt = t.StartedAt,
            EndedAt = t.EndedAt,
            Treatments = [.. t.Treatments.Select(x => new TreatmentView(x.Id, x.Name, x.Laid().Levels, x.Role, x.InputId, x.Input?.Name,
                x.RateTyped,
                x.WaterLPerM2 is { } w ? Per.Square(w, Dimension.Volume, units) : null, x.RateTyped, x.WaterLPerM2 is { } water
                    ? Units.Show(water / Per.SquareSi(1, units), Dimension.Volume, units) : null))],
            Plots = Plots(t, t.Shut(), await Photos(db, id)),
            Measures = MeasureViews.Measures(t, readings),
            Events = await Story(t, db),
            Strength = laid.Strength,
            Curve = curve is { Refused: null } ? curve.Worked : null,
            CurveWants = curve is not null ? curve.Refused?.ToString() : noise is null
                ? "Say how far plots treated alike stray, to see how many are needed."
                : "Say what difference would be worth having, to see how many are needed.",
            Published = TrialTemplates.Find(t.TemplateId)?.Published,
            TemplateId = t.TemplateId,
            ProtocolId = t.ProtocolId,
        });
    }
}
