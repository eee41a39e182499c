using MudPie.Core.Mixing;
using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>What is said of a sheet.</summary>
public static class SheetSays
{
    /// <summary>Enough of each, or shares of the exchange.</summary>
    public static Fork Schools(SheetSchool chosen) => new("soil-targets", "By what is a soil judged?",
        [
            new("enough", "enough of each (sufficiency)", "each nutrient against the band at which crops here stop answering"),
            new("ratio", "shares of the exchange (base saturation)",
                "calcium 60 to 75 %, magnesium 10 to 20 %, potassium 2 to 5 % of the exchange"),
        ], "enough", chosen.Word(), "Trials over a century found no yield in the ratios as long as there is enough of each.",
        Evidence.PublishedTrials, "the bands of calcium, magnesium and potassium, and so what is put on");

    /// <summary>What to mind of a figure; null for nothing.</summary>
    internal static string? Flag(SheetLine line, TargetBand? band) => line switch {
        { Above: true } => "above the lab’s scale: enough, and how much more nobody knows",
        { Below: true } => "below what the lab can find: half of that is taken",
        { Of.Id: "NH4-N", Figure: > 20, Method: Extraction.SaturatedMedia } =>
            "much ammonium: roots of seedlings may burn; let it stand a while",
        { Of.Id: "K", MgPerKg: { } k } when band?.High is { } high && k > 1.5 * high =>
            "much potassium: it holds magnesium and calcium back",
        { Of.Id: "Na", MgPerKg: > 250 } => "much sodium: look at the water, and at gypsum with drainage",
        _ when band is null => "no band for it by this extraction: type your own, or leave it",
        _ => null,
    };

    /// <summary>Why no more of an input.</summary>
    internal static string WhyNotMore(SheetInputs.InputRead input, CorrectionsAnswer? solved, IReadOnlyList<SheetNutrient> nutrients)
    {
        if (solved is null)
        {
            return "nothing was tested that it holds";
        }

        var kg = solved.KgPerHa.GetValueOrDefault(input.Name);
        var wanted = nutrients.Where(n => n.Low is not null && n.Line.MgPerKg is { } have && have < n.Low
            && input.Ask.Gives(n.Line.Of.Id) > 0).ToList();
        if (wanted.Count == 0)
        {
            return "nothing is short that it gives";
        }

        if (input.Ask.CapKgPerHa is { } cap && kg >= cap * (1 - 1e-7))
        {
            return "the most that is usual in a year";
        }

        List<string> tops = [.. nutrients.Where(n => n.High is { } high && input.Ask.Holds(n.Line.Of.Id) > 0 && (n.Line.Above
            || (n.AfterAll is { } all && all >= Math.Max(high, n.Line.MgPerKg ?? 0) - (1e-6 * high)))).Select(n => n.Line.Of.Name)];
        return tops.Count > 0 ? $"more would take {Say.List(tops)} above the top" : wanted.All(n => n.Short <= SoilCorrections.Slack)
            ? kg > 0 ? "enough is there with it" : "others give it for less" : "more of it would leave another nutrient shorter still";
    }

    /// <summary>What to do.</summary>
    internal static Verdict Verdict(SheetAsked r, IReadOnlyList<SheetNutrient> nutrients, IReadOnlyList<SheetGiven> given)
    {
        var banded = nutrients.Where(n => n.Low is not null && !n.Line.Above).ToList();
        var wants = banded.Where(n => n.Line.MgPerKg < n.Low).Select(n => n.Line.Of.Name).ToList();
        var unmet = banded.Where(n => n.Short > SoilCorrections.Slack).ToList();
        var open = unmet.Where(n => n.Choice is null).Select(n => n.Line.Of.Name).ToList();
        var used = given.Where(g => g.KgPerHa > 0).Select(g => g.Name).ToList();
        if (r.Rows.Count == 0)
        {
            return new(Tone.Go, "Type or paste the sheet.", "Until it has come, the sample’s steps are kept here: sampled, sent, result.");
        }

        if (banded.Count == 0)
        {
            return new(Tone.Mind, "No figure of it has a band.", "Look at the extraction; or type bands of your own.");
        }

        if (wants.Count == 0)
        {
            return new(Tone.Go, "Nothing is short: put nothing on.", "Every figure that has a band is at or above its low end.");
        }

        return open.Count > 0 ? new(Tone.Mind, $"{Sentence(Say.List(open))} stay{(open.Count == 1 ? "s" : "")} short: choose what to do.",
                $"{(used.Count == 0 ? "Nothing that was offered gives it" : $"The rest is met with {Say.List(used)}")}. Feed the "
                    + $"leaf now, at the "
                    + "next planting, or leave it.")
            : new(Tone.Go, used.Count > 0 ? $"Put on {Say.List(used)}." : "What is short is left for later.", unmet.Count > 0
                ? "What stays short has its choice." : "Every low end is met in the first year, and nothing goes above its top later.");
    }

    private static string Sentence(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
