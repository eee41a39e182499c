using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>Several beds, each at its own rate, a brew and what goes with it, to loads of one mix.</summary>
public static class TankJob
{
    /// <summary>Deeper than this is more than an ordinary watering, mm.</summary>
    public const double FloodMm = Drench.MuchMm;

    /// <summary>Share of the full dose by what a bed's checks say. House figures: a worn-out hectare takes 1,000 L, one that has recovered
    /// a third of it.</summary>
    public static double Step(Life? life) => life switch { Life.Middling => 0.6, Life.Living => 0.3, _ => 1 };

    /// <summary>One mix for all: a bed's dose is its litres of it. Brew on a bed = area × dose per 100 m² × step; mix = brew × one
    /// in.</summary>
    /// <remarks>17 L at 1:5 over two beds of 36 m², one living: 13.1 and 3.9 L of brew; 102 L in all, seven loads of 15 L, the last of
    /// 12.</remarks>
    public static Ruling<TankJobAnswer> Of(TankJobQuestion q)
    {
        var checks = new Checks();
        var tank = checks.Range("tankL", q.TankL, 0.5, 20_000, "L", "How much does the sprayer or can hold?");
        var spare = checks.Range("spareShare", q.SpareShare ?? 0.05, 0, 0.5, "");
        checks.One("purpose", q.Purpose, "It is not said whether it is for leaves or roots.");

        if (q.FoodWaiting is not (null or "mulch" or "residue" or "feed" or "none"))
        {
            checks.Add("foodWaiting", $"“{q.FoodWaiting}” is not known here.", "Choose mulch, residue, feed or none.");
        }

        Beds(q, checks);
        Products(q, checks);
        var oneIn = Brew(q, checks, out var dilution);
        var rate = q.BrewL is null && q.PerPlantL is null
            ? checks.Range("rateLPerHa", q.RateLPerHa, 1, 200_000, "L/ha", "A litre on a square metre is 10,000 L/ha.") : 0;
        if (q.PerPlantL is not null)
        {
            checks.Range("perPlantL", q.PerPlantL, 0.01, 200, "L");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var weights = q.Beds.Select(b => b.AreaM2 / 100 * (q.StepDown ? Step(b.Life) : 1)).ToList();
        var dose = q.BrewPer100M2 ?? (q.BrewL is { } all ? all / (1 + spare) / weights.Sum() : 0);
        double MixOf(int i) => q.PerPlantL is { } each && q.Beds[i].Plants is { } plants ? each * plants : q.Beds[i].RateLPerHa is { } own
            ? own * q.Beds[i].AreaM2 / 10_000 : q.BrewL is null ? rate * q.Beds[i].AreaM2 / 10_000 : dose * weights[i] * oneIn;
        var mixes = q.Beds.Select((_, i) => MixOf(i)).ToList();
        var onGround = mixes.Sum();
        var mix = onGround * (1 + spare);
        var concentrations = q.Products.Select(p =>
            (Product: p, PerL: PerLitre(p, q.Beds.Sum(b => b.AreaM2), q.Beds.Sum(b => b.Plants ?? 0), onGround))).ToList();
        var crowded = concentrations.Sum(c => c.Product.Unit == "mL" ? c.PerL / 1000 : 0) + (q.BrewL is null ? 0 : 1 / oneIn);
        if (crowded > 1 + 1e-9)
        {
            return Refusal.Of("products", $"A litre of mix would hold {Say.Number(crowded)} L of brew and products.",
                "More water: a thinner dilution, or more litres to the hectare.");
        }

        IReadOnlyList<ProductAmount> In(double litres) =>
            [.. concentrations.Select(c => new ProductAmount(c.Product.Name, c.Product.Unit, c.PerL * litres))];
        double BrewIn(double litres) => q.BrewL is null ? 0 : litres / oneIn;
        double WaterIn(double litres) =>
            litres - BrewIn(litres) - concentrations.Sum(c => c.Product.Unit == "mL" ? c.PerL * litres / 1000 : 0);
        var shares = q.Beds.Select((b, i) => new JobShare(
            b.Name, b.AreaM2, mixes[i], BrewIn(mixes[i]), WaterIn(mixes[i]), BrewIn(mixes[i]) / b.AreaM2 * 100, mixes[i] / b.AreaM2,
            q is { StepDown: true, BrewL: not null } && b.RateLPerHa is null ? Step(b.Life) : 1, q is { StepDown: true, BrewL: not null }
                && b.RateLPerHa is null && Step(b.Life) < 1 ? $"{b.LifeSays ?? "its last check"}: {b.Life!.Value.Word()}" : null,
                In(mixes[i]), b.Plants is { } plants ? mixes[i] / plants : null)).ToList();
        var count = (int)Math.Min(Math.Ceiling((mix / tank) - 1e-9), 1e7);
        var loads = count <= TankPlan.MostLoads ? Loads(mixes, q.Beds, mix, tank, In, BrewIn, WaterIn) : [];
        var food = Food(q);
        var answer = new TankJobAnswer(q.BrewL is null ? null : dilution, q.BrewL is null ? null : oneIn, mix, BrewIn(mix), WaterIn(mix),
            mix - onGround, In(mix), shares, loads, count, food, Verdict(q, shares, mix, BrewIn(mix), tank, count));
        return Worked.Of(answer, "L", Evidence.PractitionersRule, TankJobSays.Lines(q, answer, onGround, tank, spare, dose),
            TankJobSays.Warnings(q, answer), q.BrewL is null ? [] : [TankJobSays.DilutionFork(BrewIn(mix), oneIn, q.Units)]);
    }

    private static double Brew(TankJobQuestion q, Checks checks, out string? dilution)
    {
        dilution = null;
        if (q.BrewL is null)
        {
            return 1;
        }

        checks.Range("brewL", q.BrewL, 0.1, 5000, "L");
        if (q.BrewPer100M2 is not null)
        {
            checks.Range("brewPer100M2", q.BrewPer100M2, 0.01, 500, "L");
        }

        var read = Dilutions.Read(q.Dilution);
        if (read.Refused is { } refused)
        {
            checks.Add("dilution", refused.Problems[0].Wrong, refused.Problems[0].WayOut);
            return 1;
        }

        dilution = read.Value.BothWays;
        return read.Value.OneIn;
    }

    private static void Beds(TankJobQuestion q, Checks checks)
    {
        if (q.Beds.Count == 0)
        {
            checks.Add("beds", "No bed was chosen.", "Choose at least one bed for it to go on.");
        }

        for (var i = 0; i < q.Beds.Count; i++)
        {
            checks.Range($"beds[{i}].areaM2", q.Beds[i].AreaM2, 0.1, 1_000_000, "m²");
            if (q.PerPlantL is not null)
            {
                checks.Range($"beds[{i}].plants", q.Beds[i].Plants, 1, 1_000_000, "plants", "How many plants are there?");
            }

            if (q.Beds[i].RateLPerHa is not null)
            {
                checks.Range($"beds[{i}].rateLPerHa", q.Beds[i].RateLPerHa, 1, 200_000, "L/ha");
            }
        }
    }

    private static void Products(TankJobQuestion q, Checks checks)
    {
        for (var i = 0; i < q.Products.Count; i++)
        {
            var p = q.Products[i];
            checks.Range($"products[{i}].rate", p.Rate, 1e-4, 1_000_000, p.Unit);
            if (p.Basis is RateBasis.PerKgSeed or RateBasis.PerM3Mix || p.Unit is not ("mL" or "g")
                || (p.Basis == RateBasis.OneIn && p.Unit == "g"))
            {
                checks.Add($"products[{i}].basis", $"{Say.Number(p.Rate ?? 0)} {p.Unit} of {p.Name}: per what?",
                    "Choose per hectare, per 100 m², per litre of mix, or one part in so many (liquids only).");
            }
        }

        if (q.Products.Any(p => p.Basis == RateBasis.PerPlant))
        {
            for (var i = 0; i < q.Beds.Count; i++)
            {
                checks.Range($"beds[{i}].plants", q.Beds[i].Plants, 1, 1_000_000, "plants",
                    "How many plants are there? The rate is by the plant.");
            }
        }

        if (q.BrewL is null && q.Products.Count == 0)
        {
            checks.Add("products", "There is nothing in the tank.", "Choose a brew, or something from the shelf.");
        }
    }

    private static double PerLitre(JobProduct p, double areaM2, double plants, double onGroundL) => p.Basis switch {
        RateBasis.PerLitre => p.Rate!.Value,
        RateBasis.OneIn => 1000 / p.Rate!.Value,
        var onGround => onGround.On(p.Rate!.Value, areaM2, onGroundL, plants)!.Value / onGroundL,
    };

    /// <summary>Beds in their order, filling after filling; the spare is in the last.</summary>
    private static List<JobLoad> Loads(
        List<double> mixes, IReadOnlyList<JobBed> beds, double mix, double tank, Func<double, IReadOnlyList<ProductAmount>> products,
        Func<double, double> brew, Func<double, double> water)
    {
        var loads = new List<JobLoad>();
        var (bed, left) = (0, mixes[0]);
        for (var poured = 0.0; poured < mix - 1e-9;)
        {
            var litres = Math.Min(tank, mix - poured);
            var (room, on) = (litres, new List<LoadBed>());
            while (room > 1e-9 && bed < beds.Count)
            {
                var goes = Math.Min(room, left);
                on.Add(new LoadBed(beds[bed].Name, goes));
                (room, left) = (room - goes, left - goes);
                if (left <= 1e-9)
                {
                    bed++;
                    left = bed < beds.Count ? mixes[bed] : 0;
                }
            }

            loads.Add(new JobLoad(litres, brew(litres), water(litres), products(litres), on));
            poured += litres;
        }

        return loads;
    }

    private static string? Food(TankJobQuestion q)
    {
        if (q.BrewL is null || q.Purpose == Purpose.Leaf)
        {
            return null;
        }

        return q.FoodWaiting switch {
            "mulch" => "Under the mulch it finds food: wet the ground below it, not the mulch alone.",
            "residue" => "The residue feeds it: work it in lightly, or leave it in touch with the ground.",
            "feed" => "The humic or fish that goes with it is its first meal; mulch afterwards keeps it fed.",
            "none" => "On bare ground what you put out starves in days: mulch it, leave residue, or send a humic or fish feed with it.",
            _ => "Does it find food there: mulch, residue, or a feed that goes with it?",
        };
    }

    private static Verdict Verdict(TankJobQuestion q, List<JobShare> shares, double mix, double brew, double tank, int count)
    {
        string L(double litres) => Measures.Units.Show(litres, Dimension.Volume, q.Units);
        if (q.BrewL is { } there && brew > there * 1.001)
        {
            return new(Tone.Stop, $"That takes {L(brew)} of brew, and there are {L(there)}.",
                $"Fewer beds, less {Per.SmallArea(q.Units)}, or brew more.");
        }

        var wettest = shares.MaxBy(s => s.Millimetres)!;
        if (count > TankPlan.MostLoads)
        {
            return new(Tone.Stop, $"{Say.Number(count)} fillings of {L(tank)}: nobody does that.",
                $"{L(mix)} is {Per.Depth(wettest.Millimetres, q.Units)} on {wettest.Name}. Thin it less, put it on with the irrigation, "
                    + "or take a larger tank: the brew on the ground counts, not the water.");
        }

        if (wettest.Millimetres > FloodMm)
        {
            return new(Tone.Mind, $"{Per.Depth(wettest.Millimetres, q.Units)} on {wettest.Name}: more than an ordinary watering.",
                $"{Drench.Says(wettest.Millimetres, q.Units)} Less water carries the same brew.");
        }

        var fills = count == 1 ? $"One filling of {L(mix)}." : $"{count} fillings, {L(mix)} in all.";
        if (q is { BrewL: not null, Purpose: Purpose.Root, FoodWaiting: "none" })
        {
            return new(Tone.Mind, fills, "There is no food waiting for it in that ground: mulch it, or send a feed with it.");
        }

        if (q is { BrewL: not null, Purpose: Purpose.Root } && wettest.Millimetres < Drench.SkinMm
            && shares.All(s => s.LitresAPlant is null))
        {
            return new(Tone.Mind, fills, Drench.Says(wettest.Millimetres, q.Units));
        }

        var (left, spare) = (q.BrewL - brew, mix - shares.Sum(s => s.MixL));
        return new(Tone.Go, fills, left > 0.05 * brew ? $"{L(left.Value)} of brew is left over: more ground, or the heap."
            : $"{(spare > 1e-6 * mix ? $"{L(spare)} of it" : "None of it")} is spare for priming and dead volume.");
    }
}
