using FondCompass.Core.Findings;
using FondCompass.Core.Notation;
using FondCompass.Core.Text;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Checks;

/// <summary>All findings of a dance, reading included, in the order of the text.</summary>
public static class DanceChecks
{
    /// <summary>More findings than this help nobody.</summary>
    public const int Most = 500;

    /// <summary>Parts beyond so many findings are not looked at any more.</summary>
    private const int EnoughToSort = 20_000;

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
        return findings
            .OrderBy(f => f.Severity == Severity.Error && findings.Count > Most ? 0 : 1)
            .ThenBy(f => f.Place.Row ?? int.MaxValue)
            .ThenBy(f => f.Severity)
            .Take(Most)
            .Select(f => f.Place is { Row: { } row, Words: null } && row <= dance.Rows.Count ? f with { Place = f.Place with { Words = Content(dance.Rows[row - 1]) } } : f)
            .ToList();
    }

    /// <summary>A row without its remark and the space around it.</summary>
    private static TextSpan? Content(string row)
    {
        var content = RowText.WithoutComment(row);
        return content.Length > 0 && row.IndexOf(content, StringComparison.Ordinal) is >= 0 and var at ? new TextSpan(at, content.Length) : null;
    }
}
