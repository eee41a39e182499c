using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Looking;

/// <summary>What a check says. Cut-offs are places to start from published field methods; each shows how sure.</summary>
public static class CheckReading
{
    /// <summary>Size of a spade block, cm: 20 by 20, 30 deep.</summary>
    public const double BlockCm = 30;

    /// <summary>Of a rod: a reading each so many cm, to so deep.</summary>
    public const double RodStepCm = 5, RodDeepCm = 45;

    /// <summary>Where roots slow, and where most stop, MPa. 2 MPa is 290 psi; 300 is said in the field.</summary>
    public const double SlowMpa = 1, StopMpa = 2;

    /// <summary>MPa in a psi.</summary>
    public const double MpaPerPsi = 0.00689476;

    /// <summary>Worms a block: poor below, living above.</summary>
    public const double FewWorms = 4, ManyWorms = 8;

    /// <summary>Below this the ground is too cold for worms to be counted fairly, °C.</summary>
    public const double WormC = 8;

    /// <summary>Weeks that a strip of cotton lies buried.</summary>
    public const int BuriedWeeks = 7;

    /// <summary>Water poured into the ring, mm; the second is timed.</summary>
    public const double RingMm = 25;

    /// <summary>A frame for weeds, m².</summary>
    public const double FrameM2 = 0.25;

    /// <summary>Reads a check.</summary>
    /// <param name="r">As tapped or typed.</param>
    /// <remarks>13, 9 and 12 worms in three blocks: 11.3 a block, 7.8 to 15.8, living ground.</remarks>
    public static Ruling<CheckAnswer> Of(CheckAsked r)
    {
        var checks = new Checks();
        if (r.Note is { Length: > 300 })
        {
            checks.Add("note", "That is too long.", "Up to 300 letters.");
        }

        var answer = r.Kind switch {
            CheckKind.Rod => RodReading.Of(r, checks),
            CheckKind.PlainRod => RodReading.Plain(r, checks),
            CheckKind.Moisture => MoistureReading.Of(r, checks),
            CheckKind.Block => BlockReading.Of(r, checks),
            CheckKind.Worms => Worms(r, checks),
            CheckKind.Crumbs => Crumbs(r, checks),
            CheckKind.Infiltration => Water(r, checks),
            CheckKind.Roots => PlantReading.Roots(r, checks),
            CheckKind.Nodules => PlantReading.Nodules(r, checks),
            CheckKind.Leaf => PlantReading.Leaf(r, checks),
            CheckKind.Weeds => PlantReading.Weeds(r, checks),
            CheckKind.Cotton => Cotton(r, checks),
            CheckKind.Co2 => Burst(r, checks),
            _ => null,
        };
        if (r.Kind is null)
        {
            checks.Add("kind", "No check was chosen.", "Choose one.");
        }

        return checks.Sound && answer is not null ? answer : checks.Refusal;
    }

    /// <summary>The headline figure in short, as a table has it.</summary>
    /// <param name="kind">Which check.</param>
    /// <param name="figure">Its figure.</param>
    /// <remarks>Six of eight crumbs: "75"; 2.1 MPa: "2.1".</remarks>
    public static string Short(CheckKind kind, double figure) => kind is CheckKind.Crumbs or CheckKind.Roots or CheckKind.Cotton
        ? Say.Number(figure * 100, 2) : Say.Number(figure, figure >= 10 ? 3 : 2);

    /// <summary>Good from, and poor from, of a figure that speaks of the ground; null where nothing is said.</summary>
    /// <param name="kind">Which check.</param>
    /// <remarks>Worms: good over 8, poor under 4. Structure: good under 3, poor from 4.</remarks>
    public static (double Good, double Poor)? Bounds(CheckKind kind) => kind switch {
        CheckKind.Worms => (ManyWorms, FewWorms),
        CheckKind.Block => (BlockReading.Good, BlockReading.Poor),
        CheckKind.Rod => (SlowMpa, StopMpa),
        CheckKind.Roots => (0, PlantReading.Third),
        CheckKind.Cotton => (0.6, 0.25),
        CheckKind.Infiltration => (50, 15),
        _ => null,
    };

    /// <summary>A worked answer with one line of working.</summary>
    internal static Worked<CheckAnswer> Answer(CheckAnswer a, WorkingLine line, Evidence sure = Evidence.PractitionersRule,
        params Caution[] cautions) => Worked.Of(a, a.Unit, sure, [line], cautions);

    /// <summary>"7.8 to 15.8".</summary>
    internal static string Span(double lower, double upper) => $"{Say.Number(lower, 2)} to {Say.Number(upper, 2)}";

    /// <summary>Notes that are whole and within bounds; false where one is not, which is said.</summary>
    internal static bool Whole(Checks checks, string field, IReadOnlyList<int>? counts, int most, int most1 = 100_000)
    {
        if (counts is not { Count: > 0 } || counts.Count > most || counts.Any(c => c < 0 || c > most1))
        {
            checks.Add(field, counts is not { Count: > 0 } ? "Nothing was counted." : counts.Count > most ? $"{counts.Count} are too many."
                : "One of them can’t be.", $"Give 1 to {most} counts, each 0 to {most1}.");
            return false;
        }

        return true;
    }

    private static Worked<CheckAnswer>? Worms(CheckAsked r, Checks checks)
    {
        if (r.SoilC is not null)
        {
            checks.Range("soilC", r.SoilC, -20, 50, "°C");
        }

        if (!Whole(checks, "counts", r.Counts, 12, 500) || !checks.Sound)
        {
            return null;
        }

        var rate = Exact.Rate(r.Counts!.Sum(), r.Counts!.Count);
        var life = rate.Value < FewWorms ? Life.Poor : rate.Value <= ManyWorms ? Life.Middling : Life.Living;
        var blocks = Say.Count(r.Counts!.Count, "block");
        return Answer(new CheckAnswer(CheckKind.Worms, rate.Value, rate.Lower, rate.Upper, "a block",
            $"{Say.Count(r.Counts!.Sum(), "worm")} in {blocks}: {Say.Number(rate.Value)} a block", Good(life), ToneOf(life), life,
            r.SoilC < WormC ? $"Under {WormC} °C they lie deep: a low count says little." : null),
            new("worms a block", "count ÷ blocks; 95 % of chance alone (Poisson, exact)", $"{r.Counts!.Sum()} ÷ {r.Counts!.Count}",
                $"{Say.Number(rate.Value)}, {Span(rate.Lower, rate.Upper)}",
                    "under 4 poor, 4 to 8 middling, over 8 good: field guides, moist "
                    + "and over 8 °C"));
    }

    private static Worked<CheckAnswer>? Crumbs(CheckAsked r, Checks checks)
    {
        if (!Whole(checks, "classes", r.Classes, 40, 6))
        {
            return null;
        }

        var sorted = r.Classes!.Order().ToList();
        var middle = sorted[(sorted.Count - 1) / 2]; // the lower of the two middle ones
        var held = sorted.Count(c => c >= 4);
        var share = Exact.Share(held, sorted.Count);
        var life = middle <= 2 ? Life.Poor : middle <= 4 ? Life.Middling : Life.Living;
        return Answer(new CheckAnswer(CheckKind.Crumbs, share.Value, share.Lower, share.Upper, "share left",
            $"{held} of {sorted.Count} crumbs hold in water, class {middle}", life == Life.Living ? "holds" : life == Life.Middling
                ? "holds in part" : "falls apart", ToneOf(life), life, "Clay and sand do not compare: hold it against this ground only."),
            new("crumbs left", "class 4 and over ÷ all; 95 % exact", $"{held} ÷ {sorted.Count}", $"{Say.Number(share.Value * 100, 2)} %, "
                + $"{Span(share.Lower * 100, share.Upper * 100)} %",
                    "slake classes 0 to 6 as published; class of the set is the lower middle"),
            Evidence.PublishedTrials);
    }

    /// <summary>The class of a crumb in water: by when half of it has gone, else by the share left after five dips.</summary>
    /// <param name="halfGoneS">Seconds; null where half was still there after five minutes.</param>
    /// <param name="leftShare">Share left after five dips, 0 to 1.</param>
    /// <remarks>Half gone in 4 s: 1; in 20 s: 2; in 2 min: 3; 5 % left: 3; 20 %: 4; 60 %: 5; 90 %: 6.</remarks>
    public static int CrumbClass(double? halfGoneS, double leftShare) => halfGoneS switch {
        < 5 => 1,
        < 30 => 2,
        < 300 => 3,
        _ => leftShare switch { < 0.10 => 3, < 0.25 => 4, <= 0.75 => 5, _ => 6 },
    };

    private static Worked<CheckAnswer>? Water(CheckAsked r, Checks checks)
    {
        var second = checks.Range("secondS", r.SecondS, 1, 86_400, "s");
        if (r.FirstS is not null)
        {
            checks.Range("firstS", r.FirstS, 1, 86_400, "s");
        }

        if (!checks.Sound)
        {
            return null;
        }

        var rate = RingMm * 3600 / second;
        var (word, tone) = rate switch {
            < 5 => ("very slow", Tone.Stop),
            < 15 => ("slow", Tone.Mind),
            <= 50 => ("middling", Tone.Go),
            _ => ("quick", Tone.Go),
        };
        return Answer(new CheckAnswer(CheckKind.Infiltration, rate, null, null, "mm/h", $"{Say.Number(rate, 2)} mm/h", word, tone, null,
            tone == Tone.Stop ? "What rains faster runs off: look for a crust or a pan." : null),
            new("water going in", "25 mm ÷ the time of the second 25 mm", $"25 mm × 3,600 ÷ {Say.Number(second)} s",
                $"{Say.Number(rate)} mm/h",
                "ring 15 cm across, 450 mL; under 5 very slow, to 15 slow, to 50 middling"));
    }

    private static Worked<CheckAnswer>? Cotton(CheckAsked r, Checks checks)
    {
        if (r.Buried)
        {
            return Answer(new CheckAnswer(CheckKind.Cotton, 0, null, null, "gone", "a cotton strip laid in the ground", "laid in", Tone.Go,
                null, $"Dig it up in {BuriedWeeks} weeks."), new("cotton", "", "", "laid in", "six to eight weeks"));
        }

        var ruling = Brewing.GroundAlive.CottonStrip(r.Weeks, r.Gone);
        if (ruling.Refused is { } no)
        {
            checks.Add(new Refusal([.. no.Problems.Select(p => p with { Field = p.Field == "goneShare" ? "gone" : p.Field })]));
            return null;
        }

        var (gone, weeks) = (r.Gone!.Value, r.Weeks!.Value);
        return ruling.Worked.With(new CheckAnswer(CheckKind.Cotton, gone, null, null, "gone",
            $"{Say.Number(gone * 100, 2)} % of a cotton strip gone in {Say.Number(weeks, 2)} weeks", Good(ruling.Value.Life),
            ToneOf(ruling.Value.Life), ruling.Value.Life, null), "");
    }

    private static Worked<CheckAnswer>? Burst(CheckAsked r, Checks checks)
    {
        var ruling = Brewing.GroundAlive.Co2Burst(r.Burst);
        if (ruling.Refused is { } no)
        {
            checks.Add(new Refusal([.. no.Problems.Select(p => p with { Field = p.Field == "mgCPerKg" ? "burst" : p.Field })]));
            return null;
        }

        return ruling.Worked.With(new CheckAnswer(CheckKind.Co2, r.Burst!.Value, null, null, "mg/kg",
            $"{Say.Number(r.Burst.Value)} mg/kg of CO₂-C in a day", Good(ruling.Value.Life), ToneOf(ruling.Value.Life), ruling.Value.Life,
                null),
            "");
    }

    /// <summary>"poor", "middling", "good".</summary>
    internal static string Good(Life life) => life == Life.Living ? "good" : life.Word();

    internal static Tone ToneOf(Life life) => life switch { Life.Poor => Tone.Mind, _ => Tone.Go };
}
