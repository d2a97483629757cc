using FondCompass.Core.Calling;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;

namespace FondCompass.Core.Tests.Calling;

/// <summary>A run as it is called, in counts of the dance from 1, for tests that read it as a class hears it.</summary>
internal sealed record Calls(IReadOnlyList<SheetCue> All, DanceRun Run)
{
    public static Calls Of(
        string script,
        double bpm = 120,
        int repeats = 1,
        double lead = 2,
        CallerWay way = CallerWay.Names,
        CallRule rule = CallRule.All,
        double rate = 100,
        string version = "",
        StepLexicon? lexicon = null)
    {
        var analysis = Analysis.Analyse(script, lexicon).In(version);
        var run = RunUnroller.Unroll(
            analysis.Trace,
            Song.Steady(16 + (Math.Max(1, analysis.Trace.TotalCounts) * (analysis.Dance.IsPhrased ? 1 : repeats)), new Bpm(bpm)),
            16);
        return new Calls(CueSheet.Write(run, new CallSettings(new Rate(rate), lead, 99) { Way = way, Rule = rule }, lexicon), run);
    }

    /// <summary>All but the beat track, and but what ends the run.</summary>
    public IEnumerable<SheetCue> Said => All.Where(c => !c.IsBeat && c.Words.Length > 0 && c.Words != "and finish");

    public IEnumerable<string> Words => Said.Select(c => c.Words);

    public SheetCue For(string words) => Said.First(c => c.Words == words);

    /// <summary>What is said for the phrase that begins on a count of the run, from 1.</summary>
    public string At(double count) =>
        string.Join(" · ", Said.Where(c => Math.Abs(c.From - Run.Start + 1 - count) < 1e-6).Select(c => c.Words));

    /// <summary>The count of the run, from 1, at which a call begins, and at which it is over.</summary>
    public (double From, double To) Counts(SheetCue cue) => (Count(cue.At), Count(cue.Until));

    private double Count(double seconds) => Run.Song.Time.CountAt(new Seconds(seconds)).Value - Run.Start + 1;
}
