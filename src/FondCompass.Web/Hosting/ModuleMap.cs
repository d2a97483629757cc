using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Microsoft.AspNetCore.Mvc.ViewFeatures;
using Microsoft.Extensions.FileProviders;

namespace FondCompass.Web.Hosting;

/// <summary>
/// The browser's import map: every module of ours under the one address that carries its version, so that none is fetched twice and each is
/// kept until it changes. It must stand inline, so that the security policy names it by its hash.
/// </summary>
public sealed class ModuleMap
{
    public ModuleMap(IWebHostEnvironment environment, IFileVersionProvider versions)
    {
        var imports = Modules(environment.WebRootFileProvider, "js").Order(StringComparer.Ordinal).ToDictionary(p => p, p => versions.AddFileVersionToPath(PathString.Empty, p));
        Json = JsonSerializer.Serialize(new { imports });
        Hash = $"'sha256-{Convert.ToBase64String(SHA256.HashData(Encoding.UTF8.GetBytes(Json)))}'";
    }

    /// <summary>What stands between the tags.</summary>
    public string Json { get; }

    /// <summary>As the policy's script source names it.</summary>
    public string Hash { get; }

    private static IEnumerable<string> Modules(IFileProvider files, string folder) =>
        files.GetDirectoryContents(folder).SelectMany(f => f.IsDirectory ? Modules(files, $"{folder}/{f.Name}") : f.Name.EndsWith(".js", StringComparison.Ordinal) ? [$"/{folder}/{f.Name}"] : Array.Empty<string>());
}
