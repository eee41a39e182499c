using System.ComponentModel.DataAnnotations.Schema;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using MudPie.Server.Web;

namespace MudPie.Server.People;

/// <summary>Somebody who comes in.</summary>
/// <remarks>At a co-operative's box two holdings may each have somebody of one name: there the name by which the file tells them apart has
/// the holding's after it, where they were let in first, as in "the hand@north-field".</remarks>
public sealed class Person : IdentityUser<int>
{
    /// <summary>The holding of a box at which they were let in first; empty for who keeps the box, and where there is one holding
    /// only.</summary>
    public string Home { get; set; } = "";

    /// <summary>What they are called.</summary>
    [NotMapped]
    public string Called => Spoken(UserName!, Home);

    /// <summary>The name by which the file tells people apart.</summary>
    /// <param name="name">What they are called.</param>
    /// <param name="home">Where they were let in first.</param>
    /// <returns>"the hand@north-field"; the name alone where there is one holding only.</returns>
    public static string Sign(string name, string home) => home.Length == 0 ? name : $"{name}@{home}";

    /// <summary>The other way round.</summary>
    public static string Spoken(string userName, string home) => home.Length == 0 ? userName : userName[..^(home.Length + 1)];
}

/// <summary>What a person may at a holding.</summary>
[PrimaryKey(nameof(PersonId), nameof(Holding))]
public sealed class Membership
{
    public int PersonId { get; set; }

    public Person Person { get; set; } = null!;

    /// <summary>Which; empty for the one in whose file this lies.</summary>
    public required string Holding { get; set; }

    public Role Role { get; set; }

    /// <summary>Since when no more; null while they come.</summary>
    public DateTimeOffset? EndedAt { get; set; }
}

/// <summary>How somebody comes in.</summary>
public enum DeviceKind
{
    /// <summary>By a password at a desk: it ends by itself.</summary>
    Sitting,

    /// <summary>By a code: it stays until it is struck off.</summary>
    Joined,
}

/// <summary>A phone, or a sitting at a desk.</summary>
public sealed class Device
{
    public int Id { get; set; }

    public int PersonId { get; set; }

    public Person Person { get; set; } = null!;

    /// <summary>The holding that it comes to; empty as in <see cref="Membership.Holding"/>.</summary>
    public string Holding { get; set; } = "";

    public DeviceKind Kind { get; set; }

    public required string Name { get; set; }

    public DateTimeOffset JoinedAt { get; set; }

    /// <summary>When somebody last had it in hand, to ten minutes.</summary>
    public DateTimeOffset SeenAt { get; set; }

    public DateTimeOffset? StruckAt { get; set; }

    public string? StruckBy { get; set; }
}

/// <summary>A code that lets one phone in, once.</summary>
public sealed class JoinCode
{
    public int Id { get; set; }

    public int PersonId { get; set; }

    public Person Person { get; set; } = null!;

    /// <summary>The holding that it lets in to.</summary>
    public string Holding { get; set; } = "";

    /// <summary>SHA-256 of it in hex: the code itself is kept nowhere.</summary>
    public required string Digest { get; set; }

    public DateTimeOffset Expires { get; set; }

    public DateTimeOffset? UsedAt { get; set; }
}

/// <summary>Something that happened at the door.</summary>
public enum DoorEvent
{
    OwnerMade,
    SignedIn,
    SignedOut,
    WrongPassword,
    Locked,
    CodeMade,
    Joined,
    WrongCode,
    CodesVoid,
    StruckOff,
    RoleChanged,
    PersonEnded,
    PasswordChanged,
    PasskeyAdded,
    PasskeyGone,
    Opened,
    Closed,
    Restored,
    FeedChanged,
    HoldingMade,
    HoldingAway,
    HoldingBack,
    HoldingOwner,
}

/// <summary>One line of what happened at the door; never changed.</summary>
public sealed class Happening
{
    public int Id { get; set; }

    /// <summary>At which holding's door.</summary>
    public string Holding { get; set; } = "";

    public DateTimeOffset At { get; set; }

    public DoorEvent What { get; set; }

    /// <summary>Who did it; null where nobody was signed in.</summary>
    public string? Who { get; set; }

    /// <summary>Whom or what it was about.</summary>
    public string? About { get; set; }

    /// <summary>From which address; null at the machine itself.</summary>
    public string? From { get; set; }
}
