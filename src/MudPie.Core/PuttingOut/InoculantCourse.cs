using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>One kind of organism on a label.</summary>
public sealed record LabelSpecies
{
    /// <summary>As on the label.</summary>
    public required string Name { get; init; }

    /// <summary>Count per mL or g, 1 to 1e13.</summary>
    public double? Count { get; init; }
}

/// <summary>An inoculant, its label, and how it is meant to be given over a season.</summary>
public sealed record CourseQuestion
{
    /// <summary>Units that its sentences speak in.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public UnitSystem Units { get; init; }

    /// <summary>What is on the label; several add up.</summary>
    public IReadOnlyList<LabelSpecies> Species { get; init; } = [];

    /// <summary>"mL" or "g".</summary>
    public string? LabelPer { get; init; }

    /// <summary>In what form it lives.</summary>
    public LifeForm? Kind { get; init; }

    /// <summary>Days since it was made, 0 to 3650; 0 when not given.</summary>
    public double? AgeDays { get; init; }

    /// <summary>Where it is kept, −20 to 50 °C; 20 when not given.</summary>
    public double? KeptC { get; init; }

    /// <summary>Crop, in the grower's words.</summary>
    public string? Crop { get; init; }

    /// <summary>Label's dose each time, mL or g.</summary>
    public double? LabelDose { get; init; }

    /// <summary>Label's days between, 1 to 365.</summary>
    public double? LabelEveryDays { get; init; }

    /// <summary>Dose meant, mL or g; the label's when not given.</summary>
    public double? Dose { get; init; }

    /// <summary>Days between, as meant; the label's when not given.</summary>
    public double? EveryDays { get; init; }

    /// <summary>Sowing or transplanting.</summary>
    public DateOnly? From { get; init; }

    /// <summary>First harvest.</summary>
    public DateOnly? Harvest { get; init; }

    /// <summary>Price of a litre or kilogram; null where not known.</summary>
    public double? Price { get; init; }
}

/// <summary>One dose of a course.</summary>
public sealed record CourseDose(DateOnly On, string Stage, double Amount, double Organisms, string Why);

/// <summary>A course from seedling to harvest.</summary>
/// <param name="PerWeek">Organisms a week as meant.</param>
/// <param name="LabelPerWeek">Organisms a week by the label; null where it does not say.</param>
/// <param name="Share">One over the other; null where the label does not say.</param>
/// <param name="MakeUp">Single dose at this interval that keeps up with the label, mL or g; null where it keeps up already.</param>
/// <param name="Doses">Dates, stage by stage.</param>
/// <param name="Total">Of the product, mL or g.</param>
/// <param name="Cost">In the holding's money; null where no price is known.</param>
/// <param name="Host">What is known of the crop as a host; null where it does not matter.</param>
/// <param name="Verdict">In a sentence.</param>
public sealed record CourseAnswer(
    double PerWeek, double? LabelPerWeek, double? Share, double? MakeUp, IReadOnlyList<CourseDose> Doses, double Total, double? Cost,
    string? Host, Verdict Verdict);

/// <summary>Rate and interval together, from seedling to harvest.</summary>
public static class InoculantCourse
{
    /// <summary>The crop's own name where it does not host mycorrhiza, or null. By crop: grape is not rape, and a variety's name is no
    /// crop.</summary>
    public static string? NonHost(string? crop) => Ground.Crops.Find(crop) is { HostsMycorrhiza: false } found ? found.Name : null;

    /// <summary>organisms a week = dose × Σ label counts × alive × 7 ÷ days between.</summary>
    /// <remarks>10 mL of 1e8 per mL every 28 days against the label's every 14: 2.5e8 a week, half the label's 5e8; 20 mL would make
    /// up.</remarks>
    public static Ruling<CourseAnswer> Of(CourseQuestion q)
    {
        var checks = new Checks();
        if (q.Species.Count == 0)
        {
            checks.Add("species", "The label names no organism.", "Give each with its count per mL or g; several add up.");
        }

        for (var i = 0; i < q.Species.Count; i++)
        {
            checks.Range($"species[{i}].count", q.Species[i].Count, 1, 1e13, "");
        }

        if (q.LabelPer is not ("mL" or "g"))
        {
            checks.Add("labelPer", "The label's count says nothing without its “per”.",
                "Is it per mL or per g? It stands beside the number; powders and granules go by the gram.");
        }

        var kind = checks.One("kind", q.Kind, "It is not said what kind it is.");
        var age = checks.Range("ageDays", q.AgeDays ?? 0, 0, 3650, "days");
        var kept = checks.Range("keptC", q.KeptC ?? 20, -20, 50, "°C");
        var dose = checks.Range("dose", q.Dose ?? q.LabelDose, 1e-4, 1e7, q.LabelPer ?? "");
        var every = checks.Range("everyDays", q.EveryDays ?? q.LabelEveryDays, 1, 365, "days");
        if (q.From is { } f && q.Harvest is { } h && (h < f || h > f.AddYears(2)))
        {
            checks.Add("harvest", "The harvest is not within two years after the start.", "Give the first day of harvest.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var label = q.Species.Sum(s => s.Count!.Value);
        var alive = InoculantDose.Viable(kind, age, kept);
        var weekly = dose * label * alive * 7 / every;
        var labelWeekly = q is { LabelDose: { } ld, LabelEveryDays: { } le } ? ld * label * 7 / le : (double?)null;
        var share = weekly / labelWeekly;
        var makeUp = share < 0.999 ? dose / share : null;
        var host = q.Kind == LifeForm.Propagules ? Host(q.Crop) : null;
        var doses = Doses(q, dose, every, label * alive);
        var total = doses.Sum(d => d.Amount);
        return Worked.Of(
            new CourseAnswer(weekly, labelWeekly, share, makeUp, doses, total, q.Price is > 0 ? total / 1000 * q.Price : null, host,
                Says(q, share, makeUp, host, alive)),
            "", Evidence.PractitionersRule,
            [
                new("on the label", "Σ counts", string.Join(" + ", q.Species.Select(s => $"{s.Count:0.##e+0}")),
                    $"{label:0.##e+0} per {q.LabelPer}", "the label"),
                new("still alive", "e^(−ln 2 · days ÷ half-life · 2^((T − 20) ÷ 10))",
                    $"{kind.Word()}, {Say.Number(age)} days at {Say.Number(kept)} °C", $"{Say.Number(alive * 100)} %",
                    "house figures until a lot is counted"),
                new("a week, as meant", "dose × label × alive × 7 ÷ days",
                    $"{Say.Number(dose)} {q.LabelPer} × {label:0.##e+0} × {Say.Number(alive)} × 7 ÷ {Say.Number(every)}",
                    $"{weekly:0.##e+0}", "sum"),
                new("a week, by the label", "label dose × label × 7 ÷ label days", labelWeekly is null
                    ? "the label does not say"
                    : $"{Say.Number(q.LabelDose!.Value)} × {label:0.##e+0} × 7 ÷ {Say.Number(q.LabelEveryDays!.Value)}", labelWeekly is null
                        ? "not known" : $"{labelWeekly:0.##e+0}", "the label, taken as fresh"),
            ],
            [new("label-is-law", "Where the product is registered its label is law: this sum does not stand above it.", Cautions.Usual)]);
    }

    private static string? Host(string? crop) => NonHost(crop) is { } word
        ? $"{char.ToUpperInvariant(word[0])}{word[1..]} does not host mycorrhiza: leave it out here."
        : string.IsNullOrWhiteSpace(crop) ? "Which crop? Brassicas, beets and their kin do not host it."
        : "It must touch roots: in the planting hole, in the row, or as a root dip; on top of the ground it does nothing.";

    private static List<CourseDose> Doses(CourseQuestion q, double dose, double every, double perUnit)
    {
        var list = new List<CourseDose>();
        if (q.From is not { } from || q.Harvest is not { } harvest)
        {
            return list;
        }

        var days = harvest.DayNumber - from.DayNumber;
        for (var at = 0.0; at <= days && list.Count < 200; at += every)
        {
            var share = days == 0 ? 0 : at / days;
            var (stage, why) = share switch {
                0 => ("seedling or transplant", "young roots gain most"),
                < 0.25 => ("root growth", "roots are reaching out"),
                < 0.5 => ("leaf growth", "keeps the numbers up"),
                < 0.75 => ("flower and set", "stress falls here"),
                _ => ("filling", "late: little is gained, a place to save"),
            };
            if (q.Kind == LifeForm.Propagules && at > 0)
            {
                break; // once it is in the root it spreads with the root
            }

            list.Add(new CourseDose(from.AddDays((int)Math.Round(at)), stage, dose, dose * perUnit, why));
        }

        return list;
    }

    private static Verdict Says(CourseQuestion q, double? share, double? makeUp, string? host, double alive)
    {
        if (host is not null && NonHost(q.Crop) is not null)
        {
            return new(Tone.Stop, host, "Spores and living bacteria do not mind what crop it is; mycorrhiza does.");
        }

        var kind = q.Kind switch {
            LifeForm.Spores => "Dormant spores stand chlorine and salt until they have sprouted; shake the bottle, they settle.",
            LifeForm.Living =>
                "Living cells stand neither chlorine nor salt nor a hot tank; shake the bottle and use the tank within the day.",
            _ => host ?? "It must touch roots.",
        };
        if (share is null)
        {
            return new(Tone.Go, "That can be done.", $"The label gives no dose and interval to compare with. {kind}");
        }

        return share < 0.999
            ? new(Tone.Mind, $"Thinned to {Say.Number(share.Value * 100, 2)} % of the label's organisms a week.",
                $"{(alive < 0.98 ? $"{Say.Number(alive * 100, 2)} % are still alive. " : "")}"
                    + $"{Per.Product(makeUp!.Value, q.LabelPer!, q.Units)} each time would make up for it. {kind}")
            : new(Tone.Go, share > 1.05 ? $"{Say.Number(share.Value * 100, 2)} % of the label's organisms a week: more than it asks."
                : "It keeps up with the label.", kind);
    }
}

/// <summary>How long a feed tank with life in it keeps.</summary>
public static class FeedTank
{
    /// <summary>Hours to use it within: 24 with organic feeds above 20 °C, 48 below; without feeds 72.</summary>
    /// <param name="withFeeds">Organic feeds are in it.</param>
    /// <param name="temperatureC">0 to 45 °C.</param>
    /// <remarks>Fish and spores at 24 °C: use it within 24 h.</remarks>
    public static Ruling<Verdict> Of(bool withFeeds, double? temperatureC)
    {
        var checks = new Checks();
        var t = checks.Range("temperatureC", temperatureC, 0, 45, "°C");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var hours = !withFeeds ? 72 : t > 20 ? 24 : 48;
        return Worked.Of(
            new Verdict(withFeeds ? Tone.Mind : Tone.Go, $"Use the tank within {hours} h.", withFeeds
                ? "With food in it they wake and grow, use up the oxygen, and block drippers with slime."
                : "Without food they sleep; in light and warmth algae come instead."),
            "h", Evidence.PractitionersRule,
            [new("keeps", withFeeds ? "24 h above 20 °C, 48 h below" : "72 h", $"{Say.Number(t)} °C", $"{hours} h",
                "practitioners' rule: a day or two")]);
    }
}
