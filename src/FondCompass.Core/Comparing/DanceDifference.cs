using DiffPlex;
using DiffPlex.DiffBuilder;
using DiffPlex.DiffBuilder.Model;
using FondCompass.Core.Counts;
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

    /// <summary>A line of text for each call of a step: its place, its name, its foot, its turn.</summary>
    private static string Text(DanceTrace trace)
    {
        var rows = new List<string>();
        foreach (var part in trace.Parts)
        {
            foreach (var call in part.Actions.GroupBy(a => a.Action.Call))
            {
                var first = call.First();
                var turn = new Eighths(call.Sum(a => a.Turn.Value));
                var counts = string.Join(' ', call.Select(a => a.Action.Beat.Label(trace.Dance.Header.LineCounts)));
                var way = call.Count() == 1 && first.Direction != Lexicon.Direction.None ? $" {Words(first.Direction)}" : "";
                rows.Add($"{part.Part.Name} {first.Action.Line}, {counts}|{first.Action.Step}{(first.Foot.IsSingle() ? $" {first.Foot.Letter()}" : "")}{way}{(turn.IsNone ? "" : $", turn {turn}")}");
            }
        }

        return string.Join('\n', rows);
    }

    private static string Words(Lexicon.Direction direction) =>
        string.Concat(direction.ToString().Select((c, i) => i > 0 && char.IsUpper(c) ? $" {char.ToLowerInvariant(c)}" : $"{char.ToLowerInvariant(c)}"));
}
