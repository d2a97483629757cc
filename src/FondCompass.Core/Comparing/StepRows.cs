using FondCompass.Core.Counts;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Comparing;

/// <summary>One call of a step in words, to compare readings by.</summary>
/// <param name="Where">Part, line and counts.</param>
/// <param name="Step">Name, foot, way and turn.</param>
/// <param name="Rhythm">Its counts within itself, so that the same step elsewhere in the line is the same step.</param>
public sealed record StepRow(string Part, int Line, string Count, string Where, string Step, string Rhythm);

/// <summary>A dance as its calls of steps: what is danced counts, wording, spacing and remarks do not.</summary>
public static class StepRows
{
    public static IReadOnlyList<StepRow> Of(DanceTrace trace)
    {
        var rows = new List<StepRow>();
        foreach (var part in trace.Parts)
        {
            foreach (var call in part.Actions.GroupBy(a => a.Action.Call))
            {
                var first = call.First();
                var turn = new Eighths(call.Sum(a => a.Turn.Value));
                var counts = string.Join(' ', call.Select(a => a.Action.Beat.Label(trace.Dance.Header.LineCounts)));
                var way = call.Count() == 1 && first.Direction != Lexicon.Direction.None ? $" {Words(first.Direction)}" : "";
                rows.Add(new StepRow(
                    part.Part.Name, first.Action.Line, first.Action.Beat.Label(), $"{part.Part.Name} {first.Action.Line}, {counts}",
                    $"{first.Action.Step}{(first.Foot.IsSingle() ? $" {first.Foot.Letter()}" : "")}{way}{(turn.IsNone ? "" : $", turn {turn}")}",
                    string.Join(' ', call.Select(a => (a.At - first.At).Value))));
            }
        }

        return rows;
    }

    private static string Words(Lexicon.Direction direction) =>
        string.Concat(direction.ToString().Select((c, i) => i > 0 && char.IsUpper(c) ? $" {char.ToLowerInvariant(c)}" : $"{char.ToLowerInvariant(c)}"));
}
