using FondCompass.Core.Findings;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Notation.Rows;

/// <summary>Reads the rows that call parts: the order, tags after a repeat, restarts.</summary>
internal sealed partial class CallReader(List<(string Name, bool IsTag)> parts, List<Finding> findings)
{
    /// <summary>Longest order that is unrolled, in calls of all its rows.</summary>
    private const int MostCalls = 240;

    private int _called;

    /// <summary>Brackets inside brackets.</summary>
    private const int Deepest = 16;

    private static readonly string[] Joiners = ["and then", "then", "and", "->", "=>", "the order is", "it goes"];
    private static readonly string[] Loops =
    [
        "round and round", "round & round", "and round again", "over and over", "repeat to the end", "and repeat", "loop",
        "until the music ends", "until it ends", "and so on", "ad lib"
    ];

    /// <summary>An order: its calls, and whether it goes round until the music ends.</summary>
    /// <param name="IsFree">No order: moves are called live.</param>
    public sealed record Order(IReadOnlyList<OrderCall> Calls, bool Loops, bool IsFree);

    /// <summary>"3 T1": tag T1 after repeat 3.</summary>
    public TagAfter? ReadTag(int row, string rest)
    {
        var walk = new Walk(rest, row);
        _ = walk.Take("repeat") || walk.Take("wall");
        walk.Skip();
        var repeat = walk.Number();
        walk.Skip();
        var name = walk.Text[walk.At..].Trim();
        if (name.StartsWith("tag ", StringComparison.OrdinalIgnoreCase) && !parts.Exists(p => Same(p.Name, name)))
        {
            name = name[4..].Trim();
        }

        if (repeat is null || name.Length == 0)
        {
            findings.Add(NotationFindings.BadException.At(
                row,
                NotationTexts.AfterCannotBeRead(rest)));
            return null;
        }

        if (repeat < 1)
        {
            findings.Add(NotationFindings.BadException.At(row, NotationTexts.TagBeforeTheFirst));
            return null;
        }

        if (!parts.Exists(p => Same(p.Name, name)))
        {
            findings.Add(NotationFindings.UnknownPart.At(
                row,
                NotationTexts.AfterCallsNothing(rest, name, Known())));
            return null;
        }

        return new TagAfter(repeat.Value, name, row);
    }

    /// <summary>"4 after 16": cut repeat 4 after 16 counts.</summary>
    public RestartAfter? ReadRestart(int row, string rest)
    {
        var walk = new Walk(rest, row);
        _ = walk.Take("repeat") || walk.Take("wall");
        walk.Skip();
        var repeat = walk.Number() ?? 0;
        walk.Skip();
        var after = walk.Take("after");
        walk.Skip();
        _ = walk.Take("counts") || walk.Take("count");
        walk.Skip();
        var count = walk.Number() ?? 0;
        walk.Skip();
        _ = walk.Take("counts") || walk.Take("count");
        if (repeat < 1 || count < 1 || !after || walk.Text[walk.At..].Trim().Length > 0)
        {
            findings.Add(NotationFindings.BadException.At(
                row, NotationTexts.RestartCannotBeRead(rest)));
            return null;
        }

        return new RestartAfter(repeat, count, row);
    }

    /// <summary>Whether a row names a part that there is; a finding when not.</summary>
    public bool Knows(int row, string text, string name)
    {
        var known = parts.Exists(p => Same(p.Name, name));
        if (!known)
        {
            findings.Add(NotationFindings.UnknownPart.At(row, NotationTexts.CallsNothing(text, name, Known())));
        }

        return known;
    }

    private string? NameAt(string text, int at)
    {
        string? best = null;
        foreach (var (name, _) in parts)
        {
            var end = at + name.Length;
            if (end <= text.Length && string.Compare(text, at, name, 0, name.Length, StringComparison.OrdinalIgnoreCase) == 0
                && (end == text.Length || !char.IsLetterOrDigit(text[end]))
                && name.Length > (best?.Length ?? 0))
            {
                best = name;
            }
        }

        return best;
    }

    private string Known() => parts.Count == 0
        ? NotationTexts.NoPartsYet
        : NotationTexts.ThereIs(string.Join(", ", parts.Select(p => p.Name).Distinct().Take(12)));

    private static bool Same(string a, string b) => string.Equals(a, b, StringComparison.OrdinalIgnoreCase);
}
