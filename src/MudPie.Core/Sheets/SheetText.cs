using System.Text.RegularExpressions;

using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>What was pasted, as rows; and the lines that say nothing that is known.</summary>
public sealed record SheetPasted(IReadOnlyList<SheetRow> Rows, IReadOnlyList<string> Left);

/// <summary>Reads a sheet that was pasted, or the text of a CSV.</summary>
public static partial class SheetText
{
    /// <summary>Most letters that are read.</summary>
    public const int Most = 20_000;

    /// <summary>Line by line: what, how much, in what. Columns may stand apart by tabs, semicolons, commas or spaces.</summary>
    /// <param name="text">As pasted.</param>
    /// <param name="of">What the sheet is of: of a plant, per cents are of dry matter, and a line such as “old leaves” says which follow.
    /// </param>
    /// <remarks>"Phosphorus (P); 18; ppm" and "P 18 ppm": P, 18, ppm. "Zn &lt;0.5 mg/kg": Zn, &lt; 0.5. "Sand 40 %" is left, and
    /// said.</remarks>
    public static Ruling<SheetPasted> Read(string? text, SheetOf of = SheetOf.Bed)
    {
        if (string.IsNullOrWhiteSpace(text) || text.Length > Most)
        {
            return Refusal.Of("text", string.IsNullOrWhiteSpace(text) ? "Nothing was pasted." : "That is too long for a sheet.",
                "Paste its lines: what, how much, in what.");
        }

        var rows = new List<SheetRow>();
        var left = new List<string>();
        LeafAge? age = null;
        foreach (var line in text.Split(['\r', '\n'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Take(300))
        {
            var said = of.OfPlant() ? AgeIn(line) : null;
            if (Row(said is null ? line : Aged().Replace(line, " ").Trim(), of) is { } row && rows.Count < 60)
            {
                rows.Add(row with { Age = said ?? age });
            }
            else if (said is not null)
            {
                age = said; // a heading: what follows is of those leaves
            }
            else
            {
                left.Add(line.Length > 80 ? line[..80] : line);
            }
        }

        return rows.Count > 0 ? Worked.Of(new SheetPasted(rows, left), "", Evidence.MeasuredHere)
            : Refusal.Of("text", "No line of it is understood.", "One line for each: “P 18 ppm”, or columns of what, how much and unit.");
    }

    /// <summary>How old the leaves are that a text names; null where it names none.</summary>
    /// <remarks>"Old leaves": old. "K, new leaf": young. "K": null.</remarks>
    public static LeafAge? AgeIn(string text) => Aged().Match(text) is { Success: true } m
        ? m.Groups[1].Value.StartsWith("o", StringComparison.OrdinalIgnoreCase) ? LeafAge.Old : LeafAge.Young : null;

    private static SheetRow? Row(string line, SheetOf of)
    {
        var text = line.Replace('\t', ' ').Replace(';', ' ').Replace('|', ' ').Replace("\"", "", StringComparison.Ordinal);
        text = Commas().Replace(text, " ");
        var m = Line().Match(text);
        if (!m.Success || Nutrients.Read(m.Groups["name"].Value) is not { } what)
        {
            return null;
        }

        var rest = m.Groups["unit"].Value.Trim();
        var unit = SheetUnits.First(rest) ?? (what.Of.Property ? "" : null);
        if (unit == "%" && what.Of is { Property: false, Id: not "N" } && !of.OfPlant())
        {
            return null; // its share of the exchange, and not what the soil holds
        }

        return new SheetRow {
            Of = what.Share < 1 ? m.Groups["name"].Value.Trim() : what.Of.Id, Value = m.Groups["value"].Value.Trim(),
            Unit = unit ?? rest.Split(' ')[0],
            Method = Nutrients.MethodIn(line),
        };
    }

    /// <summary>Commas between columns, and not within a figure.</summary>
    [GeneratedRegex(@",(?=\s|\D|$)|(?<=\D),", RegexOptions.None, 1000)]
    private static partial Regex Commas();

    private const string Figure = @"(?:[<>≤≥]\s*)?-?[0-9][0-9.,]*(?![0-9A-Za-z:])|above(?:\s+range)?|below(?:\s+detection)?";

    [GeneratedRegex(@"\b(old|older|young|younger|youngest|new|newer)\b(\s+(leaf|leaves))?\s*[:,]?", RegexOptions.IgnoreCase, 1000)]
    private static partial Regex Aged();

    [GeneratedRegex(@"^(?<name>.*?[A-Za-z₂₅)\]+].*?)\s*[:=]?\s+(?<value>" + Figure + ")(?<unit>.*)$", RegexOptions.None, 1000)]
    private static partial Regex Line();
}
