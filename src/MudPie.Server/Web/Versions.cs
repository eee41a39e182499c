using System.Globalization;
using System.Text.Json;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Records;

namespace MudPie.Server.Web;

/// <summary>What one window shows of a thing that two windows changed.</summary>
/// <param name="Field">Which field.</param>
/// <param name="Yours">What this window would have written.</param>
/// <param name="Theirs">What stands now.</param>
public sealed record ChangedField(string Field, string? Yours, string? Theirs);

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

    /// <summary>A 409 that says what the other window wrote, and what this one would have written.</summary>
    public static async Task<ProblemDetails> Clash(DbUpdateConcurrencyException clash, CancellationToken stop)
    {
        List<ChangedField> both = [];
        var gone = false;
        if (clash.Entries is [var entry, ..])
        {
            var theirs = await entry.GetDatabaseValuesAsync(stop);
            gone = theirs is null;
            both = theirs is null ? [] : [.. entry.CurrentValues.Properties
                .Where(p => p.Name != nameof(IVersioned.Version) && !Equals(entry.CurrentValues[p.Name], theirs[p.Name]))
                .Select(p => new ChangedField(JsonNamingPolicy.CamelCase.ConvertName(p.Name), Text(entry.CurrentValues[p.Name]), Text(theirs[p.Name])))];
        }

        return new ProblemDetails
        {
            Status = 409,
            Title = gone ? "Somebody else took this away while you had it open." : "Somebody else changed this while you had it open.",
            Detail = $"Nothing was overwritten.{string.Concat(both.Where(b => !both.Any(x => x.Field == Plain(b.Field) + "Typed")).Take(6).Select(b => $" Its {Words(b.Field)} is now “{b.Theirs ?? "nothing"}”, you had “{b.Yours ?? "nothing"}”."))} Load it again, and make your change once more.",
            Extensions = { ["both"] = both },
        };
    }

    /// <summary>"areaM2" without its unit: what a field of the typed words is called after.</summary>
    private static string Plain(string field) => field.EndsWith("M2", StringComparison.Ordinal) ? field[..^2] : field;

    /// <summary>"soilPh" as "soil ph", "areaTyped" as "area".</summary>
    private static string Words(string field) => string.Concat((field.EndsWith("Typed", StringComparison.Ordinal) ? field[..^5] : field).Select(c => char.IsUpper(c) ? $" {char.ToLowerInvariant(c)}" : $"{c}"));

    private static string? Text(object? value) => value switch
    {
        null => null,
        DateTimeOffset at => at.ToUniversalTime().ToString("yyyy-MM-dd HH:mm 'UTC'", CultureInfo.InvariantCulture),
        string { Length: > 120 } text => text[..120] + "…",
        IFormattable f => f.ToString(null, CultureInfo.InvariantCulture),
        _ => value.ToString(),
    };
}
