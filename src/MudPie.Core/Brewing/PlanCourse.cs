using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>One plan in its course: what is settled of vessel, air and water; what it is fed; how it goes out; what is said of
/// it.</summary>
internal sealed class PlanCourse
{
    private readonly BrewPlanQuestion _q;
    private readonly Func<DateTimeOffset, DateTimeOffset> _local;
    private readonly bool _leaf;
    private readonly Making _making;
    private readonly string _why;
    private readonly Fork _makingFork;
    private readonly bool _tea;
    private readonly double _area;
    private readonly double _wanted;
    private readonly double _brewL;
    private readonly double _depth;
    private readonly Bias _bias;
    private readonly string _sourceKind;
    private readonly int _loads;
    private readonly double _sourceL;
    private readonly Worked<PlanAirflow> _air;
    private readonly Worked<ChlorineDoseAnswer> _water;
    private readonly double _airLpm;

    private PlanCourse(BrewPlanQuestion q, Func<DateTimeOffset, DateTimeOffset> local, double brewL, double depth, Worked<PlanAirflow> air,
        Worked<ChlorineDoseAnswer> water)
    {
        (_q, _local, _brewL, _depth, _air, _water) = (q, local, brewL, depth, air, water);
        _leaf = q.Purpose == Purpose.Leaf;
        (_making, _why, _makingFork) = BrewPlan.ChooseMaking(q.Making, _leaf, Choice(q, "root-brew", "extract"));
        _tea = _making == Making.Tea;
        _area = q.Beds.Sum(b => b.AreaM2);
        _wanted = BrewPlan.WantedL(q.Beds, _leaf);
        _airLpm = q.AirLpm ?? air.Value.Lpm;
        _bias = q.Bias ?? BrewPlan.BiasOf(q, Choice(q, "bias", BiasSchool));
        _sourceKind = q.Source ?? (_bias == Bias.Bacterial && _tea ? "castings" : "compost");
        _loads = _making == Making.Extract ? q.Loads ?? 1 : 1;
        _sourceL = q.SourceL ?? BrewPlan.RoundSmall(_making switch {
            Making.Extract => Recipe.ExtractLoadPer20L * brewL / 20 * _loads,
            Making.Steep => brewL / 20,
            _ => Recipe.SourcePer20L(_sourceKind, brewL) * brewL / 20,
        });
    }

    private string BiasSchool => _q.BiasByCount is null ? "crop" : "count";

    private static string Choice(BrewPlanQuestion q, string fork, string house) => q.Choices?.GetValueOrDefault(fork) ?? house;

    /// <summary>Runs it, or says which fields can't be right.</summary>
    public static Ruling<BrewPlanAnswer> Run(BrewPlanQuestion q, Func<DateTimeOffset, DateTimeOffset> local)
    {
        var checks = new Checks();
        PlanChecks.Check(q, checks);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var working = q.VesselWorkingL!.Value;
        var brewL = q.BrewL ?? BrewPlan.LitresFor(BrewPlan.WantedL(q.Beds, q.Purpose == Purpose.Leaf), working);
        var depth = q.VesselDepthM!.Value * Math.Min(1, brewL / working);
        var air = PlanAirflow.Of(q, depth, brewL);
        if (air.Refused is { } noAir)
        {
            return new Refusal([.. noAir.Problems.Select(p => p with { Field = "pump" })]);
        }

        var water = WaterClearing.Dose(brewL, q.ChlorineMgPerL, Choice(q, "clear-chlorine", "ascorbic"), q.Chloramine);
        return water.Refused is { } badWater ? badWater : new PlanCourse(q, local, brewL, depth, air.Worked, water.Worked).Feed();
    }

    private BrewQuestion Plain()
    {
        var brew = new BrewQuestion {
            VolumeL = _brewL,
            DepthM = _depth,
            Diffuser = _q.Diffuser,
            AirLpm = _airLpm,
            AltitudeM = _q.AltitudeM ?? 0,
            TemperatureC = _q.WarmthC,
            SwingC = _q.SwingC ?? 0,
            Hours = _tea || _making == Making.Steep ? 48 : 8,
            AirOffAtH = _making is Making.Extract or Making.Steep ? 0 : null,
            Sources = [new SourceAmount { Kind = _sourceKind, Litres = _sourceL }, .. _q.MoreSources ?? []],
            Foods = [],
        };
        return _air.Value.Outlets is { } outlets ? (brew with { Outlets = outlets }).WithAir(_airLpm) : brew;
    }

    private PlanTiming Timing(double thinningMinutes, RaceAnswer? race) => new(_q.UseAt!.Value, _q.Now, _brewL,
        _water.Value.MinutesAtMost, thinningMinutes, race, _making, _q.Units, _local);

    /// <summary>Foods as much as nine brews in ten bear, and the brew with them.</summary>
    private Ruling<BrewPlanAnswer> Feed()
    {
        var plain = Plain();
        var oneIn = PutOutRace.UsualOneIn(_leaf);
        var thinning = BrewPlan.ThinningWater(_q, _brewL, oneIn);
        var timing = Timing(thinning.Dose.MinutesAtMost, null);
        // It stays on air until the last draw, and all of that counts to the 36 h of its age.
        var most = FitToUse.OldestH - (timing.WaitMinutes / 60)
            - (_tea ? PutOutRace.For(new RaceFacts {
                BrewL = _brewL, MixL = _brewL * oneIn, Kit = _q.Race ?? new RaceKit(),
                GraceMinutes = 1e5
            }).Match(w => w.Value.Times.DoneAtMin, _ => 0) / 60 : 0);
        double HoursBy(double? ready) => Math.Max(BrewPlan.HoursOf(Choice(_q, "brew-time", "forecast"), ready, plain, most),
            Math.Min(_q.LeastHours ?? 0, most));
        double StartHour(BrewQuestion fed) => timing.ClockHour(timing.StartFor(PlannedBrew.About(fed, timing, HoursBy)));
        PlannedBrew With(PlanFoods.Fed food) => PlannedBrew.Of(_q, plain.With(food.Foods), _making, _loads, timing, HoursBy);
        var fed = _tea || (_making == Making.Steep && _q.Foods is not null)
            ? PlanFoods.ChooseFoods(_q, plain, _bias, _brewL, Choice(_q, "food", "carry"), StartHour) : PlanFoods.Fed.None;
        if (plain.With(fed.Foods).MakeReady().Refused is { } badBrew)
        {
            return badBrew;
        }

        var planned = With(fed);
        while (planned.Forecast.Value.ProbabilityBelow6 > PlanFoods.Let + 1e-9 && fed.Less() is { } less)
        {
            (fed, planned) = (less, With(less)); // its own start and hours say otherwise than those that it was chosen by
        }

        return Out(planned, fed, timing, thinning, oneIn);
    }

    /// <summary>Put out: the race from the last draw, or why there can be none; then all of it as one answer.</summary>
    private Ruling<BrewPlanAnswer> Out(PlannedBrew planned, PlanFoods.Fed fed, PlanTiming timing,
        (double Litres, ChlorineDoseAnswer Dose) thinning, double oneIn)
    {
        var toUse = (_q.UseAt!.Value - timing.StartFor(planned.Hours)).TotalHours;
        var race = _making == Making.Steep ? null : BrewPlan.RaceOf(_q, planned.Brew, _making, toUse, _brewL, oneIn,
            planned.Forecast.Value, Choice(_q, "hold", "oxygen"));
        if (race is { Refused: { } noRace })
        {
            return new Refusal([.. noRace.Problems.Select(p => p with { Field = "race." + p.Field })]);
        }

        var steps = Timing(thinning.Dose.MinutesAtMost, race?.Value).Steps(planned.Hours, _brewL, _water.Value, thinning, _sourceKind,
            _sourceL, _q.MoreSources ?? [], _loads, fed.Foods, Choice(_q, "order", "source-first"));
        var strength = _making is Making.Extract or Making.Bubbled
            ? BrewPlan.StrengthOf(_q, _making, _loads, _sourceL, _brewL, _sourceKind) : null;
        var covers = _brewL / BrewPlan.Spare / _wanted * _area;
        var nutrients = BrewNutrients.Of(planned.Brew.Sources!, planned.Brew.Foods!, Math.Min(_area, covers),
            _q.Beds.MaxBy(b => b.AreaM2)!.Growing, _q.Units);
        var verdict = PlanVerdict.Of(new VerdictInputs(planned.Brew, planned.Run, planned.Forecast.Value, planned.Hours, _making, timing,
            Units.Show(_wanted, Dimension.Volume, _q.Units), _wanted, PlanFoods.Gravest(_q, _sourceKind), race?.Value));
        var answer = Answer(planned, fed, timing.StartFor(planned.Hours), steps, (covers, nutrients.Value, race?.Value, verdict)) with {
            Strength = strength?.Value
        };
        return Worked.Of(answer, "", Evidence.PractitionersRule,
            [.. PlanWorking.Lines(answer, _q.Beds, _leaf, fed), .. strength?.Working ?? [], .. race?.Worked.Working ?? [],
                .. _air.Working, .. _water.Working, .. planned.Forecast.Working, .. nutrients.Working],
            [.. BrewPlan.Flags(_q, _making, _sourceKind),
                .. _making is Making.Tea or Making.Bubbled ? [Cautions.Pump] : Array.Empty<Caution>(),
                Cautions.Food, Cautions.Dust, .. _water.Cautions, .. _brewL >= 100 ? [Cautions.Lifting] : Array.Empty<Caution>()],
            Forks(answer, planned, fed));
    }

    private IEnumerable<Fork> Forks(BrewPlanAnswer answer, PlannedBrew planned, PlanFoods.Fed fed) => [_makingFork,
        PlanForks.AirFork(answer.Air, _brewL), PlanForks.TimeFork(planned.Run, planned.Brew, Choice(_q, "brew-time", "forecast")),
        PlanForks.FoodFork(Choice(_q, "food", "carry"), fed),
        Recipe.BiasFork(_q.Beds, Choice(_q, "bias", BiasSchool), _q.BiasByCount),
        PlanForks.OrderFork(Choice(_q, "order", "source-first")), .. _water.Forks];

    private BrewPlanAnswer Answer(PlannedBrew planned, PlanFoods.Fed fed, DateTimeOffset start, IReadOnlyList<PlanStep> steps,
        (double Covers, NutrientsAnswer Nutrients, RaceAnswer? Race, Verdict Verdict) of)
    {
        var (brew, hours, run, forecast) = planned;
        var margin = _tea ? PlanFoods.MarginOf(_q, brew, fed, forecast.Value.ProbabilityBelow6) : new(null);
        return new BrewPlanAnswer {
            Making = _making,
            MakingWhy = _why,
            Nutrients = of.Nutrients,
            Race = of.Race,
            GroundSays = [.. _q.Beds.Where(b => b.Life is not null)
                .Select(b => $"{b.Name}: {char.ToLowerInvariant(GroundAlive.Means(b.Life!.Value)[0])}"
                    + $"{GroundAlive.Means(b.Life!.Value)[1..]}")],
            Effects = _tea ? PlanFoods.Effects(brew, hours) : [],
            BrewL = _brewL,
            WantedL = _wanted,
            AreaM2 = _area,
            CoversM2 = of.Covers,
            Bias = _bias,
            Source = new PlanAmount(_sourceKind, Ingredients.Source(_sourceKind)!.Name, _sourceL, true, _brewL * 0.12),
            MoreSources =
                [.. (_q.MoreSources ?? []).Select(m => new PlanAmount(m.Kind!, Ingredients.Source(m.Kind)!.Name, m.Litres ?? 0, true,
                    _brewL * 0.12))],
            AddableSources = PlanFoods.AddableSources(_q, _sourceKind, _sourceL, _brewL),
            Foods = fed.Foods,
            FoodSays = margin.Says,
            FoodCarried = margin.Carried,
            FoodEdge = margin.Edge,
            Addable = PlanFoods.Addable(_q, fed.Foods, _brewL),
            Water = _water.Value,
            Air = new PlanAir(_q.PumpOpenLpm!.Value, _airLpm, 0.25 * _brewL, _brewL, _tea ? BrewPlan.LeastAir(brew, hours) : 0, _depth),
            Run = run,
            Forecast = forecast.Value,
            BrewHours = hours,
            StartAt = start,
            ReadyAt = start.AddHours(hours),
            UseAt = _q.UseAt!.Value,
            EarliestUseAt = _q.UseAt.Value + BrewPlan.Later(_q.Now - steps.Min(x => x.At)),
            Steps = steps,
            Verdict = of.Verdict,
            Brew = brew,
        };
    }
}
