using System.Globalization;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Server.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Reckoning;

/// <summary>From a doubt of the reckoning to the trial bench: the same trial again, or the thing against water and nothing.</summary>
public sealed class ReckoningPlans(HoldingDb db, HoldingClock clock, ReckoningDesk desk, TrialDesk trials)
{
    /// <summary>A plan that fills the bench; null where there is no such practice this year.</summary>
    /// <param name="practice">Its key.</param>
    /// <param name="plots">Plots of each; null for what the reckoning says.</param>
    /// <param name="stop">Ends a long sum when whoever asked has gone.</param>
    public async Task<TrialRequest?> Of(string practice, int? plots, CancellationToken stop)
    {
        var year = await desk.Year(new ReckoningAsked(), 0, stop);
        if (year.Rows.FirstOrDefault(r => r.Key == practice) is not { } row)
        {
            return null;
        }

        var many = Math.Clamp(plots ?? (row.Try is { Refused: null } t ? t.Value.PlotsOfEach : 5), 1, 40);
        var own = row.Asked.Own.FirstOrDefault(f => f is { Stands: true, TrialId: not null });
        return own is not null && await trials.Find(own.TrialId!.Value) is { } again ? Again(again, many)
            : Anew(row, many, (await db.Reckonings.Newest()).Price(row.Parts[^1].Ground.Crop), await clock.Units());
    }

    private static TrialRequest Again(Trial t, int plots) => new() {
        TemplateId = t.TemplateId, ProtocolId = t.ProtocolId, Question = t.Question, Crop = t.Crop, Season = "next season",
        Displaces = t.Displaces, Design = t.Design == Design.Pair ? Design.Blocks : t.Design, Kind = t.Kind, Liquid = t.Liquid,
        Factors = [.. t.Factors], Replicates = plots, WorthHaving = Typed(t.WorthHaving), Money = t.Money, NoControlWhy = t.NoControlWhy,
        NoWaterWhy = t.NoWaterWhy, Blind = true,
        Treatments = [.. t.Treatments.OrderBy(x => x.Order).Select(x =>
        {
            var (rate, basis) = RateBases.Cut(x.RateTyped);
            return new TreatmentRequest {
                Name = x.Name, Levels = [.. x.Levels.Select(l => l.Level)], Role = x.Role, InputId = x.InputId, Rate = rate,
                RateBasis = basis, Water = x.WaterLPerM2 is { } w ? $"{Typed(w)} L" : "",
            };
        })],
        Measures = [.. t.Measures.OrderBy(m => m.Order).Select(m => new MeasureRequest {
            KindId = MeasureKinds.All.FirstOrDefault(k => k.Name == m.Name && k.Unit == m.Unit && k.Kind == m.Kind)?.Id, Name = m.Name,
            Unit = m.Unit, Kind = m.Kind, Low = m.Low, High = m.High, LowerIsBetter = m.LowerIsBetter, OutOf = m.OutOf,
            Dates = m.Dates.Word(),
        })],
    };

    private static TrialRequest Anew(Reckoned row, int plots, double? price, UnitSystem units)
    {
        var (thing, crop) = (row.Parts[^1].Thing, row.Parts[^1].Ground.Crop);
        var (area, water) = (row.Parts.Sum(p => p.Ground.AreaM2), row.Parts.Sum(p => p.WaterL));
        var (wet, us) = (water > 0 || thing.Making is not null, units.IsUs());
        // a brew's own litres are the rate; what is from the shelf goes in so much water
        var each = row.Parts.Sum(p => p.Thing.Amount * p.Ground.Share) / area * Per.SquareSi(1, units);
        TreatmentRequest Arm(string name, TrialRole role) => new() {
            Name = name, Levels = [name], Role = role, Rate = "", RateBasis = us ? "perFt2" : "perM2", Water = "",
        };
        List<TreatmentRequest> arms = [Arm("nothing", TrialRole.Control)];
        if (wet)
        {
            arms.Add(Arm("water only", TrialRole.Water));
        }

        arms.Add(Arm(thing.Name, TrialRole.Treatment) with {
            InputId = thing.InputId,
            Rate = each <= 0 ? "" : thing.Unit == "kg" ? Units.Show(each * 1000, Dimension.Mass, units)
                : Units.Show(each, Dimension.Volume, units),
            Water = wet && thing.Making is null && water > 0 ? Units.Show(water / area * Per.SquareSi(1, units), Dimension.Volume, units)
                : "",
        });
        return new TrialRequest {
            Question = $"Does {thing.Name} lift {crop} more than {(wet ? "water alone" : "none")}?", Crop = crop, Season = "next season",
            Design = Design.Blocks, Kind = TrialKind.Beds, Liquid = wet, Factors = ["treatment"], Treatments = arms, Replicates = plots,
            Measures = [new MeasureRequest { KindId = us ? "yieldFt2" : "yieldM2", Dates = "last" }], Blind = true,
            NoControlWhy = "", NoWaterWhy = "", WorthHaving = "",
            Money = new TrialMoney {
                CostPerHa = us ? null : Rounded(row.CostPerHa),
                CostPerAcre = us && row.CostPerHa is { } c ? Rounded(Per.Large(c, units)) : null,
                PricePerUnit = price is { } p ? Per.Price(p, "kg", units) : null, Basis = us ? "perFt2" : "perM2",
            },
        };
    }

    private static double? Rounded(double? x) => x is { } v ? Math.Round(v, 2) : null;

    private static string Typed(double? x) => x?.ToString("0.######", CultureInfo.InvariantCulture) ?? "";
}
