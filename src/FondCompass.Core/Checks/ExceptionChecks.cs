using FondCompass.Core.Findings;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Checks;

/// <summary>Exceptions by repeat that no song could bring about.</summary>
public static class ExceptionChecks
{
    public static readonly FindingCode RestartBeyond = new("RUN01", Severity.Warning, "A restart after a count that does not exist");

    public static IEnumerable<Finding> Check(DanceTrace trace)
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
        restart.Row, $"Repeat {restart.Repeat} has {counts} counts, so it cannot be cut after count {restart.AfterCount}; it is danced whole. Name a count from 1 to {counts - 1}.");
}
