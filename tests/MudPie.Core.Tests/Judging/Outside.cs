using System.Globalization;
using System.Text.Json;
using MudPie.Core.Judging.Trials;

namespace MudPie.Core.Tests.Judging;

/// <summary>Figures that other programs made: reference/statistics-cases.json, and outside-cases.json from outside-cases.R.</summary>
internal static class Outside
{
    public static readonly JsonElement Given = Read("statistics-cases.json");

    public static readonly JsonElement Made = Read("outside-cases.json");

    public static List<Dictionary<string, string>> Csv(string file)
    {
        var lines = File.ReadAllLines(Path.Combine(AppContext.BaseDirectory, "Reference", file))
            .Select(l => l.Split(',').Select(c => c.Trim('"')).ToArray()).ToList();
        return [.. lines.Skip(1).Select(l => lines[0].Zip(l).ToDictionary(x => x.First, x => x.Second))];
    }

    public static double D(this JsonElement e, string name) => e.GetProperty(name).GetDouble();

    public static string S(this JsonElement e, string name) => e.GetProperty(name).ToString();

    public static double Number(string s) => double.Parse(s, CultureInfo.InvariantCulture);

    /// <summary>Six significant figures.</summary>
    public static void ShouldAgree(this double? mine, double theirs, string what, double figures = 1e-6) =>
        mine.ShouldNotBeNull(what).ShouldAgree(theirs, what, figures);

    public static void ShouldAgree(this double mine, double theirs, string what, double figures = 1e-6) =>
        mine.ShouldBe(theirs, Math.Max(Math.Abs(theirs) * figures, 1e-11), what);

    /// <summary>A trial from rows of JSON.</summary>
    public static TrialQuestion Trial(JsonElement rows, Design design, string[] factors, string? block = null, string? outOf = null,
        string value = "y", string? control = null) => new() {
            Design = design,
            Factors = factors,
            Control = control,
            Kind = outOf is null ? Scale.Amount : Scale.Count,
            Rows =
        [
            .. rows.EnumerateArray().Select((r, i) => new TrialRow
            {
                Plot = $"plot {i + 1}",
                Levels = [.. factors.Select(f => r.S(f))],
                Block = block is null ? null : r.S(block),
                Value = r.D(value),
                OutOf = outOf is null ? null : r.D(outOf),
            }),
        ],
        };

    private static JsonElement Read(string file) =>
        JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Reference", file))).RootElement;
}
