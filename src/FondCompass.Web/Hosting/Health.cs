using System.Net;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data;
using FondCompass.Web.Hosting.Databases;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Diagnostics.HealthChecks;
using Microsoft.Extensions.Options;

namespace FondCompass.Web.Hosting;

/// <summary>How it stands: in one word for whoever asks, and part by part for this machine.</summary>
internal static class Health
{
    /// <summary>Free room under which the disk is told as full.</summary>
    private const long LeastFree = 512L * 1024 * 1024;

    public static void AddHealth(this WebApplicationBuilder builder) => builder.Services.AddScoped<AnswersCheck>().AddHealthChecks()
        .AddCheck<AnswersCheck>("database").AddCheck<MigrationsCheck>("migrations").AddCheck<DiskCheck>("disk");

    /// <summary>
    /// GET /healthz: 200 "ok" when the database answers, else 503. GET /healthz/all, from this machine only: database, migrations and disk
    /// as JSON.
    /// </summary>
    public static void MapHealth(this WebApplication app)
    {
        app.MapGet(
            "/healthz",
            async (AnswersCheck database, CancellationToken cancel) => await database.CheckHealthAsync(
                new HealthCheckContext(),
                cancel) is { Status: HealthStatus.Healthy }
            ? Results.Text("ok") : Results.Text(ServerTexts.DoesNotAnswer, statusCode: StatusCodes.Status503ServiceUnavailable));
        app.MapGet("/healthz/all", async (HttpContext http, HealthCheckService health, CancellationToken cancel) =>
        {
            if (http.Connection.RemoteIpAddress is not { } from || !IPAddress.IsLoopback(from))
            {
                return Results.NotFound();
            }

            var report = await health.CheckHealthAsync(cancel);
            return Results.Json(
                new
                {
                    status = Word(report.Status),
                    parts = report.Entries.ToDictionary(e => e.Key, e => new { status = Word(e.Value.Status), says = e.Value.Description })
                },
                statusCode: report.Status == HealthStatus.Unhealthy ? StatusCodes.Status503ServiceUnavailable : StatusCodes.Status200OK);
        }).ExcludeFromDescription();
    }

    private static string Word(HealthStatus status) => status switch
    {
        HealthStatus.Healthy => "ok",
        HealthStatus.Degraded => "look at it",
        _ => "broken",
    };

    internal sealed class AnswersCheck(DatabaseWatch watch) : IHealthCheck
    {
        public async Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext told, CancellationToken cancel = default)
        {
            // Of a connection alone: whoever watches a start need not wait for the model of the whole database.
            return await watch.Answers().WaitAsync(cancel)
                ? HealthCheckResult.Healthy(ServerTexts.ItAnswers)
                : HealthCheckResult.Unhealthy(DatabaseAway.Words(null));
        }
    }

    private sealed class MigrationsCheck(FondCompassContext context) : IHealthCheck
    {
        public async Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext told, CancellationToken cancel = default)
        {
            try
            {
                var (left, done) =
                    ((await context.Database.GetPendingMigrationsAsync(cancel)).ToList(),
                        (await context.Database.GetAppliedMigrationsAsync(cancel))
                    .Except(context.Database.GetMigrations())
                    .ToList());
                return left.Count > 0 ? HealthCheckResult.Unhealthy(ServerTexts.NotApplied(string.Join(", ", left)))
                    : done.Count > 0 ? HealthCheckResult.Degraded(ServerTexts.DatabaseIsNewer(string.Join(", ", done)))
                    : HealthCheckResult.Healthy(ServerTexts.AllApplied);
            }
            catch (Exception problem) when (DatabaseAway.Is(problem))
            {
                return HealthCheckResult.Unhealthy(ServerTexts.DoesNotAnswer);
            }
        }
    }

    private sealed class DiskCheck(IOptions<StudioOptions> studio) : IHealthCheck
    {
        public Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext told, CancellationToken cancel = default)
        {
            var free = new DriveInfo(Path.GetFullPath(studio.Value.Data)).AvailableFreeSpace;
            var says = ServerTexts.MegabytesFree(free / 1024 / 1024, studio.Value.Data);
            return Task.FromResult(free >= LeastFree
                ? HealthCheckResult.Healthy(says)
                : HealthCheckResult.Degraded(ServerTexts.MakeRoom(says)));
        }
    }
}
