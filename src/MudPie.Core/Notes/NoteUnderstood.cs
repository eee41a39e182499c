using MudPie.Core.Looking;

namespace MudPie.Core.Notes;

/// <summary>A thing that a note can be about.</summary>
/// <param name="Kind">Which of these.</param>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its own name.</param>
/// <param name="Also">Other words for it: its crop, its shape.</param>
public sealed record Nameable(NameOf Kind, int Id, string Name, IReadOnlyList<string> Also);

/// <summary>What a note was understood to say. Nothing is written before it was shown.</summary>
/// <param name="Kind">What kind of thing was said.</param>
/// <param name="Numbers">Figures in SI or as read; kilograms for a harvest.</param>
/// <param name="Word">Smell, foam, leaf position, or the words of a note.</param>
/// <param name="Targets">What it is about; more than one where the words fit several.</param>
/// <param name="Input">What was used; null where nothing was.</param>
/// <param name="Amount">How much was used, L or g.</param>
/// <param name="AmountUnit">"L" or "g".</param>
/// <param name="ClockTime">"07:10" where a time was said.</param>
/// <param name="Sentence">What will be written, in words.</param>
/// <param name="Guessed">Words that were read as something near.</param>
/// <param name="Choose">True where one of the targets has to be chosen first.</param>
/// <param name="TemperatureC">Warmth of the meter where it was said with a brix.</param>
/// <param name="Dry">Leaves that gave no juice.</param>
/// <param name="Sky">Where it was said with a brix.</param>
/// <param name="Tool">The sprayer or can of a use, where one of the shed's was named.</param>
/// <param name="Purpose">Of a use: on leaves where leaves or spraying were said, else to the roots.</param>
public sealed record NoteUnderstood(
    NoteKind Kind, IReadOnlyList<double> Numbers, string? Word, IReadOnlyList<Nameable> Targets, Nameable? Input, double? Amount,
    string? AmountUnit, string? ClockTime,
    string Sentence, IReadOnlyList<string> Guessed, bool Choose, double? TemperatureC = null, int Dry = 0, Sky? Sky = null,
    Purpose? Purpose = null, Nameable? Tool = null)
{
    /// <summary>What was done to the ground, where it is about that.</summary>
    public FieldAsked? Field { get; init; }
}
