namespace MudPie.Core.Workings;

/// <summary>What was wrong with one field, and what would do.</summary>
/// <param name="Field">The field's name as the caller knows it, in camelCase: "temperatureC", "foods[1].ml".</param>
/// <param name="Wrong">What was wrong, with the value that was given.</param>
/// <param name="WayOut">What would be accepted, or what to do instead.</param>
/// <param name="Ask">A question that the screen can ask at once to settle it for good: "gallons"; else null.</param>
public sealed record FieldProblem(string Field, string Wrong, string WayOut, string? Ask = null)
{
    /// <inheritdoc/>
    public override string ToString() => $"{Wrong} {WayOut}";
}

/// <summary>An answer of "no", as a value: which fields, what was wrong, what would do.</summary>
/// <param name="Problems">At least one.</param>
public sealed record Refusal(IReadOnlyList<FieldProblem> Problems)
{
    /// <summary>A refusal over one field.</summary>
    public static Refusal Of(string field, string wrong, string wayOut) => new([new FieldProblem(field, wrong, wayOut)]);

    /// <inheritdoc/>
    public override string ToString() => string.Join(" ", Problems.Select(p => $"{p.Field}: {p}"));
}

/// <summary>Either a worked value or a refusal. A rule of the job returns this and never throws for what a grower typed.</summary>
/// <typeparam name="T">The kind of value.</typeparam>
public sealed class Ruling<T>
{
    private readonly Worked<T>? _worked;
    private readonly Refusal? _refusal;

    private Ruling(Worked<T>? worked, Refusal? refusal) => (_worked, _refusal) = (worked, refusal);

    /// <summary>The refusal, or null when there is a value.</summary>
    public Refusal? Refused => _refusal;

    /// <summary>The worked value; asking for it after a refusal is a programmer's mistake and throws.</summary>
    public Worked<T> Worked => _worked ?? throw new InvalidOperationException($"Refused: {_refusal}");

    /// <summary>The bare value; see <see cref="Worked"/>.</summary>
    public T Value => Worked.Value;

    /// <summary>Takes one road or the other.</summary>
    public TResult Match<TResult>(Func<Worked<T>, TResult> worked, Func<Refusal, TResult> refused) =>
        _refusal is null ? worked(_worked!) : refused(_refusal);

    /// <summary>A worked value is a ruling.</summary>
    public static implicit operator Ruling<T>(Worked<T> worked) => new(worked, null);

    /// <summary>A refusal is a ruling.</summary>
    public static implicit operator Ruling<T>(Refusal refusal) => new(null, refusal);
}

/// <summary>Collects what is wrong with a question's fields, so that the grower is told all of it at once.</summary>
public sealed class Checks
{
    private readonly List<FieldProblem> _problems = [];

    /// <summary>True while nothing has been found wrong.</summary>
    public bool Sound => _problems.Count == 0;

    /// <summary>All that was found, as one refusal.</summary>
    public Refusal Refusal => new(_problems);

    /// <summary>Notes one problem.</summary>
    public Checks Add(FieldProblem problem)
    {
        _problems.Add(problem);
        return this;
    }

    /// <summary>Notes one problem.</summary>
    public Checks Add(string field, string wrong, string wayOut)
    {
        _problems.Add(new FieldProblem(field, wrong, wayOut));
        return this;
    }

    /// <summary>Takes over the problems of another refusal, under a prefix such as "vessel.".</summary>
    public Checks Add(Refusal refusal, string prefix = "")
    {
        _problems.AddRange(refusal.Problems.Select(p => p with { Field = prefix + p.Field }));
        return this;
    }

    /// <summary>A choice that must be made; returns it, or the first of its idea when it is refused.</summary>
    /// <param name="field">The field's name.</param>
    /// <param name="value">What was chosen; null where nothing was.</param>
    /// <param name="wrong">What is said where nothing was.</param>
    public T One<T>(string field, T? value, string wrong = "Nothing was chosen.")
        where T : struct, Enum
    {
        if (value is null)
        {
            Add(field, wrong, $"Choose {Say.Any(Words.All<T>())}.");
        }

        return value ?? default;
    }

    /// <summary>A time within the last two years and not after now (five minutes' grace for clocks that differ).</summary>
    /// <param name="field">The field's name.</param>
    /// <param name="at">When it was so; now where not given.</param>
    /// <param name="now">Now.</param>
    public DateTimeOffset Past(string field, DateTimeOffset? at, DateTimeOffset now)
    {
        var when = at ?? now;
        if (when > now.AddMinutes(5) || when < now.AddYears(-2))
        {
            Add(field, when > now ? "That time has not come yet." : "That is more than two years ago.",
                "Give the time at which it was so.");
        }

        return when;
    }

    /// <summary>A number that must be there, finite, and within [low, high]; returns it, or <paramref name="low"/> when it is
    /// refused.</summary>
    /// <param name="field">The field's name.</param>
    /// <param name="value">What was given.</param>
    /// <param name="low">Lowest accepted, in <paramref name="unit"/>.</param>
    /// <param name="high">Highest accepted, in <paramref name="unit"/>.</param>
    /// <param name="unit">The unit, for the message.</param>
    /// <param name="wayOut">What to do if it is out of range; null for a plain "give a figure between".</param>
    public double Range(string field, double? value, double low, double high, string unit, string? wayOut = null)
    {
        var range = $"Give a figure from {Say.Number(low)} to {Say.Number(high)}{Say.Unit(unit)}.";
        if (value is not { } v)
        {
            Add(field, "Nothing was given.", wayOut ?? range);
        }
        else if (!double.IsFinite(v))
        {
            Add(field, "That is not a number.", range);
        }
        else if (v < low || v > high)
        {
            Add(field, $"{Say.Number(v)}{Say.Unit(unit)} is {(v < low ? "too little" : "too much")}.", wayOut is null
                ? range : $"{range} {wayOut}");
        }
        else
        {
            return v;
        }

        return low;
    }
}
