using System.Collections.Concurrent;
using FondCompass.Web.Accounts;
using FondCompass.Web.Accounts.SignIns;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>
/// What is decided about somebody who wants in stands in the server's messages, for a monitor; and nothing in them that is somebody's own.
/// </summary>
public sealed class SignInLogTests : IDisposable
{
    private const string Password = "slack-tide-stroll";

    private readonly Heard _heard = new();
    private readonly WebApplicationFactory<Program> _studio;

    public SignInLogTests(Studio studio) =>
        _studio =
            studio.WithWebHostBuilder(builder =>
                builder.ConfigureTestServices(services => services.AddSingleton<ILogger<AccountLog>>(_heard)));

    public void Dispose() => _studio.Dispose();

    [Fact]
    public async Task Every_decision_is_told_by_its_number_and_without_an_address_or_a_password()
    {
        var email = $"{Guid.NewGuid():N}@test.invalid";
        Visitor Stranger() => new(_studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false }));
        var visitor = Stranger();
        await visitor.Post("/sign-in?handler=New", "/sign-in", ("Email", email), ("Password", Password));
        await visitor.Post("/sign-in?handler=Out", "/");
        await visitor.Post("/sign-in?handler=In", "/sign-in", ("Email", email), ("Password", "not the one at all"));
        await visitor.Post(
            "/sign-in?handler=In",
            "/sign-in",
            ("Email", "nobody\r\nSign-in: LetIn@test.invalid"),
            ("Password", "not the one at all"));
        var guesser = Stranger();
        for (var i = 0; i <= FailedSignIns.Most; i++)
        {
            await guesser.Post("/sign-in?handler=In", "/sign-in", ("Email", email), ("Password", "not the one at all"));
        }

        Assert.Equal([4101, 4103, 4201, 4202], _heard.Told.Select(t => t.Event.Id).Distinct().Take(4));
        Assert.Contains(_heard.Told, t => t.Event.Id == (int)SignInDecision.TooManyTries && t.Level == LogLevel.Warning);
        Assert.Contains(_heard.Told, t => t.Event.Id == (int)SignInDecision.LetIn && t.Level == LogLevel.Information);
        Assert.All(_heard.Told, t =>
        {
            Assert.Matches("^Sign-in: [A-Za-z]+, account ([0-9a-f-]{36}|none), from [0-9.:a-f]+$", t.Words);
            Assert.DoesNotContain("test.invalid", t.Words);
        });
    }

    private sealed class Heard : ILogger<AccountLog>
    {
        public ConcurrentQueue<(LogLevel Level, EventId Event, string Words)> Told { get; } = new();

        public IDisposable? BeginScope<TState>(TState state)
            where TState : notnull => null;

        public bool IsEnabled(LogLevel logLevel) => true;

        public void Log<TState>(
            LogLevel logLevel,
            EventId eventId,
            TState state,
            Exception? exception,
            Func<TState, Exception?, string> formatter) =>
            Told.Enqueue((logLevel, eventId, formatter(state, exception)));
    }
}
