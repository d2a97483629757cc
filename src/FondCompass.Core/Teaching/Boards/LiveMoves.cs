using FondCompass.Core.Actions;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;

namespace FondCompass.Core.Teaching.Boards;

/// <summary>One whole eight (six in sixes) of a called move, begun on one weight.</summary>
/// <param name="Ends">The weight after it.</param>
/// <param name="Turn">Signed turn of it.</param>
/// <param name="Stretches">What is danced: the move once, or as often as the eight has room for it.</param>
public sealed record LiveEight(Weight Begins, Weight Ends, Eighths Turn, IReadOnlyList<Stretch> Stretches)
{
    /// <summary>The foot that the move is called with the first time: "vine R"; none of a dance's line.</summary>
    public Foot Lead { get; init; }

    /// <summary>Counts before its first that it begins with a pick-up; 0 for none.</summary>
    public double PickUp => Math.Max(0, -Steps.Min(s => s.Count));

    /// <summary>Counts from its last movement to its end.</summary>
    public double Free => Stretches.Sum(s => s.Counts) - Steps.Max(s => s.Count);

    /// <summary>What moves, by the count from the eight's beginning, with the foot; a pick-up before it.</summary>
    public IEnumerable<LiveStep> Steps
    {
        get
        {
            var (weight, at) = (Begins, 0);
            foreach (var stretch in Stretches)
            {
                foreach (var (step, after, _) in stretch.Dance(weight))
                {
                    weight = after;
                    if (step.Moment is DanceAction action && step.Verb is { } verb)
                    {
                        yield return new LiveStep(
                            at - stretch.From + step.Moment.At.InCounts,
                            verb.Has(Lexicon.VerbTraits.IsBody) ? action.Deed : verb.Name,
                            step.Foot,
                            after);
                    }
                }

                at += stretch.Counts;
            }
        }
    }

    /// <summary>Eighths turned to the right up to one of its steps: the turn is shared out over all of them.</summary>
    /// <param name="step">From 0.</param>
    /// <param name="steps">How many it has, 1 at the least.</param>
    public int TurnedAfter(int step, int steps) =>
        (int)Math.Floor((Turn.Value * (step + 1) / (double)steps) + 0.5);
}

/// <summary>One movement of a called move.</summary>
/// <param name="Count">From the eight's beginning, from 0; below 0 for a pick-up.</param>
/// <param name="After">The weight behind it.</param>
public sealed record LiveStep(double Count, string Words, Foot Foot, Weight After);

/// <summary>A move that the leader can call without an order.</summary>
/// <param name="Counts">Counts of it once; they go into an eight, or are whole eights.</param>
/// <param name="Difficulty">By its terms at the tempo: easy ones are offered first.</param>
/// <param name="Eights">An eight of it for each weight on which it can begin.</param>
public sealed record LiveMove(string Name, int Counts, double Difficulty, IReadOnlyList<LiveEight> Eights)
{
    /// <summary>How it goes, one level at a time; empty where nothing is told.</summary>
    public IReadOnlyList<StepPart> Parts { get; init; } = [];

    /// <summary>What is danced on top of the feet, with the counts from its first at which it begins and ends.</summary>
    public IReadOnlyList<(double From, double To, WordedLayer Layer)> Layers { get; init; } = [];

    /// <summary>
    /// The eight of it that can be danced from a weight; null where the free foot does not allow it, or a pick-up would fall into what
    /// moves still.
    /// </summary>
    /// <param name="free">Counts in which nothing moves before it.</param>
    public LiveEight? From(Weight weight, double free = 1) => Eights.FirstOrDefault(e => e.Begins == weight && e.PickUp < free);
}

/// <summary>
/// What can be called live: no order, the leader takes the next move, and only what feet, stance and counts allow is offered.
/// </summary>
public sealed class LiveMoves
{
    /// <summary>Moves at the most; nobody chooses among more.</summary>
    public const int Most = 60;

    private LiveMoves(int eight, IReadOnlyList<LiveMove> moves) => (Eight, Moves) = (eight, moves);

    /// <summary>Counts after which a call may change.</summary>
    public int Eight { get; }

    /// <summary>Easy ones first.</summary>
    public IReadOnlyList<LiveMove> Moves { get; }

    /// <summary>Of steps, by their names or as one writes them: "vine", "shuffle forward".</summary>
    /// <param name="names">Each a step with its way, without counts; what cannot be read, or does not go into an eight, is left
    /// out.</param>
    public static (LiveMoves Moves, IReadOnlyList<string> LeftOut) Find(
        IEnumerable<string> names,
        double bpm,
        StepLexicon lexicon,
        int eight = 8)
    {
        var (moves, leftOut) = (new List<LiveMove>(), new List<string>());
        foreach (var name in names.Select(n => n.Trim()).Where(n => n.Length > 0).Distinct(StringComparer.OrdinalIgnoreCase).Take(Most))
        {
            var move = MoveOf(name, eight, bpm, lexicon);
            if (move is null)
            {
                leftOut.Add(name);
            }
            else
            {
                moves.Add(move);
            }
        }

        return (new LiveMoves(eight, Sorted(moves)), leftOut);
    }

    /// <summary>Of the lines of a dance, each one call.</summary>
    public static LiveMoves OfLines(Analysis analysis, double bpm, StepLexicon lexicon)
    {
        var eight = analysis.Dance.Header.LineCounts;
        var knowledge = new ClassKnowledge(lexicon, ClassLevel.Regular, [], []);
        var moves = new List<LiveMove>();
        foreach (var bite in Bites.Cut(analysis, knowledge, bpm)
            .Where(b => b.Counts == eight && b.Relation != BiteRelation.Same)
            .Take(Most))
        {
            var eights = Enum.GetValues<Weight>()
                .Select(w => EightOf(bite.Stretch, w, eight) ?? EightOf(Mirrored(bite.Stretch), w, eight))
                .OfType<LiveEight>()
                .ToList();
            if (eights.Count > 0)
            {
                moves.Add(new LiveMove(bite.Name, eight, bite.Difficulty.Points, eights));
            }
        }

        return new LiveMoves(eight, Sorted(moves));
    }

    /// <summary>Of a pool: each of its parts is a move, as long as it is, begun on whatever foot it can be danced from.</summary>
    /// <returns>The moves, and the names of parts that are no whole eights or cannot be danced.</returns>
    public static (LiveMoves Moves, IReadOnlyList<string> LeftOut) OfPool(Analysis analysis, double bpm, StepLexicon lexicon)
    {
        var eight = analysis.Dance.Header.LineCounts;
        var knowledge = new ClassKnowledge(lexicon, ClassLevel.Regular, [], []);
        var points = Bites.Cut(analysis, knowledge, bpm).ToLookup(b => b.Part);
        var (moves, leftOut) = (new List<LiveMove>(), new List<string>());
        foreach (var pattern in analysis.Trace.Parts.Where(p => p.Part.Variant is null).Take(Most))
        {
            // What is shorter than an eight is danced as often as it goes into one.
            var (counts, whole) = (pattern.Part.Counts, Stretch.Whole(pattern));
            var length = counts > 0 && counts % eight == 0 ? counts : eight;
            var eights = counts > 0 && length % counts == 0
                ? Enum.GetValues<Weight>()
                    .Select(w => EightOf(whole, w, length) ?? EightOf(Mirrored(whole), w, length))
                    .OfType<LiveEight>()
                    .ToList()
                : [];
            if (eights.Count == 0)
            {
                leftOut.Add(pattern.Part.Name);
                continue;
            }

            moves.Add(new LiveMove(
                pattern.Part.Name,
                length,
                points[pattern.Part.Name].Select(b => b.Difficulty.Points).DefaultIfEmpty(0).Max(),
                eights)
            {
                Parts = PartsOf(analysis, pattern, lexicon),
                Layers = [.. pattern.Part.Layers.Select(l => (l.At.InCounts, (l.At + l.Length).InCounts, WordedLayer.Read(l.Text)))],
            });
        }

        return (new LiveMoves(eight, Sorted(moves)), leftOut);
    }

    private static List<StepPart> PartsOf(Analysis analysis, PartTrace pattern, StepLexicon lexicon)
    {
        var parts = new StepParts(analysis.Dance, lexicon);
        return [.. pattern.Actions.GroupBy(a => a.Action.Call)
            .Select(c => c.ToList())
            .Select(c => new StepPart(
                StepWording.Word(c).Called,
                c[0].Action.Beat.Label(analysis.Dance.Header.LineCounts),
                parts.Of(c[0].Action.Step)))];
    }

    /// <summary>What can follow from a weight, easy ones first.</summary>
    /// <param name="free">Counts in which nothing moves before it.</param>
    public IEnumerable<LiveMove> Offered(Weight weight, double free = 1) => Moves.Where(m => m.From(weight, free) is not null);

    private static List<LiveMove> Sorted(List<LiveMove> moves) =>
        [.. moves.OrderBy(m => m.Difficulty).ThenBy(m => m.Name, StringComparer.Ordinal)];

    private static LiveMove? MoveOf(string name, int eight, double bpm, StepLexicon lexicon)
    {
        // Each count that goes into an eight is tried, the step's own first; on either foot.
        var own = lexicon.Find(name.ToLowerInvariant())?.Forms[0].Counts;
        foreach (var counts in ((int[])[own ?? 0, 4, 2, eight, 3, 1]).Where(c => c > 0 && c <= eight && eight % c == 0).Distinct())
        {
            var eights = new List<LiveEight>();
            Bite? first = null;
            foreach (var foot in (string[])["R", "L"])
            {
                var analysis = Analysis.Analyse(
                    $"line {eight}\nstart weight {(foot == "R" ? "L" : "R")}\npart M\n{(counts == 1 ? "1" : $"1-{counts}")} {name} {foot}",
                    lexicon);
                if (analysis.Trace.Parts is not [{ Actions.Count: > 0 } pattern]
                    || analysis.Findings.Any(f => f.Severity == Findings.Severity.Error)
                    || pattern.Part.Counts != counts
                    || pattern.Actions.All(a => a.Foot == Foot.None))
                {
                    continue;
                }

                first ??= Bites.Cut(analysis, new ClassKnowledge(lexicon, ClassLevel.Regular, [], []), bpm) is [var bite, ..] ? bite : null;
                eights.AddRange(Enum.GetValues<Weight>()
                    .Where(w => eights.TrueForAll(e => e.Begins != w))
                    .Select(w => EightOf(Stretch.Whole(pattern), w, eight))
                    .OfType<LiveEight>()
                    .Select(e => e with { Lead = foot == "R" ? Foot.Right : Foot.Left }));
            }

            if (eights.Count > 0 && first is not null)
            {
                return new LiveMove(name, counts, first.Difficulty.Points, eights);
            }
        }

        return null;
    }

    /// <summary>
    /// An eight of a stretch from one weight: the same again where the feet allow it, else its mirror image; null where neither can be
    /// danced without a fault.
    /// </summary>
    private static LiveEight? EightOf(Stretch stretch, Weight begins, int eight)
    {
        if (stretch.Pattern.Actions.Count == 0)
        {
            return null;
        }

        if (begins == Weight.Unknown || eight % stretch.Counts != 0)
        {
            return null;
        }

        var (weight, turn, danced) = (begins, Eighths.None, new List<Stretch>());
        for (var i = 0; i < eight / stretch.Counts; i++)
        {
            var next = IsClean(stretch, weight) ? stretch : IsClean(Mirrored(stretch), weight) ? Mirrored(stretch) : null;
            // The first of them is as it was written: its mirror image is another side's.
            if (next is null || (i == 0 && next.Mirrored != stretch.Mirrored))
            {
                return null;
            }

            danced.Add(next);
            var (end, turned) = next.End(weight);
            (weight, turn) = (end, turn + turned);
        }

        return new LiveEight(begins, weight, turn, danced);
    }

    private static Stretch Mirrored(Stretch stretch) => stretch with { Mirrored = !stretch.Mirrored };

    private static bool IsClean(Stretch stretch, Weight weight) => stretch.Dance(weight).All(s => s.Fault == Fault.None);
}
