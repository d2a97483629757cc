using System.Text.RegularExpressions;
using AngleSharp.Dom;
using AngleSharp.Html.Parser;
using FondCompass.Data;
using FondCompass.Tests.Databases;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

namespace FondCompass.Web.Tests.Markup;

/// <summary>
/// Whatever is stored, nothing of it becomes an element or an attribute: on no page, in no fragment, drawing or screen of the class.
/// </summary>
public partial class HostileTextTests(Studio studio)
{
    /// <summary>What would end the session or take the text away, and shows nothing.</summary>
    private static readonly string[] Ending =
    [
        "Out", "Sessions", "End", "Delete", "TakeOut", "ForgetExamples", "Demo", "Data", "Codes", "Off"
    ];

    private readonly HtmlParser _parser = new();
    private readonly List<string> _made = [];
    private readonly HashSet<string> _looked = [];

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Nothing_that_is_stored_becomes_markup()
    {
        var visitor = new Visitor(studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = true }));
        var email = $"{Guid.NewGuid():N}@test.invalid";
        await visitor.Post("/sign-in?handler=New", "/sign-in", ("Email", email), ("Password", "low-water-waltz"));
        using var scope = studio.Services.CreateScope();
        var context = scope.ServiceProvider.GetRequiredService<FondCompassContext>();
        var owner = await context.Users.Where(u => u.Email == email).Select(u => u.Id).SingleAsync(Cancel);
        var (dances, group, planned, held, course) = await HostileStudio.Fill(
            context,
            owner,
            scope.ServiceProvider.GetRequiredService<TimeProvider>(),
            Cancel);
        // What is looked at is there: a page that shows nothing of it would show no fault either.
        Assert.Contains(HostileStudio.Mark, (await visitor.Get("/")).Html);

        var handlers = await Handler.All(studio.Services);
        IEnumerable<string> IdsOf(Handler handler) =>
            handler.Route.StartsWith("dances/", StringComparison.Ordinal) ? dances.Select(d => $"{d}")
                : handler.Route.StartsWith("lessons/", StringComparison.Ordinal) ? [$"{planned}", $"{held}"]
            : handler.Route.StartsWith("groups/", StringComparison.Ordinal) ? [$"{group}"]
            : handler.Route.StartsWith("class/", StringComparison.Ordinal) ? ["canary22"]
            : [$"{course}"];
        // Of each dance and lesson every page; of what these lead to, one of each kind.
        var first = new HashSet<string>(handlers.Where(h => h.Method == "GET")
            .SelectMany(h => IdsOf(h).Select(h.At))
            .Append($"/dances/{dances[0]}/compare?with=dance:{dances[1]}")
            .Append($"/lessons/{held}?beside={held}"));
        var open = new Queue<string>(first);
        while (open.TryDequeue(out var path) && _looked.Count < 600)
        {
            if (_looked.Add(Kind().Replace(path, "*")) || first.Remove(path))
            {
                using var answer = await visitor.Client.GetAsync(path, Cancel);
                foreach (var link in await Look(path, answer))
                {
                    open.Enqueue(link);
                }
            }
        }

        // What is sent comes back: every handler with the text in every field it takes.
        var token = Token().Match((await visitor.Get("/")).Html).Groups[1].Value;
        foreach (var handler in handlers.Where(h => h.Method == "POST"
            && !Ending.Contains(h.Name)
            && !h.Route.StartsWith("sign-in", StringComparison.Ordinal)))
        {
            foreach (var id in IdsOf(handler))
            {
                var fields = handler.Fields.SelectMany(f => f.Type == typeof(string) ? [f.Name]
                    : f.Type.IsClass && f.Type != typeof(string)
                        ? f.Type.GetProperties().Where(p => p.PropertyType == typeof(string)).Select(p => $"{f.Name}.{p.Name}")
                    : [])
                    .Select(name => KeyValuePair.Create(
                        name,
                        name is "script" or "text" ? HostileStudio.Scripts[0]
                            : name == "passages" ? HostileStudio.Song
                            : HostileStudio.Text))
                    .Concat(((string[])[
                        "version", "warmup", "cooldown", "ladder", "countin", "order", "minutes"
                    ]).Select(name => KeyValuePair.Create(name, HostileStudio.Text)))
                    .Append(KeyValuePair.Create("page", $"{HostileStudio.Sheet}"))
                    .Append(KeyValuePair.Create("__RequestVerificationToken", token));
                using var request = new HttpRequestMessage(HttpMethod.Post, handler.At(id)) { Content = new FormUrlEncodedContent(fields) };
                request.Headers.Add("HX-Request", "true");
                using var answer = await visitor.Client.SendAsync(request, Cancel);
                Assert.True((int)answer.StatusCode < 500, $"{handler}: {answer.StatusCode}");
                await Look($"{handler}", answer);
            }
        }

        Assert.Empty(_made);
        Assert.True(_looked.Count > 55, $"Only {_looked.Count} kinds of pages were looked at.");
    }

    /// <summary>Parses an answer as a browser does, and tells what of it the text made; gives the pages it leads to.</summary>
    private async Task<List<string>> Look(string path, HttpResponseMessage answer)
    {
        if (answer.Content.Headers.ContentType?.MediaType != "text/html")
        {
            return [];
        }

        using var page = _parser.ParseDocument(await answer.Content.ReadAsStringAsync(Cancel));
        foreach (var element in page.All)
        {
            var names = element.Attributes.Select(a => a.Name).ToList();
            if (element.LocalName.Contains(HostileStudio.Mark, StringComparison.OrdinalIgnoreCase)
                || names.Exists(n => n.Contains(HostileStudio.Mark, StringComparison.OrdinalIgnoreCase)
                    || n.StartsWith("on", StringComparison.OrdinalIgnoreCase))
                || element.GetAttribute("hx-post") == $"/{HostileStudio.Mark}"
                || element.Attributes.Any(a => a.Name is "href" or "src" or "action"
                    && a.Value.TrimStart().StartsWith("javascript:", StringComparison.OrdinalIgnoreCase)))
            {
                _made.Add(
                    $"{path}: {element.ParentElement?.LocalName} {element.ParentElement?.Id} "
                        + $"{element.OuterHtml[..Math.Min(160, element.OuterHtml.Length)]}");
            }
        }

        return [.. page.QuerySelectorAll("a[href], [hx-get]")
            .SelectMany(a => (string?[])[a.GetAttribute("href"), a.GetAttribute("hx-get")])
            .OfType<string>()
            .Where(h => h.StartsWith('/'))
            .Select(h => h.Split('#')[0])];
    }

    /// <summary>Ids and values, so that of pages of one kind one is looked at.</summary>
    [GeneratedRegex("[0-9a-f]{8}-[0-9a-f-]{27}|(?<!handler)=[^&]*")]
    private static partial Regex Kind();

    [GeneratedRegex("__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial Regex Token();
}
