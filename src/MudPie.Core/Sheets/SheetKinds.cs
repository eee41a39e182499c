namespace MudPie.Core.Sheets;

/// <summary>What kinds of sheets have in common.</summary>
public static class SheetKinds
{
    /// <summary>Days after which what was fed to a leaf is looked at again.</summary>
    public const int LeafAgainDays = 14;

    /// <summary>Days after which what was left is looked at again, and what waits for a planting at the latest.</summary>
    public const int AgainDays = 365;

    /// <summary>Of a plant: a leaf, sap, tissue.</summary>
    public static bool OfPlant(this SheetOf of) => of is SheetOf.Leaf or SheetOf.Sap or SheetOf.Tissue;

    /// <summary>Of ground or of what grows on it, and so of a bed of the plan.</summary>
    public static bool OfBed(this SheetOf of) => of is SheetOf.Bed or SheetOf.Field || of.OfPlant();

    /// <summary>What a sheet is of, in a word: "soil", "leaf", "sap", "tissue", "mix".</summary>
    public static string Said(this SheetOf of) => of is SheetOf.Bed or SheetOf.Field ? "soil" : of.Word();

    /// <summary>The question that a kind of sheet answers.</summary>
    /// <remarks>Soil: what is in store. Leaf: what was taken up since it opened. Sap: what moves today.</remarks>
    public static string Answers(this SheetOf of) => of switch {
        SheetOf.Leaf or SheetOf.Tissue => "what was taken up since it grew",
        SheetOf.Sap => "what moves today",
        SheetOf.Mix => "what roots find there now",
        _ => "what is in store",
    };

    /// <summary>The day on which a choice is looked at again, where the grower names none.</summary>
    /// <param name="choice">What was chosen.</param>
    /// <param name="on">When.</param>
    /// <remarks>A leaf that is fed: two weeks later. At the next planting, or left: a year later at the latest.</remarks>
    public static DateOnly Again(ShortfallChoice choice, DateOnly on) =>
        on.AddDays(choice == ShortfallChoice.LeafNow ? LeafAgainDays : AgainDays);
}
