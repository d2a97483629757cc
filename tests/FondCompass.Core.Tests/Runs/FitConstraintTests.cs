using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>What the instructor allows, and what the fit does with it.</summary>
public class FitConstraintTests
{
    private static readonly Core.Tracing.DanceTrace Stroll = Analysis.Of(Dances.Stroll).Trace;

    private static FitResult Fit(FitConstraints constraints) => PhraseFit.Solve(Stroll, WorkedSongs.Regatta, 16, constraints);

    [Fact]
    public void Without_restarts_only_tags_are_proposed()
    {
        var fit = Fit(new FitConstraints(NoRestarts: true));
        Assert.All(fit.Changes, c => Assert.Equal(RunEventKind.Tag, c.Kind));
        Assert.True(fit.OffAfter < fit.OffBefore);
    }

    [Fact]
    public void Without_tags_only_restarts_are_proposed() =>
        Assert.All(Fit(new FitConstraints(NoTags: true)).Changes, c => Assert.Equal(RunEventKind.Restart, c.Kind));

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
        var mended = Analysis.Of(Dances.Stroll + "\nrestart 4 after 16").Trace;
        var fit = PhraseFit.Solve(mended, WorkedSongs.Regatta, 16);
        Assert.Equal((0, 0), (fit.OffBefore, fit.OffAfter));
        Assert.Empty(fit.Changes);
    }

    [Fact]
    public void An_order_is_fitted_too()
    {
        var script = "part V\n" + string.Join('\n', Dances.Touches(16).Split('\n').Skip(1)) + "\npart C\n1-4 vine R\n5-8 vine L\norder V C V C";
        var song = new Song([new Passage("verse", 16, 100), new Passage("break", 4, 100), new Passage("chorus", 8, 100), new Passage("verse", 16, 100), new Passage("chorus", 8, 100)]);
        var fit = PhraseFit.Solve(Analysis.Of(script).Trace, song, 0);
        Assert.Equal((RunEventKind.Tag, 1, 4), fit.Changes.Select(c => (c.Kind, c.Repeat, c.Counts)).Single());
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
    public void The_chorus_is_kept_on_its_part()
    {
        // V is 16 counts, C is 16; the song has a bridge of 8 before the second chorus.
        var trace = Analysis.Of("part V\n1-8 march R\n1-8 march R\npart C\n1-8 step touch R x4\n1-8 step touch R x4\norder V C V C").Trace;
        var song = new Song([new Passage("verse", 16, 120), new Passage("chorus", 16, 120, null, true), new Passage("verse", 24, 120), new Passage("chorus", 16, 120, null, true)]);
        var free = PhraseFit.Solve(trace, song, 0);
        var kept = PhraseFit.Solve(trace, song, 0, new FitConstraints(KeepPassage: "chorus", KeepPart: "C"));
        Assert.Equal(0, free.OffAfter);
        Assert.Equal(0, kept.OffAfter);
        Assert.False(kept.Impossible);
        Assert.Contains(kept.Changes, c => c is { Kind: RunEventKind.Tag, Counts: 8 });
        Assert.True(PhraseFit.Solve(trace, song, 0, new FitConstraints(NoTags: true, NoRestarts: true, KeepPassage: "chorus", KeepPart: "V")).Impossible);
    }

    [Fact]
    public void Proposals_are_ranked_and_each_is_another()
    {
        var trace = Analysis.Of(Dances.Touches(32)).Trace;
        var song = new Song([new Passage("intro", 16, 112), new Passage("verse", 32, 112), new Passage("chorus", 32, 112), new Passage("bridge", 16, 112), new Passage("chorus", 32, 112), new Passage("outro", 8, 112)]);
        var ranked = PhraseFit.Ranked(trace, song, 16, new FitConstraints());
        Assert.True(ranked.Count > 1);
        Assert.Equal(ranked.OrderBy(r => r.OffAfter).ThenBy(r => r.Changes.Count), ranked);
        Assert.Equal(PhraseFit.Solve(trace, song, 16).Changes, ranked[0].Changes);
        Assert.All(PhraseFit.Ranked(trace, song, 16, new FitConstraints(NoRestarts: true)), r => Assert.All(r.Changes, c => Assert.Equal(RunEventKind.Tag, c.Kind)));
    }
}
