using FondCompass.Core.Findings;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Checks;

/// <summary>Exceptions by repeat that no song could bring about.</summary>
public static class ExceptionChecks
{
    public static readonly FindingCode RestartBeyond = new("RUN01", Severity.Warning);

    public static readonly FindingCode NoOrder = new("RUN06", Severity.Warning);

    public static IEnumerable<Finding> Check(DanceTrace trace) => [.. Beyonds(trace), .. WithoutOrder(trace.Dance)];

    /// <summary>A loop has one part: none can be left out, danced again, moved, or given to a passage.</summary>
    private static IEnumerable<Finding> WithoutOrder(Dance dance) => dance.IsPhrased || dance.IsFree ? []
        : dance.OrderChanges.Select(c => c.Row).Concat(dance.Meetings.Select(m => m.Row)).Order().Select(row => NoOrder.At(
            row,
            CheckTexts.OnlyWithAnOrder));

    private static IEnumerable<Finding> Beyonds(DanceTrace trace)
    {
        if (trace.Dance.IsPhrased || trace.Calls.Count == 0 || trace.Dance.Versions.Count > 0)
        {
            // What a repeat holds is known when it is run.
            return [];
        }

        var counts = trace.Calls[0].Stretch.Counts;
        return trace.Dance.Restarts.Where(r => r.AfterCount >= counts && counts > 0).Select(r => Beyond(r, counts));
    }

    /// <param name="counts">Counts that the repeat has.</param>
    public static Finding Beyond(RestartAfter restart, int counts) => RestartBeyond.At(
        restart.Row,
        CheckTexts.CutAfterNoCount(restart.Repeat, counts, restart.AfterCount, counts - 1));
}
