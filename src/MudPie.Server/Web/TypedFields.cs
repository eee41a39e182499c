using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Server.Web;

/// <summary>Reads the fields of a form as they were typed, and collects what is wrong with them.</summary>
public sealed class TypedFields(UnitSystem units)
{
    /// <summary>Whose units.</summary>
    public UnitSystem Units => units;

    /// <summary>What was wrong.</summary>
    public Checks Checks { get; } = new();

    /// <summary>A quantity within [low, high] SI; 0 where it is refused.</summary>
    public double Quantity(string field, string? typed, Dimension dimension, double low, double high, string? wayOut = null)
    {
        var read = AmountText.Read(field, typed, dimension, units);
        if (read.Refused is { } refused)
        {
            Checks.Add(refused);
            return 0;
        }

        if (read.Value.Si >= low && read.Value.Si <= high)
        {
            return read.Value.Si;
        }

        var range = $"Give {Core.Measures.Units.Show(low, dimension, units)} to {Core.Measures.Units.Show(high, dimension, units)}.";
        Checks.Add(field, $"{read.Value.Shown} is too {(read.Value.Si < low ? "little" : "much")}.", wayOut is null
            ? range : $"{range} {wayOut}");
        return 0;
    }

    /// <summary>A quantity that may be left out.</summary>
    public double? Optional(string field, string? typed, Dimension dimension, double low, double high, string? wayOut = null) =>
        string.IsNullOrWhiteSpace(typed) ? null : Quantity(field, typed, dimension, low, high, wayOut);

    /// <summary>A bare number of food is a spoon's worth, mL or fl oz: litres or gallons of it nobody means.</summary>
    public static string? Spoonful(string? typed, UnitSystem units) => string.IsNullOrWhiteSpace(typed)
        || !char.IsAsciiDigit(typed.Trim()[^1]) ? typed : $"{typed} {(units.IsUs() ? "fl oz" : "mL")}";

    /// <summary>A name of 1 to 60 characters.</summary>
    public string Name(string field, string? typed, string what)
    {
        var name = (typed ?? "").Trim();
        if (Names.Wrong(name) is { } wrong)
        {
            Checks.Add(field, wrong, $"Give {what} a name of up to 60 letters, all of which can be seen.");
        }

        return name;
    }

    /// <summary>One of a few words.</summary>
    public string OneOf(string field, string? value, params string[] known)
    {
        if (value is not null && known.Contains(value))
        {
            return value;
        }

        Checks.Add(field, string.IsNullOrEmpty(value) ? "Nothing was chosen." : $"“{value}” is not known here.",
            $"Choose {Say.Any(known)}.");
        return known[0];
    }

    /// <summary>A time within the last year and not after now (five minutes' grace for clocks that differ).</summary>
    public DateTimeOffset Past(string field, DateTimeOffset? at, DateTimeOffset now)
    {
        var when = at ?? now;
        if (when > now.AddMinutes(5) || when < now.AddYears(-2))
        {
            Checks.Add(field, when > now ? "That time has not come yet." : "That is more than two years ago.",
                "Give the time at which it was so.");
        }

        return when;
    }
}
