using System.Globalization;
using System.Text.Json;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;

namespace MudPie.Server.Web;

/// <summary>What one window shows of a thing that two windows changed.</summary>
/// <param name="Field">Which field.</param>
/// <param name="Yours">What this window would have written.</param>
/// <param name="Theirs">What stands now.</param>
public sealed record ChangedField(string Field, string? Yours, string? Theirs);

/// <summary>Whose change stands.</summary>
/// <param name="By">Their name; null where nobody has to sign in.</param>
/// <param name="At">When it was received.</param>
public sealed record ChangedBy(string? By, DateTimeOffset At);

/// <summary>Changes are made to the state that was seen, or not at all.</summary>
public static class Versions
{
    /// <summary>Holds a change to the version that whoever makes it has seen. To be called before anything of it is changed.</summary>
    /// <param name="db">The holding.</param>
    /// <param name="thing">What is changed; one that was just added has no version to see.</param>
    /// <param name="seen">Its version as it was read; null is refused.</param>
    /// <param name="checks">Where a refusal is noted.</param>
    public static void Seen(this HoldingDb db, IVersioned thing, Guid? seen, Checks checks)
    {
        var entry = db.Entry(thing);
        if (entry.State == EntityState.Added)
        {
            return;
        }

        if (seen is not { } version)
        {
            checks.Add("version", "It is not said which state of it you changed.", "Load it again, and make your change once more.");
            return;
        }

        entry.Property(nameof(IVersioned.Version)).OriginalValue = version;
    }

    /// <summary>A 409 that says what the other window wrote and who sat at it, and what this one would have written, in a grower's words
    /// and units; and the version that stands now, so that whoever has seen both can choose.</summary>
    public static async Task<ProblemDetails> Clash(DbUpdateConcurrencyException clash, UnitSystem units, CancellationToken stop)
    {
        List<ChangedField> both = [];
        var gone = false;
        Guid? version = null;
        ChangedBy? whose = null;
        if (clash.Entries is [var entry, ..])
        {
            var theirs = await entry.GetDatabaseValuesAsync(stop);
            gone = theirs is null;
            version = theirs?.GetValue<Guid>(nameof(IVersioned.Version));
            whose = theirs is not null && entry.Metadata.FindProperty(Deed.Changed) is not null
                && theirs.GetValue<int?>(Deed.Changed) is { } written
                ? await entry.Context.Set<Deed>().AsNoTracking().Where(d => d.Id == written).Select(d => new ChangedBy(d.By, d.At))
                    .FirstOrDefaultAsync(stop) : null;
            both = theirs is null ? [] : [.. entry.CurrentValues.Properties
                .Where(p => p.Name is not (nameof(IVersioned.Version) or Deed.Changed)
                    && !Equals(entry.CurrentValues[p.Name], theirs[p.Name]))
                .Select(p => new ChangedField(JsonNamingPolicy.CamelCase.ConvertName(p.Name),
                    Text(p.Name, entry.CurrentValues[p.Name], units), Text(p.Name, theirs[p.Name], units)))];
        }

        return new ProblemDetails {
            Status = 409,
            Title = gone ? "Somebody else took this away while you had it open."
                : $"{whose?.By ?? "Somebody else"} changed this while you had it open.",
            Detail = "Nothing was "
                + "overwritten."
                + $"{string.Concat(both.Where(b => !both.Any(x => x.Field == Plain(b.Field) + "Typed")).Take(6)
                    .Select(b => $" Its {Words(b.Field)} is now “{b.Theirs ?? "nothing"}”, you had “{b.Yours ?? "nothing"}”."))}"
                    + " Load it again, and make your change once more.",
            Extensions = { ["both"] = both, ["version"] = version, ["whose"] = whose },
        };
    }

    // What a field's name ends in says what it is measured in.
    private static readonly (string End, Dimension Of)[] Measured = [("Lpm", Dimension.Flow), ("KPa", Dimension.Pressure),
        ("M2", Dimension.Area), ("L", Dimension.Volume), ("M", Dimension.Length), ("C", Dimension.Temperature)];

    private static readonly Dictionary<string, string> Called = new(StringComparer.OrdinalIgnoreCase) {
        ["open"] = "open flow",
        ["shutOff"] = "greatest pressure",
        ["loss"] = "pressure it takes",
        ["working"] = "working volume",
        ["total"] = "whole volume",
        ["tank"] = "tank",
        ["soilPh"] = "soil pH",
        ["batteryHours"] = "hours on its battery",
    };

    /// <summary>"areaM2" without its unit: what a field of the typed words is called after.</summary>
    private static string Plain(string field) => field.Length > 3
        && Measured.FirstOrDefault(m => field.EndsWith(m.End, StringComparison.Ordinal)) is { End: { } end } ? field[..^end.Length] : field;

    /// <summary>"growingSince" as "growing since", "areaTyped" as "area", "openLpm" as "open flow".</summary>
    private static string Words(string field)
    {
        var plain = Plain(field.EndsWith("Typed", StringComparison.Ordinal) ? field[..^5] : field);
        return Called.GetValueOrDefault(plain)
            ?? string.Concat(plain.Select(c => char.IsUpper(c) ? $" {char.ToLowerInvariant(c)}" : $"{c}"));
    }

    private static string? Text(string field, object? value, UnitSystem units) =>
        value is double si && Measured.FirstOrDefault(m => field.EndsWith(m.End, StringComparison.Ordinal)) is { End: not null } measured
            ? Units.Show(si, measured.Of, units)
        : value is bool yes ? yes ? "yes" : "no"
        : Text(value);

    private static string? Text(object? value) => value switch {
        null => null,
        DateTimeOffset at => at.ToUniversalTime().ToString("yyyy-MM-dd HH:mm 'UTC'", CultureInfo.InvariantCulture),
        string { Length: > 120 } text => text[..120] + "…",
        IFormattable f => f.ToString(null, CultureInfo.InvariantCulture),
        _ => value.ToString(),
    };
}
