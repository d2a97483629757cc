using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions.Placing;

/// <summary>More deeds than counts, or fewer.</summary>
internal sealed partial class Placer
{
    /// <summary>So many of the positions as are needed, whole counts before finer ones.</summary>
    private static List<Beat> Sparse(IReadOnlyList<Beat> positions, int needed)
    {
        var whole = positions.Where(p => p.Fraction == Fraction.Whole).ToList();
        return whole.Count >= needed ? whole.GetRange(0, needed) : [.. positions.Take(needed)];
    }

    /// <summary>More actions than whole counts: halves where they are enough, then finer; nothing is left out.</summary>
    private void Squeezed(List<StepForm?> usual, int span)
    {
        var fewest = Choices().MinBy(f => f.Sum(PositionsOf))!;
        if (fewest.Sum(PositionsOf) <= _counts!.Positions.Count && _dancings.Count > 1)
        {
            usual = fewest;
        }

        var needed = usual.Sum(PositionsOf);
        if (Finer(_counts.First, span, needed) is { } positions)
        {
            OneEach(usual, positions, 6, Faster(usual, span), last: _counts.Last.Number);
            return;
        }

        Crowd(usual);
    }

    /// <summary>So many positions evenly in a span, on halves or quarters; the early counts take the extra ones.</summary>
    private static List<Beat>? Finer(Beat first, int span, int needed)
    {
        foreach (var (parts, order) in new[]
        {
            (2, new[] { Fraction.Whole, Fraction.And }),
            (4, [Fraction.Whole, Fraction.E, Fraction.And, Fraction.A])
        })
        {
            if (needed <= span * parts)
            {
                var positions = new List<Beat>();
                for (var i = 0; i < span; i++)
                {
                    var share = ((needed * (i + 1)) + span - 1) / span - (((needed * i) + span - 1) / span);
                    var taken = share == 1 ? [Fraction.Whole]
                        : share == 2 ? [Fraction.Whole, Fraction.And]
                        : share == 3 ? [Fraction.Whole, Fraction.And, Fraction.A]
                        : order;
                    positions.AddRange(taken.Take(share).Select(f => new Beat(first.Number + i, f)));
                }

                return positions.Count == needed ? positions : null;
            }
        }

        return null;
    }

    /// <summary>More actions than can be counted: they crowd on the last position there is, and that is said.</summary>
    private void Crowd(List<StepForm?> usual)
    {
        var needed = usual.Sum(PositionsOf);
        var have = _counts!.Positions;
        var finer = have.Count > 0 && have.All(p => p.Fraction == Fraction.Whole) ? Finer(_counts.First, _counts.Span, needed) : null;
        var positions = finer ?? [.. have, .. Enumerable.Repeat(_counts.Last, Math.Max(0, needed - have.Count))];
        OneEach(
            usual,
            positions,
            8,
            ActionTexts.ActionsCrowded(Named(), needed, have.Count),
            last: _counts.Last.Number);
    }

    private Sentence Faster(List<StepForm?> forms, int span)
    {
        var natural = forms.Sum(CountsOf);
        return ActionTexts.DancedFaster(Named(), natural, span);
    }
}
