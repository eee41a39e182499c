namespace MudPie.Core.PuttingOut;

/// <summary>Something from the shelf that goes in the tank, as typed.</summary>
public sealed record TankItem
{
    public int InputId { get; init; }

    /// <summary>"2 L", "30 ml", "250 g"; "1:300" where it is one part in so many.</summary>
    public string? Rate { get; init; }

    /// <summary>"perHa", "perAcre", "per100m2", "per1000ft2", "perLitre", "perGallon", "perPlant" or "oneIn".</summary>
    public string? Basis { get; init; }
}

/// <summary>A job, as typed.</summary>
public sealed record TankRequest
{
    public int? BatchId { get; init; }

    /// <summary>Strained brew that there is.</summary>
    public string? Brew { get; init; }

    public string? Dilution { get; init; }

    /// <summary>Undiluted brew on 100 m²; nothing shares out all of it.</summary>
    public string? Per100M2 { get; init; }

    public Purpose? Purpose { get; init; }

    public IReadOnlyList<int> BedIds { get; init; } = [];

    /// <summary>Mixed litres on a hectare, by number of bed, where one has its own.</summary>
    public IReadOnlyDictionary<string, string>? BedRates { get; init; }

    /// <summary>Mixed litres on a hectare, for a job without brew.</summary>
    public string? Rate { get; init; }

    public IReadOnlyList<TankItem> Items { get; init; } = [];

    public int? SprayerId { get; init; }

    /// <summary>By what, where no sprayer of the kit is chosen.</summary>
    public string? Tool { get; init; }

    public string? Tank { get; init; }

    /// <summary>Spare, in per cent.</summary>
    public string? Spare { get; init; }

    public bool StepDown { get; init; } = true;

    public string? FoodWaiting { get; init; }

    public string? Ph { get; init; }

    /// <summary>Ways, flows and hands of the race, as typed.</summary>
    public RaceAsked? Race { get; init; }

    /// <summary>Mixed litres for one plant, poured at its stem; takes the place of the rate on a hectare where there is no brew.</summary>
    public string? PerPlant { get; init; }

    /// <summary>Plants on a bed, by number of bed.</summary>
    public IReadOnlyDictionary<string, string>? Plants { get; init; }

    /// <summary>mS/cm.</summary>
    public string? Salts { get; init; }

    public string? Warmth { get; init; }

    /// <summary>Chlorine in the water of the tank, mg/L.</summary>
    public string? Strip { get; init; }

    public DateTimeOffset? At { get; init; }

    public string? Who { get; init; }

    public string? Why { get; init; }

    /// <summary>Why it goes out though the brew failed, in words.</summary>
    public string? OverrideWhy { get; init; }

    /// <summary>Why it is mixed against a rule, in words.</summary>
    public string? MixWhy { get; init; }

    /// <summary>Cautions that were shown and ticked.</summary>
    public IReadOnlyList<string> CautionsSeen { get; init; } = [];

    /// <summary>The entry of the book that this one puts right.</summary>
    public int? CorrectsId { get; init; }

    public string? CorrectionWhy { get; init; }

    /// <summary>The giving of a programme that this does.</summary>
    public int? GivingId { get; init; }
}

/// <summary>What a brew is to be put out with, as typed; what is left out is taken from the kit and the house's table.</summary>
public sealed record RaceAsked
{
    /// <summary>A sprayer of the kit; null for the first that may carry a brew.</summary>
    public int? SprayerId { get; init; }

    /// <summary>What it holds, where no sprayer of the kit is meant.</summary>
    public string? Tank { get; init; }

    /// <summary>What comes out of it.</summary>
    public string? Flow { get; init; }

    /// <summary>What the tap or pump of the vessel gives.</summary>
    public string? Draw { get; init; }

    /// <summary>Minutes to the ground.</summary>
    public string? Way { get; init; }

    /// <summary>Sprayers that go at once, each with its own hands.</summary>
    public string? Lanes { get; init; }

    /// <summary>A battery pump rides along.</summary>
    public bool Battery { get; init; }
}
