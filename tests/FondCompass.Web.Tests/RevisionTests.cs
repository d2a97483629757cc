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
        await visitor.Post(
            $"/dances/{id}/write?handler=Save",
            "/",
            ("script", First.Replace("5-8 vine L", "5-8 rocking chair L")),
            ("version", "2"));
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
        using var answer = await visitor.Post($"/dances/{id}/revisions?handler=Restore", "/", ("version", "1"), ("from", "2"));
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Contains(
            "saved elsewhere meanwhile, as revision 3; nothing was changed",
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        Assert.Contains("# newer", (await visitor.Get($"/dances/{id}/write")).Html);
    }

    [Fact]
    public async Task A_revision_can_be_marked_to_stay()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(First);
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await visitor.Press($"/dances/{id}/revisions?version=1", "handler=Keep", "name=\"kept\"")).StatusCode);
        Assert.Contains("It need not stay", (await visitor.Get($"/dances/{id}/revisions?version=1")).Html);
        await visitor.Press($"/dances/{id}/revisions?version=1", "handler=Keep", "name=\"kept\"");
        Assert.Contains("Let revision 1 stay", (await visitor.Get($"/dances/{id}/revisions?version=1")).Html);
    }

    [Fact]
    public async Task What_a_track_needs_is_not_written_over_a_newer_dance()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(First);
        await visitor.Post($"/dances/{id}/fit?handler=Accept", "/", ("rows", "restart 2 after 4"));
        await visitor.Post($"/dances/{id}/write?handler=Save", "/", ("script", First + "\n# newer"), ("version", "2"));
        using var answer = await visitor.Post($"/dances/{id}/fit?handler=WriteIn", "/", ("version", "2"));
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Contains(
            "changed elsewhere meanwhile; nothing was written into it",
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        var (_, html) = await visitor.Get($"/dances/{id}/write");
        Assert.Contains("# newer", html);
        Assert.DoesNotContain("restart 2 after 4", html);
    }

    /// <summary>Windows that save at the same moment: one is kept, every other is told, none is a fault.</summary>
    [Fact]
    public async Task Windows_that_save_at_once_are_told()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(First);
        for (var version = 2; version < 12; version++)
        {
            var from = version;
            var answers = await Task.WhenAll(Enumerable.Range(0, 4)
                .Select(i => visitor.Post(
                    $"/dances/{id}/write?handler=Save",
                    "/",
                    ("script", $"{First}\n# {from} {i}"),
                    ("version", $"{from}")))
                .Concat(Enumerable.Range(0, 2)
                    .Select(i => visitor.Post(
                        $"/dances/{id}/fit?handler=Change",
                        "/",
                        ("tempo", $"{100 + from + i}"),
                        ("intro", "8"),
                        ("repeats", "6")))));
            Assert.All(
                answers[4..],
                a => Assert.Contains(a.StatusCode, new[] { HttpStatusCode.OK, HttpStatusCode.Redirect, HttpStatusCode.Conflict }));
            var saved = answers[..4].Count(a => a.StatusCode == HttpStatusCode.OK);
            Assert.All(answers[..4], a => Assert.Contains(a.StatusCode, new[] { HttpStatusCode.OK, HttpStatusCode.Conflict }));
            // A fit in between turns all of them away: then the text is as it was, and is sent again.
            Assert.InRange(saved, 0, 1);
            if (saved == 0)
            {
                Assert.Equal(
                    HttpStatusCode.OK,
                    (await visitor.Post(
                        $"/dances/{id}/write?handler=Save",
                        "/",
                        ("script", $"{First}\n# {from} again"),
                        ("version", $"{from}"))).StatusCode);
            }
        }
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
