using System.Text.Json;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Mixing;

/// <summary>The figures of the reference, to 1e-4 of the figure, and nothing besides.</summary>
public sealed class MixingReferenceTests
{
    private static readonly JsonSerializerOptions Web = new(JsonSerializerDefaults.Web);

    [Theory]
    [InlineData("mix")]
    [InlineData("compost-recipe")]
    [InlineData("nitrogen-drawdown")]
    [InlineData("soil-corrections")]
    [InlineData("blend")]
    [InlineData("char-carbon")]
    [InlineData("worth-finding-out")]
    public void A_calculator_gives_what_the_reference_gives(string name)
    {
        using var json = JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Reference", "mixing-cases.json")));
        var cases = json.RootElement.EnumerateArray().Where(c => c.GetProperty("calculator").GetString() == name).ToList();
        cases.ShouldNotBeEmpty();
        foreach (var c in cases)
        {
            Same(c.GetProperty("expect"), Answer(name, c.GetProperty("case")), name);
        }
    }

    private static JsonElement Answer(string name, JsonElement q) => name switch {
        "mix" => Of(Mixes.Of(q.Deserialize<MixesQuestion>(Web)!)),
        "compost-recipe" => Of(CompostRecipe.Of(q.Deserialize<CompostQuestion>(Web)!)),
        "nitrogen-drawdown" => Of(NitrogenDrawdown.Of(q.Deserialize<DrawdownQuestion>(Web)!)),
        "soil-corrections" => Of(SoilCorrections.Of(q.Deserialize<CorrectionsQuestion>(Web)!)),
        "worth-finding-out" => Of(FindingOut.Of(q.Deserialize<WorthQuestion>(Web)!)),
        "blend" => Of(Blends.Of(q.Deserialize<BlendQuestion>(Web)!)),
        _ => Of(CharCarbon.Of(q.Deserialize<CharCarbonQuestion>(Web)!)),
    };

    private static JsonElement Of<T>(Ruling<T> ruling) => JsonSerializer.SerializeToElement(ruling.Value, Web);

    /// <summary>Everything that is expected is there, and of an object that lists things nothing else is.</summary>
    private static void Same(JsonElement wanted, JsonElement got, string at)
    {
        got.ValueKind.ShouldBe(wanted.ValueKind, at);
        if (wanted.ValueKind == JsonValueKind.Object)
        {
            foreach (var p in wanted.EnumerateObject())
            {
                got.TryGetProperty(p.Name, out var there).ShouldBeTrue($"{at}.{p.Name}");
                Same(p.Value, there, $"{at}.{p.Name}");
            }

            if (wanted.EnumerateObject().All(p => p.Value.ValueKind is JsonValueKind.Number or JsonValueKind.Null) && at.Contains('.'))
            {
                got.EnumerateObject().Count().ShouldBe(wanted.EnumerateObject().Count(), at);
            }
        }
        else if (wanted.ValueKind == JsonValueKind.Array)
        {
            got.GetArrayLength().ShouldBe(wanted.GetArrayLength(), at);
            foreach (var (w, g, i) in wanted.EnumerateArray().Zip(got.EnumerateArray()).Select((p, i) => (p.First, p.Second, i)))
            {
                Same(w, g, $"{at}[{i}]");
            }
        }
        else if (wanted.ValueKind == JsonValueKind.Number)
        {
            got.GetDouble().ShouldBe(wanted.GetDouble(), Math.Max(1e-9, Math.Abs(wanted.GetDouble()) * 1e-4), at);
        }
        else
        {
            got.ToString().ShouldBe(wanted.ToString(), at);
        }
    }
}
