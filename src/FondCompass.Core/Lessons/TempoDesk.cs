using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Lessons;

/// <summary>The dance at one rate of its music.</summary>
/// <param name="Rate">Share of full tempo; 0.8 makes all times a quarter longer.</param>
/// <param name="Bpm">Counts per minute where the dance begins.</param>
/// <param name="FastestBpm">The fastest tempo it meets.</param>
/// <param name="PatternSeconds">One pattern, from the first repeat's start.</param>
/// <param name="SongSeconds">The whole song.</param>
/// <param name="ActionsPerSecond">Sets of a foot a second in the busiest line, at the fastest tempo.</param>
/// <param name="Hard">Steps that are past their limit, each once.</param>
/// <param name="ShortCues">Steps whose full cue no longer fits before them.</param>
/// <param name="LostCues">Steps of which only the foot can still be called.</param>
public sealed record TempoRow(
    double Rate, double Bpm, double FastestBpm, double PatternSeconds, double SongSeconds, double ActionsPerSecond,
    IReadOnlyList<string> Hard, IReadOnlyList<string> ShortCues, IReadOnlyList<string> LostCues);

/// <summary>The same dance at several rates beside each other.</summary>
public static class TempoDesk
{
    /// <summary>Rates that are taught at.</summary>
    public static readonly IReadOnlyList<double> Usual = [0.6, 0.7, 0.8, 0.9, 1.0, 1.1];

    public static IReadOnlyList<TempoRow> Of(DanceRun run, StepLexicon lexicon, IReadOnlyList<double>? rates = null)
    {
        var fastest = run.Stretches.SelectMany(s => (double[])[run.Song.Time.BpmAt(s.FromCount), run.Song.Time.BpmAt(new SongCount(Math.Max(s.FromCount, s.ToCount - 0.001)))]).DefaultIfEmpty(0).Max();
        var parts = run.Stretches.Select(s => s.Stretch.Pattern).Distinct().ToList();
        var calls = CallsOf(parts, lexicon);
        var steps = parts.SelectMany(p => p.Actions.Zip(TempoLimits.Each(p, run.Trace.Dance.Header.Genre)).Select(a => (Step: a.First.Action.Name, Limit: a.Second.Bpm))).ToList();
        var busiest = parts.SelectMany(p => p.Actions.Where(a => a.Foot.IsSingle()).CountBy(a => a.Action.Line).Select(l => l.Value / (double)Math.Max(1, p.Part.Lines[l.Key - 1].Counts))).DefaultIfEmpty(0).Max();
        var time = run.Song.Time;
        var pattern = run.PatternSeconds;
        return (rates ?? Usual).Select(rate =>
        {
            var top = fastest * rate;
            var cues = calls.Select(c => (c.Step, Cue.Choose(c.Words, c.Foot, c.Room * 60 / Math.Max(1, top)).Length)).ToList();
            return new TempoRow(
                rate, time.BpmAt(run.Start) * rate, top, pattern / rate, run.Song.Seconds / rate, busiest * top / 60,
                [.. steps.Where(s => s.Limit < top).Select(s => s.Step).Distinct()],
                [.. cues.Where(c => c.Length is CueLength.Keyword or CueLength.OneWord).Select(c => c.Step).Distinct()],
                [.. cues.Where(c => c.Length == CueLength.Foot).Select(c => c.Step).Distinct()]);
        }).ToList();
    }

    /// <summary>Every call with its cue and the counts there are to say it: at most two, from where the call before it begins.</summary>
    private static List<(string Step, CueWords Words, string Foot, double Room)> CallsOf(IReadOnlyList<PartTrace> parts, StepLexicon lexicon)
    {
        var calls = new List<(string, CueWords, string, double)>();
        foreach (var part in parts)
        {
            var before = -Cue.DefaultLead;
            foreach (var call in part.Actions.GroupBy(a => a.Action.Call))
            {
                var first = call.First();
                var at = first.At.InCounts;
                var words = lexicon.Find(first.Action.Step)?.Cue ?? new CueWords(first.Action.Step, first.Action.Step, first.Action.Step);
                calls.Add((first.Action.Name, words, first.Foot.Word(), Math.Min(Cue.DefaultLead, at - before)));
                before = at;
            }
        }

        return calls;
    }
}
