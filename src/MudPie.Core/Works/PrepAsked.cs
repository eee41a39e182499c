using MudPie.Core.Almanac;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>A preparation as it is set up; kept whole.</summary>
public sealed record PrepAsked
{
    /// <summary>Its own name: "horns by the hop yard gate".</summary>
    public string? Name { get; init; }

    /// <summary>Which: "500", "clay".</summary>
    public string? Kind { get; init; }

    /// <summary>Of what, in the grower's words: "cow manure of a neighbour".</summary>
    public string? Of { get; init; }

    /// <summary>Into what: "cow horns", "stoneware pot".</summary>
    public string? Sheath { get; init; }

    /// <summary>That is a replacement: no part of an animal's skull, gut or bladder.</summary>
    public bool Replaced { get; init; }

    /// <summary>Horns or pots that go in, as typed.</summary>
    public string? Count { get; init; }

    /// <summary>Where: "4 paces from the post".</summary>
    public string? Place { get; init; }
}

/// <summary>A preparation as it was read.</summary>
/// <param name="Name">Its own name.</param>
/// <param name="Kind">Which.</param>
/// <param name="Sheath">Into what.</param>
/// <param name="Replaced">No part of an animal's skull, gut or bladder.</param>
/// <param name="Count">Horns or pots; null where nobody said.</param>
public sealed record PrepPlan(string Name, Preparation Kind, string Sheath, bool Replaced, int? Count);

/// <summary>How a preparation stands.</summary>
/// <param name="State">How far it has come.</param>
/// <param name="Since">From when; null before it is begun.</param>
/// <param name="In">Horns or pots that went in; null where nobody said.</param>
/// <param name="Out">That came out whole; null before it is lifted.</param>
/// <param name="Span">Its dates; null where nobody said where the holding lies.</param>
/// <param name="LeftSi">Of what was lifted, so much was not stirred yet, kg or L.</param>
/// <param name="Waits">What was stirred or thinned last is not in the book as put out yet.</param>
/// <param name="UseBy">It is used until here; null where nothing waits, or no hour is handed down.</param>
/// <param name="Next">What can be done next.</param>
/// <param name="Verdict">What to do.</param>
/// <param name="Due">What it wants; null for nothing.</param>
public sealed record PrepStands(PrepState State, DateTimeOffset? Since, int? In, int? Out, PreparationSpan? Span, double LeftSi,
    bool Waits, DateTimeOffset? UseBy, IReadOnlyList<WorkStep> Next, Verdict Verdict, WorkDue? Due);

/// <summary>Reads how a preparation was set up.</summary>
public static class PrepReading
{
    /// <summary>Reads it.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    /// <remarks>"500" with "12" horns: twelve; an oak bark without a sheath named is taken to be in a stoneware pot.</remarks>
    public static Ruling<PrepPlan> Of(PrepAsked r, UnitSystem units)
    {
        var fields = new TypedFields(units);
        var name = fields.Name("name", r.Name, "it");
        var kind = Preparations.Find(r.Kind);
        if (kind is null)
        {
            fields.Checks.Add("kind", $"“{(r.Kind ?? "").Trim()}” is no preparation that is known here.",
                $"Choose {Say.Any([.. Preparations.All.Select(p => p.Id)])}.");
        }

        WorkFields.Text(fields.Checks, "of", r.Of, Names.Most);
        WorkFields.Text(fields.Checks, "place", r.Place, WorkFields.MostNote);
        var sheath = WorkFields.Text(fields.Checks, "sheath", r.Sheath, Names.Most);
        var count = Count(fields, "count", r.Count);
        return fields.Checks.Sound
            ? Worked.Of(new PrepPlan(name, kind!, sheath ?? (r.Replaced ? kind!.Instead ?? kind.Sheath : kind!.Sheath), r.Replaced,
                count), "",
                Evidence.PractitionersRule)
            : fields.Checks.Refusal;
    }

    /// <summary>A whole number of horns or pots; null where nothing was typed.</summary>
    internal static int? Count(TypedFields fields, string field, string? typed)
    {
        var read = fields.Optional(field, typed, Dimension.Plain, 0, 10_000, "Give a whole number of horns or pots.");
        if (read is { } n && n != Math.Floor(n))
        {
            fields.Checks.Add(field, "That is no whole number.", "Give a whole number of horns or pots.");
        }

        return read is { } whole ? (int)whole : null;
    }
}
