using System.Runtime.CompilerServices;
using FondCompass.Core.Counts;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Actions;

/// <summary>What a row made: where it ends, how the feet stand then, and how it was read.</summary>
/// <param name="Last">The last position used.</param>
/// <param name="Number">The last whole count used.</param>
internal sealed record BoundRow(Beat Last, int Number, Footing After, IReadOnlyList<Pending> Moments)
{
    /// <summary>The reading taken; null when the row was not read.</summary>
    public Wording? Wording { get; init; }

    /// <summary>Actions whose foot was not free.</summary>
    public int Faults { get; init; }

    /// <summary>How far the steps had to bend to their counts.</summary>
    public int Bent { get; init; }

    /// <summary>How its actions lie on the counts; null when the row was not read.</summary>
    public Placement? Placement { get; init; }

    /// <summary>The whole count each item of the reading begins on.</summary>
    public IReadOnlyList<int> ItemStarts() => Wording is null || Placement is null ? []
        : [.. Enumerable.Range(0, Wording.Items.Count).Select(i => Placement.Actions.Where(a => a.Item == i).Select(a => a.Beat.Number).DefaultIfEmpty(1).Min())];
}

/// <summary>What is known of the weight behind a row: a fact stated there, or the foot that a later row moves.</summary>
/// <param name="IsNext">It stands in the very next row.</param>
/// <param name="IsAround">It stands where the loop begins again: it settles what is open, and is no reason to read anything otherwise.</param>
internal sealed record Afterwards(Weight Weight, bool IsNext, bool IsAround);

/// <summary>
/// Makes actions of one row of steps. Its words may be read in several ways, and each may be laid on the counts in several; counts,
/// the free foot and the stated facts decide (reading, sections 1 and 2). What stays open between two sensible readings is told.
/// </summary>
internal sealed partial class RowBinder(Dance dance, string part, IStepNames names, MoveEnds ends)
{
    /// <summary>Readings that are laid on the counts.</summary>
    private const int MostReadings = 16;

    /// <summary>A foot that is not free weighs more than steps that have to bend to their counts.</summary>
    private const int FaultCost = 7;

    /// <summary>What "and" gains as "at one time" on one count: more than it costs among other readings.</summary>
    private const int AtOnceGain = 3;

    private readonly Foot _genreLead = dance.Header.Lead;
    private int _call;

    /// <summary>What is to be said of how a row was read.</summary>
    public RowDoubts Doubts { get; } = new(dance, names);

    /// <summary>The clause bound last, which one behind it in the same row goes on from.</summary>
    private (int Row, int Column, Phrase Last)? _before;

    /// <summary>The same with other names known.</summary>
    public RowBinder With(IStepNames other) => ReferenceEquals(other, names) ? this : new RowBinder(dance, part, other, ends);

    private sealed record Option(Wording Wording, Placement Placement, int Cost);

    /// <summary>What counts a row has, as far as laying its words on them goes.</summary>
    private readonly record struct CountsKey(Beat First, Beat Last, int Positions, int Split, int Hash, bool IsRange, bool IsList);

    /// <summary>What a reading costs more that ends on another foot than the next row needs, and one that takes a step's whole name apart: the first never outweighs the second.</summary>
    private const int OtherFootAfter = 3, NotWhatItIsCalled = 3;

    /// <summary>The same words on the same counts are laid once: dances repeat themselves, and each key typed binds them all again.</summary>
    private static readonly ConditionalWeakTable<Readings, Dictionary<CountsKey, List<Option>>> Laid = [];

    /// <summary>Looks up a row's words and lays its actions on their beats.</summary>
    /// <param name="first">Where it begins.</param>
    /// <param name="line">The line it stands in, from 1.</param>
    /// <param name="feet">How the feet stand before it.</param>
    /// <param name="after">What is known of the weight after it: a fact stated next, or the foot that the next row moves.</param>
    /// <param name="suggests">Whether the nearest known names are looked for.</param>
    public BoundRow Bind(StepEntry entry, Beat first, int line, Footing feet, Afterwards? after, Action<Finding> tell, bool suggests)
    {
        var readings = RowReader.Read(names, entry.Wording);
        readings = _before is { } before && before.Row == entry.Row && before.Column < entry.Column ? readings.After(before.Last) : readings;
        _before = null;
        var place = new Place(part, line, first.Label(dance.Header.LineCounts), entry.Row);
        var written = entry.Counts?.Last ?? first;
        var options = Moves(readings, entry, first) ?? Options(readings, entry, first);
        if (options.Count == 0)
        {
            return Unread(readings.First, entry, first, written, place, feet, tell, suggests);
        }

        var best = options.Count == 1 ? options[0] : Best(options, entry, first, written, feet, after, place, tell);
        if (best.Placement.Complaint is { } complaint)
        {
            tell(new Finding(ActionFindings.TooFewCounts, place, complaint));
        }

        Doubts.Tell(best.Wording, best.Placement, entry, place, tell);
        _before = (entry.Row, entry.Column, best.Wording.Items[^1].Main);
        var moments = Moments(best, entry, first, written, feet);
        TellOpen(Settle(moments, feet, after), best.Wording, entry, place, tell);
        Remember(moments);
        var last = best.Placement.Last;
        var (end, faults) = Danced(moments, feet);
        return new BoundRow(last > written.Number ? new Beat(last, Fraction.Whole) : written, Math.Max(last, written.Number), end, moments)
        {
            Wording = best.Wording,
            Faults = faults,
            Bent = best.Placement.Cost,
            Placement = best.Placement,
        };
    }

    private static List<Option> Options(Readings readings, StepEntry entry, Beat first)
    {
        var key = new CountsKey(first, entry.Counts?.Last ?? first, entry.Counts?.Positions.Count ?? 0, entry.Counts?.Split?.Count ?? 0, Hash(entry.Counts), entry.Counts is { IsRange: true }, entry.Counts is { IsList: true });
        var laid = Laid.GetOrCreateValue(readings);
        lock (laid)
        {
            if (!laid.TryGetValue(key, out var options))
            {
                options = laid[key] = LayAnew(readings, entry, first);
            }

            return options;
        }
    }

    private static int Hash(CountSpec? counts)
    {
        if (counts is null || counts.IsRange)
        {
            return 0;
        }

        var hash = new HashCode();
        foreach (var beat in counts.Positions)
        {
            hash.Add(beat);
        }

        return hash.ToHashCode();
    }

    /// <returns>All ways, the cheapest first.</returns>
    private static List<Option> LayAnew(Readings readings, StepEntry entry, Beat first)
    {
        var options = new List<Option>();
        foreach (var wording in readings.Candidates.Where(c => c.IsRead).Take(MostReadings))
        {
            if (wording is { Completed: true, Items.Count: 1 } && entry.Counts is not { Span: > 1 })
            {
                // Alone in its row, without counts for more, it is what it says: the next row gives the weight back.
                continue;
            }

            var counts = entry.Counts ?? (wording.Counts > 0 ? CountSpec.Over(first.Number, first.Number + wording.Counts - 1) : null);
            if (wording.Styled)
            {
                // Styling takes no count: the steps before it fill theirs by themselves, or something was named that is not known.
                if (counts is { IsRange: true } or { Positions.Count: > 1 })
                {
                    options.AddRange(Placer.Place(wording, counts, first).Where(p => p is { Cost: 0, Complaint: null })
                        .Select(p => new Option(wording, p, wording.Cost)));
                }

                continue;
            }

            // On one written count "and" joins what is done at one time, while a comma goes on inside the count.
            var atOnce = wording.AtOnce && entry.Counts is { Positions.Count: 1, Split: null } ? AtOnceGain : 0;
            options.AddRange(Placer.Place(wording, counts, first).Select(p => new Option(wording, p, wording.Cost - atOnce - OwnCount(wording, p, counts) + (2 * p.Cost))));
        }

        return [.. options.OrderBy(o => o.Cost)];
    }

    /// <summary>What a reading gains that gives each turn a count of its own where the counts written are just as many as its deeds.</summary>
    private static int OwnCount(Wording wording, Placement placement, CountSpec? counts) =>
        wording.TurnsAlone && placement.Cost == 0 && counts is not null && placement.Actions.Count == (counts.IsRange ? counts.Span : counts.Positions.Count)
            && wording.Items.Count == placement.Actions.Count ? ListReader.TurnAlone + 1 : 0;

    private Option Best(List<Option> options, StepEntry entry, Beat first, Beat written, Footing feet, Afterwards? after, Place place, Action<Finding> tell)
    {
        // A reading that only bends where another fits is out of the question; all that is left is danced in the mind.
        var call = _call;
        var tried = new List<(Option Option, int Cost, List<Pending> Moments)>();
        var least = int.MaxValue - 1;
        // What is a known step by its whole name stays that step, whatever foot the next row moves: a foot that is not free is told there.
        var isNamed = options[0].Wording is { Completed: false, Items: [{ Main.Step: not null }] };
        foreach (var option in options)
        {
            // Feet and facts only ever add to a way's cost: those behind cannot become better, and hardly a rival.
            if (option.Cost > least + 1 || (option.Cost >= least && option.Wording.Doubt.Length == 0))
            {
                break;
            }

            _call = call;
            var moments = Moments(option, entry, first, written, feet);
            Settle(moments, feet, after);
            var (end, faults) = Danced(moments, feet);
            var isOther = isNamed && option.Wording.Doubt.Length == 0 && option.Wording.Items.All(i => i.Main.Step is null);
            var cost = option.Cost + (FaultCost * faults) + (isOther ? NotWhatItIsCalled : 0) + (after is { IsAround: false, Weight: var wanted } && end.Weight.IsSingle() && wanted.IsSingle() && end.Weight != wanted ? OtherFootAfter : 0);
            tried.Add((option, cost, moments));
            least = Math.Min(least, cost);
        }

        _call = call;
        var best = tried.MinBy(t => t.Cost);
        var rival = tried.Where(t => t.Option.Wording.Doubt.Length > 0 || best.Option.Wording.Doubt.Length > 0)
            .Where(t => t.Cost <= best.Cost + 1 && t.Option.Placement.Cost <= best.Option.Placement.Cost + 1 && !SameDeeds(t.Moments, best.Moments))
            .Select(t => t.Option).FirstOrDefault();
        if (rival is not null && best.Option.Wording.Doubt.Length > 0)
        {
            var words = PhraseText.Spell(rival.Wording);
            tell(Doubts.Of(entry, place,
                $"'{RowDoubts.Shorten(entry.Wording)}' is read as '{RowDoubts.Shorten(PhraseText.Write(best.Option.Wording))}'; "
                + $"it may also mean that {best.Option.Wording.Doubt}. Write which is meant.",
                words));
        }

        return best.Option;
    }

    private static bool SameDeeds(List<Pending> a, List<Pending> b) => a.Count == b.Count && a.Zip(b).All(p =>
        p.First.Moment is DanceAction x && p.Second.Moment is DanceAction y ? (x.Beat, x.Verb, x.Role, x.Foot, x.Direction, x.Turn, x.Onto) == (y.Beat, y.Verb, y.Role, y.Foot, y.Direction, y.Turn, y.Onto) : p.First.Moment.Beat == p.Second.Moment.Beat);

    private BoundRow Unread(Wording wording, StepEntry entry, Beat first, Beat written, Place place, Footing feet, Action<Finding> tell, bool suggests)
    {
        var unread = wording.Unreadable.Count > 0 ? wording.Unreadable[0] : new UnreadWord(entry.Wording, new TextSpan(0, entry.Wording.Length));
        tell(names.IsBroken(unread.Text)
            ? UnknownWords.Broken(place, unread, entry)
            : UnknownWords.NoStep(place, unread, names, entry, dance.Rows[entry.Row - 1], suggests));
        return new BoundRow(written, written.Number, feet.On(Weight.Unknown),
            [new Pending(new UnreadStep { Line = 0, At = default, Length = default, Beat = first, Row = entry.Row, Wording = entry.Wording, TakesNoCounts = entry.Counts is null }, written)]);
    }

    private List<Pending> Moments(Option option, StepEntry entry, Beat first, Beat written, Footing feet)
    {
        var moments = new List<Pending>(option.Placement.Actions.Count);
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
                Layers = item.Phrase.Layers.Count > 0 ? [.. layers, .. item.Phrase.Layers] : layers,
            };
            moments.Add(new Pending(action, until));
            layers = [];
        }

        foreach (var fact in facts)
        {
            // A fact stands after the deeds before it; in a row that is one deed, after the row.
            var share = option.Wording.Items.Count == 0 ? actions.Count : actions.Count * Math.Min(fact.After, option.Wording.Items.Count) / option.Wording.Items.Count;
            var at = fact.After >= option.Wording.Items.Count ? moments.Count : Math.Clamp(share, 0, moments.Count);
            var beat = at > 0 ? moments[at - 1].Moment.Beat : first;
            moments.Insert(at, new Pending(new StatedFact { Line = 0, At = default, Length = default, Beat = beat, Row = entry.Row, Weight = fact.Weight, Facing = fact.Facing }, at > 0 ? moments[at - 1].Until : first));
        }

        return moments;
    }

    /// <summary>
    /// The instructor's own word, where it is a whole name of the step: the plural is one of several, a short form is only written, and a step
    /// they have named themselves goes by that name.
    /// </summary>
    private string CalledBy(Phrase phrase)
    {
        var words = phrase.Words.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (phrase.Step is { } step)
        {
            return !step.IsOwn && words.Length > 0 && !phrase.Plural && names.Find(words, 0, words.Length, out var plural) is { } named && !plural && ReferenceEquals(named, step) ? phrase.Words : step.Name;
        }

        return phrase.Verb is null ? phrase.Name : words is [var word] && word.Length > ShortForm && Verbs.IsWord(word) && !phrase.Verb.Has(VerbTraits.IsBody) ? word : phrase.Verb.Name;
    }

    /// <summary>Letters of a word that is only a short form: tch, tog, pt.</summary>
    private const int ShortForm = 3;

    /// <summary>An action that a finer one follows in its count ends there; else it lasts its count.</summary>
    private static Beat Until(IReadOnlyList<PlacedAction> actions, int i) => actions[i].Beat;

    /// <summary>Dances a row in the mind: how the feet stand after it, and how many actions they were not free for.</summary>
    private (Footing After, int Faults) Danced(List<Pending> moments, Footing feet)
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

    private (Footing After, int Faults) Together(DanceAction first, DanceAction second, Footing feet)
    {
        var (between, isFree) = feet.Dance(first, _genreLead);
        var (after, isToo) = between.Dance(second, _genreLead);
        return (after, (isFree ? 0 : 1) + (isToo ? 0 : 1));
    }
}
