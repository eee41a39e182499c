namespace MudPie.Core.Ideas;

/// <summary>By what a solid is put out.</summary>
public enum SpreadBy
{
    /// <summary>By the square metre, or square foot.</summary>
    Square,

    /// <summary>By the handful, under a transplant.</summary>
    Handful,

    /// <summary>By the plant, as an amount.</summary>
    Plant,

    /// <summary>By the hectare, or acre.</summary>
    Hectare,

    /// <summary>As a layer of a depth.</summary>
    Depth,
}

/// <summary>Where a solid lies afterwards.</summary>
public enum SpreadPlace
{
    /// <summary>On top: a mulch, a dressing.</summary>
    OnTop,

    /// <summary>Worked in, or in the planting hole.</summary>
    WorkedIn,
}

/// <summary>Why a lot may not do what it was meant for.</summary>
public enum FailWhy
{
    /// <summary>Compost that still heats, or is too young.</summary>
    Unfinished,

    /// <summary>Manure that no logged heat went through.</summary>
    RawManure,

    /// <summary>Diseased plants went in.</summary>
    Diseased,

    /// <summary>It smells: it has gone without air.</summary>
    Airless,

    /// <summary>A weed-killer may be in it.</summary>
    Sprayed,

    /// <summary>It is past its date.</summary>
    PastDate,

    /// <summary>Char that nothing was done to.</summary>
    RawChar,

    /// <summary>Coffee grounds, raw.</summary>
    RawGrounds,

    /// <summary>Salts or potassium are high, or nobody has tested it.</summary>
    Salty,

    /// <summary>A brew whose life is gone.</summary>
    FlatBrew,

    /// <summary>Called unfit by the grower, in words.</summary>
    Unfit,
}
