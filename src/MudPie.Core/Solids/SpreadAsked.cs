namespace MudPie.Core.Solids;

/// <summary>A solid that is to be put out, as typed; kept whole with the entry of the book.</summary>
public sealed record SpreadAsked
{
    /// <summary>What it is of the shelf; null where it does not lie there.</summary>
    public int? InputId { get; init; }

    /// <summary>What it is called, where it does not lie on the shelf: "wood chip".</summary>
    public string? What { get; init; }

    /// <summary>What a litre of it weighs, kg, as typed; empty for the shelf's or the usual.</summary>
    public string? Density { get; init; }

    /// <summary>By what it is put out.</summary>
    public SpreadBy By { get; init; }

    /// <summary>How much: "3 L", "200 g", handfuls, or "5 cm" of a layer.</summary>
    public string? Amount { get; init; }

    /// <summary>What a handful of the grower's own holds; empty for 60 mL.</summary>
    public string? Handful { get; init; }

    /// <summary>Where it lies afterwards.</summary>
    public SpreadPlace Place { get; init; }

    /// <summary>Beds of the plan.</summary>
    public IReadOnlyList<int> BedIds { get; init; } = [];

    /// <summary>Plants on a bed, by number of bed.</summary>
    public IReadOnlyDictionary<string, string>? Plants { get; init; }

    /// <summary>What a barrow holds; empty for 80 L.</summary>
    public string? Barrow { get; init; }

    /// <summary>The tarp under one pass of a spreader: "4 m2"; empty where none is used.</summary>
    public string? Tarp { get; init; }

    /// <summary>What lay on the tarp after one pass: "6 L", "3 kg".</summary>
    public string? Caught { get; init; }

    /// <summary>What the spreader holds; empty where nobody knows.</summary>
    public string? Holds { get; init; }
}

/// <summary>What is put out.</summary>
/// <param name="Name">"leaf-mould compost".</param>
/// <param name="Kind">Its kind on the shelf; null where it does not lie there.</param>
/// <param name="KgPerL">As it lies; null where not known.</param>
/// <param name="Weighed">True where its lots are kept in kg: a bare figure is then a weight.</param>
/// <param name="Price">A litre, or a kilogram where it is weighed; null where not known.</param>
/// <param name="NShare">N by weight, as labelled; null where not known.</param>
public sealed record Solid(string Name, string? Kind, double? KgPerL, bool Weighed, double? Price, double? NShare);

/// <summary>A bed that it goes on.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="AreaM2">m².</param>
/// <param name="Eaten">True where what grows there is eaten.</param>
public sealed record SolidBed(int Id, string Name, double AreaM2, bool Eaten);

/// <summary>What one bed gets.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Litres">L.</param>
/// <param name="Kg">kg.</param>
/// <param name="Plants">Plants on it; null where it does not go by the plant.</param>
/// <param name="DepthMm">As an even layer over the bed, mm.</param>
public sealed record SpreadShare(int Id, string Name, double Litres, double Kg, double? Plants, double DepthMm);

/// <summary>A spreader over the ground, by what one pass left on a tarp.</summary>
/// <param name="PassLPerM2">What one pass lays, L/m².</param>
/// <param name="Passes">Whole passes, 1 or more.</param>
/// <param name="GivesShare">What those passes give, as a share of what is wanted; 1 is right.</param>
/// <param name="Fillings">How often it is filled; null where nobody knows what it holds.</param>
public sealed record SpreaderPasses(double PassLPerM2, int Passes, double GivesShare, double? Fillings);
