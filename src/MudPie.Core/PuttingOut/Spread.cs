using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>A bed that gets some.</summary>
public sealed record BedToCover(string Name, double AreaM2);

/// <summary>What one bed gets.</summary>
/// <param name="Name">The bed.</param>
/// <param name="AreaM2">m².</param>
/// <param name="TeaL">Litres of undiluted brew.</param>
/// <param name="WaterL">Litres of water with it.</param>
/// <param name="TotalL">Litres in all.</param>
public sealed record BedShare(string Name, double AreaM2, double TeaL, double WaterL, double TotalL);

/// <summary>A brew shared out over beds.</summary>
/// <param name="Dilution">Both ways, in words.</param>
/// <param name="OneIn">One in how many.</param>
/// <param name="TeaL">Brew used, L.</param>
/// <param name="WaterL">Water for diluting, L.</param>
/// <param name="TeaPer100M2">Litres of undiluted brew per 100 m²: what counts, whatever the dilution.</param>
/// <param name="DepthMm">How deep the mix would stand, mm (1 L on 1 m² is 1 mm).</param>
/// <param name="Loads">Fills of the sprayer or can, whole and part.</param>
/// <param name="LastLoadL">Litres in the last fill.</param>
/// <param name="Beds">Each bed.</param>
public sealed record SpreadAnswer(
    string Dilution, double OneIn, double TeaL, double WaterL, double TeaPer100M2, double DepthMm, int Loads, double LastLoadL, IReadOnlyList<BedShare> Beds);

/// <summary>Shares a finished brew over the ground it is for.</summary>
public static class Spread
{
    /// <summary>Each bed by its area; the water follows from the dilution.</summary>
    /// <param name="brewL">Strained brew to use, 0.1 to 5000 L.</param>
    /// <param name="dilution">As <see cref="Dilutions.Read"/>.</param>
    /// <param name="beds">At least one bed, each 0.1 to 1,000,000 m².</param>
    /// <param name="tankL">What the sprayer or can holds, 0.5 to 5000 L.</param>
    /// <param name="leaf">True for leaves, false for roots.</param>
    /// <remarks>12 L at 1:5 over beds of 100 and 200 m²: 4 and 8 L of tea with 20 and 40 L of water, 4 L per 100 m².</remarks>
    public static Ruling<SpreadAnswer> Of(double? brewL, string? dilution, IReadOnlyList<BedToCover> beds, double? tankL, bool leaf)
    {
        var checks = new Checks();
        var brew = checks.Range("brewL", brewL, 0.1, 5000, "L");
        var tank = checks.Range("tankL", tankL, 0.5, 5000, "L", "How much does the sprayer or can hold?");
        var read = Dilutions.Read(dilution);
        if (read.Refused is { } refused)
        {
            checks.Add("dilution", refused.Problems[0].Wrong, refused.Problems[0].WayOut);
        }

        if (beds.Count == 0)
        {
            checks.Add("beds", "No bed was chosen.", "Choose at least one bed for it to go on.");
        }

        for (var i = 0; i < beds.Count; i++)
        {
            checks.Range($"beds[{i}].areaM2", beds[i].AreaM2, 0.1, 1_000_000, "m²");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var oneIn = read.Value.OneIn;
        var area = beds.Sum(b => b.AreaM2);
        var total = brew * oneIn;
        var shares = beds.Select(b => new BedShare(b.Name, b.AreaM2, brew * b.AreaM2 / area, (total - brew) * b.AreaM2 / area, total * b.AreaM2 / area)).ToList();
        var loads = (int)Math.Ceiling((total / tank) - 1e-9);
        var answer = new SpreadAnswer(read.Value.BothWays, oneIn, brew, total - brew, brew / area * 100, total / area, loads, total - ((loads - 1) * tank), shares);
        return Worked.Of(answer, "L", Evidence.PractitionersRule, Lines(answer, area, tank), Warnings(answer, leaf, read.Worked.Cautions), [DilutionFork(brew, oneIn)]);
    }

    private static IEnumerable<WorkingLine> Lines(SpreadAnswer a, double area, double tank) =>
    [
        new("mixed liquid", "brew × one in", $"{Say.Number(a.TeaL)} L × {Say.Number(a.OneIn, 4)}", $"{Say.Number(a.TeaL + a.WaterL)} L", a.Dilution),
        new("brew on the ground", "brew ÷ area × 100", $"{Say.Number(a.TeaL)} L ÷ {Say.Number(area)} m² × 100", $"{Say.Number(a.TeaPer100M2)} L per 100 m²", "biology per area is what counts"),
        new("depth", "mixed litres ÷ m²", $"{Say.Number(a.TeaL + a.WaterL)} L ÷ {Say.Number(area)} m²", $"{Say.Number(a.DepthMm)} mm", "1 L on 1 m² is 1 mm"),
        new("fills", "mixed litres ÷ tank, rounded up", $"{Say.Number(a.TeaL + a.WaterL)} L ÷ {Say.Number(tank)} L", $"{a.Loads}, the last {Say.Number(a.LastLoadL)} L", "definition"),
    ];

    private static IEnumerable<Caution> Warnings(SpreadAnswer a, bool leaf, IReadOnlyList<Caution> more)
    {
        foreach (var caution in more)
        {
            yield return caution;
        }

        yield return Cautions.Spraying;
        yield return Cautions.Food;
        yield return Cautions.RunOff;
        if (a.WaterL > 0)
        {
            yield return new Caution("dilution-water", "The water for diluting is cleared of chlorine like any other: read its strip at zero.", Cautions.Usual);
        }

        if (a.DepthMm > 5)
        {
            yield return new Caution("too-wet", $"That is {Say.Number(a.DepthMm)} mm of water on the ground, as much as an irrigation: thin it less or cover more ground.", Cautions.Usual);
        }

        if (leaf && a.OneIn > 6)
        {
            yield return new Caution("thin-film", "On leaves the film wants 1:5 or stronger; this is thinner.", Cautions.Usual);
        }
    }

    private static Fork DilutionFork(double brew, double oneIn)
    {
        string Gives(double times) => $"{Say.Number(brew * times)} L in all";
        var chosen = oneIn <= 1.001 ? "neat" : oneIn <= 2.001 ? "even" : oneIn <= 6.001 ? "five" : oneIn <= 21.001 ? "twenty" : "fifty";
        return new Fork(
            "dilution",
            "How far is it thinned?",
            [
                new("neat", "neat", Gives(1)), new("even", "1:1, for a sick plant's roots", Gives(2)), new("five", "1:5, on leaves", Gives(6)),
                new("twenty", "up to 1:20", Gives(21)), new("fifty", "1:50, by the hectare", Gives(51)),
            ],
            "five",
            chosen,
            "The dilution decides how it spreads, and the litres of brew per 100 m² decide what arrives. By purpose, then.",
            Evidence.PractitionersRule,
            "How much water has to be cleared and carried.");
    }
}
