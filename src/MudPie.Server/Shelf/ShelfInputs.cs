using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Shelf;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Shelf;

/// <summary>Something on the shelf as it is typed: what it is, its price, and its label.</summary>
internal static class ShelfInputs
{
    /// <summary>Keeps it, new or changed.</summary>
    public static Task<Results<Written<Kept>, Refused, Clash>> Keep(ShelfRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var input = r.Id is null ? null : await db.Inputs.FindAsync(r.Id.Value);
        if (r.Id is not null && input is null)
        {
            return Refusal.Of("id", "It is not there any more.", "Load the list again.");
        }

        if (input is null)
        {
            input = new Input { Name = "", Kind = "" };
            db.Inputs.Add(input);
        }

        db.Seen(input, r.Version, fields.Checks);
        var kind = fields.OneOf("kind", r.Kind, [.. InputKinds.All.Select(k => k.Kind)]);
        var unit = string.IsNullOrEmpty(r.Unit) ? InputKinds.Of(kind).Unit : fields.OneOf("unit", r.Unit, "L", "kg");
        if (input.Id != 0 && unit != StockKeeper.UnitOf(input) && await db.Lots.AnyAsync(l => l.InputId == input.Id))
        {
            fields.Checks.Add("unit", "Its lots are kept in the other unit already.",
                "Add it anew under another name, and use the old lots up.");
        }

        input.Name = fields.Name("name", r.Name, "it");
        (input.Kind, input.Unit) = (kind, unit);
        double? Plain(string field, string? typed, double low, double high, string? way = null) => string.IsNullOrWhiteSpace(typed)
            ? null : fields.Quantity(field, typed, Dimension.Plain, low, high, way);
        input.Density = Plain("density", r.Density, 0.05, 3, "kg in a litre; water is 1.");
        input.Price = Plain("price", r.Price, 0, 100_000, $"Of a {Per.PricedBy(unit, fields.Units)}.") is { } price
            ? Per.PriceSi(price, unit, fields.Units) : null;
        input.LabelEveryDays = Plain("labelEveryDays", r.LabelEveryDays, 1, 365);
        input.LabelWaitDays = Plain("labelWaitDays", r.LabelWaitDays, 0, 365);
        input.Ph = Plain("ph", r.Ph, 0, 14);
        input.Notes = string.IsNullOrWhiteSpace(r.Notes) ? null : r.Notes.Trim()[..Math.Min(r.Notes.Trim().Length, 500)];
        Label(r, input, unit, fields);
        Npk(r.Npk, input, fields);
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(input.Id));
    });

    private static void Label(ShelfRequest r, Input input, string unit, TypedFields fields)
    {
        var species = r.Species.Where(s => !string.IsNullOrWhiteSpace(s.Name) || !string.IsNullOrWhiteSpace(s.Count))
            .Select((s, i) => new LabelSpecies {
                Name = fields.Name($"species[{i}].name", s.Name, "the organism"),
                Count = OrganismCount.Read(s.Count, $"species[{i}].count", fields)
            }).ToList();
        if (species.Count > 12)
        {
            fields.Checks.Add("species", "That is more than twelve.", "Give the twelve that count.");
        }

        input.Species = species.Count == 0 ? null : species;
        input.LabelPer = species.Count == 0 ? null : r.LabelPer;
        if (species.Count > 0 && r.LabelPer is not ("mL" or "g"))
        {
            fields.Checks.Add("labelPer", "The label's count says nothing without its “per”.",
                "Is it per mL or per g? It stands beside the number; powders and granules go by the gram.");
        }

        (input.LabelRate, input.LabelBasis, input.LabelRates, input.LabelTyped) = (null, null, null, null);
        if (string.IsNullOrWhiteSpace(r.LabelRate))
        {
            return;
        }

        // As the label says it, basis and all; a bare amount takes the basis that was chosen beside it.
        var typed = r.LabelRate.Trim();
        var read = LabelRates.Read(typed, unit == "L", fields.Units);
        if (read.Refused is { } first && first.Problems[0].Wrong.EndsWith("on what?", StringComparison.Ordinal)
            && r.LabelBasis is { } basis)
        {
            typed = RateBases.Typed(basis, typed);
            read = LabelRates.Read(typed, unit == "L", fields.Units);
        }

        if (read.Refused is { } refused)
        {
            fields.Checks.Add(refused);
            return;
        }

        var main = read.Value[0];
        input.LabelTyped = typed;
        input.LabelRates = read.Value;
        (input.LabelRate, input.LabelBasis) = ((main.Low + main.High) / 2, main.Basis);
        input.LabelEveryDays ??= main.EveryDays;
    }

    private static void Npk(string? typed, Input input, TypedFields fields)
    {
        (input.NShare, input.PShare, input.KShare) = (null, null, null);
        if (string.IsNullOrWhiteSpace(typed))
        {
            return;
        }

        // none goes to a thousand
        var parts = typed.Split('-', StringSplitOptions.TrimEntries)
            .Select(p => TypedNumber.Of(p.TrimEnd('%'), pointIsDecimal: true, commaIsDecimal: true).Value ?? double.NaN).ToList();
        if (parts.Count != 3 || parts.Any(p => !(p is >= 0 and <= 65)) || parts.Sum() > 100)
        {
            fields.Checks.Add("npk", $"“{typed}” is no N-P-K.", "Write it as 2-1-3: per cent of N, P₂O₅ and K₂O by weight.");
            return;
        }

        (input.NShare, input.PShare, input.KShare) = (parts[0] / 100, parts[1] / 100, parts[2] / 100);
    }
}
