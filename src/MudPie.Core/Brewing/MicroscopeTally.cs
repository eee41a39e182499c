using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>A thread seen in a field.</summary>
public sealed record HyphaSeen
{
    /// <summary>Length, 1 to 5000 µm.</summary>
    public double? LengthUm { get; init; }

    /// <summary>Width, 0.5 to 30 µm.</summary>
    public double? WidthUm { get; init; }
}

/// <summary>One field as it was tallied.</summary>
public sealed record TallyField
{
    /// <summary>Bacteria in the part of the field that is counted.</summary>
    public double Bacteria { get; init; }

    /// <summary>Threads of fungi.</summary>
    public IReadOnlyList<HyphaSeen> Hyphae { get; init; } = [];

    public double Flagellates { get; init; }

    public double Amoebae { get; init; }

    public double Ciliates { get; init; }

    /// <summary>Nematodes by feeding kind.</summary>
    public double NematodesBacterial { get; init; }

    public double NematodesFungal { get; init; }

    public double NematodesPredatory { get; init; }

    public double NematodesRoot { get; init; }
}

/// <summary>A whole tally.</summary>
public sealed record TallyQuestion : MicroscopeQuestion
{
    /// <summary>Fields, 1 to 400.</summary>
    public IReadOnlyList<TallyField>? Fields { get; init; }

    /// <summary>Share of the field in which bacteria are counted, 0.001 to 1; 1 when not given.</summary>
    public double? BacteriaShare { get; init; }

    /// <summary>Mean volume of a bacterium, 0.05 to 5 µm³; 0.3 when not sized.</summary>
    public double? BacteriumUm3 { get; init; }
}

/// <summary>One group of organisms.</summary>
public sealed record TallyGroup(string Id, string Name, double Counted, double PerMl, double Low95, double High95, int? MoreFieldsToHalve,
    double? WithFive, bool Clumped);

/// <summary>What a tally comes to.</summary>
/// <param name="Groups">Each group, per mL.</param>
/// <param name="HyphaeMPerMl">Metres of thread per mL.</param>
/// <param name="BacteriaUgPerMl">Dry mass of bacteria, µg per mL.</param>
/// <param name="FungiUgPerMl">Dry mass of fungi, µg per mL.</param>
/// <param name="FungalToBacterial">Ratio of the two; null where no bacteria were seen.</param>
/// <param name="RatioLow95">Lower end.</param>
/// <param name="RatioHigh95">Upper end.</param>
/// <param name="Fields">Fields tallied.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record TallyAnswer(
    IReadOnlyList<TallyGroup> Groups, double HyphaeMPerMl, double BacteriaUgPerMl, double FungiUgPerMl, double? FungalToBacterial,
    double? RatioLow95, double? RatioHigh95, int Fields, string Sentence);

/// <summary>A tally under the microscope: numbers, mass, and the ratio of fungi to bacteria.</summary>
public static class MicroscopeTally
{
    private static readonly (string Id, string Name, Func<TallyField, double> Of)[] Kinds =
    [
        ("flagellates", "flagellates", f => f.Flagellates), ("amoebae", "amoebae", f => f.Amoebae),
        ("ciliates", "ciliates", f => f.Ciliates),
        ("nematodesBacterial", "nematodes on bacteria", f => f.NematodesBacterial),
        ("nematodesFungal", "nematodes on fungi", f => f.NematodesFungal),
        ("nematodesPredatory", "nematodes that hunt", f => f.NematodesPredatory),
        ("nematodesRoot", "nematodes on roots", f => f.NematodesRoot),
    ];

    /// <summary>Works a tally out. Worked: 40 bacteria a field in a tenth of it at 0.3 µm³ are 400 a field; a thread of 100 µm by 3 µm a
    /// field is 707 µm³ against their 120: F:B 5.9.</summary>
    public static Ruling<TallyAnswer> Of(TallyQuestion q)
    {
        var checks = new Checks();
        var perField = Microscope.PerField(q, checks);
        var share = checks.Range("bacteriaShare", q.BacteriaShare ?? 1, 0.001, 1, "");
        var volume = checks.Range("bacteriumUm3", q.BacteriumUm3 ?? 0.3, 0.05, 5, "µm³");
        var fields = q.Fields ?? [];
        CheckFields(fields, checks);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        TallyGroup Group(string id, string name, IReadOnlyList<double> counts, double times)
        {
            var (mean, half, low, high, clumped) = Microscope.Interval(counts);
            return new(id, name, counts.Sum(), mean * times, low * times, high * times, Microscope.More(counts, half),
                Microscope.HalfWidth(counts, 5) * times, clumped);
        }

        List<double> bacteria = [.. fields.Select(f => f.Bacteria)];
        List<double> threads = [.. fields.Select(f => (double)f.Hyphae.Count)];
        List<double> cubic =
            [.. fields.Select(f => f.Hyphae.Sum(h => h.LengthUm!.Value * Math.PI / 4 * h.WidthUm!.Value * h.WidthUm.Value))];
        var groups = new List<TallyGroup> { Group("bacteria", "bacteria", bacteria, perField / share),
            Group("hyphae", "threads of fungi", threads, perField) };
        groups.AddRange(Kinds.Select(k => Group(k.Id, k.Name, [.. fields.Select(k.Of)], perField)).Where(g => g.Counted > 0));
        var metres = fields.Average(f => f.Hyphae.Sum(h => h.LengthUm!.Value)) * perField * 1e-6;
        var (bMass, fMass) = (groups[0].PerMl * volume * Microscope.MicrogramsPerCubicMicron, cubic.Average() * perField
            * Microscope.MicrogramsPerCubicMicron);
        var ratio = bMass > 0 ? fMass / bMass : (double?)null;
        // Relative variances of two means, on the logarithm; a thread's size varies too, and its fields' own spread holds that.
        double Relative(IReadOnlyList<double> c, double least) =>
            c.Average() > 0 ? Math.Max(least, Microscope.Variance(c) / c.Count / Math.Pow(c.Average(), 2)) : 0;
        var se = ratio > 0 ? Math.Sqrt(Relative(bacteria, 1 / bacteria.Sum()) + Relative(cubic, 1 / Math.Max(threads.Sum(), 1))) : 0;
        var (low, high) = ratio > 0 ? (ratio.Value * Math.Exp(-1.96 * se), ratio.Value * Math.Exp(1.96 * se))
            : ((double?)null, (double?)null);
        return Worked.Of(
            new TallyAnswer(groups, metres, bMass, fMass, ratio, low, high, fields.Count, SayIt(ratio, low, high, fields.Count)),
            "per mL",
            Evidence.MeasuredHere,
            [
                Microscope.FieldLine(q),
                .. groups.Select(g => new WorkingLine(g.Name, "mean per field × (cover slip ÷ field) × dilution ÷ drop",
                    $"{Say.Number(g.Counted)} in {fields.Count} "
                        + $"fields{(g.Id == "bacteria" && share < 1 ? $", counted in {Say.Number(share * 100)} % of each" : "")}",
                        $"{Say.Number(g.PerMl)} per mL, {Say.Number(g.Low95)} to {Say.Number(g.High95)}",
                        "Garwood 1936, or the fields' own spread where it is wider")),
                new("bacteria, dry", "per mL × µm³ × 0.23 g per cm³", $"{Say.Number(groups[0].PerMl)} × {Say.Number(volume)} µm³",
                    $"{Say.Number(bMass)} µg per mL", "wet density 1.1, about 21 % dry"),
                new("fungi, dry", "length × π ÷ 4 · width² × 0.23 g per cm³", $"{Say.Number(metres)} m of thread per mL",
                    $"{Say.Number(fMass)} µg per mL", "the same density, so that the ratio hangs on sizes and counts only"),
                .. ratio is { } r
                    ? [new WorkingLine("fungi to bacteria", "dry mass ÷ dry mass", $"{Say.Number(fMass)} ÷ {Say.Number(bMass)}",
                        Say.Number(r), "± 1.96 · √(relative variances) on the logarithm")] : Array.Empty<WorkingLine>(),
            ]);
    }

    private static void CheckFields(IReadOnlyList<TallyField> fields, Checks checks)
    {
        if (fields.Count is 0 or > 400)
        {
            checks.Add("fields", fields.Count == 0 ? "No field was counted." : "That is more than 400 fields.",
                "Tally one field at least; twenty are usual.");
        }

        for (var i = 0; i < Math.Min(fields.Count, 400); i++)
        {
            checks.Range($"fields[{i}].bacteria", fields[i].Bacteria, 0, 100_000, "");
            foreach (var (id, _, of) in Kinds)
            {
                checks.Range($"fields[{i}].{id}", of(fields[i]), 0, 100_000, "");
            }

            for (var h = 0; h < fields[i].Hyphae.Count; h++)
            {
                checks.Range($"fields[{i}].hyphae[{h}].lengthUm", fields[i].Hyphae[h].LengthUm, 1, 5000, "µm");
                checks.Range($"fields[{i}].hyphae[{h}].widthUm", fields[i].Hyphae[h].WidthUm, 0.5, 30, "µm",
                    "Threads thinner than 1.5 µm are as a rule no fungi.");
            }
        }
    }

    private static string SayIt(double? ratio, double? low, double? high, int fields)
    {
        var few = fields < 10 ? $" Only {Say.Count(fields, "field")}: twenty are usual." : "";
        return (ratio switch {
            null => "No bacteria were seen: no ratio.",
            0 => "No threads were seen: bacterial, as far as these fields tell.",
            { } r => $"F:B {Say.Number(r, 2)}, {Say.Number(low!.Value, 2)} to {Say.Number(high!.Value, 2)}: "
                + $"{SourceGate.BiasByCount(low) switch { { } l when l == SourceGate.BiasByCount(high) => l.Word(),
                    _ => $"{SourceGate.BiasByCount(r)!.Value.Word()} by its middle, but not settled"
                }}.",
        }) + few;
    }
}
