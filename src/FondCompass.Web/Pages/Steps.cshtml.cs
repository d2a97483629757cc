using FondCompass.Core.Lexicon;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>The step lexicon, to browse.</summary>
public sealed class StepsModel : PageModel
{
    [BindProperty(SupportsGet = true, Name = "q")]
    public string? Query { get; set; }

    public IReadOnlyList<NamedStep> Found { get; private set; } = [];

    public int Total => StepLexicon.Shipped.Steps.Count();

    public void OnGet() => Found = StepLexicon.Shipped.Steps
        .Where(s => string.IsNullOrWhiteSpace(Query) || s.Aliases.Prepend(s.Name).Any(n => n.Contains(Query.Trim(), StringComparison.OrdinalIgnoreCase)))
        .OrderBy(s => s.Name, StringComparer.Ordinal)
        .ToList();
}
