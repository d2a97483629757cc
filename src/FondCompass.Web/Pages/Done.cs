using System.Text.Json;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.Rendering;

namespace FondCompass.Web.Pages;

/// <summary>What was done, told on the page that comes next.</summary>
/// <param name="Words">A sentence.</param>
public sealed record Done(string Words)
{
    /// <summary>The address that takes it back, and the id it is told; empty where nothing can be taken back.</summary>
    public string Undo { get; init; } = "";

    /// <inheritdoc cref="Undo"/>
    public string Id { get; init; } = "";

    /// <summary>Where one goes on from here, and in which words; empty for nowhere.</summary>
    public string Link { get; init; } = "";

    /// <inheritdoc cref="Link"/>
    public string LinkWords { get; init; } = "";
}

/// <summary>Carries what was done over the redirect behind it.</summary>
public static class DoneTelling
{
    private const string Key = "done";

    /// <summary>By this header a page's own script asks for a page at which it only looks: it is told when that is shown.</summary>
    private const string OnlyLooks = "X-Fond-Looks";

    public static void Tell(this PageModel page, Done done) => page.TempData[Key] = JsonSerializer.Serialize(done);

    /// <summary>What is to be told on this page, once; null for nothing.</summary>
    public static Done? Told(this ViewContext view) =>
        (view.HttpContext.Request.Headers.ContainsKey(OnlyLooks) ? view.TempData.Peek(Key) : view.TempData[Key]) is string told
            ? JsonSerializer.Deserialize<Done>(told)
            : null;
}
