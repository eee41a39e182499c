using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Book;

/// <summary>An entry that is to be put right, as a deed finds it.</summary>
/// <param name="Id">Its number; null where nothing is put right.</param>
/// <param name="Stands">It is there, and nothing put it right already.</param>
public sealed record Righted(int? Id, bool Stands)
{
    /// <summary>Nothing is put right.</summary>
    public static readonly Righted None = new(null, true);
}

/// <summary>A harvest to be written.</summary>
/// <param name="Crop">What was picked: what the bed grows.</param>
/// <param name="At">When.</param>
/// <param name="Kg">Kilograms, 0 or more.</param>
/// <param name="Typed">The weight as the grower wrote it; null where nobody typed it.</param>
/// <param name="Note">In words, or null.</param>
public sealed record Harvested(string Crop, DateTimeOffset At, double Kg, string? Typed, string? Note);

/// <summary>Something seen, to be written.</summary>
public sealed record Sighted(DateTimeOffset At, string Text);

/// <summary>Every deed at the book, whatever door it comes by: the form, a note, a book's file.</summary>
public static class BookDeeds
{
    /// <summary>The most that one harvest may weigh, kg.</summary>
    public const double MostKg = 1e6;

    /// <summary>A weight as typed, in kilograms.</summary>
    public static Ruling<Amount> Weight(string? typed, UnitSystem units) =>
        AmountText.Read("weight", typed, Dimension.Mass, units).Match<Ruling<Amount>>(
            grams => grams.With(grams.Value with { Si = grams.Value.Si / 1000 }, "kg"), no => no);

    /// <summary>Something is taken off a bed.</summary>
    /// <param name="crop">What the bed grows; null where there is no such bed.</param>
    /// <param name="weight">Kilograms with what was typed, or what was wrong with that.</param>
    /// <param name="note">In words.</param>
    /// <param name="at">When; now where not given.</param>
    /// <param name="righted">What this puts right.</param>
    /// <param name="now">Now.</param>
    public static Ruling<Harvested> Harvest(string? crop, Ruling<Amount> weight, string? note, DateTimeOffset? at, Righted righted,
        DateTimeOffset now)
    {
        var checks = new Checks();
        if (crop is null)
        {
            checks.Add("bedId", "No bed was chosen.", "Choose the bed it came from.");
        }

        Newest(checks, righted);
        var when = checks.Past("at", at, now);
        if (weight.Refused is { } wrong)
        {
            checks.Add(wrong);
            return checks.Refusal;
        }

        var kg = weight.Value.Si;
        if (!(kg is >= 0 and <= MostKg))
        {
            checks.Add("weight", $"{weight.Value.Shown} is too {(kg < 0 ? "little" : "much")}.", "Give what was picked, up to 1,000 t.");
        }

        return checks.Sound
            ? Worked.Of(new Harvested(crop!, when, kg, Words(weight.Value.Typed), Words(note)), "kg", Evidence.MeasuredHere)
            : checks.Refusal;
    }

    /// <summary>Something is seen, in 1 to 1,000 letters.</summary>
    /// <param name="text">The words.</param>
    /// <param name="bedThere">The bed is there, or none was named.</param>
    /// <param name="at">When; now where not given.</param>
    /// <param name="righted">What this puts right.</param>
    /// <param name="now">Now.</param>
    public static Ruling<Sighted> Sight(string? text, bool bedThere, DateTimeOffset? at, Righted righted, DateTimeOffset now)
    {
        var checks = new Checks();
        var words = (text ?? "").Trim();
        if (words.Length is 0 or > 1000)
        {
            checks.Add("text", words.Length == 0 ? "There is nothing in it." : "That is too long.", "Write up to 1,000 letters.");
        }

        if (!bedThere)
        {
            checks.Add("bedId", "That bed is not there.", "Choose from the list, or none.");
        }

        Newest(checks, righted);
        var when = checks.Past("at", at, now);
        return checks.Sound ? Worked.Of(new Sighted(when, words), "", Evidence.MeasuredHere) : checks.Refusal;
    }

    /// <summary>A job never happened: why, in 3 to 300 letters. Both stay readable.</summary>
    public static Ruling<string> Strike(bool stands, string? why)
    {
        var checks = new Checks();
        var words = (why ?? "").Trim();
        if (!stands)
        {
            checks.Add("id", "That entry is not there, or was put right already.", "Correct the newest one.");
        }

        if (words.Length is < 3 or > 300)
        {
            checks.Add("why", "It is not said why.", "Say in a few words why it never happened; both stay readable.");
        }

        return checks.Sound ? Worked.Of(words, "", Evidence.MeasuredHere) : checks.Refusal;
    }

    private static void Newest(Checks checks, Righted righted)
    {
        if (righted is { Id: not null, Stands: false })
        {
            checks.Add("correctsId", "That entry is not there, or was put right already.", "Correct the newest one.");
        }
    }

    private static string? Words(string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim();
}
