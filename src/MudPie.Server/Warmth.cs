using MudPie.Core.Brewing;

namespace MudPie.Server;

/// <summary>Runs the model for a second in the background after the start, so that the first slider a grower takes hold of already
/// follows.</summary>
public static class Warmth
{
    /// <summary>Thirty plans of a made-up bucket: enough for the compiler to have made its best of the solver.</summary>
    public static void Up()
    {
        var now = DateTimeOffset.UnixEpoch;
        for (var i = 0; i < 30; i++)
        {
            BrewPlan.Of(
                new BrewPlanQuestion {
                    Beds = [new PlanBed { Name = "bed", AreaM2 = 200 }],
                    Purpose = Purpose.Leaf,
                    Now = now,
                    UseAt = now.AddHours(50),
                    VesselWorkingL = 17,
                    VesselDepthM = 0.28,
                    PumpOpenLpm = 6,
                    PumpShutOffKPa = 20,
                    Diffuser = "airStone",
                    ChlorineMgPerL = 0,
                    WarmthC = 15 + (i % 10),
                    SwingC = 2,
                    Members = 60,
                },
                at => at);
        }
    }
}
