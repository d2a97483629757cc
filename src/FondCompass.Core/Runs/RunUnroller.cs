using FondCompass.Core.Checks;
using FondCompass.Core.Counts;
using FondCompass.Core.Findings;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Told;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs;

/// <summary>Unrolls a dance over a song, as written: no proposal is applied (rules, section 6).</summary>
public sealed class RunUnroller
{
    public static readonly FindingCode NeverReached = new("RUN02", Severity.Warning, "A tag or restart after the song has ended");
    public static readonly FindingCode CornerLanding = new("RUN03", Severity.Warning, "A tag or restart that lands on a corner");
    public static readonly FindingCode OrderTooShort = new("RUN04", Severity.Warning, "The order ends before the song does");
    public static readonly FindingCode OrderTooLong = new("RUN05", Severity.Warning, "The song ends before the order does");

    private readonly DanceTrace _trace;
    private readonly Song _song;
    private readonly int _start;
    private readonly List<RunStretch> _stretches = [];
    private readonly List<RunRepeat> _repeats = [];
    private readonly List<RunEvent> _events = [];
    private readonly List<Finding> _findings = [];
    private readonly IReadOnlyList<Facing> _walls;
    private readonly RunPatterns _patterns;
    private int _at;
    private Weight _weight;
    private Facing _facing;

    private RunUnroller(DanceTrace trace, Song song, int start)
    {
        _trace = trace;
        _song = song;
        _start = _at = start;
        _weight = trace.StartWeight;
        _facing = trace.StartFacing;
        _walls = trace.WallOrder;
        _patterns = new RunPatterns(trace);
    }

    private Dance Dance => _trace.Dance;

    /// <param name="start">Song count, from 0, at which repeat 1 begins; it overrides the dance's intro.</param>
    public static DanceRun Unroll(DanceTrace trace, Song song, int start) => new RunUnroller(trace, song, start).Unroll();

    private DanceRun Unroll()
    {
        if (Dance.IsPhrased)
        {
            DanceOrder();
        }
        else if (_trace.Calls.Count > 0 && _trace.TotalCounts > 0)
        {
            DanceLoop();
        }

        RunEnding? ending = null;
        if (_stretches.Count > 0)
        {
            var last = _stretches[^1];
            _events.Add(new RunEvent(RunEventKind.Ending, last.Repeat, last.EndFacing, _song.Time.SecondsAt(last.ToCount), last.ToCount, WallOf(last.EndFacing)));
            ending = new RunEnding(last.Part, last.Stretch.To, last.EndFacing, EndingToFront.Suggest(last, _trace.StartFacing));
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

    private void DanceLoop()
    {
        for (var repeat = 1; _at < _song.Counts; repeat++)
        {
            var pattern = _patterns.Loop(repeat);
            var length = pattern.Part.Counts;
            if (length == 0)
            {
                break;
            }

            var restart = RestartOf(repeat, length);
            var mirrored = _trace.Mirrors && _weight == _trace.StartWeight.Other();
            DanceRepeat(repeat, new Stretch(pattern, 0, restart?.AfterCount ?? length, mirrored), restart, PartWording.Of(Stretch.Whole(pattern)));
            DanceTags(repeat);
        }

        foreach (var (repeat, row) in Dance.Tags.Select(t => (t.Repeat, t.Row)).Concat(Dance.Restarts.Select(r => (r.Repeat, r.Row))))
        {
            if (repeat > _repeats.Count || (repeat == _repeats.Count && _repeats[^1].ToCount >= _song.Counts))
            {
                _findings.Add(NeverReached.At(row, $"The song ends in repeat {_repeats.Count}, so this never comes. Take the line out, or choose a longer song."));
            }
        }
    }

    /// <summary>The order once through, or round and round until the song ends.</summary>
    private void DanceOrder()
    {
        var repeat = 0;
        int from;
        do
        {
            from = _at;
            foreach (var call in _trace.Calls)
            {
                if (_at >= _song.Counts)
                {
                    if (!Dance.OrderLoops)
                    {
                        _findings.Add(OrderTooLong.At(call.Row, $"The song ends after {_song.Counts} counts, before the order is through: {call.Stretch.Pattern.Part.Name} is no longer danced. Shorten the order, or begin earlier."));
                    }

                    return;
                }

                if (call.Stretch.Pattern.Part.IsTag)
                {
                    DanceTag(call.Stretch, repeat);
                    continue;
                }

                repeat++;
                var stretch = _patterns.Call(call.Stretch, repeat);
                var restart = RestartOf(repeat, stretch.Counts);
                var called = PartWording.Of(stretch);
                stretch = restart is null ? stretch : stretch with { To = stretch.From + restart.AfterCount };
                DanceRepeat(repeat, stretch, restart, called);
                DanceTags(repeat);
            }
        }
        while (Dance.OrderLoops && _at > from && _at < _song.Counts);

        if (_at < _song.Counts && _stretches.Count > 0)
        {
            _findings.Add(OrderTooShort.At(_trace.Calls[^1].Row, $"The order ends at count {_at} of the song and {_song.Counts - _at} counts are left. Add a part or an ending pose, or fade the music."));
        }
    }

    private RestartAfter? RestartOf(int repeat, int length)
    {
        foreach (var restart in Dance.Restarts)
        {
            if (restart.Repeat != repeat)
            {
                continue;
            }

            if (restart.AfterCount < length)
            {
                return restart;
            }

            _findings.Add(ExceptionChecks.Beyond(restart, length));
        }

        return null;
    }

    private void DanceRepeat(int repeat, Stretch stretch, RestartAfter? restart, string called)
    {
        var from = _at;
        var weight = _weight;
        var facing = _facing;
        var danced = Fit(stretch);
        var cut = restart is not null || danced.Counts < stretch.Counts;
        Add(isTag: false, repeat, danced, cut, called);
        _repeats.Add(new RunRepeat(
            repeat, danced.Pattern.Part.Name, from, _at, _song.Time.SecondsAt(from), facing, _facing, weight, WallOf(facing), danced.Mirrored, cut)
        { Called = called });
        if (restart is not null && _at < _song.Counts)
        {
            AddEvent(RunEventKind.Restart, repeat, restart.Row);
        }
    }

    private void DanceTags(int repeat)
    {
        foreach (var tag in Dance.Tags)
        {
            if (tag.Repeat == repeat && _at < _song.Counts && _trace.Part(tag.Tag) is { Part.Counts: > 0 } pattern)
            {
                DanceTag(Stretch.Whole(pattern), repeat, tag.Row);
            }
        }
    }

    private void DanceTag(Stretch stretch, int repeat, int? row = null)
    {
        AddEvent(RunEventKind.Tag, repeat, null);
        var danced = Fit(stretch);
        Add(isTag: true, repeat, danced, danced.Counts < stretch.Counts, PartWording.Of(stretch));
        CheckCorner(RunEventKind.Tag, repeat, row);
    }

    /// <summary>The stretch as far as the song reaches.</summary>
    private Stretch Fit(Stretch stretch) =>
        stretch.Counts <= _song.Counts - _at ? stretch : stretch with { To = stretch.From + _song.Counts - _at };

    private void Add(bool isTag, int repeat, Stretch stretch, bool cut, string called)
    {
        var (weight, turn) = stretch.End(_weight);
        _stretches.Add(new RunStretch(isTag, repeat, stretch, _at, _at + stretch.Counts, _weight, _facing, weight, _facing + turn, cut) { Called = called });
        _at += stretch.Counts;
        _weight = weight;
        _facing += turn;
    }

    private void AddEvent(RunEventKind kind, int repeat, int? row)
    {
        _events.Add(new RunEvent(kind, repeat, _facing, _song.Time.SecondsAt(_at), _at, WallOf(_facing)));
        if (kind == RunEventKind.Restart)
        {
            CheckCorner(kind, repeat, row);
        }
    }

    private void CheckCorner(RunEventKind kind, int repeat, int? row)
    {
        if (_facing.IsCorner && WallOf(_facing) is null && _at < _song.Counts)
        {
            _findings.Add(CornerLanding.At(
                row ?? 1, $"The {(kind == RunEventKind.Tag ? "tag" : "restart")} after repeat {repeat} leaves everybody facing the corner {_facing}, and every later wall with them. Choose another count, or let it turn an eighth."));
        }
    }

    private int? WallOf(Facing facing)
    {
        for (var i = 0; i < _walls.Count; i++)
        {
            if (_walls[i] == facing)
            {
                return i + 1;
            }
        }

        return null;
    }
}
