using MudPie.Core.Workings;

namespace MudPie.Core.Shelf;

/// <summary>A lot as it stands on the shelf.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Mark">What stands on it.</param>
/// <param name="Left">What is left, in the input's unit (L or kg).</param>
/// <param name="From">When it was bought or made.</param>
/// <param name="Expires">When it goes off; null where it does not.</param>
/// <param name="Unfit">Judged not to be used.</param>
public sealed record LotStanding(int Id, string Mark, double Left, DateTimeOffset From, DateTimeOffset? Expires, bool Unfit = false);

/// <summary>What is taken from one lot.</summary>
public sealed record Draw(int LotId, string Mark, double Amount);

/// <summary>What is taken from all of them, and what is short.</summary>
public sealed record DrawAnswer(IReadOnlyList<Draw> Draws, double Short);

/// <summary>Takes from lots, oldest good one first.</summary>
public static class Stock
{
    /// <summary>The lot that goes off first comes first, then the older; those past their date or judged unfit are left.</summary>
    /// <param name="lots">All lots of an input.</param>
    /// <param name="wanted">0 to 1e6, L or kg.</param>
    /// <param name="on">The day of use.</param>
    /// <remarks>Lots of 0.4 L to June and 2 L to October, 1 L wanted in May: 0.4 of the first and 0.6 of the second.</remarks>
    public static Ruling<DrawAnswer> Take(IReadOnlyList<LotStanding> lots, double? wanted, DateTimeOffset on)
    {
        var checks = new Checks();
        var left = checks.Range("amount", wanted, 0, 1_000_000, "");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var draws = new List<Draw>();
        foreach (var lot in lots.Where(l => l.Left > 1e-9 && !l.Unfit && !(l.Expires < on))
            .OrderBy(l => l.Expires ?? DateTimeOffset.MaxValue).ThenBy(l => l.From).ThenBy(l => l.Id))
        {
            var takes = Math.Min(lot.Left, left);
            if (takes <= 1e-12)
            {
                break;
            }

            draws.Add(new Draw(lot.Id, lot.Mark, takes));
            left -= takes;
        }

        return Worked.Of(
            new DrawAnswer(draws, left < 1e-9 ? 0 : left), "", Evidence.MeasuredHere,
            [.. draws.Select(d => new WorkingLine(d.Mark, "oldest good lot first", "", Say.Number(d.Amount), "the shelf")),
                new("short", "wanted − taken", "", Say.Number(left < 1e-9 ? 0 : left), "the shelf")]);
    }

    /// <summary>How a lot stands, in words.</summary>
    /// <param name="lot">The lot.</param>
    /// <param name="short">True where its book fell short and nobody has counted since.</param>
    /// <param name="alive">Share of its life that is left, 0 to 1; null where it carries none.</param>
    /// <param name="now">Now.</param>
    /// <remarks>Two litres that go off in a fortnight: "use it first: it goes off soon", to mind.</remarks>
    public static (string Says, Tone Tone) Says(LotStanding lot, bool @short, double? alive, DateTimeOffset now) =>
        @short ? ("the book was short: count it", Tone.Mind)
        : lot.Unfit ? ("judged unfit: leave it", Tone.Stop)
        : lot.Expires < now ? ("past its date: plans leave it", Tone.Stop)
        : lot.Left <= 1e-9 ? ("used up", Tone.Go)
        : alive < 0.5 ? ("more than half of it is dead: dose by what lives", Tone.Mind)
        : lot.Expires < now.AddDays(SoonDays) ? ("use it first: it goes off soon", Tone.Mind) : ("good", Tone.Go);

    /// <summary>Days before its date from which a lot is to be used first.</summary>
    public const int SoonDays = 21;

    /// <summary>Share of life in a lot at a moment, by kind, age and warmth; 1 where it carries none.</summary>
    public static double Alive(LifeForm? kind, DateTimeOffset made, DateTimeOffset at, double? keptC) =>
        kind is { } form ? PuttingOut.InoculantDose.Viable(form, Math.Max(0, (at - made).TotalDays), Math.Clamp(keptC ?? 20, -20, 50)) : 1;
}

/// <summary>What something costs to put out.</summary>
/// <param name="Batch">For the whole, in the holding's money.</param>
/// <param name="Per100M2">On 100 m².</param>
/// <param name="PerHa">On a hectare.</param>
/// <param name="Unpriced">What has no price.</param>
public sealed record CostAnswer(double Batch, double Per100M2, double PerHa, IReadOnlyList<string> Unpriced)
{
    /// <summary>Whether any of it has a price: where nothing has, the cost is not known, and not nothing.</summary>
    public bool Known => Unpriced.Count == 0 || Batch > 0;

    /// <summary>A figure of it in words: "9.30", "at least 9.30" where a price is missing, or "not known".</summary>
    public string Say(double money) => !Known ? "not known" : Unpriced.Count > 0 ? $"at least {Workings.Say.Money(money)}"
        : Workings.Say.Money(money);
}

/// <summary>Something used, and its price.</summary>
/// <param name="Name">What.</param>
/// <param name="Amount">L or kg.</param>
/// <param name="Price">Of a litre or kilogram; null where not known.</param>
public sealed record CostLine(string Name, double Amount, double? Price);

/// <summary>Adding up money and minutes.</summary>
public static class Costs
{
    /// <summary>Σ amount × price + minutes × wage ÷ 60, over the area.</summary>
    /// <param name="lines">What went in.</param>
    /// <param name="areaM2">Ground, 0.1 to 10,000,000 m².</param>
    /// <param name="minutes">Work, 0 to 10,000.</param>
    /// <param name="hourly">An hour's worth, 0 to 1,000; 0 leaves time out.</param>
    /// <remarks>0.2 L at 6.50 and 40 min at 12 an hour over 72 m²: 9.30, 12.92 on 100 m².</remarks>
    public static Ruling<CostAnswer> Of(IReadOnlyList<CostLine> lines, double? areaM2, double? minutes = 0, double? hourly = 0)
    {
        var checks = new Checks();
        var area = checks.Range("areaM2", areaM2, 0.1, 1e7, "m²");
        var work = checks.Range("minutes", minutes ?? 0, 0, 10_000, "min");
        var wage = checks.Range("hourly", hourly ?? 0, 0, 1000, "");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var stuff = lines.Sum(l => l.Amount * (l.Price ?? 0));
        var all = stuff + (work * wage / 60);
        return Worked.Of(
            new CostAnswer(all, all / area * 100, all / area * 10_000,
                [.. lines.Where(l => l.Price is null).Select(l => l.Name).Distinct()]), "money", Evidence.MeasuredHere,
            [
                .. lines.Select(l =>
                    new WorkingLine(l.Name, "amount × price",
                        $"{Say.Number(l.Amount)} × {(l.Price is { } p ? Say.Number(p) : "no price known")}", l.Price is null
                            ? "not known" : Say.Money(l.Amount * l.Price.Value), "the shelf")),
                new("work", "minutes × wage ÷ 60", $"{Say.Number(work)} min × {Say.Number(wage)}", Say.Fixed(work * wage / 60, 2), wage == 0
                    ? "no wage set: time is not counted" : "your own"),
                new("on 100 m²", "all ÷ area × 100", $"{Say.Fixed(all, 2)} ÷ {Say.Number(area)} m²", Say.Fixed(all / area * 100, 2), "sum"),
            ]);
    }
}

/// <summary>What will be wanted of an input.</summary>
/// <param name="InputId">Which.</param>
/// <param name="Amount">L or kg.</param>
/// <param name="On">When.</param>
/// <param name="For">For what.</param>
public sealed record Want(int InputId, double Amount, DateTimeOffset On, string For);

/// <summary>One line of the shopping list.</summary>
public sealed record ToBuy(int InputId, double Amount, DateTimeOffset By, IReadOnlyList<string> For, double Left);

/// <summary>What is short for the coming weeks.</summary>
public static class Shopping
{
    /// <summary>Takes each want in its order from the lots good on its day; what is short is to buy by the first day it is short.</summary>
    /// <remarks>0.5 L left; 0.3 wanted on Monday and 0.4 on Thursday: buy 0.2 by Thursday.</remarks>
    public static IReadOnlyList<ToBuy> List(IReadOnlyList<Want> wants, IReadOnlyDictionary<int, IReadOnlyList<LotStanding>> lots)
    {
        var buy = new List<ToBuy>();
        foreach (var input in wants.GroupBy(w => w.InputId))
        {
            var standing = (lots.GetValueOrDefault(input.Key) ?? []).ToDictionary(l => l.Id);
            var there = standing.Values.Where(l => !l.Unfit).Sum(l => l.Left);
            var missing = new List<(double Amount, Want Want)>();
            foreach (var want in input.OrderBy(w => w.On))
            {
                var taken = Stock.Take([.. standing.Values], want.Amount, want.On).Value;
                foreach (var d in taken.Draws)
                {
                    standing[d.LotId] = standing[d.LotId] with { Left = standing[d.LotId].Left - d.Amount };
                }

                if (taken.Short > 0)
                {
                    missing.Add((taken.Short, want));
                }
            }

            if (missing.Count > 0)
            {
                buy.Add(new ToBuy(input.Key, missing.Sum(m => m.Amount), missing[0].Want.On,
                    [.. missing.Select(m => m.Want.For).Distinct()], there));
            }
        }

        return [.. buy.OrderBy(b => b.By)];
    }
}
