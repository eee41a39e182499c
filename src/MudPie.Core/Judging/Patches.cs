using MudPie.Core.Judging.Statistics;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging;

/// <summary>One square-metre patch with its readings, all at 20 °C.</summary>
public sealed record PatchRead
{
    /// <summary>What was put on it.</summary>
    public string Candidate { get; init; } = "";

    /// <summary>"water", "carrier" or "candidate".</summary>
    public PatchRole Role { get; init; } = PatchRole.Candidate;

    /// <summary>The carrier that the candidate is mixed into; null for water.</summary>
    public string? In { get; init; }

    /// <summary>Leaves before, °Bx, 1 to 30 of them.</summary>
    public IReadOnlyList<double> Before { get; init; } = [];

    /// <summary>Leaves 40 to 60 minutes after, °Bx.</summary>
    public IReadOnlyList<double> After { get; init; } = [];
}

/// <summary>What one candidate did beside water.</summary>
/// <param name="Candidate">Its name.</param>
/// <param name="Patches">How many patches it had.</param>
/// <param name="Change">Its own change, °Bx.</param>
/// <param name="Lift">Its change less that of water, °Bx.</param>
/// <param name="Lower">Lower end of the 95 % interval; null where there are too few leaves.</param>
/// <param name="Upper">Upper end.</param>
/// <param name="Word">"yes", "no", "nothing seen" or "cannot tell yet".</param>
/// <param name="MorePatches">More patches of each for eight chances in ten of seeing a lift of 2 °Bx; null where it is told.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record PatchLift(string Candidate, int Patches, double Change, double Lift, double? Lower, double? Upper, string Word,
    int? MorePatches, string Sentence)
{
    /// <summary>What it did beyond its carrier alone, °Bx; null where it went out in water.</summary>
    public double? OverCarrier { get; init; }

    /// <summary>Lower end of that interval; null where there are too few leaves.</summary>
    public double? OverCarrierLower { get; init; }
}

/// <summary>All candidates beside water.</summary>
/// <param name="Water">Water's own change, °Bx.</param>
/// <param name="Lifts">Each candidate, best first.</param>
/// <param name="Winner">The one to put out, or null.</param>
/// <param name="Sentence">In a sentence.</param>
/// <param name="Line">A lift from here on is taken as a yes, °Bx.</param>
public sealed record PatchAnswer(double Water, IReadOnlyList<PatchLift> Lifts, string? Winner, string Sentence, double Line);

/// <summary>Square-metre patches: a quick look at which of several products a crop answers to.</summary>
public static class Patches
{
    /// <summary>A lift of this much over water is taken as a yes, °Bx (practitioners' rule).</summary>
    public const double Yes = 2;

    /// <summary>Least standard deviation that a meter's grain allows, °Bx.</summary>
    private const double Grain = 0.0577;

    /// <summary>The order in which patches lie, drawn by lot: where each of <paramref name="count"/> goes. The same seed gives the same
    /// order.</summary>
    public static IReadOnlyList<int> Order(int count, int seed) => new SeededRandom((ulong)seed).Shuffled(Enumerable.Range(0, count));

    /// <summary>Works it out. Worked: water goes from 8.0 to 8.2 and fulvic from 8.0 to 10.6: a lift of 2.4.</summary>
    public static Ruling<PatchAnswer> Of(IReadOnlyList<PatchRead> patches)
    {
        var checks = new Checks();
        Check(patches, checks);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var changes = patches.Select(Change).ToList();
        var water = Pool([.. changes.Where((_, i) => patches[i].Role == PatchRole.Water)]);
        Estimate? Alone(string? name) =>
            name is null ? null : Pool([.. changes.Where((_, i) => patches[i].Role == PatchRole.Carrier && patches[i].Candidate == name)]);
        var lifts = patches.Select((p, i) => (Patch: p, Change: changes[i])).Where(x => x.Patch.Role != PatchRole.Water)
            .GroupBy(x => (x.Patch.Candidate, x.Patch.Role, x.Patch.In))
            .Select(g => Beyond(Lift(g.Key.Candidate, g.Count(), Pool([.. g.Select(x => x.Change)]), water), g.Key.In,
                Pool([.. g.Select(x => x.Change)]), Alone(g.Key.In))).OrderByDescending(l => l.Lift).ToList();
        List<PatchLift> candidates = [.. lifts.Where(l => patches.Any(p => p.Candidate == l.Candidate && p.Role == PatchRole.Candidate))];
        var winner = candidates.FirstOrDefault(l => l.Word == "yes" && (l.OverCarrier is null || l.OverCarrierLower > 0))?.Candidate;
        var carried = winner is null ? candidates.FirstOrDefault(l => l.Word == "yes") : null;
        var note = candidates.FirstOrDefault(l => l.Candidate == winner)?.OverCarrier is { } over
            ? $" Over its carrier alone {Signed(over)}." : "";
        var sentence = carried is not null
            ? $"{char.ToUpperInvariant(carried.Candidate[0])}{carried.Candidate[1..]} lifted the leaves, but not surely more than its "
                + "carrier alone: put out the carrier, or mark more patches."
            : winner is null
            ? $"No candidate lifted the leaves {Say.Number(Yes)} °Bx over water with its whole interval above nought. "
                + $"{(candidates.Any(l => l.Word == "cannot tell yet") ? "Not told yet; more patches would." : "Leave them on the shelf.")}"
            : $"{char.ToUpperInvariant(winner[0])}{winner[1..]}: a lift "
                + $"of {Say.Fixed(candidates.First(l => l.Candidate == winner).Lift, 1)} °Bx over water.{note} One hour on one day: a "
                + "hint of what the crop lacks, not of what it will yield.";
        return Worked.Of(
            new PatchAnswer(water.Mean, lifts, winner, sentence, Yes),
            "°Bx",
            Evidence.PractitionersRule,
            [
                new("water", "mean after − mean before",
                    Say.Count(patches.Count(p => p.Role == PatchRole.Water), "patch", "patches"), Signed(water.Mean), "refractometer"),
                .. lifts.Select(l => new WorkingLine(l.Candidate, "its change − water’s change, ± t · √(variances added)",
                    $"{Signed(l.Change)} − ({Signed(water.Mean)})",
                    $"{Signed(l.Lift)}{(l.Lower is { } low ? $" ({Signed(low)} to {Signed(l.Upper!.Value)})" : "")}",
                    "Welch 1947; 2 °Bx is practitioners’ rule")),
            ]);
    }

    private static void Check(IReadOnlyList<PatchRead> patches, Checks checks)
    {
        if (!patches.Any(p => p.Role == PatchRole.Water))
        {
            checks.Add("patches", "No patch had water only.",
                "Mark one of water only: without it nothing can be told from the hour of the day.");
        }

        if (!patches.Any(p => p.Role == PatchRole.Candidate))
        {
            checks.Add("patches", "No patch had a candidate.", "Choose one to eight from the shelf.");
        }

        foreach (var alone in patches.Where(p => p.In is not null && !patches.Any(c => c.Role == PatchRole.Carrier && c.Candidate == p.In))
            .Select(p => p.In!).Distinct())
        {
            checks.Add("patches", $"No patch had {alone} alone.",
                "Mark one of the carrier only: without it nothing can be told of what it carries.");
        }

        for (var i = 0; i < patches.Count; i++)
        {
            Leaves(checks, $"patches[{i}].before", patches[i].Before);
            Leaves(checks, $"patches[{i}].after", patches[i].After);
        }
    }

    private static void Leaves(Checks checks, string field, IReadOnlyList<double> leaves)
    {
        if (leaves.Count is 0 or > 30)
        {
            checks.Add(field, leaves.Count == 0 ? "No leaf was read." : "That is more than thirty leaves.",
                "Read three to five leaves before, and again 40 to 60 minutes after.");
            return;
        }

        foreach (var leaf in leaves)
        {
            checks.Range(field, leaf, 0, 31, "°Bx");
        }
    }

    /// <summary>A patch's change, by its own leaves.</summary>
    private static Estimate Change(PatchRead p) => Estimate.Of(p.After, Grain).Less(Estimate.Of(p.Before, Grain));

    /// <summary>Patches of one kind: their own spread where there are several, their leaves' where there is one.</summary>
    private static Estimate Pool(List<Estimate> parts) => parts.Count == 1 ? parts[0] : Estimate.Of([.. parts.Select(p => p.Mean)], Grain);

    private static PatchLift Lift(string candidate, int count, Estimate own, Estimate water)
    {
        var over = own.Less(water);
        var lift = over.Mean;
        if (double.IsNaN(over.Variance))
        {
            return new(candidate, count, own.Mean, lift, null, null, "cannot tell yet", null,
                $"{Signed(lift)} °Bx over water, but one leaf is noise: read three to five.");
        }

        var half = over.Half();
        var (lower, upper) = (lift - half, lift + half);
        var word = (lower, upper, lift) switch {
            ( > 0, _, >= Yes) => "yes",
            (_, < 0, _) => "no",
            ( > -Yes, < Yes, _) => "nothing seen",
            _ => "cannot tell yet",
        };
        var told = word switch {
            "yes" => "a yes by the two-degree rule.",
            "no" => "it fell: a no.",
            "nothing seen" => lower > 0 ? "some lift, but short of two." : "nothing seen.",
            _ => lower < 0 && upper > 0 ? "the interval holds nought: you can’t tell yet."
                : "more than noise, but whether it reaches two can’t be told yet.",
        };
        var sd = Math.Sqrt(own.Variance * count);
        int? more = word == "cannot tell yet" ? TrialVerdicts.More(Math.Max(sd, 0.3), Yes, count, 1) : null;
        var sentence =
            $"{Signed(lift)} °Bx over water, give or take {Say.Fixed(half, 1)}: "
                + $"{told}{(more > 0 ? $" {more} more patches of each would tell." : "")}"
                + $"{(count == 1 ? " One patch: its spot can’t be told from its product." : "")}";
        return new(candidate, count, own.Mean, lift, lower, upper, word, more, sentence);
    }

    /// <summary>What it did beyond the carrier that it was mixed into, by the same Welch interval.</summary>
    private static PatchLift Beyond(PatchLift over, string? name, Estimate own, Estimate? alone)
    {
        if (name is null || alone is null)
        {
            return over;
        }

        var beyond = Lift(over.Candidate, over.Patches, own, alone.Value);
        var says = beyond.Lower is { } low ? $" ({Signed(low)} to {Signed(beyond.Upper!.Value)})" : "";
        return over with {
            OverCarrier = beyond.Lift,
            OverCarrierLower = beyond.Lower,
            Sentence = $"{over.Sentence} Over {name} alone {Signed(beyond.Lift)}{says}: "
                + (beyond.Lower > 0 ? "it adds to its carrier." : beyond.Upper < 0
                    ? "less than its carrier alone." : "whether it adds to its carrier can’t be told.")
        };
    }

    private static string Signed(double x) => (x < 0 ? "−" : "+") + Say.Fixed(Math.Abs(x), 1);
}

/// <summary>What to measure out for one patch.</summary>
/// <param name="Product">mL or g of product on the patch.</param>
/// <param name="WaterMl">Water to carry it, mL.</param>
/// <param name="StockPer">Where the product is too little to measure: put this much, mL or g …</param>
/// <param name="StockMl">… into this much water, mL …</param>
/// <param name="TakeMl">… and take this much of that, mL, for each patch. Null where the product can be measured as it is.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record PatchDoseAnswer(double Product, double WaterMl, double? StockPer, double? StockMl, double? TakeMl, string Sentence);

/// <summary>A rate per hectare, scaled to a patch.</summary>
public static class PatchDose
{
    /// <summary>Scales it.</summary>
    /// <param name="ratePerHa">mL or g per hectare, above 0 to 1e7.</param>
    /// <param name="unit">"mL" or "g".</param>
    /// <param name="areaM2">Of the patch, 0.25 to 25 m².</param>
    /// <param name="waterMlPerM2">To wet it, 20 to 2,000 mL per m².</param>
    /// <param name="units">Units that its sentence speaks in.</param>
    /// <remarks>5 L per hectare on 1 m² is 0.5 mL: 5 mL into 1,000 mL of water, and 100 mL of that on the patch.</remarks>
    public static Ruling<PatchDoseAnswer> Of(double? ratePerHa, string unit, double? areaM2, double? waterMlPerM2,
        UnitSystem units = UnitSystem.Metric)
    {
        var checks = new Checks();
        var rate = checks.Range("ratePerHa", ratePerHa, 0.001, 1e7, unit + " a hectare", "Take it from the label or the shelf.");
        var area = checks.Range("areaM2", areaM2 ?? 1, 0.25, 25, "m²");
        var water = checks.Range("waterMlPerM2", waterMlPerM2 ?? 100, 20, 2000, "mL a m²");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var (product, carried) = (rate * area / 10_000, water * area);
        var small = product < (unit == "g" ? 1 : 2);
        // Ten patches' worth at once, doubled until a spoon or a scale can take it.
        var patches = 10.0;
        while (small && product * patches < (unit == "g" ? 1 : 2) && patches < 1e4)
        {
            patches *= 10;
        }

        string Stuff(double amount) => units.IsUs() ? unit == "g" ? Units.Show(amount, Dimension.Mass, units)
            : Units.Show(amount / 1000, Dimension.Volume, units) : $"{Say.Number(amount)} {unit}";
        string Water(double ml) => Units.Show(ml / 1000, Dimension.Volume, units);
        var answer = small
            ? new PatchDoseAnswer(product, carried, product * patches, carried * patches, carried,
                $"{Stuff(product)} is too little to measure: stir {Stuff(product * patches)} into {Water(carried * patches)} of water and "
                    + $"put {Water(carried)} of that on the patch.")
            : new PatchDoseAnswer(product, carried, null, null, null, $"{Stuff(product)} in {Water(carried)} of water.");
        return Worked.Of(answer, unit, Evidence.ChemistryOrPhysics, units.IsUs()
            ? [new("patch", "rate ÷ 43,560 × area",
                $"{Stuff(Per.Large(rate, units))} {Per.LargeArea(units)} on {Units.Show(area, Dimension.Area, units)}", Stuff(product),
                "43,560 square feet to the acre")]
            : [new("patch", "rate ÷ 10,000 × area", $"{Say.Number(rate)} {unit} a hectare on {Say.Number(area)} m²",
                $"{Say.Number(product)} {unit}", "10,000 m² to the hectare")]);
    }
}
