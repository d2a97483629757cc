using FondCompass.Core.Findings;
using FondCompass.Core.Notation;
using FondCompass.Core.Steps;

namespace FondCompass.Core;

/// <summary>
/// Every fix is tried in a copy before it is offered: what it mends must be gone, nothing of its weight may have come instead, and no
/// new error may have risen; else the finding stands without it (reading, section 1).
/// </summary>
public static class FixTrial
{
    /// <summary>Fixes tried for one reading; those behind are offered once the ones before are settled.</summary>
    public const int MostTrials = 24;

    /// <summary>Rows and letters read and actions traced again in all; long dances have fewer fixes tried, a book of them none.</summary>
    private const int MostRows = 4_000, MostLetters = 120_000, MostActions = 40_000;

    public static Analysis WithTriedFixes(this Analysis analysis, StepLexicon? lexicon = null)
    {
        if (!analysis.Findings.Any(f => f.Fix is not null))
        {
            return analysis;
        }

        var dance = analysis.Dance;
        int[] bounds =
        [
            MostTrials,
            MostRows / Math.Max(1, dance.Rows.Count),
            MostLetters / Math.Max(1, dance.Rows.Sum(r => r.Length)),
            MostActions / Math.Max(1, analysis.Trace.Parts.Sum(p => p.Actions.Count))
        ];
        var trials = bounds.Min();
        var tried = new Dictionary<Fix, bool>();
        return analysis with
        {
            Findings = [.. analysis.Findings.Select(f => f.Fix is null ? f : f with { Fix = Mending(f) })],
        };

        Fix? Mending(Finding finding)
        {
            for (var fix = finding.Fix; fix is not null; fix = fix.Otherwise)
            {
                if (Mends(finding, fix))
                {
                    return fix with { Otherwise = null };
                }
            }

            return null;
        }

        bool Mends(Finding finding, Fix fix)
        {
            if (!tried.TryGetValue(fix, out var mends))
            {
                mends = tried[fix] = tried.Count < trials && Try(analysis, finding, Applied(dance, fix), lexicon);
            }

            return mends;
        }
    }

    /// <summary>The script with one row changed.</summary>
    private static string Applied(Dance dance, Fix fix)
    {
        var rows = dance.Rows.ToArray();
        rows[fix.Row - 1] = fix.NewText;
        return string.Join('\n', rows);
    }

    private static bool Try(Analysis before, Finding finding, string script, StepLexicon? lexicon)
    {
        var after = Analysis.Analyse(script, lexicon);
        if (Weighed(after, finding) >= Weighed(before, finding))
        {
            return false;
        }

        // An error that moved is the same error; one of another kind, or one more of its kind, is new.
        var errors = Errors(before);
        return Errors(after).All(kind => kind.Value <= errors.GetValueOrDefault(kind.Key));
    }

    /// <summary>What the fix is to lower: all errors for an error, else the findings of its own kind.</summary>
    private static int Weighed(Analysis analysis, Finding finding) =>
        analysis.Findings.Count(f => finding.Severity == Severity.Error ? f.Severity == Severity.Error : f.Kind == finding.Kind);

    private static Dictionary<string, int> Errors(Analysis analysis) =>
        analysis.Findings.Where(f => f.Severity == Severity.Error).GroupBy(f => f.Code).ToDictionary(g => g.Key, g => g.Count());
}
