using System.IO.Compression;
using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Unicode;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Wording.Texts.Lessons;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace FondCompass.Data.Accounts;

/// <summary>
/// All that belongs to an account as one file: a ZIP archive with a JSON file for each kind of thing, every field as it is stored, and
/// beside them the
/// dances and songs as text files that can be taken in again.
/// </summary>
/// <param name="database">Rows are read while they are written out: on a connection of its own, which keeps nothing back to be able to ask
/// again.</param>
public sealed class StudioExport(NpgsqlDataSource database)
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.Create(UnicodeRanges.All),
        Converters =
        {
            new AsKept<FitKept>(), new AsKept<LessonAsked>(), new AsKept<TeachingHabit>(), new AsKept<CourseSettled>(),
            new AsKept<ClassCues>(), new AsKept<PlanState>(), new AsKept<PlanPast>(), new AsKept<PlanShown>(),
        },
    };

    /// <summary>Most letters of a file's name.</summary>
    private const int LongestName = 80;

    private static string ReadMe => DeskTexts.ExportReadme;

    /// <summary>Seconds that one kind of thing may take to be read.</summary>
    private const int Patience = 300;

    /// <summary>Writes the archive, as one state of the database: what is saved meanwhile is not in it.</summary>
    /// <param name="to">Need not be sought in; it is left open.</param>
    public async Task Write(Stream to, Guid owner, CancellationToken cancel = default)
    {
        await using var context = new FondCompassContext(new DbContextOptionsBuilder<FondCompassContext>().UseNpgsql(
            database,
            npgsql => npgsql.CommandTimeout(Patience)).Options);
        await using var state = await context.Database.BeginTransactionAsync(System.Data.IsolationLevel.RepeatableRead, cancel);

        await using var archive = await ZipArchive.CreateAsync(to, ZipArchiveMode.Create, leaveOpen: true, Encoding.UTF8, cancel);
        await Text(archive, "README.txt", ReadMe, cancel);
        await Tables(archive, context, owner, cancel);
        await Texts(archive, context, owner, cancel);
    }

    /// <summary>A JSON file for each kind of thing that is kept.</summary>
    private static async Task Tables(ZipArchive archive, FondCompassContext context, Guid owner, CancellationToken cancel)
    {
        await Table(
            archive,
            "account",
            context.Users.Where(u => u.Id == owner).Select(u => new { u.Id, u.Email, u.TimeZone, u.WeekBegins, u.TwoFactorEnabled }),
            cancel);
        await Table(archive, "account-events", context.AccountEvents.Where(e => e.AccountId == owner).OrderBy(e => e.Id), cancel);
        await Table(archive, "sessions", context.Sessions.Where(s => s.AccountId == owner).OrderBy(s => s.Id), cancel);
        await Table(archive, "dances", context.Dances.Where(d => d.OwnerId == owner).OrderBy(d => d.Id), cancel);
        await Table(
            archive,
            "revisions",
            context.Revisions.Where(r => context.Dances.Any(d => d.Id == r.DanceId && d.OwnerId == owner)).OrderBy(r => r.Id),
            cancel);
        await Table(archive, "words", context.Words.Where(w => w.OwnerId == owner), cancel);
        await Table(archive, "tracks", context.Tracks.Where(t => t.OwnerId == owner).OrderBy(t => t.Id), cancel);
        await Table(
            archive,
            "kept-fits",
            context.KeptFits.Where(f => context.Dances.Any(d => d.Id == f.DanceId && d.OwnerId == owner)).OrderBy(f => f.DanceId),
            cancel);
        await Table(archive, "groups", context.Groups.Where(g => g.OwnerId == owner).OrderBy(g => g.Id), cancel);
        await Table(
            archive,
            "class-cues",
            context.ClassCues.Where(c => context.Groups.Any(g => g.Id == c.GroupId && g.OwnerId == owner)).OrderBy(c => c.GroupId),
            cancel);
        await Table(archive, "plan-drafts", context.PlanDrafts.Where(p => p.OwnerId == owner).OrderBy(p => p.Id), cancel);
        await Table(archive, "courses", context.Courses.Where(c => c.OwnerId == owner).OrderBy(c => c.Id), cancel);
        await Table(archive, "lessons", context.Lessons.IgnoreQueryFilters().Where(l => l.OwnerId == owner).OrderBy(l => l.Id), cancel);
        await Table(
            archive,
            "lesson-events",
            context.Lessons.IgnoreQueryFilters()
                .Where(l => l.OwnerId == owner)
                .Join(context.LessonEvents, l => l.Id, e => e.LessonId, (l, e) => e)
                .OrderBy(e => e.LessonId)
                .ThenBy(e => e.Arrived),
            cancel);
    }

    /// <summary>Scripts, songs and own words as the text they are.</summary>
    private static async Task Texts(ZipArchive archive, FondCompassContext context, Guid owner, CancellationToken cancel)
    {
        var names = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        await foreach (var dance in context.Dances.AsNoTracking()
            .Where(d => d.OwnerId == owner)
            .OrderBy(d => d.Title)
            .ThenBy(d => d.Id)
            .Select(d => new { d.Title, d.Script, d.DeletedAt })
            .AsAsyncEnumerable()
            .WithCancellation(cancel))
        {
            await Text(
                archive,
                Name(dance.DeletedAt is null ? "dances" : "dances/deleted", dance.Title, "dance", names),
                dance.Script,
                cancel);
        }

        await foreach (var track in context.Tracks.AsNoTracking()
            .Where(t => t.OwnerId == owner)
            .OrderBy(t => t.Title)
            .ThenBy(t => t.Id)
            .AsAsyncEnumerable()
            .WithCancellation(cancel))
        {
            await Text(archive, Name("songs", track.Title, "song", names), track.Passages, cancel);
        }

        if (await context.Words.AsNoTracking().FirstOrDefaultAsync(w => w.OwnerId == owner, cancel) is { } words)
        {
            await Text(archive, "words.txt", words.Text, cancel);
        }
    }

    private static async Task Table<T>(ZipArchive archive, string name, IQueryable<T> rows, CancellationToken cancel)
        where T : class
    {
        await using var entry = await archive.CreateEntry($"{name}.json", CompressionLevel.Fastest).OpenAsync(cancel);
        await JsonSerializer.SerializeAsync(entry, rows.AsNoTracking().AsAsyncEnumerable(), Json, cancel);
    }

    private static async Task Text(ZipArchive archive, string name, string text, CancellationToken cancel)
    {
        await using var entry = await archive.CreateEntry(name, CompressionLevel.Fastest).OpenAsync(cancel);
        await entry.WriteAsync(Encoding.UTF8.GetBytes(text), cancel);
    }

    /// <summary>A file's name that every system takes, and no two alike.</summary>
    private static string Name(string folder, string title, string ending, HashSet<string> taken)
    {
        var plain = new string([.. title.Select(c => char.IsLetterOrDigit(c) || c is ' ' or '-' ? c : '_')]).Trim();
        plain = Core.Text.Letters.Cut(plain.Length == 0 ? "untitled" : plain, LongestName);
        for (var i = 1; ; i++)
        {
            var name = $"{folder}/{plain}{(i > 1 ? $" {i}" : "")}.{ending}";
            if (taken.Add(name))
            {
                return name;
            }
        }
    }

    /// <summary>Writes a value as it is kept.</summary>
    private sealed class AsKept<T> : JsonConverter<T>
        where T : class
    {
        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            KeptJson.Read<T>(JsonDocument.ParseValue(ref reader).RootElement.GetRawText());

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) =>
            writer.WriteRawValue(KeptJson.Write(value));
    }
}
