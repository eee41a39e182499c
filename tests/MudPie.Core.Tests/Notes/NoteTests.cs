using MudPie.Core.Measures;
using MudPie.Core.Notes;

namespace MudPie.Core.Tests.Notes;

public class NoteTests
{
    private static readonly Nameable[] Names =
    [
        new(NameOf.Vessel, 1, "the Blue Bucket", ["bucket", "pail"]), new(NameOf.Vessel, 2, "the Barrel", ["barrel", "drum"]),
        new(NameOf.Vessel, 3, "the Cone", ["tank"]),
        new(NameOf.Bed, 4, "Ridge Bed 4", ["fennel"]), new(NameOf.Bed, 5, "Ridge Bed 5", ["fennel"]),
        new(NameOf.Bed, 7, "Ridge Bed 7", ["beetroot"]),
        new(NameOf.Bed, 14, "Ridge Bed 14", ["leeks"]), new(NameOf.Bed, 9, "Currant Rows", ["blackcurrant"]),
        new(NameOf.Bed, 10, "Creek Field", ["oats and vetch"]),
        new(NameOf.Water, 1, "Mains", ["mains"]), new(NameOf.Water, 2, "Rain tank", ["rain"]),
        new(NameOf.Input, 1, "kelp liquid", ["liquid kelp"]), new(NameOf.Input, 2, "molasses", ["molasses"]),
        new(NameOf.Input, 3, "Rootbank spores", ["spore-forming bacteria"]), new(NameOf.Input, 4, "gypsum", ["a mineral"]),
    ];

    private static NoteUnderstood Read(string text, UnitSystem units = UnitSystem.Metric) => NoteIt.Read(text, Names, units).Value;

    [Theory]
    [InlineData("o2 6.7 drum", "Oxygen 6.7 mg/L in the Barrel.")]
    [InlineData("oxygen in the barrel 6,7 mg/l", "Oxygen 6.7 mg/L in the Barrel.")]
    [InlineData("O2 6.7mg/l barrel", "Oxygen 6.7 mg/L in the Barrel.")]
    [InlineData("blue bucket oxygen 7.1", "Oxygen 7.1 mg/L in the Blue Bucket.")]
    [InlineData("oxygn 6.7 barel", "Oxygen 6.7 mg/L in the Barrel.")]
    [InlineData("smells sour tank", "Smells sour in the Cone.")]
    [InlineData("bucket smells of eggs", "Smells of rotten eggs in the Blue Bucket.")]
    [InlineData("the drum smells earthy", "Smells earthy in the Barrel.")]
    [InlineData("foam over barrel", "Foam: over in the Barrel.")]
    [InlineData("temp 19.5 cone", "Warmth 19.5 °C in the Cone.")]
    [InlineData("temp 66 f barrel", "Warmth 18.9 °C in the Barrel.")]
    [InlineData("strip 0.2 mains", "Strip 0.2 mg/L in Mains.")]
    [InlineData("chlorine 0 rain", "Strip 0 mg/L in Rain tank.")]
    [InlineData("brix 9.1 8.8 9.4 ridge bed 7 bottom", "Brix, bottom leaf, 9.1, 8.8, 9.4 °Bx on Ridge Bed 7.")]
    [InlineData("brix 9,1 8,8 beetroots", "Brix, top leaf, 9.1, 8.8 °Bx on Ridge Bed 7.")]
    [InlineData("picked 5 kg ridge bed 4", "Harvested 5 kg on Ridge Bed 4.")]
    [InlineData("brix 7 5 7 ridge bed 4", "Brix, top leaf, 7, 5, 7 °Bx on Ridge Bed 4.")]
    [InlineData("picked 12 kg beetroot", "Harvested 12 kg on Ridge Bed 7.")]
    [InlineData("harvested 300 g currant rows", "Harvested 300 g on Currant Rows.")]
    [InlineData("used 30 ml kelp on ridge bed 4", "Used 30 mL of kelp liquid on Ridge Bed 4.")]
    [InlineData("gave half a cup of molasses to creek field", "Used 125 mL of molasses on Creek Field.")]
    [InlineData("put 2 kg gypsum on creek field", "Used 2 kg of gypsum on Creek Field.")]
    [InlineData("sprayed 1 1/2 tbsp rootbank on ridge bed 14", "Used 22.5 mL of Rootbank spores, on leaves, on Ridge Bed 14.")]
    [InlineData("note aphids on ridge bed 5", "Note: aphids on ridge bed 5 on Ridge Bed 5.")]
    [InlineData("o2 6.7 drum at 7:05", "Oxygen 6.7 mg/L in the Barrel, at 07:05.")]
    public void A_phrase_is_understood(string text, string sentence) => Read(text).Sentence.ShouldBe(sentence);

    [Fact]
    public void Numbers_come_out_in_SI_and_in_their_order()
    {
        Read("brix 9.1 8.8 9.4 ridge bed 7").Numbers.ShouldBe([9.1, 8.8, 9.4]);
        Read("used 30 ml kelp on ridge bed 4").Amount.ShouldBe(0.03);
        Read("put 2 kg gypsum on creek field").Amount.ShouldBe(2000);
        Read("picked 12 kg beetroot").Numbers.ShouldBe([12]);
        Read("temp 66 barrel", UnitSystem.UsCustomary).Numbers.Single().ShouldBe(18.889, 0.001);
        Read("brix 9.1 8.8 ridge bed 7 18c").TemperatureC.ShouldBe(18);
    }

    [Theory]
    [InlineData("oxygn 6.7 barel", 2)]
    [InlineData("o2 6.7 barrel", 0)]
    [InlineData("brix 9.1 fenel", 1)]
    public void What_was_guessed_is_said(string text, int guesses) => Read(text).Guessed.Count.ShouldBe(guesses);

    [Fact]
    public void Where_a_crop_grows_on_two_beds_one_has_to_be_chosen()
    {
        var note = Read("brix 9.1 8.8 fennel top");
        note.Choose.ShouldBeTrue();
        note.Targets.Select(t => t.Id).ShouldBe([4, 5]);
        note.Sentence.ShouldContain("one of Ridge Bed 4 and Ridge Bed 5");
    }

    [Fact]
    public void Bed_four_is_not_bed_fourteen()
    {
        Read("brix 9.1 ridge bed 4").Targets.Single().Id.ShouldBe(4);
        Read("brix 9.1 ridge bed 14").Targets.Single().Id.ShouldBe(14);
        Read("brix 9.1 ridge 14").Targets.Single().Id.ShouldBe(14);
    }

    [Theory]
    [InlineData("", "Nothing was typed")]
    [InlineData("the weather is nice", "not understood")]
    [InlineData("o2 drum", "no figure")]
    [InlineData("o2 67 drum", "can't be")]
    [InlineData("o2 -3 drum", "can't be")]
    [InlineData("o2 6.7", "but where")]
    [InlineData("o2 6.7 kettle", "but where")]
    [InlineData("smells barrel", "not said how")]
    [InlineData("brix 95 ridge bed 4", "can't be")]
    [InlineData("used kelp on ridge bed 4", "how much")]
    [InlineData("used 30 ml whisky on ridge bed 4", "nothing on the shelf")]
    [InlineData("picked garlic", "how much")]
    [InlineData("note", "nothing in the note")]
    public void What_is_not_understood_is_said_with_a_way_out(string text, string says)
    {
        var problem = NoteIt.Read(text, Names).Refused.ShouldNotBeNull().Problems.Single();
        problem.Field.ShouldBe("text");
        problem.Wrong.ShouldContain(says);
        problem.WayOut.Length.ShouldBeGreaterThan(10);
    }

    [Theory]
    [InlineData("barel", "barrel", 1)]
    [InlineData("barrle", "barrel", 1)]
    [InlineData("fennel", "fennel", 0)]
    [InlineData("", "abc", 3)]
    public void Slips_are_counted_with_swaps_as_one(string a, string b, int slips) => NoteNames.Slips(a, b).ShouldBe(slips);

    [Fact]
    public void Nothing_typed_makes_it_throw()
    {
        var random = new Random(5);
        const string letters = "abo2 x9.,;:-/°é½\t\"'{}<>0kgml";
        for (var i = 0; i < 3000; i++)
        {
            var text = new string([.. Enumerable.Range(0, random.Next(1, 60)).Select(_ => letters[random.Next(letters.Length)])]);
            Should.NotThrow(() => NoteIt.Read((i % 3) switch { 0 => "o2 " + text, 1 => "used " + text, _ => text }, Names), text);
        }
    }

    [Theory]
    [InlineData("heap 2 61 C", NoteKind.HeapWarmth, "Core 61 °C heap 2.")]
    [InlineData("heap 2 61", NoteKind.HeapWarmth, "Core 61 °C heap 2.")]
    [InlineData("heap 2 temp 141.8 f", NoteKind.HeapWarmth, "Core 61 °C heap 2.")]
    [InlineData("turned heap 2", NoteKind.Turned, "Turned heap 2.")]
    [InlineData("turned heap", NoteKind.Turned, "Turned on one of heap 1 and heap 2.")]
    [InlineData("heap 61 C", NoteKind.HeapWarmth, "Core 61 °C on one of heap 1 and heap 2.")]
    public void A_heap_is_measured_and_turned_in_a_few_words(string text, NoteKind kind, string sentence)
    {
        Nameable[] heaps = [new(NameOf.Heap, 1, "heap 1", ["heap"]), new(NameOf.Heap, 2, "heap 2", ["heap"])];
        var read = NoteIt.Read(text, [.. Names, .. heaps]).Value;
        (read.Kind, read.Sentence, read.Choose).ShouldBe((kind, sentence, !text.Contains('2', StringComparison.Ordinal)));
        NoteIt.Read("used 30 l compost on ridge bed 4 by the heap", [.. Names, .. heaps])
            .Refused?.Problems[0].Wrong.ShouldNotContain("heap");
        NoteIt.Read("heap 2 96 C", [.. Names, .. heaps]).Refused!.Problems[0].Wrong.ShouldContain("can't be");
        NoteIt.Read("turned heap", Names).Refused.ShouldNotBeNull();
    }

    [Theory]
    [InlineData("heap 3 61 C")]
    [InlineData("heap 3 61")]
    [InlineData("61 C heap 3")]
    [InlineData("turned heap 3")]
    public void A_heap_that_is_not_there_is_not_taken_for_another(string text)
    {
        Nameable[] heaps = [new(NameOf.Heap, 1, "heap 1", ["heap"])];
        var wrong = NoteIt.Read(text, [.. Names, .. heaps]).Refused.ShouldNotBeNull().Problems[0];
        (wrong.Wrong, wrong.WayOut).ShouldBe(("There is no heap 3.", "Name one that stands here: heap 1."));
    }

    [Theory]
    [InlineData("temp 46 cone")]
    [InlineData("temp -1 cone")]
    [InlineData("o2 21 cone")]
    [InlineData("strip 11 mains")]
    public void A_note_takes_what_the_log_takes_and_no_more(string text) =>
        NoteIt.Read(text, Names).Refused.ShouldNotBeNull().Problems.Single().Field.ShouldBe("text");

    [Theory]
    [InlineData("used 30 ml kelp on ridge bed 4", Purpose.Root, "Used 30 mL of kelp liquid on Ridge Bed 4.")]
    [InlineData("drenched ridge bed 4 with 30 ml kelp", Purpose.Root, "Used 30 mL of kelp liquid on Ridge Bed 4.")]
    [InlineData("sprayed 30 ml kelp on ridge bed 4", Purpose.Leaf, "Used 30 mL of kelp liquid, on leaves, on Ridge Bed 4.")]
    [InlineData("used 30 ml kelp foliar ridge bed 4", Purpose.Leaf, "Used 30 mL of kelp liquid, on leaves, on Ridge Bed 4.")]
    public void A_noted_use_goes_where_it_was_said_to_go(string text, Purpose purpose, string sentence)
    {
        var read = Read(text);
        (read.Purpose, read.Sentence).ShouldBe((purpose, sentence));
    }
}
