using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>What stands of a trial before a step of it.</summary>
/// <param name="State">Planned, growing or ended.</param>
/// <param name="Blind">Measured without knowing.</param>
/// <param name="Opened">True where its codes were opened.</param>
/// <param name="Plots">Plots that were drawn; 0 before the draw.</param>
public sealed record TrialStands(TrialState State, bool Blind, bool Opened, int Plots);

/// <summary>A step that a trial takes.</summary>
/// <param name="State">What it is from then on.</param>
/// <param name="Kind">The step in the trial's own log.</param>
/// <param name="Text">In words.</param>
public sealed record TrialStepDone(TrialState State, string Kind, string Text);

/// <summary>Carrying a trial out: begun, codes opened, treatments put on, ended.</summary>
public static class TrialDeeds
{
    /// <summary>Steps that there are.</summary>
    public static readonly IReadOnlyList<string> Steps = ["start", "open", "end", "treat"];

    /// <summary>A step, or why it can't be taken now.</summary>
    /// <param name="t">What stands.</param>
    /// <param name="step">One of <see cref="Steps"/>.</param>
    /// <remarks>A planned trial of 12 plots, "start": growing, "Begun with 12 plots." Without a layout it is refused. Source: house rule:
    /// nothing is put on before it is drawn by lot.</remarks>
    public static Ruling<TrialStepDone> Step(TrialStands t, string step) => Wrong(t, step) is { } wrong
        ? Refusal.Of("step", wrong.Wrong, wrong.WayOut)
        : Worked.Of(step switch {
            "start" => new TrialStepDone(TrialState.Growing, "started", $"Begun with {t.Plots} plots."),
            "open" => new TrialStepDone(t.State, "opened", "Codes opened: from here on whoever measures knows."),
            "end" => new TrialStepDone(TrialState.Ended, "ended",
                t.Blind && !t.Opened ? "Ended; codes opened after the last figure." : "Ended."),
            _ => new TrialStepDone(t.State, "treated", ""),
        }, "", Evidence.MeasuredHere);

    private static (string Wrong, string WayOut)? Wrong(TrialStands t, string step) => (step, t.State) switch {
        ("start", not TrialState.Planned) => ("It has begun already.", "Go on measuring."),
        ("start", _) when t.Plots == 0 => ("It has no layout yet.", "Draw it first."),
        ("open", not TrialState.Growing) => ("There are no codes to open.", "Codes are shut while a blind trial grows."),
        ("open", _) when t.Opened || !t.Blind => ("They are open already.", "Read the answer."),
        ("end", not TrialState.Growing) =>
            (t.State == TrialState.Ended ? "It has ended already." : "It has not begun.", "Read the answer, or start it."),
        ("treat", TrialState.Ended) => ("It has ended.", "Nothing more goes on."),
        ("treat", _) when t.Plots == 0 => ("It has no layout yet.", "Draw it first."),
        _ => null,
    };
}
