using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Measures;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Reckoning;

/// <summary>What is asked of a reckoning: an hour's worth, ground and years to be played with.</summary>
/// <param name="Hectares">Each thing on so much ground, in the holding's large area; null for its own of this year.</param>
/// <param name="Years">That it would be used for; null for five.</param>
/// <param name="Hour">An hour's worth; null for the holding's.</param>
public sealed record ReckoningAsked(double? Hectares = null, double? Years = null, double? Hour = null);

/// <summary>A practice with all that is known of it.</summary>
public sealed record Reckoned(string Key, string Name, PutInSum Sum, double? CostPerHa, Worked<WorthRow> Worth, WorthAsked Asked,
    IReadOnlyList<PutInPart> Parts)
{
    /// <summary>The trial that would settle it; null where it can't be told, or nothing is in doubt.</summary>
    public Ruling<ToTry>? Try { get; init; }

    /// <summary>Ground that it would be used on, ha.</summary>
    public double Hectares { get; init; }
}

/// <summary>A year that was reckoned.</summary>
/// <param name="From">Its first day.</param>
/// <param name="To">Its last.</param>
/// <param name="Rows">Practices, the dearest first.</param>
/// <param name="Parts">All that was put in.</param>
/// <param name="Beside">Hours that belong to none.</param>
public sealed record ReckonedYear(DateOnly From, DateOnly To, IReadOnlyList<Reckoned> Rows, IReadOnlyList<PutInPart> Parts,
    IReadOnlyList<WorkBeside> Beside)
{
    /// <summary>All hands, h.</summary>
    public double Hours => (Parts.Sum(p => p.Minutes) + Beside.Sum(b => b.Work.Sum(w => w.Minutes))) / 60;

    /// <summary>All money that is known.</summary>
    public double Money => Parts.Sum(p => p.Money) + Beside.Sum(b => b.Money);
}

/// <summary>Reckons a year: what was put in, what it was worth by the best evidence, and which doubt is worth a trial. The one place that
/// all pages ask.</summary>
public sealed class ReckoningDesk(HoldingDb db, HoldingClock clock, JobsBook jobs, EvidenceBook evidence, ClaimDesk claims)
{
    /// <summary>Years that a thing is thought to be used for where nobody says.</summary>
    public const double UsualYears = 5;

    private const int HarvestYears = 3;

    /// <summary>The year that ends now, or one that ended so many years ago.</summary>
    /// <param name="a">What is played with.</param>
    /// <param name="ago">0 for this year, 1 for the last.</param>
    /// <param name="stop">Ends a long sum when whoever asked has gone.</param>
    public async Task<ReckonedYear> Year(ReckoningAsked a, int ago, CancellationToken stop)
    {
        var (terms, local) = (await db.Reckonings.Newest(), await clock.Local());
        // what is written down this minute counts, by clocks that may differ a little
        var (to, from) = (ago == 0 ? clock.Now.AddMinutes(5) : clock.Now.AddYears(-ago), clock.Now.AddYears(-ago - 1));
        var parts = PutIn.Parts(await jobs.Jobs(from, to, terms), terms);
        var crops = await CropsPerHa(terms);
        var hourly = a.Hour ?? (await clock.Find())?.HourlyWage;
        List<Reckoned> rows = [];
        foreach (var group in parts.GroupBy(p => p.Practice))
        {
            rows.Add(await Row(group.Key, [.. group], (terms, hourly, a, crops), stop));
        }

        DateOnly Day(DateTimeOffset at) => DateOnly.FromDateTime(local(at).DateTime);
        return new ReckonedYear(Day(from), Day(clock.Now.AddYears(-ago)),
            [.. rows.OrderByDescending(r => r.Sum.Money + (r.Sum.Hours * (hourly ?? 1))).ThenBy(r => r.Name, StringComparer.Ordinal)],
            parts, await jobs.Beside(from, to, terms));
    }

    private async Task<Reckoned> Row(string key, List<PutInPart> parts,
        (ReckoningTerms Terms, double? Hourly, ReckoningAsked Asked, Dictionary<string, double> Crops) with, CancellationToken stop)
    {
        var (thing, ground) = (parts[^1].Thing, parts[^1].Ground);
        var words = await Words(thing);
        var sum = PutIn.Sum(parts);
        var cost = PutIn.CostPerHa(sum, with.Hourly);
        var crop = with.Crops.TryGetValue(Practices.CropKey(ground.Crop), out var brings) ? brings : (double?)null;
        var asked = new WorthAsked {
            Name = Practices.Name(thing.Name, ground.Crop), CostPerHa = cost, CropPerHa = crop,
            Own = await evidence.Own(thing, words, ground.Crop, with.Terms, stop),
            Together = await evidence.Together(words, ground.Crop, with.Terms, stop),
            Published = await Published(words),
        };
        var worth = Worth.Of(asked);
        var hectares = with.Asked.Hectares is { } large ? Units(large, await clock.Units()) : sum.Hectares;
        return new Reckoned(key, asked.Name, sum, cost, worth, asked, parts) {
            Hectares = hectares,
            Try = worth.Value.Priced && worth.Value.Sd > 0 && cost is { } c ? ToTryOf.Of(Trial(worth.Value, c, sum, parts, asked) with {
                Hectares = hectares,
                Years = with.Asked.Years ?? UsualYears,
                Hourly = with.Hourly,
            }, new UsualMinutes(with.Terms.Minutes)) : null,
        };
    }

    /// <summary>Ground in the holding's large area as hectares.</summary>
    private static double Units(double large, UnitSystem units) => large * Per.Large(1, units);

    private static TryAsked Trial(WorthRow row, double cost, PutInSum sum, List<PutInPart> parts, WorthAsked asked)
    {
        var own = asked.Own.FirstOrDefault(f => f is { Noise: > 0, PerHa: > 0 });
        var area = parts.Sum(p => p.Ground.AreaM2);
        var wet = parts.Sum(p => p.WaterL) > 0;
        return new TryAsked {
            Row = row, CostPerHa = cost, Hectares = sum.Hectares, Years = UsualYears, CropPerHa = asked.CropPerHa,
            NoisePerHa = own is null ? null : own.Noise * own.PerHa, NoiseSays = own is null ? "" : $"from {own.Label}",
            PlotM2 = own?.PlotM2 ?? 2, Arms = wet ? 3 : 2, Givings = Math.Max(1, sum.Jobs),
            StuffPerM2 = area > 0 ? parts.Sum(p => p.Money) / area : 0,
            WaterPerM2 = wet && area > 0 ? parts.Sum(p => p.WaterL) / area : null,
        };
    }

    /// <summary>Words by which a thing is known in trials and claims: its name, its kind on the shelf, or what brews are called.</summary>
    private async Task<IReadOnlyList<string>> Words(ThingOut thing)
    {
        if (thing.Making is { } making)
        {
            return Practices.Words(making);
        }

        _kinds ??= await db.Inputs.AsNoTracking().ToDictionaryAsync(i => i.Id, i => i.Kind);
        var kind = thing.InputId is { } id ? InputKinds.Of(_kinds.GetValueOrDefault(id) ?? "other") : null;
        return kind is null || kind.Kind is "other" or "part" or "mineral" or "preparation" or "mix" or "byproduct" or "organicFeed"
            or "compost" ? [thing.Name] : [thing.Name, kind.Kind, kind.Kind switch {
                "kelpLiquid" or "driedSeaweed" or "kelpPowder" => "seaweed", "chargedChar" => "char", _ => kind.Name,
            }];
    }

    private Dictionary<int, string>? _kinds;

    /// <summary>What each crop brings on a hectare: kilograms weighed here on its beds over three years, by its price.</summary>
    private async Task<Dictionary<string, double>> CropsPerHa(ReckoningTerms terms)
    {
        var since = clock.Now.AddYears(-HarvestYears);
        var rows = await db.Harvests.ThatStand().AsNoTracking().Where(h => h.At > since && h.Bed.AreaM2 > 0)
            .Select(h => new { h.BedId, h.Crop, h.At, h.Kg, h.Bed.AreaM2 }).ToListAsync();
        return rows.GroupBy(h => Practices.CropKey(h.Crop)).Where(g => terms.Price(g.Key) is not null).ToDictionary(g => g.Key, g =>
            g.GroupBy(h => (h.BedId, h.At.Year)).Average(y => y.Sum(h => h.Kg) / y.First().AreaM2 * 10_000) * terms.Price(g.Key)!.Value);
    }

    /// <summary>What is published of a thing, graded as the grower's own card of the claim grades it.</summary>
    private async Task<PublishedEffect?> Published(IReadOnlyList<string> words)
    {
        var effect = words.Select(PublishedEffects.Of).FirstOrDefault(p => p is not null);
        _cards ??= [.. (await claims.Cards()).Select(c => c.Card)];
        return effect is not null && _cards.FirstOrDefault(c => c.Key == effect.Claim) is { } card ? effect with { Grade = card.Grade }
            : effect;
    }

    /// <summary>Claims that speak of a thing, by their keys.</summary>
    public async Task<IReadOnlyList<string>> Claims(Reckoned row)
    {
        _cards ??= [.. (await claims.Cards()).Select(c => c.Card)];
        var thing = string.Join(", ", await Words(row.Parts[^1].Thing));
        return [.. _cards.Where(c => Core.Judging.Claims.ClaimFinds.Names(c, thing)).Select(c => c.Key)];
    }

    private List<Core.Judging.Claims.ClaimCard>? _cards;
}
