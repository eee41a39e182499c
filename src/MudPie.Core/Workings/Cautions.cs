namespace MudPie.Core.Workings;

/// <summary>The usual cautions, in one place. Each defers to local codes, labels and licensed people.</summary>
public static class Cautions
{
    /// <summary>The line that ends every caution.</summary>
    public const string Usual = "A usual caution: local codes, labels and licensed people come first.";

    /// <summary>Electricity beside water.</summary>
    public static readonly Caution Pump = new("pump-and-water",
        "Plug the pump through a residual-current device, leave a drip loop in its cable, and set it above the water line or fit a check "
            + "valve.", Usual);

    /// <summary>Brews on food.</summary>
    public static readonly Caution Food = new(
        "brew-on-food",
        "No raw manure or blood in the source: brewing can multiply E. coli and Salmonella. Keep it off parts that are eaten raw close to "
            + "harvest, and test if you sell.",
        "A usual caution: many organic and food-safety rules set a test or a wait of up to 120 days before harvest. Follow yours.");

    /// <summary>Spraying.</summary>
    public static readonly Caution Spraying =
        new("spraying", "Gloves, eye protection and a mask against the mist. Not with people near, and not in wind.",
            "A usual caution: the label is law; local codes and licensed people come first.");

    /// <summary>More is used than the shelf's book holds.</summary>
    public static readonly Caution StockShort =
        new("stock-short",
            "The shelf’s book does not hold so much. If it is used all the same, the book goes to nought and says by how much it was "
                + "wrong: count it afterwards.", "Your own shelf.");

    /// <summary>Dust from compost.</summary>
    public static readonly Caution Dust =
        new("compost-dust", "Compost dust can carry Legionella and moulds: damp it first, wear a mask, wash afterwards.", Usual);

    /// <summary>Acids and thiosulfate.</summary>
    public static readonly Caution Acids = new("acids", "Add it to the water, never water to it, and wear goggles.", Usual);

    /// <summary>Heavy liquids.</summary>
    public static readonly Caution Lifting =
        new("lifting", "Brew weighs what water weighs: pump it, don't lift it. Spilled brew is slippery.", Usual);

    /// <summary>Wells, drains and streams.</summary>
    public static readonly Caution RunOff = new("run-off", "Keep it off wells, drains and streams.",
        "A usual caution: nitrate and phosphate limits are set locally.");

    /// <summary>Who should leave it.</summary>
    public static readonly Caution Health =
        new("health", "With an allergy, weak immunity or open wounds, leave brewing and spraying to somebody else.", Usual);

    /// <summary>After any way of clearing water.</summary>
    public static readonly Caution StripDecides =
        new("strip-decides", "Read a strip at zero before any biology goes in, and again for the water used to dilute.", Usual);
}
