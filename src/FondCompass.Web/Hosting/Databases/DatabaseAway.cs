using System.Net.Sockets;
using FondCompass.Core.Wording.Texts.Pages;
using Microsoft.EntityFrameworkCore.Storage;
using Npgsql;

namespace FondCompass.Web.Hosting.Databases;

/// <summary>Tells a database that does not answer, or that can keep no more, from every other failure.</summary>
internal static class DatabaseAway
{
    /// <summary>
    /// PostgreSQL's classes for connection failures, for what it lacks (disk, memory, connections), an operator's stop, and its system's
    /// failures.
    /// </summary>
    private static readonly string[] StateClasses = ["08", "53", "57", "58"];

    public static bool Is(Exception? problem) => problem switch
    {
        null => false,
        _ when TooSlow.Is(problem) => false,
        DatabaseFrozenException => true,
        PostgresException postgres => StateClasses.Any(c => postgres.SqlState.StartsWith(c, StringComparison.Ordinal)),
        NpgsqlException or SocketException or RetryLimitExceededException { InnerException: null } => true,
        _ => Is(problem.InnerException),
    };

    /// <summary>What it lacks, in plain words.</summary>
    public static string Words(Exception? problem) => StateOf(problem) switch
    {
        PostgresErrorCodes.DiskFull => ServerTexts.DiskIsFull,
        PostgresErrorCodes.TooManyConnections => ServerTexts.DatabaseIsBusy,
        _ => ServerTexts.DatabaseIsAway,
    };

    private static string? StateOf(Exception? problem) =>
        problem is PostgresException postgres ? postgres.SqlState : problem is null ? null : StateOf(problem.InnerException);
}
