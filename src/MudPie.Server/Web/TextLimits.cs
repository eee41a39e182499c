namespace MudPie.Server.Web;

/// <summary>How long a text may be, by the field that it comes in: one table for every request. A longer one is refused before any rule
/// reads it.</summary>
public static class TextLimits
{
    /// <summary>Of a field that the table does not name: an amount, a name, a word, a time.</summary>
    public const int Usual = 400;

    /// <summary>Of what a grower writes in sentences.</summary>
    public const int Prose = 4_000;

    /// <summary>Of a whole file that comes as text.</summary>
    public const int WholeFile = 16_000_000;

    private static readonly Dictionary<string, int> ByField = new(StringComparer.OrdinalIgnoreCase) {
        ["note"] = Prose,
        ["notes"] = Prose,
        ["text"] = Prose,
        ["why"] = Prose,
        ["question"] = Prose,
        ["worth"] = Prose,
        ["labelSays"] = Prose,
        ["value"] = Prose, // what is logged: a note among the figures
        ["readings"] = Prose,
        ["credential"] = 16_000, // of a passkey, as a browser gives it
        ["csv"] = WholeFile,
        ["json"] = WholeFile,
        ["geoJson"] = WholeFile,
        ["BookFileRequest.text"] = WholeFile,
    };

    /// <summary>Most characters that a field takes.</summary>
    /// <param name="type">The request's own name.</param>
    /// <param name="field">The field, in camelCase.</param>
    /// <remarks>"note" takes 4,000, "csv" 16,000,000, "amount" 400.</remarks>
    // what a form took, the book takes back
    public static int Of(string type, string field) => ByField.TryGetValue($"{type}.{field}", out var own)
        ? own : ByField.GetValueOrDefault(field, type == "BookRow" ? Prose : Usual);
}
