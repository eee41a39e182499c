using MudPie.Core.Brewing;
using MudPie.Core.Workings;

namespace MudPie.Core.Sharing;

/// <summary>A step of cleaning that was done.</summary>
/// <param name="Step">One of <see cref="CleanUp.Steps"/>.</param>
/// <param name="At">When.</param>
public sealed record CleanedStep(string Step, DateTimeOffset At);

/// <summary>A vessel as whoever has it knows it.</summary>
/// <param name="UsedAt">When it was last used or found not clean there; null for never.</param>
/// <param name="InUse">A brew is in it.</param>
/// <param name="Steps">What was cleaned, in any order.</param>
public sealed record VesselAsKept(DateTimeOffset? UsedAt, bool InUse, IReadOnlyList<CleanedStep> Steps);

/// <summary>What was found by whoever received it.</summary>
/// <param name="Clean">Whether it came clean.</param>
/// <param name="What">What was found, in words; null for nothing.</param>
public sealed record FoundSo(bool Clean, string? What);

/// <summary>A shared vessel goes from one holding to the next: empty and clean, by the log of whoever had it, and looked at by whoever
/// gets it.</summary>
public static class HandingOver
{
    /// <summary>Hands it over.</summary>
    /// <param name="vessel">As whoever has it knows it.</param>
    /// <param name="by">Who signs.</param>
    /// <returns>The steps of cleaning that go on its card, each with the last time it was done since the vessel was used; none where it
    /// was not used. Refused while a brew is in it, and while a step is left.</returns>
    /// <remarks>Used on 9 June, rinsed and brushed on 10 June: "Hose and outlets, Bag and mesh and Dry are left." House rule: a film left
    /// on the walls spoils the next brew, and the next brew is somebody else's.</remarks>
    public static Ruling<IReadOnlyList<CleanedStep>> Give(VesselAsKept vessel, string? by)
    {
        var checks = new Checks();
        if (string.IsNullOrWhiteSpace(by) || by.Trim().Length > 60)
        {
            checks.Add("signed", string.IsNullOrWhiteSpace(by) ? "It was not signed." : "That name is too long.",
                "Write your name, up to 60 letters: whoever gets it sees who handed it over.");
        }

        if (vessel.InUse)
        {
            checks.Add("vessel", "A brew is in it.", "Use it up or heap it, and clean the vessel; then hand it over.");
            return checks.Refusal;
        }

        var since = vessel.Steps.Where(s => vessel.UsedAt is null || s.At >= vessel.UsedAt).ToList();
        var left = vessel.UsedAt is null ? [] : CleanUp.Steps.Where(s => since.All(d => d.Step != s.Id)).Select(s => s.Name).ToList();
        if (left.Count > 0)
        {
            checks.Add("vessel", $"It is not logged clean: {Say.List(left)} {(left.Count == 1 ? "is" : "are")} left.",
                "Clean it and tick each step as you do it; then hand it over.");
        }

        return checks.Sound ? Worked.Of<IReadOnlyList<CleanedStep>>([.. CleanUp.Steps
                .Select(s => since.Where(d => d.Step == s.Id).OrderByDescending(d => d.At).FirstOrDefault()).OfType<CleanedStep>()],
            "", Evidence.MeasuredHere) : checks.Refusal;
    }

    /// <summary>Receives it: whoever gets it looks at it first.</summary>
    /// <param name="clean">Whether it came clean.</param>
    /// <param name="what">What was found; wanted where it did not come clean, 3 to 200 letters.</param>
    /// <returns>What goes on its card. One that did not come clean is cleaned before it is brewed in.</returns>
    public static Ruling<FoundSo> Receive(bool? clean, string? what)
    {
        var checks = new Checks();
        var said = string.IsNullOrWhiteSpace(what) ? null : what.Trim();
        if (clean is null)
        {
            checks.Add("clean", "It was not said whether it came clean.", "Look at walls, lid, hose and outlets, and choose.");
        }

        if (said?.Length > 200 || (clean is false && said is not { Length: >= 3 }))
        {
            checks.Add("what", said?.Length > 200 ? "That is too long." : "It was not said what was found.",
                "Say in 3 to 200 letters what was not clean: it stands on the card.");
        }

        return checks.Sound ? Worked.Of(new FoundSo(clean!.Value, said), "", Evidence.MeasuredHere) : checks.Refusal;
    }
}
