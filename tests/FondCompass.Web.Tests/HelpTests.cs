using System.Net;
using System.Text.RegularExpressions;
using FondCompass.Tests.Databases;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>The help tells what is there: every key, every word of the script, every finding; and every form can be sent.</summary>
public partial class HelpTests(Studio studio)
{
    internal static readonly string Web = Path.Combine(TestDatabase.Root, "src", "FondCompass.Web");
    private static readonly string Keys = File.ReadAllText(Path.Combine(TestDatabase.Root, "docs", "keys.md"));

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static IEnumerable<string> Pages =>
        Directory.EnumerateFiles(Path.Combine(Web, "Pages"), "*.cshtml", SearchOption.AllDirectories);

    private static IEnumerable<string> Scripts =>
        Directory.EnumerateFiles(Path.Combine(Web, "wwwroot", "js"), "*.js", SearchOption.AllDirectories);

    [Fact]
    public async Task Anybody_may_read_it_and_every_finding_has_its_place()
    {
        using var client = studio.CreateClient();
        using var answer = await client.GetAsync("/help", Cancel);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var html = await answer.Content.ReadAsStringAsync(Cancel);
        var codes = CodeRow()
            .Matches(await File.ReadAllTextAsync(Path.Combine(TestDatabase.Root, "docs", "findings.md"), Cancel))
            .Select(m => m.Groups[1].Value)
            .ToList();
        Assert.True(codes.Count > 30);
        Assert.All(codes, code => Assert.Contains($"<td id=\"{code}\">", html));
        Assert.All(
            (string[])["order", "x2", "version", "cue", "genre", "tag", "layout", "restart", "drift", "trap"],
            word => Assert.Contains(word, html));
        Assert.All(Help.ShippedDocs.Sections, section => Assert.Contains($"id=\"{section.Id}\"", html));
    }

    [Fact]
    public async Task A_findings_code_leads_to_its_explanation_and_every_page_to_its_help()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write("title Pier Head\npart A\n1-4 wobble the wizzle quonk by grommet lane");
        var (_, html) = await visitor.Get($"/dances/{id}/write");
        Assert.Contains("href=\"/help#WORD01\"", html);
        Assert.Contains("href=\"/help#page-write\"", html);
        Assert.Contains("href=\"/help#page-dances\"", (await visitor.Get("/")).Html);
    }

    [Theory]
    [InlineData("/help")]
    public async Task Answers_are_compressed_for_who_can_read_them(string path)
    {
        using var client = studio.CreateClient();
        client.DefaultRequestHeaders.Add("Accept-Encoding", "br, gzip");
        using var packed = await client.GetAsync(path, Cancel);
        Assert.Equal("br", Assert.Single(packed.Content.Headers.ContentEncoding));
        using var plain = studio.CreateClient();
        var text = await plain.GetStringAsync(path, Cancel);
        Assert.True((await packed.Content.ReadAsByteArrayAsync(Cancel)).Length * 2 < text.Length);
    }

    [Fact]
    public void Every_key_of_a_page_or_a_module_is_in_the_help()
    {
        var held = Pages.SelectMany(p => KeyAttribute()
            .Matches(File.ReadAllText(p))
            .Select(m => (Page: m.Groups[2].Success ? m.Groups[2].Value : "Every page", Key: m.Groups[1].Value)))
            .Where(k => !k.Key.Contains('@'))
            .ToList();
        var registered = Scripts.SelectMany(s => KeyTable().Matches(File.ReadAllText(s)))
            .SelectMany(t => KeyEntry()
                .Matches(t.Groups[2].Value)
                .Select(k => (Page: t.Groups[1].Value, Key: k.Groups[1].Value + k.Groups[2].Value)))
            .ToList();
        Assert.True(held.Count >= 6);
        Assert.True(registered.Count >= 40, $"{registered.Count} keys");
        var sections = Keys.Split("\n## ").ToDictionary(s => s.Split('\n')[0], s => s);
        Assert.All(held.Concat(registered), k => Assert.Contains($"`{k.Key}`", sections[k.Page]));
    }

    [Fact]
    public void Every_form_that_is_posted_carries_its_token()
    {
        var forms = Pages.SelectMany(p => Form().Matches(File.ReadAllText(p)).Select(m => (Page: Path.GetFileName(p), Tag: m.Value)))
            .Where(f => f.Tag.Contains("post", StringComparison.OrdinalIgnoreCase))
            .ToList();
        Assert.True(forms.Count >= 6);
        // A form with an address of its own gets no token from the framework unless it asks for it.
        Assert.All(
            forms,
            form => Assert.True(
                !AddressOfItsOwn().IsMatch(form.Tag) || form.Tag.Contains("asp-antiforgery=\"true\"", StringComparison.Ordinal),
                $"{form.Page}: {form.Tag}"));
    }

    [GeneratedRegex(@"^\| ([A-Z]+\d\d) \|", RegexOptions.Multiline)]
    private static partial Regex CodeRow();

    [GeneratedRegex("data-key=\"([^\"]+)\"(?: data-of=\"([^\"]+)\")?")]
    private static partial Regex KeyAttribute();

    [GeneratedRegex(@"\bon\('(\w+)', \{(.*?)\}(?:, \w+)?\);", RegexOptions.Singleline)]
    private static partial Regex KeyTable();

    [GeneratedRegex(@"(?<=[{,\s])(?:'([^'\n]+)'|([A-Z]\w*)): ")]
    private static partial Regex KeyEntry();

    [GeneratedRegex(@"<form\b[^>]*>")]
    private static partial Regex Form();

    [GeneratedRegex(@"[\s""]action=")]
    private static partial Regex AddressOfItsOwn();
}
