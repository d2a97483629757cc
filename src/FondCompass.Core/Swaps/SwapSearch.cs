using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Steps;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Swaps;

/// <summary>What a swap is looked for.</summary>
public enum SwapAim
{
    Any,
    Easier,
    Showier,
    LowImpact,
    NoTurn,

    /// <summary>Steps that are danced already in other dances of the class.</summary>
    Known,
}

/// <summary>Steps that may stand in for a span: same counts, same end.</summary>
/// <param name="Rows">Script rows with counts and feet.</param>
/// <param name="Points">Difficulty, to compare with the span's own.</param>
/// <param name="Metres">How far its end lies from the span's own.</param>
public sealed record Swap(IReadOnlyList<string> Rows, double Points, double Metres, bool Turns, bool HighImpact, int Level)
{
    /// <summary>Eighths turned in all, to whichever side.</summary>
    public int Turning { get; init; }

    /// <summary>Its difficulty less that of the span.</summary>
    public double Difference { get; init; }

    /// <summary>Steps it is made of.</summary>
    public int Pieces { get; init; } = 1;

    /// <summary>Made of the genre's own steps.</summary>
    public bool IsOwn { get; init; } = true;

    public string Words => string.Join(", ", Rows.Select(r => r[(r.IndexOf(' ') + 1)..]));
}

/// <summary>
/// Searches the lexicon for safe swaps of a span (rules, section 5): every step of its counts and every two that fill it together. They end
/// in
/// the same weight and stance, with the same turn (a version without turns may differ by whole ones), at the same place within a stride.
/// </summary>
public sealed class SwapSearch
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

    private void Look(StepLexicon lexicon, CancellationToken cancel)
    {
        var withTurns = Net != 0;
        var effects = StepEffects.For(lexicon, _header, withTurns).Where(e => e.Choice.Counts <= _counts && MayBe(e.Choice)).ToList();
        var seconds = effects.Where(e => e.EndsOpen).ToLookup(e => (e.Choice.Counts, e.From, e.To, Key(e.Net)));
        // What a step does from an open stance is known; from any other it is danced.
        var firsts = _before is { Stance: Stance.Open } && _before.Weight.IsSingle() ? effects.Where(e => e.From == _before.Weight)
            : StepChoices.For(lexicon, _header, withTurns)
                .Where(c => c.Counts <= _counts && MayBe(c))
                .Select(c => StepEffects.EffectOf(_header, c, _before))
                .OfType<StepEffect>();
        foreach (var first in firsts.Where(f => f.Choice.Counts <= _counts))
        {
            cancel.ThrowIfCancellationRequested();
            if (first.Choice.Counts == _counts)
            {
                if (first.To == _after.Weight && Key(first.Net) == Key(Net) && IsNear(first, null))
                {
                    Consider(first, null);
                }
            }
            else if (first.EndsOpen && _after.Stance == Stance.Open)
            {
                foreach (var second in seconds[(_counts
                    - first.Choice.Counts, first.To, _after.Weight, Key(Net - first.Net))].Where(s => IsNear(
                    first,
                    s)))
                {
                    Consider(first, second);
                }
            }
        }
    }

    /// <summary>It may end at the same place, as far as that can be said before it is danced.</summary>
    private bool IsNear(StepEffect first, StepEffect? second)
    {
        var body = _before.Body + first.Moved.Turned(_before.Facing.Index);
        return second is null
            ? (body - _after.Body).Length <= SwapVerdict.Tolerance + Slack
            : (body + second.Moved.Turned((_before.Facing + new Eighths(first.Net)).Index) - _after.Body).Length <= SwapVerdict.Tolerance
                + (2 * Slack);
    }

    /// <summary>Takes note of what is wanted; whether it ends where it should is traced only when it is among the best.</summary>
    private void Consider(StepEffect first, StepEffect? second)
    {
        // A step that begins before its first count would begin before the span.
        if (StartsEarly(first) || (second is not null && StartsEarly(second)))
        {
            return;
        }

        if (_ownSteps.Contains(Name(first.Choice)) && (second is null || _ownSteps.Contains(Name(second.Choice))))
        {
            return;
        }

        var points = InLine(second is null ? first.Load : first.Load + second.Load, NoveltyOf(first.Steps, second?.Steps ?? []));
        var turning = first.Turning + (second?.Turning ?? 0);
        var impact = first.HighImpact || second is { HighImpact: true };
        var wanted = _aim switch
        {
            SwapAim.Easier => points < _points - 1e-9,
            SwapAim.Showier => points > _points,
            SwapAim.LowImpact => !impact,
            SwapAim.NoTurn => turning < _ownTurning || turning == 0,
            _ => true,
        };
        if (wanted)
        {
            var misfit = _aim switch
            {
                SwapAim.Easier => points,
                SwapAim.Showier => -points,
                _ => Math.Abs(points - _points),
            };
            var rank = (_aim == SwapAim.NoTurn ? turning : 0, !(first.IsOwn && second is null or { IsOwn: true }), Math.Round(misfit, 9));
            (_found.TryGetValue(rank, out var alike)
                ? alike
                : _found[rank] = []).Add(new Candidate(first, second, points, turning, impact));
        }
    }

    /// <summary>The genre's own first, then the most fitting, then the least difference in place; each traced to its end.</summary>
    private List<Swap> Ranked(int first, int most)
    {
        var swaps = new List<Swap>();
        var written = new HashSet<string>();
        foreach (var (rank, alike) in _found.OrderBy(f => f.Key))
        {
            // Those that fit alike are told apart by where they end.
            swaps.AddRange(alike.Select(c => Write(c, first, !rank.Foreign)).OfType<Swap>()
                .OrderBy(s => s.Metres)
                .ThenBy(s => s.Pieces)
                .ThenBy(s => s.Words, StringComparer.Ordinal)
                .Where(s => written.Add(string.Join('\n', s.Rows))));
            if (swaps.Count >= most)
            {
                break;
            }
        }

        return swaps.Count > most ? swaps[..most] : swaps;
    }

    private Swap? Write(in Candidate found, int from, bool isOwn)
    {
        var (choice, then) = (found.First.Choice, found.Second?.Choice);
        if (StepChoices.From(_header, choice, _before) is not { } first
            || (then is null ? first : StepChoices.From(_header, then, first.End)) is not { } last)
        {
            return null;
        }

        var verdict = SafeSwap.Compare(_after, last.End);
        if (!verdict.IsSafe || Key((last.End.Net - _before.Net).Value) != Key(Net))
        {
            return null;
        }

        List<string> rows = [choice.Row(from, Lead(first))];
        if (then is not null)
        {
            rows.Add(then.Row(from + choice.Counts, Lead(last)));
        }

        return new Swap(
            rows,
            _ownPoints + found.Points - _points,
            verdict.Metres,
            found.Turning > 0,
            found.HighImpact,
            Math.Max(choice.Step?.Level ?? 1, then?.Step?.Level ?? 1))
        {
            IsOwn = isOwn,
            Turning = found.Turning,
            Difference = found.Points - _points,
            Pieces = rows.Count,
        };
    }

    private readonly record struct Candidate(StepEffect First, StepEffect? Second, double Points, int Turning, bool HighImpact);

    private static bool StartsEarly(StepEffect effect) => effect.Steps[0].At < default(Tick);

    private static string Name(StepChoice choice) => choice.Step?.Name ?? choice.Wording;

    /// <summary>The first foot that moves.</summary>
    internal static string Lead(PartTrace trace) =>
        trace.Actions.FirstOrDefault(a => a.Foot.IsSingle() && a.Action.Verb.Kind is VerbKind.Takes or VerbKind.Leaves)?.Foot.Letter()
            ?? "";
}
