using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Together;

/// <summary>A garden's result by a protocol: worked out from its trial, and looked through where it came from elsewhere.</summary>
public static class GardenResults
{
    /// <summary>Works it out.</summary>
    /// <param name="p">The protocol.</param>
    /// <param name="trial">The garden's trial, as it lies.</param>
    /// <param name="main">Its main measure.</param>
    /// <param name="figures">Figures that stand.</param>
    /// <param name="own">Marks, names and the hour: what the sum does not give.</param>
    /// <param name="stop">Ends a long sum.</param>
    /// <returns>The difference of every arm of the protocol that grew here from the reference, or why there is none yet.</returns>
    /// <remarks>Crossed arms are judged each by itself, as treatments of one factor in the same blocks. The standard error is the one that
    /// the named test took: difference over its t. Five blocks of water only (3.00) and tea (3.20) that stray by 0.10: 0.20 with standard
    /// error 0.10 · √(2/5) = 0.063.</remarks>
    public static Ruling<GardenResult> Of(TrialProtocol p, LaidTrial trial, LaidMeasure main, IReadOnlyList<DatedFigure> figures,
        GardenResult own, CancellationToken stop = default)
    {
        if (Protocols.Strays(p, trial, main) is { } strays)
        {
            return strays;
        }

        if (!figures.Any(f => f.MeasureId == main.Id && f.Figure.Value is not null))
        {
            return Refusal.Of("trialId", "Nothing is measured yet.", "Measure it, plot by plot.");
        }

        var reference = p.Reference()!.Name;
        var asked = TrialAsking.Of(Flat(trial), main, figures, stop: stop) with { Control = reference };
        var told = TrialAnalysis.Of(asked);
        if (told.Refused is { } refused)
        {
            return refused;
        }

        var means = told.Value.Means.GroupBy(m => m.Name).ToDictionary(g => g.Key, g => g.First());
        var arms = told.Value.Dunnett.Where(c => c.Against == reference && means.ContainsKey(c.Of) && means.ContainsKey(reference))
            .Where(c => p.Arms!.Any(a => a.Name == c.Of && Protocols.Counted(p, a)))
            .Select(c => (c, Se: StandardError(c, told.Value.NoiseSd, means[c.Of].Plots, means[reference].Plots)))
            .Where(x => x.Se > 0 && double.IsFinite(x.Se))
            .Select(x => new ArmResult(x.c.Of, x.c.Difference, x.Se, means[x.c.Of].Plots, means[x.c.Of].Mean, means[reference].Plots,
                means[reference].Mean)).ToList();
        return arms.Count == 0
            ? Refusal.Of("trialId", "Nothing tells its noise yet.", "A result wants two plots or more of each, measured.")
            : Worked.Of(own with {
                Form = GardenResult.This,
                Protocol = p.Mark,
                Reference = reference,
                Blind = trial.Blind,
                ByLot = trial.ByLot,
                Arms = arms
            }, main.Unit, Evidence.MeasuredHere);
    }

    /// <summary>Looks a result through that came from elsewhere.</summary>
    /// <returns>As it came, or what is wrong with it, each by where it stands: "arms[0].standardError".</returns>
    public static Ruling<GardenResult> Look(TrialProtocol p, GardenResult r)
    {
        var checks = new Checks();
        if (r.Form != GardenResult.This)
        {
            checks.Add("form", r.Form is null ? "It does not say that it is a result." : $"“{Protocols.Cut(r.Form)}” is not read here.",
                $"Bring a result in the form {GardenResult.This}.");
            return checks.Refusal;
        }

        if (r.Protocol != p.Mark)
        {
            checks.Add("protocol", "It is of another protocol.", "Put it with the protocol that it was grown by.");
        }

        if (r.Garden == Guid.Empty)
        {
            checks.Add("garden", "It has no mark.", "Every garden’s trial has one: a later file takes the place of an earlier one.");
        }

        Protocols.Text(checks, "name", r.Name, 1, 80);
        Protocols.Text(checks, "crop", r.Crop, 1, 80);
        Protocols.Text(checks, "season", r.Season, 0, 40);
        if (r.Reference != p.Reference()!.Name)
        {
            checks.Add("reference", "Its differences are from something else.",
                $"All are from “{p.Reference()!.Name}”, or they can’t be put together.");
        }

        Arms(checks, p, r.Arms ?? []);
        return checks.Sound ? Worked.Of(r, p.Measures![0].Unit, Evidence.MeasuredHere) : checks.Refusal;
    }

    private static void Arms(Checks checks, TrialProtocol p, IReadOnlyList<ArmResult> arms)
    {
        if (arms.Count is 0 or > Protocols.MostArms)
        {
            checks.Add("arms", arms.Count == 0 ? "Nothing was found." : $"That is more than {Protocols.MostArms}.",
                "A result has the difference of one arm at least.");
        }

        for (var i = 0; i < Math.Min(arms.Count, Protocols.MostArms); i++)
        {
            if (arms[i] is not { } a || p.Arms!.FirstOrDefault(x => x.Name == a.Name) is not { } arm || !Protocols.Counted(p, arm))
            {
                checks.Add($"arms[{i}].name", "The protocol has no such treatment.",
                    $"Its treatments are {Say.List([.. p.Arms!.Where(x => Protocols.Counted(p, x)).Select(x => Protocols.Cut(x.Name))])}.");
                continue;
            }

            checks.Range($"arms[{i}].difference", a.Difference, -1e9, 1e9, "");
            checks.Range($"arms[{i}].standardError", a.StandardError, 1e-9, 1e9, "", "It is above 0.");
            checks.Range($"arms[{i}].plots", a.Plots, 1, 10_000, "plots");
            checks.Range($"arms[{i}].mean", a.Mean, -1e9, 1e9, "");
            checks.Range($"arms[{i}].referencePlots", a.ReferencePlots, 1, 10_000, "plots");
            checks.Range($"arms[{i}].referenceMean", a.ReferenceMean, -1e9, 1e9, "");
        }

        if (checks.Sound && arms.GroupBy(a => a.Name).Any(g => g.Count() > 1))
        {
            checks.Add("arms", "An arm is there twice.", "Each arm has one difference.");
        }
    }

    /// <summary>A difference of nothing has no t; its noise is then that of the two means.</summary>
    private static double StandardError(TrialComparison c, double? noise, int plots, int reference) => c.T is { } t && t != 0
        ? Math.Abs(c.Difference / t) : (noise ?? 0) * Math.Sqrt((1.0 / plots) + (1.0 / reference));

    /// <summary>Crossed factors as treatments of one.</summary>
    private static LaidTrial Flat(LaidTrial t) => t.Factors.Count == 1 ? t : t with {
        Factors = ["treatment"],
        Design = t.Plots.Any(p => p.Block is not null) ? Design.Blocks : Design.Random,
        Treatments = [.. t.Treatments.Select(One)],
        Plots = [.. t.Plots.Select(p => p with { Treatment = One(p.Treatment) })],
    };

    private static LaidTreatment One(LaidTreatment t) => t with { Levels = [t.Full] };
}
