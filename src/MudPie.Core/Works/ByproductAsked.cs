using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>A by-product that is made run by run, as it is set up; kept whole.</summary>
public sealed record ByproductAsked
{
    /// <summary>What makes it: "kitchen grinder", "the brewery".</summary>
    public string? Name { get; init; }

    /// <summary>What comes of it: "dried kitchen waste", "spent grain".</summary>
    public string? What { get; init; }

    /// <summary>What usually goes in: "kitchen scraps".</summary>
    public string? Feedstock { get; init; }

    /// <summary>How it is usually set.</summary>
    public string? Setting { get; init; }

    /// <summary>What a litre of what comes of it weighs, kg, as typed; empty for the usual.</summary>
    public string? Density { get; init; }
}

/// <summary>A by-product as it was read.</summary>
/// <param name="Name">What makes it.</param>
/// <param name="What">What comes of it.</param>
/// <param name="KgPerL">What a litre of that weighs.</param>
public sealed record ByproductPlan(string Name, string What, double KgPerL);

/// <summary>A run.</summary>
/// <param name="Id">Its entry in the log.</param>
/// <param name="Number">From 1, as they were made.</param>
/// <param name="At">When.</param>
/// <param name="Feedstock">What went in.</param>
/// <param name="Setting">How it was set; null where nobody said.</param>
/// <param name="Hours">How long it ran; null where nobody said.</param>
/// <param name="LoadKg">kg that went in.</param>
/// <param name="WaterL">Water added, L.</param>
/// <param name="StarterG">Starter added, g.</param>
/// <param name="Pool">The pool that it went into, from 1; null where it lies by itself.</param>
public sealed record ByRun(int Id, int Number, DateTimeOffset At, string Feedstock, string? Setting, double? Hours, double LoadKg,
    double WaterL, double StarterG, int? Pool);

/// <summary>Runs that were mixed to one lot.</summary>
/// <param name="Id">Its entry in the log.</param>
/// <param name="Number">From 1.</param>
/// <param name="At">When.</param>
/// <param name="Litres">What came of it, L.</param>
/// <param name="Shares">Of each run by its number, by the weight of what went in, 0 to 1.</param>
public sealed record ByPool(int Id, int Number, DateTimeOffset At, double Litres, IReadOnlyList<(int Run, double Share)> Shares);

/// <summary>How a by-product stands.</summary>
/// <param name="Runs">All runs, oldest first.</param>
/// <param name="Pools">All pools, oldest first.</param>
/// <param name="Open">Runs in no pool yet.</param>
/// <param name="Spread">Heaviest load over lightest of the open runs; null with fewer than two.</param>
/// <param name="Verdict">What to do.</param>
/// <param name="Due">What it wants; null for nothing.</param>
public sealed record ByproductStands(IReadOnlyList<ByRun> Runs, IReadOnlyList<ByPool> Pools, IReadOnlyList<ByRun> Open, double? Spread,
    Verdict Verdict, WorkDue? Due);

/// <summary>By-products: run by run, pooled, tested, started small.</summary>
public static class Byproducts
{
    /// <summary>Days that an untested pool waits before it is said on Today.</summary>
    public const int TestDays = 2;

    /// <summary>What is said before the first of it goes into a mix.</summary>
    public static readonly Caution StartSmall = new("byproduct-small",
        "It differs from batch to batch: test each lot, start with one part to ten, and keep pots without it beside. A skin of fungus at "
            + "first is ordinary; watch emergence, the first true leaf and salts.",
        "A usual caution: potassium and salts may be high and pH low; the machine’s own booklet goes first.");

    /// <summary>Reads how it was set up.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <remarks>A kitchen grinder of which nobody weighed a litre: taken for dried ground kitchen waste, 0.45 kg.</remarks>
    public static Ruling<ByproductPlan> Read(ByproductAsked r, UnitSystem units)
    {
        var fields = new TypedFields(units);
        var name = fields.Name("name", r.Name, "what makes it");
        var what = fields.Name("what", r.What, "what comes of it");
        WorkFields.Text(fields.Checks, "feedstock", r.Feedstock, Names.Most);
        WorkFields.Text(fields.Checks, "setting", r.Setting, Names.Most);
        var kgPerL = fields.Optional("density", r.Density, Dimension.Plain, 0.02, 3, "Weigh a litre of it, in kg.")
            ?? Materials.For(null, what)?.KgPerL ?? Materials.Find("kitchen-dried")!.KgPerL;
        return fields.Checks.Sound
            ? Worked.Of(new ByproductPlan(name, what, kgPerL), "kg/L", Evidence.PractitionersRule,
                [new("weight of a litre", "as typed, else the usual", "", $"{Say.Number(kgPerL)} kg", "the house’s table of materials")])
            : fields.Checks.Refusal;
    }

    /// <summary>How it stands.</summary>
    /// <param name="plan">The by-product.</param>
    /// <param name="points">What was done, oldest first.</param>
    /// <param name="tested">Pools that have a sheet with a result, by their entries.</param>
    /// <param name="now">Now.</param>
    /// <remarks>Runs of 2 and 3 kg pooled to 4 L: shares of 40 and 60 %, by the weight of what went in.</remarks>
    public static ByproductStands Stands(ByproductPlan plan, IReadOnlyList<WorkPoint> points, IReadOnlySet<int> tested, DateTimeOffset now)
    {
        var pooled = points.Where(p => p.Step == WorkStep.Pooled).Select((p, i) => (Point: p, Number: i + 1)).ToList();
        List<ByRun> runs = [.. points.Where(p => p.Step == WorkStep.Run).Select((p, i) => new ByRun(p.Id, i + 1, p.At, p.What ?? "",
            p.Setting, p.Hours, (p.Grams ?? 0) / 1000, p.Litres ?? 0, p.StarterG ?? 0,
            pooled.Where(x => x.Point.Runs?.Contains(p.Id) == true).Select(x => (int?)x.Number).FirstOrDefault()))];
        List<ByPool> pools = [.. pooled.Select(x => new ByPool(x.Point.Id, x.Number, x.Point.At, x.Point.Litres ?? 0,
            Shares([.. runs.Where(r => r.Pool == x.Number)])))];
        List<ByRun> open = [.. runs.Where(r => r.Pool is null)];
        var untested = pools.LastOrDefault(p => !tested.Contains(p.Id));
        var spread = open.Count > 1 ? open.Max(r => r.LoadKg) / Math.Max(open.Min(r => r.LoadKg), 1e-9) : (double?)null;
        var verdict = runs.Count == 0
            ? new Verdict(Tone.Go, "Log the first run.", "What went in, how much, how the machine was set, for how long.")
            : open.Count > 0
                ? new Verdict(Tone.Go, $"{Say.Count(open.Count, "run")} lie{(open.Count == 1 ? "s" : "")} by "
                    + $"{(open.Count == 1 ? "itself" : "themselves")}: pool {(open.Count == 1 ? "it" : "them")}, then test.",
                    "Runs differ; mixed together one test says something of all of them.")
            : untested is not null
                ? new Verdict(Tone.Mind, $"Have pool {untested.Number} tested before it goes into a mix.",
                    "Potassium and salts may be high and pH low; nobody can say from its looks.")
            : new Verdict(Tone.Go, $"Pool {pools[^1].Number} is tested: start small.", "One part to ten, which is 1 in 11, beside pots "
                + "without it.");
        return new ByproductStands(runs, pools, open, spread, verdict, untested is { } late && now - late.At >= TimeSpan.FromDays(TestDays)
            ? new WorkDue("test", 3, $"Have pool {late.Number} of {plan.What} tested", "It differs from batch to batch.", "Begin its sheet",
                late.At.AddDays(TestDays)) : null);
    }

    private static IReadOnlyList<(int Run, double Share)> Shares(List<ByRun> runs)
    {
        var all = runs.Sum(r => r.LoadKg);
        return [.. runs.Select(r => (r.Number, all > 0 ? r.LoadKg / all : 1.0 / runs.Count))];
    }

    /// <summary>A step is done, or why it can't be.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="plan">The by-product.</param>
    /// <param name="s">How it stands.</param>
    /// <param name="table">The holding's table of materials.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <param name="at">When it was done.</param>
    /// <remarks>A run wants what went in and how much. A pool takes runs that lie by themselves, and lays what was measured on the
    /// shelf.</remarks>
    public static Ruling<WorkStepDone> Do(WorkStepAsked r, ByproductPlan plan, ByproductStands s, IReadOnlyList<Material> table,
        UnitSystem units, DateTimeOffset at)
    {
        var fields = new TypedFields(units);
        var checks = fields.Checks;
        var step = checks.One("step", r.Step);
        var note = WorkFields.Text(checks, "note", r.Note, WorkFields.MostNote);
        if (checks.Sound && step is not (WorkStep.Run or WorkStep.Pooled or WorkStep.Seen))
        {
            checks.Add("step", "That is not done with a by-product.", "Log a run, pool runs, or say what was seen.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        if (step == WorkStep.Seen && note is null)
        {
            checks.Add("note", "Nothing was written.", "Say what was seen.");
        }

        return step == WorkStep.Run ? Run(r, (new WorkPoint(step, at), note), table, fields)
            : step == WorkStep.Pooled ? Pool(r, plan, s, (new WorkPoint(step, at), note), fields)
            : checks.Sound ? Worked.Of(new WorkStepDone(new WorkPoint(step, at), null, note, null), "", Evidence.MeasuredHere)
            : checks.Refusal;
    }

    private static Ruling<WorkStepDone> Run(WorkStepAsked r, (WorkPoint Point, string? Note) with, IReadOnlyList<Material> table,
        TypedFields fields)
    {
        var what = fields.Name("what", r.What, "what went in");
        var setting = WorkFields.Text(fields.Checks, "setting", r.Setting, Names.Most);
        var hours = fields.Optional("hours", r.Hours, Dimension.Plain, 0.05, 1000, "How long it ran, in hours.");
        var water = fields.Optional("added", r.Added, Dimension.Volume, 0.001, 100_000);
        var starter = fields.Optional("starter", r.Starter, Dimension.Mass, 0.1, 1e8);
        var of = table.FirstOrDefault(m => m.Id == Materials.For(null, what)?.Id);
        var mass = AmountText.Read("amount", r.Amount, Dimension.Mass, fields.Units);
        double? grams = mass.Refused is null ? mass.Value.Si
            : of is not null && AmountText.Read("amount", r.Amount, Dimension.Volume, fields.Units) is { Refused: null } litres
                ? litres.Value.Si * of.KgPerL * 1000 : null;
        if (grams is null)
        {
            fields.Checks.Add(mass.Refused!);
        }
        else if (grams is < 1 or > 1e8)
        {
            fields.Checks.Add("amount", "That is out of range.", "Give 1 g to 100 t of what went in.");
        }

        return fields.Checks.Sound ? Worked.Of(new WorkStepDone(with.Point with {
            What = what,
            Setting = setting,
            Hours = hours,
            Litres = water,
            StarterG = starter,
            Grams = grams
        }, r.Amount?.Trim(), with.Note, null), "", Evidence.MeasuredHere) : fields.Checks.Refusal;
    }

    private static Ruling<WorkStepDone> Pool(WorkStepAsked r, ByproductPlan plan, ByproductStands s, (WorkPoint Point, string? Note) with,
        TypedFields fields)
    {
        List<ByRun> runs = [.. s.Open.Where(o => r.Runs is not { Count: > 0 } || r.Runs.Contains(o.Id))];
        if (runs.Count == 0 || (r.Runs is { Count: > 0 } && runs.Count < r.Runs.Distinct().Count()))
        {
            fields.Checks.Add("runs", s.Open.Count == 0 ? "No run lies by itself." : "One of those runs is in a pool already.",
                "Log a run, or choose from those that lie by themselves.");
        }

        var read = AmountText.ReadLoose("amount", r.Amount, plan.KgPerL, fields.Units);
        if (read.Refused is { } no)
        {
            fields.Checks.Add(no);
        }
        else if (read.Value.Si is < 0.01 or > 1_000_000)
        {
            fields.Checks.Add("amount", $"{read.Value.Shown} is out of range.", "Give what it measures, 10 mL to 1,000 m³, or its weight.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var shares = Shares(runs);
        var (number, litres) = (s.Pools.Count + 1, read.Value.Si);
        return Worked.Of(new WorkStepDone(with.Point with { Litres = litres, Runs = [.. runs.Select(x => x.Id)] }, r.Amount?.Trim(),
            with.Note,
            new WorkYield("byproduct", plan.What, $"{plan.Name}, pool {number}"[..Math.Min(Names.Most - 5,
                $"{plan.Name}, pool {number}".Length)],
                litres, Say.List([.. shares.Select(x => $"run {x.Run}: {Say.Number(x.Share * 100, 2)} %")]))), "L", Evidence.MeasuredHere,
            [.. shares.Select(x => new WorkingLine($"run {x.Run}", "its load ÷ all loads", "", $"{Say.Number(x.Share * 100, 2)} %",
                "by the weight of what went in"))]);
    }
}
