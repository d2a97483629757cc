using Npgsql;

namespace FondCompass.Web.Hosting.Databases;

/// <summary>
/// Takes away, now and then, what is over: counts of tries, rates and screens that nobody needs any more, and sessions that ended by
/// themselves.
/// </summary>
internal sealed class ExpiredRows(NpgsqlDataSource database, TimeProvider time, ILogger<ExpiredRows> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromMinutes(10), Kept = TimeSpan.FromHours(1);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var turns = new PeriodicTimer(Every, time);
        while (await turns.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                await using var swept = database.CreateCommand(
                    """
                    with tries as (delete from "Tries" where "Until" <= $1),
                      rates as (delete from "Rates" where "At" <= $2),
                      screens as (delete from "ClassScreens" where "At" <= $2)
                    delete from "Sessions" where "Until" <= $1
                    """);
                var now = time.GetUtcNow();
                swept.Parameters.Add(new NpgsqlParameter { Value = now });
                swept.Parameters.Add(new NpgsqlParameter { Value = now - Kept });
                await swept.ExecuteNonQueryAsync(stoppingToken);
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                if (!DatabaseAway.Is(problem))
                {
                    log.LogError(problem, "What is over could not be taken away; it is tried again");
                }
            }
        }
    }
}
