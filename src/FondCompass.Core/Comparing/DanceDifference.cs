using DiffPlex;
using DiffPlex.DiffBuilder;
using DiffPlex.DiffBuilder.Model;
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
        var diff = new InlineDiffBuilder(new Differ()).BuildDiffModel(Text(before), Text(after), ignoreWhitespace: false);
        var steps = new List<ComparedStep>();
        foreach (var line in diff.Lines.Where(l => l.Text.Length > 0))
        {
            var cut = line.Text.IndexOf('|');
            var fate = line.Type switch { ChangeType.Deleted => Fate.Gone, ChangeType.Inserted => Fate.New, _ => Fate.Same };
            steps.Add(new ComparedStep(fate, line.Text[..cut], line.Text[(cut + 1)..]));
        }

        return new DanceDifference(steps);
    }

    private static string Text(DanceTrace trace) => string.Join('\n', StepRows.Of(trace).Select(r => $"{r.Where}|{r.Step}"));
}
