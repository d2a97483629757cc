using FondCompass.Core.Editing;
using FondCompass.Core.Steps;

namespace FondCompass.Core.Teaching.Planning;

/// <summary>What one class is told otherwise on one count.</summary>
/// <param name="Line">From 1.</param>
/// <param name="Count">The count of the line, as a script writes it ("3&amp;").</param>
public sealed record ClassCue(string Part, int Line, string Count, string Words);

/// <summary>What one class is told otherwise in one dance; laid over the script as cues of its own.</summary>
public sealed record ClassCues
{
    /// <summary>Cues of one class in one dance, and letters of each, at the most.</summary>
    public const int Most = 200, Longest = 200;

    public static readonly ClassCues None = new();

    public IReadOnlyList<ClassCue> Cues { get; init; } = [];

    /// <summary>A script with the class's own words; what it has no place for any more is left out, and stays kept.</summary>
    public string Over(string script, StepLexicon lexicon) =>
        Cues.Aggregate(script, (text, cue) => StepEdits.SetCue(text, lexicon, cue.Part, cue.Line, cue.Count, cue.Words).Script);

    /// <summary>With the words for one count; none take them away.</summary>
    public ClassCues With(ClassCue cue) => this with
    {
        Cues = [
            .. Cues.Where(c => (c.Part, c.Line, c.Count) != (cue.Part, cue.Line, cue.Count)),
            .. cue.Words.Length > 0 ? (ClassCue[])[cue] : []
        ],
    };
}
