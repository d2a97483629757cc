using System.Globalization;
using FondCompass.Core.Calling;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;

namespace FondCompass.Core.Teaching.Blocks;

/// <summary>The blocks in which one dance is taught, their repeats not settled yet (rules, section 7).</summary>
internal sealed partial class DanceBlocks
{
    /// <summary>
    /// Repeats by fit at the most: of a bite, of one whose steps are all known, of a chain, of a rung, and songs (rules, section 7).
    /// </summary>
    private const int MostOfBite = 4, MostOfKnown = 8, MostOfChain = 3, MostOfRung = 2, MostSongs = 3;

    /// <summary>Repeats of a pattern without a song at the most.</summary>
    private const int MostRepeats = 8;

    /// <summary>Counts of an order, folded, over which it is also walked by names.</summary>
    private const int LongOrder = 128;

    /// <summary>The share of a new bite's walking time that its other side costs.</summary>
    private const double OtherSideShare = 0.4;

    /// <summary>Seconds to walk one call of an order by its name.</summary>
    private const double MapCall = 4;

    /// <summary>Seconds of a look back, of a drink in the middle, and between two hard runs.</summary>
    private const double LookBackSeconds = 60, WaterSeconds = 120, BreathSeconds = 60;

    /// <summary>Things to watch for in one block at the most; nobody looks after more.</summary>
    private const int MostWatched = 12;

    private readonly LessonBrief _brief;
    private readonly LessonDance _dance;
    private readonly int _index;
    private readonly string _prefix;
    private readonly IReadOnlyList<Bite> _bites;
    private readonly List<TaughtUnit> _units;
    private readonly bool _isWhole;

    /// <summary>Units that earlier lessons taught.</summary>
    private readonly int _before;
    private readonly int _countIn;

    /// <summary>What is danced once through, folded.</summary>
    private readonly IReadOnlyList<TracedCall> _order;
    private readonly BiteCues? _cues;
    private readonly List<BlockDraft> _drafts = [];

    /// <param name="index">Place of the dance in the lesson, from 0.</param>
    /// <param name="bites">What is taught of it.</param>
    /// <param name="isWhole">Those are all of it; else nothing is danced to its end.</param>
    /// <param name="cues">For what is said and watched; null where only the minutes are wanted.</param>
    public DanceBlocks(LessonBrief brief, int index, IReadOnlyList<Bite> bites, bool isWhole, BiteCues? cues)
    {
        _brief = brief;
        _index = index;
        _dance = brief.Dances[index];
        _prefix = index == 0 ? "" : string.Create(CultureInfo.InvariantCulture, $"{index + 1}.");
        _bites = bites;
        _units = TeachingMoves.Units(bites, _dance.From);
        _before = _units.Count - TeachingMoves.Units([.. bites.Skip(_dance.From)], 0).Count;
        // Where only tags are written there is nothing to go round.
        _isWhole = isWhole && _dance.Analysis.Trace.TotalCounts > 0;
        // The pool of a free order has no whole: its moves are danced as they are called.
        _order = Trace.Dance.IsPhrased && _isWhole ? OrderFold.Fold(Trace.Calls) : Trace.Calls;
        _countIn = brief.Way.CountIn ?? _dance.Analysis.Dance.Header.CountIn;
        _cues = cues;
    }

    private TeachingWay Way => _brief.Way;

    private KindRules Rules => _brief.Rules;

    private DanceTrace Trace => _dance.Analysis.Trace;

    private bool IsPhrased => Trace.Dance.IsPhrased;

    private bool IsFree => Trace.Dance.IsFree || Way.Order == TeachingOrder.Pool;

    /// <summary>The order is danced folded, so that the whole is not all that its trace goes through.</summary>
    private bool IsFolded => _isWhole && _order.Count < Trace.Calls.Count;

    /// <summary>
    /// Counts of what is danced once through: the pattern, the order once, folded; of an unfinished dance what is taught of it.
    /// </summary>
    private int WholeCounts => _isWhole ? _order.Sum(c => c.Stretch.Counts) : _bites.Sum(b => b.Counts);

    /// <summary>The rate at which a bite is danced first.</summary>
    private Rate FirstRate => Way.Ladder.Count > 0 ? Way.Ladder[0] : Rules.BiteRate;

    /// <summary>The rate of what is danced at tempo: the ladder's last rung, else full.</summary>
    private Rate LastRate => Way.Ladder.Count > 0 ? Way.Ladder[^1] : Rate.Full;

    public List<BlockDraft> Drafts()
    {
        if (_bites.Count == 0)
        {
            return [];
        }

        if (Way.Demonstration
            && Rules.Shown != Shown.EachMove
            && !(Way.Order == TeachingOrder.MoveByMove && Rules.Kind == LessonKind.Breakdown))
        {
            AddDanced(
                BlockKind.Show,
                "show",
                IsFree ? "Show the moves, one after the other" : "Show it whole, with counts",
                _bites,
                WholeCounts,
                Rules.Kind == LessonKind.Breakdown ? FirstRate : Rate.Full,
                1,
                most: 1,
                worth: 0);
        }

        if (Way.Order == TeachingOrder.LayerRounds)
        {
            AddRounds();
        }
        else
        {
            AddTaught();
        }

        if (_isWhole)
        {
            if (!IsFree)
            {
                AddWalls();
            }

            AddMusic();
        }

        return Rules.Breathes && Way.Order != TeachingOrder.FollowAlong ? Breathing() : _drafts;
    }

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
                AddFixed(BlockKind.Water, "water", "Water and questions", WaterSeconds, "Half of it is known: time to drink and to ask.");
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

    /// <summary>
    /// The whole at the rungs above the one it was joined at; moves one by one are put in a row only where no song is run.
    /// </summary>
    /// <param name="reached">The rung at which it was joined; null where it was not.</param>
    private void AddWhole(Rate? reached)
    {
        if (Way.Order == TeachingOrder.Pool)
        {
            AddDanced(
                BlockKind.Whole,
                "mixed",
                "Mixed: each move as you call it, in any order",
                _bites,
                _bites.Sum(b => b.Counts),
                Rate.Full,
                1,
                worth: WorthOf(_bites),
                most: MostOfRung,
                also: b => b with { IsWhole = false, Rule = CallRule.All, Say = [] });
            return;
        }

        if (Way.Order == TeachingOrder.MoveByMove)
        {
            if (!_isWhole || Way.RunIsGift || _dance.Song is null)
            {
                AddDanced(
                    BlockKind.Whole,
                    "whole:100",
                    "All moves in a row",
                    _bites,
                    WholeCounts,
                    Rate.Full,
                    1,
                    worth: WorthOf(_bites),
                    most: MostOfRung);
            }

            return;
        }

        var rungs = Way.Ladder.Count == 0
            ? reached is null || _units.Count == 1 ? [Rate.Full] : []
            : Way.Ladder.Where(r => reached is not { } joined || r.Percent > joined.Percent || Way.Ladder.Count == 1 && _units.Count == 1)
                .ToList();
        foreach (var rung in rungs)
        {
            var slowed = rung.Percent < 100 && Way.Music == MusicSchool.Late && rung == rungs.LastOrDefault(r => r.Percent < 100)
                ? ", to slowed music"
                : "";
            AddDanced(
                BlockKind.Whole,
                $"whole:{rung.Percent:0.##}",
                rung == Rate.Full ? $"{WholeWord}, at full tempo" : $"{WholeWord}, at {rung}{slowed}",
                _bites,
                WholeCounts,
                rung,
                1,
                worth: WorthOf(_bites),
                most: MostOfRung,
                also: rung == rungs[^1] ? Prepared : null);
        }
    }

    /// <summary>Where the track is faster than where it begins, the last block before the music says how that is prepared.</summary>
    private LessonBlock Prepared(LessonBlock block)
    {
        if (_cues is null || _dance.Song is not { } song)
        {
            return block;
        }

        var faster = song.Passages.Select((p, i) => (Passage: p, Top: Math.Max(p.Bpm, p.BpmEnd ?? p.Bpm), At: song.Passages.Take(i)
            .Sum(x => x.Counts)))
            .Where(p => p.Passage.Rest is null && p.Top > _dance.Tempo * SafetyNotices.SpeedsUp)
            .ToList();
        return faster.Count == 0 ? block : block with
        {
            Watch = [.. block.Watch, .. faster.DistinctBy(p => (p.Passage.Name, p.Top)).Take(3).Select(p => string.Create(
                CultureInfo.InvariantCulture,
                $"The track has {p.Top:0} a minute in {(p.Passage.Name.Length > 0 ? p.Passage.Name : "a passage")}, from its count "
                    + $"{p.At + 1}, and {_dance.Tempo:0} where you begin: dance it once at {p.Top / _dance.Tempo:0%} before the music, "
                        + $"or halve the steps there."))],
        };
    }

    private string WholeWord =>
        !_isWhole ? "All that is taught today"
            : IsPhrased ? IsFolded ? "The order once, what repeats at once left out" : "The order once through"
            : "The whole";

    /// <summary>Chains climb the ladder slowly, and never onto its last rung.</summary>
    private Rate RungOf(int chain, int chains) =>
        Way.Ladder.Count == 0 ? LastRate : Way.Ladder[Way.Ladder.Count == 1 ? 0 : chain * (Way.Ladder.Count - 1) / Math.Max(1, chains)];

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
                $"Show {LessonWords.Say(bite)}",
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

        var title = bite.Relation switch
        {
            BiteRelation.OtherSide => $"Walk {LessonWords.Say(bite)}: the other side of {LikeOf(bite)}",
            BiteRelation.OtherEnding => $"Walk the other ending: {LessonWords.Say(bite)}, as {LikeOf(bite)} but for its end",
            _ => $"Walk {LessonWords.Say(bite)}",
        };
        var novelty = bite.Novelties.DefaultIfEmpty(1).Average();
        var reckoned = string.Create(
            CultureInfo.InvariantCulture,
            $"{bite.Novelties.Count} {(bite.Novelties.Count == 1 ? "action" : "actions")} at {_brief.Pace.SecondsPerAction:0.##} s, "
                + $"{novelty:0%} new to them, {1 + (bite.Difficulty.Points / 10):0.00} times for difficulty "
                    + $"{bite.Difficulty.Points:0.0}; {_brief.Pace.TalkPerBite:0.#} s of talk, {Math.Max(0.5, novelty):0%} of "
                        + $"it{(share < 1 ? "; the other side costs 40 % of that" : "")}.");
        var hardest = bite.Difficulty.Terms.MaxBy(t => t.Points);
        AddFixed(
            BlockKind.Walk,
            $"walk:{bite.Key}",
            title,
            seconds,
            hardest is null ? reckoned : $"{reckoned} Hardest: {hardest.Why}.",
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

    /// <summary>The bite that another is like, with the dance it is of where that is another.</summary>
    private static string LikeOf(Bite bite) =>
        bite.SameAs is not { } like ? ""
            : like.DanceTitle == bite.DanceTitle || like.DanceTitle.Length == 0 ? LessonWords.Say(like)
            : $"{LessonWords.Say(like)} of {like.DanceTitle}";

    private void AddDance(TaughtUnit unit)
    {
        var bite = unit.First;
        var isSame = bite.Relation == BiteRelation.Same;
        var times = unit.Bites.Count > 1 && _cues is not null ? $", {unit.Bites.Count} times in a row in the dance" : "";
        var title = _cues is null ? ""
            : isSame ? $"Recall {LessonWords.Say(bite)}: the same as {LikeOf(bite)}{times}"
            : $"Dance {LessonWords.Say(bite)}{times}";
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
                $"{title}, at full tempo",
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
        var top = move.From == 0 && Way.Order != TeachingOrder.LastPartFirst ? "From the top, " : "Join ";
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
            $"Recall {LessonWords.Say(bites, _bites)}, from the lessons before",
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

        return new SingleDraft(reckoning with { Why = n => $"You added it. {reckoning.Why(n)}" })
        {
            Repeats = times,
            Least = times,
            Most = times
        };
    }

    private void AddMap() => AddFixed(
        BlockKind.Map, "map", "Walk the order by names, without steps", _order.Count * MapCall,
        string.Create(
            CultureInfo.InvariantCulture,
            $"{_order.Count} calls at {MapCall:0} s: "
                + $"{string.Join(", ", _order.Take(16).Select(c => PartWording.Name(c.Stretch)))}{(_order.Count > 16 ? " …" : "")}."));

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
                        Title = "Breathe and drink",
                        Dance = _index,
                        Why = string.Create(
                            CultureInfo.InvariantCulture,
                            $"Two hard runs would follow each other: {draft.Outline.First().Effort:0.0} of 5."),
                    }, BreathSeconds));
            }

            breathed.Add(draft);
        }

        return breathed;
    }

    private static bool IsHard(BlockDraft draft) => draft.Outline.Any(b => b.IsDanced && b.Effort >= TeachingTime.HardEffort);

    private static string Capital(string word) => char.ToUpperInvariant(word[0]) + word[1..];
}
