using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.RegularExpressions;
using FondCompass.Tests.Databases;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

[assembly: AssemblyFixture(typeof(FondCompass.Web.Tests.Studio))]

namespace FondCompass.Web.Tests;

/// <summary>The application in this process, over a database of its own.</summary>
public sealed partial class Studio : WebApplicationFactory<Program>, IAsyncLifetime
{
    public TestDatabase Database { get; } = new();

    /// <summary>The folder that letters are written to.</summary>
    public string Mail { get; } = Directory.CreateTempSubdirectory("fond-mail-").FullName;

    /// <summary>Started once, before the test classes begin side by side.</summary>
    public ValueTask InitializeAsync()
    {
        _ = Server;
        return ValueTask.CompletedTask;
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseContentRoot(Path.Combine(TestDatabase.Root, "src", "FondCompass.Web"));
        builder.UseSetting("ConnectionStrings:FondCompass", Database.Connection);
        builder.UseSetting("FondCompass:Demo", "true");
        builder.UseSetting("FondCompass:Mail", Mail);
        builder.UseEnvironment("Production");
        builder.ConfigureServices(services => services.AddTransient<IStartupFilter, FromLoopback>());
        builder.ConfigureTestServices(services =>
            services.AddSingleton<TimeProvider>(s => new VisitorClock(s.GetRequiredService<IHttpContextAccessor>())));
    }

    /// <summary>
    /// The day on which everything here happens, a Thursday, whatever day the tests run on; a visitor may have a clock of its own.
    /// </summary>
    public static DateTimeOffset Now { get; } = new(2026, 11, 26, 12, 0, 0, TimeSpan.Zero);

    public static DateOnly Today { get; } = DateOnly.FromDateTime(Now.DateTime);

    /// <summary>The time that a request says it is, else that of these tests.</summary>
    private sealed class VisitorClock(IHttpContextAccessor accessor) : TimeProvider
    {
        public override TimeZoneInfo LocalTimeZone => TimeZoneInfo.Utc;

        public override DateTimeOffset GetUtcNow() =>
            accessor.HttpContext?.Request.Headers[Visitor.NowHeader].ToString() is { Length: > 0 } said
                ? DateTimeOffset.Parse(said, CultureInfo.InvariantCulture).ToUniversalTime()
                : Now;
    }

    /// <summary>A new account, signed in.</summary>
    public async Task<Visitor> NewVisitor()
    {
        var visitor = new Visitor(CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false, HandleCookies = true }));
        var answer = await visitor.Post(
            "/sign-in?handler=New",
            "/sign-in",
            ("Email", $"{Guid.NewGuid():N}@test.invalid"),
            ("Password", "low-water-waltz"));
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
        Assert.Contains("Delete the examples", (await visitor.Get("/")).Html, StringComparison.Ordinal);
        await visitor.Post("/?handler=ForgetExamples", "/");
        return visitor;
    }

    public override async ValueTask DisposeAsync()
    {
        await base.DisposeAsync();
        Npgsql.NpgsqlConnection.ClearAllPools();
        Database.Dispose();
        Directory.Delete(Mail, recursive: true);
    }

    /// <summary>The test server has no sockets; requests are given the loopback address that real ones have.</summary>
    private sealed class FromLoopback : IStartupFilter
    {
        public Action<IApplicationBuilder> Configure(Action<IApplicationBuilder> next) => app =>
        {
            app.Use((context, rest) =>
            {
                context.Response.OnStarting(() => KeepsByThisClock(context));
                context.Connection.RemoteIpAddress = !context.Request.Headers.TryGetValue("X-Far", out var from) ? IPAddress.Loopback
                    : IPAddress.TryParse(from, out var address) && from.ToString().Contains('.') ? address
                    : IPAddress.Parse("192.0.2.7");
                return rest(context);
            });
            next(app);
        };

        /// <summary>
        /// A cookie's last day is one of the clock of these tests, while whoever keeps it here goes by the machine's: told how long it is
        /// kept, both
        /// agree.
        /// </summary>
        private static Task KeepsByThisClock(HttpContext context)
        {
            var now = context.RequestServices.GetRequiredService<TimeProvider>().GetUtcNow();
            context.Response.Headers.SetCookie = context.Response.Headers.SetCookie
                .Select(c => Expires().Replace(
                    c!,
                    m => DateTimeOffset.Parse(m.Groups[1].Value, CultureInfo.InvariantCulture) is var until && until > now
                ? string.Create(CultureInfo.InvariantCulture, $"max-age={(until - now).TotalSeconds:0}; {m.Value}") : m.Value)).ToArray();
            return Task.CompletedTask;
        }
    }

    [GeneratedRegex("expires=([^;]+)", RegexOptions.IgnoreCase)]
    private static partial Regex Expires();
}

/// <summary>Somebody with a browser's cookies who fills in forms.</summary>
public sealed partial class Visitor(HttpClient client)
{
    public const string NowHeader = "X-Now";

    public HttpClient Client => client;

    /// <summary>What time it is for this visitor from now on.</summary>
    public Visitor At(DateTimeOffset now)
    {
        client.DefaultRequestHeaders.Remove(NowHeader);
        client.DefaultRequestHeaders.Add(NowHeader, now.ToString("O", CultureInfo.InvariantCulture));
        return this;
    }

    public async Task<(HttpStatusCode Status, string Html)> Get(string path)
    {
        using var answer = await client.GetAsync(path);
        return (answer.StatusCode, await answer.Content.ReadAsStringAsync());
    }

    /// <summary>Posts a form with the token of the page it stands on.</summary>
    public async Task<HttpResponseMessage> Post(string path, string page, params (string Name, string Value)[] fields)
    {
        var (_, html) = await Get(page);
        var token = Token().Match(html).Groups[1].Value;
        var form = fields.Select(f => KeyValuePair.Create(f.Name, f.Value))
            .Append(KeyValuePair.Create("__RequestVerificationToken", token));
        return await client.PostAsync(path, new FormUrlEncodedContent(form));
    }

    /// <summary>Presses a form as it stands on a page, with nothing but what is in it.</summary>
    /// <param name="action">A part of its address.</param>
    /// <param name="words">Words inside it, where several go to one address.</param>
    /// <param name="button">Name and value of the button pressed, where it has them.</param>
    public async Task<HttpResponseMessage> Press(string page, string action, string words = "", params (string Name, string Value)[] button)
    {
        var (_, html) = await Get(page);
        var form = Forms()
            .Matches(html)
            .First(f => f.Groups[1].Value.Contains(action, StringComparison.Ordinal)
                && f.Groups[2].Value.Contains(words, StringComparison.Ordinal));
        var fields = Hidden()
            .Matches(form.Groups[2].Value)
            .Select(i => KeyValuePair.Create(i.Groups[1].Value, WebUtility.HtmlDecode(i.Groups[2].Value)))
            .Concat(button.Select(b => KeyValuePair.Create(b.Name, b.Value)));
        return await client.PostAsync(WebUtility.HtmlDecode(form.Groups[1].Value), new FormUrlEncodedContent(fields));
    }

    /// <summary>Sends JSON as a page's script does, with the page's token.</summary>
    public async Task<HttpResponseMessage> Send(string path, string page, object body)
    {
        var token = Meta().Match((await Get(page)).Html).Groups[1].Value;
        using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = JsonContent.Create(body) };
        request.Headers.Add("X-Fond-Token", token);
        return await client.SendAsync(request);
    }

    private readonly string _sheet = $"{Guid.NewGuid()}";

    /// <summary>
    /// Changes the plan of a dance by one of its forms, from a page that saw what it changed itself; gives the page that follows.
    /// </summary>
    /// <param name="dance">Its id, and what else of the address names the plan ("…?course=…").</param>
    /// <param name="form">Way, Press, Add or With.</param>
    public async Task<string> Change(string dance, string form, params (string Name, string Value)[] fields)
    {
        using var answer = await Post($"{PlanOf(dance)}handler={form}", "/", [("page", _sheet), ("seen", await SeenOf(dance)), .. fields]);
        return answer.StatusCode == HttpStatusCode.Redirect
            ? (await Get($"{answer.Headers.Location}")).Html
            : await answer.Content.ReadAsStringAsync();
    }

    /// <summary>Presses a button in the column of a plan; gives the page that follows.</summary>
    public Task<string> PressPlan(string dance, string what) => Change(dance, "Press", ("do", what));

    /// <summary>Keeps the plan of a dance as a lesson, with what its form says before.</summary>
    public async Task<HttpResponseMessage> Keep(string dance, string group, string date, params (string Name, string Value)[] way)
    {
        if (way.Length > 0)
        {
            await Change(dance, "Way", way);
        }

        return await Post(
            $"{PlanOf(dance)}handler=Keep",
            "/",
            ("page", _sheet),
            ("seen", await SeenOf(dance)),
            ("group", group),
            ("date", date));
    }

    /// <summary>The mark of a plan as its page shows it now.</summary>
    public async Task<string> SeenOf(string dance) => SeenMark().Match((await Get(PlanOf(dance)[..^1])).Html).Groups[1].Value;

    [GeneratedRegex("name=\"seen\" value=\"([^\"]*)\"")]
    private static partial Regex SeenMark();

    private static string PlanOf(string dance) =>
        dance.Split('?') is [var id, var query] ? $"/dances/{id}/plan?{query}&" : $"/dances/{dance}/plan?";

    /// <summary>A lesson planned for a group; gives its id.</summary>
    public async Task<string> Plan(string dance, string group = "Harbour ring", int minutes = 45, string date = "")
    {
        var day = date.Length > 0 ? date : Studio.Today.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        await Keep(dance, group, day, ("minutes", $"{minutes}"), ("order", "add-on"));
        return LessonLink().Match((await Get($"/dances/{dance}/plan")).Html).Groups[1].Value;
    }

    /// <summary>A new dance with a script; gives its id.</summary>
    public async Task<string> Write(string script)
    {
        var made = await Post("/?handler=New", "/");
        var id = made.Headers.Location!.ToString().Split('/')[2];
        var saved = await Post($"/dances/{id}/write?handler=Save", "/", ("script", script), ("version", "1"));
        saved.EnsureSuccessStatusCode();
        return id;
    }

    [GeneratedRegex("__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial Regex Token();

    [GeneratedRegex("<meta name=\"fond-token\" content=\"([^\"]+)\"")]
    private static partial Regex Meta();

    [GeneratedRegex("/lessons/([0-9a-f-]{36})/teach")]
    private static partial Regex LessonLink();

    [GeneratedRegex("<form[^>]* action=\"([^\"]*)\"[^>]*>(.*?)</form>", RegexOptions.Singleline)]
    private static partial Regex Forms();

    [GeneratedRegex("<input[^>]*name=\"([^\"]+)\"[^>]*type=\"hidden\"[^>]*value=\"([^\"]*)\"")]
    private static partial Regex Hidden();
}
