using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using Xunit;

namespace FondCompass.Core.Tests.Reading;

/// <summary>Rows, lines and orders in the writing of different hands (reading, sections 3, 5 and 6).</summary>
public class RowsAndOrdersTests
{
    [Theory]
    [InlineData("line x2 mirrored\n1-8 walk R L R L R L R, touch L\n1-8 march x8", 24)]
    [InlineData("1-7 march x7\n8 hold", 8)]
    [InlineData("1 side rock R\n2 recover L\n3-8 hold", 8)]
    [InlineData("1-4\tvine R\n5-8\u00a0vine L", 8)]
    [InlineData("8 | 1-7 walk R L R L R L R, hold", 8)]
    public void Lines_hold_what_they_say(string rows, int counts)
    {
        var analysis = Analysis.Analyse($"part A\n{rows}\n");

        Assert.Equal(counts, analysis.Trace.TotalCounts);
        Assert.False(analysis.HasErrors, string.Join('\n', analysis.Findings));
    }

    [Theory]
    [InlineData("1 kick R and slide L", "1 kick R AND slide L")]
    [InlineData("1-4 vine R with 1/4 right", "1-4 vine R With 1/4 right")]
    [InlineData("1-2 step R forward, hold", "1-2\tstep  R\u00a0forward ,hold")]
    public void Case_and_white_space_never_matter(string plain, string other)
    {
        string Danced(string row) =>
            string.Join(
                ' ',
                Analysis.Analyse($"part A\n{row}\n").Trace.Parts[0].Actions.Select(a =>
                    (a.At.Value, a.Action.Verb.Name, a.Foot, a.After.Weight, a.After.Facing)));

        Assert.Equal(Danced(plain), Danced(other));
    }

    [Theory]
    [InlineData("order (A B) x3", "A B A B A B")]
    [InlineData("order A twice, then B", "A A B")]
    [InlineData("order A → A → B", "A A B")]
    [InlineData("order A x2, B", "A A B")]
    public void Orders_group_and_repeat(string order, string calls)
    {
        var dance = Analysis.Analyse($"part A\n1-8 march x8\npart B\n1-8 march x8\n{order}\n").Dance;

        Assert.Equal(calls, string.Join(' ', dance.Order.Select(c => c.Part)));
        Assert.False(dance.OrderLoops);
    }

    [Fact]
    public void Round_and_round_goes_on_until_the_music_ends()
    {
        var trace = Analysis.Analyse("part A\n1-8 march x8\npart B\n1-8 march x8\norder A B, round and round\n").Trace;
        var run = RunUnroller.Unroll(trace, new Song([new Passage("verse", 64, 112)]), 0);

        Assert.True(run.Repeats.Count > 3);
        Assert.DoesNotContain(run.Findings, f => f.Code is "RUN04" or "RUN05");
        Assert.Equal(["A", "B", "A", "B"], run.Stretches.Take(4).Select(s => s.Part));
    }

    [Theory]
    [InlineData("order A x0", "PART02")]
    [InlineData("order A[1-99]", "PART02")]
    [InlineData("order A[9-12]", "PART02")]
    [InlineData("order A x999", "PART02")]
    public void What_an_order_cannot_dance_is_told(string order, string code) =>
        Assert.Contains(Analysis.Analyse($"part A\n1-8 march x8\n{order}\n").Findings, f => f.Code == code && f.Place.Row == 3);

    [Fact]
    public void An_order_danced_once_needs_no_mirror() =>
        Assert.DoesNotContain(Analysis.Analyse("part A\n1-8 walk R L R L R L R, touch L\norder A\n").Findings, f => f.Code == "MIRROR01");

    [Fact]
    public void A_free_stretch_gives_the_weight_it_says_to_the_part_behind_it()
    {
        var analysis =
            Analysis.Analyse(
                "part A\n1-8 march x8\npart B\n1-4 free, left free\n5 step R forward\n6 step L forward\n7-8 hold\norder A B\n");

        Assert.Contains(analysis.Findings, f => f.Code == "FOOT01" && f.Place.Row == 5);
    }

    [Theory]
    [InlineData("title \npart A\n", 0)]
    [InlineData("title Slack Tide\npart A\n", 1)]
    [InlineData("part A\n", 1)]
    [InlineData("", 1)]
    public void A_dance_that_waits_for_its_title_has_nothing_wrong_yet(string script, int told) =>
        Assert.Equal(told, Analysis.Analyse(script).Findings.Count(f => f.Code == "TEXT04"));
}
