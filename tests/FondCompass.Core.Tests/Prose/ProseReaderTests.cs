using CsCheck;
using FondCompass.Core.Findings;
using FondCompass.Core.Prose;
using Xunit;

namespace FondCompass.Core.Tests.Prose;

/// <summary>Step lists in somebody's own free wording become scripts; nothing is dropped.</summary>
public class ProseReaderTests
{
    private const string RunningSheet = """
        Skerry Lights
        Counts: 32   
        Walls: 2
        Intro: 16 counts

        Section 1: out and back
        1-4   Grapevine right with a touch
        5-8   Grapevine left w/ touch
        Section 2
        9-10  Rock R forward, recover L
        11&12 Coaster step R
        13-16 Step L fwd, pivot 1/2 right, step L fwd, hold
        [17-24] boxes
        17-20 Jazz box R
        21-24 Swirl like a gull
        25-28 R to right side, L behind R, R to right side, touch L next to R
        29-32 L to left side, R behind L, L to left side, touch R
        Start again!
        Restart: on wall 3 after 16 counts
        """;

    /// <summary>A remark within a remark: each is kept, and neither is a step.</summary>
    [Theory]
    [InlineData("Vine right (as (always) low), vine left.", "note (always)\nnote (as low)")]
    [InlineData("Vine right (so), vine left ((so) again (low)).", "note (so)\nnote (so)\nnote (low)\nnote (again)")]
    public void Brackets_inside_brackets_are_notes(string text, string notes) =>
        Assert.Equal($"part A\n1-8 Vine right, vine left\n{notes}\n", ProseReader.Read(text).Script);

    /// <summary>Each "again" may take all that was told so far: however often it is said, it ends.</summary>
    [Theory]
    [InlineData(4)]
    [InlineData(60)]
    public void What_is_said_again_and_again_ends(int times) =>
        Assert.InRange(
            ProseReader.Read($"Shuffle right, coaster left.{string.Concat(Enumerable.Repeat(" Again.", times))}").Script.Length,
            10,
            2_000_000);

    /// <summary>Ten times 4,096 actions are as many as are laid; what is behind stays as a remark and is told.</summary>
    [Theory]
    [InlineData(10, false)]
    [InlineData(11, true)]
    public void More_actions_than_are_read_are_told(int rows, bool told)
    {
        var pasted = ProseReader.Read(string.Join('\n', Enumerable.Repeat("1-4096 march R", rows)));

        Assert.Equal(
            told,
            pasted.Doubts.Any(d => d.Contains(
                "40,000 actions tried on their counts; what begins with row 11 is not",
                StringComparison.Ordinal)));
        Assert.Equal(told ? PastedFate.Aside : PastedFate.Understood, pasted.Rows[^1].Fate);
    }

    [Fact]
    public void A_sheet_with_running_counts_becomes_eights()
    {
        var pasted = ProseReader.Read(RunningSheet);
        var analysis = Analysis.Analyse(pasted.Script);
        Assert.Equal("Skerry Lights", analysis.Dance.Header.Title);
        Assert.Equal((32, 2, 16), (analysis.Trace.TotalCounts, analysis.Dance.Header.IntendedWalls, analysis.Dance.Header.Intro));
        Assert.Equal([8, 8, 8, 8], analysis.Trace.Parts[0].Part.Lines.Select(l => l.Counts));
        Assert.Equal((3, 16), (analysis.Dance.Restarts[0].Repeat, analysis.Dance.Restarts[0].AfterCount));
        Assert.Equal(
            ["WORD03"],
            analysis.Findings.Where(f => f.Severity == Severity.Warning && f.Code.StartsWith("WORD", StringComparison.Ordinal))
                .Select(f => f.Code));
        Assert.InRange(pasted.Understood, 0.85, 0.99);
        Assert.Equal("out and back", analysis.Trace.Parts[0].Part.Lines[0].Name);
    }

    [Theory]
    [InlineData("Step R fwd (1), touch L beside (2), step L back (3), touch R (4)", 4)]
    [InlineData("1-2 Step R forward, touch L. 3-4 Step L back, touch R.", 4)]
    [InlineData("- Vine right\n- Vine left", 8)]
    [InlineData("Sect 1: grapevine R w/ touch, grapevine L 1/4 turn", 8)]
    [InlineData("1-2 rock fwd R recover L\n3-4 walk R walk L", 4)]
    [InlineData("1-4: Vine Right & clap\n5-8: Vine Left & clap", 8)]
    [InlineData("Part A (16 counts)\nvine right\nvine left\nrocking chair\nrocking chair", 16)]
    [InlineData("walk forward R, L, R, kick L\nwalk back L, R, L, touch R", 8)]
    [InlineData("1-2-3-4 vine right\n5-6-7-8 vine left", 8)]
    public void Common_ways_of_writing_are_understood(string text, int counts)
    {
        var pasted = ProseReader.Read(text);
        Assert.DoesNotContain(pasted.Rows, r => r.Fate == PastedFate.Aside);
        Assert.InRange(pasted.Understood, 0.8, 1);
        Assert.Equal(counts, Analysis.Analyse(pasted.Script).Trace.TotalCounts);
    }

    [Fact]
    public void Every_word_pasted_is_still_there() =>
        Gen.OneOf(
            Gen.OneOfConst(RunningSheet.Split('\n')).Array[1, 20].Select(r => string.Join('\n', r)),
            Gen.Char['a', 'z'].Array[0, 200].Select(c => new string(c).Replace('q', '\n').Replace('x', ' ')))
            .Sample(text =>
        {
            var pasted = ProseReader.Read(text);
            foreach (var (row, at) in text.Split('\n').Select((r, i) => (r, i)).Where(r => r.r.Trim().Length > 0))
            {
                Assert.Contains(pasted.Rows, r => r.From == row && r.Script.Length > 0);
            }
        });

    [Fact]
    public void A_row_not_understood_keeps_its_counts_and_gets_the_nearest_name()
    {
        var analysis = Analysis.Analyse(ProseReader.Read("1-4 vine right\n5-8 rokcing chair R").Script);
        var finding = Assert.Single(analysis.Findings, f => f.Code == "WORD07");
        Assert.Equal("5-8 rocking chair R", finding.Fix?.NewText);
    }

    [Theory]
    [InlineData("Bell Buoy - 32 counts, 4 walls. Wait 16, right foot first.", "Bell Buoy")]
    [InlineData("Bell Buoy | 32 | 2 walls | Intermediate | no tags, no restarts", "Bell Buoy")]
    [InlineData("Thurs slipway - BELL BUOY - 32ct 4w beg, R lead, wait 16", "BELL BUOY")]
    [InlineData("after class, Wed 14th - Bell Buoy (32, R lead, 4 wall)", "Bell Buoy")]
    [InlineData("Bell Buoy\t32 counts\t4 walls", "Bell Buoy")]
    public void A_name_before_the_settings_is_the_title(string row, string title) =>
        Assert.Contains($"title {title}\n", ProseReader.Read($"{row}\nVine right, vine left\n").Script, StringComparison.Ordinal);

    [Theory]
    [InlineData("Beginner - 32 counts, 4 walls")]
    [InlineData("Left foot, wait 16, 4 walls")]
    [InlineData("Intro 16, 32 counts")]
    public void Settings_alone_are_no_title(string row) =>
        Assert.DoesNotContain("title", ProseReader.Read($"{row}\nVine right, vine left\n").Script, StringComparison.Ordinal);

    [Fact]
    public void What_the_text_says_of_itself_and_the_dance_does_not_bear_out_is_told()
    {
        var pasted = ProseReader.Read("Bell Buoy - 32 counts, 4 walls.\nVine right, vine left\n");
        Assert.Contains(pasted.Doubts, d => d == "The text says 32 counts; what is made of it has 8.");
        Assert.Contains(pasted.Doubts, d => d == "The text says 4 walls; what is made of it goes through 1.");
        Assert.Empty(ProseReader.Read("16 counts, 1 wall\nVine right, vine left, vine right, vine left\n").Doubts);
    }

    [Theory]
    [InlineData("Walk in right, left, right, touch left and swing the hands up", "swing the hands up")]
    [InlineData("Walk right, left, right, touch left, hands come down", "hands come down")]
    [InlineData("Vine right with a clap above your head", "clap above your head")]
    public void What_arms_do_keeps_its_words(string row, string kept) =>
        Assert.Contains(kept, ProseReader.Read(row + "\n").Script, StringComparison.Ordinal);

    [Theory]
    [InlineData("Tag 4 counts after wall 2. Wait 16 and start on the right.\nVine right, vine left", "intro 16")]
    [InlineData("Part A 16 count, Tag 4 count 입니다. 전주 16 count 기다리고 오른발부터 시작합니다.\n오른쪽 바인", "intro 16")]
    public void A_tag_in_the_same_row_hides_no_intro(string text, string setting) =>
        Assert.Contains(setting, ProseReader.Read(text + "\n").Script, StringComparison.Ordinal);

    [Fact]
    public void Talk_of_hands_is_not_danced()
    {
        var script =
            ProseReader.Read(
                "Walk in right, left, right, touch left.\nHold hands like eggs. If your neighbour stumbles, let go rather than pull.\n").Script;
        Assert.Contains("note Hold hands like eggs", script, StringComparison.Ordinal);
        Assert.DoesNotContain("1-8", script, StringComparison.Ordinal);
    }

    /// <summary>Rows, words and letters of a row that are read; what is beyond stays as remarks, and is told.</summary>
    [Fact]
    public void What_is_too_much_to_read_stays_as_remarks_and_is_said()
    {
        string Rows(int rows) => string.Concat(Enumerable.Repeat("1-8 vine R, vine L\n", rows - 1)) + "1-8 vine R, vine L";
        Assert.DoesNotContain(ProseReader.Read(Rows(1000)).Doubts, d => d.Contains("are read", StringComparison.Ordinal));
        var many = ProseReader.Read(Rows(1002));
        Assert.Contains(many.Doubts, d => d.Contains("what begins with row 1,001 is not", StringComparison.Ordinal));
        Assert.Equal(
            ("1-8 vine R, vine L\n1-8 vine R, vine L", "# 1-8 vine R, vine L\n# 1-8 vine R, vine L", PastedFate.Aside),
            (many.Rows[^1].From, many.Rows[^1].Script, many.Rows[^1].Fate));
        var words = ProseReader.Read(string.Join('\n', Enumerable.Repeat(string.Join(' ', Enumerable.Repeat("la", 1000)), 13)));
        Assert.Contains(words.Doubts, d => d.Contains("what begins with row 13 is not", StringComparison.Ordinal));
        var letters = ProseReader.Read("1-8 vine R, vine L\n" + new string('x', 8001));
        Assert.Contains(letters.Doubts, d => d.Contains("Row 2 has 8,001 letters", StringComparison.Ordinal));
        Assert.Equal(PastedFate.Aside, letters.Rows[^1].Fate);
        Assert.DoesNotContain(
            ProseReader.Read("1-8 vine R, vine L\n" + new string('x', 8000)).Doubts,
            d => d.Contains("letters", StringComparison.Ordinal));
    }
}
