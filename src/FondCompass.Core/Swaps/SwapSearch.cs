using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Steps;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Swaps;

/// <summary>
/// Searches the lexicon for safe swaps of a span (rules, section 5): every step of its counts and every two that fill it together. They end
/// in
/// the same weight and stance, with the same turn (a version without turns may differ by whole ones), at the same place within a stride.
/// </summary>
public sealed partial class SwapSearch
{
    private const int Usual = 12;

    /// <summary>
    /// How much farther than a stride apart two places may be by the effects alone before they are traced; feet that did not begin together
    /// differ by less.
    /// </summary>
    private const double Slack = 0.7;

    private readonly DanceHeader _header;
    private readonly SwapAim _aim;
    private readonly IReadOnlySet<string>? _known;
    private readonly bool _onlyKnown;
    private readonly TraceState _before;
    private readonly TraceState _after;
    private readonly int _counts;
    private readonly double _bpm;
    private readonly double _points;
    private readonly double _ownPoints;
    private readonly DanceLoad _ahead;
    private readonly DanceLoad _behind;
    private readonly TracedAction? _next;
    private readonly int _lineCounts;
    private readonly double _around;
    private readonly Func<TracedAction, double> _newness;
    private readonly HashSet<string> _stepsAround;
    private readonly int _ownTurning;
    private readonly HashSet<string> _ownSteps;
    /// <summary>
    /// What is wanted, by how it is ranked: of versions without a turn the least turned, then the genre's own, then the most fitting. Most
    /// fit like many others.
    /// </summary>
    private readonly Dictionary<(int Turned, bool Foreign, double Misfit), List<Candidate>> _found = [];

    private SwapSearch(
        DanceHeader header,
        TraceState before,
        TraceState after,
        Line line,
        int counts,
        SwapAim aim,
        double bpm,
        IReadOnlySet<string>? known,
        bool onlyKnown,
        Func<TracedAction, double> newness)
    {
        (_header, _before, _after, _counts, _aim, _bpm, _known, _onlyKnown, _newness) =
            (header, before, after, counts, aim, bpm, known, onlyKnown
            || aim == SwapAim.Known, newness);
        var own = line.Own;
        // The whole line is compared, as a plan reckons it: what is swapped has its share in traps and changes of way with what is round
        // it.
        (_ahead, _behind, _next, _lineCounts) = (DanceLoad.Sum(line.Ahead), DanceLoad.Sum(line.Behind), line.Next, line.Counts);
        _stepsAround = [.. line.Ahead.Concat(line.Behind).Select(a => a.Action.Step)];
        _around = line.Ahead.Concat(line.Behind).DistinctBy(a => a.Action.Step).Sum(_newness);
        _points = InLine(DanceLoad.Sum(own), NoveltyOf(own, []));
        _ownPoints = Difficulty.PointsOf(own, counts, bpm);
        _ownTurning = own.Sum(a => a.Turn.Size);
        _ownSteps = own.Select(a => a.Action.Step).ToHashSet();
    }

    /// <summary>A line with the span in it, what is before and behind that, and the action behind the line.</summary>
    private sealed record Line(List<TracedAction> Ahead, List<TracedAction> Own, List<TracedAction> Behind, TracedAction? Next, int Counts);

    /// <summary>Points of the whole line with a span danced so.</summary>
    private double InLine(in DanceLoad span, double novelty)
    {
        var load = _ahead + span + _behind;
        load = _next is { } next && next.Foot.IsSingle() && next.Foot == load.LastLeft ? load with { Traps = load.Traps + 1 } : load;
        return Difficulty.PointsOf(load, _lineCounts, _bpm) + novelty + _around;
    }

    /// <summary>What steps add by how new they are, each once in the line.</summary>
    private double NoveltyOf(IReadOnlyList<TracedAction> first, IReadOnlyList<TracedAction> second)
    {
        var sum = 0.0;
        for (var i = 0; i < first.Count + second.Count; i++)
        {
            var step = i < first.Count ? first[i] : second[i - first.Count];
            var isTold = _stepsAround.Contains(step.Action.Step);
            for (var k = 0; k < i && !isTold; k++)
            {
                isTold = (k < first.Count ? first[k] : second[k - first.Count]).Action.Step == step.Action.Step;
            }

            sum += isTold ? 0 : _newness(step);
        }

        return sum;
    }

    /// <param name="dance">The traced dance.</param>
    /// <param name="part">The part in which the span lies.</param>
    /// <param name="line">Its line, from 1.</param>
    /// <param name="first">First count of the span, from 1.</param>
    /// <param name="last">Last count of it.</param>
    /// <param name="known">Names of steps that count as known.</param>
    /// <param name="onlyKnown">Only steps that count as known, whatever else is looked for.</param>
    /// <param name="newness">Points of difficulty that a step has by how new it is to the class; none when left out.</param>
    /// <param name="most">Swaps wanted: the most fitting first, then the least difference in place.</param>
    public static IReadOnlyList<Swap> Find(
        DanceTrace dance,
        PartTrace part,
        int line,
        int first,
        int last,
        SwapAim aim,
        double bpm,
        StepLexicon lexicon,
        IReadOnlySet<string>? known = null,
        int most = Usual,
        bool onlyKnown = false,
        Func<TracedAction, double>? newness = null,
        CancellationToken cancel = default)
    {
        if (line > part.Part.Lines.Count)
        {
            // Rows that nobody understood and that have no counts make no line.
            return [];
        }

        var start = part.Part.Lines[line - 1].Start + Tick.FromCounts(first - 1);
        var end = start + Tick.FromCounts(last - first + 1);
        var (before, after) = (part.StateBefore(start), part.StateBefore(end));
        var own = part.Actions.Where(a => a.At >= start && a.At < end).ToList();
        if (own.Count == 0 || before.Weight == Weight.Unknown || after.Weight == Weight.Unknown)
        {
            return [];
        }

        var line_ = part.Actions.Where(a => a.Action.Line == line).ToList();
        var written = part.Part.Lines[line - 1];
        var lineOf = new Line(
            [.. line_.Where(a => a.At < start)],
            own,
            [.. line_.Where(a => a.At >= end)],
            part.Actions.FirstOrDefault(a => a.Action.Line > line),
            written.Counts);
        var search = new SwapSearch(
            dance.Dance.Header,
            before,
            after,
            lineOf,
            last - first + 1,
            aim,
            bpm,
            known,
            onlyKnown,
            newness ?? (_ => 0));
        search.Look(lexicon, cancel);
        return search.Ranked(first, most);
    }

    /// <summary>Signed turn between the ends of the span.</summary>
    private int Net => (_after.Net - _before.Net).Value;

    /// <summary>Turns that count as one: for a version without turns those that differ by whole ones.</summary>
    private int Key(int turned) => _aim == SwapAim.NoTurn ? ((turned % Eighths.Full) + Eighths.Full) % Eighths.Full : turned;

    private bool MayBe(StepChoice choice) => !_onlyKnown || (choice.Step is { } step && _known is not null && _known.Contains(step.Name));
}
