using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Actions.Expansion;

/// <summary>One action laid on a beat.</summary>
/// <param name="Call">Number of the dancing within the row, from 0.</param>
/// <param name="Lead">The lead named with the call.</param>
/// <param name="Item">The item of the row it belongs to, from 0.</param>
/// <param name="FromForm">It comes from a named step's form, so that its feet are lead (R) and trail (L).</param>
internal sealed record PlacedAction(
    Phrase Phrase,
    Beat Beat,
    int Call,
    string Step,
    Foot Lead,
    bool FromForm,
    bool TurnFlips,
    bool TurnKeepsTravel,
    bool AltersEnding = false,
    int Item = 0);

/// <summary>One dancing of one phrase: the forms it may take, and what goes along with it.</summary>
/// <param name="Index">The item of the row it belongs to.</param>
/// <param name="Lead">The foot named for it; none when the free foot leads.</param>
/// <param name="Forms">The forms of a named step; empty for a single action.</param>
/// <param name="IsFirst">First dancing of its phrase.</param>
/// <param name="IsLast">Last dancing of its phrase.</param>
internal sealed record StepExpansion(
    Phrase Phrase,
    int Index,
    Foot Lead,
    IReadOnlyList<StepForm> Forms,
    bool IsFirst,
    bool IsLast,
    IReadOnlyList<Phrase> Along)
{
    /// <summary>Most actions one row may give.</summary>
    public const int MostActions = 4_096;

    public bool IsNamed => Phrase.IsNamed;

    public bool Holds => Phrase.Verb is { } verb && verb.Has(VerbTraits.Holds);

    /// <summary>All dancings of a row: feet listed, "x2", plurals and steps that repeat by nature.</summary>
    /// <param name="room">Whole counts, or positions, there are; null when they follow from the steps.</param>
    /// <param name="inCounts">Whether the room is in whole counts.</param>
    /// <param name="openRepeats">Feet named in a list that is repeated are those of its first time.</param>
    public static List<StepExpansion> Expand(RowReading wording, int? room, bool inCounts, bool openRepeats)
    {
        var dancings = new List<StepExpansion>();
        for (var index = 0; index < wording.Items.Count; index++)
        {
            var item = wording.Items[index];
            var phrase = item.Main;
            if (openRepeats && phrase.IsRepeat)
            {
                phrase = phrase with { Feet = [], Way = 0 };
            }

            var named = phrase.Feet.Count;
            var forms = named > 1 ? Singles(FormsOf(phrase)) : FormsOf(phrase);
            var times = phrase.TimesInAll ? Math.Max(named, phrase.Times) : Math.Max(1, named) * phrase.Times;
            var fills = phrase.Plural || phrase.CountsEach > 0 || phrase.Step is { Repeats: true }
                || (named == 0 && phrase.Verb is { } going && going.Has(VerbTraits.Gait));
            if (times == 1 && fills && wording.Items.Count == 1 && room is { } given)
            {
                var size = phrase.CountsEach > 0 && inCounts ? phrase.CountsEach
                    : forms.Count == 0 ? 1
                    : inCounts ? forms[0].Counts
                    : forms[0].Positions;
                // "Slow walks": each takes twice its counts.
                size *= inCounts && phrase.Paces is [Pace.Slow] ? 2 : 1;
                times = Math.Max(1, given / size);
            }

            // More repeats than the counts could hold, even at four to a count, are not tried.
            times = Math.Min(times, room is { } most ? Math.Max(16, most * 4) : MostActions);
            for (var i = 0; i < times && dancings.Count < MostActions; i++)
            {
                // A single foot named for several is the first lead; the others follow from the free foot. Only what leaves the
                // weight where it is can be done again by the same foot.
                var same = phrase.Times > 1 && phrase.Verb is { Kind: not VerbKind.Takes };
                var foot = named == 0 ? WayFoot(phrase, i) : named != 1 || i == 0 || same ? phrase.Feet[i % named] : Foot.None;
                var one = phrase with
                {
                    Feet = foot == Foot.None ? [] : [foot],
                    Turn = TurnOf(phrase, i, times),
                    Paces = phrase.Paces.Count > 1 ? [phrase.Paces[i % phrase.Paces.Count]] : phrase.Paces
                };
                one = times > 1 && named <= 1 && GoesOnAside(phrase)
                    ? Going(one, named == 0 ? WayFoot(phrase, 0) : phrase.Feet[0], i)
                    : one;
                dancings.Add(new StepExpansion(
                    one,
                    index,
                    foot,
                    forms,
                    i == 0,
                    i == times - 1,
                    item.Together.Count > 1 ? [.. item.Together.Skip(1)] : []));
            }
        }

        return dancings;
    }

    /// <summary>"Step to the left" steps with the left; what goes forward by nature may be sent to a side by either foot.</summary>
    private static Foot WayFoot(Phrase phrase, int i)
    {
        if (phrase.Way == 0 || i > 0 || phrase.Verb is { Kind: VerbKind.NoFoot or VerbKind.Standing })
        {
            return Foot.None;
        }

        return phrase.Way > 0 ? Foot.Right : Foot.Left;
    }

    /// <summary>Steps that go anywhere, one foot after the other, and are sent to one side.</summary>
    private static bool GoesOnAside(Phrase phrase) => phrase is { Way: not 0, Direction: Direction.None }
        && (phrase.Step is { } step
            ? step is { Repeats: true, Forms: [{ Actions: [{ Phrase: { Turn: null, TurnSlot: false, Verb.Kind: VerbKind.Takes } }] }, ..] }
            : phrase.Verb is { Kind: VerbKind.Takes } verb && (verb.Has(VerbTraits.Gait) || verb.Has(VerbTraits.Plain)));

    /// <summary>"Four walks to the right": the foot of that side goes there, the other across it.</summary>
    /// <param name="lead">The foot of the first.</param>
    /// <param name="i">Which of them, from 0.</param>
    private static Phrase Going(Phrase phrase, Foot lead, int i) =>
        phrase with { Direction = (lead == Foot.Right) == (phrase.Way > 0) == (i % 2 == 0) ? Direction.Side : Direction.Across, Way = 0 };

    /// <summary>A turn said once for several is the last one's, save where every one turns by nature or it was said so.</summary>
    private static Turn? TurnOf(Phrase phrase, int i, int times)
    {
        if (phrase is { Step: null, Turn: { On: not 0 } placed } && times > 1)
        {
            // "Walk R L R L turning 1/4 left on the last".
            return i == (placed.On < 0 ? times - 1 : placed.On - 1) ? placed with { On = 0, Spread = false } : null;
        }

        if (phrase.Turn is { InAll: true, Amount: { } sum } whole && times > 1 && sum % times == 0)
        {
            return whole with { Amount = sum / times, InAll = false, Spread = false };
        }

        if (phrase is { Step: null, Turn: { InAll: true, Amount: not null } uneven } && times > 1)
        {
            // "Walk R L R L, 3/8 left in all": as even as it can be.
            return uneven with { InAll = false, Spread = true };
        }

        if (phrase.Turn is not { } turn || times == 1 || turn.Each || turn.Spread || HasSlot(phrase) || phrase.Verb is { IsTurn: true })
        {
            return phrase.Turn is { Each: true } each ? each with { Each = false } : phrase.Turn;
        }

        return i == (turn.First ? 0 : times - 1) ? turn : null;
    }

    private static bool HasSlot(Phrase phrase) => phrase.Step is { } step && step.Forms[0].Actions.Any(a => a.Phrase.TurnSlot);

    private static IReadOnlyList<StepForm> FormsOf(Phrase phrase)
    {
        if (phrase.Step is not { } step)
        {
            return [];
        }

        var forms = phrase.Without.Count == 0 ? step.Forms : Less(step.Forms, phrase.Without);
        if (phrase.Manner is { } manner)
        {
            return [.. forms.Select(f => InManner(f, manner))];
        }

        if ((phrase.Direction != Direction.None || phrase.Way != 0)
            && forms.Where(f => f.Actions.Any(a => a.Phrase.DirectionSlot)).ToList() is { Count: > 0 } directed
            && directed.Count < forms.Count)
        {
            // Sent somewhere, it is danced in a form that goes somewhere.
            return directed;
        }

        // Where the step forward is written already, a pivot is only the turn and the change of weight.
        return step.Pivots ? [.. forms, PivotAlone(step)] : forms;
    }

    /// <summary>Those forms that have what is left out, without it: its moment is held.</summary>
    private static List<StepForm> Less(IReadOnlyList<StepForm> forms, IReadOnlyList<Verb> without)
    {
        bool Omits(FormAction action) => action.Phrase.Verb is { } verb && without.Contains(verb);
        return [.. forms.Where(f => f.Actions.Any(Omits))
            .Select(f => f with { Actions = [.. f.Actions.Select(a => Omits(a) ? a with { Phrase = Held } : a)] })];
    }

    private static readonly Phrase Held = new() { Verb = Verbs.Hold, Name = Verbs.Hold.Name };

    /// <summary>
    /// "Heel switches R L R", "walk walk R L": a form that is a step and its mirror image is danced once for each foot named.
    /// </summary>
    private static IReadOnlyList<StepForm> Singles(IReadOnlyList<StepForm> forms) =>
        forms.Count > 0 && Half(forms[0]) is { } half ? [half] : forms;

    private static StepForm? Half(StepForm form)
    {
        var count = form.Actions.Count / 2;
        if (form.Actions.Count % 2 != 0 || count == 0)
        {
            return null;
        }

        var apart = form.Actions[count].At.Value - form.Actions[0].At.Value;
        for (var i = 0; i < count; i++)
        {
            var (first, second) = (form.Actions[i], form.Actions[i + count]);
            if (second.At.Value - first.At.Value != apart
                || first.Phrase.Verb != second.Phrase.Verb
                || first.Phrase.Direction != second.Phrase.Direction
                || first.Phrase.Turn is not null
                || second.Phrase.Turn is not null
                || !first.Phrase.Foot.IsSingle()
                || second.Phrase.Foot != first.Phrase.Foot.Other())
            {
                return null;
            }
        }

        return new StepForm([.. form.Actions.Take(count)], Math.Max(1, (apart + Tick.PerCount - 1) / Tick.PerCount));
    }

    /// <summary>The pivot without its step forward, on one count.</summary>
    private static StepForm PivotAlone(NamedStep step)
    {
        var turn = step.Forms[0].Actions[^1];
        return new StepForm([new FormAction(turn.Phrase with { Feet = [] }, default)], 1);
    }

    /// <summary>Each step that takes weight danced as a strut: the foot set down without weight, then the rest of it.</summary>
    private static StepForm InManner(StepForm form, NamedStep manner)
    {
        var strut = manner.Forms[0];
        var actions = new List<FormAction>();
        // A quick step makes the whole form so much slower that no two struts meet.
        var closest = form.Actions.Zip(form.Actions.Skip(1), (a, b) => b.At.Value - a.At.Value)
            .Where(gap => gap > 0)
            .Append(Tick.PerCount)
            .Min();
        var slower = strut.Counts * Tick.PerCount / closest;
        foreach (var action in form.Actions)
        {
            var at = action.At.Value * (action.At.Value < 0 ? 1 : slower);
            if (action.Phrase.Verb is not { Kind: VerbKind.Takes })
            {
                actions.Add(action with { At = new Tick(at) });
                continue;
            }

            for (var i = 0; i < strut.Actions.Count; i++)
            {
                var piece = strut.Actions[i];
                actions.Add(new FormAction(
                    piece.Phrase with
                    {
                        Feet = action.Phrase.Feet,
                        Direction = piece.Phrase.DirectionSlot ? action.Phrase.Direction : piece.Phrase.Direction,
                        DirectionSlot = piece.Phrase.DirectionSlot && action.Phrase.DirectionSlot,
                        Turn = i == 0 ? action.Phrase.Turn : null,
                        TurnSlot = i == 0 && action.Phrase.TurnSlot,
                    },
                    new Tick(at + piece.At.Value)));
            }
        }

        return new StepForm(actions, form.Counts * slower);
    }
}
