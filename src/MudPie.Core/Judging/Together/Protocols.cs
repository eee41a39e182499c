using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Together;

/// <summary>Protocols: made of a trial, looked through, and joined with fewer arms.</summary>
public static class Protocols
{
    /// <summary>Arms that a protocol may have, 40.</summary>
    public const int MostArms = 40;

    /// <summary>Dates on which it may be measured, 24.</summary>
    public const int MostDays = 24;

    /// <summary>Looks a protocol through.</summary>
    /// <returns>As it came, or what is wrong with it, each by where it stands: "arms[2].name".</returns>
    /// <remarks>Without a control and without water only: "arms: Nothing is there to set the rest against."</remarks>
    public static Ruling<TrialProtocol> Look(TrialProtocol p)
    {
        var checks = new Checks();
        if (p.Form != TrialProtocol.This)
        {
            checks.Add("form", p.Form is null ? "It does not say that it is a protocol." : $"“{Cut(p.Form)}” is not read here.",
                $"Bring a protocol in the form {TrialProtocol.This}.");
            return checks.Refusal;
        }

        if (p.Mark == Guid.Empty)
        {
            checks.Add("mark", "It has no mark.", "Every protocol has one: results find it by that.");
        }

        Text(checks, "from", p.From, 1, 80);
        Text(checks, "question", p.Question, 1, 200);
        Text(checks, "displaces", p.Displaces, 0, 300);
        checks.One("design", p.Design);
        checks.One("kind", p.Kind);
        checks.Range("replicates", p.Replicates, 1, 40, "plots of each");
        if (p.WorthHaving is { } worth)
        {
            checks.Range("worthHaving", worth, 1e-9, 1e9, "");
        }

        Arms(checks, p);
        Measures(checks, p.Measures ?? []);
        if (p.Days is { } days && (days.Count > MostDays || days.Any(d => d is < 0 or > 3000)))
        {
            checks.Add("days", days.Count > MostDays ? $"That is more than {MostDays} dates." : "That is no number of days.",
                "Give days after it begins, 0 to 3000.");
        }

        return checks.Sound ? Worked.Of(p, "", Evidence.MeasuredHere, cautions: Cautions(p)) : checks.Refusal;
    }

    /// <summary>Joins it with some of its arms.</summary>
    /// <param name="p">As it was looked through.</param>
    /// <param name="names">Those that are wanted; null for all.</param>
    /// <returns>The protocol with these arms, its reference always among them.</returns>
    /// <remarks>Of nothing, water only, extract and tea: "water only" and "tea" will do; "nothing" and "tea" will not, as everybody's
    /// difference is from water only.</remarks>
    public static Ruling<TrialProtocol> Join(TrialProtocol p, IReadOnlyList<string>? names)
    {
        var wanted = (names ?? [.. p.Arms!.Select(a => a.Name)]).Select(n => (n ?? "").Trim()).ToHashSet();
        var reference = p.Reference()!;
        var checks = new Checks();
        foreach (var name in wanted.Where(n => p.Arms!.All(a => a.Name != n)))
        {
            checks.Add("arms", $"“{Cut(name)}” is not in the protocol.", "Choose from its arms; add your own afterwards if you like.");
        }

        if (!wanted.Contains(reference.Name))
        {
            checks.Add("arms", $"“{reference.Name}” was left out.",
                "Keep it: every garden’s difference is from it, and without it nothing can be put together.");
        }

        if (!p.Arms!.Any(a => wanted.Contains(a.Name) && Counted(p, a)))
        {
            checks.Add("arms", "Nothing is tried.", "Keep at least one of the treatments.");
        }

        return checks.Sound ? Worked.Of(p with { Arms = [.. p.Arms!.Where(a => wanted.Contains(a.Name))] }, "", Evidence.MeasuredHere)
            : checks.Refusal;
    }

    /// <summary>Whether a trial that was planned from a protocol still is one of it.</summary>
    /// <param name="p">The protocol.</param>
    /// <param name="trial">The trial, as planned.</param>
    /// <param name="main">Its main measure.</param>
    /// <returns>What no longer fits; null for nothing. Crop, season, layout, number of plots and further arms are the garden's
    /// own.</returns>
    public static Refusal? Strays(TrialProtocol p, LaidTrial trial, LaidMeasure? main)
    {
        var checks = new Checks();
        var has = trial.Treatments.Select(t => t.Full).ToHashSet();
        var joined = Join(p, [.. p.Arms!.Where(a => has.Contains(a.Name)).Select(a => a.Name)]);
        if (joined.Refused is { } refused)
        {
            checks.Add("treatments", refused.Problems[0].Wrong, refused.Problems[0].WayOut);
        }

        var asked = p.Measures![0];
        if (main is not null && (main.Name != asked.Name || main.Unit != asked.Unit || main.Kind != asked.Kind
            || main.LowerIsBetter != asked.LowerIsBetter))
        {
            checks.Add("measures", $"The main measure is {Named(main.Name, main.Unit)}.",
                $"The protocol’s is {Named(asked.Name, asked.Unit)}: keep it first, so that all can be put together.");
        }

        return checks.Sound ? null : checks.Refusal;
    }

    /// <summary>True for an arm whose difference counts: neither the reference nor the control beside water only.</summary>
    public static bool Counted(TrialProtocol p, ProtocolArm arm) => arm.Role == TrialRole.Treatment && arm.Name != p.Reference()?.Name;

    internal static string Cut(string text) => text.Length > 40 ? text[..40] + "…" : text;

    internal static void Text(Checks checks, string field, string? text, int least, int most)
    {
        if ((text?.Trim().Length ?? 0) < least || text?.Length > most || text?.Any(char.IsControl) == true)
        {
            checks.Add(field, text?.Length > most ? "That is too long." : text?.Trim().Length > 0 ? "That holds signs that can’t be shown."
                : "Nothing is said.", $"Say it in {least} to {most} letters.");
        }
    }

    private static string Named(string name, string unit) => unit.Length == 0 ? name : $"{name} in {unit}";

    private static void Arms(Checks checks, TrialProtocol p)
    {
        var arms = p.Arms ?? [];
        if (arms.Count is < 2 or > MostArms)
        {
            checks.Add("arms", arms.Count < 2 ? "There is nothing to compare." : $"That is more than {MostArms}.",
                $"A protocol has 2 to {MostArms} arms, a control or water only among them.");
            return;
        }

        for (var i = 0; i < arms.Count; i++)
        {
            if (arms[i] is null)
            {
                checks.Add($"arms[{i}]", "There is nothing.", "Leave it out.");
                return;
            }

            Text(checks, $"arms[{i}].name", arms[i].Name, 1, 120);
            Text(checks, $"arms[{i}].rate", arms[i].Rate, 0, 60);
            Text(checks, $"arms[{i}].water", arms[i].Water, 0, 30);
        }

        if (checks.Sound && arms.GroupBy(a => a.Name).FirstOrDefault(g => g.Count() > 1) is { } twice)
        {
            checks.Add("arms", $"“{twice.Key}” is there twice.", "Every arm has a name of its own.");
        }

        if (checks.Sound && p.Reference() is null)
        {
            checks.Add("arms", "Nothing is there to set the rest against.", "A protocol has a control, or water only beside a liquid.");
        }
        else if (checks.Sound && !arms.Any(a => Counted(p, a)))
        {
            checks.Add("arms", "Nothing is tried.", "A protocol has at least one treatment.");
        }
    }

    private static void Measures(Checks checks, IReadOnlyList<ProtocolMeasure> measures)
    {
        if (measures.Count is 0 or > 12)
        {
            checks.Add("measures", measures.Count == 0 ? "Nothing is measured." : "That is more than twelve.",
                "A protocol has 1 to 12 measures, the main one first.");
        }

        for (var i = 0; i < Math.Min(measures.Count, 12); i++)
        {
            if (measures[i] is not { } m)
            {
                checks.Add($"measures[{i}]", "There is nothing.", "Leave it out.");
                continue;
            }

            Text(checks, $"measures[{i}].name", m.Name, 1, 60);
            Text(checks, $"measures[{i}].unit", m.Unit, 0, 30);
            if (!(m.Low < m.High) || !double.IsFinite(m.Low) || !double.IsFinite(m.High))
            {
                checks.Add($"measures[{i}].low", "The lowest likely figure is not below the highest.", "Give a range of likely figures.");
            }

            if (m.Kind == Scale.Count)
            {
                checks.Range($"measures[{i}].outOf", m.OutOf, 1, 100_000, "", "Say how many are sown or looked at on each plot.");
            }
        }
    }

    /// <summary>A yield of a plot is of that plot's size.</summary>
    private static IEnumerable<Caution> Cautions(TrialProtocol p)
    {
        if (p.Measures![0].Unit.EndsWith("a plot", StringComparison.Ordinal))
        {
            yield return new Caution("protocol-plot", $"The main measure is in {p.Measures[0].Unit}: it compares only where all plots are "
                + "of one size. By the metre or the square metre any garden can join.", "");
        }
    }
}
