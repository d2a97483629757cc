using FondCompass.Core.Counts;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Actions;

/// <summary>Deeds whose words leave the weight open, moves that are only named and turns of a count of their own: the next foot or fact settles them.</summary>
internal sealed partial class RowBinder
{
    /// <summary>Open deeds of one row that are settled; those behind stay as their verb has it.</summary>
    private const int MostOpen = 16;

    /// <summary>An open deed, and where the weight goes after it; null when nothing told. Sure when it was told by the words right behind it.</summary>
    private readonly record struct Settled(DanceAction Action, WeightEnd? End, bool IsSure);

    /// <summary>A row that is no step of any kind but a name; null for every other.</summary>
    private List<Option>? Moves(Readings readings, StepEntry entry, Beat first) =>
        entry.Counts is not null && !names.IsBroken(entry.Wording) && (names.NamesMoves || !readings.IsWhole)
            && NamedMoves.Read(names, entry.Wording) is { } moves ? LayAnew(new Readings([moves]), entry, first) : null;

    /// <summary>Settles each open deed of a row by what comes behind it, in place.</summary>
    /// <param name="feet">How the feet stand before the row.</param>
    /// <param name="after">The weight that must be there when the row is done; null when nothing tells.</param>
    private List<Settled> Settle(List<Pending> moments, Footing feet, Afterwards? after)
    {
        var settled = new List<Settled>();
        for (var i = 0; i < moments.Count && settled.Count < MostOpen; i++)
        {
            if (moments[i].Moment is not DanceAction { End: WeightEnd.Open } open)
            {
                continue;
            }

            var isMove = open.Verb == Verbs.NamedMove;
            var known = isMove ? ends.Of(open.Words) : null;
            var told = Told(moments, i, feet, after);
            var end = known ?? told;
            settled.Add(new Settled(open, end, told is not null && after is not { IsNext: false }));
            if (end is null && !isMove)
            {
                var (before, _) = Danced(moments.GetRange(0, i), feet);
                end = before.GoesOver(open.Turn?.Side ?? 0) ? WeightEnd.GoesOver : WeightEnd.Stays;
            }

            moments[i] = moments[i] with { Moment = open with { End = end ?? WeightEnd.Open } };
        }

        return settled;
    }

    /// <summary>What the feet behind an open deed say of it, up to the next that is open; null when they would do either way.</summary>
    private WeightEnd? Told(List<Pending> moments, int at, Footing feet, Afterwards? after)
    {
        var to = moments.FindIndex(at + 1, m => m.Moment is DanceAction { End: WeightEnd.Open });
        var stretch = moments.GetRange(0, to < 0 ? moments.Count : to);
        var (stays, over) = (Wrong(WeightEnd.Stays), Wrong(WeightEnd.GoesOver));
        return stays == over ? null : stays < over ? WeightEnd.Stays : WeightEnd.GoesOver;

        int Wrong(WeightEnd end)
        {
            stretch[at] = moments[at] with { Moment = (DanceAction)moments[at].Moment with { End = end } };
            var (then, faults) = Danced(stretch, feet);
            return faults + stretch.Count(m => m.Moment is StatedFact { Weight: { } } && m == stretch[^1] && Contradicts(then.Weight, ((StatedFact)m.Moment).Weight))
                + (to < 0 && Contradicts(then.Weight, after?.Weight) ? 1 : 0);
        }
    }

    private static bool Contradicts(Weight weight, Weight? stated) => stated is { } said && said.IsSingle() && weight.IsSingle() && weight != said;

    private void TellOpen(List<Settled> settled, Wording wording, StepEntry entry, Place place, Action<Finding> tell)
    {
        foreach (var (action, end, isSure) in settled)
        {
            if (action.Verb == Verbs.NamedMove)
            {
                ends.Danced(action.Words, end, isSure, place with { Words = entry.Span });
            }
            else if (end is null)
            {
                tell(Doubts.Of(entry, place,
                    $"'{RowDoubts.Shorten(PhraseText.Write(wording))}' does not say which foot holds the weight after the turn, and nothing behind it does. "
                    + "Write 'onto R' or 'onto L' behind it.",
                    ""));
            }
        }
    }
}
