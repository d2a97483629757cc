using DiffPlex;
using DiffPlex.Chunkers;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Comparing;

/// <summary>What became of a step from one reading of a dance to the other.</summary>
public enum Fate
{
    Same,
    Gone,
    New,
}

/// <summary>One step of either reading: where it stands, and what is danced.</summary>
public sealed record ComparedStep(Fate Fate, string Where, string Step);

/// <summary>
/// The difference of two readings of a dance by step, not by letter: wording, spacing and remarks do not count, feet, counts
/// and turns do.
/// </summary>
public sealed record DanceDifference(IReadOnlyList<ComparedStep> Steps)
{
    /// <summary>Both are danced the same, whatever their texts say.</summary>
    public bool IsSame => Steps.All(s => s.Fate == Fate.Same);

    public int Changes => Steps.Count(s => s.Fate != Fate.Same);

    /// <param name="before">The older reading.</param>
    /// <param name="after">The newer reading.</param>
    public static DanceDifference Between(DanceTrace before, DanceTrace after)
    {
        var (old, now) = StepRows.Read(before, after);
        var diff = new Differ().CreateDiffs(Keys(old), Keys(now), ignoreWhiteSpace: false, ignoreCase: false, new LineChunker());
        var steps = new List<ComparedStep>();
        var at = 0;
        foreach (var block in diff.DiffBlocks)
        {
            Add(Fate.Same, now, at, block.InsertStartB);
            Add(Fate.Gone, old, block.DeleteStartA, block.DeleteStartA + block.DeleteCountA);
            at = block.InsertStartB + block.InsertCountB;
            Add(Fate.New, now, block.InsertStartB, at);
        }

        Add(Fate.Same, now, at, now.Count);
        return new DanceDifference(steps);

        void Add(Fate fate, IReadOnlyList<StepRow> rows, int from, int to) =>
            steps.AddRange(rows.Take(to).Skip(from).Select(r => new ComparedStep(fate, r.Where, r.Step)));
    }

    private static string Keys(IReadOnlyList<StepRow> rows) =>
        string.Join('\n', rows.Select(r => $"{r.Part} {r.Line} {r.Count}|{r.Danced}"));
}
