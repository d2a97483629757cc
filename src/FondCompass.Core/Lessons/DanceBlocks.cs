using System.Globalization;
using FondCompass.Core.Counts;
using FondCompass.Core.Told;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Lessons;

/// <summary>The blocks in which one dance is taught, their repeats not settled yet (rules, section 7).</summary>
internal sealed partial class DanceBlocks
{
    /// <summary>Nobody dances one block more often than this without a change.</summary>
    private const int MostRepeats = 8;

    /// <summary>Counts of an order from which on it is also walked by names.</summary>
    private const int LongOrder = 128;

    /// <summary>The share of a new bite's walking time that its other side costs.</summary>
    private const double OtherSideShare = 0.4;

    /// <summary>Seconds to walk one call of an order by its name, and to say what it is about.</summary>
    private const double MapCall = 4, MapTalk = 30;

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
        _countIn = brief.Way.CountIn ?? _dance.Analysis.Dance.Header.CountIn;
        _cues = cues;
    }

    private TeachingWay Way => _brief.Way;

    private DanceTrace Trace => _dance.Analysis.Trace;

    private bool IsPhrased => Trace.Dance.IsPhrased;

    /// <summary>Counts of what is danced once through: the pattern, the order once; of an unfinished dance what is taught of it.</summary>
    private int WholeCounts => _isWhole ? Trace.TotalCounts : _bites.Sum(b => b.Counts);

    public List<BlockDraft> Drafts()
    {
        if (_bites.Count == 0)
        {
            return [];
        }

        if (Way.Demonstration)
        {
            AddDanced(BlockKind.Show, "show", "Show it whole, with counts", _bites, WholeCounts, Rate.Full, 1, most: 1, worth: 0);
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
            AddWalls();
            AddMusic();
        }

        return Breathing();
    }

    private void AddTaught()
    {
        var needsMap = IsPhrased && _isWhole && Trace.TotalCounts > LongOrder;
        var moves = TeachingMoves.Of(Way.Order, _units, needsMap, _before);
        var fresh = _units.Count - _before;
        var middle = _before + (Way.Order == TeachingOrder.LastPartFirst ? (fresh / 2) - 1 : (fresh + 1) / 2);
        var half = fresh > 2 ? moves.FindIndex(m => m.Kind == MoveKind.Walk && m.From == middle) : -1;
        var chains = moves.Count(m => m.Kind == MoveKind.Chain);
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
                    AddChain(move, RungOf(chained++, chains));
                    break;
                case MoveKind.Map:
                    AddMap();
                    break;
                case MoveKind.PartDone when Way.Layers == LayerSchool.FeetFirst:
                    AddLayers(_units[move.From].Part);
                    break;
            }
        }

        // The first rung is what they were chained at; who follows along begins on it.
        foreach (var rung in Way.Ladder.Skip(Way.Order == TeachingOrder.FollowAlong || Way.Ladder.Count == 1 ? 0 : 1))
        {
            AddDanced(
                BlockKind.Whole, $"whole:{rung.Percent:0.##}", rung == Rate.Full ? $"{WholeWord}, at full tempo" : $"{WholeWord}, at {rung}", _bites, WholeCounts, rung, 1, worth: WorthOf(_bites));
        }
    }

    private string WholeWord => !_isWhole ? "All that is taught today" : IsPhrased ? "The order once through" : "The whole";

    /// <summary>Chains climb the ladder slowly, and never onto its last rung.</summary>
    private Rate RungOf(int chain, int chains) => Way.Ladder[Way.Ladder.Count == 1 ? 0 : chain * (Way.Ladder.Count - 1) / Math.Max(1, chains)];

    private void AddWalk(TaughtUnit unit)
    {
        var bite = unit.First;
        if (bite.Relation == BiteRelation.Same)
        {
            return;
        }

        var points = bite.Difficulty.Points;
        var acted = bite.Changed.Sum(a => _brief.Pace.SecondsPerAction * ClassKnowledge.Novelty(_brief.Class.Of(a)) * (1 + (points / 10)));
        var share = bite.Relation == BiteRelation.OtherSide ? OtherSideShare : 1;
        var seconds = share * (acted + _brief.Pace.TalkPerBite);
        if (_cues is null)
        {
            AddFixed(BlockKind.Walk, $"walk:{bite.Key}", "", seconds, "");
            return;
        }

        var title = bite.Relation switch
        {
            BiteRelation.OtherSide => $"Walk {LessonWords.Of(bite)}: the other side of {LessonWords.Of(bite.SameAs!)}",
            BiteRelation.OtherEnding => $"Walk the other ending: {LessonWords.Of(bite)}, as {LessonWords.Of(bite.SameAs!)} but for its end",
            _ => $"Walk {LessonWords.Of(bite)}",
        };
        var reckoned = string.Create(
            CultureInfo.InvariantCulture,
            $"{bite.Changed.Count} actions at {_brief.Pace.SecondsPerAction:0.#} s, {bite.Novelty:0%} new to them, difficulty {points:0.0}; {_brief.Pace.TalkPerBite:0} s of talk{(share < 1 ? "; the other side costs 40 % of that" : "")}.");
        var hardest = bite.Difficulty.Terms.MaxBy(t => t.Points);
        AddFixed(BlockKind.Walk, $"walk:{bite.Key}", title, seconds, hardest is null ? reckoned : $"{reckoned} Hardest: {hardest.Why}.", b => b with
        {
            Part = bite.Part,
            Lines = [.. bite.Lines],
            Bites = [bite],
            Counts = bite.Counts,
            Say = _cues.Sentences(bite, Trace),
            FeetOnly = FeetOnly([bite]),
            Watch = WatchOf([bite]),
        });
    }

    private void AddDance(TaughtUnit unit)
    {
        var bite = unit.First;
        var times = unit.Bites.Count > 1 && _cues is not null ? $", {unit.Bites.Count} times in a row in the dance" : "";
        var title = _cues is null ? "" : bite.Relation == BiteRelation.Same ? $"Recall {LessonWords.Of(bite)}: the same as {LessonWords.Of(bite.SameAs!)}{times}" : $"Dance {LessonWords.Of(bite)}{times}";
        AddDanced(BlockKind.Dance, $"dance:{bite.Key}", title, [bite], bite.Counts, Way.Ladder[0], bite.Relation == BiteRelation.Same ? 1 : 2, worth: WorthOf([bite]));
    }

    private void AddChain(TeachingMove move, Rate rate)
    {
        var bites = _units.Skip(move.From).Take(move.To - move.From + 1).SelectMany(u => u.Bites).ToList();
        var (first, last) = (bites[0], bites[^1]);
        var top = move.From == 0 && Way.Order != TeachingOrder.LastPartFirst ? "From the top, " : "Join ";
        AddDanced(
            BlockKind.Chain, first.Part == last.Part ? $"chain:{first.Key}-{last.LastLine}{(last.FromCount > 1 ? $".{last.FromCount}" : "")}" : $"chain:{first.Key}-{last.Key}", _cues is null ? "" : $"{top}{LessonWords.Of(bites, _bites)}",
            bites, bites.Sum(b => b.Counts), rate, 1, worth: WorthOf(bites));
    }

    /// <summary>What earlier lessons taught, danced as it is before anything new.</summary>
    private void AddRecall(TeachingMove move)
    {
        var bites = _units.Skip(move.From).Take(move.To - move.From + 1).SelectMany(u => u.Bites).ToList();
        AddDanced(BlockKind.Recap, "recap", $"Recall {LessonWords.Of(bites, _bites)}, from the lessons before", bites, bites.Sum(b => b.Counts), Way.Ladder[0], 1, worth: WorthOf(bites));
    }

    /// <summary>An own block that drills a bite: as often as fits into its seconds.</summary>
    public BlockDraft Drill(LessonBlock own, Bite bite, double seconds)
    {
        var block = Block(BlockKind.Drill, own.Id, own.Title, [bite], bite.Counts, Way.Ladder[0]) with { Id = own.Id, IsOwn = true };
        var reckoning = Danced(block, [bite], 1);
        var times = 1;
        while (times < LessonPlanner.MostPinnedRepeats && reckoning.Seconds(times + 1) <= seconds)
        {
            times++;
        }

        return new SingleDraft(reckoning with { Why = n => $"You added it. {reckoning.Why(n)}" }) { Repeats = times, Least = times, Most = times };
    }

    private void AddMap()
    {
        var calls = Trace.Calls.Count;
        AddFixed(
            BlockKind.Map, "map", "Walk the order by names, without steps", MapTalk + (calls * MapCall),
            string.Create(CultureInfo.InvariantCulture, $"{calls} calls at {MapCall:0} s and {MapTalk:0} s to show where they stand: {string.Join(", ", Trace.Calls.Take(16).Select(c => PartWording.Of(c.Stretch)))}{(calls > 16 ? " …" : "")}."));
    }

    private void AddWalls()
    {
        if (Way.Walls == WallSchool.FirstOnly)
        {
            return;
        }

        if (!IsPhrased)
        {
            AddWalls("", Trace.WallOrder, _bites, Trace.TotalCounts);
            return;
        }

        // A part of an order comes to walls of its own, in the order in which it is called on them.
        foreach (var part in Trace.Calls.GroupBy(c => c.Stretch.Pattern.Part.Name))
        {
            var bites = _bites.Where(b => b.Part == part.Key).ToList();
            if (bites.Count > 0 && !part.First().Stretch.Pattern.Part.IsTag)
            {
                AddWalls($"{part.Key}:", [.. part.Select(c => c.StartFacing).Distinct()], bites, bites.Where(b => b.Time == 1).Sum(b => b.Counts));
            }
        }
    }

    private void AddWalls(string key, IReadOnlyList<Facing> walls, IReadOnlyList<Bite> bites, int counts)
    {
        if (walls.Count < 2)
        {
            return;
        }

        var weighted = Way.Walls == WallSchool.Weighted;
        var what = key.Length > 0 ? $"{bites[0].Part} " : "";
        BlockReckoning Wall(Facing wall, int number) => Danced(
            Block(BlockKind.Walls, $"walls:{key}{wall}", $"{what}{(key.Length > 0 ? "on its" : "On the")} {Ordinal(number)} wall, facing {wall}", bites, counts, Rate.Full) with
            {
                Walls = [wall],
                Watch = number == 2 ? ["The room looks different here for the first time: say the first step, and which way, before the count-in.", .. OnMistakes(BlockKind.Walls)] : OnMistakes(BlockKind.Walls),
            }, bites, 1);
        var all = Danced(
            Block(BlockKind.Walls, $"walls:{key}all", $"{what}{(key.Length > 0 ? "on all its" : "All")} walls in a row", bites, counts, Rate.Full) with { Walls = walls }, bites, walls.Count);
        var further = walls.Count - 1;
        _drafts.Add(new WallsDraft([.. walls.Skip(1).Select((w, i) => Wall(w, i + 2))], all, weighted)
        {
            Repeats = WallRepeats.Least(further, weighted),
            Least = WallRepeats.Least(further, weighted),
            Most = WallRepeats.MostShared(further, weighted),
            Worth = WorthOf(bites),
        });
    }

    /// <summary>Slowed music first where it comes late, one run, a look back, then runs without a break.</summary>
    private void AddMusic()
    {
        if (Way.Music == MusicSchool.Late && Way.Ladder.LastOrDefault(r => r.Percent < 100) is { Percent: > 0 } slowed)
        {
            AddMusic(BlockKind.Music, $"music:{slowed.Percent:0.##}", $"To the music, slowed to {slowed}", slowed, 1);
        }

        if (Way.Progress != ProgressSchool.RunsOnly)
        {
            AddMusic(BlockKind.Music, "music", "One run to the music", Rate.Full, 1);
        }

        if (Way.Progress == ProgressSchool.OneRun)
        {
            return;
        }

        if (Way.Progress == ProgressSchool.LookBack)
        {
            AddFixed(BlockKind.LookBack, "look-back", "Look back: what was lost, and where", LookBackSeconds, "One run and a look back before runs without a break.");
        }

        AddMusic(BlockKind.Runs, "runs", "Runs without a break", Rate.Full, 1);
    }

    private void AddMusic(BlockKind kind, string id, string title, Rate rate, int least) => AddDanced(
        kind, id, title, _bites, WholeCounts, rate, least, worth: WorthOf(_bites));

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
                        Why = $"Two hard runs would follow each other: {draft.Outline.First().Effort:0.0} of 5.",
                    }, BreathSeconds));
            }

            breathed.Add(draft);
        }

        return breathed;
    }

    private static bool IsHard(BlockDraft draft) => draft.Outline.Any(b => b.IsDanced && b.Effort > TeachingTime.EasyEffort);

    private static string Ordinal(int number) => number switch { 2 => "second", 3 => "third", 4 => "fourth", 5 => "fifth", 6 => "sixth", 7 => "seventh", _ => "eighth" };

    private static string Capital(string word) => char.ToUpperInvariant(word[0]) + word[1..];
}
