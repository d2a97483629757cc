using System.Runtime.CompilerServices;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Actions.Placing;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions.Rows;

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

    private sealed record Option(RowReading Wording, Placement Placement, int Cost);

    /// <summary>What counts a row has, as far as laying its words on them goes.</summary>
    private readonly record struct CountsKey(Beat First, Beat Last, int Positions, int Split, int Hash, bool IsRange, bool IsList);

    /// <summary>
    /// What a reading costs more that ends on another foot than the next row needs, and one that takes a step's whole name apart: the first
    /// never outweighs the second.
    /// </summary>
    private const int OtherFootAfter = 3, NotWhatItIsCalled = 3;

    /// <summary>
    /// The same words on the same counts are laid once: dances repeat themselves, and each key typed binds them all again.
    /// </summary>
    private static readonly ConditionalWeakTable<Readings, Dictionary<CountsKey, List<Option>>> Laid = [];

    /// <summary>Looks up a row's words and lays its actions on their beats.</summary>
    /// <param name="first">Where it begins.</param>
    /// <param name="line">The line it stands in, from 1.</param>
    /// <param name="feet">How the feet stand before it.</param>
    /// <param name="after">What is known of the weight after it: a fact stated next, or the foot that the next row moves.</param>
    /// <param name="suggests">Whether the nearest known names are looked for.</param>
    public BoundRow Bind(StepEntry entry, Beat first, int line, WeightState feet, Afterwards? after, Action<Finding> tell, bool suggests)
    {
        var readings = RowReader.Read(names, entry.Wording);
        readings = _before is { } before && before.Row == entry.Row && before.Column < entry.Column
            ? readings.After(before.Last)
            : readings;
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
        var key = new CountsKey(
            first,
            entry.Counts?.Last ?? first,
            entry.Counts?.Positions.Count ?? 0,
            entry.Counts?.Split?.Count ?? 0,
            Hash(entry.Counts),
            entry.Counts is { IsRange: true },
            entry.Counts is { IsList: true });
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
            options.AddRange(Placer.Place(wording, counts, first)
                .Select(p => new Option(wording, p, wording.Cost - atOnce - OwnCount(wording, p, counts) + (2 * p.Cost))));
        }

        return [.. options.OrderBy(o => o.Cost)];
    }

    /// <summary>
    /// What a reading gains that gives each turn a count of its own where the counts written are just as many as its deeds.
    /// </summary>
    private static int OwnCount(RowReading wording, Placement placement, CountSpec? counts) =>
        wording.TurnsAlone
            && placement.Cost == 0
            && counts is not null
            && placement.Actions.Count == (counts.IsRange ? counts.Span : counts.Positions.Count)
            && wording.Items.Count == placement.Actions.Count ? ListReader.TurnAlone + 1 : 0;

    private Option Best(
        List<Option> options,
        StepEntry entry,
        Beat first,
        Beat written,
        WeightState feet,
        Afterwards? after,
        Place place,
        Action<Finding> tell)
    {
        // A reading that only bends where another fits is out of the question; all that is left is danced in the mind.
        var call = _call;
        var tried = new List<(Option Option, int Cost, List<PendingMoment> Moments)>();
        var least = int.MaxValue - 1;
        // What is a known step by its whole name stays that step, whatever foot the next row moves: a foot that is not free is told there.
        var isNamed = options[0].Wording is { Completed: false, Items: [{ Main.Step: not null }] };
        // So does one with its own foot behind it that suits the counts: "knee lift R, march R" lifts no knee twice.
        var fitsAsNamed = options.Exists(o => o is { Wording.TakenApart: false, Placement.Cost: 0 }
            && o.Wording.Items.Any(i => i.Main is { Step.IsOwn: false, Feet.Count: > 0 }));
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
            var cost = option.Cost
                + (FaultCost * faults)
                + (isOther || (fitsAsNamed && option.Wording.TakenApart) ? NotWhatItIsCalled : 0)
                + (after is { IsAround: false, Weight: var wanted }
                && end.Weight.IsSingle() && wanted.IsSingle() && end.Weight != wanted ? OtherFootAfter : 0);
            tried.Add((option, cost, moments));
            least = Math.Min(least, cost);
        }

        _call = call;
        var best = tried.MinBy(t => t.Cost);
        var rival = tried.Where(t => t.Option.Wording.Doubt.Length > 0 || best.Option.Wording.Doubt.Length > 0)
            .Where(t => t.Cost <= best.Cost + 1
                && t.Option.Placement.Cost <= best.Option.Placement.Cost + 1
                && !SameDeeds(t.Moments, best.Moments))
            .Select(t => t.Option).FirstOrDefault();
        if (rival is not null && best.Option.Wording.Doubt.Length > 0)
        {
            tell(Doubts.Of(entry, place, MayAlsoMean(entry, best.Option.Wording), PhraseText.Spell(rival.Wording)));
        }

        return best.Option;
    }

    private static Sentence MayAlsoMean(StepEntry entry, RowReading read) => ActionTexts.ReadAsMayAlsoMean(
        RowDoubts.Shorten(entry.Wording),
        RowDoubts.Shorten(PhraseText.Write(read)),
        read.Doubt);

    private static bool SameDeeds(List<PendingMoment> a, List<PendingMoment> b) => a.Count == b.Count && a.Zip(b).All(p =>
        p.First.Moment is DanceAction x && p.Second.Moment is DanceAction y
            ? (x.Beat, x.Verb, x.Role, x.Foot, x.Direction, x.Turn, x.Onto) == (y.Beat, y.Verb, y.Role, y.Foot, y.Direction, y.Turn, y.Onto)
            : p.First.Moment.Beat == p.Second.Moment.Beat);

    private BoundRow Unread(
        RowReading wording,
        StepEntry entry,
        Beat first,
        Beat written,
        Place place,
        WeightState feet,
        Action<Finding> tell,
        bool suggests)
    {
        var unread = wording.Unreadable.Count > 0
            ? wording.Unreadable[0]
            : new UnreadWord(entry.Wording, new TextSpan(0, entry.Wording.Length));
        tell(names.IsBroken(unread.Text)
            ? UnknownWords.Broken(place, unread, entry)
            : UnknownWords.NoStep(place, unread, names, entry, dance.Rows[entry.Row - 1], suggests));
        return new BoundRow(written, written.Number, feet.On(Weight.Unknown),
            [
                new PendingMoment(
                    new UnreadStep
                    {
                        Line = 0,
                        At = default,
                        Length = default,
                        Beat = first,
                        Row = entry.Row,
                        Wording = entry.Wording,
                        TakesNoCounts = entry.Counts is null
                    },
                    written)
            ]);
    }
}
