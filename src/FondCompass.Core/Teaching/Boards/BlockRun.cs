using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;

namespace FondCompass.Core.Teaching.Boards;

/// <summary>One block of a lesson as counts that are danced: what the board plays, or, of a walk, goes through by hand.</summary>
/// <param name="Starts">Song counts at which it begins with a count-in; none of what is walked.</param>
/// <param name="Repeats">Repeats of the run that belong to it, from 1.</param>
/// <param name="Passes">How often the run is danced from its first start to its end.</param>
public sealed record BlockRun(DanceRun Run, IReadOnlyList<int> Starts, int CountIn, int Repeats, int Passes)
{
    /// <summary>It goes from the song's first count to its last: what is before the dance is waited through.</summary>
    public bool IsSong { get; init; }

    /// <summary>Longest run in song counts; what is longer is danced in several passes.</summary>
    private const int LongestCounts = 4096;

    /// <summary>The block's counts; null where it has none: talk, water, a look back.</summary>
    /// <param name="otherSide">Its mirror image; of what goes round whole nothing is mirrored.</param>
    public static BlockRun? Lay(LessonDance dance, LessonBlock block, bool otherSide = false)
    {
        var analysis = dance.Analysis;
        if (dance.Song is { } song && (block.IsSong || block.Kind == BlockKind.Known))
        {
            return analysis.Dance.IsFree ? null : ToSong(dance, song, block.Repeats ?? 1);
        }

        if (block.Kind == BlockKind.Known)
        {
            return analysis.Trace.TotalCounts > 0 && !analysis.Dance.IsFree
                ? Whole(dance, block, (analysis.Dance.IsPhrased ? 1 : 4) * (block.Repeats ?? 1))
                : null;
        }

        if (block.Order is { } order)
        {
            return OfOrder(dance, block, order);
        }

        if (block.Bites.Count == 0)
        {
            return null;
        }

        return block.IsWhole && block.IsDanced ? Whole(dance, block, block.Repeats ?? 1) : OfBites(dance, block, otherSide);
    }

    /// <summary>The song from its first count to its last, so many times; the class is counted in over the end of its intro.</summary>
    private static BlockRun ToSong(LessonDance dance, Song song, int times)
    {
        var run = RunUnroller.Unroll(dance.Analysis.Trace, song, dance.Start);
        return new BlockRun(run, [run.Start], dance.Analysis.Dance.Header.CountIn, Math.Max(1, run.Repeats.Count), times) { IsSong = true };
    }

    /// <summary>The calls of an order, one behind the other.</summary>
    private static BlockRun OfOrder(LessonDance dance, LessonBlock block, IReadOnlyList<TracedCall> order) =>
        OfPieces(dance, block, [.. order.Select(c => c.Stretch)], order[0].StartWeight, order[0].StartFacing);

    private static BlockRun Whole(LessonDance dance, LessonBlock block, int repeats)
    {
        var trace = dance.Analysis.Trace;
        var countIn = block.CountIn ?? trace.Dance.Header.CountIn;
        var isPhrased = trace.Dance.IsPhrased;
        // What cannot be danced again from where it ends begins anew each time.
        var anew = isPhrased || (block.Starts ?? 1) > 1;
        var each = anew ? 1 : Math.Clamp(LongestCounts / Math.Max(1, trace.TotalCounts), 1, repeats);
        var run = RunUnroller.Unroll(trace, Song.Steady(countIn + (each * trace.TotalCounts), new Bpm(dance.Tempo)), countIn);
        // Danced from another wall, everything is turned with it.
        if (block.Walls.Count == 1 && block.Walls[0] - trace.StartFacing is { IsNone: false } turn)
        {
            var walls = trace.WallOrder;
            run = run with
            {
                Stretches = [.. run.Stretches.Select(s => s with { StartFacing = s.StartFacing + turn, EndFacing = s.EndFacing + turn })],
                Repeats = [.. run.Repeats.Select(r => r with
                {
                    StartFacing = r.StartFacing + turn,
                    EndFacing = r.EndFacing + turn,
                    Wall = walls.PlaceOf(r.StartFacing + turn)
                })],
                Events = [.. run.Events.Select(e => e with { Facing = e.Facing + turn })],
            };
        }

        return new BlockRun(run, [countIn], countIn, isPhrased ? Math.Max(1, run.Repeats.Count) : each, (repeats + each - 1) / each);
    }

    /// <summary>
    /// Bites one behind the other, as often as the block has it; each start with a count-in and on the foot that the first bite begins on.
    /// </summary>
    private static BlockRun OfBites(LessonDance dance, LessonBlock block, bool otherSide)
    {
        var first = block.Bites[0].Pattern.StateBefore(block.Bites[0].Dance.Start);
        return OfPieces(
            dance,
            block,
            Pieces(block.Bites, otherSide),
            otherSide ? first.Weight.Other() : first.Weight,
            block.Walls.Count == 1 ? block.Walls[0] : first.Facing);
    }

    private static BlockRun OfPieces(LessonDance dance, LessonBlock block, List<Stretch> pieces, Weight begins, Facing faces)
    {
        var counts = pieces.Sum(p => p.Counts);
        var (countIn, repeats, starts) = (block.IsDanced
            ? block.CountIn ?? 0
            : 0, block.Repeats ?? 1, block.IsDanced ? block.Starts ?? 1 : 1);
        var perStart = Math.Max(1, (repeats + starts - 1) / starts);
        var all = Math.Clamp(LongestCounts / Math.Max(1, counts + countIn), 1, repeats);
        var (weight, facing, at) = (begins, faces, 0);
        var (stretches, began) = (new List<RunStretch>(), new List<int>());
        for (var repeat = 1; repeat <= all; repeat++)
        {
            if ((repeat - 1) % perStart == 0)
            {
                at += countIn;
                began.Add(at);
                weight = begins;
            }

            foreach (var piece in pieces)
            {
                var (end, turn) = piece.End(weight);
                stretches.Add(new RunStretch(false, repeat, piece, at, at + piece.Counts, weight, facing, end, facing + turn, false)
                {
                    Called = PartWording.Name(piece)
                });
                (weight, facing, at) = (end, facing + turn, at + piece.Counts);
            }
        }

        var song = Song.Steady(Math.Max(1, at), new Bpm(dance.Tempo));
        var run = new DanceRun
        {
            Trace = dance.Analysis.Trace,
            Song = song,
            Start = began[0],
            Stretches = stretches,
            Repeats = [.. stretches.GroupBy(s => s.Repeat).Select(g => new RunRepeat(
                g.Key,
                g.Key,
                g.First().Part,
                g.First().FromCount,
                g.Last().ToCount,
                song.Time.SecondsAt(g.First().FromCount),
                g.First().StartFacing,
                g.Last().EndFacing,
                g.First().StartWeight,
                null,
                false,
                false)
            { Called = g.First().Called })],
            Events = [],
            Ending = null,
            Findings = [],
            IsExcerpt = true,
        };
        return new BlockRun(run, block.IsDanced ? began : [], countIn, all, (repeats + all - 1) / all);
    }

    /// <summary>The stretches of the bites; those that follow each other in one part are one.</summary>
    private static List<Stretch> Pieces(IReadOnlyList<Bite> bites, bool otherSide)
    {
        var pieces = new List<Stretch>();
        foreach (var stretch in bites.Select(b => b.Stretch with { Mirrored = otherSide }))
        {
            if (pieces.Count > 0 && pieces[^1] is var last && last.Pattern == stretch.Pattern && last.To == stretch.From)
            {
                pieces[^1] = last with { To = stretch.To };
            }
            else
            {
                pieces.Add(stretch);
            }
        }

        return pieces;
    }
}
