using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.EntityFrameworkCore.Storage;
using Npgsql;
using Npgsql.EntityFrameworkCore.PostgreSQL;

namespace FondCompass.Web.Hosting.Databases;

/// <summary>
/// What failed for a moment is tried again, what was too slow is not: it would be as slow, and everybody behind it waits.
/// </summary>
internal sealed class Retries(ExecutionStrategyDependencies dependencies)
    : NpgsqlRetryingExecutionStrategy(dependencies, Most, Longest, null)
{
    private const int Most = 2;

    private static readonly TimeSpan Longest = TimeSpan.FromMilliseconds(300);

    protected override bool ShouldRetryOn(Exception? exception) => !TooSlow.Is(exception) && base.ShouldRetryOn(exception);
}

/// <summary>A query that took longer than any may, and was stopped: the database answers, and was asked for too much.</summary>
internal static class TooSlow
{
    /// <summary>Seconds that a query may take; sooner than a browser gives up (8 s in app.js and marks.js).</summary>
    public const int Seconds = 7;

    private const string Mark = "fond-too-slow";

    public static bool Is(Exception? problem) => problem switch
    {
        null => false,
        PostgresException { SqlState: PostgresErrorCodes.QueryCanceled } => true,
        _ => problem.Data.Contains(Mark) || Is(problem.InnerException),
    };

    /// <summary>
    /// Marks what ran out of its time while it was answered: by the exception alone it cannot be told from a connection that never came.
    /// </summary>
    internal sealed class Watch : DbCommandInterceptor
    {
        public override void CommandFailed(DbCommand command, CommandErrorEventData eventData) => See(eventData.Exception);

        public override Task CommandFailedAsync(
            DbCommand command,
            CommandErrorEventData eventData,
            CancellationToken cancellationToken = default)
        {
            See(eventData.Exception);
            return Task.CompletedTask;
        }

        private static void See(Exception problem)
        {
            if (problem is NpgsqlException { InnerException: TimeoutException })
            {
                problem.Data[Mark] = true;
            }
        }
    }
}
