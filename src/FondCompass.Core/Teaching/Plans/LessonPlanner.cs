using FondCompass.Core.Findings;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;

namespace FondCompass.Core.Teaching.Plans;

/// <summary>
/// Fits what is to be taught to the minutes there are (rules, section 7). The least comes first; then repeats, one at a time, in an order
/// that no number of minutes changes, so that more minutes never teach less; what is left goes to what is not danced.
/// </summary>
public sealed class LessonPlanner
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
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(brief.Minutes);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(brief.Minutes, LessonBrief.Longest);
        var steps = lexicon ?? StepLexicon.Shipped;
        var bites = BitesOf(brief, cancel);
        var plan = new LessonPlanner(brief, bites) { _cancel = cancel }.Plan(new BiteCues(steps));
        return plan.Over > 0 ? plan with { Gives = WaysOut.Find(brief, bites, plan, cancel) } : plan;
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
                "ERROR01",
                broken.Count > 0 && isAll ? $"{dance.Title} is planned without {string.Join(", ", broken)}, where: {errors[0].Message}"
                : taught.Count == all.Count ? $"{dance.Title} has {Number(errors.Count, "error")}: {errors[0].Message}"
                : $"{dance.Title} has {Number(errors.Count, "error")}; it is planned up to {LessonWords.Say(firstLeft!)}, "
                    + $"where: {errors[0].Message}",
                "Mend it under Write; the plan follows.")
            { IsOfThePlan = true });
        }

        if (all.Count == 0)
        {
            _notes.Add(new(
                "EMPTY01",
                $"{dance.Title} has no steps yet, so there is nothing to teach of it.",
                "Write its steps first; the plan follows.")
            {
                IsOfThePlan = true
            });
        }

        if (taught.Count > MostBites)
        {
            taught = [.. taught.Take(MostBites)];
            _notes.Add(new(
                "LONG01",
                $"{dance.Title} has {all.Count} bites; the first {MostBites} are planned.",
                "Teach the rest as a dance of its own.")
            {
                IsOfThePlan = true
            });
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

    private static string Number(int count, string what) => count == 1 ? $"one {what}" : $"{count} {what}s";

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
                "DUE01",
                $"Due, and without room in this lesson: {string.Join(", ", put)}.",
                "Give the lesson more minutes, or bring them back next time.")
            {
                IsOfThePlan = true
            });
        }

        return least;
    }

    /// <summary>The instructor's own blocks; where none is moved they stand before the cool-down.</summary>
    private void AddOwn(List<IReadOnlyList<Bite>> taught)
    {
        foreach (var own in _brief.Changes.Added.Take(BlockChanges.Most))
        {
            var bite = own is { Dance: { } dance, Bite: { } key } && dance >= 0 && dance < taught.Count
                ? taught[dance].FirstOrDefault(b => b.Key == key)
                : null;
            if (own.Bite is not null && bite is null)
            {
                _notes.Add(new(
                    "OWN01",
                    $"Your block '{own.Title}' drills {own.Bite}, which is not taught in this lesson; its minutes stand.",
                    "Take it out, or add it again for another bite.")
                {
                    IsOfThePlan = true
                });
            }

            var block = new LessonBlock
            {
                Id = own.Id,
                Kind = bite is null ? BlockKind.Talk : BlockKind.Drill,
                Title = own.Title,
                Dance = bite is null ? null : own.Dance,
                IsOwn = true,
                Why = "You added it."
            };
            _drafts.Add(bite is null
                ? SingleDraft.Fixed(block, own.Seconds)
                : new DanceBlocks(_brief, own.Dance!.Value, taught[own.Dance.Value], false, null).Drill(block, bite, own.Seconds));
        }
    }

    /// <summary>Warm-up and cool-down, laid round what is between them.</summary>
    private List<BlockDraft> Frame()
    {
        var (warm, cool) = LessonFrame.Build(_brief, _drafts.SelectMany(d => d.Outline).Select(b => b.Effort).DefaultIfEmpty(0).Max());
        _drafts.InsertRange(0, warm);
        _drafts.AddRange(cool);
        return [.. warm, .. cool];
    }

    private void Lay(List<BlockDraft> drafts, Dictionary<string, BlockPin> pins)
    {
        foreach (var draft in _brief.Changes == BlockChanges.None ? [] : drafts)
        {
            draft.Lay(_brief.Changes, pins);
        }
    }

    /// <summary>What was changed by hand and is not there any more is said; it waits.</summary>
    private void CheckChanges()
    {
        var changes = _brief.Changes;
        if (changes == BlockChanges.None)
        {
            return;
        }

        var met = _drafts.SelectMany(d => d.Offered).Select(b => b.Id).ToHashSet();
        foreach (var block in changes.Pins.Select(p => p.Block).Distinct().Where(b => !met.Contains(b)))
        {
            _notes.Add(new(
                "PIN01",
                $"You settled '{block}', and this plan has no such block to settle.",
                "It waits until the block is there again; or take it away.")
            {
                IsOfThePlan = true
            });
        }

        met.UnionWith(_known.InTurn.Select(d => KnownDances.IdOf(d.Index)));
        foreach (var block in changes.Removed.Concat(changes.Split).Distinct().Where(b => !met.Contains(b)))
        {
            _notes.Add(new("GONE01", $"You changed '{block}', and this plan has no such block.", "It waits until the block is there again.")
            {
                IsOfThePlan = true
            });
        }
    }

    /// <summary>Blocks put elsewhere by hand, in the order in which they were put there.</summary>
    private List<LessonBlock> Moved(List<LessonBlock> blocks)
    {
        foreach (var move in _brief.Changes.Moves.Take(BlockChanges.Most))
        {
            var from = blocks.FindIndex(b => b.Id == move.Block);
            var after = move.After.Length == 0 ? -1 : blocks.FindIndex(b => b.Id == move.After);
            if (from < 0 || (after < 0 && move.After.Length > 0))
            {
                _notes.Add(new(
                    "MOVE01",
                    $"You put '{move.Block}' {(move.After.Length == 0 ? "first" : $"after '{move.After}'")}, and this plan has not both.",
                    "It waits until they are there again.")
                {
                    IsOfThePlan = true
                });
                continue;
            }

            if (from == after)
            {
                continue;
            }

            var block = blocks[from];
            blocks.RemoveAt(from);
            blocks.Insert((after > from ? after - 1 : after) + 1, block);
        }

        return blocks;
    }

    /// <summary>One repeat at a time to the block with the greatest need, until the next does not fit or is no use.</summary>
    private void Spread()
    {
        var left = Lesson - _drafts.Sum(d => d.Seconds(d.Repeats));
        var queue = new PriorityQueue<BlockDraft, (int, double, int)>();
        for (var i = 0; i < _drafts.Count; i++)
        {
            Offer(_drafts[i], i);
        }

        while (queue.TryDequeue(out var draft, out var at))
        {
            _cancel.ThrowIfCancellationRequested();
            var more = draft.Seconds(draft.Next) - draft.Seconds(draft.Repeats);
            if (more > left + 1e-9)
            {
                _next = (draft.Offered.First().Title, more);
                return;
            }

            left -= more;
            draft.Repeats = draft.Next;
            Offer(draft, at.Item3);
        }

        void Offer(BlockDraft draft, int at)
        {
            if (draft.Repeats < draft.Most && !draft.IsSettled && (draft.Need >= NoUse || draft.IsWaiting))
            {
                queue.Enqueue(draft, (draft.IsWaiting ? 0 : 1, -draft.Need, at));
            }
        }
    }

    /// <summary>
    /// What repeats cannot use: to known dances by name, those due first; up to a minute to questions; more is told as free.
    /// </summary>
    private List<LessonBlock> Fill()
    {
        var blocks = _drafts.SelectMany(d => d.Blocks).ToList();
        var left = Math.Round(Lesson - blocks.Sum(b => b.Seconds), 3);
        if (left <= 0)
        {
            return blocks;
        }

        var end = blocks.Count > 0 && blocks[^1].Kind == BlockKind.CoolDown ? blocks.Count - 1 : blocks.Count;
        var known = _brief.Kind == LessonKind.Party ? [] : _known.Filling(left);
        blocks.InsertRange(end, known);
        left = Math.Round(left - known.Sum(b => b.Seconds), 3);
        if (left is > 0 and <= MostTalk)
        {
            blocks.Insert(
                end + known.Count,
                new LessonBlock
                {
                    Id = "talk",
                    IsRest = true,
                    Kind = BlockKind.Talk,
                    Title = "Questions, and what they ask for once more",
                    Seconds = left,
                    Why = "No further repeat fits into what is left."
                });
        }
        else if (left > 0)
        {
            // A set has its own dances in their places; elsewhere those they know would have come.
            var (isSet, hasKnown) = (_brief.Kind == LessonKind.Party, _known.InTurn.Any());
            var why = _next is { } next
                ? $"what comes next, '{next.Title}' once more, takes {LessonWords.Clock(next.Seconds)}"
                : "every block has as many repeats as are of use";
            _notes.Add(new(
                "FREE01",
                $"{LessonWords.Clock(left)} of the lesson {(left < 2 * MostTalk ? "is" : "are")} free: "
                    + $"{why}{(hasKnown && !isSet ? ", and no further dance that they know fits in whole" : "")}.",
                isSet ? "Put another dance into the set, or give it fewer minutes."
                : hasKnown ? "End early, add a block of your own, or give the lesson fewer minutes."
                : "Name the dances this group knows, add a block of your own, or give the lesson fewer minutes.")
            { IsOfThePlan = true });
        }

        return blocks;
    }

    /// <summary>Where several dances are taught, each block bears the title of its own.</summary>
    private List<LessonBlock> Named(List<LessonBlock> blocks) =>
        _brief.Dances.Count(d => !d.IsKnown) < 2 && _brief.Kind != LessonKind.Party ? blocks
        : blocks.ConvertAll(b => b is { Dance: { } dance, Kind: not (BlockKind.Known or BlockKind.Recap) } || b.Id == "recap"
            ? b with { DanceTitle = _brief.Dances[b.Dance!.Value].Title }
            : b);

    private static List<LessonBlock> Placed(List<LessonBlock> blocks)
    {
        var from = 0.0;
        var placed = new List<LessonBlock>(blocks.Count);
        foreach (var block in blocks)
        {
            placed.Add(block with { From = from });
            from = Math.Round(from + block.Seconds, 3);
        }

        return placed;
    }
}
