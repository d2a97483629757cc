using FondCompass.Data;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Web.Pages.Teaching;

/// <summary>What a class's screens ask for, by a code and without an account.</summary>
internal static class ClassEndpoints
{
    public static void MapClassWindows(this WebApplication app)
    {
        app.MapGet(
            "/class/time",
            (TimeProvider time) => Results.Text(ClassWindows.Now(time)
                .ToString("0.000", System.Globalization.CultureInfo.InvariantCulture)))
            .ExcludeFromDescription();
        app.MapGet(
            "/class/{code}/shown",
            async (
                string code,
                ClassWindows windows,
                ClassRelay relay,
                FondCompassContext context,
                TimeProvider time,
                IHostApplicationLifetime life,
                CancellationToken cancel) =>
        {
            if (await LessonOf(code, context, time, cancel) is not { } lesson)
            {
                return Results.NotFound();
            }

            await relay.Remember(lesson, cancel);
            // A screen keeps no stop of the application waiting: it comes back by itself.
            return windows.Watch(lesson, cancel, life.ApplicationStopping) is { } shown
                ? TypedResults.ServerSentEvents(shown)
                : Results.StatusCode(StatusCodes.Status429TooManyRequests);
        }).ExcludeFromDescription();
    }

    /// <summary>The lesson of a code that holds still; null for any other.</summary>
    public static async Task<Guid?> LessonOf(string code, FondCompassContext context, TimeProvider time, CancellationToken cancel)
    {
        var now = time.GetUtcNow();
        return await context.Lessons.AsNoTracking()
            .Where(l => l.ClassCode == code && l.ClassCodeUntil > now)
            .Select(l => (Guid?)l.Id)
            .FirstOrDefaultAsync(cancel);
    }
}
