using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Server.Brewing;

/// <summary>A filling of the race, ready to read out; where there are many, those in the middle are left out.</summary>
public sealed record RaceRow(string Filling, string AirLost, string OutBy, string WithoutAir, bool WithinGrace);

/// <summary>The race ready to read out: the same on the plan, the live page, the windows, the tank and the card.</summary>
/// <param name="Verdict">Go, or which filling is flat.</param>
/// <param name="KitSays">What it is run with.</param>
/// <param name="GraceShown">What each filling may go without air.</param>
/// <param name="Rows">Filling by filling, in words.</param>
/// <param name="Saves">What would save it; empty where it is won.</param>
/// <param name="Won">Every filling is out in time.</param>
/// <param name="Strips">The same fillings to be drawn, min from the first draw.</param>
/// <param name="DoneAtMin">The last drop is out, min.</param>
/// <param name="LastDrawnAtMin">The air may go off, min; null where none is blown in.</param>
/// <param name="Fillings">How many in all.</param>
/// <param name="Otherwise">The same, were it run otherwise.</param>
public sealed record RaceView(Verdict Verdict, string KitSays, string GraceShown, IReadOnlyList<RaceRow> Rows,
    IReadOnlyList<string> Saves, bool Won, IReadOnlyList<RaceStrip> Strips, double DoneAtMin, double? LastDrawnAtMin, int Fillings,
    IReadOnlyList<RaceOtherwise> Otherwise);

/// <summary>Puts a race in words.</summary>
public static class RaceViews
{
    private const int Few = 4;

    /// <summary>A race in the holding's units.</summary>
    public static RaceView Of(RaceAnswer race, UnitSystem units)
    {
        var loads = race.Times.Loads;
        var many = loads.Count > Few;
        var lanes = race.Kit.Lanes > 1 ? $", {race.Kit.Lanes} at once" : "";
        var (tank, name) = (Units.Show(race.Kit.TankL, Dimension.Volume, units), race.Kit.Name ?? "A tank");
        return new RaceView(
            race.Verdict,
            $"{(name.Contains(tank, StringComparison.OrdinalIgnoreCase) ? name : $"{name} of {tank}")}{lanes}: "
                + $"draw {Say.Minutes(race.DrawMin)}, way {Say.Minutes(race.TravelMin)}, out {Say.Minutes(race.SprayMin)}",
            Say.Minutes(race.GraceMinutes),
            [.. loads.Select((l, i) => (l, i)).Where(x => !many || x.i < 2 || x.i == loads.Count - 1)
                .Select(x => new RaceRow(many && x.i == loads.Count - 1 ? $"… {x.i + 1}" : $"{x.i + 1}", Say.Minutes(x.l.AirLostAtMin),
                    Say.Minutes(x.l.OutByMin), Say.Minutes(x.l.MinutesWithoutAir), x.l.WithinGrace))],
            race.Won ? [] : race.Saves,
            race.Won,
            [.. race.Strips.Where((_, i) => !many || i < 2 || i == loads.Count - 1)],
            race.Times.DoneAtMin,
            race.Facts is { Dunked: false } ? race.LastDrawnAtMin : null,
            loads.Count,
            race.Facts is { } facts ? PutOutRace.Otherwise(facts) : []);
    }
}
