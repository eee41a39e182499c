using MudPie.Core.Brewing;
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
public sealed record MixRule(string A, string B, bool Together, double WaitDays, string Why, Evidence Sure, bool Own = false);

/// <summary>Something in the tank, or that a bed got lately.</summary>
/// <param name="Name">Its own name.</param>
/// <param name="Class">A class of <see cref="MixingRules.Classes"/>.</param>
/// <param name="DaysAgo">Null in the tank; days since the bed got it.</param>
/// <param name="Bed">The bed that got it; null in the tank.</param>
public sealed record MixItem(string Name, string Class, double? DaysAgo = null, string? Bed = null);

/// <summary>The tank and the ground it goes to.</summary>
public sealed record MixQuestion
{
    /// <summary>In the tank, 1 to 12.</summary>
    public IReadOnlyList<MixItem> Tank { get; init; } = [];

    /// <summary>What the beds got in the last weeks.</summary>
    public IReadOnlyList<MixItem> Lately { get; init; } = [];

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
/// <param name="Says">"fine", "wait" or "never".</param>
/// <param name="WaitDays">Days still to wait; 0 where none.</param>
/// <param name="Where">"in the tank", or the bed.</param>
/// <param name="Why">The reason.</param>
/// <param name="Sure">How sure.</param>
/// <param name="Own">By a rule of the grower's own.</param>
public sealed record MixPair(string A, string B, string Says, double WaitDays, string Where, string Why, Evidence Sure, bool Own);

/// <summary>All pairs and the tank itself.</summary>
public sealed record MixAnswer(IReadOnlyList<MixPair> Pairs, IReadOnlyList<string> Tank, Verdict Verdict);

/// <summary>Which things may be together, and how long to wait where they may not.</summary>
public static class MixingRules
{
    /// <summary>Classes, by id.</summary>
    public static readonly IReadOnlyList<MixClass> Classes =
    [
        new("brew", "a live brew", true), new("living", "living cells", true), new("spores", "dormant spores", true), new("mycorrhiza", "mycorrhiza", true), new("trichoderma", "Trichoderma", true),
        new("seaweed", "seaweed", false), new("alkaliSeaweed", "seaweed, alkali-made", false), new("humic", "humic acid", false), new("fulvic", "fulvic acid", false), new("fish", "fish hydrolysate", false),
        new("amino", "amino acids", false), new("silica", "silica", false), new("molasses", "sugars", false), new("salts", "mineral feed", false), new("calcium", "a calcium feed", false),
        new("fungicide", "a fungicide", false), new("copper", "copper", false), new("sulphur", "sulphur", false), new("peroxide", "peroxide or peracetic acid", false), new("chlorine", "chlorine", false),
        new("herbicide", "a weed-killer", false), new("insecticide", "an insecticide", false), new("oil", "oil or soap", false), new("acid", "an acid", false), new("other", "something else", false),
    ];

    private const Evidence Chem = Evidence.ChemistryOrPhysics, Rule = Evidence.PractitionersRule, Trials = Evidence.PublishedTrials;

    /// <summary>The house's pairs; what is not here is fine as far as is known.</summary>
    public static readonly IReadOnlyList<MixRule> House =
    [
        .. Living(("brew", 7), ("living", 7), ("trichoderma", 14)).Select(l => new MixRule(l.Id, "fungicide", false, l.Days, "A fungicide kills the fungi in it, and many harm bacteria too; wait until it has broken down.", Trials)),
        new("mycorrhiza", "fungicide", false, 21, "Many fungicides stop mycorrhiza from entering roots for weeks; foliar ones less, product by product.", Trials),
        new("spores", "fungicide", true, 0, "Bacterial spores stand most fungicides; those meant against bacteria are another matter: the label.", Rule),
        .. Living(("brew", 10), ("living", 10), ("trichoderma", 14), ("mycorrhiza", 21)).Select(l => new MixRule(l.Id, "copper", false, l.Days, "Copper is there to kill microbes, and stays on the leaf and in the ground.", Chem)),
        new("spores", "copper", false, 3, "Dormant they stand it; once sprouted they do not.", Rule),
        .. Living(("brew", 5), ("living", 5), ("trichoderma", 7)).Select(l => new MixRule(l.Id, "sulphur", false, l.Days, "Sulphur kills fungi, and some bacteria with them.", Chem)),
        .. Living(("brew", 2), ("living", 2), ("trichoderma", 2), ("mycorrhiza", 2), ("spores", 1)).Select(l => new MixRule(l.Id, "peroxide", false, l.Days, "It oxidises whatever lives; within a day or two it is gone.", Chem)),
        .. Living(("brew", 1), ("living", 1), ("trichoderma", 1), ("mycorrhiza", 1)).Select(l => new MixRule(l.Id, "chlorine", false, l.Days, "Chlorine kills them. Clear the water and read a strip at zero.", Chem)),
        new("spores", "chlorine", true, 0, "Dormant spores stand the chlorine of tap water; once sprouted they do not, so use the tank at once.", Rule),
        .. Living(("brew", 14), ("living", 14), ("trichoderma", 14), ("mycorrhiza", 14), ("spores", 7)).Select(l => new MixRule(l.Id, "herbicide", false, l.Days, "Never in one tank: the sprayer is spoilt for life by it. On the ground some weed-killers harm microbes for a week or two.", Rule)),
        .. Living(("brew", 3), ("living", 3)).Select(l => new MixRule(l.Id, "insecticide", false, l.Days, "The solvents and soaps in it harm cells.", Rule)),
        .. Living(("brew", 2), ("living", 2), ("trichoderma", 2)).Select(l => new MixRule(l.Id, "oil", false, l.Days, "Oils and soaps break up cell walls.", Chem)),
        .. Living(("brew", 0), ("living", 0), ("trichoderma", 0), ("mycorrhiza", 0)).Select(l => new MixRule(l.Id, "salts", false, 1, "A mineral feed in the tank is salty at full strength: give it a day apart, or thin it below 2 mS/cm.", Chem)),
        .. Living(("brew", 0), ("living", 0), ("trichoderma", 0), ("mycorrhiza", 0)).Select(l => new MixRule(l.Id, "acid", false, 0.5, "Below pH 5.5 most of them die in the tank.", Chem)),
        new("brew", "silica", false, 1, "Silica is strongly alkaline: neutralise it, or give it on another day.", Chem), new("living", "silica", false, 1, "Silica is strongly alkaline: neutralise it, or give it on another day.", Chem),
        new("brew", "alkaliSeaweed", true, 0, "Fine when thinned to the label; neat it has a high pH.", Chem),
        new("calcium", "salts", false, 0, "Calcium and phosphates or sulphates fall out as stone: never in one stock.", Chem),
        new("calcium", "humic", false, 0, "Calcium makes humic acid clot.", Chem), new("acid", "humic", false, 0, "Humic acid clots below about pH 5.5; fulvic stays in solution.", Chem),
        new("silica", "acid", false, 0, "Acid makes silica gel in the tank.", Chem), new("copper", "amino", false, 3, "Amino acids carry copper into the leaf and burn it.", Rule),
        new("sulphur", "oil", false, 14, "Oil and sulphur together burn leaves.", Trials), new("copper", "sulphur", true, 0, "Used together in places; by the label.", Rule),
        new("seaweed", "fungicide", true, 0, "With some synthetic fungicides it is said to help: product by product.", Trials), new("seaweed", "mycorrhiza", true, 0, "A pair worth a trial: said to help each other; not a fact yet.", Evidence.Contested),
        new("seaweed", "brew", true, 0, "Usual, and food for it.", Rule), new("brew", "molasses", true, 0, "Usual when it goes out at once; standing, it uses up the oxygen.", Rule), new("brew", "fish", true, 0, "Usual when it goes out at once; standing, it uses up the oxygen.", Rule),
        new("brew", "humic", true, 0, "Usual: food for it in the ground.", Rule), new("trichoderma", "mycorrhiza", true, 7, "Fine in most trials; some strains of Trichoderma live on other fungi, so a week apart at planting.", Evidence.Contested),
    ];

    private static (string Id, double Days)[] Living(params (string Id, double Days)[] list) => list;

    /// <summary>The class's name, or null where it is not known.</summary>
    public static string? NameOf(string id) => Classes.FirstOrDefault(c => c.Id == id)?.Name;

    /// <summary>The rule for two classes: the grower's own first.</summary>
    public static MixRule? Find(string a, string b, IReadOnlyList<MixRule> own) =>
        own.Concat(House).FirstOrDefault(r => (r.A == a && r.B == b) || (r.A == b && r.B == a));

    /// <summary>Rules on everything in the tank, pair by pair, and on the tank against what the beds got lately.</summary>
    /// <remarks>A brew with copper: never. A brew on a bed that got copper 3 days ago, by the house's 10: wait 7 days.</remarks>
    public static Ruling<MixAnswer> Of(MixQuestion q)
    {
        var checks = new Checks();
        if (q.Tank.Count is 0 or > 12)
        {
            checks.Add("tank", q.Tank.Count == 0 ? "There is nothing in the tank." : "That is more than twelve things.", "Choose what goes in, up to twelve.");
        }

        foreach (var (item, field) in q.Tank.Select((t, i) => (t, $"tank[{i}]")).Concat(q.Lately.Select((t, i) => (t, $"lately[{i}]"))).Where(x => NameOf(x.t.Class) is null))
        {
            checks.Add(field, $"“{item.Class}” is not a kind that the rules know.", "Choose one of the list, or other.");
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
            pairs.AddRange(q.Tank.Skip(i + 1).Select(b => InTank(q.Tank[i], b, q.Own)));
            pairs.AddRange(q.Lately.Select(b => OnBed(q.Tank[i], b, q.Own)).OfType<MixPair>());
        }

        var tank = Tank(q).ToList();
        pairs = [.. pairs.OrderBy(p => p.Says switch { "never" => 0, "wait" => 1, _ => 2 }).ThenByDescending(p => p.WaitDays)];
        return Worked.Of(
            new MixAnswer(pairs, tank, Says(pairs, tank)), "", pairs.Count == 0 ? Rule : pairs[0].Sure,
            pairs.Select(p => new WorkingLine($"{p.A} and {p.B}", p.Where, p.Why, p.Says == "wait" ? $"wait {Say.Number(p.WaitDays, 2)} days" : p.Says, p.Own ? "a rule of your own" : "house rule")));
    }

    private static void Optional(Checks checks, string field, double? value, double low, double high, string unit)
    {
        if (value is not null)
        {
            checks.Range(field, value, low, high, unit);
        }
    }

    private static MixPair InTank(MixItem a, MixItem b, IReadOnlyList<MixRule> own)
    {
        var rule = Find(a.Class, b.Class, own);
        return rule is null
            ? new(a.Name, b.Name, "fine", 0, "in the tank", "Nothing is known against it. Try a jar first: half an hour, does it clot?", Rule, false)
            : new(a.Name, b.Name, rule.Together ? "fine" : "never", 0, "in the tank", rule.Together || rule.WaitDays == 0 ? rule.Why : $"{rule.Why} Give them {Say.Number(rule.WaitDays)} days apart.", rule.Sure, rule.Own);
    }

    private static MixPair? OnBed(MixItem tank, MixItem lately, IReadOnlyList<MixRule> own)
    {
        var rule = Find(tank.Class, lately.Class, own);
        var left = (rule?.WaitDays ?? 0) - (lately.DaysAgo ?? 0);
        return rule is null || left <= 0 ? null
            : new(tank.Name, lately.Name, "wait", left, lately.Bed ?? "the bed", $"{rule.Why} It got {lately.Name} {Say.Number(lately.DaysAgo ?? 0, 2)} days ago; {Say.Number(rule.WaitDays)} are wanted.", rule.Sure, rule.Own);
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
            yield return $"{Say.Number(q.SaltsMsPerCm.Value)} mS/cm of salts: above 2 living cells are pulled dry. Thin it, or give it on another day.";
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
            return new(Tone.Stop, $"Never in one tank: {never.A} and {never.B}.", never.Why);
        }

        if (pairs.FirstOrDefault(p => p.Says == "wait") is { } wait)
        {
            return new(Tone.Stop, $"Wait {Say.Number(Math.Ceiling(wait.WaitDays))} {(wait.WaitDays > 1 ? "days" : "day")}: {wait.Where} got {wait.B}.", wait.Why);
        }

        return tank.Count > 0 ? new(Tone.Mind, "The pairs are fine; the tank wants a look.", string.Join(" ", tank)) : new(Tone.Go, pairs.Count == 0 ? "Only one thing in it: fine." : "They get on.", "A jar first all the same: half an hour, does it clot?");
    }
}
