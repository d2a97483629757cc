using System.Diagnostics;
using FondCompass.Tests.Databases;
using Microsoft.EntityFrameworkCore;
using Npgsql;
using Xunit;

namespace FondCompass.Data.Tests;

/// <summary>The product's own database: whose it is, and what happens to its passwords.</summary>
public sealed class DatabaseScriptTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("fond-role-").FullName;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task The_application_reaches_its_own_tables_and_nothing_else()
    {
        var connection = await Start();
        await using (var context = new FondCompassContext(new DbContextOptionsBuilder<FondCompassContext>().UseNpgsql(connection).Options))
        {
            // All that migrations need it may.
            await context.Database.MigrateAsync(Cancel);
            Assert.False(await context.Users.AnyAsync(Cancel));
        }

        foreach (var beyond in (string[])[
            "select pg_read_file('/etc/passwd')", "copy \"Dances\" to program 'cat'", "create database another",
            "create role another", "alter role fond password 'x'", "select * from pg_authid"
        ])
        {
            await using var source = NpgsqlDataSource.Create(connection);
            await using var command = source.CreateCommand(beyond);
            Assert.Equal(
                PostgresErrorCodes.InsufficientPrivilege,
                (await Assert.ThrowsAsync<PostgresException>(() => command.ExecuteNonQueryAsync(Cancel))).SqlState);
        }

        await using var other = NpgsqlDataSource.Create(new NpgsqlConnectionStringBuilder(connection) { Database = "postgres" });
        Assert.Equal(
            PostgresErrorCodes.InsufficientPrivilege,
            (await Assert.ThrowsAsync<PostgresException>(async () => await other.OpenConnectionAsync(Cancel))).SqlState);
    }

    /// <summary>A port that was free when it was asked for may be taken by whoever starts at the same moment.</summary>
    [Fact]
    public async Task Several_that_start_at_once_each_find_a_port()
    {
        var databases = await Task.WhenAll(Enumerable.Range(0, 4).Select(_ => Task.Run(() => new TestDatabase(), Cancel)));
        try
        {
            Assert.Equal(4, databases.Select(d => new NpgsqlConnectionStringBuilder(d.Connection).Port).Distinct().Count());
        }
        finally
        {
            Array.ForEach(databases, d => d.Dispose());
        }
    }

    [Fact]
    public async Task A_database_from_before_becomes_the_applications_with_all_that_is_in_it()
    {
        var connection = await Start();
        await using (var context = new FondCompassContext(new DbContextOptionsBuilder<FondCompassContext>().UseNpgsql(connection).Options))
        {
            await context.Database.MigrateAsync(Cancel);
        }

        await using (var super = NpgsqlDataSource.Create(new NpgsqlConnectionStringBuilder(connection)
        {
            Username = "fond",
            Password = await Password()
        }))
        {
            foreach (var before in (string[])[
                "alter database fondcompass owner to fond",
                "alter table \"Dances\" owner to fond",
                "alter table \"AccountEvents\" owner to fond",
                "alter table \"__EFMigrationsHistory\" owner to fond"
            ])
            {
                await using var command = super.CreateCommand(before);
                await command.ExecuteNonQueryAsync(Cancel);
            }
        }

        await using var again = NpgsqlDataSource.Create(await Start());
        await using var owners =
            again.CreateCommand(
                "select count(*) from pg_class where relnamespace = 'public'::regnamespace and relkind in ('r', 'S', 'i') and relowner "
                    + "<> 'fondapp'::regrole");
        Assert.Equal(0L, await owners.ExecuteScalarAsync(Cancel));
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task A_password_that_was_lost_is_set_anew(bool isRunning)
    {
        await Start();
        if (!isRunning)
        {
            await Run("stop");
        }

        File.Delete(Path.Combine(_folder, "password"));
        var (code, connection, said) = await Run("start", "5800");
        Assert.Equal(0, code);
        Assert.Contains("a new one was set", said);
        await using var source = NpgsqlDataSource.Create(new NpgsqlConnectionStringBuilder(connection.Trim())
        {
            Username = "fond",
            Password = await Password()
        });
        await using var asked = source.CreateCommand("select 1");
        Assert.Equal(1, await asked.ExecuteScalarAsync(Cancel));
    }

    [Fact]
    public async Task A_password_that_is_wrong_is_said_in_one_sentence()
    {
        await Start();
        await File.WriteAllTextAsync(Path.Combine(_folder, "password"), "mistyped", Cancel);
        var (code, _, said) = await Run("start", "5800");
        Assert.Equal(1, code);
        Assert.Contains("is not the database's. Put the right one back, or remove the file and start again", said);
        Assert.Single(said.Trim().Split('\n'));
        File.Delete(Path.Combine(_folder, "password"));
        Assert.Equal(0, (await Run("start", "5800")).Code);
    }

    public void Dispose()
    {
        NpgsqlConnection.ClearAllPools();
        Run("stop").Wait(TimeSpan.FromSeconds(30));
        Directory.Delete(_folder, recursive: true);
    }

    private async Task<string> Password() => await File.ReadAllTextAsync(Path.Combine(_folder, "password"), Cancel);

    private async Task<string> Start()
    {
        var (code, connection, said) = await Run("start", "5800");
        Assert.True(code == 0, said);
        return connection.Trim();
    }

    private async Task<(int Code, string Out, string Said)> Run(string command, params string[] arguments)
    {
        var start = new ProcessStartInfo(Path.Combine(TestDatabase.Root, "scripts", "database"), [command, _folder, .. arguments])
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true
        };
        start.Environment["FOND_DATABASE_OPTIONS"] = "-c fsync=off";
        using var process = Process.Start(start)!;
        var errors = process.StandardError.ReadToEndAsync();
        var output = await process.StandardOutput.ReadToEndAsync();
        await process.WaitForExitAsync();
        return (process.ExitCode, output, await errors);
    }
}
