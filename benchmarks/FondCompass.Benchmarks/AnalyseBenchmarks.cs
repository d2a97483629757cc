using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using BenchmarkDotNet.Attributes;
using FondCompass.Core;
using FondCompass.Core.Prose;

namespace FondCompass.Benchmarks;

/// <summary>Reading, binding, tracing and checking, beside splitting and hashing the same text.</summary>
public class AnalyseBenchmarks
{
    private static readonly string Dance128 = Script(128);
    private static readonly string Rows2000 = Script(2000 * 4);

    [Benchmark(Description = "analyse a dance of 128 counts")]
    public int Analyse128() => Analysis.Analyse(Dance128).Findings.Count;

    [Benchmark(Description = "  yardstick: split and hash the same text")]
    public int Yardstick128() => Yardstick(Dance128);

    [Benchmark(Description = "analyse a script of 2000 rows")]
    public int Analyse2000() => Analysis.Analyse(Rows2000).Findings.Count;

    [Benchmark(Description = "  yardstick: split and hash the same text ")]
    public int Yardstick2000() => Yardstick(Rows2000);

    /// <summary>Other feet and amounts each time, so that nothing is found again that was read for the page before.</summary>
    private static readonly string[] Pages60 = [.. Enumerable.Range(0, 64).Select(Page)];

    private static readonly string[] Hostile = [.. Enumerable.Range(0, 8).Select(Noise)];
    private int _turn;

    [Benchmark(Description = "read a pasted page of 60 lines")]
    public int Paste60() => ProseReader.Read(Pages60[_turn++ % Pages60.Length]).Rows.Count;

    [Benchmark(Description = "  yardstick: split and hash the same text  ")]
    public int YardstickPaste() => Yardstick(Pages60[0]);

    [Benchmark(Description = "analyse 256 KiB of hostile text")]
    public int AnalyseHostile() => Analysis.Analyse(Hostile[_turn++ % Hostile.Length]).Findings.Count;

    [Benchmark(Description = "read 256 KiB of hostile text as pasted")]
    public int PasteHostile() => ProseReader.Read(Hostile[_turn++ % Hostile.Length]).Rows.Count;

    [Benchmark(Description = "  yardstick: split and hash the same text   ")]
    public int YardstickHostile() => Yardstick(Hostile[0]);

    private static string Page(int number)
    {
        var random = new Random(number);
        string[] amounts = ["1/4", "1/2", "3/4", "1/8", "a quarter", "a half"];
        string[] sides = ["left", "right"];
        string[] rows =
        [
            "Walk {0} {1} {0}, then kick your {1} foot forward",
            "Grapevine {2} with a touch, and clap",
            "Step {2}, pivot {3} {2}, step {2}, pivot {3} {2}",
            "Shuffle {2} forward, rock back and recover",
            "Toe struts {0} and {1}, turning {3} {2} on the last",
            "Same on the other side",
            "Now a jazz box with {3} turn {2}",
            "Hold for two, then stomp {0} twice",
            "Rocking chair on the {2}, hips {2} {1} {0}",
            "Keep it small here, the floor is full",
        ];
        var text = new StringBuilder($"Low Water Number {number}\n32 counts, 4 walls, beginner. Wait 16.\n");
        for (var i = 0; i < 58; i++)
        {
            var right = random.Next(2) == 0;
            var row = string.Format(
                CultureInfo.InvariantCulture,
                rows[random.Next(rows.Length)],
                right ? "R" : "L",
                right ? "L" : "R",
                sides[random.Next(2)],
                amounts[random.Next(amounts.Length)]);
            text.Append(i % 8 == 0 ? $"Section {(i / 8) + 1} (8 counts)" : $"{row}.").Append('\n');
        }

        return text.ToString();
    }

    private static string Noise(int seed)
    {
        var random = new Random(seed);
        string[] words =
        [
            "vine", "vin", "R", "1-4", "&", "(", ")", "turn", "1/4", "x9", ",", ":", "and", "and", "wibble", "각", "🐟", "to",
            "the", "step", "each", "12:00", "+", "?", "shuffle", "then"
        ];
        var text = new StringBuilder("part A\n");
        while (text.Length < 256 * 1024)
        {
            text.Append(words[random.Next(words.Length)]).Append(random.Next(12) == 0 ? '\n' : ' ');
        }

        return text.ToString(0, 256 * 1024 - 8);
    }

    /// <summary>Four counts a row, the usual steps in turn, feet always free.</summary>
    internal static string Script(int counts)
    {
        string[] rows =
        [
            "1-4 vine R", "5-8 vine L", "1-4 lock step R forward, brush L", "5-8 lock step L forward, brush R",
            "1-4 rocking chair R", "5-8 jazz box R with 1/4 right", "1-4 monterey 1/4 right", "5-8 v step R"
        ];
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
