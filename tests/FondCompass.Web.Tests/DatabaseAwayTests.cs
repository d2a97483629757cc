using System.Net;
using FondCompass.Tests.Databases;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>The database stops and starts again under the running application.</summary>
public sealed class DatabaseAwayTests : IAsyncDisposable
{
    private readonly Studio _studio = new();

    [Fact]
    public async Task Pages_say_so_and_recover_by_themselves()
    {
        var visitor = await _studio.NewVisitor();
        var id = await visitor.Write("title Outage\npart A\n1-4 vine R\n5-8 vine L");
        _studio.Database.Stop();

        var (status, html) = await visitor.Get($"/dances/{id}/write");
        Assert.Equal(HttpStatusCode.ServiceUnavailable, status);
        Assert.Contains("The shelf does not answer", html);
        Assert.DoesNotContain("Npgsql", html);
        Assert.Equal(HttpStatusCode.ServiceUnavailable, (await visitor.Get("/healthz")).Status);
        using var analysis = await visitor.Client.PostAsync(
            "/api/analyse",
            new StringContent("part A\n1 step R"),
            TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.OK, analysis.StatusCode);

        _studio.Database.Start();
        // Whoever watches it may have looked a moment before; the page is there as soon as that looks again.
        await Until.Holds(
            "the page is there again",
            async () => (await visitor.Get($"/dances/{id}/write")).Status == HttpStatusCode.OK,
            TimeSpan.FromMinutes(1));
        Assert.Equal("ok", (await visitor.Get("/healthz")).Html);
    }

    public ValueTask DisposeAsync() => _studio.DisposeAsync();
}
