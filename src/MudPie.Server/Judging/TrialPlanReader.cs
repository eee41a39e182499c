using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Together;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;

namespace MudPie.Server.Judging;

/// <summary>Reads a trial's plan as it was typed onto a trial; what is wrong is collected by field.</summary>
public sealed class TrialPlanReader(HoldingDb db, UnitSystem units)
{
    private readonly TypedFields _fields = new(units);

    /// <summary>What was wrong.</summary>
    public Checks Checks => _fields.Checks;

    /// <summary>Reads onto the trial. True where the layout no longer fits what is typed.</summary>
    public async Task<bool> Onto(Trial t, TrialRequest r)
    {
        var before = Laid(t);
        t.Question = Sentence(r.Question);
        t.Crop = _fields.Name("crop", r.Crop, "the crop");
        t.Season = Short("season", r.Season, 40) ?? "";
        t.Displaces = Short("displaces", r.Displaces, 300);
        t.Design = Checks.One("design", r.Design);
        t.Kind = Checks.One("kind", r.Kind);
        t.Liquid = r.Liquid;
        t.Blind = r.Blind;
        t.TemplateId ??= TrialTemplates.Find(r.TemplateId)?.Id;
        t.Replicates = (int)Checks.Range("replicates", r.Replicates, 1, 40, "plots of each");
        t.Noise = Above("noise", r.Noise);
        t.WorthHaving = Above("worthHaving", r.WorthHaving);
        t.Money = r.Money is { CostPerHa: not null } or { PricePerUnit: not null } ? r.Money : null;
        var factors = Factors(t, r);
        t.Factors = factors;
        Places(t, r);
        await Treatments(t, r, factors);
        Measures(t, r);
        Controls(t, r);
        await Protocol(t, r);
        return before != Laid(t);
    }

    /// <summary>A trial by a protocol stays one: arms, measure and mark.</summary>
    private async Task Protocol(Trial t, TrialRequest r)
    {
        t.ProtocolId ??= r.ProtocolId;
        if (t.ProtocolId is not { } id)
        {
            return;
        }

        if (await db.Protocols.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id) is not { } protocol)
        {
            Checks.Add("protocolId", "There is no such protocol.", "Choose one from the trials together.");
        }
        else if (t.Treatments.Count > 0
            && Protocols.Strays(protocol.Told, t.Laid(), t.Measures.OrderBy(m => m.Order).FirstOrDefault()?.Laid()) is { } strays)
        {
            Checks.Add(strays);
        }

        t.Garden ??= Guid.NewGuid();
    }

    private static string Laid(Trial t) =>
        $"{t.Design} {t.Kind} {t.Replicates} {string.Join(";", t.Places)} "
            + $"{string.Join("|", t.Treatments.OrderBy(x => x.Order).Select(x => x.Laid().Full))}";

    private string Sentence(string? typed)
    {
        var question = (typed ?? "").Trim();
        if (question.Length is 0 or > 200)
        {
            Checks.Add("question", question.Length == 0 ? "There is no question." : "That question is too long.",
                "Ask it in one sentence of up to 200 letters: does this lift that more than something else?");
        }

        return question;
    }

    private string? Short(string field, string? typed, int most)
    {
        if (typed?.Length > most)
        {
            Checks.Add(field, "That is too long.", $"Use up to {most} letters.");
        }

        return string.IsNullOrWhiteSpace(typed) ? null : typed.Trim();
    }

    private double? Above(string field, string? typed)
    {
        if (string.IsNullOrWhiteSpace(typed))
        {
            return null;
        }

        var value = _fields.Quantity(field, typed, Dimension.Plain, 0, 1e9);
        if (Checks.Sound && value <= 0)
        {
            Checks.Add(field, "That is nothing.", "Give a figure above 0, or leave it empty.");
        }

        return value > 0 ? value : null;
    }

    private List<string> Factors(Trial t, TrialRequest r)
    {
        List<string> factors = [.. (r.Factors ?? []).Select(f => (f ?? "").Trim()).Where(f => f.Length > 0)];
        var want = t.Design is Design.Factorial or Design.SplitPlot ? 2 : 1;
        if (factors.Count < want || factors.Count > (t.Design == Design.Factorial ? 5 : want) || factors.Distinct().Count() != factors.Count
            || factors.Any(f => f.Length > 40 || f.Contains(',')))
        {
            Checks.Add("factors", $"{(factors.Count == 0 ? "No factor is" : $"{factors.Count} factors are")} named for {t.Design.Word()}.",
                want == 2 ? "Name what is crossed: two factors, up to five where all are crossed, each with a short name of its own, "
                    + "without commas." : "Name one factor, such as treatment.");
        }

        return factors.Count == 0 ? ["treatment"] : factors;
    }

    private void Places(Trial t, TrialRequest r)
    {
        var places = (r.Places ?? []).Select((p, i) => new LayoutPlace(
            _fields.Name($"places[{i}].name", p.Name, "the place"),
            _fields.Quantity($"places[{i}].length", p.Length, Dimension.Length, 0.2, 2000),
            _fields.Quantity($"places[{i}].width", p.Width, Dimension.Length, 0.2, 500))).ToList();
        if (places.Count is 0 or > 40)
        {
            Checks.Add("places", places.Count == 0 ? "No ground was chosen." : "That is more than forty places.",
                "Choose the beds, the bench or the field that it lies on.");
        }

        t.Places = places;
    }

    private async Task Treatments(Trial t, TrialRequest r, List<string> factors)
    {
        var asked = r.Treatments ?? [];
        if (asked.Count is < 2 or > 200)
        {
            Checks.Add("treatments", asked.Count < 2 ? "There is nothing to compare." : "That is more than two hundred.",
                "Give 2 to 200 treatments, a control among them.");
            return;
        }

        var inputs = asked.Select(a => a.InputId).OfType<int>().ToList();
        var known = await db.Inputs.Where(i => inputs.Contains(i.Id)).ToListAsync();
        var read = new List<TrialTreatment>();
        foreach (var (a, i) in asked.Select((a, i) => (a, i)))
        {
            List<string> levels = factors.Count == 1 && a.Levels is null or { Count: 0 }
                ? [(a.Name ?? "").Trim()] : [.. (a.Levels ?? []).Select(l => (l ?? "").Trim())];
            if (levels.Count != factors.Count || levels.Any(l => l.Length is 0 or > 60 || (factors.Count > 1 && l.Contains(','))))
            {
                Checks.Add($"treatments[{i}].name", "It has no name, or not a level for each factor.",
                    "Say in a few words, without commas, what is done to it.");
            }

            if (a.InputId is { } id && known.All(k => k.Id != id))
            {
                Checks.Add($"treatments[{i}].inputId", "That is not on the shelf.", "Choose one from the shelf, or none.");
            }

            read.Add(new TrialTreatment {
                Order = i,
                Name = string.Join(", ", levels),
                Levels = [.. factors.Zip(levels, (f, l) => new FactorLevel(f, l))],
                Role = a.Role ?? TrialRole.Treatment,
                InputId = a.InputId,
                RatePerM2 = Rate(t, a, i),
                RateTyped = string.IsNullOrWhiteSpace(a.Rate) ? null : $"{a.Rate.Trim()} {RateBases.Word(a.RateBasis)}",
                WaterLPerM2 = _fields.Optional($"treatments[{i}].water", a.Water, Dimension.Volume, 0, units.IsUs() ? 5 : 50) is { } water
                    ? Per.SquareSi(water, units) : null,
            });
        }

        if (read.GroupBy(x => x.Name).FirstOrDefault(g => g.Count() > 1) is { } twice)
        {
            Checks.Add("treatments", $"“{twice.Key}” is there twice.",
                "Give each treatment a name of its own; replicates are made by the layout.");
        }

        if (Same(t.Treatments, read))
        {
            foreach (var (old, now) in t.Treatments.OrderBy(x => x.Order).Zip(read))
            {
                (old.Levels, old.Role, old.InputId, old.RatePerM2, old.RateTyped, old.WaterLPerM2) =
                    (now.Levels, now.Role, now.InputId, now.RatePerM2, now.RateTyped, now.WaterLPerM2);
            }

            return;
        }

        db.RemoveRange(t.Plots);
        t.Plots.Clear();
        db.RemoveRange(t.Treatments);
        t.Treatments.Clear();
        t.Treatments.AddRange(read);
    }

    private static bool Same(List<TrialTreatment> old, List<TrialTreatment> now) => old.OrderBy(x => x.Order).Select(x => x.Laid().Full)
        .SequenceEqual(now.Select(x => x.Laid().Full));

    private double? Rate(Trial t, TreatmentRequest a, int i)
    {
        if (string.IsNullOrWhiteSpace(a.Rate))
        {
            return null;
        }

        var field = $"treatments[{i}].rate";
        var volume = AmountText.Read(field, a.Rate, Dimension.Volume, units);
        var amount = volume.Refused is null ? volume.Value.Si * 1000 : _fields.Quantity(field, a.Rate, Dimension.Mass, 0, 1e9);
        return (a.RateBasis ?? "perM2") switch {
            "perM2" => amount,
            "perHa" => amount / 10_000,
            "perFt2" => Per.SquareSi(amount, UnitSystem.UsCustomary),
            "perAcre" => Per.LargeSi(amount, UnitSystem.UsCustomary) / 10_000,
            "perPlot" => amount / Math.Max(PlotM2(t), 0.01),
            _ => Unknown(field, a.RateBasis!),
        };
    }

    private double? Unknown(string field, string basis)
    {
        Checks.Add(field, $"“{basis}” is not known here.", "Choose perM2, perPlot, perHa, perFt2 or perAcre.");
        return null;
    }

    private static double PlotM2(Trial t)
    {
        var places = t.Places;
        var plots = Math.Max(1, t.Replicates * Math.Max(2, t.Treatments.Count));
        return places.Sum(p => p.LengthM * p.WidthM) / plots;
    }

    private void Measures(Trial t, TrialRequest r)
    {
        var read = (r.Measures ?? []).Select((m, i) => Measure(m, i)).ToList();
        if (read.Count is 0 or > 12)
        {
            Checks.Add("measures", read.Count == 0 ? "Nothing is measured." : "That is more than twelve measures.",
                "Choose what is measured; the first is the main one.");
        }

        if (t.Measures.OrderBy(m => m.Order).Select(Key).SequenceEqual(read.Select(Key)))
        {
            return;
        }

        // Figures hang on measures: those that stay keep their place, new ones are added, and one without figures may go.
        var old = t.Measures.ToDictionary(m => $"{m.Name} {m.Unit}", m => m);
        var gone = t.Measures.Where(m => read.All(n => $"{n.Name} {n.Unit}" != $"{m.Name} {m.Unit}")).ToList();
        db.RemoveRange(gone);
        t.Measures.RemoveAll(gone.Contains);
        foreach (var m in read)
        {
            if (old.TryGetValue($"{m.Name} {m.Unit}", out var same) && !gone.Contains(same))
            {
                (same.Order, same.Kind, same.Low, same.High, same.LowerIsBetter, same.OutOf, same.Dates) =
                    (m.Order, m.Kind, m.Low, m.High, m.LowerIsBetter, m.OutOf, m.Dates);
            }
            else
            {
                t.Measures.Add(m);
            }
        }
    }

    private static string Key(TrialMeasure m) => $"{m.Name}|{m.Unit}|{m.Kind}|{m.Low}|{m.High}|{m.LowerIsBetter}|{m.OutOf}|{m.Dates}";

    private TrialMeasure Measure(MeasureRequest m, int i)
    {
        var ready = MeasureKinds.Find(m.KindId);
        if (m.KindId is not null && ready is null)
        {
            Checks.Add($"measures[{i}].kindId", $"“{m.KindId}” is not known here.", "Choose one from the list, or name your own.");
        }

        var (low, high) = (m.Low ?? ready?.Low ?? 0, m.High ?? ready?.High ?? 1e6);
        if (!(low < high) || !double.IsFinite(low) || !double.IsFinite(high))
        {
            Checks.Add($"measures[{i}].low", "The lowest likely figure is not below the highest.",
                "Give a range outside which a figure should be asked about.");
        }

        var kind = ready?.Kind ?? m.Kind ?? Scale.Amount;
        double? outOf = kind == Scale.Count ? Checks.Range($"measures[{i}].outOf", m.OutOf, 1, 100_000, "",
            "Say how many were sown or looked at on each plot.") : null;
        return new TrialMeasure {
            Order = i,
            Name = ready?.Name ?? _fields.Name($"measures[{i}].name", m.Name, "the measure"),
            Unit = ready?.Unit ?? Short($"measures[{i}].unit", m.Unit, 30) ?? "",
            Kind = kind,
            Low = low,
            High = high,
            LowerIsBetter = ready?.LowerIsBetter ?? m.LowerIsBetter,
            OutOf = outOf,
            Dates = _fields.OneOf<DatesTo>($"measures[{i}].dates", m.Dates ?? "last"),
        };
    }

    /// <summary>A control, and water only beside a liquid, or the reason why not in the grower's words.</summary>
    private void Controls(Trial t, TrialRequest r)
    {
        t.NoControlWhy = Short("noControlWhy", r.NoControlWhy, 300);
        t.NoWaterWhy = Short("noWaterWhy", r.NoWaterWhy, 300);
        if (t.Treatments.Count > 0 && t.Treatments.All(x => x.Role != TrialRole.Control) && t.NoControlWhy is null)
        {
            Checks.Add("noControlWhy", "There is no untreated control.",
                "Add one, or say in words why not: it is kept beside the verdict.");
        }

        if (t.Liquid && t.Treatments.Count > 0 && t.Treatments.All(x => x.Role != TrialRole.Water)
            && t.Design is not (Design.Factorial or Design.SplitPlot) && t.NoWaterWhy is null)
        {
            Checks.Add("noWaterWhy", "Nothing gets water only.", "Plants often thank the water: add it, or say in words why not.");
        }
    }
}
