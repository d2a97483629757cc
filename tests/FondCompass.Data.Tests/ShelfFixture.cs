using FondCompass.Core.Measures;
using FondCompass.Data.Records;
using FondCompass.Tests.Databases;
using Microsoft.EntityFrameworkCore;
using Xunit;

[assembly: AssemblyFixture(typeof(FondCompass.Data.Tests.ShelfFixture))]

namespace FondCompass.Data.Tests;

/// <summary>One migrated database for all tests of this project; each test makes owners of its own.</summary>
public sealed class ShelfFixture : IAsyncLifetime
{
    /// <summary>Half past twelve on a Thursday.</summary>
    public static DateTimeOffset Noon { get; } = new(2026, 11, 26, 12, 30, 0, TimeSpan.Zero);

    /// <summary>What day it is here: the same on whatever day the tests run.</summary>
    public static InstructorClock Clock { get; } = new(new StillClock(Noon), TimeZoneInfo.Utc);

    private readonly TestDatabase _database = new();

    public FondCompassContext Context() =>
        new(new DbContextOptionsBuilder<FondCompassContext>().UseNpgsql(_database.Connection).Options);

    public async Task<Guid> NewOwner()
    {
        await using var context = Context();
        var id = Guid.CreateVersion7();
        context.Users.Add(new Instructor { Id = id, UserName = $"{id}@test.invalid", NormalizedUserName = $"{id}" });
        await context.SaveChangesAsync();
        return id;
    }

    public async ValueTask InitializeAsync()
    {
        await using var context = Context();
        await context.Database.MigrateAsync();
    }

    public ValueTask DisposeAsync()
    {
        Npgsql.NpgsqlConnection.ClearAllPools();
        _database.Dispose();
        return ValueTask.CompletedTask;
    }
}
