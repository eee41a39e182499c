using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Reckoning;

/// <summary>Something that is planned.</summary>
/// <param name="Key">Its stable name: "giving-12".</param>
/// <param name="Name">What.</param>
/// <param name="Kind">"giving", "brew", "going" (a brew that is under way, and can't be left out), "trial", "check" or "yard".</param>
/// <param name="On">The day.</param>
/// <param name="Minutes">Hands, 0 or more.</param>
/// <param name="Door">Where it is planned.</param>
public sealed record AheadItem(string Key, string Name, string Kind, DateOnly On, double Minutes, string Door)
{
    /// <summary>The practice that it belongs to; null for none.</summary>
    public string? Practice { get; init; }

    /// <summary>What that practice was worth; null where it was never reckoned.</summary>
    public ReckonWord? Word { get; init; }

    /// <summary>What an hour of it brings beyond its cost, money; null where not known.</summary>
    public double? WorthAnHour { get; init; }
}

/// <summary>A week.</summary>
/// <param name="From">Its Monday.</param>
/// <param name="Hours">Planned in it and not left out, h.</param>
/// <param name="Over">Above the hours that there are, h.</param>
/// <param name="Items">What is planned in it, in order.</param>
public sealed record AheadWeek(DateOnly From, double Hours, double Over, IReadOnlyList<AheadItem> Items);

/// <summary>A season ahead.</summary>
/// <param name="Weeks">Week by week, also those in which nothing is planned.</param>
/// <param name="HoursAWeek">That there are.</param>
/// <param name="Hours">Planned in all and not left out.</param>
/// <param name="CouldGo">What could go so that each week fits, least worth first; empty where all fits.</param>
/// <param name="StillOver">Weeks that would not fit even then.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record AheadAnswer(IReadOnlyList<AheadWeek> Weeks, double HoursAWeek, double Hours, IReadOnlyList<AheadItem> CouldGo,
    int StillOver, string Sentence);

/// <summary>Hours that are planned, week by week, against those there are.</summary>
public static class SeasonAhead
{
    /// <summary>Most weeks.</summary>
    public const int Most = 53;

    /// <summary>Lays it out.</summary>
    /// <param name="items">What is planned.</param>
    /// <param name="today">From the Monday of this day on.</param>
    /// <param name="weeks">1 to 53.</param>
    /// <param name="hoursAWeek">That there are, 0 to 168.</param>
    /// <param name="without">Keys of what is left out, to see what that does.</param>
    /// <remarks>4 h and 5 h in a week of 6: 3 h over; of a spray that was shown not to pay (5 h) and a trial (4 h), the spray could
    /// go.</remarks>
    public static Ruling<AheadAnswer> Of(IReadOnlyList<AheadItem> items, DateOnly today, int weeks, double hoursAWeek,
        IReadOnlyCollection<string> without)
    {
        var checks = new Checks();
        var many = (int)checks.Range("weeks", weeks, 1, Most, "weeks");
        var there = checks.Range("hoursAWeek", hoursAWeek, 0, 168, "h");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var first = Monday(today);
        List<AheadItem> planned = [.. items.Where(i => i.On >= first && i.On < first.AddDays(7 * many) && !without.Contains(i.Key))];
        var byWeek = planned.ToLookup(i => Monday(i.On));
        List<AheadWeek> laid = [.. Enumerable.Range(0, many).Select(n => first.AddDays(7 * n)).Select(m => Week(m, byWeek[m], there))];
        List<AheadItem> go = [];
        var still = 0;
        foreach (var week in laid.Where(w => w.Over > 0))
        {
            var over = week.Over;
            foreach (var item in week.Items.Where(i => i.Minutes > 0 && i.Kind != "going").OrderBy(Rank).ThenBy(i => i.WorthAnHour ?? 0)
                .ThenByDescending(i => i.Minutes))
            {
                if (over <= 1e-9)
                {
                    break;
                }

                go.Add(item);
                over -= item.Minutes / 60;
            }

            still += over > 1e-9 ? 1 : 0;
        }

        var all = planned.Sum(i => i.Minutes) / 60;
        return Worked.Of(new AheadAnswer(laid, there, all, [.. go.OrderBy(Rank).ThenBy(i => i.WorthAnHour ?? 0)], still,
            Sentence(laid, there, all)), "h", Evidence.PractitionersRule,
            [new("hours of a week", "Σ usual minutes ÷ 60", $"{planned.Count} things planned", $"{Say.Number(all, 2)} h in {many} weeks",
                "programmes, brews, checks and trials that are planned")]);
    }

    /// <summary>What goes first: what was shown not to pay, what nobody knows, what can't be told yet, a trial, looking, what paid, the
    /// yard that all of it lives on.</summary>
    private static int Rank(AheadItem i) => (i.Kind, i.Word) switch {
        (_, ReckonWord.Drop) => 0,
        (_, ReckonWord.TestOrDrop) => 1,
        ("trial", _) => 3,
        ("check", _) => 4,
        (_, ReckonWord.Keep) => 5,
        ("yard", _) => 6,
        _ => 2,
    };

    private static AheadWeek Week(DateOnly monday, IEnumerable<AheadItem> items, double there)
    {
        List<AheadItem> list = [.. items.OrderBy(i => i.On).ThenBy(i => i.Key, StringComparer.Ordinal)];
        var hours = list.Sum(i => i.Minutes) / 60;
        return new AheadWeek(monday, hours, Math.Max(0, hours - there), list);
    }

    private static DateOnly Monday(DateOnly day) => day.AddDays(-(((int)day.DayOfWeek + 6) % 7));

    private static string Sentence(List<AheadWeek> weeks, double there, double all)
    {
        var over = weeks.Where(w => w.Over > 0).ToList();
        return all <= 0 ? "Nothing is planned yet."
            : over.Count == 0 ? $"{Say.Number(all, 2)} h are planned, and every week fits into {Say.Number(there, 2)} h."
            : $"{Say.Count(over.Count, "week")} of {weeks.Count} {(over.Count == 1 ? "does" : "do")} not fit into "
                + $"{Say.Number(there, 2)} h: the week of {Say.Day(over.MaxBy(w => w.Over)!.From)} has "
                + $"{Say.Number(over.Max(w => w.Over), 2)} h too many.";
    }
}
