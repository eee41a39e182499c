using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Records;

namespace MudPie.Server.Mixing;

/// <summary>What a new job of mixing begins with.</summary>
internal static class MixStarts
{
    /// <summary>What goes into a mix: not what goes into a sprayer.</summary>
    public static bool Fits(ShelfPart p) => p.Kind is "compost" or "castings" or "char" or "chargedChar" or "part" or "mix" or "mineral"
        or "organicFeed" or "manure" or "driedSeaweed" or "other";

    /// <summary>From the shelf, or from a trial's treatments: a mix for each.</summary>
    public static async Task<Ok<MixRequest>> Start(HoldingDb db, MixDesk desk, int? trial = null)
    {
        var known = await desk.Known();
        var parts = Parts(known);
        var first = new MixRequest {
            Name = "potting mix",
            Into = Filling.Pots,
            Pot = known.Units == UnitSystem.UsCustomary ? "1 gal" : "3 L",
            Parts = [.. parts.Select(p => p.Part)],
            Mixes = [new MixWanted { Name = "mix 1", Count = "12", Shares = [.. parts.Select(p => p.Share)] }],
            Spare = "10",
            Loss = "10",
            Settle = "0",
        };
        var asked = trial is null ? null : await db.Trials.AsNoTracking().Where(t => t.Id == trial).Select(t => new {
            t.Id, t.Question, Treatments = t.Treatments.OrderBy(x => x.Order).Select(x => new { x.Id, x.Name }).ToList(),
            Plots = t.Plots.Select(p => p.TreatmentId).ToList(),
        }).FirstOrDefaultAsync();
        return TypedResults.Ok(asked is null ? first : first with {
            Name = asked.Question.Length > Core.Workings.Names.Most ? asked.Question[..Core.Workings.Names.Most].TrimEnd() : asked.Question,
            TrialId = asked.Id,
            Mixes = [.. asked.Treatments.Take(MixReading.Most).Select(t => new MixWanted {
                Name = t.Name,
                Count = Math.Max(1, asked.Plots.Count(p => p == t.Id)).ToString(System.Globalization.CultureInfo.InvariantCulture),
                Shares = first.Mixes[0].Shares,
            })],
        });
    }

    /// <summary>A base, something living and air, as far as the shelf has them; plain names where it has none.</summary>
    private static List<(MixPartAsked Part, string Share)> Parts(MixKnown known)
    {
        (MixPartAsked, string) Of(string share, string name, params string[] materials)
        {
            var found = known.Shelf.Where(p => Fits(p.Value) && materials.Contains(Materials.For(p.Value.Kind, p.Value.Name)?.Id))
                .OrderByDescending(p => p.Value.LeftL ?? 0).ThenBy(p => p.Key).FirstOrDefault();
            return (found.Value is null ? new MixPartAsked { Name = name } : new MixPartAsked { InputId = found.Key }, share);
        }

        return [Of("60", "coir", "coir", "peat"), Of("40", "castings", "castings", "compost")];
    }
}
