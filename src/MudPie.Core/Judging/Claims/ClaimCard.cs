using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Claims;

/// <summary>A thing that people say, and how sure it is.</summary>
public sealed record ClaimCard
{
    /// <summary>Its stable name: "dark-tea"; a grower's own begins with "own-".</summary>
    public required string Key { get; init; }

    /// <summary>The claim in one sentence.</summary>
    public required string Claim { get; init; }

    /// <summary>Who says so: a school, never a person.</summary>
    public required string Saying { get; init; }

    /// <summary>For which uses it is said.</summary>
    public required IReadOnlyList<ClaimUse> Uses { get; init; }

    /// <summary>For which crops and soils it was looked at.</summary>
    public required string Fits { get; init; }

    /// <summary>How large the effect is where it was measured.</summary>
    public required string Size { get; init; }

    /// <summary>How sure.</summary>
    public required Evidence Grade { get; init; }

    /// <summary>What that does not cover.</summary>
    public required string Limits { get; init; }

    /// <summary>What would change our mind.</summary>
    public required string MindChange { get; init; }

    /// <summary>The cheapest next test.</summary>
    public required string NextTest { get; init; }

    /// <summary>What it says would be seen.</summary>
    public ClaimToward Toward { get; init; }

    /// <summary>A trial that comes ready for it; null for none.</summary>
    public string? Template { get; init; }

    /// <summary>Words by which trials and square-metre tests of this holding are known to be of it.</summary>
    public IReadOnlyList<string> Words { get; init; } = [];
}

/// <summary>A card as typed.</summary>
public sealed record ClaimAsked
{
    /// <summary>The claim in one sentence.</summary>
    public string? Claim { get; init; }

    /// <summary>Who says so.</summary>
    public string? Saying { get; init; }

    /// <summary>For which uses.</summary>
    public IReadOnlyList<ClaimUse>? Uses { get; init; }

    /// <summary>For which crops and soils.</summary>
    public string? Fits { get; init; }

    /// <summary>How large.</summary>
    public string? Size { get; init; }

    /// <summary>How sure.</summary>
    public Evidence? Grade { get; init; }

    /// <summary>What that does not cover.</summary>
    public string? Limits { get; init; }

    /// <summary>What would change your mind.</summary>
    public string? MindChange { get; init; }

    /// <summary>The cheapest next test.</summary>
    public string? NextTest { get; init; }

    /// <summary>What it says would be seen.</summary>
    public ClaimToward? Toward { get; init; }

    /// <summary>Words by which results here are known, with commas between.</summary>
    public string? Words { get; init; }
}

/// <summary>A result that was laid in.</summary>
/// <param name="Key">Of which claim.</param>
/// <param name="Says">What it says of it.</param>
/// <param name="Text">In words.</param>
/// <param name="On">When.</param>
/// <param name="Of">From where: "trial", "square metre", "sheets", "counts", "neighbour".</param>
/// <param name="Id">Its number there; null for none.</param>
public sealed record ClaimFound(string Key, FoundSays Says, string Text, DateOnly On, string Of, int? Id);

/// <summary>Reads a card that was typed.</summary>
public static class ClaimReading
{
    /// <summary>Most letters of a line.</summary>
    public const int MostLetters = 400;

    /// <summary>A card as it would be typed.</summary>
    /// <param name="c">The card, of a file perhaps: any part of it may be missing.</param>
    public static ClaimAsked Asked(ClaimCard c) => new() {
        Claim = c.Claim, Saying = c.Saying, Uses = c.Uses, Fits = c.Fits, Size = c.Size, Grade = c.Grade, Limits = c.Limits,
        MindChange = c.MindChange, NextTest = c.NextTest, Toward = c.Toward, Words = string.Join(',', c.Words ?? []),
    };

    /// <summary>Reads it.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="key">Its stable name.</param>
    /// <param name="house">The house's card that it changes; null for one of the grower's own.</param>
    /// <remarks>Refused by name: no claim, no use, no grade, a line of more than 400 letters. Lines that may be unknown stay "not said".
    /// </remarks>
    public static Ruling<ClaimCard> Of(ClaimAsked r, string key, ClaimCard? house)
    {
        var checks = new Checks();
        string Line(string field, string? typed, string? wanting)
        {
            var text = typed?.Trim() ?? "";
            if (text.Length > MostLetters)
            {
                checks.Add(field, "That is too long.", $"Up to {MostLetters} letters.");
            }
            else if (text.Length == 0 && wanting is not null)
            {
                checks.Add(field, "Nothing was written.", wanting);
            }

            return text.Length == 0 ? "not said" : text;
        }

        var claim = Line("claim", r.Claim, "Put the claim in one sentence.");
        if (r.Uses is null or { Count: 0 })
        {
            checks.Add("uses", "No use was chosen.", "A thing may fail one use and pass another: say which.");
        }

        if (r.Grade is null)
        {
            checks.Add("grade", "Nothing says how sure it is.", "Choose; “contested” where people disagree.");
        }

        List<string> words = [.. (r.Words ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Select(w => w.ToLowerInvariant()).Distinct()];
        if (words.Count > 12 || words.Any(w => w.Length is < 3 or > 40))
        {
            checks.Add("words", "Those can’t be looked for.", "Up to twelve words of 3 to 40 letters, with commas between.");
        }

        var card = new ClaimCard {
            Key = key, Claim = claim, Saying = Line("saying", r.Saying, null), Uses = [.. (r.Uses ?? []).Distinct()],
            Fits = Line("fits", r.Fits, null), Size = Line("size", r.Size, null), Grade = r.Grade ?? Evidence.Contested,
            Limits = Line("limits", r.Limits, null), MindChange = Line("mindChange", r.MindChange, null),
            NextTest = Line("nextTest", r.NextTest, null), Toward = r.Toward ?? house?.Toward ?? ClaimToward.Good,
            Template = house?.Template, Words = words,
        };
        return checks.Sound ? Worked.Of(card, "", card.Grade) : checks.Refusal;
    }
}
