using MudPie.Core.Mixing;
using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>How a tray stands.</summary>
/// <param name="Name">What stands on it.</param>
/// <param name="HoldsL">To the brim, L.</param>
/// <param name="State">How far it has come.</param>
/// <param name="Since">From when it has been so; null where nothing was done with it.</param>
/// <param name="FedG">Fed since it was last emptied, g.</param>
/// <param name="Laid">All that was laid in since then.</param>
/// <param name="LevelL">How high it should stand now, L: what was laid in, shrunk by its weeks.</param>
/// <param name="Castings">What its castings should hold; null where nothing was laid in.</param>
/// <param name="LookFrom">The first day it may be ready; null where it is not working.</param>
public sealed record TrayStands(string Name, double HoldsL, TrayState State, DateTimeOffset? Since, double FedG,
    IReadOnlyList<LaidIn> Laid, double LevelL, CastingsContent? Castings, DateTimeOffset? LookFrom)
{
    /// <summary>Filled share, 0 to 1.</summary>
    public double Fill => Math.Clamp(LevelL / HoldsL, 0, 1);
}

/// <summary>How a bin stands.</summary>
/// <param name="Trays">From the top of the stack to its foot.</param>
/// <param name="WormsG">Their weight as last known, g.</param>
/// <param name="Warmth">°C as last measured, and when.</param>
/// <param name="Damp">As last felt, and when.</param>
/// <param name="AlarmAt">Worms climbed out then, and nothing was done about it since; null for no alarm.</param>
/// <param name="FedAt">Last fed.</param>
/// <param name="LeachateL">Liquid drawn off in all, L.</param>
/// <param name="Appetite">What they eat and can take.</param>
/// <param name="Verdict">What to do.</param>
/// <param name="Due">What it wants, most pressing first.</param>
public sealed record WormsStand(IReadOnlyList<TrayStands> Trays, double? WormsG, (double C, DateTimeOffset At)? Warmth,
    (Damp Damp, DateTimeOffset At)? Damp, DateTimeOffset? AlarmAt, DateTimeOffset? FedAt, double LeachateL, Worked<Appetite> Appetite,
    Verdict Verdict, IReadOnlyList<WorkDue> Due)
{
    /// <summary>The tray that is fed; null where none is begun.</summary>
    public TrayStands? Feeding => Trays.FirstOrDefault(t => t.State == TrayState.Filling);
}

/// <summary>A worm bin through its months, from what was fed, seen and taken out.</summary>
public static class WormCourse
{
    /// <summary>Days after which a full tray may be ready: its pH has settled by then.</summary>
    public const int WorksDays = 60;

    /// <summary>Share of the brim at which a tray is full.</summary>
    public const double FullAt = 0.9;

    /// <summary>Days after which damp and warmth are asked for again.</summary>
    public const int LookDays = 14;

    /// <summary>Days for which an alarm stands, unless something is done about it.</summary>
    public const int AlarmDays = 3;

    /// <summary>What is laid in shrinks at this rate, a week, toward half of its volume.</summary>
    private const double ShrinkPerWeek = 0.35;

    /// <summary>Works it out.</summary>
    /// <param name="bin">As it was set up.</param>
    /// <param name="points">What was done, oldest first.</param>
    /// <param name="table">The holding's table of materials.</param>
    /// <param name="now">Now.</param>
    /// <param name="local">A moment in the holding's zone.</param>
    /// <remarks>A tray that was full 61 days ago may be ready; one that is fed and stands at nine tenths is full.</remarks>
    public static WormsStand Of(WormBin bin, IReadOnlyList<WorkPoint> points, IReadOnlyList<Material> table, DateTimeOffset now,
        Func<DateTimeOffset, DateTimeOffset> local)
    {
        var weight = points.LastOrDefault(p => p.Step == WorkStep.Weighed)?.Grams ?? bin.WormsG;
        var appetite = WormAppetite.Of(bin.InPlace ? null : weight, points, now);
        var trays = bin.Trays.Select(t => Stands(t, [.. points.Where(p => p.Tray == t.Name)], table, now)).ToList();
        var alarm = points.LastOrDefault(p => p.Step == WorkStep.Alarm);
        var mended = alarm is not null && points.SkipWhile(p => p != alarm).Any(p => p.Step is WorkStep.Bedding or WorkStep.Damp
            or WorkStep.Seen or WorkStep.Harvested);
        var stands = new WormsStand([.. trays.Select((t, i) => (t, i)).OrderBy(x => Order(x.t.State)).ThenByDescending(x => x.t.Since)
                .ThenByDescending(x => x.i).Select(x => x.t)], weight,
            points.LastOrDefault(p => p.Step == WorkStep.Warmth) is { Figure: { } c } w ? (c, w.At) : null,
            points.LastOrDefault(p => p.Step == WorkStep.Damp) is { Damp: { } d } f ? (d, f.At) : null,
            alarm is not null && (now - alarm.At).TotalDays < AlarmDays && !mended ? alarm.At : null,
            points.LastOrDefault(p => p.Step == WorkStep.Fed)?.At, points.Where(p => p.Step == WorkStep.Leachate).Sum(p => p.Litres ?? 0),
            appetite, new Verdict(Tone.Go, "", ""), []);
        return stands with {
            Verdict = WormSays.Verdict(bin, stands, points, now, local),
            Due = [.. WormSays.Due(bin, stands, points, now, local)]
        };
    }

    /// <summary>Of what is laid in, the share of its volume that is left after so many weeks.</summary>
    /// <remarks>At once: 1; after eight weeks: 0.53.</remarks>
    public static double Left(double weeks) => 1 - (Castings.UsualShrink * (1 - Math.Exp(-ShrinkPerWeek * Math.Max(0, weeks))));

    private static int Order(TrayState state) => state switch {
        TrayState.Waiting => 0,
        TrayState.Filling => 1,
        TrayState.Working => 2,
        TrayState.Ready => 3,
        _ => 4,
    };

    private static TrayStands Stands(Tray tray, List<WorkPoint> of, IReadOnlyList<Material> table, DateTimeOffset now)
    {
        var emptied = of.LastOrDefault(p => p.Step == WorkStep.Harvested);
        List<WorkPoint> since = emptied is null ? of : [.. of.SkipWhile(p => p != emptied).Skip(1)];
        var laid = since.Where(p => p.Step is WorkStep.Fed or WorkStep.Bedding).Select(p => (p.At, In: In(p, table))).ToList();
        var turn = since.LastOrDefault(p => p.Step is WorkStep.Full or WorkStep.Ready or WorkStep.Drained);
        var state = turn?.Step switch {
            WorkStep.Full => TrayState.Working,
            WorkStep.Ready => TrayState.Ready,
            WorkStep.Drained => TrayState.Drained,
            _ => laid.Count > 0 ? TrayState.Filling : TrayState.Waiting,
        };
        var content = Castings.Of([.. laid.Select(l => l.In)], null);
        return new TrayStands(tray.Name, tray.HoldsL, state, turn?.At ?? since.FirstOrDefault()?.At ?? emptied?.At,
            since.Where(p => p.Step == WorkStep.Fed).Sum(p => p.Grams ?? 0), [.. laid.Select(l => l.In)],
            laid.Sum(l => l.In.Litres * Left((now - l.At).TotalDays / 7)), content.Refused is null ? content.Value : null,
            state == TrayState.Working ? turn!.At.AddDays(WorksDays) : null);
    }

    /// <summary>What was laid in at a step, by weight and volume.</summary>
    public static LaidIn In(WorkPoint p, IReadOnlyList<Material> table)
    {
        var of = p.Step == WorkStep.Bedding ? WormFood.Bedding(p.What, table) : WormFood.Of(p.What, table);
        var kg = p.Grams is { } g ? g / 1000 : (p.Litres ?? 0) * of.KgPerL;
        return new LaidIn(of, kg, p.Litres ?? (kg / of.KgPerL));
    }
}
