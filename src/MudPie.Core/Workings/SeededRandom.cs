using MathNet.Numerics.Distributions;

namespace MudPie.Core.Workings;

/// <summary>Random numbers from a seed that are the same on every machine and in every year: SplitMix64 (Steele, Lea and Flood 2014). What
/// is drawn by lot can be drawn again.</summary>
internal sealed class SeededRandom(ulong seed)
{
    private ulong _state = seed;

    /// <summary>Uniform in (0, 1).</summary>
    public double Next()
    {
        _state += 0x9E3779B97F4A7C15;
        var z = _state;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        z ^= z >> 31;
        return ((z >> 11) + 0.5) * (1.0 / (1UL << 53));
    }

    /// <summary>Standard normal.</summary>
    public double NextNormal() => Normal.InvCDF(0, 1, Next());

    /// <summary>A whole number from 0 to below <paramref name="end"/>, each as likely.</summary>
    public int Below(int end) => (int)(Next() * end);

    /// <summary>Puts items in an order as likely as any other (Durstenfeld 1964).</summary>
    public T[] Shuffled<T>(IEnumerable<T> items)
    {
        T[] deck = [.. items];
        for (var i = deck.Length - 1; i > 0; i--)
        {
            var j = Below(i + 1);
            (deck[i], deck[j]) = (deck[j], deck[i]);
        }

        return deck;
    }
}
