using FondCompass.Core.Calling;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;
using FondCompass.Core.Teaching.Boards;
using Xunit;

namespace FondCompass.Core.Tests.Calling;

/// <summary>How dances are called: the worked examples, and others in all genres (calls, section 5).</summary>
public class WorkedCallsTests
{
    [Fact]
    public void Eight_walks_are_one_call_and_back_is_said_before_the_first_of_them()
    {
        var calls = Calls.Of("part A\nline eight walks\n1-8 walk forward R x8\nline back\n1-8 walk back R x8", 136);
        Assert.Equal(["eight walks forward", "back"], calls.Words);
        var (from, to) = calls.Counts(calls.For("back"));
        Assert.Equal(7, from, 3);
        Assert.True(to <= 9);
    }

    [Fact]
    public void An_own_step_is_called_by_its_name_and_begins_earlier_where_it_is_long()
    {
        var calls = Calls.Of(
            "step long capstan = step R, touch L, step L, touch R\npart A\n1-8 march R\n1-4 long capstan R\n5-8 march R",
            128);
        var cue = calls.For("long capstan");
        Assert.InRange(calls.Counts(cue).From, 6, 7);
        Assert.True(calls.Counts(cue).To <= 9);
        Assert.DoesNotContain("left", calls.Words);
    }

    [Fact]
    public void Nothing_is_said_against_a_turn()
    {
        var calls = Calls.Of("part A\n1-2 march R\n3 step R forward\n4 pivot 1/2 left\n5-6 rock step R back\n7-8 march R", 140);
        Assert.Contains("pivot left", calls.At(3));
        Assert.Contains("rock", calls.At(5));
        Assert.DoesNotContain(calls.Words, w => w.Contains("right", StringComparison.Ordinal));
    }

    [Fact]
    public void A_quarter_is_called_when_the_vine_has_gone_the_other_way()
    {
        var calls = Calls.Of("part A\n1-3 vine R\n4 touch L\n5-6 pivot 1/4 left\n7-8 march R", 128);
        var cue = calls.For("quarter left");
        Assert.InRange(calls.Counts(cue).From, 3, 4);
        Assert.True(calls.Counts(cue).To <= 5 + 1e-6);
    }

    [Fact]
    public void Their_own_words_come_first_and_then_the_counts()
    {
        var calls = Calls.Of("part A\n1-8 walk R x8 turning 1 1/4 right\ncue 1 walk it round, right", 120);
        Assert.Equal(["walk it round, right"], calls.Words);
        Assert.Equal(CueForm.Own, calls.Said.First().Form);
        Assert.Contains(
            calls.All,
            c => c is { Form: CueForm.Count, Words: "1, 2, 3, 4" or "1, 2, 3, 4, 5, 6" } or { Form: CueForm.Count, From: 16 });
    }

    [Theory]
    [InlineData("1-8 body roll", "body roll")]
    [InlineData("1-8 arms open slowly", "arms open slowly")]
    [InlineData("1-8 running man", "running man")]
    public void A_row_of_the_body_is_its_own_words_once(string row, string words)
    {
        var calls = Calls.Of($"part A\n1-8 march R\n{row}", 120);
        Assert.Equal(1, calls.Words.Count(w => w == words));
        Assert.Contains(calls.All, c => c.IsBeat && c.Line == 2);
    }

    [Theory]
    [InlineData("part A\n1-8 march R x8\n+ arms pump\n1-8 march R x8\n+ arms pump", "arms pump")]
    [InlineData("part A + hands on hips\n1-8 march R x8\n1-8 march R x8", "hands on hips")]
    [InlineData("part A\nline the tide\n+ arms: rise and fall\n1-8 march R x8\n1-8 march R x8", "arms: rise and fall")]
    public void What_lies_on_the_feet_is_said_once_in_their_words(string script, string words)
    {
        var calls = Calls.Of(script, 110);
        Assert.Equal(1, calls.Words.Count(w => w == words));
        Assert.True(calls.For(words).Until <= calls.For(words).StepAt + 1e-6);
        Assert.NotEmpty(calls.For(words).Layer);
    }

    [Fact]
    public void A_layer_under_a_line_lies_on_every_pass_of_it_and_one_under_the_part_on_all()
    {
        var part = Analysis.Analyse("part A\n+ arms loose\nline out x2\n+ hips sway\n1-8 march R x8\n1-8 march R x8").Trace.Parts[0];
        Assert.Equal([(1, 8.0), (2, 8.0)], part.Part.Layers.Where(l => l.Text == "hips sway").Select(l => (l.Line, l.Length.InCounts)));
        Assert.Equal([1, 2, 3], part.Part.Layers.Where(l => l.Text == "arms loose").Select(l => l.Line));
        Assert.All(part.Actions, a => Assert.Contains("arms loose", a.Action.Layers));
    }

    [Theory]
    [InlineData("1-8 arms: pump x4", "arms pump", 4)]
    [InlineData("1-8 body roll x2", "body roll", 2)]
    [InlineData("1-8 2 slow hip rolls", "slow hip rolls", 2)]
    public void How_often_is_a_number_and_no_word(string row, string words, int times)
    {
        var actions = Analysis.Analyse($"part A\n{row}").Trace.Parts[0].Actions;
        Assert.Equal(times, actions.Count);
        Assert.All(actions, a => Assert.Contains(words.Split(' ')[^1], a.Action.Words, StringComparison.Ordinal));
        Assert.DoesNotContain(actions, a => a.Action.Words.Any(char.IsDigit) || a.Action.Words.Contains(':', StringComparison.Ordinal));
    }

    private const string Paced = "1-2 step R forward\n3 step L forward\n4 step R forward\n5-6 step L back\n7 step R back\n8 touch L";

    [Theory]
    [InlineData("counting down\npart A\n1-8 hold", "8, 7, 6, 5, 4, 3, 2, 1")]
    [InlineData("part A\ncounting by fours\n1-8 hold", "1, 2, 3, 4, 1, 2, 3, 4")]
    [InlineData("part A\ncounting down by fours\n1-8 hold", "4, 3, 2, 1, 4, 3, 2, 1")]
    [InlineData("part A\nline out\ncounting down\n1-8 hold", "8, 7, 6, 5, 4, 3, 2, 1")]
    [InlineData("part A\nline out\ncounting rhythm words\n" + Paced, "slow, quick, quick, slow, quick, quick")]
    [InlineData("counting rhythm\npart A\nline out\ncounting up\n1-8 hold", "1, 2, 3, 4, 5, 6, 7, 8")]
    public void A_dance_a_part_and_a_line_are_counted_in_their_own_way(string script, string words)
    {
        var analysis = Analysis.Analyse(script);
        var run = RunUnroller.Unroll(analysis.Trace, Song.Steady(24, new Bpm(100)), 16);
        var beat = CueSheet.Write(run, new CallSettings(Rate.Full, 2, 1) { Rule = CallRule.CountsOnly });
        Assert.Equal(words, string.Join(", ", beat.Where(c => c.From >= 16).Select(c => c.Words)));
        Assert.Equal(
            words.Split(", "),
            BoardTimeline.Build(analysis, run, 1, 1).Clicks
                .Where(c => !c.IsCountIn && !c.IsHalf && !(words[0] == 's' && char.IsDigit(c.Label[0])))
                .Select(c => c.Label));
    }

    [Theory]
    [InlineData(CountStyle.Down, "Count 8: on count 1&, counts 5", "Count 1: on count 8&, counts 4")]
    [InlineData(CountStyle.Fours, "count 8 of 8 counts", "count 4 of 8 counts")]
    [InlineData(CountStyle.Up, "count 8", "count 8")]
    public void Words_about_counts_speak_of_those_that_the_class_hears(CountStyle style, string words, string heard) =>
        Assert.Equal(heard, SpokenCounts.InWords(words, style, 8));

    [Fact]
    public void The_way_of_counting_of_a_line_is_its_own_and_goes_with_every_pass()
    {
        var lines =
            Analysis.Analyse("part A\nline out x2\ncounting down\n1-8 march R x8\nline home\n1-8 march R x8").Trace.Parts[0].Part.Lines;
        Assert.Equal([CountStyle.Down, CountStyle.Down, null], lines.Select(l => l.Counting));
        Assert.Equal(["out", "out", "home"], lines.Select(l => l.Name));
    }

    [Fact]
    public void What_a_called_part_is_laid_with_and_counted_by_stays_with_it()
    {
        var part =
            Analysis.Analyse(
                "part A + arms loose\ncounting down\n1-8 march R x8\npart B\nA\n1-8 march R x8\norder A B").Trace.Parts[^1].Part;
        Assert.Equal([CountStyle.Down, null], part.Lines.Select(l => l.Counting));
        Assert.Equal([1], part.Layers.Select(l => l.Line));
    }

    [Fact]
    public void Side_touches_are_counted_and_not_their_feet()
    {
        var calls = Calls.Of("part A\n1-2 side touch R\n3-4 side touch L\n5-6 side touch R\n7-8 side touch L", 120);
        Assert.Equal(["four side touches"], calls.Words);
    }

    [Fact]
    public void A_line_danced_again_is_called_by_what_is_other()
    {
        var calls = Calls.Of(
            "part A\nline out and home x2 mirrored\n1-8 shuffle R forward, shuffle L forward, rock step R, coaster R",
            110);
        Assert.Equal(["out and home", "other side"], calls.Words.Where(w => w is "out and home" or "other side" or "again"));
        Assert.Equal(9, calls.For("other side").From - calls.Run.Start + 1);
    }

    [Fact]
    public void Another_ending_is_called_by_its_steps_in_place_of_the_first()
    {
        var calls = Calls.Of(
            "part A\nline out and home x2\n1-4 rocking chair R\nfirst time\n5-8 jazz box R\nsecond time\n5-8 slow pivot 1/2 left R",
            110);
        Assert.Contains("jazz box", calls.At(5));
        Assert.Contains("pivot", calls.At(13));
        Assert.Contains("left", calls.At(13));
        Assert.DoesNotContain("jazz", calls.At(13));
    }

    [Fact]
    public void Of_an_order_each_part_is_told_within_the_eight_before()
    {
        var calls = Calls.Of(
            "part verse\n1-8 march R\n1-8 march R\npart chorus\n1-4 vine R\n5-8 vine L\n1-8 march R\norder verse chorus verse chorus",
            120);
        var told = calls.Said.Where(c => c.Form == CueForm.Structural).ToList();
        Assert.Equal(["verse", "chorus", "verse", "chorus"], told.Select(c => c.Words));
        Assert.All(told.Skip(1), c => Assert.InRange(calls.Counts(c).From, c.From - calls.Run.Start + 1 - 8, c.From - calls.Run.Start + 1));
    }

    [Fact]
    public void Mambos_and_pivots_are_each_whole_before_they_begin()
    {
        var calls = Calls.Of("part A\n1&2 mambo forward R\n3-4 pivot 1/2 left L\n5&6 mambo back R\n7-8 pivot 1/2 left L", 124);
        Assert.Equal(4, calls.Said.Count());
        Assert.StartsWith("mambo", calls.At(1));
        Assert.Equal("pivot left", calls.At(3));
        Assert.Contains("mambo", calls.At(5));
        Assert.Equal("pivot left", calls.At(7));
        Assert.All(calls.Said, c => Assert.True(c.Until <= c.StepAt + 1e-6));
    }

    [Theory]
    [InlineData("genre percussive\npart A\n1-8 toe strut R, toe strut L, toe strut R, toe strut L", "four toe struts")]
    [InlineData("part A\n1-4 paddle turn R x4\n5-8 jazz box R", "four paddle turns an eighth left")]
    [InlineData("part A\n1-4 grapevine R with 1/4 right\n5-8 rocking chair L", "grapevine quarter right")]
    [InlineData("genre jazz\npart A\n1-4 three walks point R\n5-8 body roll", "three walks point")]
    [InlineData("genre circle\nlayout circle\npart A\n1-4 step R in, step L in, step R in, touch L\n5-8 step L out, step R out, step L out, touch R", "three steps in")]
    [InlineData("genre social\npart A\n1&2 chasse R\n3-4 rock step L back\n5&6 chasse L\n7-8 rock step R back", "chasse right")]
    [InlineData("part A\n1-4 weave R\n5-8 weave L", "weave right")]
    [InlineData("part A\n1-2 full turn forward\n3-8 march R x6", "full turn forward left")]
    [InlineData("part A\n1-2 step R diagonal forward, touch L\n3-4 step L diagonal back, touch R\n5-8 jazz box R", "diagonal back, touch")]
    [InlineData("part A\n1-2 stomp R, stomp L\n3-4 hold\n5-8 rocking chair R", "two stomps")]
    [InlineData("part A\n1-2 step R side, step L behind\n3-4 step R side, touch L\n5-8 rocking chair L", "side right, behind")]
    [InlineData("part A\n1-4 vaudeville R, hitch R\n5-8 jazz box R", "vaudeville")]
    [InlineData("genre fitness\npart A\n1-8 knee lift R x4", "four knee lifts")]
    [InlineData("part A\n1-8 free, left free", "your own")]
    [InlineData("part A\n1-4 monterey R 1/2\n5-8 jazz box R", "monterey half right")]
    [InlineData("part A\n1-2 scoop the bilge\n3-4 scoop the bilge\n5-8 rocking chair R", "scoop the bilge, two of them")]
    public void A_phrase_is_called_by_its_name(string script, string words) => Assert.Contains(words, Calls.Of(script, 90).Words);

    [Theory]
    [InlineData("walk", "1-8 walk R x8\n1-4 walk R x4\n5-8 hold", "eight walks|four more|hold")]
    [InlineData("other way", "1-4 walk forward R x4\n5-8 walk back R x4", "four walks forward|back")]
    [InlineData("other side", "1-4 vine R\n5-8 vine L", "vine right|vine left")]
    public void Equal_steps_in_a_row_are_told_once(string why, string rows, string words) =>
        Assert.Equal(words, string.Join('|', Calls.Of($"part A\n{rows}", 100).Words.Select(w => why.Length > 0 ? w : "")));

    [Theory]
    [InlineData(CallerWay.Names, "vine right|vine left|pivot left|rock step")]
    [InlineData(CallerWay.Beat, "to the right|to the left|half left")]
    [InlineData(CallerWay.Feet, "vine right|vine left|pivot left|rock step")]
    public void The_callers_way_says_what_is_said(CallerWay way, string words) =>
        Assert.Equal(
            words,
            string.Join(
                '|',
                Calls.Of("part A\n1-4 vine R\n5-8 vine L\n1-4 march R\n5-6 pivot 1/2 left R\n7-8 rock step R", 100, way: way).Words
                    .Where(w => !w.Contains("march", StringComparison.Ordinal))));

    [Fact]
    public void Where_the_way_says_feet_they_stand_before_the_names() =>
        Assert.Equal(
            ["right rocking chair Foot", "right jazz box Foot"],
            Calls.Of("part A\n1-4 rocking chair R\n5-8 jazz box R", 90, way: CallerWay.Feet).Said
                .Where(c => !c.IsBeat && c.Form != CueForm.Structural)
                .Select(c => $"{c.Words} {c.Form}"));

    [Fact]
    public void What_is_shorter_than_an_eight_is_told_with_what_follows_it()
    {
        var told = Calls.Of("part A\n1-4 rocking chair R\n5-8 jazz box R\ntag Sway\n1-4 hold\nafter 2 Sway", 112, repeats: 4).Said
            .Where(c => c.Form == CueForm.Structural)
            .Select(c => c.Words);
        Assert.Equal(["from the top", "Sway, then from the top", "last one"], told);
    }

    [Fact]
    public void Who_says_less_and_less_ends_in_silence_but_for_turns()
    {
        var calls = Calls.Of(
            "mirrors\npart A\n1-4 rocking chair R\n5-6 pivot 1/2 left R\n7-8 rock step R",
            100,
            repeats: 4,
            way: CallerWay.Fading);
        string[] Round(int repeat) => [.. calls.Said.Where(c => c.Repeat == repeat && c.Form != CueForm.Structural).Select(c => c.Words)];
        Assert.Equal(["rocking chair", "pivot left", "rock step"], Round(1));
        Assert.Contains("rocking chair", Round(2));
        Assert.DoesNotContain("rocking chair", Round(4));
        Assert.Contains(Round(4), w => w.EndsWith("left", StringComparison.Ordinal) || w.EndsWith("right", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("1-4 Weinrebe rechts\n5&6 Wechselschritt R vor\n7-8 Schritt L vor, Pivot 1/4 rechts", "Weinrebe rechts|Wechselschritt vor|pivot Viertel rechts")]
    [InlineData("1-4 viña a la derecha\n5-8 viña a la izquierda\n1-8 camina D x8", "viña derecha|viña izquierda|camina, ocho veces")]
    [InlineData("1-4 лоза вправо\n5-8 лоза вліво", "лоза вправо|лоза вліво")]
    [InlineData("1-4 오른쪽 바인\n5-8 왼쪽 바인\n1-4 킥볼체인지 R x2\n5-8 재즈박스 R", "바인 오른쪽|바인 왼쪽|킥볼체인지 두 번|재즈박스")]
    public void A_dance_is_called_in_the_language_it_is_written_in(string rows, string words) =>
        Assert.Equal(
            words,
            string.Join(
                '|',
                Calls.Of($"part A\n{rows}", 70).Words
                    .Where(w => CallTongue.English.Finish != w && w is not ("und Schluss" or "y final" or "і кінець" or "끝"))));

    [Fact]
    public void Who_says_less_and_less_says_a_name_three_times()
    {
        var calls = Calls.Of("part verse\n1-4 rocking chair R\n5-8 hold\norder verse verse verse verse verse", 100, way: CallerWay.Fading);
        Assert.Equal([1, 2, 3], calls.Said.Where(c => c.Words == "rocking chair").Select(c => c.Repeat));
    }

    [Fact]
    public void From_the_fourth_round_that_it_begins_anew_is_enough_but_for_turns()
    {
        var calls = Calls.Of(
            "part A\n1-4 rocking chair R\n5-6 rock step R back\n7-8 pivot 1/2 left R\n1-4 chasse R, rock step L back\n5-8 chasse L, "
                + "rock step R back",
            100,
            repeats: 5);
        Assert.Equal(
            ["from the top", "pivot left|half left"],
            calls.Said.Where(c => c.Repeat == 4).Select(c => c.Form == CueForm.Structural ? c.Words : "pivot left|half left").Distinct());
        Assert.All(
            calls.Said.Where(c => c.Repeat == 4 && c.Form != CueForm.Structural),
            c => Assert.Contains("left", c.Words, StringComparison.Ordinal));
    }

    [Fact]
    public void A_tag_shorter_than_an_eight_is_told_with_what_follows()
    {
        var calls = Calls.Of(
            "part chorus\n1-8 march R\n1-8 march R\npart verse\n1-8 march R\ntag small tag\n1-4 rocking chair R\norder verse small tag "
                + "chorus",
            110);
        var cue = calls.Said.First(c => c.Words.StartsWith("small tag", StringComparison.Ordinal));
        Assert.Equal("small tag, then chorus", cue.Words);
        Assert.Equal(1, calls.Words.Count(w => w.Contains("chorus", StringComparison.Ordinal)));
    }

    [Fact]
    public void Words_of_the_count_in_are_said_on_its_counts_and_the_first_call_before_them()
    {
        var calls = Calls.Of("count-in \"ready and\"\npart A\n1-4 vine R\n5-8 vine L", 120);
        Assert.Equal("ready, and", calls.All.First(c => c.IsBeat).Words);
        Assert.True(calls.All.First(c => c.Words == "vine right").Until <= calls.All.First(c => c.IsBeat).At + 1e-6);
    }

    [Fact]
    public void What_cannot_be_said_in_time_is_told_and_why()
    {
        var calls = Calls.Of(
            "part A\n1& kick ball change R\n2& kick ball change R\n3& rocking chair R\n4& pivot 1/2 left R\n5-8 jazz box R",
            300);
        Assert.Contains(calls.All, c => c.Form == CueForm.None && c.Why.Contains("cannot be said in time", StringComparison.Ordinal));
    }

    [Fact]
    public void Own_words_that_are_too_many_are_said_late_and_it_is_told()
    {
        var words = string.Join(' ', Enumerable.Repeat("lantern", 30));
        var calls = Calls.Of($"part A\n1-2 vine R\ncue 1 {words}\n3-4 rocking chair L\ncue 3 {words}\n5-8 hold", 140);
        Assert.Equal(2, calls.Said.Count(c => c.IsOwn));
        Assert.True(calls.Said.Last(c => c.IsOwn).IsLate);
        Assert.Contains("late", calls.Said.Last(c => c.IsOwn).Why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(CallRule.CountsOnly)]
    [InlineData(CallRule.ChangesOnly)]
    public void The_rule_of_a_block_is_kept_to_the_letter(CallRule rule)
    {
        var calls = Calls.Of("part A\n1-4 rocking chair R\n5-8 vine R\ncue 5 off we go\n1-8 march L", 120, repeats: 3, rule: rule);
        if (rule == CallRule.CountsOnly)
        {
            Assert.All(calls.All, c => Assert.True(c.IsBeat));
            return;
        }

        Assert.DoesNotContain(calls.All, c => c.IsBeat);
        Assert.DoesNotContain("rocking chair", calls.Words);
        Assert.Contains("last one", calls.Words);

        // Own words stand for the way that changes; where nothing does they are silent too.
        Assert.Contains("off we go", calls.Words);
        Assert.DoesNotContain(
            "here we are",
            Calls.Of("part A\n1-4 rocking chair R\ncue 1 here we are\n5-8 hold\ncue 7 here we are", 120, repeats: 3, rule: rule).Words);
    }
}
