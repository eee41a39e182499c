using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>What is known of a part of a mix.</summary>
public sealed record MixStuff
{
    /// <summary>Its name among the parts.</summary>
    public required string Name { get; init; }

    /// <summary>What the shelf holds of it, L; null where it was never counted.</summary>
    public double? LeftL { get; init; }

    /// <summary>A bale, bag or brick of it once it is loosened, L; null where it comes loose.</summary>
    public double? PackL { get; init; }

    /// <summary>Of a litre, in the holding's money; null where not known.</summary>
    public double? PricePerL { get; init; }

    /// <summary>Char that nothing was done to.</summary>
    public bool RawChar { get; init; }

    /// <summary>A by-product, which differs from batch to batch.</summary>
    public bool Byproduct { get; init; }

    /// <summary>What it is, for its nitrogen; null where that is not known.</summary>
    public Material? Is { get; init; }
}

/// <summary>Question of the mix bench.</summary>
public sealed record MixBenchQuestion
{
    /// <summary>The mixes themselves; parts by their names.</summary>
    public required MixesQuestion Mixes { get; init; }

    /// <summary>Each part, by its name.</summary>
    public required IReadOnlyDictionary<string, MixStuff> Stuff { get; init; }

    /// <summary>What is filled.</summary>
    public Filling Into { get; init; }

    /// <summary>What grows in it.</summary>
    public PotCrop Crop { get; init; }

    /// <summary>Plants in a pot, a tray or the bed, 1 or more; for what they take.</summary>
    public double Plants { get; init; } = 1;

    /// <summary>What the charge lies in, L; null where it is a heap on a tarp.</summary>
    public double? ContainerL { get; init; }

    /// <summary>The day of sowing; null where it is not said.</summary>
    public DateOnly? SowOn { get; init; }

    /// <summary>The day that it is there.</summary>
    public required DateOnly Today { get; init; }

    /// <summary>The day the charge was begun; null where it was not.</summary>
    public DateOnly? ChargedOn { get; init; }

    /// <summary>How far the job has come.</summary>
    public MixState State { get; init; }

    /// <summary>Why raw char goes in all the same.</summary>
    public string? RawWhy { get; init; }

    /// <summary>What a litre of mix costs in a shop; null where not known.</summary>
    public double? BoughtPerL { get; init; }

    /// <summary>Work, min; null where it is not said.</summary>
    public double? WorkMinutes { get; init; }

    /// <summary>An hour's worth; null where the holding sets none.</summary>
    public double? HourlyWage { get; init; }

    /// <summary>Units that sentences speak in.</summary>
    public UnitSystem Units { get; init; }
}

/// <summary>One line of what is to be fetched.</summary>
/// <param name="Name">Of the part.</param>
/// <param name="Litres">In all, loosened.</param>
/// <param name="OfCharge">Of that, for the charge.</param>
/// <param name="LeftL">What the shelf holds; null where it was never counted.</param>
/// <param name="ShortL">What the shelf is short of; all of it where it was never counted.</param>
/// <param name="Packs">Whole bales, bags or bricks for what is short; null where it comes loose.</param>
/// <param name="OverL">What is left afterwards, of shelf and packs; null where it was never counted and comes loose.</param>
/// <param name="Cost">Of what goes in; null where no price is known.</param>
public sealed record FetchLine(string Name, double Litres, double OfCharge, double? LeftL, double ShortL, int? Packs, double? OverL,
    double? Cost);

/// <summary>The charge, before anything is mixed.</summary>
/// <param name="Of">What is charged.</param>
/// <param name="With">With what.</param>
/// <param name="OfL">Litres of it.</param>
/// <param name="WithL">Litres of that.</param>
/// <param name="Ratio">To one.</param>
/// <param name="MostRatio">The most that every mix bears.</param>
/// <param name="Strongest">The mix that sets it.</param>
/// <param name="BlendL">What the mixes take.</param>
/// <param name="MadeL">What is made, in whole containers.</param>
/// <param name="Containers">How many; null for a heap on a tarp.</param>
/// <param name="LastDay">The last day to begin; null where no day of sowing is said.</param>
/// <param name="ReadyOn">Ready so, if it is begun today, or as it was begun.</param>
/// <param name="LookOn">Days to look at its damp, week by week.</param>
public sealed record ChargePlan(string Of, string With, double OfL, double WithL, double Ratio, double MostRatio, string Strongest,
    double BlendL, double MadeL, int? Containers, DateOnly? LastDay, DateOnly ReadyOn, IReadOnlyList<DateOnly> LookOn);

/// <summary>What the mix costs.</summary>
/// <param name="PerL">A litre, filled in; null where not known.</param>
/// <param name="Sentence">In words, beside what is bought.</param>
public sealed record MixCost(double? PerL, string Sentence);

/// <summary>A mix, and what it will do.</summary>
/// <param name="Mix">Its litres.</param>
/// <param name="PotsL">What the pots hold.</param>
/// <param name="OverL">What is left over of it.</param>
/// <param name="Nitrogen">Week by week, for one pot, tray or bed; null where not one part is known.</param>
/// <param name="Unknown">Parts that nothing is known of: they are not in it.</param>
/// <param name="Buffer">What buffers its peat; null where there is none in it.</param>
public sealed record MixDoes(MixedMix Mix, double PotsL, double OverL, Worked<NitrogenOutlookAnswer>? Nitrogen,
    IReadOnlyList<string> Unknown, MixBuffered? Buffer = null);

/// <summary>All that the mix bench says.</summary>
public sealed record MixBenchAnswer(MixesAnswer Mixes, IReadOnlyList<MixDoes> Each, IReadOnlyList<FetchLine> Fetch, ChargePlan? Charge,
    MixCost Cost, bool RawNeedsWhy, Verdict Verdict);
