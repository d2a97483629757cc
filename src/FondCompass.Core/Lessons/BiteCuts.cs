using System.Globalization;
using FondCompass.Core.Actions;
using FondCompass.Core.Counts;

namespace FondCompass.Core.Lessons;

/// <summary>
/// Lines that the instructor joined to one bite or split in two (rules, section 7), as they are written: "A:1+" joins line 1 of A with the next
/// that is danced, "A:3/4" splits line 3 behind its fourth count.
/// </summary>
public sealed class BiteCuts
{
    public static readonly BiteCuts None = new("");

    private const char Joins = '+', Splits = '/';

    private readonly HashSet<(string Part, int Line)> _joined = [];
    private readonly Dictionary<(string Part, int Line), int> _split = [];

    private BiteCuts(string text)
    {
        foreach (var entry in text.Split(';', StringSplitOptions.RemoveEmptyEntries))
        {
            var colon = entry.LastIndexOf(':');
            var sign = colon < 0 ? -1 : entry.IndexOfAny([Joins, Splits], colon);
            if (colon <= 0 || sign < 0 || !int.TryParse(entry[(colon + 1)..sign], NumberStyles.None, CultureInfo.InvariantCulture, out var line))
            {
                continue;
            }

            var at = (Uri.UnescapeDataString(entry[..colon]), line);
            if (entry[sign] == Joins)
            {
                _joined.Add(at);
            }
            else if (int.TryParse(entry[(sign + 1)..], NumberStyles.None, CultureInfo.InvariantCulture, out var counts))
            {
                _split[at] = counts;
            }
        }
    }

    public static BiteCuts Of(string text) => text.Length == 0 ? None : new BiteCuts(text);

    /// <summary>With a line joined to the next; one that was split is whole again.</summary>
    public static string Joined(string text, string part, int line) => With(text, part, line, $"{Joins}");

    /// <summary>With a line split behind one of its counts; one that was joined stands by itself again.</summary>
    public static string Split(string text, string part, int line, int counts) => With(text, part, line, string.Create(CultureInfo.InvariantCulture, $"{Splits}{counts}"));

    /// <summary>With a line as it is written.</summary>
    public static string Whole(string text, string part, int line) => With(text, part, line, null);

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
                yield return (line with { Start = line.Start + Tick.FromCounts(counts), Counts = line.Counts - counts, Name = Half(line, counts + 1, line.Counts) }, line.Number);
                continue;
            }

            var last = i;
            while (last + 1 < lines.Count && _joined.Contains((part, lines[last].Number)) && lines[last + 1].Number == lines[last].Number + 1 && !_split.ContainsKey((part, lines[last + 1].Number)))
            {
                last++;
            }

            var all = lines.Skip(i).Take(last - i + 1).ToList();
            yield return (last == i ? line : line with { Counts = all.Sum(l => l.Counts), Name = all.TrueForAll(l => l.Name.Length > 0) ? string.Join(" and ", all.Select(l => l.Name)) : "" }, lines[last].Number);
            i = last;
        }
    }

    private static string Half(DanceLine line, int from, int to) => line.Name.Length == 0 ? "" : string.Create(CultureInfo.InvariantCulture, $"{line.Name}, {from} to {to}");

    private static string With(string text, string part, int line, string? sign)
    {
        var own = string.Create(CultureInfo.InvariantCulture, $"{Uri.EscapeDataString(part)}:{line}");
        var others = text.Split(';', StringSplitOptions.RemoveEmptyEntries).Where(e => !(e.StartsWith(own, StringComparison.Ordinal) && e.Length > own.Length && e[own.Length] is Joins or Splits));
        return string.Join(';', sign is null ? others : others.Append(own + sign));
    }
}
