using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Swaps;

/// <summary>One readable reason why a span is hard, and how much it adds.</summary>
public sealed record DifficultyTerm(string Why, double Points);

/// <summary>
/// How hard a span is: a sum that can be read term by term (rules, section 7). It never falls when a turn grows or the
/// tempo rises.
/// </summary>
public sealed record Difficulty(IReadOnlyList<DifficultyTerm> Terms)
{
    public double Points => Terms.Sum(t => t.Points);

    /// <param name="line">A line (eight) of the part, from 1.</param>
    /// <param name="bpm">Counts per minute.</param>
    public static Difficulty OfLine(PartTrace part, int line, double bpm) =>
        Measure(part.Actions.Where(a => a.Action.Line == line).ToList(), part.Part.Lines[line - 1].Counts, bpm);

    /// <param name="actions">The actions of the span, in order of time.</param>
    /// <param name="counts">Counts it lasts.</param>
    /// <param name="bpm">Counts per minute.</param>
    /// <param name="next">The action behind it, for a trap at its end; null where none follows.</param>
    public static Difficulty Measure(IReadOnlyList<TracedAction> actions, double counts, double bpm, TracedAction? next = null)
    {
        var span = DanceLoad.Sum(actions, next);
        var seconds = DanceLoad.Seconds(counts, bpm);
        var terms = new List<DifficultyTerm>
        {
            new(SwapTexts.FootActionsASecond(span.Footed / seconds, bpm), span.Footed / seconds)
        };
        Add(terms, span.Uneven, UnevenCount, n => SwapTexts.ActionsBetweenCounts(n));
        Add(terms, span.Crossings, Crossing, n => SwapTexts.Crossings(n));
        Add(terms, span.Changes, ChangeOfWay, n => SwapTexts.ChangesOfDirection(n));
        Add(terms, span.Jumps, Jump, n => SwapTexts.HopsOrJumps(n));
        Add(terms, span.Leaves, WithoutWeight, n => SwapTexts.StepsWithoutWeight(n));
        Add(terms, span.Traps, Trap, n => n == 1 ? SwapTexts.OneTrap : SwapTexts.Traps(n));
        Add(terms, span.Both, BothFeet, n => SwapTexts.TwoFeetAtOnce(n));
        Add(terms, span.Levels, StepLevel, n => SwapTexts.LevelsAboveEasiest(n));
        if (span.Hardest > 0)
        {
            terms.Add(new DifficultyTerm(
                SwapTexts.TurningInOneCount(Eighths.AmountText(span.Hardest), 60 / bpm),
                TurnPoints(span.Hardest, bpm)));
        }

        return new Difficulty(terms);
    }

    /// <summary>The sum alone, where nobody reads the terms.</summary>
    public static double PointsOf(IReadOnlyList<TracedAction> actions, double counts, double bpm, TracedAction? next = null) =>
        PointsOf(DanceLoad.Sum(actions, next), counts, bpm);

    /// <summary>The sum of what a span holds, reckoned before.</summary>
    internal static double PointsOf(in DanceLoad span, double counts, double bpm) =>
        (span.Footed / DanceLoad.Seconds(counts, bpm))
            + (span.Uneven * UnevenCount)
            + (span.Crossings * Crossing)
            + (span.Changes * ChangeOfWay)
            + (span.Jumps * Jump)
            + (span.Leaves * WithoutWeight)
        + (span.Traps * Trap) + (span.Both * BothFeet) + (span.Levels * StepLevel) + TurnPoints(span.Hardest, bpm);

    /// <summary>
    /// Points of one of each: between the counts, across or behind, another way than before, off the floor, without weight, a trap, both
    /// feet at once, a level of the lexicon.
    /// </summary>
    private const double UnevenCount =
        0.35, Crossing = 0.3, ChangeOfWay = 0.15, Jump = 0.5, WithoutWeight = 0.1, Trap = 0.4, BothFeet = 0.2, StepLevel = 0.1;

    /// <summary>Points of an eighth turned in the hardest count, and of an eighth a second there.</summary>
    private const double Turned = 0.25, TurnedPerSecond = 0.1;

    private static double TurnPoints(int turned, double bpm) => (turned * Turned) + (turned * bpm / 60 * TurnedPerSecond);

    private static void Add(List<DifficultyTerm> terms, int number, double each, Func<int, string> why)
    {
        if (number > 0)
        {
            terms.Add(new DifficultyTerm(why(number), number * each));
        }
    }
}

/// <summary>
/// How much a span holds of everything that makes it hard. Those of two spans danced one after the other add up to that of both.
/// </summary>
/// <param name="Footed">Actions of one foot.</param>
/// <param name="Uneven">Actions between the counts.</param>
/// <param name="Changes">Steps into another direction than the step before.</param>
/// <param name="Leaves">Steps without weight.</param>
/// <param name="Hardest">Eighths turned, to whichever side, in the count that turns most.</param>
/// <param name="First">Direction of the first step that has one.</param>
/// <param name="Last">That of the last.</param>
public readonly record struct DanceLoad(
    int Footed,
    int Uneven,
    int Crossings,
    int Changes,
    int Jumps,
    int Leaves,
    int Hardest,
    Direction First,
    Direction Last)
{
    /// <summary>A span is never taken to last less than this.</summary>
    private const double Shortest = 0.1;

    /// <summary>Feet that go again right after a touch, a kick or anything else without weight.</summary>
    public int Traps { get; init; }

    /// <summary>Actions of both feet at once.</summary>
    public int Both { get; init; }

    /// <summary>The steps' own levels in the lexicon, one for each above the easiest.</summary>
    public int Levels { get; init; }

    /// <summary>The foot that goes first, and the one that went last without taking the weight.</summary>
    public Foot FirstFoot { get; init; }

    public Foot LastLeft { get; init; }

    public static double Seconds(double counts, double bpm) => Math.Max(Shortest, counts * 60 / bpm);

    /// <param name="next">The action behind the span, for a trap at its end.</param>
    public static DanceLoad Sum(IReadOnlyList<TracedAction> actions, TracedAction? next = null)
    {
        var load = default(DanceLoad);
        var (turned, count, call) = (0, int.MinValue, int.MinValue);
        foreach (var action in actions)
        {
            var at = (int)Math.Floor(action.At.InCounts + 1e-6);
            turned = at == count ? turned + action.Turn.Size : action.Turn.Size;
            count = at;
            var way = action.TakesWeight ? action.Direction : Direction.None;
            var isFooted = action.Foot.IsSingle();
            load += new DanceLoad(
                isFooted ? 1 : 0, action.At.IsWhole ? 0 : 1, action.Direction is Direction.Across or Direction.Behind ? 1 : 0, 0,
                action.Action.Verb.IsHighImpact ? 1 : 0, action.Action.Verb.Kind == VerbKind.Leaves ? 1 : 0, turned, way, way)
            {
                Both = action.Foot == Foot.Both ? 1 : 0,
                Levels = action.Action.Call == call ? 0 : Math.Max(0, (StepLexicon.Shipped.Find(action.Action.Step)?.Level ?? 1) - 1),
                FirstFoot = isFooted ? action.Foot : Foot.None,
                LastLeft = isFooted && !action.TakesWeight && action.Verb.Kind == VerbKind.Leaves ? action.Foot : Foot.None,
            };
            call = action.Action.Call;
        }

        return next is { } behind && behind.Foot.IsSingle() && behind.Foot == load.LastLeft ? load with { Traps = load.Traps + 1 } : load;
    }

    public static DanceLoad operator +(DanceLoad a, DanceLoad b) => new(
        a.Footed + b.Footed, a.Uneven + b.Uneven, a.Crossings + b.Crossings,
        a.Changes + b.Changes + (a.Last != Direction.None && b.First != Direction.None && a.Last != b.First ? 1 : 0),
        a.Jumps + b.Jumps, a.Leaves + b.Leaves, Math.Max(a.Hardest, b.Hardest),
        a.First != Direction.None ? a.First : b.First, b.Last != Direction.None ? b.Last : a.Last)
    {
        Traps = a.Traps + b.Traps + (a.LastLeft != Foot.None && a.LastLeft == b.FirstFoot ? 1 : 0),
        Both = a.Both + b.Both,
        Levels = a.Levels + b.Levels,
        FirstFoot = a.FirstFoot != Foot.None ? a.FirstFoot : b.FirstFoot,
        // Where no foot moves, the one that was left hanging still hangs.
        LastLeft = b.FirstFoot != Foot.None ? b.LastLeft : a.LastLeft,
    };
}
