using System.Net;
using System.Text.RegularExpressions;
using FondCompass.Tests.Databases;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>
/// Two instances over one database: begun at the same moment over an empty one, and each as good as the other for whoever comes.
/// </summary>
public sealed partial class TwoInstancesTests : IAsyncLifetime
{
    private const string Password = "slack-tide-stroll";

    private readonly RunningApplication _first = new();
    private readonly RunningApplication _second;

    public TwoInstancesTests() => _second = _first.Beside();

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    /// <summary>Both apply the migrations and load the demo world, or wait for who does.</summary>
    public async ValueTask InitializeAsync() => await Task.WhenAll(_first.Start(), _second.Start());

    public async ValueTask DisposeAsync()
    {
        await _second.DisposeAsync();
        await _first.DisposeAsync();
    }

    /// <summary>One browser: what is a cookie of the first is one of the second.</summary>
    private (Visitor First, Visitor Second) Browser()
    {
        var cookies = new CookieContainer();
        Visitor At(string address) =>
            new(new HttpClient(new HttpClientHandler { CookieContainer = cookies, AllowAutoRedirect = false })
            {
                BaseAddress = new Uri(address)
            });
        return (At(_first.Address), At(_second.Address));
    }

    [Fact]
    public async Task Sessions_words_forms_and_screens_are_of_both()
    {
        var (first, second) = Browser();
        var email = $"{Guid.NewGuid():N}@test.invalid";
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await first.Post("/sign-in?handler=New", "/sign-in", ("Email", email), ("Password", Password))).StatusCode);
        // A session begun on one, a form's token of one sent to the other.
        Assert.Equal(HttpStatusCode.OK, (await second.Get("/lessons")).Status);
        var dance = await second.Write("title Both Piers\npart A\n1-4 vine R\n5-8 vine L");
        Assert.Contains("Both Piers", (await first.Get("/")).Html);
        var token = Token().Match((await first.Get("/")).Html).Groups[1].Value;
        using (var crossed = await second.Client.PostAsync(
            "/groups",
            new FormUrlEncodedContent([new("name", "Breakwater hour"), new("minutes", "50"), new("__RequestVerificationToken", token)]),
            Cancel))
        {
            Assert.NotEqual(HttpStatusCode.BadRequest, crossed.StatusCode);
        }

        Assert.Contains("Breakwater hour", (await first.Get("/groups")).Html);

        // A screen that hangs on one sees what a board shows on the other, and one that comes later sees it too.
        var lesson = await first.Plan(dance);
        using var opened = await first.Send($"/lessons/{lesson}/teach?handler=Code", $"/lessons/{lesson}/teach", new { });
        var code = Code().Match(await opened.Content.ReadAsStringAsync(Cancel)).Groups[1].Value;
        using var waiting = new HttpClient { BaseAddress = new Uri(_second.Address) };
        await using var screen = await waiting.GetStreamAsync($"/class/{code}/shown", Cancel);
        using var lines = new StreamReader(screen);
        await Read(lines, "{}");
        Assert.Equal(
            HttpStatusCode.OK,
            (await first.Send(
                $"/lessons/{lesson}/teach?handler=Show",
                $"/lessons/{lesson}/teach",
                new { block = "walk:A:1", mark = 4711 })).StatusCode);
        await Read(lines, "4711");
        await using var late = await waiting.GetStreamAsync($"/class/{code}/shown", Cancel);
        using var lateLines = new StreamReader(late);
        await Read(lateLines, "4711");

        // Signed out everywhere on one, the other lets nobody in any more.
        await first.Post("/account?handler=Sessions", "/account", ("current", Password));
        await Until.Holds(
            "the session has ended on the other too",
            async () => (await second.Get("/lessons")).Status == HttpStatusCode.Redirect);
        var (stays, _) = Browser();
        // The demo world is there once.
        await stays.Post("/sign-in?handler=Demo", "/sign-in");
        Assert.Single(Title().Matches((await stays.Get("/")).Html));
    }

    private static async Task Read(StreamReader lines, string until)
    {
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(Cancel);
        patience.CancelAfter(TimeSpan.FromMinutes(2));
        while (await lines.ReadLineAsync(patience.Token) is { } line)
        {
            if (line.Contains(until, StringComparison.Ordinal))
            {
                return;
            }
        }

        Assert.Fail($"The screen was never told of {until}.");
    }

    [GeneratedRegex("__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial Regex Token();

    [GeneratedRegex("/write\">Slack Tide Stroll<")]
    private static partial Regex Title();

    [GeneratedRegex("/class/([a-z0-9]+)")]
    private static partial Regex Code();
}
