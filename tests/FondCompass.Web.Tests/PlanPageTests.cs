using System.Net;
using System.Text.RegularExpressions;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>Plan, cue sheet, room and group by their addresses: what is asked stands in them, and what is wrong is said.</summary>
public partial class PlanPageTests(Studio studio)
{
    private const string Script = "title Kittiwake Turn\ntempo 112\npart A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R\n";

    private static string Blocks(string html) => string.Join('|', BlockTitle().Matches(html).Select(m => m.Groups[1].Value));

    [Theory]
    [InlineData("order=pairs&show=no", "Show it whole", false)]
    [InlineData("order=follow-along", "Walk vine", false)]
    [InlineData("order=layer-rounds", "The whole: feet only", true)]
    [InlineData("order=last-part-first", "Join all", false)]
    [InlineData("order=&ladder=100", "at 75", false)]
    [InlineData("order=&ladder=50 110", "at 110 %", true)]
    [InlineData("order=&music=early", "slowed to", false)]
    [InlineData("order=&progress=one-run", "Runs without a break", false)]
    [InlineData("order=&progress=runs-only", "One run to the music", false)]
    [InlineData("order=&until=1", "Walk rocking chair", false)]
    public async Task Every_choice_changes_the_plan(string query, string title, bool isThere)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        var (status, html) = await visitor.Get($"/dances/{id}/plan?{query}");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(isThere, Blocks(html).Contains(title, StringComparison.Ordinal));
        Assert.NotEqual(Blocks((await visitor.Get($"/dances/{id}/plan")).Html), Blocks(html));
    }

    [Theory]
    [InlineData("pins=walk%3AA%3A1%3D240s", "4.0 min, yours")]
    [InlineData("pins=dance%3AA%3A1%3D5x", "&#xD7; 5")]
    [InlineData("pins=walk%3AZ%3A9%3D240s", "this plan has no such block")]
    [InlineData("ladder=fast", "&#x27;fast&#x27; is no tempo ladder")]
    [InlineData("countin=many", "&#x27;many&#x27; is no count-in")]
    [InlineData("minutes=0", "&#x27;0&#x27; is no length of a lesson")]
    [InlineData("pins=%00;=;x;walk%3D&until=-4&walls=ceiling", "blocks")]
    public async Task What_is_settled_is_kept_and_what_cannot_be_is_said(string query, string says)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        var (status, html) = await visitor.Get($"/dances/{id}/plan?order=&{query}");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains(says, html);
        Assert.Contains("Walk vine", html);
    }

    [Fact]
    public async Task A_plan_is_kept_with_its_way_and_can_be_read_as_text()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        await visitor.Post($"/dances/{id}/plan?handler=Keep", "/", ("group", "Harbour ring"), ("date", "2026-11-26"), ("minutes", "45"), ("order", "follow-along"), ("show", "no"), ("pins", "music=90s"));
        var kept = (await visitor.Get($"/dances/{id}/plan")).Html;
        Assert.DoesNotContain("Walk vine", kept);
        Assert.DoesNotContain("Show it whole", Blocks(kept));
        Assert.Contains("1.5 min, yours", kept);
        // As suggested is a choice too, and beats what was kept.
        Assert.Contains("Walk vine", (await visitor.Get($"/dances/{id}/plan?order=")).Html);
        var text = (await visitor.Get($"/dances/{id}/plan?handler=Text")).Html;
        Assert.StartsWith("Kittiwake Turn, Harbour ring: 45:00", text, StringComparison.Ordinal);
        Assert.Contains("One run to the music", text);
    }

    [Fact]
    public async Task What_cannot_be_kept_is_said_and_breaks_nothing()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        foreach (var (field, value) in ((string, string)[])[("ladder", new string('7', 1500)), ("pins", string.Concat(Enumerable.Range(0, 900).Select(i => $"walk%3AA%3A{i}=60s;")))])
        {
            using var answer = await visitor.Post($"/dances/{id}/plan?handler=Keep", "/", ("group", "Harbour ring"), ("date", "2026-11-26"), ("minutes", "45"), ("order", ""), (field, value));
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            Assert.Contains("can be kept with a lesson", await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        }

        Assert.DoesNotContain("Planned for", (await visitor.Get($"/dances/{id}/plan")).Html);
    }

    [Fact]
    public async Task The_address_of_a_change_is_told_to_the_browser()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        using var answer = await visitor.Client.GetAsync($"/dances/{id}/plan?handler=Column&minutes=30&order=pairs", TestContext.Current.CancellationToken);
        Assert.Equal($"/dances/{id}/plan?minutes=30&order=pairs", Assert.Single(answer.Headers.GetValues("HX-Push-Url")));
    }

    [Theory]
    [InlineData("cues?rate=80&lead=4", "vine right")]
    [InlineData("cues?way=beat", "to the left")]
    [InlineData("cues?pace=0", "&#x27;0&#x27; is no pace of speaking")]
    [InlineData("cues?rate=5", "&#x27;5&#x27; is no rate")]
    [InlineData("cues?lead=-1", "&#x27;-1&#x27; is no lead")]
    [InlineData("room?width=9&depth=12&dancers=12", "All 12 fit")]
    [InlineData("room?width=0&dancers=many", "&#x27;many&#x27; cannot be the number of dancers")]
    [InlineData("room?dancers=300", "too many")]
    [InlineData("room?width=1&depth=1&dancers=3", "Nobody fits")]
    [InlineData("room?obstacles=here", "&#x27;here&#x27; is no obstacle")]
    [InlineData("room?layout=circle&dancers=8", "A ring of")]
    [InlineData("room?dancers=5000", "too many")]
    public async Task Cue_sheet_and_room(string page, string says)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        var (status, html) = await visitor.Get($"/dances/{id}/{page}");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains(says, html);
    }

    [Theory]
    [InlineData("Name", "", "Give the group a name")]
    [InlineData("Size", "0", "&#x27;0&#x27; cannot be the number of dancers")]
    [InlineData("Size", "5001", "&#x27;5001&#x27; cannot be the number of dancers")]
    [InlineData("WarmUp", "an hour", "cannot be the minutes of a warm-up")]
    [InlineData("Minutes", "541", "cannot be the minutes of a lesson")]
    [InlineData("Knows", "vine, flurble", "change nothing yet: flurble")]
    public async Task A_group_says_what_cannot_be_and_loses_nothing(string field, string value, string says)
    {
        var (visitor, group) = await NewGroup();
        using var answer = await visitor.Post(group, "/", ("Asked.Name", field == "Name" ? value : "Slipway beginners"), ($"Asked.{field}", value), ("Asked.Meets", "Thursdays, kept"));
        var html = answer.StatusCode == HttpStatusCode.Redirect ? (await visitor.Get(group)).Html : await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        Assert.Contains(says, html);
        Assert.Contains("Thursdays, kept", html);
    }

    [Fact]
    public async Task Nobody_sees_or_changes_anothers_group_or_plan()
    {
        var (visitor, group) = await NewGroup();
        var id = await visitor.Write(Script);
        var other = await studio.NewVisitor();
        foreach (var path in (string[])[group, $"/dances/{id}/cues", $"/dances/{id}/room", $"/dances/{id}/plan?handler=Text", $"/dances/{id}/plan?handler=Column"])
        {
            Assert.Equal(HttpStatusCode.NotFound, (await other.Get(path)).Status);
        }

        using var change = await other.Post(group, "/", ("Asked.Name", "Mine now"));
        Assert.Equal(HttpStatusCode.NotFound, change.StatusCode);
        Assert.Contains("Slipway beginners", (await visitor.Get(group)).Html);
    }

    private async Task<(Visitor Visitor, string Group)> NewGroup()
    {
        var visitor = await studio.NewVisitor();
        await visitor.Post("/groups", "/", ("name", "Slipway beginners"), ("meets", "Thursdays"), ("minutes", "60"));
        return (visitor, GroupLink().Match((await visitor.Get("/groups")).Html).Groups[1].Value);
    }

    [GeneratedRegex("<summary>([^<]+)</summary>")]
    private static partial Regex BlockTitle();

    [GeneratedRegex("href=\"(/groups/[0-9a-f-]+)\"")]
    private static partial Regex GroupLink();
}
