using MudPie.Core.Ground;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.Ground;

/// <summary>Stages by kind of crop: no two kinds share one calendar, and nothing is sprayed on leaves that are not there.</summary>
public sealed class CropCalendarTests
{
    public static TheoryData<string> Kinds => [.. CropCalendars.All.Select(c => c.Id)];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Stages_run_forward_from_nought_and_end_before_the_season_does(string id)
    {
        var c = CropCalendars.All.Single(x => x.Id == id);
        c.Stages[0].FromDay.ShouldBe(0);
        c.Stages.Zip(c.Stages.Skip(1)).ShouldAllBe(p => p.First.FromDay < p.Second.FromDay);
        c.Stages[^1].FromDay.ShouldBeLessThan(c.Days);
        c.LeavesFromDay.ShouldBeInRange(1, c.Days / 2);
        c.Stages.Select(s => s.Name).Distinct().Count().ShouldBe(c.Stages.Count);
    }

    [Theory]
    [InlineData("potatoes", "root")]
    [InlineData("carrot", "root")]
    [InlineData("lettuce 'Rocket'", "leaf")]
    [InlineData("spinach", "leaf")]
    [InlineData("tomatoes", "fruiting")]
    [InlineData("courgette", "fruiting")]
    [InlineData("winter wheat", "grain")]
    [InlineData("field beans", "grain")]
    [InlineData("garlic", "bulb")]
    [InlineData("onions", "bulb")]
    [InlineData("vines", "tree")]
    [InlineData("apples", "tree")]
    [InlineData("pasture", "pasture")]
    [InlineData("dahlias", "flowers")]
    [InlineData("modules", "seedlings")]
    [InlineData("something new", "other")]
    [InlineData("", "other")]
    [InlineData(null, "other")]
    public void A_crop_has_the_calendar_of_its_kind(string? crop, string calendar) => CropCalendars.Of(crop).Id.ShouldBe(calendar);

    [Fact]
    public void Potatoes_lettuce_pasture_and_vines_share_no_stages()
    {
        string[] crops = ["potatoes", "lettuce", "pasture", "vines"];
        crops.Select(c => string.Join('|', CropCalendars.Of(c).Stages.Select(s => s.Name))).Distinct().Count().ShouldBe(4);
        crops.Select(c => CropCalendars.Of(c).Days).Distinct().Count().ShouldBe(4);
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void No_leaf_spray_is_proposed_before_there_are_leaves(string id)
    {
        var crop = id switch {
            "root" => "potatoes",
            "leaf" => "lettuce",
            "fruiting" => "tomatoes",
            "grain" => "oats",
            "bulb" => "garlic",
            "tree" => "vines",
            "pasture" => "pasture",
            "flowers" => "dahlias",
            "seedlings" => "modules",
            _ => "something"
        };
        var calendar = CropCalendars.Of(crop);
        calendar.Id.ShouldBe(id);
        var start = new DateOnly(2027, 3, 1);
        var harvest = start.AddDays((int)calendar.Days);
        foreach (var kind in Biostimulants.Kinds.Select(k => k.Kind))
        {
            var steps = Biostimulants.Propose(kind, start, harvest, crop);
            if (steps.Refused is null)
            {
                steps.Value.Where(s => s.Purpose == Purpose.Leaf)
                    .ShouldAllBe(s => s.On.DayNumber - start.DayNumber >= calendar.LeavesFromDay - 0.5, $"{kind} on {crop}");
                steps.Value.ShouldAllBe(s => s.On >= start && s.On <= harvest);
            }
        }
    }

    [Fact]
    public void Dates_of_ones_own_take_the_place_of_the_calendars()
    {
        var (start, harvest) = (new DateOnly(2027, 3, 1), new DateOnly(2027, 6, 20));
        var plain = Biostimulants.StagesOf("potatoes", start, harvest);
        var own = new StageFrom("set", "tuber set", new DateOnly(2027, 4, 20));
        var dated = Biostimulants.StagesOf("potatoes", start, harvest,
            [.. plain.Select(s => s.Id == "set" ? own : new StageFrom(s.Id, s.Name, s.From))]);
        plain.Select(s => s.Id).ShouldBe(dated.Select(s => s.Id));
        dated.Single(s => s.Id == "set").From.ShouldBe(own.From);
        plain.Single(s => s.Id == "set").From.ShouldNotBe(own.From);
    }
}
