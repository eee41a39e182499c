using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>What the reading of a job of mixing goes by.</summary>
/// <param name="Units">Whose units a bare figure is in.</param>
/// <param name="Shelf">Things of the shelf, by their numbers.</param>
/// <param name="Today">The day that it is there.</param>
/// <param name="HourlyWage">An hour's worth; null where none is set.</param>
/// <param name="ChargedOn">The day the charge was begun; null where it was not.</param>
/// <param name="State">How far the job has come.</param>
/// <param name="Table">The holding's table of materials; null for the house's.</param>
public sealed record MixKnown(UnitSystem Units, IReadOnlyDictionary<int, ShelfPart> Shelf, DateOnly Today, double? HourlyWage,
    DateOnly? ChargedOn = null, MixState State = MixState.Planned, IReadOnlyList<Material>? Table = null);

/// <summary>A job of mixing from words to figures.</summary>
public static class MixReading
{
    /// <summary>Most parts, and most mixes, of one job.</summary>
    public const int Most = 20;

    /// <summary>Reads it; every field that can't be read is named.</summary>
    /// <remarks>"3 L", 16 pots, "60" and "40" per cent: 0.6 and 0.4 of 48 L. In buckets, 3 and 2 are the same shares.</remarks>
    public static Ruling<MixBenchQuestion> Read(MixRequest r, MixKnown known)
    {
        var fields = new TypedFields(known.Units);
        fields.Name("name", r.Name, "the job");
        if (r.Parts.Count is 0 or > Most || r.Mixes.Count is 0 or > Most)
        {
            fields.Checks.Add(r.Parts.Count is 0 or > Most ? "parts" : "mixes", "There is nothing in it, or more than twenty.",
                "Give 1 to 20 parts and 1 to 20 mixes.");
            return fields.Checks.Refusal;
        }

        var names = Names(r, known, fields);
        var (pot, plants) = PotL(r, fields);
        var mixes = r.Mixes.Select((m, i) => Mix(m, i, r, names, fields)).ToList();
        var question = new MixBenchQuestion {
            Mixes = new MixesQuestion {
                PotL = pot,
                SpareShare = Percent("spare", r.Spare, 10, 100, fields),
                MixingLossShare = Percent("loss", r.Loss, 10, 50, fields),
                SettleShare = Percent("settle", r.Settle, 0, 50, fields),
                Precharged = Charge(r.Charge, names, fields),
                Mixes = mixes,
            },
            Stuff = Stuff(r, names, known, fields),
            Into = r.Into,
            Crop = r.Crop,
            Plants = plants,
            ContainerL = r.Charge is { } c ? fields.Optional("charge.container", c.Container, Dimension.Volume, 0.1, 100_000) : null,
            SowOn = r.SowOn,
            Today = known.Today,
            ChargedOn = known.ChargedOn,
            State = known.State,
            RawWhy = r.RawWhy,
            BoughtPerL = fields.Optional("bought", r.Bought, Dimension.Plain, 0, 100_000) is { } b ? Per.PriceSi(b, "L", known.Units)
                : null,
            WorkMinutes = fields.Optional("minutes", r.Minutes, Dimension.Plain, 0, 100_000),
            HourlyWage = known.HourlyWage,
            Units = known.Units,
        };
        if (r.RawWhy is { Length: > 300 })
        {
            fields.Checks.Add("rawWhy", "That is too long.", "Up to 300 letters.");
        }

        return fields.Checks.Sound ? Worked.Of(question, "", Evidence.MeasuredHere) : fields.Checks.Refusal;
    }

    /// <summary>Names of the parts, in their order; no two alike.</summary>
    internal static string[] Names(MixRequest r, MixKnown known, TypedFields fields)
    {
        var seen = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        return [.. r.Parts.Select((p, i) =>
        {
            var name = p.InputId is { } id ? known.Shelf.GetValueOrDefault(id)?.Name : (p.Name ?? "").Trim();
            if (name is null)
            {
                fields.Checks.Add($"parts[{i}]", "It is not on the shelf any more.", "Choose another, or name it.");
            }
            else if (Workings.Names.Wrong(name) is { } wrong && p.InputId is null)
            {
                fields.Checks.Add($"parts[{i}]", wrong, "Choose it from the shelf, or name it.");
            }
            else if (!seen.Add(name))
            {
                fields.Checks.Add($"parts[{i}]", $"“{name}” stands twice.", "Say each part once.");
            }

            return name ?? $"part {i + 1}";
        })];
    }

    private static Dictionary<string, MixStuff> Stuff(MixRequest r, string[] names, MixKnown known, TypedFields fields)
    {
        var stuff = new Dictionary<string, MixStuff>();
        for (var i = 0; i < names.Length; i++)
        {
            var on = r.Parts[i].InputId is { } id ? known.Shelf.GetValueOrDefault(id) : null;
            stuff[names[i]] = new MixStuff {
                Name = names[i],
                LeftL = on?.LeftL,
                PackL = fields.Optional($"parts[{i}].pack", r.Parts[i].Pack, Dimension.Volume, 0.1, 10_000),
                PricePerL = on?.PricePerL,
                RawChar = Materials.RawChar(on?.Kind, names[i]),
                Byproduct = on?.Kind == "byproduct",
                Is = Own(Materials.For(on?.Kind, names[i]), names[i], known.Table),
            };
        }

        return stuff;
    }

    /// <summary>The grower's own figures where there are any: of the house's material, or of one of that very name.</summary>
    private static Material? Own(Material? house, string name, IReadOnlyList<Material>? table) =>
        table?.FirstOrDefault(m => m.Id != house?.Id && m.Name.Equals(name, StringComparison.OrdinalIgnoreCase))
            ?? table?.FirstOrDefault(m => m.Id == house?.Id) ?? house;

    /// <summary>Litres of one pot, tray or bed, and the plants in it.</summary>
    private static (double L, double Plants) PotL(MixRequest r, TypedFields fields)
    {
        if (r.Into == Filling.Bed)
        {
            var area = fields.Quantity("area", r.Area, Dimension.Area, 0.01, 100_000);
            return (area * fields.Quantity("depth", r.Depth, Dimension.Length, 0.005, 2) * 1000, 1);
        }

        var pot = fields.Quantity("pot", r.Pot, Dimension.Volume, 0.001, 10_000);
        var cells = r.Into == Filling.Modules ? Count("cells", r.Cells, 2000, "cells", fields) : 1;
        return (pot * cells, cells);
    }

    private static double Count(string field, string? typed, double most, string what, TypedFields fields)
    {
        var n = fields.Quantity(field, typed, Dimension.Plain, 1, most);
        if (n != Math.Floor(n))
        {
            fields.Checks.Add(field, $"{Say.Number(n, 6)} {what} are not whole.", $"Give a whole number of {what}.");
        }

        return n;
    }

    private static MixParts Mix(MixWanted m, int at, MixRequest r, string[] names, TypedFields fields)
    {
        var amounts = names.Select((_, i) => i < m.Shares.Count && !string.IsNullOrWhiteSpace(m.Shares[i])
            ? fields.Quantity($"mixes[{at}].shares[{i}]", Bare(m.Shares[i]), Dimension.Plain, 0, r.InBuckets ? 100_000 : 100) : 0)
                .ToArray();
        var sum = amounts.Sum();
        if (sum <= 0 || (!r.InBuckets && Math.Abs(sum - 100) > 0.5))
        {
            fields.Checks.Add($"mixes[{at}].shares", sum <= 0 ? "There is nothing in this mix."
                : $"It adds up to {Say.Number(sum, 4)} % and not to 100.", sum <= 0 ? "Say how much of each part."
                : $"{(sum < 100 ? $"{Say.Number(100 - sum, 4)} % are missing" : $"{Say.Number(sum - 100, 4)} % are too many")}; or "
                    + $"say it in "
                    + "buckets.");
        }

        return new MixParts {
            Name = m.Name?.Trim() is { Length: > 0 } name ? name : $"mix {at + 1}",
            Pots = r.Into == Filling.Bed ? 1 : Count($"mixes[{at}].count", m.Count, 1_000_000, r.Into == Filling.Pots ? "pots" : "trays",
                fields),
            // Per cent that are half a one off are thirds, said as people say them.
            Parts = names.Zip(amounts).Where(p => p.Second > 0).ToDictionary(p => p.First, p => p.Second / Math.Max(sum, 1e-12)),
        };
    }

    private static Precharge? Charge(ChargeAsked? c, string[] names, TypedFields fields)
    {
        if (c is null)
        {
            return null;
        }

        string? At(string field, int? i)
        {
            if (i is { } n && n >= 0 && n < names.Length)
            {
                return names[n];
            }

            fields.Checks.Add($"charge.{field}", "Nothing was chosen.", "Choose one of the parts.");
            return null;
        }

        var (of, with) = (At("of", c.Of), At("with", c.With));
        if (of is not null && of == with)
        {
            fields.Checks.Add("charge.with", "A part can't be charged with itself.", "Choose another part.");
        }

        return new Precharge { Of = of, With = with, Ratio = fields.Optional("charge.ratio", c.Ratio, Dimension.Plain, 0.01, 100) };
    }

    private static double Percent(string field, string? typed, double usual, double most, TypedFields fields) =>
        (fields.Optional(field, Bare(typed), Dimension.Plain, 0, most) ?? usual) / 100;

    /// <summary>"10 %" as "10".</summary>
    private static string? Bare(string? typed) => typed?.Trim() is { Length: > 1 } t && t[^1] == '%' ? t[..^1].TrimEnd() : typed;
}
