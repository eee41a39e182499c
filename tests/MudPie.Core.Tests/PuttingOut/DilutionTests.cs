using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>One dilution, one meaning; and nothing is lost between the tank and the beds.</summary>
public class DilutionTests
{
    [Theory]
    [InlineData("1:5", 6)]
    [InlineData("1+5", 6)]
    [InlineData("1 to 5", 6)]
    [InlineData("1 part tea to 5 parts water", 6)]
    [InlineData("5 parts water to 1 part tea", 6)]
    [InlineData("5 to 1 water to tea", 6)]
    [InlineData("1 in 6", 6)]
    [InlineData("20 %", 5)]
    [InlineData("20%", 5)]
    [InlineData("12,5 percent", 8)]
    [InlineData("neat", 1)]
    [InlineData("1:0", 1)]
    [InlineData("100 %", 1)]
    [InlineData("1:5 tea", 6)]
    [InlineData("5 tea to 1 water", 1.2)]
    [InlineData("1 in 1000", 1000)]
    [InlineData("5 to 1 water", 1.2)]
    [InlineData("1:50", 51)]
    public void Is_read_one_way_only(string typed, double oneIn) =>
        Dilutions.Read(typed).Value.OneIn.ShouldBe(oneIn, 1e-9);

    [Fact]
    public void Is_shown_both_ways() => Dilutions.Read("1:5").Value.BothWays.ShouldBe("1 part tea + 5 parts water (1 in 6)");

    [Theory]
    [InlineData("1 in 1,000", "1 in 1 or as 1 in 1000")]
    [InlineData("1:1,000", "1:1 or as 1:1000")]
    [InlineData("1:1.000", "1:1 or as 1:1000")]
    [InlineData("1+2,000", "1+2 or as 1+2000")]
    [InlineData("50:1", "50 parts tea + 1 part water (1 in 1.02) or as 1 part tea + 50 parts water (1 in 51)")]
    [InlineData("5:1", "5 parts tea + 1 part water (1 in 1.2) or as 1 part tea + 5 parts water (1 in 6)")]
    [InlineData("1 + 5 tea", "1 part tea + 5 parts water (1 in 6) or as 5 parts tea + 1 part water (1 in 1.2)")]
    public void What_can_be_read_two_ways_is_asked_about_with_both_readings(string typed, string both) =>
        Dilutions.Read(typed).Refused!.Problems[0].Wrong.ShouldContain(both);

    [Theory]
    [InlineData("")]
    [InlineData("weak")]
    [InlineData("0:5")]
    [InlineData("0 %")]
    [InlineData("120 %")]
    [InlineData("6 in 1")]
    [InlineData("1:99999")]
    [InlineData("-1:5")]
    [InlineData("NaN:5")]
    [InlineData("1 in 1.2.3")]
    [InlineData("٣:5")]
    public void Nonsense_is_refused(string typed) => Dilutions.Read(typed).Refused!.Problems[0].Field.ShouldBe("parts");

    [Fact]
    public void Twelve_litres_of_one_to_five_is_two_of_tea_and_ten_of_water()
    {
        var split = Dilutions.Split("1:5", 12).Value;
        split.TeaL!.Value.ShouldBe(2, 1e-12);
        split.WaterL!.Value.ShouldBe(10, 1e-12);
    }
}
