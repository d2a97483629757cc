using System.Net;
using Microsoft.AspNetCore.Mvc.Testing;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>Signing in, making accounts, and the pages beside the dances.</summary>
public class SignInTests(Studio studio)
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private Visitor Stranger() => new(studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false }));

    [Theory]
    [InlineData("In", "", "", "Write your e-mail and your password")]
    [InlineData("In", "nobody@test.invalid", "wrong-password", "No account has this e-mail and password")]
    [InlineData("New", "not-an-address", "long-enough-password", "Write an e-mail address")]
    [InlineData("New", "short@test.invalid", "short", "at least 12 characters")]
    public async Task What_is_wrong_at_the_door_is_said(string handler, string email, string password, string said)
    {
        using var answer = await Stranger().Post($"/sign-in?handler={handler}", "/sign-in", ("Email", email), ("Password", password));
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Contains(said, await answer.Content.ReadAsStringAsync(Cancel));
    }

    /// <summary>
    /// Thirty at once, and two a second more, from an address that is not this machine's; another address is not held up by it.
    /// </summary>
    [Theory]
    [InlineData("/sign-in?handler=In", "text/html")]
    [InlineData("/api/analyse", "application/problem+json")]
    public async Task Who_knocks_too_often_is_told_to_come_again(string path, string type)
    {
        var (often, other) = (Stranger().Client, Stranger().Client);
        often.DefaultRequestHeaders.Add("X-Far", path.Contains("api", StringComparison.Ordinal) ? "192.0.2.30" : "192.0.2.31");
        other.DefaultRequestHeaders.Add("X-Far", "192.0.2.32");
        var answers = await Task.WhenAll(Enumerable.Range(0, 60).Select(_ => often.PostAsync(path, new StringContent("part A"), Cancel)));
        var refused = answers.Where(a => a.StatusCode == HttpStatusCode.TooManyRequests).ToList();
        Assert.InRange(refused.Count, 1, 30);
        Assert.All(
            refused,
            a => Assert.Equal((TimeSpan.FromSeconds(10), type), (a.Headers.RetryAfter!.Delta, a.Content.Headers.ContentType!.MediaType)));
        Assert.Contains("Too many at once", await refused[0].Content.ReadAsStringAsync(Cancel));
        using var fine = await other.PostAsync(path, new StringContent("part A"), Cancel);
        Assert.NotEqual(HttpStatusCode.TooManyRequests, fine.StatusCode);
    }

    [Fact]
    public async Task An_account_is_made_left_and_entered_again()
    {
        var visitor = Stranger();
        var email = $"{Guid.NewGuid():N}@test.invalid";
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await visitor.Post("/sign-in?handler=New", "/sign-in", ("Email", email), ("Password", "slack-tide-stroll"))).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await visitor.Get("/")).Status);
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.Post("/sign-in?handler=Out", "/")).StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.Get("/")).Status);
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await visitor.Post("/sign-in?handler=In", "/sign-in", ("Email", email), ("Password", "slack-tide-stroll"))).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await visitor.Get("/lessons")).Status);
    }

    [Fact]
    public async Task Two_accounts_cannot_share_an_address()
    {
        var email = $"{Guid.NewGuid():N}@test.invalid";
        await Stranger().Post("/sign-in?handler=New", "/sign-in", ("Email", email), ("Password", "slack-tide-stroll"));
        using var second = await Stranger().Post("/sign-in?handler=New", "/sign-in", ("Email", email), ("Password", "slack-tide-stroll"));
        // Whoever knows the password is let in; anybody else is not told whose the address is.
        Assert.Equal(HttpStatusCode.Redirect, second.StatusCode);
        using var third = await Stranger().Post("/sign-in?handler=New", "/sign-in", ("Email", email), ("Password", "another-tide-stroll"));
        Assert.Contains("No account can be made with this e-mail and password", await third.Content.ReadAsStringAsync(Cancel));
    }

    [Fact]
    public async Task The_door_leads_back_only_to_pages_of_our_own()
    {
        var visitor = Stranger();
        using var answer = await visitor.Post("/sign-in?handler=Demo", "/sign-in", ("ReturnUrl", "https://elsewhere.invalid/"));
        Assert.Equal("/", answer.Headers.Location!.ToString());
    }

    [Fact]
    public async Task The_demo_studio_is_ready_to_teach()
    {
        var visitor = Stranger();
        await visitor.Post("/sign-in?handler=Demo", "/sign-in");
        var (_, shelf) = await visitor.Get("/");
        Assert.Contains("Slack Tide Stroll", shelf);
        Assert.Contains("Low Water Waltz", shelf);
        Assert.Contains("Gangway Loop", shelf);
        Assert.DoesNotContain("state errors", shelf);
        Assert.Contains("Lead the lesson", shelf);
        var (_, lessons) = await visitor.Get("/lessons");
        Assert.Equal(3, lessons.Split("<b>Slipway beginners</b>").Length - 1);
    }

    [Fact]
    public async Task Only_ones_own_dances_are_on_the_shelf_and_search_narrows_it()
    {
        var visitor = await studio.NewVisitor();
        Assert.Contains("No dances yet", (await visitor.Get("/")).Html);
        await visitor.Write("title Ebb Tide\npart A\n1-4 vine R");
        await visitor.Write("title Flood Tide\npart A\n1-4 jazz box R");
        var (_, list) = await visitor.Get("/?handler=List&q=jazz");
        Assert.Contains("Flood Tide", list);
        Assert.DoesNotContain("Ebb Tide", list);
        Assert.Contains("No dance has", (await visitor.Get("/?handler=List&q=zebra")).Html);
    }

    [Fact]
    public async Task Groups_are_added_and_wrong_ones_refused()
    {
        var visitor = await studio.NewVisitor();
        Assert.Contains("No groups yet", (await visitor.Get("/groups")).Html);
        await visitor.Post("/groups", "/", ("name", "Breakwater hour"), ("meets", "Saturdays"), ("minutes", "50"));
        Assert.Contains("Breakwater hour", (await visitor.Get("/groups")).Html);
        foreach (var (name, minutes, said) in ((string, string, string)[])[
            ("", "60", "Give the group a name"),
            ("New", "soon", "no length of a lesson"),
            ("breakwater HOUR", "60", "already")
        ])
        {
            using var answer = await visitor.Post("/groups", "/", ("name", name), ("minutes", minutes));
            Assert.Contains(said, await answer.Content.ReadAsStringAsync(Cancel));
        }
    }

    [Fact]
    public async Task Steps_can_be_looked_up()
    {
        var visitor = await studio.NewVisitor();
        var (_, all) = await visitor.Get("/steps");
        Assert.Contains("rocking chair", all);
        var (_, found) = await visitor.Get("/steps?q=sailor");
        Assert.Contains("sailor", found);
        Assert.DoesNotContain("rocking chair", found);
        Assert.Contains("Spell it out", (await visitor.Get("/steps?q=zzz")).Html);
    }

    [Theory]
    [InlineData("/nowhere")]
    [InlineData("/dances/not-an-id/write")]
    [InlineData("/dances/00000000-0000-0000-0000-000000000000/log")]
    public async Task Addresses_of_nothing_have_a_page_of_their_own(string path)
    {
        var visitor = await studio.NewVisitor();
        var (status, html) = await visitor.Get(path);
        Assert.Equal(HttpStatusCode.NotFound, status);
        Assert.Contains("Nothing is here", html);
    }

    [Theory]
    [InlineData("rate=10&repeats=1")]
    [InlineData("rate=100&repeats=0")]
    [InlineData("rate=100&repeats=1000")]
    public async Task The_board_refuses_rates_nobody_can_dance(string query)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write("part A\n1-4 vine R");
        Assert.Equal(HttpStatusCode.BadRequest, (await visitor.Get($"/dances/{id}/teach?handler=Timeline&{query}")).Status);
    }

    [Theory]
    [InlineData("abc")]
    [InlineData("2")]
    [InlineData("9999")]
    public async Task A_lesson_of_no_length_is_said_and_an_hour_is_planned(string minutes)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write("part A\n1-4 vine R\n5-8 vine L");
        var html = await visitor.Change(id, "Way", ("minutes", minutes));
        Assert.Contains("no length of a lesson", html);
        Assert.Contains("60:00", html);
    }

    [Fact]
    public async Task Pages_run_nothing_from_elsewhere()
    {
        using var answer = await studio.CreateClient().GetAsync("/sign-in", Cancel);
        Assert.Contains("default-src 'self'", answer.Headers.GetValues("Content-Security-Policy").Single());
        var html = await answer.Content.ReadAsStringAsync(Cancel);
        Assert.DoesNotContain("http://", html.Replace("http://www.w3.org", "", StringComparison.Ordinal));
        Assert.DoesNotContain(" style=", html);
        Assert.DoesNotContain("onclick", html);
    }

    [Fact]
    public async Task Every_module_has_one_address_and_the_policy_lets_their_map_run()
    {
        using var answer = await studio.CreateClient().GetAsync("/sign-in", Cancel);
        var html = await answer.Content.ReadAsStringAsync(Cancel);
        var map = html.Split("<script type=\"importmap\">")[1].Split("</script>")[0];
        var hash = Convert.ToBase64String(System.Security.Cryptography.SHA256.HashData(System.Text.Encoding.UTF8.GetBytes(map)));
        Assert.Contains($"'sha256-{hash}'", answer.Headers.GetValues("Content-Security-Policy").Single(), StringComparison.Ordinal);
        var imports = System.Text.Json.JsonDocument
            .Parse(map).RootElement
            .GetProperty("imports")
            .EnumerateObject()
            .ToDictionary(p => p.Name, p => p.Value.GetString()!);
        Assert.All(imports, i => Assert.Matches($@"^{i.Key[..^3]}\.\w+\.js$", i.Value));
        Assert.Contains("/js/write/store.js", imports.Keys);
        Assert.Contains($"src=\"{imports["/js/app.js"]}\"", html, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Files_are_kept_by_their_version_and_asked_for_again_without_one()
    {
        using var client = studio.CreateClient();
        var html = await client.GetStringAsync("/sign-in", Cancel);
        var styles = System.Text.RegularExpressions.Regex
            .Matches(html, "<link rel=\"stylesheet\" href=\"([^\"]+)\"")
            .Select(m => m.Groups[1].Value)
            .ToList();
        Assert.NotEmpty(styles);
        var tokens = await client.GetStringAsync(styles.Single(s => s.Contains("tokens", StringComparison.Ordinal)), Cancel);
        var fonts = System.Text.RegularExpressions.Regex
            .Matches(tokens, "url\\(\"\\.\\.(/lib/fonts/[^\"]+)\"")
            .Select(m => m.Groups[1].Value)
            .ToList();
        Assert.Equal(4, fonts.Count);
        foreach (var address in styles.Concat(fonts))
        {
            using var answer = await client.GetAsync(address, Cancel);
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            Assert.Contains("immutable", answer.Headers.GetValues("Cache-Control").Single(), StringComparison.Ordinal);
        }

        using var plain = await client.GetAsync("/css/tokens.css", Cancel);
        Assert.Contains("no-cache", plain.Headers.GetValues("Cache-Control").Single(), StringComparison.Ordinal);
    }
}
