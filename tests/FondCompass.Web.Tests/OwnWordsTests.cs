using System.Net;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>An instructor's own words: which dances they change, and that no past revision changes with them.</summary>
public class OwnWordsTests(Studio studio)
{
    private const string Script = "title Hawser\npart A\n1-4 rope walk R\n5-8 vine L";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static async Task<string> Save(Visitor visitor, string text, int version = 0)
    {
        using var answer = await visitor.Post("/steps/own?handler=Save", "/", ("text", text), ("version", $"{version}"));
        return await answer.Content.ReadAsStringAsync(Cancel);
    }

    [Fact]
    public async Task They_say_what_they_would_change_and_change_it_when_saved()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        using var look = await visitor.Post("/steps/own?handler=Look", "/", ("text", "step rope walk = step R across, step L across"));
        var looked = await look.Content.ReadAsStringAsync(Cancel);
        Assert.Contains("Hawser", looked);
        Assert.DoesNotContain("<title>rope walk R:", (await visitor.Get($"/dances/{id}/write")).Html);

        Assert.Contains("Saved.", await Save(visitor, "step rope walk = step R across, step L across"));
        Assert.Contains("<title>rope walk R:", (await visitor.Get($"/dances/{id}/write")).Html);
        Assert.Contains("rope walk", (await visitor.Get("/steps?q=rope")).Html);
    }

    [Fact]
    public async Task A_revision_is_read_with_the_words_it_was_saved_with()
    {
        var visitor = await studio.NewVisitor();
        await Save(visitor, "alias rope walk = jazz box");
        var id = await visitor.Write(Script);
        await Save(visitor, "alias rope walk = rocking chair", 1);
        var (_, html) = await visitor.Get($"/dances/{id}/revisions?version=2");
        Assert.Contains("rope walk R (jazz box)", html);
        Assert.Contains("rope walk R (rocking chair)", html);
    }

    [Fact]
    public async Task Two_tabs_lose_nothing()
    {
        var visitor = await studio.NewVisitor();
        await Save(visitor, "alias one = vine");
        var answer = await Save(visitor, "alias two = vine");
        Assert.Contains("alias one = vine", answer);
        Assert.Contains("alias two = vine", answer);
        Assert.Contains("changed elsewhere", answer);
        Assert.Contains("alias one = vine", (await visitor.Get("/steps/own")).Html);
    }

    [Fact]
    public async Task Nobody_reads_anothers_words()
    {
        await Save(await studio.NewVisitor(), "alias secret = vine");
        Assert.DoesNotContain("secret", (await (await studio.NewVisitor()).Get("/steps/own")).Html);
    }

    [Fact]
    public async Task What_cannot_be_read_is_told_by_its_row()
    {
        var visitor = await studio.NewVisitor();
        Assert.Contains("Row 2:", await Save(visitor, "alias one = vine\nwhatever\nstep a = b"));
        Assert.Contains("Nothing was saved", await Save(visitor, new string('x', 70_000), 1));
    }

    [Fact]
    public async Task A_step_knows_the_dances_it_occurs_in()
    {
        var visitor = await studio.NewVisitor();
        await visitor.Write("title Low Tide Test\npart A\n1-4 grapevines R\n5-8 hold");
        await visitor.Write("title Not Here\npart A\n1-4 jazz box R # no vine at all");
        var (status, html) = await visitor.Get("/steps?step=vine");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("Low Tide Test", html);
        Assert.DoesNotContain("Not Here", html);
        Assert.Contains("class=\"print", html);
    }

    [Theory]
    [InlineData("/steps?step=nonesuch")]
    [InlineData("/steps?step=vine&try=%00%3Cscript%3E")]
    [InlineData("/steps?q=%F0%9F%A6%80")]
    [InlineData("/steps?step=vine&try=unwind+9999+left")]
    public async Task Odd_questions_get_a_page(string path) =>
        Assert.Equal(HttpStatusCode.OK, (await (await studio.NewVisitor()).Get(path)).Status);

    [Fact]
    public async Task A_dance_lies_beside_another_and_beside_its_own_version()
    {
        var visitor = await studio.NewVisitor();
        var one = await visitor.Write("title One\npart A\n1-4 rolling vine R\neasier 1-4 vine R\n5-8 vine L");
        var two = await visitor.Write("title Two\npart A\n1-4 rolling vine R\n5-6 step touch L\n7-8 step touch R");
        Assert.Contains("They part at", (await visitor.Get($"/dances/{one}/compare?with=dance:{two}")).Html);
        Assert.Contains("can dance them at once", (await visitor.Get($"/dances/{one}/compare?with=version:easier")).Html);
        Assert.Contains("Choose what to lay beside it", (await visitor.Get($"/dances/{one}/compare?with=dance:{Guid.NewGuid()}")).Html);
    }
}
