using FondCompass.Core;
using FondCompass.Core.Editing;
using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Classes;

namespace FondCompass.Web.Drawing;

/// <summary>What else could be danced: in place of a step, and in what is left of its line.</summary>
/// <param name="Row">Text row of the step.</param>
/// <param name="Step">Its words.</param>
public sealed record WaySheet(
    int Row,
    string Step,
    SwapAim Aim,
    IReadOnlyList<Swap> Swaps,
    string Part,
    int Line,
    int From,
    IReadOnlyList<Filling> Fillings)
{
    public static WaySheet? Find(Analysis analysis, StepLexicon lexicon, int row, SwapAim aim, double bpm)
    {
        var map = ScriptMap.Map(analysis.Trace.Actions);
        if (map.At(row) is not { } at || analysis.Trace.Written(at.Line.Part) is not { } part || at.Line.Number > part.Part.Lines.Count)
        {
            return null;
        }

        var header = analysis.Dance.Header;
        var swaps = SwapSearch.Find(
            analysis.Trace,
            part,
            at.Line.Number,
            at.Row.First,
            at.Row.Last,
            aim,
            bpm,
            lexicon,
            newness: new ClassKnowledge(lexicon, ClassLevel.Beginner).NoveltyIn(analysis.Dance));
        var counts = part.Part.Lines[at.Line.Number - 1].Counts;
        var slot = StepSlot.At(analysis, at.Line.Part, at.Line.Number, counts + 1);
        IReadOnlyList<Filling> fillings = counts < header.LineCounts
            ? LineCompletion.Find(header, slot.State, counts + 1, new Gap(header.LineCounts - counts, null, null), lexicon)
            : [];
        return new WaySheet(row, at.Row.Wording, aim, swaps, at.Line.Part, at.Line.Number, counts + 1, fillings);
    }
}
