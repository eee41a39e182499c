namespace MudPie.Core.Workings;

/// <summary>How sure a rule is, from the ground up. Shown beside every figure.</summary>
public enum Evidence
{
    /// <summary>Read with an instrument on this holding.</summary>
    MeasuredHere,

    /// <summary>Follows from chemistry or physics.</summary>
    ChemistryOrPhysics,

    /// <summary>Supported by published trials.</summary>
    PublishedTrials,

    /// <summary>What practitioners do; not tested for this place.</summary>
    PractitionersRule,

    /// <summary>Practitioners or trials disagree.</summary>
    Contested,
}

/// <summary>One line of a sum, as a careful person would write it on an envelope.</summary>
/// <param name="Name">What is being worked out, for example "air at depth".</param>
/// <param name="Formula">The formula in words or symbols.</param>
/// <param name="Figures">The figures put in, with units.</param>
/// <param name="Result">What came out, with its unit.</param>
/// <param name="Source">Where the formula or the figure is from.</param>
public sealed record WorkingLine(string Name, string Formula, string Figures, string Result, string Source);

/// <summary>A danger, said at the moment it matters.</summary>
/// <param name="Id">Stable name, so that "seen" can be kept.</param>
/// <param name="Text">What to do or not do.</param>
/// <param name="LocalRule">The line that defers to local codes, labels and licensed people.</param>
public sealed record Caution(string Id, string Text, string LocalRule);

/// <summary>One school's answer at a fork.</summary>
/// <param name="Id">Stable name of the school.</param>
/// <param name="Name">How the school puts it.</param>
/// <param name="Gives">What it would have given here.</param>
public sealed record School(string Id, string Name, string Gives);

/// <summary>A question that practitioners answer differently, with what each would have given here.</summary>
/// <param name="Id">Stable name, for the grower's choice.</param>
/// <param name="Question">The question in one line.</param>
/// <param name="Schools">Each school with its answer.</param>
/// <param name="House">Id of the school that Mud Pie takes unless told otherwise.</param>
/// <param name="Chosen">Id of the school in force for this figure.</param>
/// <param name="Why">Why the house choice.</param>
/// <param name="Sure">How sure the house choice is.</param>
/// <param name="Changes">What hangs on it.</param>
public sealed record Fork(
    string Id,
    string Question,
    IReadOnlyList<School> Schools,
    string House,
    string Chosen,
    string Why,
    Evidence Sure,
    string Changes);

/// <summary>A value with its unit, the working behind it, the cautions it raises, the forks it hung on and how sure it is.</summary>
/// <typeparam name="T">The kind of value.</typeparam>
public sealed record Worked<T>(
    T Value,
    string Unit,
    IReadOnlyList<WorkingLine> Working,
    IReadOnlyList<Caution> Cautions,
    IReadOnlyList<Fork> Forks,
    Evidence Sure)
{
    /// <summary>The same working around another value: for a figure read off a larger one.</summary>
    public Worked<TOther> With<TOther>(TOther value, string unit) => new(value, unit, Working, Cautions, Forks, Sure);
}

/// <summary>Shorthand for building a <see cref="Worked{T}"/>.</summary>
public static class Worked
{
    /// <summary>A worked value; leave out what does not apply.</summary>
    public static Worked<T> Of<T>(
        T value,
        string unit,
        Evidence sure,
        IEnumerable<WorkingLine>? working = null,
        IEnumerable<Caution>? cautions = null,
        IEnumerable<Fork>? forks = null) =>
        new(value, unit, [.. working ?? []], [.. cautions ?? []], [.. forks ?? []], sure);
}
