using MudPie.Core.Workings;
using MudPie.Records.Ground;

namespace MudPie.Server.Web;

/// <summary>What others know of a vessel that they share: it says what the kit says.</summary>
public interface IVesselCard
{
    /// <summary>What is changed of a vessel in the kit stands on its card, too: only its owner changes it, and only while it is
    /// here.</summary>
    /// <param name="own">As it is to be from now on.</param>
    /// <param name="field">Where it is said why not.</param>
    /// <returns>Why not; null where it may be.</returns>
    Task<Refusal?> Follow(Vessel own, string field);
}
