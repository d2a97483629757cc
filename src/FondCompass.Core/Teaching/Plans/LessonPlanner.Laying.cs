using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Plans;

/// <summary>The order and the lengths of the blocks, with what was changed by hand.</summary>
public sealed partial class LessonPlanner
{
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
                    NoticeCode.OwnBlock,
                    PlanTexts.DrillsWhatIsNotTaught(own.Title, own.Bite),
                    PlanTexts.TakeItOutOrAgain));
            }

            var block = new LessonBlock
            {
                Id = own.Id,
                Kind = bite is null ? BlockKind.Talk : BlockKind.Drill,
                Title = own.Title,
                Dance = bite is null ? null : own.Dance,
                IsOwn = true,
                Why = PlanTexts.YouAddedThis
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
                NoticeCode.NoBlockToSettle,
                PlanTexts.SettledNoSuchBlock(block),
                PlanTexts.WaitsOrTakeAway));
        }

        met.UnionWith(_known.InTurn.Select(d => KnownDances.IdOf(d.Index)));
        foreach (var block in changes.Removed.Concat(changes.Split).Distinct().Where(b => !met.Contains(b)))
        {
            _notes.Add(new(NoticeCode.NoBlockToChange, PlanTexts.ChangedNoSuchBlock(block), PlanTexts.WaitsUntilThere));
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
                    NoticeCode.NoBlocksToMove,
                    move.After.Length == 0 ? PlanTexts.PutFirstNotThere(move.Block) : PlanTexts.PutAfterNotBoth(move.Block, move.After),
                    PlanTexts.WaitUntilBothThere));
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
                    Title = PlanTexts.QuestionsOnceMore,
                    Seconds = left,
                    Why = PlanTexts.NoFurtherRepeat
                });
        }
        else if (left > 0)
        {
            // A set has its own dances in their places; elsewhere those they know would have come.
            var (isSet, hasKnown) = (_brief.Kind == LessonKind.Party, _known.InTurn.Any());
            var why = _next is { } next
                ? PlanTexts.NextTakes(next.Title, LessonWords.Clock(next.Seconds))
                : PlanTexts.AllRepeatsOfUse;
            _notes.Add(new(
                NoticeCode.FreeMinutes,
                PlanTexts.MinutesFree(
                    LessonWords.Clock(left),
                    left < 2 * MostTalk ? 1 : 2,
                    why,
                    hasKnown && !isSet ? PlanTexts.NoFurtherKnownDance : Sentence.None),
                isSet ? PlanTexts.AnotherDanceIntoSet
                : hasKnown ? PlanTexts.EndEarly
                : PlanTexts.NameKnownDances));
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
