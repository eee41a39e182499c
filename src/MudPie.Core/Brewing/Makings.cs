using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>A way of making, with its own steps, gate, hold and best use.</summary>
/// <param name="Id">Which it is.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Line">What is done.</param>
/// <param name="BestUse">What it is best for.</param>
/// <param name="Hold">How long it may stand.</param>
/// <param name="Gate">What it must pass.</param>
/// <param name="IsFed">Foods go in.</param>
/// <param name="IsLive">A live brew; false for a feed.</param>
public sealed record WayOfMaking(Making Id, string Name, string Line, string BestUse, string Hold, string Gate, bool IsFed, bool IsLive);

/// <summary>The makings that Mud Pie knows.</summary>
public static class Makings
{
    /// <summary>All of them, the safest first.</summary>
    public static readonly IReadOnlyList<WayOfMaking> All =
    [
        new(Making.Extract, "extract, dunked", "compost in a mesh bag, dunked and squeezed in clean water, a fresh load for more strength",
            "roots: it soaks in as deep as the water goes", "the same day, 24 h from making at the most",
            "strip at zero; source fit; used the same day", false, true),
        new(Making.Bubbled, "extract, bubbled", "compost in a bag, bubbled 3 to 4 h with no food",
            "roots, and where there is no time to dunk", "24 h from making, and by its own oxygen once the air is off",
            "strip at zero; source fit; oxygen 6 or more; used the same day", false, true),
        new(Making.Tea, "tea, fed", "the same, then fed and kept on air 12 to 36 h so that what came off multiplies",
            "leaves: grown cells are sticky and make a film", "by its own oxygen, 8 h at the most",
            "strip at zero; source fit; oxygen 6 or more throughout; smell; foam; under 36 h", true, true),
        new(Making.Steep, "castings, steeped", "castings stood in water for days with little air or none, often sweetened",
            "a thinned feed on soil, well away from anything eaten raw",
            "a week to a month in one school; the house calls it a feed from the start",
            "none that would make it a live brew: it has gone without air", true, false),
    ];

    /// <summary>What a making is.</summary>
    public static WayOfMaking Of(Making making) => All.First(m => m.Id == making);
}

/// <summary>One load of source that was dunked.</summary>
public sealed record ExtractLoad
{
    /// <summary>Litres of source in the bag, 0.05 to 100.</summary>
    public double? Litres { get; init; }

    /// <summary>Seconds it was dunked and squeezed, 5 to 1800.</summary>
    public double? Seconds { get; init; }
}

/// <summary>How strong an extract is.</summary>
/// <param name="LitresPer100L">Litres of compost washed out, per 100 L of water.</param>
/// <param name="OrganismsPerMl">Where the source was counted, bacteria per mL; else null.</param>
/// <param name="Washed">Share of each load that came off, 0 to 1.</param>
/// <param name="NextLoadAdds">What one more load like the last would add, L per 100 L.</param>
/// <param name="Mesh">What the mesh does, in words.</param>
public sealed record ExtractAnswer(double LitresPer100L, double? OrganismsPerMl, IReadOnlyList<double> Washed, double NextLoadAdds,
    string Mesh);

/// <summary>Extract by dunking.</summary>
public static class ExtractStrength
{
    // 90 s gives 0.8 of what comes off.
    private static readonly double RatePerS = Math.Log(5) / 90;

    /// <summary>strength = Σ litres × (1 − e^(−k·seconds)) ÷ volume, k so that 90 s gives 0.8.</summary>
    /// <param name="loads">One to twenty loads.</param>
    /// <param name="volumeL">Water, 1 to 5000 L.</param>
    /// <param name="meshMicrons">Mesh of the bag, 50 to 2000 µm; null where not known.</param>
    /// <param name="countPerG">Bacteria per gram of source by microscope or lab; null where not counted.</param>
    /// <param name="kgPerL">Bulk density of the source.</param>
    /// <remarks>Two loads of 1 L, 90 s each, in 20 L: 8 L per 100 L. Practitioners' rule.</remarks>
    public static Ruling<ExtractAnswer> Of(IReadOnlyList<ExtractLoad> loads, double? volumeL, double? meshMicrons = null,
        double? countPerG = null, double kgPerL = 0.5)
    {
        var checks = new Checks();
        var volume = checks.Range("volumeL", volumeL, 1, 5000, "L");
        var mesh = meshMicrons is null ? 300 : checks.Range("meshMicrons", meshMicrons, 50, 2000, "µm");
        var count = countPerG is null ? (double?)null : checks.Range("countPerG", countPerG, 0, 1e12, "per g");
        if (loads.Count is 0 or > 20)
        {
            checks.Add("loads", loads.Count == 0 ? "No load was given." : "That is more than twenty loads.",
                "Give one to twenty loads, each with its litres and seconds.");
        }

        var read = loads.Take(20).Select((l, i) => (
            Litres: checks.Range($"loads[{i}].litres", l.Litres, 0.05, Math.Max(volume, 1) / 2, "L"),
            Seconds: checks.Range($"loads[{i}].seconds", l.Seconds, 5, 1800, "s",
                "One to two minutes is usual; longer breaks more than it frees."))).ToList();
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var washed = read.Select(l => 1 - Math.Exp(-RatePerS * l.Seconds)).ToList();
        var litres = read.Zip(washed, (l, w) => l.Litres * w).Sum();
        var per100 = litres / volume * 100;
        var perMl = count * kgPerL * 1000 * litres / (volume * 1000);
        var answer = new ExtractAnswer(per100, perMl, washed, read[^1].Litres * washed[^1] / volume * 100, meshMicrons is null
            ? "Mesh not known; 200 to 400 µm is usual." : MeshSays(mesh));
        return Worked.Of(
            answer,
            "L per 100 L",
            count is null ? Evidence.PractitionersRule : Evidence.MeasuredHere,
            [
                .. read.Zip(washed, (l, w) => new WorkingLine("a load", "litres × (1 − e^(−k · seconds))",
                    $"{Say.Number(l.Litres)} L × (1 − e^(−{Say.Number(RatePerS)} · {Say.Number(l.Seconds)} s))",
                    $"{Say.Number(l.Litres * w)} L washed out", "k so that 90 s gives 0.8: practitioners' rule")),
                new("strength", "washed out ÷ water", $"{Say.Number(litres)} L ÷ {Say.Number(volume)} L",
                    $"{Say.Number(per100)} L of compost per 100 L", "sum of the loads"),
                .. perMl is { } n
                    ? [new WorkingLine("organisms", "count × density × washed out ÷ water",
                        $"{Say.Number(count!.Value)} per g × {Say.Number(kgPerL)} kg/L", $"{Say.Number(n)} per mL", "your own count")]
                        : Array.Empty<WorkingLine>(),
            ],
            [Cautions.Dust]);
    }

    /// <summary>What a mesh lets through, in words: about 200 µm passes bacteria, protozoa and most nematodes; long threads want
    /// 400.</summary>
    public static string MeshSays(double microns) => microns switch {
        < 150 => $"{Say.Number(microns)} µm keeps back much of what you want: take 200 to 400 µm.",
        < 350 => $"{Say.Number(microns)} µm passes bacteria, protozoa and most nematodes; long threads of fungi want 400 µm.",
        <= 500 => $"{Say.Number(microns)} µm passes threads of fungi as well.",
        _ => $"{Say.Number(microns)} µm lets bits through that block a nozzle: strain again before spraying.",
    };
}
