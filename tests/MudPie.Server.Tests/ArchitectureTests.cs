using System.Reflection;
using System.Text.RegularExpressions;
using ArchUnitNET.Domain;
using ArchUnitNET.Fluent.Slices;
using ArchUnitNET.Loader;
using ArchUnitNET.xUnitV3;
using static ArchUnitNET.Fluent.ArchRuleDefinition;

namespace MudPie.Server.Tests;

/// <summary>Arrows point one way: Server → Records → Core. Core refers to nothing of ours.</summary>
public class ArchitectureTests
{
    private static readonly Architecture Whole = new ArchLoader()
        .LoadAssemblies(typeof(Core.Brewing.BrewRun).Assembly, typeof(Records.HoldingDb).Assembly, typeof(App).Assembly,
            typeof(StandIns.SimulatedProbe).Assembly).Build();

    [Theory]
    [InlineData("MudPie.Core", "MudPie.Records")]
    [InlineData("MudPie.Core", "MudPie.Server")]
    [InlineData("MudPie.Core", "Microsoft.EntityFrameworkCore")]
    [InlineData("MudPie.Core", "Microsoft.AspNetCore")]
    [InlineData("MudPie.Records", "MudPie.Server")]
    [InlineData("MudPie.Records", "Microsoft.AspNetCore")]
    [InlineData("MudPie.Core", "MudPie.StandIns")]
    [InlineData("MudPie.StandIns", "MudPie.Records")]
    [InlineData("MudPie.StandIns", "MudPie.Server")]
    [InlineData("MudPie.Server", "MudPie.StandIns")]
    public void No_arrow_points_back(string from, string to) =>
        Types().That().ResideInNamespaceMatching($@"^{from}(\.|$)").Should()
            .NotDependOnAny(Types(true).That().ResideInNamespaceMatching($@"^{to}(\.|$)"))
            .WithoutRequiringPositiveResults().Check(Whole);

    [Theory]
    [InlineData("MudPie.Core")]
    [InlineData("MudPie.Records")]
    [InlineData("MudPie.Server")]
    public void Rooms_of_one_project_do_not_lean_on_each_other_in_a_circle(string project) =>
        SliceRuleDefinition.Slices().Matching($"{project}.(*)").Should().BeFreeOfCycles().Check(Whole);

    [Fact]
    public void The_core_has_no_clock_no_files_and_no_unseeded_chance()
    {
        var source = Directory.EnumerateFiles(Path.Combine(Root(), "src", "MudPie.Core"), "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Contains("/obj/"));
        foreach (var file in source)
        {
            var text = File.ReadAllText(file);
            foreach (var banned in new[] { "DateTime.Now", "DateTime.UtcNow", "DateTimeOffset.Now", "DateTimeOffset.UtcNow", "Stopwatch",
                "File.", "new Random(", "Random.Shared", "Guid.NewGuid", "Console." })
            {
                text.ShouldNotContain(banned, Case.Sensitive, file);
            }
        }
    }

    [Fact]
    public void No_pattern_can_take_longer_than_its_text_is_long_without_being_stopped()
    {
        var patterns = new[] { typeof(Core.Brewing.BrewRun).Assembly, typeof(Records.HoldingDb).Assembly, typeof(App).Assembly }
            .SelectMany(a => a.GetTypes())
            .SelectMany(t => t.GetMethods(BindingFlags.Static | BindingFlags.NonPublic | BindingFlags.Public | BindingFlags.DeclaredOnly))
            .Select(m => (Where: $"{m.DeclaringType}.{m.Name}", Of: m.GetCustomAttribute<GeneratedRegexAttribute>()))
            .Where(p => p.Of is not null).ToList();
        patterns.Count.ShouldBeGreaterThan(20);
        patterns.Where(p => !p.Of!.Options.HasFlag(RegexOptions.NonBacktracking) && p.Of.MatchTimeoutMilliseconds <= 0).Select(p => p.Where)
            .ShouldBeEmpty();
        foreach (var file in Directory.EnumerateFiles(Path.Combine(Root(), "src"), "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Contains("/obj/")))
        {
            foreach (var loose in new[] { "new Regex(", "Regex.Match(", "Regex.Matches(", "Regex.IsMatch(", "Regex.Replace(",
                "Regex.Split(" })
            {
                File.ReadAllText(file).ShouldNotContain(loose, Case.Sensitive, file);
            }
        }
    }

    internal static string Root()
    {
        var at = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(at, "MudPie.slnx")))
        {
            at = Path.GetDirectoryName(at)!;
        }

        return at;
    }

    [Fact]
    public async Task Every_door_of_the_server_says_in_a_sentence_what_it_does()
    {
        using var h = new TestHolding();
        var doors = (await h.Get("/openapi/v1.json"))["paths"]!.AsObject()
            .SelectMany(path => path.Value!.AsObject().Select(way => (Door: $"{way.Key} {path.Key}", Says: (string?)way.Value!["summary"])))
            .ToList();
        doors.Count.ShouldBeGreaterThan(150);
        doors.Where(d => d.Says is not { Length: > 4 } || ".?!".IndexOf(d.Says[^1], StringComparison.Ordinal) < 0).ShouldBeEmpty();
    }
}
