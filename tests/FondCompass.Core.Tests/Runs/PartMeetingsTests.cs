using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>A phrased dance fits when the right part meets the passage, not when any does.</summary>
public class PartMeetingsTests
{
    private static PartMeetings Of(string order, int start, params (string Name, int Counts)[] song)
    {
        var analysis =
            Analysis.Analyse(
                $"start weight L\npart V\n1-8 march x8\npart C\n1-4 walk R, L, R, L\npart B\n1-2 step R, step L\norder {order}");
        return PartMeetings.Judge(RunUnroller.Unroll(
            analysis.Trace,
            new Song([.. song.Select(p => new Passage(p.Name, p.Counts, 120))]),
            start));
    }

    [Fact]
    public void Every_chorus_that_meets_its_part_is_right()
    {
        var meetings = Of("V C V C", 0, ("verse", 8), ("chorus", 4), ("verse", 8), ("chorus", 4));
        Assert.Equal([("verse", "V", BoundBy.Name), ("chorus", "C", BoundBy.Name)], meetings.Kinds);
        Assert.True(meetings.Fits);
        Assert.Empty(meetings.Wrong);
    }

    [Fact]
    public void A_second_chorus_met_by_another_part_is_told_with_how_far_the_right_one_is()
    {
        var wrong = Assert.Single(Of("V C C V", 0, ("verse", 8), ("chorus", 4), ("bridge", 4), ("chorus", 8)).Wrong);
        Assert.Equal(new PassageMeeting("chorus", 2, 16, true, "C", "V", 12), wrong);
        Assert.Equal(4, wrong.Off);
    }

    [Fact]
    public void Where_nothing_begins_and_where_the_right_part_never_comes_again_is_told()
    {
        var wrong = Of("V C V V", 0, ("verse", 8), ("chorus", 4), ("verse", 6), ("chorus", 4), ("chorus", 2)).Wrong;
        Assert.Equal([(18, null, 10), (22, null, 14)], wrong.Select(w => (w.Count, w.Meets, w.Off!.Value)));
        Assert.Equal([2, 3], wrong.Select(w => w.Which));
    }

    [Theory]
    // By a name: the part's own, its kind's, its first letters, another word for it, a number behind it.
    [InlineData("V=8 C=4", "V C", "", "verse 8, chorus 4, chorus 2 4", "V name, C name, C name")]
    [InlineData("Verse=8 Chorus=4", "Verse Chorus", "", "2nd verse 8, refrain 4", "Verse name, Chorus name")]
    [InlineData("V=8 C=4 B=4 Br=4", "V C Br B", "", "verse 8, bridge 4", "V name, Br name")]
    [InlineData("Lanterns=8 V=4", "Lanterns V", "", "Lanterns 8, verse 8", "Lanterns name, V name")]
    // Parts lettered in turn bear no initials: C is the third of them.
    [InlineData("A=8 B=4 C=2", "A B C", "", "verse 8, chorus 4, bridge 2", "A order, B order, C order")]
    // What the instructor said comes first.
    [InlineData("V=8 C=4", "V C", "V on chorus", "verse 8, chorus 4", "V name, V said")]
    // By the order laid along them; a passage may take several calls, and what is left over binds nothing.
    [InlineData("X=8 Y=4", "X Y X Y", "", "one 8, two 4, one 8, two 4", "X order, Y order, X order, Y order")]
    [InlineData("X=8 Y=4", "X X Y", "", "one 16, two 4", "X order, Y order")]
    [InlineData("X=8 Y=4", "X Y X", "", "one 8, two 6, one 8", "X order, open, X order")]
    // One kind cannot want two parts, and where fewer than half of the counts agree nothing is known.
    [InlineData("X=8 Y=4", "X Y", "", "one 8, one 4", "open, open")]
    [InlineData("X=8 Y=4", "X Y", "", "one 8, two 10", "open, open")]
    public void What_a_passage_wants_is_settled_before_anything_is_measured(
        string parts,
        string order,
        string said,
        string song,
        string bound)
    {
        var script = string.Join('\n', parts.Split(' ').Select(p => p.Split('=')).Select(p => $"part {p[0]}\n1-{p[1]} march x{p[1]}"));
        var analysis = Analysis.Analyse($"{script}\norder {order}\n{said}");
        var passages = song.Split(", ")
            .Select(p => new Passage(
                p[..p.LastIndexOf(' ')],
                int.Parse(p[p.LastIndexOf(' ')..], System.Globalization.CultureInfo.InvariantCulture),
                120))
            .ToList();
        var bindings = PassageParts.Bind(RunUnroller.Unroll(analysis.Trace, new Song(passages), 0));
        Assert.Equal(
            bound,
            string.Join(
                ", ",
                bindings.Select(b => $"{b.Part} {b.By}".Trim().ToLowerInvariant() is var words && b.Part is null
                    ? words
                    : $"{b.Part} {b.By.ToString().ToLowerInvariant()}")));
    }

    /// <summary>It fits only where everything that matters meets the part it wants, and every part that is wanted is danced.</summary>
    [Theory]
    [InlineData("V C", "verse 8, chorus 4", true)]
    [InlineData("V C", "verse 8, ! verse 4", false)]
    [InlineData("V V", "verse 8, chorus 8", true)]
    [InlineData("V C", "verse 8, chorus 8, verse 4", false)]
    public void It_fits_only_when_that_is_true(string order, string song, bool fits)
    {
        var passages = song.Split(", ")
            .Select(p => (Marked: p.StartsWith('!'), Words: p.TrimStart('!', ' ')))
            .Select(p => new Passage(
                p.Words[..p.Words.LastIndexOf(' ')],
                int.Parse(p.Words[p.Words.LastIndexOf(' ')..], System.Globalization.CultureInfo.InvariantCulture),
                120,
                null,
                p.Marked))
            .ToList();
        var analysis = Analysis.Analyse($"part V\n1-8 march x8\npart C\n1-4 walk R, L, R, L\norder {order}");
        Assert.Equal(fits, PartMeetings.Judge(RunUnroller.Unroll(analysis.Trace, new Song(passages), 0)).Fits);
    }

    [Theory]
    [InlineData("", "intro 16, verse 8", 16)]
    [InlineData("", "Intro 8, vamp 8, verse 8", 16)]
    [InlineData("", "verse 8, intro 16", 0)]
    [InlineData("intro 4", "intro 16, verse 8", 4)]
    [InlineData("part Intro\n1-8 march x8\norder Intro A", "intro 8, verse 8", 0)]
    public void An_intro_is_waited_through_where_nothing_else_is_written(string more, string song, int start)
    {
        var passages = song.Split(", ")
            .Select(p => new Passage(
                p[..p.LastIndexOf(' ')],
                int.Parse(p[p.LastIndexOf(' ')..], System.Globalization.CultureInfo.InvariantCulture),
                120))
            .ToList();
        var script = more.StartsWith("part", StringComparison.Ordinal) ? $"part A\n1-8 march x8\n{more}" : $"{more}\npart A\n1-8 march x8";
        Assert.Equal(start, SongStart.CountOf(Analysis.Analyse(script).Trace, new Song(passages)));
    }

    [Fact]
    public void A_loop_binds_nothing()
    {
        var analysis = Analysis.Analyse("part A\n1-8 march x8");
        Assert.All(
            PartMeetings.Judge(RunUnroller.Unroll(
                analysis.Trace,
                new Song([new Passage("verse", 8, 120), new Passage("verse", 12, 120)]),
                0)).Bound,
            b => Assert.Equal((null, BoundBy.Open), (b.Part, b.By)));
    }
}
