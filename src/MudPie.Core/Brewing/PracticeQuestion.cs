namespace MudPie.Core.Brewing;

/// <summary>Something done or looked at in a practice brew.</summary>
public sealed record PracticeDeed
{
    /// <summary>Hour at which it was done, 0 to 48.</summary>
    public double AtH { get; init; }

    /// <summary>"oxygen", "warmth", "smell", "foam", "bubbles" (looks); "feed", "secondPump", "mendPump", "cool", "airOff", "use", "heap"
    /// (deeds).</summary>
    public string? Kind { get; init; }

    /// <summary>For a feed: which food.</summary>
    public string? Food { get; init; }

    /// <summary>For a feed: mL.</summary>
    public double? Ml { get; init; }
}

/// <summary>Where a practice brew stands: the deeds so far. Nothing is kept on the server: the same deeds give the same brew.</summary>
public sealed record PracticeQuestion
{
    /// <summary>One of <see cref="PracticeBrew.Situations"/>.</summary>
    public string? Situation { get; init; }

    /// <summary>Another seed hides another brew.</summary>
    public long Seed { get; init; } = 1;

    /// <summary>Hour that it is, 0 to 48.</summary>
    public double? NowH { get; init; }

    /// <summary>Everything done so far, up to 200.</summary>
    public IReadOnlyList<PracticeDeed> Deeds { get; init; } = [];
}

/// <summary>A situation to practise.</summary>
public sealed record PracticeSituation(string Id, string Name, string Story, BrewQuestion Brew, double UseAtH, double? PumpFailsAtH,
    Multipliers Truth);

/// <summary>What was found by one look.</summary>
public sealed record PracticeLook(double AtH, string Kind, string Shown, double? MgPerL);

/// <summary>What really went on.</summary>
/// <param name="Verdict">How it ended.</param>
/// <param name="Truth">True oxygen.</param>
/// <param name="Forecast">What the readings could have told: the band with them taken in.</param>
/// <param name="LowestMgPerL">True lowest oxygen up to the end.</param>
/// <param name="LowestAtH">When.</param>
/// <param name="Account">The decisions, plainly, in order.</param>
/// <param name="Lesson">What this situation is there to teach.</param>
public sealed record PracticeEnd(Verdict Verdict, IReadOnlyList<OxygenPoint> Truth, ForecastAnswer Forecast, double LowestMgPerL,
    double LowestAtH, IReadOnlyList<string> Account, string Lesson);

/// <summary>A practice brew as the grower sees it.</summary>
/// <param name="Situation">Its name.</param>
/// <param name="Story">What is told at the start.</param>
/// <param name="Brew">What is in the vessel.</param>
/// <param name="NowH">Hour.</param>
/// <param name="UseAtH">When it is meant to go out.</param>
/// <param name="AirOn">As the grower left it; a failed pump does not announce itself.</param>
/// <param name="Looks">What was found.</param>
/// <param name="Deeds">What was done, in words.</param>
/// <param name="Forecast">The forecast with the looks taken in.</param>
/// <param name="Over">It has been used, heaped, or run its 48 hours.</param>
/// <param name="End">What really went on; null until it is over.</param>
public sealed record PracticeAnswer(
    string Situation, string Story, BrewQuestion Brew, double NowH, double UseAtH, bool AirOn, IReadOnlyList<PracticeLook> Looks,
    IReadOnlyList<string> Deeds, ForecastAnswer Forecast, bool Over, PracticeEnd? End);
