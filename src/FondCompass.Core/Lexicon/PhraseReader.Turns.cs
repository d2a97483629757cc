using FondCompass.Core.Counts;

namespace FondCompass.Core.Lexicon;

/// <summary>The words of a turn: how far, which way, onto which wall.</summary>
public sealed partial class PhraseReader
{
    private bool TurnsByItself => _verb is { IsTurn: true } || _step is { Name: "pivot turn" };

    private Turn? TakeTurn(out bool spread)
    {
        spread = _words.Contains("turning") || _words.Contains("spread") || _words.Contains("circling");
        Take("spread");
        Take("circling");
        int? amount = null;
        var side = 0;
        var end = -1;
        for (var i = 0; i < _words.Count; i++)
        {
            if (_used[i] || !IsAmountAt(i) || !TurnAmount.TryWord(_words[i], out var size))
            {
                continue;
            }

            _used[i] = true;
            _amountAt = i;
            amount = size;
            end = i + 1;
            if (end < _words.Count && !_used[end] && (PhraseWords.IsFraction(_words[end])) && TurnAmount.TryParse(_words[i] + " " + _words[end], out size))
            {
                amount = size;
                _used[end] = true;
                end++;
            }

            break;
        }

        var target = TakeTarget();
        side = TakeSide(end, amount is not null || target is not null);
        if (amount is null && target is null && side == 0 && !_words.Contains("turn") && !_words.Contains("turning"))
        {
            return null;
        }

        if (amount is null && target is null && _verb is { Kind: VerbKind.NoFoot } and not { Name: "unwind" })
        {
            return null;
        }

        // "1/4 left, stepping R": worded before the step, danced before it.
        var first = _amountAt >= 0 && _amountAt < _verbAt && _verb is { Kind: VerbKind.Takes };
        return new Turn(amount, side, target, first);
    }

    private bool IsAmountAt(int i)
    {
        if (PhraseWords.IsFraction(_words[i]))
        {
            return true;
        }

        if (!int.TryParse(_words[i], out _))
        {
            return false;
        }

        var after = i + 1 < _words.Count ? _words[i + 1] : "";
        return TurnsByItself || (i > 0 && _words[i - 1] is "turn" or "turning") || PhraseWords.IsFraction(after) || PhraseWords.Side(after) != 0;
    }

    private Facing? TakeTarget()
    {
        for (var i = 0; i < _words.Count; i++)
        {
            if (_used[i] || _words[i] is not ("to" or "facing" or "face"))
            {
                continue;
            }

            var at = i + 1;
            while (at < _words.Count && _words[at] is "the" or "face")
            {
                at++;
            }

            // "to the back" alone is a direction; "to the back wall" and "facing back" are targets.
            var isWallWord = at < _words.Count && _words[at] is "front" or "back";
            var wall = at + 1 < _words.Count && _words[at + 1] == "wall";
            if (at < _words.Count && (!isWallWord || wall || _words[i] != "to") && Facing.TryParse(_words[at], out var facing))
            {
                _used[i] = _used[at] = true;
                if (wall)
                {
                    _used[at + 1] = true;
                }

                return facing;
            }
        }

        return null;
    }

    private int TakeSide(int afterAmount, bool hasAmount)
    {
        if (afterAmount > 0)
        {
            for (var i = afterAmount; i < Math.Min(_words.Count, afterAmount + 5); i++)
            {
                if (!_used[i] && PhraseWords.Side(_words[i]) != 0)
                {
                    return UseSide(i);
                }

                if (_words[i] is not ("turn" or "turning" or "to" or "the" or "over" or "your" or "pivot") && !_used[i])
                {
                    break;
                }
            }
        }

        for (var i = 0; i < _words.Count; i++)
        {
            var isSide = PhraseWords.Side(_words[i]) != 0 && !_used[i];
            if (isSide && ((i > 0 && !_used[i - 1] && _words[i - 1] is "turn" or "turning") || (i + 1 < _words.Count && _words[i + 1] == "shoulder")))
            {
                return UseSide(i);
            }
        }

        var bare = _verb is null && _step is null;
        if (TurnsByItself || (bare && (hasAmount || _words.Contains("turn"))))
        {
            for (var i = 0; i < _words.Count; i++)
            {
                if (!_used[i] && PhraseWords.Side(_words[i]) != 0 && (_words[i].Length > 1 || bare || _verb is { Name: not "pivot" }))
                {
                    return UseSide(i);
                }
            }
        }

        return 0;
    }

    private int UseSide(int at)
    {
        _used[at] = true;
        if (at + 1 < _words.Count && _words[at + 1] == "shoulder")
        {
            _used[at + 1] = true;
        }

        if (at > 0 && _words[at - 1] == "over")
        {
            _used[at - 1] = true;
        }

        return PhraseWords.Side(_words[at]);
    }

    /// <summary>"angled 1/8 left", "body to 1:30", "shoulders to the corner": an angle of the body, no turn of the dance.</summary>
    private Turn? TakeAngle()
    {
        var at = _words.FindIndex(w => w is "angled" or "angling" or "angle");
        if (at < 0)
        {
            at = _words.FindIndex(w => w is "shoulders" or "body");
            if (at < 0 || at + 2 >= _words.Count || _words[at + 1] is not ("to" or "facing"))
            {
                return null;
            }
        }

        _used[at] = true;
        if (at > 0 && _words[at - 1] is "body" or "shoulders")
        {
            _used[at - 1] = true;
        }

        int? amount = null;
        var side = 0;
        Facing? target = null;
        for (var i = at + 1; i < Math.Min(_words.Count, at + 6); i++)
        {
            if (_used[i])
            {
                continue;
            }

            if (target is null && Facing.TryParse(_words[i], out var facing))
            {
                (target, _used[i]) = (facing, true);
            }
            else if (amount is null && TurnAmount.TryWord(_words[i], out var size))
            {
                (amount, _used[i]) = (size, true);
            }
            else if (side == 0 && PhraseWords.Side(_words[i]) != 0)
            {
                (side, _used[i]) = (PhraseWords.Side(_words[i]), true);
            }
            else if (_words[i] is "to" or "the" or "facing" or "diagonal" or "diagonally" or "corner" or "body")
            {
                _used[i] = true;
            }
            else
            {
                break;
            }
        }

        return target is not null ? new Turn(null, 0, target) : new Turn(amount ?? 1, side);
    }
}
