using System.Text.RegularExpressions;
using Xunit;

namespace FondCompass.Web.Tests.Markup;

/// <summary>How the browser's modules and the styles are written.</summary>
public partial class ScriptTests
{
    private const int LongestFile = 300;

    private static string Root => HelpTests.Web;

    private static IEnumerable<(string Name, string Text)> Files(string folder) =>
        Directory.EnumerateFiles(Path.Combine(Root, "wwwroot", folder), "*." + folder, SearchOption.AllDirectories)
            .Select(f => (Path.GetRelativePath(Root, f), File.ReadAllText(f)));

    [GeneratedRegex(@"\{[^{}\n]*(?:\{[^{}\n]*\}[^{}\n]*)*\bany\b[^\n]*\}")]
    private static partial Regex AnyType();

    [GeneratedRegex(@"Object\.assign\(window\b|\bwindow\.\w+\s*=[^=]|\bglobalThis\b")]
    private static partial Regex PutOnWindow();

    [GeneratedRegex(@"\{[^{}]*?:[^{};]*?(?<colour>#[0-9a-fA-F]{3,8}\b|\b(?:rgba?|hsla?|oklch)\()[^{}]*\}")]
    private static partial Regex Colour();

    [Fact]
    public void No_module_is_long_takes_any_type_or_hangs_something_on_the_window()
    {
        var faults = new List<string>();
        foreach (var (name, text) in Files("js"))
        {
            if (text.Count(c => c == '\n') > LongestFile)
            {
                faults.Add($"{name} has more than {LongestFile} lines: put what belongs together into a module of its own");
            }

            // Of comments alone: a type stands there.
            faults.AddRange(text.Split('\n')
                .Where(l => (l.Contains("/**", StringComparison.Ordinal) || l.TrimStart().StartsWith('*')) && AnyType().IsMatch(l))
                .Select(l => $"{name} takes any type: {l.Trim()}"));
            faults.AddRange(PutOnWindow().Matches(text).Select(m => $"{name} hangs something on the window: {m.Value}"));
        }

        Assert.Empty(faults);
    }

    [Fact]
    public void A_colour_is_named_among_the_tokens_and_nowhere_else() =>
        Assert.Empty(Files("css")
            .Where(f => Path.GetFileName(f.Name) != "tokens.css")
            .SelectMany(f => Colour().Matches(f.Text).Select(m => $"{f.Name}: {m.Groups["colour"].Value}")));
}
