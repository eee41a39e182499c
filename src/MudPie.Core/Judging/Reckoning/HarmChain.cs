using MudPie.Core.Brewing;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Reckoning;

/// <summary>A count on the way from compost to soil.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Stage">Where on the way.</param>
/// <param name="On">When.</param>
/// <param name="Machine">What it went through, or is going through: a sprayer's name; empty where nobody said.</param>
/// <param name="Tally">Fields as they were tallied.</param>
/// <param name="Batch">Of which brew; null for a lot or the ground.</param>
public sealed record ChainCount(int Id, TallyStage Stage, DateOnly On, string Machine, TallyQuestion Tally, int? Batch);

/// <summary>A point on the line.</summary>
/// <param name="Stage">Where on the way.</param>
/// <param name="Counts">How many counts it is of.</param>
/// <param name="PerMl">Organisms, in 1 mL.</param>
/// <param name="Low">Lower end of its 95 % interval.</param>
/// <param name="High">Upper end.</param>
public sealed record ChainPoint(TallyStage Stage, int Counts, double PerMl, double Low, double High);

/// <summary>What came through from one stage to the next.</summary>
/// <param name="From">The earlier stage.</param>
/// <param name="To">The later one.</param>
/// <param name="Share">After ÷ before; it may be more than 1, where they grow.</param>
/// <param name="Low">Lower end of its 95 % interval.</param>
/// <param name="High">Upper end.</param>
/// <param name="Says">What that means.</param>
/// <param name="Lost">Its whole interval lies below 1: organisms are lost here.</param>
public sealed record ChainLink(TallyStage From, TallyStage To, double Share, double Low, double High, string Says, bool Lost);

/// <summary>One machine's line of one year.</summary>
/// <param name="Machine">Its name.</param>
/// <param name="Year">Which.</param>
/// <param name="Points">Stage by stage, in the order of the way.</param>
/// <param name="Links">Between them.</param>
/// <param name="Sentence">Where organisms are lost.</param>
public sealed record ChainLine(string Machine, int Year, IReadOnlyList<ChainPoint> Points, IReadOnlyList<ChainLink> Links,
    string Sentence);

/// <summary>Counts at compost, brew, pump, nozzle and soil as one line: where organisms are lost.</summary>
public static class HarmChain
{
    /// <summary>Groups that can be followed.</summary>
    public static readonly IReadOnlyList<string> Groups = ["bacteria", "hyphae", "flagellates", "amoebae", "ciliates"];

    /// <summary>Draws the lines, each machine's years apart, newest first.</summary>
    /// <param name="counts">All counts that stand.</param>
    /// <param name="group">One of <see cref="Groups"/>.</param>
    /// <remarks>40 in 20 fields at the pump's inlet and 30 in 20 behind it: 0.75 came through, 0.47 to 1.2: not told yet. Counts of a year
    /// before a machine was named count for each machine of that year. Two stages with nothing in the first have no link.</remarks>
    public static Ruling<IReadOnlyList<ChainLine>> Of(IReadOnlyList<ChainCount> counts, string group)
    {
        if (!Groups.Contains(group))
        {
            return Refusal.Of("group", $"“{group}” is not counted here.", $"Choose {Say.Any(Groups)}.");
        }

        List<ChainLine> lines = [];
        foreach (var year in counts.GroupBy(c => c.On.Year).OrderByDescending(g => g.Key))
        {
            List<string> machines = [.. year.Select(c => c.Machine).Where(m => m.Length > 0).Distinct().Order(StringComparer.Ordinal)];
            foreach (var machine in machines.Count == 0 ? [""] : machines)
            {
                List<ChainCount> of = [.. year.Where(c => c.Machine == machine || c.Machine.Length == 0)];
                if (of.Select(c => c.Stage).Distinct().Count() > 1)
                {
                    lines.Add(Line(machine, year.Key, of, group));
                }
            }
        }

        return Worked.Of<IReadOnlyList<ChainLine>>(lines, "per mL", Evidence.MeasuredHere,
            [new("came through", "after ÷ before, ± 1.96 · √(relative variances) on the logarithm", group, $"{lines.Count} lines",
                "Poisson or the fields’ own spread, whichever is wider")]);
    }

    private static ChainLine Line(string machine, int year, List<ChainCount> counts, string group)
    {
        List<(ChainPoint Point, double Relative)> points = [.. counts.GroupBy(c => c.Stage).OrderBy(g => Order(g.Key))
            .Select(g => Point(g.Key, [.. g], group)).OfType<(ChainPoint, double)>()];
        List<ChainLink> links = [.. points.Zip(points.Skip(1)).Where(p => p.First.Point.PerMl > 0).Select(p => Link(p.First, p.Second))];
        return new ChainLine(machine, year, [.. points.Select(p => p.Point)], links, Sentence(links, group));
    }

    /// <summary>Compost, extracted, brewed, before the pump, behind it, out of the nozzle, in the soil.</summary>
    public static int Order(TallyStage stage) => stage switch {
        TallyStage.Source => 0,
        TallyStage.Extracted => 1,
        TallyStage.End => 2,
        TallyStage.BeforePump => 3,
        TallyStage.AfterPump => 4,
        TallyStage.Nozzle => 5,
        _ => 6,
    };

    /// <summary>Several counts of one stage are one: their mean; relative variance of the counting, or their own spread where it is
    /// wider.</summary>
    private static (ChainPoint Point, double Relative)? Point(TallyStage stage, List<ChainCount> counts, string group)
    {
        List<(double PerMl, double Relative, double Half)> each = [];
        foreach (var c in counts.Where(c => MicroscopeTally.Of(c.Tally).Refused is null))
        {
            var fields = Fields(c.Tally, group);
            var perField = Microscope.PerField(c.Tally, new Checks()) / (group == "bacteria" ? c.Tally.BacteriaShare ?? 1 : 1);
            each.Add((fields.Average() * perField, Microscope.Relative(fields), 0.5 / fields.Count * perField));
        }

        if (each.Count == 0)
        {
            return null;
        }

        // where none was seen there may be some: half of one, as a count of so few is taken
        var (seen, mean) = (each.Average(e => e.PerMl), Math.Max(each.Average(e => e.PerMl), each.Average(e => e.Half) / each.Count));
        var relative = seen > 0 ? each.Sum(e => e.PerMl * e.PerMl * e.Relative) / each.Count / each.Count / (mean * mean)
            : each.Average(e => e.Relative);
        if (each.Count > 1 && seen > 0)
        {
            // brews of a year are unlike
            relative = Math.Max(relative, each.Sum(e => (e.PerMl - mean) * (e.PerMl - mean)) / (each.Count - 1) / each.Count
                / (mean * mean));
        }

        var se = Math.Sqrt(relative);
        return (new ChainPoint(stage, each.Count, seen, seen > 0 ? mean * Math.Exp(-Worth.Z * se) : 0, mean * Math.Exp(Worth.Z * se)),
            relative);
    }

    private static List<double> Fields(TallyQuestion q, string group) => [.. (q.Fields ?? []).Select(f => group switch {
        "bacteria" => f.Bacteria, "hyphae" => f.Hyphae.Count, "flagellates" => f.Flagellates, "amoebae" => f.Amoebae, _ => f.Ciliates,
    })];

    private static ChainLink Link((ChainPoint Point, double Relative) from, (ChainPoint Point, double Relative) to)
    {
        var se = Math.Sqrt(from.Relative + to.Relative);
        var share = to.Point.PerMl / from.Point.PerMl;
        var least = to.Point.High / Math.Exp(Worth.Z * Math.Sqrt(to.Relative)) / from.Point.PerMl; // half of one where none was seen
        var (low, high) = (share * Math.Exp(-Worth.Z * se), least * Math.Exp(Worth.Z * se));
        var lost = high < 1;
        var says = lost ? $"{Say.Number(share * 100, 2)} % come through ({Say.Number(low * 100, 2)} to {Say.Number(high * 100, 2)} %): "
                + "they are lost here"
            : low > 1 ? $"{Say.Number(share, 2)} times as many: they grow here" : "no loss that could be told: count more fields";
        return new ChainLink(from.Point.Stage, to.Point.Stage, share, low, high, says, lost);
    }

    /// <summary>What a stage is called.</summary>
    public static string Name(TallyStage stage) => stage switch {
        TallyStage.Source => "compost",
        TallyStage.Extracted => "extracted",
        TallyStage.End => "brewed",
        TallyStage.BeforePump => "before the pump",
        TallyStage.AfterPump => "behind the pump",
        TallyStage.Nozzle => "out of the nozzle",
        _ => "in the soil",
    };

    private static string Sentence(List<ChainLink> links, string group)
    {
        // the ground dilutes, and compost is not what was drawn off it: only what a machine does to a liquid is harm
        var harm = links.Where(l => l.Lost && l.To != TallyStage.Soil && l.From != TallyStage.Source).MinBy(l => l.Share);
        return harm is not null ? $"Most {group} are lost between {Name(harm.From)} and {Name(harm.To)}: "
            + $"{Say.Number(harm.Share * 100, 2)} % come through ({Say.Number(harm.Low * 100, 2)} to {Say.Number(harm.High * 100, 2)} %)."
            : links.Count == 0 ? "One stage alone, or nothing seen: no link." : "No step of it loses any that could be told.";
    }
}
