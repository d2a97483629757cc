using FondCompass.Core.Findings;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Text;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Checks;

/// <summary>All findings of a dance, reading included, in the order of the text.</summary>
public static class DanceChecks
{
    /// <summary>More findings than this help nobody.</summary>
    public const int Most = 500;

    /// <summary>Parts beyond so many findings are not looked at any more.</summary>
    private const int EnoughToSort = 20_000;

    public static readonly FindingCode More = new("TEXT11", Severity.Info);

    public static IReadOnlyList<Finding> Check(DanceTrace trace)
    {
        var dance = trace.Dance;
        var findings = new List<Finding>(dance.Findings);
        findings.AddRange(trace.Actions.Findings);
        var opening = trace.Calls.Count > 0 ? trace.Calls[0].Stretch.Pattern : null;
        foreach (var part in trace.Parts.TakeWhile(_ => findings.Count < EnoughToSort))
        {
            findings.AddRange(FootChecks.Check(dance, part).Take(Most));
            findings.AddRange(TurnChecks.Check(dance, part).Take(Most));
            findings.AddRange(FactChecks.Check(dance, part).Take(Most));
            findings.AddRange(TrapChecks.Check(dance, part, ReferenceEquals(part, opening)).Take(Most));
        }

        findings.AddRange(JoinChecks.Check(trace));
        findings.AddRange(WallChecks.Check(trace));
        findings.AddRange(VariantChecks.Check(trace));
        findings.AddRange(ExceptionChecks.Check(trace));
        findings.AddRange(NoteChecks.Check(trace));
        var cut = findings.Count > Most;
        // Where not all are listed: first that the text was not read to its end, then what cannot be danced; and that there are more.
        var ordered = findings
            .OrderBy(f => !cut ? 0 : f.Kind == NotationFindings.TooMuch ? 0 : f.Severity == Severity.Error ? 1 : 2)
            .ThenBy(f => f.Place.Row ?? int.MaxValue)
            .ThenBy(f => f.Severity)
            .ToList();
        return (cut ? ordered.Take(Most - 1).Append(TooMany(ordered)) : ordered)
            .Select(f => f.Place is { Row: { } row, Words: null } && row <= dance.Rows.Count
                ? f with { Place = f.Place with { Words = Content(dance.Rows[row - 1]) } }
                : f)
            .ToList();
    }

    /// <summary>What tells of those that are left out, at the first of them.</summary>
    private static Finding TooMany(List<Finding> ordered)
    {
        var left = ordered.Count - Most + 1;
        return new Finding(
            More,
            new Place(Row: ordered[Most - 1].Place.Row ?? 1),
            CheckTexts.MoreFindings(Most - 1, left));
    }

    /// <summary>A row without its remark and the space around it.</summary>
    private static TextSpan? Content(string row)
    {
        var content = RowText.WithoutComment(row);
        return content.Length > 0 && row.IndexOf(content, StringComparison.Ordinal) is >= 0 and var at
            ? new TextSpan(at, content.Length)
            : null;
    }
}
