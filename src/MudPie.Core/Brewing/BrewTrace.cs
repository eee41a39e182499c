using System.Runtime.CompilerServices;

namespace MudPie.Core.Brewing;

/// <summary>A solved run: accepted steps with their dense output. One trace is reused for many runs on a thread.</summary>
internal sealed class BrewTrace
{
    private double[] _start = new double[512];
    private double[] _length = new double[512];
    private BrewState[] _dense = new BrewState[512 * 5];

    [ThreadStatic]
    private static BrewTrace? s_mine;

    /// <summary>This thread's own trace, to be used and left before the next call takes it: its arrays are large.</summary>
    public static BrewTrace Mine => s_mine ??= new BrewTrace();

    /// <summary>Accepted steps.</summary>
    public int Steps { get; private set; }

    /// <summary>Hour at which the run ends.</summary>
    public double End => _start[Steps - 1] + _length[Steps - 1];

    public void Clear() => Steps = 0;

    public void Add(double start, double length, in BrewState r1, in BrewState r2, in BrewState r3, in BrewState r4, in BrewState r5)
    {
        if (Steps == _start.Length)
        {
            Array.Resize(ref _start, Steps * 2);
            Array.Resize(ref _length, Steps * 2);
            Array.Resize(ref _dense, Steps * 10);
        }

        _start[Steps] = start;
        _length[Steps] = length;
        var d = _dense.AsSpan(Steps * 5, 5);
        (d[0], d[1], d[2], d[3], d[4]) = (r1, r2, r3, r4, r5);
        Steps++;
    }

    public double StartOf(int step) => _start[step];

    public double LengthOf(int step) => _length[step];

    /// <summary>State inside a step, share 0 to 1 of the way. Hairer, Nørsett and Wanner 1993, II.6: y = r1 + θ(r2 + (1−θ)(r3 + θ(r4 +
    /// (1−θ)r5))).</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public BrewState Inside(int step, double share)
    {
        var d = _dense.AsSpan(step * 5, 5);
        var rest = 1 - share;
        return d[0] + (share * (d[1] + (rest * (d[2] + (share * (d[3] + (rest * d[4])))))));
    }

    /// <summary>State at hour <paramref name="t"/>, inside the run; just after an event if one falls there.</summary>
    public BrewState At(double t)
    {
        var i = Array.BinarySearch(_start, 0, Steps, t);
        if (i < 0)
        {
            i = Math.Max(~i - 1, 0);
        }

        return Inside(i, Math.Clamp((t - _start[i]) / _length[i], 0, 1));
    }

    /// <summary>Oxygen at even steps of <paramref name="every"/> hours from 0, into <paramref name="into"/>.</summary>
    public void OxygenEvery(double every, Span<float> into)
    {
        var step = 0;
        for (var i = 0; i < into.Length; i++)
        {
            var t = i * every;
            while (step < Steps - 1 && _start[step] + _length[step] < t)
            {
                step++;
            }

            into[i] = (float)Inside(step, Math.Clamp((t - _start[step]) / _length[step], 0, 1)).O;
        }
    }

    /// <summary>First hour up to <paramref name="until"/> at which <paramref name="what"/> is at or past nought, or null: sampled five
    /// times a step, then halved.</summary>
    public double? FirstPast(Func<BrewState, double> what, double until)
    {
        var before = 0.0;
        for (var step = 0; step < Steps && _start[step] <= until; step++)
        {
            for (var part = 0; part <= 4; part++)
            {
                var t = _start[step] + (_length[step] * part / 4);
                if (t > until)
                {
                    return what(At(until)) >= 0 ? Halve(what, before, until) : null;
                }

                if (what(Inside(step, part / 4.0)) >= 0)
                {
                    return part == 0 ? t : Halve(what, before, t);
                }

                before = t;
            }
        }

        return null;
    }

    private double Halve(Func<BrewState, double> what, double low, double high)
    {
        for (var i = 0; i < 40 && high - low > 1e-7; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = what(At(middle)) >= 0 ? (low, middle) : (middle, high);
        }

        return high;
    }

    /// <summary>The least of <paramref name="what"/> up to <paramref name="until"/>, and when: sampled, then closed in on.</summary>
    public (double Value, double AtH) Least(Func<double, BrewState, double> what, double until)
    {
        var (best, at, width) = (double.PositiveInfinity, 0.0, 0.0);
        for (var step = 0; step < Steps && _start[step] <= until; step++)
        {
            for (var part = 0; part <= 4; part++)
            {
                var t = Math.Min(_start[step] + (_length[step] * part / 4), until);
                var value = what(t, Inside(step, Math.Clamp((t - _start[step]) / _length[step], 0, 1)));
                if (value < best)
                {
                    (best, at, width) = (value, t, _length[step] / 4);
                }
            }
        }

        var (low, high) = (Math.Max(at - width, 0), Math.Min(at + width, until));
        for (var i = 0; i < 30; i++)
        {
            var (a, b) = (low + ((high - low) / 3), high - ((high - low) / 3));
            (low, high) = what(a, At(a)) <= what(b, At(b)) ? (low, b) : (a, high);
        }

        var refined = what((low + high) / 2, At((low + high) / 2));
        return refined < best ? (refined, (low + high) / 2) : (best, at);
    }
}
