using MudPie.Core.Ground;
using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Core.Notes;

namespace MudPie.Core.Tests.Looking;

/// <summary>What is done to the ground, rain and watering; plantings; and the same in a few words.</summary>
public class FieldTests
{
    [Theory]
    [InlineData("12", UnitSystem.Metric, 12)]
    [InlineData("12 mm", UnitSystem.UsCustomary, 12)]
    [InlineData("0.5 in", UnitSystem.Metric, 12.7)]
    [InlineData("½ inch", UnitSystem.Metric, 12.7)]
    [InlineData("1/2 in", UnitSystem.Metric, 12.7)]
    [InlineData("0.5", UnitSystem.UsCustomary, 12.7)]
    [InlineData("1,5 cm", UnitSystem.Metric, 15)]
    [InlineData("12 mm of rain", UnitSystem.Metric, 12)]
    public void A_depth_of_water_is_read_as_it_is_said(string typed, UnitSystem units, double mm) =>
        Rainfall.Read(typed, units)!.Value.ShouldBe(mm, 1e-9);

    [Theory]
    [InlineData("a lot")]
    [InlineData("-3")]
    [InlineData("12 L")]
    [InlineData("1/0")]
    [InlineData("")]
    public void What_is_no_depth_is_none(string typed) => Rainfall.Read(typed, UnitSystem.Metric).ShouldBeNull();

    private static FieldEntry Do(FieldAsked r, double? area = 36) => FieldDeeds.Do(r, area, UnitSystem.Metric).Value;

    private static string[] Wrong(FieldAsked r, double? area = 36) =>
        [.. FieldDeeds.Do(r, area, UnitSystem.Metric).Refused!.Problems.Select(p => p.Field)];

    [Fact]
    public void Litres_on_a_bed_are_a_depth_and_a_depth_stays_one()
    {
        var forty = Do(new() { Deed = FieldDeed.Watered, Amount = "40 L" });
        forty.Mm!.Value.ShouldBe(40.0 / 36, 1e-9);
        forty.Litres.ShouldBe(40);
        Do(new() { Deed = FieldDeed.Watered, Amount = "12 mm" }).Litres.ShouldBeNull();
        Do(new() { Deed = FieldDeed.Watered, Amount = "40" }).Litres.ShouldBe(40, "a bare number of watering is litres");
        Do(new() { Deed = FieldDeed.Rain, Amount = "9" }, null).Mm.ShouldBe(9);
        Do(new() { Deed = FieldDeed.Tilled, Amount = "15 cm" }).DepthCm!.Value.ShouldBe(15, 1e-9);
        FieldDeeds.Says(FieldDeed.Watered, (forty.Mm, 40, null), null, null, UnitSystem.Metric).ShouldBe("watered, 40 L (1.1 mm)");
        FieldDeeds.Says(FieldDeed.Sowed, default, "oats", "Naked", UnitSystem.Metric).ShouldBe("sowed oats, Naked");
    }

    [Fact]
    public void Sowing_names_a_crop_and_ends_what_stood_there()
    {
        var sown = Do(new() { Deed = FieldDeed.Sowed, Crop = " oats " });
        (sown.Crop, sown.Ends).ShouldBe(("oats", true));
        Do(new() { Deed = FieldDeed.Cover, Crop = "clover" }).Ends.ShouldBeFalse("a cover may stand beneath");
        Do(new() { Deed = FieldDeed.Crimped, Ends = true }).Ends.ShouldBeTrue();
    }

    [Fact]
    public void What_is_missing_is_told_at_its_field()
    {
        Wrong(new()).ShouldBe(["deed"]);
        Wrong(new() { Deed = FieldDeed.Watered, Amount = "40 L" }, null).ShouldContain("bedIds");
        Wrong(new() { Deed = FieldDeed.Watered }).ShouldBe(["amount"]);
        Wrong(new() { Deed = FieldDeed.Rain, Amount = "40 L" }, null).ShouldBe(["amount"]);
        Wrong(new() { Deed = FieldDeed.Rain, Amount = "900 mm" }, null).ShouldBe(["amount"]);
        Wrong(new() { Deed = FieldDeed.Rain, Amount = "0 mm" }, null).ShouldBe(["amount"]);
        Wrong(new() { Deed = FieldDeed.Sowed }).ShouldBe(["crop"]);
        Wrong(new() { Deed = FieldDeed.Watered, Amount = "90 m3" }).ShouldBe(["amount"]);
        Wrong(new() { Deed = FieldDeed.Mowed, Note = new string('x', 201) }).ShouldBe(["note"]);
    }

    [Fact]
    public void A_before_and_after_says_what_fell_between()
    {
        WaterBetween.Of(24, 3, UnitSystem.Metric).Sentence.ShouldBe("Between them 24 mm of rain, 3 mm of watering: the water may have done "
            + "some of it.");
        WaterBetween.Of(0, 0, UnitSystem.Metric).Sentence.ShouldBe("Between them no rain, no watering in the book.");
        WaterBetween.Of(null, 0, UnitSystem.Metric).Sentence.ShouldStartWith("Between them rain not known");
        WaterBetween.Of(25.4, 0, UnitSystem.UsCustomary).Sentence.ShouldContain("1 in of rain");
    }

    [Fact]
    public void What_stood_on_a_day_is_the_planting_that_began_last_and_had_not_ended()
    {
        static DateTimeOffset On(int month, int day) => new(2026, month, day, 9, 0, 0, TimeSpan.Zero);
        PlantingSpan[] all = [new(1, 1, "oats", null, On(7, 20)), new(2, 1, "clover", On(7, 25), null), new(3, 1, "kale", On(8, 1), null)];
        Plantings.At(all, On(6, 1))!.Crop.ShouldBe("oats");
        Plantings.At(all, On(7, 22)).ShouldBeNull();
        Plantings.At(all, On(7, 30))!.Crop.ShouldBe("clover");
        Plantings.At(all, On(9, 1))!.Crop.ShouldBe("kale");
        Plantings.Of(all, On(7, 22))!.Crop.ShouldBe("oats", "cut on the 20th, weighed on the 22nd");
        Plantings.Of([], On(7, 22)).ShouldBeNull();
    }

    private static readonly Nameable[] Names = [new(NameOf.Bed, 1, "Creek Field", ["oats and vetch"]), new(NameOf.Bed, 4, "Ridge Bed 4",
        ["garlic"]), new(NameOf.Bed, 5, "Ridge Bed 5", ["fennel"]), new(NameOf.Vessel, 9, "the Barrel", ["barrel", "drum"])];

    private static NoteUnderstood Note(string text) => NoteIt.Read(text, Names).Value;

    [Theory]
    [InlineData("rain 12", "Rain, 12 mm on all the ground.")]
    [InlineData("it rained 12 mm", "Rain, 12 mm on all the ground.")]
    [InlineData("12 mm of rain", "Rain, 12 mm on all the ground.")]
    [InlineData("watered 40 L bed 4", "Watered, 40 L on Ridge Bed 4.")]
    [InlineData("watered 12 mm ridge bed 4", "Watered, 12 mm on Ridge Bed 4.")]
    [InlineData("watered the garlic 40 l", "Watered, 40 L on Ridge Bed 4.")]
    [InlineData("sowed oats creek", "Sowed oats on Creek Field.")]
    [InlineData("sowed red clover on ridge bed 5", "Sowed red clover on Ridge Bed 5.")]
    [InlineData("mowed creek field at 7:10", "Mowed on Creek Field, at 07:10.")]
    [InlineData("tilled ridge bed 4 15 cm deep", "Tilled, 15 cm deep on Ridge Bed 4.")]
    public void Note_it_knows_rain_watering_and_what_is_done_to_the_ground(string text, string says)
    {
        var note = Note(text);
        (note.Kind, note.Sentence).ShouldBe((NoteKind.Field, says));
    }

    [Theory]
    [InlineData("watered 40 L")]
    [InlineData("sowed oats")]
    [InlineData("rain")]
    [InlineData("sowed creek field")]
    [InlineData("rain 4000")]
    public void What_is_left_out_of_it_is_asked_for(string text) => NoteIt.Read(text, Names).Refused!.Problems[0].Field.ShouldBe("text");

    [Fact]
    public void A_note_about_rain_stays_a_note() => Note("note rain came in at the shed").Kind.ShouldBe(NoteKind.Note);
}
