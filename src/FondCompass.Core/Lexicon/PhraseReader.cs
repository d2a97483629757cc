using FondCompass.Core.Counts;

namespace FondCompass.Core.Lexicon;

/// <summary>
/// Reads one wording ("R heel forward", "vine left 1/4 L", "touch L beside R") into a <see cref="Phrase"/>. Modifiers may
/// come in any order around the verb or the step's name.
/// </summary>
public sealed partial class PhraseReader
{
    private readonly IStepNames _names;
    private readonly List<string> _words;
    private readonly bool[] _used;
    private Verb? _verb;
    private NamedStep? _step;
    private IReadOnlyList<NamedStep> _otherwise = [];
    private bool _plural;
    private int _verbAt = -1;
    private int _amountAt = -1;

    private PhraseReader(IStepNames names, string wording)
    {
        _names = names;
        _words = PhraseWords.Split(wording);
        _used = new bool[_words.Count];
    }

    /// <summary>The phrase, or null when neither a verb, a step nor a turn stands in it.</summary>
    public static Phrase? Read(IStepNames names, string wording) => new PhraseReader(names, wording).Read();

    private Phrase? Read()
    {
        if (_words.Count == 0)
        {
            return null;
        }

        var slots = TakeSlots();
        FindName();
        var times = TakeTimes();
        var angle = TakeAngle();
        var slow = Take("slow") | Take("slowly");
        var onto = TakeOnto();
        var turn = TakeTurn(out var spread);
        var direction = TakeDirection();
        var feet = TakeFeet(ref turn);
        if (_verb is null && _step is null)
        {
            if (feet.Count > 0 && direction != Direction.None)
            {
                // "L behind R": a foot and a way are a step.
                _verb = Verbs.Step;
            }
            else if (turn is null && angle is null)
            {
                return null;
            }
            else
            {
                _verb = turn is null ? Verbs.Body : Verbs.Turn;
            }
        }

        var unread = new List<string>();
        var saidAgain = false;
        // What arms, hips and head do is told in the instructor's own words.
        for (var i = 0; i < _words.Count && _verb != Verbs.Body; i++)
        {
            if (_used[i] || PhraseWords.Fillers.Contains(_words[i]) || Verbs.Find(_words[i]) is { Kind: VerbKind.NoFoot })
            {
                continue;
            }

            if (_verb is not null && !saidAgain && Verbs.Find(_words[i]) == Verbs.Step)
            {
                // "Step L together" closes: the first word adds nothing.
                saidAgain = true;
                continue;
            }

            unread.Add(_words[i]);
        }

        return new Phrase
        {
            Verb = _verb,
            Step = _step,
            Otherwise = _otherwise,
            Name = _step?.Name ?? _verb!.Name,
            Feet = feet,
            Direction = direction,
            Turn = turn is null ? null : turn with { Spread = spread },
            Onto = onto,
            Angle = angle,
            Times = times,
            Plural = _plural,
            Slow = slow,
            DirectionSlot = slots.Direction,
            TurnSlot = slots.Turn,
            Unread = unread,
        };
    }

    /// <summary>In the lexicon's own forms a star marks what the caller may replace: "forward*", "1/4* right".</summary>
    private (bool Direction, bool Turn) TakeSlots()
    {
        var direction = false;
        var turn = false;
        for (var i = 0; i < _words.Count; i++)
        {
            if (_words[i].EndsWith('*'))
            {
                _words[i] = _words[i][..^1];
                var isTurn = PhraseWords.IsFraction(_words[i]) || int.TryParse(_words[i], out _);
                turn |= isTurn;
                direction |= !isTurn;
            }
        }

        return (direction, turn);
    }

    private void FindName()
    {
        var (start, length) = FindLongestName();
        for (var i = 0; i < _words.Count; i++)
        {
            if (i < start || i >= start + length)
            {
                _words[i] = _names.Translate(_words[i]);
            }
        }

        _verbAt = FindVerb(out var verb);
        var verbStandsApart = _verbAt < start || _verbAt >= start + length;
        // "toe touch", "heel dig": a leaving verb beside a one-word name is the action, unless the name is one's own.
        var verbWins = length == 1 && verb is { Kind: VerbKind.Leaves } && verbStandsApart && _step is { IsOwn: false, Repeats: false };
        if (_step is not null && !verbWins)
        {
            Mark(start, length);
            _otherwise = _names.Otherwise(_words, start, length);
            _verbAt = -1;
            return;
        }

        _step = null;
        _plural = false;
        if (verb is null)
        {
            return;
        }

        _verb = verb;
        _plural = verb != Verbs.Body && verb.Name != _words[_verbAt] && _words[_verbAt].EndsWith('s') && Verbs.Find(_words[_verbAt][..^1]) == verb;
        _used[_verbAt] = true;
        if (verb.Name == "stomp" && Take("up"))
        {
            _verb = Verbs.Find("stomp-up");
        }
    }

    private (int Start, int Length) FindLongestName()
    {
        var best = (Start: -1, Length: 0);
        for (var start = 0; start < _words.Count; start++)
        {
            for (var length = Math.Min(_names.LongestName, _words.Count - start); length > best.Length; length--)
            {
                if (_names.Find(_words, start, length, out var plural) is { } step)
                {
                    (_step, _plural, best) = (step, plural, (start, length));
                    break;
                }
            }
        }

        return best;
    }

    private int FindVerb(out Verb? verb)
    {
        verb = null;
        var at = -1;
        for (var i = 0; i < _words.Count; i++)
        {
            if (Verbs.Find(_words[i]) is not { } found || (found.Name == "turn" && IsPartOfTurnWording(i)))
            {
                continue;
            }

            if (verb is null || Rank(found, _words[i]) > Rank(verb, _words[at]))
            {
                (verb, at) = (found, i);
            }
        }

        return at;
    }

    /// <summary>"step R forward turn 1/4 left": there the word "turn" only introduces the amount.</summary>
    private bool IsPartOfTurnWording(int at) =>
        _words.Where((w, i) => i != at).Any(w => Verbs.Find(w) is { } v && v.Name != "turn" && v.Kind != VerbKind.NoFoot);

    /// <summary>
    /// Which of two verb words is the action: "cross rock" rocks, "toe touch" touches, "step together" closes.
    /// </summary>
    private static int Rank(Verb verb, string word) => verb.Name switch
    {
        "turn" => 0,
        "body" => 1,
        "toe" or "heel" => 2,
        "hitch" when word == "knee" => 2,
        "step" => 3,
        "close" => 4,
        "cross" or "lock" => 4,
        _ => 5,
    };

    private int TakeTimes()
    {
        for (var i = 0; i < _words.Count; i++)
        {
            if (_used[i])
            {
                continue;
            }

            if (_words[i] == "twice")
            {
                _used[i] = true;
                return 2;
            }

            if (_words[i].Length is > 1 and < 5 && _words[i][0] is 'x' or '×' && int.TryParse(_words[i].AsSpan(1), out var times) && times is > 0 and <= 512)
            {
                _used[i] = true;
                return times;
            }
        }

        return 1;
    }

    private Foot TakeOnto()
    {
        var at = _words.IndexOf("onto");
        if (at < 0)
        {
            return Foot.None;
        }

        _used[at] = true;
        for (var i = at + 1; i < _words.Count; i++)
        {
            if (Feet.TryParse(_words[i], out var foot))
            {
                _used[i] = true;
                return foot;
            }
        }

        return Foot.None;
    }

    private Direction TakeDirection()
    {
        var direction = Direction.None;
        var diagonal = false;
        for (var i = 0; i < _words.Count; i++)
        {
            if (_used[i])
            {
                continue;
            }

            if (PhraseWords.Diagonals.Contains(_words[i]))
            {
                diagonal = _used[i] = true;
            }
            else if (_words[i] == "in" && i + 1 < _words.Count && _words[i + 1] is "front" or "place")
            {
                direction = _words[i + 1] == "front" ? Direction.Across : Direction.InPlace;
                _used[i] = _used[i + 1] = true;
            }
            else if (_words[i] == "spot")
            {
                direction = Direction.InPlace;
                _used[i] = true;
            }
            else if (_words[i] == "against")
            {
                direction = Direction.AgainstSun;
                _used[i] = true;
            }
            else if (PhraseWords.Directions.TryGetValue(_words[i], out var found)
                && !(found == Direction.WithSun && direction == Direction.AgainstSun))
            {
                direction = found;
                _used[i] = true;
            }
            else if (_verb is not null && _verb.Name != "cross" && _words[i] == "cross")
            {
                direction = Direction.Across;
                _used[i] = true;
            }
        }

        return diagonal ? direction == Direction.Back ? Direction.DiagonalBack : Direction.DiagonalForward : direction;
    }

    private List<Foot> TakeFeet(ref Turn? turn)
    {
        var feet = new List<Foot>();
        for (var i = 0; i < _words.Count; i++)
        {
            if (_used[i] || !Feet.TryParse(_words[i], out var foot) || (foot == Foot.Both && _words[i] == "feet" && feet.Count > 0))
            {
                continue;
            }

            _used[i] = true;
            // "touch L beside R": the second foot only says beside what.
            var isReference = feet.Count > 0 && i > 0 && !Feet.TryParse(_words[i - 1], out _);
            if (!isReference)
            {
                feet.Add(foot);
            }
        }

        if (feet.Count > 1 && feet.Contains(Foot.Both))
        {
            // "Swivel both right": the side is where they go.
            feet = [Foot.Both];
        }

        if (_verb is { Name: "swivel" } && _words.Exists(w => w is "heels" or "toes" or "knees"))
        {
            return [];
        }

        if (turn is { Side: 0, Amount: not null } && feet.Count > 1 && (_step is not null || _verb is { IsTurn: true }))
        {
            turn = turn with { Side = feet[^1] == Foot.Right ? 1 : -1 };
            feet.RemoveAt(feet.Count - 1);
        }

        return feet;
    }

    private bool Take(string word)
    {
        var at = _words.IndexOf(word);
        if (at >= 0 && !_used[at])
        {
            _used[at] = true;
            return true;
        }

        return false;
    }

    private void Mark(int start, int length)
    {
        for (var i = start; i < start + length; i++)
        {
            _used[i] = true;
        }
    }
}
