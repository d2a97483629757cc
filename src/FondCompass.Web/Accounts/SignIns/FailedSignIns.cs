using System.Security.Cryptography;
using System.Text;
using Npgsql;

namespace FondCompass.Web.Accounts.SignIns;

/// <summary>
/// Counts tries that failed, so that nobody guesses for long: for each browser that has signed in before by itself, for each other by its
/// network and the account tried. So a
/// stranger's guesses keep the stranger out, and never the owner. Counted in the database, for all instances together, in a table that is
/// not logged: after a crash of the
/// database everybody begins anew.
/// </summary>
public sealed class FailedSignIns(NpgsqlDataSource database, TimeProvider time)
{
    /// <summary>Wrong passwords before a wait.</summary>
    public const int Most = 8;

    /// <summary>Guesses at one account from everywhere that it is not known; its known browsers are not counted and not kept out.</summary>
    public const int MostFromEverywhere = 200;

    /// <summary>How long tries are remembered from the first of them on.</summary>
    public static readonly TimeSpan Remembered = TimeSpan.FromMinutes(5);

    /// <summary>Whether one more may be tried; it counts from now on, until <see cref="Forget"/>.</summary>
    public async Task<bool> Begin(string who, int most = Most, CancellationToken cancel = default)
    {
        await using var counted = database.CreateCommand(
            """
            insert into "Tries" as t ("Key", "Count", "Until") values ($1, 1, $3)
            on conflict ("Key") do update set "Count" = case when t."Until" <= $2 then 1 else t."Count" + 1 end,
                "Until" = case when t."Until" <= $2 then $3 else t."Until" end
            returning "Count"
            """);
        var now = time.GetUtcNow();
        foreach (var value in (object[])[KeyOf(who), now, now + Remembered])
        {
            counted.Parameters.Add(new NpgsqlParameter { Value = value });
        }

        return (int)(await counted.ExecuteScalarAsync(cancel))! <= most;
    }

    /// <summary>It was right: what was tried before is forgotten.</summary>
    public async Task Forget(string who, CancellationToken cancel = default)
    {
        await using var forgotten = database.CreateCommand("""delete from "Tries" where "Key" = $1""");
        forgotten.Parameters.Add(new NpgsqlParameter { Value = KeyOf(who) });
        await forgotten.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>What was tried by whom is told by a digest: no address stands in the table.</summary>
    internal static byte[] KeyOf(string who) => SHA256.HashData(Encoding.UTF8.GetBytes(who));
}
