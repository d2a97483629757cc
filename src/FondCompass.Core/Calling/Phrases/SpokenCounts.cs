using System.Globalization;
using System.Text.RegularExpressions;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;

namespace FondCompass.Core.Calling.Phrases;

/// <summary>What is counted aloud on a count.</summary>
public static partial class SpokenCounts
{
    /// <summary>On a count of a line: up, or down to 1.</summary>
    /// <param name="count">The count, from 1.</param>
    /// <param name="of">Counts of the line.</param>
    public static string Label(CountStyle style, int count, int of) => style switch
    {
        CountStyle.Down => $"{of - count + 1}",
        CountStyle.Fours => $"{((count - 1) % 4) + 1}",
        CountStyle.DownFours => $"{4 - ((count - 1) % 4)}",
        _ => $"{count}",
    };

    /// <summary>Words that speak of counts, as the class hears those: "count 8" is "count 1" where it is counted down.</summary>
    /// <param name="of">Counts of a line.</param>
    public static string InWords(string words, CountStyle style, int of) =>
        style is CountStyle.Up or CountStyle.Names or CountStyle.Rhythm ? words
        : CountSaid().Replace(
            words,
            m => $"{m.Groups["count"].Value}{Label(style, int.Parse(m.Groups["number"].Value, CultureInfo.InvariantCulture), of)}");

    [GeneratedRegex(@"\b(?<count>[Cc]ounts? )(?<number>[1-9][0-9]?)\b", RegexOptions.NonBacktracking)]
    private static partial Regex CountSaid();

    /// <summary>
    /// The words said on the beats of some actions, by song count: names where steps begin, or slow and quick by how long each movement
    /// lasts.
    /// </summary>
    /// <param name="style">Names or rhythm words; of every other there are none.</param>
    public static Dictionary<int, string> Words(CountStyle style, IReadOnlyList<RunAction> actions)
    {
        var words = new Dictionary<int, string>();
        for (var i = 0; style is CountStyle.Names or CountStyle.Rhythm && i < actions.Count; i++)
        {
            var (action, at) = (actions[i], actions[i].SongCount.Value);
            if (!double.IsInteger(Math.Round(at, 6)) || (style == CountStyle.Names ? action.Wording is null : action.Foot == Foot.None))
            {
                continue;
            }

            var next = actions.Skip(i + 1).FirstOrDefault(a => a.Foot != Foot.None)?.SongCount.Value ?? at + action.Counts;
            words.TryAdd((int)Math.Round(at), style == CountStyle.Names ? action.Wording!.Name : next - at >= 2 - 1e-6 ? "slow" : "quick");
        }

        return words;
    }

    /// <summary>On one count of the count-in: the words said, else the counts that lead to 1: "5, 6, 7, 8", or down to it.</summary>
    /// <param name="i">Which of them, from 0.</param>
    public static string InLabel(DanceHeader header, CountStyle style, int i, int counts) =>
        header.CountInWords.Count == counts ? header.CountInWords[i]
        : style is CountStyle.Down or CountStyle.DownFours ? $"{counts - i}"
        : $"{((header.LineCounts - counts + i) % header.LineCounts + header.LineCounts) % header.LineCounts + 1}";
}
