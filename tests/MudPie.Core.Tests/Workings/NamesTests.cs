using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Workings;

/// <summary>Two names must not look alike, and each is kept as it was typed.</summary>
public class NamesTests
{
    [Theory]
    [InlineData("the Cone")]
    [InlineData("x")]
    [InlineData("Küstenbeet Nº 4")]
    [InlineData("畑")]
    [InlineData("🌱")]
    [InlineData("क्\u200dष")] // a joiner, with which some scripts are written
    [InlineData(" spaced ")]
    public void A_name_that_can_be_seen_is_taken(string name) => Names.Wrong(name).ShouldBeNull();

    [Theory]
    [InlineData(null)]
    [InlineData("")]
    [InlineData("   ")]
    [InlineData("\t\n")]
    public void Nothing_is_no_name(string? name) => Names.Wrong(name).ShouldBe("It has no name.");

    [Fact]
    public void Sixty_signs_are_a_name_and_one_more_is_not()
    {
        Names.Wrong(new string('a', Names.Most)).ShouldBeNull();
        Names.Wrong(new string('a', Names.Most + 1)).ShouldBe("That name is too long.");
    }

    [Theory]
    [InlineData('\u0000', "0000")]
    [InlineData('\u0007', "0007")]
    [InlineData('\u007f', "007F")]
    [InlineData('\u00ad', "00AD")] // soft hyphen
    [InlineData('\u200b', "200B")] // no width
    [InlineData('\u2060', "2060")]
    [InlineData('\ufeff', "FEFF")]
    [InlineData('\u202a', "202A")] // turns the direction of writing
    [InlineData('\u202e', "202E")]
    [InlineData('\u2066', "2066")]
    [InlineData('\u2069', "2069")]
    public void A_sign_that_can_not_be_seen_is_named_by_its_number(char sign, string number)
    {
        Names.Wrong($"Ridge{sign} Bed 4").ShouldBe($"That name holds a sign that can't be seen (U+{number}).");
        Names.Wrong($"{sign}Ridge Bed 4").ShouldBe($"That name holds a sign that can't be seen (U+{number}).");
    }

    [Theory]
    [InlineData('\u202f')] // a narrow space is seen
    [InlineData('\u2029')]
    [InlineData('\u2065')]
    [InlineData('\u200d')]
    public void Its_neighbours_are_not_meant(char sign) => (Names.Wrong($"Ridge{sign}Bed") ?? "").ShouldNotContain("can't be seen");

    [Fact]
    public void Half_a_sign_can_not_be_kept()
    {
        Names.Wrong("Ridge \ud83c").ShouldBe("That name holds half a sign, which can't be kept.");
        Names.Wrong("Ridge \udf31 Bed").ShouldBe("That name holds half a sign, which can't be kept.");
    }
}
