using System.Runtime.CompilerServices;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Xunit;

namespace FondCompass.Core.Tests;

/// <summary>
/// How large things may grow in core, application, data and web (docs/architecture.md, "How large things may grow"). What is generated,
/// the migrations, does not count.
/// </summary>
public class StructureTests
{
    private const int MostFiles = 12;
    private const int MostLines = 300;
    private const int MostColumns = 140;
    private const int MostLinesOfAMethod = 60;
    private const int MostBranches = 20;

    private static readonly string Root = Path.GetFullPath(Path.Combine(Here(), "..", ".."));

    private static readonly List<string> Files =
    [
        .. Directory.EnumerateFiles(Path.Combine(Root, "src"), "*.cs", SearchOption.AllDirectories)
            .Select(f => Path.GetRelativePath(Root, f).Replace('\\', '/'))
            .Where(f => !f.Split('/').Any(folder => folder is "bin" or "obj" or "Migrations"))
            .Order(StringComparer.Ordinal),
    ];

    private static string Here([CallerFilePath] string here = "") => Path.GetDirectoryName(here)!;

    private static string[] LinesOf(string file) => File.ReadAllLines(Path.Combine(Root, file));

    /// <summary>What a method is called in the list, how many lines it has and how often it branches.</summary>
    private sealed record Measured(string Name, int Lines, int Branches)
    {
        public bool IsLarge => Lines > MostLinesOfAMethod || Branches > MostBranches;

        public override string ToString() => $"{Name} {Lines} {Branches}";
    }

    [Fact]
    public void The_sources_are_found() => Assert.True(Files.Count > 300, $"{Files.Count} files below {Root}");

    [Fact]
    public void No_folder_has_more_than_twelve_files() =>
        Assert.Empty(Files.GroupBy(f => f[..f.LastIndexOf('/')]).Where(g => g.Count() > MostFiles).Select(g => $"{g.Key}: {g.Count()}"));

    [Fact]
    public void No_file_has_more_than_three_hundred_lines() =>
        Assert.Empty(Files.Where(f => LinesOf(f).Length > MostLines).Select(f => $"{f}: {LinesOf(f).Length}"));

    [Fact]
    public void No_line_ends_behind_column_140() =>
        Assert.Empty(Files.SelectMany(f => LinesOf(f).Select((text, i) => (Place: $"{f}:{i + 1}", text.Length)))
            .Where(l => l.Length > MostColumns)
            .Select(l => $"{l.Place}: {l.Length}"));

    /// <summary>
    /// Those that were larger when this was begun stand in large-methods.txt with their lines and branches. They may shrink and not grow;
    /// one that is small enough goes from the list. <c>FOND_WRITE_DOCS=1</c> writes the list anew, which never adds to it.
    /// </summary>
    [Fact]
    public void No_method_has_more_than_sixty_lines_or_twenty_branches_but_those_that_are_listed()
    {
        var list = Path.Combine(Here(), "large-methods.txt");
        var listed = File.ReadAllLines(list).Where(l => l.Length > 0 && l[0] != '#').Select(Read).ToDictionary(m => m.Name);
        var large = Files.SelectMany(MethodsOf).Where(m => m.IsLarge).ToList();
        if (Environment.GetEnvironmentVariable("FOND_WRITE_DOCS") == "1")
        {
            var head = File.ReadAllLines(list).TakeWhile(l => l.StartsWith('#'));
            File.WriteAllLines(list, head.Concat(large.Where(m => listed.ContainsKey(m.Name)).Select(m => $"{m}")));
        }

        Assert.Equal("", string.Join('\n', large.Where(m => !listed.ContainsKey(m.Name))));
        Assert.Equal("", string.Join('\n', large.Where(m => listed[m.Name] is var was && (m.Lines > was.Lines || m.Branches > was.Branches))));
        Assert.Empty(listed.Keys.Except(large.Select(m => m.Name)));
    }

    private static Measured Read(string line)
    {
        var words = line.Split(' ');
        return new Measured(words[0], int.Parse(words[1]), int.Parse(words[2]));
    }

    private static IEnumerable<Measured> MethodsOf(string file)
    {
        var tree = CSharpSyntaxTree.ParseText(File.ReadAllText(Path.Combine(Root, file)));
        var methods = tree.GetRoot().DescendantNodes().Where(n => n is BaseMethodDeclarationSyntax or LocalFunctionStatementSyntax);
        foreach (var group in methods.GroupBy(NameOf))
        {
            foreach (var (method, i) in group.Select((m, i) => (m, i)))
            {
                var span = tree.GetLineSpan(method.Span);
                var again = i == 0 ? "" : $"#{i + 1}";
                yield return new Measured(
                    $"{file}:{group.Key}{again}",
                    span.EndLinePosition.Line - span.StartLinePosition.Line + 1,
                    method.DescendantNodes().Count(IsBranch));
            }
        }
    }

    private static string NameOf(SyntaxNode method) => method switch
    {
        MethodDeclarationSyntax m => m.Identifier.Text,
        LocalFunctionStatementSyntax l => l.Identifier.Text,
        ConstructorDeclarationSyntax c => c.Identifier.Text,
        _ => $"{method.Kind()}",
    };

    /// <summary>
    /// A place where the way parts: conditions and what joins them, loops, labels; the arms of a choice of values are a table.
    /// </summary>
    private static bool IsBranch(SyntaxNode node) => node is IfStatementSyntax or ForStatementSyntax or CommonForEachStatementSyntax
        or WhileStatementSyntax or DoStatementSyntax or ConditionalExpressionSyntax or CatchClauseSyntax or CaseSwitchLabelSyntax
        or CasePatternSwitchLabelSyntax or BinaryExpressionSyntax
    {
        RawKind: (int)SyntaxKind.LogicalAndExpression or (int)SyntaxKind.LogicalOrExpression,
    };
}
