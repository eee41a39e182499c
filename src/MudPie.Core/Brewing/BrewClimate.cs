namespace MudPie.Core.Brewing;

/// <summary>What the warmth does to a brew at one moment.</summary>
/// <param name="GrowthB">g_b(T): bacterial growth against that at 20 °C.</param>
/// <param name="GrowthF">g_f(T): fungal growth against that at 20 °C.</param>
/// <param name="Transfer">theta^(T−20).</param>
/// <param name="OxygenFull">beta·Cs(T, altitude), mg/L.</param>
internal readonly record struct Climate(double GrowthB, double GrowthF, double Transfer, double OxygenFull);

/// <summary>Warmth over the hours of a brew, and what follows from it.</summary>
internal sealed class BrewClimate
{
    // The warmth of a brew moves over hours; a linear step of 0.1 h is true to 5e-4 °C for a swing of 5 °C a day.
    private const double StepH = 0.1;

    private readonly Climate[] _table;
    private readonly Climate _always;
    private readonly bool _constant;
    private readonly double _period;

    private BrewClimate(bool constant, Climate always, Climate[] table, double period = double.PositiveInfinity) =>
        (_constant, _always, _table, _period) = (constant, always, table, period);

    /// <summary>One warmth throughout.</summary>
    public static BrewClimate Constant(double temperatureC, double pressureAtm) => new(true, Of(temperatureC, pressureAtm), []);

    /// <summary>Warmth as a function of the hour, tabulated to <paramref name="hours"/>; with a period, that many hours come round
    /// again.</summary>
    public static BrewClimate Over(Func<double, double> temperatureCAtH, double hours, double pressureAtm, bool comesRound)
    {
        var table = new Climate[(int)Math.Ceiling(hours / StepH) + 2];
        for (var i = 0; i < table.Length; i++)
        {
            table[i] = Of(temperatureCAtH(i * StepH), pressureAtm);
        }

        return new BrewClimate(false, table[0], table, comesRound ? hours : double.PositiveInfinity);
    }

    /// <summary>The climate at hour <paramref name="h"/>.</summary>
    public Climate At(double h)
    {
        if (_constant)
        {
            return _always;
        }

        while (h >= _period)
        {
            h -= _period;
        }

        var x = Math.Clamp(h / StepH, 0, _table.Length - 1.001);
        var i = (int)x;
        var f = x - i;
        ref readonly var a = ref _table[i];
        ref readonly var b = ref _table[i + 1];
        return new Climate(
            a.GrowthB + (f * (b.GrowthB - a.GrowthB)),
            a.GrowthF + (f * (b.GrowthF - a.GrowthF)),
            a.Transfer + (f * (b.Transfer - a.Transfer)),
            a.OxygenFull + (f * (b.OxygenFull - a.OxygenFull)));
    }

    private static Climate Of(double temperatureC, double pressureAtm) => new(
        CardinalTemperature(temperatureC, 2, 33, 43) / BacteriaAt20,
        CardinalTemperature(temperatureC, 2, 27, 36) / FungiAt20,
        Math.Pow(BrewParameters.Theta, temperatureC - 20),
        BrewParameters.Beta * OxygenSaturation.MgPerLitre(temperatureC, pressureAtm));

    private static readonly double BacteriaAt20 = CardinalTemperature(20, 2, 33, 43);
    private static readonly double FungiAt20 = CardinalTemperature(20, 2, 27, 36);

    /// <summary>
    /// CTMI(T; a, o, m) = (T−m)(T−a)² / ((o−a)·((o−a)(T−o) − (o−m)(o+a−2T))) inside (a, m), else 0. Rosso et al. 1993.
    /// </summary>
    /// <param name="t">°C.</param>
    /// <param name="a">Coldest at which it grows, °C.</param>
    /// <param name="o">Where it grows best, °C: there the answer is 1.</param>
    /// <param name="m">Warmest, °C.</param>
    internal static double CardinalTemperature(double t, double a, double o, double m) =>
        t <= a || t >= m ? 0 : (t - m) * (t - a) * (t - a) / ((o - a) * (((o - a) * (t - o)) - ((o - m) * (o + a - (2 * t)))));
}
