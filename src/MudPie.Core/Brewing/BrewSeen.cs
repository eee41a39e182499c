namespace MudPie.Core.Brewing;

/// <summary>What a brew smelt like.</summary>
public enum Smell
{
    /// <summary>Like a wood after rain.</summary>
    Earthy,

    /// <summary>Sweet, of its foods.</summary>
    Sweet,

    /// <summary>Of nothing much.</summary>
    None,

    /// <summary>Sour.</summary>
    Sour,

    /// <summary>Of rotten eggs.</summary>
    RottenEgg,

    /// <summary>Putrid.</summary>
    Putrid,

    /// <summary>Of sharp alcohol.</summary>
    Alcohol,
}

/// <summary>How much foam stood on it.</summary>
public enum Foam
{
    /// <summary>None.</summary>
    None,

    /// <summary>A little, white.</summary>
    Little,

    /// <summary>A thick head, still inside.</summary>
    Thick,

    /// <summary>Over the side.</summary>
    Over,
}

/// <summary>Whether a brew may be used.</summary>
public enum Fitness
{
    /// <summary>Everything that was looked at was right, and oxygen was looked at.</summary>
    Fit,

    /// <summary>Something failed: it goes on the heap.</summary>
    NotFit,

    /// <summary>Nothing failed, and nobody measured oxygen: neither pass nor fail.</summary>
    Unseen,

    /// <summary>No live brew at all: it has stood without air, and is a feed for the soil.</summary>
    Feed,
}

/// <summary>A reading at an hour of the brew.</summary>
/// <typeparam name="T">What was read.</typeparam>
public sealed record SeenAt<T>(double H, T What);

/// <summary>What is known about a brew when it is asked whether it is fit. Hours are from the start.</summary>
public sealed record BrewSeen
{
    /// <summary>"extract" or "tea".</summary>
    public required bool IsTea { get; init; }

    /// <summary>Steeped without air: a feed.</summary>
    public bool IsFeed { get; init; }

    /// <summary>Hours since the start, now.</summary>
    public required double NowH { get; init; }

    /// <summary>Hour at which the air stopped; null while it runs.</summary>
    public double? AirOffH { get; init; }

    /// <summary>Last strip before the start or during, mg/L; null where none was read.</summary>
    public double? StripMgPerL { get; init; }

    /// <summary>Oxygen readings.</summary>
    public IReadOnlyList<SeenAt<double>> Oxygen { get; init; } = [];

    /// <summary>Hourly means of a probe, put right by hand readings where there are any.</summary>
    public IReadOnlyList<SeenAt<double>> Probe { get; init; } = [];

    /// <summary>All that measured oxygen, in order.</summary>
    public IEnumerable<SeenAt<double>> Measured => Oxygen.Concat(Probe).OrderBy(o => o.H);

    /// <summary>Smells.</summary>
    public IReadOnlyList<SeenAt<Smell>> Smells { get; init; } = [];

    /// <summary>Foam.</summary>
    public IReadOnlyList<SeenAt<Foam>> Foams { get; init; } = [];

    /// <summary>The source lot has been judged unfit.</summary>
    public bool SourceUnfit { get; init; }

    /// <summary>A pathogen test came back positive.</summary>
    public bool PathogenFound { get; init; }

    /// <summary>Minutes from the air stopping to 6 mg/L by the forecast; null where no forecast was asked.</summary>
    public double? GraceMinutesTo6 { get; init; }

    /// <summary>Dunked: there is no pump to stop, and it counts from when it was made.</summary>
    public bool Dunked { get; init; }

    /// <summary>The school of the hold that the grower chose: "oxygen", "hour", "day" or "cool".</summary>
    public string Hold { get; init; } = "oxygen";

    /// <summary>What the model expects since the last look; null where it was not asked.</summary>
    public Expected? Expected { get; init; }

    /// <summary>Hours at which it was counted under the microscope.</summary>
    public IReadOnlyList<double> CountedAtH { get; init; } = [];
}
