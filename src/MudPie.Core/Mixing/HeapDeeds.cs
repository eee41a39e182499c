using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>A step at a heap, as typed.</summary>
/// <param name="Step">Which; null where nothing was chosen.</param>
/// <param name="Warmth">Of its core.</param>
/// <param name="Amount">Of compost sieved out, or of water.</param>
/// <param name="Note">In words; of a layer, what was laid on.</param>
public sealed record HeapStepAsked(HeapStep? Step, string? Warmth, string? Amount, string? Note);

/// <summary>A step at a heap, to be written.</summary>
/// <param name="Step">Which.</param>
/// <param name="Celsius">Of its core, °C.</param>
/// <param name="Litres">Of compost sieved out, or of water.</param>
/// <param name="Typed">The figure as the grower wrote it.</param>
/// <param name="Says">What was done, in a sentence.</param>
/// <param name="Note">The grower's own words.</param>
public sealed record HeapStepDone(HeapStep Step, double? Celsius, double? Litres, string? Typed, string Says, string? Note);

/// <summary>Every deed at a heap.</summary>
public static class HeapDeeds
{
    /// <summary>A step is done, or why it can't be.</summary>
    /// <param name="asked">As typed.</param>
    /// <param name="stands">How the heap stands.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <param name="now">When it is done.</param>
    /// <remarks>"61" is 61 °C, or °F where the holding goes by them. A heap that is hot is not cured; one that is called cured before its
    /// time, or taken up before it is cured, wants a word why.</remarks>
    public static Ruling<HeapStepDone> Do(HeapStepAsked asked, HeapStands stands, UnitSystem units, DateTimeOffset now)
    {
        var fields = new TypedFields(units);
        var step = fields.Checks.One("step", asked.Step);
        var note = string.IsNullOrWhiteSpace(asked.Note) ? null : asked.Note.Trim();
        if (note is { Length: > 300 })
        {
            fields.Checks.Add("note", "That is too long.", "Up to 300 letters.");
        }

        if (stands.State == HeapState.Done)
        {
            fields.Checks.Add("step", "This heap is taken up.", "Begin another, or undo the taking up.");
        }

        var warmth = step == HeapStep.Warmth && asked.Step is not null
            ? fields.Amount("warmth", asked.Warmth, Dimension.Temperature, -20, 95, "Of its core.") : null;
        var amount = step == HeapStep.Sieved ? fields.Amount("amount", asked.Amount, Dimension.Volume, 0.1, 1_000_000)
            : step == HeapStep.Watered && !string.IsNullOrWhiteSpace(asked.Amount)
                ? fields.Amount("amount", asked.Amount, Dimension.Volume, 0.1, 100_000) : null;
        if (step is HeapStep.Seen or HeapStep.Layer && asked.Step is not null && note is null)
        {
            fields.Checks.Add("note", "Nothing was written.", step == HeapStep.Seen ? "Say what was seen." : "Say what was laid on.");
        }

        if (step == HeapStep.Cured && stands.State == HeapState.Hot)
        {
            fields.Checks.Add("step", $"Its core was {Say.Number(stands.LastC!.Value)} °C.", "A hot heap is not cured; measure it again.");
        }
        else if (step == HeapStep.Cured && note is null && !(stands.CuredFrom <= now))
        {
            fields.Checks.Add("note", "It is before its time, or was never measured hot.",
                "Say why it is cured all the same: what it smells of, how it was tried.");
        }

        if (step == HeapStep.Sieved && note is null && stands.State != HeapState.Cured)
        {
            fields.Checks.Add("note", "It was not judged cured.", "Say first that it is cured, or write why it is taken up now.");
        }

        return fields.Checks.Sound
            ? Worked.Of(new HeapStepDone(step, warmth?.Si, amount?.Si, warmth?.Typed ?? amount?.Typed, step switch {
                HeapStep.Layer => "a layer laid on",
                HeapStep.Turned => "turned",
                HeapStep.Warmth => "core measured",
                HeapStep.Watered => "watered",
                HeapStep.Seen => "seen",
                HeapStep.Cured => "judged cured",
                _ => "sieved and taken up",
            }, note), "", Evidence.MeasuredHere)
            : fields.Checks.Refusal;
    }
}
