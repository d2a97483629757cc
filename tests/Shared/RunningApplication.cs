using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace FondCompass.Tests.Databases;

/// <summary>The built application as its own process, over a database of its own, with demo data.</summary>
public sealed class RunningApplication : IAsyncDisposable
{
    /// <summary>What ./start runs, if it was built (./test does); else what lies beside the tests.</summary>
    private static readonly string Built = Environment.GetEnvironmentVariable("FOND_APP") is { Length: > 0 } folder
        ? folder
        : AppContext.BaseDirectory;

    private readonly string _dll;
    private readonly int _port = FreePort();
    private Process? _process;

    private bool _isBeside;

    /// <param name="dll">What is run; the product of this build when none is given.</param>
    public RunningApplication(string? dll = null)
        : this(dll ?? Path.Combine(Built, "FondCompass.Web.dll"), new TestDatabase())
    {
    }

    /// <param name="database">What is there already.</param>
    public RunningApplication(TestDatabase database)
        : this(Path.Combine(Built, "FondCompass.Web.dll"), database)
    {
    }

    private RunningApplication(string dll, TestDatabase database)
    {
        (_dll, Database) = (dll, database);
        // Whoever is ended from outside ends what it began.
        AppDomain.CurrentDomain.ProcessExit += (_, _) => End();
    }

    public TestDatabase Database { get; }

    /// <summary>Another instance over the same database, to be ended before this one.</summary>
    public RunningApplication Beside() => new(_dll, Database) { _isBeside = true };

    /// <summary>Bytes of memory that it holds just now.</summary>
    public long Memory
    {
        get
        {
            _process!.Refresh();
            return _process.WorkingSet64;
        }
    }

    public string Address => $"http://127.0.0.1:{_port}";

    /// <summary>Ends the server and starts it again, as after a restart of the machine.</summary>
    public async Task Restart()
    {
        End();
        await Start();
    }

    public ValueTask DisposeAsync()
    {
        End();
        if (!_isBeside)
        {
            Database.Dispose();
        }

        return ValueTask.CompletedTask;
    }

    public async Task Start()
    {
        // A published one has its pages' files beside it, a built one where they are written.
        var beside = Path.GetDirectoryName(Path.GetFullPath(_dll))!;
        var web = Directory.Exists(Path.Combine(beside, "wwwroot")) ? beside : Path.Combine(TestDatabase.Root, "src", "FondCompass.Web");
        var start = new ProcessStartInfo("dotnet", [_dll])
        {
            WorkingDirectory = web,
            RedirectStandardOutput = true,
        };
        start.Environment["ConnectionStrings__FondCompass"] = Database.Connection;
        start.Environment["FondCompass__Demo"] = "true";
        start.Environment["ASPNETCORE_URLS"] = Address;
        start.Environment["ASPNETCORE_CONTENTROOT"] = web;
        // It tells where it listens when it is ready, and ends its output when it ends.
        // Who waits goes on elsewhere: on the thread that reads the output, the end of that output would never be seen.
        var ready = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
        var said = new List<string>();
        _process = Process.Start(start)!;
        _process.OutputDataReceived += (_, line) =>
        {
            said.Add(line.Data ?? "");
            if (line.Data is null)
            {
                ready.TrySetException(
                    new InvalidOperationException($"The application ended before it was ready:\n{string.Join('\n', said)}"));
            }
            else if (line.Data.Contains("Now listening on", StringComparison.Ordinal))
            {
                ready.TrySetResult();
            }
        };
        _process.BeginOutputReadLine();
        await ready.Task.WaitAsync(TimeSpan.FromMinutes(5));
    }

    /// <summary>Ends the server at once; <see cref="Start"/> brings it back at the same address.</summary>
    public void Stop() => End();

    private void End()
    {
        if (_process is { HasExited: false })
        {
            _process.Kill(entireProcessTree: true);
            _process.WaitForExit();
        }

        _process?.Dispose();
        _process = null;
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
