namespace MudPie.Core.Ideas;

/// <summary>A work in the yard that goes on for days or years and keeps a log.</summary>
public enum WorkKind
{
    /// <summary>A worm bin, or worms fed in place.</summary>
    Worms,

    /// <summary>A burn of char.</summary>
    Burn,

    /// <summary>A lab's sheet of a bed, a field or a mix, from the sample to what was done about it.</summary>
    Sheet,

    /// <summary>A by-product that is made run by run: ground kitchen waste, spent grain, mill waste.</summary>
    Byproduct,

    /// <summary>A biodynamic preparation: horns, flowers in a sheath, bark.</summary>
    Preparation,
}

/// <summary>What is done at a work in the yard, or seen of it.</summary>
public enum WorkStep
{
    /// <summary>Worms are fed.</summary>
    Fed,

    /// <summary>Bedding or browns are laid in.</summary>
    Bedding,

    /// <summary>What still lies of the last food, 0 to 1.</summary>
    Left,

    /// <summary>How damp it is.</summary>
    Damp,

    /// <summary>Its warmth, °C.</summary>
    Warmth,

    /// <summary>The worms are weighed.</summary>
    Weighed,

    /// <summary>Worms climb out.</summary>
    Alarm,

    /// <summary>A tray is full: food goes into the next one.</summary>
    Full,

    /// <summary>Judged ready: a tray dark, crumbly and with few worms; a mix that was corrected.</summary>
    Ready,

    /// <summary>A tray stands open to drain and for the last worms to leave.</summary>
    Drained,

    /// <summary>A tray is harvested and sieved: castings on the shelf, the rest back.</summary>
    Harvested,

    /// <summary>Liquid is drawn off from beneath; it is kept apart.</summary>
    Leachate,

    /// <summary>Something is seen, in words.</summary>
    Seen,

    /// <summary>A burn is lit, from the top.</summary>
    Lit,

    /// <summary>Wood is laid on.</summary>
    Fuelled,

    /// <summary>A burn is quenched, from the edge.</summary>
    Quenched,

    /// <summary>It is dug over and doused again.</summary>
    DugOver,

    /// <summary>It is felt for heat.</summary>
    Felt,

    /// <summary>The char is measured and taken up.</summary>
    Measured,

    /// <summary>A can of char goes somewhere: onto a heap, into a mix.</summary>
    Carried,

    /// <summary>Several scoops or cores are mixed to one sample.</summary>
    Sampled,

    /// <summary>The sample is sent to a lab.</summary>
    Sent,

    /// <summary>The lab's result has come.</summary>
    Result,

    /// <summary>What the sheet asked for is put on, or mixed in.</summary>
    Corrected,

    /// <summary>A machine ran, or a brewhouse gave: one run of a by-product.</summary>
    Run,

    /// <summary>Runs are mixed to one lot.</summary>
    Pooled,

    /// <summary>A preparation is hung in the sun.</summary>
    Hung,

    /// <summary>It is buried, or laid in water.</summary>
    Buried,

    /// <summary>It is lifted: what came out, and how it looked, smelt and felt.</summary>
    Lifted,

    /// <summary>It is pressed, boiled or left to ferment, and in its bottle.</summary>
    Pressed,

    /// <summary>Some of it is stirred into water.</summary>
    Stirred,

    /// <summary>A pinch of it goes into a heap.</summary>
    Given,
}

/// <summary>How far a preparation has come.</summary>
public enum PrepState
{
    /// <summary>Not begun.</summary>
    Planned,

    /// <summary>It hangs in the sun.</summary>
    Hung,

    /// <summary>It lies in the ground, or in water.</summary>
    Buried,

    /// <summary>Lifted, or in its bottle: it lies on the shelf.</summary>
    Lifted,
}

/// <summary>How far a worm tray has come.</summary>
public enum TrayState
{
    /// <summary>Empty, waiting for its turn.</summary>
    Waiting,

    /// <summary>It is fed.</summary>
    Filling,

    /// <summary>It is full, and worms work in it.</summary>
    Working,

    /// <summary>It can be taken out.</summary>
    Ready,

    /// <summary>It stands open and drains.</summary>
    Drained,
}

/// <summary>How far a burn has come.</summary>
public enum BurnState
{
    /// <summary>Not lit yet.</summary>
    Planned,

    /// <summary>It burns.</summary>
    Burning,

    /// <summary>Quenched, and not yet known to be cold: it can light itself again.</summary>
    Watched,

    /// <summary>Felt cold after a night.</summary>
    Cold,

    /// <summary>Measured and taken up.</summary>
    Done,
}

/// <summary>What a hand feels in quenched char.</summary>
public enum Heat
{
    /// <summary>Cold all through.</summary>
    Cold,

    /// <summary>Warm somewhere.</summary>
    Warm,

    /// <summary>It smokes, steams or glows.</summary>
    Glowing,
}
