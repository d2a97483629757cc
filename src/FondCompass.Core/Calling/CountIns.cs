using FondCompass.Core.Runs;

namespace FondCompass.Core.Calling;

/// <summary>
/// The count-ins of a run. While it is counted in nothing else is said: what would be said then is said before (calls, section 3).
/// </summary>
internal sealed class CountIns
{
    private sealed record CountIn(int From, int To);

    private readonly List<CountIn> _all;

    public CountIns(DanceRun run, CallSettings settings)
    {
        var counts = settings.CountIn ?? run.Trace.Dance.Header.CountIn;
        _all = [.. (settings.Starts.Count > 0 ? settings.Starts : [run.Start])
            .Where(_ => counts > 0)
            .Select(s => new CountIn(s - counts, s))];
    }

    /// <summary>
    /// The song count by which a call for something has to be whole: its own, or where the count-in begins that leads to it.
    /// </summary>
    public double Deadline(double from) => _all.Find(c => from > c.From && from <= c.To) is { } counted ? counted.From : from;

    /// <summary>The song count from which a call for something may begin.</summary>
    /// <param name="ahead">Counts before its deadline that it may begin.</param>
    public double Earliest(double from, double ahead)
    {
        var (deadline, earliest) = (Deadline(from), Deadline(from) - ahead);
        return _all.Find(c => c.To <= deadline && c.To > earliest) is { } counted ? counted.To : earliest;
    }
}
