using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Microsoft.AspNetCore.Components;

namespace FondCompass.Web.Hosting;

/// <summary>
/// The browser's import map: every module of ours under the one address that carries its version, so that none is fetched twice and each is
/// kept until it changes. It must stand inline, so that the security policy names it by its hash. The framework's own map names modules
/// relative to the page, whose addresses here have several folders.
/// </summary>
public sealed class ModuleMap(IEnumerable<EndpointDataSource> endpoints)
{
    private readonly Lazy<string> _json = new(() => Map(endpoints));

    public string Json => _json.Value;

    /// <summary>What stands between the tags.</summary>
    public BuiltMarkup Markup => BuiltMarkup.OfModules(this);

    /// <summary>As the policy's script source names it.</summary>
    public string Hash => $"'sha256-{Convert.ToBase64String(SHA256.HashData(Encoding.UTF8.GetBytes(Json)))}'";

    private static string Map(IEnumerable<EndpointDataSource> endpoints)
    {
        var assets = endpoints.SelectMany(s => s.Endpoints)
            .Select(e => e.Metadata.GetMetadata<ResourceAssetCollection>())
            .OfType<ResourceAssetCollection>()
            .First();
        var imports = assets
            .Select(a => (Label: a.Properties?.FirstOrDefault(p => p.Name == "label")?.Value, a.Url))
            .Where(a => a.Label is { } label
                && label.StartsWith("js/", StringComparison.Ordinal)
                && label.EndsWith(".js", StringComparison.Ordinal))
            .OrderBy(a => a.Label, StringComparer.Ordinal)
            .ToDictionary(a => $"/{a.Label}", a => $"/{a.Url}");
        return JsonSerializer.Serialize(new { imports });
    }
}
