using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Core.Works;

namespace MudPie.Server.Works;

/// <summary>A bin as it stands, told in the holding's units.</summary>
internal static class WormTelling
{
    public static WormBinView Of(WormBin bin, WormsStand s, UnitSystem units, DateTimeOffset now)
    {
        string Mass(double g) => Units.Show(g, Dimension.Mass, units);
        var eats = s.Appetite.Value;
        List<string> looks = [];
        if (s.Warmth is { } w)
        {
            looks.Add($"{Units.Show(w.C, Dimension.Temperature, units)}, {Say.Ago((now - w.At).TotalDays)}");
        }

        if (s.Damp is { } d)
        {
            looks.Add($"{(d.Damp switch { Damp.Dry => "dry", Damp.Wet => "wet", _ => "damp as it should be" })}, "
                + Say.Ago((now - d.At).TotalDays));
        }

        return new WormBinView {
            Id = 0,
            Version = default,
            Name = bin.Name,
            Asked = new WormsAsked(),
            Bed = null,
            BegunAt = now,
            Verdict = new(s.Verdict.Tone, InUnits.Say(s.Verdict.Sentence, units), InUnits.Say(s.Verdict.Why, units)),
            Trays = [.. s.Trays.Select(t => Tray(t, units))],
            Feeding = s.Feeding?.Name,
            TodayShown = eats.TodayG is { } today && s.AlarmAt is null ? today < 1 ? "nothing" : Mass(Rounded(today)) : null,
            EatsShown = eats.GPerDay is { } rate ? $"about {Mass(Rounded(rate))} a day, {(eats.Seen ? "by what was gone" : "by their "
                + "weight")}"
                : null,
            LyingShown = eats.LyingG >= 1 ? $"about {Mass(Rounded(eats.LyingG))} still lies" : null,
            Appetite = s.Appetite,
            WormsShown = s.WormsG is { } g ? Mass(g) : null,
            LooksShown = looks.Count > 0 ? string.Join(" · ", looks) : null,
            LeachateShown = s.LeachateL > 0 ? Units.Show(s.LeachateL, Dimension.Volume, units) : null,
            Leachate = WormForks.Leachate,
            Cautions = [WormForks.Hands],
            Log = [],
            Lots = [],
        };
    }

    private static double Rounded(double g) => g < 1000 ? Math.Round(g / 10) * 10 : g;

    private static TrayView Tray(TrayStands t, UnitSystem units)
    {
        string L(double litres) => Units.Show(litres, Dimension.Volume, units);
        var bedding = t.Laid.Sum(l => l.Kg) - (t.FedG / 1000);
        var content = Castings.Of(t.Laid, null);
        return new TrayView {
            Name = t.Name,
            HoldsShown = L(t.HoldsL),
            State = t.State,
            Since = t.Since,
            Fill = Math.Round(t.Fill, 3),
            LaidShown = t.Laid.Count == 0 ? null : $"{Units.Show(t.FedG, Dimension.Mass, units)} of food"
                + (bedding > 0.005 ? $", {Units.Show(bedding * 1000, Dimension.Mass, units)} of bedding" : ""),
            CastingsShown = t.Castings is { } c ? $"about {L(c.Litres)}, {L(c.LowL)} to {L(c.HighL)}" : null,
            NitrogenShown = t.Castings is { } n
                ? $"{Say.Number(n.NGPerL, 2)} g of nitrogen a litre at most ({Say.Number(n.NLow, 2)} to {Say.Number(n.NHigh, 2)})" : null,
            Castings = content.Refused is null ? content.Worked : null,
            LookFrom = t.LookFrom,
        };
    }
}

/// <summary>A burn as it stands, told in the holding's units.</summary>
internal static class BurnTelling
{
    public static BurnBenchView Bench(BurnBenchAnswer a, UnitSystem units)
    {
        string L(double litres) => Units.Show(litres, Dimension.Volume, units);
        return new BurnBenchView(L(a.Plan.PitL), a.Pit.Across, a.Pit.FootShare, $"{L(a.LowL)} to {L(a.HighL)}", L(a.WaterL),
            Math.Clamp(a.Fillings, 0, 1), Told(a.Verdict, units));
    }

    public static BurnView Of(Worked<BurnBenchAnswer> bench, BurnStands s, UnitSystem units,
        (DateTimeOffset Now, Func<DateTimeOffset, DateTimeOffset> Local) at)
    {
        string L(double litres) => Units.Show(litres, Dimension.Volume, units);
        string Kg(double kg) => Units.Show(kg * 1000, Dimension.Mass, units);
        var (word, figure) = BurnCourse.Short(s, at.Now, at.Local);
        var y = s.Yield?.Value;
        return new BurnView {
            Id = 0,
            Version = default,
            Name = bench.Value.Plan.Name,
            Asked = new BurnAsked(),
            State = s.State,
            Word = InUnits.Say(figure.Length > 0 ? $"{word}, {figure}" : word, units),
            Verdict = Told(s.Verdict, units),
            Bench = bench.With(Bench(bench.Value, units), ""),
            Cautions = [.. new[] { s.Caution, s.State == BurnState.Burning ? BurnCautions.Steam : null }.OfType<Caution>()
                .Concat(bench.Value.Plan.Spreads ? [BurnCautions.Spreading] : Array.Empty<Caution>())],
            Next = BurnDeeds.Next(s.State),
            FeelAt = s.FeelAt,
            CourseShown = s.Hours is { } h ? $"{Say.Hours(h)} {(s.DousedAt is null ? "so far" : "to the quenching")}"
                + (s.WaterL > 0 ? $", {L(s.WaterL)} of water" : "") : null,
            YieldShown = y is null ? null : $"{L(y.Litres)}, {Say.Number(y.YieldShare * 100, 2)} % of the wood "
                + (y.ByWeight ? "by dry weight" : "as it was stacked"),
            CarbonShown = y is null ? null : $"{Kg(y.Co2Kg)} of CO₂ still there after 100 years, {Kg(y.Co2Low)} to {Kg(y.Co2High)}: an "
                + "estimate, not a credit",
            Yield = s.Yield,
            LeftShown = y is null ? null : L(Math.Max(0, s.LeftL)),
            Log = [],
            Lots = [],
        };
    }

    private static Verdict Told(Verdict v, UnitSystem units) => new(v.Tone, InUnits.Say(v.Sentence, units), InUnits.Say(v.Why, units));
}
