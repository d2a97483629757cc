using System.Runtime.CompilerServices;
using System.Text.RegularExpressions;
using Xunit;

namespace FondCompass.Core.Tests;

/// <summary>What a comment or a page of the docs cites exists: pages, their sections, types, members and paths.</summary>
public partial class CitationTests
{
    private static readonly string Root = Path.GetFullPath(Path.Combine(Here(), "..", ".."));

    private static readonly string[] Kinds = [".cs", ".cshtml", ".js", ".yaml", ".md", ".css"];

    /// <summary>Own text files, without what is built, fetched or generated.</summary>
    private static readonly List<string> Files =
    [
        .. new[] { "src", "tests", "docs", "scripts", "benchmarks" }
            .SelectMany(d => Directory.EnumerateFiles(Path.Combine(Root, d), "*", SearchOption.AllDirectories))
            .Append(Path.Combine(Root, "README.md"))
            .Where(f => Path.GetExtension(f) is "" || Kinds.Contains(Path.GetExtension(f)))
            .Select(f => Path.GetRelativePath(Root, f).Replace('\\', '/'))
            .Where(f => !f.Split('/').Any(folder => folder is "bin" or "obj" or "Migrations" or "node_modules" or "lib")),
    ];

    private static string Here([CallerFilePath] string here = "") => Path.GetDirectoryName(here)!;

    private static string TextOf(string file) => File.ReadAllText(Path.Combine(Root, file));

    private static IEnumerable<string> SectionsCited(string text)
    {
        foreach (Match cited in Section().Matches(text))
        {
            foreach (Match number in Number().Matches(cited.Groups["numbers"].Value))
            {
                yield return $"{cited.Groups["page"].Value} {number.Value}";
            }
        }
    }

    [Fact]
    public void Sections_of_the_rules_that_are_cited_exist()
    {
        var there = new[] { "rules", "craft", "calls", "reading" }
            .SelectMany(p => Heading().Matches(TextOf($"docs/domain/{p}.md")).Select(h => $"{p} {h.Groups[1].Value}"))
            .ToHashSet();
        var cited = Files.SelectMany(f => SectionsCited(TextOf(f)).Select(s => (File: f, Section: s))).ToList();
        Assert.True(cited.Count > 50, $"only {cited.Count} citations are found");
        Assert.DoesNotContain(cited, c => !there.Contains(c.Section));
    }

    [Fact]
    public void Pages_that_are_cited_exist() =>
        Assert.DoesNotContain(Files.SelectMany(f => Page().Matches(TextOf(f)).Select(m => (File: f, Page: m.Value)))
, c => !File.Exists(Path.Combine(Root, c.Page)));

    [Theory]
    [InlineData("docs/architecture.md")]
    [InlineData("docs/reading.md")]
    [InlineData("docs/calling.md")]
    [InlineData("docs/lessons.md")]
    [InlineData("docs/glossary.md")]
    [InlineData("docs/security.md")]
    public void Types_members_and_paths_on_a_page_exist(string page)
    {
        var words = Files.Where(f => !f.StartsWith("docs/", StringComparison.Ordinal))
            .SelectMany(f => Word().Matches(TextOf(f)).Select(m => m.Value))
            .ToHashSet();
        var paths = Files.Concat(Files.Select(f => f[..Math.Max(0, f.LastIndexOf('/'))])).Distinct().ToList();
        bool Exists(string path) => File.Exists(Path.Combine(Root, path)) || Directory.Exists(Path.Combine(Root, path))
            || paths.Exists(p => $"/{p}".EndsWith($"/{path}", StringComparison.Ordinal)
                || Path.ChangeExtension($"/{p}", null).EndsWith($"/{path}", StringComparison.Ordinal));
        var spans = CodeSpan().Matches(TextOf(page)).Select(m => m.Groups[1].Value).Distinct().ToList();
        Assert.DoesNotContain(spans, s => Name().IsMatch(s) && s.Split('.').Any(part => !words.Contains(part)));
        Assert.DoesNotContain(spans, s => PathLike().IsMatch(s) && !Exists(s.TrimEnd('/')));
    }

    [GeneratedRegex(@"\((?:[^()]*?[ ;])?(?<page>rules|craft|calls|reading), sections? (?<numbers>\d+a?(?:(?:, | and | to )\d+a?)*)")]
    private static partial Regex Section();

    [GeneratedRegex(@"\d+a?")]
    private static partial Regex Number();

    [GeneratedRegex(@"^## (\d+a?)\.", RegexOptions.Multiline)]
    private static partial Regex Heading();

    [GeneratedRegex(@"\bdocs/[a-z/-]+\.(?:md|yaml)\b")]
    private static partial Regex Page();

    [GeneratedRegex(@"\w+")]
    private static partial Regex Word();

    [GeneratedRegex(@"`([^`\n]+)`")]
    private static partial Regex CodeSpan();

    /// <summary>A type, or a member of one.</summary>
    [GeneratedRegex(@"^[A-Z]\w+[a-z]\w*(?:\.[A-Z]\w+)*$")]
    private static partial Regex Name();

    [GeneratedRegex(@"^[A-Za-z][\w.-]*(?:/[\w.-]+)+/?$")]
    private static partial Regex PathLike();
}
