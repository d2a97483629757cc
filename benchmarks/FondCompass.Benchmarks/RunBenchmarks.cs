using BenchmarkDotNet.Attributes;
using FondCompass.Core;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Tracing;

namespace FondCompass.Benchmarks;

/// <summary>Unrolling and fitting a song of twelve minutes with sixty passages, beside plainer ways on the same song.</summary>
public class RunBenchmarks
{
    private static readonly DanceTrace Dance = Analysis.Analyse(AnalyseBenchmarks.Script(32)).Trace;
    private static readonly DanceTrace Small =
        Analysis.Analyse(
            "part A\n1 step R side\n2 touch L beside\n3 step L side\n4 touch R beside\n5 step R side\n6 touch L beside\n7 step L "
                + "side\n8 touch R beside").Trace;

    /// <summary>1,344 counts at 112 a minute are twelve minutes.</summary>
    private static readonly Song Long = new(Enumerable.Range(0, 60)
        .Select(i => new Passage($"p{i}", i % 3 == 0 ? 16 : 24 + (i % 5), 112))
        .ToList());
    /// <summary>Nine parts of 16 to 48 counts, every second call the chorus, sixty calls; 1,800 counts of song that drift twice.</summary>
    private static readonly (char Name, int Counts)[] Parts =
    [
        ('V', 48), ('C', 32), ('B', 16), ('D', 32), ('E', 24), ('F', 40), ('G', 32), ('H', 16), ('I', 32)
    ];
    private static readonly (char Name, int Counts)[] Calls = [.. Enumerable.Range(0, 60).Select(i => Parts[i % 2 == 1 ? 1 : i / 2 % 9])];
    private static readonly DanceTrace Phrased = Analysis.Analyse(string.Join(
        '\n',
        Parts.Select(p =>
            $"part {p.Name}\n{string.Join('\n', Enumerable.Repeat("1-4 walk R, L, R, L\n5-8 walk R, L, R, L", p.Counts / 8))}"))
        + $"\norder {string.Join(' ', Calls.Select(c => c.Name))}\nC on chorus").Trace;

    private static readonly Song Sung = new([.. Calls.Select((c, i) => new Passage(
        c.Name == 'C' ? "chorus" : $"tune {c.Name}",
        c.Counts + (i == 20 ? 8 : i == 41 ? -4 : 0),
        112))]);
    private static readonly Song Short = new([new Passage("a", 10, 112), new Passage("b", 9, 112), new Passage("c", 7, 112)]);

    [Benchmark(Description = "unroll a song of twelve minutes")]
    public int Unroll() => RunUnroller.Unroll(Dance, Long, 16).Repeats.Count;

    [Benchmark(Description = "fit a song of twelve minutes, 60 passages")]
    public int Fit() => PhraseFit.Solve(Dance, Long, 16).OffAfter;

    [Benchmark(Description = "fit a phrased dance of nine parts, 60 passages")]
    public int FitOrder() => PhraseFit.Solve(Phrased, Sung, 0).OffAfter;

    [Benchmark(Description = "fit a song of 26 counts")]
    public int FitSmall() => PhraseFit.Solve(Small, Short, 0).OffAfter;

    [Benchmark(Description = "  yardstick: brute force on the song of 26 counts")]
    public int BruteForce() => Best(0, []);

    /// <summary>Every way to dance the small song, by plain recursion.</summary>
    private static int Best(int at, List<int> starts)
    {
        if (at >= Short.Counts)
        {
            return Short.Starts.Sum(p => starts.Min(s => Math.Abs(s - p)));
        }

        var best = int.MaxValue;
        foreach (var length in (int[])[8, 3, 4, 7, 10, 12, 14, 16, 18, 20, 22, 24])
        {
            starts.Add(at);
            best = Math.Min(best, Best(at + length, starts));
            starts.RemoveAt(starts.Count - 1);
        }

        return best;
    }
}
