using System.Reflection;
using System.Runtime.CompilerServices;
using System.Text;
using System.Text.RegularExpressions;
using FondCompass.Core.Findings;
using Xunit;

namespace FondCompass.Core.Tests;

/// <summary>The page of findings lists every code, and every code only once.</summary>
public partial class DocsTests
{
    private static string Page([CallerFilePath] string here = "") =>
        Path.Combine(Path.GetDirectoryName(here)!, "..", "..", "docs", "findings.md");

    internal static List<FindingCode> Codes() => typeof(FindingCode).Assembly.GetTypes()
        .SelectMany(t => t.GetFields(BindingFlags.Public | BindingFlags.Static))
        .Where(f => f.FieldType == typeof(FindingCode))
        .Select(f => (FindingCode)f.GetValue(null)!)
        .OrderBy(c => c.Code, StringComparer.Ordinal)
        .ToList();

    /// <summary>Set FOND_WRITE_DOCS=1 to write the page anew.</summary>
    [Fact]
    public void Findings_are_all_on_their_page()
    {
        var text =
            new StringBuilder(
                "# Findings\n\nEvery code is stable. An error cannot be danced or read; a warning wants a look; an info is for the "
                    + "lesson.\nThis page is written by a test of the core.\n\n| code | severity | what |\n|---|---|---|\n");
        foreach (var code in Codes())
        {
            text.Append($"| {code.Code} | {code.Severity.ToString().ToLowerInvariant()} | {code.Title} |\n");
        }

        if (Environment.GetEnvironmentVariable("FOND_WRITE_DOCS") == "1")
        {
            File.WriteAllText(Page(), text.ToString());
        }

        Assert.Equal(text.ToString(), File.ReadAllText(Page()));
    }

    [Fact]
    public void No_code_is_used_twice() => Assert.Equal(Codes().Count, Codes().Select(c => c.Code).Distinct().Count());

    /// <summary>Code spans of the table of counts, and the rows that hang on counts: all of them can be read.</summary>
    private static IEnumerable<string> SamplesOnTheScriptPage()
    {
        var rows = File.ReadAllLines(Page().Replace("findings.md", "script.md"))
            .SkipWhile(r => r != "## Counts and steps")
            .TakeWhile(r => r != "## Own steps")
            .ToList();
        foreach (var row in rows.Where(r => r.StartsWith("| `", StringComparison.Ordinal)))
        {
            foreach (Match span in CodeSpan().Matches(row.Replace("\\|", "¦").Split('|')[1].Replace('¦', '|')))
            {
                yield return span.Groups[1].Value.Replace("…", "vine R");
            }
        }

        foreach (var row in rows.Where(r => r.StartsWith("    ", StringComparison.Ordinal)))
        {
            yield return Gap().Split(row.Trim())[0].Replace("NAME", "island");
        }
    }

    [Fact]
    public void What_the_script_page_shows_can_be_read()
    {
        var samples = SamplesOnTheScriptPage().ToList();
        Assert.InRange(samples.Count, 15, 200);
        foreach (var sample in samples.Where(s => s.Any(char.IsLetter) && s[0] != '?'))
        {
            var findings = Analysis.Analyse($"part A\n1-8 march R\n1-4 vine R\n{sample}\n").Findings;
            Assert.DoesNotContain(
                findings,
                f => f.Place.Row == 4
                    && (f.Code.StartsWith("TEXT", StringComparison.Ordinal) || f.Code is "WORD01" or "WORD02" or "WORD03"));
        }
    }

    /// <summary>
    /// Every package that the application is built with stands on the page of licences, and what ships with the pages has its text beside
    /// it.
    /// </summary>
    [Fact]
    public void Whatever_ships_has_its_licence()
    {
        var root = Path.GetFullPath(Path.Combine(Path.GetDirectoryName(Page())!, ".."));
        var page = File.ReadAllText(Path.Combine(root, "docs", "licences.md"));
        foreach (var project in Directory.GetFiles(Path.Combine(root, "src"), "*.csproj", SearchOption.AllDirectories))
        {
            Assert.All(
                Package().Matches(File.ReadAllText(project)),
                m => Assert.Contains(m.Groups[1].Value, page, StringComparison.Ordinal));
        }

        Assert.All(LicenceText().Matches(page), m => Assert.True(File.Exists(Path.Combine(root, m.Groups[1].Value)), m.Groups[1].Value));
        Assert.True(File.Exists(Path.Combine(root, "LICENSE")));
    }

    [GeneratedRegex("PackageReference Include=\"([^\"]+)\"")]
    private static partial Regex Package();

    [GeneratedRegex("`(src/[^`]+)`")]
    private static partial Regex LicenceText();

    [GeneratedRegex("`([^`]+)`")]
    private static partial Regex CodeSpan();

    [GeneratedRegex(@"\s{2,}")]
    private static partial Regex Gap();
}
