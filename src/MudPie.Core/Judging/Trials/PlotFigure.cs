using System.Globalization;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>What is measured on a plot, as a deed finds it.</summary>
/// <param name="Name">"fresh weight".</param>
/// <param name="Kind">An amount, a score, or so many out of so many.</param>
/// <param name="Low">Least that is likely.</param>
/// <param name="High">Most that is likely.</param>
/// <param name="Unit">Its unit, for words.</param>
/// <param name="OutOf">For a count: how many were sown.</param>
public sealed record PlotMeasure(string Name, Scale Kind, double Low, double High, string Unit, double? OutOf);

/// <summary>A figure of a plot, or why there is none.</summary>
/// <param name="Value">The figure; null where the plot is missing.</param>
/// <param name="OutOf">For a count: out of how many.</param>
/// <param name="MissingWhy">Why there is none.</param>
/// <param name="KeptAnyway">It lies outside what is likely, and was kept all the same.</param>
public sealed record PlotFigure(double? Value, double? OutOf = null, string? MissingWhy = null, bool KeptAnyway = false)
{
    /// <summary>"44/48", "3.16" or "missing: eaten by geese".</summary>
    public string Shown => Value is { } v ? v.ToString("0.####", CultureInfo.InvariantCulture)
        + (OutOf is { } of ? $"/{of.ToString("0", CultureInfo.InvariantCulture)}" : "") : $"missing: {MissingWhy}";

    /// <summary>Reads what was typed on the sheet. Worked: "44/48" of a count is 44 out of 48.</summary>
    /// <param name="m">What is measured.</param>
    /// <param name="typed">"3.16", "44/48", or nothing.</param>
    /// <param name="missingWhy">Why there is nothing, in up to 200 letters.</param>
    /// <param name="keepAnyway">It is right although it is not likely.</param>
    public static Ruling<PlotFigure> Read(PlotMeasure m, string? typed, string? missingWhy, bool keepAnyway)
    {
        var text = (typed ?? "").Trim();
        if (text.Length == 0)
        {
            return string.IsNullOrWhiteSpace(missingWhy) || missingWhy.Length > 200
                ? Refusal.Of("value", "Nothing was typed.", "Give a figure, or say in a few words why the plot is missing.")
                : Done(new PlotFigure(null, null, missingWhy.Trim()));
        }

        var parts = text.Split('/', 2);
        if (TypedNumber.Of(parts[0]) is { Other: { } thousand } two && (thousand <= m.High || keepAnyway))
        {
            return new Refusal([two.TwoWays("value", parts[0])]);
        }

        var second = parts.Length == 2 ? Number(parts[1]) : null;
        if (Number(parts[0]) is not { } value || (parts.Length == 2 && second is null))
        {
            return Refusal.Of("value", $"“{(text.Length > 20 ? text[..20] : text)}” is no figure.", m.Kind == Scale.Count
                ? "Type it as 44, or 44/48 where the number sown differs." : "Type it as 3.16.");
        }

        return Likely(m, text, value, m.Kind == Scale.Count ? second ?? m.OutOf : null, parts.Length == 2, keepAnyway);
    }

    /// <summary>A figure that was read already, from a file: it is held to what can be, not to what is likely.</summary>
    public static Ruling<PlotFigure> Of(PlotMeasure m, double? value, double? outOf, string? missingWhy) => value is { } v
        ? Likely(m, Say.Number(v), v, m.Kind == Scale.Count ? outOf ?? m.OutOf : null, false, true)
        : Done(new PlotFigure(null, null, missingWhy));

    private static Ruling<PlotFigure> Likely(PlotMeasure m, string text, double value, double? outOf, bool twoFigures, bool keepAnyway)
    {
        if (twoFigures && m.Kind != Scale.Count)
        {
            return Refusal.Of("value", $"{m.Name} is not so many out of so many.", "Type one figure.");
        }

        if (m.Kind == Scale.Count && !(value >= 0 && value == Math.Floor(value) && outOf >= 1 && value <= outOf))
        {
            return Refusal.Of("value", $"{text} out of {outOf:0} can’t be.", "Give whole numbers, and no more than were sown.");
        }

        var odd = value < m.Low || value > m.High;
        return odd && !keepAnyway ? NotLikely(m, value) : Done(new PlotFigure(value, outOf, null, keepAnyway && odd));
    }

    private static Refusal NotLikely(PlotMeasure m, double value) => Refusal.Of("keepAnyway",
        $"{Say.Number(value, 6)}{Say.Unit(m.Unit)} is {(value < m.Low ? "less" : "more")} than is likely for {m.Name}.",
        $"Likely is {Say.Number(m.Low)} to {Say.Number(m.High)}. If it is right, keep it anyway.");

    private static double? Number(string typed) => TypedNumber.Of(typed).Value is { } v && Math.Abs(v) < 1e9 ? v : null;

    private static Worked<PlotFigure> Done(PlotFigure figure) => Worked.Of(figure, "", Evidence.MeasuredHere);
}

/// <summary>A figure that is to be kept, as the deed finds the sheet.</summary>
/// <param name="State">Where the trial stands.</param>
/// <param name="Measure">What is measured; null where the trial does not measure it.</param>
/// <param name="PlotThere">The plot is in this trial.</param>
/// <param name="On">The day it was measured, by the holding's clock.</param>
/// <param name="Today">That clock's day.</param>
/// <param name="Now">Now.</param>
/// <param name="There">What stands there already for that plot, measure and day; null where nothing does.</param>
public sealed record SheetStands(TrialState State, PlotMeasure? Measure, bool PlotThere, DateTimeOffset On, DateTimeOffset Today,
    DateTimeOffset Now, PlotFigure? There);

/// <summary>Measuring a plot.</summary>
public static class SheetDeeds
{
    /// <summary>A figure goes on the sheet, or puts right the one that stands there, for a reason. The same figure again is kept
    /// once.</summary>
    /// <param name="s">How the sheet stands.</param>
    /// <param name="typed">What was typed.</param>
    /// <param name="missingWhy">Why there is no figure.</param>
    /// <param name="keepAnyway">It is right although it is not likely.</param>
    /// <param name="correctionWhy">What was wrong with the figure that stands there.</param>
    /// <returns>What is to be written; null where the same stands there already.</returns>
    public static Ruling<PlotFigure?> Measure(SheetStands s, string? typed, string? missingWhy, bool keepAnyway, string? correctionWhy)
    {
        var checks = new Checks();
        if (s.Measure is null)
        {
            checks.Add("measureId", "That is not measured in this trial.", "Choose one from the sheet.");
        }

        if (!s.PlotThere)
        {
            checks.Add("plotId", "That plot is not in this trial.", "Choose one from the sheet.");
        }

        if (s.On > s.Today.AddDays(1) || s.On < s.Now.AddYears(-3))
        {
            checks.Add("on", s.On > s.Now ? "That day has not come yet." : "That is more than three years ago.",
                "Give the day on which it was measured.");
        }

        if (s.State == TrialState.Planned)
        {
            checks.Add("trial", "The trial has not begun.", "Start it first.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var read = PlotFigure.Read(s.Measure!, typed, missingWhy, keepAnyway);
        if (read.Refused is { } refused)
        {
            return refused;
        }

        var figure = read.Value;
        var same = s.There is { } t && t.Value == figure.Value && t.MissingWhy == figure.MissingWhy && t.OutOf == figure.OutOf;
        return s.There is { } there && !same && string.IsNullOrWhiteSpace(correctionWhy)
            ? Refusal.Of("correctionWhy", $"{there.Shown} stands there already.",
                "Say what was wrong with it: the old figure stays readable.")
            : Worked.Of(same ? null : figure, "", Evidence.MeasuredHere);
    }
}
