using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>Every deed at a burn.</summary>
public static class BurnDeeds
{
    /// <summary>What can be done next.</summary>
    public static IReadOnlyList<WorkStep> Next(BurnState state) => state switch {
        BurnState.Planned => [WorkStep.Lit, WorkStep.Seen],
        BurnState.Burning => [WorkStep.Fuelled, WorkStep.Quenched, WorkStep.Seen],
        BurnState.Watched => [WorkStep.Felt, WorkStep.DugOver, WorkStep.Measured, WorkStep.Fuelled, WorkStep.Seen],
        BurnState.Cold => [WorkStep.Measured, WorkStep.Felt, WorkStep.DugOver, WorkStep.Seen],
        _ => [WorkStep.Carried, WorkStep.Seen],
    };

    /// <summary>A step is done, or why it can't be.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="plan">The burn.</param>
    /// <param name="s">How it stands.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <param name="at">When it was done.</param>
    /// <remarks>Lit without a permit looked at, without water, or in a wind above 5 m/s: refused. Measured before it was felt cold after a
    /// night: with a written reason only.</remarks>
    public static Ruling<WorkStepDone> Do(WorkStepAsked r, BurnPlan plan, BurnStands s, UnitSystem units, DateTimeOffset at)
    {
        var fields = new TypedFields(units);
        var checks = fields.Checks;
        var step = checks.One("step", r.Step);
        var note = WorkFields.Text(checks, "note", r.Note, WorkFields.MostNote);
        var what = WorkFields.Text(checks, "what", r.What, Names.Most);
        if (checks.Sound && !Next(s.State).Contains(step))
        {
            checks.Add("step", $"It is {s.State.Word()}: that does not come next.", $"Next comes {Say.Any([.. Next(s.State).Select(n =>
                n.Word())])}.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var point = new WorkPoint(step, at) { What = what };
        switch (step)
        {
            case WorkStep.Lit:
                Lighting(r, fields);
                break;
            case WorkStep.Quenched:
                point = point with { Litres = fields.Quantity("amount", r.Amount, Dimension.Volume, 1, 100_000, "Of water.") };
                break;
            case WorkStep.DugOver or WorkStep.Fuelled when !string.IsNullOrWhiteSpace(r.Amount):
                point = point with { Litres = fields.Quantity("amount", r.Amount, Dimension.Volume, 1, 1_000_000) };
                break;
            case WorkStep.Felt:
                point = point with { Heat = checks.One("heat", r.Heat) };
                break;
            case WorkStep.Measured:
                return Measured(r, plan, s, fields, (point, note));
            case WorkStep.Carried:
                return Carried(r, s, fields, (point, note));
            case WorkStep.Seen when note is null:
                checks.Add("note", "Nothing was written.", "Say what was seen or done.");
                break;
        }

        return checks.Sound ? Worked.Of(new WorkStepDone(point, r.Amount?.Trim(), note, null), "", Evidence.MeasuredHere) : checks.Refusal;
    }

    private static void Lighting(WorkStepAsked r, TypedFields fields)
    {
        if (r.Permit != true)
        {
            fields.Checks.Add("permit", "Nobody has looked whether it may be lit.",
                "Ask for the permit, or find that none is needed; then say so.");
        }

        if (r.Water != true)
        {
            fields.Checks.Add("water", "No water stands ready.", "Have it beside the pit before there is a fire.");
        }

        const string how = "Give the wind at the pit: 0 where smoke rises straight, 3 m/s where leaves keep moving.";
        var (figure, times) = Wind(r.Wind);
        if (AmountText.Read("wind", figure, Dimension.Plain, fields.Units) is not { Refused: null } wind)
        {
            fields.Checks.Add("wind", string.IsNullOrWhiteSpace(r.Wind) ? "Nothing was given." : $"“{r.Wind.Trim()}” is no wind.", how);
        }
        else if (wind.Value.Si * times is var mps && mps is < 0 or > BurnBench.MostWind)
        {
            fields.Checks.Add("wind", mps < 0 ? $"{Say.Number(mps)} m/s is no wind."
                : $"{Say.Number(mps)} m/s is too much wind for an open fire.",
                mps < 0 ? how : $"Wait for less than {Say.Number(BurnBench.MostWind)} m/s; a local rule may want less still.");
        }
    }

    /// <summary>The figure, and m/s in its unit: m/s where nothing is said.</summary>
    private static (string Figure, double Mps) Wind(string? typed)
    {
        var text = (typed ?? "").Trim();
        foreach (var (unit, mps) in new[] { ("m/s", 1.0), ("km/h", 1 / 3.6), ("mph", 0.44704), ("kn", 0.514444) })
        {
            if (text.EndsWith(unit, StringComparison.OrdinalIgnoreCase))
            {
                return (text[..^unit.Length].Trim(), mps);
            }
        }

        return (text, 1);
    }

    private static Ruling<WorkStepDone> Measured(WorkStepAsked r, BurnPlan plan, BurnStands s, TypedFields fields,
        (WorkPoint Point, string? Note) with)
    {
        var litres = fields.Quantity("amount", r.Amount, Dimension.Volume, 0.5, 1_000_000);
        var dense = fields.Optional("density", r.Density, Dimension.Plain, 0.05, 0.8, "kg of a litre, once a jar of it was dried.");
        if (s.State != BurnState.Cold && with.Note is null)
        {
            fields.Checks.Add("note", "It was not felt cold after a night.", "Feel it once more; or write why it is taken up now.");
        }

        if (plan.WoodL is { } wood && litres > wood)
        {
            fields.Checks.Add("amount", "That is more char than there was wood.", "Look at the unit; or correct the wood in the plan.");
        }

        return fields.Checks.Sound ? Worked.Of(new WorkStepDone(with.Point with { Litres = litres, Figure = dense }, r.Amount?.Trim(),
            with.Note,
            new WorkYield("char", "char, raw", plan.Name, litres, $"of {plan.Wood}{(plan.Spreads ? ", a plant that spreads" : "")}",
                dense)), "",
            Evidence.MeasuredHere) : fields.Checks.Refusal;
    }

    private static Ruling<WorkStepDone> Carried(WorkStepAsked r, BurnStands s, TypedFields fields, (WorkPoint Point, string? Note) with)
    {
        var litres = fields.Quantity("amount", r.Amount, Dimension.Volume, 0.1, 1_000_000);
        if (fields.Checks.Sound && litres > s.LeftL + 1e-6)
        {
            fields.Checks.Add("amount", $"{Say.Number(s.LeftL)} L of it are left by this log.", "Give that or less.");
        }

        if (with.Point.What is null && r.HeapId is null)
        {
            fields.Checks.Add("what", "Nothing was written.", "Say where it went: a heap, a mix, a bed.");
        }

        return fields.Checks.Sound ? Worked.Of(new WorkStepDone(with.Point with { Litres = litres }, r.Amount?.Trim(), with.Note, null,
            litres), "",
            Evidence.MeasuredHere) : fields.Checks.Refusal;
    }
}
