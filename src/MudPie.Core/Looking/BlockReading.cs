using MudPie.Core.Workings;

namespace MudPie.Core.Looking;

/// <summary>A spade block: structure by layer, colour, spots, threads, smell.</summary>
public static class BlockReading
{
    /// <summary>Structure: good under, wants help from.</summary>
    public const double Good = 3, Poor = 4;

    /// <summary>The score of a block: layers weighted by their thickness.</summary>
    /// <param name="layers">Where each ends, cm, and its score, 1 to 5, from the top.</param>
    /// <remarks>To 7 cm 1, to 17 cm 2, to 23 cm 4, to 30 cm 3: (7 × 1 + 10 × 2 + 6 × 4 + 7 × 3) ÷ 30 = 2.4.</remarks>
    public static double Score(IReadOnlyList<(double ToCm, double Score)> layers)
    {
        var (from, sum) = (0.0, 0.0);
        foreach (var (to, score) in layers)
        {
            sum += (to - from) * score;
            from = to;
        }

        return sum / from;
    }

    internal static Worked<CheckAnswer>? Of(CheckAsked r, Checks checks)
    {
        if (r.Layers is not { Count: > 0 and <= 8 } layers)
        {
            checks.Add("layers", "No layer was seen.", "Take hold of the line between two layers; one is enough.");
            return null;
        }

        var before = 0.0;
        for (var i = 0; i < layers.Count; i++)
        {
            var to = checks.Range($"layers[{i}].toCm", layers[i].ToCm, 1, 100, "cm");
            checks.Range($"layers[{i}].score", layers[i].Score, 1, 5, "");
            if (checks.Sound && to <= before)
            {
                checks.Add($"layers[{i}].toCm", "It ends above the one over it.", "Give layers from the top down.");
            }

            if (layers[i].Colour is { Length: > 60 } || layers[i].Says is { Length: > 120 })
            {
                checks.Add($"layers[{i}].says", "That is too long.", "A few words.");
            }

            before = to;
        }

        if (!checks.Sound)
        {
            return null;
        }

        var score = Score([.. layers.Select(l => (l.ToCm!.Value, l.Score!.Value))]);
        var life = score < Good ? Life.Living : score < Poor ? Life.Middling : Life.Poor;
        var sour = layers.Any(l => l.Smell is GroundSmell.Sour or GroundSmell.RottenEgg);
        var says = sour ? "Sour or rotten: no air. Drain it, stop driving on it." : layers.Any(l => l.Mottled)
            ? "Rust or grey spots: water stands there for part of the year." : life == Life.Poor
                ? "It wants help: look where roots stop." : null;
        return CheckReading.Answer(new CheckAnswer(CheckKind.Block, score, null, null, "of 5", $"structure {Say.Number(score, 2)} of 5",
            life == Life.Living ? "good" : life == Life.Middling ? "middling" : "wants help", sour ? Tone.Stop : CheckReading.ToneOf(life),
            life, says), new("structure", "Σ thickness × score ÷ depth", string.Join(" + ", Lines(layers)), Say.Number(score),
                "visual scoring of a spade block, 1 friable to 5 compact, as published; under 3 good, 4 and over wants help"),
            Evidence.PublishedTrials);
    }

    private static IEnumerable<string> Lines(IReadOnlyList<LayerAsked> layers) => layers.Select((l, i) =>
        $"{Say.Number(l.ToCm!.Value - (i == 0 ? 0 : layers[i - 1].ToCm!.Value))} cm × {Say.Number(l.Score!.Value)}");
}

/// <summary>How moist the ground is, and how much water it holds.</summary>
public static class MoistureReading
{
    /// <summary>Water that a texture holds for plants, mm a cm. Usual figures of irrigation tables.</summary>
    /// <remarks>Sand 0.8, sandy loam 1.2, loam 1.8, clay loam 1.7, clay 1.5.</remarks>
    public static double HoldsMmPerCm(Texture? texture) => texture switch {
        Texture.Sand => 0.8,
        Texture.SandyLoam => 1.2,
        Texture.Loam => 1.8,
        Texture.ClayLoam => 1.7,
        Texture.Clay => 1.5,
        _ => 1.5,
    };

    /// <summary>Share of that by feel: the middles of quarters.</summary>
    private static readonly double[] ByFeel = [0.125, 0.375, 0.625, 0.875];

    /// <summary>Weight of a litre of dry ground, kg, where water is weighed.</summary>
    private const double KgPerL = 1.3;

    internal static Worked<CheckAnswer>? Of(CheckAsked r, Checks checks)
    {
        if (r.Moist is not { Count: > 0 and <= 20 } depths)
        {
            checks.Add("moist", "No depth was felt.", "Each 10 or 20 cm, by feel in four steps or by weight.");
            return null;
        }

        var (before, mm) = (0.0, 0.0);
        for (var i = 0; i < depths.Count; i++)
        {
            var d = depths[i];
            var to = checks.Range($"moist[{i}].toCm", d.ToCm, 1, 200, "cm");
            if (d.WetG is not null || d.DryG is not null)
            {
                var (wet, dry) = (checks.Range($"moist[{i}].wetG", d.WetG, 1, 10_000, "g"), checks.Range($"moist[{i}].dryG", d.DryG, 1,
                    10_000, "g"));
                if (checks.Sound && wet < dry)
                {
                    checks.Add($"moist[{i}].wetG", "It is lighter wet than dry.", "Look whether the two weights are swapped.");
                }

                mm += (wet - dry) / Math.Max(dry, 1) * KgPerL * (to - before) * 10;
            }
            else if (d.Feel is >= 1 and <= 4)
            {
                mm += ByFeel[d.Feel.Value - 1] * HoldsMmPerCm(null) * (to - before);
            }
            else
            {
                checks.Add($"moist[{i}].feel", "It was neither felt nor weighed.", "1 powdery, 2 barely holds, 3 a firm ball, 4 wets the "
                    + "hand; or wet and dry grams.");
            }

            if (checks.Sound && to <= before)
            {
                checks.Add($"moist[{i}].toCm", "It ends above the one over it.", "Give depths from the top down.");
            }

            before = to;
        }

        return !checks.Sound ? null : CheckReading.Answer(new CheckAnswer(CheckKind.Moisture, mm, null, null, "mm",
            $"{Say.Number(mm, 2)} mm in {Say.Number(before)} cm", "moist", Tone.Go, null, null),
            new("water held", "by feel: quarter × 1.5 mm a cm; by weight: water ÷ dry × 1.3 kg a litre", $"{depths.Count} depths",
                $"{Say.Number(mm)} mm", "irrigation tables; sand holds less, loam more"));
    }
}
