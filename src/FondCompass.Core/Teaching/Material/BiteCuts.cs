using FondCompass.Core.Actions;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Material;

/// <summary>Lines that the instructor joined to one bite or split in two (rules, section 7).</summary>
public sealed class BiteCuts
{
    public static readonly BiteCuts None = new([]);

    private readonly HashSet<(string Part, int Line)> _joined;
    private readonly Dictionary<(string Part, int Line), int> _split;

    private BiteCuts(IReadOnlyList<BiteCut> cuts)
    {
        _joined = [.. cuts.Where(c => c.SplitAt is null).Select(c => (c.Part, c.Line))];
        _split = cuts.Where(c => c.SplitAt is not null)
            .GroupBy(c => (c.Part, c.Line))
            .ToDictionary(g => g.Key, g => g.Last().SplitAt!.Value);
    }

    /// <param name="cuts">Those of one dance.</param>
    public static BiteCuts From(IEnumerable<BiteCut> cuts) => cuts.ToList() is { Count: > 0 } some ? new BiteCuts(some) : None;

    /// <summary>Lines as they are taught: each with the last line it has.</summary>
    /// <param name="lines">Those of a part that are danced, in their order.</param>
    public IEnumerable<(DanceLine Line, int Last)> Lay(string part, IReadOnlyList<DanceLine> lines)
    {
        for (var i = 0; i < lines.Count; i++)
        {
            var line = lines[i];
            if (_split.TryGetValue((part, line.Number), out var counts) && counts > 0 && counts < line.Counts)
            {
                yield return (line with { Counts = counts, Name = Half(line, 1, counts) }, line.Number);
                yield return (line with
                {
                    Start = line.Start + Tick.FromCounts(counts),
                    Counts = line.Counts - counts,
                    Name = Half(line, counts + 1, line.Counts)
                }, line.Number);
                continue;
            }

            var last = i;
            while (last + 1 < lines.Count
                && _joined.Contains((part, lines[last].Number))
                && lines[last + 1].Number == lines[last].Number + 1
                && !_split.ContainsKey((part, lines[last + 1].Number)))
            {
                last++;
            }

            var all = lines.Skip(i).Take(last - i + 1).ToList();
            yield return (last == i
                ? line
                : line with
                {
                    Counts = all.Sum(l => l.Counts),
                    Name = all.TrueForAll(l => l.Name.Length > 0) ? string.Join(" and ", all.Select(l => l.Name)) : ""
                }, lines[last].Number);
            i = last;
        }
    }

    private static string Half(DanceLine line, int from, int to) =>
        line.Name.Length == 0 ? "" : BlockTexts.PartOfLine(line.Name, from, to);
}

/// <summary>A line that is no bite by itself.</summary>
/// <param name="Dance">Its dance's place in the lesson, from 0.</param>
/// <param name="Line">From 1.</param>
/// <param name="SplitAt">It is split behind this count; joined with the next line when null.</param>
public sealed record BiteCut(int Dance, string Part, int Line, int? SplitAt = null);
