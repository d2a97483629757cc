using FondCompass.Data.Dances;
using Xunit;

namespace FondCompass.Data.Tests;

/// <summary>An instructor's own words: what they change, what they leave, and two who save at once.</summary>
public class WordBookTests(ShelfFixture fixture)
{
    private const string Rope = "title Rope\npart A\n1-4 rope walk R\n5-8 vine L";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_change_is_told_before_it_is_saved_and_the_shelf_follows_when_it_is()
    {
        await using var context = fixture.Context();
        var owner = await fixture.NewOwner();
        var words = new WordBook(context, owner);
        var shelf = new DanceShelf(context, owner, words, ShelfFixture.Clock);
        var rope = await shelf.Add(Rope, Cancel);
        await shelf.Add("title Other\npart A\n1-4 vine R\n5-8 vine L", Cancel);

        var look = await words.Look("alias rope walk = rolling vine", null, Cancel);
        Assert.Equal((1, 0), (look.All, look.Left));
        var change = Assert.Single(look.Changed);
        Assert.Equal(("Rope", rope.Id), (change.Title, change.Id));
        Assert.True(change.Steps > 0);

        var version = rope.Version;
        Assert.True((await words.Save("alias rope walk = rolling vine", 0, Cancel)).Saved);
        Assert.Equal(1, await words.Waiting(Cancel));
        Assert.Equal(1, await StaleDances.Describe(context, owner, Cancel));
        var after = (await shelf.Find(rope.Id, Cancel))!;
        Assert.Equal((change.After, version, false), (after.State, after.Version, after.IsStale));
        Assert.Equal((0, 0), ((await words.Look("alias rope walk = rolling vine", null, Cancel)).All, await words.Waiting(Cancel)));
    }

    [Fact]
    public async Task A_look_through_many_goes_on_where_it_stopped_and_a_save_marks_them_all()
    {
        await using var context = fixture.Context();
        var owner = await fixture.NewOwner();
        var words = new WordBook(context, owner);
        var shelf = new DanceShelf(context, owner, words, ShelfFixture.Clock);
        for (var i = 0; i <= WordBook.LookedThrough; i++)
        {
            await shelf.Add(Rope, Cancel);
        }

        var first = await words.Look("alias rope walk = rolling vine", null, Cancel);
        Assert.Equal((WordBook.LookedThrough, WordBook.LookedThrough + 1, 1), (first.Changed.Count, first.All, first.Left));
        var rest = await words.Look("alias rope walk = rolling vine", first.Next, Cancel);
        Assert.Equal((1, 0, (Guid?)null), (rest.Changed.Count, rest.Left, rest.Next));
        Assert.DoesNotContain(rest.Changed[0].Id, first.Changed.Select(c => c.Id));
        await words.Save("alias rope walk = rolling vine", 0, Cancel);
        Assert.Equal(WordBook.LookedThrough + 1, await words.Waiting(Cancel));
        // Somebody else's are not in it, and what one has in hand another leaves alone.
        Assert.Equal(0, await StaleDances.Describe(context, await fixture.NewOwner(), Cancel));
        await using var other = fixture.Context();
        var both = await Task.WhenAll(StaleDances.Describe(context, owner, Cancel), StaleDances.Describe(other, owner, Cancel));
        Assert.Equal(WordBook.LookedThrough + 1, both.Sum() + await words.Waiting(Cancel));
    }

    [Fact]
    public async Task A_revision_keeps_the_words_of_its_day()
    {
        await using var context = fixture.Context();
        var owner = await fixture.NewOwner();
        var words = new WordBook(context, owner);
        var shelf = new DanceShelf(context, owner, words, ShelfFixture.Clock);
        await words.Save("alias rope walk = vine", 0, Cancel);
        var dance = await shelf.Add(Rope, Cancel);
        await words.Save("alias rope walk = jazz box", 1, Cancel);
        await shelf.Save(dance.Id, 1, Rope + "\n# again", Cancel);
        Assert.Equal("alias rope walk = vine", (await shelf.Revision(dance.Id, 1, Cancel))!.Words);
        Assert.Equal("alias rope walk = jazz box", (await shelf.Revision(dance.Id, 2, Cancel))!.Words);
        Assert.Null(await shelf.Revision(dance.Id, 3, Cancel));
    }

    [Fact]
    public async Task Who_saves_from_an_older_version_overwrites_nothing()
    {
        var owner = await fixture.NewOwner();
        await using var one = fixture.Context();
        await using var two = fixture.Context();
        Assert.True((await new WordBook(one, owner).Save("alias a = vine", 0, Cancel)).Saved);
        var (saved, current) = await new WordBook(two, owner).Save("alias b = vine", 0, Cancel);
        Assert.False(saved);
        Assert.Equal("alias a = vine", current.Text);
    }

    [Fact]
    public async Task A_step_is_found_by_all_its_names_and_only_where_it_is_meant()
    {
        await using var context = fixture.Context();
        var owner = await fixture.NewOwner();
        var shelf = new DanceShelf(context, owner, ShelfFixture.Clock);
        var vine = (await shelf.Lexicon(Cancel)).Find("vine")!;
        await shelf.Add("title By alias\npart A\n5-8 hold\n1-4 Grapevines R", Cancel);
        await shelf.Add("title In another tongue\npart A\n1-4 лоза R", Cancel);
        await shelf.Add("title A remark\npart A\n1-4 jazz box R # no vine", Cancel);
        var binned = await shelf.Add("title Binned\npart A\n1-4 vine R", Cancel);
        await shelf.Delete(binned.Id, Cancel);
        var uses = (await shelf.Uses(vine, Cancel)).Where;
        Assert.Equal(["By alias", "In another tongue"], uses.Select(u => u.Title));
        Assert.Equal((2, "1"), (uses[0].Line, uses[0].Count));
        Assert.Empty((await new DanceShelf(context, await fixture.NewOwner(), ShelfFixture.Clock).Uses(vine, Cancel)).Where);
    }
}
