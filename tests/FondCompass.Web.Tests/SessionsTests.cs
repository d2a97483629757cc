using System.Net;
using System.Text.RegularExpressions;
using FondCompass.Data;
using FondCompass.Data.Accounts;
using FondCompass.Web.Accounts.SignIns;
using FondCompass.Web.Hosting.Requests;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>Sessions: how long they hold, who sees them, and that each ends on the server.</summary>
public partial class SessionsTests(Studio studio)
{
    private const string Password = "slack-tide-stroll";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private Visitor Stranger(string agent = "")
    {
        var client = studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false });
        client.DefaultRequestHeaders.TryAddWithoutValidation("User-Agent", agent);
        return new Visitor(client);
    }

    private async Task<(Visitor Visitor, string Email)> Owner(string agent = "", bool stays = false)
    {
        var (visitor, email) = (Stranger(agent), $"{Guid.NewGuid():N}@test.invalid");
        using var made = await visitor.Post(
            "/sign-in?handler=New",
            "/sign-in",
            ("Email", email),
            ("Password", Password),
            ("Stays", stays ? "true" : "false"));
        Assert.Equal(HttpStatusCode.Redirect, made.StatusCode);
        return (visitor, email);
    }

    private async Task<Visitor> Again(string email, string agent = "", bool stays = false)
    {
        var visitor = Stranger(agent);
        using var entered = await visitor.Post(
            "/sign-in?handler=In",
            "/sign-in",
            ("Email", email),
            ("Password", Password),
            ("Stays", stays ? "true" : "false"));
        Assert.Equal(HttpStatusCode.Redirect, entered.StatusCode);
        return visitor;
    }

    private static async Task<bool> IsIn(Visitor visitor) => (await visitor.Get("/lessons")).Status == HttpStatusCode.OK;

    [Fact]
    public async Task Signing_out_ends_the_session_on_the_server_so_that_a_copy_of_its_cookie_opens_nothing()
    {
        var (visitor, _) = await Owner();
        using var asked = new HttpRequestMessage(HttpMethod.Get, "/lessons");
        var cookie = "";
        using (var page = await visitor.Client.GetAsync("/account", Cancel))
        {
            cookie = string.Join("; ", page.RequestMessage!.Headers.TryGetValues("Cookie", out var sent) ? sent : []);
        }

        Assert.Contains("fond-session", cookie);
        var thief = studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false, HandleCookies = false });
        async Task<HttpStatusCode> Stolen()
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, "/lessons");
            request.Headers.Add("Cookie", cookie);
            using var answer = await thief.SendAsync(request, Cancel);
            return answer.StatusCode;
        }

        Assert.Equal(HttpStatusCode.OK, await Stolen());
        await visitor.Post("/sign-in?handler=Out", "/");
        Assert.Equal(HttpStatusCode.Redirect, await Stolen());
    }

    [Fact]
    public async Task Sessions_are_listed_and_ended_one_by_one_with_the_password()
    {
        var (here, email) = await Owner("Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 Chrome/140.0 Safari/537.36");
        var tablet = await Again(email, "Mozilla/5.0 (iPad; CPU OS 18_0) AppleWebKit/605.1.15 Version/18.0 Safari/604.1", stays: true);
        var phone = await Again(email, "something of its own");
        var html = (await here.Get("/account")).Html;
        Assert.Contains("Chrome on Linux, this one", html);
        Assert.Contains("Safari on iPad", html);
        Assert.Contains("an unknown browser", html);
        Assert.Contains("and longer with each use", html);
        var id = Regex.Match(html, "name=\"session\" value=\"([0-9a-f-]{36})\" aria-label=\"Sign it out: Safari on iPad").Groups[1].Value;
        using (var wrong = await here.Post("/account?handler=Sessions", "/account", ("current", "not mine at all"), ("session", id)))
        {
            Assert.Contains("not the password of this account", await wrong.Content.ReadAsStringAsync(Cancel));
        }

        Assert.True(await IsIn(tablet));
        Assert.Equal(
            "/account?said=session#sessions",
            (await here.Post(
                "/account?handler=Sessions",
                "/account",
                ("current", Password),
                ("session", id))).Headers.Location!.ToString());
        Assert.False(await IsIn(tablet));
        Assert.True(await IsIn(here));
        Assert.True(await IsIn(phone));
        Assert.DoesNotContain("Safari on iPad", (await here.Get("/account")).Html);
        Assert.Contains("signed another browser out", (await here.Get("/account")).Html);
        // Nobody ends another's, and one that is over is told.
        var (other, _) = await Owner();
        var phones = Regex.Match((await here.Get("/account")).Html,
            "name=\"session\" value=\"([0-9a-f-]{36})\" aria-label=\"Sign it out: an unknown").Groups[1].Value;
        Assert.Contains(
            "signed out already",
            await (await other.Post(
                "/account?handler=Sessions",
                "/account",
                ("current", Password),
                ("session", phones))).Content.ReadAsStringAsync(Cancel));
        Assert.True(await IsIn(phone));
    }

    [Theory]
    [InlineData(false, 11.9, 12.1)]
    [InlineData(true, 24 * 29.9, 24 * 30.1)]
    public async Task A_session_holds_an_evening_or_a_month_as_was_chosen_at_the_door(bool stays, double holds, double isOver)
    {
        var (visitor, _) = await Owner(stays: stays);
        Assert.Equal(HttpStatusCode.OK, (await visitor.At(Studio.Now.AddHours(0)).Get("/lessons")).Status);
        // Beyond what is believed without asking, which goes by the machine's own clock.
        var (fresh, email) = await Owner(stays: stays);
        Assert.Equal(HttpStatusCode.OK, (await fresh.At(Studio.Now.AddHours(holds)).Get("/lessons")).Status);
        var late = await Again(email, stays: stays);
        Assert.Equal(HttpStatusCode.Redirect, (await late.At(Studio.Now.AddHours(isOver)).Get("/lessons")).Status);
    }

    [Fact]
    public async Task An_evening_does_not_grow_with_use_and_a_month_does()
    {
        using var scope = studio.Services.CreateScope();
        var context = scope.ServiceProvider.GetRequiredService<FondCompassContext>();
        var account = context.Users.First().Id;
        async Task<DateTimeOffset> Until(bool stays, TimeSpan later)
        {
            var session = await new SessionBook(context, new Moment(Studio.Now)).Begin(account, stays, "192.0.2.7", "a browser", Cancel);
            var book = new SessionBook(context, new Moment(Studio.Now + later));
            await book.Use((await book.Find(session.Id, Cancel))!, Cancel);
            return (await book.Find(session.Id, Cancel))!.Until;
        }

        Assert.Equal(Studio.Now + SessionBook.Evening, await Until(false, TimeSpan.FromHours(6)));
        Assert.Equal(Studio.Now + SessionBook.Month, await Until(true, TimeSpan.FromMinutes(9)));
        Assert.Equal(Studio.Now.AddDays(6) + SessionBook.Month, await Until(true, TimeSpan.FromDays(6)));
    }

    [Fact]
    public async Task Private_answers_are_not_kept_and_files_are()
    {
        var (visitor, _) = await Owner();
        foreach (var path in (string[])["/", "/account", "/lessons", "/steps", "/help", "/sign-in", "/healthz", "/nowhere"])
        {
            using var answer = await visitor.Client.GetAsync(path, Cancel);
            Assert.Contains("no-store", $"{answer.Headers.CacheControl}");
            Assert.Equal("same-origin", answer.Headers.GetValues("Cross-Origin-Opener-Policy").Single());
        }

        var style = Regex.Match((await visitor.Get("/")).Html, "href=\"(/css/base[^\"]*)\"").Groups[1].Value;
        using var file = await visitor.Client.GetAsync(style, Cancel);
        Assert.DoesNotContain("no-store", $"{file.Headers.CacheControl}");
    }

    [Theory]
    [InlineData("Mozilla/5.0 (Windows NT 10.0) Gecko/20100101 Firefox/140.0", "Firefox on Windows")]
    [InlineData("Mozilla/5.0 (Linux; Android 15) AppleWebKit/537.36 Chrome/140.0 Mobile Safari/537.36", "Chrome on Android")]
    [InlineData("Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 Chrome/140.0 Safari/537.36 Edg/140.0", "Edge on Windows")]
    [InlineData("curl/8", "an unknown browser")]
    [InlineData("\"><b onclick=x>", "an unknown browser")]
    public void A_browser_is_called_by_what_its_owner_knows(string agent, string name) => Assert.Equal(name, Browsers.NameOf(agent));

    [Theory]
    [InlineData("192.0.2.7", "192.0.2.7")]
    [InlineData("::ffff:192.0.2.7", "192.0.2.7")]
    [InlineData("2001:db8:1:2:aaaa::1", "2001:db8:1:2::/64")]
    [InlineData("2001:db8:1:2:bbbb:1:2:3", "2001:db8:1:2::/64")]
    [InlineData("2001:db8:1:3::1", "2001:db8:1:3::/64")]
    public void Limits_are_counted_by_networks(string address, string network) =>
        Assert.Equal(network, ClientNetwork.NetworkOf(IPAddress.Parse(address)));

    private sealed class Moment(DateTimeOffset now) : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => now;
    }
}
