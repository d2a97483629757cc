using FondCompass.Core.Actions;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Teaching.Planning;

/// <summary>What one class is told otherwise on one count.</summary>
/// <param name="Line">From 1.</param>
/// <param name="Count">The count of the line, as a script writes it ("3&amp;").</param>
public sealed record ClassCue(string Part, int Line, string Count, string Words);

/// <summary>What one class is told otherwise in one dance; laid on the counts of the dance as cues of its own.</summary>
public sealed record ClassCues
{
    /// <summary>Cues of one class in one dance, and letters of each, at the most.</summary>
    public const int Most = 200, Longest = 200;

    public static readonly ClassCues None = new();

    public IReadOnlyList<ClassCue> Cues { get; init; } = [];

    /// <summary>The dance with the class's own words on its counts; what has no place there any more is left out, and stays kept.</summary>
    public Analysis On(Analysis dance)
    {
        if (Cues.Count == 0)
        {
            return dance;
        }

        var (actions, lineCounts) = (dance.Trace.Actions, dance.Dance.Header.LineCounts);
        return Analysis.Judge(actions with { Parts = [.. actions.Parts.Select(p => Told(p, lineCounts))] });
    }

    /// <summary>A part, and each of its later calls, with these words in place of those written on the same count.</summary>
    private PartActions Told(PartActions part, int lineCounts)
    {
        var notes = part.Notes.ToList();
        foreach (var cue in Cues.Where(c => string.Equals(c.Part, part.Name, StringComparison.OrdinalIgnoreCase)))
        {
            if (part.Actions.FirstOrDefault(a => a.Line == cue.Line && a.Beat.Label(lineCounts) == cue.Count) is { } step)
            {
                notes.RemoveAll(n => n.Kind == "cue" && n.Line == cue.Line && n.At == step.At);
                notes.Add(new Annotation
                {
                    Line = step.Line,
                    At = step.At,
                    Length = Tick.FromCounts(1),
                    Beat = step.Beat,
                    Row = step.Row,
                    Kind = "cue",
                    Text = cue.Words,
                });
            }
        }

        return part with { Notes = notes, LaterCalls = [.. part.LaterCalls.Select(l => Told(l, lineCounts))] };
    }

    /// <summary>With the words for one count; none take them away.</summary>
    public ClassCues With(ClassCue cue) => this with
    {
        Cues = [
            .. Cues.Where(c => (c.Part, c.Line, c.Count) != (cue.Part, cue.Line, cue.Count)),
            .. cue.Words.Length > 0 ? (ClassCue[])[cue] : []
        ],
    };
}
