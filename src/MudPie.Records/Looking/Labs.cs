using MudPie.Core.Sheets;

namespace MudPie.Records.Looking;

/// <summary>A lab: by how much its figures stray, and how its files are read.</summary>
public sealed class Lab : IVersioned
{
    public int Id { get; set; }

    public required string Name { get; set; }

    /// <summary>From one sample of the same ground to the next, as a share.</summary>
    public double Stray { get; set; } = SheetChange.UsualStray;

    /// <summary>What each column of its files means; null before one was read.</summary>
    public IReadOnlyList<LabColumn>? Columns { get; set; }

    /// <inheritdoc/>
    public Guid Version { get; set; }
}
