namespace MudPie.Core.Tests.Ideas;

/// <summary>An idea is a type; its word in JSON, in files and in sentences is one.</summary>
public class WordsTests
{
    [Fact]
    public void Each_idea_has_the_words_that_files_and_callers_have_always_used()
    {
        Words.All<Purpose>().ShouldBe(["leaf", "root"]);
        Words.All<Making>().ShouldBe(["tea", "extract", "bubbled", "steep"]);
        Words.All<Bias>().ShouldBe(["bacterial", "balanced", "fungal"]);
        Words.All<Life>().ShouldBe(["poor", "middling", "living"]);
        Words.All<LifeForm>().ShouldBe(["spores", "living", "propagules"]);
        Words.All<Design>().ShouldBe(["random", "blocks", "factorial", "split-plot", "paired", "pair"]);
        Words.All<TrialState>().ShouldBe(["planned", "growing", "ended"]);
        Words.All<TrialRole>().ShouldBe(["control", "water", "treatment"]);
        Words.All<WaterKind>().ShouldBe(["mains", "rain", "well", "ro", "surface"]);
        Words.All<RateBasis>().ShouldBe(["perHa", "per100m2", "perLitre", "perPlant", "perKgSeed", "perM3Mix", "oneIn"]);
        Words.All<LotOrigin>().ShouldBe(["bought", "made"]);
        Words.All<Tone>().ShouldBe(["go", "mind", "stop"]);
        Words.All<Finding>()
            .ShouldBe(["works", "some effect, perhaps not worth it", "no useful difference", "does harm", "cannot tell yet"]);
    }

    [Fact]
    public void A_word_is_read_whatever_its_case_and_another_is_none()
    {
        Words.Read<Design>("Split-Plot").ShouldBe(Design.SplitPlot);
        Words.Read<Purpose>("stem").ShouldBeNull();
        Words.Read<Purpose>(null).ShouldBeNull();
        Words.Read<Purpose>("0").ShouldBeNull("a number is no word");
        Should.Throw<ArgumentException>(() => Words.Must<Life>("tired")).Message.ShouldContain("tired");
    }
}
