using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Steps;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Swaps;

/// <summary>What a step does to a dancer who begins it so.</summary>
/// <param name="Net">Signed turn in eighths.</param>
/// <param name="Moved">Where the body goes, seen from the facing it began with, in metres.</param>
/// <param name="Cost">How little it is wanted where any step would do: the genre's own, easy and long ones first.</param>
public sealed record StepEffect(StepChoice Choice, Weight From, Weight To, int Net, FloorPoint Moved, string Lead, int Cost, bool IsOwn)
{
    public required DanceLoad Load { get; init; }

    /// <summary>Eighths turned in all, to whichever side.</summary>
    public required int Turning { get; init; }

    public required bool HighImpact { get; init; }

    /// <summary>The first action of each step it is made of.</summary>
    public required IReadOnlyList<TracedAction> Steps { get; init; }

    /// <summary>It ends in an open stance on one foot, so that any step may follow.</summary>
    public required bool EndsOpen { get; init; }
}

/// <summary>The effects of all steps that can be begun in an open stance on one foot; reckoned once and kept with the lexicon.</summary>
public static class StepEffects
{
    private static readonly ConditionalWeakTable<StepLexicon, ConcurrentDictionary<(Genre,
        int,
        bool,
        double,
        Foot,
        bool), IReadOnlyList<StepEffect>>> Kept =
        [];

    /// <param name="withTurns">Also every step with a turn laid on it.</param>
    public static IReadOnlyList<StepEffect> For(StepLexicon lexicon, DanceHeader header, bool withTurns) =>
        Kept.GetOrCreateValue(lexicon)
            .GetOrAdd(
                (header.Genre, header.LineCounts, header.Swing, header.Stride, header.Lead, withTurns),
                _ => Reckon(lexicon, header, withTurns));

    private static List<StepEffect> Reckon(StepLexicon lexicon, DanceHeader header, bool withTurns) =>
        [.. StepChoices.For(lexicon, header, withTurns)
            .SelectMany(c => (StepEffect?[])[
                EffectOf(header, c, TraceState.Start(Weight.Left, Facing.Front)),
                EffectOf(header, c, TraceState.Start(Weight.Right, Facing.Front))
            ])
            .OfType<StepEffect>()];

    /// <summary>What a step does from a state; null where a foot is not free for it.</summary>
    public static StepEffect? EffectOf(DanceHeader header, StepChoice choice, TraceState start)
    {
        if (StepChoices.From(header, choice, start) is not { } trace)
        {
            return null;
        }

        var (end, own) = (trace.End, StepChoices.IsOwn(choice, header.Genre));
        // The genre's own and the easy first; a single action is dull filling.
        var cost = (own ? 0 : 6) + ((choice.Step?.Level ?? 1) * 2) + (choice.Step is null ? 5 : 0) + (choice.Counts == 1 ? 4 : 0) + 2;
        return new StepEffect(
            choice,
            start.Weight,
            end.Weight,
            (end.Net - start.Net).Value,
            (end.Body - start.Body).Turned(-start.Facing.Index),
            SwapSearch.Lead(trace),
            cost,
            own)
        {
            Load = DanceLoad.Sum(trace.Actions),
            Steps = [.. trace.Actions.DistinctBy(a => a.Action.Call)],
            Turning = trace.Actions.Sum(a => a.Turn.Size),
            HighImpact = trace.Actions.Any(a => a.Action.Verb.IsHighImpact),
            EndsOpen = end.Stance == Stance.Open && end.Weight.IsSingle(),
        };
    }
}
