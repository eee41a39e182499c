namespace MudPie.Core.Ideas;

/// <summary>What a mix is for filling.</summary>
public enum Filling
{
    /// <summary>Pots of a size.</summary>
    Pots,

    /// <summary>Trays of modules.</summary>
    Modules,

    /// <summary>A bed to a depth.</summary>
    Bed,
}

/// <summary>A step of making a mix, each with its date.</summary>
public enum MixStep
{
    /// <summary>The char was laid in what charges it.</summary>
    Charged,

    /// <summary>The charge was looked at: dry, right or wet.</summary>
    Checked,

    /// <summary>The parts were mixed.</summary>
    Mixed,

    /// <summary>It was filled in.</summary>
    Filled,
}

/// <summary>How damp something is in the hand.</summary>
public enum Damp
{
    /// <summary>It falls apart: water it.</summary>
    Dry,

    /// <summary>A drop or two when it is squeezed hard, as a wrung-out sponge.</summary>
    Right,

    /// <summary>It runs: turn it and leave it open.</summary>
    Wet,
}

/// <summary>How far a job of mixing has come.</summary>
public enum MixState
{
    /// <summary>Planned; nothing has been touched.</summary>
    Planned,

    /// <summary>Its char is being charged.</summary>
    Charging,

    /// <summary>It is mixed and waits for its pots.</summary>
    Mixed,

    /// <summary>It is filled in.</summary>
    Filled,
}

/// <summary>What is to grow in a mix, for the nitrogen that it takes.</summary>
public enum PotCrop
{
    /// <summary>Nothing is said.</summary>
    Unsaid,

    /// <summary>Seedlings in modules.</summary>
    Module,

    /// <summary>A head lettuce, or a leaf crop like it.</summary>
    Lettuce,

    /// <summary>A fruiting tomato, or a crop like it.</summary>
    Tomato,
}
