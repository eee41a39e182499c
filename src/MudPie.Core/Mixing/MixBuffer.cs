using MudPie.Core.Measures;

namespace MudPie.Core.Mixing;

/// <summary>What buffers a mix of peat.</summary>
/// <param name="LowG">Carbonate flour that is usual for it, g: low end.</param>
/// <param name="HighG">High end.</param>
/// <param name="HasG">What is in it, g.</param>
/// <param name="Tone">Go where it has enough, mind where it has too little or much too much.</param>
/// <param name="Sentence">What to do.</param>
public sealed record MixBuffered(double LowG, double HighG, double HasG, Tone Tone, string Sentence);

/// <summary>Peat is sour: a base is kept with its buffer. Coir and leaf mould want none or little, by test.</summary>
public static class MixBuffer
{
    /// <summary>Carbonate flour (shell, chalk, lime) for a litre of peat, g.</summary>
    public const double LeastGPerL = 3, MostGPerL = 6;

    /// <summary>Works it out; null where there is no peat in it.</summary>
    /// <param name="litres">Litres of each part by its name.</param>
    /// <param name="is">What each part is; null where nobody knows.</param>
    /// <param name="units">Whose units it is told in.</param>
    /// <remarks>24 L of peat: 72 to 144 g of flour; 0.1 L of it, at 1 kg a litre, is 100 g and enough. Source: usual rates for peat bases;
    /// a test of the base decides.</remarks>
    public static MixBuffered? Of(IReadOnlyDictionary<string, double> litres, Func<string, Material?> @is, UnitSystem units)
    {
        var peat = litres.Where(l => @is(l.Key)?.Id == "peat").Sum(l => l.Value);
        if (peat <= 0)
        {
            return null;
        }

        var has = litres.Where(l => @is(l.Key)?.Id == "shell").Sum(l => l.Value * @is(l.Key)!.KgPerL * 1000);
        var (low, high) = (peat * LeastGPerL, peat * MostGPerL);
        string G(double g) => Units.Show(g, Dimension.Mass, units);
        var wants = $"peat wants {G(low)} to {G(high)} of shell or lime flour";
        return has < low * 0.98
            ? new(low, high, has, Tone.Mind, $"Its {wants}{(has > 0 ? $", and {G(has)} is in it" : ", and none is in it")}.")
            : has > high * 1.3 ? new(low, high, has, Tone.Mind, $"It has {G(has)} of flour: its {wants}, and too much locks up iron.")
            : new(low, high, has, Tone.Go, $"Its {wants}, and has {G(has)}; a test of the base decides.");
    }
}
