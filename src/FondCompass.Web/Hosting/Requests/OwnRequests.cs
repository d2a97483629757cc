using System.Security.Claims;
using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.Mvc.ViewFeatures;
using Microsoft.AspNetCore.Razor.TagHelpers;

namespace FondCompass.Web.Hosting.Requests;

/// <summary>
/// Marks every element of our own views that sends something by htmx with a word that only this session knows. The browser sends nothing
/// for an element without
/// it, and no token (app.js): markup that got into a page in any other way stays dead.
/// </summary>
[HtmlTargetElement("*", Attributes = "hx-get")]
[HtmlTargetElement("*", Attributes = "hx-post")]
public sealed class OwnRequests : TagHelper
{
    /// <summary>The claim of a session that holds the word.</summary>
    public const string Claim = "fond-own";

    public const string Attribute = "data-own";

    [ViewContext]
    [HtmlAttributeNotBound]
    public ViewContext ViewContext { get; set; } = null!;

    public override void Process(TagHelperContext context, TagHelperOutput output) =>
        output.Attributes.SetAttribute(Attribute, WordOf(ViewContext.HttpContext.User));

    /// <summary>The session's word; empty where nobody is signed in, and then nothing is sent by htmx.</summary>
    public static string WordOf(ClaimsPrincipal user) => user.FindFirstValue(Claim) ?? "";
}
