using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>One filling to be drawn, in minutes from the first draw.</summary>
/// <param name="Filling">Its number, from 1.</param>
/// <param name="DrawFromMin">Its draw begins.</param>
/// <param name="DrawnAtMin">Its draw ends, and the way begins.</param>
/// <param name="SprayFromMin">It is at the bed.</param>
/// <param name="OutByMin">Its last drop is on the ground.</param>
/// <param name="AirLostAtMin">It loses its air.</param>
/// <param name="FlatAtMin">It is flat from here on: its air lost, and the grace gone.</param>
/// <param name="WithinGrace">Whether it is out before that.</param>
public sealed record RaceStrip(int Filling, double DrawFromMin, double DrawnAtMin, double SprayFromMin, double OutByMin,
    double AirLostAtMin, double FlatAtMin, bool WithinGrace);

/// <summary>The race run otherwise.</summary>
/// <param name="What">What would be otherwise: "two people, two sprayers".</param>
/// <param name="Says">What would come of it.</param>
/// <param name="Won">Whether every filling would be out in time.</param>
public sealed record RaceOtherwise(string What, string Says, bool Won);

/// <content>The race run otherwise.</content>
public static partial class PutOutRace
{
    /// <summary>The same race, were it run otherwise: the air off too early, more hands, a knapsack. Each by the same sum.</summary>
    /// <remarks>300 L thinned 1:5 by a 400 L boom at 30 L/min, drawn at 40, 3 min away, with the air off before the first filling:
    /// "5 fillings; filling 2 is flat by 12 min" where it keeps 44.</remarks>
    public static IReadOnlyList<RaceOtherwise> Otherwise(RaceFacts f)
    {
        var now = Answer(f).Times.DoneAtMin;
        var list = new List<RaceOtherwise>();
        void Try(string what, RaceFacts other)
        {
            if (other.MixL / other.Kit.TankL / other.Kit.Lanes > MostLoads)
            {
                list.Add(new(what, "nobody’s day’s work", false));
                return;
            }

            var a = Answer(other);
            var by = Math.Round(a.Times.DoneAtMin - now);
            var done = by == 0 ? "done at the same time" : $"done {Say.Minutes(Math.Abs(by))} {(by < 0 ? "sooner" : "later")}";
            var fillings = Say.Count(a.Times.Loads.Count, "filling");
            list.Add(new(what, a.Won ? $"{fillings}, {done}"
                : $"{fillings}; filling {a.FlatLoads[0]} is flat by "
                    + Say.Minutes(Math.Ceiling(a.Times.Loads[a.FlatLoads[0] - 1].MinutesWithoutAir - a.GraceMinutes)), a.Won));
        }

        if (!f.Dunked)
        {
            Try(f.AirOffAtMin is null ? "air off before the first filling" : "air on until the last draw",
                f with { AirOffAtMin = f.AirOffAtMin is null ? 0 : null });
        }

        var lanes = f.Kit.Lanes == 1 ? "two people, two sprayers" : $"{f.Kit.Lanes + 1} sprayers at once";
        Try(lanes, f with { Kit = f.Kit with { Lanes = f.Kit.Lanes + 1 } });
        if (f.Kit.Kind == "knapsack" && f.Kit.TankL <= 20)
        {
            Try("half a tank at a time", f with { Kit = f.Kit with { TankL = f.Kit.TankL / 2 } });
        }
        else
        {
            Try("a knapsack", f with { Kit = f.Kit with { Name = null, Kind = "knapsack", TankL = 15, FlowLpm = null } });
        }

        return list;
    }
}
