using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Judging.Together;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Server.Judging;
using MudPie.Server.Together;

namespace MudPie.Server.Reckoning;

/// <summary>A trial that may be read, with its answer.</summary>
/// <param name="Trial">The trial.</param>
/// <param name="Measure">Its measure that is gone by.</param>
/// <param name="Answer">What it says.</param>
public sealed record ReadTrial(Trial Trial, TrialMeasure Measure, TrialAnswer Answer);

/// <summary>What own trials, and gardens together, found of things that are put out.</summary>
public sealed class EvidenceBook(HoldingDb db, TrialDesk trials, TogetherDesk together, RoofDesk roof)
{
    /// <summary>Trials that are read, at the most, the newest first.</summary>
    public const int MostTrials = 60;

    private List<ReadTrial>? _read;
    private List<(HeldProtocol Protocol, List<(string Label, string Crop, ArmResult Arm)> Arms)>? _gardens;
    private List<AcrossSet>? _sets;

    /// <summary>Own trials that may be read: what is still shut says nothing, here as everywhere.</summary>
    public async Task<IReadOnlyList<ReadTrial>> Read(ReckoningTerms terms, CancellationToken stop)
    {
        if (_read is not null)
        {
            return _read;
        }

        _read = [];
        foreach (var id in await db.Trials.AsNoTracking().Where(t => t.StartedAt != null).OrderByDescending(t => t.Id).Select(t => t.Id)
            .Take(MostTrials).ToListAsync(stop))
        {
            var t = (await trials.Find(id))!;
            var standing = t.Shut() ? [] : await trials.Standing(id);
            // The main measure, or the first beside it that can be put in money where that one can't.
            foreach (var m in t.Measures.OrderBy(m => m.Order).OrderByDescending(m => PerHa(t, m, terms) is not null && m.Order == 0)
                .ThenByDescending(m => PerHa(t, m, terms) is not null).ThenBy(m => m.Order))
            {
                if (standing.Any(r => r.MeasureId == m.Id) && TrialAnalysis.Of(TrialAsking.Of(t.Laid(), m.Laid(), standing, stop: stop))
                    is { Refused: null } told)
                {
                    _read.Add(new ReadTrial(t, m, told.Value));
                    break;
                }
            }
        }

        return _read;
    }

    /// <summary>What own trials found of a thing on a crop.</summary>
    public async Task<IReadOnlyList<FoundWorth>> Own(ThingOut thing, IReadOnlyList<string> words, string crop, ReckoningTerms terms,
        CancellationToken stop) => [.. (await Read(terms, stop))
        .Where(r => Practices.CropKey(r.Trial.Crop) == Practices.CropKey(crop)).Select(r => Found(r, thing, words, terms))
        .OfType<FoundWorth>()];

    private static FoundWorth? Found(ReadTrial r, ThingOut thing, IReadOnlyList<string> words, ReckoningTerms terms)
    {
        var t = r.Trial;
        var named = t.Treatments.Where(x => thing.InputId is { } id && x.InputId == id).Select(x => x.Name).ToHashSet();
        var verdict = r.Answer.Verdicts.Select(v => (Is: v, Given: Given(v.Of))).Where(v => named.Contains(v.Is.Of)
            || v.Given.Any(g => words.Any(w => Practices.Begins(g, w)))).OrderBy(v => v.Given.Count).Select(v => v.Is).FirstOrDefault();
        if (verdict is null)
        {
            return null;
        }

        var forced = verdict is { Word: Finding.CannotTell, Lower: { } lo, Upper: { } up } && TrialVerdicts.Of(
            r.Measure.LowerIsBetter ? -up : lo, r.Measure.LowerIsBetter ? -lo : up, t.WorthHaving) != Finding.CannotTell;
        var look = verdict.Lower is null;
        var plots = t.Kind switch { TrialKind.Pots => "pots", TrialKind.Strips => "strips", _ => "plots" };
        return new FoundWorth(look ? $"one of each, {t.Plots.Count} {plots}: a look" : $"own trial, {t.Plots.Count} {plots}",
            verdict.Difference, r.Measure.Unit) {
            Lower = verdict.Lower, Upper = verdict.Upper, LowerIsBetter = r.Measure.LowerIsBetter, PerHa = PerHa(t, r.Measure, terms),
            WorthHaving = r.Measure.Order == 0 ? t.WorthHaving : null, Noise = r.Answer.NoiseSd,
            PlotM2 = t.Plots.Count > 0 ? t.Plots[0].Length * t.Plots[0].Width : null, TrialId = t.Id,
            CostGiven = t.Money?.CostPerHa ?? (t.Money?.CostPerAcre is { } acre ? Per.LargeSi(acre, UnitSystem.UsCustomary) : null),
            Why = look ? "One of each is a look, not a test." : forced ? "Its figures can’t be gone by: see its answer." : null,
        };
    }

    /// <summary>What was given in a treatment: its levels but for those that are none.</summary>
    private static List<string> Given(string treatment) => [.. treatment.Split(", ").Where(l => !l.StartsWith("no ",
        StringComparison.OrdinalIgnoreCase) && !l.StartsWith("without", StringComparison.OrdinalIgnoreCase)
        && !l.Equals("nothing", StringComparison.OrdinalIgnoreCase) && !l.Equals("water only", StringComparison.OrdinalIgnoreCase))];

    /// <summary>What one unit of a measure brings on a hectare: by the trial's own money, else by what a kilogram of its crop sells
    /// for.</summary>
    public static double? PerHa(Trial t, TrialMeasure m, ReckoningTerms terms) =>
        (m.Order == 0 ? TrialWorth.PerHa(t.Money) : null) ?? (terms.Price(t.Crop) is { } price
            ? TrialWorth.PerHa(m.Unit, price, t.Plots.Count > 0 ? t.Plots[0].Length * t.Plots[0].Width : null,
                t.Places.Count > 0 ? t.Places[0].WidthM : null) : null);

    /// <summary>Neighbours' results and one's own, of a thing on a crop: of protocols, and of sets put together.</summary>
    public async Task<IReadOnlyList<FoundWorth>> Together(IReadOnlyList<string> words, string crop, ReckoningTerms terms,
        CancellationToken stop)
    {
        var key = Practices.CropKey(crop);
        bool Named(string text) => words.Any(w => Practices.Begins(text, w));
        List<FoundWorth> found = [];
        foreach (var (protocol, arms) in await Gardens(stop))
        {
            var main = protocol.Told.Measures![0];
            found.AddRange(arms.Where(a => Named(a.Arm.Name!) && Practices.CropKey(a.Crop) == key).Select(a => Site(a.Label,
                a.Arm.Difference, a.Arm.StandardError, main.Unit, main.LowerIsBetter, protocol.Told.WorthHaving, crop, terms)));
        }

        _sets ??= await db.AcrossSets.AsNoTracking().Include(s => s.Results).ToListAsync(stop);
        if (found.Count == 0)
        {
            foreach (var set in _sets.Where(s => Named(s.Name) && key.Length > 0 && Practices.Begins(s.Name, key)))
            {
                found.AddRange(set.Results.ThatStand().Select(r => Site(r.Label, r.Difference, Math.Sqrt(r.Variance), set.Unit, false,
                    set.WorthHaving, crop, terms)));
            }
        }

        return found;
    }

    private static FoundWorth Site(string label, double difference, double se, string unit, bool lower, double? worth, string crop,
        ReckoningTerms terms) => new(label, difference, unit) {
            Lower = difference - (Worth.Z * se), Upper = difference + (Worth.Z * se), LowerIsBetter = lower, WorthHaving = worth,
            // A metre of bed is taken to be 1.2 m wide, where nobody said.
            PerHa = terms.Price(crop) is { } price ? TrialWorth.PerHa(unit, price, null, 1.2) : null,
        };

    private async Task<List<(HeldProtocol Protocol, List<(string Label, string Crop, ArmResult Arm)> Arms)>> Gardens(CancellationToken stop)
    {
        if (_gardens is not null)
        {
            return _gardens;
        }

        _gardens = [];
        foreach (var p in await db.Protocols.AsNoTracking().Include(p => p.Results).ToListAsync(stop))
        {
            var results = TogetherEndpoints.Gardens(p, await together.Own(p, stop), await roof.Others(p.Mark)).Where(g => g.OutWhy is null)
                .Select(g => g.Told);
            _gardens.Add((p, [.. results.SelectMany(r => (r.Arms ?? []).Select(a => (r.Label(), r.Crop ?? "", a)))]));
        }

        return _gardens;
    }
}
