using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Actions;

/// <summary>Looks up the words of a dance and lays every action on the tick grid.</summary>
public static class ActionBinder
{
    public static DanceActions Bind(Dance dance, StepLexicon lexicon)
    {
        var findings = new List<Finding>();
        var names = OwnSteps.Over(lexicon.For(dance.Header.Genre, dance.Header.LineCounts), dance.Definitions, findings);
        var parts = new List<PartActions>(dance.Parts.Count);
        foreach (var part in dance.Parts)
        {
            parts.Add(new PartBinder(dance, part, names, findings).Bind());
        }

        return new DanceActions(dance, parts, findings);
    }
}
