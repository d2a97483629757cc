using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Actions.Rows;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions;

/// <summary>Rows of steps, variants and facts, each laid in its line.</summary>
internal sealed partial class PartBinder
{
    /// <summary>
    /// What is stated holds after the row above: within a line, after a line danced again, or at the top of the part, before
    /// its first step.
    /// </summary>
    private void AddFact(CheckEntry check)
    {
        var fact = new StatedFact
        {
            Line = Math.Max(1, _lines.Count),
            At = _moments.Count > 0 ? _moments[^1].At : default,
            Length = default,
            Beat = _last ?? new Beat(_lines.Count > 0 ? Math.Max(1, _lines[^1].Counts) : 1, Fraction.Whole),
            Row = check.Row,
            Weight = check.Weight,
            // The facing said is the first time's; danced again, the part has turned on.
            Facing = _repeating ? null : check.Facing,
        };
        if (check.Weight is not null)
        {
            _rows.FeetAreKnown();
        }

        if (check.Weight is { } weight && _feet.Weight == Weight.Unknown)
        {
            _feet = _feet.On(_mirrored ? weight.Other() : weight);
        }

        if (_last is { } last)
        {
            Add(fact, last);
        }
        else
        {
            _moments.Add(_mirrored ? MirrorImage.Reflect(fact, dance.Header.StartFacing) : fact);
        }
    }

    private void AddStep(StepEntry entry)
    {
        var mirrored = _mirrored;
        var first = entry.Counts?.First ?? Next();
        if (entry.Counts is null && !RowReader.Read(names, entry.Wording).Candidates.Any(c => c.IsRead))
        {
            // Nothing to be danced, and no counts that it fills: bound for what there is to tell, which is told once.
            if (_unread.Add(entry))
            {
                _rows.Bind(entry, _last ?? first, _lines.Count + 1, _feet, null, Tell, Suggests);
            }

            AddUnread(entry.Row, entry.Wording);
            return;
        }

        Open(entry.Counts, first, entry.Row);
        _mirrored = mirrored;
        if (entry.Counts is { Split: [var opens, ..] } counts && _last is { } taken && taken >= opens)
        {
            // The count before the "&" is danced already by the row above.
            entry = entry with { Counts = counts with { Split = null } };
        }

        var bound = Bind(entry, first, _lines.Count + 1, _feet);
        foreach (var pending in bound.Moments)
        {
            // A move that is only named may turn: a facing stated right behind it says how far.
            var turns = _next is CheckEntry { Facing: not null } && pending.Moment is DanceAction { Turn: null, Verb: var verb }
                && verb == Verbs.NamedMove && pending == bound.Moments[^1];
            _pending.Add(Turned(
                turns ? pending with { Moment = (DanceAction)pending.Moment with { Turn = new Turn(null, 0) } } : pending,
                mirrored));
        }

        _feet = mirrored ? bound.After with { Weight = bound.After.Weight.Other(), Forward = bound.After.Forward.Other() } : bound.After;
        Extend(entry.Counts, bound.Last, bound.Number);
        _hangings.Hang(entry, first, bound.Last);
    }

    private PendingMoment Turned(PendingMoment pending, bool mirrored)
    {
        var moment = pending.Moment is StatedFact { Facing: not null } fact && _repeating ? fact with { Facing = null } : pending.Moment;
        return pending with { Moment = mirrored ? MirrorImage.Reflect(moment, dance.Header.StartFacing) : moment };
    }

    private void AddVariant(VariantEntry variant)
    {
        if (_pending.Count == 0)
        {
            Tell(NotationFindings.BadVariant.At(
                variant.Row,
                ActionTexts.NoLineAboveForVariant,
                part: part.Name));
            return;
        }

        var mirrored = _mirrored;
        // A side branch: what it leaves open, or settles, is no matter of the rows that are danced.
        var open = _rows.Unsettled;
        var bound = Bind(variant.Step, variant.Step.Counts!.First, _lines.Count + 1, new WeightState(Weight.Unknown));
        _rows.Unsettled = open;
        _instead += bound.Moments.Count;
        _hangings.Hang(variant, [.. bound.Moments.Select(p => Turned(p, mirrored))]);
    }

    private BoundRow Bind(StepEntry entry, Beat first, int line, WeightState feet)
    {
        // A mirrored line is read as it is written, on the feet that it was written for.
        var own = _mirrored ? feet with { Weight = feet.Weight.Other(), Forward = feet.Forward.Other(), Call = -1 } : feet;
        return _rows.Bind(entry, first, line, own, Behind(), Tell, Suggests);
    }
}
