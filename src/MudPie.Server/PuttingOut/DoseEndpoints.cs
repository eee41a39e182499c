using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Shelf;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.PuttingOut;

/// <summary>A dose by organisms, as typed.</summary>
public sealed record DoseRequest
{
    public int? InputId { get; init; }

    /// <summary>Organisms wanted on each: "1e6", "2 million".</summary>
    public string? Target { get; init; }

    /// <summary>What the target is for: a <see cref="DoseEach"/> by its word.</summary>
    public string? Per { get; init; }

    public string? Count { get; init; }

    /// <summary>Ratio of an injector, "1:100"; empty for none.</summary>
    public string? Ratio { get; init; }

    /// <summary>Feed through the injector.</summary>
    public string? Feed { get; init; }

    public string? Flow { get; init; }

    public bool WithFeeds { get; init; }

    /// <summary>Warmth of the feed tank.</summary>
    public string? Warmth { get; init; }

    /// <summary>Dose each time in the course; the label's when empty.</summary>
    public string? Dose { get; init; }

    public string? EveryDays { get; init; }

    public string? Crop { get; init; }

    public DateOnly? From { get; init; }

    public DateOnly? Harvest { get; init; }
}

/// <summary>What was worked out, each part on its own so that one gap does not hide the rest.</summary>
public sealed record DoseView(
    string Name, LifeForm Kind, string LotSays, double ViableShare, Worked<InoculantAnswer>? Dose, string? AmountInTools,
    Worked<InjectorAnswer>? Injector, Worked<Verdict>? Tank, Worked<CourseAnswer>? Course,
    IReadOnlyList<string> Asks, string CostShown);

/// <summary>Inoculants by organisms.</summary>
public static class DoseEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapDoses(this IEndpointRouteBuilder api) =>
        api.MapPost("/put-out/dose/work-out", WorkOut).ForVisitor("One dose for one bed, by label and by stage.");

    private static async Task<Results<Ok<DoseView>, Refused>> WorkOut(DoseRequest r, HoldingDb db, HoldingClock clock, StockKeeper stock)
    {
        var units = await clock.Units();
        var fields = new TypedFields(units);
        var input = await db.Inputs.AsNoTracking().FirstOrDefaultAsync(i => i.Id == r.InputId);
        var kind = input is null ? null : InputKinds.Of(input.Kind);
        if (input is null || kind?.Life is not { } form)
        {
            return Problems.Of(Refusal.Of("inputId", input is null
                ? "No inoculant was chosen." : $"{input.Name} carries no life that is dosed by number.",
                "Choose an inoculant of the shelf; add one there with its label."));
        }

        var species = input.Species is null ? [] : input.Species;
        var standing = (await stock.Standing([input.Id])).GetValueOrDefault(input.Id) ?? [];
        var first = Stock.Take(standing, Math.Max(1e-6, Math.Min(0.001, standing.Sum(l => Math.Max(0, l.Left)))), clock.Now).Value.Draws;
        var lot = first.Count > 0 ? await db.Lots.AsNoTracking().FirstAsync(l => l.Id == first[0].LotId) : null;
        var age = lot is null ? 0 : Math.Max(0, (clock.Now - lot.From).TotalDays);
        var kept = lot?.KeptC ?? 20;
        var dose = InoculantDose.Of(new InoculantQuestion {
            Target = OrganismCount.Read(r.Target, "target", fields),
            Per = r.Per,
            Count = fields.Quantity("count", r.Count, Dimension.Plain, 1e-6, 1e9),
            LabelCount = species.Count == 0 ? null : species.Sum(s => s.Count ?? 0),
            LabelPer = input.LabelPer,
            Kind = form,
            AgeDays = age,
            KeptC = kept,
            LabelDose = input is { LabelRate: { } rate, LabelBasis: { } basis } ? DoseEach.Read(r.Per)?.Label(basis, rate) : null,
            Price = input.Price,
            Units = fields.Units,
        });
        if (!fields.Checks.Sound)
        {
            return Problems.Of(fields.Checks.Refusal);
        }

        if (dose.Refused is { } no && no.Problems.FirstOrDefault(p => p.Field is not ("labelCount" or "labelPer")) is { } wrong)
        {
            return Problems.Of(Refusal.Of(wrong.Field, wrong.Wrong, wrong.WayOut));
        }

        var (injector, tank) = Injector(r, dose, fields);
        var course = Course(r, input, species, form, age, kept, fields);
        if (!fields.Checks.Sound)
        {
            return Problems.Of(fields.Checks.Refusal);
        }

        var worked = dose.Refused is null ? dose.Worked : null;
        return TypedResults.Ok(new DoseView(
            input.Name, form, lot is null ? "No lot is counted: taken as fresh."
                : $"From {lot.Mark}, {Say.Number(age)} days old, kept at {Units.Show(kept, Dimension.Temperature, units)}.",
                InoculantDose.Viable(form, age, kept),
            worked, worked is { Value.Unit: "mL" } w ? Spoons.InTools(new Litres(w.Value.Amount / 1000), units).WithError : null, injector,
            tank, course, [.. Asks(input, species.Count)],
            worked?.Value.CostPer1E9 is { } cost ? $"{Say.Money(cost, null)} for a thousand million alive" : "no price known"));
    }

    private static IEnumerable<string> Asks(Input input, int species)
    {
        if (input.LabelPer is null)
        {
            yield return "Its label count says nothing without its “per”: is it per mL or per g? Put it right on the shelf.";
        }

        if (species == 0)
        {
            yield return "The shelf knows no organism of it: add its label.";
        }
    }

    private static (Worked<InjectorAnswer>? Injector, Worked<Verdict>? Tank) Injector(DoseRequest r, Ruling<InoculantAnswer> dose,
        TypedFields fields)
    {
        if (string.IsNullOrWhiteSpace(r.Ratio) || dose.Refused is not null)
        {
            return (null, null);
        }

        var ratio = fields.Quantity("ratio", r.Ratio.Trim().Replace("1:", "", StringComparison.Ordinal), Dimension.Plain, 1, 2000,
            "1:100 is 100.");
        var feed = fields.Quantity("feed", r.Feed, Dimension.Volume, 0.1, 1_000_000);
        var flow = fields.Optional("flow", r.Flow, Dimension.Flow, 0.1, 2000);
        var warmth = string.IsNullOrWhiteSpace(r.Warmth) ? 18 : fields.Quantity("warmth", r.Warmth, Dimension.Temperature, 0, 45);
        if (!fields.Checks.Sound)
        {
            return (null, null);
        }

        var stock = InjectorStock.Of(ratio, dose.Value.Amount / feed, feed, flow, r.WithFeeds, dose.Value.Unit, fields.Units);
        if (stock.Refused is { } refused)
        {
            fields.Checks.Add(refused.Problems[0].Field == "ratio" ? "ratio" : "feed", refused.Problems[0].Wrong,
                refused.Problems[0].WayOut);
            return (null, null);
        }

        return (stock.Worked, FeedTank.Of(r.WithFeeds, warmth).Worked);
    }

    private static Worked<CourseAnswer>? Course(DoseRequest r, Input input, IReadOnlyList<LabelSpecies> species, LifeForm life, double age,
        double kept, TypedFields fields)
    {
        var dose = string.IsNullOrWhiteSpace(r.Dose) ? null : (double?)fields.Quantity("dose", r.Dose, input.LabelPer == "g"
            ? Dimension.Mass : Dimension.Volume, 1e-7, 1e6) * (input.LabelPer == "g" ? 1 : 1000);
        var every = fields.Optional("everyDays", r.EveryDays, Dimension.Plain, 1, 365);
        if ((dose ?? input.LabelRate) is null || (every ?? input.LabelEveryDays) is null || !fields.Checks.Sound)
        {
            return null;
        }

        var course = InoculantCourse.Of(new CourseQuestion {
            Species = species,
            LabelPer = input.LabelPer,
            Kind = life,
            AgeDays = age,
            KeptC = kept,
            Crop = r.Crop,
            LabelDose = input.LabelRate,
            LabelEveryDays = input.LabelEveryDays,
            Dose = dose,
            EveryDays = every,
            From = r.From,
            Harvest = r.Harvest,
            Units = fields.Units,
            Price = input.Price,
        });
        if (course.Refused is { } refused && refused.Problems.Any(p => p.Field == "harvest"))
        {
            fields.Checks.Add(new Refusal([.. refused.Problems.Where(p => p.Field == "harvest")]));
        }

        return course.Refused is null ? course.Worked : null;
    }
}
