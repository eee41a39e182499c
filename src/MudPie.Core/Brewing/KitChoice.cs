namespace MudPie.Core.Brewing;

/// <summary>A vessel to choose from.</summary>
public sealed record VesselToChoose(int Id, string Shape, double WorkingL);

/// <summary>A pump to choose from.</summary>
public sealed record PumpToChoose(int Id, double OpenLpm, bool OnBattery);

/// <summary>A thing of the kit that is told apart by its kind: a diffuser, a water.</summary>
public sealed record KindToChoose(int Id, string Kind);

/// <summary>A water to choose from.</summary>
public sealed record WaterToChoose(int Id, WaterKind Kind);

/// <summary>What was chosen, by hand or by the house; null where there is none.</summary>
public sealed record KitChosen(int? VesselId, int? PumpId, int? DiffuserId, int? WaterId);

/// <summary>Proposes the kit that a grower has not chosen.</summary>
public static class KitChoice
{
    /// <summary>Air that a pump is looked for by, L/min per litre of brew.</summary>
    public const double AirPerLitre = 0.35;

    /// <summary>What usually hangs in a vessel of that shape.</summary>
    public static string UsualDiffuser(string shape) =>
        shape switch { "bucket" => "airStone", "barrel" => "drilledPipe", _ => "fineMembrane" };

    /// <summary>The smallest vessel that holds what the ground asks for, else the largest; the pump nearest to 0.35 L/min per litre; the
    /// diffuser usual for the vessel; the first water that is no open water. What was chosen by hand stays.</summary>
    /// <param name="wantedL">Litres that the ground asks for.</param>
    /// <param name="vessels">By their working volume, the smallest first.</param>
    /// <param name="pumps">All of them; one on a battery is for the way, and not proposed.</param>
    /// <param name="diffusers">All of them.</param>
    /// <param name="waters">All of them; open water is proposed last, and wants its test.</param>
    /// <param name="byHand">What was chosen already.</param>
    /// <remarks>90 L wanted, of vessels of 17, 150 and 900 L: the one of 150; of pumps of 6 and 60 L/min that of 60.</remarks>
    public static KitChosen Complete(double wantedL, IReadOnlyList<VesselToChoose> vessels, IReadOnlyList<PumpToChoose> pumps,
        IReadOnlyList<KindToChoose> diffusers, IReadOnlyList<WaterToChoose> waters, KitChosen byHand)
    {
        var vessel = byHand.VesselId is { } given ? vessels.FirstOrDefault(v => v.Id == given)
            : vessels.FirstOrDefault(v => v.WorkingL >= wantedL) ?? vessels.LastOrDefault();
        if (vessel is null)
        {
            return byHand;
        }

        var usual = UsualDiffuser(vessel.Shape);
        return new KitChosen(vessel.Id,
            byHand.PumpId ?? pumps.Where(p => !p.OnBattery).MinBy(p => Math.Abs(Math.Log(p.OpenLpm / (AirPerLitre * vessel.WorkingL))))?.Id,
            byHand.DiffuserId ?? (diffusers.FirstOrDefault(d => d.Kind == usual) ?? diffusers.FirstOrDefault())?.Id,
            byHand.WaterId ?? (waters.FirstOrDefault(w => w.Kind != WaterKind.Surface) ?? waters.FirstOrDefault())?.Id);
    }
}
