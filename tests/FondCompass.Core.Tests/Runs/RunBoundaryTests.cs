using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>
/// Where a dance begins in a song, how fast it goes, how it may end (rules, section 6): rows on both sides of each boundary.
/// </summary>
public class RunBoundaryTests
{
    private static Song SongOf(string text) => SongText.Read(text, new Bpm(112)).Song;

    [Theory]
    [InlineData("intro 16 @112\nverse 32 @112", 16)]
    [InlineData("intro 16 @112\nvamp 8 @112\nverse 32 @112", 24)]
    [InlineData("verse 32 @112\nintro 16 @112", 0)]
    [InlineData("intro 16 @112", 0)]
    public void A_dance_begins_behind_what_leads_in(string song, int count) =>
        Assert.Equal(count, SongStart.CountOf(Analysis.Analyse("part A\n1-8 march R").Trace, SongOf(song)));

    /// <summary>A whole turn takes 0.8 s: turned on one count it goes at 75 a minute, half of it at 150.</summary>
    [Theory]
    [InlineData("part A\n1 step R forward, turn 1 right\n2-8 march L", 75)]
    [InlineData("part A\n1 step R forward, turn 1/2 right\n2-8 march L", 150)]
    public void A_turn_holds_a_dance_back(string script, double bpm) =>
        Assert.Equal(bpm, TempoLimits.LimitOf(Analysis.Analyse(script).Trace.Parts[0], Core.Notation.Genre.Line).Bpm, 3);

    /// <summary>Of four steps to a count each has a quarter: that goes on at five a second, of sounds at more than twice as many.</summary>
    [Fact]
    public void Sounds_are_quicker_than_steps()
    {
        var steps = Analysis.Analyse("part A\n1e&a2e&a3e&a4e&a walk R x16\n5-8 march R").Trace.Parts[0];
        var (line, percussive) = (TempoLimits.LimitOf(
            steps,
            Core.Notation.Genre.Line), TempoLimits.LimitOf(steps, Core.Notation.Genre.Percussive));
        Assert.Equal(75, line.Bpm, 3);
        Assert.True(percussive.Bpm > 2 * line.Bpm, $"{percussive.Bpm} against {line.Bpm}");
    }
}
