using FondCompass.Data.Dances;
using FondCompass.Data.Demo;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;
using Xunit;

namespace FondCompass.Data.Tests;

public class DanceShelfTests(ShelfFixture fixture)
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    /// <summary>A character of two halves where the title is cut: none of it, or all.</summary>
    [Theory]
    [InlineData(198, 200)]
    [InlineData(199, 199)]
    [InlineData(200, 200)]
    public async Task A_title_is_cut_between_characters(int before, int kept)
    {
        var owner = await fixture.NewOwner();
        await using var context = fixture.Context();
        var dance = await new DanceShelf(context, owner, ShelfFixture.Clock).Add(
            $"title {new string('x', before)}🦀 and on\npart A\n1-8 march R",
            Cancel);
        Assert.Equal(kept, dance.Title.Length);
    }

    [Fact]
    public async Task What_the_shelf_searches_by_is_computed_from_the_script()
    {
        await using var context = fixture.Context();
        var shelf = new DanceShelf(context, await fixture.NewOwner(), ShelfFixture.Clock);
        var dance = await shelf.Add("title Mooring Line\npart A\n1-4 vine R\n5-7 vine L with 1/4 left\n8 touch R beside", Cancel);
        Assert.Equal(("Mooring Line", 8, 4, DanceState.Clear), (dance.Title, dance.Counts, dance.Walls, dance.State));
        var broken = await shelf.Add("title Knot\npart A\n1 step R side\n2 touch R side", Cancel);
        Assert.Equal(DanceState.Errors, broken.State);
    }

    [Fact]
    public async Task Search_finds_words_in_titles_and_steps_and_takes_signs_literally()
    {
        await using var context = fixture.Context();
        var shelf = new DanceShelf(context, await fixture.NewOwner(), ShelfFixture.Clock);
        await shelf.Add("title Herring Walk\npart A\n1-4 vine R", Cancel);
        await shelf.Add("title Gull 100% Glide\npart A\n1-4 jazz box R", Cancel);
        Assert.Equal("Herring Walk", Assert.Single(await shelf.Search("herring", Cancel)).Title);
        Assert.Equal("Gull 100% Glide", Assert.Single(await shelf.Search("jazz gull", Cancel)).Title);
        Assert.Single(await shelf.Search("100%", Cancel));
        Assert.Empty(await shelf.Search("%%_", Cancel));
        Assert.Equal(2, (await shelf.Search("", Cancel)).Count);
    }

    [Fact]
    public async Task Nobody_reaches_another_owners_dance()
    {
        await using var context = fixture.Context();
        var dance = await new DanceShelf(context, await fixture.NewOwner(), ShelfFixture.Clock).Add(
            "title Private\npart A\n1 step R",
            Cancel);
        var stranger = new DanceShelf(context, await fixture.NewOwner(), ShelfFixture.Clock);
        Assert.Null(await stranger.Find(dance.Id, Cancel));
        Assert.Null(await stranger.Save(dance.Id, 1, "stolen", Cancel));
        Assert.False(await stranger.Delete(dance.Id, Cancel));
        Assert.False(await stranger.SaveFit(dance.Id, new DanceFit(), Cancel));
        Assert.Empty(await stranger.Search("", Cancel));
    }

    [Fact]
    public async Task A_save_from_an_old_version_overwrites_nothing_and_gives_the_newer_one_back()
    {
        var owner = await fixture.NewOwner();
        await using var one = fixture.Context();
        await using var two = fixture.Context();
        var dance = await new DanceShelf(one, owner, ShelfFixture.Clock).Add("title First\npart A\n1 step R", Cancel);
        var mine = await new DanceShelf(one, owner, ShelfFixture.Clock).Save(dance.Id, 1, "title Mine\npart A\n1 step R", Cancel);
        Assert.True(mine!.Saved);
        var theirs = await new DanceShelf(two, owner, ShelfFixture.Clock).Save(dance.Id, 1, "title Theirs\npart A\n1 step R", Cancel);
        Assert.False(theirs!.Saved);
        Assert.Equal(("Mine", 2), (theirs.Current.Title, theirs.Current.Version));
    }

    [Fact]
    public async Task Every_save_is_a_revision_and_the_same_text_is_none()
    {
        await using var context = fixture.Context();
        var shelf = new DanceShelf(context, await fixture.NewOwner(), ShelfFixture.Clock);
        var dance = await shelf.Add("title A\npart A\n1 step R", Cancel);
        await shelf.Save(dance.Id, 1, "title B\npart A\n1 step R", Cancel);
        await shelf.Save(dance.Id, 2, "title B\npart A\n1 step R", Cancel);
        var revisions = await context.Revisions.Where(r => r.DanceId == dance.Id)
            .OrderBy(r => r.Version)
            .Select(r => r.Script)
            .ToListAsync(Cancel);
        Assert.Equal(["title A\npart A\n1 step R", "title B\npart A\n1 step R"], revisions);
    }

    [Fact]
    public async Task The_bin_gives_everything_back()
    {
        await using var context = fixture.Context();
        var shelf = new DanceShelf(context, await fixture.NewOwner(), ShelfFixture.Clock);
        var dance = await shelf.Add("title Ebb\npart A\n1 step R", Cancel);
        Assert.True(await shelf.Delete(dance.Id, Cancel));
        Assert.Empty(await shelf.Search("", Cancel));
        Assert.Equal("Ebb", Assert.Single(await shelf.Deleted(cancel: Cancel)).Title);
        Assert.True(await shelf.Restore(dance.Id, Cancel));
        Assert.Single(await shelf.Search("", Cancel));
    }

    [Fact]
    public async Task A_null_character_does_not_reach_the_database()
    {
        await using var context = fixture.Context();
        var dance = await new DanceShelf(context, await fixture.NewOwner(), ShelfFixture.Clock).Add(
            "title N\0il\npart A\n1 step R",
            Cancel);
        Assert.DoesNotContain('\0', dance.Script);
        Assert.DoesNotContain('\0', dance.Title);
    }

    [Fact]
    public async Task A_lesson_needs_a_dance_and_a_group_of_the_same_owner()
    {
        await using var context = fixture.Context();
        var owner = await fixture.NewOwner();
        var other = await fixture.NewOwner();
        var dance = await new DanceShelf(context, owner, ShelfFixture.Clock).Add("title Lesson\npart A\n1 step R", Cancel);
        var book = new LessonBook(context, owner, ShelfFixture.Clock);
        var own = await book.AddGroup("Loft regulars", "", 60, Cancel);
        var foreign = await new LessonBook(context, other, ShelfFixture.Clock).AddGroup("Others", "", 60, Cancel);
        Assert.Null(await book.Add(new LessonRecord { DanceId = dance.Id, GroupId = foreign.Id }, Cancel));
        Assert.NotNull(await book.Add(
            new LessonRecord { DanceId = dance.Id, GroupId = own.Id, Date = new DateOnly(2026, 11, 26) },
            Cancel));
        Assert.Empty(await new LessonBook(context, other, ShelfFixture.Clock).Lessons(cancel: Cancel));
        Assert.Equal("Loft regulars", (await book.Planned(dance.Id, Cancel))!.Group!.Name);
    }

    [Fact]
    public void Every_demo_dance_is_free_of_errors_and_only_the_bridge_of_twenty_wants_a_look()
    {
        var scripts = DemoWorld.Scripts().ToList();
        Assert.Equal(10, scripts.Count);
        foreach (var (name, script) in scripts)
        {
            var findings = Core.Analysis.Analyse(script).Findings.Where(f => f.Severity != Core.Findings.Severity.Info).ToList();
            string[] meant = name == "nine-lanterns" ? ["COUNT04 Bridge", "COUNT02 Bridge"] : [];
            Assert.Equal(meant, findings.Select(f => $"{f.Code} {f.Place.Part}"));
        }
    }

    [Fact]
    public async Task The_demo_world_is_loaded_once_and_its_drift_can_be_mended()
    {
        using var database = new FondCompass.Tests.Databases.TestDatabase();
        await using var context = new FondCompassContext(new DbContextOptionsBuilder<FondCompassContext>().UseNpgsql(database.Connection
            + ";Pooling=false").Options);
        await context.Database.MigrateAsync(Cancel);
        using var users = new Microsoft.AspNetCore.Identity.UserManager<Instructor>(
            new Microsoft.AspNetCore.Identity.EntityFrameworkCore.UserOnlyStore<Instructor, FondCompassContext, Guid>(context),
            Microsoft.Extensions.Options.Options.Create(new Microsoft.AspNetCore.Identity.IdentityOptions()),
            null!, [], [], new Microsoft.AspNetCore.Identity.UpperInvariantLookupNormalizer(), new(), null!,
            Microsoft.Extensions.Logging.Abstractions.NullLogger<Microsoft.AspNetCore.Identity.UserManager<Instructor>>.Instance);
        await DemoWorld.LoadIfEmpty(context, users, ShelfFixture.Clock, Cancel);
        await DemoWorld.LoadIfEmpty(context, users, ShelfFixture.Clock, Cancel);
        Assert.Equal(DemoWorld.UserName, (await context.Users.SingleAsync(Cancel)).UserName);
        Assert.Equal(
            (10, 2, 1),
            (await context.Dances.CountAsync(Cancel), await context.Lessons.CountAsync(
                l => l.Held,
                Cancel), await context.Lessons.CountAsync(l => !l.Held, Cancel)));

        var script = DemoWorld.Scripts().Single(s => s.Name == "slack-tide-stroll").Script;
        var trace = Core.Analysis.Analyse(script).Trace;
        var stroll = await context.Dances.SingleAsync(d => d.Title == "Slack Tide Stroll", Cancel);
        var track = await context.Tracks.SingleAsync(t => t.Id == stroll.Fit.TrackId, Cancel);
        var read = Core.Music.SongText.Read(track.Passages, new Core.Measures.Bpm(112));
        Assert.Null(read.Problem);
        var fit = Core.Runs.Fitting.PhraseFit.Solve(trace, read.Song, 16);
        Assert.True(fit.OffBefore > 0);
        Assert.Equal(0, fit.OffAfter);
    }
}
