using System.Collections.Concurrent;
using System.Text.RegularExpressions;
using FondCompass.Web.Hosting;
using Markdig;

namespace FondCompass.Web.Help;

/// <summary>One document that ships, as a section of the help.</summary>
/// <param name="Id">Its anchor.</param>
/// <param name="Title">Its heading.</param>
/// <param name="Body">Its text, headings one level down; every finding's row carries its code as an anchor.</param>
public sealed record HelpSection(string Id, string Title, BuiltMarkup Body);

/// <summary>The documents in docs/ that tell a teacher how to work with this: embedded when it is built, rendered once.</summary>
public static partial class ShippedDocs
{
    private static readonly MarkdownPipeline Pipeline = new MarkdownPipelineBuilder().UsePipeTables().DisableHtml().Build();

    private static readonly string[] Shipped = ["keys", "words", "script", "song", "findings"];

    private static readonly Lazy<IReadOnlyList<HelpSection>> All = new(() => [.. Shipped.Select(Section)]);

    public static IReadOnlyList<HelpSection> Sections => All.Value;

    /// <summary>The keys of one page, as docs/keys.md has them.</summary>
    /// <param name="page">A heading of it.</param>
    public static BuiltMarkup KeysOf(string page) => Keys.GetOrAdd(page, static named =>
    {
        var after = TextOf("keys").Split($"\n## {named}\n", 2)[1];
        return BuiltMarkup.OfShippedDocument(Markdown.ToHtml(after.Split("\n## ", 2)[0], Pipeline));
    });

    private static readonly ConcurrentDictionary<string, BuiltMarkup> Keys = new();

    private static string TextOf(string id)
    {
        using var stream = typeof(ShippedDocs).Assembly.GetManifestResourceStream($"docs.{id}.md")!;
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }

    private static HelpSection Section(string id)
    {
        var text = TextOf(id);
        // Documents that ship lead to their section; of the others, which are for developers, the words stay.
        text = DocumentLink().Replace(
            text,
            m => Shipped.Contains(m.Groups["file"].Value)
                ? $"[{m.Groups["words"].Value}](#{m.Groups["file"].Value})"
                : m.Groups["words"].Value);
        var end = text.IndexOf('\n');
        var title = text[..end].TrimStart('#', ' ');
        var html = Markdown.ToHtml(text[end..].Replace("\n## ", "\n### ", StringComparison.Ordinal), Pipeline);
        return new HelpSection(id, title, BuiltMarkup.OfShippedDocument(CodeCell().Replace(html, "<td id=\"$1\">$1</td>")));
    }

    [GeneratedRegex(@"\[(?<words>[^\]]+)\]\((?<file>[a-z]+)\.md(?:#[a-z0-9-]+)?\)", RegexOptions.NonBacktracking)]
    private static partial Regex DocumentLink();

    [GeneratedRegex(@"<td>([A-Z]{3,7}\d\d)</td>", RegexOptions.NonBacktracking)]
    private static partial Regex CodeCell();
}
