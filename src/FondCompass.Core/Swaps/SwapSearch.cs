using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
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
/// Searches the lexicon for safe swaps of a span (rules, section 5): every step of its counts and every two that fill it together. They end in
/// the same weight and stance, with the same turn (a version without turns may differ by whole ones), at the same place within a stride.
/// </summary>
public sealed class SwapSearch
{
    private const int Usual = 12;

    /// <summary>How much farther than a stride apart two places may be by the effects alone before they are traced; feet that did not begin together differ by less.</summary>
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
    private readonly int _ownTurning;
    private readonly HashSet<string> _ownSteps;
    private readonly List<Candidate> _found = [];

    private SwapSearch(DanceHeader header, TraceState before, TraceState after, List<TracedAction> own, int counts, SwapAim aim, double bpm, IReadOnlySet<string>? known, bool onlyKnown)
    {
        (_header, _before, _after, _counts, _aim, _bpm, _known, _onlyKnown) = (header, before, after, counts, aim, bpm, known, onlyKnown || aim == SwapAim.Known);
        _points = Difficulty.PointsOf(own, [], counts, bpm);
        _ownTurning = own.Sum(a => a.Turn.Size);
        _ownSteps = own.Select(a => a.Action.Step).ToHashSet();
    }

    /// <param name="dance">The traced dance.</param>
    /// <param name="part">The part in which the span lies.</param>
    /// <param name="line">Its line, from 1.</param>
    /// <param name="first">First count of the span, from 1.</param>
    /// <param name="last">Last count of it.</param>
    /// <param name="known">Names of steps that count as known.</param>
    /// <param name="onlyKnown">Only steps that count as known, whatever else is looked for.</param>
    /// <param name="most">Swaps wanted: the most fitting first, then the least difference in place.</param>
    public static IReadOnlyList<Swap> Find(
        DanceTrace dance, PartTrace part, int line, int first, int last, SwapAim aim, double bpm, StepLexicon lexicon, IReadOnlySet<string>? known = null, int most = Usual, bool onlyKnown = false, CancellationToken cancel = default)
    {
        var start = part.Part.Lines[line - 1].Start + Tick.FromCounts(first - 1);
        var end = start + Tick.FromCounts(last - first + 1);
        var (before, after) = (part.StateBefore(start), part.StateBefore(end));
        var own = part.Actions.Where(a => a.At >= start && a.At < end).ToList();
        if (own.Count == 0 || before.Weight == Weight.Unknown || after.Weight == Weight.Unknown)
        {
            return [];
        }

        var search = new SwapSearch(dance.Dance.Header, before, after, own, last - first + 1, aim, bpm, known, onlyKnown);
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
        var effects = StepEffects.For(lexicon, _header, withTurns).Where(e => MayBe(e.Choice)).ToLookup(e => (e.Choice.Counts, e.From, e.To, Key(e.Net)));
        foreach (var choice in StepChoices.For(lexicon, _header, withTurns).Where(c => c.Counts <= _counts && MayBe(c)))
        {
            cancel.ThrowIfCancellationRequested();
            if (StepChoices.From(_header, choice, _before) is not { } trace)
            {
                continue;
            }

            if (choice.Counts == _counts)
            {
                Consider(choice, trace, null);
            }
            else if (trace.End.Weight.IsSingle() && trace.End.Stance == Stance.Open && _after.Stance == Stance.Open)
            {
                foreach (var effect in effects[(_counts - choice.Counts, trace.End.Weight, _after.Weight, Key(_after.Net.Value - trace.End.Net.Value))])
                {
                    if ((trace.End.Body + effect.Moved.Turned(trace.End.Facing.Index) - _after.Body).Length <= SwapVerdict.Tolerance + Slack)
                    {
                        Consider(choice, trace, effect);
                    }
                }
            }
        }
    }

    /// <summary>Takes note of what is wanted; whether two steps end where they should is traced only when they are among the best.</summary>
    private void Consider(StepChoice choice, PartTrace trace, StepEffect? second)
    {
        if (_ownSteps.Contains(Name(choice)) && (second is null || _ownSteps.Contains(Name(second.Choice))))
        {
            return;
        }

        var further = second?.Actions ?? [];
        var points = Difficulty.PointsOf(trace.Actions, further, _counts, _bpm);
        var turning = trace.Actions.Sum(a => a.Turn.Size) + (second?.Turning ?? 0);
        var impact = trace.Actions.Any(a => a.Action.Verb.IsHighImpact) || second is { HighImpact: true };
        var wanted = _aim switch
        {
            SwapAim.Easier => points < _points,
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
                SwapAim.NoTurn => (turning * 100) + Math.Abs(points - _points),
                _ => Math.Abs(points - _points),
            };
            _found.Add(new Candidate(choice, trace, second, points, Math.Round(misfit, 9), turning, impact, StepChoices.IsOwn(choice, _header.Genre) && second is null or { IsOwn: true }));
        }
    }

    /// <summary>The genre's own first, then the most fitting, then the least difference in place; each traced to its end.</summary>
    private List<Swap> Ranked(int first, int most)
    {
        _found.Sort((a, b) => a.IsOwn != b.IsOwn ? (a.IsOwn ? -1 : 1) : a.Misfit.CompareTo(b.Misfit));
        var swaps = new List<Swap>();
        var written = new HashSet<string>();
        for (var from = 0; from < _found.Count && swaps.Count < most;)
        {
            var to = from;
            while (to < _found.Count && _found[to].IsOwn == _found[from].IsOwn && _found[to].Misfit.Equals(_found[from].Misfit))
            {
                to++;
            }

            // Those that fit alike are told apart by where they end.
            var alike = _found.GetRange(from, to - from).Select(c => Write(c, first)).OfType<Swap>();
            swaps.AddRange(alike.OrderBy(s => s.Metres).ThenBy(s => s.Pieces).ThenBy(s => s.Words, StringComparer.Ordinal).Where(s => written.Add(string.Join('\n', s.Rows))));
            from = to;
        }

        return swaps.Count > most ? swaps[..most] : swaps;
    }

    private Swap? Write(Candidate found, int first)
    {
        var second = found.Second is { } effect ? StepChoices.From(_header, effect.Choice, found.Trace.End) : null;
        var end = (second ?? found.Trace).End;
        var verdict = SafeSwap.Compare(_after, end);
        if ((found.Second is not null && second is null) || !verdict.IsSafe || Key((end.Net - _before.Net).Value) != Key(Net))
        {
            return null;
        }

        List<string> rows = [found.Choice.Row(first, Lead(found.Trace))];
        if (second is not null)
        {
            rows.Add(found.Second!.Choice.Row(first + found.Choice.Counts, Lead(second)));
        }

        return new Swap(rows, found.Points, verdict.Metres, found.Turning > 0, found.HighImpact, Math.Max(found.Choice.Step?.Level ?? 1, found.Second?.Choice.Step?.Level ?? 1))
        {
            IsOwn = found.IsOwn,
            Turning = found.Turning,
            Difference = found.Points - _points,
            Pieces = rows.Count,
        };
    }

    private sealed record Candidate(StepChoice Choice, PartTrace Trace, StepEffect? Second, double Points, double Misfit, int Turning, bool HighImpact, bool IsOwn);

    private static string Name(StepChoice choice) => choice.Step?.Name ?? choice.Wording;

    /// <summary>The first foot that moves.</summary>
    internal static string Lead(PartTrace trace) =>
        trace.Actions.FirstOrDefault(a => a.Foot.IsSingle() && a.Action.Verb.Kind is VerbKind.Takes or VerbKind.Leaves)?.Foot.Letter() ?? "";
}
