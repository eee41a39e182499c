using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>Something done at a work in the yard, or seen of it.</summary>
/// <param name="Step">What.</param>
/// <param name="At">When.</param>
public sealed record WorkPoint(WorkStep Step, DateTimeOffset At)
{
    /// <summary>The tray it was done at; null for none.</summary>
    public string? Tray { get; init; }

    /// <summary>Of what.</summary>
    public string? What { get; init; }

    /// <summary>g.</summary>
    public double? Grams { get; init; }

    /// <summary>L.</summary>
    public double? Litres { get; init; }

    /// <summary>L that were sieved back.</summary>
    public double? BackL { get; init; }

    /// <summary>°C, or kg a litre where char is measured.</summary>
    public double? Figure { get; init; }

    /// <summary>Of the last food that still lies, 0 to 1.</summary>
    public double? Share { get; init; }

    /// <summary>How damp.</summary>
    public Damp? Damp { get; init; }

    /// <summary>What a hand felt.</summary>
    public Heat? Heat { get; init; }

    /// <summary>Its number in the log; 0 before it is written.</summary>
    public int Id { get; init; }

    /// <summary>How the machine was set.</summary>
    public string? Setting { get; init; }

    /// <summary>Of a run, hours.</summary>
    public double? Hours { get; init; }

    /// <summary>Starter that went in, g.</summary>
    public double? StarterG { get; init; }

    /// <summary>Runs that were pooled, by their numbers.</summary>
    public IReadOnlyList<int>? Runs { get; init; }

    /// <summary>Horns or pots that went in, or came out whole.</summary>
    public int? Count { get; init; }

    /// <summary>How it looked on lifting.</summary>
    public string? Colour { get; init; }

    /// <summary>How it smelt.</summary>
    public string? Smell { get; init; }

    /// <summary>How it felt.</summary>
    public string? Texture { get; init; }
}

/// <summary>A step as typed.</summary>
public sealed record WorkStepAsked
{
    /// <summary>Which.</summary>
    public WorkStep? Step { get; init; }

    /// <summary>The tray.</summary>
    public string? Tray { get; init; }

    /// <summary>Of what: "kitchen scraps", "hedge brash".</summary>
    public string? What { get; init; }

    /// <summary>By weight or volume: "400 g", "12 L"; of a warmth, "19 °C".</summary>
    public string? Amount { get; init; }

    /// <summary>What was sieved back: "4 L".</summary>
    public string? Back { get; init; }

    /// <summary>Weight of a litre of it, dried: "0.2".</summary>
    public string? Density { get; init; }

    /// <summary>Of the last food that still lies, 0 to 1.</summary>
    public double? Share { get; init; }

    /// <summary>How damp.</summary>
    public Damp? Damp { get; init; }

    /// <summary>What a hand felt.</summary>
    public Heat? Heat { get; init; }

    /// <summary>A permit, or that none is needed here, was looked at.</summary>
    public bool? Permit { get; init; }

    /// <summary>Water stands ready.</summary>
    public bool? Water { get; init; }

    /// <summary>Wind at the pit, as typed: "2 m/s".</summary>
    public string? Wind { get; init; }

    /// <summary>How the machine was set: "2", "slow".</summary>
    public string? Setting { get; init; }

    /// <summary>How long it ran, hours as typed.</summary>
    public string? Hours { get; init; }

    /// <summary>Starter that went in: "200 g".</summary>
    public string? Starter { get; init; }

    /// <summary>Water that went in: "2 L".</summary>
    public string? Added { get; init; }

    /// <summary>Runs that are pooled, by their numbers.</summary>
    public IReadOnlyList<int>? Runs { get; init; }

    /// <summary>The heap onto which a can of char is carried; null where it goes elsewhere.</summary>
    public int? HeapId { get; init; }

    /// <summary>Horns or pots that went in, or came out whole, as typed.</summary>
    public string? Count { get; init; }

    /// <summary>How it looked on lifting.</summary>
    public string? Colour { get; init; }

    /// <summary>How it smelt.</summary>
    public string? Smell { get; init; }

    /// <summary>How it felt.</summary>
    public string? Texture { get; init; }

    /// <summary>Where what was lifted is stored.</summary>
    public string? Stored { get; init; }

    /// <summary>In the grower's own words; why, where something is done all the same.</summary>
    public string? Note { get; init; }
}

/// <summary>A step to be written.</summary>
/// <param name="Point">What was done.</param>
/// <param name="Typed">The amount as the grower wrote it.</param>
/// <param name="Note">The grower's own words.</param>
/// <param name="Yields">What comes onto the shelf of it; null for nothing.</param>
/// <param name="TakesL">Of what this work laid on the shelf, so much is taken, L; 0 for nothing.</param>
public sealed record WorkStepDone(WorkPoint Point, string? Typed, string? Note, WorkYield? Yields, double TakesL = 0);

/// <summary>A lot that a work in the yard lays on the shelf.</summary>
/// <param name="Kind">The kind of input: "castings", "char".</param>
/// <param name="Name">What it is called there.</param>
/// <param name="Mark">What stands on the lot.</param>
/// <param name="Litres">L.</param>
/// <param name="Notes">What it is of.</param>
/// <param name="DryKgPerL">Dry weight of a litre, kg, where it was measured.</param>
public sealed record WorkYield(string Kind, string Name, string Mark, double Litres, string? Notes, double? DryKgPerL = null,
    string Unit = "L", int? KeepsDays = null);

/// <summary>Something that a work in the yard wants.</summary>
/// <param name="Rule">Which, a stable word.</param>
/// <param name="Urgency">0 now, 1 soon, 2 today, 3 when there is time.</param>
/// <param name="Title">What, in a few words.</param>
/// <param name="Detail">Why.</param>
/// <param name="Action">What its button says.</param>
/// <param name="At">When it is due.</param>
public sealed record WorkDue(string Rule, int Urgency, string Title, string Detail, string Action, DateTimeOffset At);

/// <summary>Something of a work for the calendar.</summary>
/// <param name="Rule">Which, a stable word.</param>
/// <param name="At">When.</param>
/// <param name="What">What, in a few words.</param>
/// <param name="How">How.</param>
public sealed record WorkDate(string Rule, DateTimeOffset At, string What, string How);

/// <summary>What every step has: its own words, within bounds.</summary>
internal static class WorkFields
{
    public const int MostNote = 300;

    public static string? Text(Checks checks, string field, string? typed, int most)
    {
        var text = string.IsNullOrWhiteSpace(typed) ? null : typed.Trim();
        if (text?.Length > most || text?.Any(c => char.IsControl(c)) == true)
        {
            checks.Add(field, text.Length > most ? "That is too long." : "It holds letters that can't be seen.", $"Up to {most} letters.");
            return null;
        }

        return text;
    }
}
