using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using Xunit;

namespace FondCompass.Core.Tests.Notation;

/// <summary>Lines and parts danced more than once, on either foot, with another ending the second time.</summary>
public class RepeatsAndEndingsTests
{
    private static string Feet(Analysis analysis) =>
        string.Concat(analysis.Trace.Parts[0].Actions.Where(a => a.Foot.IsSingle()).Select(a => a.Foot.Letter()));

    private static IEnumerable<string> Grave(Analysis analysis) =>
        analysis.Findings.Where(f => f.Severity != Severity.Info).Select(f => f.Code);

    [Theory]
    [InlineData("part A\n1-4 vine R\n5-8 vine L\nagain", 16)]
    [InlineData("part A\n1-4 vine R\n5-8 vine L\nagain x3", 32)]
    [InlineData("part A\nline the walk out x2\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 rocking chair R", 24)]
    [InlineData("part A x2\n1-4 vine R\n5-8 vine L", 16)]
    [InlineData("part A x2\n1-4 vine R\n5-8 vine L\norder A A", 32)]
    public void Again_and_times_dance_the_same_counts_once_more(string script, int counts)
    {
        var analysis = Analysis.Analyse(script);
        Assert.Equal(counts, analysis.Trace.TotalCounts);
        Assert.Empty(Grave(analysis));
    }

    [Theory]
    [InlineData("part A\n1-4 vine R\n5 step R side\n6 touch L\n7-8 pivot 1/2 left\nother side")]
    [InlineData("part A x2 mirrored\n1-4 vine R\n5 step L side\n6 touch R\n7-8 walk R L\n1-7 walk R L R L R L R\n8 touch L")]
    public void The_other_side_is_the_mirror_image(string script)
    {
        var feet = Feet(Analysis.Analyse(script));
        var half = feet.Length / 2;
        Assert.Equal(feet[..half], feet[half..].Replace('L', 'x').Replace('R', 'L').Replace('x', 'R'));
    }

    [Fact]
    public void Mirrored_turns_go_the_other_way()
    {
        var analysis =
            Analysis.Analyse(
                "part A x2 mirrored\n1-4 vine R with 1/4 right\n5 step L forward, turn 1/8 left\n6-7 step R forward, step L forward\n8 "
                    + "touch R\n1-7 walk R L R L R L R\n8 hold");
        Assert.Equal(0, analysis.Trace.NetTurn.Value);
    }

    [Fact]
    public void First_and_second_time_end_differently()
    {
        var analysis = Analysis.Analyse("""
            part A x2
            1-4 vine R
            first time
            5-8 vine L
            second time
            5-8 vine L with 1/4 left
            every time
            1-8 rocking chair R
            """);
        Assert.Empty(Grave(analysis));
        var part = analysis.Trace.Parts[0];
        Assert.Equal((32, 4), (part.Part.Counts, part.Part.Lines.Count));
        Assert.Equal(["12:00", "12:00", "9:00", "9:00"], part.Lines.Select(l => l.State.Facing.ToString()));
    }

    [Fact]
    public void Endings_alone_say_how_often()
    {
        var analysis = Analysis.Analyse("part A\n1-6 step touch x3\nfirst time 7-8 rock step R\n2nd time 7 stomp R\n");
        Assert.Equal((15, "stomp"), (analysis.Trace.TotalCounts, analysis.Trace.Parts[0].Actions[^1].Action.Step));
    }

    [Fact]
    public void Mistakes_in_what_is_danced_again_are_told_once()
    {
        var analysis = Analysis.Analyse("part A x4\n1-4 vine R\n5-8 twizle L sidewise\n");
        Assert.Single(analysis.Findings, f => f.Code == "WORD08");
    }

    [Fact]
    public void Again_with_nothing_above_says_so() =>
        Assert.Equal(
            ("COUNT07", 2),
            Analysis.Analyse("part A\nagain\n1-4 vine R").Findings
                .Where(f => f.Severity == Severity.Error)
                .Select(f => (f.Code, f.Place.Row!.Value))
                .Single());

    [Fact]
    public void Mirroring_twice_dances_as_before()
    {
        var once = Analysis.Analyse("part A\n1-4 vine R\n5-8 rocking chair L\nagain mirrored\nagain mirrored");
        var feet = Feet(once);
        Assert.Equal(feet[..(feet.Length / 3)], feet[^(feet.Length / 3)..]);
    }

    [Fact]
    public void A_stated_facing_holds_for_the_first_time()
    {
        Assert.Empty(Grave(Analysis.Analyse("part A x2\n1-4 vine R\n5-8 vine L with 1/4 left\ncheck weight L facing 9")));
        Assert.Contains("FACT02", Grave(Analysis.Analyse("part A x2\n1-4 vine R\n5-8 vine L with 1/4 left\ncheck weight L facing 6")));
    }

    [Theory]
    [InlineData("genre percussive\npart A\n1 step side", "L")]
    [InlineData("start weight L\ngenre percussive\npart A\n1 step side", "R")]
    [InlineData("genre percussive\nlead R\npart A\n1 step side", "R")]
    [InlineData("genre line\npart A\n1 step side", "R")]
    public void The_genre_settles_the_lead_when_nothing_is_said(string script, string foot) =>
        Assert.Equal(foot, Feet(Analysis.Analyse(script)));

    [Theory]
    [InlineData("genre jazz\npart A\n1& step step", 16)]
    [InlineData("feel straight\ngenre jazz\npart A\n1& step step", 12)]
    [InlineData("genre jazz\nfeel straight\npart A\n1& step step", 12)]
    public void The_genre_settles_the_feel_when_nothing_is_said(string script, int tick)
    {
        var analysis = Analysis.Analyse(script.Replace("1& step step", "1& ball change R", StringComparison.Ordinal));
        Assert.Equal(tick, analysis.Trace.Parts[0].Actions[^1].At.Value);
    }
}
