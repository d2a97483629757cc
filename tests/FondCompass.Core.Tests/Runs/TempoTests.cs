using CsCheck;
using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Tests.Properties;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>How fast a dance can be danced, and what changes with the rate.</summary>
public sealed class TempoTests
{
    private static DanceRun Run(string script, params Passage[] passages) => RunUnroller.Unroll(Analysis.Of(script).Trace, new Song(passages), 0);

    [Theory]
    [InlineData("1 step R side\n2 step L behind", 300, "1")]
    [InlineData("1&2 shuffle R forward\n3 step L", 150, "1")]
    [InlineData("1 step R forward, turn 1/2 left\n2 step L", 150, "1")]
    [InlineData("1 step R forward, turn 1 left\n3 step L", 150, "1")]
    public void The_tightest_place_sets_the_limit(string rows, double bpm, string count)
    {
        var limit = TempoLimits.Of(Analysis.Of("part A\n" + rows).Trace.Parts[0].Actions);
        Assert.Equal((bpm, count), (Math.Round(limit.Bpm, 6), limit.Count));
    }

    [Fact]
    public void A_faster_music_overtakes_a_part_at_its_count_and_a_variant_carries_on()
    {
        const string script = "part A\n1&2 shuffle R forward\neasier 1-2 step R forward, touch L\n3&4 shuffle L forward\neasier 3-4 step L forward, touch R\n5-8 rocking chair R";
        var past = Assert.Single(TempoLimits.Past(Run(script, new Passage("slow", 16, 120), new Passage("rise", 32, 120, 200))));
        Assert.Equal(("A", 150), (past.Part, Math.Round(past.Limit.Bpm)));
        Assert.InRange(past.SongCount, 28, 40);
        Assert.True(past.Bpm > 150);
        Assert.Contains("easier", past.Instead);
        Assert.Empty(TempoLimits.Past(Run(script, new Passage("slow", 64, 140))));
    }

    [Fact]
    public void Rates_stand_beside_each_other()
    {
        var desk = TempoDesk.Of(Run("part A\n1-4 vine R\n5-8 vine L\n1&2 shuffle R forward\n3&4 shuffle L forward\n5-6 pivot 1/2 left\n7-8 pivot 1/2 left", new Passage("a", 64, 160)), StepLexicon.Shipped);
        Assert.Equal([96, 112, 128, 144, 160, 176], desk.Select(r => Math.Round(r.Bpm)));
        Assert.Equal([10, 6], [desk[0].PatternSeconds, desk[4].PatternSeconds]);
        Assert.Equal(24, desk[4].SongSeconds, 6);
        Assert.Empty(desk[0].Hard);
        Assert.Contains("shuffle", desk[4].Hard);
    }

    [Fact]
    public void Nothing_gets_easier_when_the_music_gets_faster() => DanceProperties.LegalRows.Sample(rows =>
    {
        var desk = TempoDesk.Of(RunUnroller.Unroll(Analysis.Of("part A\n" + string.Join('\n', rows)).Trace, Song.Steady(128, new Bpm(150)), 0), StepLexicon.Shipped);
        return desk.Zip(desk.Skip(1)).All(p => p.First.Hard.Count <= p.Second.Hard.Count && p.First.LostCues.Count <= p.Second.LostCues.Count
            && p.First.SongSeconds > p.Second.SongSeconds && p.First.ActionsPerSecond <= p.Second.ActionsPerSecond);
    });
}
