using System.Text.Encodings.Web;
using Microsoft.AspNetCore.Html;

namespace FondCompass.Web.Hosting;

/// <summary>
/// Markup that the build itself made: the documents that ship, and the map of our own modules. The one type that is written to a page as it
/// stands
/// (a test holds that); nothing that was sent or stored can become one.
/// </summary>
public sealed class BuiltMarkup : IHtmlContent
{
    private readonly string _markup;

    private BuiltMarkup(string markup) => _markup = markup;

    /// <param name="html">A document of docs/, embedded when it was built and rendered with HTML of its own switched off.</param>
    internal static BuiltMarkup OfShippedDocument(string html) => new(html);

    internal static BuiltMarkup OfModules(ModuleMap modules) => new(modules.Json);

    public void WriteTo(TextWriter writer, HtmlEncoder encoder) => writer.Write(_markup);

    public override string ToString() => _markup;
}
