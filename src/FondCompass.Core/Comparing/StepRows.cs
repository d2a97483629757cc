using FondCompass.Core.Lexicon;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;

namespace FondCompass.Core.Comparing;

/// <summary>One call of a step, to compare readings by.</summary>
/// <param name="Where">Part, line and counts.</param>
/// <param name="Step">As the instructor calls it, with foot, way and turn.</param>
/// <param name="Danced">What is danced, action by action with its moment in the call: the same step elsewhere in the line, or under another
/// name, is the same.</param>
public sealed record StepRow(string Part, int Line, string Count, string Where, string Step, string Danced)
{
    /// <summary>The lexicon's name of what is danced.</summary>
    public required string Named { get; init; }
}

/// <summary>A dance as its calls of steps: what is danced counts, wording, spacing and remarks do not.</summary>
public static class StepRows
{
    public static IReadOnlyList<StepRow> Read(DanceTrace trace)
    {
        var rows = new List<StepRow>();
        foreach (var part in trace.Parts)
        {
            foreach (var call in part.Actions.GroupBy(a => a.Action.Call).Select(c => c.ToList()))
            {
                var first = call[0];
                var counts = string.Join(' ', call.Select(a => a.Action.Beat.Label(trace.Dance.Header.LineCounts)));
                rows.Add(new StepRow(
                    part.Part.Name,
                    first.Action.Line,
                    first.Action.Beat.Label(),
                    $"{PartWording.At(part.Part, first.Action.Line)}, {counts}",
                    StepWording.Word(call).ToString(), string.Join(' ', call.Select(a => Danced(a, (a.At - first.At).Value))))
                { Named = first.Action.Step });
            }
        }

        return rows;
    }

    /// <summary>
    /// Two readings to be shown beside each other: where both call different deeds by one word, the lexicon's name stands behind it.
    /// </summary>
    public static (IReadOnlyList<StepRow> Left, IReadOnlyList<StepRow> Right) Read(DanceTrace left, DanceTrace right)
    {
        var (a, b) = (Read(left), Read(right));
        var twice = a.Concat(b)
            .GroupBy(r => r.Step)
            .Where(g => g.Select(r => r.Named).Distinct().Count() > 1)
            .Select(g => g.Key)
            .ToHashSet();
        IReadOnlyList<StepRow> Told(IReadOnlyList<StepRow> rows) =>
            [.. rows.Select(r => twice.Contains(r.Step) ? r with { Step = $"{r.Step} ({r.Named})" } : r)];
        return (Told(a), Told(b));
    }

    private static string Danced(TracedAction action, int tick) =>
        $"{(action.Verb.Has(VerbTraits.IsBody) ? action.Action.Words : "")}{action.Verb.Name}/"
            + $"{action.Foot}/{action.Direction}/{action.Turn.Value}/{tick}";
}
