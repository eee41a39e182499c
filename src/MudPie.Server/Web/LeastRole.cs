using Microsoft.AspNetCore.Authorization;

namespace MudPie.Server.Web;

/// <summary>What somebody may do: each may what those before may.</summary>
public enum Role
{
    /// <summary>Nothing: not signed in.</summary>
    Nobody,

    /// <summary>Reads, and works things out; keeps nothing.</summary>
    Visitor,

    /// <summary>Writes the record.</summary>
    Hand,

    /// <summary>Lets people in and strikes phones off, sets the holding, copies it and puts copies back.</summary>
    Owner,
}

/// <summary>The least role that an endpoint asks for.</summary>
/// <param name="role">It.</param>
public sealed class LeastRole(Role role) : IAuthorizationRequirement, IAuthorizationRequirementData, IAuthorizeData
{
    string? IAuthorizeData.Policy { get; set; }

    string? IAuthorizeData.Roles { get; set; }

    string? IAuthorizeData.AuthenticationSchemes { get; set; }

    /// <summary>It.</summary>
    public Role Role => role;

    /// <inheritdoc/>
    public IEnumerable<IAuthorizationRequirement> GetRequirements() => [this];
}

/// <summary>How an endpoint names its least role, together with the sentence that says what it does. One that names none is open to
/// nobody.</summary>
public static class LeastRoles
{
    /// <summary>For whoever asks, signed in or not.</summary>
    public static RouteHandlerBuilder ForAnybody(this RouteHandlerBuilder door, string says) => door.Least(Role.Nobody, says);

    /// <summary>For whoever may read.</summary>
    public static RouteHandlerBuilder ForVisitor(this RouteHandlerBuilder door, string says) => door.Least(Role.Visitor, says);

    /// <summary>For whoever may write.</summary>
    public static RouteHandlerBuilder ForHand(this RouteHandlerBuilder door, string says) => door.Least(Role.Hand, says);

    /// <summary>For the owner.</summary>
    public static RouteHandlerBuilder ForOwner(this RouteHandlerBuilder door, string says) => door.Least(Role.Owner, says);

    private static RouteHandlerBuilder Least(this RouteHandlerBuilder door, Role role, string says) =>
        door.WithMetadata(new LeastRole(role)).WithSummary(says);
}

/// <summary>Who asks, for the length of one request.</summary>
public sealed class Whoever
{
    /// <summary>Their name; null where nobody has to sign in, or has.</summary>
    public string? Name { get; set; }

    /// <summary>Number of the person; null as above.</summary>
    public int? Person { get; set; }

    /// <summary>Number of the device that they came by; null as above.</summary>
    public int? Device { get; set; }

    /// <summary>What the device is called.</summary>
    public string? DeviceName { get; set; }

    /// <summary>What they may.</summary>
    public Role Role { get; set; }
}
