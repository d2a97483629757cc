using FondCompass.Core.Actions;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Runs;

/// <summary>A way to finish to the front.</summary>
/// <param name="Count">Count in the part at which something changes, from 1: "23", "23&amp;"; null for a pose on the last count.</param>
/// <param name="Was">The turn as written.</param>
/// <param name="Becomes">The turn the last time; of a pose the turn into it.</param>
public sealed record EndingFix(string? Count, Eighths Was, Eighths Becomes)
{
    public bool IsPose => Count is null;
}

/// <summary>The smallest changes that let a run finish to the front (rules, section 6).</summary>
public static class EndingToFront
{
    /// <summary>Counts before the end in which a turn may be changed.</summary>
    private const int LastCounts = 8;

    /// <returns>Ways, the smallest first: a turn of the last counts enlarged, dropped or reversed, then a pose; empty when the run ends to
    /// the front already.</returns>
    public static IReadOnlyList<EndingFix> Ways(RunStretch last, Facing front)
    {
        var right = (front - last.EndFacing).Value;
        if (right == 0)
        {
            return [];
        }

        var needed = new Eighths(right > 4 ? right - Eighths.Full : right);
        var pose = new EndingFix(null, Eighths.None, needed);
        EndingFix? best = null;
        foreach (var (step, _, _) in last.Stretch.Dance(last.StartWeight))
        {
            var turn = step.Turn;
            if (turn.IsNone || step.Moment is not DanceAction action || action.At < Tick.FromCounts(last.Stretch.To - LastCounts))
            {
                continue;
            }

            foreach (var change in (Eighths[])[needed, new(needed.Value - (Math.Sign(needed.Value) * Eighths.Full))])
            {
                var altered = turn + change;
                if (altered.Size < (best?.Becomes.Size ?? int.MaxValue) && altered.Size <= Eighths.Full)
                {
                    best = new EndingFix(PartCount.Label(action.At), turn, altered);
                }
            }
        }

        return best is null ? [pose] : [best, pose];
    }
}
