using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Classes;

/// <summary>Two versions that can be danced side by side: same counts, foot, facing and room.</summary>
/// <param name="Bite">Where it is danced.</param>
/// <param name="First">Counts of its line, from 1.</param>
/// <param name="Own">What the dance has.</param>
/// <param name="Words">What may be danced beside it.</param>
/// <param name="Rows">As script rows, with counts; empty where the dance has them already.</param>
/// <param name="Label">What kind of version it is: easier, no turn, low impact.</param>
/// <param name="Why">What asks for it, and what it changes.</param>
/// <param name="IsWritten">The dance has it already.</param>
public sealed record SideBySide(
    Bite Bite,
    int First,
    int Last,
    string Own,
    string Words,
    IReadOnlyList<string> Rows,
    VariantLabel Label,
    string Why,
    bool IsWritten);

/// <summary>
/// What a mixed class can dance at once (craft, section 6): where the class's level, or a caution, asks for another version, those the
/// dance
/// has are told, and else the lexicon is searched. That everybody knows it counts most.
/// </summary>
public static class MixedClass
{
    /// <summary>Places that are offered at the most, the hardest first; nobody calls more at once.</summary>
    public const int MostPlaces = 6;

    /// <summary>Counts that a step and the one behind it have at the most, for both to be danced otherwise.</summary>
    private const int LongestSpan = 4;

    /// <summary>Eighths that a step turns from which on it is called a spin.</summary>
    private const int Spin = Eighths.Full / 2;

    /// <param name="bites">What is taught of the dance.</param>
    public static IReadOnlyList<SideBySide> Choices(
        LessonDance dance,
        IReadOnlyList<Bite> bites,
        ClassKnowledge knowledge,
        StepLexicon lexicon,
        CancellationToken cancel = default)
    {
        var offers = new List<SideBySide>();
        var easy = knowledge.WhatEverybodyKnows;
        foreach (var place in bites.Where(b => b.Relation != BiteRelation.Same)
            .SelectMany(b => PlacesOf(b, knowledge))
            .OrderByDescending(p => p.Points)
            .ToList())
        {
            if (offers.Count == MostPlaces)
            {
                break;
            }

            if ((Written(dance, place) ?? Searched(dance, place, easy, knowledge, lexicon, cancel)) is { } offer
                && !offers.Exists(o => o.Bite == offer.Bite && o.First == offer.First && o.Last == offer.Last))
            {
                offers.Add(offer);
            }
        }

        return [.. offers.OrderBy(o => bites.ToList().IndexOf(o.Bite)).ThenBy(o => o.First)];
    }

    /// <summary>
    /// Steps of a bite for which something else is wanted: what spins, what leaves the floor, and in a mixed class what is new to it.
    /// </summary>
    private static IEnumerable<Place> PlacesOf(Bite bite, ClassKnowledge knowledge)
    {
        var calls = bite.Actions.GroupBy(a => a.Action.Call).Select(c => c.ToList()).ToList();
        for (var i = 0; i < calls.Count; i++)
        {
            var actions = calls[i];
            var (kind, why) = actions.Sum(a => a.Turn.Value) is var turn && Math.Abs(turn) >= Spin
                ? (VariantKind.NoTurn, Math.Abs(turn) == Eighths.Full
                    ? PlanTexts.TurnsOnceRound
                    : PlanTexts.ItTurns(Eighths.AmountText(Math.Abs(turn))))
                : actions.Exists(a => a.Verb.IsHighImpact) ? (VariantKind.LowImpact, PlanTexts.LeavesTheFloor)
                : knowledge.Level == ClassLevel.Mixed && actions.Exists(a => knowledge.Of(a) is Familiarity.New or Familiarity.Nearly)
                    ? (VariantKind.Easier, PlanTexts.NewToSome)
                : (VariantKind.Version, "");
            if (kind == VariantKind.Version || SpanOf(bite, actions) is not var (first, last))
            {
                continue;
            }

            // With the step behind it more is known to everybody: a rolling vine and its touch are a vine's four counts.
            var further = i + 1 < calls.Count && SpanOf(bite, [.. actions, .. calls[i + 1]]) is var (_, end) && end - first < LongestSpan
                ? calls[i + 1]
                : null;
            yield return new Place(bite, first, last, actions, further, kind, why);
        }
    }

    /// <summary>
    /// The whole counts that steps fill; null where one of them is shared with another step, which cannot be danced otherwise by itself.
    /// </summary>
    private static (int First, int Last)? SpanOf(Bite bite, List<TracedAction> actions)
    {
        var first = WholeCount(actions[0].At - bite.Dance.Start);
        var last = (int)Math.Ceiling((actions.Max(a => a.Action.At + a.Action.Length) - bite.Dance.Start).InCounts);
        var calls = actions.Select(a => a.Action.Call).ToHashSet();
        return last < first
            || last > bite.Counts
            || bite.Actions.Any(a => WholeCount(a.At - bite.Dance.Start) is var at
                && at >= first
                && at <= last
                && !calls.Contains(a.Action.Call))
            ? null
            : (first, last);
    }

    private static int WholeCount(Tick at) => (int)Math.Floor(at.InCounts) + 1;

    /// <summary>A version the dance has for that place, if it is safe beside its own.</summary>
    private static SideBySide? Written(LessonDance dance, Place place)
    {
        var (bite, from, to) = (place.Bite, place.Bite.Dance.Start
            + Tick.FromCounts(place.First - 1), place.Bite.Dance.Start + Tick.FromCounts(place.Last));
        var header = dance.Analysis.Dance.Header;
        foreach (var variant in bite.Pattern.Part.Variants.Where(v => v.Line == bite.Line
            && v.From < to
            && v.To > from
            && v.Label.Kind is VariantKind.Easier or VariantKind.NoTurn or VariantKind.LowImpact))
        {
            var danced = SpanTrace.Trace(header, bite.Pattern, variant);
            if (SafeSwap.Compare(bite.Pattern.StateBefore(variant.To), danced.End).IsSafe)
            {
                var own = bite.Actions.Where(a => a.At >= variant.From && a.At < variant.To).ToList();
                return new SideBySide(
                    bite,
                    WholeCount(variant.From - bite.Dance.Start),
                    (int)Math.Ceiling((variant.To - bite.Dance.Start).InCounts),
                    WordsOf(own),
                    PartWording.WordsOf(danced),
                    [],
                    variant.Label,
                    PlanTexts.DanceHasIt(place.Why),
                    true);
            }
        }

        return null;
    }

    private static SideBySide? Searched(
        LessonDance dance,
        Place place,
        IReadOnlySet<string> easy,
        ClassKnowledge knowledge,
        StepLexicon lexicon,
        CancellationToken cancel)
    {
        var (trace, bite) = (dance.Analysis.Trace, place.Bite);
        var wanted = place.Kind switch
        {
            VariantKind.NoTurn => SwapAim.NoTurn,
            VariantKind.LowImpact => SwapAim.LowImpact,
            _ => SwapAim.Easier
        };
        bool Serves(Swap swap) => swap is { IsOwn: true, Level: <= 1 } && place.Kind switch
        {
            VariantKind.NoTurn => !swap.Turns,
            VariantKind.LowImpact => !swap.HighImpact && swap.Difference <= 0,
            _ => swap.Difference < 0 && !swap.HighImpact,
        };
        SideBySide? Find(bool known, List<TracedAction> steps)
        {
            var (first, last) = SpanOf(bite, steps)!.Value;
            return SwapSearch.Find(
                trace,
                bite.Pattern,
                bite.Line,
                first,
                last,
                wanted,
                dance.Tempo,
                lexicon,
                easy,
                onlyKnown: known,
                newness: knowledge.NoveltyIn(dance.Analysis.Dance),
                cancel: cancel)
                .FirstOrDefault(Serves) is not { } swap
                ? null
                : new SideBySide(
                    bite, first, last, WordsOf(steps), swap.Words, swap.Rows, new VariantLabel(place.Kind),
                    PlanTexts.EndsOnTheSameFoot(
                        place.Why,
                        known ? PlanTexts.EverybodyKnows : Sentence.None,
                        swap.Metres < 0.05 ? PlanTexts.AtTheSamePlace : PlanTexts.MetresAway(swap.Metres)),
                    false);
        }

        return Find(true, place.Steps)
            ?? (place.Further is { } further ? Find(true, [.. place.Steps, .. further]) : null)
            // What is only easier helps nobody who has to learn it too.
            ?? (place.Kind == VariantKind.Easier
                ? null
                : Find(false, place.Steps) ?? (place.Further is { } both ? Find(false, [.. place.Steps, .. both]) : null));
    }

    private static string WordsOf(IEnumerable<TracedAction> actions) =>
        string.Join(", ", actions.GroupBy(a => a.Action.Call).Select(c => StepWording.Word([.. c]).ToString()));

    /// <param name="Steps">What asks for another version.</param>
    /// <param name="Further">The step behind it, where both may be danced otherwise together.</param>
    private sealed record Place(
        Bite Bite,
        int First,
        int Last,
        List<TracedAction> Steps,
        List<TracedAction>? Further,
        VariantKind Kind,
        string Why)
    {
        public double Points => Difficulty.PointsOf(Steps, Last - First + 1, Bites.UsualTempo);
    }
}
