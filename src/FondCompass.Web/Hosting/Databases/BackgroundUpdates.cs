using FondCompass.Data;
using FondCompass.Data.Dances;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Web.Hosting.Databases;

/// <summary>
/// Does behind the pages what nobody need wait for: dances are described by their owner's new words, logs of lessons are worked out. What
/// is to be done stands in the database, so
/// that a restart goes on with it and several instances share it.
/// </summary>
public sealed class BackgroundUpdates(IServiceScopeFactory scopes, TimeProvider time, ILogger<BackgroundUpdates> log) : BackgroundService
{
    /// <summary>Looked after so often without being called; a start goes first.</summary>
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(30), Later = TimeSpan.FromSeconds(2);

    private const int LessonsAtOnce = 20;

    private readonly SemaphoreSlim _called = new(0, 1);

    /// <summary>There is something to be done.</summary>
    public void Call()
    {
        try
        {
            _called.Release();
        }
        catch (SemaphoreFullException)
        {
            // It is called already.
        }
    }

    public override void Dispose()
    {
        base.Dispose();
        _called.Dispose();
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await Task.Delay(Later, time, stoppingToken);
        while (true)
        {
            try
            {
                while (await Some(stoppingToken))
                {
                    // As long as there is more.
                }
            }
            catch (Exception problem) when (!stoppingToken.IsCancellationRequested)
            {
                if (!DatabaseAway.Is(problem))
                {
                    log.LogError(problem, "Dances or lessons could not be brought up to date; it is tried again");
                }
            }

            await _called.WaitAsync(Every, stoppingToken);
        }
    }

    /// <summary>Does some of it; false when there is nothing left to do just now.</summary>
    private async Task<bool> Some(CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        var context = scope.ServiceProvider.GetRequiredService<FondCompassContext>();
        var isMore = await StaleDances.Describe(context, null, cancel) > 0;
        var lessons = await context.Lessons.Where(l => l.Times == "" || (l.IsLogDue && !l.Running))
            .OrderBy(l => l.OwnerId)
            .ThenBy(l => l.Id)
            .Take(LessonsAtOnce)
            .Select(l => new { l.Id, l.OwnerId, l.IsLogDue })
            .ToListAsync(cancel);
        foreach (var own in lessons.GroupBy(l => l.OwnerId))
        {
            var desk = await LessonDesk.Open(context, own.Key, time, cancel);
            foreach (var lesson in own)
            {
                await (lesson.IsLogDue ? desk.Reckon(lesson.Id, cancel) : desk.KeepTimes(lesson.Id, cancel));
            }
        }

        return isMore || lessons.Count == LessonsAtOnce;
    }
}
