using System.Security.Cryptography;
using System.Text;
using BenchmarkDotNet.Attributes;
using FondCompass.Core;

namespace FondCompass.Benchmarks;

/// <summary>Reading, binding, tracing and checking, beside splitting and hashing the same text.</summary>
public class AnalyseBenchmarks
{
    private static readonly string Dance128 = Script(128);
    private static readonly string Rows2000 = Script(2000 * 4);

    [Benchmark(Description = "analyse a dance of 128 counts")]
    public int Analyse128() => Analysis.Of(Dance128).Findings.Count;

    [Benchmark(Description = "  yardstick: split and hash the same text")]
    public int Yardstick128() => Yardstick(Dance128);

    [Benchmark(Description = "analyse a script of 2000 rows")]
    public int Analyse2000() => Analysis.Of(Rows2000).Findings.Count;

    [Benchmark(Description = "  yardstick: split and hash the same text ")]
    public int Yardstick2000() => Yardstick(Rows2000);

    /// <summary>Four counts a row, the usual steps in turn, feet always free.</summary>
    internal static string Script(int counts)
    {
        string[] rows = ["1-4 vine R", "5-8 vine L", "1-4 lock step R forward, brush L", "5-8 lock step L forward, brush R", "1-4 rocking chair R", "5-8 jazz box R with 1/4 right", "1-4 monterey 1/4 right", "5-8 v step R"];
        var text = new StringBuilder("title Bench\nstart weight L facing 12\npart A\n");
        for (var i = 0; i < counts / 4; i++)
        {
            text.Append(rows[i % rows.Length]).Append('\n');
        }

        return text.ToString();
    }

    private static int Yardstick(string text)
    {
        var sum = 0;
        foreach (var row in text.Split('\n'))
        {
            sum += row.Split(' ').Length;
        }

        return sum + SHA256.HashData(Encoding.UTF8.GetBytes(text))[0];
    }
}
