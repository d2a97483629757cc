using System.Text;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Notation.Counting;

/// <summary>Writes counts as a script has them: "1-4", "5&amp;6", "1,3,5,7", "&amp;1", "8 | 1-3".</summary>
public static class CountText
{
    /// <param name="counts">What is to be written.</param>
    /// <param name="lineCounts">Counts in a line, for pick-ups on whole counts before it.</param>
    public static string Write(CountSpec counts, int lineCounts)
    {
        var before = counts.Positions.Where(p => p.IsPickUp && p.Fraction == Fraction.Whole).ToList();
        if (before.Count > 0)
        {
            var after = counts.Positions.Where(p => !p.IsPickUp).ToList();
            return $"{Chain(before, lineCounts)} | {(after.Count > 0 ? Span(after) : "1")}";
        }

        if (counts.IsList)
        {
            return string.Join(',', counts.Positions.Select(p => p.Label(lineCounts)));
        }

        return counts.IsRange ? Range(counts.First.Number, counts.Last.Number) : Chain(counts.Positions, lineCounts);
    }

    /// <summary>"5-8", or "5" when it is one count.</summary>
    public static string Range(int first, int last) => last > first ? $"{first}-{last}" : $"{first}";

    private static string Span(List<Beat> positions) =>
        positions.TrueForAll(p => p.Fraction == Fraction.Whole) && positions[^1].Number - positions[0].Number == positions.Count - 1
            ? Range(positions[0].Number, positions[^1].Number)
            : Chain(positions, 8);

    private static string Chain(IReadOnlyList<Beat> positions, int lineCounts)
    {
        var text = new StringBuilder();
        var number = int.MinValue;
        for (var i = 0; i < positions.Count; i++)
        {
            var beat = positions[i];
            if (beat.Fraction == Fraction.Whole)
            {
                var runsOn = text.Length > 0 && char.IsAsciiDigit(text[^1]);
                text.Append(runsOn ? "," : "").Append(new Beat(beat.Number, Fraction.Whole).Label(lineCounts));
            }
            else
            {
                // A letter belongs to the number written just before it; alone it needs its number, save before a count.
                var nextIsNext = i + 1 < positions.Count && positions[i + 1].Number == beat.Number + 1;
                text.Append(beat.Number == number || nextIsNext || beat.IsPickUp ? Beat.Letter(beat.Fraction) : beat.Label(lineCounts));
            }

            number = beat.Number;
        }

        if (positions[^1].IsPickUp && positions[^1].Fraction != Fraction.Whole)
        {
            text.Append('1');
        }

        return text.ToString();
    }
}
