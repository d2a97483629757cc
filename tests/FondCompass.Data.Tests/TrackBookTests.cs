using FondCompass.Core.Teaching.Planning;
using FondCompass.Data.Dances;
using FondCompass.Data.Records;
using Xunit;

namespace FondCompass.Data.Tests;

/// <summary>One dance, several tracks: each keeps its fit, and nobody reaches another's.</summary>
public class TrackBookTests(ShelfFixture fixture)
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Each_track_keeps_how_the_dance_was_fitted_to_it()
    {
        await using var context = fixture.Context();
        var owner = await fixture.NewOwner();
        var (shelf, book) = (new DanceShelf(context, owner, ShelfFixture.Clock), new TrackBook(context, owner));
        var dance = await shelf.Add("title Rope\npart A\n1-4 vine R", Cancel);
        var fast = await book.Add("Fast", "verse 32 @140", Cancel);
        var slow = await book.Add("Slow", "verse 32 @92", Cancel);

        Assert.True(await book.Choose(dance.Id, fast.Id, Cancel));
        await shelf.SaveFit(
            dance.Id,
            new DanceFit { TrackId = fast.Id, Kept = new FitKept { Intro = 8, Changes = ["restart 2 after 2"] } },
            Cancel);
        Assert.True(await book.Choose(dance.Id, slow.Id, Cancel));
        Assert.Equal(("", null, slow.Id), (string.Join('|', Fit().Kept.Changes), Fit().Kept.Intro, Fit().TrackId));
        Assert.True(await book.Choose(dance.Id, fast.Id, Cancel));
        Assert.Equal(("restart 2 after 2", 8, fast.Id), (string.Join('|', Fit().Kept.Changes), Fit().Kept.Intro, Fit().TrackId));
        Assert.True(await book.Choose(dance.Id, null, Cancel));
        Assert.Null(Fit().TrackId);

        DanceFit Fit() => shelf.Find(dance.Id, Cancel).Result!.Fit;
    }

    [Fact]
    public async Task A_track_taken_out_leaves_its_passages_with_the_dance()
    {
        await using var context = fixture.Context();
        var owner = await fixture.NewOwner();
        var (shelf, book) = (new DanceShelf(context, owner, ShelfFixture.Clock), new TrackBook(context, owner));
        var dance = await shelf.Add("title Bollard\npart A\n1-4 vine R", Cancel);
        var track = await book.Add("", "verse 48 @100", Cancel);
        Assert.Equal("Untitled track", track.Title);
        await book.Choose(dance.Id, track.Id, Cancel);
        Assert.True(await book.Remove(track.Id, Cancel));
        var fit = (await shelf.Find(dance.Id, Cancel))!.Fit;
        Assert.Equal((null, "verse 48 @100"), (fit.TrackId, fit.Kept.Passages));
        Assert.False(await book.Remove(track.Id, Cancel));
    }

    [Fact]
    public async Task Nobody_reaches_anothers_tracks()
    {
        await using var context = fixture.Context();
        var owner = await fixture.NewOwner();
        var track = await new TrackBook(context, owner).Add("Mine", "verse 32", Cancel);
        var dance = await new DanceShelf(context, owner, ShelfFixture.Clock).Add("part A\n1 step R", Cancel);
        var stranger = await fixture.NewOwner();
        var theirs = await new DanceShelf(context, stranger, ShelfFixture.Clock).Add("part A\n1 step R", Cancel);
        var book = new TrackBook(context, stranger);
        Assert.Empty(await book.All(Cancel));
        Assert.Null(await book.Find(track.Id, Cancel));
        Assert.False(await book.Choose(theirs.Id, track.Id, Cancel));
        Assert.False(await book.Choose(dance.Id, null, Cancel));
        Assert.False(await book.Remove(track.Id, Cancel));
    }
}
