using DiffPlex;
using DiffPlex.Chunkers;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Comparing;

/// <summary>Two steps beside each other; one side is empty where only the other has something.</summary>
public sealed record PairedSteps(StepRow? Left, StepRow? Right, bool IsSame);

/// <summary>A stretch where two readings differ: the step at which they part, and the one with which they are together again.</summary>
/// <param name="Parts">Where they part, in the left reading if it has a step there.</param>
/// <param name="Meets">Where they meet again; null when they do not.</param>
/// <param name="Left">Steps of the left reading between.</param>
/// <param name="Right">Steps of the right reading between.</param>
public sealed record Parting(string Parts, string? Meets, int Left, int Right);

/// <summary>Two dances, or two versions of one, laid beside each other by step.</summary>
public sealed record SideBySide(IReadOnlyList<PairedSteps> Rows, IReadOnlyList<Parting> Partings)
{
    public bool IsSame => Partings.Count == 0;

    public int SameSteps => Rows.Count(r => r.IsSame);

    public static SideBySide Lay(DanceTrace left, DanceTrace right)
    {
        var (a, b) = StepRows.Read(left, right);
        var diff = new Differ().CreateDiffs(Keys(a), Keys(b), ignoreWhiteSpace: false, ignoreCase: false, new LineChunker());
        var rows = new List<PairedSteps>();
        var partings = new List<Parting>();
        var (i, j) = (0, 0);
        foreach (var block in diff.DiffBlocks)
        {
            Together(block.DeleteStartA);
            for (var k = 0; k < Math.Max(block.DeleteCountA, block.InsertCountB); k++)
            {
                rows.Add(new PairedSteps(
                    k < block.DeleteCountA ? a.ElementAtOrDefault(i + k) : null,
                    k < block.InsertCountB ? b.ElementAtOrDefault(j + k) : null,
                    false));
            }

            var parts = block.DeleteCountA > 0 ? a.ElementAtOrDefault(i) : b.ElementAtOrDefault(j);
            i += block.DeleteCountA;
            j += block.InsertCountB;
            partings.Add(new Parting(parts?.Where ?? "", a.ElementAtOrDefault(i)?.Where, block.DeleteCountA, block.InsertCountB));
        }

        Together(a.Count);
        return new SideBySide(rows.Where(r => r.Left is not null || r.Right is not null).ToList(), partings);

        void Together(int until)
        {
            for (; i < until && i < a.Count && j < b.Count; i++, j++)
            {
                rows.Add(new PairedSteps(a[i], b[j], true));
            }
        }
    }

    /// <summary>Part names and counts do not count: the same steps in the same rhythm are together wherever they stand.</summary>
    private static string Keys(IReadOnlyList<StepRow> rows) => string.Join('\n', rows.Select(r => r.Danced));
}
