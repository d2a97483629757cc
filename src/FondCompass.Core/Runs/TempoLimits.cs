using FondCompass.Core.Actions;
using FondCompass.Core.Counts;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs;

/// <summary>The tempo up to which something can be danced, and what holds it back.</summary>
/// <param name="Bpm">Counts per minute; infinite when nothing holds it back.</param>
/// <param name="Count">Label of the count at which it is tightest.</param>
public sealed record TempoLimit(int Line, string Count, double Bpm, string Why);

/// <summary>From which count of a run on a part is too fast for its actions, and what could carry it.</summary>
/// <param name="SongCount">Song count of the first action that is past its limit.</param>
/// <param name="Bpm">The music's tempo there.</param>
/// <param name="Instead">A variant or another part that can be danced at the fastest tempo this part meets; null when there is none.</param>
public sealed record PastTempo(string Part, int Repeat, int SongCount, double Seconds, double Bpm, TempoLimit Limit, string? Instead);

/// <summary>
/// How fast a dance can be danced by its feet and turns: two sets of a foot are no nearer than a fifth of a second, and a whole
/// turn takes four fifths of one. An instructor's judgement put in numbers (docs/decisions.md), the same for all.
/// </summary>
public static class TempoLimits
{
    /// <summary>Seconds between two sets of a foot.</summary>
    public const double BetweenFeet = 0.2;

    /// <summary>Seconds of a whole turn.</summary>
    public const double WholeTurn = 0.8;

    /// <summary>The slowest limit among some actions of a part; no limit when there are too few.</summary>
    public static TempoLimit Of(IReadOnlyList<TracedAction> actions)
    {
        var tightest = new TempoLimit(1, "1", double.PositiveInfinity, "");
        for (var i = 0; i < actions.Count; i++)
        {
            if (Of(actions, i) is { } limit && limit.Bpm < tightest.Bpm)
            {
                tightest = limit;
            }
        }

        return tightest;
    }

    /// <summary>Where and how each part of a run is overtaken by the music, the first time for each part.</summary>
    public static IReadOnlyList<PastTempo> Past(DanceRun run)
    {
        var past = new List<PastTempo>();
        var limits = new Dictionary<PartTrace, List<(int Count, TempoLimit Limit)>>();
        foreach (var stretch in run.Stretches)
        {
            if (past.Exists(p => p.Part == stretch.Part))
            {
                continue;
            }

            var pattern = stretch.Stretch.Pattern;
            if (!limits.TryGetValue(pattern, out var tight))
            {
                tight = limits[pattern] = AllOf(pattern);
            }

            foreach (var (count, limit) in tight)
            {
                var at = stretch.FromCount + count - stretch.Stretch.From;
                if (count >= stretch.Stretch.From && count < stretch.Stretch.To && run.Song.Time.BpmAt(at) > limit.Bpm + 1e-6)
                {
                    past.Add(new PastTempo(
                        stretch.Part, stretch.Repeat, at, run.Song.Time.SecondsAt(at), run.Song.Time.BpmAt(at), limit, Instead(run, stretch.Part, limit)));
                    break;
                }
            }
        }

        return past;
    }

    private static List<(int Count, TempoLimit Limit)> AllOf(PartTrace part)
    {
        var all = new List<(int, TempoLimit)>();
        for (var i = 0; i < part.Actions.Count; i++)
        {
            if (Of(part.Actions, i) is { } limit)
            {
                all.Add((Math.Max(0, (int)Math.Floor(part.Actions[i].At.InCounts)), limit));
            }
        }

        return all;
    }

    /// <summary>What one action and the one after it allow.</summary>
    private static TempoLimit? Of(IReadOnlyList<TracedAction> actions, int i)
    {
        var action = actions[i];
        if (!action.Foot.IsSingle() && action.Turn.IsNone)
        {
            return null;
        }

        var next = i + 1;
        while (next < actions.Count && (!actions[next].Foot.IsSingle() || actions[next].At == action.At))
        {
            next++;
        }

        if (next >= actions.Count)
        {
            return null;
        }

        var gap = (actions[next].At - action.At).InCounts;
        var byFeet = 60 * gap / BetweenFeet;
        var byTurn = action.Turn.IsNone ? double.PositiveInfinity : 60 * gap / (WholeTurn * action.Turn.Size / Eighths.Full);
        var where = action.Action.Beat.Label();
        return byTurn < byFeet
            ? new TempoLimit(action.Action.Line, where, byTurn, $"{action.Action.Step} turns {action.Turn} and has {gap:0.##} {(gap == 1 ? "count" : "counts")} for it")
            : new TempoLimit(action.Action.Line, where, byFeet, $"{action.Action.Step} sets the feet {gap:0.##} {(gap == 1 ? "count" : "counts")} apart");
    }

    private static string? Instead(DanceRun run, string part, TempoLimit limit)
    {
        var fastest = run.Stretches.Where(s => s.Part == part).SelectMany(s => (double[])[run.Song.Time.BpmAt(s.FromCount), run.Song.Time.BpmAt(s.ToCount)]).Max();
        var actions = run.Trace.Actions;
        (string What, double Bpm)? best = null;
        foreach (var label in Versions.Of(actions))
        {
            var version = DanceTracer.Trace(actions.With(label));
            if (version.Part(part) is { } easier)
            {
                Consider($"its variant '{label}'", Of(easier.Actions).Bpm);
            }
        }

        foreach (var other in run.Trace.Parts.Where(p => p.Part.Name != part && p.Part.Counts > 0 && !p.Part.IsTag))
        {
            Consider($"part {other.Part.Name}", Of(other.Actions).Bpm);
        }

        return best is not { } found ? null
            : found.Bpm >= fastest ? $"{found.What} can be danced at the {fastest:0} it comes to"
            : $"{found.What} carries it as far as {found.Bpm:0}";

        void Consider(string what, double bpm)
        {
            if (bpm > limit.Bpm && (best is not { } b || bpm > b.Bpm))
            {
                best = (what, bpm);
            }
        }
    }
}
