using FsCheck.Xunit;
using MudPie.Core.Judging;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Judging;

/// <summary>Planning: layouts by lot, plots needed, money, templates, strength; and the practice plot.</summary>
public class TrialBenchTests
{
    private static LayoutQuestion Beds(int seed, Design design = Design.Blocks) =>
        new() {
            Kind = TrialKind.Beds, Design = design, Treatments = ["nothing", "water only", "tea"], Replicates = 5, Seed = seed,
            Places = [.. Enumerable.Range(1, 5).Select(i => new LayoutPlace($"bed {i}", 30, 1.2))]
        };

    [Fact]
    public void Every_block_holds_every_treatment_once_and_plots_share_the_bed()
    {
        var plots = TrialLayout.Of(Beds(7)).Value.Plots;
        plots.Count.ShouldBe(15);
        plots.GroupBy(p => p.Block).ShouldAllBe(g => g.Select(p => p.Treatment).Order().SequenceEqual(new[] { 0, 1, 2 }));
        plots.GroupBy(p => p.Place).ShouldAllBe(g => Math.Abs(g.Sum(p => p.Length) - 30) < 1e-9);
        plots.Select(p => p.Number).ShouldBe(Enumerable.Range(1, 15));
        plots.Select(p => p.Code).Distinct().Count().ShouldBe(15);
    }

    [Property(MaxTest = 40)]
    public void The_same_seed_draws_the_same_layout(int seed)
    {
        var (a, b) = (TrialLayout.Of(Beds(seed)).Value, TrialLayout.Of(Beds(seed)).Value);
        a.Plots.ShouldBe(b.Plots);
    }

    [Fact]
    public void Orders_come_about_equally_often()
    {
        // Six orders of three; over 1,200 blocks each about 200 times, with a standard deviation of 13.
        var orders = Enumerable.Range(0, 240).SelectMany(s => TrialLayout.Of(Beds(s)).Value.Plots.GroupBy(p => p.Block)
            .Select(g => string.Concat(g.OrderBy(p => p.X).Select(p => p.Treatment)))).GroupBy(o => o).Select(g => g.Count()).ToList();
        orders.Count.ShouldBe(6);
        orders.ShouldAllBe(n => Math.Abs(n - 200) < 65);
    }

    [Theory]
    [InlineData(TrialKind.Pots)]
    [InlineData(TrialKind.Beds)]
    [InlineData(TrialKind.Strips)]
    public void Plots_lie_inside_their_place_and_do_not_overlap(TrialKind kind)
    {
        foreach (var design in new[] { Design.Random, Design.Blocks, Design.SplitPlot })
        {
            var q = Beds(3, design) with { Kind = kind, Places = [new("bench", 6, 2.4)], WholePlots = ["dry", "wet"] };
            var plots = TrialLayout.Of(q).Value.Plots;
            plots.Count.ShouldBe(design == Design.SplitPlot ? 30 : 15);
            plots.ShouldAllBe(p => p.X >= 0 && p.X + p.Length <= 6 + 1e-9 && p.Y >= 0 && p.Y + p.Width <= 2.4 + 1e-9);
            foreach (var a in plots)
            {
                plots.Where(b => b != a).ShouldAllBe(b => a.X + a.Length <= b.X + 1e-9 || b.X + b.Length <= a.X + 1e-9
                    || a.Y + a.Width <= b.Y + 1e-9 || b.Y + b.Width <= a.Y + 1e-9);
            }
        }
    }

    [Fact]
    public void Whole_plots_keep_together()
    {
        var plots = TrialLayout.Of(Beds(3, Design.SplitPlot) with {
            WholePlots = ["dry", "wet"],
            Places = [new("bed", 60, 1.2)]
        }).Value.Plots.OrderBy(p => p.X).ToList();
        plots.Chunk(3).ShouldAllBe(c => c.Select(p => $"{p.Block}.{p.WholePlot}").Distinct().Count() == 1 && c.Select(p => p.Treatment)
            .Distinct().Count() == 3);
    }

    [Fact]
    public void What_can_not_be_laid_is_refused()
    {
        TrialLayout.Of(new LayoutQuestion { Design = Design.Factorial, Treatments = ["one"], Replicates = 0 }).Refused!.Problems.Select(p =>
            p.Field).ShouldBe(["design", "treatments", "replicates", "places"]);
        TrialLayout.Of(Beds(1, Design.SplitPlot)).Refused!.Problems.ShouldHaveSingleItem().Field.ShouldBe("wholePlots");
        TrialLayout.Of(Beds(1) with { Places = [new("bed", double.NaN, -1)] }).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["places[0].lengthM", "places[0].widthM"]);
    }

    [Fact]
    public void Two_treatments_all_by_lot_need_what_a_t_needs()
    {
        // The reference's 11.0942 plots of each for 0.5 at a deviation of 0.4.
        var plan = ReplicatesPlan.Of(Design.Random, 2, 5, 0.4, 0.5, "kg").Value;
        plan.Needed.ShouldBe(12);
        plan.Now.Replicates.ShouldBe(5);
        plan.Points.Zip(plan.Points.Skip(1)).ShouldAllBe(p => p.Second.Power >= p.First.Power);
        plan.Sentence.ShouldContain("12 would see 0.5 kg eight times in ten");
    }

    [Fact]
    public void One_of_each_is_said_to_be_a_look_and_the_schools_are_shown()
    {
        var plan = ReplicatesPlan.Of(Design.Pair, 2, 1, 0.4, 0.5, "kg").Worked;
        plan.Value.Sentence.ShouldStartWith("One of each is a look, not a test.");
        plan.Value.Now.HalfWidth.ShouldBeNull();
        plan.Forks.ShouldHaveSingleItem().Chosen.ShouldBe("pair");
    }

    [Theory]
    [InlineData(1.0, 4.0, 0.4, 0.5, "treatments")]
    [InlineData(3.0, 0.0, 0.4, 0.5, "replicates")]
    [InlineData(3.0, 4.0, 0.0, 0.5, "sd")]
    [InlineData(3.0, 4.0, 0.4, double.NaN, "worth")]
    public void A_curve_wants_all_its_figures(double treatments, double replicates, double sd, double worth, string field) =>
        ReplicatesPlan.Of(Design.Blocks, treatments, replicates, sd, worth, "kg").Refused!.Problems.ShouldHaveSingleItem().Field
            .ShouldBe(field);

    [Fact]
    public void Money_gives_the_line_and_takes_the_result_back()
    {
        var money = new TrialMoney { CostPerHa = 300, PricePerUnit = 2.5, Basis = "perM2" };
        TrialWorth.Smallest(money, "kg a m²").Value.ShouldBe(0.012, 1e-12);
        var earns = TrialWorth.Earns(money, 0.02, 0.01, 0.03).Value;
        earns.PerHa.ShouldBe(200, 1e-9);
        earns.Lower!.Value.ShouldBe(-50, 1e-9);
        earns.Upper!.Value.ShouldBe(450, 1e-9);
        earns.Sentence.ShouldContain("can’t be told yet");
        TrialWorth.Smallest(money with { Basis = "perPlot", PlotM2 = 12 }, "kg").Value.ShouldBe(300 / (2.5 * 10_000 / 12), 1e-12);
        TrialWorth.Smallest(new TrialMoney { Basis = "perPlot" }, "kg").Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["costPerHa", "pricePerUnit", "plotM2"]);
        // On an acre: 120 ÷ (2 a lb × 43,560 sq ft) and its like; the two systems come to the same.
        var acre = new TrialMoney { CostPerAcre = 120, PricePerUnit = 2, Basis = "perFt2" };
        TrialWorth.Smallest(acre, "lb a sq ft").Value.ShouldBe(120.0 / 2 / 43_560, 1e-9);
        TrialWorth.Smallest(acre with { Basis = "perPlot", PlotFt2 = 100 }, "lb").Value.ShouldBe(120.0 / 2 / 435.6, 1e-9);
        TrialWorth.Smallest(acre with { Basis = "perAcre" }, "lb").Value.ShouldBe(60, 1e-9);
        TrialWorth.Smallest(new TrialMoney { CostPerHa = 120 / 0.40468564224, PricePerUnit = 2, Basis = "perFt2" },
            "lb").Value.ShouldBe(120.0 / 2 / 43_560, 1e-9);
        TrialWorth.Smallest(acre with { Basis = "perPlot" }, "lb").Refused!.Problems.Select(p => p.Field).ShouldBe(["plotFt2"]);
        var inAcres = TrialWorth.Earns(acre, 0.01, 0.005, 0.02).Value;
        inAcres.Sentence.ShouldStartWith("751 an acre, 316 to 1622");
        inAcres.PerHa.ShouldBe(((0.01 * 2 * 43_560) - 120) / 0.40468564224, 1e-6);
        TrialWorth.Earns(money with { Basis = "per moon" }, 1, null, null).Refused!.Problems.ShouldHaveSingleItem().Field.ShouldBe("basis");
    }

    [Fact]
    public void Strength_says_what_is_weak()
    {
        var weak = TrialStrength.Of(1, random: false, blind: false, waterControl: false, liquid: true, plainControl: false, seasons: 1);
        weak.ShouldAllBe(l => !l.Good);
        weak.Count.ShouldBe(6);
        TrialStrength.Of(5, true, true, true, true, true, 2).ShouldAllBe(l => l.Good);
    }

    [Fact]
    public void Every_template_can_be_laid_and_measured()
    {
        // A metric holding that was asked whose gallon it types keeps all its measures.
        string[] In(UnitSystem units) => [.. MeasureKinds.All.Where(k => k.For(units)).Select(k => k.Id)];
        In(UnitSystem.MetricImperialGallons).ShouldBe(In(UnitSystem.Metric));
        In(UnitSystem.MetricUsGallons).ShouldBe(In(UnitSystem.Metric));
        In(UnitSystem.UsCustomary).ShouldNotContain("yieldM2");
        foreach (var t in TrialTemplates.All)
        {
            t.Measures.ShouldAllBe(m => MeasureKinds.Find(MeasureKinds.Same(m, UnitSystem.UsCustomary))!.For(UnitSystem.UsCustomary)
                && MeasureKinds.Find(m)!.For(UnitSystem.Metric));
            t.Levels.Count.ShouldBe(t.Factors.Count, t.Id);
            t.Measures.ShouldAllBe(m => MeasureKinds.Find(m) != null, t.Id);
            t.Published.Text.ShouldNotBeEmpty();
            t.Published.Limits.ShouldNotBeEmpty();
            var cells = t.Levels.Aggregate(1, (n, l) => n * l.Count);
            TrialLayout.Of(new LayoutQuestion {
                Kind = t.Kind, Design = Design.Blocks,
                Treatments = [.. Enumerable.Range(0, cells).Select(i => $"{i}")], Replicates = t.Replicates, Places = [new("here", 30, 3)],
                Seed = 1
            }).Refused.ShouldBeNull(t.Id);
            if (t.Liquid && t.Factors.Count == 1)
            {
                t.Levels[0].ShouldContain("water only", t.Id);
            }
        }
    }

    [Theory]
    [InlineData("blocks")]
    [InlineData("random")]
    [InlineData("halves")]
    public void The_quick_verdict_of_a_practice_field_is_the_whole_analysis(string layout)
    {
        for (var seed = 0; seed < 40; seed++)
        {
            var plots = PracticePlot.Field(layout, 5, 0.6, 0.3, 1.2, new SeededRandom((ulong)seed));
            var whole = TrialAnalysis.Of(PracticePlot.Ask(plots, layout)).Value;
            var (verdict, difference) = PracticePlot.Quick(plots, layout == "blocks");
            verdict.ShouldBe(whole.Verdict);
            difference.ShouldBe(whole.Dunnett[0].Difference, 1e-9);
        }
    }

    [Fact]
    public void On_a_slope_one_side_against_the_other_is_wrong_far_oftener_than_blocks()
    {
        var told = PracticePlot.Of(new PracticePlotQuestion {
            Seed = 1, Replicates = 6, Layout = "halves",
            Decision = Finding.CannotTell
        }).Value.Truth.ShouldNotBeNull();
        told.Yours.Tries.ShouldBe(1000);
        told.Yours.Words.Sum(w => w.Times).ShouldBe(1000);
        told.Yours.Differences.Sum(b => b.Times).ShouldBe(1000);
        told.Yours.Wrong.ShouldBeGreaterThan(0.8);
        told.Others.First(o => o.Name.StartsWith("blocks", StringComparison.Ordinal)).Wrong.ShouldBeLessThan(0.1);
    }

    [Fact]
    public void A_practice_field_is_the_same_for_the_same_seed_and_shows_nothing_before_the_choice()
    {
        var q = new PracticePlotQuestion { Seed = 5, Replicates = 4, Layout = "blocks" };
        PracticePlot.Of(q).Value.Plots.ShouldBe(PracticePlot.Of(q).Value.Plots);
        PracticePlot.Of(q).Value.Truth.ShouldBeNull();
        PracticePlot.Of(new PracticePlotQuestion { Seed = 5 }).Value.Plots.ShouldBeEmpty();
        // The same field in tons of 2,000 lb an acre: 1 t a hectare is 0.4461 of them.
        var us = PracticePlot.Of(q with { Decision = Finding.CannotTell }, UnitSystem.UsCustomary).Value;
        var metric = PracticePlot.Of(q with { Decision = Finding.CannotTell }).Value;
        us.Unit.ShouldBe("tons an acre");
        us.Plots.Zip(metric.Plots).ShouldAllBe(p => Math.Abs(p.First.Value - (p.Second.Value * 0.44609)) < 0.001
            && p.First.Treated == p.Second.Treated);
        us.Truth!.RightWord.ShouldBe(metric.Truth!.RightWord);
        us.Truth.Account.ShouldNotContain("hectare");
        us.Answer!.Verdict.ShouldBe(metric.Answer!.Verdict);
        PracticePlot.Of(new PracticePlotQuestion { Replicates = 99, Layout = "circle" }).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["replicates", "layout"]);
    }
}
