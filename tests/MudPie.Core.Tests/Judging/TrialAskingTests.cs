using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;

namespace MudPie.Core.Tests.Judging;

/// <summary>From a laid trial to its question, and from the answer to what a grower is told.</summary>
public class TrialAskingTests
{
    private static readonly DateTimeOffset Day = new(2026, 4, 1, 0, 0, 0, TimeSpan.Zero);
    private static readonly LaidMeasure Yield = new(1, 0, "yield", "kg", Scale.Amount, false, null, DatesTo.Last);
    private static readonly LaidTreatment Tea = new("tea", TrialRole.Treatment, ["tea"]);
    private static readonly LaidTreatment WaterOnly = new("water only", TrialRole.Water, ["water only"]);
    private static readonly LaidTreatment Nothing = new("nothing", TrialRole.Control, ["nothing"]);

    private static LaidTrial Trial(params LaidTreatment[] treatments) => new() {
        Design = Design.Random, Liquid = true, Factors = ["treatment"], WorthHaving = 0.5, Replicates = 4, ByLot = true, Blind = true,
        Treatments = treatments,
        Plots = [.. Enumerable.Range(0, treatments.Length * 4)
            .Select(i => new TriedPlot(i + 1, i + 1, treatments[i % treatments.Length], null, null))],
    };

    private static List<DatedFigure> Figures(LaidTrial t, Func<TriedPlot, double?> value, int measure = 1, int day = 0) =>
        [.. t.Plots.Select(p => new DatedFigure(p.Id, measure, Day.AddDays(day),
            value(p) is { } v ? new PlotFigure(v) : new PlotFigure(null, MissingWhy: "geese")))];

    [Fact]
    public void A_liquid_is_set_against_water_only_and_nothing_stands_by()
    {
        var trial = Trial(Tea, WaterOnly, Nothing);
        var q = TrialAsking.Of(trial, Yield, Figures(trial, p => p.Id));
        (q.Control, q.WorthHaving, q.Looked).ShouldBe(("water only", 0.5, 1));
        q.Bystanders.ShouldBe(["nothing"]);
        var dry = TrialAsking.Of(trial with { Liquid = false }, Yield with { Order = 1 }, Figures(trial, p => p.Id));
        (dry.Control, dry.WorthHaving, dry.Bystanders.Count).ShouldBe(("nothing", null, 0)); // worth is of the main measure
        TrialAsking.Of(Trial(Tea, Tea with { Name = "b", Levels = ["b"] }), Yield, []).Control.ShouldBe("tea");
    }

    [Fact]
    public void The_more_was_looked_at_the_more_is_counted()
    {
        var trial = Trial(Tea, Nothing);
        List<DatedFigure> all = [.. Figures(trial, p => p.Id), .. Figures(trial, p => p.Id, 2), .. Figures(trial, _ => null, 3),
            .. Figures(trial, p => p.Id + 1, 1, 7)];
        TrialAsking.Of(trial, Yield, all).Looked.ShouldBe(2); // a measure with no figure was not looked at
        TrialAsking.Of(trial, Yield, all, Day).Looked.ShouldBe(3); // one date chosen of two
    }

    [Fact]
    public void Of_several_dates_the_last_the_mean_or_one_is_taken_and_a_gap_says_why()
    {
        var trial = Trial(Tea, Nothing);
        List<DatedFigure> all = [.. Figures(trial, p => p.Id == 2 ? null : 10), .. Figures(trial, p => p.Id == 3 ? null : 20, 1, 10)];
        TrialAsking.Of(trial, Yield, all).Rows.Select(r => r.Value).Take(3).ShouldBe([20.0, 20.0, null]);
        TrialAsking.Of(trial, Yield, all).Rows[2].Why.ShouldBe("geese");
        TrialAsking.Of(trial, Yield, all, Day).Rows.Select(r => r.Value).Take(3).ShouldBe([10.0, null, 10.0]);
        var mean = TrialAsking.Of(trial, Yield with { Dates = DatesTo.Mean }, all).Rows;
        mean[0].Value.ShouldBe(15);
        (mean[1].Value, mean[1].Why).ShouldBe((null, "geese"));
        TrialAsking.Of(trial, Yield, []).Rows[0].Why.ShouldBe("not measured");
    }

    [Fact]
    public void Counts_keep_out_of_how_many_and_are_drawn_in_a_hundred()
    {
        var trial = Trial(Tea, Nothing);
        var count = Yield with { Kind = Scale.Count, OutOf = 24 };
        var rows = TrialAsking.Of(trial, count, [.. trial.Plots.Select(p => new DatedFigure(p.Id, 1, Day, new PlotFigure(18,
            p.Id == 1 ? 20 : null)))]).Rows;
        (rows[0].OutOf, rows[1].OutOf).ShouldBe((20.0, 24.0));
        (rows[0].Drawn(Scale.Count), rows[1].Drawn(Scale.Count), rows[1].Drawn(Scale.Amount)).ShouldBe((90.0, 75.0, 18.0));
    }

    [Theory]
    [InlineData(Design.Pair, 1, Design.Random)]
    [InlineData(Design.Pair, 2, Design.Paired)]
    [InlineData(Design.Blocks, 2, Design.Blocks)]
    public void One_pair_is_judged_as_pairs_only_where_there_are_several(Design design, int pairs, Design judged)
    {
        var trial = Trial(Tea, Nothing) with { Design = design };
        trial = trial with { Plots = [.. trial.Plots.Select(p => p with { Block = $"{p.Number % pairs}" })] };
        TrialAsking.Of(trial, Yield, []).Design.ShouldBe(judged);
    }

    [Fact]
    public void How_many_of_each_is_said_before_and_after_the_draw()
    {
        var trial = Trial(Tea, Nothing);
        trial.EachSays.ShouldBe("4 of each");
        (trial with { Plots = [] }).EachSays.ShouldBe("4 of each");
        (trial with { Plots = [.. trial.Plots.Skip(1)] }).EachSays.ShouldBe("3 to 4 of each");
        (trial with { Design = Design.Pair }).EachSays.ShouldBe("one pair");
        trial.Strength.ShouldContain(new StrengthLine("4 plots of each", true));
        (trial with { Plots = [.. trial.Plots.Skip(1)] }).Strength.ShouldContain(new StrengthLine("only 3 plots of each", false));
        (trial with { ByLot = false, Blind = false }).Strength.Count(s => !s.Good).ShouldBeGreaterThanOrEqualTo(2);
        trial.Compared.ShouldBe(2);
    }

    [Fact]
    public void Watering_alone_is_told_apart_from_what_the_tea_did()
    {
        var trial = Trial(Tea, WaterOnly, Nothing);
        var noise = new[] { 0.1, -0.1, 0.2, -0.2 };
        double Of(TriedPlot p) => (p.Treatment == Tea ? 12 : p.Treatment == WaterOnly ? 11 : 10) + noise[(p.Id - 1) / 3];
        var asked = TrialAsking.Of(trial, Yield, Figures(trial, p => Of(p)));
        var answer = TrialAnalysis.Of(asked).Value;
        TrialTold.Headline(answer, asked).Of.ShouldBe("tea");
        TrialTold.Water(trial, answer, asked).ShouldNotBeNull()
            .ShouldStartWith("Watering alone did about 50 % of what tea did over nothing.");
        TrialTold.Settle(trial, answer, TrialTold.Headline(answer, asked)).ShouldBeEmpty(); // it works: nothing is left to settle
        TrialTold.Water(trial with { Liquid = false }, answer, asked).ShouldBeNull();
        TrialTold.Water(Trial(Tea, Nothing), answer, asked).ShouldBeNull();
        TrialTold.Water(trial, answer, asked with { LowerIsBetter = true }).ShouldBeNull(); // where less is better, none of it helped
    }

    [Fact]
    public void A_trial_that_cannot_tell_says_what_would()
    {
        var trial = Trial(Tea, Nothing) with { Design = Design.Blocks };
        trial = trial with { Plots = [.. trial.Plots.Select(p => p with { Block = $"{(p.Number - 1) / 2}" })] };
        double[] noise = [3, -2, -4, 3, 1, -1, 2, -2];
        var asked = TrialAsking.Of(trial, Yield, Figures(trial, p => 20 + noise[p.Id - 1] + (p.Treatment == Tea ? 0.4 : 0)));
        var answer = TrialAnalysis.Of(asked).Value;
        answer.Verdict.ShouldBe(Finding.CannotTell);
        var says = TrialTold.Settle(trial, answer, TrialTold.Headline(answer, asked)).ToList();
        says[0].ShouldMatch("^[0-9]+ more blocks next season: then you would know eight times in ten\\.$");
        says[1].ShouldStartWith("Or quieter plots: those treated alike stray by ");
    }

    [Fact]
    public void What_a_difference_earns_counts_less_pests_as_more()
    {
        var money = new TrialMoney { CostPerHa = 100, PricePerUnit = 2, Basis = "perHa" };
        var told = new ComparisonVerdict("tea", "nothing", Finding.Works, -300, -400, -200, "", null, null);
        var less = TrialTold.Earns(money, told, true)!.Value;
        var more = TrialTold.Earns(money, told with { Difference = 300, Lower = 200, Upper = 400 }, false)!.Value;
        less.ShouldBe(more);
        TrialTold.Earns(null, told, true).ShouldBeNull();
        TrialTold.Earns(money with { PricePerUnit = null }, told, true).ShouldBeNull();
    }

    [Theory]
    [InlineData(DatesTo.Last)]
    [InlineData(DatesTo.Mean)]
    public void A_visit_that_has_not_come_to_every_treatment_waits(DatesTo way)
    {
        var (trial, measure) = (Trial(Tea, Nothing), Yield with { Dates = way });
        var whole = Figures(trial, p => p.Id == 4 ? null : 10);
        List<DatedFigure> begun = [.. whole, new(1, 1, Day.AddDays(7), new PlotFigure(20))];
        TrialAsking.Of(trial, measure, begun).Rows.ShouldBe(TrialAsking.Of(trial, measure, whole).Rows);
        TrialTold.Dates(trial, measure, whole, null).ShouldBe("");
        TrialTold.Dates(trial, measure, begun, null).ShouldBe("8 Apr (1 of 8 plots) waits until each treatment was looked at");
        TrialAsking.Of(trial, measure, begun, Day.AddDays(7)).Rows.Count(r => r.Value is not null).ShouldBe(1); // asked for by itself
        // one that is gone was looked at
        List<DatedFigure> round = [.. begun, new(2, 1, Day.AddDays(7), new PlotFigure(null, MissingWhy: "slugs"))];
        TrialAsking.Of(trial, measure, round).Rows[0].Value.ShouldBe(way == DatesTo.Last ? 20 : 15);
        TrialAsking.Of(trial, measure, round).Rows[1].Why.ShouldBe("slugs");
        TrialTold.Dates(trial, measure, round, null).ShouldContain("2 dates");
        // before any visit has come round, there is nothing else to go by
        TrialAsking.Counted(trial, measure, [begun[^1]]).ShouldBe([Day.AddDays(7)]);
        TrialAsking.Counted(trial, measure, []).ShouldBeEmpty();
    }

    [Theory]
    [InlineData(1, DatesTo.Mean, false, "")]
    [InlineData(3, DatesTo.Mean, false, "3 dates made one figure a plot: the mean over time")]
    [InlineData(3, DatesTo.Half, false, "3 counts made one figure a plot: days until half of what came up was up")]
    [InlineData(3, DatesTo.Last, false, "the last of 3 dates")]
    [InlineData(3, DatesTo.Last, true, "one of 3 dates that were looked at")]
    public void How_dates_became_one_figure_is_said(int dates, DatesTo way, bool one, string says) =>
        TrialTold.Dates(Trial(Tea), Yield with { Dates = way }, [.. Enumerable.Range(0, dates)
            .Select(i => new DatedFigure(1, 1, Day.AddDays(i), new PlotFigure(i)))], one ? Day : null).ShouldBe(says);

    [Fact]
    public void What_a_treatment_takes_is_the_tank_plan_of_its_plots()
    {
        var plots = new[] { new SquareMetres(2), new SquareMetres(2), new SquareMetres(2) };
        var takes = TrialAmounts.Of(5, 1, plots);
        (takes.AreaM2, takes.PerPlot, takes.WaterPerPlotL, takes.Loads).ShouldBe((6.0, 10.0, 2.0, 1));
        takes.InAll!.Value.ShouldBe(33, 1e-9);
        takes.MixL!.Value.ShouldBe(6.6, 1e-9);
        var dry = TrialAmounts.Of(500, null, plots);
        (dry.PerPlot, dry.WaterPerPlotL, dry.MixL, dry.Loads).ShouldBe((1000.0, null, null, null));
        dry.InAll!.Value.ShouldBe(3300, 1e-9);
        TrialAmounts.Of(null, 20, plots).ShouldSatisfyAllConditions(t => t.InAll.ShouldBeNull(),
            t => t.Loads.ShouldBe(9)); // 132 L by cans of 15
    }

    [Theory]
    [InlineData(TrialState.Planned, true, false, 12, "start", "started", TrialState.Growing, "Begun with 12 plots.")]
    [InlineData(TrialState.Growing, true, false, 12, "open", "opened", TrialState.Growing,
        "Codes opened: from here on whoever measures knows.")]
    [InlineData(TrialState.Growing, true, false, 12, "end", "ended", TrialState.Ended, "Ended; codes opened after the last figure.")]
    [InlineData(TrialState.Growing, true, true, 12, "end", "ended", TrialState.Ended, "Ended.")]
    [InlineData(TrialState.Planned, false, false, 12, "treat", "treated", TrialState.Planned, "")]
    public void Steps_that_a_trial_takes(TrialState state, bool blind, bool opened, int plots, string step, string kind, TrialState then,
        string text)
    {
        TrialDeeds.Step(new(state, blind, opened, plots), step).Value.ShouldBe(new TrialStepDone(then, kind, text));
    }

    [Theory]
    [InlineData(TrialState.Growing, true, false, 12, "start", "It has begun already.")]
    [InlineData(TrialState.Planned, true, false, 0, "start", "It has no layout yet.")]
    [InlineData(TrialState.Planned, true, false, 12, "open", "There are no codes to open.")]
    [InlineData(TrialState.Growing, true, true, 12, "open", "They are open already.")]
    [InlineData(TrialState.Growing, false, false, 12, "open", "They are open already.")]
    [InlineData(TrialState.Ended, true, false, 12, "end", "It has ended already.")]
    [InlineData(TrialState.Planned, true, false, 12, "end", "It has not begun.")]
    [InlineData(TrialState.Ended, true, false, 12, "treat", "It has ended.")]
    [InlineData(TrialState.Planned, true, false, 0, "treat", "It has no layout yet.")]
    public void Steps_that_it_does_not(TrialState state, bool blind, bool opened, int plots, string step, string wrong)
    {
        var refused = TrialDeeds.Step(new(state, blind, opened, plots), step).Refused.ShouldNotBeNull();
        (refused.Problems[0].Field, refused.Problems[0].Wrong).ShouldBe(("step", wrong));
    }
}
