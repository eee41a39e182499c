using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>A line of a sheet, read.</summary>
/// <param name="Of">What.</param>
/// <param name="Method">How it was got out.</param>
/// <param name="MgPerKg">mg/kg, of a dried leaf as of a soil; of sap mg/L; null for what is no nutrient.</param>
/// <param name="Figure">As it stands on the sheet, with oxides as elements; for "&lt; 0.5", 0.5.</param>
/// <param name="Unit">Its unit.</param>
/// <param name="Below">It was below what the lab can find: half of that is taken, and said.</param>
/// <param name="Above">It was above the lab's scale: kept as that, and taken for enough.</param>
/// <param name="How">How it was converted; empty where it was not.</param>
public sealed record SheetLine(Nutrient Of, Extraction Method, double? MgPerKg, double? Figure, string Unit, bool Below, bool Above,
    string How)
{
    /// <summary>Of a plant: how old the leaves were.</summary>
    public LeafAge Age { get; init; }
}

/// <summary>A sheet, read.</summary>
/// <param name="Lines">Each line.</param>
/// <param name="KgPerHa">kg/ha that are 1 mg/kg.</param>
/// <param name="DepthCm">How deep the layer is, cm.</param>
/// <param name="Density">kg/L.</param>
/// <param name="HeldL">Of a mix: water that a litre holds at saturation, L.</param>
/// <param name="Cec">Exchange, meq/100 g; null where it can't be known.</param>
/// <param name="CecSaid">True where it stands on the sheet.</param>
public sealed record SheetRead(IReadOnlyList<SheetLine> Lines, double KgPerHa, double DepthCm, double Density, double HeldL, double? Cec,
    bool CecSaid)
{
    /// <summary>The figure of a property, such as pH; null where it is not on the sheet.</summary>
    public double? Property(string id) => Lines.FirstOrDefault(l => l.Of.Id == id)?.Figure;

    /// <summary>The line of a nutrient; null where it was not tested.</summary>
    public SheetLine? Line(string id) => Lines.FirstOrDefault(l => l.Of.Id == id && !l.Of.Property);
}

/// <summary>Reads a sheet: units converted, methods kept apart.</summary>
public static class SheetReading
{
    /// <summary>A mix by the litre is reckoned as a layer a metre deep: g/m³ are kg/ha ÷ 10.</summary>
    public const double MixDepthCm = 100;

    /// <summary>Reads it.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="fields">Where it is typed.</param>
    /// <remarks>Refused by name: a unit that can't become mg/kg, a saturated-paste figure of a soil, one nutrient by two extractions. Of a
    /// mix, mg a litre of extract × water held at saturation ÷ density is mg/kg: 60 mg/L × 0.5 ÷ 0.4 = 75.</remarks>
    public static SheetRead? Of(SheetAsked r, TypedFields fields)
    {
        var mix = r.For == SheetOf.Mix;
        var depth = mix ? MixDepthCm : (fields.Optional("depth", r.Depth, Dimension.Length, 0.01, 1) ?? 0.15) * 100;
        var density = fields.Optional("density", r.Density, Dimension.Plain, 0.05, 2.5, "kg a litre.") ?? (mix ? 0.4 : 1.3);
        var held = fields.Optional("held", r.Held, Dimension.Plain, 0.1, 1, "Litres of water in a litre of mix at saturation.") ?? 0.5;
        var from = mix || r.For.OfPlant() ? 0 : (fields.Optional("depthFrom", r.DepthFrom, Dimension.Length, 0, 0.9) ?? 0) * 100;
        if (from >= depth)
        {
            fields.Checks.Add("depthFrom", "It begins no higher than it ends.", "From 10 cm to 30 cm, say.");
        }

        var kgPerHa = Math.Max(depth - from, 1) / 100 * density * 10;
        if (r.Rows.Count > 60)
        {
            fields.Checks.Add("rows", "That is more than sixty lines.", "Give up to sixty.");
        }

        var lines = new List<SheetLine>();
        for (var i = 0; i < Math.Min(r.Rows.Count, 60); i++)
        {
            if (Row(r.Rows[i], r, (kgPerHa, density, held), new Checked($"rows[{i}]", fields.Checks)) is { } line)
            {
                lines.Add(line);
            }
        }

        foreach (var (line, i) in lines.Select((l, i) => (l, i)))
        {
            if (lines.Take(i).FirstOrDefault(l => l.Of == line.Of && l.Age == line.Age) is { } before)
            {
                fields.Checks.Add($"rows[{i}].of", before.Method == line.Method || r.For.OfPlant()
                    ? $"{line.Of.Name} stands twice{(r.For.OfPlant() ? " for leaves of one age" : "")}."
                    : $"{line.Of.Name} stands there by {before.Method.Word()} and by {line.Method.Word()}: extractions are never mixed.",
                    "Keep one of them; a second sheet may hold the other.");
            }
        }

        if (!fields.Checks.Sound)
        {
            return null;
        }

        var said = lines.FirstOrDefault(l => l.Of.Id == "CEC")?.Figure;
        return new SheetRead(lines, kgPerHa, Math.Max(depth - from, 1), density, held, r.For.OfPlant() ? null
            : said ?? Summed(lines), said is not null);
    }

    private sealed record Checked(string Field, Checks Checks)
    {
        public SheetLine? Wrong(string part, string wrong, string wayOut)
        {
            Checks.Add($"{Field}.{part}", wrong, wayOut);
            return null;
        }
    }

    private static SheetLine? Row(SheetRow row, SheetAsked r, (double KgPerHa, double Density, double HeldL) by, Checked at)
    {
        if (string.IsNullOrWhiteSpace(row.Of) || row.Of.Length > 60 || Nutrients.Read(row.Of) is not { } of)
        {
            return at.Wrong("of", $"“{row.Of?.Trim()}” is not known here.",
                "Give a nutrient (P, K, Ca …), pH, buffer pH, CEC, EC or organic matter.");
        }

        var method = row.Method ?? r.Method;
        if (r.For.OfPlant() && of.Of.Id is "buffer pH" or "CEC" or "acidity" or "OM")
        {
            return at.Wrong("of", $"{of.Of.Name} is no figure of a plant.", "Leave that line out, or say that the sheet is of a soil.");
        }

        var text = (row.Value ?? "").Trim();
        if (text.StartsWith("above", StringComparison.OrdinalIgnoreCase) || text.StartsWith('>') || text.StartsWith('≥'))
        {
            return new SheetLine(of.Of, method, null, null, row.Unit ?? "", false, true,
                "above the lab’s scale: kept as that, never as its end") { Age = row.Age ?? LeafAge.Young };
        }

        var below = text.StartsWith('<') || text.StartsWith('≤') || text.StartsWith("below", StringComparison.OrdinalIgnoreCase);
        var typed = TypedNumber.Of(text.TrimStart('<', '≤', ' '), pointIsDecimal: true);
        if (text.StartsWith("below", StringComparison.OrdinalIgnoreCase) || typed.Value is not { } figure || !typed.Sure
            || figure is < 0 or > 1_000_000)
        {
            return typed is { Value: not null, Sure: false }
                ? at.Wrong("value", $"“{text}” can be read as {Say.Number(typed.Value.Value)} or "
                    + $"{Say.Number(typed.Other!.Value)}.", "Write it without a thousands mark.")
                : at.Wrong("value", text.Length == 0 ? "Nothing was given." : $"“{text}” is no figure of a sheet.",
                    "Give what the sheet says: 18, < 0.5, above range.");
        }

        figure *= of.Share;
        var line = of.Of.Property ? Property(of.Of, method, figure, row, at) : r.For.OfPlant()
            ? Plant(of.Of, method, (figure, below), row, (r.For, at)) : Amount(of.Of, method, (figure, below), row, (r, by), at);
        return line is null ? null : line with { Age = row.Age ?? LeafAge.Young };
    }

    private static SheetLine? Property(Nutrient of, Extraction method, double figure, SheetRow row, Checked at)
    {
        var (low, high) = of.Id switch {
            "pH" or "buffer pH" => (2.0, 12.0),
            "CEC" => (0.1, 200),
            "acidity" => (0, 100),
            "EC" => (0, 100),
            _ => (0, 100)
        };
        return figure < low || figure > high ? at.Wrong("value", $"{Say.Number(figure)} is out of range.",
            $"Give {Say.Number(low)} to {Say.Number(high)}.")
            : new SheetLine(of, method, null, figure, SheetUnits.First(row.Unit ?? "") ?? (of.Id is "CEC" or "acidity" ? "meq/100 g"
                : of.Id == "EC" ? "dS/m" : of.Id == "OM" ? "%" : ""), false, false, "");
    }

    /// <summary>A figure of dried leaves in mg/kg of dry matter, or of sap in mg/L: ppm is either.</summary>
    private static SheetLine? Plant(Nutrient of, Extraction method, (double Figure, bool Below) value, SheetRow row,
        (SheetOf For, Checked At) with)
    {
        var (sap, unit) = (with.For == SheetOf.Sap, SheetUnits.First(row.Unit ?? ""));
        var taken = value.Below ? value.Figure / 2 : value.Figure;
        var known = (unit, sap) switch { ("mg/L", true) => true, ("mg/kg", _) => true, ("%" or "g/kg", false) => true, _ => false };
        if (!known)
        {
            return with.At.Wrong("unit", string.IsNullOrWhiteSpace(row.Unit) ? "It has no unit."
                : $"{(sap ? "Sap" : "A dried leaf")} is not given in “{row.Unit.Trim()}”.", sap ? "Give mg/L or ppm."
                : "Give % or g/kg of dry matter, mg/kg or ppm.");
        }

        var (times, how) = unit switch { "%" => (10_000, "× 10,000"), "g/kg" => (1000, "× 1,000"), _ => (1, "") };
        return taken * times > 1_000_000 ? with.At.Wrong("value", "That is more than the whole of it.", "Look at the unit.")
            : new SheetLine(of, method, taken * times, value.Figure, sap ? "mg/L" : unit!, value.Below, false, how);
    }

    private static SheetLine? Amount(Nutrient of, Extraction method, (double Figure, bool Below) value, SheetRow row,
        (SheetAsked Asked, (double KgPerHa, double Density, double HeldL) By) with, Checked at)
    {
        var ((r, by), unit) = (with, SheetUnits.First(row.Unit ?? ""));
        // Below what the lab can find, half of that is taken; what is shown is what stands on the sheet.
        var taken = value.Below ? value.Figure / 2 : value.Figure;
        if (unit is null)
        {
            return at.Wrong("unit", string.IsNullOrWhiteSpace(row.Unit) ? "It has no unit." : $"“{row.Unit.Trim()}” is not known here.",
                "Give mg/kg, ppm, meq/100 g, kg/ha, lb/ac, mg/L, g/kg or %.");
        }

        if (method == Extraction.SaturatedPaste && r.For != SheetOf.Mix)
        {
            return at.Wrong("method", $"{of.Name} of a saturated paste is what the water holds, and not what the soil holds: it "
                + $"can’t become "
                + "kg/ha.", "Leave it out here, or give a figure by Mehlich-3, Olsen, ammonium acetate …");
        }

        if (method is Extraction.SaturatedMedia or Extraction.SaturatedPaste)
        {
            return r.For != SheetOf.Mix
                ? at.Wrong("method", "A saturated media extract is for mixes.",
                    "Say that the sheet is of a mix, or choose the soil’s extraction.")
                : unit is not ("mg/L" or "mg/kg") ? at.Wrong("unit", $"An extract is in mg a litre, and not in {unit}.",
                    "Give mg/L or ppm of extract.")
                : new SheetLine(of, method, taken * by.HeldL / by.Density, value.Figure, "mg/L of extract", value.Below, false,
                    $"× {Say.Number(by.HeldL)} L held ÷ {Say.Number(by.Density)} kg/L");
        }

        if (unit == "%" && of.Id != "N")
        {
            return at.Wrong("unit", $"{of.Name} in per cent is its share of the exchange on most sheets, and not what the soil holds.",
                "Leave that line out, or give ppm, meq/100 g or g/kg.");
        }

        return SheetUnits.ToMgPerKg(taken, unit, of, by.KgPerHa, by.Density) is { } mg
            ? new SheetLine(of, method, mg.MgPerKg, value.Figure, unit, value.Below, false, mg.How)
            : at.Wrong("unit", $"{of.Name} can’t be in {unit}.", "Give mg/kg, ppm, kg/ha or lb/ac.");
    }

    /// <summary>The exchange as the sum of what is on it; null where calcium, magnesium or potassium was not tested, and of a sour soil
    /// whose acidity was not.</summary>
    private static double? Summed(List<SheetLine> lines)
    {
        if (lines.Any(l => l is { Of.Id: "pH", Figure: < 7 }) && lines.All(l => l.Of.Id != "acidity"))
        {
            return null;
        }

        double? Meq(string id) => lines.FirstOrDefault(l => l.Of.Id == id && l.Method is Extraction.AmmoniumAcetate or Extraction.Mehlich3)
            is { MgPerKg: { } mg } && Nutrients.Find(id)!.EqWeight is { } eq ? mg / eq / 10 : null;
        return Meq("Ca") is { } ca && Meq("Mg") is { } mg && Meq("K") is { } k
            ? ca + mg + k + (Meq("Na") ?? 0) + (lines.FirstOrDefault(l => l.Of.Id == "acidity")?.Figure ?? 0) : null;
    }
}
