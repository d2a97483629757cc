using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Mvc.Infrastructure;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure;
using Microsoft.Extensions.DependencyInjection;

namespace FondCompass.Web.Tests;

/// <summary>One way into the application: a page's handler, found as it is run.</summary>
/// <param name="Route">The page's route: "dances/{id:guid}/fit".</param>
/// <param name="Method">GET or POST.</param>
/// <param name="Name">The handler's name; empty for the page's own.</param>
/// <param name="Fields">What it takes from the query or the form.</param>
public sealed record Handler(string Route, string Method, string Name, IReadOnlyList<(string Name, Type Type)> Fields)
{
    /// <summary>The handler at an id.</summary>
    public string At(string id) =>
        $"/{System.Text.RegularExpressions.Regex.Replace(Route, @"\{[a-z]+(:guid)?\}", id)}{(Name.Length > 0 ? $"?handler={Name}" : "")}";

    public override string ToString() => $"{Method} /{Route} {Name}".TrimEnd();

    /// <summary>All there are; a new one is among them by itself.</summary>
    public static async Task<IReadOnlyList<Handler>> All(IServiceProvider services)
    {
        var loader = services.GetRequiredService<PageLoader>();
        var all = new List<Handler>();
        foreach (var page in services.GetRequiredService<IActionDescriptorCollectionProvider>().ActionDescriptors.Items
            .OfType<PageActionDescriptor>())
        {
            var loaded = await loader.LoadAsync(page, EndpointMetadataCollection.Empty);
            var bound = loaded.BoundProperties.Select(p => (p.Name, p.ParameterType)).ToList();
            all.AddRange(loaded.HandlerMethods.Select(h => new Handler(
                page.AttributeRouteInfo!.Template!, h.HttpMethod.ToUpperInvariant(), h.Name ?? "",
                [
                    .. h.Parameters.Select(p => (p.BindingInfo?.BinderModelName ?? p.Name!, p.ParameterType))
                        .Where(p => p.ParameterType != typeof(CancellationToken)),
                    .. bound
                ])));
        }

        return all;
    }
}
