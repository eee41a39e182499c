namespace MudPie.Server.Web;

/// <summary>Pages of works.</summary>
internal static class WorkPages
{
    /// <summary>The page of a work.</summary>
    public static string Of(WorkKind kind, int id) => kind switch {
        WorkKind.Burn => $"/make/char/{id}",
        WorkKind.Sheet => $"/make/sheet/{id}",
        WorkKind.Byproduct => $"/make/byproduct/{id}",
        WorkKind.Preparation => $"/make/prep/{id}",
        _ => $"/make/worms/{id}",
    };
}
