using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Brewing;

/// <summary>A bed that a brew is for.</summary>
public sealed record PlanBed
{
    /// <summary>Its name.</summary>
    public required string Name { get; init; }

    /// <summary>0.1 to 1,000,000 m².</summary>
    public double AreaM2 { get; init; }

    /// <summary>"annual", "grass", "perennial" or "tree".</summary>
    public string Growing { get; init; } = "annual";

    /// <summary>Soil pH, 3 to 10; null where unknown.</summary>
    public double? SoilPh { get; init; }

    /// <summary>"poor", "middling" or "living" by its last check; null where none was made.</summary>
    public Life? Life { get; init; }
}

/// <summary>What a plan is made from: the ground, the kit, the wish, and whatever the grower has set by hand.</summary>
public sealed record BrewPlanQuestion
{
    /// <summary>Beds to cover.</summary>
    public IReadOnlyList<PlanBed> Beds { get; init; } = [];

    /// <summary>"leaf" or "root".</summary>
    public Purpose? Purpose { get; init; }

    /// <summary>When it should be ready to put out.</summary>
    public DateTimeOffset? UseAt { get; init; }

    /// <summary>Now.</summary>
    public required DateTimeOffset Now { get; init; }

    /// <summary>Working volume of the vessel, L.</summary>
    public double? VesselWorkingL { get; init; }

    /// <summary>Depth of the outlet when it is filled to there, m.</summary>
    public double? VesselDepthM { get; init; }

    /// <summary>Open flow of the pump, L/min.</summary>
    public double? PumpOpenLpm { get; init; }

    /// <summary>Shut-off pressure of the pump, kPa.</summary>
    public double? PumpShutOffKPa { get; init; }

    /// <summary>Kind of diffuser.</summary>
    public string? Diffuser { get; init; }

    /// <summary>What the diffuser takes, kPa; the usual for its kind when not given.</summary>
    public double? DiffuserLossKPa { get; init; }

    /// <summary>Last strip of the water, mg/L; null where none was read.</summary>
    public double? ChlorineMgPerL { get; init; }

    /// <summary>The water may hold chloramine.</summary>
    public bool Chloramine { get; init; }

    /// <summary>Above the sea, m.</summary>
    public double? AltitudeM { get; init; }

    /// <summary>Mean warmth of the brew, °C.</summary>
    public double? WarmthC { get; init; }

    /// <summary>Half its daily swing, °C.</summary>
    public double? SwingC { get; init; }

    /// <summary>"compost" or "castings", where the grower has said which; else by the bias.</summary>
    public string? Source { get; init; }

    /// <summary>Kinds of food on the shelf; null means all are to be had.</summary>
    public IReadOnlyList<string>? FoodsOnShelf { get; init; }

    /// <summary>A kind of <see cref="Makings.All"/> by hand; null for Mud Pie's choice.</summary>
    public Making? Making { get; init; }

    /// <summary>For a dunked extract: fresh loads, 1 to 6; 1 when not given.</summary>
    public int? Loads { get; init; }

    /// <summary>For a dunked extract: seconds a load, 5 to 600; 90 when not given.</summary>
    public double? LoadSeconds { get; init; }

    /// <summary>"bacterial", "balanced" or "fungal" by hand, as of a recipe; null for what the schools say.</summary>
    public Bias? Bias { get; init; }

    /// <summary>Bias of the source by count; null where it was not counted.</summary>
    public Bias? BiasByCount { get; init; }

    /// <summary>Rulings on the lots of source that would be taken, by kind; none where nobody was asked.</summary>
    public IReadOnlyDictionary<string, SourceRuling> SourceRulings { get; init; } = new Dictionary<string, SourceRuling>();

    /// <summary>The vessel's pumps and outlets as they were set up on the air bench; null for one pump and one diffuser.</summary>
    public AirBenchQuestion? Bench { get; init; }

    /// <summary>The vessel has not been logged clean since its last brew.</summary>
    public bool VesselUnclean { get; init; }

    /// <summary>Who has the vessel, where it was handed to another holding; null while it is here.</summary>
    public string? VesselHandedTo { get; init; }

    /// <summary>What earlier brews have taught; null for the table.</summary>
    public Prior? Prior { get; init; }

    /// <summary>Litres by hand; null for Mud Pie's choice.</summary>
    public double? BrewL { get; init; }

    /// <summary>Litres of source by hand.</summary>
    public double? SourceL { get; init; }

    /// <summary>Other sources beside the first, by hand or by the recipe.</summary>
    public IReadOnlyList<SourceAmount>? MoreSources { get; init; }

    /// <summary>Foods by hand.</summary>
    public IReadOnlyList<FoodAmount>? Foods { get; init; }

    /// <summary>Air at depth by hand, L/min.</summary>
    public double? AirLpm { get; init; }

    /// <summary>The grower's choices at forks: fork id to school id.</summary>
    public IReadOnlyDictionary<string, string>? Choices { get; init; }

    /// <summary>What it is to be put out with; null for a knapsack of 15 L.</summary>
    public RaceKit? Race { get; init; }

    /// <summary>What is left of the window from the hour of use; null where nothing spoils it, or it is not known.</summary>
    public RaceWindow? Window { get; init; }

    /// <summary>Hours on the air at the least, however soon it is ready: it waits there for a window. Null for no longer than it
    /// wants.</summary>
    public double? LeastHours { get; init; }

    /// <summary>What the battery pump for the road would hold, L/min and hours; null where there is none.</summary>
    public BatteryPump? Battery { get; init; }

    /// <summary>Units that the words of the plan are in.</summary>
    public UnitSystem Units { get; init; }

    /// <summary>Members of the forecast; <see cref="BrewPlan.Members"/> when not given.</summary>
    public int? Members { get; init; }
}

/// <summary>An amount to measure out.</summary>
/// <param name="Kind">Stable name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Litres">How much.</param>
/// <param name="OnShelf">False where it has to be bought or fetched.</param>
/// <param name="MostL">Top of a sensible slider for it.</param>
/// <param name="AtH">Hour at which it goes in.</param>
public sealed record PlanAmount(string Kind, string Name, double Litres, bool OnShelf, double MostL, double AtH = 0)
{
    /// <summary>Hour at which the second part of a food goes in: the first has been eaten down by then.</summary>
    public const double SecondPartAtH = 6;

    /// <summary>A food in two parts: half at the start, half six hours on.</summary>
    /// <remarks>60 mL of molasses: 30 at the start and 30 at 6 h. Source: house rule.</remarks>
    public IReadOnlyList<FoodAmount> InParts() =>
        [.. new[] { 0.0, SecondPartAtH }.Select(h => new FoodAmount { Kind = Kind, Ml = Litres * 500, AtH = h })];
}

/// <summary>The air, and what the schools would ask for, all in L/min at depth.</summary>
/// <param name="OpenLpm">On the box.</param>
/// <param name="AtDepthLpm">What arrives, or what was set by hand.</param>
/// <param name="LightLpm">0.25 L/min per L.</param>
/// <param name="HeavyLpm">1 L/min per L.</param>
/// <param name="LeastLpm">The least that keeps this brew at 6 mg/L; null where no air will do.</param>
/// <param name="DepthM">Depth of the outlet at this fill.</param>
public sealed record PlanAir(double OpenLpm, double AtDepthLpm, double LightLpm, double HeavyLpm, double? LeastLpm, double DepthM);

/// <summary>One step of the schedule.</summary>
public sealed record PlanStep(string Id, string Name, string Detail, DateTimeOffset At, double Minutes);

/// <summary>What one food does: the run with it against the run without.</summary>
/// <param name="Kind">Kind of food.</param>
/// <param name="OxygenMgPerL">Change of the lowest oxygen, mg/L.</param>
/// <param name="FungalShare">Change of the fungal share, −1 to 1.</param>
public sealed record FoodEffect(string Kind, double OxygenMgPerL, double FungalShare)
{
    /// <summary>"−0.4 mg/L at the lowest, fungi +6 %"; what rounds to nothing is said so, never as −0.0.</summary>
    public string Says =>
        $"{(Math.Abs(OxygenMgPerL) < 0.05 ? "takes next to no oxygen" :
            $"{Signed(Math.Round(OxygenMgPerL, 1), "0.0")} mg/L at the lowest")}"
            + $"{(Math.Abs(FungalShare) < 0.005 ? "" : $", fungi {Signed(Math.Round(FungalShare * 100), "0")} %")}";

    private static string Signed(double x, string form) =>
        (x < 0 ? "−" : "+") + Math.Abs(x).ToString(form, System.Globalization.CultureInfo.InvariantCulture);
}

/// <summary>A whole plan for one brew.</summary>
public sealed record BrewPlanAnswer
{
    /// <summary>A kind of <see cref="Makings.All"/>.</summary>
    public required Making Making { get; init; }

    /// <summary>Strength of an extract; null for a tea.</summary>
    public ExtractAnswer? Strength { get; init; }

    /// <summary>What it carries as N-P-K against what the crop takes.</summary>
    public required NutrientsAnswer Nutrients { get; init; }

    /// <summary>Whether the ground is alive already, bed by bed, where it was checked.</summary>
    public required IReadOnlyList<string> GroundSays { get; init; }

    /// <summary>What each food, one by one, does to the lowest oxygen and to the fungal share.</summary>
    public required IReadOnlyList<FoodEffect> Effects { get; init; }

    /// <summary>Why.</summary>
    public required string MakingWhy { get; init; }

    /// <summary>Litres to brew.</summary>
    public required double BrewL { get; init; }

    /// <summary>Litres that the ground asks for.</summary>
    public required double WantedL { get; init; }

    /// <summary>All the beds, m².</summary>
    public required double AreaM2 { get; init; }

    /// <summary>What this brew covers at the usual rate, m².</summary>
    public required double CoversM2 { get; init; }

    /// <summary>"bacterial", "balanced" or "fungal".</summary>
    public required Bias Bias { get; init; }

    /// <summary>What goes in the bag.</summary>
    public required PlanAmount Source { get; init; }

    /// <summary>Other sources that go in with it.</summary>
    public IReadOnlyList<PlanAmount> MoreSources { get; init; } = [];

    /// <summary>What else could go in beside them, each with a first amount.</summary>
    public IReadOnlyList<PlanAmount> AddableSources { get; init; } = [];

    /// <summary>What it is fed.</summary>
    public required IReadOnlyList<PlanAmount> Foods { get; init; }

    /// <summary>How far the food is from the edge, in a sentence; null where it is not fed, or where there is nothing to say.</summary>
    public string? FoodSays { get; init; }

    /// <summary>Of each food, the part of its amount with which nine brews in ten stay above 6 mg/L; null where it was not asked.</summary>
    public double? FoodCarried { get; init; }

    /// <summary>Of each food, the part of its amount with which the middle brew stands at 6 mg/L; null where it was not asked.</summary>
    public double? FoodEdge { get; init; }

    /// <summary>What else could be fed, each with a cautious first amount.</summary>
    public required IReadOnlyList<PlanAmount> Addable { get; init; }

    /// <summary>How the water is cleared.</summary>
    public required ChlorineDoseAnswer Water { get; init; }

    /// <summary>The air.</summary>
    public required PlanAir Air { get; init; }

    /// <summary>One run of the table.</summary>
    public required BrewRunAnswer Run { get; init; }

    /// <summary>The ensemble.</summary>
    public required ForecastAnswer Forecast { get; init; }

    /// <summary>Hours from the start to use.</summary>
    public required double BrewHours { get; init; }

    /// <summary>When the source goes in.</summary>
    public required DateTimeOffset StartAt { get; init; }

    /// <summary>When it comes off.</summary>
    public required DateTimeOffset ReadyAt { get; init; }

    /// <summary>When it goes out.</summary>
    public required DateTimeOffset UseAt { get; init; }

    /// <summary>The earliest it could go out, were it begun now.</summary>
    public required DateTimeOffset EarliestUseAt { get; init; }

    /// <summary>The schedule, first thing first.</summary>
    public required IReadOnlyList<PlanStep> Steps { get; init; }

    /// <summary>What to do.</summary>
    public required Verdict Verdict { get; init; }

    /// <summary>The race to the ground; null for a feed.</summary>
    public required RaceAnswer? Race { get; init; }

    /// <summary>The brew as the model sees it, for keeping.</summary>
    public required BrewQuestion Brew { get; init; }
}
