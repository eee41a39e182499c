using MudPie.Core.Measures;

namespace MudPie.Core.PuttingOut;

/// <summary>How deep a drench wets the ground.</summary>
public static class Drench
{
    /// <summary>Room that moist ground has left, mm of water in a cm of depth: sand 1, loam 1.5, clay 2. Usual figures of irrigation
    /// tables; 1.5 where the texture is not known.</summary>
    public const double RoomMmPerCm = 1.5;

    /// <summary>Below this it wets the skin of the ground and no more, mm.</summary>
    public const double SkinMm = 1;

    /// <summary>Above this it is more than an ordinary watering, mm.</summary>
    public const double MuchMm = 25;

    /// <summary>Wetted depth = mm ÷ room. 10 mm on loam: 7 cm.</summary>
    /// <param name="millimetres">Litres on a square metre, 0 or more.</param>
    /// <param name="roomMmPerCm">0.5 to 3 mm a cm.</param>
    public static double DepthCm(double millimetres, double roomMmPerCm = RoomMmPerCm) => millimetres / roomMmPerCm;

    /// <summary>What a depth of water does, in a sentence. 0.1 mm does not soak; 10 mm is an ordinary watering.</summary>
    public static string Says(double millimetres, UnitSystem units = UnitSystem.Metric) => millimetres switch {
        < SkinMm => $"{Per.Depth(millimetres, units)} wets the skin of the ground only: it does not soak. Water it in with clean water "
            + "afterwards, or pour it at the stems.",
        <= MuchMm => $"{Per.Depth(millimetres, units)} wets moist ground about {Per.Centimetres(DepthCm(millimetres), units)} deep (by "
            + $"texture), {(millimetres < 5 ? "the top of the roots" : "an ordinary watering")}: slowly; moist ground takes it better.",
        _ => $"{Per.Depth(millimetres, units)} is {Per.Centimetres(DepthCm(millimetres), units)} deep, more than an ordinary watering: "
            + "some may run past the roots, or off the bed.",
    };
}
