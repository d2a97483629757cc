using CsCheck;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>The solver against trying everything, on phrased dances and songs small enough for that; and its changes danced.</summary>
public class OrderFitEqualsBruteForce
{
    private const string Parts = """
        part V
        1-4 walk R, L, R, L
        1-4 walk R, L, R, L
        part C
        1-4 walk R, L, R, L
        part B
        1-2 walk R, L
        tag T
        1-2 walk R, L
        """;

    private static readonly Dictionary<char, int> Counts = new() { ['V'] = 8, ['C'] = 4, ['B'] = 2, ['T'] = 2 };

    /// <summary>More than the solver ever needs on these songs; in an order that goes round all could be dropped for ever.</summary>
    private const int MostChanges = 12;

    /// <summary>Counts of a song for a round: with more, the ways to dance it are more than can be tried in a moment.</summary>
    private const int LongestRound = 12;

    private sealed record Plan(int Off, int Changes, int Counted, int Rank, List<int> Times) : IComparable<Plan>
    {
        public int CompareTo(Plan? other)
        {
            var sums = (Off, Changes, Counted, Rank).CompareTo((other!.Off, other.Changes, other.Counted, other.Rank));
            var differs = Times.Zip(other.Times, (a, b) => a.CompareTo(b)).FirstOrDefault(c => c != 0);
            return sums != 0 ? sums : differs;
        }
    }

    private static readonly Gen<(string Order, int Start, (string, int, bool)[] Passages, bool Loops, string Said)> Cases = Gen.Select(
        Gen.OneOfConst('V', 'V', 'C', 'C', 'B', 'B', 'T').Array[1, 4].Select(c => string.Join(' ', c)),
        Gen.Int[0, 1],
        // By their names, by the order laid along them, or by nothing.
        Gen.Select(
            Gen.OneOfConst("verse", "chorus", "break", "one", "two", "three"),
            Gen.OneOf(Gen.OneOfConst(2, 4, 8, 12), Gen.Int[2, 8]),
            Gen.Bool.Select(Gen.Bool, (a, b) => a && b)).Array[1, 3],
        Gen.Bool,
        Gen.OneOfConst("", "", "\nC on chorus", "\nV on break\nB on verse", "\nT on one"));

    private static Song SongOf((string, int, bool)[] passages) =>
        new([.. passages.Select(p => new Passage(p.Item1, p.Item2, 100, null, p.Item3))]);

    private static FitConstraints Allowed(bool moves) => new(NoMoves: !moves);

    [Theory]
    [InlineData(false, 300)]
    [InlineData(true, 100)]
    public void On_small_songs(bool moves, int times) =>
        Cases.Sample((order, start, passages, loops, said) => Check(order, start, passages, loops, said, moves), iter: Trials.Of(times));

    [Fact]
    public void A_part_that_is_nowhere_danced_costs_its_passage() =>
        Check("B V C", 0, [("chorus", 2, false), ("one", 12, false)], false, "\nV on break\nB on verse", moves: true);

    private static void Check(string order, int start, (string, int, bool)[] passages, bool loops, string said, bool moves)
    {
        // A round that is danced again makes the ways too many to try them all on longer songs, or with parts that move.
        loops &= !moves && order.Length <= 3 && passages.Sum(p => p.Item2) <= LongestRound;
        var trace = Analysis.Analyse($"{Parts}\norder {order}{(loops ? ", round and round" : "")}{said}").Trace;
        var song = SongOf(passages);
        var written = RunUnroller.Unroll(trace, song, start);
        var bound = Bound(
            written,
            passages,
            start,
            order.Replace(" ", ""),
            loops,
            trace.Dance.Meetings.ToDictionary(m => m.Passage, m => m.Part));
        var fit = PhraseFit.Solve(trace, song, start, Allowed(moves));
        if (written.Repeats.Count == 0)
        {
            return;
        }

        var best = Best(
            order.Replace(" ", ""),
            loops,
            song.Counts,
            start,
            moves,
            (starts, until) => Off(passages, start, bound, starts, until));
        var found = new Plan(
            fit.OffAfter,
            fit.Changes.Count,
            fit.Changes.Sum(c => c.Kind switch
            {
                FitKind.Restart or FitKind.Half => Counts[c.Part[0]] - c.Counts,
                FitKind.Move => 0,
                _ => c.Counts
            }),
            fit.Changes.Sum(c => c.Kind switch { FitKind.Wait => 2, FitKind.Tag or FitKind.Repeat or FitKind.Move => 1, _ => 0 }),
            [.. fit.Changes.Select(c => c.AtCount)]);
        Assert.Equal((best.Off, best.Changes, best.Counted, best.Rank), (found.Off, found.Changes, found.Counted, found.Rank));
        Assert.Equal(best.Times, found.Times);
        Assert.Equal(Off(passages, start, bound, [.. written.Stretches.Select(r => (r.FromCount, r.Part[0]))]), fit.OffBefore);
    }

    [Fact]
    public void What_is_promised_is_danced() => Cases.Sample(
        (order, start, passages, loops, said) =>
        {
            var script = $"{Parts}\norder {order}{(loops ? ", round and round" : "")}{said}";
            var trace = Analysis.Analyse(script).Trace;
            foreach (var fit in PhraseFit.Ranked(trace, SongOf(passages), start, new FitConstraints()))
            {
                var danced = RunUnroller.Unroll(Analysis.Analyse($"{script}\n{FitRows.Write(fit.Changes)}").Trace, SongOf(passages), start);
                Assert.True(
                    fit.Starts.SequenceEqual(danced.Repeats.Select(r => r.FromCount)),
                    $"{FitRows.Write(fit.Changes)}: {string.Join(',', fit.Starts)} promised, "
                        + $"{string.Join(',', danced.Repeats.Select(r => r.FromCount))} danced");
                Assert.DoesNotContain(danced.Findings, f => f.Code == "RUN02");
            }
        },
        iter: Trials.Of(150));

    /// <summary>
    /// The part said, else the one whose initial the passage has, else the one that the order laid along the passages brings there; nothing
    /// of the solver is used.
    /// </summary>
    private static Dictionary<string, char> Bound(
        DanceRun written,
        (string Name, int Counts, bool)[] passages,
        int start,
        string order,
        bool loops,
        Dictionary<string, string> said)
    {
        var bound = new Dictionary<string, char>();
        foreach (var (name, _, _) in passages)
        {
            if (said.TryGetValue(name, out var part)
                || (name is "verse" or "chorus" or "break" && order.Contains(char.ToUpperInvariant(name[0]), StringComparison.Ordinal)))
            {
                bound[name] = part?[0] ?? char.ToUpperInvariant(name[0]);
            }
        }

        var placed = passages.Select((p, i) => (p.Name, p.Counts, At: passages.Take(i).Sum(b => b.Counts)))
            .Where(p => p.At >= start)
            .ToList();
        var calls = loops ? string.Concat(Enumerable.Repeat(order, (written.Song.Counts / order.Sum(c => Counts[c])) + 1)) : order;
        var (agreed, takes) = Lay(0, 0);
        if (2 * agreed > placed.Sum(p => p.Counts))
        {
            var laid = takes.Where(t => !bound.ContainsKey(t.Name)).Distinct().ToList();
            foreach (var (name, part) in laid.GroupBy(t => t.Name).Any(g => g.Count() > 1) ? [] : laid)
            {
                bound[name] = part;
            }
        }

        return bound;

        // The most counts that can agree, by trying all; of equal ones a passage that is met before one that is not, a call left over last.
        (int Agreed, List<(string Name, char Part)> Takes) Lay(int passage, int call)
        {
            if (passage == placed.Count || call >= calls.Length)
            {
                return (0, []);
            }

            var (without, over) = (Lay(passage + 1, call), Lay(passage, call + 1));
            var best = without.Agreed >= over.Agreed ? without : over;
            var (name, counts, _) = placed[passage];
            for (var (to, sum) = (call, 0); to < calls.Length && sum < counts; to++)
            {
                sum += Counts[calls[to]];
                if (sum == counts
                    && (!bound.TryGetValue(name, out var own) || own == calls[call])
                    && Lay(passage + 1, to + 1) is var rest
                    && rest.Agreed + counts >= best.Agreed)
                {
                    best = (rest.Agreed + counts, [(name, calls[call]), .. rest.Takes]);
                }
            }

            return best;
        }
    }

    private static int Off(
        (string Name, int Counts, bool Important)[] passages,
        int start,
        Dictionary<string, char> bound,
        List<(int At, char Part)> starts,
        int? until = null)
    {
        var placed = passages.Select((p, i) => (p.Name, p.Counts, At: passages.Take(i).Sum(b => b.Counts), p.Important))
            .Where(p => p.At >= start)
            .ToList();
        var counted = placed.Exists(p => p.Important) ? placed.Where(p => p.Important) : placed;
        return counted.Where(p => !(p.At >= until))
            .Sum(p => starts.Where(s => !bound.TryGetValue(p.Name, out var part) || s.Part == part) is var own && own.Any()
                ? own.Select(s => Math.Abs(s.At - p.At)).Append(until - p.At ?? int.MaxValue).Min()
                : Math.Min(until - p.At ?? int.MaxValue, p.Counts));
    }

    /// <summary>All ways to dance the song, by plain recursion; nothing of the solver is used.</summary>
    private static Plan Best(string order, bool loops, int counts, int start, bool moves, Func<List<(int, char)>, int?, int> off)
    {
        Plan? best = null;
        void Try(int call, int at, List<(int At, char Part)> starts, int changes, int counted, int rank, List<int> times)
        {
            if (call >= order.Length && loops)
            {
                call = 0;
            }

            if (at >= counts || call >= order.Length)
            {
                var plan = new Plan(off([.. starts.Where(s => s.At < counts)], null), changes, counted, rank, times);
                best = best is null || plan.CompareTo(best) < 0 ? plan : best;
                return;
            }

            // What lies behind costs at least what it is to the parts danced, or to here.
            if (changes > MostChanges
                || (best is not null
                    && (off(starts, at), changes, counted, rank).CompareTo((best.Off, best.Changes, best.Counted, best.Rank)) > 0))
            {
                return;
            }

            // The tags behind a part are danced with it, and a part that has some is not cut, left out or moved.
            var part = order[call];
            var length = Counts[part];
            var tags = order[(call + 1)..].TakeWhile(c => c == 'T').Count();
            var next = call + 1 + tags;
            var isLast = next == order.Length && !loops;
            List<(int, char)> TagsFrom(int from) => [.. Enumerable.Range(0, tags).Select(t => (from + (t * Counts['T']), 'T'))];
            List<(int, char)> once = [.. starts, (at, part)];
            Try(next, at + length + (tags * Counts['T']), [.. once, .. TagsFrom(at + length)], changes, counted, rank, times);
            Try(
                next,
                at + (2 * length) + (tags * Counts['T']),
                [.. once, (at + length, part), .. TagsFrom(at + (2 * length))],
                changes + 1,
                counted + length,
                rank + 1,
                [.. times, at + length]);
            if (!isLast && tags == 0)
            {
                Try(call + 1, at, starts, changes + 1, counted + length, rank, [.. times, at]);
                for (var cut = 2; cut < length; cut += 2)
                {
                    Try(call + 1, at + cut, once, changes + 1, counted + length - cut, rank, [.. times, at + cut]);
                }

                // What begins after the song's end changes nothing; what pushes a part behind it may.
                for (var added = 2; added <= 16 && at + length < counts; added += 2)
                {
                    Try(call + 1, at + length + added, once, changes + 1, counted + added, rank + 1, [.. times, at + length]);
                }

                for (var waited = 24; waited <= 64 && at + length < counts; waited += 8)
                {
                    Try(call + 1, at + length + waited, once, changes + 1, counted + waited, rank + 2, [.. times, at + length]);
                }
            }

            for (var far = 1; moves && tags == 0 && call + far < order.Length && !HasTags(call + far); far++)
            {
                var between = Enumerable.Range(call + 1, far - 1).ToList();
                List<int>[] ways = far == 1 ? [[call + 1, call]] : [[.. between, call + far, call], [call + far, call, .. between]];
                foreach (var way in ways)
                {
                    List<(int, char)> danced = [.. starts];
                    var then = at;
                    foreach (var one in way)
                    {
                        danced.Add((then, order[one]));
                        then += Counts[order[one]];
                    }

                    Try(call + far + 1, then, danced, changes + 1, counted, rank + 1, [.. times, at]);
                }
            }
        }

        var lead = order.TakeWhile(c => c == 'T').Count();
        // In a round they follow its last part.
        order = order[lead..] + (loops ? order[..lead] : "");
        Try(0, start + (lead * Counts['T']), [.. Enumerable.Range(0, lead).Select(t => (start + (t * Counts['T']), 'T'))], 0, 0, 0, []);
        return best!;

        // A call that is a tag, or has one behind it.
        bool HasTags(int call) => order[call] == 'T' || (call + 1 < order.Length && order[call + 1] == 'T');
    }
}
