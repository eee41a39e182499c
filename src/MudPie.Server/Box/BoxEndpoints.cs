using Microsoft.EntityFrameworkCore;
using MudPie.Core.Keeping;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Held;
using MudPie.Server.People;
using MudPie.Server.Shared;
using MudPie.Server.Web;

namespace MudPie.Server.Box;

/// <summary>A holding that somebody comes to.</summary>
/// <param name="Name">By which it is asked for.</param>
/// <param name="Title">What its growers call it; null before it is set up.</param>
/// <param name="Role">What they may there.</param>
/// <param name="Address">Where it is.</param>
public sealed record BoxMine(string Name, string? Title, Role Role, string Address);

/// <summary>A holding of the box, as whoever keeps the box sees it: nothing of its record.</summary>
/// <param name="Name">By which it is asked for.</param>
/// <param name="HeldAs">How it is kept.</param>
/// <param name="Says">The same in words, with its size, people and last copy.</param>
/// <param name="Old">True where its last copy is older than two days, although it is set up.</param>
/// <param name="Address">Where it is.</param>
public sealed record BoxHolding(string Name, HeldAs HeldAs, string Says, bool Old, string Address);

/// <summary>A co-operative's box.</summary>
/// <param name="Mine">The holdings that whoever asks comes to.</param>
/// <param name="All">All of them, for whoever keeps the box: the first hundred that fit what was looked for; null for all others.</param>
/// <param name="Says">How many there are, and how many are open; null where nobody is told.</param>
public sealed record BoxView(IReadOnlyList<BoxMine> Mine, IReadOnlyList<BoxHolding>? All, string? Says);

/// <summary>A new holding.</summary>
/// <param name="Name">By which it is asked for: "north-field".</param>
/// <param name="Owner">What its first owner is called.</param>
public sealed record BoxHoldingRequest(string Name, string Owner);

/// <summary>Somebody who is to be an owner of a holding.</summary>
/// <param name="Owner">What they are called there; somebody new, or somebody whose password is lost.</param>
/// <param name="Password">Of whoever keeps the box, again.</param>
public sealed record BoxOwnerRequest(string Owner, string? Password = null);

/// <summary>A co-operative's box: the holdings on it, for whoever comes to them and for whoever keeps it.</summary>
public static class BoxEndpoints
{
    private const int Most = 100;
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(75); // longer than any request takes

    /// <summary>What can be done.</summary>
    public static void MapBox(this IEndpointRouteBuilder api)
    {
        api.MapGet("/box", See).ForVisitor("The holdings of the box that one comes to; all of them for whoever keeps it.").OnlyAtBox();
        api.MapPost("/box/holdings", Make).ForOwner("Makes a holding, and a code for its first owner.").OnlyAtBox();
        api.MapPost("/box/holdings/{name}/owner", Owner).ForOwner("A code for an owner of a holding, whose people see that it was made.")
            .OnlyAtBox();
        api.MapPost("/box/holdings/{name}/archive", Archive).ForOwner("Puts a holding away, with its people in its file.").OnlyAtBox();
        api.MapPost("/box/holdings/{name}/back", Back).ForOwner("Brings a holding back that was put away.").OnlyAtBox();
    }

    private static async Task<Ok<BoxView>> See(OpenHoldings all, PeopleDb db, Whoever who, TimeProvider time, HttpContext context,
        string? find = null)
    {
        var come = who.Person is not { } person ? [] : await db.Memberships.AsNoTracking()
            .Where(m => m.PersonId == person && m.Holding != "" && m.EndedAt == null).OrderBy(m => m.Holding)
            .Select(m => new { m.Holding, m.Role }).ToListAsync();
        var mine = come.Where(m => File.Exists(all.FileOf(m.Holding))).Select(m => new BoxMine(m.Holding,
            HoldingGlance.Title(all.FileOf(m.Holding)), m.Role, Served.AddressOf(context, m.Holding)!)).ToList();
        if (who.Role < Role.Owner)
        {
            return TypedResults.Ok(new BoxView(mine, null, null));
        }

        var people = await db.Memberships.Where(m => m.Holding != "" && m.EndedAt == null).GroupBy(m => m.Holding)
            .Select(g => new { g.Key, Count = g.Count() }).ToDictionaryAsync(g => g.Key, g => g.Count);
        var (names, put) = (all.Names(), all.Archived());
        bool Fits(string name) => find is not { Length: > 0 } || name.Contains(find, StringComparison.OrdinalIgnoreCase);
        var shown = names.Where(Fits).Select(n => Line(n, all, people.GetValueOrDefault(n), time, context))
            .Concat(put.Where(Fits).Select(n => Away(n, all, context))).Take(Most).ToList();
        return TypedResults.Ok(new BoxView(mine, shown, $"{Many(names.Count, "holding", "holdings")}, {Say.Number(all.Open)} open"
            + (put.Count > 0 ? $"; {Say.Number(put.Count)} put away" : "")));
    }

    private static BoxHolding Line(string name, OpenHoldings all, int people, TimeProvider time, HttpContext context)
    {
        var (file, now) = (all.FileOf(name), time.GetLocalNow());
        var newest = CopyRotation.Newest(now, [.. DatedCopies.In(DatedCopies.Folder(file), file).Select(c => c.Day)]);
        var (open, setUp) = (all.Stands(name).IsOpen, HoldingGlance.Title(file) is not null);
        var age = newest is { } day ? CopyRotation.AgeDays(now, day) : (int?)null;
        return new BoxHolding(name, open ? HeldAs.Open : HeldAs.Closed,
            $"{Size(file)}, {Many(people, "person", "people")}, " + (setUp ? age switch {
                null => "no copy yet",
                0 => "copied today",
                1 => "copied yesterday",
                { } days => $"copied {Say.Number(days)} days ago",
            } : "not set up yet"), setUp && age is > CopyRotation.OldDays, Served.AddressOf(context, name)!);
    }

    private static BoxHolding Away(string name, OpenHoldings all, HttpContext context) => new(name, HeldAs.Archived,
        Size(Path.Combine(all.Archive, name + OpenHoldings.End)), false, Served.AddressOf(context, name)!);

    private static string Many(int n, string one, string several) => $"{Say.Number(n)} {(n == 1 ? one : several)}";

    private static string Size(string file) => $"{Say.Fixed(new FileInfo(file).Length / 1e6, 1)} MB";

    private static async Task<Results<Ok<CodeView>, Refused>> Make(BoxHoldingRequest r, OpenHoldings all, Whoever who, PeopleDesk box,
        TimeProvider time, HttpContext context)
    {
        var name = r.Name.Trim();
        if (!OpenHoldings.CanBeCalled(name))
        {
            return Problems.Of(Refusal.Of("name", "A holding is not called that here: its name is part of an address.",
                "Give small letters, figures and hyphens, up to 40, as in north-field."));
        }

        if (File.Exists(all.FileOf(name)) || all.Archived().Contains(name))
        {
            return Problems.Of(Refusal.Of("name", $"There is a holding “{name}” already.", "Give another name, or bring that one back."));
        }

        using var scope = Scope(all.ToBe(name), who);
        var desk = scope.ServiceProvider.GetRequiredService<PeopleDesk>();
        await desk.Forget(); // one of this name may have been here, and gone elsewhere
        await scope.ServiceProvider.GetRequiredService<SharedDesk>().Forget(name);
        var (person, refusal) = await desk.Make(r.Owner, null, Role.Owner); // before the file: where it can't be made, this is done again
        if (refusal is not null)
        {
            return Problems.Of(Called(refusal));
        }

        try
        {
            using var lease = HoldingLease.Take(all.FileOf(name));
            HoldingFile.Prepare(all.FileOf(name));
        }
        catch (Exception e) when (FileTrouble.Of(e) is { } trouble)
        {
            return Problems.Of(Refusal.Of("name", trouble.Wrong, trouble.WayOut));
        }

        await box.Happen(DoorEvent.HoldingMade, name);
        return TypedResults.Ok(await Code(name, person!, scope, time, context));
    }

    private static async Task<Results<Ok<CodeView>, Refused, Missing>> Owner(string name, BoxOwnerRequest r, OpenHoldings all, Whoever who,
        PeopleDesk box, TimeProvider time, HttpContext context)
    {
        if (!OpenHoldings.CanBeCalled(name) || !File.Exists(all.FileOf(name)))
        {
            return Problems.NotFound("holding");
        }

        if (await box.VouchAgain(r.Password) is { } unknown)
        {
            return Problems.Of(unknown);
        }

        using var visit = await all.Enter(name); // whom its file knows comes first
        using var scope = Scope(all.ToBe(name), who);
        var desk = scope.ServiceProvider.GetRequiredService<PeopleDesk>();
        var (person, refusal) = await desk.OwnerToBe(r.Owner);
        if (refusal is not null)
        {
            return Problems.Of(Called(refusal));
        }

        await box.Happen(DoorEvent.HoldingOwner, name);
        return TypedResults.Ok(await Code(name, person!, scope, time, context));
    }

    private static Refusal Called(Refusal refusal) => refusal.Problems[0] is { Field: "name" } p
        ? Refusal.Of("owner", p.Wrong, p.WayOut) : refusal;

    private static async Task<CodeView> Code(string name, Person person, IServiceScope scope, TimeProvider time,
        HttpContext context)
    {
        var code = await scope.ServiceProvider.GetRequiredService<JoinDesk>().Code(person);
        var address = $"{Served.AddressOf(context, name)}/join#{code}";
        return new CodeView(code, person.Called, time.GetUtcNow() + JoinDesk.CodeGood, address, QrCodes.Square(address));
    }

    private static IServiceScope Scope(OneHolding holding, Whoever who)
    {
        var scope = holding.Scopes.CreateScope();
        scope.ServiceProvider.GetRequiredService<Whoever>().Name = $"{who.Name} (keeps the box)"; // so that its owners see who it was
        return scope;
    }

    private static async Task<Results<Ok<Done>, Refused, Missing>> Archive(string name, OpenHoldings all, PeopleCarried people,
        PeopleDesk box)
    {
        if (!OpenHoldings.CanBeCalled(name) || !File.Exists(all.FileOf(name)))
        {
            return Problems.NotFound("holding");
        }

        var file = all.FileOf(name);
        try
        {
            var done = await all.WhileShut(name, async holding =>
            {
                Directory.CreateDirectory(all.Archive);
                await people.Out(holding);
                HoldingFile.Alone(file);
                File.Move(file, Path.Combine(all.Archive, Path.GetFileName(file)));
            }, Patience);
            if (!done)
            {
                return Problems.Of(Refusal.Of("name", "Somebody is there still.", "It is as it was. Try again in a minute."));
            }

            await box.Happen(DoorEvent.HoldingAway, name);
            return TypedResults.Ok(new Done());
        }
        catch (Exception e) when (FileTrouble.Of(e) is not null || e is IOException)
        {
            return Problems.Of(Refusal.Of("name", FileTrouble.Of(e)?.Wrong ?? e.Message, "It is as it was. Mend that, and try again."));
        }
    }

    private static async Task<Results<Ok<Done>, Refused, Missing>> Back(string name, OpenHoldings all, PeopleDesk box)
    {
        if (!all.Archived().Contains(name))
        {
            return Problems.NotFound("holding");
        }

        if (File.Exists(all.FileOf(name)))
        {
            return Problems.Of(Refusal.Of("name", "There is another holding of that name by now.", "Put that one away first."));
        }

        File.Move(Path.Combine(all.Archive, name + OpenHoldings.End), all.FileOf(name));
        await box.Happen(DoorEvent.HoldingBack, name);
        return TypedResults.Ok(new Done());
    }
}
