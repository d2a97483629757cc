using CsCheck;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Tracing;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>The solver against trying everything, on songs small enough for that.</summary>
public class PhraseFitEqualsBruteForce
{
    private static readonly DanceTrace Eight = Analysis.Analyse(Dances.Touches(8)).Trace;
    private static readonly DanceTrace Twelve = Analysis.Analyse(Dances.Touches(12)).Trace;
    private static readonly DanceTrace Six = Analysis.Analyse("line 6\npart A\n1-3 waltz basic R\n4-6 waltz basic L").Trace;

    private sealed record Plan(int Off, int Changes, int Counts, int Tags, List<int> Times) : IComparable<Plan>
    {
        public int CompareTo(Plan? other)
        {
            var sums = (Off, Changes, Counts, Tags).CompareTo((other!.Off, other.Changes, other.Counts, other.Tags));
            if (sums != 0)
            {
                return sums;
            }

            for (var i = 0; i < Times.Count; i++)
            {
                if (Times[i] != other.Times[i])
                {
                    return Times[i].CompareTo(other.Times[i]);
                }
            }

            return 0;
        }
    }

    [Fact]
    public void On_small_songs()
    {
        var songs = Gen.Select(
            Gen.Int[0, 2],
            Gen.Int[0, 1],
            Gen.Select(Gen.Int[2, 7], Gen.Bool).Array[1, 4]);
        songs.Sample(
            (dance, start, passages) =>
            {
                var trace = dance switch { 0 => Eight, 1 => Twelve, _ => Six };
                var song = new Song(passages.Select((p, i) => new Passage($"p{i}", p.Item1, 100, null, p.Item2)).ToList());
                var best = Best(trace, song, start);
                var fit = PhraseFit.Solve(trace, song, start);
                var found = new Plan(
                    fit.OffAfter,
                    fit.Changes.Count,
                    fit.Changes.Sum(c => c.Kind == FitKind.Tag ? c.Counts : trace.TotalCounts - c.Counts),
                    fit.Changes.Count(c => c.Kind == FitKind.Tag),
                    fit.Changes.Select(c => c.AtCount).ToList());
                Assert.Equal(0, found.CompareTo(best));
                Assert.Equal(fit.OffAfter, OffOf(song, start, fit.Starts));
            },
            iter: Trials.Of(600));
    }

    /// <summary>All ways to dance the song, by plain recursion; nothing of the solver is used.</summary>
    private static Plan Best(DanceTrace trace, Song song, int start)
    {
        var length = trace.TotalCounts;
        var tags = trace.Dance.Header.LineCounts == 6 ? [3, 6, 9, 12] : new[] { 2, 4, 6, 8, 10, 12, 14, 16 };
        var cuts = Enumerable.Range(1, length - 1).Where(n => WeightAfter(trace, n) == trace.StartWeight).ToList();
        Plan? best = null;
        void Try(int at, List<int> starts, int changes, int counts, int tagged, List<int> times)
        {
            if (at >= song.Counts)
            {
                var plan = new Plan(OffOf(song, start, starts), changes, counts, tagged, times);
                best = best is null || plan.CompareTo(best) < 0 ? plan : best;
                return;
            }

            List<int> next = [.. starts, at];
            Try(at + length, next, changes, counts, tagged, times);
            foreach (var cut in cuts)
            {
                Try(at + cut, next, changes + 1, counts + length - cut, tagged, [.. times, at + cut]);
            }

            foreach (var tag in tags)
            {
                Try(at + length + tag, next, changes + 1, counts + tag, tagged + 1, [.. times, at + length]);
            }
        }

        Try(start, [], 0, 0, 0, []);
        return best!;
    }

    private static Weight WeightAfter(DanceTrace trace, int counts) =>
        new Stretch(trace.Parts[0], 0, counts, false).End(trace.StartWeight).Weight;

    private static int OffOf(Song song, int start, IReadOnlyList<int> starts)
    {
        var passages = Enumerable.Range(0, song.Passages.Count).Where(i => song.Starts[i] >= start).ToList();
        var marked = passages.Where(i => song.Passages[i].Important).ToList();
        return (marked.Count > 0 ? marked : passages).Sum(i => starts.Min(s => Math.Abs(s - song.Starts[i])));
    }
}
