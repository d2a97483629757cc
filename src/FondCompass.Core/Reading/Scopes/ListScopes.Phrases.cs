using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading.Scopes;

/// <summary>A clause with all its words becomes a phrase.</summary>
internal sealed partial class ListScopes
{
    /// <summary>The most that one step turns without being a spin, in eighths.</summary>
    private const int HalfTurn = 4;

    private static bool GoesAside(NamedStep step) =>
        step.Forms[0].Actions[0].Phrase.Direction is Direction.Side or Direction.Across or Direction.Behind;

    private Phrase Made(PhraseDraft draft)
    {
        var verb = draft.Step is null ? draft.Verb ?? Verbs.Step : null;
        if (verb is { } hips && hips.Has(VerbTraits.Hips) && draft.Feet.Count == 0 && draft.Way == 0 && draft.Onto == Foot.None)
        {
            verb = Verbs.Body;
        }

        var feet = draft.Feet;
        if (verb is { Kind: VerbKind.Takes } && feet.Count == 0 && draft.Onto.IsSingle() && draft.Times == 1)
        {
            // "Recover onto R" names its foot.
            feet = [draft.Onto];
        }

        var (way, direction) = (draft.Way, draft.Direction);
        if (draft.InFront && verb is { Kind: VerbKind.Leaves, Grounded: true })
        {
            direction = Direction.Forward;
        }

        // "Four walks to the right": each step goes on that way, the other foot across.
        var goesOn = draft is { Step: null, Direction: Direction.None }
            && verb is { Kind: VerbKind.Takes }
            && (verb.Has(VerbTraits.Gait) || (verb.Has(VerbTraits.Plain) && Dancings(draft) > 1));
        if (way != 0
            && feet.Count == 0
            && (draft.Step is { } named
                ? GoesAside(named)
                : verb is { Kind: VerbKind.Takes or VerbKind.Leaves } && verb.Default != Direction.Across))
        {
            // "Vine to the right", "step to the left": the side names the foot.
            feet = [way > 0 ? Foot.Right : Foot.Left];
            direction = direction == Direction.None && draft.Step is null && !goesOn ? Direction.Side : direction;
            way = goesOn ? way : 0;
        }
        else if (way != 0 && feet is [var same] && draft.Step is null && !goesOn && (same == Foot.Right) == (way > 0) && same.IsSingle())
        {
            direction = direction == Direction.None ? Direction.Side : direction;
            way = 0;
        }

        var turn = draft.Turn;
        if (turn is not null && draft.TurnBefore && !turn.Each)
        {
            // "Full turn right stepping R L R": more than a half before several steps is made by all of them.
            var byAll = turn.Amount > HalfTurn && Dancings(draft) > 1 && verb is { Kind: VerbKind.Takes };
            turn = turn with { First = !byAll, Spread = byAll };
        }

        if (turn is { Spread: true, InAll: false } && draft.Step is { TurnAt: not null } placed
            && placed.Forms[0].Positions <= placed.Forms[0].Counts && Dancings(draft) == 1)
        {
            // "Jazz box turning 1/4 right": what is danced count by count has its own place for a turn; what is quicker turns as it goes.
            turn = turn with { Spread = false };
        }
        else if (turn is { Each: false, First: false, Spread: false, On: 0, InAll: false, Amount: > HalfTurn } && draft.Step is null
            && verb is { Kind: VerbKind.Takes } && Dancings(draft) > 1)
        {
            // "Walk a full turn right in four steps": no one of them turns so far.
            turn = turn with { Spread = true };
        }

        Fill(draft);
        var paces = PacesOf(draft);
        return new Phrase
        {
            Verb = verb,
            Step = draft.Step,
            Otherwise = draft.Head?.Step == draft.Step ? draft.Head?.Otherwise ?? [] : [],
            Name = draft.Step?.Name ?? verb!.Name,
            Words = draft.Body ?? draft.Head?.Text ?? "",
            NameSaid = draft.NameSaid,
            WaySaid = draft.WaySaid,
            WayFirst = draft.WayFirst,
            Span = draft.Span,
            Feet = feet,
            Direction = direction,
            Way = way,
            Turn = turn,
            Angle = draft.Angle,
            Onto = draft.Onto,
            End = draft.IsOpenTurn
                || (draft is { Step: null, Onto: Foot.None, OnStandingFoot: false } && verb == Verbs.Turn && feet.Count == 0)
                ? WeightEnd.Open : WeightEnd.ByVerb,
            Crossing = draft.Crossing,
            Times = draft.Times,
            TimesInAll = draft.TimesInAll,
            Plural = draft.Plural && draft.Verb != Verbs.Body,
            Paces = paces,
            Manner = draft.Manner,
            EndsStep = draft.EndsStep,
            Without = draft.Without,
            OnCount = draft.OnCount,
            OnStandingFoot = draft.OnStandingFoot,
            IsRepeat = draft.IsRepeat,
            Layers = draft.Layers,
            Counts = draft.Body is { } told ? CountsOf(told, draft.Counts) : draft.Counts,
            CountsEach = draft.CountsEach,
            Unread = draft.Unread,
        };
    }

    /// <summary>"March for 8", "step touches for 8 counts": what goes on and on is danced as often as fills its counts.</summary>
    private static void Fill(PhraseDraft draft)
    {
        var own = draft.Step is { } step ? step.Forms[0].Counts : 1;
        var goesOn = draft.Step is not null ? own == 1 || draft.Plural : draft.Verb is { } verb && (verb.Has(VerbTraits.Gait)
            || (draft.Plural && verb.Kind == VerbKind.Takes));
        if (goesOn
            && draft is { Body: null, TimesSaid: false, Times: 1, Feet.Count: <= 1, Paces.Count: 0, OnCount: 0 }
            && draft.Counts > own
            && draft.Counts % own == 0)
        {
            (draft.Times, draft.TimesSaid, draft.Counts) = (draft.Counts / own, true, 0);
        }
    }

    /// <summary>"Arms up for 2, down for 2": what a body does so long and so long takes both.</summary>
    private static int CountsOf(string words, int counts)
    {
        var tokens = Lexer.Read(words);
        var said = Enumerable.Range(1, Math.Max(0, tokens.Count - 1))
            .Where(i => Vocabulary.Find(tokens[i - 1].Text) is { } before && before.Is(Roles.For))
            .Select(i => tokens[i].Number > 0 ? tokens[i].Number : Vocabulary.Find(tokens[i].Text)?.Number ?? 0).Where(n => n > 0).ToList();
        return said.Count > 1 ? said.Sum() : counts;
    }
}
