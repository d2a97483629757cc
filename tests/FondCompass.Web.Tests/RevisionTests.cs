using System.Net;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>Every save can be seen and gone back to.</summary>
public class RevisionTests(Studio studio)
{
    private const string First = "title Spring Tide\npart A\n1-4 vine R\n5-8 vine L";

    [Fact]
    public async Task A_revision_shows_what_changed_and_can_be_gone_back_to()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(First);
        await visitor.Post($"/dances/{id}/write?handler=Save", "/", ("script", First.Replace("5-8 vine L", "5-8 rocking chair L")), ("version", "2"));
        var (_, html) = await visitor.Get($"/dances/{id}/revisions?version=2");
        Assert.Contains("2 steps differ", html);
        Assert.Contains("rocking chair L", html);
        Assert.Contains("Go back to revision 2", html);

        await visitor.Post($"/dances/{id}/revisions?handler=Restore", "/", ("version", "2"), ("from", "3"));
        Assert.Contains("5-8 vine L", (await visitor.Get($"/dances/{id}/write")).Html);
        Assert.Contains("danced the same", (await visitor.Get($"/dances/{id}/revisions?version=2")).Html);
    }

    [Fact]
    public async Task Going_back_from_an_old_page_overwrites_nothing()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(First);
        await visitor.Post($"/dances/{id}/write?handler=Save", "/", ("script", First + "\n# newer"), ("version", "2"));
        await visitor.Post($"/dances/{id}/revisions?handler=Restore", "/", ("version", "1"), ("from", "2"));
        Assert.Contains("# newer", (await visitor.Get($"/dances/{id}/write")).Html);
    }

    [Theory]
    [InlineData("?version=99")]
    [InlineData("?version=-1")]
    public async Task A_revision_that_never_was_is_not_found(string query)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(First);
        Assert.Equal(HttpStatusCode.NotFound, (await visitor.Get($"/dances/{id}/revisions{query}")).Status);
    }

    [Fact]
    public async Task Nobody_sees_anothers_revisions()
    {
        var id = await (await studio.NewVisitor()).Write(First);
        Assert.Equal(HttpStatusCode.NotFound, (await (await studio.NewVisitor()).Get($"/dances/{id}/revisions?version=1")).Status);
    }
}
