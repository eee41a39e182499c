using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging;

/// <summary>Readings of a refractometer as they are typed: "9.1 8.8 dry 9.4".</summary>
public static class BrixTyped
{
    /// <summary>Brix as typed one after another; what is none is refused by name.</summary>
    public static List<double> Numbers(string? typed, Checks checks)
    {
        const string wayOut = "Type them one after another: 9.1 8.8 9.4.";
        var numbers = new List<double>();
        foreach (var word in Words(typed).Where(w => !w.Equals("dry", StringComparison.OrdinalIgnoreCase)))
        {
            // no sap reads a thousand
            if (TypedNumber.Of(word, pointIsDecimal: true, commaIsDecimal: true).Value is not { } value)
            {
                checks.Add("readings", $"“{(word.Length > 20 ? word[..20] : word)}” is no brix.", wayOut);
            }
            else if (value is < 0 or > 30)
            {
                checks.Add("readings", $"{Say.Number(value)} °Bx can't be sap.", "Give 0 to 30: the correction table ends there.");
            }
            else
            {
                numbers.Add(value);
            }
        }

        if ((numbers.Count == 0 && Dry(typed) == 0) || (numbers.Count > 30 && checks.Sound))
        {
            checks.Add("readings", numbers.Count == 0 ? "Nothing was typed." : "That is more than thirty.", wayOut);
        }

        return numbers;
    }

    private static IEnumerable<string> Words(string? typed) =>
        (typed ?? "").Split([' ', ';', '\n', '\t'], StringSplitOptions.RemoveEmptyEntries).Select(w => w.Trim(','))
            .Where(w => w.Length > 0);

    /// <summary>Leaves that gave no juice: "9.1 dry 8.8" has one.</summary>
    public static int Dry(string? typed) => Words(typed).Count(w => w.Equals("dry", StringComparison.OrdinalIgnoreCase));
}
