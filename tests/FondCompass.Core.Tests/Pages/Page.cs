using System.Globalization;
using System.Text;
using Xunit;

namespace FondCompass.Core.Tests.Pages;

/// <summary>
/// A page as a person would read it, kept beside the tests. FOND_WRITE_DOCS=1 writes the pages anew; whoever does that reads each one
/// before it is kept.
/// </summary>
internal sealed class Page
{
    private readonly StringBuilder _text = new();

    public void Head(string text) => _text.Append(_text.Length == 0 ? "" : "\n").Append(text).Append('\n');

    public void Line(string text) => _text.Append("  ").Append(text.ReplaceLineEndings(" / ").TrimEnd()).Append('\n');

    /// <summary>Minutes and seconds: 12:05.</summary>
    public static string Clock(double seconds) =>
        string.Create(CultureInfo.InvariantCulture, $"{(int)(seconds / 60)}:{(int)(seconds % 60):00}");

    /// <summary>A number with two places at the most.</summary>
    public static string Number(double number) => number.ToString("0.##", CultureInfo.InvariantCulture);

    /// <summary>The kept page says the same; the first line that differs is told.</summary>
    /// <param name="name">The page's file, without ".txt".</param>
    public void Check(string name)
    {
        var path = Path.Combine(Dances.Root(), "tests", "FondCompass.Core.Tests", "Pages", name + ".txt");
        if (Environment.GetEnvironmentVariable("FOND_WRITE_DOCS") == "1")
        {
            File.WriteAllText(path, _text.ToString());
        }

        var (kept, now) = (File.ReadAllLines(path), _text.ToString().TrimEnd('\n').Split('\n'));
        for (var i = 0; i < Math.Min(kept.Length, now.Length); i++)
        {
            Assert.True(kept[i] == now[i], $"{name}.txt, line {i + 1}\n  kept: {kept[i]}\n  now:  {now[i]}");
        }

        Assert.True(kept.Length == now.Length, $"{name}.txt has {kept.Length} lines, and {now.Length} would be written.");
    }
}
