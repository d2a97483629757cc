using System.Net;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>What was done is told once on the page that comes next, with the way back.</summary>
public class DoneTests(Studio studio)
{
    private const string Script = "title Kittiwake Turn\ntempo 112\npart A\n1-4 vine R\n5-8 vine L\n";

    private static string Plain(string page) => WebUtility.HtmlDecode(page);

    [Fact]
    public async Task A_dance_that_is_deleted_says_so_once_and_comes_back_by_one_button()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        await visitor.Post("/?handler=Delete", "/", ("id", id));
        // A script that only looks at the page leaves it to be told.
        using var look = new HttpRequestMessage(HttpMethod.Get, "/");
        look.Headers.Add("X-Fond-Looks", "yes");
        using var answer = await visitor.Client.SendAsync(look, TestContext.Current.CancellationToken);
        var looked = Plain(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        var told = Plain((await visitor.Get("/")).Html);
        Assert.All([looked, told], page => Assert.Contains("“Kittiwake Turn” was deleted.", page, StringComparison.Ordinal));
        Assert.Contains("action=\"/?handler=Undelete\"", told, StringComparison.Ordinal);
        Assert.DoesNotContain("was deleted", (await visitor.Get("/")).Html, StringComparison.Ordinal);
        await visitor.Post("/?handler=Undelete", "/", ("id", id));
        var back = Plain((await visitor.Get("/")).Html);
        Assert.Contains("“Kittiwake Turn” is on the shelf again.", back, StringComparison.Ordinal);
        Assert.Contains($"/dances/{id}/teach", back, StringComparison.Ordinal);
        using var other = await (await studio.NewVisitor()).Post("/?handler=Undelete", "/", ("id", id));
        Assert.Equal(HttpStatusCode.NotFound, other.StatusCode);
    }

    [Fact]
    public async Task A_lesson_that_is_planned_or_taken_out_says_so_and_each_leads_on()
    {
        var visitor = await studio.NewVisitor();
        var dance = await visitor.Write(Script);
        var lesson = await visitor.Plan(dance);
        await visitor.Keep(dance, "Harbour ring", "2026-12-24", ("minutes", "45"));
        var planned = Plain((await visitor.Get($"/dances/{dance}/plan")).Html);
        Assert.Matches("<div class=\"done\"[^>]*><span>Planned for Harbour ring on Thursday 24 December: 45 minutes\\.</span>", planned);
        Assert.Contains($"<a class=\"button\" href=\"/lessons/{lesson}/teach\">Lead it</a>", planned, StringComparison.Ordinal);
        var all = (await visitor.Get("/lessons")).Html;
        Assert.Contains($"href=\"/lessons/{lesson}/teach\"", all, StringComparison.Ordinal);
        Assert.Contains($"href=\"/dances/{dance}/plan?lesson={lesson}\"", all, StringComparison.Ordinal);
        await visitor.Post("/lessons?handler=TakeOut", "/", ("id", lesson));
        var taken = Plain((await visitor.Get("/lessons")).Html);
        Assert.Contains("was taken out. It counts nowhere now.", taken, StringComparison.Ordinal);
        Assert.Contains("action=\"/lessons?handler=PutBack\"", taken, StringComparison.Ordinal);
        await visitor.Post("/lessons?handler=PutBack", "/", ("id", lesson));
        Assert.Contains("is back.", (await visitor.Get("/lessons")).Html, StringComparison.Ordinal);
    }
}
