using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>What kind of thing goes in a tank, for the mixing rules.</summary>
/// <param name="Id">Stable name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Alive">It carries life that can be killed.</param>
public sealed record MixClass(string Id, string Name, bool Alive);

/// <summary>How two things get on.</summary>
/// <param name="A">One class.</param>
/// <param name="B">The other.</param>
/// <param name="Together">May they be in one tank?</param>
/// <param name="WaitDays">Days between them on one bed; 0 for none.</param>
/// <param name="Why">The reason.</param>
/// <param name="Sure">How sure.</param>
/// <param name="Own">From a label that the grower read, not from the house.</param>
/// <param name="Known">False where nobody knows: a jar first.</param>
/// <param name="Gas">It gives off gas or dangerous heat: no rule of the grower's own and no reason sets it aside.</param>
/// <param name="Source">Where it is from.</param>
public sealed record MixRule(string A, string B, bool Together, double WaitDays, string Why, Evidence Sure, bool Own = false,
    bool Known = true, bool Gas = false, string Source = "")
{
    /// <summary>"fine", "jar" (not known: a jar first) or "never".</summary>
    public string Says => !Known ? "jar" : Together ? "fine" : "never";
}

/// <summary>Something in the tank, or that a bed got lately.</summary>
/// <param name="Name">Its own name.</param>
/// <param name="Class">A class of <see cref="MixingRules.Classes"/>.</param>
/// <param name="DaysAgo">Null in the tank; days since the bed got it.</param>
/// <param name="Bed">The bed that got it; null in the tank.</param>
/// <param name="Ph">Its own pH as it goes in, 0 to 14; null where not known. A neutralised silica or acid is judged by this, and something
/// else by it too.</param>
/// <param name="MgPerL">For chlorine: its strength as Cl₂, mg/L, 0 to 200,000; null where not known. To 10 it is tap water's, above it is
/// bleach.</param>
public sealed record MixItem(string Name, string Class, double? DaysAgo = null, string? Bed = null, double? Ph = null,
    double? MgPerL = null);

/// <summary>The tank and the ground it goes to.</summary>
public sealed record MixQuestion
{
    /// <summary>In the tank, 1 to 12.</summary>
    public IReadOnlyList<MixItem> Tank { get; init; } = [];

    /// <summary>What the beds got in the last weeks.</summary>
    public IReadOnlyList<MixItem> Lately { get; init; } = [];

    /// <summary>What the sprayer held last, where it has not been washed since.</summary>
    public IReadOnlyList<MixItem> HeldLast { get; init; } = [];

    /// <summary>pH of the mix, 1 to 13; null where not measured.</summary>
    public double? Ph { get; init; }

    /// <summary>Salts, mS/cm, 0 to 50; null where not measured.</summary>
    public double? SaltsMsPerCm { get; init; }

    /// <summary>Warmth of the mix, −5 to 60 °C; null where not measured.</summary>
    public double? TemperatureC { get; init; }

    /// <summary>Chlorine in its water, 0 to 10 mg/L; null where no strip was read.</summary>
    public double? ChlorineMgPerL { get; init; }

    /// <summary>The grower's own rules, which come first.</summary>
    public IReadOnlyList<MixRule> Own { get; init; } = [];
}

/// <summary>One pair, ruled on.</summary>
/// <param name="A">Name of one.</param>
/// <param name="B">Name of the other.</param>
/// <param name="Says">"fine", "wait", "jar" (not known: a jar first) or "never".</param>
/// <param name="WaitDays">Days still to wait; 0 where none.</param>
/// <param name="Where">"in the tank", "in the sprayer", or the bed.</param>
/// <param name="Why">The reason.</param>
/// <param name="Sure">How sure.</param>
/// <param name="Own">By a rule of the grower's own.</param>
/// <param name="Gas">It gives off gas or dangerous heat: no reason sets it aside.</param>
/// <param name="Source">Where the rule is from.</param>
public sealed record MixPair(string A, string B, string Says, double WaitDays, string Where, string Why, Evidence Sure, bool Own,
    bool Gas = false, string Source = "");

/// <summary>All pairs and the tank itself.</summary>
public sealed record MixAnswer(IReadOnlyList<MixPair> Pairs, IReadOnlyList<string> Tank, Verdict Verdict);

/// <summary>Which things may be together, and how long to wait where they may not.</summary>
public static class MixingRules
{
    /// <summary>Classes, by id.</summary>
    public static IReadOnlyList<MixClass> Classes => MixPairs.Classes;

    /// <summary>The house's answer for every pair of classes, each once; see docs/science/putting-out.md.</summary>
    public static IReadOnlyList<MixRule> House { get; } = [.. MixPairs.All];

    private const Evidence Rule = Evidence.PractitionersRule;

    /// <summary>The class's name, or null where it is not known.</summary>
    public static string? NameOf(string id) => Classes.FirstOrDefault(c => c.Id == id)?.Name;

    /// <summary>The rule for two classes: the grower's own first, but never over gas.</summary>
    public static MixRule? Find(string a, string b, IReadOnlyList<MixRule> own)
    {
        var house = MixPairs.Find(a, b);
        return house is { Gas: true } ? house : own.FirstOrDefault(r => MixPairs.Key(r.A, r.B) == MixPairs.Key(a, b)) ?? house;
    }

    /// <summary>What it is by its strength and pH, not by its name alone: 1 mg/L of chlorine is tap water, 40 is bleach; silica at pH 7 is
    /// no caustic; something else at pH 3 is an acid.</summary>
    public static string ClassOf(MixItem item) => item switch {
        { Class: "chlorine", MgPerL: <= WaterHighest } => "tapChlorine",
        { Class: "tapChlorine", MgPerL: > WaterHighest } => "chlorine",
        { Class: "silica" or "acid" or "caustic", Ph: >= 5.5 and <= 7.5 } => "other",
        { Class: "ascorbic", Ph: < 4 } => "acid",
        { Class: "other" or "salts" or "calcium" or "amino" or "fish" or "alkaliSeaweed" or "seaweed", Ph: < 3 } => "acid",
        { Class: "other" or "salts" or "calcium" or "amino" or "alkaliSeaweed" or "seaweed" or "humic", Ph: > 10.5 } => "caustic",
        _ => item.Class,
    };

    private const double WaterHighest = Measures.ChlorineStrip.Highest;

    /// <summary>Rules on everything in the tank, pair by pair, and on the tank against what the beds got lately.</summary>
    /// <remarks>A brew with copper: never. A brew on a bed that got copper 3 days ago, by the house's 10: wait 7 days.</remarks>
    public static Ruling<MixAnswer> Of(MixQuestion q)
    {
        var checks = new Checks();
        if (q.Tank.Count is 0 or > 12)
        {
            checks.Add("tank", q.Tank.Count == 0 ? "There is nothing in the tank." : "That is more than twelve things.",
                "Choose what goes in, up to twelve.");
        }

        foreach (var (item, field) in q.Tank.Select((t, i) => (t, $"tank[{i}]")).Concat(q.Lately.Select((t, i) => (t, $"lately[{i}]")))
            .Concat(q.HeldLast.Select((t, i) => (t, $"heldLast[{i}]"))))
        {
            if (NameOf(item.Class) is null)
            {
                checks.Add(field, $"“{item.Class}” is not a kind that the rules know.", "Choose one of the list, or other.");
            }

            Optional(checks, $"{field}.ph", item.Ph, 0, 14, "");
            Optional(checks, $"{field}.mgPerL", item.MgPerL, 0, 200_000, "mg/L");
        }

        Optional(checks, "ph", q.Ph, 1, 13, "");
        Optional(checks, "saltsMsPerCm", q.SaltsMsPerCm, 0, 50, "mS/cm");
        Optional(checks, "temperatureC", q.TemperatureC, -5, 60, "°C");
        Optional(checks, "chlorineMgPerL", q.ChlorineMgPerL, 0, 10, "mg/L");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var pairs = new List<MixPair>();
        for (var i = 0; i < q.Tank.Count; i++)
        {
            pairs.AddRange(q.Tank.Skip(i + 1).Select(b => InTank(q.Tank[i], b, q.Own, "in the tank")));
            pairs.AddRange(q.Lately.Select(b => OnBed(q.Tank[i], b, q.Own)).OfType<MixPair>());
            // What a sprayer held last is there in traces: what only wants a jar first is no matter, what must never meet is.
            pairs.AddRange(q.HeldLast.Where(h => h.Name != q.Tank[i].Name)
                .Select(b => InTank(q.Tank[i], b, q.Own, "in the sprayer, not washed since")).Where(p => p.Says == "never"));
        }

        var tank = Tank(q).ToList();
        pairs = [.. pairs.OrderBy(p => p.Gas ? 0 : 1).ThenBy(p => p.Says switch { "never" => 0, "wait" => 1, "jar" => 2, _ => 3 })
            .ThenByDescending(p => p.WaitDays)];
        return Worked.Of(
            new MixAnswer(pairs, tank, Says(pairs, tank)), "", pairs.Count == 0 ? Rule : pairs[0].Sure,
            pairs.Select(p => new WorkingLine($"{p.A} and {p.B}", p.Where, p.Why,
                p.Says switch { "wait" => $"wait {Say.Number(p.WaitDays, 2)} days", "jar" => "a jar first", var s => s },
                p.Own ? "a rule of your own" : p.Source)),
            pairs.Any(p => p.Gas) ? [GasCaution] : []);
    }

    /// <summary>What to do where gas could come off.</summary>
    public static readonly Caution GasCaution =
        new("gas", "These give off gas or heat. Never together, not even as rinse water; if they met, leave, upwind, and call for help.",
            Cautions.Usual);

    private static void Optional(Checks checks, string field, double? value, double low, double high, string unit)
    {
        if (value is not null)
        {
            checks.Range(field, value, low, high, unit);
        }
    }

    private static MixPair InTank(MixItem a, MixItem b, IReadOnlyList<MixRule> own, string where)
    {
        var rule = Find(ClassOf(a), ClassOf(b), own)!;
        var why = rule.Says != "never" || rule.WaitDays == 0 ? rule.Why : $"{rule.Why} Give them {Say.Number(rule.WaitDays)} days apart.";
        return a.Name == b.Name && a.Class == b.Class
            ? new(a.Name, b.Name, "fine", 0, where, "The same thing twice.", Rule, false)
            : new(a.Name, b.Name, rule.Says, 0, where, why, rule.Sure, rule.Own, rule.Gas, rule.Source);
    }

    private static MixPair? OnBed(MixItem tank, MixItem lately, IReadOnlyList<MixRule> own)
    {
        var rule = Find(ClassOf(tank), ClassOf(lately), own);
        var left = (rule?.WaitDays ?? 0) - (lately.DaysAgo ?? 0);
        return rule is null || left <= 0 ? null
            : new(tank.Name, lately.Name, "wait", left, lately.Bed ?? "the bed",
                $"{rule.Why} It got {lately.Name} {Say.Ago(lately.DaysAgo ?? 0)}; {Say.Number(rule.WaitDays)} are wanted.", rule.Sure,
                rule.Own, false, rule.Source);
    }

    private static IEnumerable<string> Tank(MixQuestion q)
    {
        var alive = q.Tank.Where(t => Classes.First(c => c.Id == t.Class).Alive).ToList();
        var tender = alive.Any(t => t.Class != "spores");
        if (alive.Count == 0)
        {
            yield break;
        }

        if (q.Ph is < 5.5 or > 7.5)
        {
            yield return $"pH {Say.Number(q.Ph.Value)}: outside 5.5 to 7.5 living things suffer. Bring it back before they go in.";
        }

        if (q.SaltsMsPerCm > 2 && tender)
        {
            yield return $"{Say.Number(q.SaltsMsPerCm.Value)} mS/cm of salts: above 2 living cells are pulled dry. Thin it, or give it on "
                + "another day.";
        }

        if (q.TemperatureC > 32)
        {
            yield return $"{Say.Number(q.TemperatureC.Value)} °C in the tank: above 32 they die in hours. Shade it, fill it in the cool.";
        }

        if (q.ChlorineMgPerL > 0 && tender)
        {
            yield return $"{Say.Number(q.ChlorineMgPerL.Value)} mg/L of chlorine in its water: clear it to zero first.";
        }

        if (q.ChlorineMgPerL is null && tender)
        {
            yield return "No strip was read on its water: read one at zero.";
        }
    }

    private static Verdict Says(List<MixPair> pairs, List<string> tank)
    {
        if (pairs.FirstOrDefault(p => p.Says == "never") is { } never)
        {
            return never.Where == "in the tank"
                ? new(Tone.Stop, $"Never in one tank: {never.A} and {never.B}.", never.Why)
                : new(Tone.Stop, $"Wash the sprayer first: it held {never.B}, and {never.A} never meets that.", never.Why);
        }

        if (pairs.FirstOrDefault(p => p.Says == "wait") is { } wait)
        {
            return new(Tone.Stop,
                $"Wait {Say.Number(Math.Ceiling(wait.WaitDays))} {(wait.WaitDays > 1 ? "days" : "day")}: {wait.Where} got {wait.B}.",
                wait.Why);
        }

        if (pairs.FirstOrDefault(p => p.Says == "jar") is { } jar)
        {
            return new(Tone.Mind, $"Not known: a jar first, small, outdoors: {jar.A} and {jar.B}.", jar.Why);
        }

        return tank.Count > 0 ? new(Tone.Mind, "The pairs are fine; the tank wants a look.", string.Join(" ", tank)) : new(Tone.Go,
            pairs.Count == 0 ? "Only one thing in it: fine." : "They get on.", "A jar first all the same: half an hour, does it clot?");
    }
}
