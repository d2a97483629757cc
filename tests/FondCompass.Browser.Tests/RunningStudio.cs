using FondCompass.Tests.Databases;
using Xunit;

[assembly: AssemblyFixture(typeof(FondCompass.Browser.Tests.RunningStudio))]

namespace FondCompass.Browser.Tests;

/// <summary>The built application with demo data, once for all browser tests.</summary>
public sealed class RunningStudio : IAsyncLifetime
{
    private readonly RunningApplication _application = new(Path.Combine(AppContext.BaseDirectory, "FondCompass.Web.dll"));

    public TestDatabase Database => _application.Database;

    public string Address => _application.Address;

    public async ValueTask InitializeAsync() => await _application.Start();

    public Task Restart() => _application.Restart();

    public ValueTask DisposeAsync() => _application.DisposeAsync();
}
