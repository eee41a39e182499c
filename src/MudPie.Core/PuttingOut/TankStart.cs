using System.Globalization;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>The brew that a tank is to carry.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Brew">Strained brew that there is.</param>
/// <param name="Purpose">For leaves or for roots.</param>
/// <param name="BedIds">Beds it was made for.</param>
public sealed record BrewToGo(int Id, Litres Brew, Purpose Purpose, IReadOnlyList<int> BedIds);

/// <summary>A sprayer of the kit.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Kind">"knapsack", "can", "boom", "injector" or "other".</param>
/// <param name="Tank">What it holds.</param>
/// <param name="Calibrated">True where its rate was measured.</param>
/// <param name="Allowed">False where it may not carry life.</param>
public sealed record SprayerToGo(int Id, string Kind, Litres Tank, bool Calibrated, bool Allowed);

/// <summary>Something of the shelf at its label's rate.</summary>
/// <param name="InputId">Its number.</param>
/// <param name="Rate">As a grower would type it; empty where no label is known.</param>
/// <param name="Basis">What the rate is on; null for a hectare.</param>
public sealed record BottleToGo(int InputId, string Rate, string? Basis);

/// <summary>A giving of the season, as it was worked out there.</summary>
/// <param name="Id">Its number.</param>
/// <param name="BedId">The bed it is for.</param>
/// <param name="Purpose">For leaves or for roots.</param>
/// <param name="Bottle">What is given; null where the shelf has none of it.</param>
/// <param name="SprayerId">The sprayer it was worked out for; null where there is none.</param>
/// <param name="MixLPerHa">Mixed litres on a hectare that it was worked out with.</param>
public sealed record GivingToGo(int Id, int BedId, Purpose Purpose, BottleToGo? Bottle, int? SprayerId, double MixLPerHa);

/// <summary>What a tank starts from: a brew, a giving, a bottle, or nothing yet.</summary>
public sealed record TankStartQuestion
{
    /// <summary>Units that the words are in.</summary>
    public UnitSystem Units { get; init; } = UnitSystem.Metric;

    /// <summary>The brew; null where the tank goes out without.</summary>
    public BrewToGo? Brew { get; init; }

    /// <summary>A giving of the season that is to be done; null where none is.</summary>
    public GivingToGo? Giving { get; init; }

    /// <summary>A bottle that was asked for; null where none was.</summary>
    public BottleToGo? Bottle { get; init; }

    /// <summary>A bed that was asked for; null where none was.</summary>
    public int? BedId { get; init; }

    /// <summary>For leaves or roots, where neither brew nor giving says it; leaves when not given.</summary>
    public Purpose? Purpose { get; init; }

    /// <summary>When; null for now.</summary>
    public DateTimeOffset? At { get; init; }

    /// <summary>Sprayers of the kit, in the order of their keeping.</summary>
    public IReadOnlyList<SprayerToGo> Sprayers { get; init; } = [];
}

/// <summary>What a tank is first proposed to be, before a grower changes a word of it.</summary>
public static class TankStart
{
    /// <summary>Brews of more than this, L, are proposed to a boom; less goes by knapsack.</summary>
    public const double LargeL = 60;

    /// <summary>Mixed litres on a hectare where nothing was measured: leaves wet without running.</summary>
    public const double UnmeasuredLPerHa = 500;

    /// <summary>The first proposal: the sprayer by what it has to carry, thinned by what it is for, the beds it was made for.</summary>
    /// <param name="q">What it starts from.</param>
    /// <returns>A job that a grower may change in every word.</returns>
    /// <remarks>90 L for leaves, a washed boom of 400 L in the kit: by that boom, 1:5, no rate but the boom's own. A giving of the season
    /// goes out as it was worked out there: same sprayer, same litres, same rate. Source: house rule.</remarks>
    public static Worked<TankRequest> Of(TankStartQuestion q)
    {
        var large = q.Brew?.Brew.Value > LargeL;
        var sprayer = Sprayer(q, large);
        var purpose = q.Giving?.Purpose ?? q.Brew?.Purpose ?? q.Purpose ?? Purpose.Leaf;
        var thinned = q.Brew is null ? null : q.Brew.Purpose == Purpose.Leaf ? "1:5" : "1:1";
        var bottle = q.Giving is null ? q.Bottle : q.Giving.Bottle;
        string Shown(double litres) => Units.Show(litres, Dimension.Volume, q.Units);
        var job = new TankRequest {
            BatchId = q.Brew?.Id,
            Brew = q.Brew is { } brew ? Units.Typed(brew.Brew.Value, Dimension.Volume, q.Units) : null, // all of it, and not a drop more
            Dilution = thinned,
            Per100M2 = "",
            Purpose = purpose,
            BedIds = q.Giving is { } giving ? [giving.BedId] : q.BedId is { } bed ? [bed] : q.Brew?.BedIds ?? [],
            BedRates = new Dictionary<string, string>(),
            Rate = q.Giving is { } g ? PerHa(g.MixLPerHa) : sprayer is { Calibrated: true }
                ? null : PerHa(UnmeasuredLPerHa),
            Items = bottle is null ? [] : [new TankItem { InputId = bottle.InputId, Rate = bottle.Rate, Basis = bottle.Basis ?? "perHa" }],
            SprayerId = sprayer?.Id,
            Tool = sprayer is not null ? null : large ? "boom" : "knapsack, kept for biology",
            Tank = Shown(sprayer?.Tank.Value ?? (large ? 400 : RaceChoice.BackL)),
            Spare = "5",
            Strip = "",
            Who = "brewer",
            Why = "",
            At = q.At,
            GivingId = q.Giving?.Id,
        };
        return Worked.Of(job, "", Evidence.PractitionersRule,
            [
                new("by what", large ? $"more than {Say.Number(LargeL)} L" : "what a back can carry", q.Brew is null
                    ? "no brew" : Shown(q.Brew.Brew.Value), sprayer?.Kind ?? job.Tool!, "house: the first of its kind that may carry life"),
                new("thinned", purpose == Purpose.Leaf ? "for leaves" : "for roots", "house", thinned ?? "no brew", "house"),
            ]);
    }

    private static string PerHa(double litres) => litres.ToString("0.##", CultureInfo.InvariantCulture) + " L/ha";

    /// <summary>A giving's own sprayer; else the first that may carry life, of the kind that the brew wants before others.</summary>
    private static SprayerToGo? Sprayer(TankStartQuestion q, bool large)
    {
        var fit = q.Sprayers.Where(s => s.Allowed).ToList();
        return (q.Giving?.SprayerId is { } own ? q.Sprayers.FirstOrDefault(s => s.Id == own) : null)
            ?? fit.FirstOrDefault(s => s.Kind == (large ? "boom" : "knapsack")) ?? fit.FirstOrDefault();
    }
}
