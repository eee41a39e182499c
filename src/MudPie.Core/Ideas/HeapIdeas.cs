namespace MudPie.Core.Ideas;

/// <summary>What is done at a heap, or seen of it.</summary>
public enum HeapStep
{
    /// <summary>A layer is laid on.</summary>
    Layer,

    /// <summary>It is turned, outside to inside.</summary>
    Turned,

    /// <summary>Its core is measured.</summary>
    Warmth,

    /// <summary>It is watered.</summary>
    Watered,

    /// <summary>Something is seen, in words.</summary>
    Seen,

    /// <summary>Judged cured: it smells of earth and warms no more when it is turned.</summary>
    Cured,

    /// <summary>Sieved and taken up: it becomes compost on the shelf.</summary>
    Sieved,
}

/// <summary>How far a heap has come.</summary>
public enum HeapState
{
    /// <summary>Built, and nothing measured that says more.</summary>
    Built,

    /// <summary>Its core is hot.</summary>
    Hot,

    /// <summary>It was hot and is cooling.</summary>
    Cooling,

    /// <summary>It lies and cures.</summary>
    Curing,

    /// <summary>Judged cured.</summary>
    Cured,

    /// <summary>Taken up.</summary>
    Done,
}
