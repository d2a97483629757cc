using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace FondCompass.Data;

/// <summary>Two who save at once.</summary>
public static class Conflicts
{
    /// <summary>Changes laid on anew before it is given up.</summary>
    private const int Most = 5;

    /// <summary>Whether somebody else saved in between: the row had another version, or the same thing was there already.</summary>
    public static bool Is(Exception? problem) => problem switch
    {
        null => false,
        DbUpdateConcurrencyException => true,
        PostgresException postgres =>
            postgres.SqlState is PostgresErrorCodes.UniqueViolation or PostgresErrorCodes.SerializationFailure
                or PostgresErrorCodes.DeadlockDetected,
        _ => Is(problem.InnerException),
    };

    /// <summary>
    /// Lays a change that does not touch the text on a dance, on the newest version of it where somebody saves in between.
    /// </summary>
    /// <param name="find">The dance as it is stored; null when it is gone.</param>
    /// <returns>False when it is gone.</returns>
    /// <exception cref="DbUpdateException">Somebody saved each time.</exception>
    public static async Task<bool> Again(
        FondCompassContext context,
        Func<Task<DanceRecord?>> find,
        Action<DanceRecord> change,
        DanceRecord dance,
        CancellationToken cancel)
    {
        for (var tries = 1; ; tries++)
        {
            change(dance);
            try
            {
                await context.SaveChangesAsync(cancel);
                return true;
            }
            catch (DbUpdateException problem) when (tries < Most && Is(problem))
            {
                context.ChangeTracker.Clear();
                if (await find() is not { } current)
                {
                    return false;
                }

                dance = current;
            }
        }
    }
}
