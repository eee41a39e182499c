using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>A figure against the same one of the sheet before.</summary>
/// <param name="Of">What.</param>
/// <param name="Age">Of a plant: how old the leaves were.</param>
/// <param name="Before">As it stood then, in the unit of the sheet.</param>
/// <param name="Now">As it stands now.</param>
/// <param name="Real">More than labs stray by.</param>
/// <param name="Sentence">"up by 42 %: more than labs stray".</param>
public sealed record FigureChange(Nutrient Of, LeafAge Age, double Before, double Now, bool Real, string Sentence);

/// <summary>Two sheets of one place, the earlier and the later.</summary>
/// <param name="Before">What the earlier one is called.</param>
/// <param name="Changes">Figures that both have, got out alike.</param>
/// <param name="WhyNot">Why they don't compare; null where they do.</param>
public sealed record SheetsCompared(string Before, IReadOnlyList<FigureChange> Changes, string? WhyNot);

/// <summary>What changed from one sheet to the next.</summary>
public static class SheetChange
{
    /// <summary>What most labs stray by from one sample of the same ground to the next, as a share.</summary>
    public const double UsualStray = 0.12;

    /// <summary>What pH strays by.</summary>
    public const double PhStray = 0.2;

    /// <summary>Compares the two.</summary>
    /// <param name="before">The earlier sheet.</param>
    /// <param name="now">The later one.</param>
    /// <param name="stray">What this lab strays by, 0 to 0.5 as a share.</param>
    /// <remarks>Potassium from 96 to 104 mg/kg is 8 %: inside the noise of 12 %. To 136 it is 42 %. Another lab, another depth or another
    /// extraction: never one line through both. Source: ring tests of labs stray by 10 to 15 % for most nutrients.</remarks>
    public static SheetsCompared Of((SheetAsked Asked, SheetRead Read) before, (SheetAsked Asked, SheetRead Read) now, double stray)
    {
        var name = before.Asked.Name ?? "the sheet before";
        var (a, b) = (before.Asked, now.Asked);
        if (!Same(a.Lab, b.Lab))
        {
            return new(name, [], $"{name} is of {(string.IsNullOrWhiteSpace(a.Lab) ? "a lab that was not named" : a.Lab.Trim())}: two "
                + "labs are two methods, and no line goes through both.");
        }

        if (!a.For.OfPlant() && (Math.Abs(before.Read.DepthCm - now.Read.DepthCm) > 0.5 || !Same(a.DepthFrom, b.DepthFrom)))
        {
            return new(name, [], $"{name} was sampled to another depth: that does not compare.");
        }

        if (a.For.OfPlant() && a.For == SheetOf.Tissue && !Same(a.Part, b.Part))
        {
            return new(name, [], $"{name} is of another part of the plant: that does not compare.");
        }

        List<FigureChange> changes = [];
        var apart = 0;
        foreach (var line in now.Read.Lines.Where(l => l.Figure is not null && !l.Below))
        {
            if (before.Read.Lines.FirstOrDefault(l => l.Of == line.Of && l.Age == line.Age && l.Figure is not null && !l.Below)
                is not { } old)
            {
                continue;
            }

            if (old.Method != line.Method && !line.Of.Property && !b.For.OfPlant())
            {
                apart++;
                continue;
            }

            changes.Add(One(line, old, stray));
        }

        return new(name, changes, changes.Count == 0 ? apart > 0 ? $"{name} was got out in another way: two extractions are two methods."
            : $"{name} has no figure that this one has." : null);
    }

    private static FigureChange One(SheetLine now, SheetLine before, double stray)
    {
        var (a, b) = (before.MgPerKg ?? before.Figure!.Value, now.MgPerKg ?? now.Figure!.Value);
        if (now.Of.Id is "pH" or "buffer pH")
        {
            var moved = b - a;
            var real = Math.Abs(moved) > PhStray + 1e-9;
            return new(now.Of, now.Age, a, b, real, Math.Abs(moved) < 0.005 ? "the same"
                : $"{(moved > 0 ? "up" : "down")} by {Say.Number(Math.Abs(moved), 2)}{(real ? "" : ": inside the noise")}");
        }

        var share = a > 0 ? (b - a) / a : b > 0 ? 1 : 0;
        var beyond = Math.Abs(share) > stray + 1e-9;
        return new(now.Of, now.Age, a, b, beyond, Math.Abs(share) < 0.005 ? "the same"
            : $"{(share > 0 ? "up" : "down")} by {Say.Number(Math.Abs(share) * 100, 2)} %"
                + (beyond ? ": more than labs stray" : ": inside the noise"));
    }

    private static bool Same(string? a, string? b) => string.Equals((a ?? "").Trim(), (b ?? "").Trim(), StringComparison.OrdinalIgnoreCase);
}
