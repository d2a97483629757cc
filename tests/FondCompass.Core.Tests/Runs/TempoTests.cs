using CsCheck;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Tests.Properties;
using FondCompass.Core.Wording.Fits;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>How fast a dance can be danced, and what changes with the rate.</summary>
public sealed class TempoTests
{
    private static DanceRun Run(string script, params Passage[] passages) =>
        RunUnroller.Unroll(Analysis.Analyse(script).Trace, new Song(passages), 0);

    [Theory]
    [InlineData("1 step R side\n2 step L behind", 400, "1")]
    [InlineData("1 step R side\n2 step L behind\n3 step R side", 300, "1")]
    [InlineData("1&2 shuffle R forward\n3 step L", 200, "1")]
    [InlineData("1&2 shuffle R forward\n3&4 shuffle L forward\n5 step R", 200, "1")]
    [InlineData("1&2&3&4 walk R L R L R L R", 150, "1")]
    [InlineData("1 turn 1/2 left, step R forward\n2 step L\n2& turn 1/2 left, step R", 75, "1")]
    [InlineData("1 jump both\n1& jump both\n2 step R", 150, "1")]
    [InlineData("1 step R forward, turn 1/2 left\n2 step L", 150, "1")]
    [InlineData("1 step R forward, turn 1 left\n3 step L", 75, "1")]
    public void The_tightest_place_sets_the_limit(string rows, double bpm, string count)
    {
        var limit = TempoLimits.LimitOf(Analysis.Analyse("part A\n" + rows).Trace.Parts[0], Genre.Line);
        Assert.Equal((bpm, count), (Math.Round(limit.Bpm, 6), limit.Count));
    }

    /// <summary>A moment is not a span: what is danced at these tempos every day is no reason to warn.</summary>
    [Theory]
    [InlineData("part A\n1-7 march R\n8 step L\n&1 step R, step L\n2-8 march R", 190)]
    [InlineData("part A\n1-7 march R\n8 step L\na1 step R, step L\n2-8 march R", 190)]
    [InlineData("feel swing\npart A\n1a2 shuffle R\n3a4 shuffle L\n5 rock R back\n6 recover L\n7-8 march R", 180)]
    [InlineData("genre percussive\npart A\n1e&a brush L forward, brush L back, step L, step R\n2e&a brush L forward, brush L back, step L, step R\n3-8 march L", 180)]
    public void Pick_ups_swung_steps_and_a_counts_are_not_too_quick(string script, double bpm) =>
        Assert.Empty(TempoLimits.Past(Run(script, new Passage("brisk", 32, bpm))));

    [Fact]
    public void The_ankle_is_quicker_than_the_body()
    {
        const string rows = "part A\n1e&a step R, step L, step R, step L\n2e&a step R, step L, step R, step L\n3-8 march R";
        Assert.Equal(187.5, TempoLimits.LimitOf(Analysis.Analyse("genre percussive\n" + rows).Trace.Parts[0], Genre.Percussive).Bpm, 6);
        Assert.Equal(75, Math.Round(TempoLimits.LimitOf(Analysis.Analyse(rows).Trace.Parts[0], Genre.Line).Bpm), 6);
    }

    [Fact]
    public void A_faster_music_overtakes_a_part_at_its_count_and_a_variant_carries_on()
    {
        const string script =
            "part A\n1&2 shuffle R forward\neasier 1-2 step R forward, touch L\n3&4 shuffle L forward\neasier 3-4 step L forward, touch "
                + "R\n5-8 rocking chair R";
        var past = Assert.Single(TempoLimits.Past(Run(script, new Passage("slow", 16, 120), new Passage("rise", 32, 160, 260))));
        Assert.Equal(("A", 200), (past.Part, Math.Round(past.Limit.Bpm)));
        Assert.InRange(past.SongCount, 28, 40);
        Assert.True(past.Bpm > 200);
        Assert.Equal("easier", past.Instead!.Variant!.ToString());
        Assert.Equal((true, 260.0), (past.Instead.Carries, Math.Round(past.Fastest)));
        Assert.Equal("shuffle sets the feet 0.5 counts apart, 3 times running", FitWording.Say(past.Limit));
        Assert.StartsWith("Instead: its variant 'easier' can be danced at the 260", FitWording.Say(past));
        Assert.Empty(TempoLimits.Past(Run(script, new Passage("slow", 64, 190))));
    }

    [Fact]
    public void Rates_stand_beside_each_other()
    {
        var desk = TempoComparison.Compare(
            Run(
                "part A\n1-4 vine R\n5-8 vine L\n1&2 shuffle R forward\n3&4 shuffle L forward\n5-6 pivot 1/2 left\n7-8 pivot 1/2 left",
                new Passage("a", 64, 160)),
            StepLexicon.Shipped);
        Assert.Equal([96, 112, 128, 144, 160, 176], desk.Select(r => Math.Round(r.Bpm)));
        Assert.Equal([10, 6], [desk[0].PatternSeconds, desk[4].PatternSeconds]);
        Assert.Equal(24, desk[4].SongSeconds, 6);
        Assert.Empty(desk[0].Hard);
        Assert.Equal(["pivot"], desk[4].Hard);
        Assert.Contains(
            "shuffle",
            TempoComparison.Compare(
                Run("part A\n1&2 shuffle R forward\n3&4 shuffle L forward", new Passage("a", 64, 210)),
                StepLexicon.Shipped)[4].Hard);
    }

    [Fact]
    public void Nothing_gets_easier_when_the_music_gets_faster() => DanceProperties.LegalRows.Sample(rows =>
    {
        var desk = TempoComparison.Compare(
            RunUnroller.Unroll(Analysis.Analyse("part A\n" + string.Join('\n', rows)).Trace, Song.Steady(128, new Bpm(150)), 0),
            StepLexicon.Shipped);
        return desk.Zip(desk.Skip(1)).All(p => p.First.Hard.Count <= p.Second.Hard.Count
            && p.First.SongSeconds > p.Second.SongSeconds && p.First.ActionsPerSecond <= p.Second.ActionsPerSecond);
    });
}
