using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Shelf;

/// <summary>An entry to be written to a lot: more, or less, for a reason.</summary>
/// <param name="LotId">Which lot.</param>
/// <param name="Amount">In the lot's unit; below nought where it is taken.</param>
/// <param name="Reason">Why.</param>
/// <param name="Note">In words, or null.</param>
/// <param name="Typed">The amount as the grower wrote it; null where nobody typed it.</param>
public sealed record StockChange(int LotId, double Amount, StockReason Reason, string? Note = null, string? Typed = null);

/// <summary>Every deed at the shelf: counting, spilling, using, giving back. What is left of a lot is the sum of its entries.</summary>
public static class StockDeeds
{
    /// <summary>An amount of a lot as typed, in litres or kilograms.</summary>
    /// <param name="typed">"2 gal", "500 g".</param>
    /// <param name="liquid">The lot is kept in litres.</param>
    /// <param name="least">Least accepted, L or kg.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    public static Ruling<Amount> Amount(string? typed, bool liquid, double least, UnitSystem units)
    {
        var fields = new TypedFields(units);
        var amount = liquid ? fields.Amount("amount", typed, Dimension.Volume, least, 100_000)
            : fields.Amount("amount", typed, Dimension.Mass, least * 1000, 1e8) is { } grams ? grams with { Si = grams.Si / 1000 } : null;
        return amount is null ? fields.Checks.Refusal : Worked.Of(amount, liquid ? "L" : "kg", Evidence.MeasuredHere);
    }

    /// <summary>A lot is counted (the difference is entered), or so much of it was spilt, or went into something made.</summary>
    /// <param name="lotId">Which lot.</param>
    /// <param name="left">What the book says is left of it, L or kg.</param>
    /// <param name="reason">Counted, spilt or made.</param>
    /// <param name="amount">What is there, or what went; or what was wrong with what was typed.</param>
    /// <param name="note">Up to 300 letters.</param>
    /// <param name="shown">An amount of the lot, in words.</param>
    /// <remarks>3.2 L in the book and 3 L counted: an entry of −0.2 L.</remarks>
    public static Ruling<StockChange> Enter(int lotId, double left, StockReason reason, Ruling<Amount> amount, string? note,
        Func<double, string> shown)
    {
        var checks = new Checks();
        if (reason is not (StockReason.Count or StockReason.Spilt or StockReason.Made))
        {
            checks.Add("reason", $"“{reason.Word()}” is not entered by hand.", "Choose count, spilt or made.");
        }

        if (amount.Refused is { } wrong)
        {
            checks.Add(wrong);
        }
        else if (checks.Sound && reason != StockReason.Count && amount.Value.Si > left + 1e-9)
        {
            checks.Add("amount", $"There are only {shown(Math.Max(0, left))} of it.",
                "Somebody may have used it meanwhile. Count it, or take less.");
        }

        if (note is { Length: > 300 })
        {
            checks.Add("note", "That is too long.", "Up to 300 letters.");
        }

        return checks.Sound
            ? Worked.Of(new StockChange(lotId, reason == StockReason.Count ? amount.Value.Si - left : -amount.Value.Si, reason,
                string.IsNullOrWhiteSpace(note) ? null : note.Trim(), amount.Value.Typed), "", Evidence.MeasuredHere)
            : checks.Refusal;
    }

    /// <summary>A use that has happened, whatever the book says. What it is short of is used from the newest lot, and an entry of its own
    /// says that there was more: the book stands at nought, and asks to be counted.</summary>
    /// <param name="draw">What the book has of it, lot by lot, and by how much that is short.</param>
    /// <param name="newest">The newest lot of the input; null where it has none.</param>
    /// <param name="note">What it was for, in words.</param>
    /// <returns>What was taken of which lot, and the entries for it.</returns>
    public static (IReadOnlyList<Draw> Draws, IReadOnlyList<StockChange> Entries) Use(DrawAnswer draw, (int Id, string Mark)? newest,
        string? note = null)
    {
        var draws = draw.Draws.ToList();
        var entries = new List<StockChange>();
        if (draw.Short > 0 && newest is { } lot)
        {
            draws.Add(new Draw(lot.Id, lot.Mark, draw.Short));
            entries.Add(new(lot.Id, draw.Short, StockReason.More, "more was used than the book held: count it"));
        }

        entries.AddRange(Take(draws, StockReason.Used, note));
        return (draws, entries);
    }

    /// <summary>What is taken of lots, as entries.</summary>
    public static IReadOnlyList<StockChange> Take(IEnumerable<Draw> draws, StockReason reason, string? note = null) =>
        [.. draws.Select(d => new StockChange(d.LotId, -d.Amount, reason, note))];

    /// <summary>What a job took goes back to its lots, where it was put right or never happened.</summary>
    public static IReadOnlyList<StockChange> GiveBack(IEnumerable<(int LotId, double Amount)> used, string why) =>
        [.. used.Select(u => new StockChange(u.LotId, -u.Amount, StockReason.Undone, why))];
}
