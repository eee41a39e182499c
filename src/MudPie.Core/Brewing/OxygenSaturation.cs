using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>How much oxygen fresh water holds when air and water are in balance.</summary>
public static class OxygenSaturation
{
    /// <summary>Coldest and warmest water the equations are used for, °C.</summary>
    public const double LowestC = 0, HighestC = 45;

    /// <summary>Lowest and highest ground, metres above the sea.</summary>
    public const double LowestM = -430, HighestM = 5000;

    private const string Source = "Benson and Krause 1980, 1984 (USGS and Standard Methods form)";

    /// <summary>
    /// Cs(T, P) in mg/L = exp(−139.34411 + 1.575701e5/K − 6.642308e7/K² + 1.2438e10/K³ − 8.621949e11/K⁴) · P·(1−u/P)(1−θP)/((1−u)(1−θ)),
    /// with u the water vapour and P the air, both in atmospheres. Benson and Krause 1980, 1984.
    /// </summary>
    /// <param name="temperatureC">Water, °C.</param>
    /// <param name="pressureAtm">Air pressure, atm; see <see cref="PressureAtm"/>.</param>
    public static double MgPerLitre(double temperatureC, double pressureAtm)
    {
        var k = temperatureC + 273.15;
        var inv = 1 / k;
        var sea = Math.Exp(-139.34411 + (inv * (1.575701e5 + (inv * (-6.642308e7 + (inv * (1.2438e10 - (inv * 8.621949e11))))))));
        var u = Math.Exp(11.8571 - (3840.70 * inv) - (216961 * inv * inv));
        var theta = 0.000975 - (1.426e-5 * temperatureC) + (6.436e-8 * temperatureC * temperatureC);
        return sea * (pressureAtm - u) * (1 - (theta * pressureAtm)) / ((1 - u) * (1 - theta));
    }

    /// <summary>Air pressure of the standard atmosphere, atm = (1 − 2.25577e−5·h)^5.25588; 300 m gives 0.965.</summary>
    /// <param name="altitude">Above the sea.</param>
    public static double PressureAtm(Metres altitude) => Math.Pow(1 - (2.25577e-5 * altitude.Value), 5.25588);

    /// <summary>Oxygen at saturation, with its working.</summary>
    /// <param name="temperatureC">Water, 0 to 45 °C.</param>
    /// <param name="altitudeM">Ground, −430 to 5000 m; 0 when not given.</param>
    /// <remarks>20 °C at the sea is 9.0924 mg/L; at 2000 m it is 7.0883.</remarks>
    public static Ruling<MilligramsPerLitre> At(double? temperatureC, double? altitudeM)
    {
        var checks = new Checks();
        var t = checks.Range("temperatureC", temperatureC, LowestC, HighestC, "°C");
        var h = checks.Range("altitudeM", altitudeM ?? 0, LowestM, HighestM, "m");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var p = PressureAtm(new Metres(h));
        var cs = MgPerLitre(t, p);
        return Worked.Of(
            new MilligramsPerLitre(cs),
            "mg/L",
            Evidence.ChemistryOrPhysics,
            [
                new("air pressure", "(1 − 2.25577e−5 · altitude)^5.25588", $"altitude {Say.Number(h)} m", $"{Say.Number(p, 4)} atm",
                    "ICAO standard atmosphere"),
                new("oxygen at saturation", "Cs(T) · P(1−u/P)(1−θP) ÷ ((1−u)(1−θ))", $"T {Say.Number(t)} °C, P {Say.Number(p, 4)} atm",
                    $"{Say.Number(cs, 4)} mg/L", Source),
            ]);
    }
}
