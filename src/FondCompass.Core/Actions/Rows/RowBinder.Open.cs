using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions.Rows;

/// <summary>
/// Deeds whose words leave the weight open, moves that are only named and turns of a count of their own: the next foot or fact settles
/// them.
/// </summary>
internal sealed partial class RowBinder
{
    /// <summary>Open deeds of one row that are settled; those behind stay as their verb has it.</summary>
    private const int MostOpen = 16;

    /// <summary>
    /// An open deed, and where the weight goes after it; null when nothing told. Sure when it was told by the words right behind it.
    /// </summary>
    private readonly record struct Settled(DanceAction Action, WeightEnd? End, bool IsSure);

    /// <summary>A row that is no step of any kind but a name; null for every other.</summary>
    private List<Option>? Moves(Readings readings, StepEntry entry, Beat first) =>
        entry.Counts is not null && !names.IsBroken(entry.Wording) && (names.NamesMoves || !readings.IsWhole)
            && NamedMoves.Read(names, entry.Wording) is { } moves ? LayAnew(new Readings([moves]), entry, first) : null;

    /// <summary>
    /// The named move that was danced since the feet were known last, how often, and whether others were too: of those nothing is known.
    /// </summary>
    public (string Name, int Times, bool Others) Unsettled { get; set; } = ("", 0, false);

    /// <summary>Settles each open deed of a row by what comes behind it, in place.</summary>
    /// <param name="feet">How the feet stand before the row.</param>
    /// <param name="after">The weight that must be there when the row is done; null when nothing tells.</param>
    private List<Settled> Settle(List<PendingMoment> moments, WeightState feet, Afterwards? after)
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
            var told = isMove ? ToldOfMoves(moments, open.Words, feet, after) : Told(moments, i, feet, after);
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

    /// <summary>What the feet behind an open turn say of it, up to the next that is open; null when they would do either way.</summary>
    private WeightEnd? Told(List<PendingMoment> moments, int at, WeightState feet, Afterwards? after)
    {
        var to = moments.FindIndex(at + 1, m => m.Moment is DanceAction { End: WeightEnd.Open });
        var stretch = moments.GetRange(0, to < 0 ? moments.Count : to);
        return Fitting(end =>
        {
            stretch[at] = moments[at] with { Moment = (DanceAction)moments[at].Moment with { End = end } };
            return Wrong(stretch, feet, to < 0 ? after : null);
        });
    }

    /// <summary>
    /// What they say of a named move: however often it is danced before them, it ends in one way. With other moves beside it they say
    /// nothing.
    /// </summary>
    private WeightEnd? ToldOfMoves(List<PendingMoment> moments, string move, WeightState feet, Afterwards? after)
    {
        bool IsIt(DanceAction action) => string.Equals(action.Words, move, StringComparison.OrdinalIgnoreCase);
        var isBefore = Unsettled.Times > 0 && string.Equals(Unsettled.Name, move, StringComparison.OrdinalIgnoreCase);
        if (Unsettled.Others || (Unsettled.Times > 0 && !isBefore)
            || moments.Exists(m => m.Moment is DanceAction { End: WeightEnd.Open } other && other.Verb == Verbs.NamedMove && !IsIt(other)))
        {
            return null;
        }

        return Fitting(end =>
        {
            var stretch = moments.ConvertAll(m => m.Moment is DanceAction { End: WeightEnd.Open } open && IsIt(open)
                ? m with { Moment = open with { End = end } } : m);
            return Wrong(
                stretch,
                end == WeightEnd.GoesOver && isBefore && Unsettled.Times % 2 == 1 ? feet with { Weight = feet.Weight.Other() }
                : feet, after);
        });
    }

    private static WeightEnd? Fitting(Func<WeightEnd, int> wrong) =>
        (wrong(WeightEnd.Stays), wrong(WeightEnd.GoesOver)) is var (stays, over) && stays == over ? null
            : stays < over ? WeightEnd.Stays
            : WeightEnd.GoesOver;

    /// <summary>Feet that are not free, and facts that do not hold, when a stretch is danced so.</summary>
    private int Wrong(List<PendingMoment> stretch, WeightState feet, Afterwards? after)
    {
        var (then, faults) = Danced(stretch, feet);
        return faults + (stretch[^1].Moment is StatedFact fact && Contradicts(then.Weight, fact.Weight) ? 1
            : 0) + (Contradicts(then.Weight, after?.Weight) ? 1 : 0);
    }

    /// <summary>What stands between two rows says where the weight is: nothing before it is open any more.</summary>
    public void FeetAreKnown() => Unsettled = ("", 0, false);

    /// <summary>Remembers what is open still when a row is done.</summary>
    private void Remember(List<PendingMoment> moments)
    {
        foreach (var pending in moments)
        {
            if (pending.Moment is DanceAction { Role: FootRole.Named } or DanceAction
                {
                    CallLead: Foot.Left or Foot.Right,
                    Role: FootRole.Lead
                } or StatedFact { Weight: not null })
            {
                FeetAreKnown();
            }
            else if (pending.Moment is DanceAction { End: WeightEnd.Open } open && open.Verb == Verbs.NamedMove)
            {
                Unsettled = (open.Words, Unsettled.Times + 1, Unsettled.Others
                    || (Unsettled.Times > 0 && !string.Equals(Unsettled.Name, open.Words, StringComparison.OrdinalIgnoreCase)));
            }
        }
    }

    private static bool Contradicts(Weight weight, Weight? stated) =>
        stated is { } said && said.IsSingle() && weight.IsSingle() && weight != said;

    private void TellOpen(List<Settled> settled, RowReading wording, StepEntry entry, Place place, Action<Finding> tell)
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
                    ActionTexts.WeightAfterTurnOpen(RowDoubts.Shorten(PhraseText.Write(wording))),
                    ""));
            }
        }
    }
}
