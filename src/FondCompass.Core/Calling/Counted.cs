using FondCompass.Core.Notation;

namespace FondCompass.Core.Calling;

/// <summary>What is counted aloud on a count.</summary>
public static class Counted
{
    /// <summary>On a count of a line: up, or down to 1.</summary>
    /// <param name="count">The count, from 1.</param>
    /// <param name="of">Counts of the line.</param>
    public static string Label(CountStyle style, int count, int of) => style switch
    {
        CountStyle.Down => $"{of - count + 1}",
        CountStyle.Fours => $"{((count - 1) % 4) + 1}",
        _ => $"{count}",
    };

    /// <summary>On one count of the count-in: the words said, else the counts that lead to 1: "5, 6, 7, 8", or down to it.</summary>
    /// <param name="i">Which of them, from 0.</param>
    public static string InLabel(DanceHeader header, CountStyle style, int i, int counts) =>
        header.CountInWords.Count == counts ? header.CountInWords[i]
        : style == CountStyle.Down ? $"{counts - i}"
        : $"{((header.LineCounts - counts + i) % header.LineCounts + header.LineCounts) % header.LineCounts + 1}";
}
