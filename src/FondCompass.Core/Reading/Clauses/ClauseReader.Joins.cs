using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Reading.Clauses;

/// <summary>Two deeds that are one: "cross rock", "toe touch", "step together".</summary>
internal sealed partial class ClauseReader
{
    /// <summary>"Cross rock" rocks across, "toe touch" touches, "step together" closes: two deeds that are one.</summary>
    private bool Joins(Lexeme word, Verb? verb)
    {
        if (_draft.Step is { IsManner: true } manner && word.Step is { IsManner: false } && _last is Kind.Head)
        {
            _draft.Manner = manner;
            (_draft.Head, _draft.Step) = (word, word.Step);
            return true;
        }

        if (word.Step is { } step && verb is null)
        {
            if (_draft.Verb is { } way && way.Has(VerbTraits.WayWord) && _last == Kind.Head)
            {
                // "Cross shuffle" by any other name: the word before only says where.
                _draft.Direction = way.Default;
                (_draft.Head, _draft.Step, _draft.Verb) = (word, step, null);
                return true;
            }

            // "Step sailor", "do a shuffle step".
            if (_draft.Verb is { } plain && plain.Has(VerbTraits.Plain) && _last == Kind.Head)
            {
                (_draft.Head, _draft.Step, _draft.Verb) = (word, step, null);
                return true;
            }

            return false;
        }

        if (verb is null)
        {
            return false;
        }

        if (_draft.Verb is not { } before)
        {
            // "Coaster step", "sailor steps": the plain word adds nothing.
            return _draft.Step is not null && verb.Has(VerbTraits.Plain) && _last == Kind.Head;
        }

        if (before is { Kind: VerbKind.Leaves }
            && verb is { Kind: VerbKind.Leaves }
            && _at > 1
            && _words[_at - 2].Is(Roles.To)
            && before != verb)
        {
            // "Drag L in to touch": how the one ends.
            return true;
        }

        if (before.Has(VerbTraits.Sound) && !before.Has(VerbTraits.Still) && word.IsPart && !_parted)
        {
            // "Slap knees": where it is slapped.
            return true;
        }

        if (before.Brought is not null && verb is { Default: Direction.Beside } && verb.Has(VerbTraits.WayWord))
        {
            // "Slide L together": the foot is closed.
            _draft.Verb = verb;
            return true;
        }

        var apart = _parted && _last != Kind.Foot;
        if (before.Has(VerbTraits.Part) && !word.IsPart && !_parted && IsDoneWithAPart(verb))
        {
            (_draft.Head, _draft.Verb, _draft.Plural) = (word, verb, word.Plural);
            return true;
        }

        if (before.Has(VerbTraits.Part) && verb.Has(VerbTraits.WayWord) && _last == Kind.Head)
        {
            return false;
        }

        if (word.IsPart && !IsPartHead(_draft.Head) && !apart && before.Kind != VerbKind.NoFoot && !FollowsAPart
            && !(before.Has(VerbTraits.WayWord) && before.Default == Direction.Beside))
        {
            // "Touch the right toe back", "drop the heel".
            return true;
        }

        if (_last != Kind.Head && !(_last == Kind.Way && verb.Has(VerbTraits.Plain)))
        {
            // "Touch L together": no foot follows that could go there; a heel or a toe set out is brought back by a step of its own.
            return verb.Has(VerbTraits.WayWord) && before.Kind is VerbKind.Takes or VerbKind.Leaves && !before.Has(VerbTraits.Part)
                && (!_parted || (word.Direction != Direction.None && NextFoot(_at) is null)) && Together(word, verb, before);
        }

        if (before.Has(VerbTraits.WayWord) && !verb.Has(VerbTraits.WayWord) && verb.Kind is VerbKind.Takes or VerbKind.Leaves
            && before.Default != Direction.Beside && !(word.IsPart && FollowsAPart))
        {
            _draft.Direction = _draft.Direction == Direction.None ? before.Default : _draft.Direction;
            (_draft.Head, _draft.Verb, _draft.Plural) = (word, verb, word.Plural);
            return true;
        }

        if (verb.Has(VerbTraits.WayWord))
        {
            // "Step together" closes, "step cross" crosses.
            return Together(word, verb, before);
        }

        return verb.Has(VerbTraits.Plain) && before.Kind is VerbKind.Takes && before.Default != Direction.Beside;
    }

    /// <summary>
    /// "Toe touch", "heel scuff": the part only says with what. "Heel hook", "toe cross", "heel hold" are two deeds, and so is the last of
    /// "toe heel
    /// stomp".
    /// </summary>
    private bool IsDoneWithAPart(Verb verb) =>
        verb.Kind != VerbKind.NoFoot && !verb.Has(VerbTraits.WayWord | VerbTraits.OffFloor) && !FollowsAPart;

    /// <summary>The deed before in this clause is a part set down: parts are listed here.</summary>
    private bool FollowsAPart => _drafts.Count > 0 && IsPartHead(_drafts[^1].Head);

    private bool Lay(Direction way)
    {
        _draft.Direction = _draft.Direction == Direction.None ? way : _draft.Direction;
        return true;
    }
}
