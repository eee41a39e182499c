using FsCheck.Xunit;
using MudPie.Core.Almanac;
using MudPie.Core.Book;
using MudPie.Core.Ground;
using MudPie.Core.Notes;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>What must hold whatever is asked.</summary>
public class PutOutProperties
{
    private static readonly DateTimeOffset Day = new(2026, 3, 1, 0, 0, 0, TimeSpan.Zero);

    private static List<WeatherHour> Sky(int seed, int hours = 110)
    {
        var random = new Random(seed);
        return [.. Enumerable.Range(0, hours)
            .Select(h => new WeatherHour(Day.AddHours(h), (random.NextDouble() * 45) - 8, random.NextDouble() * 9, random.Next(6) == 0
                ? random.NextDouble() * 6 : 0, random.NextDouble(), random.NextDouble()))];
    }

    [Property(MaxTest = 60)]
    public void Windows_are_exactly_the_half_hours_that_nothing_spoils(int seed, byte place)
    {
        foreach (var purpose in Enum.GetValues<Purpose>())
        {
            var answer = SprayWindows.Of(new WindowsQuestion {
                Purpose = purpose, From = Day, Hours = 72, Latitude = (place % 150) - 75,
                Longitude = place - 128, Weather = Sky(seed)
            }).Value;
            answer.Hours.Count.ShouldBe(144);
            answer.Hours.ShouldAllBe(h => h.Score >= 0 && h.Score <= 1 && (h.Spoils.Count == 0) == (h.Score > 0));
            var covered = answer.Windows.SelectMany(w => answer.Hours.Where(h => h.At >= w.From && h.At < w.To)).ToList();
            covered.Count.ShouldBe(answer.Hours.Count(h => h.Spoils.Count == 0));
            covered.ShouldAllBe(h => h.Spoils.Count == 0);
            answer.Windows.ShouldAllBe(w => w.From < w.To && w.Best >= w.From && w.Best < w.To);
            answer.Windows.Zip(answer.Windows.Skip(1), (a, b) => b.From > a.To).ShouldAllBe(apart => apart);
            answer.Verdict.Tone.ShouldBe(answer.Windows.Count == 0 ? Tone.Stop : answer.Windows.Max(w => w.Score) >= 0.75
                ? Tone.Go : Tone.Mind);
        }
    }

    [Property(MaxTest = 60)]
    public void More_wind_never_opens_a_windy_window(int seed, byte more)
    {
        var calm = Sky(seed).Select(w => w with { WindMps = 2 + (w.WindMps % 2) }).ToList();
        var windy = calm.Select(w => w with { WindMps = w.WindMps + (more / 40.0) }).ToList();
        WindowsAnswer Ask(List<WeatherHour> weather) =>
            SprayWindows.Of(new WindowsQuestion {
                Purpose = Purpose.Leaf, From = Day, Hours = 72, Latitude = 50, Longitude = 0,
                Weather = weather
            }).Value;
        Ask(windy).Hours.Zip(Ask(calm).Hours, (w, c) => w.Score <= c.Score + 1e-12).ShouldAllBe(no => no);
    }

    [Property(MaxTest = 100)]
    public void The_order_of_the_weather_does_not_matter(int seed)
    {
        var sky = Sky(seed);
        var random = new Random(seed);
        SprayWindows.Of(new WindowsQuestion {
            Purpose = Purpose.Leaf, From = Day, Hours = 24, Latitude = 50, Longitude = 0,
            Weather = [.. sky.OrderBy(_ => random.Next())]
        }).Value.Hours.Select(h => h.Score)
            .ShouldBe(SprayWindows.Of(new WindowsQuestion {
                Purpose = Purpose.Leaf, From = Day, Hours = 24, Latitude = 50, Longitude = 0,
                Weather = sky
            }).Value.Hours.Select(h => h.Score));
    }

    [Fact]
    public void Every_pair_of_kinds_is_ruled_on_the_same_both_ways_in_the_tank_and_on_a_bed()
    {
        foreach (var a in MixingRules.Classes)
        {
            foreach (var b in MixingRules.Classes)
            {
                MixAnswer Tank(string x, string y) =>
                    MixingRules.Of(new MixQuestion { Tank = [new(x, x), new(y, y)], ChlorineMgPerL = 0 }).Value;
                var (one, two) = (Tank(a.Id, b.Id).Pairs.Single(), Tank(b.Id, a.Id).Pairs.Single());
                (one.Says, one.Why, one.Sure).ShouldBe((two.Says, two.Why, two.Sure));
                one.Says.ShouldBeOneOf("fine", "never", "jar");
                MixAnswer OnBed(double days) =>
                    MixingRules.Of(new MixQuestion {
                        Tank = [new(a.Id, a.Id)], Lately = [new(b.Id, b.Id, days, "bed")],
                        ChlorineMgPerL = 0
                    }).Value;
                OnBed(0).Pairs.Sum(p => p.WaitDays).ShouldBeGreaterThanOrEqualTo(OnBed(5).Pairs.Sum(p => p.WaitDays));
                OnBed(60).Pairs.ShouldBeEmpty();
            }
        }
    }

    [Property(MaxTest = 200)]
    public void Older_and_warmer_is_never_more_alive(ushort days, byte more, byte celsius)
    {
        foreach (var kind in Enum.GetValues<LifeForm>())
        {
            var (age, warm) = (days % 2000, (celsius % 60) - 15.0);
            var now = InoculantDose.Viable(kind, age, warm);
            now.ShouldBeInRange(0, 1);
            InoculantDose.Viable(kind, age + more, warm).ShouldBeLessThanOrEqualTo(now);
            InoculantDose.Viable(kind, age, warm + (more / 20.0)).ShouldBeLessThanOrEqualTo(now);
            // Two spells one after the other are one spell.
            (InoculantDose.Viable(kind, age, warm) * InoculantDose.Viable(kind, more, warm)).ShouldBe(InoculantDose.Viable(kind, age + more,
                warm), 1e-12);
        }
    }

    [Property(MaxTest = 200)]
    public void The_dose_that_would_make_up_does(byte dose, byte every, byte age)
    {
        var question = new CourseQuestion {
            Species = [new LabelSpecies { Name = "a", Count = 1e8 }], LabelPer = "mL",
            Kind = LifeForm.Living, AgeDays = age, LabelDose = 10, LabelEveryDays = 14, Dose = 1 + (dose % 12),
            EveryDays = 7 + (every % 60)
        };
        var course = InoculantCourse.Of(question).Value;
        if (course.MakeUp is { } up)
        {
            InoculantCourse.Of(question with { Dose = up }).Value.Share!.Value.ShouldBe(1, 1e-9);
        }
        else
        {
            course.Share!.Value.ShouldBeGreaterThanOrEqualTo(0.999);
        }
    }

    [Property(MaxTest = 100)]
    public void What_is_to_buy_is_what_the_shelf_lacks(byte[] wants, byte[] lots)
    {
        var standing = lots.Select((l, i) => new LotStanding(i, $"L{i}", l / 10.0, Day.AddDays(-i), null)).ToList();
        var asked = wants.Select((w, i) => new Want(1, w / 10.0, Day.AddDays(i), $"job {i}")).ToList();
        var buy = Shopping.List(asked, new Dictionary<int, IReadOnlyList<LotStanding>> { [1] = standing });
        buy.Sum(b => b.Amount).ShouldBe(Math.Max(0, (wants.Sum(w => w) - lots.Sum(l => l)) / 10.0), 1e-6);
    }

    [Property(MaxTest = 100)]
    public void A_season_is_looked_at_the_same_however_its_givings_are_listed(byte[] days, int seed)
    {
        var start = new DateOnly(2026, 4, 1);
        var steps = days.Take(12).Select((d, i) => new ProgrammeStep {
            Kind = Biostimulants.Kinds[i % Biostimulants.Kinds.Count].Kind,
            On = start.AddDays(d), Purpose = Purpose.Leaf
        }).DistinctBy(s => (s.Kind, s.On)).ToList();
        ProgrammeAnswer Check(IEnumerable<ProgrammeStep> s) =>
            Biostimulants.Check(new ProgrammeQuestion { Start = start, Harvest = start.AddDays(120), AreaM2 = 100, Steps = [.. s] }).Value;
        var random = new Random(seed);
        var (one, two) = (Check(steps), Check(steps.OrderBy(_ => random.Next())));
        one.Misses.Order().ShouldBe(two.Misses.Order());
        one.PotassiumG.ShouldBe(two.PotassiumG, 1e-9);
        one.Steps.ShouldAllBe(s => s.Fit == "right" || s.Fit == "late" || s.Fit == "wasted");
        one.Stages.Zip(one.Stages.Skip(1), (a, b) => a.To == b.From).ShouldAllBe(joined => joined);
    }

    [Property(MaxTest = 100)]
    public void A_wait_runs_to_its_day_and_no_longer(ushort ago, byte own)
    {
        var days = own % 200;
        var rules = new Dictionary<string, (double, string)> { ["brew"] = (days, "our own code") };
        var on = Day.AddDays(-(ago % 300));
        var waits = HarvestWaits.Running([new WaitCause("tea", "brew", on)], Day, rules, Eaten.Touches);
        (waits.Count == 1).ShouldBe(on.AddDays(days) > Day);
        waits.ShouldAllBe(w => w.Until == on.AddDays(days));
    }

    [Property(MaxTest = 100)]
    public void A_bed_keeps_its_area_wherever_on_its_parallel_it_lies(byte east, byte size)
    {
        var d = 0.0002 + (size / 1e5);
        List<Corner> At(double lon) => [new(lon, 52.5), new(lon + d, 52.5), new(lon + d, 52.5 + d), new(lon, 52.5 + (d / 2))];
        GroundPlan.AreaM2(At(east)).ShouldBe(GroundPlan.AreaM2(At(0)), 1e-3);
    }

    [Theory]
    [InlineData("Ridge Bed 1", "Ridge Bed 2", "Ridge Bed 11", "Ridge Bed 12", "Long Acre", "North Tunnel", "Tunnel 2")]
    [InlineData("A1", "A2", "B1", "B12")]
    [InlineData("Küchengarten", "Pré du bas", "Old Orchard", "New Orchard")]
    public void Every_bed_is_found_by_its_own_name(params string[] names)
    {
        var known = names.Select((n, i) => new Nameable(NameOf.Bed, i + 1, n, ["kale"])).ToList();
        foreach (var (name, i) in names.Select((n, i) => (n, i)))
        {
            foreach (var phrase in new[] { $"brix 9.1 8.8 {name} top", $"picked 3 kg {name.ToUpperInvariant()}", $"{name} brix 9" })
            {
                NoteIt.Read(phrase, known).Value.Targets.ShouldHaveSingleItem(phrase).Id.ShouldBe(i + 1, phrase);
            }
        }
    }
}
