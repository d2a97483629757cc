using FondCompass.Core.Calling;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;

namespace FondCompass.Core.Teaching.Plans;

/// <summary>The dance at one rate of its music.</summary>
/// <param name="Rate">Share of full tempo; 0.8 makes all times a quarter longer.</param>
/// <param name="Bpm">Counts per minute where the dance begins.</param>
/// <param name="FastestBpm">The fastest tempo it meets.</param>
/// <param name="PatternSeconds">One pattern, from the first repeat's start.</param>
/// <param name="SongSeconds">The whole song.</param>
/// <param name="ActionsPerSecond">Sets of a foot a second in the busiest line, at the fastest tempo.</param>
/// <param name="Hard">Steps that are past their limit, each once.</param>
/// <param name="ShortCues">Calls, in all their words, that have to be said in fewer.</param>
/// <param name="LostCues">Calls that can no longer be said before their steps.</param>
public sealed record TempoRow(
    double Rate, double Bpm, double FastestBpm, double PatternSeconds, double SongSeconds, double ActionsPerSecond,
    IReadOnlyList<string> Hard, IReadOnlyList<string> ShortCues, IReadOnlyList<string> LostCues);

/// <summary>The same dance at several rates beside each other.</summary>
public static class TempoComparison
{
    /// <summary>Rates that are taught at.</summary>
    public static readonly IReadOnlyList<double> Usual = [0.6, 0.7, 0.8, 0.9, 1.0, 1.1];

    /// <summary>Repeats, or calls of an order, that are called; in later ones nothing is new.</summary>
    private const int MostCalled = 8;

    public static IReadOnlyList<TempoRow> Compare(DanceRun run, StepLexicon lexicon, IReadOnlyList<double>? rates = null)
    {
        var fastest = run.Stretches.SelectMany(s => (double[])[
            run.Song.Time.BpmAt(s.FromCount),
            run.Song.Time.BpmAt(new SongCount(Math.Max(s.FromCount, s.ToCount - 0.001)))
        ])
            .DefaultIfEmpty(0)
            .Max();
        var parts = run.Stretches.Select(s => s.Stretch.Pattern).Distinct().ToList();
        var steps = parts.SelectMany(p => p.Actions.Zip(TempoLimits.Each(p, run.Trace.Dance.Header.Genre))
            .Select(a => (Step: a.First.Action.Name, Limit: a.Second.Bpm)))
            .ToList();
        var busiest = parts.SelectMany(p => p.Actions.Where(a => a.Foot.IsSingle())
            .CountBy(a => a.Action.Line)
            .Select(l => l.Value / (double)Math.Max(1, p.Part.Lines[l.Key - 1].Counts)))
            .DefaultIfEmpty(0)
            .Max();
        var time = run.Song.Time;
        var pattern = run.PatternSeconds;
        return (rates ?? Usual).Select(rate =>
        {
            var top = fastest * rate;
            var cues = CueSheet.Write(run, new CallSettings(new Rate(rate * 100), Speech.DefaultLead, MostCalled), lexicon);
            return new TempoRow(
                rate, time.BpmAt(run.Start) * rate, top, pattern / rate, run.Song.Seconds / rate, busiest * top / 60,
                [.. steps.Where(s => s.Limit < top).Select(s => s.Step).Distinct()],
                [.. cues.Where(c => c.IsShortened && c.Step.Length > 0).Select(c => c.Best).Distinct()],
                [.. cues.Where(c => c.Form == CueForm.None).Select(c => c.Best).Distinct()]);
        }).ToList();
    }
}
