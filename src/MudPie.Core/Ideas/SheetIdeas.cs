namespace MudPie.Core.Ideas;

/// <summary>How a lab gets a nutrient out of a soil or mix. Figures of two ways are never mixed.</summary>
public enum Extraction
{
    /// <summary>Mehlich-3.</summary>
    Mehlich3,

    /// <summary>Bicarbonate, after Olsen; for phosphorus.</summary>
    Olsen,

    /// <summary>Bray and Kurtz, P1; for phosphorus.</summary>
    Bray1,

    /// <summary>Ammonium acetate; for potassium, calcium, magnesium, sodium.</summary>
    AmmoniumAcetate,

    /// <summary>DTPA; for iron, manganese, zinc, copper.</summary>
    Dtpa,

    /// <summary>Water, hot for boron, or a weak salt for sulphate and nitrate.</summary>
    Water,

    /// <summary>Saturated media extract: a mix brought to saturation, its water pressed out.</summary>
    SaturatedMedia,

    /// <summary>Saturated paste of a soil.</summary>
    SaturatedPaste,
}

/// <summary>What a sheet is of.</summary>
public enum SheetOf
{
    /// <summary>A bed or beds.</summary>
    Bed,

    /// <summary>A field, by the hectare.</summary>
    Field,

    /// <summary>A potting mix, by the litre.</summary>
    Mix,

    /// <summary>Leaves, dried: what was laid down since they opened.</summary>
    Leaf,

    /// <summary>Sap, pressed: what moves today.</summary>
    Sap,

    /// <summary>Another part of the plant, dried: stalks, whole tops.</summary>
    Tissue,
}

/// <summary>How old the leaves of a sample are.</summary>
public enum LeafAge
{
    /// <summary>Youngest fully opened.</summary>
    Young,

    /// <summary>Old ones, still sound.</summary>
    Old,
}

/// <summary>What a column of a lab's file means.</summary>
public enum ColumnMeans
{
    /// <summary>Nothing that is wanted here.</summary>
    Skip,

    /// <summary>What was tested, a line for each.</summary>
    What,

    /// <summary>How much of it.</summary>
    Value,

    /// <summary>In what.</summary>
    Unit,

    /// <summary>How it was got out.</summary>
    Method,

    /// <summary>Low end of the lab's own band.</summary>
    LabLow,

    /// <summary>High end of the lab's own band.</summary>
    LabHigh,

    /// <summary>Which sample: its name or number.</summary>
    Sample,

    /// <summary>How old the leaves are.</summary>
    Age,

    /// <summary>Figures of one nutrient, a sample to each row.</summary>
    Nutrient,
}

/// <summary>What grows there, for the band that is enough.</summary>
public enum CropGroup
{
    /// <summary>Grain, hay, cover.</summary>
    Field,

    /// <summary>Vegetables and flowers.</summary>
    Vegetables,

    /// <summary>Fruit and hops.</summary>
    Fruit,
}

/// <summary>By what a soil is judged.</summary>
public enum SheetSchool
{
    /// <summary>Enough of each (sufficiency).</summary>
    Enough,

    /// <summary>Shares of the exchange (base saturation, cation ratio).</summary>
    Ratio,
}

/// <summary>What is done about a shortfall that no input meets.</summary>
public enum ShortfallChoice
{
    /// <summary>Feed the leaf now.</summary>
    LeafNow,

    /// <summary>At the next planting.</summary>
    NextPlanting,

    /// <summary>Leave it.</summary>
    Leave,
}

/// <summary>How lime is worked out.</summary>
public enum LimeBy
{
    /// <summary>No lime is asked for.</summary>
    None,

    /// <summary>By a buffer's pH (Mehlich).</summary>
    Buffer,

    /// <summary>By the exchange and its base saturation.</summary>
    Saturation,
}

/// <summary>How far a sheet has come.</summary>
public enum SheetState
{
    /// <summary>Begun: nothing was sampled yet.</summary>
    Begun,

    /// <summary>Sampled.</summary>
    Sampled,

    /// <summary>Sent, and waiting for its result.</summary>
    Sent,

    /// <summary>The result is there.</summary>
    Result,

    /// <summary>Corrected.</summary>
    Corrected,

    /// <summary>Ready.</summary>
    Ready,
}

/// <summary>Where a figure stands against its band.</summary>
public enum FigureStands
{
    /// <summary>There is no band for it.</summary>
    NoBand,

    /// <summary>Below the low end.</summary>
    Short,

    /// <summary>Within.</summary>
    Enough,

    /// <summary>Above the high end, or above the lab's scale.</summary>
    Above,
}
