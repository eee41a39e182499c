using MudPie.Core.Brewing;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>A bed that gets some, and what is known of its ground.</summary>
public sealed record JobBed
{
    /// <summary>Its name.</summary>
    public required string Name { get; init; }

    /// <summary>0.1 to 1,000,000 m².</summary>
    public double AreaM2 { get; init; }

    /// <summary>"poor", "middling" or "living" by its last check; null where none was made.</summary>
    public string? Life { get; init; }

    /// <summary>Which check said so: "cotton strip of 3 May".</summary>
    public string? LifeSays { get; init; }

    /// <summary>Plants that it is poured at, 1 to 1,000,000; null where it goes on the whole bed.</summary>
    public double? Plants { get; init; }

    /// <summary>A rate of its own: mixed litres on a hectare, 1 to 200,000; null for the job's.</summary>
    public double? RateLPerHa { get; init; }
}

/// <summary>Something from the shelf that goes in the tank.</summary>
public sealed record JobProduct
{
    /// <summary>Its name.</summary>
    public required string Name { get; init; }

    /// <summary>"mL" or "g".</summary>
    public required string Unit { get; init; }

    /// <summary>"perHa", "per100m2", "perLitre" (of mix), "perPlant" or "oneIn" (one part in so many of mix).</summary>
    public required string Basis { get; init; }

    /// <summary>How much, on that basis; more than 0 to 1,000,000.</summary>
    public double? Rate { get; init; }
}

/// <summary>A job: ground, tank, a brew or none, products or none.</summary>
public sealed record TankJobQuestion
{
    /// <summary>"leaf" or "root".</summary>
    public string? Purpose { get; init; }

    /// <summary>At least one.</summary>
    public IReadOnlyList<JobBed> Beds { get; init; } = [];

    /// <summary>What the tank holds, 0.5 to 20,000 L.</summary>
    public double? TankL { get; init; }

    /// <summary>Spare for priming and dead volume, 0 to 0.5 of what goes on the ground.</summary>
    public double? SpareShare { get; init; }

    /// <summary>Strained brew that there is, L; null for a job without brew.</summary>
    public double? BrewL { get; init; }

    /// <summary>How far the brew is thinned, as text; needed with a brew.</summary>
    public string? Dilution { get; init; }

    /// <summary>Undiluted brew on 100 m² of ground that is poor or not known, L; null shares out all there is.</summary>
    public double? BrewPer100M2 { get; init; }

    /// <summary>Mixed litres on a hectare where there is no brew, 1 to 200,000.</summary>
    public double? RateLPerHa { get; init; }

    /// <summary>Mixed litres for one plant, poured at its stem, 0.01 to 200; null where it goes by area. Beds then say how many plants.</summary>
    public double? PerPlantL { get; init; }

    /// <summary>What else goes in.</summary>
    public IReadOnlyList<JobProduct> Products { get; init; } = [];

    /// <summary>The dose falls where checks say that the ground is alive.</summary>
    public bool StepDown { get; init; } = true;

    /// <summary>"mulch", "residue", "feed" (goes with it), "none", or null where it was not asked.</summary>
    public string? FoodWaiting { get; init; }
}

/// <summary>A product's amount.</summary>
public sealed record ProductAmount(string Name, string Unit, double Amount);

/// <summary>What one bed gets.</summary>
/// <param name="Name">The bed.</param>
/// <param name="AreaM2">m².</param>
/// <param name="MixL">Mixed litres.</param>
/// <param name="BrewL">Of them, brew.</param>
/// <param name="WaterL">Of them, water.</param>
/// <param name="BrewPer100M2">Brew on 100 m², L.</param>
/// <param name="Millimetres">As deep as rain.</param>
/// <param name="StepShare">Share of the full dose that its ground has earned.</param>
/// <param name="StepSays">Which check earned it; null where none did.</param>
/// <param name="Products">Products on it.</param>
public sealed record JobShare(
    string Name, double AreaM2, double MixL, double BrewL, double WaterL, double BrewPer100M2, double Millimetres, double StepShare, string? StepSays, IReadOnlyList<ProductAmount> Products, double? LitresAPlant = null);

/// <summary>What a load puts on a bed.</summary>
public sealed record LoadBed(string Name, double MixL);

/// <summary>One filling of the tank.</summary>
public sealed record JobLoad(double MixL, double BrewL, double WaterL, IReadOnlyList<ProductAmount> Products, IReadOnlyList<LoadBed> Beds);

/// <summary>The whole job.</summary>
/// <param name="Dilution">Both ways; null without brew.</param>
/// <param name="OneIn">One in how many; null without brew.</param>
/// <param name="MixL">Mixed in all, with the spare.</param>
/// <param name="BrewL">Brew in all.</param>
/// <param name="WaterL">Water in all.</param>
/// <param name="SpareL">Of the mix, spare.</param>
/// <param name="Products">Products in all.</param>
/// <param name="Beds">Each bed.</param>
/// <param name="Loads">Each filling: full ones, then the part tank; empty where there would be too many.</param>
/// <param name="LoadCount">How many fillings.</param>
/// <param name="FoodAsked">What to ask or say about food in the ground; null where there is no life in the tank to feed.</param>
/// <param name="Verdict">In a sentence.</param>
public sealed record TankJobAnswer(
    string? Dilution, double? OneIn, double MixL, double BrewL, double WaterL, double SpareL, IReadOnlyList<ProductAmount> Products,
    IReadOnlyList<JobShare> Beds, IReadOnlyList<JobLoad> Loads, int LoadCount, string? FoodAsked, Verdict Verdict);

/// <summary>Several beds, each at its own rate, a brew and what goes with it, to loads of one mix.</summary>
public static class TankJob
{
    /// <summary>Deeper than this is more than an ordinary watering, mm.</summary>
    public const double FloodMm = Drench.MuchMm;

    /// <summary>Share of the full dose by what a bed's checks say. House figures: a worn-out hectare takes 1,000 L, one that has recovered a third of it.</summary>
    public static double Step(string? life) => life switch { "middling" => 0.6, "living" => 0.3, _ => 1 };

    /// <summary>One mix for all: a bed's dose is its litres of it. Brew on a bed = area × dose per 100 m² × step; mix = brew × one in.</summary>
    /// <remarks>17 L at 1:5 over two beds of 36 m², one living: 13.1 and 3.9 L of brew; 102 L in all, seven loads of 15 L, the last of 12.</remarks>
    public static Ruling<TankJobAnswer> Of(TankJobQuestion q)
    {
        var checks = new Checks();
        var tank = checks.Range("tankL", q.TankL, 0.5, 20_000, "L", "How much does the sprayer or can hold?");
        var spare = checks.Range("spareShare", q.SpareShare ?? 0.05, 0, 0.5, "");
        if (q.Purpose is not ("leaf" or "root"))
        {
            checks.Add("purpose", "It is not said whether it is for leaves or roots.", "Choose leaf or root.");
        }

        if (q.FoodWaiting is not (null or "mulch" or "residue" or "feed" or "none"))
        {
            checks.Add("foodWaiting", $"“{q.FoodWaiting}” is not known here.", "Choose mulch, residue, feed or none.");
        }

        Beds(q, checks);
        Products(q, checks);
        var oneIn = Brew(q, checks, out var dilution);
        var rate = q.BrewL is null && q.PerPlantL is null ? checks.Range("rateLPerHa", q.RateLPerHa, 1, 200_000, "L/ha", "A litre on a square metre is 10,000 L/ha.") : 0;
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
        double MixOf(int i) => q.PerPlantL is { } each && q.Beds[i].Plants is { } plants ? each * plants : q.Beds[i].RateLPerHa is { } own ? own * q.Beds[i].AreaM2 / 10_000 : q.BrewL is null ? rate * q.Beds[i].AreaM2 / 10_000 : dose * weights[i] * oneIn;
        var mixes = q.Beds.Select((_, i) => MixOf(i)).ToList();
        var onGround = mixes.Sum();
        var mix = onGround * (1 + spare);
        var concentrations = q.Products.Select(p => (Product: p, PerL: PerLitre(p, q.Beds.Sum(b => b.AreaM2), q.Beds.Sum(b => b.Plants ?? 0), onGround))).ToList();
        var crowded = concentrations.Sum(c => c.Product.Unit == "mL" ? c.PerL / 1000 : 0) + (q.BrewL is null ? 0 : 1 / oneIn);
        if (crowded > 1 + 1e-9)
        {
            return Refusal.Of("products", $"A litre of mix would hold {Say.Number(crowded)} L of brew and products.", "More water: a thinner dilution, or more litres to the hectare.");
        }

        IReadOnlyList<ProductAmount> In(double litres) => [.. concentrations.Select(c => new ProductAmount(c.Product.Name, c.Product.Unit, c.PerL * litres))];
        double BrewIn(double litres) => q.BrewL is null ? 0 : litres / oneIn;
        double WaterIn(double litres) => litres - BrewIn(litres) - concentrations.Sum(c => c.Product.Unit == "mL" ? c.PerL * litres / 1000 : 0);
        var shares = q.Beds.Select((b, i) => new JobShare(
            b.Name, b.AreaM2, mixes[i], BrewIn(mixes[i]), WaterIn(mixes[i]), BrewIn(mixes[i]) / b.AreaM2 * 100, mixes[i] / b.AreaM2,
            q is { StepDown: true, BrewL: not null } && b.RateLPerHa is null ? Step(b.Life) : 1, q is { StepDown: true, BrewL: not null } && b.RateLPerHa is null && Step(b.Life) < 1 ? $"{b.LifeSays ?? "its last check"}: {b.Life}" : null, In(mixes[i]), b.Plants is { } plants ? mixes[i] / plants : null)).ToList();
        var count = (int)Math.Min(Math.Ceiling((mix / tank) - 1e-9), 1e7);
        var loads = count <= TankPlan.MostLoads ? Loads(mixes, q.Beds, mix, tank, In, BrewIn, WaterIn) : [];
        var food = Food(q);
        var answer = new TankJobAnswer(q.BrewL is null ? null : dilution, q.BrewL is null ? null : oneIn, mix, BrewIn(mix), WaterIn(mix), mix - onGround, In(mix), shares, loads, count, food, Verdict(q, shares, mix, BrewIn(mix), tank, count));
        return Worked.Of(answer, "L", Evidence.PractitionersRule, TankJobSays.Lines(q, answer, onGround, tank, spare, dose), TankJobSays.Warnings(q, answer), q.BrewL is null ? [] : [TankJobSays.DilutionFork(BrewIn(mix), oneIn)]);
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
            if (p.Basis is not ("perHa" or "per100m2" or "perLitre" or "perPlant" or "oneIn") || p.Unit is not ("mL" or "g") || (p.Basis == "oneIn" && p.Unit == "g"))
            {
                checks.Add($"products[{i}].basis", $"{Say.Number(p.Rate ?? 0)} {p.Unit} of {p.Name}: per what?", "Choose per hectare, per 100 m², per litre of mix, or one part in so many (liquids only).");
            }
        }

        if (q.Products.Any(p => p.Basis == "perPlant"))
        {
            for (var i = 0; i < q.Beds.Count; i++)
            {
                checks.Range($"beds[{i}].plants", q.Beds[i].Plants, 1, 1_000_000, "plants", "How many plants are there? The rate is by the plant.");
            }
        }

        if (q.BrewL is null && q.Products.Count == 0)
        {
            checks.Add("products", "There is nothing in the tank.", "Choose a brew, or something from the shelf.");
        }
    }

    private static double PerLitre(JobProduct p, double areaM2, double plants, double onGroundL) => p.Basis switch
    {
        "perHa" => p.Rate!.Value * areaM2 / 10_000 / onGroundL,
        "per100m2" => p.Rate!.Value * areaM2 / 100 / onGroundL,
        "perPlant" => p.Rate!.Value * plants / onGroundL,
        "oneIn" => 1000 / p.Rate!.Value,
        _ => p.Rate!.Value,
    };

    /// <summary>Beds in their order, filling after filling; the spare is in the last.</summary>
    private static List<JobLoad> Loads(
        List<double> mixes, IReadOnlyList<JobBed> beds, double mix, double tank, Func<double, IReadOnlyList<ProductAmount>> products, Func<double, double> brew, Func<double, double> water)
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
        if (q.BrewL is null || q.Purpose == "leaf")
        {
            return null;
        }

        return q.FoodWaiting switch
        {
            "mulch" => "Under the mulch it finds food: wet the ground below it, not the mulch alone.",
            "residue" => "The residue feeds it: work it in lightly, or leave it in touch with the ground.",
            "feed" => "The humic or fish that goes with it is its first meal; mulch afterwards keeps it fed.",
            "none" => "On bare ground what you put out starves in days: mulch it, leave residue, or send a humic or fish feed with it.",
            _ => "Does it find food there: mulch, residue, or a feed that goes with it?",
        };
    }

    private static Verdict Verdict(TankJobQuestion q, List<JobShare> shares, double mix, double brew, double tank, int count)
    {
        if (q.BrewL is { } there && brew > there * 1.001)
        {
            return new(Tone.Stop, $"That takes {Say.Number(brew)} L of brew, and there are {Say.Number(there)}.", "Fewer beds, less on 100 m², or brew more.");
        }

        var wettest = shares.MaxBy(s => s.Millimetres)!;
        if (count > TankPlan.MostLoads)
        {
            return new(Tone.Stop, $"{Say.Number(count)} fillings of {Say.Number(tank)} L: nobody does that.", $"{Say.Number(mix)} L is {Say.Number(wettest.Millimetres, 2)} mm on {wettest.Name}. Thin it less, put it on with the irrigation, or take a larger tank: the brew on the ground counts, not the water.");
        }

        if (wettest.Millimetres > FloodMm)
        {
            return new(Tone.Mind, $"{Say.Number(wettest.Millimetres, 2)} mm on {wettest.Name}: more than an ordinary watering.", $"{Drench.Says(wettest.Millimetres)} Less water carries the same brew.");
        }

        var fills = count == 1 ? $"One filling of {Say.Number(mix)} L." : $"{count} fillings, {Say.Number(mix)} L in all.";
        if (q is { BrewL: not null, Purpose: "root", FoodWaiting: "none" })
        {
            return new(Tone.Mind, fills, "There is no food waiting for it in that ground: mulch it, or send a feed with it.");
        }

        if (q is { BrewL: not null, Purpose: "root" } && wettest.Millimetres < Drench.SkinMm && shares.All(s => s.LitresAPlant is null))
        {
            return new(Tone.Mind, fills, Drench.Says(wettest.Millimetres));
        }

        var left = q.BrewL - brew;
        return new(Tone.Go, fills, left > 0.05 * brew ? $"{Say.Number(left.Value)} L of brew is left over: more ground, or the heap." : $"{Say.Number(mix - shares.Sum(s => s.MixL))} L of it is spare for priming and dead volume.");
    }
}
