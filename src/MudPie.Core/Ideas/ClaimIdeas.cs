namespace MudPie.Core.Ideas;

/// <summary>For which use a claim speaks: a thing may fail one and pass another.</summary>
public enum ClaimUse
{
    /// <summary>Mixed into soil or a potting mix.</summary>
    MixedIn,

    /// <summary>Laid on top.</summary>
    Mulch,

    /// <summary>In the heap or the worm bin.</summary>
    Heap,

    /// <summary>Fed to roots.</summary>
    Feed,

    /// <summary>Sprayed on leaves.</summary>
    Spray,

    /// <summary>Read or looked at: a sign, and nothing that is put on.</summary>
    Sign,
}

/// <summary>What a claim says would be seen.</summary>
public enum ClaimToward
{
    /// <summary>It does good.</summary>
    Good,

    /// <summary>It does harm.</summary>
    Harm,

    /// <summary>It makes no difference.</summary>
    Nothing,
}

/// <summary>What a result says of a claim.</summary>
public enum FoundSays
{
    /// <summary>It bears it out.</summary>
    For,

    /// <summary>It speaks against it.</summary>
    Against,

    /// <summary>It can't tell.</summary>
    CannotTell,
}
