using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>How deep a drench wets the ground.</summary>
public static class Drench
{
    /// <summary>Room that moist ground has left, mm of water in a cm of depth: sand 1, loam 1.5, clay 2. Usual figures of irrigation tables; 1.5 where the texture is not known.</summary>
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
    public static string Says(double millimetres) => millimetres switch
    {
        < SkinMm => $"{Say.Number(millimetres, 2)} mm wets the skin of the ground only: it does not soak. Water it in with clean water afterwards, or pour it at the stems.",
        <= MuchMm => $"{Say.Number(millimetres, 2)} mm wets moist ground about {Say.Number(DepthCm(millimetres), 2)} cm deep (1 to 2 mm a cm, by texture), {(millimetres < 5 ? "the top of the roots" : "an ordinary watering")}: slowly; moist ground takes it better.",
        _ => $"{Say.Number(millimetres, 2)} mm is {Say.Number(DepthCm(millimetres), 2)} cm deep, more than an ordinary watering: some may run past the roots, or off the bed.",
    };
}
