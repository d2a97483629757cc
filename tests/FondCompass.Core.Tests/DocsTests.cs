using System.Reflection;
using System.Runtime.CompilerServices;
using System.Text;
using FondCompass.Core.Findings;
using Xunit;

namespace FondCompass.Core.Tests;

/// <summary>The page of findings lists every code, and every code only once.</summary>
public class DocsTests
{
    private static string Page([CallerFilePath] string here = "") => Path.Combine(Path.GetDirectoryName(here)!, "..", "..", "docs", "findings.md");

    private static List<FindingCode> Codes() => typeof(FindingCode).Assembly.GetTypes()
        .SelectMany(t => t.GetFields(BindingFlags.Public | BindingFlags.Static))
        .Where(f => f.FieldType == typeof(FindingCode))
        .Select(f => (FindingCode)f.GetValue(null)!)
        .OrderBy(c => c.Code, StringComparer.Ordinal)
        .ToList();

    /// <summary>Set FOND_WRITE_DOCS=1 to write the page anew.</summary>
    [Fact]
    public void Findings_are_all_on_their_page()
    {
        var text = new StringBuilder("# Findings\n\nEvery code is stable. An error cannot be danced or read; a warning wants a look; an info is for the lesson.\nThis page is written by a test of the core.\n\n| code | severity | what |\n|---|---|---|\n");
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
}
