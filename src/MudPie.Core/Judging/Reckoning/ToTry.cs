using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Reckoning;

/// <summary>A trial that is thought of.</summary>
public sealed record TryAsked
{
    /// <summary>What is thought of the thing now, in money a hectare.</summary>
    public required WorthRow Row { get; init; }

    /// <summary>What it costs a hectare and year, money, above 0.</summary>
    public required double CostPerHa { get; init; }

    /// <summary>Ground it would be used on, ha, above 0.</summary>
    public required double Hectares { get; init; }

    /// <summary>Years it would be used for, above 0.</summary>
    public required double Years { get; init; }

    /// <summary>How far plots treated alike stray, money a hectare; null where nothing tells it.</summary>
    public double? NoisePerHa { get; init; }

    /// <summary>From where that is known.</summary>
    public string NoiseSays { get; init; } = "";

    /// <summary>What the crop brings on a hectare, money; null where not known.</summary>
    public double? CropPerHa { get; init; }

    /// <summary>A plot, m², above 0.</summary>
    public double PlotM2 { get; init; } = 2;

    /// <summary>Treatments side by side: with the thing, without, and water only for a liquid.</summary>
    public int Arms { get; init; } = 2;

    /// <summary>How often it is put on in a season, 1 or more.</summary>
    public double Givings { get; init; } = 1;

    /// <summary>What goes on a square metre each time, money, 0 or more: as the tank's and the mix's own sums gave it.</summary>
    public double StuffPerM2 { get; init; }

    /// <summary>Mixed water on a square metre each time, L; null for what no water carries.</summary>
    public double? WaterPerM2 { get; init; }

    /// <summary>Times on which plots are measured, 1 or more.</summary>
    public int Visits { get; init; } = 2;

    /// <summary>An hour's worth, money; null leaves hours out of money.</summary>
    public double? Hourly { get; init; }
}

/// <summary>A trial that is worth its while, or is not.</summary>
/// <param name="PlotsOfEach">Plots of each treatment: the number that leaves most.</param>
/// <param name="Arms">Treatments.</param>
/// <param name="Hours">Hands that it takes, h.</param>
/// <param name="Stuff">Of what is put on, money.</param>
/// <param name="Cost">Both, money.</param>
/// <param name="OwnSe">Its own standard error, money a hectare.</param>
/// <param name="Spread">Spread between seasons and sites, money a hectare.</param>
/// <param name="NewSe">Both together: one season's trial is never worth as much as it looks.</param>
/// <param name="Told">Chance that it pays, worth of knowing, of the trial, and what is left.</param>
/// <param name="Says">What to do, in a sentence.</param>
/// <param name="CheaperToStop">Leaving it off costs less than finding out.</param>
public sealed record ToTry(int PlotsOfEach, int Arms, double Hours, double Stuff, double Cost, double OwnSe, double Spread, double NewSe,
    WorthAnswer Told, string Says, bool CheaperToStop);

/// <summary>Which trial would settle a doubt at the least, and whether it is worth it.</summary>
public static class ToTryOf
{
    /// <summary>Fewest plots of each that are thought of: below that it is a look.</summary>
    public const int Fewest = 4;

    /// <summary>Most plots of each.</summary>
    public const int Most = 12;

    /// <summary>Between plots treated alike, of what the crop brings, where nothing else is known.</summary>
    public const double UsualCv = 0.15;

    /// <summary>Works it out: of 4 to 12 plots of each, the number that leaves most.</summary>
    /// <param name="a">The doubt, the ground and what a plot takes.</param>
    /// <param name="minutes">Usual minutes.</param>
    /// <remarks>Refused for what is not in money, or is known for certain. The spread between seasons and sites is that of several trials
    /// where there were several, else half of what is not known of the effect itself.</remarks>
    public static Ruling<ToTry> Of(TryAsked a, UsualMinutes minutes)
    {
        if (!a.Row.Priced || a.Row.Sd <= 0)
        {
            return Refusal.Of("row", a.Row.Why ?? "It can’t be told in money.", "Say prices, and what an hour of yours is worth.");
        }

        if (a.Hectares <= 0 || a.Years <= 0)
        {
            return Refusal.Of("hectares", "There is no ground or no time to use it.", "Give hectares and years above 0.");
        }

        var (noise, from) = a.NoisePerHa is > 0 and { } known ? (known, a.NoiseSays)
            : a.CropPerHa is > 0 and { } crop ? (UsualCv * crop, "a guess: 15 % of what the crop brings")
            : (a.Row.Sd, "a guess: as much as the effect itself is in doubt");
        var (spread, of) = a.Row.Tau is > 0 and { } tau ? (tau, "between the trials that there were")
            : (a.Row.Sd / 2, "half of what is not known of the effect: one season is not another");
        var best = Enumerable.Range(Fewest, Most - Fewest + 1).Select(n => At(a, minutes, n, noise, spread)).MaxBy(t => t.Told.Net)!;
        return Worked.Of(best with { Says = Says(a, best), CheaperToStop = best.Told.Net <= 0 && a.Row.Mean < 0 }, "",
            Evidence.ChemistryOrPhysics,
            [
                new("plots treated alike stray by", from, "", $"{Reckoner.Money(noise)} a hectare", ""),
                new("the trial’s own error", "its replicates bench: half width ÷ 1.96", $"{best.PlotsOfEach} plots of each, "
                    + $"{best.Arms} treatments", Reckoner.Money(best.OwnSe), "non-central t; Cohen 1988"),
                new("spread of seasons and sites", of, "", Reckoner.Money(spread), "house rule where several trials do not tell it"),
                new("so it errs by", "√(own² + spread²)", "", Reckoner.Money(best.NewSe), ""),
                new("it costs", "hours × an hour of yours + what goes on its plots", $"{Say.Number(best.Hours, 2)} h × "
                    + $"{(a.Hourly is { } h ? Reckoner.Money(h) : "no price set")} + {Reckoner.Money(best.Stuff)}",
                    Reckoner.Money(best.Cost), "usual minutes; the tank’s and the mix’s own sums"),
                .. FindingOut.Of(Question(a, best.NewSe, best.Cost)).Worked.Working,
            ]);
    }

    private static ToTry At(TryAsked a, UsualMinutes minutes, int n, double noise, double spread)
    {
        var plots = n * a.Arms;
        var hours = (minutes.Of("trial-plan") + (plots * (minutes.Of("trial-lay") + (a.Visits * minutes.Of("trial-read"))))
            + (a.Givings * n * (a.Arms - 1) * minutes.Of("trial-treat"))) / 60;
        var takes = TrialAmounts.Of(null, a.WaterPerM2, [.. Enumerable.Repeat(new SquareMetres(a.PlotM2), n)]);
        var stuff = takes.AreaM2 * (1 + TrialAmounts.Spare) * a.Givings * a.StuffPerM2;
        var half = ReplicatesPlan.HalfWidth(a.Arms, n, noise);
        var (own, cost) = (half / Worth.Z, stuff + (hours * (a.Hourly ?? 0)));
        var errs = Math.Sqrt((own * own) + (spread * spread));
        return new ToTry(n, a.Arms, hours, stuff, cost, own, spread, errs, FindingOut.Of(Question(a, errs, cost)).Value, "", false);
    }

    private static WorthQuestion Question(TryAsked a, double newSe, double cost) => new() {
        MeanPerHa = a.Row.Mean, SePerHa = a.Row.Sd, NewSePerHa = newSe, Hectares = a.Hectares, Years = a.Years, CostOfTrial = cost,
    };

    private static string Says(TryAsked a, ToTry t)
    {
        var cost = $"costs {Say.Number(t.Hours, 2)} h{(t.Stuff >= 0.005 ? $" and {Reckoner.Money(t.Stuff)}" : "")}";
        return t.Told.Net > 0 ? $"{cost} once: it leaves {Reckoner.Money(t.Told.Net)}"
            : $"{cost}: cheaper to {(a.Row.Mean < 0 ? "leave the thing off" : "go on as you do")} than to find out";
    }
}
