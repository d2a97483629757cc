using FondCompass.Core.Actions;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;

namespace FondCompass.Core.Tracing;

/// <summary>Traces every part once, from the state in which the dance first reaches it, and looks at every join.</summary>
public sealed class DanceTracer
{
    private readonly DanceActions _dance;
    private readonly Dictionary<PartActions, PartTrace> _traced = [];
    private readonly Dictionary<(PartActions, Weight), PartTrace> _onFoot = [];
    private readonly Dictionary<PartActions, int> _called = [];
    private readonly List<TracedCall> _calls = [];
    private readonly List<Join> _joins = [];

    private DanceTracer(DanceActions dance) => _dance = dance;

    private DanceHeader Header => _dance.Dance.Header;

    public static DanceTrace Trace(DanceActions dance) => new DanceTracer(dance).Trace();

    private DanceTrace Trace()
    {
        if (_dance.Dance.IsPhrased)
        {
            TraceOrder();
        }
        else if (_dance.Dance.IsFree)
        {
            TracePool();
        }
        else if (_dance.Dance.LoopedPart is { } looped)
        {
            TraceLoop(looped);
        }

        var standIns = _dance.Parts.Where(p => p.Variant is not null && !_traced.ContainsKey(p)).ToList();
        var unreached = _dance.Dance.IsFree
            ? []
            : _dance.Parts.Where(p => !_traced.ContainsKey(p) && p.Variant is null).Select(p => p.Name).ToList();
        var later = _dance.Parts.SelectMany(p => p.LaterCalls).Where(_traced.ContainsKey).Select(p => _traced[p]).ToList();
        return new DanceTrace
        {
            Actions = _dance,
            Parts = _dance.Parts.Except(standIns)
                .Select(p => Pattern(p, Header.StartWeight, Header.StartFacing, throughJoin: false))
                .ToList(),
            StandIns = standIns.ConvertAll(StandIn),
            LaterCalls = later,
            Calls = _calls,
            Joins = _joins,
            Unreached = unreached,
        };
    }

    private PartTrace Pattern(PartActions part, Weight weight, Facing facing, bool throughJoin)
    {
        if (!_traced.TryGetValue(part, out var trace))
        {
            trace = PartTracer.Trace(Header, part, TraceState.Start(weight, facing), throughJoin);
            _traced[part] = trace;
        }

        return trace;
    }

    /// <summary>
    /// A part reached again on the other foot: where its feet were left out, it is danced from the foot that is free; where they
    /// are named, it is the same part, and the join tells.
    /// </summary>
    private PartTrace Called(PartActions part, Weight weight, Facing facing, bool throughJoin)
    {
        var first = Pattern(part, weight, facing, throughJoin);
        if (first.Start.Weight == weight || !weight.IsSingle() || !LeadIsOpen(part))
        {
            return first;
        }

        if (!_onFoot.TryGetValue((part, weight), out var trace))
        {
            trace = _onFoot[(part, weight)] = PartTracer.Trace(Header, part, TraceState.Start(weight, first.Start.Facing), throughJoin);
        }

        return trace;
    }

    private static bool LeadIsOpen(PartActions part) => part.Actions.FirstOrDefault(a => a.Role != FootRole.None) is { } lead
        && lead.Role != FootRole.Named && !lead.CallLead.IsSingle();

    /// <summary>A variant of a whole part is danced from where that part begins.</summary>
    private PartTrace StandIn(PartActions variant)
    {
        var start = _dance.Part(variant.VariantOf!) is { } of && _traced.TryGetValue(of, out var trace)
            ? TraceState.Start(trace.Start.Weight, trace.Start.Facing)
            : TraceState.Start(Header.StartWeight, Header.StartFacing);
        return PartTracer.Trace(Header, variant, start, throughJoin: false);
    }

    private void TraceOrder()
    {
        var weight = Header.StartWeight;
        var facing = Header.StartFacing;
        foreach (var call in _dance.Dance.Order)
        {
            if (_dance.Part(call.Part) is not { Counts: > 0 } part)
            {
                continue;
            }

            var time = _called[part] = _called.GetValueOrDefault(part) + 1;
            var pattern = Called(part.AtCall(time), call.Mirrored ? weight.Other() : weight, facing, _calls.Count > 0);
            var to = Math.Min(call.ToCount ?? part.Counts, part.Counts);
            var from = Math.Min((call.FromCount ?? 1) - 1, to);
            var stretch = new Stretch(pattern, from, to, call.Mirrored);
            if (stretch.Counts == 0)
            {
                continue;
            }

            if (_calls.Count > 0)
            {
                AddJoin(JoinKind.Parts, _calls[^1].Stretch, stretch, weight, call.Row);
            }

            var (end, turn) = stretch.End(weight);
            _calls.Add(new TracedCall(stretch, weight, facing, end, turn, call.Row));
            weight = end;
            facing += turn;
        }
    }

    /// <summary>
    /// Moves without an order: each from the foot that its own first words need; the longest stands for the dance (reading, section 6).
    /// </summary>
    private void TracePool()
    {
        PartTrace? longest = null;
        foreach (var part in _dance.Parts.Where(p => p is { IsTag: false, Variant: null }))
        {
            var traced = Pattern(part, part.NeededStart ?? Header.StartWeight, Header.StartFacing, throughJoin: false);
            longest = longest is null || part.Counts > longest.Part.Counts ? traced : longest;
        }

        if (longest is { Part.Counts: > 0 })
        {
            _calls.Add(new TracedCall(
                Stretch.Whole(longest),
                longest.Start.Weight,
                Header.StartFacing,
                longest.End.Weight,
                longest.NetTurn,
                longest.Part.Row));
        }
    }

    private void TraceLoop(DancePart looped)
    {
        var part = _dance.Part(looped.Name)!;
        var pattern = Pattern(part, Header.StartWeight, Header.StartFacing, throughJoin: false);
        var whole = Stretch.Whole(pattern);
        _calls.Add(new TracedCall(whole, Header.StartWeight, Header.StartFacing, pattern.End.Weight, pattern.NetTurn, looped.Row));
        if (part.Counts == 0)
        {
            return;
        }

        var mirrors = Header.StartWeight.IsSingle() && pattern.End.Weight == Header.StartWeight.Other();
        AddJoin(JoinKind.Loop, whole, mirrors ? Stretch.Whole(pattern, mirrored: true) : whole, pattern.End.Weight, null);
        WalkExceptions(pattern, mirrors);
    }

    /// <summary>
    /// A looped pattern and its tags while they are being traced: a tag is traced in the state in which it is first reached.
    /// </summary>
    private sealed class WhileTracing(DanceTracer tracer, PartTrace pattern, bool mirrors) : IRepeats
    {
        public bool Mirrors => mirrors;

        public IReadOnlyList<(Stretch Stretch, int Row)> Calls => [];

        public PartTrace? Loop(int repeat) => pattern;

        public Stretch Called(Stretch written, int call) => written;

        public Stretch? Tag(string name, Weight weight, Facing facing) =>
            tracer._dance.Part(name) is { Counts: > 0 } part
                ? Stretch.Whole(tracer.Pattern(part, weight, facing, throughJoin: true))
                : null;
    }

    /// <summary>
    /// Dances the repeats up to the last tag or restart, so that each is reached in its true state, and looks at its joins.
    /// </summary>
    private void WalkExceptions(PartTrace pattern, bool mirrors)
    {
        var dance = _dance.Dance;
        var last = Math.Min(
            MostRepeats,
            dance.Tags.Select(t => t.Repeat).Concat(dance.Restarts.Select(r => r.Repeat)).DefaultIfEmpty(0).Max());
        Walked? before = null;
        foreach (var walked in RepeatWalk.Walk(dance, new WhileTracing(this, pattern, mirrors)))
        {
            if (before is { Restart: { } restart } && !walked.IsTag)
            {
                AddJoin(JoinKind.Restart, before.Danced, walked.Whole, walked.StartWeight, restart.Row);
            }
            else if (before is { IsTag: true } && !walked.IsTag)
            {
                AddJoin(JoinKind.OutOfTag, before.Danced, walked.Whole, walked.StartWeight, before.Row);
            }

            if (walked.Call > last)
            {
                break;
            }

            if (walked.IsTag && before is not null)
            {
                AddJoin(JoinKind.IntoTag, before.Danced, walked.Whole, walked.StartWeight, walked.Row);
            }

            before = walked;
        }
    }

    /// <summary>Exceptions after so many repeats are not looked at; no song is that long.</summary>
    private const int MostRepeats = 2_000;

    private void AddJoin(JoinKind kind, Stretch before, Stretch after, Weight weight, int? row) =>
        _joins.Add(new Join(kind, before, after, weight, after.CanBeginOn(weight), row));
}
