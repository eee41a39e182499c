using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>A treatment of a draft.</summary>
/// <param name="Id">Its number in the draft, from 1.</param>
/// <param name="Name">Its name; what is not said yet says so.</param>
public sealed record DraftTreatment(int Id, string Name);

/// <summary>How a plan would lie.</summary>
/// <param name="Kind">Beds, pots or strips.</param>
/// <param name="Places">Where.</param>
/// <param name="Treatments">What is compared.</param>
/// <param name="Plots">As one draw would lay them; the real one is drawn by lot once the plan is kept.</param>
/// <param name="Says">In a sentence.</param>
public sealed record DraftView(TrialKind Kind, IReadOnlyList<PlaceView> Places, IReadOnlyList<DraftTreatment> Treatments,
    IReadOnlyList<PlotView> Plots, string Says);

/// <summary>Draws a plan while it is still being thought of: half a plan gives half a drawing.</summary>
public static class TrialDrafts
{
    private const int Seed = 7; // any will do: it is an example, and the same for the same plan
    private const string NotYet = "not said yet";

    /// <summary>Lays it with what is known: a second treatment, sizes and the number of plots stand in until they are said.</summary>
    public static async Task<Results<Ok<DraftView>, Refused>> Lay(TrialRequest r, HoldingClock clock)
    {
        var units = await clock.Units();
        var kind = r.Kind ?? TrialKind.Beds;
        var places = Places(r, kind, units);
        var split = r.Design == Design.SplitPlot;
        var asked = (r.Treatments ?? []).OfType<TreatmentRequest>().Take(200).ToList();
        string Level(TreatmentRequest t, int at) => t.Levels is { } levels && levels.Count > at && levels[at] is { Length: > 0 } said
            ? said : NotYet;
        List<string> whole = split ? [.. Two(asked.Select(t => Level(t, 0)).Distinct())] : [];
        List<string> within = split ? [.. Two(asked.Select(t => Level(t, 1)).Distinct())]
            : [.. Two(asked.Select(t => string.IsNullOrWhiteSpace(t.Name) ? NotYet : t.Name.Trim()))];
        var laid = TrialLayout.Of(new LayoutQuestion {
            Kind = kind,
            Design = r.Design is null or Design.Factorial ? Design.Blocks : r.Design.Value,
            Treatments = within,
            WholePlots = whole,
            Replicates = r.Replicates ?? 4,
            Places = places,
            Seed = Seed,
        });
        if (laid.Refused is { } refused)
        {
            return Problems.Of(refused);
        }

        List<string> names = split ? [.. whole.SelectMany(w => within.Select(t => $"{w}, {t}"))] : within;
        int Of(LaidPlot p) => p.WholePlot is { } w ? (w * within.Count) + p.Treatment : p.Treatment;
        return TypedResults.Ok(new DraftView(kind, [.. places.Select(p => new PlaceView(p.Name, p.LengthM, p.WidthM,
                Units.Show(p.LengthM, Dimension.Length, units), Units.Show(p.WidthM, Dimension.Length, units)))],
            [.. names.Select((n, i) => new DraftTreatment(i + 1, n))],
            [.. laid.Value.Plots.Select(p => new PlotView(p.Number, p.Number, p.Code, Of(p) + 1, names[Of(p)], p.Block?.ToString(
                System.Globalization.CultureInfo.InvariantCulture), p.WholePlot is { } w ? whole[w] : null, places[p.Place].Name, p.X, p.Y,
                p.Length, p.Width, []))],
            laid.Value.Sentence));
    }

    private static IEnumerable<string> Two(IEnumerable<string> said)
    {
        List<string> list = [.. said];
        return list.Concat(Enumerable.Repeat(NotYet, Math.Max(0, 2 - list.Count)));
    }

    private static List<LayoutPlace> Places(TrialRequest r, TrialKind kind, UnitSystem units)
    {
        var (length, width) = kind switch { TrialKind.Pots => (3.0, 1.2), TrialKind.Strips => (100.0, 60.0), _ => (30.0, 1.2) };
        double Read(string? typed, double usual, double most)
        {
            var fields = new TypedFields(units);
            var metres = fields.Quantity("size", typed, Dimension.Length, 0.2, most);
            return fields.Checks.Sound ? metres : usual;
        }

        List<LayoutPlace> places = [.. (r.Places ?? []).Take(40).Select((p, i) => new LayoutPlace(
            string.IsNullOrWhiteSpace(p?.Name) ? $"place {i + 1}" : p.Name.Trim(),
            Read(p?.Length, length, 2000), Read(p?.Width, width, 500)))];
        return places.Count > 0 ? places : [new LayoutPlace("the ground", length, width)];
    }
}
