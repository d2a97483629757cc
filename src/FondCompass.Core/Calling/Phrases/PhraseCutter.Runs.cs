using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Calling.Phrases;

/// <summary>Runs of equal steps, and loose movements told together.</summary>
internal sealed partial class PhraseCutter
{
    /// <summary>How many equal steps begin here, in one line: those that go far to a side, or turn, all to the same one.</summary>
    private static int RunFrom(List<Piece> pieces, int from)
    {
        var first = pieces[from];
        if (first.Phrase.Name.Length == 0 || first.Actions[0].Verb is "hold")
        {
            return 1;
        }

        var to = from + 1;
        while (to < pieces.Count
            && AreEqual(pieces[to].Phrase, first.Phrase)
            && pieces[to].Line == first.Line
            && pieces[to].Phrase.TurnSide == first.Phrase.TurnSide
            && (pieces[to].Phrase.Side == first.Phrase.Side || (Math.Abs(first.Far) < FarAside && Math.Abs(pieces[to].Far) < FarAside))
            && Math.Abs(StepsApart(pieces, to) - StepsApart(pieces, from)) < 1e-6)
        {
            to++;
        }

        return to - from;
    }

    /// <summary>
    /// One step after another: of walks and the like also where the turn that is spread over them is not the same for each.
    /// </summary>
    private static bool AreEqual(CallPhrase a, CallPhrase b) =>
        a.Kind == b.Kind || (a.Name == b.Name && a.Way == b.Way && TurnsOnTheWay(a) && TurnsOnTheWay(b))
        || (a.Name == b.Name && a.Turned == b.Turned && GoesAside(a) is not 0 and var side && side == GoesAside(b));

    /// <summary>The side to which one walk of several goes, aside or across: +1 right, −1 left, 0 neither.</summary>
    private static int GoesAside(CallPhrase phrase)
    {
        var action = phrase.Actions[0];
        var own = action.Foot == Foot.Right ? 1 : -1;
        return phrase.Actions.Count > 1 || !action.TakesWeight || !action.Foot.IsSingle() || phrase.Name != action.Wording!.Name ? 0
            : action.Direction switch { Direction.Side => own, Direction.Across or Direction.Behind => -own, _ => 0 };
    }

    private static bool TurnsOnTheWay(CallPhrase phrase) =>
        phrase.Actions[0].IsLoose && phrase.TurnSide != 0 && Verbs.Find(phrase.Actions[0].Verb) is { IsTurn: false };

    /// <summary>
    /// Counts from where a piece begins to the next one; a last one that is cut short by the pick-up of what follows has the length of
    /// those before it.
    /// </summary>
    private static double StepsApart(List<Piece> pieces, int at)
    {
        var own = pieces[at].Phrase.To - pieces[at].Phrase.From;
        return at > 0 && at + 1 < pieces.Count && pieces[at + 1].Actions[0].IsPickUp
            ? Math.Max(own, pieces[at].Phrase.From - pieces[at - 1].Phrase.From)
            : own;
    }

    /// <summary>How many loose movements from here on stand between the same two even counts.</summary>
    private static int LooseFrom(List<Piece> pieces, int from)
    {
        var to = from + 1;
        while (pieces[from].IsLoose
            && to < pieces.Count
            && pieces[to].IsLoose
            && pieces[to].Line == pieces[from].Line
            && pieces[to].Cell == pieces[from].Cell
            && RunFrom(pieces, to) == 1)
        {
            to++;
        }

        return to - from;
    }

    private CallPhrase Several(List<Piece> run)
    {
        var first = run[0].Phrase;

        // A turn spread over walks is told once, as far as it goes in all.
        var spread = TurnsOnTheWay(first);
        var sum = run.Sum(p => p.Phrase.Turned);
        var isStep = first.Way.Length == 0 && IsPlainStep(first.Actions[0]);
        var aside = run.TrueForAll(p => GoesAside(p.Phrase) is not 0 and var to && to == GoesAside(first)) ? GoesAside(first) : 0;
        var side = aside != 0 ? aside : run.TrueForAll(p => p.Phrase.Side == first.Side) ? first.Side : 0;
        return first with
        {
            Name = isStep ? first.Actions[0].Verb : first.Name,
            ShortName = isStep ? first.Actions[0].Verb : first.ShortName,
            Way = isStep ? first.Name : aside != 0 ? "" : first.Way,
            Turn = spread ? sum : first.Turn,
            Turned = sum,
            Actions = [.. run.SelectMany(p => p.Actions)],
            Times = run.Count,
            To = run[^1].Phrase.To,
            Side = side,
            Round = RoundOf(side, first.Actions[0]),
        };
    }

    /// <summary>Loose movements as one phrase: called by its turn, else by its first movement that has a name of its own.</summary>
    private CallPhrase Together(List<Piece> pieces)
    {
        var phrases = pieces.ConvertAll(p => p.Phrase);
        if (phrases.TrueForAll(p => p.Actions[0].Verb == "hold"))
        {
            // However long nothing moves, it is said once.
            return phrases[0] with { Actions = [.. pieces.SelectMany(p => p.Actions)], To = phrases[^1].To };
        }

        var moved = phrases.FindAll(p => p.Actions[0].Verb is not ("hold" or "recover"));
        var named = phrases.Find(p => p.TurnSide != 0) ?? (moved.Count > 0 ? moved : phrases)[0];
        var side = Math.Sign(moved.Sum(p => p.Side));

        // "Kick forward, kick side": where that is the difference, it is said.
        string Named(CallPhrase phrase) =>
            phrases.Exists(p => p.Name == phrase.Name && p.Place != phrase.Place) ? $"{phrase.Name} {phrase.Place}".Trim() : phrase.Name;
        return named with
        {
            Actions = [.. pieces.SelectMany(p => p.Actions)],
            Turned = phrases.Sum(p => p.Turned),
            To = phrases[^1].To,
            Side = named.TurnSide != 0 ? 0 : side,
            Round = named.TurnSide != 0 || side == 0 ? 0 : moved.First(p => p.Side != 0).Round * side * moved.First(p => p.Side != 0).Side,
            Movements = string.Join(", ", phrases.Select(Named)),
            Detail = string.Join(
                ", ",
                phrases.Select(p => p.Side == 0 ? Named(p) : CallTongue.Say(tongue.Aside, p.Name, tongue.Way(p.Side, p.Round)))),
            Step = string.Join(", ", phrases.Select(p => p.Step)),
        };
    }

    /// <summary>Pairs of loose movements that are danced over and over are a run of equal steps too.</summary>
    private static List<CallPhrase> EqualPairs(List<CallPhrase> phrases)
    {
        var merged = new List<CallPhrase>();
        foreach (var phrase in phrases)
        {
            var before = merged.Count > 0 ? merged[^1] : null;
            if (before is { Movements.Length: > 0 }
                && before.Movements == phrase.Movements
                && before.Kind == phrase.Kind
                && before.Line == phrase.Line
                && before.TurnSide == phrase.TurnSide)
            {
                var sameSide = before.Side == phrase.Side;
                merged[^1] = before with
                {
                    Actions = [.. before.Actions, .. phrase.Actions],
                    Times = before.Times + 1,
                    To = phrase.To,
                    Side = sameSide ? before.Side : 0,
                    Round = sameSide ? before.Round : 0,
                    Detail = sameSide ? before.Detail : before.Movements,
                };
            }
            else
            {
                merged.Add(phrase);
            }
        }

        return merged;
    }
}
