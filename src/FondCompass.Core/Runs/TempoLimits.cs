using FondCompass.Core.Actions;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs;

/// <summary>The tempo up to which something can be danced, and what holds it back.</summary>
/// <param name="Bpm">Counts per minute; infinite when nothing holds it back.</param>
/// <param name="Count">Label of the count at which it is tightest.</param>
/// <param name="Step">The step that holds it back.</param>
/// <param name="Turn">Its turn, when that is what takes the time.</param>
/// <param name="Apart">Counts between its sets of a foot, or for its turn.</param>
/// <param name="Running">Sets of a foot at that pace, one after another.</param>
public sealed record TempoLimit(int Line, string Count, double Bpm, string Step, Eighths Turn, double Apart, int Running);

/// <summary>What could be danced where a part is overtaken by the music: a variant of it, or another part.</summary>
/// <param name="Bpm">Tempo up to which it can be danced.</param>
/// <param name="Carries">That is as fast as it comes to.</param>
public sealed record TempoInstead(VariantLabel? Variant, string? Part, double Bpm, bool Carries);

/// <summary>From which count of a run on a part is too fast for its actions, and what could carry it.</summary>
/// <param name="SongCount">Song count of the first action that is past its limit.</param>
/// <param name="Bpm">The music's tempo there.</param>
/// <param name="Fastest">The fastest tempo this part meets.</param>
/// <param name="Instead">What goes faster; null when nothing does.</param>
public sealed record PastTempo(
    string Part,
    int Repeat,
    int SongCount,
    Seconds Seconds,
    double Bpm,
    TempoLimit Limit,
    double Fastest,
    TempoInstead? Instead);

/// <summary>Seconds the feet need, by how long they go on: an instructor's judgement put in numbers (docs/decisions.md, 13).</summary>
/// <param name="Grace">Between two sets of a foot that stand alone: a pick-up, a swung "a".</param>
/// <param name="InACount">Between sets of a foot, on average, over a count.</param>
/// <param name="Lasting">Between sets of a foot, on average, over two counts and more.</param>
/// <param name="Spring">From a hop, jump or leap to what comes next.</param>
public sealed record FootPace(double Grace, double InACount, double Lasting, double Spring)
{
    /// <summary>Steps that carry the whole body.</summary>
    public static readonly FootPace Stepping = new(0.075, 0.15, 0.2, 0.2);

    /// <summary>Sounds made by the ankle; a-counts and sixteenths are ordinary.</summary>
    public static readonly FootPace Percussive = new(0.05, 0.075, 0.08, 0.1);

    public static FootPace For(Genre genre) => genre == Genre.Percussive ? Percussive : Stepping;
}

/// <summary>
/// How fast a dance can be danced by its feet and turns. What is quick for a moment is judged over the span it lasts, so that no pick-up
/// and no swung step alone holds a dance back; a whole turn takes four fifths of a second.
/// </summary>
public static class TempoLimits
{
    /// <summary>Seconds of a whole turn.</summary>
    public const double WholeTurn = 0.8;

    private static readonly TempoLimit None = new(1, "1", double.PositiveInfinity, "", Eighths.None, 0, 0);

    /// <summary>The slowest limit of a part; infinite when nothing holds it back.</summary>
    public static TempoLimit LimitOf(PartTrace part, Genre genre) =>
        Each(part, genre).Aggregate(None, (tightest, next) => next.Bpm < tightest.Bpm ? next : tightest);

    /// <summary>
    /// What each action of a part, and those right after it, allow; one for each action, infinite where they do not matter.
    /// </summary>
    public static IReadOnlyList<TempoLimit> Each(PartTrace part, Genre genre)
    {
        var feet = new List<TracedAction>();
        foreach (var action in part.Actions)
        {
            if (action.Foot != Foot.None && (feet.Count == 0 || feet[^1].At != action.At))
            {
                feet.Add(action);
            }
        }

        var pace = FootPace.For(genre);
        var limits = new TempoLimit[part.Actions.Count];
        var foot = -1;
        for (var i = 0; i < limits.Length; i++)
        {
            var action = part.Actions[i];
            while (foot + 1 < feet.Count && feet[foot + 1].At <= action.At)
            {
                foot++;
            }

            var before = foot < 0 ? null : feet[foot].At < action.At ? feet[foot] : foot > 0 ? feet[foot - 1] : null;
            // The first of a part comes behind its last, where it goes round.
            var byTurn = ByTurn(
                action,
                before is not null ? (action.At - before.At).InCounts
                    : feet.Count > 1 ? part.Part.Counts + (action.At - feet[^1].At).InCounts
                    : 0);
            var byFeet = foot >= 0 && ReferenceEquals(feet[foot], action) ? ByFeet(feet, foot, pace) : None;
            limits[i] = byTurn.Bpm < byFeet.Bpm ? byTurn : byFeet;
        }

        return limits;
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
                tight = limits[pattern] = AllOf(pattern, run.Trace.Dance.Header.Genre);
            }

            foreach (var (count, limit) in tight)
            {
                var at = stretch.FromCount + count - stretch.Stretch.From;
                if (count >= stretch.Stretch.From && count < stretch.Stretch.To && run.Song.Time.BpmAt(at) > limit.Bpm + 1e-6)
                {
                    past.Add(new PastTempo(
                        stretch.Part,
                        stretch.Repeat,
                        at,
                        run.Song.Time.SecondsAt(at),
                        run.Song.Time.BpmAt(at),
                        limit,
                        Fastest(run, stretch.Part),
                        Instead(run, stretch.Part, limit)));
                    break;
                }
            }
        }

        return past;
    }

    private static List<(int Count, TempoLimit Limit)> AllOf(PartTrace part, Genre genre) =>
        [.. Each(part, genre)
            .Select((limit, i) => (Math.Max(0, (int)Math.Floor(part.Actions[i].At.InCounts)), limit))
            .Where(l => double.IsFinite(l.limit.Bpm))];

    /// <summary>By the feet from one set on: to the next, over a count, and over two.</summary>
    private static TempoLimit ByFeet(List<TracedAction> feet, int from, FootPace pace)
    {
        var action = feet[from];
        var tightest = None;
        for (var to = from + 1; to < feet.Count; to++)
        {
            var span = (feet[to].At - action.At).InCounts;
            var least = to == from + 1 ? (action.Verb.IsHighImpact ? pace.Spring : pace.Grace) : 0;
            least = Math.Max(least, span >= 2 ? pace.Lasting : span >= 1 ? pace.InACount : 0);
            var apart = span / (to - from);
            if (least > 0 && 60 * apart / least is var bpm && bpm < tightest.Bpm)
            {
                tightest = new TempoLimit(
                    action.Action.Line,
                    action.Action.Beat.Label(),
                    bpm,
                    action.Action.Name,
                    Eighths.None,
                    apart,
                    to - from + 1);
            }

            if (span >= 2)
            {
                break;
            }
        }

        return tightest;
    }

    /// <summary>
    /// By the turn: it has the time from the action before it to itself; the time behind it belongs to the next one (rules, section 6).
    /// </summary>
    /// <param name="gap">Counts from the action before; 0 for none.</param>
    private static TempoLimit ByTurn(TracedAction action, double gap)
    {
        if (action.Turn.IsNone || gap <= 0)
        {
            return None;
        }

        return new TempoLimit(
            action.Action.Line,
            action.Action.Beat.Label(),
            60 * gap / (WholeTurn * action.Turn.Size / Eighths.Full),
            action.Action.Name,
            action.Turn,
            gap,
            1);
    }

    private static double Fastest(DanceRun run, string part) =>
        run.Stretches.Where(s => s.Part == part)
            .SelectMany(s => (double[])[run.Song.Time.BpmAt(s.FromCount), run.Song.Time.BpmAt(s.ToCount)])
            .Max();

    private static TempoInstead? Instead(DanceRun run, string part, TempoLimit limit)
    {
        var fastest = Fastest(run, part);
        var actions = run.Trace.Actions;
        TempoInstead? best = null;
        foreach (var label in Versions.All(actions))
        {
            var version = DanceTracer.Trace(actions.With(label));
            if (version.Part(part) is { } easier)
            {
                Consider(label, null, LimitOf(easier, run.Trace.Dance.Header.Genre).Bpm);
            }
        }

        foreach (var other in run.Trace.Parts.Where(p => p.Part.Name != part && p.Part.Counts > 0 && !p.Part.IsTag))
        {
            Consider(null, other.Part.Name, LimitOf(other, run.Trace.Dance.Header.Genre).Bpm);
        }

        return best;

        void Consider(VariantLabel? variant, string? name, double bpm)
        {
            if (bpm > limit.Bpm && !(bpm <= best?.Bpm))
            {
                best = new TempoInstead(variant, name, bpm, bpm >= fastest);
            }
        }
    }
}
