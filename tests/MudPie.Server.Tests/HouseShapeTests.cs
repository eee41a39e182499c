using System.Text.RegularExpressions;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using MudPie.Server.Web;

namespace MudPie.Server.Tests;

/// <summary>What a reader meets: no line runs off the screen, and no function off its end. Generated code is not asked.</summary>
public class HouseShapeTests
{
    private const int LongestLine = 140;
    private const int LongestFunction = 60; // lines with code on them

    internal static readonly string Top = Find(AppContext.BaseDirectory);

    private static string Find(string folder) =>
        File.Exists(Path.Combine(folder, "MudPie.slnx")) ? folder : Find(Path.GetDirectoryName(folder)!);

    private static IEnumerable<(string Path, SyntaxNode Root)> Files() =>
        new[] { "src", "tests", "bench" }.SelectMany(part => Directory.EnumerateFiles(Path.Combine(Top, part), "*.cs",
            SearchOption.AllDirectories))
            .Select(f => Path.GetRelativePath(Top, f).Replace('\\', '/'))
            .Where(f => !f.Split('/').Any(p => p is "bin" or "obj" or "node_modules" or "Migrations"))
            .Select(f => (f, CSharpSyntaxTree.ParseText(File.ReadAllText(Path.Combine(Top, f))).GetRoot()));

    /// <summary>OpenAPI knows a thing by its name alone: of two of one name, one would be described as the other.</summary>
    [Fact]
    public void No_two_things_that_are_answered_share_a_name() =>
        typeof(HoldingClock).Assembly.GetExportedTypes().Where(t => !t.IsNested).GroupBy(t => t.Name).Where(g => g.Count() > 1)
            .Select(g => string.Join(" and ", g.Select(t => t.FullName))).ShouldBeEmpty();

    /// <summary>A sentence whose "$" was lost would show its code to the grower.</summary>
    [Fact]
    public void No_sentence_shows_its_code() =>
        Files().Where(f => f.Path.StartsWith("src/", StringComparison.Ordinal)).SelectMany(f => f.Root.DescendantTokens()
            .Where(t => t.IsKind(SyntaxKind.StringLiteralToken)
                && Helpers.Any(h => t.Text.Contains("{" + h + ".", StringComparison.Ordinal)))
            .Select(t => $"{f.Path}: {t.Text}")).ShouldBeEmpty();

    private static readonly string[] Helpers = ["Say", "Units", "Per", "Names", "string", "Math", "a", "r", "s", "v", "of"];

    /// <summary>What is scanned from a label opens the thing, and not a page that is not there.</summary>
    [Fact]
    public void Every_square_on_a_label_leads_to_a_page_there_is()
    {
        const RegexOptions plain = RegexOptions.NonBacktracking | RegexOptions.Multiline;
        var pages = Regex.Matches(File.ReadAllText(Path.Combine(Top, "src", "web", "app.tsx")), "^  \"(/[^\"]*)\": room", plain)
            .Select(m => "^" + Regex.Replace(m.Groups[1].Value, ":[a-z]+", "[^/]+", RegexOptions.NonBacktracking) + "$").ToList();
        var squares = Files().Where(f => f.Path.StartsWith("src/", StringComparison.Ordinal)).SelectMany(f => Regex
            .Matches(f.Root.ToString(), "QrCodes\\.To\\(request, \\$\"(/[^\"?]*)", plain))
            .Select(m => Regex.Replace(m.Groups[1].Value.Split("{(")[0], "{[a-z]+}", "7", RegexOptions.NonBacktracking)).ToList();
        squares.Count.ShouldBeGreaterThanOrEqualTo(6);
        squares.Where(s => !pages.Any(p => Regex.IsMatch(s, p, RegexOptions.NonBacktracking))).ShouldBeEmpty();
    }

    [Fact]
    public void No_line_is_longer_than_a_screen() =>
        Files().SelectMany(f => Long(f.Root).Select(line => $"{f.Path}:{line}")).ShouldBeEmpty();

    /// <summary>Lines over the limit. What a test sends as it stands, a raw string, is data and no code.</summary>
    private static IEnumerable<int> Long(SyntaxNode root)
    {
        foreach (var line in root.GetText().Lines.Where(l => l.Span.Length > LongestLine))
        {
            var raw = root.DescendantTokens(line.Span).Any(t => t.Span.IntersectsWith(line.Span)
                && (t.IsKind(SyntaxKind.SingleLineRawStringLiteralToken) || t.IsKind(SyntaxKind.MultiLineRawStringLiteralToken)
                    || t.Parent is InterpolatedStringTextSyntax { Parent: InterpolatedStringExpressionSyntax raw }
                        && raw.StringStartToken.Text.Contains("\"\"\"", StringComparison.Ordinal)));
            if (!raw)
            {
                yield return line.LineNumber + 1;
            }
        }
    }

    [Fact]
    public void No_function_is_longer_than_a_screen() =>
        Files().SelectMany(f => f.Root.DescendantNodes()
            .Where(n => n is BaseMethodDeclarationSyntax or LocalFunctionStatementSyntax or AccessorDeclarationSyntax)
            .Where(n => Lines(n) > LongestFunction).Select(n => $"{f.Path}: {Lines(n)} lines of {Head(n)}")).ShouldBeEmpty();

    /// <summary>Lines with code on them, from the signature on: what stands above it in brackets, the data of a theory, is not
    /// counted.</summary>
    private static int Lines(SyntaxNode function)
    {
        var from = function is MemberDeclarationSyntax { AttributeLists: [.., var last] }
            ? last.GetLastToken().GetNextToken().SpanStart : function.SpanStart;
        return function.ToString()[(from - function.SpanStart)..].Split('\n').Select(l => l.Trim())
            .Count(l => l.Length > 0 && !l.StartsWith("//", StringComparison.Ordinal));
    }

    private static string Head(SyntaxNode function) => function.ToString().Split('\n')[0].Trim();
}
