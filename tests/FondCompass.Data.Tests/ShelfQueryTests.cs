using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;
using Xunit;

namespace FondCompass.Data.Tests;

/// <summary>The shelf finds by what people ask, in the order they ask for.</summary>
public class ShelfQueryTests(ShelfFixture fixture)
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static readonly DateOnly Today = ShelfFixture.Clock.Today;

    /// <summary>
    /// Four dances: Ebb (beginner, 8 counts, 92, one wall), Flow (Improver, 16, 112, four walls, a tag), Gale (percussive, 24, no tempo),
    /// Haze (errors).
    /// </summary>
    private static async Task<(DanceShelf Shelf, LessonBook Book, Dictionary<string, DanceRecord> Dances, GroupRecord Thursday)> Shelf(
        FondCompassContext context,
        Guid owner)
    {
        var shelf = new DanceShelf(context, owner, ShelfFixture.Clock);
        string[] scripts =
        [
            "title Ebb\nlevel beginner\ntempo 92\npart A\n1-4 vine R\n5-8 vine L",
            "title Flow\nlevel Improver\ntempo 112\npart A\n1-4 vine R\n5-7 vine L with 1/4 left\n8 touch R beside\n1-8 march R x8\ntag "
                + "Bell\n1-2 hold\nafter 1 Bell",
            "title Gale\ngenre percussive\nstart weight L\npart A\n1-8 march R\n1-8 march R\n1-8 march R",
            "title Haze\npart A\n1 step R side\n2 touch R side",
        ];
        var dances = new Dictionary<string, DanceRecord>();
        foreach (var script in scripts)
        {
            var dance = await shelf.Add(script, Cancel);
            dances[dance.Title] = dance;
        }

        var thursday = new GroupRecord { Id = Guid.CreateVersion7(), OwnerId = owner, Name = "Thursday" };
        context.Groups.Add(thursday);
        context.Lessons.AddRange(
            Lesson(owner, dances["Ebb"], thursday, Today.AddMonths(-4), true),
            Lesson(owner, dances["Flow"], thursday, Today.AddDays(-3), true),
            Lesson(owner, dances["Flow"], thursday, Today.AddMonths(-5), true), Lesson(owner, dances["Gale"], thursday, Today, false));
        await context.SaveChangesAsync(Cancel);
        return (shelf, new LessonBook(context, owner, ShelfFixture.Clock), dances, thursday);
    }

    private static LessonRecord Lesson(Guid owner, DanceRecord dance, GroupRecord group, DateOnly date, bool held) =>
        new() { Id = Guid.CreateVersion7(), OwnerId = owner, DanceId = dance.Id, GroupId = group.Id, Date = date, Held = held };

    public static TheoryData<string, ShelfQuery> Wishes => new()
    {
        { "Ebb", new ShelfQuery { Level = "Beginner" } },
        { "Flow", new ShelfQuery { Level = "improver" } },
        { "Gale", new ShelfQuery { Genre = "percussive" } },
        { "Flow", new ShelfQuery { Walls = 4 } },
        { "Flow, Gale", new ShelfQuery { CountsFrom = 16 } },
        { "Ebb, Haze", new ShelfQuery { CountsTo = 15 } },
        { "Flow", new ShelfQuery { CountsFrom = 16, CountsTo = 16 } },
        { "Ebb", new ShelfQuery { TempoTo = 100 } },
        { "Flow", new ShelfQuery { TempoFrom = 112 } },
        { "Flow", new ShelfQuery { HasTag = true } },
        { "Haze", new ShelfQuery { State = DanceState.Errors } },
        { "Flow", new ShelfQuery { Danced = DancedSince.InTheLastMonth } },
        { "Ebb", new ShelfQuery { Danced = DancedSince.NotForAMonth } },
        { "Ebb", new ShelfQuery { Danced = DancedSince.NotForThreeMonths } },
        { "Gale, Haze", new ShelfQuery { Danced = DancedSince.Never } },
        { "Ebb, Flow", new ShelfQuery { Words = "vine" } },
        { "Flow", new ShelfQuery { Words = "vine", HasTag = true } },
        { "Ebb, Flow, Gale, Haze", new ShelfQuery { Order = ShelfOrder.Title } },
        { "Haze, Ebb, Flow, Gale", new ShelfQuery { Order = ShelfOrder.Counts } },
        { "Ebb, Flow, Gale, Haze", new ShelfQuery { Order = ShelfOrder.Tempo } },
        { "Ebb, Flow, Gale, Haze", new ShelfQuery { Order = ShelfOrder.Level } },
        { "Flow, Ebb, Gale, Haze", new ShelfQuery { Order = ShelfOrder.LastDanced } },
        { "Ebb, Flow, Gale, Haze", new ShelfQuery { Order = ShelfOrder.LongestNotDanced } },
        { "Haze, Gale, Flow, Ebb", new ShelfQuery { Order = ShelfOrder.Changed } },
        { "Haze", new ShelfQuery { Skip = 3 } },
    };

    [Theory]
    [MemberData(nameof(Wishes))]
    public async Task Found(string titles, ShelfQuery wish)
    {
        await using var context = fixture.Context();
        var (shelf, _, _, _) = await Shelf(context, await fixture.NewOwner());
        Assert.Equal(titles, string.Join(", ", (await shelf.SearchFor(wish, Cancel)).Select(d => d.Title)));
        Assert.Equal(titles.Split(", ").Length + wish.Skip, await shelf.Count(wish, Cancel));
    }

    [Fact]
    public async Task By_the_group_that_danced_it_and_not_by_a_strangers()
    {
        await using var context = fixture.Context();
        var (shelf, _, _, thursday) = await Shelf(context, await fixture.NewOwner());
        var (other, _, _, theirs) = await Shelf(context, await fixture.NewOwner());
        Assert.Equal(["Ebb", "Flow"], (await shelf.SearchFor(new ShelfQuery { Group = thursday.Id }, Cancel)).Select(d => d.Title));
        Assert.Empty(await shelf.SearchFor(new ShelfQuery { Group = theirs.Id }, Cancel));
        Assert.Equal(4, await other.Count(new ShelfQuery(), Cancel));
    }

    [Fact]
    public async Task Marks_are_ones_own_and_found_again()
    {
        await using var context = fixture.Context();
        var (shelf, _, dances, _) = await Shelf(context, await fixture.NewOwner());
        Assert.True(await shelf.SetMarks(dances["Gale"].Id, "Summer,  for the quay, summer,, " + new string('x', 40), Cancel));
        Assert.False(await new DanceShelf(context, await fixture.NewOwner(), ShelfFixture.Clock).SetMarks(
            dances["Gale"].Id,
            "theirs",
            Cancel));
        Assert.Equal("Gale", Assert.Single(await shelf.SearchFor(new ShelfQuery { Mark = "summer" }, Cancel)).Title);
        var (levels, marks) = await shelf.Choices(Cancel);
        Assert.Equal(["beginner", "improver"], levels);
        Assert.Equal(["for the quay", "summer", new string('x', 30)], marks);
    }

    [Fact]
    public async Task A_copy_is_a_dance_of_its_own()
    {
        await using var context = fixture.Context();
        var (shelf, _, dances, _) = await Shelf(context, await fixture.NewOwner());
        await shelf.SetMarks(dances["Flow"].Id, "summer", Cancel);
        var copy = (await shelf.Copy(dances["Flow"].Id, Cancel))!;
        Assert.Equal("Flow, a copy", copy.Title);
        Assert.NotEqual(dances["Flow"].Id, copy.Id);
        Assert.Equal(2, await shelf.Count(new ShelfQuery { HasTag = true, Mark = "summer" }, Cancel));
        Assert.Null(await new DanceShelf(context, await fixture.NewOwner(), ShelfFixture.Clock).Copy(copy.Id, Cancel));
    }

    [Fact]
    public async Task What_was_stored_before_is_described_once()
    {
        await using var context = fixture.Context();
        var owner = await fixture.NewOwner();
        var (shelf, _, dances, _) = await Shelf(context, owner);
        await context.Dances.Where(d => d.Id == dances["Gale"].Id)
            .ExecuteUpdateAsync(
                set => set.SetProperty(d => d.Genre, "").SetProperty(d => d.Lines, "").SetProperty(d => d.IsStale, true),
                Cancel);
        context.ChangeTracker.Clear();
        Assert.Empty(await shelf.SearchFor(new ShelfQuery { Genre = "percussive" }, Cancel));
        Assert.Equal(1, await StaleDances.Describe(context, owner, Cancel));
        Assert.Equal(0, await StaleDances.Describe(context, owner, Cancel));
        var found = Assert.Single(await shelf.SearchFor(new ShelfQuery { Genre = "percussive" }, Cancel));
        Assert.Contains("\"part\":\"A\"", found.Lines);
    }
}
