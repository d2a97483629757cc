using System.Threading.RateLimiting;
using FondCompass.Web.Accounts.SignIns;
using FondCompass.Web.Hosting.Databases;
using Npgsql;

namespace FondCompass.Web.Hosting.Requests;

/// <summary>
/// How much a network elsewhere may ask for: so many requests at once, and so many a minute, counted for all instances together by one
/// statement each. While the
/// database is away each instance counts for itself.
/// </summary>
internal sealed class RateLimits(NpgsqlDataSource database, DatabaseWatch watch, TimeProvider time) : IDisposable
{
    /// <summary>Requests of one network: so many at once, and so many a minute.</summary>
    public const int AtOnce = 30, AMinute = 120;

    private readonly PartitionedRateLimiter<string> _own =
        PartitionedRateLimiter.Create<string, string>(network => RateLimitPartition.GetTokenBucketLimiter(
        network,
        _ => new TokenBucketRateLimiterOptions
        {
            TokenLimit = AtOnce,
            TokensPerPeriod = AMinute / 60,
            ReplenishmentPeriod = TimeSpan.FromSeconds(1),
            AutoReplenishment = true,
        }));

    /// <summary>Whether one more is answered; it counts.</summary>
    public async Task<bool> Take(string network, CancellationToken cancel)
    {
        if (!watch.IsAway)
        {
            try
            {
                return await TakeOfAll(network, cancel);
            }
            catch (Exception problem) when (DatabaseAway.Is(problem))
            {
                // Counted here, then.
            }
        }

        using var lease = _own.AttemptAcquire(network);
        return lease.IsAcquired;
    }

    public void Dispose() => _own.Dispose();

    /// <summary>
    /// A bucket that fills by what is asked and runs empty with the time; who would make it overflow is turned away and adds nothing.
    /// </summary>
    private async Task<bool> TakeOfAll(string network, CancellationToken cancel)
    {
        await using var taken = database.CreateCommand(
            """
            insert into "Rates" as r ("Key", "Level", "At") values ($1, 1, $2)
            on conflict ("Key") do update set "Level" = greatest(0, r."Level" - greatest(0, extract(epoch from $2 - r."At")) * $3) + 1,
                "At" = greatest($2, r."At")
              where greatest(0, r."Level" - greatest(0, extract(epoch from $2 - r."At")) * $3) + 1 <= $4
            returning 1
            """);
        foreach (var value in (object[])[FailedSignIns.KeyOf(network), time.GetUtcNow(), AMinute / 60.0, (double)AtOnce])
        {
            taken.Parameters.Add(new NpgsqlParameter { Value = value });
        }

        return await taken.ExecuteScalarAsync(cancel) is not null;
    }
}
