using System.Globalization;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Claims;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>A result beside a claim, with the page that it lies on.</summary>
public sealed record ClaimFoundView(FoundSays Says, string Text, DateOnly On, string Of, string? Link);

/// <summary>A claim as it is shown.</summary>
/// <param name="Card">The card.</param>
/// <param name="Change">Which change of it counts; null where the house's was never changed.</param>
/// <param name="House">It is as the house wrote it.</param>
/// <param name="Known">The house has a card of it, to go back to.</param>
/// <param name="Found">What was found, newest first.</param>
/// <param name="Sum">In a sentence.</param>
public sealed record ClaimView(ClaimCard Card, int? Change, bool House, bool Known, IReadOnlyList<ClaimFoundView> Found, string Sum);

/// <summary>A card is written or changed.</summary>
/// <param name="Key">Of one that is changed; null for a new one.</param>
/// <param name="Change">The change that it goes from, as it was read; null for none.</param>
/// <param name="Asked">The card.</param>
public sealed record ClaimKeepRequest(string? Key, int? Change, ClaimAsked? Asked);

/// <summary>A card is put away: the house's counts again, where there is one.</summary>
public sealed record ClaimAwayRequest(string? Key, int? Change);

/// <summary>A neighbour's file.</summary>
/// <param name="Json">Its text.</param>
/// <param name="From">Who sent it; empty for what the file says.</param>
public sealed record ClaimFileRequest(string? Json, string? From);

/// <summary>A result in a file.</summary>
public sealed record ClaimFileFound(string? Key, FoundSays? Says, string? Text, DateOnly? On);

/// <summary>Claims and results as a file; described in docs/formats/claims.md.</summary>
public sealed record ClaimFile(string? Form, string? From, IReadOnlyList<ClaimCard>? Cards, IReadOnlyList<ClaimFileFound>? Found);

/// <summary>What people say, how sure it is, what was found here and at the neighbours'.</summary>
public static class ClaimEndpoints
{
    /// <summary>The form of the file.</summary>
    public const string Form = "mud-pie-claims/1";

    /// <summary>What can be asked and done.</summary>
    public static void MapClaims(this IEndpointRouteBuilder api)
    {
        api.MapGet("/judge/claims", Read).ForVisitor("What people say, how sure it is, and what was found here.");
        api.MapPost("/judge/claims", Keep).ForHand("A claim is written, or a card changed.");
        api.MapPost("/judge/claims/away", Away).ForHand("A card is put away; the house’s counts again.");
        api.MapGet("/judge/claims/file", Out).ForVisitor("Own cards and what was found here, as a file for neighbours.");
        api.MapPost("/judge/claims/file", In).ForHand("A neighbour’s file: its results are laid beside the claims.");
    }

    private static async Task<Ok<List<ClaimView>>> Read(ClaimDesk desk, CancellationToken stop)
    {
        var cards = await desk.Cards();
        var found = await desk.Found([.. cards.Select(c => c.Card)], stop);
        return TypedResults.Ok(cards.Select(c => new ClaimView(c.Card, c.Change, c.House, ClaimCards.House.Any(h => h.Key == c.Card.Key),
            [.. found[c.Card.Key].Select(f => new ClaimFoundView(f.Says, f.Text, f.On, f.Of, Link(f)))],
            ClaimFinds.Sum([.. found[c.Card.Key]]))).ToList());
    }

    private static string? Link(ClaimFound f) => (f.Of, f.Id) switch {
        ("trial", { } id) => $"/judge/trials/{id}",
        ("square metre", _) => "/judge/patches",
        ("sheets", { } id) => $"/make/sheet/{id}",
        ("counts", _) => "/look/leaves",
        _ => null,
    };

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(ClaimKeepRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (r.Asked is not { } asked)
        {
            return Refusal.Of("asked", "Nothing was written.", "Load the page again.");
        }

        var own = await db.Claims.Select(c => c.Key).Distinct().CountAsync();
        var house = ClaimCards.House.FirstOrDefault(h => h.Key == r.Key);
        var key = r.Key ?? await Free(db);
        if (await Wrong(r.Key, r.Change, house, db) is { } wrong)
        {
            return wrong;
        }

        if (r.Key is null && own >= 200)
        {
            return Refusal.Of("claim", "Two hundred claims are kept already.", "Put some away first.");
        }

        var read = ClaimReading.Of(asked, key, house);
        if (read.Refused is { } no)
        {
            return no;
        }

        var kept = db.Claims.Add(new OwnClaim { Key = key, Card = read.Value, At = clock.Now }).Entity;
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(kept.Id));
    });

    /// <summary>A key that no claim has.</summary>
    private static async Task<string> Free(HoldingDb db) =>
        $"own-{((await db.Claims.MaxAsync(c => (int?)c.Id) ?? 0) + 1).ToString(CultureInfo.InvariantCulture)}";

    private static async Task<Refusal?> Wrong(string? key, int? change, ClaimCard? house, HoldingDb db)
    {
        if (key is null)
        {
            return null;
        }

        var newest = await db.Claims.Where(c => c.Key == key).MaxAsync(c => (int?)c.Id);
        return house is null && newest is null ? Refusal.Of("key", "That claim is not there.", "Load the page again.")
            : newest != change ? Refusal.Of("change", "It was changed in another window since.", "Load the page again: nothing is lost.")
            : null;
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Away(ClaimAwayRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (r.Key is null || await Wrong(r.Key, r.Change, null, db) is not null and var wrong)
        {
            return Refusal.Of(r.Key is null ? "key" : "change", r.Key is null ? "No claim was named."
                : "It was changed since, or is as the "
                + "house wrote it.", "Load the page again.");
        }

        var kept = db.Claims.Add(new OwnClaim { Key = r.Key, Card = null, At = clock.Now }).Entity;
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(kept.Id));
    });

    private static async Task<FileContentHttpResult> Out(ClaimDesk desk, HoldingDb db, HttpResponse response, CancellationToken stop)
    {
        var cards = await desk.Cards();
        var found = await desk.Found([.. cards.Select(c => c.Card)], stop);
        var name = await db.Holdings.AsNoTracking().Select(h => h.Name).FirstOrDefaultAsync(stop) ?? "a holding";
        // What neighbours sent stays with whom it was sent to.
        var file = new ClaimFile(Form, name, [.. cards.Where(c => !c.House).Select(c => c.Card)],
            [.. cards.SelectMany(c => found[c.Card.Key])
            .Where(f => f.Of != "neighbour").Select(f => new ClaimFileFound(f.Key, f.Says, f.Text, f.On))]);
        response.Headers.CacheControl = "no-store";
        return TypedResults.File(JsonSerializer.SerializeToUtf8Bytes(file, Pretty), "application/json", "claims.json");
    }

    private static readonly JsonSerializerOptions Pretty = new(Json.Options) { WriteIndented = true };

    private static Task<Results<Written<Kept>, Refused, Clash>> In(ClaimFileRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var read = Parse(r);
        if (read.Refused is { } no)
        {
            return no;
        }

        var file = read.Value;
        var own = await db.Claims.AsNoTracking().OrderBy(c => c.Id).ToListAsync();
        var keys = own.Select(c => c.Key).Concat(ClaimCards.House.Select(h => h.Key)).ToHashSet();
        // A claim of the neighbour's own comes along under a key of its own; one that is known keeps the card that is here.
        var named = new Dictionary<string, string>();
        foreach (var (theirs, card) in file.Cards)
        {
            var key = own.LastOrDefault(c => c.Card?.Claim == card.Claim)?.Key;
            if (key is null)
            {
                key = await Free(db);
                own.Add(db.Claims.Add(new OwnClaim { Key = key, Card = card with { Key = key }, At = clock.Now }).Entity);
                await db.SaveChangesAsync();
            }

            named[theirs] = key;
            keys.Add(key);
        }

        var there = (await db.ClaimFindings.AsNoTracking().ToListAsync()).Select(f => (f.Key, f.From, f.Text, f.On)).ToHashSet();
        List<ClaimFinding> news = [.. file.Found.Select(f => new ClaimFinding { Key = named.GetValueOrDefault(f.Key!) ?? f.Key!,
            From = file.From, Says = f.Says!.Value, Text = f.Text!.Trim(), On = f.On!.Value, RecordedAt = clock.Now })
            .Where(f => keys.Contains(f.Key) && there.Add((f.Key, f.From, f.Text, f.On)))];
        db.ClaimFindings.AddRange(news);
        await db.SaveChangesAsync();
        return news.Count > 0 || named.Count > 0 ? Writes.Done(new Kept(news.Count > 0 ? news[^1].Id : 0)) : Refusal.Of("json",
            file.Found.Count == 0 ? "There are no results in it." : "All of it is here already, or of claims that nobody here knows.",
            "Choose another file.");
    });

    /// <summary>A neighbour's file, as it may be taken: cards that the house has not, by the neighbour's keys; and results.</summary>
    private sealed record Neighbours(string From, IReadOnlyList<(string Key, ClaimCard Card)> Cards, IReadOnlyList<ClaimFileFound> Found);

    private static Ruling<Neighbours> Parse(ClaimFileRequest r)
    {
        ClaimFile? file = null;
        try
        {
            file = string.IsNullOrWhiteSpace(r.Json) || r.Json.Length > 1_000_000 ? null
                : JsonSerializer.Deserialize<ClaimFile>(r.Json, Json.Options);
        }
        catch (JsonException e)
        {
            return Refusal.Of("json", $"It is no file of claims: {e.Path ?? "its beginning"}, line {(e.LineNumber ?? 0) + 1}.",
                "Ask the neighbour for the file that Mud Pie writes.");
        }

        if (file is not { Form: Form })
        {
            return Refusal.Of("json", string.IsNullOrWhiteSpace(r.Json) ? "There is no file." : "It is no file of claims.",
                $"It says “form”: “{Form}”.");
        }

        var checks = new Checks();
        if ((file.Found ?? []).Count > 500 || (file.Cards ?? []).Count > 60)
        {
            checks.Add("json", "It holds more than 500 results or 60 cards.", "Ask for a smaller one.");
        }

        for (var i = 0; i < Math.Min((file.Found ?? []).Count, 500); i++)
        {
            if (file.Found![i] is not {
                Key.Length: > 0 and <= 60, Says: not null, Text.Length: > 0 and <= 600,
                On.Year: > 1950 and < 2100
            })
            {
                checks.Add("json", $"found[{i}] lacks its key, what it says, its text or its day.", "See docs/formats/claims.md.");
            }
        }

        List<(string, ClaimCard)> cards = [];
        for (var i = 0; i < Math.Min((file.Cards ?? []).Count, 60); i++)
        {
            var c = file.Cards![i];
            var card = c is { Key.Length: > 0 and <= 60 } ? ClaimReading.Of(ClaimReading.Asked(c), c.Key, null)
                : Refusal.Of("key", "It has no key.", "");
            if (card.Refused is { } no)
            {
                checks.Add("json", $"cards[{i}] is no card: {no.Problems[0].Wrong}", "See docs/formats/claims.md.");
            }
            else if (ClaimCards.House.All(h => h.Key != c.Key))
            {
                cards.Add((c.Key, card.Value));
            }
        }

        var from = r.From?.Trim() is { Length: > 0 } who ? who : file.From?.Trim() ?? "";
        if (from.Length is 0 or > Names.Most)
        {
            checks.Add("from", from.Length == 0 ? "Nothing says who sent it." : "That name is too long.",
                "Say who: “the orchard up the lane”.");
        }

        return checks.Sound ? Worked.Of(new Neighbours(from, cards, file.Found ?? []), "", Evidence.PractitionersRule)
            : checks.Refusal;
    }
}
