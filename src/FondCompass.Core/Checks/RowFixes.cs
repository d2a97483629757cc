using System.Text.RegularExpressions;
using FondCompass.Core.Actions;
using FondCompass.Core.Counts;
using FondCompass.Core.Findings;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Checks;

/// <summary>One-key changes to a row.</summary>
internal static partial class RowFixes
{
    /// <summary>Rows longer than this are no rows of a dance; nobody mends them with one key.</summary>
    private const int LongestRow = 300;

    /// <summary>Names the other foot, or the other feet where the row names several.</summary>
    public static Fix? OtherFoot(Dance dance, TracedAction action)
    {
        var entry = action.Action;
        if (entry.Role != FootRole.Named && !entry.CallLead.IsSingle())
        {
            return null;
        }

        var row = dance.Rows[entry.Row - 1];
        if (row.Length > LongestRow)
        {
            return null;
        }

        var changed = FootWord().Replace(row, word => word.Value switch
        {
            "R" => "L",
            "L" => "R",
            "r" => "l",
            "l" => "r",
            "right" => "left",
            _ => "right",
        });
        return changed == row ? null : new Fix($"use the {action.Foot.Other().Word()} foot", entry.Row, changed);
    }

    /// <summary>Turns the other way, where the row names exactly one side after its amount.</summary>
    public static Fix? OtherSide(Dance dance, TracedAction action)
    {
        var row = dance.Rows[action.Action.Row - 1];
        var words = row.Length > LongestRow ? null : SideWord().Matches(row);
        if (words is not { Count: 1 })
        {
            return null;
        }

        var word = words[0].Groups[1];
        var other = word.Value switch { "left" => "right", "right" => "left", "L" => "R", _ => "L" };
        return new Fix($"turn {other}", action.Action.Row, string.Concat(row.AsSpan(0, word.Index), other, row.AsSpan(word.Index + word.Length)));
    }

    [GeneratedRegex(@"(?<![\w/])(?:R|L|r|l|right|left)(?!\w)(?<!\d\s(?:right|left|R|L))")]
    private static partial Regex FootWord();

    [GeneratedRegex(@"(?:\d|[¼½¾]|half|quarter|full)\s+(left|right|L|R)(?!\w)")]
    private static partial Regex SideWord();
}
