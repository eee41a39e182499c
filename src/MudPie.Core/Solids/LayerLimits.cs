using MudPie.Core.Mixing;

namespace MudPie.Core.Solids;

/// <summary>How thick a layer of a thing may lie.</summary>
/// <param name="Mm">The thickest, mm.</param>
/// <param name="Why">What a thicker one does.</param>
public sealed record LayerLimit(double Mm, string Why);

/// <summary>The thickest layers that are usual on top of the ground.</summary>
public static class LayerLimits
{
    private static readonly Dictionary<string, LayerLimit> Known = new() {
        ["grass"] = new(25, "it mats, turns slimy and keeps air out"),
        ["grounds"] = new(25, "it cakes and sheds rain"),
        ["scraps"] = new(25, "it smells and draws rats"),
        ["residue"] = new(100, "it mats and draws slugs"),
        ["seaweed"] = new(75, "it mats, and its salt adds up"),
        ["leaves"] = new(100, "it mats and sheds rain"),
        ["straw"] = new(150, "rain no longer comes through, and slugs and mice live in it"),
        ["cardboard"] = new(10, "rain no longer comes through"),
        ["chip"] = new(100, "rain no longer comes through, and stems rot in it"),
        ["brash"] = new(100, "rain no longer comes through, and stems rot in it"),
        ["bark"] = new(75, "rain no longer comes through"),
        ["sawdust"] = new(50, "it cakes and sheds rain"),
        ["hulls"] = new(50, "it blows about and sheds rain"),
        ["cattle"] = new(50, "it heats, and its nitrate runs off"),
        ["hen"] = new(10, "it burns roots, and its nitrate runs off"),
        ["compost"] = new(75, "it feeds drains, not roots"),
        ["castings"] = new(25, "it is wasted on one bed"),
        ["kitchen-dried"] = new(5, "it molds to a skin, and its salts add up"),
        ["char"] = new(20, "it is hardly tried: test it on a strip first"),
        ["feather"] = new(3, "it burns roots"),
    };

    /// <summary>The limit of a material; null where none is usual.</summary>
    /// <param name="of">The material; null where nobody knows it.</param>
    /// <remarks>Coffee grounds: 25 mm. Source: usual advice on mulches, which differs by half; on trees and shrubs more is borne than on
    /// beds.</remarks>
    public static LayerLimit? Of(Material? of) => of is null ? null : Known.GetValueOrDefault(of.Id);
}
