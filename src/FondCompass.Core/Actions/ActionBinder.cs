using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Actions;

/// <summary>Looks up the words of a dance and lays every action on the tick grid.</summary>
public static class ActionBinder
{
    /// <summary>Actions that are read in all; a dance of two hours has fewer.</summary>
    public const int MostMoments = 60_000;

    public static DanceActions Bind(Dance dance, StepLexicon lexicon)
    {
        var findings = new List<Finding>();
        var names = NamesOf(dance, lexicon, findings);
        var parts = new List<PartActions>(dance.Parts.Count);
        var room = MostMoments;
        foreach (var part in dance.Parts)
        {
            parts.Add(new PartBinder(dance, part, names, findings, room).Bind());
            room = Math.Max(0, room - parts[^1].Moments.Count);
        }

        return new DanceActions(dance, parts, findings);
    }

    /// <summary>The names as this dance understands them: its own definitions, then the genre's names, then all others.</summary>
    public static IStepNames NamesOf(Dance dance, StepLexicon lexicon, List<Finding> findings) =>
        OwnSteps.Over(lexicon.For(dance.Header.Genre, dance.Header.LineCounts), dance.Definitions, findings);
}
