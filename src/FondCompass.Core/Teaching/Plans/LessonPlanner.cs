using FondCompass.Core.Findings;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Plans;

/// <summary>
/// Fits what is to be taught to the minutes there are (rules, section 7). The least comes first; then repeats, one at a time, in an order
/// that no number of minutes changes, so that more minutes never teach less; what is left goes to what is not danced.
/// </summary>
public sealed partial class LessonPlanner
{
    /// <summary>Repeats that a pin can ask for at the most.</summary>
    public const int MostPinnedRepeats = 99;

    /// <summary>Bites of one dance that are planned at the most; the chain of all so far grows with each.</summary>
    public const int MostBites = 240;

    /// <summary>Need under which one more repeat is no use to anybody.</summary>
    private const double NoUse = 0.01;

    /// <summary>Seconds left over that are a block for questions; more is told as free.</summary>
    private const double MostTalk = 60;

    private readonly LessonBrief _brief;
    private readonly IReadOnlyList<IReadOnlyList<Bite>> _bites;
    private readonly KnownDances _known;
    private readonly List<SafetyNotice> _notes = [];
    private readonly List<BlockDraft> _drafts = [];
    private CancellationToken _cancel;

    /// <summary>The gift that did not fit any more, and its seconds; null where each has its most.</summary>
    private (string Title, double Seconds)? _next;

    private LessonPlanner(LessonBrief brief, IReadOnlyList<IReadOnlyList<Bite>> bites)
    {
        _brief = brief;
        _bites = bites;
        _known = new KnownDances(brief);
    }

    /// <param name="lexicon">The steps known, for what is said; the shipped ones when left out.</param>
    /// <param name="cancel">Ends it where nobody waits any more.</param>
    public static LessonPlan Plan(LessonBrief brief, StepLexicon? lexicon = null, CancellationToken cancel = default)
    {
        var (plan, bites) = Laid(brief, lexicon, cancel);
        return plan.Over > 0 ? plan with { Gives = WaysOut.Find(brief, bites, plan, cancel) } : plan;
    }

    /// <summary>A lesson without ways out, for who has one of his own; with the bites it was laid from.</summary>
    internal static (LessonPlan Plan, IReadOnlyList<IReadOnlyList<Bite>> Bites) Laid(
        LessonBrief brief,
        StepLexicon? lexicon,
        CancellationToken cancel)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(brief.Minutes);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(brief.Minutes, LessonBrief.Longest);
        var bites = BitesOf(brief, cancel);
        return (new LessonPlanner(brief, bites) { _cancel = cancel }.Plan(new BiteCues(lexicon ?? StepLexicon.Shipped)), bites);
    }

    /// <summary>The bites of each dance of a lesson; none of a known one.</summary>
    internal static IReadOnlyList<IReadOnlyList<Bite>> BitesOf(LessonBrief brief, CancellationToken cancel)
    {
        // What the group knows already is no news in what is taught.
        var taught = new TaughtBefore();
        foreach (var known in brief.Familiar.Concat(brief.Dances.Where(d => d.IsKnown)))
        {
            cancel.ThrowIfCancellationRequested();
            taught.Learn(Taught(known, known.Until, Bites.Cut(known.Analysis, brief.Class, known.Tempo, known.Cuts)));
        }

        var bites = new List<IReadOnlyList<Bite>>();
        foreach (var dance in brief.Dances)
        {
            cancel.ThrowIfCancellationRequested();
            bites.Add(dance.IsKnown
                ? []
                : Bites.Cut(dance.Analysis, brief.Class, dance.Tempo, dance.Cuts, dance.Logged, new TaughtBefore(taught)));
            taught.Learn(Taught(dance, dance.Until ?? brief.Way.Until, bites[^1]));
        }

        return bites;
    }

    /// <summary>A lesson whose bites are found already, and nothing of it said.</summary>
    /// <param name="bites">The bites of each dance; nobody looks at those of a known one.</param>
    internal static LessonPlan Plan(LessonBrief brief, IReadOnlyList<IReadOnlyList<Bite>> bites) =>
        new LessonPlanner(brief, bites).Plan((BiteCues?)null);

    /// <summary>
    /// Seconds that it takes to walk, dance and join a dance in this way with this class: the time first spent on it, where nobody wrote it
    /// down.
    /// </summary>
    /// <param name="kind">The kind of lesson it was taught in.</param>
    public static double TeachingSeconds(LessonDance dance, TeachingWay way, ClassKnowledge knowledge, GroupPace group, LessonKind kind)
    {
        var brief = new LessonBrief(LessonBrief.Longest, [dance with { IsKnown = false }], way, knowledge) { Group = group, Kind = kind };
        var planner = new LessonPlanner(brief, [Bites.Cut(dance.Analysis, knowledge, dance.Tempo, dance.Cuts)]);
        _ = planner.Least(null);
        return TeachingIn(planner._drafts.SelectMany(d => d.Blocks), way);
    }

    /// <summary>
    /// Seconds in which something is learned, not danced for its own sake; where nothing is walked that is the whole at its rungs.
    /// </summary>
    internal static double TeachingIn(IEnumerable<LessonBlock> blocks, TeachingWay way) =>
        blocks.Where(b =>
            b.Kind is BlockKind.Walk or BlockKind.Dance or BlockKind.Chain or BlockKind.Map or BlockKind.Layer or BlockKind.Drill
        || (b.Kind == BlockKind.Whole && way.Order == TeachingOrder.FollowAlong)).Sum(b => b.Seconds);

    /// <summary>Seconds with the least repeats.</summary>
    internal static double LeastOf(LessonBrief brief, IReadOnlyList<IReadOnlyList<Bite>> bites) =>
        new LessonPlanner(brief, bites).Least(null).Seconds;

    private double Lesson => _brief.Minutes * 60;

    private LessonPlan Plan(BiteCues? cues)
    {
        var (taught, least) = Least(cues);
        least = PutOff(least);
        Spread();
        var placed = Named(Placed(Moved(Fill())));
        var blocks = cues is null || _brief.Way.Cues != CueSchool.Fading
            ? placed
            : cues.Faded(placed, d => _brief.Dances[d].Analysis.Trace);
        return new LessonPlan
        {
            LessonSeconds = Lesson,
            LeastSeconds = least,
            Blocks = blocks,
            Bites = taught,
            TakenOut = [.. _drafts.SelectMany(d => d.TakenOut), .. _known.TakenOut],
            Gives = [],
            Cautions = [.. _notes, .. SafetyNotices.Find(_brief, taught, blocks)],
        };
    }

    /// <summary>All blocks with the least they need.</summary>
    private (List<IReadOnlyList<Bite>> Taught, double Seconds) Least(BiteCues? cues)
    {
        var taught = new List<IReadOnlyList<Bite>>();
        for (var i = 0; i < _brief.Dances.Count; i++)
        {
            taught.Add(_brief.Dances[i].IsKnown ? [] : Teach(i, cues));
            _drafts.AddRange(_brief.Kind == LessonKind.Party ? _known.Set(i) : []);
        }

        _drafts.AddRange(_known.Pinned);
        _drafts.InsertRange(0, _known.Recaps);
        AddOwn(taught);
        var pins = _brief.Changes.Pins.GroupBy(p => p.Block).ToDictionary(g => g.Key, g => g.Last());
        Lay(_drafts, pins);
        Lay(Frame(), pins);
        CheckChanges();
        return (taught, Math.Round(_drafts.Sum(d => d.Seconds(d.Repeats)), 3));
    }

    /// <summary>The bites of a dance that are taught: up to its first error, and as many as the way says.</summary>
    private IReadOnlyList<Bite> Teach(int index, BiteCues? cues)
    {
        _cancel.ThrowIfCancellationRequested();
        var dance = _brief.Dances[index];
        var all = _bites[index];
        var taught = Sound(dance, all);
        var broken = all.Except(taught).Where(b => IsTag(b) && taught.Any(t => !IsTag(t))).Select(b => b.Part).Distinct().ToList();
        var isAll = taught.Count(b => !IsTag(b)) == all.Count(b => !IsTag(b));
        if (dance.Analysis.Findings.Where(f => f.Severity == Severity.Error).ToList() is { Count: > 0 } errors)
        {
            var firstLeft = all.FirstOrDefault(b => !taught.Contains(b) && !IsTag(b)) ?? all.FirstOrDefault(b => !taught.Contains(b));
            _notes.Add(new(
                NoticeCode.DanceHasErrors,
                broken.Count > 0 && isAll ? PlanTexts.PlannedWithout(dance.Title, string.Join(", ", broken), errors[0].Message)
                : taught.Count == all.Count ? PlanTexts.HasErrors(dance.Title, errors.Count, errors[0].Message)
                : PlanTexts.PlannedUpTo(dance.Title, errors.Count, LessonWords.Say(firstLeft!), errors[0].Message),
                PlanTexts.MendUnderWrite));
        }

        if (all.Count == 0)
        {
            _notes.Add(new(
                NoticeCode.NothingToTeach,
                PlanTexts.NothingToTeach(dance.Title),
                PlanTexts.WriteItsSteps));
        }

        if (taught.Count > MostBites)
        {
            taught = [.. taught.Take(MostBites)];
            _notes.Add(new(
                NoticeCode.TooManyBites,
                PlanTexts.TooManyBites(dance.Title, all.Count, MostBites),
                PlanTexts.TeachTheRest));
        }

        var isWhole = isAll || taught.Count == all.Count;
        if ((dance.Until ?? _brief.Way.Until) is { } until && until < taught.Count)
        {
            taught = [.. taught.Take(Math.Max(1, until))];
            isWhole = false;
        }

        _drafts.AddRange(new DanceBlocks(_brief, index, taught, isWhole, cues).Drafts());
        return taught;
    }

    /// <summary>The bites of a dance that a class learns: before its first error, and as far as it is taught.</summary>
    private static IEnumerable<Bite> Taught(LessonDance dance, int? until, IReadOnlyList<Bite> all) =>
        Sound(dance, all).Take(until ?? int.MaxValue);

    private static bool IsTag(Bite bite) => bite.Pattern.Part.IsTag;

    /// <summary>The bites of a dance before the first that has an error; of a tag, which comes on top, only the tag is left out.</summary>
    internal static IReadOnlyList<Bite> Sound(LessonDance dance, IReadOnlyList<Bite> all)
    {
        var wrong = dance.Analysis.Findings.Where(f => f.Severity == Severity.Error).Select(f => (f.Place.Part, f.Place.Line)).ToHashSet();
        if (wrong.Count == 0)
        {
            return all;
        }

        bool IsWrong(Bite bite) => bite.Lines.Any(l => wrong.Contains((bite.Part, l)));
        var tags = all.Where(b => IsTag(b) && IsWrong(b)).Select(b => b.Part).ToHashSet();
        var first = all.ToList().FindIndex(b => !IsTag(b) && IsWrong(b));
        return [.. (first < 0 ? all : all.Take(first)).Where(b => !IsTag(b) || !tags.Contains(b.Part))];
    }



    /// <summary>What is due and does not fit is put off, what is kept best first.</summary>
    private double PutOff(double least)
    {
        var recaps = _drafts.Where(d => d.Outline.FirstOrDefault() is { Kind: BlockKind.Recap, IsPinned: false } b
            && b.Id.StartsWith("recap:", StringComparison.Ordinal)
            && _brief.Changes.PinOf(b.Id) is null)
            .ToList();
        var put = new List<string>();
        for (var i = recaps.Count - 1; i >= 0 && least > Lesson; i--)
        {
            least = Math.Round(least - recaps[i].Seconds(0), 3);
            put.Insert(0, _brief.Dances[recaps[i].Outline.First().Dance!.Value].Title);
            _drafts.Remove(recaps[i]);
        }

        if (put.Count > 0)
        {
            _notes.Add(new(
                NoticeCode.DueWithoutRoom,
                PlanTexts.DueWithoutRoom(string.Join(", ", put)),
                PlanTexts.GiveMoreMinutes));
        }

        return least;
    }
}
