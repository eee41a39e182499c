using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Sheets;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Mixing;
using MudPie.Server.Web;

namespace MudPie.Server.Sheets;

/// <summary>A nutrient of a blend, told.</summary>
/// <param name="Name">"potassium, saturated media extract".</param>
/// <param name="Guess">By the parts: "182 mg/L"; null where a part's sheet lacks it.</param>
/// <param name="Test">By the blend's own sheet; null before it is tested.</param>
/// <param name="Band">"60 to 200"; null without one.</param>
/// <param name="Lacks">Parts that leave the guess open.</param>
/// <param name="Flag">What is to be minded; null for nothing.</param>
public sealed record BlendLineView(string Name, string? Guess, string? Test, string? Band, IReadOnlyList<string> Lacks, string? Flag);

/// <summary>A part of a blend without a sheet.</summary>
/// <param name="Name">What it is.</param>
/// <param name="LotId">A lot of it that could be tested; null where none lies on the shelf.</param>
public sealed record BlendPartView(string Name, int? LotId);

/// <summary>A mix of a job, guessed and tested.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Verdict">What to mind.</param>
/// <param name="Properties">"a litre weighs about 0.32 kg, 0.35 by its test · salts about 1.4 dS/m".</param>
/// <param name="Lines">Nutrients.</param>
/// <param name="Without">Parts without a sheet.</param>
/// <param name="LotId">The lot that was made of it; null before it is mixed.</param>
/// <param name="Beside">Sheets to lay side by side, by their numbers: the stuff, the base, the blend; fewer than two for none.</param>
/// <param name="Guess">The sum.</param>
public sealed record BlendView(string Name, Verdict Verdict, string Properties, IReadOnlyList<BlendLineView> Lines,
    IReadOnlyList<BlendPartView> Without, int? LotId, IReadOnlyList<int> Beside, IReadOnlyList<WorkingLine> Guess);

/// <summary>A line of sheets side by side, told.</summary>
/// <param name="Name">"magnesium".</param>
/// <param name="Unit">"mg/L of extract", "mg/kg", "dS/m".</param>
/// <param name="Shown">By sheet; null where one lacks it.</param>
/// <param name="Stands">"short", "enough" or "above", by sheet; null where that can't be told.</param>
/// <param name="Moved">"from short to enough"; null where it did not move.</param>
public sealed record BesideLineView(string Name, string Unit, IReadOnlyList<string?> Shown, IReadOnlyList<string?> Stands, string? Moved);

/// <summary>Sheets side by side.</summary>
/// <param name="Sheets">Their names, in order, with their numbers and what they are of.</param>
/// <param name="Lines">Line by line.</param>
/// <param name="Sentence">What moved.</param>
/// <param name="Known">All sheets that have a result, to choose from.</param>
public sealed record BesideView(IReadOnlyList<SheetTarget> Sheets, IReadOnlyList<BesideLineView> Lines, string Sentence,
    IReadOnlyList<SheetTarget> Known);

/// <summary>Blends guessed from the sheets of their parts, and sheets laid side by side.</summary>
public static class BlendEndpoints
{
    /// <summary>Most sheets side by side.</summary>
    public const int Most = 4;

    /// <summary>What can be asked.</summary>
    public static void MapBlends(this IEndpointRouteBuilder api)
    {
        api.MapGet("/sheets/blend", Blend).ForVisitor("What the mixes of a job should hold by the sheets of their parts, and do by their "
            + "own.");
        api.MapGet("/sheets/beside", Beside).ForVisitor("Two to four sheets side by side: what moved from short to enough.");
    }

    private static async Task<Results<Ok<List<BlendView>>, Missing>> Blend(int mix, HoldingDb db, MixDesk desk, HoldingClock clock)
    {
        if (await db.Mixes.AsNoTracking().FirstOrDefaultAsync(m => m.Id == mix) is not { } job)
        {
            return Problems.NotFound("job of mixing");
        }

        var known = await desk.Known(await desk.Steps(mix));
        var question = MixReading.Read(job.Asked, known);
        if (question.Refused is not null || MixDesk.Bench(question.Value) is not { Refused: null } bench)
        {
            return TypedResults.Ok(new List<BlendView>());
        }

        var (units, sheets) = (await clock.Units(), await Sheets(db, await clock.Units()));
        var lots = await db.Lots.AsNoTracking().Where(l => l.Input.Kind != "").Select(l => new {
            l.Id, l.InputId, l.MixId, l.Notes,
            Kind = l.Input.Kind
        }).ToListAsync();
        var ids = job.Asked.Parts.Where(p => p.InputId is { } input && known.Shelf.ContainsKey(input))
            .DistinctBy(p => known.Shelf[p.InputId!.Value].Name)
            .ToDictionary(p => known.Shelf[p.InputId!.Value].Name, p => p.InputId!.Value);
        (int Id, SheetRead Read)? Of(int input) => lots.Where(l => l.InputId == input).SelectMany(l => sheets.Where(s => s.LotId == l.Id))
            .OrderByDescending(s => s.Id).Select(s => ((int, SheetRead)?)(s.Id, s.Read)).FirstOrDefault();
        return TypedResults.Ok(bench.Value.Mixes.Mixes.Select(m =>
        {
            var made = lots.Where(l => l.MixId == mix && l.Kind == "mix" && l.Notes == $"mixed as “{m.Name}” of {job.Name}")
                .OrderByDescending(l => l.Id).FirstOrDefault();
            var test = made is null ? null : sheets.Where(s => s.LotId == made.Id).OrderByDescending(s => s.Id)
                .Select(s => ((int Id, SheetRead Read)?)(s.Id, s.Read)).FirstOrDefault();
            var charge = lots.Where(l => l.MixId == mix && l.Kind == "chargedChar").OrderByDescending(l => l.Id).FirstOrDefault();
            // What was charged for the job lies on the shelf as a lot of its own.
            int? InputOf(string name) => ids.TryGetValue(name, out var input) ? input
                : job.Asked.Charge is not null && name.StartsWith("charged ", StringComparison.Ordinal) ? charge?.InputId : null;
            var of = m.Litres.Select(l => (Name: l.Key, Litres: l.Value, Sheet: InputOf(l.Key) is { } input ? Of(input) : null)).ToList();
            List<BlendSource> parts = [.. of.Select(p => new BlendSource(p.Name, p.Litres,
                question.Value.Stuff.GetValueOrDefault(p.Name)?.Is?.KgPerL ?? Materials.For(null, p.Name)?.KgPerL, p.Sheet?.Read))];
            var guess = BlendGuess.Of(parts, test?.Read);
            List<int> beside = [.. of.Where(p => p.Sheet is not null).OrderByDescending(p => p.Litres).Select(p => p.Sheet!.Value.Id)
                .Take(2), .. test is null ? Array.Empty<int>() : [test.Value.Id]];
            return Told(m.Name, guess, made?.Id, beside, name => InputOf(name) is { } input
                ? lots.Where(l => l.InputId == input).Select(l => (int?)l.Id).LastOrDefault() : null);
        }).ToList());
    }

    private static BlendView Told(string name, Worked<BlendGuessed> guess, int? lot, List<int> beside, Func<string, int?> lotOf)
    {
        var g = guess.Value;
        string? Mg(BlendNutrient n, double? mg) => mg is not { } m ? null : n.Method == Extraction.SaturatedMedia
            ? $"{Say.Number(m / g.HeldL)} mg/L of extract" : $"{Say.Number(m)} mg a litre";
        List<string> properties = [];
        if (g.KgPerL is not null || g.TestKgPerL is not null)
        {
            properties.Add($"a litre weighs {(g.KgPerL is { } kg ? $"about {Say.Number(kg, 2)} kg" : "")}"
                + (g.TestKgPerL is { } test ? $"{(g.KgPerL is null ? "" : ", ")}{Say.Number(test, 2)} by its test" : ""));
        }

        if (g.Ec is not null || g.TestEc is not null)
        {
            properties.Add($"salts {(g.Ec is { } ec ? $"about {Say.Number(ec, 2)} dS/m" : "")}"
                + (g.TestEc is { } tested ? $"{(g.Ec is null ? "" : ", ")}{Say.Number(tested, 2)} by its test" : ""));
        }

        return new BlendView(name, g.Verdict, string.Join(" · ", properties), [.. g.Nutrients.Select(n => new BlendLineView(n.Of.Name,
            Mg(n, n.GuessMgPerL), Mg(n, n.TestMgPerL), n.Low is { } low && n.High is { } high ? n.Method == Extraction.SaturatedMedia
                ? $"{Say.Number(low / g.HeldL)} to {Say.Number(high / g.HeldL)}" : $"{Say.Number(low)} to {Say.Number(high)}" : null,
                    n.Lacks,
            n.Flag))], [.. g.Without.Select(w => new BlendPartView(w, lotOf(w)))], lot, beside, guess.Working);
    }

    /// <summary>Sheets that have a result and can be read, with the lot they are of.</summary>
    private static async Task<List<(int Id, string Name, int? LotId, SheetRead Read)>> Sheets(HoldingDb db, UnitSystem units)
    {
        var read = new List<(int, string, int?, SheetRead)>();
        foreach (var w in await db.Works.AsNoTracking().Where(w => w.Kind == WorkKind.Sheet).OrderByDescending(w => w.Id).Take(300)
            .ToListAsync())
        {
            if (w.Sheet is { Rows.Count: > 0 } asked && SheetTelling.Read(asked, units) is { } lines)
            {
                read.Add((w.Id, w.Name, w.LotId, lines));
            }
        }

        return read;
    }

    private static async Task<Results<Ok<BesideView>, Refused>> Beside(HoldingDb db, HoldingClock clock, string? of)
    {
        var all = await Sheets(db, await clock.Units());
        List<int> ids = [.. (of ?? "").Split(',').Select(x => int.TryParse(x, out var n) ? n : 0).Where(n => n > 0).Distinct()];
        if (ids.Count > Most || ids.Any(id => all.All(s => s.Id != id)))
        {
            return Problems.Of(Refusal.Of("of", ids.Count > Most ? $"That is more than {Most} sheets." : "One of those sheets has no "
                + "result.", "Choose two to four sheets that have one."));
        }

        var chosen = ids.Select(id => all.First(s => s.Id == id)).ToList();
        SheetTarget Target((int Id, string Name, int? LotId, SheetRead Read) s) => new(s.Id, s.Name, s.LotId is not null);
        var lines = chosen.Count < 2 ? [] : SheetsBeside.Of([.. chosen.Select(c => c.Read)]).Value;
        var moved = lines.Where(l => l.Moved is not null).ToList();
        return TypedResults.Ok(new BesideView([.. chosen.Select(Target)], [.. lines.Select(l => new BesideLineView(l.Of.Name, Unit(l),
            l.Shown, l.Stands, l.Moved))], chosen.Count < 2 ? "Choose two or three sheets: the stuff, the base, the blend."
                : moved.Count == 0 ? "Nothing that both have moved out of its band, or into it."
                : Say.List([.. moved.Select(m => $"{m.Of.Name} {m.Moved}")]) + ".", [.. all.Select(Target)]));
    }

    private static string Unit(BesideLine l) => l.Of.Id switch {
        "pH" or "buffer pH" => "",
        "EC" => "dS/m",
        "OM" => "%",
        "CEC" or "acidity" => "meq/100 g",
        _ => l.Method is Extraction.SaturatedMedia or Extraction.SaturatedPaste ? "mg/L of extract" : $"mg/kg, {l.Method.Word()}",
    };
}
