using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>Lime that a soil wants.</summary>
/// <param name="KgPerHa">Of the lime as it is, kg/ha; 0 where it wants none.</param>
/// <param name="Split">True where it is more than is put on at once.</param>
/// <param name="Sentence">What it comes to.</param>
public sealed record LimeAnswer(double KgPerHa, bool Split, string Sentence);

/// <summary>Lime by a buffer's pH, or by the exchange.</summary>
public static class Liming
{
    /// <summary>kg of CaCO₃ a hectare, 20 cm deep, for 1 meq of buffer acidity in 100 mL: a ton an acre, of which the field gets about half
    /// to work.</summary>
    public const double FieldKgPerMeq = 2242;

    /// <summary>Most lime at once, kg/ha.</summary>
    public const double AtOnce = 5000;

    /// <summary>Works it out.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="sheet">The sheet, read.</param>
    /// <param name="fields">Where it is typed.</param>
    /// <remarks>By buffer (Mehlich): (6.6 − buffer pH) ÷ 0.25 × (target − pH) ÷ (6.6 − pH): pH 5.5, buffer 6.2, target 6.5 wants 1.6 ×
    /// 0.909
    /// × 2,242 = 3,261 kg/ha at 20 cm. By the exchange: CEC × (wanted − present saturation) × 500 mg of CaCO₃ a kilogram for each
    /// meq/100 g. Source: Mehlich 1976; balance of charge.</remarks>
    public static Worked<LimeAnswer>? Of(SheetAsked r, SheetRead sheet, TypedFields fields)
    {
        if (r.Lime == LimeBy.None)
        {
            return null;
        }

        var worth = (fields.Optional("limeWorth", r.LimeWorth?.TrimEnd('%', ' '), Dimension.Plain, 10, 180,
            "Per cent, against pure chalk.") ?? 90)
            / 100;
        return r.For == SheetOf.Mix ? Wrong(fields, "lime", "Lime by buffer or exchange is for soils.",
            "Of a mix, go by its pH and a few pots.")
            : r.Lime == LimeBy.Buffer ? Buffer(r, sheet, worth, fields) : Saturation(r, sheet, worth, fields);
    }

    private static Worked<LimeAnswer>? Buffer(SheetAsked r, SheetRead sheet, double worth, TypedFields fields)
    {
        var to = fields.Optional("limeTo", r.LimeTo, Dimension.Plain, 4.5, 6.59, "pH; under 6.6, which is the buffer’s own.") ?? 6.5;
        if (sheet.Property("pH") is not { } ph || sheet.Property("buffer pH") is not { } buffer)
        {
            return Wrong(fields, "lime", $"The sheet has no {(sheet.Property("pH") is null ? "pH" : "buffer pH")}.",
                "Add that line, or go by the exchange.");
        }

        var acidity = Math.Max(0, (6.6 - buffer) / 0.25);
        var kg = ph >= to ? 0 : acidity * (to - ph) / (6.6 - ph) * FieldKgPerMeq * sheet.DepthCm / 20 / worth;
        return Told(kg, [new WorkingLine("lime", "(6.6 − buffer pH) ÷ 0.25 × (target − pH) ÷ (6.6 − pH) × 2,242 kg × depth ÷ 20 cm ÷ "
            + "its worth",
            $"{Say.Number(acidity)} × ({Say.Number(to)} − {Say.Number(ph)}) ÷ (6.6 − {Say.Number(ph)}), {Say.Number(sheet.DepthCm)} cm, "
                + $"{Say.Number(worth * 100)} %", $"{Say.Number(kg)} kg/ha", "Mehlich’s buffer; other buffers have tables of their own")]);
    }

    private static Worked<LimeAnswer>? Saturation(SheetAsked r, SheetRead sheet, double worth, TypedFields fields)
    {
        var to = (fields.Optional("limeTo", r.LimeTo?.TrimEnd('%', ' '), Dimension.Plain, 20, 100,
            "Base saturation, per cent.") ?? 85) / 100;
        double Meq(string id) => sheet.Line(id) is { MgPerKg: { } mg } && Nutrients.Find(id)!.EqWeight is { } eq ? mg / eq / 10 : 0;
        if (Nutrients.All.FirstOrDefault(n => n.Id is "Ca" or "Mg" or "K" or "Na" && sheet.Line(n.Id) is { Above: true }) is { } above)
        {
            return Wrong(fields, "lime", $"{above.Name} is above the lab’s scale: how much there is nobody knows.",
                "Go by the buffer’s pH.");
        }

        if (!sheet.CecSaid && sheet.Property("acidity") is null || sheet.Cec is not { } cec || sheet.Line("Ca") is null)
        {
            return Wrong(fields, "lime", "The sheet has no exchange (CEC) with its calcium, or no exchangeable acidity.",
                "Add CEC and calcium, or go by the buffer’s pH.");
        }

        var bases = Meq("Ca") + Meq("Mg") + Meq("K") + Meq("Na");
        var kg = Math.Max(0, (to * cec) - bases) * 500 * sheet.KgPerHa / worth;
        return Told(kg, [new WorkingLine("lime", "(wanted × CEC − bases) × 500 mg of CaCO₃ × kg/ha of 1 mg/kg ÷ its worth",
            $"({Say.Number(to)} × {Say.Number(cec)} − {Say.Number(bases)}) × 500 × {Say.Number(sheet.KgPerHa, 4)} ÷ {Say.Number(worth)}",
            $"{Say.Number(kg)} kg/ha", "balance of charge; on chalk soils the sum of bases says more than is exchanged")]);
    }

    private static Worked<LimeAnswer> Told(double kg, IReadOnlyList<WorkingLine> working) =>
        Worked.Of(new LimeAnswer(kg, kg > AtOnce, kg < 1
            ? "It wants no lime." : kg > AtOnce ? $"{Say.Number(kg)} kg/ha: in two or more years, {Say.Number(AtOnce)} kg/ha at most "
                + $"at once."
            : $"{Say.Number(kg)} kg/ha, worked in, months before it is wanted."), "kg/ha", Evidence.PublishedTrials, working);

    private static Worked<LimeAnswer>? Wrong(TypedFields fields, string field, string wrong, string wayOut)
    {
        fields.Checks.Add(field, wrong, wayOut);
        return null;
    }
}
