using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Blocks;

/// <summary>What is taught bite by bite: walked, danced, joined to what came before.</summary>
internal sealed partial class DanceBlocks
{
    private void AddTaught()
    {
        var needsMap = IsPhrased && _isWhole && Rules.MapsLongOrders && WholeCounts > LongOrder;
        var moves = TeachingMoves.InOrder(Way.Order, _units, needsMap, _before);
        var fresh = _units.Count - _before;
        var middle = _before + (Way.Order == TeachingOrder.LastPartFirst ? (fresh / 2) - 1 : (fresh + 1) / 2);
        var half = Rules.HasWater && fresh > 2 ? moves.FindIndex(m => m.Kind == MoveKind.Walk && m.From == middle) : -1;
        var chains = moves.Count(m => m.Kind == MoveKind.Chain);
        var last = moves.FindLastIndex(m => m.Kind == MoveKind.Chain);
        Rate? reached = Way.Order is TeachingOrder.MoveByMove or TeachingOrder.Pool or TeachingOrder.FollowAlong ? null : FirstRate;
        var chained = 0;
        for (var i = 0; i < moves.Count; i++)
        {
            if (i == half)
            {
                AddFixed(BlockKind.Water, "water", BlockTexts.WaterAndQuestions, WaterSeconds, BlockTexts.HalfIsKnown);
            }

            var move = moves[i];
            switch (move.Kind)
            {
                case MoveKind.Walk:
                    AddWalk(_units[move.From]);
                    break;
                case MoveKind.Dance:
                    AddDance(_units[move.From]);
                    break;
                case MoveKind.Recall:
                    AddRecall(move);
                    break;
                case MoveKind.Chain:
                    reached = RungOf(chained++, chains);
                    AddChain(
                        move,
                        reached.Value,
                        isWhole: i == last
                            && move.From == 0
                            && move.To == _units.Count - 1
                            && (IsPhrased || _bites.Sum(b => b.Counts) == WholeCounts));
                    break;
                case MoveKind.Map:
                    AddMap();
                    break;
                case MoveKind.PartDone when LayersApart:
                    AddLayers(_units[move.From].Part);
                    break;
            }
        }

        AddWhole(reached);
    }

    /// <summary>Hips, arms and head come on top of each move by itself, a level each.</summary>
    private bool InLevels => Rules.Kind == LessonKind.Circle && Way.Order == TeachingOrder.Pool;

    /// <summary>Hips, arms and head come on top of the feet once these are whole.</summary>
    private bool LayersApart =>
        Way is { Layers: LayerSchool.FeetFirst, Order: not (TeachingOrder.MoveByMove or TeachingOrder.Pool or TeachingOrder.FollowAlong) };

    private void AddWalk(TaughtUnit unit)
    {
        var bite = unit.First;
        if (bite.Relation == BiteRelation.Same)
        {
            return;
        }

        if (Rules.Shown == Shown.EachMove && Way.Demonstration)
        {
            AddDanced(
                BlockKind.Show,
                $"show:{bite.Key}",
                BlockTexts.Show(LessonWords.Say(bite)),
                [bite],
                bite.Counts,
                FirstRate,
                1,
                most: 1,
                worth: 0);
        }

        var share = bite.Relation == BiteRelation.OtherSide ? OtherSideShare : 1;
        var (walking, talking) = TeachingTime.Walked(_brief.Pace, bite.Novelties, bite.Difficulty.Points);
        var seconds = share * (walking + talking);
        if (_cues is null)
        {
            AddFixed(BlockKind.Walk, $"walk:{bite.Key}", "", seconds, "");
            return;
        }

        AddFixed(
            BlockKind.Walk,
            $"walk:{bite.Key}",
            WalkOf(bite),
            seconds,
            ReckonedWalk(bite, share < 1),
            b => b with
            {
                Part = bite.Part,
                Lines = [.. bite.Lines],
                Bites = [bite],
                Counts = bite.Counts,
                Usual = TeachingTime.Walked(_brief.UsualPace, bite.Novelties, bite.Difficulty.Points) is var usual
                ? (share * usual.Walking, share * usual.Talking)
                : default,
                Say = _cues.Sentences(bite, Trace),
                FeetOnly = FeetOnly([bite]),
                Watch = WatchOf([bite]),
            });
    }

    private static Sentence WalkOf(Bite bite) => bite.Relation switch
    {
        BiteRelation.OtherSide => BlockTexts.WalkOtherSide(LessonWords.Say(bite), LikeOf(bite)),
        BiteRelation.OtherEnding => BlockTexts.WalkOtherEnding(LessonWords.Say(bite), LikeOf(bite)),
        _ => BlockTexts.Walk(LessonWords.Say(bite)),
    };

    private Sentence ReckonedWalk(Bite bite, bool isOtherSide)
    {
        var novelty = bite.Novelties.DefaultIfEmpty(1).Average();
        var reckoned = BlockTexts.WalkReckoned(
            bite.Novelties.Count,
            _brief.Pace.SecondsPerAction,
            novelty,
            1 + (bite.Difficulty.Points / 10),
            bite.Difficulty.Points,
            _brief.Pace.TalkPerBite,
            Math.Max(0.5, novelty),
            isOtherSide ? BlockTexts.OtherSideCosts : Sentence.None);
        return bite.Difficulty.Terms.MaxBy(t => t.Points) is { } hardest ? BlockTexts.WithHardest(reckoned, hardest.Why) : reckoned;
    }

    /// <summary>The bite that another is like, with the dance it is of where that is another.</summary>
    private static string LikeOf(Bite bite) =>
        bite.SameAs is not { } like ? ""
            : like.DanceTitle == bite.DanceTitle || like.DanceTitle.Length == 0 ? LessonWords.Say(like)
            : BlockTexts.OfDance(LessonWords.Say(like), like.DanceTitle);

    private void AddDance(TaughtUnit unit)
    {
        var bite = unit.First;
        var isSame = bite.Relation == BiteRelation.Same;
        var times = unit.Bites.Count > 1 && _cues is not null ? BlockTexts.TimesInARow(unit.Bites.Count) : Sentence.None;
        var title = _cues is null ? ""
            : isSame ? BlockTexts.RecallTheSame(LessonWords.Say(bite), LikeOf(bite), times)
            : BlockTexts.DanceIt(LessonWords.Say(bite), times);
        var most = bite.Novelties.All(n => n <= ClassKnowledge.Novelty(Familiarity.Known)) ? MostOfKnown : MostOfBite;
        // Moves one by one are danced at full tempo too; both together have the most of a bite.
        var atFull = !isSame && Way.Order is TeachingOrder.MoveByMove or TeachingOrder.Pool && FirstRate.Percent < 100
            ? Rules.AlsoAtFull
            : 0;
        AddDanced(
            BlockKind.Dance,
            $"dance:{bite.Key}",
            title,
            [bite],
            bite.Counts,
            FirstRate,
            isSame ? 1 : Rules.BiteRepeats,
            worth: WorthOf([bite]),
            most: most - atFull);
        if (atFull > 0)
        {
            AddDanced(
                BlockKind.Dance,
                $"dance:{bite.Key}:100",
                BlockTexts.AtFullTempo(title),
                [bite],
                bite.Counts,
                Rate.Full,
                atFull,
                worth: WorthOf([bite]),
                most: atFull);
        }

        if (!isSame && InLevels)
        {
            AddLevels(bite);
        }
    }

    private void AddChain(TeachingMove move, Rate rate, bool isWhole)
    {
        var bites = _units.Skip(move.From).Take(move.To - move.From + 1).SelectMany(u => u.Bites).ToList();
        var (first, last) = (bites[0], bites[^1]);
        var top = move.From == 0 && Way.Order != TeachingOrder.LastPartFirst ? BlockTexts.FromTheTop : BlockTexts.Join;
        var isOrder = isWhole && _isWhole && IsPhrased;
        AddDanced(
            BlockKind.Chain,
            first.Part == last.Part
                ? $"chain:{first.Key}-{last.LastLine}{(last.FromCount > 1 ? $".{last.FromCount}" : "")}"
                : $"chain:{first.Key}-{last.Key}",
            _cues is null ? "" : isOrder ? WholeWord : $"{top}{LessonWords.Say(bites, _bites)}",
            bites, isWhole ? WholeCounts : bites.Sum(b => b.Counts), rate, 1, worth: WorthOf(bites), most: MostOfChain);
    }

    /// <summary>What earlier lessons taught, danced as it is before anything new.</summary>
    private void AddRecall(TeachingMove move)
    {
        var bites = _units.Skip(move.From).Take(move.To - move.From + 1).SelectMany(u => u.Bites).ToList();
        AddDanced(
            BlockKind.Recap,
            "recap",
            BlockTexts.RecallFromBefore(LessonWords.Say(bites, _bites)),
            bites,
            bites.Sum(b => b.Counts),
            FirstRate,
            1,
            worth: WorthOf(bites),
            most: MostOfChain);
    }

    /// <summary>An own block that drills a bite: as often as fits into its seconds.</summary>
    public BlockDraft Drill(LessonBlock own, Bite bite, double seconds)
    {
        var block = Block(BlockKind.Drill, own.Id, own.Title, [bite], bite.Counts, FirstRate) with { Id = own.Id, IsOwn = true };
        var reckoning = Danced(block, [bite], 1);
        var times = 1;
        while (times < LessonPlanner.MostPinnedRepeats && reckoning.Seconds(times + 1) <= seconds)
        {
            times++;
        }

        return new SingleDraft(reckoning with { Why = n => BlockTexts.YouAddedIt(reckoning.Why(n)) })
        {
            Repeats = times,
            Least = times,
            Most = times
        };
    }

    private void AddMap() => AddFixed(
        BlockKind.Map, "map", BlockTexts.WalkTheOrder, _order.Count * MapCall,
        BlockTexts.OrderReckoned(
            _order.Count,
            MapCall,
            string.Join(", ", _order.Take(16).Select(c => PartWording.Name(c.Stretch))) + (_order.Count > 16 ? " …" : "")));

    /// <summary>No two hard runs without a minute between.</summary>
    private List<BlockDraft> Breathing()
    {
        var breathed = new List<BlockDraft>();
        foreach (var draft in _drafts)
        {
            if (breathed.Count > 0 && IsHard(breathed[^1]) && IsHard(draft))
            {
                breathed.Add(SingleDraft.Fixed(
                    new LessonBlock
                    {
                        Id = draft.Outline.First().Id + BlockChanges.Breath,
                        Kind = BlockKind.Water,
                        Title = BlockTexts.BreatheAndDrink,
                        Dance = _index,
                        Why = BlockTexts.TwoHardRuns(draft.Outline.First().Effort),
                    }, BreathSeconds));
            }

            breathed.Add(draft);
        }

        return breathed;
    }
}
