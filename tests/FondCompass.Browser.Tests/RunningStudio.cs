using FondCompass.Tests.Databases;
using Xunit;

[assembly: AssemblyFixture(typeof(FondCompass.Browser.Tests.RunningStudio))]
[assembly: AssemblyFixture(typeof(FondCompass.Browser.Tests.Browsers))]

// One after the other: some of them stop the server or its database under everybody, and the band wants the machine to itself.
[assembly: Xunit.v3.Parallelization(Mode = Xunit.Sdk.ParallelMode.None)]

namespace FondCompass.Browser.Tests;

/// <summary>The built application with demo data, once for all browser tests that ask for it.</summary>
public sealed class RunningStudio : IAsyncDisposable
{
    private readonly Lazy<RunningApplication> _application = new(() =>
    {
        var application = new RunningApplication();
        Task.Run(application.Start).GetAwaiter().GetResult();
        return application;
    });

    public TestDatabase Database => _application.Value.Database;

    public string Address => _application.Value.Address;

    public void Stop() => _application.Value.Stop();

    public Task Start() => _application.Value.Start();

    public Task Restart() => _application.Value.Restart();

    public async ValueTask DisposeAsync()
    {
        if (_application.IsValueCreated)
        {
            await _application.Value.DisposeAsync();
        }
    }
}

/// <summary>Ends the browsers when all tests are through.</summary>
public sealed class Browsers : IDisposable
{
    public void Dispose() => Browser.QuitIdle();
}
