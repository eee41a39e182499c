using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Works a whole brew back from the ground to cover and the hour it is wanted.</summary>
public static class BrewPlan
{
    /// <summary>Undiluted brew per 100 m², L: 10 on roots (1,000 L to a hectare of worn-out ground), 5 on leaves.</summary>
    public static double LitresPer100M2(bool leaf) => leaf ? 5 : 10;

    /// <summary>Members of a plan's forecast: few enough to follow a thumb; a Latin-hypercube draw makes fifty do.</summary>
    public const int Members = 50;

    internal const double Spare = 1.05;      // for the bag, the hose and the sprayer's dead end
    private const double LeastFill = 0.4;   // of the working volume, so that the outlet is well under

    /// <summary>Litres of brew that ground asks for: area × the full dose × what its checks have earned, by the tank's own rule.</summary>
    /// <remarks>Two hectares of living ground for roots: 20,000 m² ÷ 100 × 10 L × 0.3 = 600 L.</remarks>
    public static double WantedL(IEnumerable<PlanBed> beds, bool leaf) =>
        beds.Sum(b => b.AreaM2 / 100 * LitresPer100M2(leaf) * TankJob.Step(b.Life));

    /// <summary>Litres to brew for so much ground: what it asks for and 5 % spare, two fifths to all of the working volume.</summary>
    public static double LitresFor(double wantedL, double workingL) => Round(Math.Clamp(wantedL * Spare, workingL * LeastFill, workingL));

    /// <summary>Plans it. All figures follow from the question: the same question gives the same plan.</summary>
    /// <param name="q">What is known and wanted.</param>
    /// <param name="local">A moment in the holding's own zone, for the words.</param>
    /// <remarks>Worked: one bed of 150 m² for roots asks for 15 L, 15.75 L with the spare.</remarks>
    public static Ruling<BrewPlanAnswer> Of(BrewPlanQuestion q, Func<DateTimeOffset, DateTimeOffset> local)
    {
        var plan = PlanCourse.Run(q, local);
        if (plan.Refused is not null || plan.Value.EarliestUseAt <= q.UseAt)
        {
            return plan;
        }

        // Another hour of use is another stretch of the day's warmth, so the earliest is closed in on.
        var earliest = plan.Value.EarliestUseAt;
        for (var i = 0; i < 6; i++)
        {
            var trial = PlanCourse.Run(q with { UseAt = earliest }, local).Value.EarliestUseAt;
            if (trial <= earliest)
            {
                break;
            }

            earliest = trial.AddMinutes(5);
        }

        var verdict = PlanVerdict.TooLate(q, earliest, plan.Value.Verdict, local);
        return plan.Worked with { Value = plan.Value with { EarliestUseAt = earliest, Verdict = verdict } };
    }

    internal static Worked<ExtractAnswer>? StrengthOf(BrewPlanQuestion q, Making making, int loads, double sourceL, double brewL,
        string source)
    {
        // Bubbling for hours frees what two minutes of dunking do.
        var seconds = making == Making.Bubbled ? 150 : q.LoadSeconds ?? 90;
        var each = new ExtractLoad { Litres = sourceL / loads, Seconds = seconds };
        return ExtractStrength.Of([.. Enumerable.Repeat(each, loads)], brewL, null, null, Ingredients.Source(source)!.KgPerLitre)
            .Match<Worked<ExtractAnswer>?>(w => w, _ => null);
    }

    /// <summary>The water for thinning is cleared like any other: five parts for leaves, one for roots, where nothing else is
    /// said.</summary>
    internal static (double Litres, ChlorineDoseAnswer Dose) ThinningWater(BrewPlanQuestion q, double brewL, double oneIn)
    {
        var litres = Math.Min(brewL * (oneIn - 1), 10_000);
        return (litres, WaterClearing.Dose(litres, q.ChlorineMgPerL, q.Choices?.GetValueOrDefault("clear-chlorine") ?? "ascorbic",
            q.Chloramine).Value);
    }

    internal static Ruling<RaceAnswer> RaceOf(BrewPlanQuestion q, BrewQuestion brew, Making making, double useH, double brewL, double oneIn,
        ForecastAnswer f, string hold)
    {
        var dunked = making == Making.Extract;
        var after = dunked ? null : AfterAir.OfForecast(brew, f, f.TypicalAtUse, Math.Min(useH, f.Median[^1].H), q.Battery, hold)
            .Match<AfterAirAnswer?>(w => w.Value, _ => null);
        return PutOutRace.For(new RaceFacts {
            BrewL = brewL,
            MixL = brewL * oneIn,
            Kit = q.Race ?? new RaceKit(),
            GraceMinutes = dunked ? FitToUse.OldestExtractH * 60 : FitToUse.HoldOf(hold, after is null ? null : after.MinutesTo6
                ?? AfterAir.Horizon * 60),
            BatteryGraceMinutes = q.Battery is null || dunked ? null : Math.Min(after?.WithBatteryTo6 ?? FitToUse.HoldCapMinutes,
                FitToUse.HoldCapMinutes),
            Dunked = dunked,
            Units = q.Units,
            Window = q.Window,
        });
    }

    internal static IEnumerable<Caution> Flags(BrewPlanQuestion q, Making making, string sourceKind)
    {
        if (q.VesselUnclean)
        {
            yield return new("vessel-unclean",
                "This vessel has not been logged clean since its last brew. A film left on the walls spoils the next one: clean it first.",
                Cautions.Usual);
        }

        if (q.VesselHandedTo is { } who)
        {
            yield return new("vessel-away", $"This vessel is with {who}. Book it and fetch it in time, or choose another.", Cautions.Usual);
        }

        foreach (var kind in (q.MoreSources ?? []).Select(m => m.Kind!).Prepend(sourceKind))
        {
            if (q.SourceRulings.GetValueOrDefault(kind) is { Fitness: SourceFitness.Mind or SourceFitness.Unasked } ruling)
            {
                yield return new(kind == sourceKind ? "source" : $"source-{kind}",
                    $"The {(kind == sourceKind ? "source" : Ingredients.Source(kind)?.Name ?? kind)}: "
                        + $"{char.ToLowerInvariant(ruling.Sentence[0])}{ruling.Sentence[1..]}", Cautions.Usual);
            }
        }

        if (making == Making.Steep)
        {
            yield return new("feed-not-brew",
                "Steeped castings have gone without air: a feed for the soil, not a live brew. Keep it apart, off leaves and off anything "
                    + "eaten raw.", Cautions.Usual);
        }
    }

    internal static TimeSpan Later(TimeSpan late) => late > TimeSpan.Zero ? late : TimeSpan.Zero;

    internal static (Making Making, string Why, Fork Fork) ChooseMaking(Making? byHand, bool leaf, string rootSchool)
    {
        var house = leaf || rootSchool == "either" ? Making.Tea : Making.Extract;
        var making = byHand ?? house;
        var why = (leaf, making) switch {
            (true, Making.Tea) =>
                "Tea for leaves: cells grown in the brew are sticky and make a film that stays. Worth it where there is disease pressure "
                    + "to get ahead of.",
            (true, _) => "You chose an extract for leaves: it does not stick as a tea does, and little can go wrong with it.",
            (_, Making.Steep) => "You chose steeped castings: the house calls that a feed, and keeps it apart from live brews.",
            (false, Making.Bubbled) =>
                "Bubbled extract for roots: three to four hours on air without food, for when there is no time to dunk.",
            (false, Making.Extract) =>
                "Extract for roots: nothing is grown in it, so it soaks in as deep as the water goes and little can go wrong.",
            _ => "You chose a tea for roots: much of it stays in the top centimetres, which dry first.",
        };
        return (making, why, PlanForks.RootFork(making == Making.Tea && !leaf ? "either" : "extract"));
    }

    internal static Bias BiasOf(BrewPlanQuestion q, string school) => school switch {
        "ph" => Recipe.BiasByPh(q.Beds) ?? Recipe.BiasByCrop(q.Beds),
        // A source that leans one way by count is met from the other side: what it has little of is what it is fed for.
        "count" when q.BiasByCount is Bias.Bacterial or Bias.Fungal => Recipe.BiasByCrop(q.Beds) == q.BiasByCount
            ? Bias.Balanced : Recipe.BiasByCrop(q.Beds),
        _ => Recipe.BiasByCrop(q.Beds),
    };

    internal static double HoursOf(string school, double? readyAtH, BrewQuestion brew, double most) =>
        Math.Max(1, Math.Min(most, school switch {
            "fixed" => 24,
            "warmth" => PlanForks.HoursByWarmth(brew.TemperatureC!.Value),
            _ => readyAtH ?? FitToUse.OldestH,
        }));

    /// <summary>Least air at depth that keeps the table's brew at 6 mg/L until it is used; null where 4 L/min per litre does not.</summary>
    internal static double? LeastAir(BrewQuestion brew, double hours) =>
        BrewBackwards.LeastAirLpm(lpm => (brew with { Hours = Math.Max(hours, 1) }).WithAir(lpm), brew.VolumeL!.Value * 4);

    private static double Round(double litres) => litres < 30 ? Math.Round(litres * 2) / 2 : Math.Round(litres);

    internal static double RoundSmall(double litres) => litres < 3 ? Math.Round(litres * 20) / 20 : Math.Round(litres * 2) / 2;
}
