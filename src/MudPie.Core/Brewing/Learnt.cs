using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Where a forecast starts from, once earlier brews have taught something: natural logarithms of the multipliers, and how far
/// their spreads are narrowed (1 is the table's own).</summary>
public sealed record Prior(IReadOnlyList<double> Centre, IReadOnlyList<double> Narrowed)
{
    /// <summary>True where both lists are whole and within reason.</summary>
    public bool IsSound =>
        Centre?.Count == Multipliers.Spread.Count && Narrowed?.Count == Multipliers.Spread.Count
        && Centre.All(c => double.IsFinite(c) && Math.Abs(c) <= 3) && Narrowed.All(n => n is >= 0.1 and <= 1);
}

/// <summary>What one brew taught: middle of each multiplier after its readings, in the order of <see cref="Multipliers.Names"/>.</summary>
/// <param name="Multipliers">1 is the table.</param>
/// <param name="SameVessel">It was brewed in the vessel that is asked about.</param>
/// <param name="SameRecipe">It was of the recipe, or the source, that is asked about.</param>
public sealed record Lesson(IReadOnlyList<double> Multipliers, bool SameVessel, bool SameRecipe);

/// <summary>What brews teach the next one, and how it is said.</summary>
public static class Learnt
{
    // Air and surface belong to the vessel; all the rest to what is brewed.
    private static readonly int[] OfVessel = [5, 6];

    private static readonly (string Strong, string Weak)[] Words =
    [
        ("bacteria here grow faster than the table's", "bacteria here grow slower than the table's"),
        ("fungi here grow faster than the table's", "fungi here grow slower than the table's"),
        ("bacteria make more cells of their food", "bacteria burn more of their food"),
        ("fungi make more cells of their food", "fungi burn more of their food"),
        ("slow food breaks down faster", "slow food breaks down slower"),
        ("the air goes over well in this vessel", "the air goes over badly in this vessel"),
        ("the open surface breathes well", "the open surface breathes little"),
        ("this source is strong: it gives up much life", "this source is weak: it gives up little life"),
        ("the foods are richer than the table's", "the foods are thinner than the table's"),
    ];

    /// <summary>The start for a next brew: the mean of what was taught, drawn toward the table as if one more brew had taught nothing;
    /// spreads narrowed by 1 ÷ √(1 + n ÷ 2), never below a half.</summary>
    /// <param name="lessons">Brews with three readings or more.</param>
    /// <returns>Null where nothing was taught.</returns>
    /// <remarks>Two brews in one vessel at alpha 0.8: centre 2 ÷ 3 · ln 0.8 = −0.149, spread × 0.707. House rule, so that one odd brew does
    /// not run away with the next.</remarks>
    public static Prior? Prior(IReadOnlyList<Lesson> lessons)
    {
        var centre = new double[Multipliers.Spread.Count];
        var narrowed = Enumerable.Repeat(1.0, centre.Length).ToArray();
        var taught = false;
        for (var d = 0; d < centre.Length; d++)
        {
            var fitting = lessons.Where(l => l.Multipliers.Count == centre.Length && (OfVessel.Contains(d) ? l.SameVessel : l.SameRecipe)
                && l.Multipliers[d] > 0).ToList();
            if (fitting.Count > 0)
            {
                taught = true;
                centre[d] = Math.Clamp(fitting.Sum(l => Math.Log(l.Multipliers[d])) / (fitting.Count + 1), -1.5, 1.5);
                narrowed[d] = Math.Max(0.5, 1 / Math.Sqrt(1 + (fitting.Count / 2.0)));
            }
        }

        return taught ? new Prior(centre, narrowed) : null;
    }

    /// <summary>What the readings say of this brew, most telling first: those that moved by a third of their own spread or more, and by a
    /// twelfth at least.</summary>
    /// <param name="multipliers">Middle of each after the readings; 1 is the table.</param>
    /// <remarks>A source multiplier of 1.7 is said as "this source is strong: it gives up much life, about 1.7 times the table".</remarks>
    public static IReadOnlyList<string> InWords(IReadOnlyList<double> multipliers) =>
        [.. multipliers.Select((m, d) =>
            (m, d, Pull: Math.Log(m) / Math.Sqrt(Math.Log(1 + (Multipliers.Spread[d] * Multipliers.Spread[d])))))
            .Where(x => Math.Abs(x.Pull) >= 0.33 && Math.Abs(x.m - 1) >= 0.08).OrderByDescending(x => Math.Abs(x.Pull)).Take(4)
            .Select(x => $"{(x.Pull > 0 ? Words[x.d].Strong : Words[x.d].Weak)}, about {Say.Number(x.m, 2)} times the table")];
}
