using FondCompass.Core.Actions;
using FondCompass.Core.Measures;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Material;

/// <summary>Takes a dance apart into what is taught at once.</summary>
public static class Bites
{
    /// <summary>Longest list of steps that still names a bite.</summary>
    private const int LongestName = 48;

    /// <summary>Points of what the lexicon cannot know: a declared trouble spot, and a layer.</summary>
    private const double Trouble = 0.8, Layer = 0.25;

    /// <summary>Counts a minute at which bites are compared with each other.</summary>
    public const double UsualTempo = 112;

    /// <summary>Points at which half of a class is lost.</summary>
    private const double HalfLost = 10;

    /// <summary>
    /// Expected share of the class that loses a bite of so many points, before any log says more: 0 for none, half at ten.
    /// </summary>
    public static double LossOf(double points) => points / (points + HalfLost);

    /// <summary>The dance's bites: parts in the order in which they are first written, each line that is danced, once.</summary>
    /// <param name="analysis">The dance with its findings.</param>
    /// <param name="bpm">Counts per minute at full tempo.</param>
    /// <param name="cuts">Lines that the instructor joined or split.</param>
    /// <param name="log">What the group's log says of its lines.</param>
    /// <param name="taught">What was taught before, in dances before this one; what this one teaches is added to it. Nothing when left
    /// out.</param>
    public static IReadOnlyList<Bite> Cut(
        Analysis analysis,
        ClassKnowledge knowledge,
        double bpm,
        BiteCuts? cuts = null,
        LineLog? log = null,
        TaughtBefore? taught = null)
    {
        var bites = new List<Bite>();
        knowledge = knowledge.In(analysis.Dance);
        var danced = new HashSet<(string Part, Tick Start, string Deeds)>();
        var traps = analysis.Findings.Where(f => f.Code.StartsWith("TRAP", StringComparison.Ordinal) && f.Place.Line is not null)
            .ToLookup(f => (f.Place.Part, f.Place.Line!.Value));
        var earlier = taught ?? new TaughtBefore();
        foreach (var (pattern, time, stretches) in Danced(analysis.Trace))
        {
            var byLine = pattern.Actions.ToLookup(a => a.Action.Line);
            var layersOf = pattern.Part.Layers.ToLookup(l => l.Line);
            var troubleOf = pattern.Part.Notes.Where(n => n.Kind == "trouble").ToLookup(n => n.Line);
            var lines = pattern.Part.Lines.Where(l => stretches.Any(s => s.To > l.Start.InCounts && s.From < l.End.InCounts)).ToList();
            foreach (var (line, lastLine) in (cuts ?? BiteCuts.None).Lay(pattern.Part.Name, lines))
            {
                var numbers = Enumerable.Range(line.Number, lastLine - line.Number + 1).ToList();
                var isSplit = pattern.Part.Lines[line.Number - 1] is var written && (line.Start != written.Start || line.End < written.End);
                // What is picked up before a line belongs to it, and to its first half.
                var actions = numbers.SelectMany(n => byLine[n])
                    .Where(a => !isSplit || ((a.At >= line.Start || line.Start == written.Start) && a.At < line.End))
                    .ToList();
                var own = BiteSignature.From(actions, line);
                if (!danced.Add((pattern.Part.Name, line.Start, own.Deeds)) && time > 1)
                {
                    continue;
                }

                var (relation, like) = earlier.Of(own);
                var layers = numbers.SelectMany(n => layersOf[n])
                    .Where(l => !isSplit || (l.At >= line.Start && l.At < line.End))
                    .Select(l => WordedLayer.Read(l.Text))
                    .Concat(actions.SelectMany(a => a.Action.Layers).Select(WordedLayer.Read)).Distinct().ToList();
                var trouble = numbers.SelectMany(n => troubleOf[n])
                    .Where(n => !isSplit || (n.At >= line.Start && n.At < line.End))
                    .Select(n => n.Text.Length > 0 ? BlockTexts.TroubleSpot(n.Text) : BlockTexts.DeclaredTroubleSpotIs)
                    .ToList();
                var found = numbers.SelectMany(n => traps[(pattern.Part.Name, n)])
                    .Where(f => !isSplit || IsIn(line, written, f.Place.Count))
                    .Select(f => f.Message)
                    .ToList();
                var next = pattern.Actions.FirstOrDefault(a => a.Action.Line > lastLine || (isSplit && a.At >= line.End));
                // What is danced on the other side is new but for that; all else is less new where its steps were taught.
                List<double> asNew = [.. actions.Select(a => ClassKnowledge.Novelty(knowledge.Of(a)))];
                var novelties = earlier.Novelties(actions, knowledge);
                var changed = relation == BiteRelation.OtherEnding
                    ? Enumerable.Range(0, actions.Count).Where(i => (actions[i].At - line.Start).InCounts >= line.Counts * 0.75).ToList()
                    : [.. Enumerable.Range(0, actions.Count)];
                var bite = new Bite(pattern, line, lastLine, time, NameOf(line, actions), relation, like)
                {
                    DanceTitle = analysis.Dance.Header.Title,
                    Actions = actions,
                    Changed = [.. changed.Select(i => actions[i])],
                    Novelties = [.. changed.Select(i => relation == BiteRelation.OtherSide ? asNew[i] : novelties[i])],
                    Feet = (pattern.StateBefore(line.Start).Weight, pattern.StateBefore(line.End).Weight),
                    Footed = actions.Count(a => a.Foot != Foot.None),
                    Jumps = actions.Exists(a => a.Verb.IsHighImpact),
                    IsHeavy = layers.Exists(LayerMoves.IsOverhead) || actions.Exists(a => LayerMoves.IsDeep(a.Action)),
                    Layers = layers,
                    Watch = [.. trouble, .. found],
                    Counting = written.Counting ?? analysis.Dance.Header.CountStyle,
                    CountsOfLine = written.Counts,
                    Difficulty = DifficultyOf(actions, line, knowledge, bpm, layers, next, trouble.Count),
                    Loss = (log ?? LineLog.None).LossOf(
                        pattern.Part.Name,
                        numbers,
                        LossOf(DifficultyOf(actions, line, knowledge, UsualTempo, layers, next, trouble.Count).Points)),
                    Novelty = novelties.DefaultIfEmpty(1).Average(),
                };
                bites.Add(bite);
                earlier.Add(bite, own);
            }
        }

        return bites;
    }

    /// <summary>Whether a count of a line, as a finding tells it, lies in the half that is taught; one without a count does.</summary>
    private static bool IsIn(DanceLine half, DanceLine written, string? count) =>
        !int.TryParse(string.Concat((count ?? "").TakeWhile(char.IsAsciiDigit)), out var at)
            || (written.Start + Tick.FromCounts(at - 1) is var tick && tick >= half.Start && tick < half.End);

    /// <summary>Every part that is danced, with what of it is; tags that a repeat calls are danced too.</summary>
    private static IEnumerable<(PartTrace Pattern, int Time, IReadOnlyList<Stretch> Danced)> Danced(DanceTrace trace)
    {
        var tags = trace.Dance.Tags.Select(t => trace.Part(t.Tag)).OfType<PartTrace>().Distinct().Select(p => Stretch.Whole(p));
        // A free order calls nothing: each of its parts is a move.
        var calls = trace.Dance.IsFree
            ? trace.Parts.Where(p => !p.Part.IsTag).Select(p => Stretch.Whole(p))
            : trace.Calls.Select(c => c.Stretch);
        var byPart = calls.Concat(tags).Where(s => s.Pattern.Part.Lines.Count > 0).ToLookup(s => s.Pattern.Part.Name);
        foreach (var part in trace.Parts)
        {
            var time = 0;
            foreach (var same in byPart[part.Part.Name].GroupBy(s => s.Pattern))
            {
                yield return (same.Key, ++time, [.. same]);
            }
        }
    }

    private static Difficulty DifficultyOf(
        List<TracedAction> actions,
        DanceLine line,
        ClassKnowledge knowledge,
        double bpm,
        List<WordedLayer> layers,
        TracedAction? next,
        int troubles)
    {
        var terms = Difficulty.Measure(actions, line.Counts, bpm, next).Terms.ToList();
        var steps = actions.DistinctBy(a => a.Action.Step).Select(a => (a.Action.Name, How: knowledge.Of(a))).ToList();
        void Add(int number, double each, string what)
        {
            if (number > 0)
            {
                terms.Add(new DifficultyTerm($"{number} {what}", number * each));
            }
        }

        string Named(Familiarity how) => string.Join(", ", steps.Where(s => s.How == how).Select(s => s.Name).Distinct());
        Add(
            steps.Count(s => s.How == Familiarity.New),
            ClassKnowledge.PointsOf(Familiarity.New),
            BlockTexts.NewToThem(Named(Familiarity.New)));
        Add(
            steps.Count(s => s.How == Familiarity.Nearly),
            ClassKnowledge.PointsOf(Familiarity.Nearly),
            BlockTexts.KnownOtherwise(Named(Familiarity.Nearly)));
        Add(
            steps.Count(s => s.How == Familiarity.Seen),
            ClassKnowledge.PointsOf(Familiarity.Seen),
            BlockTexts.SeenNotClean(Named(Familiarity.Seen)));
        Add(layers.Count, Layer, layers.Count == 1 ? BlockTexts.LayerOnTheFeet : BlockTexts.LayersOnTheFeet);
        Add(troubles, Trouble, troubles == 1 ? BlockTexts.DeclaredTroubleSpot : BlockTexts.DeclaredTroubleSpots);
        return new Difficulty(terms);
    }

    /// <summary>The line's name, else its steps, each run of the same once: "vine R, vine L", "march × 8".</summary>
    private static string NameOf(DanceLine line, List<TracedAction> actions)
    {
        if (line.Name.Length > 0)
        {
            return line.Name;
        }

        var calls = actions.GroupBy(a => a.Action.Call).Select(c => StepWording.Word([.. c])).ToList();
        if (calls.Count == 0)
        {
            return BlockTexts.CountsOfYourOwn(line.Counts);
        }

        string Joined(Func<StepWording, string> word)
        {
            var names = new List<(string Word, int Times)>();
            foreach (var next in calls.Select(word))
            {
                if (names.Count > 0 && names[^1].Word == next)
                {
                    names[^1] = (next, names[^1].Times + 1);
                }
                else
                {
                    names.Add((next, 1));
                }
            }

            return string.Join(", ", names.Select(n => n.Times > 1 ? $"{n.Word} × {n.Times}" : n.Word));
        }

        var whole = Joined(c => c.Turn.Length > 0 ? c.Called : c.ToString());
        var plain = whole.Length <= LongestName ? whole : Joined(c => c.Name);
        return plain.Length <= LongestName ? plain
            : plain.LastIndexOf(", ", LongestName, StringComparison.Ordinal) is > 0 and var cut ? $"{plain[..cut]} …"
            : plain;
    }
}
