using System.Net;
using Microsoft.AspNetCore.Mvc.Testing;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>A site for others behind a proxy that speaks HTTPS (docs/running.md).</summary>
public sealed class SiteTests : IDisposable
{
    private const string Name = "studio.example", Password = "slack-tide-stroll";

    private readonly Studio _studio;
    private readonly WebApplicationFactory<Program> _site;

    public SiteTests(Studio studio)
    {
        _studio = studio;
        _site = studio.WithWebHostBuilder(builder => builder.UseSetting("FondCompass:Site", $"https://{Name}")
            .UseSetting("FondCompass:Hosts", "loft.example"));
    }

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public void Dispose() => _site.Dispose();

    /// <summary>Somebody who comes through the proxy.</summary>
    private Visitor Visitor(string protocol = "https", string host = Name, string from = "203.0.113.9")
    {
        // Cookies that are for HTTPS only are kept and sent for such an address alone; the proxy itself speaks HTTP.
        var client = _site.CreateClient(new WebApplicationFactoryClientOptions
        {
            AllowAutoRedirect = false,
            BaseAddress = new Uri($"{protocol}://{host}")
        });
        client.DefaultRequestHeaders.Add("X-Forwarded-Proto", protocol);
        client.DefaultRequestHeaders.Add("X-Forwarded-For", from);
        return new Visitor(client);
    }

    [Fact]
    public async Task Whoever_comes_by_http_is_led_to_https()
    {
        using var answer = await Visitor("http").Client.GetAsync("/lessons?sheet=2", Cancel);
        Assert.Equal(HttpStatusCode.PermanentRedirect, answer.StatusCode);
        Assert.Equal($"https://{Name}/lessons?sheet=2", answer.Headers.Location!.ToString());
        Assert.Equal("ok", (await Visitor("http").Get("/healthz")).Html);
        using var secure = await Visitor().Client.GetAsync("/sign-in", Cancel);
        Assert.Equal(HttpStatusCode.OK, secure.StatusCode);
        Assert.Contains("max-age=15552000", secure.Headers.GetValues("Strict-Transport-Security").Single());
        Assert.All(secure.Headers.GetValues("Set-Cookie"), c => Assert.Contains("; secure", c));
        Assert.DoesNotContain("Open the demo studio", await secure.Content.ReadAsStringAsync(Cancel));
    }

    [Theory]
    [InlineData(Name, HttpStatusCode.OK)]
    [InlineData("loft.example", HttpStatusCode.OK)]
    [InlineData("elsewhere.example", HttpStatusCode.BadRequest)]
    public async Task It_answers_to_the_names_it_was_given(string host, HttpStatusCode status) =>
        Assert.Equal(status, (await Visitor(host: host).Get("/sign-in")).Status);

    [Fact]
    public async Task The_demo_door_is_shut_and_health_in_parts_is_for_this_machine()
    {
        Assert.Equal(HttpStatusCode.NotFound, (await Visitor().Post("/sign-in?handler=Demo", "/sign-in")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Visitor().Get("/healthz/all")).Status);
        var (status, parts) = await new Visitor(_studio.CreateClient()).Get("/healthz/all");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.All((string[])["\"database\":{\"status\":\"ok\"", "all are applied", "MB are free"], p => Assert.Contains(p, parts));
    }

    [Fact]
    public async Task An_account_begins_with_a_letter_that_tells_nobody_who_has_one()
    {
        var (visitor, email) = (Visitor(), $"{Guid.NewGuid():N}@test.invalid");
        async Task<string> Made(Visitor who) =>
            WebUtility.HtmlDecode(await (await who.Post(
                "/sign-in?handler=New",
                "/sign-in",
                ("Email", email),
                ("Password", "ignored-here-at-all"))).Content.ReadAsStringAsync(Cancel));
        Assert.Contains($"A letter is on its way to {email}", await Made(visitor));
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.Get("/lessons")).Status);
        var link = new Uri(await AccountTests.LetterTo(_studio, email));
        Assert.Equal(Name, link.Host);
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.Post(link.PathAndQuery, link.PathAndQuery, ("fresh", Password))).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await visitor.Get("/lessons")).Status);
        Assert.Contains("203.0.113.9", (await visitor.Get("/account")).Html);
        // Asked for once more, the same is said; the letter is one for a new password, and the first link is void.
        Assert.Contains($"A letter is on its way to {email}", await Made(Visitor()));
        Assert.NotEmpty(await AccountTests.LetterTo(_studio, email));
        Assert.Contains("does not hold any more", (await Visitor().Get(link.PathAndQuery)).Html);
    }

    [Fact]
    public async Task One_place_asks_for_so_many_letters_and_no_more()
    {
        var from = $"198.51.100.{Random.Shared.Next(1, 250)}";
        for (var i = 0; i < 10; i++)
        {
            using var answer = await Visitor(from: from).Post("/password", "/password", ("Email", $"{Guid.NewGuid():N}@test.invalid"));
            Assert.Contains("A letter is on its way", await answer.Content.ReadAsStringAsync(Cancel));
        }

        using var refused = await Visitor(from: from).Post("/password", "/password", ("Email", $"{Guid.NewGuid():N}@test.invalid"));
        Assert.Contains("Too many tries from here", await refused.Content.ReadAsStringAsync(Cancel));
        using var elsewhere = await Visitor(from: "198.51.100.251").Post(
            "/password",
            "/password",
            ("Email", $"{Guid.NewGuid():N}@test.invalid"));
        Assert.Contains("A letter is on its way", await elsewhere.Content.ReadAsStringAsync(Cancel));
    }
}
