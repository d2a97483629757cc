using System.Net;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Mvc.Testing;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>Every page and every handler, found as they are run: refused to whoever has no right to them.</summary>
public partial class HandlersTests(Studio studio)
{
    private const string Script = "title Kittiwake Turn\npart A\n1-4 vine R\n5-8 vine L\n1-8 jazz box R";

    /// <summary>Pages that anybody may open.</summary>
    private static readonly string[] ForAnybody =
    [
        "sign-in", "sign-in/code", "password", "password/new", "account/address", "status", "help", "class/{code}"
    ];

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private Visitor Stranger() => new(studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false }));

    private static Task<HttpResponseMessage> Ask(Visitor visitor, Handler handler, string id, string token = "")
    {
        var request = new HttpRequestMessage(new HttpMethod(handler.Method), handler.At(id));
        if (handler.Method == "POST")
        {
            var fields = handler.Fields.Where(f => f.Type == typeof(Guid)).Select(f => KeyValuePair.Create(f.Name, id)).ToList();
            request.Content = new FormUrlEncodedContent(token.Length > 0
                ? [.. fields, KeyValuePair.Create("__RequestVerificationToken", token)]
                : fields);
        }

        return visitor.Client.SendAsync(request, Cancel);
    }

    private async Task<List<Handler>> Closed() => [.. (await Handler.All(studio.Services)).Where(h => !ForAnybody.Contains(h.Route))];

    [Fact]
    public async Task Nobody_is_let_in()
    {
        var (stranger, let) = (Stranger(), new List<string>());
        foreach (var handler in await Closed())
        {
            using var answer = await Ask(stranger, handler, $"{Guid.NewGuid()}");
            if (answer.StatusCode != HttpStatusCode.Redirect
                || !answer.Headers.Location!.ToString().Contains("/sign-in", StringComparison.Ordinal))
            {
                let.Add($"{handler}: {answer.StatusCode}");
            }
        }

        Assert.Empty(let);
    }

    [Fact]
    public async Task Nothing_is_changed_without_a_token()
    {
        var visitor = await studio.NewVisitor();
        var (dance, let) = (await visitor.Write(Script), new List<string>());
        foreach (var handler in (await Closed()).Where(h => h.Method == "POST"))
        {
            using var answer = await Ask(visitor, handler, dance);
            if (answer.StatusCode != HttpStatusCode.BadRequest)
            {
                let.Add($"{handler}: {answer.StatusCode}");
            }
        }

        Assert.Empty(let);
        Assert.Contains("vine R", (await visitor.Get($"/dances/{dance}/write")).Html);
    }

    [Fact]
    public async Task What_is_somebody_elses_is_nowhere()
    {
        var (owner, other) = (await studio.NewVisitor(), await studio.NewVisitor());
        var dance = await owner.Write(Script);
        var lesson = await owner.Plan(dance);
        var group = Group().Match((await owner.Get("/groups")).Html).Groups[1].Value;
        await owner.Post(
            "/courses",
            "/courses",
            ("Asked.Name", "Autumn"),
            ("Asked.Group", group),
            ("Asked.First", "2026-12-03"),
            ("Asked.Weeks", "4"),
            ("Asked.Minutes", "60"),
            ("Asked.Dances", "Kittiwake Turn"));
        var course = Course().Match((await owner.Get("/courses")).Html).Groups[1].Value;
        var token = Token().Match((await other.Get("/")).Html).Groups[1].Value;
        var before = (await owner.Get($"/dances/{dance}/write")).Html;
        var let = new List<string>();
        foreach (var handler in (await Closed()).Where(h => h.Route.Contains("{id", StringComparison.Ordinal)))
        {
            var id = handler.Route.StartsWith("dances/", StringComparison.Ordinal) ? dance
                : handler.Route.StartsWith("lessons/", StringComparison.Ordinal) ? lesson
                : handler.Route.StartsWith("groups/", StringComparison.Ordinal) ? group : course;
            Assert.NotEqual("", id);
            using var answer = await Ask(other, handler, id, token);
            // What takes JSON refuses a form before it looks for anything.
            if (answer.StatusCode is not (HttpStatusCode.NotFound or HttpStatusCode.UnsupportedMediaType
                or HttpStatusCode.UnprocessableEntity))
            {
                let.Add($"{handler}: {answer.StatusCode}");
            }
        }

        Assert.Empty(let);
        Assert.Equal(HttpStatusCode.OK, (await owner.Get($"/lessons/{lesson}/teach")).Status);
        Assert.Equal(Script1(before), Script1((await owner.Get($"/dances/{dance}/write")).Html));
    }

    /// <summary>
    /// Every page that links lead to, one of each kind: whatever is sent from it bears the token without which nothing is done.
    /// </summary>
    [Fact]
    public async Task Every_form_that_changes_something_bears_a_token()
    {
        var visitor = Stranger();
        await visitor.Post("/sign-in?handler=Demo", "/sign-in");
        var (open, seen, forms, bare) = (new Queue<string>([
            "/", "/sign-in", "/password", "/account"
        ]), new HashSet<string>(), new HashSet<string>(), new List<string>());
        while (open.TryDequeue(out var path))
        {
            if (!seen.Add(Kind().Replace(path, "*")))
            {
                continue;
            }

            using var answer = await visitor.Client.GetAsync(path, Cancel);
            if (answer.Content.Headers.ContentType?.MediaType != "text/html")
            {
                continue;
            }

            var html = await answer.Content.ReadAsStringAsync(Cancel);
            foreach (Match form in Posting().Matches(html))
            {
                forms.Add(Kind().Replace(form.Groups[1].Value + form.Groups[2].Value, "*"));
                if (!Token().IsMatch(form.Value))
                {
                    bare.Add($"{path}: {form.Value[..Math.Min(120, form.Value.Length)]}");
                }
            }

            foreach (Match link in Link().Matches(html))
            {
                open.Enqueue(WebUtility.HtmlDecode(link.Groups[1].Value));
            }
        }

        Assert.Empty(bare);
        Assert.All(
            (string[])["/dances/*/cues", "/lessons?handler=TakeOut", "handler=Habit", "handler=Sessions"],
            f => Assert.Contains(forms, known => known.Contains(f, StringComparison.Ordinal)));
    }

    private static string Script1(string html) => TextArea().Match(html).Groups[1].Value;

    [GeneratedRegex("[0-9a-f]{8}-[0-9a-f-]{27}|(?<!handler)=[^&]*")]
    private static partial Regex Kind();

    [GeneratedRegex("<form[^>]*method=\"post\"[^>]*?action=\"([^\"]*)\".*?</form>|<form[^>]*action=\"([^\"]*)\"[^>]*method=\"post\".*?</form>|<form[^>]*method=\"post\".*?</form>", RegexOptions.Singleline)]
    private static partial Regex Posting();

    [GeneratedRegex("href=\"(/[^\"#]*)")]
    private static partial Regex Link();

    [GeneratedRegex("/groups/([0-9a-f-]{36})")]
    private static partial Regex Group();

    [GeneratedRegex("/courses/([0-9a-f-]{36})")]
    private static partial Regex Course();

    [GeneratedRegex("<textarea[^>]*>(.*?)</textarea>", RegexOptions.Singleline)]
    private static partial Regex TextArea();

    [GeneratedRegex("__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial Regex Token();
}
