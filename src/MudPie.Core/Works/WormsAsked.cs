using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>A tray of a bin, as typed.</summary>
public sealed record TrayAsked
{
    /// <summary>What stands on it.</summary>
    public string? Name { get; init; }

    /// <summary>What it holds, to the brim: "30 L".</summary>
    public string? Holds { get; init; }
}

/// <summary>A worm bin, or worms fed in place, as it is set up; kept whole.</summary>
public sealed record WormsAsked
{
    /// <summary>What it is called.</summary>
    public string? Name { get; init; }

    /// <summary>Where it stands, in words.</summary>
    public string? Place { get; init; }

    /// <summary>What the worms weigh, as typed; empty where nobody knows.</summary>
    public string? Worms { get; init; }

    /// <summary>True where worms of the place are fed under the mulch: no trays, nothing to harvest.</summary>
    public bool InPlace { get; init; }

    /// <summary>The bed on which they are fed in place; null for none.</summary>
    public int? BedId { get; init; }

    /// <summary>Trays that can stand on each other, 1 to 12; the blind one that catches drips is not counted.</summary>
    public IReadOnlyList<TrayAsked> Trays { get; init; } = [];
}

/// <summary>A tray as it was read.</summary>
public sealed record Tray(string Name, double HoldsL);

/// <summary>A bin as it was read.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="InPlace">Fed under the mulch.</param>
/// <param name="WormsG">What the worms weighed when it was set up, g; null where nobody knows.</param>
/// <param name="Trays">In the order given; none where it is fed in place.</param>
public sealed record WormBin(string Name, bool InPlace, double? WormsG, IReadOnlyList<Tray> Trays);

/// <summary>Reads a bin as it was typed.</summary>
public static class WormReading
{
    /// <summary>Reads it, or says what is wrong.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <remarks>"1 kg" of worms in trays of 30 L: 1,000 g. Trays need names of their own: entries go by them.</remarks>
    public static Ruling<WormBin> Of(WormsAsked r, UnitSystem units)
    {
        var fields = new TypedFields(units);
        var name = fields.Name("name", r.Name, "the bin");
        WorkFields.Text(fields.Checks, "place", r.Place, 100);
        var worms = fields.Optional("worms", r.Worms, Dimension.Mass, 10, 200_000, "Leave it empty where nobody knows.");
        if (!r.InPlace && r.Trays.Count is 0 or > 12)
        {
            fields.Checks.Add("trays", r.Trays.Count == 0 ? "It has no tray." : "That is more than twelve.", "Give 1 to 12 trays.");
        }

        List<Tray> trays = r.InPlace ? [] : [.. r.Trays.Take(12).Select((t, i) => new Tray(
            fields.Name($"trays[{i}].name", t.Name, "the tray"),
            fields.Quantity($"trays[{i}].holds", t.Holds, Dimension.Volume, 1, 2000)))];
        foreach (var (same, i) in trays.Select((t, i) => (t, i)).Where(x => trays.Take(x.i).Any(t =>
            t.Name.Equals(x.t.Name, StringComparison.OrdinalIgnoreCase))))
        {
            fields.Checks.Add($"trays[{i}].name", $"There is a “{same.Name}” already.", "Give each tray a name of its own.");
        }

        return fields.Checks.Sound ? Worked.Of(new WormBin(name, r.InPlace, worms, trays), "", Evidence.MeasuredHere)
            : fields.Checks.Refusal;
    }
}
