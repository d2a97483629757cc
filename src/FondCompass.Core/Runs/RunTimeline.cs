using FondCompass.Core.Actions;
using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Runs;

/// <summary>One action of a run, in song time.</summary>
/// <param name="Seconds">From the song's count 0, at full rate.</param>
/// <param name="SongCount">Song count at which it sounds, with its fraction.</param>
/// <param name="StartsCall">First action of a named step, so that its cue is due.</param>
public sealed record RunAction(
    double Seconds, double SongCount, string Count, string Step, string Verb, Foot Foot, bool TakesWeight, Weight Weight, Facing Facing,
    Eighths Turn, int Repeat, int? Wall, string Part, int Line, bool IsTag, bool StartsCall);

/// <summary>A run as what happens when, for the call board, sheets and sound.</summary>
public static class RunTimeline
{
    /// <param name="run">The run.</param>
    /// <param name="mostRepeats">Stop after so many repeats; null for the whole song.</param>
    public static IReadOnlyList<RunAction> Of(DanceRun run, int? mostRepeats = null)
    {
        var lineCounts = run.Trace.Dance.Header.LineCounts;
        var walls = run.Repeats.ToDictionary(r => r.Index, r => r.Wall);
        var actions = new List<RunAction>();
        foreach (var stretch in run.Stretches)
        {
            if (stretch.Repeat > mostRepeats)
            {
                break;
            }

            var facing = stretch.StartFacing;
            var call = -1;
            foreach (var (step, weight, _) in stretch.Stretch.Dance(stretch.StartWeight))
            {
                facing += step.Turn;
                if (step.Moment is not DanceAction action || step.Verb is not { } verb)
                {
                    continue;
                }

                var count = stretch.FromCount - stretch.Stretch.From + action.At.InCounts;
                actions.Add(new RunAction(
                    run.Song.Time.SecondsAt(count), count, action.Beat.Label(lineCounts), action.Step, verb.Name, step.Foot,
                    verb.Kind == VerbKind.Takes, weight, facing, step.Turn, stretch.Repeat, walls.GetValueOrDefault(stretch.Repeat),
                    stretch.Part, action.Line, stretch.IsTag, action.Call != call));
                call = action.Call;
            }
        }

        actions.Sort((a, b) => a.SongCount.CompareTo(b.SongCount));
        return actions;
    }
}
