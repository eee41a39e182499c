using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>Every deed at a worm bin.</summary>
public static class WormDeeds
{
    /// <summary>What can be done at one.</summary>
    public static readonly IReadOnlyList<WorkStep> Steps = [WorkStep.Fed, WorkStep.Bedding, WorkStep.Left, WorkStep.Damp, WorkStep.Warmth,
        WorkStep.Weighed, WorkStep.Alarm, WorkStep.Full, WorkStep.Ready, WorkStep.Drained, WorkStep.Harvested, WorkStep.Leachate,
        WorkStep.Seen];

    /// <summary>A step is done, or why it can't be.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="bin">As it was set up.</param>
    /// <param name="s">How it stands.</param>
    /// <param name="table">The holding's table of materials.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <param name="at">When it was done.</param>
    /// <remarks>"400 g" of kitchen scraps goes into the tray that is fed; where none is begun it must be named. Meat, oil and salt are
    /// refused, or kept against a written reason. 28 L harvested with 4 L sieved back: 24 L of castings on the shelf.</remarks>
    public static Ruling<WorkStepDone> Do(WorkStepAsked r, WormBin bin, WormsStand s, IReadOnlyList<Material> table,
        UnitSystem units, DateTimeOffset at)
    {
        var fields = new TypedFields(units);
        var checks = fields.Checks;
        var step = checks.One("step", r.Step);
        var note = WorkFields.Text(checks, "note", r.Note, WorkFields.MostNote);
        var what = WorkFields.Text(checks, "what", r.What, Names.Most);
        if (r.Step is not null && (!Steps.Contains(step) || (bin.InPlace && OfTrays(step))))
        {
            checks.Add("step", bin.InPlace && OfTrays(step) ? "Worms fed in place have no trays." : "That is not done with worms.",
                "Choose another.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var point = new WorkPoint(step, at) { What = what };
        return step switch {
            WorkStep.Fed => Fed(r, point, bin, s, (table, fields, note)),
            WorkStep.Bedding => Bedding(r, point, bin, s, (table, fields, note)),
            WorkStep.Harvested => Harvested(r, point, bin, s, fields, note),
            WorkStep.Full or WorkStep.Ready or WorkStep.Drained => Turned(r, point, s, fields, note),
            _ => Seen(r, point, fields, note),
        };
    }

    private static bool OfTrays(WorkStep step) => step is WorkStep.Full or WorkStep.Ready or WorkStep.Drained or WorkStep.Harvested
        or WorkStep.Leachate or WorkStep.Weighed;

    private static Ruling<WorkStepDone> Fed(WorkStepAsked r, WorkPoint p, WormBin bin, WormsStand s,
        (IReadOnlyList<Material> Table, TypedFields Fields, string? Note) with)
    {
        var (table, fields, note) = with;
        var of = WormFood.Of(p.What, table);
        // What is fed is weighed: a bare figure is grams, or ounces.
        var typed = r.Amount?.Trim();
        var weighed = AmountText.Read("amount", typed is { Length: > 0 } && char.IsAsciiDigit(typed[^1])
            ? $"{typed} {(fields.Units.IsUs() ? "oz" : "g")}" : typed, Dimension.Mass, fields.Units);
        var grams = weighed.Refused is null ? weighed.Value.Si
            : AmountText.Read("amount", typed, Dimension.Volume, fields.Units) is { Refused: null } litres
                ? litres.Value.Si * of.KgPerL * 1000
            : double.NaN;
        if (double.IsNaN(grams))
        {
            fields.Checks.Add(weighed.Refused!);
        }
        else if (grams is <= 0 or > 200_000)
        {
            fields.Checks.Add("amount", $"{typed} is too {(grams <= 0 ? "little" : "much")}.", "Give 1 g to 200 kg.");
        }

        if (p.What is { } what && WormFood.Kept(what) is { } never && note is null)
        {
            fields.Checks.Add("note", $"Worms won’t take {never}: it rots, draws vermin or burns them.",
                "Put it elsewhere; or write why it goes in all the same.");
        }

        var tray = TrayFed(r, bin, s, fields.Checks);
        return Done(fields, p with { Tray = tray, Grams = grams, What = p.What ?? of.Name }, r.Amount, note);
    }

    private static Ruling<WorkStepDone> Bedding(WorkStepAsked r, WorkPoint p, WormBin bin, WormsStand s,
        (IReadOnlyList<Material> Table, TypedFields Fields, string? Note) with)
    {
        var (table, fields, note) = with;
        var of = WormFood.Bedding(p.What, table);
        var read = AmountText.ReadLoose("amount", r.Amount, of.KgPerL, fields.Units);
        if (read.Refused is { } no)
        {
            fields.Checks.Add(no);
        }
        else if (read.Value.Si is <= 0 or > 2000)
        {
            fields.Checks.Add("amount", $"{read.Value.Shown} is out of range.", "Give more than nothing, and up to 2,000 L.");
        }

        var tray = TrayFed(r, bin, s, fields.Checks);
        return Done(fields, p with { Tray = tray, Litres = read.Refused is null ? read.Value.Si : 0, What = p.What ?? of.Name }, r.Amount,
            note);
    }

    /// <summary>The tray that food goes into: the one named, or the one that is fed.</summary>
    private static string? TrayFed(WorkStepAsked r, WormBin bin, WormsStand s, Checks checks)
    {
        if (bin.InPlace)
        {
            return null;
        }

        if (string.IsNullOrWhiteSpace(r.Tray))
        {
            if (s.Feeding is { } feeding)
            {
                return feeding.Name;
            }

            if (bin.Trays.Count == 1 && s.Trays[0].State == TrayState.Waiting)
            {
                return s.Trays[0].Name;
            }

            checks.Add("tray", "No tray is being fed.", $"Say which: {Say.Any([.. bin.Trays.Select(t => t.Name)])}.");
            return null;
        }

        if (Named(r, s, checks) is not { } tray)
        {
            return null;
        }

        if (tray.State is not (TrayState.Filling or TrayState.Waiting))
        {
            checks.Add("tray", $"{tray.Name} is full.", "Feed the one above it; or strike that it was full.");
        }
        else if (s.Feeding is { } other && other.Name != tray.Name)
        {
            checks.Add("tray", $"{other.Name} is being fed.", $"Say first that {other.Name} is full, or feed there.");
        }

        return tray.Name;
    }

    private static TrayStands? Named(WorkStepAsked r, WormsStand s, Checks checks)
    {
        var tray = s.Trays.FirstOrDefault(t => t.Name.Equals(r.Tray?.Trim(), StringComparison.OrdinalIgnoreCase));
        if (tray is null)
        {
            checks.Add("tray", string.IsNullOrWhiteSpace(r.Tray) ? "Nothing was chosen." : $"There is no tray “{r.Tray.Trim()}”.",
                $"Choose {Say.Any([.. s.Trays.Select(t => t.Name)])}.");
        }

        return tray;
    }

    private static Ruling<WorkStepDone> Turned(WorkStepAsked r, WorkPoint p, WormsStand s, TypedFields fields, string? note)
    {
        var tray = Named(r, s, fields.Checks);
        var wants = p.Step switch {
            WorkStep.Full => TrayState.Filling,
            WorkStep.Ready => TrayState.Working,
            _ => TrayState.Ready,
        };
        if (tray is not null && tray.State != wants)
        {
            fields.Checks.Add("tray", $"{tray.Name} is {tray.State.Word()}.", p.Step switch {
                WorkStep.Full => "Only a tray that is being fed can be full.",
                WorkStep.Ready => "Say first that it is full.",
                _ => "Say first that it is ready.",
            });
        }

        return Done(fields, p with { Tray = tray?.Name }, null, note);
    }

    private static Ruling<WorkStepDone> Harvested(WorkStepAsked r, WorkPoint p, WormBin bin, WormsStand s, TypedFields fields, string? note)
    {
        var tray = Named(r, s, fields.Checks);
        if (tray?.State == TrayState.Waiting)
        {
            fields.Checks.Add("tray", $"{tray.Name} is empty.", "Choose one that has something in it.");
        }
        else if (tray is not null && tray.State is not (TrayState.Ready or TrayState.Drained) && note is null)
        {
            fields.Checks.Add("note", $"{tray.Name} was not judged ready.", "Say first that it is ready, or write why it is taken now.");
        }

        var out_ = fields.Quantity("amount", r.Amount, Dimension.Volume, 0.1, 2000, "All that came out of it.");
        var back = fields.Optional("back", r.Back, Dimension.Volume, 0, 2000) ?? 0;
        if (fields.Checks.Sound && back >= out_)
        {
            fields.Checks.Add("back", "All of it was sieved back.", "Give less than what came out.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var content = Castings.Of(tray!.Laid, out_);
        var name = $"castings, {bin.Name}";
        return Worked.Of(new WorkStepDone(p with { Tray = tray.Name, Litres = out_ - back, BackL = back }, r.Amount, note,
            new WorkYield("castings", name.Length > Names.Most ? name[..Names.Most] : name, $"{tray.Name}, {Say.Date(p.At)}", out_ - back,
                content.Refused is null ? $"by the log about {Say.Number(content.Value.NGPerL, 2)} g of nitrogen a litre at most" : note)),
            "", Evidence.MeasuredHere);
    }

    private static Ruling<WorkStepDone> Seen(WorkStepAsked r, WorkPoint p, TypedFields fields, string? note)
    {
        Amount? read = p.Step switch {
            WorkStep.Warmth => fields.Amount("amount", r.Amount, Dimension.Temperature, -20, 60),
            WorkStep.Weighed => fields.Amount("amount", r.Amount, Dimension.Mass, 10, 200_000),
            WorkStep.Leachate => fields.Amount("amount", r.Amount, Dimension.Volume, 0.01, 1000),
            _ => null,
        };
        if (p.Step == WorkStep.Damp && r.Damp is null)
        {
            fields.Checks.Add("damp", "Nothing was chosen.", "Say dry, right or wet.");
        }

        if (p.Step == WorkStep.Left)
        {
            fields.Checks.Range("share", r.Share, 0, 1, "", "Of the last food, as a share: half of it is 0.5.");
        }

        if (p.Step == WorkStep.Seen && note is null)
        {
            fields.Checks.Add("note", "Nothing was written.", "Say what was seen or done.");
        }

        return Done(fields, p with {
            Figure = p.Step == WorkStep.Warmth ? read?.Si : null,
            Grams = p.Step == WorkStep.Weighed ? read?.Si : null,
            Litres = p.Step == WorkStep.Leachate ? read?.Si : null,
            Damp = p.Step == WorkStep.Damp ? r.Damp : null,
            Share = p.Step == WorkStep.Left ? r.Share : null
        }, read?.Typed, note);
    }

    private static Ruling<WorkStepDone> Done(TypedFields fields, WorkPoint point, string? typed, string? note) =>
        fields.Checks.Sound ? Worked.Of(new WorkStepDone(point, typed?.Trim(), note, null), "", Evidence.MeasuredHere)
            : fields.Checks.Refusal;
}
