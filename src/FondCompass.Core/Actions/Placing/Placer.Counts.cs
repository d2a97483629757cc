using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions.Placing;

/// <summary>Dancings laid on the counts there are: one count, a span, positions.</summary>
internal sealed partial class Placer
{
    /// <summary>Everything said of one written count happens inside it.</summary>
    private void OnOneCount()
    {
        if (_counts!.Split is { } split)
        {
            foreach (var forms in Choices().Where(f => f.Sum(PositionsOf) == split.Count))
            {
                OneEach(forms, split, 0);
                return;
            }
        }

        foreach (var forms in Choices().Where(f => f.Sum(PositionsOf) == 1))
        {
            OneEach(forms, _counts.Positions, 0);
        }

        foreach (var forms in Choices()
            .Where(f => f.Sum(PositionsOf) > 1
                && f.Exists(x => x is not null)
                && f.Sum(CountsOf) == 1
                && _counts.First.Fraction == Fraction.Whole)
            .Take(2))
        {
            Natural(forms, _counts.First, 1, Evenly(Own));
        }

        if (_found.Count > 0)
        {
            return;
        }

        // "1 kick R, hitch R": one after the other inside the count.
        var usual = Choices().MinBy(f => f.Sum(PositionsOf))!;
        var within = usual.Sum(PositionsOf);
        if (within <= 4 && Within(_counts.First, within) is { } halves)
        {
            var named = _dancings.Exists(d => d.IsNamed);
            OneEach(usual, halves, named ? 6 : 1, named ? Faster(usual, 1) : null);
            return;
        }

        Crowd(usual);
    }

    /// <summary>Positions inside one count: the beat and &amp;, then a, then e.</summary>
    private static List<Beat>? Within(Beat first, int number) => (first.Fraction, number) switch
    {
        (Fraction.Whole, 2) => [first, first with { Fraction = Fraction.And }],
        (Fraction.Whole, 3) => [first, first with { Fraction = Fraction.And }, first with { Fraction = Fraction.A }],
        (Fraction.Whole, 4) =>
            [first, first with { Fraction = Fraction.E }, first with { Fraction = Fraction.And }, first with { Fraction = Fraction.A }],
        (Fraction.And, 2) => [first, first with { Fraction = Fraction.A }],
        _ => null,
    };

    private void OnSpan()
    {
        var span = _counts!.Span;
        var single = _dancings is [{ IsNamed: false, Phrase.Paces.Count: 0 }];
        if (single)
        {
            OneEach([null], [_counts.First], 0, last: _counts.Last.Number);
            return;
        }

        if (TakesThePlace(span))
        {
            // "Step touch R, hitch L" on two counts: the ending of the whole step, not one more action behind a quicker one.
            Ending(_counts.Positions);
            return;
        }

        // "Vine R with touch, vine L": an ending told for one of them is none of the other's.
        var ended = Usual(withEndings: true);
        var paces = Paces();
        if (_wording.Items.Count > 1 && Lasts(ended, paces[0]) == span * Own)
        {
            Natural(ended, _counts.First, Rank(ended), paces[0]);
        }

        for (var i = 0; i < paces.Count; i++)
        {
            foreach (var forms in Choices())
            {
                if (_found.Count < MostFits && (i == 0 || _found.Count == 0) && Lasts(forms, paces[i]) == span * Own)
                {
                    Natural(forms, _counts.First, Math.Min(1, Rank(forms) + Math.Min(i, 1) + (IsHurried(forms) ? 1 : 0)), paces[i]);
                }
            }
        }

        foreach (var forms in Choices())
        {
            if (_found.Count < MostFits && forms.Sum(PositionsOf) == _counts.Positions.Count && !forms.TrueForAll(f => f is null))
            {
                OneEach(forms, _counts.Positions, 1 + Rank(forms));
            }
        }

        Ending(_counts.Positions);
        Bent(span);
    }

    /// <summary>The counts and the steps do not suit each other as they are.</summary>
    private void Bent(int span)
    {
        var usual = Usual(withEndings: false);
        var pace = Paces()[0] is var said && Lasts(usual, said) <= span * Own ? said : Evenly(Own);
        var natural = Lasts(usual, pace) / Own;
        var bent = _found.Count > 0 ? 3 : 0;
        if (natural < span && _dancings.FindLastIndex(d => d.Holds) is >= 0 and var hold)
        {
            // A hold takes what is left.
            Natural(usual, _counts!.First, 1 + bent, pace, last: span, held: (hold, span - natural));
        }
        else if (natural < span && span % natural == 0)
        {
            var times = span / natural;
            if (times == SlowTimes || !_dancings.Exists(d => d.IsNamed))
            {
                Natural(usual, _counts!.First, 1 + bent, [.. pace.Select(p => p * times)]);
            }
            else
            {
                Again(usual, times, bent);
            }
        }
        else if (natural < span && !_dancings.Exists(d => d.IsNamed) && _dancings.Count > 1)
        {
            Shared(span, bent);
        }
        else if (natural < span)
        {
            Natural(
                usual,
                _counts!.First,
                4 + bent,
                pace,
                ActionTexts.TakesFewerCounts(Named(), natural, span),
                last: span);
        }
        else if (natural > span && _found.Count == 0)
        {
            Squeezed(usual, span);
        }
    }

    /// <summary>Lists without a hold share the counts as evenly as whole counts allow; what is over goes to the later ones.</summary>
    private void Shared(int span, int bent)
    {
        var number = _dancings.Count;
        var positions = Enumerable.Range(0, number)
            .Select(i => new Beat(_counts!.First.Number + (span * i / number), Fraction.Whole))
            .ToList();
        OneEach(Usual(withEndings: false), positions, 2 + bent, last: _counts!.Last.Number);
    }

    private void Again(List<StepForm?> usual, int times, int bent)
    {
        var once = _dancings;
        _dancings = [.. Enumerable.Range(0, times).SelectMany(i => once.Select(d =>
            i == 0 ? d : d with { Lead = Foot.None, Phrase = d.Phrase with { Feet = d.IsNamed ? [] : d.Phrase.Feet } }))];
        if (_counts!.IsRange)
        {
            Natural([.. Enumerable.Repeat(usual, times).SelectMany(u => u)], _counts.First, 2 + bent, Paces()[0]);
        }
        else
        {
            OneEach([.. Enumerable.Repeat(usual, times).SelectMany(u => u)], _counts.Positions, 2 + bent);
        }

        _dancings = once;
    }

    private void OnPositions()
    {
        var counts = _counts!;
        if (_dancings is [{ IsNamed: false } single] && (single.Phrase.Times == 1 || single.IsFirst) && _dancings.Count == 1)
        {
            if (!counts.IsList)
            {
                OneEach([null], [counts.First], 0, last: counts.Last.Number);
                return;
            }

            // "1,3,5,7 clap": at each of them.
            _dancings = [.. counts.Positions.Select((_, i) => single with
            {
                Lead = i == 0 || single.Phrase.Verb is { Kind: not VerbKind.Takes } ? single.Lead : Foot.None,
                Phrase = i == 0 || single.Phrase.Verb is { Kind: not VerbKind.Takes } ? single.Phrase : single.Phrase with { Feet = [] }
            })];
            OneEach([.. _dancings.Select(_ => (StepForm?)null)], counts.Positions, 0);
            return;
        }

        if (counts.Split is { } halves && Usual(withEndings: false) is var first && first.Sum(PositionsOf) == halves.Count)
        {
            OneEach(first, halves, 0);
            return;
        }

        foreach (var forms in Choices())
        {
            if (_found.Count < MostFits && forms.Sum(PositionsOf) == counts.Positions.Count)
            {
                OneEach(forms, counts.Positions, Rank(forms));
            }
        }

        Ending(counts.Positions);
        if (_found.Count == 0 && counts.Split is { } split)
        {
            foreach (var forms in Choices().Where(f => f.Sum(PositionsOf) == split.Count).Take(1))
            {
                OneEach(forms, split, 0);
            }
        }

        if (_found.Count > 0)
        {
            return;
        }

        var usual = Usual(withEndings: false);
        var needed = usual.Sum(PositionsOf);
        if (needed > 1 && counts.Positions.Count > needed && counts.Positions.Count % needed == 0 && counts.Positions.Count / needed <= 64)
        {
            Again(usual, counts.Positions.Count / needed, 0);
        }
        else if (needed < counts.Positions.Count)
        {
            // Steps that are known keep their own rhythm where it lies on the counts; else they take the first positions.
            var said =
                ActionTexts.HasFewerActions(Named(), needed, counts.Positions.Count);
            var hold = _dancings.FindLastIndex(d => d.Holds);
            OneEach(usual, Sparse(counts.Positions, needed), 4, hold >= 0 ? null : said, last: counts.Last.Number);
        }
        else
        {
            Crowd(usual);
        }
    }
}
