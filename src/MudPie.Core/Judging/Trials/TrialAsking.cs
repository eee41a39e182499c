namespace MudPie.Core.Judging.Trials;

/// <summary>From a trial and its figures to the question that is judged.</summary>
public static class TrialAsking
{
    /// <summary>One measure of a trial as a question: several dates made one figure a plot, set against water only where a liquid is
    /// tried, against nothing where it is not.</summary>
    /// <param name="t">The trial.</param>
    /// <param name="m">The measure.</param>
    /// <param name="all">Figures that stand, of all measures: the more of them were looked at, the wider a verdict's interval.</param>
    /// <param name="on">One date only; null for the measure's own way.</param>
    /// <param name="stop">Ends a long sum when whoever asked has gone.</param>
    /// <remarks>Tea, water only and nothing, main measure of two: tea is set against water only, nothing stands by, two were looked
    /// at.</remarks>
    public static TrialQuestion Of(LaidTrial t, LaidMeasure m, IReadOnlyList<DatedFigure> all, DateTimeOffset? on = null,
        CancellationToken stop = default)
    {
        var mine = all.Where(r => r.MeasureId == m.Id).ToLookup(r => r.PlotId);
        var (dates, counted) = (On(m, all), Counted(t, m, all));
        var water = t.Liquid ? t.With(TrialRole.Water) : null;
        var against = water ?? t.With(TrialRole.Control) ?? t.Treatments[0];
        return new TrialQuestion {
            Response = m.Name,
            Stop = stop,
            Unit = m.Unit,
            Design = t.Design == Design.Pair
                ? (t.Plots.Select(p => p.Block).Distinct().Count() > 1 ? Design.Paired : Design.Random) : t.Design,
            Factors = t.Factors,
            Kind = m.Dates == DatesTo.Half ? Scale.Amount : m.Kind,
            LowerIsBetter = m.Dates == DatesTo.Half || m.LowerIsBetter,
            Control = against.Full,
            Conditions = t.Conditions,
            Bystanders = water is null ? [] : [.. t.Treatments.Where(x => x.Role == TrialRole.Control).Select(x => x.Full)],
            WorthHaving = m.Order == 0 ? t.WorthHaving : null,
            Looked = Math.Max(1, all.Where(r => r.Figure.Value is not null).Select(r => r.MeasureId).Distinct().Count()
                + (on is null ? 0 : dates.Count - 1)),
            Rows = [.. t.Plots.OrderBy(p => p.Number).Select(p => Row(p, m, mine[p.Id].ToList(), counted, on))],
        };
    }

    /// <summary>
    /// Dates of a measure that its answer goes by: not the last ones on which some treatment has not been looked at, as such a visit is
    /// still going on. A plot that is said to be missing was looked at. All of them where no visit came round to every treatment.
    /// </summary>
    /// <param name="t">The trial.</param>
    /// <param name="m">The measure.</param>
    /// <param name="all">Figures that stand, of all measures.</param>
    /// <returns>Earliest first.</returns>
    /// <remarks>Tea and water, both weighed on the 1st, only a plot of tea so far on the 8th: the 1st.</remarks>
    public static IReadOnlyList<DateTimeOffset> Counted(LaidTrial t, LaidMeasure m, IReadOnlyList<DatedFigure> all)
    {
        var treatment = t.Plots.ToDictionary(p => p.Id, p => p.Treatment.Full);
        var whole = treatment.Values.Distinct().Count();
        var round = all.Where(r => r.MeasureId == m.Id).GroupBy(r => r.On)
            .Where(g => g.Select(r => treatment.GetValueOrDefault(r.PlotId)).OfType<string>().Distinct().Count() == whole)
            .Select(g => g.Key).ToList();
        return round.Count == 0 ? On(m, all) : [.. On(m, all).Where(d => d <= round.Max())];
    }

    private static List<DateTimeOffset> On(LaidMeasure m, IReadOnlyList<DatedFigure> all) =>
        [.. all.Where(r => r.MeasureId == m.Id).Select(r => r.On).Distinct().Order()];

    private static TrialRow Row(TriedPlot p, LaidMeasure m, List<DatedFigure> readings, IReadOnlyList<DateTimeOffset> dates,
        DateTimeOffset? on)
    {
        var row = new TrialRow { Plot = $"plot {p.Number}", Levels = p.Treatment.Levels, Block = p.Block, WholePlot = p.WholePlot };
        if (dates.Count == 0)
        {
            return row with { Why = "not measured" };
        }

        var day = on ?? dates[^1];
        var last = readings.FirstOrDefault(r => r.On == day);
        if (on is null && m.Dates != DatesTo.Last && dates.Count > 1)
        {
            List<DatedValue> values = [.. readings.Where(r => r.Figure.Value is not null && r.On <= dates[^1])
                .Select(r => new DatedValue((r.On - dates[0]).TotalDays, r.Figure.Value!.Value))];
            var one = m.Dates == DatesTo.Half ? RepeatedDates.DaysToHalf(values) : RepeatedDates.MeanOverTime(values, 0,
                (dates[^1] - dates[0]).TotalDays);
            return one is { } v ? row with { Value = v, OutOf = m.OutOf }
                : row with {
                    Why = readings.FirstOrDefault(r => r.Figure.Value is null)?.Figure.MissingWhy
                    ?? "not measured on its first and last date"
                };
        }

        return last is { Figure.Value: { } value } ? row with { Value = value, OutOf = last.Figure.OutOf ?? m.OutOf }
            : row with { Why = last?.Figure.MissingWhy ?? "not measured" };
    }
}
