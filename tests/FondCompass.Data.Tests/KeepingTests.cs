using FondCompass.Core.Teaching.Planning;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;
using Xunit;

namespace FondCompass.Data.Tests;

/// <summary>What is kept for how long, how much may be kept, and two who save at once.</summary>
public class KeepingTests(ShelfFixture fixture)
{
    private const string Script = "title Spring Tide\npart A\n1-4 vine R";

    private static DateTimeOffset Now => ShelfFixture.Noon;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private async Task<(Guid Owner, Guid Dance)> Saved(params TimeSpan[] ago)
    {
        var owner = await fixture.NewOwner();
        await using var context = fixture.Context();
        var dance = await new DanceShelf(context, owner, ShelfFixture.Clock).Add(Script, Cancel);
        await context.Revisions.Where(r => r.DanceId == dance.Id)
            .ExecuteUpdateAsync(s => s.SetProperty(r => r.SavedAt, Now.AddDays(-400)), Cancel);
        context.Revisions.AddRange(ago.Select((a, i) => new DanceRevision
        {
            DanceId = dance.Id,
            Version = i + 2,
            Script = Script,
            SavedAt = Now - a
        }));
        await context.SaveChangesAsync(Cancel);
        return (owner, dance.Id);
    }

    private async Task<List<int>> Left(Guid dance)
    {
        await using var context = fixture.Context();
        await RevisionThinning.Thin(context, dance, ShelfFixture.Clock, Cancel);
        return await context.Revisions.Where(r => r.DanceId == dance).OrderBy(r => r.Version).Select(r => r.Version).ToListAsync(Cancel);
    }

    [Fact]
    public async Task Every_save_of_a_day_stays()
    {
        var (_, dance) = await Saved([.. Enumerable.Range(0, 10).Select(i => TimeSpan.FromMinutes(60 * 24 - 1 - i))]);
        Assert.Equal(Enumerable.Range(1, 11), await Left(dance));
    }

    [Fact]
    public async Task Then_the_last_of_each_hour_stays_for_a_week_and_of_each_day_after_it()
    {
        // Versions 2 to 4 on one day long ago, 5 and 6 on the next; 7 to 9 within an hour this week, 10 an hour later; 11 now.
        TimeSpan Days(double days, double minutes = 0) => TimeSpan.FromDays(days) - TimeSpan.FromMinutes(minutes);
        var (_, dance) = await Saved(
            Days(30),
            Days(30, 60),
            Days(30, 200),
            Days(29),
            Days(29, 1),
            Days(3),
            Days(3, 5),
            Days(3, 20),
            Days(3, 60),
            TimeSpan.Zero);
        Assert.Equal([1, 4, 6, 9, 10, 11], await Left(dance));
    }

    [Fact]
    public async Task What_is_marked_the_first_and_the_newest_stay()
    {
        var (owner, dance) = await Saved(TimeSpan.FromDays(30.1), TimeSpan.FromDays(30.05), TimeSpan.FromDays(30));
        await using var context = fixture.Context();
        var shelf = new DanceShelf(context, owner, ShelfFixture.Clock);
        Assert.True(await shelf.KeepRevision(dance, 2, true, Cancel));
        Assert.False(await new DanceShelf(context, await fixture.NewOwner(), ShelfFixture.Clock).KeepRevision(dance, 3, true, Cancel));
        Assert.Equal([1, 2, 4], await Left(dance));
        Assert.True((await shelf.Revisions(dance, cancel: Cancel)).Single(r => r.Version == 2).Kept);
        await shelf.KeepRevision(dance, 2, false, Cancel);
        Assert.Equal([1, 4], await Left(dance));
    }

    [Fact]
    public async Task Revisions_and_the_bin_stand_on_pages()
    {
        var (owner, dance) = await Saved([.. Enumerable.Range(0, DanceShelf.RevisionsPage).Select(_ => TimeSpan.Zero)]);
        await using var context = fixture.Context();
        var shelf = new DanceShelf(context, owner, ShelfFixture.Clock);
        Assert.Equal(DanceShelf.RevisionsPage + 1, await shelf.CountRevisions(dance, Cancel));
        Assert.Equal(DanceShelf.RevisionsPage, (await shelf.Revisions(dance, cancel: Cancel)).Count);
        Assert.Equal(1, Assert.Single(await shelf.Revisions(dance, DanceShelf.RevisionsPage, Cancel)).Version);
        Assert.Equal(100, await shelf.RevisionBefore(dance, 101, Cancel));
        Assert.Null(await shelf.RevisionBefore(dance, 1, Cancel));
        for (var i = 0; i <= DanceShelf.BinSize; i++)
        {
            await shelf.Delete((await shelf.Add($"title Ebb {i}\npart A\n1 step R", Cancel)).Id, Cancel);
        }

        Assert.Equal(DanceShelf.BinSize + 1, await shelf.CountDeleted(Cancel));
        Assert.Equal(DanceShelf.BinSize, (await shelf.Deleted(cancel: Cancel)).Count);
        Assert.Equal("Ebb 0", Assert.Single(await shelf.Deleted(DanceShelf.BinSize, Cancel)).Title);
    }

    [Fact]
    public async Task Two_who_save_at_once_one_is_kept_and_the_other_told()
    {
        var owner = await fixture.NewOwner();
        await using var first = fixture.Context();
        var dance = await new DanceShelf(first, owner, ShelfFixture.Clock).Add(Script, Cancel);
        for (var version = 1; version <= 20; version++)
        {
            var from = version;
            var outcomes = await Task.WhenAll(Enumerable.Range(0, 4).Select(async i =>
            {
                await using var context = fixture.Context();
                return (await new DanceShelf(context, owner, ShelfFixture.Clock).Save(
                    dance.Id,
                    from,
                    $"{Script}\n# {from} of {i}",
                    Cancel))!;
            }));
            var saved = Assert.Single(outcomes, o => o.Saved);
            Assert.All(outcomes, o => Assert.Equal(saved.Current.Script, o.Current.Script));
        }

        await using var after = fixture.Context();
        Assert.Equal(21, await new DanceShelf(after, owner, ShelfFixture.Clock).CountRevisions(dance.Id, Cancel));
    }

    [Fact]
    public async Task A_fit_that_is_kept_while_the_text_is_saved_loses_neither()
    {
        var owner = await fixture.NewOwner();
        await using var first = fixture.Context();
        var dance = await new DanceShelf(first, owner, ShelfFixture.Clock).Add(Script, Cancel);
        for (var i = 1; i <= 20; i++)
        {
            var now = i;
            async Task<bool> Fit()
            {
                await using var context = fixture.Context();
                return await new DanceShelf(context, owner, ShelfFixture.Clock).SaveFit(
                    dance.Id,
                    new DanceFit { Kept = new FitKept { Intro = now } },
                    Cancel);
            }

            async Task<bool> Save()
            {
                await using var context = fixture.Context();
                return (await new DanceShelf(context, owner, ShelfFixture.Clock).Save(dance.Id, now, $"{Script}\n# {now}", Cancel))!.Saved;
            }

            var (fitted, saved) = (Fit(), Save());
            Assert.True(await fitted);
            // Where the fit came first between reading and writing, the text is sent again as the browser does.
            if (!await saved)
            {
                Assert.True(await Save());
            }

            await using var context = fixture.Context();
            var stored = (await new DanceShelf(context, owner, ShelfFixture.Clock).Find(dance.Id, Cancel))!;
            Assert.Equal((now, $"{Script}\n# {now}", now + 1), (stored.Fit.Kept.Intro, stored.Script, stored.Version));
        }
    }

    [Fact]
    public async Task More_than_an_account_may_keep_is_refused_in_words()
    {
        var owner = await fixture.NewOwner();
        await using var context = fixture.Context();
        var book = new LessonBook(context, owner, ShelfFixture.Clock);
        context.Groups.AddRange(Enumerable.Range(0, Quota.Groups.Most - 1)
            .Select(i => new GroupRecord { Id = Guid.CreateVersion7(), OwnerId = owner, Name = $"{i}" }));
        await context.SaveChangesAsync(Cancel);
        await book.AddGroup("the last", "", 60, Cancel);
        var refused = await Assert.ThrowsAsync<QuotaException>(() => book.AddGroup("one more", "", 60, Cancel));
        Assert.Contains("500 groups, as many as an account may keep", refused.Message, StringComparison.Ordinal);
        Assert.Equal(Quota.Groups.Most, await context.Groups.CountAsync(g => g.OwnerId == owner, Cancel));
        // Nobody else is kept from it.
        await new LessonBook(context, await fixture.NewOwner(), ShelfFixture.Clock).AddGroup("theirs", "", 60, Cancel);
    }

    [Fact]
    public async Task What_is_kept_is_measured_by_revisions_of_ones_own()
    {
        var (owner, _) = await Saved(TimeSpan.Zero);
        await using var context = fixture.Context();
        var before = await Quota.BytesOf(context, owner, Cancel);
        Assert.InRange(before, 2 * Script.Length, 2 * (Script.Length + 16));
        await new DanceShelf(context, owner, ShelfFixture.Clock).Add(Script, Cancel);
        Assert.InRange(await Quota.BytesOf(context, owner, Cancel), before + 1, 2 * before);
        Assert.Equal(0, await Quota.BytesOf(context, await fixture.NewOwner(), Cancel));
    }
}
