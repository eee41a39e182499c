using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Solids;
using MudPie.Core.Workings;

namespace MudPie.Server.Solids;

/// <summary>Something of the shelf that can be put out as it lies.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name, with the marks of its lots where two things are called alike.</param>
/// <param name="Group">"composts", "char and mixes" or "minerals and feeds".</param>
/// <param name="LeftShown">What is left; "not counted" where it has no lot.</param>
/// <param name="Weighed">Kept in kg.</param>
public sealed record SolidThing(int Id, string Name, string Group, string LeftShown, bool Weighed);

/// <summary>What can be put out, and what a job begins with.</summary>
/// <param name="Things">What lies on the shelf.</param>
/// <param name="Start">The question to begin with.</param>
/// <param name="Square">"a m²", or "a sq ft".</param>
/// <param name="Large">"a hectare", or "an acre".</param>
/// <param name="Loose">Amounts to begin with by each way, of what is measured.</param>
/// <param name="Weighed">The same of what is weighed.</param>
public sealed record SolidStartView(IReadOnlyList<SolidThing> Things, SpreadAsked Start, string Square, string Large,
    IReadOnlyDictionary<string, string> Loose, IReadOnlyDictionary<string, string> Weighed);

/// <summary>A solid that was put out, to be kept.</summary>
public sealed record SolidKeepRequest
{
    /// <summary>As it was asked for.</summary>
    public SpreadAsked? Asked { get; init; }

    /// <summary>When it was put out; now where not given.</summary>
    public DateTimeOffset? At { get; init; }

    /// <summary>Whose hands.</summary>
    public string? Who { get; init; }

    /// <summary>What for.</summary>
    public string? Why { get; init; }

    /// <summary>Why an unfit lot goes out all the same.</summary>
    public string? OverrideWhy { get; init; }

    /// <summary>Cautions that were shown and ticked.</summary>
    public IReadOnlyList<string> CautionsSeen { get; init; } = [];
}

/// <summary>What one bed gets.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="LitresShown">Loose.</param>
/// <param name="WeightShown">As it lies.</param>
/// <param name="BarrowsShown">"4½ barrows"; null for less than a quarter of one.</param>
/// <param name="DepthShown">As an even layer.</param>
/// <param name="Plants">Plants on it; null where it does not go by the plant.</param>
public sealed record SolidShareView(int Id, string Name, string LitresShown, string WeightShown, string? BarrowsShown, string DepthShown,
    double? Plants);

/// <summary>A spreader, ready to read out.</summary>
public sealed record SpreaderView(string PassShown, int Passes, string GivesShown, string? FillingsShown);

/// <summary>A layer as it is drawn.</summary>
/// <param name="Share">Its thickness, as a share of what is drawn, 0 to 1.</param>
/// <param name="LimitShare">The thickest that is usual, likewise; null where none is known.</param>
/// <param name="Shown">"5 cm".</param>
/// <param name="LimitShown">"7.5 cm at most"; null likewise.</param>
public sealed record LayerView(double Share, double? LimitShare, string Shown, string? LimitShown);

/// <summary>A job with a solid, worked out.</summary>
public sealed record SolidView
{
    /// <summary>What is put out.</summary>
    public required string Name { get; init; }

    /// <summary>What to do.</summary>
    public required Verdict Verdict { get; init; }

    /// <summary>In all, loose.</summary>
    public required string LitresShown { get; init; }

    /// <summary>In all, as it lies.</summary>
    public required string WeightShown { get; init; }

    /// <summary>"22½ barrows of 80 L".</summary>
    public required string BarrowsShown { get; init; }

    /// <summary>Barrows to draw, ½ to 8; the last may be half, and less than a quarter is drawn as 0.15. 0 where they are too many to be
    /// counted by eye.</summary>
    public required double BarrowsDrawn { get; init; }

    /// <summary>"3 L a m², 1.8 kg".</summary>
    public required string SquareShown { get; init; }

    /// <summary>"30 m³ a hectare, 18 t".</summary>
    public required string HectareShown { get; init; }

    /// <summary>For one plant, with spoons; null where it does not go by the plant.</summary>
    public required string? PlantShown { get; init; }

    /// <summary>As a layer; null where it goes by the plant.</summary>
    public required LayerView? Layer { get; init; }

    /// <summary>Bed by bed.</summary>
    public required IReadOnlyList<SolidShareView> Beds { get; init; }

    /// <summary>By a spreader; null where none is used.</summary>
    public required SpreaderView? Spreader { get; init; }

    /// <summary>"brings 12 g of nitrogen a m², most of it over years"; null where nobody knows.</summary>
    public required string? NitrogenShown { get; init; }

    /// <summary>Week by week on a square metre; null where it does not rot.</summary>
    public required Worked<NitrogenOutlookAnswer>? Nitrogen { get; init; }

    /// <summary>Null where no price is known.</summary>
    public required string? CostShown { get; init; }

    /// <summary>From which lots: "1800 L of LM-1".</summary>
    public required IReadOnlyList<string> Lots { get; init; }

    /// <summary>What the shelf is short of; null for nothing, or where it keeps no book of it.</summary>
    public required string? ShortShown { get; init; }

    /// <summary>Why it is not fit; null where it is.</summary>
    public required string? Unfit { get; init; }
}

/// <summary>What a lot that failed may still do.</summary>
/// <param name="Says">What failed, in words.</param>
/// <param name="Answer">What it may still do, and what mistakes would cost.</param>
public sealed record SecondView(string Says, Worked<SecondAnswer> Answer);

/// <summary>Answers in the holding's units.</summary>
internal static class SolidTelling
{
    public static SolidView Of(SpreadAsked asked, SpreadAnswer a, string name, UnitSystem units)
    {
        string L(double litres) => SpreadSays.Bulk(litres, units);
        string Kg(double kg) => SpreadSays.Heavy(kg, units);
        string Mm(double mm) => Per.Centimetres(mm / 10, units);
        var (deepest, limit) = (a.Beds.Max(b => b.DepthMm), a.Limit?.Mm);
        var drawn = Math.Max(deepest, limit ?? 0) * 1.15;
        return new SolidView {
            Name = name,
            Verdict = a.Verdict,
            LitresShown = L(a.Litres),
            WeightShown = Kg(a.Kg),
            BarrowsShown = $"{SpreadSays.Barrows(a.Barrows)} of {L(a.BarrowL)}",
            BarrowsDrawn = a.Barrows > 8 ? 0 : a.Barrows < 0.25 ? 0.15 : Math.Max(0.5, Math.Ceiling((a.Barrows * 2) - 0.02) / 2),
            SquareShown = $"{Per.Square(a.LPerM2, Dimension.Volume, units)}, "
                + $"{Per.Square(a.LPerM2 * a.KgPerL * 1000, Dimension.Mass, units)}",
            HectareShown = $"{L(Per.Large(a.LPerM2 * 10_000, units))}, {Kg(Per.Large(a.LPerM2 * a.KgPerL * 10_000, units))} "
                + Per.LargeArea(units),
            PlantShown = a.LPerPlant is { } one ? $"{L(one)}, {Kg(one * a.KgPerL)} ({Spoons.InTools(new Litres(one), units).WithError})"
                : null,
            Layer = a.LPerPlant is null && deepest >= 0.5 ? new LayerView(Math.Round(deepest / drawn, 4), limit is { } most
                ? Math.Round(most / drawn, 4) : null, Mm(deepest), limit is { } l ? $"{Mm(l)} at most" : null) : null,
            Beds = [.. a.Beds.Select(b => new SolidShareView(b.Id, b.Name, L(b.Litres), Kg(b.Kg), b.Litres / a.BarrowL >= 0.25
                ? SpreadSays.Barrows(b.Litres / a.BarrowL) : null, Mm(b.DepthMm), b.Plants))],
            Spreader = a.Spreader is { } s ? new SpreaderView(Per.Square(s.PassLPerM2, Dimension.Volume, units), s.Passes,
                $"{Say.Number(s.GivesShare * 100, 2)} %", s.Fillings is { } f ? $"{Say.Number(f, 2)} fillings" : null) : null,
            NitrogenShown = a.NitrogenGPerM2 is >= 0.05 and { } n
                ? $"brings {Per.Square(n, Dimension.Mass, units)} of nitrogen in all{(a.Material is { Rots: true } ? ", over years" : "")}"
                : null,
            Nitrogen = a.Nitrogen,
            CostShown = a.Cost is { } cost ? Say.Money(cost) : null,
            Lots = [],
            ShortShown = null,
            Unfit = null,
        };
    }
}
