using FondCompass.Core.Actions;
using FondCompass.Core.Counts;

namespace FondCompass.Core.Runs;

/// <summary>The smallest change that lets a run finish to the front (rules, section 6).</summary>
public static class EndingToFront
{
    /// <summary>Counts before the end in which a turn may be changed.</summary>
    private const int LastCounts = 8;

    /// <returns>What to change, in words, or null when the run ends to the front already.</returns>
    public static string? Suggest(RunStretch last, Facing front)
    {
        var right = (front - last.EndFacing).Value;
        if (right == 0)
        {
            return null;
        }

        var needed = new Eighths(right > 4 ? right - Eighths.Full : right);
        string? best = null;
        var bestSize = int.MaxValue;
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
                if (altered.Size >= bestSize || altered.Size > Eighths.Full)
                {
                    continue;
                }

                bestSize = altered.Size;
                best = (altered.IsNone, Math.Sign(altered.Value) == Math.Sign(turn.Value)) switch
                {
                    (true, _) => $"on count {CountOf(action)} leave out the {Name(turn)} turn",
                    (_, true) => $"on count {CountOf(action)} turn {altered} in place of {turn}",
                    _ => $"on count {CountOf(action)} turn {altered}, the other way, in place of {turn}",
                };
            }
        }

        return best is not null
            ? $"To finish to the front, {best} the last time."
            : $"To finish to the front, turn {needed} on the last count and hold a pose.";
    }

    private static string Name(Eighths turn) => turn.ToString();

    private static int CountOf(DanceAction action) => (action.At.Value / Tick.PerCount) + 1;
}
