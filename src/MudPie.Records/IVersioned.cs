namespace MudPie.Records;

/// <summary>What two windows may change: each write gives it a new version, and a change of an older version is refused.</summary>
public interface IVersioned
{
    /// <summary>Changed at every write, so that two windows do not overwrite each other.</summary>
    Guid Version { get; set; }
}
