using MudPie.Core.Workings;
using MudPie.Core.Works;

namespace MudPie.Core.Sheets;

/// <summary>How a sheet stands.</summary>
/// <param name="State">How far it has come.</param>
/// <param name="Since">From when it has been so.</param>
/// <param name="Dates">When each step was done.</param>
/// <param name="Next">What comes next.</param>
/// <param name="Due">What it wants; null for nothing.</param>
public sealed record LabSheetStands(SheetState State, DateTimeOffset Since, IReadOnlyList<(WorkStep Step, DateTimeOffset At)> Dates,
    IReadOnlyList<WorkStep> Next, WorkDue? Due)
{
    /// <summary>Its sample is still to be taken, or to be sent.</summary>
    public bool Sampling => State is SheetState.Begun or SheetState.Sampled;
}

/// <summary>A sample on its way: sampled, sent, result, corrected, ready.</summary>
public static class SheetCourse
{
    /// <summary>Days after which a lab is asked.</summary>
    public const int AskDays = 21;

    /// <summary>Works it out.</summary>
    /// <param name="asked">The sheet.</param>
    /// <param name="begun">When it was begun.</param>
    /// <param name="points">What was done, oldest first.</param>
    /// <param name="now">Now.</param>
    /// <param name="plantings">Plantings of its bed: from when, and what; null for none.</param>
    /// <remarks>Sent twelve days ago and no line typed: it waits for its result, sent 12 days ago; after 21 the lab is asked.</remarks>
    public static LabSheetStands Of(SheetAsked asked, DateTimeOffset begun, IReadOnlyList<WorkPoint> points, DateTimeOffset now,
        IReadOnlyList<(DateOnly From, string Crop)>? plantings = null)
    {
        DateTimeOffset? At(WorkStep step) => points.LastOrDefault(p => p.Step == step)?.At;
        var rows = asked.Rows.Count > 0;
        var (state, since) = At(WorkStep.Ready) is { } ready ? (SheetState.Ready, ready)
            : At(WorkStep.Corrected) is { } corrected ? (SheetState.Corrected, corrected)
            : rows ? (SheetState.Result, At(WorkStep.Result) ?? begun)
            : At(WorkStep.Sent) is { } sent ? (SheetState.Sent, sent)
            : At(WorkStep.Sampled) is { } sampled ? (SheetState.Sampled, sampled)
            : (SheetState.Begun, begun);
        WorkStep[] order = [WorkStep.Sampled, WorkStep.Sent, WorkStep.Result, WorkStep.Corrected, WorkStep.Ready];
        IReadOnlyList<WorkStep> next = state switch {
            SheetState.Begun => [WorkStep.Sampled, WorkStep.Seen],
            SheetState.Sampled => [WorkStep.Sent, WorkStep.Seen],
            SheetState.Sent => [WorkStep.Seen],
            SheetState.Result when asked.For.OfPlant() => [WorkStep.Ready, WorkStep.Seen], // nothing is put on by it
            SheetState.Result => [WorkStep.Corrected, WorkStep.Ready, WorkStep.Seen],
            SheetState.Corrected => [WorkStep.Ready, WorkStep.Seen],
            _ => [WorkStep.Seen],
        };
        var days = (int)(now - since).TotalDays;
        return new LabSheetStands(state, since, [.. order.Select(s => (s, At(s))).Where(s => s.Item2 is not null)
            .Select(s => (s.s, s.Item2!.Value))],
            next, state switch {
                SheetState.Sampled when days >= 2 => new("send", 3, $"Send the sample of {asked.Name}", $"taken {Say.Ago(days)}",
                    "See the sheet",
                    since.AddDays(2)),
                SheetState.Sent => new("wait", days >= AskDays ? 2 : 3, days >= AskDays ? $"Ask the lab for {asked.Name}"
                    : $"{asked.Name} waits for its result", $"sent {Say.Ago((now - since).TotalDays)}", "Type the result", since),
                SheetState.Result or SheetState.Corrected or SheetState.Ready when Again(asked, plantings ?? [], now) is { } again =>
                    new("again", 2,
                    $"Look again at {again.Name} of {asked.Name}", again.Why, "See the sheet", again.Since),
                SheetState.Result when asked.For == SheetOf.Mix => new("correct", 3, $"Correct {asked.Name}", "its result is there",
                    "See the sheet",
                    since),
                _ => null,
            });
    }

    /// <summary>Whether a choice of the sheet comes back, however far the sheet has come.</summary>
    public static bool ComesBack(SheetAsked asked) => asked.Choices.Any(c => c.Back is not null);

    /// <summary>The sheet with what was put off to the next planting due on the day that one began.</summary>
    /// <param name="asked">The sheet.</param>
    /// <param name="plantings">Plantings of its bed: from when, and what.</param>
    /// <remarks>Put off on 3 March, oats sown on 20 April: due on 20 April, whatever day was named. One that began before, or on the day
    /// of the choice, is not the next; what is never to come back does not.</remarks>
    public static SheetAsked Planted(SheetAsked asked, IReadOnlyList<(DateOnly From, string Crop)> plantings) => asked with {
        Choices = [.. asked.Choices.Select(c => Next(c, plantings) is { } next && next.From < c.Back ? c with { Back = next.From } : c)],
    };

    private static (DateOnly From, string Crop)? Next(ShortfallAsked c, IReadOnlyList<(DateOnly From, string Crop)> plantings) =>
        c is { Choice: ShortfallChoice.NextPlanting, On: { } on } && plantings.Where(p => p.From > on).OrderBy(p => p.From).ToList()
            is [var first, ..] ? first : null;

    /// <summary>Days on which choices come back, for the calendar.</summary>
    /// <param name="asked">The sheet.</param>
    /// <param name="now">Now, in the holding's zone: dates of days that are over are left out.</param>
    public static IReadOnlyList<WorkDate> Dates(SheetAsked asked, DateTimeOffset now) => [.. asked.Choices
        .Where(c => c.Back > DateOnly.FromDateTime(now.DateTime)).Select(c => new WorkDate("again",
            new DateTimeOffset(c.Back!.Value.ToDateTime(new TimeOnly(8, 0)), now.Offset),
            $"Look again at {Nutrients.Read(c.Of ?? "")?.Of.Name ?? c.Of} of {asked.Name}", $"{Chose(c.Choice)}: "
                + (c.Choice == ShortfallChoice.NextPlanting ? "is there a planting to feed?" : "did it help?")))];

    /// <summary>The choice whose day came first, by now.</summary>
    private static (string Name, string Why, DateTimeOffset Since)? Again(SheetAsked asked,
        IReadOnlyList<(DateOnly From, string Crop)> plantings, DateTimeOffset now)
    {
        var today = DateOnly.FromDateTime(now.DateTime);
        List<ShortfallAsked> back = [.. Planted(asked, plantings).Choices.Where(c => c.Back <= today).OrderBy(c => c.Back)];
        var ask = back.Count == 0 ? "" : Next(back[0], plantings) is { } next && next.From == back[0].Back
            ? $"{next.Crop}, begun {(next.From == today ? "today" : $"on {Say.Date(next.From)}")}: now is the time"
            : back[0].Choice == ShortfallChoice.NextPlanting ? "is there a planting to feed?" : "did it help?";
        return back.Count == 0 ? null : (Say.List([.. back.Select(c => Nutrients.Read(c.Of ?? "")?.Of.Name ?? c.Of ?? "it")]),
            $"{Chose(back[0].Choice)}{(back[0].On is { } on ? $" on {Say.Date(on)}" : "")}: {ask}",
            new DateTimeOffset(back[0].Back!.Value.ToDateTime(TimeOnly.MinValue), now.Offset));
    }

    /// <summary>A choice in words.</summary>
    public static string Chose(ShortfallChoice? choice) => choice switch {
        ShortfallChoice.LeafNow => "you chose to feed the leaf",
        ShortfallChoice.NextPlanting => "you put it off to the next planting",
        _ => "you left it",
    };

    /// <summary>What was chosen newly, in a line for the sheet's log; null for nothing new.</summary>
    /// <param name="before">The sheet as it was kept.</param>
    /// <param name="now">The sheet as it is kept now.</param>
    /// <remarks>"boron: you chose to feed the leaf, to be looked at again on 24 Jun 2026".</remarks>
    public static string? NewlyChosen(SheetAsked? before, SheetAsked now)
    {
        var news = now.Choices.Where(c => c.Choice is not null && before?.Choices.Any(b => b.Of == c.Of && b.Choice == c.Choice
            && b.Back == c.Back) != true).Select(c => $"{Nutrients.Read(c.Of ?? "")?.Of.Name ?? c.Of}: {Chose(c.Choice)}"
            + (c.Back is { } back ? $", to be looked at again on {Say.Date(back)}" : ", and it does not come back"));
        return string.Join("; ", news) is { Length: > 0 } text ? text.Length > WorkFields.MostNote ? text[..WorkFields.MostNote] : text
            : null;
    }

    /// <summary>In a word and a figure, for the yard.</summary>
    public static (string Word, string Figure) Short(LabSheetStands s, DateTimeOffset now) => (s.State switch {
        SheetState.Begun => "not sampled yet",
        SheetState.Sampled => "sampled",
        SheetState.Sent => "out for its test",
        SheetState.Result => "result is there",
        SheetState.Corrected => "corrected",
        _ => "ready",
    }, Say.Ago((now - s.Since).TotalDays));

    /// <summary>A step is done, or why it can't be.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="stands">How it stands.</param>
    /// <param name="answer">The sheet worked out; null where it can't be.</param>
    /// <param name="at">When it was done.</param>
    /// <remarks>Corrected takes what was worked out from the shelf; a shortfall without a choice wants one first, or a word why.</remarks>
    public static Ruling<WorkStepDone> Do(WorkStepAsked r, LabSheetStands stands, SheetAnswer? answer, DateTimeOffset at)
    {
        var checks = new Checks();
        var step = checks.One("step", r.Step);
        var note = WorkFields.Text(checks, "note", r.Note, WorkFields.MostNote);
        if (checks.Sound && !stands.Next.Contains(step))
        {
            checks.Add("step", $"It is {stands.State.Word()}: that does not come next.", step == WorkStep.Result
                ? "Type its lines: then the result is there."
                : $"Next comes {Say.Any([.. stands.Next.Select(n => n.Word())])}.");
        }

        if (step == WorkStep.Corrected && r.Step is not null && note is null
            && answer?.Nutrients.Where(n => n.Short > Mixing.SoilCorrections.Slack && n.Choice is null).Select(n => n.Line.Of.Name).ToList()
                is { Count: > 0 } open)
        {
            checks.Add("note", $"{Say.List(open)} stay{(open.Count == 1 ? "s" : "")} short, and nothing was chosen.",
                "Choose leaf, next planting or leave it; or write why.");
        }

        if (step == WorkStep.Ready && r.Step is not null && stands.State == SheetState.Result && note is null
            && answer?.Given.Any(g => g.KgPerHa > 0) == true)
        {
            checks.Add("note", "It was not corrected.", "Say first that it is, or write why it is ready as it is.");
        }

        if (step == WorkStep.Seen && r.Step is not null && note is null)
        {
            checks.Add("note", "Nothing was written.", "Say what was seen or done.");
        }

        // What was put on is kept as it was worked out then: the sheet, its lot and its prices may change later.
        var what = step != WorkStep.Corrected || answer is null ? null : string.Join(", ", answer.Given.Where(g => g.KgPerHa > 0)
            .Select(g => $"{Kg(answer.Total(g.KgPerHa))} of {g.Name}")) is { Length: > 0 } given ? given : "nothing";
        return checks.Sound ? Worked.Of(new WorkStepDone(new WorkPoint(step, at) { What = what }, null, note, null), "",
            Evidence.MeasuredHere) : checks.Refusal;
    }

    private static string Kg(double kg) => kg < 1 ? $"{Say.Number(kg * 1000)} g" : $"{Say.Number(kg)} kg";
}
