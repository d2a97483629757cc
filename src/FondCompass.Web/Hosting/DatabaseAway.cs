using System.Net.Sockets;
using Microsoft.EntityFrameworkCore.Storage;
using Npgsql;

namespace FondCompass.Web.Hosting;

/// <summary>Tells a database that does not answer from every other failure.</summary>
internal static class DatabaseAway
{
    /// <summary>PostgreSQL's classes for connection failures and an operator's stop.</summary>
    private static readonly string[] StateClasses = ["08", "57"];

    public static bool Is(Exception? problem) => problem switch
    {
        null => false,
        PostgresException postgres => StateClasses.Any(c => postgres.SqlState.StartsWith(c, StringComparison.Ordinal)),
        NpgsqlException or SocketException or RetryLimitExceededException { InnerException: null } => true,
        _ => Is(problem.InnerException),
    };
}
