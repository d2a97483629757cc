using System.Globalization;
using FondCompass.Core.Calling;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;

namespace FondCompass.Application.Boards;

/// <summary>All that a board needs to lead a lesson to its end without asking again. Moments are seconds at full tempo.</summary>
/// <param name="Lesson">The lesson's id.</param>
/// <param name="Minutes">Planned minutes.</param>
/// <param name="LateFrom">Minutes behind the plan, or ahead of it, from which that is said.</param>
/// <param name="Whole">The lesson's dances and those they know, whole, to be called up at any time, whatever is planned.</param>
public sealed record BoardData(
    Guid Lesson,
    string Group,
    double Minutes,
    int LateFrom,
    IReadOnlyList<BoardDance> Dances,
    IReadOnlyList<BoardBlock> Blocks,
    IReadOnlyList<BoardBlock> Whole,
    IReadOnlyList<BoardBite> Bites,
    BoardLive? Live)
{
    /// <summary>A board said that the lesson is over, and none began it anew.</summary>
    public bool IsOver { get; init; }

    /// <summary>How often its rest was planned anew: a screen of the class fetches it again where that is another number.</summary>
    public int Plan { get; init; }

    /// <summary>Bites of all dances for which chains from the top are made ready, at the most.</summary>
    private const int MostChains = 24;

    public static BoardData Build(
        Guid lesson,
        string group,
        LessonPlan plan,
        IReadOnlyList<(Guid? Id, LessonDance Dance)> dances,
        TeachingWay way,
        StepLexicon lexicon,
        BoardLive? live)
    {
        var startsAt = 0.0;
        var blocks = new List<BoardBlock>();
        foreach (var planned in plan.Blocks)
        {
            var dance = planned.Dance is { } d ? dances[d].Dance : null;
            blocks.Add(BoardBlock.From(planned, dance, way, lexicon) with { StartsAt = startsAt });
            startsAt += planned.Seconds;
        }

        var whole = dances.Select((d, i) => BoardBlock.Whole(d.Id, d.Dance, i, way, lexicon)).Where(b => b.Timeline is not null).ToList();
        var bites = dances.SelectMany((d, i) => i < plan.Bites.Count ? BitesOf(i, d.Dance, plan.Bites[i], way, lexicon) : []).ToList();
        return new BoardData(
            lesson,
            group,
            Math.Round(plan.LessonSeconds / 60, 2),
            BoardRules.LateFromMinutes,
            [.. dances.Select(d => new BoardDance(d.Id, d.Dance.Title, d.Dance.Song is not null))],
            blocks,
            whole,
            bites,
            live);
    }

    /// <summary>
    /// The same with only what a class needs: what is called aloud, no cautions and notes, and nothing of the plan but what is danced.
    /// </summary>
    public BoardData ForTheClass()
    {
        return this with
        {
            Minutes = 0,
            Dances = [.. Dances.Select(d => d with { Id = null })],
            Blocks = [.. Blocks.Select(b => b with { Seconds = 0, StartsAt = 0 }).Select(ForTheClass)],
            Whole = [.. Whole.Select(ForTheClass)],
            Bites = [.. Bites.Select(b => b with { One = Plain(b.One), Other = Plain(b.Other), FromTop = Plain(b.FromTop) })],
            Live = null,
        };
    }

    /// <summary>A block as its class sees it.</summary>
    public static BoardBlock ForTheClass(BoardBlock block) => block with { Say = [], Watch = [], Timeline = Plain(block.Timeline) };

    private static BoardTimeline? Plain(BoardTimeline? line) =>
        line is null ? null : line with { Marks = [.. line.Marks.Where(m => m.Kind is not ("caution" or "trouble" or "note"))] };

    /// <summary>How a bite that is taken out is called by who teaches so.</summary>
    private static BoardCalls CallsOf(TeachingWay way) => new(way.Counting, CallerOf(way));

    /// <summary>How a caller who teaches so says names.</summary>
    public static CallerWay CallerOf(TeachingWay way) => way.Cues == CueSchool.Fading ? CallerWay.Fading : CallerWay.Names;

    private static IEnumerable<BoardBite> BitesOf(
        int index,
        LessonDance dance,
        IReadOnlyList<Bite> bites,
        TeachingWay way,
        StepLexicon lexicon)
    {
        var countIn = way.CountIn ?? dance.Analysis.Dance.Header.CountIn;
        BoardTimeline? Line(IReadOnlyList<Bite> covered, bool otherSide)
        {
            var block = new LessonBlock
            {
                Id = "",
                Kind = BlockKind.Drill,
                Title = "",
                Why = "",
                Dance = index,
                Bites = covered,
                Counts = covered.Sum(b => b.Counts),
                Repeats = 1,
                Starts = 1,
                CountIn = countIn,
                Rate = Rate.Full
            };
            return BlockRun.Lay(dance, block, otherSide) is { } run ? BoardTimeline.Build(run, 1, lexicon, CallsOf(way)) : null;
        }

        return bites.Select((b, i) => new BoardBite(
            index,
            b.Key,
            LessonWords.Say(b),
            b.Part,
            b.Line,
            b.LastLine,
            b.FromCount,
            Line([b], false),
            Line([b], true),
            bites.Count <= MostChains && i > 0 ? Line([.. bites.Take(i + 1)], false) : null));
    }
}

/// <summary>A dance that is called up in a lesson of which it is none.</summary>
/// <param name="Block">The whole of it.</param>
public sealed record CalledDance(BoardDance Dance, BoardBlock Block);

/// <summary>A dance of the lesson.</summary>
/// <param name="Id">Of the shelf; null for one that is known and fills.</param>
/// <param name="HasTrack">It is fitted to a track that the band plays.</param>
public sealed record BoardDance(Guid? Id, string Title, bool HasTrack);

/// <summary>One block as the board leads it.</summary>
/// <param name="Lead">dance: it is counted, with a count-in; walk: step by step, by hand; clock: it has a clock only.</param>
/// <param name="Passes">How often the timeline is danced.</param>
/// <param name="Repeats">Repeats of one pass.</param>
/// <param name="ByPass">A pass is one repeat of the dance: of an order, whose calls are no repeats of it.</param>
/// <param name="ToTrack">The band plays the dance's track to it.</param>
/// <param name="Bites">Keys of the bites it covers.</param>
/// <param name="Moves">Moves that are led one after the other; none in most blocks.</param>
public sealed record BoardBlock(
    string Id,
    string Kind,
    string Title,
    int? Dance,
    string Lead,
    double Seconds,
    int Repeats,
    int Passes,
    bool ByPass,
    double Rate,
    bool ToTrack,
    string? Layer,
    IReadOnlyList<string> Walls,
    IReadOnlyList<string> Bites,
    IReadOnlyList<string> Say,
    IReadOnlyList<string> Watch,
    IReadOnlyList<string> Moves,
    BoardTimeline? Timeline)
{
    /// <summary>Seconds that the plan has before it.</summary>
    public double StartsAt { get; init; }

    /// <summary>A dance from its beginning to its end, as it is called up whatever is planned.</summary>
    /// <param name="id">Of the shelf; null for a dance that has no place there.</param>
    /// <param name="index">Its place among the dances of the lesson.</param>
    public static BoardBlock Whole(Guid? id, LessonDance dance, int index, TeachingWay way, StepLexicon lexicon) => From(
        new LessonBlock
        {
            Id = $"whole:{id?.ToString() ?? index.ToString(CultureInfo.InvariantCulture)}",
            Kind = BlockKind.Known,
            Title = dance.Title,
            Why = "",
            Dance = index
        },
        dance,
        way,
        lexicon);

    /// <summary>A block as it is led; what is said in a walk stands in its words, by no clock.</summary>
    public static BoardBlock From(LessonBlock block, LessonDance? dance, TeachingWay way, StepLexicon lexicon)
    {
        var run = dance is null ? null : BlockRun.Lay(dance, block);
        var isWalked = run is { Starts.Count: 0 };
        var rate = block.Rate?.Percent ?? 100;
        var line = run is null
            ? null
            : BoardTimeline.Build(run, rate / 100, lexicon, BoardCalls.For(block, way.Counting, BoardData.CallerOf(way)));
        return new BoardBlock(
            block.Id,
            WayWords.Of(block.Kind),
            block.Named,
            block.Dance,
            run is null ? "clock" : isWalked ? "walk" : "dance",
            block.Seconds,
            run?.Repeats ?? 0,
            run?.Passes ?? 0,
            dance?.Analysis.Dance.IsPhrased == true && (block.IsWhole || block.Kind == BlockKind.Known) && run is not { IsSong: true },
            rate,
            run is { IsSong: true }, block.Layer, [.. block.Walls.Select(w => w.ToString())],
            [.. block.Bites.Select(b => b.Key)],
            block.Say,
            block.Watch,
            block.Moves,
            isWalked && line is not null ? line with { Says = [] } : line);
    }
}

/// <summary>A bite by itself, for who takes it out, dances its other side, or goes back to the top.</summary>
/// <param name="Line">Its first line, from 1.</param>
/// <param name="FromCount">The count of that line with which it begins; 1 unless the line is split.</param>
/// <param name="FromTop">From the first bite to this one; null for the first, and where a dance has too many.</param>
public sealed record BoardBite(
    int Dance,
    string Key,
    string Name,
    string Part,
    int Line,
    int LastLine,
    int FromCount,
    BoardTimeline? One,
    BoardTimeline? Other,
    BoardTimeline? FromTop);
