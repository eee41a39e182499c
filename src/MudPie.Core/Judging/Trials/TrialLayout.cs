using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>A piece of ground, bench or field that plots are laid on.</summary>
/// <param name="Name">As on the ground plan.</param>
/// <param name="LengthM">Along which plots follow each other, 0.2 to 2,000 m.</param>
/// <param name="WidthM">Across, 0.2 to 500 m.</param>
public sealed record LayoutPlace(string Name, double LengthM, double WidthM);

/// <summary>A layout to be drawn by lot.</summary>
public sealed record LayoutQuestion
{
    /// <summary>"pots" (a grid on a bench), "beds" (plots one after another along each bed) or "strips" (side by side across a
    /// field).</summary>
    public TrialKind Kind { get; init; } = TrialKind.Beds;

    /// <summary>"random", "blocks", "split-plot" or "pair".</summary>
    public Design Design { get; init; } = Design.Blocks;

    /// <summary>Treatments, 2 to 200. In a split plot: within whole plots.</summary>
    public IReadOnlyList<string> Treatments { get; init; } = [];

    /// <summary>In a split plot: what lies on whole plots, 2 to 8.</summary>
    public IReadOnlyList<string> WholePlots { get; init; } = [];

    /// <summary>Plots of each treatment; in blocks, how many blocks. 1 to 40.</summary>
    public int Replicates { get; init; } = 4;

    /// <summary>Where: 1 to 40 places. Blocks are dealt out over them in order.</summary>
    public IReadOnlyList<LayoutPlace> Places { get; init; } = [];

    /// <summary>The seed of the draw; the same seed and question give the same layout.</summary>
    public int Seed { get; init; }
}

/// <summary>One plot as laid.</summary>
/// <param name="Number">In walking order, from 1.</param>
/// <param name="Code">What stands on its label while it is measured blind.</param>
/// <param name="Treatment">Index into the treatments.</param>
/// <param name="WholePlot">Index into what lies on whole plots; null without.</param>
/// <param name="Block">From 1; null where there are none.</param>
/// <param name="Place">Index into the places.</param>
/// <param name="X">Along the place, m, of its near left corner.</param>
/// <param name="Y">Across the place, m.</param>
/// <param name="Length">Along, m.</param>
/// <param name="Width">Across, m.</param>
public sealed record LaidPlot(int Number, string Code, int Treatment, int? WholePlot, int? Block, int Place, double X, double Y,
    double Length, double Width);

/// <summary>A layout.</summary>
public sealed record LayoutAnswer(IReadOnlyList<LaidPlot> Plots, int Seed, string Sentence);

/// <summary>Draws a layout by lot, with its seed kept.</summary>
public static class TrialLayout
{
    private const string Letters = "ACEFHJKLMNPRTUVWXY"; // none that looks like another, or like a figure
    private const string Figures = "34679";

    /// <summary>Draws it; the same seed and question give the same layout. Worked: 3 treatments in 5 blocks on 5 beds of 30 m: 15 plots of
    /// 10 m, each treatment once in every bed.</summary>
    public static Ruling<LayoutAnswer> Of(LayoutQuestion q)
    {
        if (Refuse(q) is { } refusal)
        {
            return refusal;
        }

        var random = new SeededRandom((ulong)q.Seed);
        var sequence = Sequence(q, random);
        var codes = Codes(sequence.Sum(b => b.Count), random);
        var plots = q.Kind switch { TrialKind.Pots => Grid(q, sequence), _ => Along(q, sequence) };
        var walked = plots.OrderBy(p => p.Place).ThenBy(p => q.Kind == TrialKind.Pots ? p.Y : 0)
            .ThenBy(p => q.Kind == TrialKind.Pots && (int)Math.Round(p.Y / p.Width) % 2 == 1 ? -p.X : p.X).ThenBy(p => p.Y)
            .Select((p, i) => p with { Number = i + 1, Code = codes[i] }).ToList();
        var how = q.Design switch {
            Design.Random => "drawn by lot over the whole",
            Design.Pair => "side by side, the order drawn by lot",
            Design.SplitPlot => "whole plots drawn by lot in each block, parts drawn by lot in each whole plot",
            _ => "drawn by lot within each block",
        };
        return Worked.Of(
            new LayoutAnswer(walked, q.Seed, $"{walked.Count} plots, {how}."),
            "plots",
            Evidence.ChemistryOrPhysics,
            [new("layout", "each order is as likely as any other", $"seed {q.Seed}", how, "Fisher 1926; shuffled by Durstenfeld 1964")]);
    }

    private static Refusal? Refuse(LayoutQuestion q)
    {
        var checks = new Checks();
        if (q.Design is not (Design.Random or Design.Blocks or Design.SplitPlot or Design.Pair))
        {
            checks.Add("design", $"{q.Design.Word()} is no layout.", "Choose random, blocks, split-plot or pair.");
        }

        if (q.Treatments.Count is < 2 or > 200)
        {
            checks.Add("treatments", q.Treatments.Count < 2 ? "There is nothing to compare." : "That is more than two hundred.",
                "Give 2 to 200 treatments, a control among them.");
        }

        if (q.Design == Design.SplitPlot && q.WholePlots.Count is < 2 or > 8)
        {
            checks.Add("wholePlots", "A split plot needs 2 to 8 levels on whole plots.", "Name them, or choose blocks.");
        }

        checks.Range("replicates", q.Replicates, 1, 40, "plots of each");
        if ((long)q.Treatments.Count * Math.Max(q.WholePlots.Count, 1) * q.Replicates > 1200)
        {
            checks.Add("replicates", $"That is {(long)q.Treatments.Count * Math.Max(q.WholePlots.Count, 1) * q.Replicates} plots.",
                "More than 1,200 plots are more than codes can tell apart, and than anybody walks: fewer of each, or fewer treatments.");
        }

        if (q.Places.Count is 0 or > 40)
        {
            checks.Add("places", q.Places.Count == 0 ? "No ground was chosen." : "That is more than forty places.",
                "Choose the beds, the bench or the field that it lies on.");
        }

        for (var i = 0; i < Math.Min(q.Places.Count, 40); i++)
        {
            checks.Range($"places[{i}].lengthM", q.Places[i].LengthM, 0.2, 2000, "m");
            checks.Range($"places[{i}].widthM", q.Places[i].WidthM, 0.2, 500, "m");
        }

        return checks.Sound ? null : checks.Refusal;
    }

    /// <summary>Block by block, the (whole plot, treatment) of each plot in order.</summary>
    private static List<List<(int? Whole, int Treatment)>> Sequence(LayoutQuestion q, SeededRandom random)
    {
        var treatments = Enumerable.Range(0, q.Treatments.Count).ToArray();
        return q.Design switch {
            Design.Random =>
                [[.. random.Shuffled(Enumerable.Range(0, q.Replicates).SelectMany(_ => treatments)).Select(t => ((int?)null, t))]],
            Design.SplitPlot =>
                [.. Enumerable.Range(0, q.Replicates).Select(_ => random.Shuffled(Enumerable.Range(0, q.WholePlots.Count))
                    .SelectMany(w => random.Shuffled(treatments).Select(t => ((int?)w, t))).ToList())],
            _ => [.. Enumerable.Range(0, q.Replicates).Select(_ => random.Shuffled(treatments).Select(t => ((int?)null, t)).ToList())],
        };
    }

    private static List<string> Codes(int count, SeededRandom random)
    {
        var codes = new HashSet<string>();
        while (codes.Count < count)
        {
            codes.Add($"{Letters[random.Below(Letters.Length)]}{Figures[random.Below(Figures.Length)]}"
                + $"{Letters[random.Below(Letters.Length)]}");
        }

        return [.. codes];
    }

    /// <summary>Blocks dealt out over places; in each place plots follow one another (beds) or lie side by side (strips).</summary>
    private static List<LaidPlot> Along(LayoutQuestion q, List<List<(int? Whole, int Treatment)>> blocks)
    {
        var dealt = q.Design == Design.Random
            ? Deal(blocks[0].Select(p => (Block: (int?)null, Plot: p)).ToList(), q.Places.Count)
            : Deal(blocks.Select((b, i) => (Block: (int?)(i + 1), Plots: b)).ToList(), q.Places.Count)
                .Select(mine => mine.SelectMany(b => b.Plots.Select(p => (b.Block, Plot: p))).ToList()).ToList();
        return
        [
            .. dealt.SelectMany((mine, place) => mine.Select((p, i) =>
            {
                var (length, width) = (q.Places[place].LengthM, q.Places[place].WidthM);
                return q.Kind == TrialKind.Strips
                    ? new LaidPlot(0, "", p.Plot.Treatment, p.Plot.Whole, p.Block, place, 0, i * width / mine.Count, length,
                        width / mine.Count)
                    : new LaidPlot(0, "", p.Plot.Treatment, p.Plot.Whole, p.Block, place, i * length / mine.Count, 0,
                        length / mine.Count, width);
            })),
        ];
    }

    /// <summary>Pots in rows as long as the bench is to its width.</summary>
    private static List<LaidPlot> Grid(LayoutQuestion q, List<List<(int? Whole, int Treatment)>> blocks)
    {
        var all = blocks.SelectMany((b, i) => b.Select(p => (Block: q.Design == Design.Random ? null : (int?)(i + 1), Plot: p))).ToList();
        var (place, perRow) = (q.Places[0], q.Design == Design.Random ? 0 : blocks[0].Count);
        var columns = perRow > 0 && perRow <= 16
            ? perRow : Math.Clamp((int)Math.Ceiling(Math.Sqrt(all.Count * place.LengthM / place.WidthM)), 1, all.Count);
        var rows = (int)Math.Ceiling(all.Count / (double)columns);
        return [.. all.Select((p, i) => new LaidPlot(0, "", p.Plot.Treatment, p.Plot.Whole, p.Block, 0,
            i % columns * place.LengthM / columns, i / columns * (place.WidthM / rows), place.LengthM / columns, place.WidthM / rows))];
    }

    /// <summary>Deals items out in order, as evenly as they go.</summary>
    private static List<List<T>> Deal<T>(List<T> items, int hands) =>
        [.. Enumerable.Range(0, Math.Min(hands, items.Count)).Select(h => items.Skip(h * items.Count / Math.Min(hands, items.Count))
            .Take(((h + 1) * items.Count / Math.Min(hands, items.Count)) - (h * items.Count / Math.Min(hands, items.Count))).ToList())];
}
