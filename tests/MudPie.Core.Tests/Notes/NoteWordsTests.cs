using MudPie.Core.Measures;
using MudPie.Core.Notes;

namespace MudPie.Core.Tests.Notes;

/// <summary>Each word that a note may be said in.</summary>
public class NoteWordsTests
{
    private static readonly Nameable[] Names =
    [
        new(NameOf.Vessel, 2, "the Barrel", ["barrel", "drum"]), new(NameOf.Vessel, 3, "the Cone", ["tank"]),
        new(NameOf.Bed, 4, "Ridge Bed 4", ["fennel"]), new(NameOf.Bed, 7, "Ridge Bed 7", ["beetroot"]),
        new(NameOf.Water, 1, "Mains", ["mains"]), new(NameOf.Input, 1, "kelp liquid", ["liquid kelp"]),
        new(NameOf.Input, 4, "gypsum", ["a mineral"]),
        new(NameOf.Sprayer, 1, "the old knapsack", []), new(NameOf.Sprayer, 2, "the new knapsack", []),
        new(NameOf.Sprayer, 3, "10 L watering can", []),
    ];

    private static NoteUnderstood Read(string text, UnitSystem units = UnitSystem.Metric) => NoteIt.Read(text, Names, units).Value;

    [Theory]
    [InlineData("o2 6.7 drum", "oxygen")]
    [InlineData("do 6.7 drum", "oxygen")]
    [InlineData("temperature 18 drum", "warmth")]
    [InlineData("warmth 18 drum", "warmth")]
    [InlineData("drum 18 degrees", "warmth")]
    [InlineData("drum smelt sour", "smell")]
    [InlineData("nose sour drum", "smell")]
    [InlineData("froth thick drum", "foam")]
    [InlineData("foaming a lot drum", "foam")]
    [InlineData("chlorine 0.5 mains", "strip")]
    [InlineData("bx 9.1 fennel", "brix")]
    [InlineData("given 30 ml kelp fennel", "use")]
    [InlineData("dosed 30 ml kelp fennel", "use")]
    [InlineData("fed 30 ml kelp fennel", "use")]
    [InlineData("cut 3 kg fennel", "harvest")]
    [InlineData("pulled 3 kg fennel", "harvest")]
    [InlineData("lifted 3 kg fennel", "harvest")]
    [InlineData("saw a hare fennel", "note")]
    [InlineData("seen a hare", "note")]
    public void A_kind_goes_by_any_of_its_words(string text, string kind) => Read(text).Kind.Word().ShouldBe(kind);

    [Theory]
    [InlineData("woods", "earthy", "Smells earthy")]
    [InlineData("sweet", "sweet", "Smells sweet")]
    [InlineData("neutral", "none", "Smells of nothing")]
    [InlineData("vinegar", "sour", "Smells sour")]
    [InlineData("sulphur", "rottenEgg", "Smells of rotten eggs")]
    [InlineData("foul", "putrid", "Smells putrid")]
    [InlineData("beer", "alcohol", "Smells of alcohol")]
    [InlineData("vineger", "sour", "Smells sour")] // a slip
    public void A_smell_goes_by_any_of_its_words(string said, string word, string sentence)
    {
        var note = Read($"smells {said} drum");
        (note.Word, note.Sentence).ShouldBe((word, $"{sentence} in the Barrel."));
    }

    [Theory]
    [InlineData("gone", "none", "Foam: none")]
    [InlineData("white", "little", "Foam: little")]
    [InlineData("lots", "thick", "Foam: much")]
    [InlineData("overflowing", "over", "Foam: over")]
    public void Foam_too(string said, string word, string sentence)
    {
        var note = Read($"foam {said} drum");
        (note.Word, note.Sentence).ShouldBe((word, $"{sentence} in the Barrel."));
    }

    [Theory]
    [InlineData("brix 9.1 fennel sunny", "clear")]
    [InlineData("brix 9.1 fennel broken", "mixed")]
    [InlineData("brix 9.1 fennel overcast", "dull")]
    [InlineData("brix 9.1 fennel", null)]
    public void A_sky_said_with_a_brix_is_kept(string text, string? sky)
    {
        var note = Read(text);
        (note.Sky is { } seen ? seen.Word() : null).ShouldBe(sky);
        note.Sentence.ShouldBe($"Brix, top leaf, 9.1 °Bx{(sky is null ? "" : $" under a {sky} sky")} on Ridge Bed 4.");
    }

    [Theory]
    [InlineData("brix 9.1 dry fennel", 1, "Brix, top leaf, 9.1 °Bx and 1 dry on Ridge Bed 4.")]
    [InlineData("brix dry dry fennel", 2, "Brix, top leaf,2 dry on Ridge Bed 4.")]
    [InlineData("brix 9.1 middle fennel 64 f", 0, "Brix, middle leaf, 9.1 °Bx read at 17.8 °C on Ridge Bed 4.")]
    public void Leaves_that_gave_no_juice_and_a_warm_meter_too(string text, int dry, string sentence)
    {
        var note = Read(text);
        note.Dry.ShouldBe(dry);
        note.Sentence.Replace("leaf, 2", "leaf,2", StringComparison.Ordinal).ShouldBe(sentence);
    }

    [Theory]
    [InlineData("temp 66 drum", UnitSystem.UsCustomary, 18.8889)]
    [InlineData("temp 19 c drum", UnitSystem.UsCustomary, 19)]
    [InlineData("temp 66f drum", UnitSystem.Metric, 18.8889)]
    [InlineData("temp 19 drum", UnitSystem.Metric, 19)]
    public void Warmth_in_either_unit(string text, UnitSystem units, double celsius) =>
        Read(text, units).Numbers.ShouldHaveSingleItem().ShouldBe(celsius, 1e-3);

    [Theory]
    [InlineData("o2 0 drum", 0)]
    [InlineData("o2 20 drum", 20)]
    [InlineData("temp 0 drum", 0)]
    [InlineData("temp 45 drum", 45)]
    [InlineData("strip 10 mains", 10)]
    [InlineData("brix 30 fennel", 30)]
    public void The_ends_of_a_range_are_taken(string text, double figure) => Read(text).Numbers.ShouldBe([figure]);

    [Theory]
    [InlineData("o2 20.1 drum", "20.1 mg/L can't be.", "Give 0 to 20 mg/L.")]
    [InlineData("temp 45.1 drum", "45.1 °C can't be.", "Give 0 to 45 °C.")]
    [InlineData("brix 30.1 fennel", "30.1 °Bx can't be.", "Give 0 to 30 °Bx.")]
    [InlineData("temp drum", "It is about warmth, but there is no figure in it.", "Say the figure: temp 19 and where.")]
    [InlineData("strip mains", "It is about strip, but there is no figure in it.", "Say the figure: strip 0.2 and where.")]
    [InlineData("brix fennel", "It is about brix, but there is no figure in it.", "Say the figure: brix 9.1 8.8 9.4 fennel top.")]
    [InlineData("o2 6.7", "Oxygen 6.7 mg/L: but where?", "Name the vessel: drum, bucket, tank, or its own name.")]
    [InlineData("strip 0.2", "Strip 0.2 mg/L: but where?", "Name the water: mains, rain.")]
    [InlineData("picked 3 kg", "Harvested 3 kg: but where?", "Name the bed, or its crop.")]
    [InlineData("sprayed 30 ml kelp on fennel with the knapsack", "It can mean the old knapsack or the new knapsack.",
        "Say one more word of its name: with the old knapsack.")]
    [InlineData("picked 1,500 kg fennel", "“1,500 kg” can be read as 1.5 or as 1500.",
        "Write 1.5 or 1500, without a sign for thousands.")]
    public void What_can_not_be_taken_is_told_with_the_way_out(string text, string wrong, string wayOut)
    {
        var problem = NoteIt.Read(text, Names).Refused.ShouldNotBeNull().Problems.ShouldHaveSingleItem();
        (problem.Field, problem.Wrong, problem.WayOut).ShouldBe(("text", wrong, wayOut));
    }

    [Theory]
    [InlineData("sprayed 30 ml kelp on fennel with the old knapsack", 1,
        "Used 30 mL of kelp liquid, on leaves, with the old knapsack, on Ridge Bed 4.")]
    [InlineData("gave 30 ml kelp to fennel by watering can", 3, "Used 30 mL of kelp liquid with 10 L watering can, on Ridge Bed 4.")]
    [InlineData("used 30 ml kelp on fennel", null, "Used 30 mL of kelp liquid on Ridge Bed 4.")]
    public void The_tool_is_the_one_that_was_named(string text, int? tool, string sentence)
    {
        var note = Read(text);
        (note.Tool?.Id, note.Sentence).ShouldBe((tool, sentence));
    }

    [Fact]
    public void A_longer_text_than_a_note_by_hand_is_refused_and_one_of_its_length_not()
    {
        NoteIt.Read("note " + new string('a', 295), Names).Refused.ShouldBeNull();
        NoteIt.Read("note " + new string('a', 296), Names).Refused!.Problems[0].Wrong.ShouldBe("That is too long for a note by hand.");
    }

    [Theory]
    [InlineData("o2 6.7 drum at 7.05", "07:05")]
    [InlineData("o2 6.7 drum at 19:40", "19:40")]
    [InlineData("o2 6.7 drum", null)]
    [InlineData("used kelp at 1.25 l on fennel", null)] // an amount, not an hour
    public void An_hour_that_was_said_is_kept(string text, string? hour) => Read(text).ClockTime.ShouldBe(hour);
}
