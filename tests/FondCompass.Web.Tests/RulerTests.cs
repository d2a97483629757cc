using System.Net;
using System.Text.Json;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>What the Write page asks for: changes on the ruler, steps that fit, other ways, a pasted list.</summary>
public class RulerTests(Studio studio)
{
    private const string Script = "title Slipway\npart A\n1-4 vine R\n5-8 vine L\n";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private async Task<(HttpStatusCode Status, string Body)> Ask(string handler, params (string, string)[] fields)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        using var answer = await visitor.Post($"/dances/{id}/write?handler={handler}", "/", [("script", Script), .. fields]);
        return (answer.StatusCode, await answer.Content.ReadAsStringAsync(Cancel));
    }

    private async Task<(string Script, string? Refusal)> Edit(params (string, string)[] fields)
    {
        var root = JsonDocument.Parse((await Ask("Edit", fields)).Body).RootElement;
        return (root.GetProperty("script").GetString()!, root.GetProperty("refusal").GetString());
    }

    [Theory]
    [InlineData("duplicate", "step", 3, "1-4 vine R\n5-8 vine R\n9-12 vine L\n")]
    [InlineData("remove", "step", 3, "1-4 vine L\n")]
    [InlineData("later", "step", 3, "1-4 vine L\n5-8 vine R\n")]
    [InlineData("split", "step", 4, "1-4 vine R\n5 step L side\n6 step R behind\n7 step L side\n8 touch R beside\n")]
    [InlineData("mirror", "line", 3, "1-4 vine L\n5-8 vine R\n")]
    [InlineData("duplicate", "part", 3, "1-4 vine R\n5-8 vine L\n\npart B\n1-4 vine R\n5-8 vine L\n")]
    public async Task A_change_on_the_ruler_comes_back_as_text(string act, string on, int row, string expected)
    {
        var (script, refusal) = await Edit(("act", act), ("on", on), ("row", $"{row}"), ("part", "A"), ("line", "1"));
        Assert.Null(refusal);
        Assert.Equal("title Slipway\npart A\n" + expected, script);
    }

    [Theory]
    [InlineData("dance", "step", 3)]
    [InlineData("split", "step", 99)]
    [InlineData("mirror", "line", 3, "Z")]
    [InlineData("duplicate", "nothing", 3)]
    public async Task What_cannot_be_done_is_refused_in_words_and_changes_nothing(string act, string on, int row, string part = "A")
    {
        var (script, refusal) = await Edit(("act", act), ("on", on), ("row", $"{row}"), ("part", part), ("line", "1"));
        Assert.NotEmpty(refusal!);
        Assert.Equal(Script, script);
    }

    [Fact]
    public async Task Steps_are_offered_with_what_they_would_do()
    {
        var (_, body) = await Ask("Offers", ("part", "A"), ("line", "2"), ("count", "1"), ("typed", "rock"));
        Assert.Contains("1-2 rock step R", body);
        Assert.Contains("then right is free, facing 12:00", body);
        Assert.Contains("class=\"eight", body);
        Assert.DoesNotContain("offer-name", (await Ask("Offers", ("row", "1"))).Body);
    }

    [Fact]
    public async Task Other_ways_are_searched_for_an_aim()
    {
        var (showier, plain) = ((await Ask(
            "Ways",
            ("row", "3"),
            ("aim", "Showier"))).Body, (await Ask("Ways", ("row", "3"), ("aim", "NoTurn"))).Body);
        Assert.Contains("class=\"way-pick\"", showier);
        Assert.Contains("class=\"way-pick\"", plain);
        Assert.DoesNotContain(", turns", plain);
        Assert.NotEqual(showier, plain);
        Assert.Contains("Choose a step", (await Ask("Ways", ("row", "1"), ("aim", "Any"))).Body);
    }

    [Fact]
    public async Task A_pasted_list_is_shown_with_what_is_made_of_it()
    {
        var (_, body) = await Ask("Paste", ("list", "1-4 grapevine right\n5-8 <b>flurble</b>"));
        Assert.Contains("of it is understood", body);
        Assert.Contains("1 step R side", body);
        Assert.DoesNotContain("<b>flurble", body);
        Assert.Contains("not read", (await Ask("Paste", ("list", new string('x', 70_000)))).Body);
    }

    [Fact]
    public async Task A_script_is_tidied_on_request() =>
        Assert.Contains("1-4 vine R", JsonDocument.Parse((await Ask("Tidy")).Body).RootElement.GetProperty("script").GetString());
}
