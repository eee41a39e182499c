using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Whether river, pond or ditch water may be brewed with: only after a test.</summary>
public static class WaterTests
{
    /// <summary>Days that a test of open water counts: it changes with every flood and every herd. House figure.</summary>
    public const double GoodForDays = 60;

    /// <summary>What is wrong with an open water; null where its newest test lets it in: no E. coli in 100 mL, not older than 60
    /// days.</summary>
    /// <param name="eColiPer100Ml">Newest test, E. coli in 100 mL; null where it was never tested.</param>
    /// <param name="testedAt">When that was.</param>
    /// <param name="now">Now.</param>
    /// <remarks>None found ten days ago: let in. 3 in 100 mL, or a clean test of four months ago: refused, with what would do.</remarks>
    public static FieldProblem? Wrong(double? eColiPer100Ml, DateTimeOffset? testedAt, DateTimeOffset now)
    {
        const string wayOut =
            "Send a sample to a lab and keep its answer under Water: none found in 100 mL, within the last 60 days, lets it in. Or choose "
                + "another water.";
        return eColiPer100Ml is not { } found || testedAt is not { } at
            ? new("waterSourceId", "River, pond and ditch water can carry gut germs, and this was never tested.", wayOut)
            : found > 0 ? new("waterSourceId", $"Its newest test found {Say.Number(found)} E. coli in 100 mL.", wayOut)
            : (now - at).TotalDays > GoodForDays
            ? new("waterSourceId", $"Its newest test is {Say.Ago((now - at).TotalDays)}, older than 60 days.", wayOut)
            : null;
    }
}
