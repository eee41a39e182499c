using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>A count at the microscope, to be kept.</summary>
/// <param name="Stage">Of what.</param>
/// <param name="At">When the drop was looked at.</param>
/// <param name="Answer">What it comes to.</param>
public sealed record Counted(TallyStage Stage, DateTimeOffset At, TallyAnswer Answer);

/// <summary>Counting at the microscope.</summary>
public static class TallyDeeds
{
    /// <summary>A tally is kept with what it is of: a lot of source, a brew at one of its stages, or the ground that got it.</summary>
    /// <param name="stage">At which stage.</param>
    /// <param name="tally">The fields counted, and by what glass.</param>
    /// <param name="inputThere">The lot that was named is there.</param>
    /// <param name="batchThere">The brew that was named is there.</param>
    /// <param name="at">When; now where not given.</param>
    /// <param name="now">Now.</param>
    /// <param name="bedThere">The bed that was named is there.</param>
    /// <param name="machineThere">None was named, or the one that was is there.</param>
    public static Ruling<Counted> Count(string? stage, TallyQuestion tally, bool inputThere, bool batchThere, DateTimeOffset? at,
        DateTimeOffset now, bool bedThere = false, bool machineThere = true)
    {
        var fields = new TypedFields(UnitSystem.Metric);
        var known = fields.OneOf<TallyStage>("stage", stage);
        var when = fields.Past("at", at, now);
        var worked = MicroscopeTally.Of(tally);
        if (worked.Refused is { } refused)
        {
            fields.Checks.Add(refused, "tally.");
        }

        var (there, field, choose) = known switch {
            TallyStage.Source => (inputThere, "inputId", "Choose the lot of source."),
            TallyStage.Soil => (bedThere, "bedId", "Choose the bed that got it."),
            _ => (batchThere, "batchId", "Choose the brew."),
        };
        if (!there)
        {
            fields.Checks.Add(field, "It is not said what was counted.", choose);
        }

        if (!machineThere)
        {
            fields.Checks.Add("sprayerId", "That machine is not there.", "Choose one of the list, or none.");
        }

        return fields.Checks.Sound ? Worked.Of(new Counted(known, when, worked.Value), "", Evidence.MeasuredHere) : fields.Checks.Refusal;
    }
}
