using FondCompass.Tests.Databases;
using Xunit;

[assembly: AssemblyFixture(typeof(FondCompass.Browser.Tests.RunningStudio))]

// One after the other: some of them stop the server or its database under everybody, and the band wants the machine to itself.
[assembly: Xunit.v3.Parallelization(Mode = Xunit.Sdk.ParallelMode.None)]

namespace FondCompass.Browser.Tests;

/// <summary>The built application with demo data, once for all browser tests.</summary>
public sealed class RunningStudio : IAsyncLifetime
{
    private readonly RunningApplication _application = new();

    public TestDatabase Database => _application.Database;

    public string Address => _application.Address;

    public async ValueTask InitializeAsync() => await _application.Start();

    public void Stop() => _application.Stop();

    public Task Start() => _application.Start();

    public Task Restart() => _application.Restart();

    public ValueTask DisposeAsync() => _application.DisposeAsync();
}
