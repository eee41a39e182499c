using System.Text.Json.Serialization;

namespace MudPie.Core.Ideas;

/// <summary>Which leaf of a plant was read.</summary>
public enum LeafPosition
{
    /// <summary>The youngest that is full grown.</summary>
    Top,

    /// <summary>Half way down.</summary>
    Middle,

    /// <summary>The oldest that is still green.</summary>
    Bottom,
}

/// <summary>How the sky was over the last three days.</summary>
public enum Sky
{
    /// <summary>Sun.</summary>
    Clear,

    /// <summary>Sun and cloud by turns.</summary>
    Mixed,

    /// <summary>Cloud.</summary>
    Dull,

    /// <summary>Nobody said.</summary>
    Unknown,
}

/// <summary>Two visits that are read to be held against each other.</summary>
public enum LeafPair
{
    /// <summary>A weed beside the crop.</summary>
    [JsonStringEnumMemberName("weed-crop")]
    WeedCrop,

    /// <summary>Young leaves against old.</summary>
    [JsonStringEnumMemberName("top-bottom")]
    TopBottom,

    /// <summary>Both ends of one day.</summary>
    [JsonStringEnumMemberName("morning-afternoon")]
    MorningAfternoon,
}

/// <summary>How old a crop is, as a reading of its leaves takes it.</summary>
public enum CropStage
{
    /// <summary>Just up.</summary>
    Seedling,

    /// <summary>Making leaf.</summary>
    Leafing,

    /// <summary>In flower.</summary>
    Flowering,

    /// <summary>Setting and swelling.</summary>
    Fruiting,

    /// <summary>Colouring.</summary>
    Ripening,
}

/// <summary>When the leaves of a patch were read.</summary>
public enum PatchPhase
{
    /// <summary>Before anything was put on.</summary>
    Before,

    /// <summary>Forty minutes to an hour after.</summary>
    After,
}

/// <summary>How a bed's ground was tested for life.</summary>
public enum GroundTest
{
    /// <summary>A buried strip of cotton.</summary>
    Cotton,

    /// <summary>The burst of CO₂ from dried ground that is wetted.</summary>
    Co2,
}

/// <summary>Of what, on its way to the ground, a drop was counted at the microscope.</summary>
public enum TallyStage
{
    /// <summary>The compost or castings.</summary>
    Source,

    /// <summary>What came off them.</summary>
    Extracted,

    /// <summary>The brew at its end.</summary>
    End,

    /// <summary>Before a pump.</summary>
    BeforePump,

    /// <summary>Behind it.</summary>
    AfterPump,

    /// <summary>Out of the nozzle.</summary>
    Nozzle,

    /// <summary>In the soil that got it.</summary>
    Soil,
}

/// <summary>How a measure's several dates become one figure a plot.</summary>
public enum DatesTo
{
    /// <summary>The last of them.</summary>
    Last,

    /// <summary>The mean over time.</summary>
    Mean,

    /// <summary>Days until half of what came up was up.</summary>
    Half,
}

/// <summary>What a phrase of Note it is about.</summary>
public enum NoteKind
{
    /// <summary>mg/L in a brew.</summary>
    Oxygen,

    /// <summary>°C of a brew.</summary>
    Warmth,

    /// <summary>A <see cref="Core.Brewing.Smell"/>.</summary>
    Smell,

    /// <summary>A <see cref="Core.Brewing.Foam"/>.</summary>
    Foam,

    /// <summary>mg/L of chlorine.</summary>
    Strip,

    /// <summary>°Bx of leaves.</summary>
    Brix,

    /// <summary>Something of the shelf, put out.</summary>
    Use,

    /// <summary>What was picked.</summary>
    Harvest,

    /// <summary>What was seen.</summary>
    Note,

    /// <summary>°C in the core of a heap.</summary>
    HeapWarmth,

    /// <summary>A heap was turned.</summary>
    Turned,

    /// <summary>Worms were fed.</summary>
    WormsFed,

    /// <summary>Something was done to the ground, or it rained: a <see cref="FieldDeed"/>.</summary>
    Field,
}

/// <summary>What a name of the holding is the name of.</summary>
public enum NameOf
{
    /// <summary>A vessel.</summary>
    Vessel,

    /// <summary>A bed.</summary>
    Bed,

    /// <summary>A water.</summary>
    Water,

    /// <summary>Something of the shelf.</summary>
    Input,

    /// <summary>A sprayer or can.</summary>
    Sprayer,

    /// <summary>A heap.</summary>
    Heap,

    /// <summary>A worm bin.</summary>
    Worms,
}

/// <summary>A check of the ground, or of what grows on it.</summary>
public enum CheckKind
{
    /// <summary>A rod with a gauge (penetrometer).</summary>
    Rod,

    /// <summary>A plain rod, by feel.</summary>
    PlainRod,

    /// <summary>How moist, by feel or by weight.</summary>
    Moisture,

    /// <summary>A spade block: structure, colour, smell by layer.</summary>
    Block,

    /// <summary>Earthworms in the block.</summary>
    Worms,

    /// <summary>Crumbs in water (slake).</summary>
    Crumbs,

    /// <summary>How fast water goes in.</summary>
    Infiltration,

    /// <summary>Roots of ten or twelve plants.</summary>
    Roots,

    /// <summary>Nodules of legumes, cut open.</summary>
    Nodules,

    /// <summary>Colour and shape of leaves, and the stand.</summary>
    Leaf,

    /// <summary>Weeds in frames.</summary>
    Weeds,

    /// <summary>A buried strip of cotton.</summary>
    Cotton,

    /// <summary>The burst of CO₂ from dried ground that is wetted.</summary>
    Co2,
}

/// <summary>What a goal is measured by: something that Mud Pie keeps.</summary>
public enum GoalMeasure
{
    /// <summary>Bought nitrogen, kg a hectare in twelve months.</summary>
    BoughtNitrogen,

    /// <summary>How often one thing of the shelf went out in twelve months.</summary>
    Uses,

    /// <summary>°Bx of the youngest full-grown leaf.</summary>
    Brix,

    /// <summary>A check of the ground.</summary>
    Check,

    /// <summary>Harvested, kg in twelve months.</summary>
    Harvest,
}

/// <summary>What was done to the ground.</summary>
public enum FieldDeed
{
    /// <summary>Seed went in.</summary>
    Sowed,

    /// <summary>Plants went in.</summary>
    Planted,

    /// <summary>Dug, ploughed, hoed.</summary>
    Tilled,

    /// <summary>Rolled down and crimped.</summary>
    Crimped,

    /// <summary>Mown.</summary>
    Mowed,

    /// <summary>Grazed.</summary>
    Grazed,

    /// <summary>A cover was sown.</summary>
    Cover,

    /// <summary>Mulched.</summary>
    Mulched,

    /// <summary>Watered.</summary>
    Watered,

    /// <summary>It rained.</summary>
    Rain,

    /// <summary>Taken off: what stood there has ended.</summary>
    Cleared,
}

/// <summary>What the ground mostly is.</summary>
public enum Texture
{
    /// <summary>Sand and loamy sand.</summary>
    Sand,

    /// <summary>Sandy loam.</summary>
    SandyLoam,

    /// <summary>Loam and silt loam.</summary>
    Loam,

    /// <summary>Silty clay and clay loam.</summary>
    ClayLoam,

    /// <summary>Clay.</summary>
    Clay,
}

/// <summary>How moist the ground was at a visit.</summary>
public enum Wetness
{
    /// <summary>Dry: it does not hold together.</summary>
    Dry,

    /// <summary>Moist: it holds together.</summary>
    Moist,

    /// <summary>Wet: water shows when it is pressed.</summary>
    Wet,
}

/// <summary>What a layer smells of.</summary>
public enum GroundSmell
{
    /// <summary>Of nothing.</summary>
    None,

    /// <summary>Of earth.</summary>
    Earthy,

    /// <summary>Sour.</summary>
    Sour,

    /// <summary>Of rotten eggs.</summary>
    RottenEgg,
}

/// <summary>How much of the roots is sheathed in soil.</summary>
public enum Sheathed
{
    /// <summary>None.</summary>
    None,

    /// <summary>Some.</summary>
    Some,

    /// <summary>Most.</summary>
    Most,
}
