using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Blocks;

/// <summary>Further walls, and what is danced to the music.</summary>
internal sealed partial class DanceBlocks
{
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
                AddWalls(
                    $"{part.Key}:",
                    [.. part.Select(c => c.StartFacing).Distinct()],
                    bites,
                    bites.Where(b => b.Time == 1).Sum(b => b.Counts));
            }
        }
    }

    /// <summary>
    /// The second wall by its turns, then danced, the first time a rung slower; each later one; then walls in a row (rules, section 7).
    /// </summary>
    private void AddWalls(string key, IReadOnlyList<Facing> walls, IReadOnlyList<Bite> bites, int counts)
    {
        if (walls.Count < 2)
        {
            return;
        }

        var weighted = Way.Walls == WallSchool.Weighted;
        var what = key.Length > 0 ? BlockTexts.PartOnIts(bites[0].Part) : BlockTexts.OnThe;
        LessonBlock Wall(Facing wall, int number, string id, Rate rate) =>
            Block(
                BlockKind.Walls,
                $"walls:{key}{wall}{id}",
                OnWall(what, number, wall, rate),
                bites,
                counts,
                rate) with
            {
                Walls = [wall],
                Watch = number == 2
                    ? [
                        BlockTexts.RoomLooksDifferent,
                        .. OnMistakes(BlockKind.Walls)
                    ]
                    : OnMistakes(BlockKind.Walls),
            };

        var inARow = weighted && !Rules.AllWallsInARow ? walls.Skip(walls.Count - 2).ToList() : [.. walls];
        // Where only the last two go in a row, those of many that come in it have no block of their own.
        var own = weighted && !Rules.AllWallsInARow ? WallRepeats.OwnBeforeTheLastTwo(walls.Count) : walls.Count - 1;
        var slower = weighted ? Way.Ladder.LastOrDefault(r => r.Percent < 100) : default;
        var firstAt = slower.Percent > 0 ? Danced(Wall(walls[1], 2, $":{slower.Percent:0.##}", slower), bites, 1) : null;
        if (weighted)
        {
            AddTurnsOf(key, walls[1], what, bites);
        }

        var all = Danced(
            Block(
                BlockKind.Walls,
                $"walls:{key}all",
                InARow(key.Length > 0 ? bites[0].Part : null, inARow.Count == walls.Count),
                bites,
                counts,
                Rate.Full) with
            {
                Walls = inARow
            },
            bites,
            inARow.Count);
        var danced = walls.Skip(1).Take(own).Select((w, i) => Danced(Wall(w, i + 2, "", Rate.Full), bites, 1)).ToList();
        var least = WallRepeats.Least(own, weighted ? Rules.SecondWall : 1);
        _drafts.Add(new WallsDraft(
            firstAt,
            danced,
            all,
            weighted ? Rules.SecondWall : 1,
            [.. walls.Skip(1).Take(own).Select(w => inARow.Contains(w) ? 1 : 0)])
        {
            Repeats = least,
            Least = least,
            Most = WallRepeats.MostOf(own, [.. walls.Skip(1).Take(own).Select(w => inARow.Contains(w) ? 1 : 0)]),
            Worth = WorthOf(bites),
        });
    }

    /// <summary>The second wall is walked by its turns: the bites that turn, as known steps, and one talk.</summary>
    private void AddTurnsOf(string key, Facing wall, Sentence what, IReadOnlyList<Bite> bites)
    {
        var turning = bites.Where(b => b.Relation != BiteRelation.Same && b.Actions.Any(a => !a.Turn.IsNone)).ToList();
        if (turning.Count == 0)
        {
            return;
        }

        var known = ClassKnowledge.Novelty(Familiarity.Known);
        var seconds = turning.Sum(b => _brief.Pace.SecondsPerAction * known * b.Actions.Count * (1 + (b.Difficulty.Points / 10)))
            + _brief.Pace.TalkPerBite;
        var parts = turning.Select(b => b.Part).Distinct().ToList();
        AddFixed(
            BlockKind.Walls, $"walls:{key}{wall}:turns", BlockTexts.SecondWallTurns(what, wall.ToString()), seconds,
            BlockTexts.WallTurnsReckoned(turning.Sum(b => b.Actions.Count), _brief.Pace.SecondsPerAction, known, _brief.Pace.TalkPerBite),
            b => b with
            {
                Part = parts.Count == 1 ? parts[0] : null,
                Lines = parts.Count == 1 ? [.. turning.SelectMany(x => x.Lines).Distinct()] : null,
                Bites = turning,
                Counts = turning.Sum(x => x.Counts),
                Walls = [wall],
                Say = _cues is null ? [] : _cues.Keywords(turning, Trace),
                Watch = [
                    BlockTexts.RoomLooksDifferentTurns
                ],
            });
    }

    /// <summary>
    /// One run, a look back, then runs without a break; where a song is chosen a run is the song, with its intro, its passages, tags and
    /// ending.
    /// </summary>
    private void AddMusic()
    {
        if (_dance.Song is null && (Way.Order == TeachingOrder.Pool || (Way.Order == TeachingOrder.MoveByMove && !Way.RunIsGift)))
        {
            return;
        }

        if (Way.Progress != ProgressSchool.RunsOnly)
        {
            AddRun(BlockKind.Music, "music", Rules.Kind == LessonKind.Fitness ? BlockTexts.RoundsToTheMusic : BlockTexts.OneRunToTheMusic);
        }

        if (Way.Progress == ProgressSchool.LookBack && !Way.RunIsGift)
        {
            AddFixed(
                BlockKind.LookBack,
                "look-back",
                BlockTexts.LookBack,
                LookBackSeconds,
                BlockTexts.LookBackWhy);
        }

        if (Way.Progress != ProgressSchool.OneRun)
        {
            AddRun(BlockKind.Runs, "runs", BlockTexts.RunsWithoutABreak);
        }
    }

    private void AddRun(BlockKind kind, string id, string title)
    {
        var isGift = Way.RunIsGift;
        if (_dance.Song is { } song)
        {
            var block = Block(kind, id, title, _bites, WholeCounts, Rate.Full) with
            {
                Counts = song.Counts,
                CountIn = 0,
                IsWhole = !IsFree,
                IsSong = true
            };
            double Seconds(int times) => times == 0 ? 0 : (times * song.Seconds) + _brief.Pace.Regroup;
            string Why(int times) =>
                BlockTexts.SongReckoned(times, LessonWords.Clock(song.Seconds), _brief.Pace.Regroup);
            _drafts.Add(new SingleDraft(new BlockReckoning(block, isGift ? 0 : 1, times => times, Seconds, Why))
            {
                Repeats = isGift ? 0 : 1,
                Least = isGift ? 0 : 1,
                Most = Rules.Kind == LessonKind.Party ? 1 : MostSongs,
                Worth = WorthOf(_bites),
                FirstGift = isGift ? 1 : 0
            });
            return;
        }

        // Without a song a run goes round all its walls, two repeats at least; an order once.
        var repeats = IsPhrased || IsFree ? 1 : Math.Clamp(Trace.WallOrder.Count, 2, MostRepeats);
        var counts = IsPhrased && !IsFree ? Trace.TotalCounts : WholeCounts;
        AddDanced(
            kind,
            id,
            title,
            _bites,
            counts,
            Rate.Full,
            isGift ? 0 : repeats,
            worth: WorthOf(_bites),
            most: IsPhrased || IsFree ? MostSongs : MostRepeats,
            firstGift: isGift ? repeats : 0);
    }

    private static Sentence InARow(string? part, bool areAll)
    {
        var walls = areAll ? BlockTexts.AllWalls : BlockTexts.TheLastTwoWalls;
        return part is null ? BlockTexts.WallsInARow(walls) : BlockTexts.PartWallsInARow(part, walls);
    }

    private static Sentence OnWall(Sentence where, int number, Facing wall, Rate rate) =>
        rate == Rate.Full
            ? BlockTexts.OnWallFacing(where, Ordinal(number), wall.ToString())
            : BlockTexts.OnWallFacingAt(where, Ordinal(number), wall.ToString(), $"{rate}");

    private static Sentence Ordinal(int number) =>
        number switch
        {
            2 => BlockTexts.SecondWall,
            3 => BlockTexts.ThirdWall,
            4 => BlockTexts.FourthWall,
            5 => BlockTexts.FifthWall,
            6 => BlockTexts.SixthWall,
            7 => BlockTexts.SeventhWall,
            _ => BlockTexts.EighthWall,
        };
}
