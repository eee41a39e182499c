using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>Parts to litres to what is fetched, for several mixes at once.</summary>
public static class Mixes
{
    /// <summary>What the charged part is called among the parts.</summary>
    public static string Charged(string of) => $"charged {of}";

    /// <summary>Most mixes at once.</summary>
    public const int MostMixes = 50;

    /// <summary>Works it out: <c>loose = pots × pot × (1 + spare) ÷ ((1 − mixing loss)(1 − settling))</c>, and each part by its share of
    /// that; of a part that is charged at r, <c>loose × its share × (1 + r)</c> of the blend, and of what it was charged with only the
    /// rest.</summary>
    /// <remarks>16 pots of 3 L with a tenth to spare and a tenth lost in mixing: 52.8 L finished, 58.7 L loose. With 15 % of char charged
    /// at 2.5: 30.8 L of charged char and 1.47 L of castings beside it; the most that they bear is 2.67. Refused: shares that do not add
    /// up to 1, a ratio above the most (naming the mix), losses that leave nothing. Source: conservation of volume;
    /// reference/mixing-cases.json.</remarks>
    public static Ruling<MixesAnswer> Of(MixesQuestion q)
    {
        var checks = new Checks();
        var pot = checks.Range("potL", q.PotL, 0.001, 1_000_000, "L");
        var spare = checks.Range("spareShare", q.SpareShare, 0, 1, "");
        var loss = checks.Range("mixingLossShare", q.MixingLossShare, 0, 0.5, "");
        var settle = checks.Range("settleShare", q.SettleShare, 0, 0.5, "");
        var (of, with) = Precharged(q.Precharged, checks);
        Look(q.Mixes ?? [], of, checks);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var mixes = q.Mixes!;
        var (most, least) = Most(mixes, of, with);
        var ratio = most is null ? 0 : q.Precharged?.Ratio ?? most.Value;
        if (most is { } bearable && ratio > bearable + 1e-9)
        {
            return TooMuch(of!, with!, ratio, bearable, least!);
        }

        var perPot = pot * (1 + spare);
        var kept = (1 - loss) * (1 - settle);
        MixedMix[] mixed = [.. mixes.Select(m => One(m, perPot * m.Pots!.Value, perPot * m.Pots.Value / kept, most is null ? null : of,
            with,
            ratio))];
        var charging = new Dictionary<string, double>();
        if (most is not null)
        {
            var blend = mixed.Sum(m => m.Litres.GetValueOrDefault(Charged(of!)));
            Put(charging, of!, blend / (1 + ratio));
            Put(charging, with!, blend * ratio / (1 + ratio));
        }

        return Worked.Of(new MixesAnswer(mixed, Total(mixed), charging, most), "L", Evidence.ChemistryOrPhysics,
            Lines(q, mixed, most, ratio, kept), most is null ? [Cautions.Dust] : [Cautions.Dust, CharDust]);
    }

    /// <summary>Dust of char.</summary>
    public static readonly Caution CharDust = new("char-dust",
        "Wear a dust mask (P2) for dry char until it is damp and blended in.", Cautions.Usual);

    /// <summary>Litres over all mixes, part by part.</summary>
    internal static Dictionary<string, double> Total(IEnumerable<MixedMix> mixed)
    {
        var total = new Dictionary<string, double>();
        foreach (var (part, litres) in mixed.SelectMany(m => m.Litres))
        {
            total[part] = total.GetValueOrDefault(part) + litres;
        }

        return total;
    }

    private static (string? Of, string? With) Precharged(Precharge? charge, Checks checks)
    {
        if (charge is null)
        {
            return (null, null);
        }

        if (string.IsNullOrWhiteSpace(charge.Of))
        {
            checks.Add("precharged.of", "Nothing was named.", "Name the part that is charged: char.");
        }

        if (string.IsNullOrWhiteSpace(charge.With) || charge.With == charge.Of)
        {
            checks.Add("precharged.with", charge.With == charge.Of ? "A part can't be charged with itself." : "Nothing was named.",
                "Name what it is charged with: castings.");
        }

        if (charge.Ratio is not null)
        {
            checks.Range("precharged.ratio", charge.Ratio, 0.001, 100, "L to a litre");
        }

        return (charge.Of, charge.With);
    }

    private static void Look(IReadOnlyList<MixParts> mixes, string? of, Checks checks)
    {
        if (mixes.Count is 0 or > MostMixes)
        {
            checks.Add("mixes", mixes.Count == 0 ? "There is no mix." : $"That is more than {MostMixes} mixes.",
                $"Give 1 to {MostMixes} mixes, each with its parts.");
            return;
        }

        var seen = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        for (var i = 0; i < mixes.Count; i++)
        {
            var (mix, at) = (mixes[i], $"mixes[{i}]");
            if (mix is null)
            {
                checks.Add(at, "There is nothing in it.", "Give it a name, pots and parts.");
                continue;
            }

            if (Names.Wrong(mix.Name) is { } wrong || !seen.Add(mix.Name!.Trim()))
            {
                checks.Add($"{at}.name", Names.Wrong(mix.Name) ?? $"“{mix.Name}” stands twice.", "Give each mix a name of its own.");
            }

            var pots = checks.Range($"{at}.pots", mix.Pots, 1, 1_000_000, "pots");
            if (pots != Math.Floor(pots))
            {
                checks.Add($"{at}.pots", $"{Say.Number(pots, 6)} pots are not whole.", "Give a whole number of pots.");
            }

            Shares(mix.Parts ?? new Dictionary<string, double>(), $"{at}.parts", of, checks);
        }
    }

    private static void Shares(IReadOnlyDictionary<string, double> parts, string at, string? of, Checks checks)
    {
        foreach (var (part, share) in parts)
        {
            if (string.IsNullOrWhiteSpace(part) || (of is not null && part == Charged(of)))
            {
                checks.Add(at, string.IsNullOrWhiteSpace(part) ? "A part has no name."
                    : $"“{part}” is the blend's own name here.", "Name each part; give the bare part where it is charged.");
            }

            checks.Range($"{at}.{part}", share, 0, 1, "");
        }

        var sum = parts.Values.Sum();
        if (parts.Count is 0 or > 40 || !(Math.Abs(sum - 1) <= 1e-6))
        {
            checks.Add(at, parts.Count == 0 ? "The mix has no parts." : parts.Count > 40 ? "That is more than 40 parts."
                : $"Its shares add up to {(double.IsFinite(sum) ? Say.Number(sum, 6) : "no number")} and not to 1.",
                "Give up to 40 parts whose shares add up to 1.");
        }
    }

    /// <summary>The most of a charge that every mix bears, and the mix that bears least.</summary>
    internal static (double? Most, MixParts? Least) Most(IEnumerable<MixParts> mixes, string? of, string? with)
    {
        if (of is null || with is null)
        {
            return (null, null);
        }

        var least = mixes.Where(m => m.Parts!.GetValueOrDefault(of) > 0)
            .MinBy(m => m.Parts!.GetValueOrDefault(with) / m.Parts![of]);
        return least is null ? (null, null) : (least.Parts!.GetValueOrDefault(with) / least.Parts![of], least);
    }

    private static Refusal TooMuch(string of, string with, double ratio, double most, MixParts least) => Refusal.Of("precharged.ratio",
        $"“{least.Name}” would get more {with} with its {of} than it asks for at {Say.Number(ratio, 4)} to 1.",
        most > 0 ? $"It bears {Say.Number(Math.Floor(most * 100) / 100, 4)} L of {with} to a litre of {of} at most: take that, or less, or "
            + $"leave the ratio out." : $"It holds {of} and no {with}: give it some {with}, or don't charge its {of} with it.");

    private static MixedMix One(MixParts mix, double finished, double loose, string? of, string? with, double ratio)
    {
        var litres = new Dictionary<string, double>();
        var charged = of is null ? 0 : mix.Parts!.GetValueOrDefault(of);
        foreach (var (part, share) in mix.Parts!)
        {
            Put(litres, part == of ? Charged(part) : part, part == of ? loose * share * (1 + ratio)
                : part == with ? loose * (share - (ratio * charged)) : loose * share);
        }

        return new MixedMix(mix.Name!, finished, loose, litres);
    }

    /// <summary>What is nought, but for rounding, is left out.</summary>
    private static void Put(Dictionary<string, double> litres, string part, double l)
    {
        if (l > 1e-9)
        {
            litres[part] = l;
        }
    }

    private static IEnumerable<WorkingLine> Lines(MixesQuestion q, MixedMix[] mixed, double? most, double ratio, double kept)
    {
        var (pot, spare) = (q.PotL!.Value, q.SpareShare!.Value);
        foreach (var (mix, asked) in mixed.Zip(q.Mixes!).Take(12))
        {
            yield return new WorkingLine(mix.Name, "pots × pot × (1 + spare)",
                $"{Say.Number(asked.Pots!.Value, 6)} × {Say.Number(pot, 4)} L × {Say.Number(1 + spare, 4)}",
                $"{Say.Number(mix.FinishedL, 4)} L finished", "sum");
            yield return new WorkingLine($"{mix.Name}, loose", "finished ÷ ((1 − mixing loss)(1 − settling))",
                $"{Say.Number(mix.FinishedL, 4)} ÷ {Say.Number(kept, 4)}", $"{Say.Number(mix.LooseL, 4)} L",
                "conservation of volume; fines fill the gaps of 5 to 15 %, peat, coir and hulls settle 10 to 15 %");
        }

        if (most is { } m && q.Precharged is { } charge)
        {
            yield return new WorkingLine($"{charge.With} to a litre of {charge.Of}", "least of share ÷ share over the mixes that hold it",
                $"at most {Say.Number(m, 4)}", $"{Say.Number(ratio, 4)} L", "solved: more would bring in more than the mix asks for");
            foreach (var mix in mixed.Where(x => x.Litres.ContainsKey(Charged(charge.Of!))).Take(12))
            {
                yield return new WorkingLine($"{mix.Name}: {Charged(charge.Of!)}", "loose × share × (1 + r)",
                    $"{Say.Number(mix.LooseL, 4)} × share × {Say.Number(1 + ratio, 4)}",
                    $"{Say.Number(mix.Litres[Charged(charge.Of!)], 4)} L", "sum");
            }
        }
    }
}
