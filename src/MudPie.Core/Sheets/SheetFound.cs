using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>A figure of a sheet against its band, as found.</summary>
/// <param name="Line">As the sheet has it.</param>
/// <param name="Low">mg/kg, of sap mg/L; null where there is no band.</param>
/// <param name="High">The same.</param>
public sealed record SheetFigure(SheetLine Line, double? Low, double? High);

/// <summary>A sheet as found: nothing is worked out to put on.</summary>
/// <param name="Read">The sheet.</param>
/// <param name="Figures">Its nutrients against their bands.</param>
public sealed record SheetFound(SheetRead Read, IReadOnlyList<SheetFigure> Figures)
{
    /// <summary>Nutrients below their low end.</summary>
    public IReadOnlyList<string> Short => [.. Figures.Where(f => f.Low is { } low && f.Line.MgPerKg < low).Select(f => f.Line.Of.Name)
        .Distinct()];

    /// <summary>That in words: "short of potassium and boron", "nothing short", "no figure has a band".</summary>
    public string Says => Short.Count > 0 ? $"short of {Say.List(Short)}" : Figures.Any(f => f.Low is not null) ? "nothing short"
        : "no figure has a band";
}
