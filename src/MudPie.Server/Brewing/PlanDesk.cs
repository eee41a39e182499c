using Microsoft.Extensions.Caching.Memory;
using MudPie.Core.Almanac;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Server.Weather;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>Looks up what a plan hangs on — kit, recipe, priors, weather, waits — and asks the core.</summary>
public sealed class PlanDesk(HoldingDb db, HoldingClock clock, WeatherBook weather, IMemoryCache cache)
{
    /// <summary>Looks the kit up and works the plan out.</summary>
    public async Task<Ruling<PlanView>> Plan(PlanRequest r)
    {
        var holding = await clock.Find();
        if (holding is null)
        {
            return Refusal.Of("holding", "There is no holding yet.", "Set it up first: ten short answers.");
        }

        var kit = await KitSnapshot.Of(db, cache, clock.Now);
        var kitByHand = r.PumpId is not null || r.DiffuserId is not null;
        r = Completed(r, kit);
        var (recipe, missing) = await RecipeBook.Find(r.Recipe, db);
        if (missing is not null)
        {
            return missing;
        }

        var (question, refused) = Question(r, kit, kitByHand, clock.Now, holding, r.UseAt is { } useAt
            ? await RaceKits.Window(holding, r.Purpose == Purpose.Leaf, useAt, weather) : null);
        if (question is null)
        {
            return refused!;
        }

        question = (recipe is null ? question : WithRecipe(question, recipe)) with { Prior = await Prior(r, recipe, question.Source) };

        var own = await Book.Waits.Own(db);
        var local = await clock.Local();
        var (plan, forward) = r.StartNow ? Forward(question, holding, local, await weather.Hours(clock.Now.AddHours(-1),
            clock.Now.AddHours(112))) : (BrewPlan.Of(question, local), null);
        var waits = plan.Refused is not null ? [] : await Waits(r, kit, plan.Value, own, local);
        return plan.Match<Ruling<PlanView>>(
            w => w.With(View(r, kit, question, w.Value, recipe?.Name, waits, holding.Units) with { ForwardSays = forward }, ""),
            refusal => refusal);
    }

    private static (Ruling<BrewPlanAnswer> Plan, string? Says) Forward(BrewPlanQuestion q, Holding holding,
        Func<DateTimeOffset, DateTimeOffset> local, IReadOnlyList<WeatherHour> known)
    {
        var leaf = q.Purpose == Purpose.Leaf;
        var answer = PlanForward.Of(q, local,
            from => SprayWindows.FirstWindow(leaf, from, holding.SunLatitude, holding.SunLongitude, known),
            from => SprayWindows.Left(leaf, from, holding.SunLatitude, holding.SunLongitude, known, holding.Units));
        return answer.Match<(Ruling<BrewPlanAnswer>, string?)>(w => (w.Value.Plan, w.Value.Forward.Says
            + (holding.PlaceKnown ? "" : " The sun is off: see to it that there is light enough, and not too much.")),
            refusal => (refusal, null));
    }

    private static PlanView View(PlanRequest r, KitSnapshot kit, BrewPlanQuestion question, BrewPlanAnswer plan, string? recipeName,
        IReadOnlyList<string> waits, UnitSystem units) =>
        new PlanView {
            VesselId = r.VesselId!.Value,
            PumpId = r.PumpId!.Value,
            DiffuserId = r.DiffuserId!.Value,
            WaterSourceId = r.WaterSourceId!.Value,
            SourceInputId = Lot(kit, r, plan.Source.Kind)?.Id,
            SourceLot = Lot(kit, r, plan.Source.Kind)?.Name,
            SourceSays = Lot(kit, r, plan.Source.Kind)?.Ruling?.Sentence,
            RecipeName = recipeName,
            MakingIs = Makings.Of(plan.Making),
            Plan = plan,
            BrewShown = Units.Show(plan.BrewL, Dimension.Volume, units),
            WantedShown = Units.Show(plan.WantedL, Dimension.Volume, units),
            CoversShown = Units.Show(plan.CoversM2, Dimension.Area, units),
            AirShown = Units.Show(plan.Air.AtDepthLpm, Dimension.Flow, units),
            BoxShown = Units.Show(plan.Air.OpenLpm, Dimension.Flow, units),
            LeastAirShown = plan.Air.LeastLpm is { } least
                ? $"{Units.Show(least, Dimension.Flow, units)} would hold it at 6"
                : "no air will hold this at 6",
            WarmthShown = Units.Show(question.WarmthC ?? 0, Dimension.Temperature, units),
            SwingShown = Units.Show(question.SwingC ?? 0, Dimension.TemperatureSpan, units),
            Source = PlanAmounts.View(plan.Source, units),
            MoreSources = [.. plan.MoreSources.Select(m => PlanAmounts.View(m, units))],
            AddableSources = [.. plan.AddableSources.Select(m => PlanAmounts.View(m, units))],
            WaterSays = WaterClearing.Says(plan.Water),
            Foods = [.. plan.Foods.Select(f => PlanAmounts.View(f, units))],
            FoodMarks = [.. plan.Foods.Select(f => new FoodMark(f.Kind, f.AtH, f.Litres * plan.FoodCarried, f.Litres * plan.FoodEdge))],
            Waits = waits,
            Race = plan.Race is { } race ? RaceViews.Of(race, units) : null,
            MoreLots = [.. plan.MoreSources.Select(m => Lot(kit, r, m.Kind)?.Id).OfType<int>()],
        };

    private static PlanRequest Completed(PlanRequest r, KitSnapshot kit)
    {
        var wanted = BrewPlan.WantedL(r.BedIds.Distinct().Where(kit.Beds.ContainsKey).Select(id => kit.Beds[id]),
            r.Purpose == Purpose.Leaf);
        var chosen = KitChoice.Complete(wanted, [.. kit.Here.Select(v => new VesselToChoose(v.Id, v.Shape, v.WorkingL))],
            [.. kit.Pumps.Select(p => new PumpToChoose(p.Id, p.OpenLpm, p.BatteryHours is not null))],
            [.. kit.Diffusers.Select(d => new KindToChoose(d.Id, d.Kind))], [.. kit.Waters.Select(w => new WaterToChoose(w.Id, w.Kind))],
            new KitChosen(r.VesselId, r.PumpId, r.DiffuserId, r.WaterSourceId));
        return r with {
            VesselId = chosen.VesselId,
            PumpId = chosen.PumpId,
            DiffuserId = chosen.DiffuserId,
            WaterSourceId = chosen.WaterId
        };
    }

    /// <summary>Waits before harvest that this brew would begin, said before it is made.</summary>
    private async Task<List<string>> Waits(PlanRequest r, KitSnapshot kit, BrewPlanAnswer p,
        IReadOnlyDictionary<string, (double Days, string Why)> own, Func<DateTimeOffset, DateTimeOffset> local)
    {
        var lots = p.MoreSources.Select(m => m.Kind).Prepend(p.Source.Kind).Select(k => Lot(kit, r, k)).ToList();
        var origin = new Core.Book.BrewOrigin(p.Making is Making.Tea or Making.Steep, lots.All(l => Book.Waits.ManureFree(l?.Answers)),
            false, await Book.Waits.TwoCleanBefore(db, p.Making, lots[0]?.Id, p.Foods.Select(f => f.Kind), r.VesselId!.Value,
                r.WaterSourceId!.Value));
        return Book.Waits.InWords([Book.Waits.Cause("this brew", p.Making, p.UseAt, origin, r.Purpose == Purpose.Leaf)], r.BedIds.Distinct()
            .Where(kit.Beds.ContainsKey).Select(id => (kit.Beds[id].Name, kit.Eaten.GetValueOrDefault(id))), p.UseAt, own, local);
    }

    private static (BrewPlanQuestion? Question, Refusal? Refused) Question(PlanRequest r, KitSnapshot kit, bool kitByHand,
        DateTimeOffset now, Records.Ground.Holding holding, RaceWindow? window)
    {
        var ids = r.BedIds.Distinct().ToList();
        var beds = ids.Where(kit.Beds.ContainsKey).Select(id => kit.Beds[id]).ToList();
        var vessel = kit.Vessels.FirstOrDefault(v => v.Id == r.VesselId);
        var pump = kit.Pumps.FirstOrDefault(p => p.Id == r.PumpId);
        var diffuser = kit.Diffusers.FirstOrDefault(d => d.Id == r.DiffuserId);
        var water = kit.Waters.FirstOrDefault(w => w.Id == r.WaterSourceId);
        var checks = new Checks();
        Missing(checks, "vesselId", vessel, "vessel");
        Missing(checks, "pumpId", pump, "pump");
        Missing(checks, "diffuserId", diffuser, "diffuser");
        Missing(checks, "waterSourceId", water, "water");
        if (beds.Count < ids.Count)
        {
            checks.Add("bedIds", "One of those beds is not there.", "Choose from the list.");
        }

        if (water is { Kind: WaterKind.Surface } && WaterTests.Wrong(water.EColi, water.TestedAt, now) is { } untested)
        {
            checks.Add("waterSourceId", untested.Wrong, untested.WayOut);
        }

        var fields = new TypedFields(holding.Units);
        var mixL = (r.BrewL
            ?? (vessel is null ? 1 : BrewPlan.LitresFor(BrewPlan.WantedL(beds, r.Purpose == Purpose.Leaf), vessel.WorkingL)))
            * PutOutRace.UsualOneIn(r.Purpose == Purpose.Leaf);
        var race = RaceChoice.For(r.Race, kit.Sprayers, new Litres(Math.Clamp(mixL, 0, 1e9)), fields);
        if (!fields.Checks.Sound)
        {
            checks.Add(fields.Checks.Refusal);
        }

        if (!checks.Sound)
        {
            return (null, checks.Refusal);
        }

        return (Asked(r, kit, vessel!, pump!, diffuser!, water!, now, holding) with {
            Beds = beds,
            Race = race,
            Window = window,
            Bench = vessel!.Air is { } air && !kitByHand ? air : null,
        }, null);
    }

    private static BrewPlanQuestion Asked(PlanRequest r, KitSnapshot kit, Vessel vessel, Pump pump, Diffuser diffuser,
        KitWater water, DateTimeOffset now, Records.Ground.Holding holding)
    {
        var choices = new Dictionary<string, string>(kit.Choices);
        foreach (var (fork, school) in r.Choices ?? new Dictionary<string, string>())
        {
            choices[fork] = school;
        }

        var rulings = new Dictionary<string, SourceRuling>();
        foreach (var kind in Ingredients.Sources.Select(s => s.Kind))
        {
            if (Lot(kit, r, kind)?.Ruling is { } ruling)
            {
                rulings[kind] = ruling;
            }
        }

        var chosen = kit.Lots.FirstOrDefault(l => l.Id == r.SourceInputId);
        return new BrewPlanQuestion {
            SourceRulings = rulings,
            BiasByCount = chosen?.Ruling?.BiasByCount,
            Loads = r.Loads,
            MoreSources = r.MoreSources,
            Battery = kit.Pumps.Where(p => p.BatteryHours is not null).MaxBy(p => p.OpenLpm) is { } battery
                ? BatteryPump.OfKit(new LitresPerMinute(battery.OpenLpm), new Kilopascals(battery.ShutOffKPa), battery.BatteryHours) : null,
            VesselUnclean = kit.Unclean.Contains(vessel.Id),
            VesselHandedTo = vessel.HandedTo,
            Beds = [],
            Purpose = r.Purpose,
            // hours of use are said to the minute, everywhere the same
            UseAt = r.UseAt is { } use ? use.AddTicks(-(use.Ticks % TimeSpan.TicksPerMinute)) : null,
            Now = now,
            VesselWorkingL = vessel.WorkingL,
            VesselDepthM = vessel.DepthM,
            PumpOpenLpm = pump.OpenLpm,
            PumpShutOffKPa = pump.ShutOffKPa,
            Diffuser = diffuser.Kind,
            DiffuserLossKPa = diffuser.LossKPa,
            ChlorineMgPerL = water.Strip ?? WaterClearing.Unread(water.Kind),
            Chloramine = water.Chloramine,
            AltitudeM = holding.AltitudeM,
            Units = holding.Units,
            WarmthC = r.WarmthC,
            SwingC = r.SwingC,
            Source = r.Source ?? chosen?.Kind,
            FoodsOnShelf = kit.Shelf,
            Making = r.Making,
            BrewL = r.BrewL,
            SourceL = r.SourceL,
            Foods = r.Foods is { } foods ? [.. foods.Select(f => f.Amount())] : null,
            AirLpm = r.AirLpm,
            Choices = choices,
        };
    }

    private static KitLot? Lot(KitSnapshot kit, PlanRequest r, string kind) =>
        kit.Lots.FirstOrDefault(l => l.Id == r.SourceInputId && l.Kind == kind)
            ?? kit.Lots.FirstOrDefault(l => l.Kind == kind && l.Ruling?.Fitness != SourceFitness.Unfit);

    /// <summary>A recipe fills in whatever the grower has not set by hand, scaled to the litres of this brew.</summary>
    private static BrewPlanQuestion WithRecipe(BrewPlanQuestion q, RecipeFile recipe)
    {
        var litres = q.BrewL ?? BrewPlan.LitresFor(BrewPlan.WantedL(q.Beds, q.Purpose == Purpose.Leaf), q.VesselWorkingL ?? 1);
        var scaled = Recipes.ScaledTo(recipe, litres);
        return q with {
            Making = q.Making ?? recipe.Making,
            Bias = recipe.Bias,
            Source = q.Source ?? scaled.Sources![0].Kind,
            SourceL = q.SourceL ?? scaled.Sources![0].Litres,
            MoreSources = q.MoreSources ?? (scaled.Sources!.Count > 1 ? [.. scaled.Sources.Skip(1)] : null),
            Foods = q.Foods ?? scaled.Foods,
        };
    }

    private async Task<Prior?> Prior(PlanRequest r, RecipeFile? recipe, string? source)
    {
        var key = ("prior", r.VesselId, r.Recipe, source);
        if (!cache.TryGetValue(key, out Prior? prior))
        {
            prior = await Lessons.Prior(db, r.VesselId ?? 0, recipe is null ? null : await RecipeBook.RecipeOf(r.Recipe, db),
                source ?? "compost");
            cache.Set(key, prior, new MemoryCacheEntryOptions { Size = 1, AbsoluteExpirationRelativeToNow = TimeSpan.FromSeconds(20) });
        }

        return prior;
    }

    private static void Missing(Checks checks, string field, object? found, string what)
    {
        if (found is null)
        {
            checks.Add(field, $"No {what} was chosen.", $"Choose a {what}; add one under Ground and kit.");
        }
    }
}
