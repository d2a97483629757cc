using FondCompass.Core.Actions;
using FondCompass.Core.Checks;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Runs;

/// <summary>Unrolls a dance over a song, as written: no proposal is applied (rules, section 6).</summary>
public sealed class RunUnroller
{
    public static readonly FindingCode NeverReached = new("RUN02", Severity.Warning);
    public static readonly FindingCode CornerLanding = new("RUN03", Severity.Warning);
    public static readonly FindingCode OrderTooShort = new("RUN04", Severity.Warning);
    public static readonly FindingCode OrderTooLong = new("RUN05", Severity.Warning);

    private readonly DanceTrace _trace;
    private readonly Song _song;
    private readonly int _start;
    private readonly List<RunStretch> _stretches = [];
    private readonly List<RunRepeat> _repeats = [];
    private readonly List<RunEvent> _events = [];
    private readonly List<Finding> _findings = [];
    private readonly IReadOnlyList<Facing> _walls;
    private int _at;

    private RunUnroller(DanceTrace trace, Song song, int start)
    {
        _trace = trace;
        _song = song;
        _start = _at = start;
        _walls = trace.WallOrder;
    }

    private Dance Dance => _trace.Dance;

    /// <param name="start">Song count, from 0, at which repeat 1 begins; it overrides the dance's intro.</param>
    /// <param name="cancel">Ends it where nobody waits any more.</param>
    public static DanceRun Unroll(DanceTrace trace, Song song, int start, CancellationToken cancel = default) =>
        new RunUnroller(trace, song, start).Unroll(cancel);

    private DanceRun Unroll(CancellationToken cancel)
    {
        Walk(cancel);
        CheckNumbers();
        Finish();
        RunEnding? ending = null;
        if (_stretches.Count > 0)
        {
            var last = _stretches[^1];
            _events.Add(new RunEvent(
                RunEventKind.Ending,
                last.Repeat,
                last.EndFacing,
                _song.Time.SecondsAt(last.ToCount),
                last.ToCount,
                WallOf(last.EndFacing)));
            ending = new RunEnding(last.Part, last.Stretch.To, last.EndFacing, EndingToFront.Ways(last, _trace.StartFacing));
        }

        return new DanceRun
        {
            Trace = _trace,
            Song = _song,
            Start = _start,
            Stretches = _stretches,
            Repeats = _repeats,
            Events = _events,
            Ending = ending,
            Findings = _findings,
        };
    }

    private void Walk(CancellationToken cancel)
    {
        Walked? last = null;
        foreach (var walked in RepeatWalk.Walk(Dance, new DancedPatterns(_trace)))
        {
            cancel.ThrowIfCancellationRequested();
            if (_at >= _song.Counts)
            {
                if (Dance is { IsPhrased: true, OrderLoops: false })
                {
                    _findings.Add(OrderTooLong.At(
                        walked.Row ?? last?.Row ?? 1,
                        CheckTexts.SongEndsBeforeOrder(_song.Counts, walked.Whole.Pattern.Part.Name)));
                }

                return;
            }

            last = walked;
            Add(walked);
        }

        if (_at < _song.Counts && last is not null)
        {
            _findings.Add(OrderTooShort.At(
                last.Row ?? 1,
                CheckTexts.OrderEndsBeforeSong(_at, _song.Counts - _at)));
        }
    }

    private void Add(Walked walked)
    {
        var (from, stretch) = (_at, walked.Danced);
        var cut = stretch.Counts > _song.Counts - _at;
        var (weight, facing) = (walked.EndWeight, walked.EndFacing);
        if (cut)
        {
            stretch = stretch with { To = stretch.From + _song.Counts - _at };
            (weight, var turn) = stretch.End(walked.StartWeight);
            facing = walked.StartFacing + turn;
        }

        if (walked.IsTag)
        {
            AddEvent(RunEventKind.Tag, walked.Repeat, walked.StartFacing);
        }

        var called = PartWording.Name(walked.Whole);
        cut |= walked.Restart is not null;
        _stretches.Add(new RunStretch(
            walked.IsTag,
            walked.Repeat,
            stretch,
            from,
            from + stretch.Counts,
            walked.StartWeight,
            walked.StartFacing,
            weight,
            facing,
            cut)
        {
            Called = called
        });
        _at += stretch.Counts;
        if (walked.IsTag)
        {
            CheckCorner(walked, facing);
            return;
        }

        _repeats.Add(new RunRepeat(
            walked.Repeat,
            walked.Call,
            stretch.Pattern.Part.Name,
            from,
            _at,
            _song.Time.SecondsAt(from),
            walked.StartFacing,
            facing,
            walked.StartWeight,
            WallOf(walked.StartFacing),
            stretch.Mirrored,
            cut)
        { Called = called });
        if (walked.Restart is not null && _at < _song.Counts)
        {
            AddEvent(RunEventKind.Restart, walked.Repeat, facing);
            CheckCorner(walked, facing);
        }

        _findings.AddRange(Dance.Restarts.Where(r => r.Repeat == walked.Call && r.AfterCount >= walked.Whole.Counts)
            .Select(r => ExceptionChecks.Beyond(r, walked.Whole.Counts)));
    }

    private void AddEvent(RunEventKind kind, int repeat, Facing facing) =>
        _events.Add(new RunEvent(kind, repeat, facing, _song.Time.SecondsAt(_at), _at, WallOf(facing)));

    /// <summary>The last stretch with what is danced otherwise the last time.</summary>
    private void Finish()
    {
        if (Dance.Finish is not { } finish || _stretches.Count == 0)
        {
            return;
        }

        var last = _stretches[^1];
        if (finish.Count is { } count
            && !last.Stretch.Dance(last.StartWeight).Any(s => s.Step.Moment is DanceAction && PartCount.Label(s.Step.Moment.At) == count))
        {
            _findings.Add(NeverReached.At(
                finish.Row,
                CheckTexts.NothingOnLastCount(last.Stretch.To, last.Part, count)));
            return;
        }

        var stretch = last.Stretch with { Finish = finish };
        var (weight, turn) = stretch.End(last.StartWeight);
        _stretches[^1] = last with { Stretch = stretch, EndWeight = weight, EndFacing = last.StartFacing + turn };
        if (!last.IsTag)
        {
            _repeats[^1] = _repeats[^1] with { EndFacing = last.StartFacing + turn };
        }
    }

    /// <summary>Exceptions that no repeat has come to.</summary>
    private void CheckNumbers()
    {
        if (_repeats.Count == 0)
        {
            return;
        }

        var last = _repeats.Max(r => r.Call);
        var isOver = _repeats[^1].ToCount >= _song.Counts;
        foreach (var (call, row) in Dance.Tags.Select(t => (t.Repeat, t.Row)).Concat(Dance.Restarts.Select(r => (r.Repeat, r.Row))))
        {
            if (call > last || (call == last && isOver))
            {
                _findings.Add(NeverReached.At(
                    row,
                    CheckTexts.RepeatNeverComes(last)));
            }
        }

        foreach (var change in Dance.OrderChanges)
        {
            if (Dance.IsPhrased && change.Call > last && (isOver || change.Change != CallChange.Drop))
            {
                _findings.Add(NeverReached.At(
                    change.Row,
                    CheckTexts.CallNeverDanced(change.Call, isOver ? CheckTexts.SongEndsBeforeIt : CheckTexts.OrderHasCalls(last))));
            }
        }
    }

    private void CheckCorner(Walked walked, Facing facing)
    {
        if (facing.IsCorner && WallOf(facing) is null && _at < _song.Counts)
        {
            _findings.Add(CornerLanding.At(
                walked.Restart?.Row ?? walked.Row ?? 1,
                CheckTexts.LandsOnCorner(walked.IsTag ? CheckTexts.ATag : CheckTexts.ARestart, walked.Repeat, facing.ToString())));
        }
    }

    private int? WallOf(Facing facing) => _walls.PlaceOf(facing);
}
