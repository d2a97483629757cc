using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;

namespace FondCompass.Core.Notation.Rows;

/// <summary>The words that open rows which are neither settings nor steps: repeats, endings, variants, named lines.</summary>
internal static partial class RowOpeners
{
    /// <summary>Most times a line or part is danced by one "x" in the text.</summary>
    public const int MostTimes = 64;

    /// <summary>Most words of a variant's name.</summary>
    private const int LongestName = 5;

    /// <summary>Words before "time" and the time they mean; null for every time.</summary>
    public static readonly IReadOnlyDictionary<string, int?> Times = new Dictionary<string, int?>
    {
        ["first"] = 1,
        ["1st"] = 1,
        ["second"] = 2,
        ["2nd"] = 2,
        ["third"] = 3,
        ["3rd"] = 3,
        ["fourth"] = 4,
        ["4th"] = 4,
        ["fifth"] = 5,
        ["5th"] = 5,
        ["sixth"] = 6,
        ["6th"] = 6,
        ["seventh"] = 7,
        ["7th"] = 7,
        ["eighth"] = 8,
        ["8th"] = 8,
        ["every"] = null,
        ["both"] = null,
        ["all"] = null,
    };

    private static readonly (string Words, VariantKind Kind)[] Kinds =
    [
        ("easier", VariantKind.Easier), ("easy", VariantKind.Easier), ("simpler", VariantKind.Easier),
        ("showier", VariantKind.Showier), ("harder", VariantKind.Showier),
        ("no turn", VariantKind.NoTurn),
        ("no-turn", VariantKind.NoTurn), ("no turns", VariantKind.NoTurn), ("without turn", VariantKind.NoTurn),
        ("without turns", VariantKind.NoTurn),
        ("low impact", VariantKind.LowImpact), ("low-impact", VariantKind.LowImpact),
        ("small room", VariantKind.SmallRoom), ("small-room", VariantKind.SmallRoom),
        ("version", VariantKind.Version), ("no", VariantKind.Without), ("without", VariantKind.Without),
    ];

    public static IReadOnlyList<string> VariantWords => [.. Kinds.Select(k => k.Words.Split(' ')[0]).Distinct()];

    /// <summary>"again", "again x3", "again mirrored", "other side".</summary>
    public static AgainEntry? Again(int row, string text)
    {
        var match = AgainRow().Match(text);
        return match.Success
            ? new AgainEntry(row, Count(match.Groups["times"]), match.Groups["side"].Success)
            : null;
    }

    /// <summary>"second time", "every time", "the second time: 7-8 stomp R": which time, and how long the words that say so are.</summary>
    public static (int? Time, int Length)? Ending(string text)
    {
        var match = EndingRow().Match(text);
        return match.Success && Times.TryGetValue(match.Groups["which"].Value.ToLowerInvariant(), out var time)
            ? (time, match.Length)
            : null;
    }

    /// <summary>
    /// "easier 5-8 vine R", "version out at sea: 5-8 vine R", "no arms 5-8 vine R": the variant, and how long the words that say so are.
    /// A name lasts to the counts or the colon; without either a version's name is one word, and nothing else has one.
    /// </summary>
    public static (VariantLabel Label, int Length)? Variant(string text)
    {
        if (Kind(text) is not { } found)
        {
            return null;
        }

        var at = found.Length;
        var (firstWord, words) = (at, 0);
        while (words <= LongestName)
        {
            var word = at;
            while (word < text.Length && char.IsWhiteSpace(text[word]))
            {
                word++;
            }

            var colon = at < text.Length && (text[at] == ':' || text[at - 1] == ':');
            if (colon
                || word >= text.Length
                || (word > at && CountsReader.TryRead(text[word..], 8, null, out _, out _) == CountsOutcome.Read))
            {
                var name = text[found.Length..at].Trim().TrimEnd(':');
                if (word >= text.Length && !colon && words > 0)
                {
                    // No counts and no colon: where the name ends nobody has said.
                    break;
                }

                return found.Kind is VariantKind.Without or VariantKind.Version && name.Length == 0 ? null
                    : (new VariantLabel(found.Kind, name), colon && text[at - 1] != ':' ? at + 1 : at);
            }

            at = word;
            while (at < text.Length && !char.IsWhiteSpace(text[at]) && text[at] != ':')
            {
                at++;
            }

            words++;
            firstWord = words == 1 ? at : firstWord;
        }

        return found.Kind switch
        {
            VariantKind.Without => null,
            VariantKind.Version => (new VariantLabel(VariantKind.Version, text[found.Length..firstWord].Trim()), firstWord),
            _ => (new VariantLabel(found.Kind), found.Length),
        };
    }

    /// <summary>The same words with nothing behind them: "easier", "version out at sea", "no arms".</summary>
    public static VariantLabel? Label(string text)
    {
        var trimmed = text.Trim();
        return Kind(trimmed) is { } found
            && trimmed[found.Length..].Trim() is var name
            && (name.Length > 0 || found.Kind is not (VariantKind.Without or VariantKind.Version))
            && name.Split(' ').Length <= LongestName
            ? new VariantLabel(found.Kind, name) : null;
    }

    /// <summary>The longest words of a kind that a text begins with.</summary>
    private static (VariantKind Kind, int Length)? Kind(string text)
    {
        (VariantKind, int)? best = null;
        foreach (var (words, kind) in Kinds)
        {
            if (text.StartsWith(words, StringComparison.OrdinalIgnoreCase)
                && (text.Length == words.Length || text[words.Length] == ':' || char.IsWhiteSpace(text[words.Length]))
                && !(best is { } held && held.Item2 >= words.Length))
            {
                best = (kind, words.Length);
            }
        }

        return best;
    }

    /// <summary>"from 3 version island", "repeat 5 easier", "from 7 as written".</summary>
    public static VersionAt? VersionAt(int row, string text)
    {
        var match = VersionRow().Match(text);
        if (!match.Success || !int.TryParse(match.Groups["repeat"].ValueSpan, out var repeat) || repeat < 1)
        {
            return null;
        }

        var said = match.Groups["variant"].Value.Trim();
        var plain = said.Equals("as written", StringComparison.OrdinalIgnoreCase)
            || said.Equals("plain", StringComparison.OrdinalIgnoreCase);
        var variant = plain ? null : Label(said);
        return plain || variant is not null ? new VersionAt(repeat, match.Groups["word"].Value[0] is 'f' or 'F', variant, row) : null;
    }

    /// <summary>"3", "3rd", "third"; 0 for anything else.</summary>
    private static int CallNumber(string said) =>
        int.TryParse(said, out var number) ? number : Times.GetValueOrDefault(said.ToLowerInvariant()) ?? 0;

    /// <summary>"drop 3", "drop the third call", "repeat 3 again", "move 3 after 5".</summary>
    public static OrderChange? Change(int row, string text)
    {
        var match = ChangeRow().Match(text);
        if (!match.Success || CallNumber(match.Groups["call"].Value) is not (> 0 and var call))
        {
            return null;
        }

        var change = match.Groups["word"].Value[0] switch
        {
            'd' or 'D' => CallChange.Drop,
            'r' or 'R' => CallChange.Again,
            _ => CallChange.Move
        };
        return change != CallChange.Move ? new OrderChange(change, call, 0, row)
            : int.TryParse(match.Groups["to"].ValueSpan, out var to)
                ? new OrderChange(change, call, match.Groups["side"].Value[0] is 'b' or 'B' ? Math.Max(0, to - 1) : to, row)
            : null;
    }

    /// <summary>"finish 23 turn 3/4 left", "finish 23&amp; no turn", "finish pose turn 1/4 right", "finish pose".</summary>
    public static FinishChange? Finish(int row, string text)
    {
        var match = FinishRow().Match(text);
        if (!match.Success)
        {
            return null;
        }

        var amount = match.Groups["turn"].Value;
        var count = match.Groups["count"] is { Success: true } at ? at.Value.ToLowerInvariant() : null;
        return amount.Length == 0 ? new FinishChange(count, Eighths.None, row)
            : Eighths.TryParse(amount, out var turn) ? new FinishChange(count, turn, row)
            : null;
    }

    /// <summary>"C on chorus", "C on every chorus", "C on the \"long lantern\"": a usual kind of passage, or any name in quotes.</summary>
    public static PartOnPassage? Meeting(int row, string text)
    {
        var match = MeetingRow().Match(text);
        if (!match.Success)
        {
            return null;
        }

        var quoted = match.Groups["quoted"].Value;
        var kind = quoted.Length > 0 ? PassageKind.KindOf(quoted) : PassageKind.Every(match.Groups["kind"].Value);
        return kind is null ? null : new PartOnPassage(match.Groups["part"].Value, kind, row);
    }

    /// <summary>"A x2 mirrored" and "A easier" taken apart.</summary>
    /// <param name="known">Names of the parts above, of which it may be a variant.</param>
    public static (string Name, int Times, bool Mirrored, string? VariantOf, VariantLabel? Label) PartName(
        string name,
        Func<string, bool> known)
    {
        (name, var times, var mirrored) = TimesAtEnd(name);

        for (var cut = name.IndexOf(' '); cut > 0; cut = name.IndexOf(' ', cut + 1))
        {
            var of = name[..cut].TrimEnd(',');
            if (known(of) && Label(name[(cut + 1)..].TrimStart(',', ' ')) is { } label)
            {
                return (name, times, mirrored, of, label);
            }
        }

        return (name, times, mirrored, null, null);
    }

    /// <summary>"the walk out x2 mirrored": a line's name and how often it is danced.</summary>
    public static LineEntry Line(int row, string rest)
    {
        var (name, times, mirrored) = TimesAtEnd(rest);
        return new LineEntry(row, name, times, mirrored);
    }
}
