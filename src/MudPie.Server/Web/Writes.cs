using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Brewing;

namespace MudPie.Server.Web;

/// <summary>One write, one transaction, done once: a request sent again with the same Idempotency-Key is answered again and not done again.</summary>
public sealed class Writes(IHttpContextAccessor accessor, HoldingDb db, TimeProvider clock, IMemoryCache cache)
{
    /// <summary>Name of the header.</summary>
    public const string Header = "Idempotency-Key";

    /// <summary>Does the work and keeps its answer; a refusal or a failure keeps nothing.</summary>
    public async Task<IResult> Do<T>(Func<Task<Ruling<T>>> work)
    {
        var request = accessor.HttpContext!.Request;
        var key = request.Headers[Header].ToString();
        if (key.Length is < 8 or > 100)
        {
            return Problems.Of(Refusal.Of(Header, "This write carries no key.", $"Send a header {Header} of 8 to 100 characters, new for each write and the same for each retry."));
        }

        var name = $"{request.Method} {request.Path}";
        await using var transaction = await db.Database.BeginTransactionAsync();
        if (await db.Acknowledgements.FindAsync(key) is { } before)
        {
            return before.Request == name
                ? TypedResults.Content(before.Body, "application/json")
                : Problems.Of(Refusal.Of(Header, "This key was used for another request.", "Make a new key for a new write."));
        }

        var ruling = await work();
        if (ruling.Refused is { } refusal)
        {
            return Problems.Of(refusal);
        }

        await db.SaveChangesAsync();
        var body = JsonSerializer.Serialize(ruling.Value, Json.Options);
        db.Acknowledgements.Add(new Acknowledged { Key = key, Request = name, Body = body, At = clock.GetUtcNow() });
        await db.SaveChangesAsync();
        await transaction.CommitAsync();
        KitSnapshot.Forget(cache);
        return TypedResults.Content(body, "application/json");
    }

    /// <summary>Shorthand for a plain value.</summary>
    public static Ruling<T> Done<T>(T value) => Worked.Of(value, "", Evidence.MeasuredHere);
}

/// <summary>The number of what was kept.</summary>
public sealed record Kept(int Id);
