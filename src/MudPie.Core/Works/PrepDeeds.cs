using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>What is done at a preparation.</summary>
public static class PrepDeeds
{
    /// <summary>Days for which a lifted preparation is said to keep.</summary>
    public const int KeepsDays = 730;

    /// <summary>A step is done, or why it can't be.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="plan">The preparation.</param>
    /// <param name="s">How it stands.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <param name="at">When it was done.</param>
    /// <remarks>Twelve horns in, eleven out with 620 g: a lot of 0.62 kg on the shelf. More out than went in is refused.</remarks>
    public static Ruling<WorkStepDone> Do(WorkStepAsked r, PrepPlan plan, PrepStands s, UnitSystem units, DateTimeOffset at)
    {
        var fields = new TypedFields(units);
        var checks = fields.Checks;
        var step = checks.One("step", r.Step);
        var note = WorkFields.Text(checks, "note", r.Note, WorkFields.MostNote);
        if (checks.Sound && !s.Next.Contains(step))
        {
            checks.Add("step", $"It is {s.State.Word()}: that does not come next.", step == WorkStep.Hung
                ? "Only what is hung by practice is hung; bury it instead."
                    : "Look at what it wants, or strike what was logged by mistake.");
        }

        if (checks.Sound && step == WorkStep.Seen && note is null)
        {
            checks.Add("note", "Nothing was written.", "Say what was seen.");
        }

        if (checks.Sound && s.Since > at)
        {
            checks.Add("at", "That was before it was begun.", "Give a later time.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var point = new WorkPoint(step, at);
        return step switch {
            WorkStep.Hung or WorkStep.Buried => Counted(r, point, plan, note, fields),
            WorkStep.Lifted or WorkStep.Pressed => Lifted(r, point, (plan, s), note, fields),
            WorkStep.Stirred or WorkStep.Given => Stirred(r, point, (plan, s), note, fields),
            _ => Worked.Of(new WorkStepDone(point, null, note, null), "", Evidence.MeasuredHere),
        };
    }

    private static Ruling<WorkStepDone> Counted(WorkStepAsked r, WorkPoint point, PrepPlan plan, string? note, TypedFields fields)
    {
        var count = PrepReading.Count(fields, "count", r.Count) ?? plan.Count;
        if (count == 0)
        {
            fields.Checks.Add("count", "None went in.", "Give how many, or leave it empty.");
        }

        return fields.Checks.Sound
            ? Worked.Of(new WorkStepDone(point with { Count = count }, r.Count?.Trim(), note, null), "", Evidence.MeasuredHere)
            : fields.Checks.Refusal;
    }

    private static Ruling<WorkStepDone> Lifted(WorkStepAsked r, WorkPoint point, (PrepPlan Plan, PrepStands Stands) of, string? note,
        TypedFields fields)
    {
        var (plan, s) = of;
        var checks = fields.Checks;
        var count = PrepReading.Count(fields, "count", r.Count);
        if (count is { } n && s.In is { } went && n > went)
        {
            checks.Add("count", $"{went} went in.", $"Give {went} or fewer; or strike the burying and log it as it was.");
        }

        string? Word(string field, string? typed) => WorkFields.Text(checks, field, typed, Names.Most);
        var (colour, smell, texture, stored) = (Word("colour", r.Colour), Word("smell", r.Smell), Word("texture", r.Texture),
            Word("stored", r.Stored));
        var amount = plan.Kind.Liquid ? fields.Quantity("amount", r.Amount, Dimension.Volume, 0.001, 10_000)
            : fields.Quantity("amount", r.Amount, Dimension.Mass, 0.1, 1e7, "Weigh what came out: grams.");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var (kg, kind) = (plan.Kind.Liquid ? amount : amount / 1000, plan.Kind.Id == "500" ? "hornManure" : "preparation");
        var notes = string.Join("; ", new[] { plan.Sheath, stored is null ? null : $"stored {stored}",
            string.Join(", ", new[] { colour, smell, texture }.Where(w => w is not null)) }.Where(w => !string.IsNullOrEmpty(w)));
        return Worked.Of(new WorkStepDone(point with {
            Count = count,
            Colour = colour,
            Smell = smell,
            Texture = texture,
            Grams = plan.Kind.Liquid ? null : amount,
            Litres = plan.Kind.Liquid ? amount : null,
        }, r.Amount?.Trim(), note, new WorkYield(kind, plan.Kind.Called, plan.Name, kg, notes, Unit: plan.Kind.Liquid ? "L" : "kg",
            KeepsDays: KeepsDays)), plan.Kind.Liquid ? "L" : "kg", Evidence.MeasuredHere);
    }

    private static Ruling<WorkStepDone> Stirred(WorkStepAsked r, WorkPoint point, (PrepPlan Plan, PrepStands Stands) of, string? note,
        TypedFields fields)
    {
        var (plan, s) = of;
        var amount = plan.Kind.Liquid ? fields.Quantity("amount", r.Amount, Dimension.Volume, 1e-5, 10_000)
            : fields.Quantity("amount", r.Amount, Dimension.Mass, 0.05, 1e7);
        if (point.Step == WorkStep.Given && r.HeapId is null)
        {
            fields.Checks.Add("heapId", "No heap was chosen.", "Choose the heap that it went into.");
        }

        var water = fields.Optional("added", r.Added, Dimension.Volume, 0.1, 100_000, "How much water it was stirred into.");
        var hours = fields.Optional("hours", r.Hours, Dimension.Plain, 0.01, 24, "How long it was stirred, hours.");
        var kg = plan.Kind.Liquid ? amount : amount / 1000;
        if (fields.Checks.Sound && kg > s.LeftSi + 1e-9)
        {
            fields.Checks.Add("amount", $"{Say.Number(s.LeftSi * 1000)} {(plan.Kind.Liquid ? "mL" : "g")} of it are left.",
                "Give that or less; what was put out otherwise has left the shelf already.");
        }

        return fields.Checks.Sound ? Worked.Of(new WorkStepDone(point with {
            Grams = plan.Kind.Liquid ? null : amount,
            Litres = plan.Kind.Liquid ? amount : null,
            Figure = water,
            Hours = hours,
        }, r.Amount?.Trim(), note, null, kg), "", Evidence.MeasuredHere) : fields.Checks.Refusal;
    }
}
