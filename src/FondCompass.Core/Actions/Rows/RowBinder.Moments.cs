using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Rows;

namespace FondCompass.Core.Actions.Rows;

/// <summary>A way to dance a row as moments, and how the feet stand after it.</summary>
internal sealed partial class RowBinder
{
    private List<PendingMoment> Moments(Option option, StepEntry entry, Beat first, Beat written, WeightState feet)
    {
        var moments = new List<PendingMoment>(option.Placement.Actions.Count);
        var actions = option.Placement.Actions;
        var calls = -1;
        IReadOnlyList<string> layers = entry.Layers.Count == 0 ? [] : [.. entry.Layers.Where(l => l.Counts is null).Select(l => l.Text)];
        var end = option.Placement.Last > written.Number ? new Beat(option.Placement.Last, Fraction.Whole) : written;
        var facts = option.Wording.Facts;
        var latest = actions.Count == 0 ? first : actions[^1].Beat;
        for (var i = 0; i < actions.Count; i++)
        {
            latest = actions[i].Beat > latest ? actions[i].Beat : latest;
        }

        for (var i = 0; i < actions.Count; i++)
        {
            var item = actions[i];
            var starts = item.Call != calls;
            calls = item.Call;
            _call += starts ? 1 : 0;
            var isLast = item.Beat == latest;
            var until = actions.Count == 1 || (isLast && end > item.Beat) ? end : Until(actions, i);
            var words = item.FromForm || item.Phrase.Span.Length == 0 ? option.Wording.Items[item.Item].Main.Span : item.Phrase.Span;
            var action = DanceAction.Of(item, _call, names.Genre) with
            {
                Row = entry.Row,
                Source = words.From(entry.Column),
                StartsCall = starts,
                Called = CalledBy(item.FromForm ? option.Wording.Items[item.Item].Main : item.Phrase),
                CalledWay = (item.FromForm ? option.Wording.Items[item.Item].Main : item.Phrase).Direction,
                WaySaid = (item.FromForm ? option.Wording.Items[item.Item].Main : item.Phrase) is { WaySaid.Length: > 0 } going
                    ? new WaySaid(going.WaySaid, going.WayFirst)
                    : default,
                Layers = item.Phrase.Layers.Count > 0 ? [.. layers, .. item.Phrase.Layers] : layers,
            };
            moments.Add(new PendingMoment(action, until));
            layers = [];
        }

        foreach (var fact in facts)
        {
            // A fact stands after the deeds before it; in a row that is one deed, after the row.
            var share = option.Wording.Items.Count == 0 ? actions.Count
                : actions.Count * Math.Min(fact.After, option.Wording.Items.Count) / option.Wording.Items.Count;
            var at = fact.After >= option.Wording.Items.Count ? moments.Count : Math.Clamp(share, 0, moments.Count);
            var beat = at > 0 ? moments[at - 1].Moment.Beat : first;
            moments.Insert(at, new PendingMoment(new StatedFact
            {
                Line = 0,
                At = default,
                Length = default,
                Beat = beat,
                Row = entry.Row,
                Weight = fact.Weight,
                Facing = fact.Facing
            }, at > 0 ? moments[at - 1].Until : first));
        }

        return moments;
    }

    /// <summary>
    /// The instructor's own word, where it is a whole name of the step: the plural is one of several, a short form is only written, and a
    /// step
    /// they have named themselves goes by that name.
    /// </summary>
    private string CalledBy(Phrase phrase)
    {
        if (phrase.NameSaid.Length > 0
            && phrase is { Step: null or { IsOwn: false }, Plural: false }
            && !(phrase.Verb is { } verb && verb.Has(VerbTraits.IsBody)))
        {
            return phrase.NameSaid;
        }

        var words = phrase.Words.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (phrase.Step is { } step)
        {
            return !step.IsOwn
                && words.Length > 0
                && !phrase.Plural
                && names.Find(words, 0, words.Length, out var plural) is { } named
                && !plural
                && ReferenceEquals(named, step) ? phrase.Words : step.Name;
        }

        return phrase.Verb is null ? phrase.Name : words is [var word] && word.Length > ShortForm && Verbs.IsWord(word)
            && !phrase.Verb.Has(VerbTraits.IsBody) ? word : phrase.Verb.Name;
    }

    /// <summary>Letters of a word that is only a short form: tch, tog, pt.</summary>
    private const int ShortForm = 3;

    /// <summary>An action that a finer one follows in its count ends there; else it lasts its count.</summary>
    private static Beat Until(IReadOnlyList<PlacedAction> actions, int i) => actions[i].Beat;

    /// <summary>Dances a row in the mind: how the feet stand after it, and how many actions they were not free for.</summary>
    private (WeightState After, int Faults) Danced(List<PendingMoment> moments, WeightState feet)
    {
        var faults = 0;
        var ordered = moments;
        for (var i = 1; i < moments.Count; i++)
        {
            if (moments[i].Moment.Beat < moments[i - 1].Moment.Beat)
            {
                ordered = [.. moments.OrderBy(m => m.Moment.Beat)];
                break;
            }
        }

        for (var i = 0; i < ordered.Count; i++)
        {
            if (ordered[i].Moment is not DanceAction action)
            {
                continue;
            }

            if (i + 1 < ordered.Count && ordered[i + 1].Moment is DanceAction second && second.Beat == action.Beat)
            {
                var (one, first) = Together(action, second, feet);
                var (other, swapped) = Together(second, action, feet);
                (feet, faults) = swapped < first ? (other, faults + swapped) : (one, faults + first);
                i++;
                continue;
            }

            (feet, var isFree) = feet.Dance(action, _genreLead);
            faults += isFree ? 0 : 1;
        }

        return (feet, faults);
    }

    private (WeightState After, int Faults) Together(DanceAction first, DanceAction second, WeightState feet)
    {
        var (between, isFree) = feet.Dance(first, _genreLead);
        var (after, isToo) = between.Dance(second, _genreLead);
        return (after, (isFree ? 0 : 1) + (isToo ? 0 : 1));
    }
}
