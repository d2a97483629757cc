using System.Globalization;
using Xunit;

namespace FondCompass.Core.Tests.Tables;

/// <summary>
/// A table that an instructor can read, in Markdown beside the tests of a folder: each row is what somebody writes and what comes of it.
/// A row that is new has its first column only; FOND_WRITE_DOCS=1 fills in what comes of each, and whoever does that reads the difference
/// before it is kept: a row holds what is right, not what happens to come.
/// </summary>
/// <param name="file">Path under the project of the tests, such as "Actions/placing.md".</param>
internal sealed class RowTable(string file)
{
    private readonly string _path = Path.Combine(Dances.Root(), "tests", "FondCompass.Core.Tests", file);

    /// <summary>The first columns of the table, for a theory.</summary>
    public TheoryData<string> Written => [.. Rows().Select(r => r[0])];

    /// <summary>What comes of a row is what the table says.</summary>
    /// <param name="written">Its first column.</param>
    /// <param name="comes">What comes of it: the other columns.</param>
    public void Check(string written, params string[] comes)
    {
        string[] now = [written, .. comes.Select(Cell)];
        if (Environment.GetEnvironmentVariable("FOND_WRITE_DOCS") == "1")
        {
            lock (Dances.Demo)
            {
                var lines = File.ReadAllLines(_path);
                var at = Array.FindIndex(lines, l => IsRow(l) && Cells(l)[0] == written);
                lines[at] = $"| {string.Join(" | ", now)} |";
                File.WriteAllLines(_path, lines);
            }
        }

        var kept = Of(written);
        Assert.True(
            kept.SequenceEqual(now),
            string.Create(
                CultureInfo.InvariantCulture,
                $"{file}\n  written: {written}\n  is to come: {string.Join(" | ", kept.Skip(1))}\n  comes:      "
                    + $"{string.Join(" | ", now.Skip(1))}"));
    }

    /// <summary>The columns of a row, the first one included.</summary>
    public string[] Of(string written) => Rows().Single(r => r[0] == written);

    private List<string[]> Rows() => [.. File.ReadAllLines(_path).Where(IsRow).Select(Cells)];

    private static bool IsRow(string line) => line.StartsWith("| ", StringComparison.Ordinal)
        && !line.StartsWith("| ---", StringComparison.Ordinal)
        && !line.StartsWith("| Written", StringComparison.Ordinal);

    private static string[] Cells(string line) => [.. line.Trim().Trim('|').Split(" | ").Select(c => c.Trim())];

    private static string Cell(string text) => text.ReplaceLineEndings(" / ").Replace('|', '¦').Trim();
}
