using MudPie.Core.Workings;

namespace MudPie.Server.Tests;

/// <summary>What a name is held to, wherever it comes from.</summary>
public sealed class NamesTests
{
    [Theory]
    [InlineData("Ridge Bed 4")]
    [InlineData("Café")]
    [InlineData("Beet für Möhren")]
    [InlineData("باغ")]
    [InlineData("👩‍🌾 bed")] // a picture of several, joined
    [InlineData("=1+1")]
    public void What_can_be_seen_is_a_name(string name) => Names.Wrong(name).ShouldBeNull();

    [Theory]
    [InlineData("", "no name")]
    [InlineData("   ", "no name")]
    [InlineData(null, "no name")]
    [InlineData("a\u200bb", "U+200B")]
    [InlineData("a\0b", "U+0000")]
    [InlineData("a\tb", "U+0009")]
    [InlineData("a\nb", "U+000A")]
    [InlineData("\u202eevil", "U+202E")]
    [InlineData("soft\u00adhyphen", "U+00AD")]
    public void What_can_not_be_seen_is_said(string? name, string says) => Names.Wrong(name).ShouldNotBeNull().ShouldContain(says);

    [Fact]
    public void Half_a_sign_and_more_than_sixty_letters_are_no_name()
    {
        Names.Wrong("half" + '\ud83d').ShouldNotBeNull().ShouldContain("half a sign");
        Names.Wrong(new string('x', 60)).ShouldBeNull();
        Names.Wrong(new string('x', 61)).ShouldNotBeNull().ShouldContain("too long");
    }

    [Theory]
    [InlineData("", "")]
    [InlineData("a", "a")]
    [InlineData("a|b", "a or b")]
    [InlineData("a|b|c", "a, b or c")]
    public void One_of_a_few_is_offered_with_or(string words, string says) =>
        Say.Any(words.Split('|', StringSplitOptions.RemoveEmptyEntries)).ShouldBe(says);
}
