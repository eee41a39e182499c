using MudPie.Core.Workings;

namespace MudPie.Core.Measures;

/// <summary>Reads the fields of a form as they were typed, and collects what is wrong with them.</summary>
public sealed class TypedFields(UnitSystem units)
{
    /// <summary>Whose units.</summary>
    public UnitSystem Units => units;

    /// <summary>What was wrong.</summary>
    public Checks Checks { get; } = new();

    /// <summary>A quantity within [low, high] SI; 0 where it is refused.</summary>
    public double Quantity(string field, string? typed, Dimension dimension, double low, double high, string? wayOut = null) =>
        Amount(field, typed, dimension, low, high, wayOut)?.Si ?? 0;

    /// <summary>A quantity within [low, high] SI, with what was typed; null where it is refused.</summary>
    public Amount? Amount(string field, string? typed, Dimension dimension, double low, double high, string? wayOut = null)
    {
        var read = AmountText.Read(field, typed, dimension, units);
        if (read.Refused is { } refused)
        {
            Checks.Add(refused);
            return null;
        }

        if (read.Value.Si >= low && read.Value.Si <= high)
        {
            return read.Value;
        }

        var range = $"Give {Measures.Units.Show(low, dimension, units)} to {Measures.Units.Show(high, dimension, units)}.";
        Checks.Add(field, $"{read.Value.Shown} is too {(read.Value.Si < low ? "little" : "much")}.", wayOut is null
            ? range : $"{range} {wayOut}");
        return null;
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

    /// <summary>One of the words of an idea.</summary>
    public T OneOf<T>(string field, string? value)
        where T : struct, Enum => Words.Must<T>(OneOf(field, value, [.. Words.All<T>()]));

    /// <inheritdoc cref="Checks.Past"/>
    public DateTimeOffset Past(string field, DateTimeOffset? at, DateTimeOffset now) => Checks.Past(field, at, now);
}
