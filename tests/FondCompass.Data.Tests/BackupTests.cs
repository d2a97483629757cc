using System.Diagnostics;
using FondCompass.Data.Dances;
using FondCompass.Data.Demo;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using FondCompass.Tests.Databases;
using Microsoft.EntityFrameworkCore;
using Npgsql;
using Xunit;

namespace FondCompass.Data.Tests;

/// <summary>What is kept by one command comes back by another, after the data folder was lost.</summary>
public sealed class BackupTests : IDisposable
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private readonly string _folder = Directory.CreateTempSubdirectory("fond-backup-").FullName;

    private string Data => Path.Combine(_folder, "data");

    private string File => Path.Combine(_folder, "kept.tar");

    [Fact]
    public async Task The_studio_is_there_again_after_its_folder_was_lost()
    {
        var connection = (await Run("database", "start", Data, "5700")).Said.Trim();
        Guid owner;
        await using (var context = Context(connection))
        {
            await context.Database.MigrateAsync(Cancel);
            var instructor = new Instructor
            {
                Id = Guid.NewGuid(),
                UserName = "a@test.invalid",
                NormalizedUserName = "A@TEST.INVALID",
                SecurityStamp = "s"
            };
            context.Users.Add(instructor);
            await context.SaveChangesAsync(Cancel);
            owner = instructor.Id;
            var shelf = new DanceShelf(context, owner, ShelfFixture.Clock);
            foreach (var (_, script) in DemoWorld.Scripts())
            {
                await shelf.Add(script, Cancel);
            }

            var book = new LessonBook(context, owner, ShelfFixture.Clock);
            var group = await book.AddGroup("Slipway beginners", "", 60, Cancel);
            var dance = await context.Dances.FirstAsync(d => d.OwnerId == owner, Cancel);
            await book.Add(
                new LessonRecord
                {
                    DanceId = dance.Id,
                    GroupId = group.Id,
                    Date = new DateOnly(2026, 11, 26),
                    Note = "the stove side is slippery 🦀"
                },
                Cancel);
        }

        // While it runs.
        Assert.Equal(0, (await Run("backup", Data, File)).Code);
        var (code, said) = await Run("backup", Data, File);
        Assert.Equal(1, code);
        Assert.Contains("is there already", said);
        NpgsqlConnection.ClearAllPools();
        await Run("database", "stop", Data);
        Directory.Delete(Data, recursive: true);
        Assert.Equal(0, (await Run("restore", File, Data)).Code);
        (code, said) = await Run("restore", File, Data);
        Assert.Equal(1, code);
        Assert.Contains("is not written over", said);
        connection = (await Run("database", "start", Data, "5700")).Said.Trim();
        await using (var context = Context(connection))
        {
            Assert.Empty(await context.Database.GetPendingMigrationsAsync(Cancel));
            var titles = await context.Dances.Where(d => d.OwnerId == owner).Select(d => d.Title).ToListAsync(Cancel);
            Assert.Contains("Slack Tide Stroll", titles);
            Assert.Equal(10, titles.Count);
            Assert.Equal(
                "the stove side is slippery 🦀",
                Assert.Single(await new LessonBook(context, owner, ShelfFixture.Clock).Lessons(cancel: Cancel)).Note);
        }

        NpgsqlConnection.ClearAllPools();
    }

    [Theory]
    [InlineData("backup", "nowhere", "There is no data in")]
    [InlineData("restore", "nowhere.tar", "There is no file")]
    [InlineData("restore", "torn.tar", "was not written by scripts/backup")]
    public async Task What_cannot_be_done_is_said(string command, string on, string says)
    {
        await System.IO.File.WriteAllTextAsync(Path.Combine(_folder, "torn.tar"), "torn", Cancel);
        var (code, said) = await Run(command, Path.Combine(_folder, on));
        Assert.Equal(1, code);
        Assert.Contains(says, said);
    }

    public void Dispose()
    {
        NpgsqlConnection.ClearAllPools();
        Run("database", "stop", Data).Wait(TimeSpan.FromSeconds(30));
        Directory.Delete(_folder, recursive: true);
    }

    private static FondCompassContext Context(string connection) =>
        new(new DbContextOptionsBuilder<FondCompassContext>().UseNpgsql(connection).Options);

    private static async Task<(int Code, string Said)> Run(string script, params string[] arguments)
    {
        var start = new ProcessStartInfo(Path.Combine(TestDatabase.Root, "scripts", script), arguments)
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true
        };
        using var process = Process.Start(start)!;
        var errors = process.StandardError.ReadToEndAsync();
        var output = await process.StandardOutput.ReadToEndAsync();
        await process.WaitForExitAsync();
        return (process.ExitCode, process.ExitCode == 0 ? output : output + await errors);
    }
}
