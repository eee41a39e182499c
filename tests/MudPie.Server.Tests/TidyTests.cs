using MudPie.Core.Judging.Trials;
using MudPie.Server.Judging;

namespace MudPie.Server.Tests;

/// <summary>Tables as other programs write them, and as they should not.</summary>
public class TidyTests
{
    [Theory]
    [InlineData("block,treatment,kg\n1,tea,3.1\n1,nothing,2.9\n")]
    [InlineData("\uFEFFblock,treatment,kg\r\n1,tea,3.1\r\n1,nothing,2.9\r\n")]
    [InlineData("block;treatment;kg\n1;tea;3,1\n1;nothing;2,9\n")]
    [InlineData("block\ttreatment\tkg\n1\ttea\t3.1\n1\tnothing\t2.9\n")]
    [InlineData("\"block\",\"treatment\",\"kg\"\n1,\"tea\",3.1\n1,\"nothing\",2.9\n\n")]
    [InlineData(" block , treatment , kg \n 1 , tea , 3.1 \n 1 , nothing , 2.9 ")]
    public void The_same_table_however_it_is_written(string text)
    {
        var table = TidyCsv.Read(text).Value;
        table.Headers.ShouldBe(["block", "treatment", "kg"]);
        table.Rows.Count.ShouldBe(2);
        table.Levels(1).ShouldBe(["tea", "nothing"]);
        table.Numeric(2).ShouldBeTrue();
        table.Numeric(1).ShouldBeFalse();
        TidyTable.Number(table.Rows[0][2]).ShouldBe(3.1);
    }

    [Theory]
    [InlineData("", "There is no table")]
    [InlineData("   \n", "There is no table")]
    [InlineData("only one column\n1\n2\n", "no line of headers")]
    [InlineData("a,b\n", "headers and no rows")]
    [InlineData("a,A\n1,2\n", "Two columns are called")]
    [InlineData("a,b\n1,2\n1,2,3\n", "Line 3 has 3 cells")]
    [InlineData("a,b\n1,\"two\nrows\"\n1\n", "has 1 cells")]
    public void What_is_no_tidy_table_says_where(string text, string wrong) =>
        TidyCsv.Read(text).Refused!.Problems.ShouldHaveSingleItem().Wrong.ShouldContain(wrong);

    [Fact]
    public void A_table_too_long_is_refused() =>
        TidyCsv.Read("a,b\n" + string.Concat(Enumerable.Repeat("1,2\n", 20_002))).Refused!.Problems[0].Wrong
            .ShouldContain("more than 20,000 rows");

    [Fact]
    public void Quotes_hold_commas_and_what_is_written_is_read_again()
    {
        var text = CsvText.Of(["plot", "treatment", "kg"], [["1", "tea, then kelp", CsvText.Number(3.1)], ["2", "said \"nothing\"", null],
            ["3", "", CsvText.Number(1e-7)]]);
        var table = TidyCsv.Read(text).Value;
        table.Rows[0][1].ShouldBe("tea, then kelp");
        table.Rows[1][1].ShouldBe("said \"nothing\"");
        table.Rows[1][2].ShouldBe("NA");
        TidyTable.Missing(table.Rows[2][1]).ShouldBeTrue();
        TidyTable.Number(table.Rows[2][2]).ShouldBe(1e-7);
    }

    private static TrialQuestion Read(TrialAnalysisQuestion q) => q.Read().Value;

    [Fact]
    public void Pairs_stand_side_by_side_or_one_under_the_other()
    {
        const string wide = "leaf,before,after\n1,8.8,9.1\n2,8.8,8.3\n3,8.5,9.4\n";
        const string tidy = "leaf,when,brix\n1,before,8.8\n1,after,9.1\n2,before,8.8\n2,after,8.3\n3,before,8.5\n3,after,9.4\n";
        var told = new[]
        {
            Read(new() { Csv = wide, Design = Design.Paired }),
            Read(new() { Csv = wide, Design = Design.Paired, Factors = ["before", "after"] }),
            Read(new() { Csv = wide, Design = Design.Paired, Response = "after", Control = "before", Block = "leaf" }),
            Read(new() { Csv = tidy, Design = Design.Paired, Response = "brix", Factors = ["when"], Block = "leaf", Control = "before" }),
        }.Select(q => TrialAnalysis.Of(q).Value.Dunnett[0]).ToList();
        told.ShouldAllBe(c => Math.Abs(c.Difference - told[0].Difference) < 1e-12 && Math.Abs(c.P!.Value - told[0].P!.Value) < 1e-12);
        told[0].Difference.ShouldBe((0.3 - 0.5 + 0.9) / 3, 1e-12);
    }

    [Fact]
    public void A_column_of_numbers_is_a_factor_where_it_is_named_as_one_and_doses_stand_in_order()
    {
        var q = Read(new() { Csv = "dose,y\n15,3\n0,1\n5,2\n15,3.2\n0,1.1\n5,2.2\n", Response = "y", Factors = ["dose"], Control = "0" });
        TrialAnalysis.Of(q).Value.Means.Select(m => m.Name).ShouldBe(["0", "5", "15"]);
    }

    [Fact]
    public void Counts_take_how_many_were_sown_from_their_column()
    {
        var q = Read(new() {
            Csv = "t,up,sown\na,30,50\na,28,50\nb,44,50\nb,41,48\n", Response = "up", OutOf = "sown", Factors = ["t"],
            Control = "a"
        });
        q.Kind.ShouldBe(Scale.Count);
        q.Rows[3].OutOf.ShouldBe(48);
        TrialAnalysis.Of(q).Value.Test.Name.ShouldStartWith("logistic");
    }
}
