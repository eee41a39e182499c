using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Records.Shelf;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>A candidate as it is typed.</summary>
public sealed record CandidateRequest
{
    public int? InputId { get; init; }

    /// <summary>On a hectare: "5 L", "300 g"; on an acre in a US holding; the label's where it is left out.</summary>
    public string? RatePerHa { get; init; }

    /// <summary>It is what others are mixed with: "carrier"; else "candidate".</summary>
    public PatchRole? Role { get; init; }

    /// <summary>A candidate that goes out in the carrier, which lies alone on a patch of its own.</summary>
    public bool InCarrier { get; init; }
}

/// <summary>A square-metre test as it is typed.</summary>
public sealed record PatchTestRequest
{
    public int? BedId { get; init; }

    public IReadOnlyList<CandidateRequest>? Candidates { get; init; }

    /// <summary>Patches of each, 1 to 6; water too.</summary>
    public int? Each { get; init; }

    public string? Area { get; init; }

    /// <summary>Water on a square metre: "100 mL".</summary>
    public string? Water { get; init; }

    public bool MeterCorrects { get; init; }
}

/// <summary>Leaves of a patch.</summary>
public sealed record PatchLeavesRequest
{
    /// <summary>A <see cref="PatchPhase"/> by its word.</summary>
    public string? Phase { get; init; }

    public string? Readings { get; init; }

    public string? Temperature { get; init; }

    /// <summary>When they were read; now where not given.</summary>
    public DateTimeOffset? At { get; init; }
}

/// <summary>A patch as it stands.</summary>
public sealed record PatchView(int Id, int Order, string Name, PatchRole Role, int? InputId, PatchDoseAnswer? Dose,
    IReadOnlyList<double>? Before, IReadOnlyList<double>? After, DateTimeOffset? AfterAt);

/// <summary>A test as it stands.</summary>
/// <param name="ReadFrom">From when leaves are to be read again; null before the products went on.</param>
/// <param name="ReadUntil">Until when.</param>
public sealed record PatchTestView(int Id, int BedId, string Bed, string Crop, DateTimeOffset At, string AreaShown, DateTimeOffset? PutOnAt,
    DateTimeOffset? ReadFrom, DateTimeOffset? ReadUntil, IReadOnlyList<PatchView> Patches, Worked<PatchAnswer>? Answer, string? Wants,
    int? WinnerInputId, IReadOnlyList<Caution> Cautions);

/// <summary>The products went on.</summary>
/// <param name="At">When; now where not given.</param>
public sealed record PutOnRequest(DateTimeOffset? At);

/// <summary>Square-metre patches.</summary>
public static class PatchEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapPatches(this IEndpointRouteBuilder api)
    {
        api.MapGet("/judge/patches", Read).ForVisitor("Patch tests: does a thing lift brix within the hour?");
        api.MapPost("/judge/patches", Make).ForHand("Marks patches and draws their order by lot.");
        api.MapPost("/judge/patches/{id:int}/on", PutOn).ForHand("They are on: the hour begins.");
        api.MapPost("/judge/patches/patch/{id:int}/leaves", Leaves).ForHand("Readings of a patch, before or after.");
    }

    private static async Task<Ok<List<PatchTestView>>> Read(HoldingDb db, HoldingClock clock)
    {
        var units = await clock.Units();
        var tests = await db.PatchTests.AsNoTracking().Include(t => t.Bed).Include(t => t.Patches.OrderBy(p => p.Order))
            .ThenInclude(p => p.Leaves).AsSplitQuery().OrderByDescending(t => t.At).Take(20).ToListAsync();
        return TypedResults.Ok(tests.Select(t => View(t, units)).ToList());
    }

    /// <summary>What a test says, once all of it was read before and after; null before that.</summary>
    internal static PatchAnswer? Judged(PatchTest t) => View(t, UnitSystem.Metric).Answer?.Value;

    private static PatchTestView View(PatchTest t, UnitSystem units)
    {
        static List<double>? At20(Patch p, PatchPhase phase) => p.Leaves.Where(l => l.Phase == phase).MaxBy(l => l.Id) is { } l
            ? [.. l.Read.Select(x => x.At20)] : null;
        var read = t.Patches.Select(p => (Patch: p, Before: At20(p, PatchPhase.Before), After: At20(p, PatchPhase.After))).ToList();
        var whole = read.All(r => r.Before is not null && r.After is not null);
        var answer = whole
            ? Core.Judging.Patches
                .Of([.. read.Select(r => new PatchRead { Candidate = r.Patch.Name, Role = r.Patch.Role, In = r.Patch.CarrierName,
                    Before = r.Before!, After = r.After! })]) : null;
        var views = read.Select(r => new PatchView(
            r.Patch.Id, r.Patch.Order, r.Patch.Name, r.Patch.Role, r.Patch.InputId,
            Dose(t, r.Patch, units),
            r.Before, r.After, r.Patch.Leaves.Where(l => l.Phase == PatchPhase.After).MaxBy(l => l.Id)?.At)).ToList();
        var wants = whole ? null : read.Any(r => r.Before is null)
            ? $"Read {Say.Count(read.Count(r => r.Before is null), "more patch", "more patches")} before anything goes on."
            : t.PutOnAt is null ? "Put each on its patch, water too, and say so."
                : "Read all again 40 to 60 minutes after.";
        var winner = answer is { Refused: null } ? t.Patches.FirstOrDefault(p => p.Name == answer.Value.Winner)?.InputId : null;
        return new PatchTestView(t.Id, t.BedId, t.Bed.Name, t.Bed.Crop, t.At, Units.Show(t.AreaM2, Dimension.Area, units), t.PutOnAt,
            t.PutOnAt?.AddMinutes(40), t.PutOnAt?.AddMinutes(60), views, answer is { Refused: null } ? answer.Worked : null,
            wants ?? answer?.Refused?.ToString(), winner, t.PutOnAt is null ? [Cautions.Spraying] : []);
    }

    /// <summary>What to measure out for a patch, with the carrier's share where it goes out in one.</summary>
    private static PatchDoseAnswer? Dose(PatchTest t, Patch p, UnitSystem units)
    {
        PatchDoseAnswer? Of(Patch? x) => x?.RatePerHa is { } rate
            && PatchDose.Of(rate, x.RateUnit!, t.AreaM2, t.WaterMlPerM2, units) is { Refused: null } dose ? dose.Value : null;
        var carrier = Of(t.Patches.FirstOrDefault(x => x.Role == PatchRole.Carrier && x.Name == p.CarrierName));
        return Of(p) is { } own ? carrier is null
            ? own : own with { Sentence = $"{own.Sentence} In the same water {p.CarrierName}: {carrier.Sentence}" } : null;
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Make(PatchTestRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var units = await clock.Units();
        var fields = new TypedFields(units);
        if (!await db.Beds.AnyAsync(b => b.Id == r.BedId))
        {
            fields.Checks.Add("bedId", "No bed was chosen.", "Choose the bed whose leaves you read.");
        }

        var area = fields.Quantity("area", r.Area ?? (units.IsUs() ? "10 sq ft" : "1 m²"), Dimension.Area, 0.25, 25);
        var wetted = units.IsUs() ? 10 / Per.SquareSi(1, units) : 1; // m² that the water is said for: a square metre, or ten square feet
        var water = fields.Quantity("water", r.Water ?? (units.IsUs() ? "3 fl oz" : "100 mL"), Dimension.Volume, 0.02 * wetted,
            2 * wetted) / wetted;
        var each = (int)fields.Checks.Range("each", r.Each ?? 1, 1, 6, "patches of each");
        var asked = r.Candidates ?? [];
        if (asked.Count is 0 or > 8)
        {
            fields.Checks.Add("candidates", asked.Count == 0 ? "No candidate was chosen." : "That is more than eight.",
                "Choose one to eight from the shelf; water is always one more.");
        }

        var ids = asked.Select(a => a.InputId).OfType<int>().ToList();
        var inputs = await db.Inputs.Where(i => ids.Contains(i.Id)).ToListAsync();
        var seed = System.Security.Cryptography.RandomNumberGenerator.GetInt32(1, int.MaxValue);
        var test = new PatchTest {
            BedId = r.BedId ?? 0, At = clock.Now, AreaM2 = area, WaterMlPerM2 = water * 1000, Seed = seed,
            MeterCorrects = r.MeterCorrects
        };
        var patches = asked.Select((a, i) => Candidate(a, i, inputs, fields, units)).OfType<Patch>().ToList();
        InCarriers(patches, asked, fields.Checks);
        if (patches.GroupBy(p => p.Name).Any(g => g.Count() > 1))
        {
            fields.Checks.Add("candidates", "One candidate is there twice.", "Choose each once, and say how many patches of each.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        patches.Insert(0, new Patch { Name = "water", Role = PatchRole.Water });
        var deck = patches.SelectMany(p => Enumerable.Range(0, each)
            .Select(_ => new Patch {
                Name = p.Name, Role = p.Role, InputId = p.InputId, RatePerHa = p.RatePerHa, RateUnit = p.RateUnit,
                CarrierName = p.CarrierName
            })).ToList();
        foreach (var (patch, place) in deck.Zip(Core.Judging.Patches.Order(deck.Count, seed)))
        {
            patch.Order = place + 1;
        }

        test.Patches.AddRange(deck);
        db.PatchTests.Add(test);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(test.Id));
    });

    private static void InCarriers(List<Patch> patches, IReadOnlyList<CandidateRequest> asked, Checks checks)
    {
        var carriers = patches.Where(p => p.Role == PatchRole.Carrier).ToList();
        for (var i = 0; i < patches.Count && patches.Count == asked.Count; i++)
        {
            if (!asked[i].InCarrier || patches[i].Role == PatchRole.Carrier)
            {
                continue;
            }

            if (carriers.Count != 1)
            {
                checks.Add($"candidates[{i}].inCarrier", carriers.Count == 0 ? "No carrier was chosen."
                    : "Two carriers were chosen.", "Name the one that it is mixed with as “what others are mixed with”.");
                continue;
            }

            patches[i].CarrierName = carriers[0].Name;
            patches[i].Name = $"{patches[i].Name} in {carriers[0].Name}";
        }
    }

    private static Patch? Candidate(CandidateRequest a, int i, List<Input> inputs, TypedFields fields, UnitSystem units)
    {
        if (inputs.FirstOrDefault(x => x.Id == a.InputId) is not { } input)
        {
            fields.Checks.Add($"candidates[{i}].inputId", "That is not on the shelf.", "Choose one from the shelf.");
            return null;
        }

        var litres = StockKeeper.UnitOf(input) == "L";
        double? rate = null;
        if (!string.IsNullOrWhiteSpace(a.RatePerHa))
        {
            var typed = fields.Quantity($"candidates[{i}].ratePerHa", a.RatePerHa, litres ? Dimension.Volume : Dimension.Mass,
                litres ? 1e-6 : 1e-3, litres ? 10_000 : 1e7, $"It is what goes on {Per.LargeArea(units)}.");
            rate = Per.LargeSi(litres ? typed * 1000 : typed, units);
        }
        else if (input.LabelRate is { } label)
        {
            rate = input.LabelBasis?.Per(label, "ha");
        }

        if (rate is null)
        {
            fields.Checks.Add($"candidates[{i}].ratePerHa", $"{input.Name} has no rate on {Per.LargeArea(units)}.",
                $"Give one, such as {(units.IsUs() ? litres ? "2 qt" : "1 lb" : litres ? "5 L" : "300 g")}; it is scaled to the patch.");
        }

        if (a.Role == PatchRole.Water)
        {
            fields.Checks.Add($"candidates[{i}].role", "Water lies beside them anyway.", "Choose candidate or carrier.");
        }

        return new Patch {
            Name = input.Name, Role = a.Role ?? PatchRole.Candidate, InputId = input.Id, RatePerHa = rate, RateUnit = litres
            ? "mL" : "g"
        };
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> PutOn(int id, HoldingDb db, HoldingClock clock, Writes writes,
        PutOnRequest? r = null) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.PatchTests.Include(t => t.Patches).ThenInclude(p => p.Leaves).FirstOrDefaultAsync(t => t.Id == id) is not { } test)
        {
            return Refusal.Of("id", "There is no such test.", "Open it from the list.");
        }

        if (test.PutOnAt is not null || test.Patches.Any(p => p.Leaves.All(l => l.Phase != PatchPhase.Before)))
        {
            return Refusal.Of("test", test.PutOnAt is not null ? "They are on already." : "Some patches were not read before.",
                test.PutOnAt is not null ? "Read them again 40 to 60 minutes after."
                    : "Read three to five leaves of every patch first: what was there before can’t be read later.");
        }

        var checks = new Checks();
        var at = checks.Past("at", r?.At, clock.Now);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        test.PutOnAt = at;
        return Writes.Done(new Kept(id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Leaves(int id, PatchLeavesRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var test = await db.PatchTests.Include(t => t.Patches).FirstOrDefaultAsync(t => t.Patches.Any(p => p.Id == id));
        var fields = new TypedFields(await clock.Units());
        var phase = fields.OneOf<PatchPhase>("phase", r.Phase);
        if (test is null)
        {
            return Refusal.Of("id", "There is no such patch.", "Open the test from the list.");
        }

        if (phase == PatchPhase.Before == test.PutOnAt is not null)
        {
            return Refusal.Of("phase", phase == PatchPhase.Before ? "The products are on: what was there before can’t be read any more."
                : "Nothing is on yet.", phase == PatchPhase.Before
                    ? "Read the leaves as after." : "Read before, put them on, and read again 40 to 60 minutes after.");
        }

        double? temperature = test.MeterCorrects ? null : fields.Quantity("temperature", r.Temperature, Dimension.Temperature, 10, 30,
            "Outside that the correction table says nothing.");
        var read = BrixTyped.Numbers(r.Readings, fields.Checks);
        var at = fields.Past("at", r.At, clock.Now);
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var at20 = read.Select(b => temperature is { } c ? BrixCorrection.To20(b, c).Value.Value : b).ToList();
        test.Patches.First(p => p.Id == id).Leaves.Add(new PatchLeaves {
            Phase = phase, At = at, TemperatureC = temperature,
            Read = [.. read.Zip(at20, (asRead, corrected) => new LeafRead(asRead, corrected))]
        });
        return Writes.Done(new Kept(id));
    });
}
