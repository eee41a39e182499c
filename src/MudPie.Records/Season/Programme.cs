using MudPie.Core.PuttingOut;
using MudPie.Records.Ground;

namespace MudPie.Records.Season;

/// <summary>A season of givings on one bed. A plan: it may be changed.</summary>
public sealed class Programme
{
    public int Id { get; set; }

    public int BedId { get; set; }

    public Bed Bed { get; set; } = null!;

    /// <summary>Sowing or transplanting.</summary>
    public DateOnly Start { get; set; }

    public DateOnly Harvest { get; set; }

    /// <summary>The crop's stages as the grower dated them: a list of StageFrom as JSON; null for the table's.</summary>
    public IReadOnlyList<StageFrom>? Stages { get; set; }

    public List<Giving> Givings { get; } = [];
}

/// <summary>One giving of a programme.</summary>
public sealed class Giving : IVersioned
{
    public int Id { get; set; }

    public int ProgrammeId { get; set; }

    public Programme Programme { get; set; } = null!;

    /// <summary>A kind of biostimulant.</summary>
    public required string Kind { get; set; }

    /// <summary>Which input of the shelf; null for the first of its kind.</summary>
    public int? InputId { get; set; }

    public DateOnly On { get; set; }

    public required Purpose Purpose { get; set; }

    public double? OneIn { get; set; }

    /// <summary>The job that did it.</summary>
    public int? ApplicationId { get; set; }

    public Guid Version { get; set; }
}
