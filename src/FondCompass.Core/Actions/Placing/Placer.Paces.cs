using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Actions.Placing;

/// <summary>Slow and quick: how long each dancing lasts beside its own length.</summary>
internal sealed partial class Placer
{
    /// <summary>Its own length, in halves of it.</summary>
    private const int Own = 2;

    /// <summary>A single movement of which it is said how long it lasts.</summary>
    private static bool HasItsCounts(StepExpansion dancing) =>
        dancing is { IsNamed: false, IsFirst: true, IsLast: true, Phrase.Counts: > 1 };

    /// <summary>
    /// Ways to take the words for slow and quick, the most natural first; each gives the length of every dancing in halves of its own.
    /// </summary>
    private List<int[]> Paces()
    {
        if (_dancings.Exists(d => d.Phrase.CountsEach > 0))
        {
            // "Two counts each": so much slower, or quicker, than by itself.
            return [[.. _dancings
                .Select(d => d.Phrase.CountsEach == 0
                    ? Own
                    : Own * d.Phrase.CountsEach / Math.Max(1, d.Forms.Count == 0 ? 1 : d.Forms[0].Counts))],
                Evenly(Own)];
        }

        if (_counts is not null && _dancings.Count > 1 && _dancings.Exists(HasItsCounts))
        {
            // "Full turn left for three counts, touch R".
            return [[.. _dancings.Select(d => HasItsCounts(d) ? Own * d.Phrase.Counts : Own)], Evenly(Own)];
        }

        var said = _dancings.ConvertAll(d => d.Phrase.Paces is [var pace] ? pace : Pace.Own);
        if (said.TrueForAll(p => p == Pace.Own))
        {
            return [Evenly(Own)];
        }

        var byWord = said.ConvertAll(p => p == Pace.Slow ? 2 * Own : Own);
        if (said.TrueForAll(p => p == Pace.Quick))
        {
            return [[.. byWord], Evenly(Own / 2)];
        }

        // "Slow walk R, walk L, quick step R, L": a word holds until the next one.
        var held = said.ToList();
        for (var i = 1; i < held.Count; i++)
        {
            held[i] = held[i] == Pace.Own ? held[i - 1] : held[i];
        }

        var onwards = held.ConvertAll(p => p == Pace.Slow ? 2 * Own : Own);
        var faster = held.ConvertAll(p => p == Pace.Quick ? Own / 2 : Own);
        return said.Contains(Pace.Slow)
            ? [[.. byWord], [.. onwards], .. said.Contains(Pace.Quick) ? new[] { faster.ToArray() } : [Evenly(2 * Own)], Evenly(Own)]
            : [[.. byWord], [.. faster]];
    }

    private int[] Evenly(int halves) => [.. Enumerable.Repeat(halves, _dancings.Count)];

    /// <summary>Counts that forms take at a pace, in halves.</summary>
    private static int Lasts(List<StepForm?> forms, int[] pace) => forms.Select((f, i) => CountsOf(f) * pace[i]).Sum();
}
