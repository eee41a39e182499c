using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>The mix bench: mixes to what is fetched, charged first, what it costs and what it will do.</summary>
public static class MixBench
{
    /// <summary>Fewest days that char lies in what charges it.</summary>
    public const int ChargeDays = 14;

    /// <summary>Works it all out.</summary>
    /// <remarks>The three mixes of reference/mixing-cases.json, the ratio left out: it is solved to 2.6 (2.67 is the most, and a tenth is
    /// what a jug can tell), 42.2 L of blend, 5 buckets of 10 L of it hold 13.9 L of char and 36.1 L of castings; sown on 2 March it is
    /// begun by 16 February. Raw char is refused unless a reason is written down. Source: guide of the house; volumes by
    /// conservation.</remarks>
    public static Ruling<MixBenchAnswer> Of(MixBenchQuestion q)
    {
        if (Wrong(q) is { } wrong)
        {
            return wrong;
        }

        var asked = q.Mixes;
        var most = Mixes.Of(asked);
        if (most is { Refused: null } && most.Value.MostRatio is { } m and > 0 && asked.Precharged is { Ratio: null } charge)
        {
            asked = asked with { Precharged = charge with { Ratio = Jugged(m) } };
            most = Mixes.Of(asked);
        }

        if (most.Refused is { } refused)
        {
            return refused;
        }

        var mixes = most.Value;
        var plan = Charge(asked, mixes, q);
        var fetch = Fetch(mixes, plan, q).ToList();
        var raw = q.Stuff.Values.Where(s => s.RawChar && mixes.Total.ContainsKey(s.Name)).Select(s => s.Name).ToList();
        MixDoes[] each = [.. mixes.Mixes.Zip(asked.Mixes!, (mix, parts) => Does(mix, parts, asked, q))];
        var answer = new MixBenchAnswer(mixes, each, fetch, plan, Cost(mixes, plan, q), raw.Count > 0, MixVerdict.Of(q, plan, fetch, raw,
            Much(mixes, q)));
        return most.Worked.With(answer, "L") with {
            Working = [.. most.Worked.Working, .. Lines(plan, fetch, q)],
            Cautions = raw.Count > 0 || plan is not null ? [Cautions.Dust, Mixes.CharDust] : [Cautions.Dust],
            Forks = raw.Count > 0 || plan is not null ? [CharFork(raw.Count > 0)] : [],
            Sure = Evidence.PractitionersRule,
        };
    }

    /// <summary>The first by-product that is more of a mix than one part to ten, the share to start with; null for none.</summary>
    private static (string Of, string Mix)? Much(MixesAnswer mixes, MixBenchQuestion q) => mixes.Mixes
        .SelectMany(m => m.Litres.Select(l => (Of: l.Key, Mix: m.Name, Share: l.Value / Math.Max(m.Litres.Values.Sum(), 1e-9))))
        .Where(x => q.Stuff.GetValueOrDefault(x.Of)?.Byproduct == true && x.Share > StartSmall + 1e-9)
        .Select(x => ((string, string)?)(x.Of, x.Mix)).FirstOrDefault();

    /// <summary>One part of a by-product to ten of the rest.</summary>
    public const double StartSmall = 1.0 / 11;

    /// <summary>A tenth is what a jug can tell; less than one is taken to a hundredth. Never more than the most.</summary>
    private static double Jugged(double most) => Math.Max(Math.Floor((most * (most >= 1 ? 10 : 100)) + 1e-9) / (most >= 1 ? 10 : 100),
        Math.Min(most, 0.01));

    private static Refusal? Wrong(MixBenchQuestion q)
    {
        var checks = new Checks();
        if (q.ContainerL is not null)
        {
            checks.Range("charge.container", q.ContainerL, 0.1, 100_000, "L");
        }

        if (q.BoughtPerL is not null)
        {
            checks.Range("bought", q.BoughtPerL, 0, 100_000, "");
        }

        if (q.WorkMinutes is not null)
        {
            checks.Range("minutes", q.WorkMinutes, 0, 100_000, "min");
        }

        if (q.SowOn is { } sow && (sow < q.Today.AddYears(-1) || sow > q.Today.AddYears(3)))
        {
            checks.Add("sowOn", "That day is not within three years.", "Give the day of sowing or planting, or leave it out.");
        }

        return checks.Sound ? null : checks.Refusal;
    }

    private static Fork CharFork(bool raw) => new("char", "How does char go into a mix?",
        [
            new("raw", "raw, as it comes", "nothing to wait for; it takes up nitrogen for months"),
            new("castings", "charged in castings", $"at least {ChargeDays} days beforehand, damp"),
            new("heap", "through the heap", "laid in as it is built; ready with the compost"),
        ], "castings", raw ? "raw" : "castings", "Raw char takes up what should feed the crop; a fortnight in castings fills it first.",
        Evidence.PublishedTrials, "whether char can go in today");

    private static ChargePlan? Charge(MixesQuestion asked, MixesAnswer mixes, MixBenchQuestion q)
    {
        if (mixes.MostRatio is not { } most || asked.Precharged is not { Of: { } of, With: { } with, Ratio: { } ratio })
        {
            return null;
        }

        var blend = mixes.Total.GetValueOrDefault(Mixes.Charged(of));
        int? containers = q.ContainerL is { } size ? (int)Math.Ceiling((blend / size) - 1e-9) : null;
        var made = containers * q.ContainerL ?? blend;
        DateOnly? last = q.SowOn?.AddDays(-ChargeDays);
        var begin = q.ChargedOn ?? (last > q.Today ? last.Value : q.Today);
        var until = q.SowOn > begin.AddDays(ChargeDays) ? q.SowOn.Value : begin.AddDays(ChargeDays);
        return new ChargePlan(of, with, made / (1 + ratio), made * ratio / (1 + ratio), ratio, most,
            Mixes.Most(asked.Mixes!, of, with).Least!.Name!, blend, made, containers, last, (q.ChargedOn ?? q.Today).AddDays(ChargeDays),
            [.. Enumerable.Range(1, 12).Select(w => begin.AddDays(7 * w)).TakeWhile(d => d <= until)]);
    }

    private static IEnumerable<FetchLine> Fetch(MixesAnswer mixes, ChargePlan? plan, MixBenchQuestion q)
    {
        var all = new Dictionary<string, double>(mixes.Total);
        if (plan is not null)
        {
            all.Remove(Mixes.Charged(plan.Of));
        }

        if (plan is not null && q.State == MixState.Planned) // what lies in the charge was fetched
        {
            all[plan.Of] = all.GetValueOrDefault(plan.Of) + plan.OfL;
            all[plan.With] = all.GetValueOrDefault(plan.With) + plan.WithL;
        }

        foreach (var (name, litres) in all)
        {
            var stuff = q.Stuff.GetValueOrDefault(name) ?? new MixStuff { Name = name };
            var shortL = Math.Max(0, litres - (stuff.LeftL ?? 0)) is var s && s > 1e-9 ? s : 0;
            int? packs = stuff.PackL is { } pack ? (int)Math.Ceiling((shortL / pack) - 1e-9) : null;
            var over = packs is { } n ? (stuff.LeftL ?? 0) + (n * stuff.PackL!.Value) - litres
                : stuff.LeftL is { } left ? Math.Max(0, left - litres) : (double?)null;
            yield return new FetchLine(name, litres, q.State != MixState.Planned ? 0
                : plan?.Of == name ? plan.OfL : plan?.With == name ? plan.WithL : 0, stuff.LeftL, shortL,
                packs, over, stuff.PricePerL * litres);
        }
    }

    private static MixDoes Does(MixedMix mix, MixParts parts, MixesQuestion asked, MixBenchQuestion q)
    {
        var pots = parts.Pots!.Value * asked.PotL!.Value;
        var litres = new Dictionary<string, double>(mix.Litres);
        if (asked.Precharged is { Of: { } of, With: { } with, Ratio: { } ratio } && litres.Remove(Mixes.Charged(of), out var blend))
        {
            litres[of] = litres.GetValueOrDefault(of) + (blend / (1 + ratio));
            litres[with] = litres.GetValueOrDefault(with) + (blend * ratio / (1 + ratio));
        }

        // What is loose is more than what stands in the pots, spare and all: of one pot its share.
        var share = asked.PotL.Value / mix.FinishedL;
        var known = litres.Select(p => (p.Key, p.Value, q.Stuff.GetValueOrDefault(p.Key)?.Is)).ToList();
        List<Amassed> rots = [.. known.Where(k => k.Is is { Rots: true }).Select(k => new Amassed(k.Is!, k.Value * share * k.Is!.KgPerL))];
        var takes = NitrogenOutlook.Takes(q.Crop) is { } t ? (t.G * q.Plants, t.Weeks) : ((double, int)?)null;
        return new MixDoes(mix, pots, mix.FinishedL - pots,
            rots.Count == 0 ? null : NitrogenOutlook.Of(rots, takes, q.Into switch {
                Filling.Pots => "a pot",
                Filling.Modules => "a tray",
                _ => "for the bed",
            }), [.. known.Where(k => k.Is is null).Select(k => k.Key)],
            MixBuffer.Of(mix.Litres, name => q.Stuff.GetValueOrDefault(name)?.Is, q.Units));
    }

    private static MixCost Cost(MixesAnswer mixes, ChargePlan? plan, MixBenchQuestion q)
    {
        var finished = mixes.Mixes.Sum(m => m.FinishedL);
        var parts = mixes.Total.Keys.Where(n => plan is null || n != Mixes.Charged(plan.Of)).Union(mixes.Charging.Keys)
            .Select(n => (Name: n,
            Litres: mixes.Total.GetValueOrDefault(n) + mixes.Charging.GetValueOrDefault(n), Price: q.Stuff.GetValueOrDefault(n)?.PricePerL))
            .ToList();
        var missing = parts.Where(p => p.Price is null).Select(p => p.Name).ToList();
        if (missing.Count == parts.Count)
        {
            return new MixCost(null, "What a litre costs is not known: none of its parts has a price on the shelf.");
        }

        var work = q.WorkMinutes is { } min && q.HourlyWage is { } wage ? min * wage / 60 : 0;
        var each = (parts.Sum(p => p.Litres * (p.Price ?? 0)) + work) / finished;
        var per = Per.PriceShown(each, "L", q.Units);
        var own = $"{(missing.Count > 0 ? "At least " : "")}{per}"
            + (missing.Count > 0 ? $", as {Say.List(missing)} {(missing.Count == 1 ? "has" : "have")} no price" : "")
            + (q.WorkMinutes is not { } minutes ? ", work not counted" : q.HourlyWage is null
                ? $", {Say.Minutes(minutes)} of work not counted until an hour has a price" : $", {Say.Minutes(minutes)} of work in it");
        return new MixCost(missing.Count > 0 ? null : each, q.BoughtPerL is not { } bought ? own + "."
            : $"{own}; bought {Per.PriceShown(bought, "L", q.Units)}.");
    }

    private static IEnumerable<WorkingLine> Lines(ChargePlan? plan, List<FetchLine> fetch, MixBenchQuestion q)
    {
        string L(double litres) => Units.Show(litres, Dimension.Volume, q.Units);
        if (plan is { Containers: { } n })
        {
            yield return new WorkingLine("whole containers", "blend ÷ container, rounded up",
                $"{L(plan.BlendL)} ÷ {L(q.ContainerL!.Value)}",
                $"{n}, {L(plan.MadeL)}", "your own container");
        }

        if (plan is { LastDay: { } last })
        {
            yield return new WorkingLine("last day to begin", $"sowing − {ChargeDays} days", Say.Date(q.SowOn!.Value), Say.Date(last),
                "practitioners’ rule: at least a fortnight, longer is better");
        }

        foreach (var f in fetch.Where(f => f.Packs is > 0))
        {
            yield return new WorkingLine($"{f.Name}, packs", "(wanted − on the shelf) ÷ a pack loosened, rounded up",
                $"({L(f.Litres)} − {L(f.LeftL ?? 0)}) ÷ {L(q.Stuff[f.Name].PackL!.Value)}", $"{f.Packs}", "the shelf");
        }
    }
}
