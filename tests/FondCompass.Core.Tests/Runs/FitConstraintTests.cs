using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>What the instructor allows, and what the fit does with it.</summary>
public class FitConstraintTests
{
    private static readonly Core.Tracing.DanceTrace Stroll = Analysis.Analyse(Dances.Stroll).Trace;

    private static FitResult Fit(FitConstraints constraints) => PhraseFit.Solve(Stroll, WorkedSongs.Regatta, 16, constraints);

    /// <summary>A song of an hour and a half is fitted; a longer one is told as not tried, save where nothing is off.</summary>
    [Theory]
    [InlineData(9_994, 0, 0, false)]
    [InlineData(9_995, 0, 2, true)]
    [InlineData(9_995, 1, 0, false)]
    [InlineData(40_000, 6, 0, false)]
    public void A_song_without_end_is_not_tried(int counts, int start, int off, bool narrowed)
    {
        var trace = Analysis.Analyse("part A\n1-4 vine R\n5-8 vine L").Trace;
        var fit = PhraseFit.Solve(trace, new Song([new Passage("verse", 6, 112), new Passage("chorus", counts, 112)]), start);

        Assert.Equal((off, narrowed), (fit.OffAfter, fit.Narrowed));
    }

    [Fact]
    public void Without_restarts_only_tags_are_proposed()
    {
        var fit = Fit(new FitConstraints(NoRestarts: true));
        Assert.All(fit.Changes, c => Assert.Equal(FitKind.Tag, c.Kind));
        Assert.True(fit.OffAfter < fit.OffBefore);
    }

    [Fact]
    public void Without_tags_only_restarts_are_proposed() =>
        Assert.All(Fit(new FitConstraints(NoTags: true)).Changes, c => Assert.Equal(FitKind.Restart, c.Kind));

    [Fact]
    public void Restarts_only_after_a_whole_line() =>
        Assert.All(Fit(new FitConstraints(WholeLinesOnly: true, NoTags: true)).Changes, c => Assert.Equal(0, c.Counts % 8));

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(2)]
    public void Tags_can_be_limited(int most)
    {
        var fit = Fit(new FitConstraints(NoRestarts: true, MostTags: most));
        Assert.InRange(fit.Changes.Count, 0, most);
    }

    [Fact]
    public void Nothing_allowed_changes_nothing()
    {
        var fit = Fit(new FitConstraints(NoRestarts: true, NoTags: true));
        Assert.Empty(fit.Changes);
        Assert.Equal(fit.OffBefore, fit.OffAfter);
    }

    [Fact]
    public void What_fits_already_is_left_alone()
    {
        var song = new Song([new Passage("verse", 32, 112), new Passage("chorus", 32, 112), new Passage("verse", 32, 112)]);
        var fit = PhraseFit.Solve(Stroll, song, 0);
        Assert.Empty(fit.Changes);
        Assert.Equal((0, 0), (fit.OffBefore, fit.OffAfter));
    }

    [Fact]
    public void Only_marked_passages_matter_once_one_is_marked()
    {
        var plain = new Song([new Passage("verse", 20, 112), new Passage("chorus", 44, 112), new Passage("verse", 32, 112)]);
        var marked = new Song([new Passage("verse", 20, 112), new Passage("chorus", 44, 112), new Passage("verse", 32, 112, null, true)]);
        Assert.Equal(12, PhraseFit.Solve(Stroll, plain, 0).OffBefore);
        Assert.Equal(0, PhraseFit.Solve(Stroll, marked, 0).OffBefore);
    }

    [Fact]
    public void Written_exceptions_are_kept_and_counted()
    {
        var mended = Analysis.Analyse(Dances.Stroll + "\nrestart 4 after 16").Trace;
        var fit = PhraseFit.Solve(mended, WorkedSongs.Regatta, 16);
        Assert.Equal((0, 0), (fit.OffBefore, fit.OffAfter));
        Assert.Empty(fit.Changes);
    }

    [Fact]
    public void An_order_is_fitted_too()
    {
        var script = "part V\n"
            + string.Join('\n', Dances.Touches(16).Split('\n').Skip(1))
            + "\npart C\n1-4 vine R\n5-8 vine L\norder V C V C";
        var song = new Song([
            new Passage("verse", 16, 100), new Passage("break", 4, 100), new Passage("chorus", 8, 100),
            new Passage("verse", 16, 100), new Passage("chorus", 8, 100)
        ]);
        var fit = PhraseFit.Solve(Analysis.Analyse(script).Trace, song, 0);
        Assert.Equal((FitKind.Tag, 1, 4), fit.Changes.Select(c => (c.Kind, c.Repeat, c.Counts)).Single());
        Assert.True(fit.OffAfter < fit.OffBefore);
    }

    [Fact]
    public void A_song_of_a_hundred_thousand_counts_is_answered()
    {
        var song = new Song(Enumerable.Range(0, 500).Select(i => new Passage($"p{i}", 200, 120)).ToList());
        var fit = PhraseFit.Solve(Stroll, song, 0);
        Assert.True(fit.OffAfter <= fit.OffBefore);
    }

    [Fact]
    public void An_order_and_a_song_that_are_too_long_together_are_answered_as_written_and_said_so()
    {
        var trace = Analysis.Analyse(VerseAndChorus + string.Concat(Enumerable.Repeat(" V C", 110))).Trace;
        var song = new Song(Enumerable.Range(0, 500).Select(i => new Passage($"p{i}", 200, 120)).ToList());
        var fit = PhraseFit.Solve(trace, song, 0);
        Assert.Equal((true, 0, fit.OffBefore), (fit.Narrowed, fit.Changes.Count, fit.OffAfter));
        Assert.False(PhraseFit.Solve(
            trace,
            Named([.. Enumerable.Range(0, 60).Select(i => (i % 2 == 0 ? "verse" : "chorus", 16))]),
            0).Narrowed);
    }

    [Theory]
    [InlineData("order Bell V C V C", 0)]
    [InlineData("order Bell V C, round and round", 0)]
    [InlineData("order Bell V C V C\nC on verse", 32)]
    public void A_tag_that_the_order_calls_is_met_like_a_part(string order, int off)
    {
        // The bell of 4, then verse and chorus in turn: as it is sung.
        var trace =
            Analysis.Analyse(
                $"part V\n1-8 march R\n1-8 march R\npart C\n1-8 step touch R x4\n1-8 step touch R x4\ntag Bell\n1-4 hold\n{order}").Trace;
        var song = order.Contains("round", StringComparison.Ordinal)
            ? Named(("bell", 4), ("verse", 16), ("chorus", 16), ("bell", 4), ("verse", 16), ("chorus", 16))
            : Named(("bell", 4), ("verse", 16), ("chorus", 16), ("verse", 16), ("chorus", 16));
        var fit = PhraseFit.Solve(trace, song, 0);
        Assert.Equal(off, fit.OffBefore);
        Assert.True(fit.OffAfter <= fit.OffBefore);
        Assert.Equal(4, fit.Starts[0]);
    }

    [Theory]
    [InlineData("\norder V C Bell", 32, true)]
    [InlineData("\norder V Bell C", 16, false)]
    public void A_passage_waits_for_a_tag_by_its_name(string order, int nearest, bool fits)
    {
        var script = "part V\n1-8 march R\n1-8 march R\npart C\n1-8 step touch R x4\n1-8 step touch R x4\ntag Bell\n1-4 hold" + order;
        var meetings = PartMeetings.Judge(
            RunUnroller.Unroll(Analysis.Analyse(script).Trace, Named(("verse", 16), ("chorus", 16), ("bell", 4)), 0));
        var bell = meetings.All.Single(m => m.Passage == "bell");
        Assert.Equal(fits, meetings.Fits);
        Assert.Equal(("Bell", nearest), (bell.Right, bell.Nearest));
    }

    [Fact]
    public void In_a_loop_a_tag_is_no_beginning()
    {
        var trace = Analysis.Analyse("1-8 march R\n1-8 march R\nafter 1 Bell\ntag Bell\n1-4 hold").Trace;
        var run = RunUnroller.Unroll(trace, Named(("verse", 16), ("bell", 4), ("verse", 16)), 0);
        Assert.Equal([0, 20], run.Beginnings.Select(b => b.At));
        Assert.False(PartMeetings.Judge(run).Fits);
    }

    private const string VerseAndChorus =
        "part V\n1-8 march R\n1-8 march R\npart C\n1-8 step touch R x4\n1-8 step touch R x4\norder V C V C";

    private static Song Named(params (string Name, int Counts)[] passages) =>
        new([.. passages.Select(p => new Passage(p.Name, p.Counts, 120))]);

    [Fact]
    public void A_song_with_a_chorus_at_the_wrong_part_is_mended_by_a_wait_or_a_tag()
    {
        // A break of 8 before the second verse: from there on V and C come 8 counts early.
        var song = Named(("verse", 16), ("chorus", 16), ("break", 8), ("verse", 16), ("chorus", 16));
        var fit = PhraseFit.Solve(Analysis.Analyse(VerseAndChorus).Trace, song, 0, new FitConstraints(KeepOrder: true));
        Assert.Equal(new FitChange(FitKind.Tag, 2, 8, 32, "C", 0, 40, "verse"), fit.Changes.Single());
        Assert.Equal((16, 8), (fit.OffBefore, fit.OffAfter));
    }

    [Fact]
    public void The_second_chorus_meets_the_verse_and_the_verse_is_danced_once_more()
    {
        // The song sings two verses before its second chorus.
        var song = Named(("verse", 16), ("chorus", 16), ("verse", 16), ("verse", 16), ("chorus", 16));
        var fit = PhraseFit.Solve(Analysis.Analyse(VerseAndChorus).Trace, song, 0);
        Assert.Equal((FitKind.Repeat, 3, "V", 16), fit.Changes.Select(c => (c.Kind, c.Repeat, c.Part, c.Counts)).Single());
        Assert.Equal((0, 16), (fit.OffAfter, fit.OffBefore / 2));
    }

    [Fact]
    public void A_part_that_the_song_does_not_have_is_left_out()
    {
        var song = Named(("verse", 16), ("chorus", 16), ("chorus", 16));
        var fit = PhraseFit.Solve(Analysis.Analyse(VerseAndChorus).Trace, song, 0, new FitConstraints(NoMoves: true));
        Assert.Equal((FitKind.Drop, 3, "V"), fit.Changes.Select(c => (c.Kind, c.Repeat, c.Part)).Single());
        Assert.Equal(0, fit.OffAfter);
    }

    [Fact]
    public void Half_a_verse_is_half_a_part()
    {
        var song = Named(("verse", 16), ("chorus", 16), ("verse", 8), ("chorus", 16));
        var fit = PhraseFit.Solve(Analysis.Analyse(VerseAndChorus).Trace, song, 0);
        Assert.Equal((FitKind.Half, 3, "V", 8), fit.Changes.Select(c => (c.Kind, c.Repeat, c.Part, c.Counts)).Single());
    }

    [Fact]
    public void What_a_tag_cannot_fill_is_waited()
    {
        var song = Named(("verse", 16), ("chorus", 16), ("solo", 24), ("verse", 16), ("chorus", 16));
        var fit = PhraseFit.Solve(Analysis.Analyse(VerseAndChorus).Trace, song, 0, new FitConstraints(KeepOrder: true));
        Assert.Equal((FitKind.Wait, 2, 24), fit.Changes.Select(c => (c.Kind, c.Repeat, c.Counts)).Single());
    }

    [Fact]
    public void A_part_is_moved()
    {
        var trace = Analysis.Analyse(VerseAndChorus + " B\npart B\n1-8 march R").Trace;
        var song = Named(("verse", 16), ("chorus", 16), ("verse", 16), ("break", 8), ("chorus", 16));
        var bound = Analysis.Analyse(VerseAndChorus + " B\npart B\n1-8 march R\nB on break").Trace;
        var fit = PhraseFit.Solve(bound, song, 0);
        Assert.Equal((FitKind.Move, 4, "C", 5), fit.Changes.Select(c => (c.Kind, c.Repeat, c.Part, c.To)).Single());
        Assert.Equal(0, fit.OffAfter);
        Assert.DoesNotContain(PhraseFit.Solve(bound, song, 0, new FitConstraints(NoMoves: true)).Changes, c => c.Kind == FitKind.Move);
        Assert.NotNull(trace);
    }

    [Theory]
    [InlineData("C on chorus", 0)]
    [InlineData("V on the chorus", 32)]
    public void What_the_script_says_belongs_together_is_asked_for(string row, int off)
    {
        var song = Named(("verse", 16), ("chorus", 16), ("verse", 16), ("chorus", 16));
        Assert.Equal(off, PhraseFit.Solve(Analysis.Analyse($"{VerseAndChorus}\n{row}").Trace, song, 0).OffBefore);
    }

    [Fact]
    public void An_order_that_goes_round_goes_on_until_the_music_ends()
    {
        var song = Named([.. Enumerable.Repeat<(string, int)[]>([("verse", 16), ("chorus", 16)], 5).SelectMany(p => p)]);
        Assert.Equal(384, PhraseFit.Solve(Analysis.Analyse(VerseAndChorus).Trace, song, 0).OffBefore);
        var round = PhraseFit.Solve(Analysis.Analyse(VerseAndChorus + ", round and round").Trace, song, 0);
        Assert.Equal((0, 0), (round.OffBefore, round.Changes.Count));
    }

    [Theory]
    [InlineData(8, 8)]
    [InlineData(16, 8)]
    public void A_mirroring_loop_restarts_where_the_mirrored_top_can_begin(int first, int at)
    {
        // Three steps and a touch on one side, then the same foot again: the pattern comes back on the other foot.
        var trace =
            Analysis.Analyse(
                "part A\n1-4 vine R\n5-8 vine L\n1 step R forward\n2 step L forward\n3 step R forward\n4 touch L beside\n5-8 hold").Trace;
        Assert.True(trace.Mirrors);
        var song = Named(("a", first), ("b", 16), ("c", 16));
        Assert.InRange(
            PhraseFit.Solve(trace, song, 0).Changes.Count(c => c.Kind == FitKind.Restart && c.AtCount <= at),
            first == 8 ? 1 : 0,
            1);
    }

    [Fact]
    public void Proposals_are_ranked_and_each_is_another()
    {
        var trace = Analysis.Analyse(Dances.Touches(32)).Trace;
        var song = new Song([
            new Passage("intro", 16, 112), new Passage("verse", 32, 112), new Passage("chorus", 32, 112),
            new Passage("bridge", 16, 112), new Passage("chorus", 32, 112), new Passage("outro", 8, 112)
        ]);
        var ranked = PhraseFit.Ranked(trace, song, 16, new FitConstraints());
        Assert.True(ranked.Count > 1);
        Assert.Equal(ranked.OrderBy(r => r.OffAfter).ThenBy(r => r.Changes.Count), ranked);
        Assert.Equal(PhraseFit.Solve(trace, song, 16).Changes, ranked[0].Changes);
        Assert.All(
            PhraseFit.Ranked(trace, song, 16, new FitConstraints(NoRestarts: true)),
            r => Assert.All(r.Changes, c => Assert.Equal(FitKind.Tag, c.Kind)));
    }
}
