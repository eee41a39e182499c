using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>The trainer: a hidden brew at high speed.</summary>
public static class PracticeBrew
{
    private const double SpanH = 48;

    private static BrewQuestion Bucket(double warmth, double fish, double kelp, double molasses, double air = 5) => new() {
        VolumeL = 17,
        DepthM = 0.28,
        Diffuser = "airStone",
        AirLpm = air,
        AltitudeM = 6,
        TemperatureC = warmth,
        SwingC = 2,
        StartHour = 18,
        Hours = SpanH,
        Sources = [new SourceAmount { Kind = "compost", Litres = 1 }],
        Foods = [.. new[] { ("fishHydrolysate", fish), ("kelpLiquid", kelp), ("molasses", molasses) }.Where(f => f.Item2 > 0)
            .Select(f => new FoodAmount { Kind = f.Item1, Ml = f.Item2 })],
    };

    /// <summary>The situations, each with the one mistake it is about.</summary>
    public static readonly IReadOnlyList<PracticeSituation> Situations =
    [
        new("sweet", "A spoon too many",
            "A mild evening. Somebody has put two spoons of molasses in the Blue Bucket, on the usual small pump. It is meant for the "
                + "leaves tomorrow evening.", Bucket(20, 8, 10, 12), 24, null, new(1.05, 1, 1, 1, 1, 1, 1, 1.1, 1)),
        new("warm", "A warm night", "The recipe that held all spring, and a night that stays at 26 °C.", Bucket(26, 13, 13, 0), 20, null,
            new(1.1, 1.1, 1, 1, 1.1, 0.95, 1, 1, 1)),
        new("pump", "The quiet pump", "A sound recipe at 17 °C with air to spare. Sleep well.", Bucket(17, 8, 8, 0, 9), 28, 7.5,
            new(1, 1, 1, 1, 1, 1, 1, 1, 1)),
        new("cold", "A cold spring", "Eleven degrees in the barn, and a spray window in thirty hours. It looks as if nothing happens.",
            Bucket(11, 8, 8, 0), 30, null, new(0.95, 0.95, 1, 1, 1, 1, 1, 0.9, 1)),
        new("strong", "New compost", "The usual recipe, with compost from a new heap that nobody has brewed before.", Bucket(19, 15, 15, 0),
            24, null, new(1.25, 1.1, 1, 1, 1.2, 0.85, 0.9, 2.2, 1.1)),
        new("truck", "Waiting in the truck",
            "A good brew, grown and nearly ready. The wind gets up just when you mean to spray: it may be hours.", Bucket(22, 9, 9, 0, 8),
            20, null, new(1.1, 1, 1, 1, 1, 1, 1, 1.2, 1)),
    ];

    private static readonly Dictionary<string, string> Lessons = new() {
        ["sweet"] = "Food is what uses oxygen. A spoon of molasses on light air empties a bucket within hours, and it smells fine for "
            + "hours more.",
        ["warm"] = "Warmth quickens everything and holds less oxygen: the same recipe asks for more air, less food, or a shorter brew.",
        ["pump"] = "A pump that has stopped makes no sound. Only looking finds it, and by then minutes count.",
        ["cold"] = "Cold is slow, not dead. More food now is more food later, all at once; less cold or an extract is the way out.",
        ["strong"] = "Two heaps are two sources. The first hours' readings tell how strong this one is.",
        ["truck"] = "A thick warm brew is out of air in well under an hour once the pump is off: leave the air on until the nozzle is "
            + "ready, or take a battery pump.",
    };

    private static readonly Straying Pen = new(0.15);

    /// <summary>Plays the deeds so far. Worked: "pump" with no look between hour 7 and the end and a use at 28 h ends in a brew that must
    /// not go out.</summary>
    public static Ruling<PracticeAnswer> Of(PracticeQuestion q)
    {
        var checks = new Checks();
        var situation = Situations.FirstOrDefault(s => s.Id == q.Situation);
        if (situation is null)
        {
            checks.Add("situation", $"“{q.Situation}” is not a situation here.",
                "Choose " + Say.List([.. Situations.Select(s => s.Id)]) + ".");
        }

        var now = checks.Range("nowH", q.NowH, 0, SpanH, "h");
        if (q.Deeds.Count > 200)
        {
            checks.Add("deeds", "That is more than two hundred deeds.", "Begin again.");
        }

        for (var i = 0; i < Math.Min(q.Deeds.Count, 200); i++)
        {
            var d = q.Deeds[i];
            checks.Range($"deeds[{i}].atH", d.AtH, 0, now, "h", "Deeds lie before now.");
            if (d.Kind is not ("oxygen" or "warmth" or "smell" or "foam" or "bubbles" or "feed" or "secondPump" or "mendPump" or "cool"
                or "airOff" or "use" or "heap"))
            {
                checks.Add($"deeds[{i}].kind", $"“{d.Kind}” can't be done here.",
                    "Read oxygen, warmth, smell, foam or bubbles; feed, secondPump, mendPump, cool, airOff, use or heap.");
            }

            if (d.Kind == "feed")
            {
                checks.Range($"deeds[{i}].ml", d.Ml, 0.1, 500, "mL");
                if (Ingredients.Food(d.Food) is null)
                {
                    checks.Add($"deeds[{i}].food", $"“{d.Food}” is not a food that the model knows.", "Choose one from the list.");
                }
            }
        }

        return checks.Sound ? Play(situation!, q, now) : checks.Refusal;
    }

    private static Worked<PracticeAnswer> Play(PracticeSituation s, PracticeQuestion q, double now)
    {
        var deeds = q.Deeds.OrderBy(d => d.AtH).ToList();
        var end = deeds.FirstOrDefault(d => d.Kind is "use" or "heap");
        var over = end is not null || now >= SpanH;
        var until = end?.AtH ?? now;
        var hidden = Hide(s, deeds, q.Seed);
        var looks = deeds.Where(d => d.AtH <= until).Select(d => Look(d, hidden, s, deeds)).OfType<PracticeLook>().ToList();
        var readings = looks.Where(l => l.MgPerL is not null).Select(l => new OxygenAt { H = l.AtH, MgPerL = l.MgPerL!.Value }).ToList();
        var forecast = BrewForecast.Of(Asked(Known(s, deeds), readings, s.UseAtH)).Value;
        var done = deeds.Where(d => d.AtH <= until && !IsLook(d.Kind!)).Select(d => $"{Say.Hours(d.AtH)}: {Words(d)}").ToList();
        var answer = new PracticeAnswer(
            s.Name, s.Story, s.Brew, now, s.UseAtH, deeds.All(d => d.Kind != "airOff" || d.AtH > now), looks, done, forecast, over,
            over ? End(s, hidden, deeds, looks, forecast, end, until) : null);
        return Worked.Of(answer, "", Evidence.PractitionersRule,
            [BrewRun.ModelLine, new("a hidden brew", "the model with a truth of its own", $"seed {q.Seed}", "made up, for practice",
                "the trainer")]);
    }

    private static bool IsLook(string kind) => kind is "oxygen" or "warmth" or "smell" or "foam" or "bubbles";

    private static ForecastQuestion Asked(BrewQuestion brew, IReadOnlyList<OxygenAt> readings, double use) =>
        new(brew) { Hours = SpanH, Members = 200, UseAtH = use, Readings = readings };

    /// <summary>The brew as the grower knows it: fed, cooled and stopped by their own hands.</summary>
    private static BrewQuestion Known(PracticeSituation s, List<PracticeDeed> deeds)
    {
        var brew = s.Brew
            with {
            Foods = [.. s.Brew.Foods!, .. deeds.Where(d => d.Kind == "feed")
                .Select(d => new FoodAmount { Kind = d.Food, Ml = d.Ml, AtH = d.AtH })],
            AirOffAtH = deeds.FirstOrDefault(d => d.Kind == "airOff")?.AtH
        };
        return deeds.FirstOrDefault(d => d.Kind == "cool") is { } cool
            ? brew with {
                TemperatureByHour =
                [.. Enumerable.Range(0, 50).Select(h => s.Brew.WarmthAt(h) - (5 * Math.Clamp((h - cool.AtH) / 2, 0, 1)))]
            }
            : brew;
    }

    private static HiddenBrew Hide(PracticeSituation s, List<PracticeDeed> deeds, long seed)
    {
        var brew = Known(s, deeds);
        var kLa = brew.MakeReady().Setup!.KLa20;
        var changes = new List<(double, double)>();
        var strength = 1;
        var failed = false;
        var events = deeds.Where(d => d.Kind is "secondPump" or "mendPump").Select(d => (d.AtH, d.Kind!)).ToList();
        if (s.PumpFailsAtH is { } fails)
        {
            events.Add((fails, "fails"));
        }

        foreach (var (at, what) in events.OrderBy(e => e.Item1))
        {
            (strength, failed) = what switch {
                "secondPump" => (strength + 1, failed),
                "fails" => (strength, true),
                _ =>
                (strength, false)
            };
            var running = strength - (failed ? 1 : 0);
            changes.Add((at, running == 0 ? -1 : kLa * running));
        }

        // Another seed is another day: the situation's own truth, strayed a little from.
        var random = new SeededRandom((ulong)seed);
        double Near(double x) => x * Math.Exp(0.06 * random.NextNormal());
        var t = s.Truth;
        return HiddenBrew.Of(brew, changes, seed, new Multipliers(Near(t.GrowthB), Near(t.GrowthF), t.YieldB, t.YieldF, Near(t.Hydrolysis),
            Near(t.Alpha), Near(t.Surface), Near(t.Source), t.Food));
    }

    private static PracticeLook? Look(PracticeDeed d, HiddenBrew hidden, PracticeSituation s, List<PracticeDeed> deeds)
    {
        switch (d.Kind)
        {
            case "oxygen":
                var read = Math.Round(hidden.ReadAt(d.AtH, Pen)!.MgPerL, 1);
                return new(d.AtH, "oxygen", $"{Say.Fixed(read, 1)} mg/L", read);
            case "warmth":
                return new(d.AtH, "warmth", $"{Say.Fixed(hidden.WarmthAt(d.AtH), 1)} °C", null);
            case "smell":
                // It turns for the nose four hours after it has turned.
                return new(d.AtH, "smell", d.AtH > 4 && hidden.OxygenAt(d.AtH - 4) < 1.5 ? "sour" : d.AtH < 3
                    ? "sweet, of its foods" : "earthy", null);
            case "foam":
                return new(d.AtH, "foam", hidden.UseAt(d.AtH) switch {
                    > 30 => "over the side",
                    > 14 => "a thick head",
                    > 4 =>
                    "a little, white",
                    _ => "none"
                }, null);
            case "bubbles":
                var mended = deeds.Any(x => x.Kind is "mendPump" or "secondPump" && x.AtH >= s.PumpFailsAtH && x.AtH <= d.AtH);
                var off = deeds.Any(x => x.Kind == "airOff" && x.AtH <= d.AtH);
                return new(d.AtH, "bubbles", off || (s.PumpFailsAtH <= d.AtH && !mended)
                    ? "none: the water is still" : "rising well", null);
            default:
                return null;
        }
    }

    private static string Words(PracticeDeed d) => d.Kind switch {
        "feed" => $"fed {Say.Number(d.Ml ?? 0)} mL {Ingredients.Food(d.Food)!.Name}",
        "secondPump" => "hung in a second pump",
        "mendPump" => "looked to the pump and its plug",
        "cool" => "moved it 5 °C cooler",
        "airOff" => "stopped the air",
        "use" => "put it out",
        _ => "heaped it",
    };

    private static PracticeEnd End(PracticeSituation s, HiddenBrew hidden, List<PracticeDeed> deeds, List<PracticeLook> looks,
        ForecastAnswer forecast, PracticeDeed? end, double until)
    {
        var points = Enumerable.Range(0, (int)(SpanH * 2) + 1).Select(i => new OxygenPoint(i / 2.0, hidden.OxygenAt(i / 2.0))).ToList();
        var low = Enumerable.Range(0, (int)(Math.Max(until, 0.5) * 20) + 1)
            .Select(i => (H: Math.Min(i / 20.0, until), O: hidden.OxygenAt(Math.Min(i / 20.0, until)))).Where(x => x.H > 1 || until <= 1)
            .DefaultIfEmpty((H: until, O: hidden.OxygenAt(until))).MinBy(x => x.O);
        var sound = low.O >= BrewRun.Line;
        var grown = hidden.CellsAt(until) / Enumerable.Range(0, 49).Max(h => hidden.CellsAt(h));
        var seen = looks.Where(l => l.MgPerL is not null).ToList();
        var verdict = (end?.Kind, sound) switch {
            ("use", true) when seen.Count == 0 =>
                new Verdict(Tone.Mind, "It was sound, and you could not know it.", "No oxygen was read: unseen is neither pass nor fail."),
            ("use", true) => new Verdict(Tone.Go, "A sound brew went out.",
                $"Oxygen never fell below {Say.Fixed(low.O, 1)} mg/L, and it was {Say.Number(grown * 100, 2)} % as grown as it would get."),
            ("use", false) => new Verdict(Tone.Stop, "A failed brew went on plants.",
                $"Oxygen was down to {Say.Fixed(low.O, 1)} mg/L at {Say.Hours(low.H)}."),
            ("heap", false) =>
                new Verdict(Tone.Go, "Rightly heaped.", $"Oxygen was down to {Say.Fixed(low.O, 1)} mg/L at {Say.Hours(low.H)}."),
            ("heap", true) =>
                new Verdict(Tone.Mind, "A sound brew went on the heap.", $"Oxygen never fell below {Say.Fixed(low.O, 1)} mg/L up to then."),
            _ => new Verdict(Tone.Stop, "It stood for two days.", "Past 36 h no brew is fit to use."),
        };
        return new PracticeEnd(verdict, points, forecast, low.O, low.H, [.. Account(s, hidden, deeds, looks, end, until)], Lessons[s.Id]);
    }

    private static IEnumerable<string> Account(PracticeSituation s, HiddenBrew hidden, List<PracticeDeed> deeds, List<PracticeLook> looks,
        PracticeDeed? end, double until)
    {
        var oxygen = looks.Where(l => l.MgPerL is not null).ToList();
        var crossed = hidden.Below6AtH() is { } b && b <= until ? b : (double?)null;
        yield return oxygen.Count switch {
            0 => "You read no oxygen.",
            var n => $"You read oxygen {Say.Count(n, "time")}, first at {Say.Hours(oxygen[0].AtH)}, last "
                + $"at {Say.Hours(oxygen[^1].AtH)}.",
        };
        if (crossed is { } at)
        {
            var before = oxygen.LastOrDefault(o => o.AtH < at);
            var after = oxygen.FirstOrDefault(o => o.AtH >= at);
            yield return $"It fell below 6 mg/L at {Say.Hours(at)}"
                + (before is null
                    ? ", before any reading" : $", {Say.Hours(at - before.AtH)} after a reading of {Say.Fixed(before.MgPerL!.Value, 1)}")
                    + $"{(after is null ? ", and no reading saw it."
                    : $"; the next reading, {Say.Hours(after.AtH - at)} later, said {Say.Fixed(after.MgPerL!.Value, 1)}.")}";
            if (looks.FirstOrDefault(l => l.Kind == "smell" && l.AtH > at && l.Shown != "sour") is { } nose)
            {
                yield return $"At {Say.Hours(nose.AtH)} it smelt {nose.Shown}, though oxygen "
                    + $"was {Say.Fixed(hidden.OxygenAt(nose.AtH), 1)} mg/L.";
            }
        }

        foreach (var d in deeds.Where(d => d.AtH <= until && d.Kind is "feed" or "secondPump" or "cool" or "mendPump"))
        {
            var without = Hide(s, [.. deeds.Where(x => x != d)], 1);
            var with = Hide(s, deeds, 1);
            double Low(HiddenBrew h) => Enumerable.Range(0, 200)
                .Select(i => h.OxygenAt(d.AtH + 0.5 + ((Math.Max(until, d.AtH + 1) - d.AtH - 0.5) * i / 199))).Min();
            var (a, c) = (Low(with), Low(without));
            yield return $"{char.ToUpperInvariant(Words(d)[0])}{Words(d)[1..]} at {Say.Hours(d.AtH)}: "
                + $"{(a - c) switch {
                    > 0.1 => $"it kept oxygen {Say.Fixed(a - c, 1)} mg/L higher at its lowest",
                    < -0.1 => $"it cost {Say.Fixed(c - a, 1)} mg/L at the lowest",
                    _ => "it made no difference to the lowest oxygen"
                }}.";
        }

        if (s.PumpFailsAtH is { } fails && fails < until)
        {
            var found = looks.FirstOrDefault(l => l.Kind == "bubbles" && l.AtH >= fails)
                ?? (PracticeLook?)oxygen.FirstOrDefault(o => o.AtH >= fails && o.MgPerL < 6);
            yield return $"The pump stopped at {Say.Hours(fails)}"
                + (found is null ? ", and nothing you did would have shown it." : $"; you could have known at {Say.Hours(found.AtH)}.");
        }

        if (end?.Kind == "use" && deeds.FirstOrDefault(d => d.Kind == "airOff") is { } off && off.AtH <= end.AtH)
        {
            yield return $"It stood {Say.Hours(end.AtH - off.AtH)} without air and had {Say.Fixed(hidden.OxygenAt(end.AtH), 1)} mg/L when "
                + "it went out.";
        }
    }
}
